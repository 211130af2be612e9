"""Sawn timber bent by wind, and what holds its ends: NDS 2018 with the least of the usual softwoods, EN 1995 class C16.

Nobody tells a board's species here, so it counts as the weakest of the usual ones, wet in use.
"""

import math
from dataclasses import dataclass

__all__ = [
    "Bearing",
    "bent_share",
    "bolt_lateral_n",
    "column_n",
    "ec5_bending_pa",
    "nds_bending_pa",
    "pulled_n",
    "screw_lateral_n",
    "strapped_n",
    "washer_n",
    "wood_bearing_pa",
]

# NDS 2018 supplement, spruce-pine-fir no. 2: Fb, Pa; CF by depth, m; wind CD; wet CM (1.0 up to 7.9 MPa of Fb·CF).
FB_PA, WIND, WET, DRY_TO_PA = 6.03e6, 1.6, 0.85, 7.9e6
SIZE = ((0.089, 1.5), (0.14, 1.3), (0.184, 1.2), (0.235, 1.1))
# EN 338 C16, EN 1995-1-1 2.4.1 and table 3.1: service class 3, wind (0.7), γM 1.3.
C16_PA, KMOD, GAMMA = 16e6, 0.7, 1.3
# Dry specific gravity of spruce-pine-fir (NDS table 12.3.3A); bending yield of screws by diameter, m and Pa (table I1).
SPECIFIC_GRAVITY = 0.42
SCREW_YIELD_PA = ((0.0036, 690e6), (0.0045, 620e6), (0.0061, 550e6))
# Bearing of thin steel (NDS 12.3.3); wet screws (table 11.3.3).
THIN_STEEL_PA, WET_SCREW = 427e6, 0.7
# Pressed along its grain: Fc, CF by width, wet, snow; Emin and what wet leaves; none is more slender (NDS 3.7.1.4).
FC_PA, PRESSED_SIZE, WET_PRESSED, SNOW = 7.93e6, ((0.089, 1.15), (0.14, 1.1), (0.184, 1.05)), 0.8, 1.15
EMIN_PA, WET_STIFF, SLENDEREST = 3.52e9, 0.9, 50.0
# Root of a wood screw, of its outside (NDS appendix L: 0.139 of 0.190 in for no. 10).
ROOT = 0.73
# Spruce-pine-fir across its grain, Pa (NDS supplement), and wet.
ACROSS_PA, WET_ACROSS = 2.93e6, 0.67
# Pulled along its grain, Pa, spruce-pine-fir no. 2 (NDS supplement, 450 psi); bearing of bolts along the grain for each
# of gravity, 11,200 psi (12.3.3), and their bending yield (table I1).
FT_PA, ALONG_PA, BOLT_YIELD_PA = 3.1e6, 77.2e6, 310e6


@dataclass(frozen=True, slots=True)
class Bearing:
    """A member beside a fastener: how much of it the fastener bears on, m, and what it bears, Pa."""

    long_m: float
    bears_pa: float


def nds_bending_pa(deep_m: float) -> float:
    """What a stick so deep may be bent to under wind, wet in use, Pa, allowable: Fb·CD·CM·CF (NDS 2018, 4.3)."""
    size = next((factor for most, factor in SIZE if deep_m <= most + 1e-4), 1.0)
    wet = 1.0 if FB_PA * size <= DRY_TO_PA else WET
    return FB_PA * size * wet * WIND


def ec5_bending_pa(deep_m: float) -> float:
    """The same as EN 1995-1-1, 2.4.1 has it, a design value, Pa: kmod·fm/γM of C16; no more for a shallow stick."""
    return C16_PA * KMOD / GAMMA


def bent_share(moment_n_m: float, wide_m: float, deep_m: float, bends_pa: float) -> float:
    """Share of bending strength of a stick, its depth along the push: M/(b·d²/6) over the stress that it bears, Pa."""
    return moment_n_m / (wide_m * deep_m**2 / 6) / bends_pa


def wood_bearing_pa(gravity: float = SPECIFIC_GRAVITY) -> float:
    """What wood of a specific ``gravity`` bears of a fastener thinner than 6.35 mm, Pa: 16,600·G^1.84 psi (NDS 2018,
    12.3.3)."""
    return float(114.45e6 * gravity**1.84)


def screw_lateral_n(root_m: float, side: Bearing, main: Bearing, yields_pa: float) -> float:
    """Reference lateral value of one fastener in single shear, N: the least of the six modes of NDS table 12.3.1A.

    ``root_m`` is its diameter where it bends, under 6.35 mm; the reduction is 2.2, or 10·D + 0.5 (D in inches) from
    4.3 mm on.
    """
    return min(_modes(root_m, side, main, yields_pa)) / (2.2 if root_m <= 0.00432 else 10 * root_m / 0.0254 + 0.5)


def _modes(d: float, side: Bearing, main: Bearing, yields_pa: float) -> tuple[float, float, float, float, float, float]:
    """Yield by each mode in single shear, N: Im, Is, II, IIIm, IIIs, IV (NDS table 12.3.1A, before its reduction)."""
    ls, lm, fes, fem = side.long_m, main.long_m, side.bears_pa, main.bears_pa
    re, rt = fem / fes, lm / ls
    k1 = (math.sqrt(re + 2 * re**2 * (1 + rt + rt**2) + rt**2 * re**3) - re * (1 + rt)) / (1 + re)
    k2 = -1 + math.sqrt(2 * (1 + re) + 2 * yields_pa * (1 + 2 * re) * d**2 / (3 * fem * lm**2))
    k3 = -1 + math.sqrt(2 * (1 + re) / re + 2 * yields_pa * (2 + re) * d**2 / (3 * fem * ls**2))
    return (
        d * lm * fem,
        d * ls * fes,
        k1 * d * ls * fes,
        k2 * d * lm * fem / (1 + 2 * re),
        k3 * d * ls * fem / (2 + re),
        d**2 * math.sqrt(2 * fem * yields_pa / (3 * (1 + re))),
    )


def bolt_lateral_n(bolt_m: float, thick_m: float, wall_m: float) -> float:
    """A bolt through a wet board, pulled along its grain, and a steel tube's near wall, while snow lies, N, allowable:
    NDS 12.3.1A reduced by 4 where wood or wall bears, 3.6 where it turns, 3.2 where it bends (table 12.3.1B)."""
    side, main = Bearing(thick_m, ALONG_PA * SPECIFIC_GRAVITY), Bearing(wall_m, THIN_STEEL_PA)
    reduced = zip(_modes(bolt_m, side, main, BOLT_YIELD_PA), (4.0, 4.0, 3.6, 3.2, 3.2, 3.2), strict=True)
    return min(mode / by for mode, by in reduced) * SNOW * WET_SCREW


def pulled_n(net_m2: float) -> float:
    """What sawn timber takes pulled along its grain, while snow lies, N, allowable: Ft·A (NDS 2018, 3.8; CF 1)."""
    return FT_PA * SNOW * net_m2


def strapped_n(screw_m: float, into_m: float, strap_m: float) -> float:
    """One wood screw through a thin strap into wet wood under wind, N, allowable; it counts by its root, 0.73 of it."""
    root_m = ROOT * screw_m
    yields_pa = next((pa for most, pa in SCREW_YIELD_PA if root_m <= most), SCREW_YIELD_PA[-1][1])
    side, main = Bearing(strap_m, THIN_STEEL_PA), Bearing(into_m, wood_bearing_pa())
    return screw_lateral_n(root_m, side, main, yields_pa) * WIND * WET_SCREW


def column_n(thick_m: float, wide_m: float, long_m: float) -> float:
    """What a post of sawn timber takes between its ends, wet, while snow lies, N, allowable (NDS 2018, 3.7): the least
    of the usual softwoods, Fc* = Fc·CF·CM·CD, Cp by FcE = 0.822·Emin'/(le/d)²."""
    size = next((factor for most, factor in PRESSED_SIZE if wide_m <= most + 1e-4), 1.0)
    starred = FC_PA * size * WET_PRESSED * SNOW
    slender = long_m / thick_m
    if slender > SLENDEREST:
        return 0.0
    x = (1 + 0.822 * EMIN_PA * WET_STIFF / slender**2 / starred) / 1.6
    share = x - math.sqrt(x**2 - 0.822 * EMIN_PA * WET_STIFF / slender**2 / starred / 0.8)
    return starred * share * thick_m * wide_m


def washer_n(side_m: float, bolt_m: float) -> float:
    """What a square plate washer bears on wet wood before it sinks in, N, allowable (NDS 3.10.2; no CD)."""
    return ACROSS_PA * WET_ACROSS * (side_m**2 - math.pi / 4 * bolt_m**2)
