"""The bow as the former really makes it: straight tails kept straight, bends of the radius that came out.

The tube's length stays what it was cut to; only where it bends, and how much, differs from the plan.

Source: geometry of tangent arcs.
"""

import math
from collections.abc import Callable, Sequence
from dataclasses import dataclass

from obtegum.core.formulas.profile import Arc, Chain, Line, Segment

__all__ = ["AsBent", "as_bent", "lay"]

LEAST_M = 1e-12
Piece = tuple[float, float]


@dataclass(frozen=True)
class AsBent:
    """A bow as it would stand: its line with both feet level, its span and crown, m, and how its legs lean, rad."""

    bow: Chain
    span_m: float
    height_m: float
    lean_rad: float


def lay(pieces: Sequence[Piece], x: float = 0.0, y: float = 0.0, heading: float = math.pi / 2) -> list[Segment]:
    """Pieces end to end from a point (x, y), m, and a direction ``heading``, rad from +x: each a length, m, and a
    curvature to the right, 1/m."""
    found: list[Segment] = []
    for length, curvature in pieces:
        if length <= LEAST_M:
            continue
        if abs(curvature) < 1e-12:
            end = (x + length * math.cos(heading), y + length * math.sin(heading))
            found.append(Line(x, y, *end))
        else:
            radius, turn = 1 / curvature, length * curvature
            cx, cy = x + radius * math.sin(heading), y - radius * math.cos(heading)
            arc = Arc(cx, cy, radius, heading + math.pi / 2, turn)
            found.append(arc)
            end, heading = arc.point(arc.length_m), heading - turn
        x, y = end
    return found


def _bent_pieces(arc: Arc, start_m: float, straight: Sequence[tuple[float, float]], kept: float) -> list[Piece]:
    """An arc with the stretches that stay straight taken out of it."""
    end_m, at = start_m + arc.length_m, start_m
    pieces: list[Piece] = []
    for low, high in straight:
        low, high = max(low, at), min(high, end_m)
        if high - low > LEAST_M:
            pieces += [(low - at, kept / arc.radius_m), (high - low, 0.0)]
            at = high
    return [*pieces, (end_m - at, kept / arc.radius_m)]


def as_bent(
    planned: Chain, straight: Sequence[tuple[float, float]], kept: float | Callable[[Arc], float] = 1.0
) -> AsBent:
    """What the planned bow comes to.

    Args: the planned centre line; stretches of girth that stay straight, in order, m; the share of the
    planned curvature that the bends really have (1 as planned, less when they come out too open), one for
    all or told of each.
    """
    share = kept if callable(kept) else lambda arc: kept
    laid: list[Segment] = []
    x, y, heading = 0.0, 0.0, math.pi / 2
    kinks = {round(kink.s_m, 7): kink.turn_rad for kink in planned.kinks}
    heading = planned.heading(0.0)
    for start, segment in zip(planned.starts_m, planned.segments, strict=False):
        heading -= kinks.get(round(start, 7), 0.0)
        pieces = (
            _bent_pieces(segment, start, straight, share(segment))
            if isinstance(segment, Arc)
            else [(segment.length_m, 0.0)]
        )
        for each in lay(pieces, x, y, heading):
            laid.append(each)
            x, y = each.point(each.length_m)
            heading = each.heading(each.length_m)
    return _stand(laid, planned.heading(0.0))


def _stand(laid: Sequence[Segment], heading: float) -> AsBent:
    """The line turned so that both feet are level, its middle over x = 0."""
    x, y = laid[-1].point(laid[-1].length_m)
    tilt, span = math.atan2(y, x), math.hypot(x, y)
    pieces = [
        (each.length_m, 1 / each.radius_m if isinstance(each, Arc) else 0.0, each.heading(0.0) - tilt) for each in laid
    ]
    stood: list[Segment] = []
    px, py = -span / 2, 0.0
    for length, curvature, start in pieces:
        stood += lay([(length, curvature)], px, py, start)
        px, py = stood[-1].point(stood[-1].length_m)
    return AsBent(Chain(tuple(stood)), span, max(_top(each) for each in stood), heading - tilt - math.pi / 2)


def _top(segment: Segment) -> float:
    """Highest point of a segment, m."""
    ends = [segment.point(0.0)[1], segment.point(segment.length_m)[1]]
    if isinstance(segment, Arc) and segment.heading(0.0) >= 0 >= segment.heading(segment.length_m):
        ends.append(segment.cy + segment.radius_m)
    return max(ends)
