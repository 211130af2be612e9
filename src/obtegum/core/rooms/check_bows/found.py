"""A bow by itself, as it lies on the floor, and every bow that was measured there."""

import math
from collections.abc import Callable
from dataclasses import replace
from functools import cache, partial

from obtegum.core.findings.kept import found
from obtegum.core.findings.work import Work
from obtegum.core.formulas.bows.as_bent import as_bent
from obtegum.core.formulas.profile import Arc, Chain, Segment
from obtegum.core.formulas.profile import Line as Stretch
from obtegum.core.rooms.bend.found import is_formed, straight_m
from obtegum.core.rooms.bows.found import girth_at, tube_m
from obtegum.core.rooms.check_bows.checks import Judged, judge_bow, kept_for_width, quarter_height
from obtegum.core.rooms.set_out.found import bays_of
from obtegum.core.rooms.size.found import centre_line

__all__ = ["judged_bows", "lying_bow", "lying_height_m", "lying_span_m", "lying_straight_m", "share_for_width"]


@found
def lying_bow(work: Work) -> Chain:
    """The bow by itself, as it lies on the floor: from one end of its tube to the other, both ends at height 0.

    What stands in the post belongs to it; what of the line is post only does not.
    """
    low, high = girth_at(work, 0.0), girth_at(work, tube_m(work))
    own = centre_line(work).part(max(low, 0.0), min(high, centre_line(work).girth_m))
    if low < 0:
        # The ends reach below the line's own foot, on as it starts and stops.
        own = Chain((_on(own, 0.0, low), *own.segments, _on(own, own.girth_m, -low)))
    if work.design.size.shape.kind == "sprung":
        # It stands between two cleats as it stands in its posts, both ends level.
        return Chain(tuple(_dropped(segment, own.point(0.0)[1]) for segment in own.segments))
    return as_bent(own, []).bow


def _dropped(segment: Segment, by_m: float) -> Segment:
    if isinstance(segment, Arc):
        return replace(segment, cy=segment.cy - by_m)
    assert isinstance(segment, Stretch)
    return replace(segment, y0=segment.y0 - by_m, y1=segment.y1 - by_m)


def lying_span_m(work: Work) -> float:
    """Width of the bow by itself, centre to centre of its ends, m."""
    return lying_bow(work).point(lying_bow(work).girth_m)[0] - lying_bow(work).point(0.0)[0]


@found
def lying_height_m(work: Work) -> float:
    """Height of the crown's centre over the line of the bow's own ends, m."""
    return lying_bow(work).point(lying_bow(work).girth_m / 2)[1]


def lying_straight_m(work: Work) -> list[tuple[float, float]]:
    """Stretches of the lying bow that the former can't bend, m from its left end."""
    start_m = girth_at(work, 0.0)
    return [(low - start_m, high - start_m) for low, high in straight_m(work)] if is_formed(work) else []


def _on(line: Chain, s_m: float, along_m: float) -> Stretch:
    """A straight stretch on from an end of a line, ``along_m`` long: back from its start if below zero."""
    (x, y), heading = line.point(s_m), line.heading(s_m)
    end = (x + along_m * math.cos(heading), y + along_m * math.sin(heading))
    return Stretch(*end, x, y) if along_m < 0 else Stretch(x, y, *end)


@found
def share_for_width(work: Work) -> Callable[[float], float | None]:
    """Which share of its curvature makes the lying bow a width, m: once of each, as long as the bow is the same."""
    return cache(partial(kept_for_width, lying_bow(work), lying_straight_m(work)))


@found
def judged_bows(work: Work) -> list[Judged]:
    """Every bow that was measured and that the house still has, each by itself as it lies on the floor."""
    span_m, height_m = lying_span_m(work), lying_height_m(work)
    quarter_m = quarter_height(lying_bow(work), span_m)
    share = None if work.design.size.shape.kind == "sprung" else share_for_width(work)
    return [
        judge_bow(int(name), check, span_m, height_m, quarter_m, share)
        for name, check in sorted(work.record.bows.items(), key=lambda each: int(each[0]))
        if check.told and int(name) <= bays_of(work).bows
    ]
