"""Shape, height and the grower's place: what is set in a way of its own."""

from typing import Any

from obtegum.core.catalogue import Catalogue
from obtegum.core.fields import Document, Option, put, special
from obtegum.core.job import Job
from obtegum.core.profile.gothic import least_radius, plumb_radius
from obtegum.core.quantity import length_text
from obtegum.core.rooms.size.shapes import SHAPE_LABELS, shape_of
from obtegum.core.rooms.start.known import set_by_hand
from obtegum.core.trouble import DesignError, Trouble

__all__ = ["FIELDS"]

HEIGHT = "size.shape.height_m"
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
    if design.size.shape.kind != "round_on_legs":
        put(document, HEIGHT, height_m)
        return
    leg_m = height_m - design.size.span_m / 2
    if leg_m < -1e-9:
        least_m = design.size.span_m / 2
        nearest = length_text(least_m, design.tape, "up")
        sentence = f"Half a circle this wide is {nearest} high at the least. For a lower house choose one flatter arc."
        raise DesignError([Trouble(path=HEIGHT, sentence=sentence, nearest_m=least_m, nearest=nearest)])
    put(document, "size.shape.leg_m", max(leg_m, 0.0))


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


def _height_hint(job: Job, catalogue: Catalogue) -> str:
    bows = job.design.bows
    if bows.cut == "whole":
        return "follows from whole sticks; another one is cut for"
    return "moves the straight leg" if job.design.size.shape.kind == "round_on_legs" else ""


def _write_shape(document: Document, job: Job, kind: Any) -> None:
    put(document, "size.shape", shape_of(kind, job.design.size).model_dump())


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
    special("size.shape.leg_m", write=_write_leg),
    special(HEIGHT, read=lambda job: job.design.size.height_m, write=_write_own_height, hint=_height_hint),
    special(
        "size.figure.from_left_m",
        read=lambda job: min(job.design.size.figure.from_left_m, job.design.size.span_m),
        write=_write_figure,
    ),
)
