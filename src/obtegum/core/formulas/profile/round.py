"""Round bows: one arc, on straight legs or sprung from the post tops.

Relations of the circle through two springing points S apart and a crown r above them:
R = (S²/4 + r²)/(2r), half-angle φ = 2·atan(2r/S), good for r above S/2 too.

Source: geometry of the circle.
"""

import math

from obtegum.core.formulas.profile.chain import Arc, Chain
from obtegum.core.formulas.profile.common import on_legs

__all__ = ["arc_half_angle", "arc_radius", "rise_for_radius", "round_bow"]


def arc_radius(span_m: float, rise_m: float) -> float:
    """Radius of the arc over a span with a rise, both above 0, m."""
    return (span_m**2 / 4 + rise_m**2) / (2 * rise_m)


def rise_for_radius(span_m: float, radius_m: float) -> float:
    """Rise of an arc of a radius over a span, up to half a circle, m: R − √(R² − S²/4). Inverse of `arc_radius`.

    Raises: ValueError when the radius is less than half the span.
    """
    if radius_m < span_m / 2:
        raise ValueError("an arc can't span more than twice its radius")
    return radius_m - math.sqrt(radius_m**2 - span_m**2 / 4)


def arc_half_angle(span_m: float, rise_m: float) -> float:
    """Angle at the centre from the crown to a springing point, rad, 0 to π."""
    return 2 * math.atan2(2 * rise_m, span_m)


def round_bow(span_m: float, leg_m: float, height_m: float) -> Chain:
    """One arc from springing point to springing point, on plumb legs where ``leg_m`` > 0.

    Args: ``span_m`` between foot centres; ``leg_m`` straight leg; ``height_m`` of the crown.
    Raises: ValueError unless span > 0 and 0 ≤ leg < height.
    """
    if not (span_m > 0 and 0 <= leg_m < height_m):
        raise ValueError("a round bow wants a width, and a crown above its legs")
    half, rise = span_m / 2, height_m - leg_m
    radius, half_angle = arc_radius(span_m, rise), arc_half_angle(span_m, rise)
    arc = Arc(0.0, height_m - radius, radius, math.pi / 2 + half_angle, 2 * half_angle)
    return on_legs(half, leg_m, [arc])
