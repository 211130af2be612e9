"""Peaked bows: straight rafters to a ridge from bent shoulders on plumb legs, all tangent but the ridge.

Rafter slope α = acos(a/√(r² + (S/2 − a)²)) − atan2(S/2 − a, r) for a shoulder of radius a; it turns 90° − α.

Source: geometry of the tangent arc.
"""

import math

from obtegum.core.formulas.profile.chain import Arc, Chain, Line
from obtegum.core.formulas.profile.common import ProfileError, on_legs

__all__ = ["peaked_bow", "rafter_slope"]


def rafter_slope(span_m: float, rise_m: float, shoulder_m: float) -> float:
    """Slope of the rafters, rad. Raises: ProfileError unless 0 ≤ shoulder radius < rise."""
    if not 0 <= shoulder_m < rise_m:
        raise ProfileError(
            "shoulder_m",
            "The ridge must stand above the shoulders: a smaller shoulder, or a higher ridge.",
            rise_m * 0.9,
        )
    beyond = span_m / 2 - shoulder_m
    return math.acos(shoulder_m / math.hypot(rise_m, beyond)) - math.atan2(beyond, rise_m)


def peaked_bow(span_m: float, leg_m: float, height_m: float, shoulder_m: float) -> Chain:
    """Leg, shoulder, rafter, ridge, and the same down. Raises: ProfileError when the shoulders pass the ridge."""
    half, rise = span_m / 2, height_m - leg_m
    slope = rafter_slope(span_m, rise, shoulder_m)
    turn = math.pi / 2 - slope
    x = -half + shoulder_m * (1 - math.cos(turn))
    y = leg_m + shoulder_m * math.sin(turn)
    if x > -1e-9:
        most = half / (1 - math.cos(turn)) * 0.9
        raise ProfileError("shoulder_m", "Shoulders that large meet before the ridge and leave no rafter.", most)
    left = Arc(shoulder_m - half, leg_m, shoulder_m, math.pi, turn) if shoulder_m > 0 else None
    right = Arc(half - shoulder_m, leg_m, shoulder_m, turn, turn) if shoulder_m > 0 else None
    rafters = [Line(x, y, 0.0, height_m), Line(0.0, height_m, -x, y)]
    return on_legs(half, leg_m, [*([left] if left else []), *rafters, *([right] if right else [])])
