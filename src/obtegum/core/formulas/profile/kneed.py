"""Kneed bows: each half two straight pieces p and q with an elbow between them that turns by ε.

c² = p² + q² + 2pq·cos ε and r = √(c² − S²/4): any four of S, r, p, q, ε give the fifth.

Source: law of cosines.
"""

import math
from dataclasses import dataclass

from obtegum.core.formulas.profile.chain import Chain, Line
from obtegum.core.formulas.profile.common import ProfileError, on_legs

__all__ = ["Knee", "elbow_turn", "knee", "kneed_bow", "kneed_rise"]


def elbow_turn(span_m: float, rise_m: float, lower_m: float, upper_m: float) -> float:
    """Turn of the elbows, rad, 0 to π.

    Raises: ProfileError when the two pieces can't reach from foot to ridge, or reach past it.
    """
    chord = math.hypot(span_m / 2, rise_m)
    if lower_m + upper_m < chord * (1 - 1e-12):
        raise ProfileError("upper_m", "The two pieces don’t reach from the foot to the ridge.", chord - lower_m)
    if abs(lower_m - upper_m) > chord:
        raise ProfileError("upper_m", "One piece is too long for the other to come back to.", chord + lower_m)
    cosine = (chord**2 - lower_m**2 - upper_m**2) / (2 * lower_m * upper_m)
    return math.acos(min(max(cosine, -1.0), 1.0))


def kneed_rise(span_m: float, lower_m: float, upper_m: float, turn_rad: float) -> float:
    """Rise of the ridge over the feet of the pieces, m. Raises: ProfileError when they don't reach the middle."""
    square = lower_m**2 + upper_m**2 + 2 * lower_m * upper_m * math.cos(turn_rad) - span_m**2 / 4
    if square <= 0:
        raise ProfileError("upper_m", "With that elbow the pieces don’t reach the middle of the house.")
    return math.sqrt(square)


@dataclass(frozen=True)
class Knee:
    """The left elbow: its place, m, how steep each piece leaves it, and how far it turns, rad."""

    x: float
    y: float
    lower_rad: float
    upper_rad: float
    turn_rad: float


def knee(span_m: float, leg_m: float, height_m: float, lower_m: float, upper_m: float) -> Knee:
    """The left elbow, standing outward; x = 0 on the middle line. Raises: ProfileError when there is none."""
    half, rise = span_m / 2, height_m - leg_m
    turn = elbow_turn(span_m, rise, lower_m, upper_m)
    along = math.atan2(rise, half)
    # The lower piece is steeper than the chord by the angle at the foot of the triangle p, q, c.
    out = math.atan2(upper_m * math.sin(turn), lower_m + upper_m * math.cos(turn))
    heading = along + out
    x, y = -half + lower_m * math.cos(heading), leg_m + lower_m * math.sin(heading)
    return Knee(x, y, heading, heading - turn, turn)


def kneed_bow(span_m: float, leg_m: float, height_m: float, lower_m: float, upper_m: float) -> Chain:
    """Leg, lower piece, upper piece, ridge, and the same down; the elbow stands outward.

    Raises: ProfileError where the pieces don’t close.
    """
    half, elbow = span_m / 2, knee(span_m, leg_m, height_m, lower_m, upper_m)
    x, y = elbow.x, elbow.y
    if abs(math.hypot(x, height_m - y) - upper_m) > 1e-6 * max(span_m, 1.0):
        raise ProfileError("upper_m", "The pieces don’t close.")
    return on_legs(
        half,
        leg_m,
        [Line(-half, leg_m, x, y), Line(x, y, 0.0, height_m), Line(0.0, height_m, -x, y), Line(-x, y, half, leg_m)],
    )
