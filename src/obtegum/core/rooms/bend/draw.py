"""The bow as it comes off the former against the plan, and a drawing of each pull."""

from obtegum.core.drawing.items import Dimension, Drawing, Item, Mark, Note, Outline, Row, Vertex, drawn
from obtegum.core.drawing.paths import chain_path, line, moved
from obtegum.core.findings.skeleton.bending import bent_stretches, first_former_m, is_formed, made_bow, pulls_of
from obtegum.core.findings.skeleton.bows import girth_at, split_of
from obtegum.core.findings.skeleton.line import centre_line
from obtegum.core.findings.skeleton.tubes import bow_tube
from obtegum.core.findings.work import Work
from obtegum.core.formulas.bows.as_bent import lay
from obtegum.core.formulas.profile import Chain, Segment
from obtegum.core.rooms.bend.pulls import told_pulls
from obtegum.core.rooms.bend.sprung import spring_of, sprung_drawing

__all__ = ["made", "pull_drawings"]

BESIDE_M = 0.5


def made(work: Work) -> Drawing:
    """Planned bow dashed, the bow as it comes out drawn in the tube's width; pipe that is sprung, as it springs."""
    if spring_of(work) is not None:
        return sprung_drawing(work)
    size, out = work.design.size, made_bow(work)
    low = min(out.bow.point(out.bow.girth_m * share / 40)[1] for share in range(41))
    left = min(-size.span_m / 2, -out.span_m / 2) - BESIDE_M
    items: list[Item] = [
        Outline(part="ground", layer="ground", material="ink", path=line(left, 0.0, -left, 0.0), label="ground"),
        Outline(part="bow", layer="hidden", material="ink", path=chain_path(centre_line(work)), label="bow as planned"),
        Outline(
            part="made",
            layer="frame",
            material=bow_tube(work).material,
            path=chain_path(out.bow),
            width_m=bow_tube(work).od_m,
            label="bow as it comes out",
        ),
        Dimension(
            part="span", x0=out.span_m / 2, y0=low, x1=-out.span_m / 2, y1=low, lane=1.0, text=work.say(out.span_m)
        ),
        Dimension(part="height", x0=-left, y0=out.height_m, x1=-left, y1=0.0, lane=1.0, text=work.say(out.height_m)),
        *_dashed_note(work),
        *_pull_marks(work),
    ]
    return drawn(
        view="made",
        title="As it comes out",
        summary=(
            f"The bow as bent, {work.say(out.span_m)} wide and {work.say(out.height_m)} high, "
            f"over the plan of {work.say(size.span_m)} and {work.say(size.height_m)}."
        ),
        items=items,
        beside_m=(0.0, 0.1, 0.0, bow_tube(work).od_m),
        table=(
            Row(what="Width as planned", reading=work.say(size.span_m)),
            Row(what="Width as it comes out", reading=work.say(out.span_m)),
            Row(what="Height as planned", reading=work.say(size.height_m)),
            Row(what="Height as it comes out", reading=work.say(out.height_m)),
        ),
    )


def _dashed_note(work: Work) -> list[Item]:
    """What the dashes are, where they can be told from the bow."""
    size, out = work.design.size, made_bow(work)
    if max(abs(out.span_m - size.span_m), abs(out.height_m - size.height_m)) < bow_tube(work).od_m / 2:
        return []
    return [Note(part="bow", x=0.0, y=size.height_m * 0.5, text="dashed: as planned", above=False)]


def _pull_marks(work: Work) -> list[Mark]:
    """Where each pull starts and a bend ends, on the bow as it comes out."""
    found: list[Mark] = []
    if not is_formed(work):
        return found
    bow = made_bow(work).bow
    for piece in split_of(work).pieces:
        number = 0
        for start_m, pulls, _ in pulls_of(work, piece):
            for pull in range(pulls.count + 1):
                last = pull == pulls.count
                number += 0 if last else 1
                s_m = girth_at(work, piece.from_m + start_m + pull * pulls.advance_m)
                x, y = bow.point(s_m)
                part = f"{'pulled' if last else 'pull'}:{piece.name}{number}"
                label = "bend ends" if last else f"pull {number} of stick {piece.name}"
                found.append(Mark(part=part, symbol="bend", x=x, y=y, heading_rad=bow.heading(s_m), label=label))
    return found


def pull_drawings(work: Work) -> list[Drawing]:
    """The pulls of the first stick that are told of: what is bent already, what is on the former, what is straight."""
    if not is_formed(work):
        return []
    piece = next((each for each in split_of(work).pieces if bent_stretches(work, each)), None)
    if piece is None:
        return []
    told = {each.view for each in told_pulls(work, piece)}
    found, number, done, at_m = list[Drawing](), 0, list[tuple[float, float]](), 0.0
    for start_m, pulls, arc in pulls_of(work, piece):
        done.append((start_m - at_m, 0.0))
        at_m = start_m
        former_m = first_former_m(work) or arc.radius_m
        free = 1 / arc.radius_m
        for _ in range(pulls.count):
            number += 1
            if f"pull:{number}" in told:
                rest_m = piece.length_m - at_m - pulls.advance_m
                found.append(_pull(work, number, done, pulls.advance_m, former_m, rest_m))
            done.append((pulls.advance_m, free))
            at_m += pulls.advance_m
    return found


def _pull(
    work: Work, number: int, done: list[tuple[float, float]], advance_m: float, former_m: float, rest_m: float
) -> Drawing:
    """The former's start is at the top of the drawing's circle, the tube running to the right over it."""
    turned = sum(length * curvature for length, curvature in done)
    laid = lay([*done, (advance_m, 1 / former_m), (rest_m, 0.0)], heading=turned)
    # Where the pull begins: the end of what was done before.
    before = lay(done, heading=turned)
    x, y = before[-1].point(before[-1].length_m) if before else (0.0, 0.0)
    shift = (-x, former_m - y)
    tube = _path(laid, shift)
    span = max(former_m * 0.25, advance_m)
    arc = lay([(span, 1 / former_m)], 0.0, former_m - bow_tube(work).od_m, 0.0)
    items: list[Item] = [
        Outline(
            part="former",
            layer="frame",
            material="post",
            path=chain_path(Chain(tuple(arc))),
            width_m=bow_tube(work).od_m,
            label="former",
        ),
        Outline(
            part="tube",
            layer="frame",
            material=bow_tube(work).material,
            path=tube,
            width_m=bow_tube(work).od_m,
            label="tube",
        ),
        Note(part="former", x=0.0, y=former_m, text=f"pull {number} starts here"),
    ]
    return drawn(
        view=f"pull:{number}",
        title=f"Pull {number}",
        summary=f"Pull {number}: the tube on the former, what is bent to the left, the straight rest to the right.",
        items=items,
        beside_m=BESIDE_M,
        table=(Row(what="Bent in this pull", reading=work.say(advance_m)),),
    )


def _path(laid: list[Segment], shift: tuple[float, float]) -> tuple[Vertex, ...]:
    return tuple(moved(vertex, *shift) for vertex in chain_path(Chain(tuple(laid))))
