"""What joins bow, post and board: bolts through tubes, screws in steel, straps. Allowable values."""

import math
from dataclasses import dataclass

from obtegum.core.formulas.frame.steel import OMEGA

__all__ = [
    "A307_PA",
    "HOLE_WIDER_M",
    "SCREWS_M",
    "WASHER_M",
    "Sheet",
    "bolt_shear",
    "bolt_tears_out",
    "bolt_wall",
    "bolt_walls",
    "net_along",
    "screw_shear",
    "stack_m",
    "tube_twists",
]

# How much wider a hole is than its bolt (AISC 360-16 table J3.3M has 2 mm from M16 on), and how thick its washer
# is, m (this bench).
HOLE_WIDER_M, WASHER_M = 0.001, 0.002
# A nut's thickness as a share of its bolt's, and what stands out of it, threads of so much of it (this bench).
NUT, OUT = 0.85, 0.35
# AISC 360-16 table J3.2, threads in the plane, A307 bolts.
A307_PA = 186e6
# Outside of self-drilling screws by their number, m (AISI S100-16).
SCREWS_M = {"8": 0.00417, "10": 0.00483, "12": 0.00549, "14": 0.00635}
OMEGA_SCREW = 3.0


@dataclass(frozen=True, slots=True)
class Sheet:
    """A wall: thickness, m, and ultimate strength, Pa."""

    thick_m: float
    ultimate_pa: float


def stack_m(thick_m: float, bolt_m: float) -> float:
    """What a bolt takes to go through so much, m: that, a washer at each face, the nut and a few threads."""
    return thick_m + 2 * WASHER_M + (NUT + OUT) * bolt_m


def bolt_walls(bolt_m: float, wall_m: float, yield_pa: float) -> float:
    """Both walls of a tube at a bolt through it, N: 1.8·Fy·d·t (AISC 360-16 J3.10(c) and J7, Ω 2.00)."""
    return 1.8 * yield_pa * bolt_m * wall_m


def bolt_wall(bolt_m: float, wall_m: float, yield_pa: float) -> float:
    """The near wall alone of a tube at a bolt that is pulled from one side of it, N: 0.9·Fy·d·t, rule as above."""
    return bolt_walls(bolt_m, wall_m, yield_pa) / 2


def tube_twists(od_m: float, wall_m: float, yield_pa: float) -> float:
    """What a round tube takes in torsion, N·m: 0.6·Fy·C/1.67, C = π·(D − t)²·t/2 (AISC 360-16 H3.1)."""
    return 0.6 * yield_pa * math.pi * (od_m - wall_m) ** 2 * wall_m / 2 / OMEGA


def bolt_tears_out(clear_m: float, wall_m: float, ultimate_pa: float) -> float:
    """Both walls from the hole to the tube's end, N: 1.2·lc·t·Fu (AISC 360-16 J3.10, Ω 2.00)."""
    return 1.2 * max(clear_m, 0.0) * wall_m * ultimate_pa


def bolt_shear(bolt_m: float, shear_pa: float = A307_PA) -> float:
    """A bolt cut in two planes, N: Fnv·Ab (AISC 360-16 J3.6, Ω 2.00)."""
    return shear_pa * math.pi / 4 * bolt_m**2


def screw_shear(screw_m: float, near: Sheet, far: Sheet) -> float:
    """One screw from a wall into another, N (AISI S100-16 J4.3.1, Ω 3.00): near is at its head.

    Raises: ValueError for a screw that the standard doesn't cover.
    """
    if not 0.00203 <= screw_m <= 0.00635 + 1e-9:
        raise ValueError("the standard covers screws of 2.03 to 6.35 mm")
    tilts = 4.2 * math.sqrt(far.thick_m**3 * screw_m) * far.ultimate_pa
    walls = [2.7 * each.thick_m * screw_m * each.ultimate_pa for each in (near, far)]
    thin, thick = min(tilts, *walls), min(walls)
    ratio = far.thick_m / near.thick_m
    if ratio <= 1:
        nominal = thin
    elif ratio >= 2.5:
        nominal = thick
    else:
        nominal = thin + (thick - thin) * (ratio - 1) / 1.5
    return nominal / OMEGA_SCREW


def net_along(plastic_m3: float, hole_m: float, wall_m: float, od_m: float) -> float:
    """Plastic modulus with a hole through both walls in the plane of bending, m³: Z − dh·t·(D − t)."""
    return plastic_m3 - hole_m * wall_m * (od_m - wall_m)
