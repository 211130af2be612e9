"""Sticks of an end wall cut to the curve of its bow: how far each edge comes, and the cut between them.

The inner face of a bow is half its tube from the centre line, along the normal, and the outer one as much beyond.
On a plumb or level line it is where the nearest point of the centre line is just that far: a place on the offset of one
of its arcs and lines, or on the circle about a corner.

Source: geometry of the offset curve.
"""

import math
from collections.abc import Callable, Iterator
from dataclasses import dataclass
from typing import Literal

import numpy as np

from obtegum.core.formulas.profile import Arc, Chain, Line

__all__ = ["Cut", "beside_m", "cut_under", "over_m", "under_m"]

CLOSE_M = 1e-9


@dataclass(frozen=True, slots=True)
class Cut:
    """The top of a stick: how high its left and right edge come, m."""

    left_m: float
    right_m: float
    wide_m: float

    @property
    def long_m(self) -> float:
        """To the long point."""
        return max(self.left_m, self.right_m)

    @property
    def short_m(self) -> float:
        """To the short point."""
        return min(self.left_m, self.right_m)

    @property
    def bevel_rad(self) -> float:
        """The cut off square: 0 where both edges are as high."""
        return math.atan2(self.long_m - self.short_m, self.wide_m)


def _beside(arc: Arc, x: float, y: float) -> bool:
    """Whether a point is square off an arc, on either face of it."""
    angle = math.atan2(y - arc.cy, x - arc.cx)
    # Seen from the centre of an arc that turns the other way, its radius points back.
    way = math.copysign(1.0, arc.radius_m)
    if way < 0:
        angle += math.pi
    return way * (arc.start_rad - angle) % (2 * math.pi) <= abs(arc.turn_rad)


def _away(chain: Chain, x: float, y: float, within_m: float) -> float:
    """How far a point is from the nearest one of a centre line, m, where that is no further than so much; else more."""
    least = math.inf
    starts, longs = chain.spread
    # No place of a segment is further from its start than it is long.
    near = np.flatnonzero(np.hypot(starts[:, 0] - x, starts[:, 1] - y) - longs <= within_m)
    for place in near:
        segment = chain.segments[place]
        if isinstance(segment, Arc):
            if _beside(segment, x, y):
                least = min(least, abs(math.hypot(x - segment.cx, y - segment.cy) - abs(segment.radius_m)))
            for u in (0.0, segment.length_m):
                least = min(least, math.dist((x, y), segment.point(u)))
        else:
            assert isinstance(segment, Line)
            dx, dy = segment.x1 - segment.x0, segment.y1 - segment.y0
            share = ((x - segment.x0) * dx + (y - segment.y0) * dy) / (dx * dx + dy * dy)
            share = min(max(share, 0.0), 1.0)
            least = min(least, math.hypot(x - segment.x0 - share * dx, y - segment.y0 - share * dy))
    return least


def _circle(about: float, off: float, radius_m: float) -> Iterator[float]:
    """Where a line so far off a circle's middle crosses it, measured along the line as ``about`` is."""
    if abs(off) <= radius_m:
        half = math.sqrt(radius_m**2 - off**2)
        yield from (about - half, about + half)


def _faces(chain: Chain, half_m: float, at: float, level: bool) -> Iterator[float]:
    """Places on a plumb line at x, or a level one at y, that could be half a tube from the centre line."""
    starts, longs = chain.spread
    # Only what comes within half a tube of the line can be that far from a place on it.
    near = np.flatnonzero(np.abs(starts[:, 1 if level else 0] - at) - longs <= half_m + CLOSE_M)
    for place in near:
        for x, y in chain.ends[2 * place : 2 * place + 2]:
            yield from _circle(x, at - y, half_m) if level else _circle(y, at - x, half_m)
        segment = chain.segments[place]
        if isinstance(segment, Arc):
            about, off = (segment.cx, at - segment.cy) if level else (segment.cy, at - segment.cx)
            for radius_m in (abs(segment.radius_m) - half_m, abs(segment.radius_m) + half_m):
                for one in _circle(about, off, max(radius_m, 0.0)):
                    if _beside(segment, one, at) if level else _beside(segment, at, one):
                        yield one
        else:
            assert isinstance(segment, Line)
            run, rise = segment.x1 - segment.x0, segment.y1 - segment.y0
            along, across = (run, rise) if level else (rise, run)
            if abs(across) > CLOSE_M:
                from_, start = (segment.y0, segment.x0) if level else (segment.x0, segment.y0)
                middle = start + (at - from_) * along / across
                aside = half_m * math.hypot(run, rise) / abs(across)
                yield from (middle - aside, middle + aside)


def _clear(chain: Chain, half_m: float, at: float, level: bool) -> list[float]:
    """Those of them that are, from the least on."""
    found = sorted(_faces(chain, half_m, at, level))
    place: Callable[[float], tuple[float, float]] = (lambda one: (one, at)) if level else (lambda one: (at, one))
    return [one for one in found if abs(_away(chain, *place(one), half_m + 2 * CLOSE_M) - half_m) <= CLOSE_M]


def under_m(chain: Chain, half_m: float, x: float) -> float | None:
    """How high the inner face of a bow is over the place ``x`` across, m; None where it isn't inside the bow."""
    crossings = chain.at_x(x)
    if not crossings:
        return None
    top = max(chain.point(s_m)[1] for s_m in crossings)
    low = max((y for y in _clear(chain, half_m, x, level=False) if y < top), default=0.0)
    return low if low > 0 else None


def over_m(chain: Chain, half_m: float, x: float) -> float | None:
    """How high the outer face of a bow is over the place ``x`` across, m; None beside the bow."""
    return max(_clear(chain, half_m, x, level=False), default=None)


def beside_m(chain: Chain, half_m: float, y: float, side: Literal[-1, 1]) -> float | None:
    """How far across the inner face of a bow's left (−1) or right (1) side is at the height ``y``, m; None over the
    bow."""
    crossings = [chain.point(s_m)[0] for s_m in chain.at_y(y)]
    if len(crossings) < 2:
        return None
    inside = [x for x in _clear(chain, half_m, y, level=True) if min(crossings) < x < max(crossings)]
    return (max(inside) if side > 0 else min(inside)) if inside else None


def cut_under(chain: Chain, half_m: float, middle_m: float, wide_m: float, outer: bool = False) -> Cut | None:
    """The top of a stick so wide under a bow, or up to its outer face: straight from edge to edge; None where there
    is no room."""
    face = over_m if outer else under_m
    edges = [face(chain, half_m, middle_m + sign * wide_m / 2) for sign in (-1, 1)]
    if edges[0] is None or edges[1] is None:
        return None
    return Cut(edges[0], edges[1], wide_m)
