"""What holds a post down: friction along its shaft, the weight of its concrete, the soil over a plate."""

import math
from itertools import pairwise

import numpy as np

from obtegum.core.formulas.anchor.soil import CONCRETE_N_M3, Ground
from obtegum.core.formulas.weather.factors import ASCE

__all__ = ["DEAD", "LOOSE", "TAMPED", "concrete_weight", "over_plate", "shaft_friction"]

# Share of what only weighs that counts against lift (ASCE 7-16, 2.4.1: 0.6 D).
DEAD = ASCE.favourable
# How far the sides of the soil that a plate lifts lean out, loose backfill and tamped, rad.
LOOSE, TAMPED = math.radians(15.0), math.radians(20.0)
# Points of each half of the integral over the soil's depth.
POINTS = 24
_AT, _WEIGHT = np.polynomial.legendre.leggauss(POINTS)


def shaft_friction(ground: Ground, diameter_m: float, bottom_m: float, smooth: bool, top_m: float = 0.0) -> float:
    """Friction along a shaft from a depth to another, N: π·D·f over what lies below the top that isn't counted.

    A smooth tube takes half of f. IBC 1810.3.3.1.4: skin friction a sixth of bearing.
    """
    long_m = max(bottom_m - max(top_m, ground.ignored_m), 0.0)
    return math.pi * diameter_m * ground.friction_pa * (0.5 if smooth else 1.0) * long_m


def concrete_weight(ground: Ground, hole_m: float, tube_m: float, top_m: float, bottom_m: float) -> float:
    """Weight of concrete round a tube between two depths, N, whole: under water less what that lifts."""
    area = math.pi / 4 * (hole_m**2 - tube_m**2)
    return area * ground.weighs(top_m, bottom_m, CONCRETE_N_M3)


def _shared_area(radius_m: np.ndarray, half_m: float) -> np.ndarray:
    """Circles cut off where the neighbours' begin, half of the spacing away on both sides."""
    reach = np.minimum(half_m / radius_m, 1.0)
    cut = radius_m**2 * (np.arccos(reach) - reach * np.sqrt(1 - reach**2))
    return np.asarray(math.pi * radius_m**2 - 2 * cut)


def over_plate(ground: Ground, side_m: float, deep_m: float, lean_rad: float, spacing_m: float) -> float:
    """Weight of the soil that a square plate lifts, N, whole: what neighbours in a row lift too is shared with them.

    The plate counts as the circle of its area.
    """
    radius_m, half_m = side_m / math.sqrt(math.pi), spacing_m / 2
    if deep_m <= 0:
        return 0.0
    # Where the circles begin to meet, and where the water stands: the integral is taken in pieces between.
    meets_m = deep_m - (half_m - radius_m) / math.tan(lean_rad)
    edges = sorted({0.0, deep_m, *(each for each in (meets_m, ground.water_m or 0.0) if 0 < each < deep_m)})
    weight = 0.0
    for top_m, bottom_m in pairwise(edges):
        at = (top_m + bottom_m) / 2 + _AT * (bottom_m - top_m) / 2
        area = _shared_area(radius_m + (deep_m - at) * math.tan(lean_rad), half_m)
        volume = float((_WEIGHT * area).sum()) * (bottom_m - top_m) / 2
        weight += volume * ground.weighs(top_m, bottom_m, ground.weight_n_m3) / (bottom_m - top_m)
    return weight
