"""Strength of round steel tube under bending and compression together, by two codes.

US: AISC 360-16, allowable strength, Ω = 1.67: F8 (bending), E3 and E7 (compression), D2 (tension), H1-1 (both).
European: EN 1993-1-1, section class by d/t (table 5.2), buckling curve c (6.3.1), both added up.
Walls of welded tube count by 0.93 of their name (AISC B4.2) before they come here.
"""

import math
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from obtegum.core.formulas.frame.section import Section
from obtegum.core.values.physics import MILD_ULTIMATE_PA, MILD_YIELD_PA

__all__ = [
    "OMEGA",
    "Strength",
    "allowable",
    "column_n",
    "euler_n",
    "european",
    "nominal",
    "strut_n",
    "ultimate_pa",
    "used",
]

Array = NDArray[np.float64]
# Safety factor of yielding: bending, compression, tension, torsion.
OMEGA = 1.67
# Ultimate over yield strength of steel of which only the yield is told, this bench: high-strength tube has the least.
OF_YIELD = 1.3
# F8 and E7: limits of D/t, in E/Fy.
COMPACT, NONCOMPACT, SLENDER, WHOLE = 0.07, 0.31, 0.45, 0.11
# Buckling curve c, cold-formed tube.
CURVE_C = 0.49


@dataclass(frozen=True)
class Strength:
    """What a section takes: bending N·m, compression and tension N. ``linear`` adds shares plainly (EN)."""

    moment_nm: float
    squash_n: float
    tension_n: float
    linear: bool


def ultimate_pa(yield_pa: float) -> float:
    """Ultimate strength of tube's steel, Pa, of its yield: mild steel's own (EN 1993-1-1 table 3.1), else 1.3 of it."""
    return MILD_ULTIMATE_PA if abs(yield_pa - MILD_YIELD_PA) < 1e6 else OF_YIELD * yield_pa


def _bending(section: Section) -> float:
    """Nominal bending strength by F8, N·m. Raises: ValueError for a wall thinner than the code covers."""
    thin, ratio = section.slenderness, section.elastic_pa / section.yield_pa
    if thin > SLENDER * ratio:
        raise ValueError("the wall is thinner than AISC 360 F8 covers")
    plastic = section.yield_pa * section.plastic_m3
    if thin <= COMPACT * ratio:
        return plastic
    if thin <= NONCOMPACT * ratio:
        return min((0.021 * section.elastic_pa / thin + section.yield_pa) * section.elastic_m3, plastic)
    return 0.33 * section.elastic_pa / thin * section.elastic_m3


def allowable(section: Section) -> Strength:
    """Allowable strength by AISC 360-16, short of buckling. Raises: ValueError for walls beyond the code."""
    share = 1.0
    if section.slenderness > WHOLE * section.elastic_pa / section.yield_pa:
        share = 0.038 * section.elastic_pa / (section.yield_pa * section.slenderness) + 2 / 3
    squash = section.yield_pa * section.area_m2
    return Strength(_bending(section) / OMEGA, share * squash / OMEGA, squash / OMEGA, False)


def european(section: Section) -> Strength:
    """Design resistance by EN 1993-1-1, γM = 1. Raises: ValueError for class 4."""
    fineness = section.slenderness / (MILD_YIELD_PA / section.yield_pa)
    if fineness > 90:
        raise ValueError("the wall is of class 4, thinner than EN 1993-1-1 table 5.2 covers")
    modulus = section.plastic_m3 if fineness <= 70 else section.elastic_m3
    squash = section.yield_pa * section.area_m2
    return Strength(section.yield_pa * modulus, squash, squash, True)


def nominal(section: Section, strength: Strength) -> tuple[float, float]:
    """What bends and what squashes a section by the code, N·m and N, before any Ω."""
    omega = 1.0 if strength.linear else OMEGA
    return strength.moment_nm * omega, strength.squash_n * omega


def euler_n(section: Section, length_m: float) -> float:
    """Force at which a strut buckles out of the bow's plane between held points, N: π²·E·I/L²."""
    return math.pi**2 * section.elastic_pa * section.inertia_m4 / length_m**2


def column_n(strength: Strength, section: Section, length_m: float) -> float:
    """What a strut between two pins takes in compression, N: AISC 360-16 E3, or EN 1993-1-1 6.3.1 by curve c."""
    return float(strut_n(strength, section, np.array([euler_n(section, length_m)]))[0])


def strut_n(strength: Strength, section: Section, buckles_n: Array) -> Array:
    """(c,): what a strut takes in compression that buckles elastically at a force, (c,) N: AISC 360-16 E3, or EN
    1993-1-1 6.3.1 by curve c."""
    squash = section.yield_pa * section.area_m2
    with np.errstate(divide="ignore", over="ignore"):
        share = squash / np.maximum(buckles_n, 1e-9)
        if strength.linear:
            slender = np.sqrt(share)
            phi = 0.5 * (1 + CURVE_C * (slender - 0.2) + slender**2)
            chi = np.minimum(1 / (phi + np.sqrt(np.maximum(phi**2 - slender**2, 0.0))), 1.0)
            return np.asarray(np.where(slender <= 0.2, 1.0, chi) * strength.squash_n)
        falls = np.where(share <= 2.25, 0.658 ** np.minimum(share, 2.25), 0.877 / share)
        return np.asarray(falls * strength.squash_n)


def used(strength: Strength, section: Section, axial: Array, moment: Array, buckles_n: Array) -> Array:
    """Share of strength used, (c, …), of ``axial`` forces (c, …), N, tension positive, and of each ``moment`` (c, …),
    N·m, these over what a joint or a hole leaves of the bending strength.

    ``buckles_n`` (c,) is the elastic buckling force, the lesser of in the plane and out of it.
    """
    pressed = strut_n(strength, section, buckles_n).reshape(-1, *[1] * (axial.ndim - 1))
    force = np.where(axial < 0, -axial / pressed, axial / strength.tension_n)
    bent = np.abs(moment) / strength.moment_nm
    if strength.linear:
        return np.asarray(force + bent)
    return np.asarray(np.where(force >= 0.2, force + 8 / 9 * bent, force / 2 + bent))
