"""Gothic bows: two equal arcs that meet at a ridge.

Springing plumb, R = (S²/4 + r²)/S, which wants r ≥ S/2. Freer, R ≥ c²/(2r) with the chord
c = √(S²/4 + r²): each arc turns 2δ, δ = asin(c/2R); it springs at ψ + δ from level and meets the ridge
at ψ − δ, ψ = atan2(r, S/2). A smaller R would dip to a valley at the ridge.

Source: geometry of the circle.
"""

import math

from obtegum.core.formulas.profile.chain import Arc, Chain
from obtegum.core.formulas.profile.common import ProfileError, on_legs

__all__ = ["gothic_bow", "least_radius", "plumb_radius"]


def plumb_radius(span_m: float, rise_m: float) -> float:
    """Radius of the arcs that spring plumb, m."""
    return (span_m**2 / 4 + rise_m**2) / span_m


def least_radius(span_m: float, rise_m: float) -> float:
    """Radius below which the ridge would be a valley, m: c²/(2r)."""
    return (span_m**2 / 4 + rise_m**2) / (2 * rise_m)


def gothic_bow(span_m: float, leg_m: float, height_m: float, radius_m: float | None = None) -> Chain:
    """Two arcs to a ridge on plumb legs; without a radius they spring plumb.

    Raises: ProfileError when plumb arcs would lean in below the springing, or a radius makes a valley.
    """
    half, rise = span_m / 2, height_m - leg_m
    if radius_m is None:
        if rise < half * (1 - 1e-12):
            raise ProfileError(
                "height_m", "Arcs that spring plumb meet at a ridge at least half the width up.", leg_m + half
            )
        radius_m = plumb_radius(span_m, rise)
    least = least_radius(span_m, rise)
    if radius_m < least * (1 - 1e-12):
        raise ProfileError("radius_m", "So tight an arc would dip to a valley at the ridge.", least)
    chord, psi = math.hypot(half, rise), math.atan2(rise, half)
    delta = math.asin(min(chord / (2 * radius_m), 1.0))
    # The left arc starts heading ψ + δ; its radius there points a quarter turn to the left of travel.
    start = psi + delta + math.pi / 2
    cx, cy = -half - radius_m * math.cos(start), leg_m - radius_m * math.sin(start)
    left = Arc(cx, cy, radius_m, start, 2 * delta)
    right = Arc(-cx, cy, radius_m, math.pi - start + 2 * delta, 2 * delta)
    return on_legs(half, leg_m, [left, right])
