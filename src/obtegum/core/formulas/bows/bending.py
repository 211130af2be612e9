"""Bending round tube on a former: what springs back, what the former must be, the pulls, the lever.

Elastic unloading of a tube bent past yield: κ_free = κ_former − M/(E·I). Fully plastic M = Fy·Z with
Z = (D³ − d³)/6; nearer to yield M = Fy·Z·(β/sin β + cos β)/2 with β = asin(κy/κ), κy = 2·Fy/(E·D), which
is 0.785·Fy·Z at first yield and Fy·Z far beyond. At or below κy the tube takes no set at all. The
formulas hold for thin round tube of elastic and ideally plastic steel. Source: plasticity of beams, any
textbook; all radii here are to the tube's centre.
"""

import math
from dataclasses import dataclass

from obtegum.core.values.catalogue import Tube

__all__ = [
    "Pulls",
    "Trial",
    "bending_moment",
    "former_as_tried",
    "former_for",
    "former_limit",
    "free_radius",
    "free_radius_as_tried",
    "lever",
    "pulls_over",
    "trial_radius",
]


def _plastic_modulus(tube: Tube) -> float:
    return (tube.od_m**3 - tube.bore_m**3) / 6


def _stiffness(tube: Tube) -> float:
    """E·I, N·m²."""
    return tube.elastic_pa * math.pi * (tube.od_m**4 - tube.bore_m**4) / 64


def _yield_curvature(tube: Tube) -> float:
    return 2 * tube.yield_pa / (tube.elastic_pa * tube.od_m)


def former_limit(tube: Tube) -> float:
    """Radius at and above which the tube springs back straight, m."""
    return 1 / _yield_curvature(tube)


def bending_moment(tube: Tube, radius_m: float, fully_plastic: bool = False) -> float:
    """Moment that holds the tube at a radius, N·m."""
    plastic = tube.yield_pa * _plastic_modulus(tube)
    if fully_plastic:
        return plastic
    curvature, at_yield = 1 / radius_m, _yield_curvature(tube)
    if curvature <= at_yield:
        return _stiffness(tube) * curvature
    beta = math.asin(at_yield / curvature)
    return plastic * (beta / math.sin(beta) + math.cos(beta)) / 2


def free_radius(tube: Tube, former_m: float, fully_plastic: bool = False) -> float:
    """Radius that a tube keeps when it leaves a former, m; infinite when it takes no set."""
    if former_m >= former_limit(tube):
        return math.inf
    curvature = 1 / former_m - bending_moment(tube, former_m, fully_plastic) / _stiffness(tube)
    return 1 / curvature if curvature > 0 else math.inf


def former_for(tube: Tube, wanted_m: float) -> float:
    """Former that leaves a wanted radius, m; inverse of `free_radius`.

    What stays grows with the former's curvature, so there is one between the wanted radius's curvature
    and that plus the springback of a fully plastic bend.
    """
    from scipy.optimize import brentq

    low = 1 / wanted_m
    high = low + tube.yield_pa * _plastic_modulus(tube) / _stiffness(tube)

    def too_little(curvature: float) -> float:
        return curvature - bending_moment(tube, 1 / curvature) / _stiffness(tube) - low

    return 1 / float(brentq(too_little, low, high * (1 + 1e-9), xtol=1e-14))


@dataclass(frozen=True, slots=True)
class Pulls:
    """A bend made in several pulls: how many, and how far the tube moves on for each, m."""

    count: int
    advance_m: float


def pulls_over(bent_m: float, reach_m: float) -> Pulls:
    """Equal pulls over a bent length, each within the former's arc length."""
    count = max(1, math.ceil(bent_m / reach_m - 1e-9))
    return Pulls(count, bent_m / count)


def lever(tube: Tube, former_m: float, pull_n: float) -> float:
    """Length from the end of the former to where somebody pulls, m: moment over pull."""
    return bending_moment(tube, former_m) / pull_n


@dataclass(frozen=True, slots=True)
class Trial:
    """A bend that was made and measured: the former and the radius that came out, to the tube's centre, m."""

    radius_m: float
    former_m: float


# From three times the curvature at first yield on, the moment grows by less than 2 % more, and is taken as it is.
FULL = 3.0


def _springs_back(tube: Tube, trial: Trial, former_m: float) -> float:
    """Curvature that the tube loses on leaving a former, 1/m, as its trial showed.

    It is the same at every former while the tube is bent well past yield; nearer to yield it goes with the
    moment, as theory has it.
    """
    lost = 1 / trial.former_m - 1 / trial.radius_m
    tightest_m = 1 / (FULL * _yield_curvature(tube))
    now, then = (bending_moment(tube, max(each, tightest_m)) for each in (former_m, trial.former_m))
    return lost * now / then


def free_radius_as_tried(tube: Tube, trial: Trial, former_m: float) -> float:
    """Radius that a former leaves, m, by a trial on the same or another one; infinite when nothing stays."""
    curvature = 1 / former_m - _springs_back(tube, trial, former_m)
    return 1 / curvature if curvature > 1e-9 else math.inf


def former_as_tried(tube: Tube, trial: Trial, wanted_m: float) -> float:
    """Former that leaves a wanted radius, m, by a trial: 1/F = 1/R + 1/F_trial − 1/R_trial well past yield."""
    former_m = 1 / (1 / wanted_m + 1 / trial.former_m - 1 / trial.radius_m)
    for _ in range(40):
        # Nearer to yield what springs back depends on the former that is looked for.
        before, former_m = former_m, 1 / (1 / wanted_m + _springs_back(tube, trial, former_m))
        if abs(former_m - before) < 1e-9:
            break
    return former_m


def trial_radius(chord_m: float, height_m: float, od_m: float, face: str) -> float:
    """Radius to the tube's centre of an arc with a chord and a height over its middle, m.

    R = (c²/4 + m²)/(2m), and half the tube more when it was taped on the inside, less on the outside.
    Raises: ValueError unless chord and height are above 0.
    """
    if not (chord_m > 0 and height_m > 0):
        raise ValueError("a trial bend has a chord and a height")
    taped = (chord_m**2 / 4 + height_m**2) / (2 * height_m)
    return taped + {"inside": od_m / 2, "outside": -od_m / 2, "centre": 0.0}[face]
