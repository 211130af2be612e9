"""Three-centred bows: bent shoulders on plumb legs, and a crown of another radius between them.

With shoulder radius a and rise r over a span S the crown's radius is
b = ((S/2)² + r² − S·a)/(2(r − a)); all of it is tangent. A low crown (r ≤ S/2) wants a < r and gives
b > a; a tall one wants a > (S²/4 + r²)/S and gives b < a. Source: plane geometry of the basket-handle arch.
"""

import math

from obtegum.core.formulas.profile.chain import Arc, Chain
from obtegum.core.formulas.profile.common import ProfileError, on_legs

__all__ = ["crown_radius", "shoulder_range", "three_centred_bow"]


def shoulder_range(span_m: float, rise_m: float) -> tuple[float, float]:
    """Shoulder radii that make a three-centred bow, more than the first and less than the second, m."""
    if rise_m <= span_m / 2:
        return 0.0, rise_m
    return (span_m**2 / 4 + rise_m**2) / span_m, math.inf


def crown_radius(span_m: float, rise_m: float, shoulder_m: float) -> float:
    """Radius of the crown between two shoulders, m. Raises: ProfileError outside the shoulders' range."""
    low, high = shoulder_range(span_m, rise_m)
    if not low < shoulder_m < high:
        nearest = high * 0.95 if shoulder_m >= high else low * 1.05 or rise_m * 0.2
        raise ProfileError("shoulder_m", "With this width and height the shoulders’ radius can’t be that.", nearest)
    return ((span_m / 2) ** 2 + rise_m**2 - span_m * shoulder_m) / (2 * (rise_m - shoulder_m))


def three_centred_bow(span_m: float, leg_m: float, height_m: float, shoulder_m: float) -> Chain:
    """Leg, shoulder, crown, shoulder, leg. Raises: ProfileError when the shoulders don't fit."""
    half, rise = span_m / 2, height_m - leg_m
    crown_m = crown_radius(span_m, rise, shoulder_m)
    beta = math.atan2(abs(half - shoulder_m), abs(crown_m - rise))
    turn = math.pi / 2 - beta
    left = Arc(shoulder_m - half, leg_m, shoulder_m, math.pi, turn)
    crown = Arc(0.0, height_m - crown_m, crown_m, math.pi / 2 + beta, 2 * beta)
    right = Arc(half - shoulder_m, leg_m, shoulder_m, turn, turn)
    return on_legs(half, leg_m, [left, crown, right])
