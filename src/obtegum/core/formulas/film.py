"""Film in wind: between bows as a cable, and loose, in people's hands."""

import math

import numpy as np

__all__ = ["HALF_AIR_KG_M3", "MOST_MPS", "film_pull_n_m", "hands_for", "held_gust_mps"]

# A loose strip in wind: half of air's density, kg/m³ (ASCE 7-16, 26.10-1), and its drag; what one holds of it, N, and
# the gust that nobody handles film in, m/s (rule B2, this bench).
HALF_AIR_KG_M3, DRAG, HAND_N, MOST_MPS = 0.613, 1.2, 150.0, 7.0


def film_pull_n_m(stiff_n_m: float, pressure_pa: float, bay_m: float, tight_n_m: float) -> float:
    """What a strip of film a metre wide pulls at both its ends, N/m, pressed on or lifted between two bows.

    A shallow parabola that stretches: T³ − T0·T² = E·t·p²·b²/24, sag p·b²/(8·T) (cable theory). ``stiff_n_m`` is E·t,
    ``tight_n_m`` what it pulls before any wind.
    """
    roots = np.roots([1.0, -tight_n_m, 0.0, -stiff_n_m * (pressure_pa * bay_m) ** 2 / 24])
    # One root is real and over T0: the left side rises from there on.
    return float(max(root.real for root in roots if abs(root.imag) < 1e-6 * max(abs(root), 1.0)))


def hands_for(gust_mps: float, area_m2: float) -> float:
    """Number of people whom it takes to hold a loose strip of an area in a gust, a fraction: ½·ρ·v²·c·A over what one
    holds."""
    return HALF_AIR_KG_M3 * gust_mps**2 * DRAG * area_m2 / HAND_N


def held_gust_mps(people: int, area_m2: float) -> float:
    """The gust that so many people hold a loose strip in, m/s: √(150·n/(0.736·A)), and 7 at the most (rule B2)."""
    return min(math.sqrt(HAND_N * people / (HALF_AIR_KG_M3 * DRAG * area_m2)), MOST_MPS)
