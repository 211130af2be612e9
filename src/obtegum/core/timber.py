"""Sawn timber bent by wind: NDS 2018 with the least of the usual softwoods, and EN 1995 with class C16.

Nobody tells a board's species here, so it counts as the weakest of the usual ones, wet in use.
"""

from typing import Literal

__all__ = ["bending_pa", "bent_share"]

# NDS 2018 supplement, spruce-pine-fir no. 2: Fb, Pa; CF by depth, m; wind CD; wet CM (1.0 up to 7.9 MPa of Fb·CF).
FB_PA, WIND, WET, DRY_TO_PA = 6.03e6, 1.6, 0.85, 7.9e6
SIZE = ((0.089, 1.5), (0.14, 1.3), (0.184, 1.2), (0.235, 1.1))
# EN 338 C16, EN 1995-1-1 2.4.1 and table 3.1: service class 3, wind (0.7), γM 1.3.
C16_PA, KMOD, GAMMA = 16e6, 0.7, 1.3


def bending_pa(deep_m: float, method: Literal["us", "eu"]) -> float:
    """What a stick so deep may be bent to under wind, Pa: allowable, or the design value."""
    if method == "eu":
        return C16_PA * KMOD / GAMMA
    size = next((factor for most, factor in SIZE if deep_m <= most + 1e-4), 1.0)
    wet = 1.0 if FB_PA * size <= DRY_TO_PA else WET
    return FB_PA * size * wet * WIND


def bent_share(moment_n_m: float, wide_m: float, deep_m: float, method: Literal["us", "eu"]) -> float:
    """Share of bending strength of a stick, its depth along the push: M/(b·d²/6) over what is allowed."""
    return moment_n_m / (wide_m * deep_m**2 / 6) / bending_pa(deep_m, method)
