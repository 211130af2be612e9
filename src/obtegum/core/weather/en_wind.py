"""Wind by EN 1991-1-4, recommended values: figure 7.11 for vaults (as read), tables 7.1 and 7.4b along the house."""

import math
from collections.abc import Iterator
from dataclasses import dataclass
from typing import Literal

import numpy as np
from numpy.typing import NDArray

from obtegum.core.weather.outline import Outline
from obtegum.core.weather.own import NOTHING, Own
from obtegum.core.weather.pressure import Case, Strip, Worked, averaged, from_wind

__all__ = ["AIR_KG_M3", "Wind", "breaks", "peak_pressure", "vault_factors", "wind_cases", "worked"]

Array = NDArray[np.float64]
Openness = Literal["woods", "country", "coast"]
# Table 4.1, categories III, II and I: z0 and zmin, m.
ROUGH: dict[Openness, tuple[float, float]] = {"woods": (0.3, 5.0), "country": (0.05, 2.0), "coast": (0.01, 1.0)}
AIR_KG_M3 = 1.25
PRESSED_OUT, DRAWN_IN, DOMINANT = 0.2, -0.3, 0.9
FROM_GROUND = 0.25
# Wind along the house, tables 7.4b and 7.1: where each zone begins, in e; of the roof flatter and steeper than 45°,
# and of the sides.
ROOF_ZONES, FLAT, STEEPER = (0.0, 0.1, 0.5), (-1.4, -0.8, -0.5), (-1.4, -0.9, -0.5)
STEEP_DEG = 45.0
SIDE_ZONES, SIDES = (0.0, 0.2, 1.0), (-1.2, -0.8, -0.5)


@dataclass(frozen=True, slots=True)
class Wind:
    """Basic wind velocity, m/s (ten minutes' mean), the country, whether an end can stand open or be torn, and the
    user's own factors."""

    speed_mps: float
    openness: Openness
    opens: bool
    own: Own = NOTHING

    @property
    def hill(self) -> float:
        """co, 4.3.3: 1 on flat ground."""
        return self.own.get("hill", 1.0)

    @property
    def opened(self) -> float:
        """cpi with the windward end open, 7.2.9(5): 0.9 of what presses there."""
        return self.own.get("opened", DOMINANT * 0.8)


def _profile(wind: Wind, height_m: float) -> tuple[float, float, float]:
    """kr, mean speed at the height, m/s, and turbulence, 4.3 and 4.4.

    What turbulence loses over a hill (1/co, 4.7) is not taken off.
    """
    rough, least = ROUGH[wind.openness]
    z = max(height_m, least)
    kr = 0.19 * (rough / 0.05) ** 0.07
    return kr, kr * math.log(z / rough) * wind.hill * wind.speed_mps, 1 / math.log(z / rough)


def peak_pressure(wind: Wind, height_m: float) -> float:
    """qp = (1 + 7·Iv)·½·ρ·vm², 4.8, Pa."""
    _, mean, turbulence = _profile(wind, height_m)
    return (1 + 7 * turbulence) * 0.5 * AIR_KG_M3 * mean**2


def vault_factors(outline: Outline, own: Own = NOTHING) -> tuple[list[float], float, float, bool]:
    """cpe of figure 7.11: A (pushing, and sucking on a vault that stands on legs), B, C; whether legs are walls."""
    walls = outline.leg_m / outline.height_m > own.get("legs", FROM_GROUND)
    flat = min(max((outline.rise_m if walls else outline.height_m) / outline.span_m, 0.05), 0.5)
    share = (flat - 0.05) / 0.45
    push = 0.1 + 0.7 * share
    front = [push]
    if walls:
        # Toward the line for h/d ≥ 0.5, which sucks at −1.2 on low vaults: taken for all of them.
        tall = min(outline.leg_m / outline.span_m / 0.5, 1.0)
        front.append(push * (1 - tall) - 1.2 * tall)
    if own.windward is not None:
        front = [own.windward]
    return front, own.get("centre", -0.8 - 0.4 * share), own.get("leeward", -0.4), walls


def along_factors(wind: Wind, outline: Outline, strip: Strip) -> tuple[float, float, float]:
    """cpe on a strip with wind along the house: of the roof flatter than 45°, steeper, and of the sides."""
    e_m = min(outline.span_m, 2 * outline.height_m)
    flat, steeper, sides = (
        averaged(tuple(start * e_m for start in starts), factors, strip)
        for starts, factors in ((ROOF_ZONES, FLAT), (ROOF_ZONES, STEEPER), (SIDE_ZONES, SIDES))
    )
    return (flat, steeper, sides) if wind.own.along is None else (wind.own.along, wind.own.along, sides)


def breaks(outline: Outline) -> list[float]:
    """How far from the middle wind's pressures step, m."""
    return [0.0, outline.span_m / 4, outline.where_deg(STEEP_DEG)]


def wind_cases(wind: Wind, outline: Outline, strip: Strip) -> Iterator[Case]:
    """Wind from either side and along, the house shut or with an end open; ``strip`` is what a bow carries."""
    q = peak_pressure(wind, outline.height_m)
    front, middle, back, walls = vault_factors(outline, wind.own)
    inside = [(PRESSED_OUT, "doors shut, air pressing out"), (DRAWN_IN, "doors shut, air drawn in")]
    if wind.opens:
        inside += [(wind.opened, "windward end open"), (DOMINANT * -0.5, "leeward end open")]
    quarter, clause = outline.span_m / 4, "EN 1991-1-4, figure 7.11"
    for number, first in enumerate(front, start=1):
        factors = np.where(outline.x < -quarter, first, np.where(outline.x > quarter, back, middle))
        if walls:
            factors = np.where(outline.roof, factors, np.where(outline.x < 0, 0.8, -0.5))
        for cpi, words in inside:
            outward = -q * (factors - cpi)
            name = f"across{'' if len(front) == 1 else number}{cpi:+.2f}"
            yield from_wind(outline, f"left-{name}", f"wind from the left, {words}", clause, outward)
            yield from_wind(outline, f"right-{name}", f"wind from the right, {words}", clause, outward[::-1].copy())
    flat, steeper, sides = along_factors(wind, outline, strip)
    factors = np.where(outline.roof | (not walls), np.where(outline.slope >= STEEP_DEG, steeper, flat), sides)
    for cpi, words in inside:
        outward = -q * (factors - cpi)
        clause = "EN 1991-1-4, tables 7.1 and 7.4b"
        yield from_wind(outline, f"along{cpi:+.2f}", f"wind along the house, {words}", clause, outward)


def worked(wind: Wind, outline: Outline, strip: Strip) -> list[Worked]:
    """Every intermediate value, with its clause."""
    kr, mean, turbulence = _profile(wind, outline.height_m)
    front, middle, back, _ = vault_factors(outline, wind.own)
    return [
        Worked("vb", "basic wind velocity", "as given", wind.speed_mps, "speed"),
        Worked("kr", "country", "4.5", kr),
        Worked("co", "flat ground: on a hill or ridge wind is more than this", "4.3.3", wind.hill),
        Worked("vm", "mean wind at the crown", "4.3", mean, "speed"),
        Worked("Iv", "turbulence", "4.7", turbulence),
        Worked("qp", "peak pressure", "4.8", peak_pressure(wind, outline.height_m), "pressure"),
        Worked(
            "kH",
            "legs are walls from this share of the height",
            "choice of this bench",
            wind.own.get("legs", FROM_GROUND),
        ),
        *(Worked("cpe,A", "windward quarter", "figure 7.11", each) for each in front),
        Worked("cpe,B", "centre half", "figure 7.11", middle),
        Worked("cpe,C", "leeward quarter", "figure 7.11", back),
        Worked("cpe,a", "roof, wind along", "table 7.4b", along_factors(wind, outline, strip)[0]),
        Worked("cpi", "shut, air pressing out", "7.2.9", PRESSED_OUT),
        Worked("cpi", "shut, air drawn in", "7.2.9", DRAWN_IN),
        *([Worked("cpi,o", "windward end open, 0.9·cpe", "7.2.9(5)", wind.opened)] if wind.opens else []),
    ]
