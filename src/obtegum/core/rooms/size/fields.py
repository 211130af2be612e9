"""Shape, height and the grower's place: what is set in a way of its own."""

from typing import Any

from obtegum.core.documents.job import Job
from obtegum.core.documents.reading import limit_of
from obtegum.core.documents.size import Round, Size, SprungPipe
from obtegum.core.face.fields import Document, Option, put, special
from obtegum.core.findings.skeleton.shapes import SHAPE_LABELS, shape_of
from obtegum.core.formulas.profile import ProfileError
from obtegum.core.formulas.profile.gothic import least_radius, plumb_radius
from obtegum.core.rooms.size import words
from obtegum.core.rooms.start.known import set_by_hand
from obtegum.core.values.catalogue import Catalogue
from obtegum.core.values.quantity import length_text
from obtegum.core.values.trouble import DesignError, Trouble

__all__ = ["FIELDS"]

HEIGHT, PIPE = "size.shape.height_m", "size.shape.pipe_m"
SHAPES = tuple(Option(id=kind, label=label) for kind, label in SHAPE_LABELS.items())


def _plumb_radius(job: Job) -> float | None:
    """Radius of gothic arcs that spring plumb from this house's legs, m."""
    size = job.design.size
    return plumb_radius(size.span_m, size.height_m - size.leg_m) if size.shape.kind == "gothic" else None


def _write_height(document: Document, job: Job, height_m: Any) -> None:
    """The height of half a circle on legs follows from its legs, so these are changed."""
    design = job.design
    if design.size.shape.kind == "gothic":
        _keep_arcs(document, job, height_m)
    if isinstance(design.size.shape, SprungPipe):
        _spring_to(document, design.size.shape, design.size.span_m, height_m)
        return
    if design.size.shape.kind != "round_on_legs":
        put(document, HEIGHT, height_m)
        return
    leg_m = height_m - design.size.span_m / 2
    if leg_m < -1e-9:
        least_m = design.size.span_m / 2
        nearest = length_text(least_m, design.tape, "up")
        sentence = words.half_circle_higher(nearest)
        raise DesignError([Trouble(path=HEIGHT, sentence=sentence, nearest_m=least_m, nearest=nearest)])
    put(document, "size.shape.leg_m", max(leg_m, 0.0))


def _spring_to(document: Document, shape: SprungPipe, span_m: float, height_m: float) -> None:
    """So high by another width, where that gives way, or else by another length of pipe."""
    try:
        if shape.gives == "width":
            put(document, "size.span_m", shape.as_wide(height_m))
        else:
            put(document, PIPE, shape.as_high(span_m, height_m)["pipe_m"])
    except ProfileError as error:
        raise DesignError([Trouble(path=HEIGHT, sentence=error.sentence)]) from None


def _write_pipe(document: Document, job: Job, pipe_m: Any) -> None:
    """Another length of pipe is another height, or where the width gives way, another width of the same height."""
    put(document, PIPE, pipe_m)
    put(document, "bows.cut", "cut")
    size = job.design.size
    if isinstance(size.shape, SprungPipe) and size.shape.gives == "width":
        other = size.shape.model_copy(update={"pipe_m": pipe_m})
        try:
            put(document, "size.span_m", other.as_wide(size.height_m))
        except ProfileError as error:
            raise DesignError([Trouble(path=PIPE, sentence=error.sentence)]) from None


def _write_feet(document: Document, job: Job, feet: Any) -> None:
    """What the pipe stands on is what holds it so; what gives way is what was told to."""
    size, stand = job.design.size, job.design.posts.stand
    if isinstance(size.shape, SprungPipe):
        leg_m = 0.0 if feet == "loose" else job.design.posts.reveal_m
        _hold_otherwise(document, size, {"feet": feet, "leg_m": leg_m})
        if size.shape.feet == "loose" and feet != "loose":
            # Down over a stub it reached to the ground; into a post it goes as deep as it is wont to.
            put(document, "bows.insertion_m", _wont_to_go_in(job))
    wanted = {"loose": "stub", "strapped": "board"}.get(feet)
    if wanted is None and stand in ("board", "curve"):
        wanted = "driven"
    put(document, "posts.stand", wanted or stand)


def _wont_to_go_in(job: Job) -> float:
    """How deep a bow goes into its post where nothing else says, m."""
    limit = limit_of("bows.insertion_m")
    assert limit is not None
    return min(limit.begins(job.design.tape.units) or limit.least, job.design.posts.length_m)


def _write_ridge(document: Document, job: Job, ridge: Any) -> None:
    _hold_otherwise(document, job.design.size, {"ridge": ridge})


def _write_elbow(document: Document, job: Job, elbow: Any) -> None:
    _hold_otherwise(document, job.design.size, {"elbow": elbow})


def _hold_otherwise(document: Document, size: Size, changes: dict[str, Any]) -> None:
    """Sprung pipe held otherwise: the height, the width or the pipe gives way, whichever was told to; the two others
    stay as they were written. Raises: DesignError where nothing of the one that gives way does."""
    for name, value in changes.items():
        put(document, f"size.shape.{name}", value)
    if not isinstance(size.shape, SprungPipe):
        return
    shape = size.shape.model_copy(update=changes)
    try:
        if shape.gives == "pipe":
            put(document, PIPE, shape.as_high(size.span_m, size.height_m)["pipe_m"])
        elif shape.gives == "width":
            put(document, "size.span_m", shape.as_wide(size.height_m))
    except ProfileError as error:
        sentence = words.held_so(error.sentence, shape.gives == "width")
        raise DesignError([Trouble(path=f"size.shape.{next(iter(changes))}", sentence=sentence)]) from None


def _keep_arcs(document: Document, job: Job, height_m: float) -> None:
    """A gothic lower than arcs that spring plumb can make keeps the radius that it has, where its ridge lets it."""
    size = job.design.size
    rise_m, now_m = height_m - size.leg_m, _plumb_radius(job)
    lower = 0 < rise_m < size.span_m / 2
    if lower and now_m is not None and size.shape.kind == "gothic" and size.shape.radius_m is None:
        put(document, "size.shape.radius_m", max(now_m, least_radius(size.span_m, rise_m)))


def _write_span(document: Document, job: Job, span_m: Any) -> None:
    put(document, "size.span_m", span_m)
    set_by_hand(document, job, "beds", "bow")
    size = job.design.size
    if isinstance(size.shape, SprungPipe) and size.shape.gives == "pipe":
        try:
            put(document, PIPE, size.shape.as_high(span_m, size.height_m)["pipe_m"])
        except ProfileError as error:
            raise DesignError([Trouble(path="size.span_m", sentence=error.sentence)]) from None


def _write_length(document: Document, job: Job, length_m: Any) -> None:
    put(document, "size.length_m", length_m)
    set_by_hand(document, job, "sticks")


def _write_own_height(document: Document, job: Job, height_m: Any) -> None:
    """A height of one's own is not the one that follows from whole sticks."""
    _write_height(document, job, height_m)
    put(document, "bows.cut", "cut")
    set_by_hand(document, job, "bow")


def _write_leg(document: Document, job: Job, leg_m: Any) -> None:
    """Legs of half a circle are its height too."""
    put(document, "size.shape.leg_m", leg_m)
    if job.design.size.shape.kind == "round_on_legs":
        put(document, "bows.cut", "cut")
        set_by_hand(document, job, "bow")
    elif leg_m > job.design.size.leg_m:
        # A longer leg leaves less for a number of sticks: as many are taken as it takes.
        put(document, "bows.sticks", None)


def _leg_hint(job: Job, catalogue: Catalogue) -> str:
    bows = job.design.bows
    return "as long as that many sticks allow" if bows.cut == "whole" and bows.sticks else ""


def _height_hint(job: Job, catalogue: Catalogue) -> str:
    bows = job.design.bows
    if bows.cut == "whole":
        return "follows from whole sticks; another one is cut for"
    if isinstance(job.design.size.shape, SprungPipe):
        gives = "width" if job.design.size.shape.gives == "width" else "pipe’s length"
        return f"follows from the pipe; another one changes the {gives}"
    return "moves the straight leg" if job.design.size.shape.kind == "round_on_legs" else ""


def _write_shape(document: Document, job: Job, kind: Any) -> None:
    """Sprung pipe stands on its posts' tops; what is sprung isn't bent hot."""
    size = job.design.size
    if kind != size.shape.kind:
        # Of another shape nobody has said how many sticks it takes.
        put(document, "bows.sticks", None)
    if kind == "sprung" and size.shape.kind != "sprung":
        held = Round(leg_m=job.design.posts.reveal_m, height_m=size.height_m)
        size = size.model_copy(update={"shape": held})
        put(document, "strength.plastic", "sprung")
    put(document, "size.shape", shape_of(kind, size).model_dump())


def _write_figure(document: Document, job: Job, from_left_m: Any) -> None:
    put(document, "size.figure.from_left_m", min(max(from_left_m, 0.0), job.design.size.span_m))


FIELDS = (
    special("size.span_m", write=_write_span),
    special("size.length_m", write=_write_length),
    special(
        "size.shape",
        read=lambda job: job.design.size.shape.kind,
        write=_write_shape,
        options=lambda job, catalogue: SHAPES,
    ),
    special("size.shape.radius_m", blank=_plumb_radius),
    special(PIPE, write=_write_pipe),
    special("size.shape.feet", write=_write_feet),
    special("size.shape.ridge", write=_write_ridge),
    special("size.shape.elbow", write=_write_elbow),
    special("size.shape.leg_m", write=_write_leg, hint=_leg_hint),
    special(HEIGHT, read=lambda job: job.design.size.height_m, write=_write_own_height, hint=_height_hint),
    special(
        "size.figure.from_left_m",
        read=lambda job: min(job.design.size.figure.from_left_m, job.design.size.span_m),
        write=_write_figure,
    ),
)
