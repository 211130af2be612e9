"""The bow’s centre line and its inner face, and the room that a grower has under it."""

from obtegum.core.documents.house import HouseDesign
from obtegum.core.documents.numbers import misfit
from obtegum.core.documents.reading import limit_of
from obtegum.core.findings.kept import found
from obtegum.core.findings.skeleton.tubes import bow_tube
from obtegum.core.findings.work import Work
from obtegum.core.formulas.bows.headroom import clear_from, headroom_over
from obtegum.core.formulas.profile import Chain, Kink, ProfileError
from obtegum.core.values.quantity import length_text
from obtegum.core.values.trouble import DesignError, Trouble

__all__ = ["centre_line", "grower_at_m", "headroom_m", "inner_face", "leg_kink", "upright_from_m"]


@found
def centre_line(work: Work) -> Chain:
    """The bow's centre line. Raises: DesignError with the nearest value where the shape can't be."""
    return _centre_line(work.design)


@found
def inner_face(work: Work) -> Chain:
    """The bow's inner face, each segment by itself. Raises: DesignError when the tube is too thick for a bend."""
    try:
        return centre_line(work).offset(-bow_tube(work).od_m / 2)
    except ValueError:
        sentence = "That bend is tighter than the tube is thick. The least is"
        raise DesignError([misfit("size.shape.shoulder_m", sentence, bow_tube(work).od_m, work.tape, "up")]) from None


def grower_at_m(work: Work) -> float:
    return min(work.design.size.figure.from_left_m, work.design.size.span_m)


# Places of a bow that are one, m.
SAME_M = 1e-6


def leg_kink(work: Work) -> Kink | None:
    """The left corner where leg and arc meet above the post top, or None; an elbow there is none, nor the ridge."""
    if work.design.size.shape.kind == "kneed" or work.design.bows.making == "elbows":
        return None
    reveal_m, middle_m = work.design.posts.reveal_m, centre_line(work).girth_m / 2
    return next((kink for kink in centre_line(work).kinks if reveal_m + 1e-7 < kink.s_m < middle_m - SAME_M), None)


@found
def upright_from_m(work: Work) -> float | None:
    """Where the grower can first stand upright, from the left posts' line, m; None if nowhere."""
    size = work.design.size
    return clear_from(inner_face(work), size.span_m, size.figure.height_m, work.rules.figure_width_m)


@found
def headroom_m(work: Work) -> float:
    """Height to the inner face of the bow over the grower's width, where the grower stands, m."""
    x = grower_at_m(work) - work.design.size.span_m / 2
    return headroom_over(inner_face(work), x, work.rules.figure_width_m)


def _centre_line(design: HouseDesign) -> Chain:
    """The bow's centre line. Raises: DesignError with the nearest value where the shape can't be."""
    try:
        return design.size.shape.chain(design.size.span_m)
    except ProfileError as error:
        path, reason = f"size.shape.{error.measure}", error.sentence
        nearest = None if error.nearest_m is None else length_text(error.nearest_m, design.tape)
        limit = limit_of(path)
        sentence = f"{reason} {limit.label} {nearest} would do." if nearest and limit else reason
        trouble = Trouble(path=path, sentence=sentence, reason=reason, nearest_m=error.nearest_m, nearest=nearest)
        raise DesignError([trouble]) from None
