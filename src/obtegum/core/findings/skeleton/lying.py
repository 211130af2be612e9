"""A bow by itself, as it lies on the floor."""

import math
from dataclasses import replace

from obtegum.core.findings.kept import found
from obtegum.core.findings.skeleton.bending import is_formed, straight_m
from obtegum.core.findings.skeleton.bows import girth_at, tube_m
from obtegum.core.findings.skeleton.line import centre_line
from obtegum.core.findings.work import Work
from obtegum.core.formulas.bows.as_bent import as_bent
from obtegum.core.formulas.profile import Arc, Chain, Segment
from obtegum.core.formulas.profile import Line as Stretch

__all__ = ["lying_bow", "lying_height_m", "lying_span_m", "lying_straight_m"]


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
