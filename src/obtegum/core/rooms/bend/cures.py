"""Formers, tails and bends that don’t make the house."""

import math
from collections.abc import Iterator

from obtegum.core.documents.size import SprungPipe
from obtegum.core.drawing.verdict import Verdict
from obtegum.core.face.edit import COMFORT, Cure, Edits, chosen, down, lengthened, up
from obtegum.core.findings.skeleton.bending import bend_kinds, came_out_m, former_wanted, formers_m
from obtegum.core.findings.skeleton.tubes import all_tubes, bow_tube
from obtegum.core.findings.work import Work
from obtegum.core.values.quantity import length_text

__all__ = ["CURES"]


def _as_bent(work: Work, verdict: Verdict) -> Iterator[Edits]:
    """A former to suit, the width that this former makes, and shorter tails."""
    size, bending = work.design.size, work.design.bending
    formers = [
        name
        for name, former_m in zip(("bending.former_m", "bending.crown_former_m"), formers_m(work), strict=False)
        if former_m
    ]
    if formers:
        suits = [
            former_wanted(work, arc) - (bow_tube(work).od_m / 2 if bending.former_to == "face" else 0.0)
            for arc in bend_kinds(work)
        ]
        fitting = dict(zip(("bending.former_m", "bending.crown_former_m"), suits, strict=False))
        yield tuple(chosen(name, length_text(fitting[name], work.tape)) for name in formers)
        out_m = came_out_m(work)
        if out_m is not None and math.isfinite(out_m) and size.shape.kind == "round_on_legs":
            yield (lengthened("size.span_m", 2 * out_m),)
    tail_m = work.design.bending.tail_m
    if tail_m > 0:
        yield (lengthened("bending.tail_m", tail_m / 2),)
    yield (chosen("bows.making", "rolls"),)


def _tails(work: Work, verdict: Verdict) -> Iterator[Edits]:
    """Tails that leave half of the bend, and longer sticks."""
    tail_m = work.design.bending.tail_m
    yield from ((lengthened("bending.tail_m", down(work, tail_m * share)),) for share in (0.5, 0.25))
    yield from ((lengthened("bows.stick_m", stick_m),) for stick_m in work.catalogue.stock.sticks_m[work.tape.units])


def _kink_cure(work: Work, verdict: Verdict) -> Iterator[Edits]:
    """Larger shoulders, thinner tube, elbows."""
    least_m = work.rules.bend_least_diameters * bow_tube(work).od_m / COMFORT
    if hasattr(work.design.size.shape, "shoulder_m"):
        yield (lengthened("size.shape.shoulder_m", up(work, least_m)),)
    yield (chosen("bows.making", "elbows"),)


def _strained(work: Work, verdict: Verdict) -> Iterator[Edits]:
    """Thinner pipe, heat, a longer pipe, a wider house."""
    own, size = bow_tube(work), work.design.size
    thinner = [
        each
        for each in all_tubes(work)
        if each.material == "plastic" and each.sold_in == own.sold_in and each.od_m < own.od_m - 1e-6
    ]
    yield from ((chosen("bows.tube", each.id),) for each in sorted(thinner, key=lambda each: -each.od_m)[:3])
    if own.material == "plastic":
        yield (chosen("strength.plastic", "heated"),)
    if isinstance(size.shape, SprungPipe):
        for more in (1.05, 1.1, 1.2):
            yield (lengthened("size.shape.pipe_m", up(work, size.shape.pipe_m * more)),)
            yield (
                lengthened("size.span_m", up(work, size.span_m * more)),
                lengthened("size.shape.pipe_m", up(work, size.shape.pipe_m * more)),
            )


def _cold(work: Work, verdict: Verdict) -> Iterator[Edits]:
    yield (chosen("size.shape", "sprung"),)
    if bow_tube(work).material == "plastic":
        yield (chosen("strength.plastic", "heated"),)


def _feet(work: Work, verdict: Verdict) -> Iterator[Edits]:
    """Longer posts, loose feet."""
    for more_m in (0.2, 0.4, 0.8):
        yield (lengthened("posts.length_m", up(work, work.design.posts.length_m + more_m)),)
    yield (chosen("size.shape.feet", "loose"),)


CURES: dict[str, Cure] = {
    "spring-post": _feet,
    "spring-lean": _feet,
    "spring": _strained,
    "cold-bend": _cold,
    "heat-tight": _strained,
    "as-bent": _as_bent,
    "no-set": _as_bent,
    "bend-tight": _kink_cure,
    "tails-long": _tails,
}
