"""Sticks of an end wall cut to the curve of its bow: how high each edge comes, and the cut between them.

The inner face of a bow is half its tube from the centre line, along the normal: found here as the place on a plumb line
that is so far from the nearest point of the line, whatever arcs and corners it is made of.
"""

import math
from dataclasses import dataclass

from obtegum.core.profile import Arc, Chain, Line

__all__ = ["Cut", "cut_under", "under_m"]

STEPS, HALVINGS = 400, 60


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


def _away(chain: Chain, x: float, y: float) -> float:
    """How far a point is from the nearest one of a centre line, m."""
    least = math.inf
    for segment in chain.segments:
        if isinstance(segment, Arc):
            angle = math.atan2(y - segment.cy, x - segment.cx)
            turned = (segment.start_rad - angle) % (2 * math.pi)
            if turned <= segment.turn_rad:
                least = min(least, abs(math.hypot(x - segment.cx, y - segment.cy) - segment.radius_m))
            for u in (0.0, segment.length_m):
                least = min(least, math.dist((x, y), segment.point(u)))
        else:
            assert isinstance(segment, Line)
            dx, dy = segment.x1 - segment.x0, segment.y1 - segment.y0
            share = ((x - segment.x0) * dx + (y - segment.y0) * dy) / (dx * dx + dy * dy)
            share = min(max(share, 0.0), 1.0)
            least = min(least, math.hypot(x - segment.x0 - share * dx, y - segment.y0 - share * dy))
    return least


def under_m(chain: Chain, half_m: float, x: float) -> float | None:
    """How high the inner face of a bow is over a place across, m; None where it isn't inside the bow."""
    crossings = chain.at_x(x)
    if not crossings:
        return None
    top = max(chain.point(s_m)[1] for s_m in crossings)
    step = max(top, half_m) / STEPS
    high, low = top, top - step
    while low > -step:
        if _away(chain, x, low) >= half_m:
            for _ in range(HALVINGS):
                middle = (low + high) / 2
                low, high = (middle, high) if _away(chain, x, middle) >= half_m else (low, middle)
            return low if low > 0 else None
        high, low = low, low - step
    return None


def cut_under(chain: Chain, half_m: float, middle_m: float, wide_m: float) -> Cut | None:
    """The top of a stick so wide under a bow: a straight cut from edge to edge; None where there is no room."""
    edges = [under_m(chain, half_m, middle_m + sign * wide_m / 2) for sign in (-1, 1)]
    if edges[0] is None or edges[1] is None:
        return None
    return Cut(edges[0], edges[1], wide_m)
