"""A post pushed sideways and pressed down: the pole in soil, and what its foot bears."""

import math

from obtegum.core.formulas.anchor.soil import Ground
from obtegum.core.formulas.anchor.uplift import shaft_friction

__all__ = ["GIVES", "bears", "pole_bent", "pole_depth", "pole_shear"]

# IBC 1806.3.4: where 13 mm of movement does no harm, short loads may take twice the table.
GIVES = 2.0
PASSES = 200
# Where a rigid pole that is pushed at the ground bends most, of its depth: (1 + √33)/16; 0.26 of push times depth.
BENT_AT = (1 + math.sqrt(33)) / 16


def pole_shear(ground: Ground, wide_m: float, deep_m: float, above_m: float = 0.0, times: float = 1.0) -> float:
    """Push that a pole takes, N, at a height over the ground: S1·b·d²/(2.34·(d + 1.09·h)), S1 lateral bearing at d/3.

    The lateral bearing begins where the ground was not disturbed; it is taken ``times`` what soil presumably bears. IBC
    1807.3.2.1 (embedment of a pole that nothing holds at the ground), solved for the push.
    """
    firm_m, high_m = deep_m - ground.disturbed_m, above_m + ground.disturbed_m
    if firm_m <= 0:
        return 0.0
    bearing = times * ground.lateral_pa_m * firm_m / 3
    return bearing * wide_m * firm_m**2 / (2.34 * (firm_m + 1.09 * high_m))


def pole_bent(share: float = BENT_AT) -> float:
    """Moment in a rigid pole at a share of its depth, of its push at the ground times its depth: ζ − 3ζ³ + 2ζ⁴, in soil
    whose stiffness grows with depth (rule B3); the most of it unless told."""
    inside = min(max(share, 0.0), 1.0)
    return inside - 3 * inside**3 + 2 * inside**4


def pole_depth(ground: Ground, wide_m: float, push_n: float, above_m: float = 0.0, times: float = 1.0) -> float:
    """How deep a pole must go for a push, m: d = A/2·(1 + √(1 + 4.36·h/A)), A = 2.34·P/(S1·b), by iteration.

    ``times`` as in `pole_shear`. IBC 1807.3.2.1. Raises: ValueError where the soil bears nothing.
    """
    if ground.lateral_pa_m <= 0 or wide_m <= 0:
        raise ValueError("such soil holds no pole")
    if push_n <= 0:
        return 0.0
    deep_m, high_m = 1.0, above_m + ground.disturbed_m
    for _ in range(PASSES):
        share = 2.34 * push_n / (times * ground.lateral_pa_m * deep_m / 3 * wide_m)
        # S1 grows with the depth that is looked for: half a step at a time settles.
        deep_m = (deep_m + share / 2 * (1 + math.sqrt(1 + 4.36 * high_m / share))) / 2
    return deep_m + ground.disturbed_m


def bears(ground: Ground, end_m2: float, around_m: float, deep_m: float, smooth: bool) -> float:
    """What a foot bears, N: its end by bearing, and friction along its shaft."""
    return end_m2 * ground.bearing_pa + shaft_friction(ground, around_m, deep_m, smooth)
