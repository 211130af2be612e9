"""Wind on the main frame by ASCE/SEI 7-16, chapters 26 and 27, figures 27.3-1 and 27.3-3 (as read)."""

import math
from collections.abc import Iterator
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from obtegum.core.formulas.film import HALF_AIR_KG_M3
from obtegum.core.formulas.weather.outline import Outline
from obtegum.core.formulas.weather.own import LEGS_FROM, NOTHING, Own
from obtegum.core.formulas.weather.place import Openness
from obtegum.core.formulas.weather.pressure import Case, Strip, Worked, averaged, from_wind, on_bare_tubes

__all__ = [
    "DIRECTION",
    "GUST",
    "Wind",
    "arch_factors",
    "bare_cases",
    "breaks",
    "velocity_pressure",
    "wind_cases",
    "worked",
]

Array = NDArray[np.float64]
# Table 26.11-1: α and zg, m; 26.10: least height for Kz.
PROFILE: dict[Openness, tuple[float, float]] = {"woods": (7.0, 366.0), "country": (9.5, 274.0), "coast": (11.5, 213.0)}
LEAST_Z_M, DIRECTION, GUST = 4.6, 0.85, 0.85
CLOSED, OPEN_END = 0.18, 0.55
# Figure 29.4-2, round, D·√q up to 5.3.
BARE = 1.2
# 27.1.5: the least on walls, and on the roof's vertical projection, Pa.
LEAST_WALL_PA, LEAST_ROOF_PA = 770.0, 380.0
# Figure 27.3-1, wind along a roof: from where each zone begins, in mean roof heights, and its Cp on a long house and
# on one as high as it is long; the other sign that goes with each.
ZONES, LONG, SHORT, OTHER = (0.0, 0.5, 1.0, 2.0), (-0.9, -0.9, -0.5, -0.3), (-1.3, -0.7, -0.7, -0.7), -0.18


@dataclass(frozen=True, slots=True)
class Wind:
    """What wind needs to know: the 3-s gust of the code's map, m/s, the country, and the height above the sea, m.

    ``opens`` is whether an end can stand open or be torn, ``long_m`` the house's length, ``own`` the user's factors.
    """

    speed_mps: float
    openness: Openness
    altitude_m: float
    opens: bool
    long_m: float
    own: Own = NOTHING

    @property
    def hill(self) -> float:
        """Kzt, 26.8: 1 on flat ground."""
        return self.own.get("hill", 1.0)

    @property
    def opened(self) -> float:
        """GCpi with an end open, table 26.13-1."""
        return self.own.get("opened", OPEN_END)


def exposure_factor(openness: Openness, height_m: float) -> float:
    """Kz = 2.01·(z/zg)^(2/α), 26.10.1; z at least 4.6 m."""
    alpha, gradient = PROFILE[openness]
    return float(2.01 * (max(height_m, LEAST_Z_M) / gradient) ** (2 / alpha))


def thin_air(altitude_m: float) -> float:
    """Ground elevation factor Ke = e^(−0.000119·z), ASCE 7-16 table 26.9-1, as a share; no more than 1."""
    return min(math.exp(-0.000119 * altitude_m), 1.0)


def velocity_pressure(wind: Wind, outline: Outline) -> float:
    """q = 0.613·Kz·Kzt·Kd·Ke·V², 26.10-1, at mean roof height, Pa."""
    kz, ke = exposure_factor(wind.openness, outline.mean_m), thin_air(wind.altitude_m)
    return HALF_AIR_KG_M3 * kz * wind.hill * DIRECTION * ke * wind.speed_mps**2


def arch_factors(outline: Outline, own: Own = NOTHING) -> tuple[list[float], float, float, float, bool]:
    """Cp of figure 27.3-3 on the windward quarter (one or two of them), the centre half and the leeward quarter.

    The last two: rise over span as it counts, and whether legs are walls of their own.
    """
    walls = outline.leg_m / outline.height_m > own.get("legs", LEGS_FROM)
    rise = (outline.rise_m if walls else outline.height_m) / outline.span_m
    if not walls:
        windward = [1.4 * rise]
    elif rise < 0.2:
        windward = [-0.9]
    elif rise < 0.3:
        windward = [1.5 * rise - 0.3, 6 * rise - 2.1]
    else:
        windward = [2.75 * rise - 0.7]
    if own.windward is not None:
        windward = [own.windward]
    return windward, own.get("centre", -0.7 - rise), own.get("leeward", -0.5), rise, walls


def along_factors(wind: Wind, outline: Outline, strip: Strip) -> tuple[float, float]:
    """Cp of figure 27.3-1 on a strip of the roof with wind along it, and the other sign that goes with it."""
    if wind.own.along is not None:
        return wind.own.along, OTHER
    short = min(max((outline.mean_m / wind.long_m - 0.5) / 0.5, 0.0), 1.0)
    factors = [low + short * (high - low) for low, high in zip(LONG, SHORT, strict=True)]
    return averaged(tuple(start * outline.mean_m for start in ZONES), factors, strip), OTHER


def _across(outline: Outline, windward: float, centre: float, leeward: float, walls: bool) -> Array:
    """Cp of each piece with the wind from the left, quarters of the span in plan."""
    quarter = outline.span_m / 4
    roof = np.where(outline.x < -quarter, windward, np.where(outline.x > quarter, leeward, centre))
    if not walls:
        return np.asarray(roof)
    return np.where(outline.roof, roof, np.where(outline.x < 0, 0.8, -0.5))


def bare_cases(wind: Wind, outline: Outline, od_m: float, wide_m: float) -> Iterator[Case]:
    """Wind across on bare tubes, figure 29.4-2: 1.2·q·G·D, no less than 29.7's 0.77 kPa on what they cover."""
    push = max(BARE * velocity_pressure(wind, outline) * GUST, LEAST_WALL_PA) * od_m
    return on_bare_tubes(outline, "ASCE 7-16, figure 29.4-2, 29.7", push, wide_m)


def breaks(outline: Outline) -> list[float]:
    """How far from the middle wind's pressures step, m."""
    return [0.0, outline.span_m / 4]


def wind_cases(wind: Wind, outline: Outline, strip: Strip) -> Iterator[Case]:
    """Wind from either side and along, the house shut or with an end open, and the least of 27.1.5.

    ``strip`` is what a bow carries of the house, m from the end that the wind blows at.
    """
    q = velocity_pressure(wind, outline)
    windward, centre, leeward, _, walls = arch_factors(outline, wind.own)
    inside = [(CLOSED, "doors shut, air pressing out", False), (-CLOSED, "doors shut, air drawn in", False)]
    if wind.opens:
        inside += [
            (wind.opened, "an end open, air pressing out", True),
            (-wind.opened, "an end open, air drawn in", True),
        ]
    for number, first in enumerate(windward, start=1):
        factors = _across(outline, first, centre, leeward, walls)
        for gcpi, words, opened in inside:
            outward = -q * (GUST * factors - gcpi)
            name = f"across{'' if len(windward) == 1 else number}{gcpi:+.2f}"
            clause = "ASCE 7-16, figure 27.3-3"
            for side, blown in (("left", outward), ("right", outward[::-1].copy())):
                said = f"wind from the {side}, {words}"
                yield from_wind(outline, f"{side}-{name}", said, clause, blown, opened=opened)
    for less, roof in zip(("", "-less"), along_factors(wind, outline, strip), strict=True):
        factors = np.where(outline.roof | (not walls), roof, -0.7)
        for gcpi, words, opened in inside:
            outward = -q * (GUST * factors - gcpi)
            said = f"wind along the house, {'hardly drawing, ' if less else ''}{words}"
            yield from_wind(
                outline, f"along{less}{gcpi:+.2f}", said, "ASCE 7-16, figure 27.3-1", outward, opened=opened
            )
    pushed = np.where(outline.roof, LEAST_ROOF_PA, LEAST_WALL_PA) * (outline.x < 0) * np.abs(outline.out[:, 0])
    for name, words, sign, on in (("left", "left", 1.0, pushed), ("right", "right", -1.0, pushed[::-1].copy())):
        per_area = np.stack([sign * on, np.zeros_like(on)], axis=1)
        yield Case(f"least-{name}", f"the least wind from the {words}", "ASCE 7-16, 27.1.5", "wind", per_area, -on)


def worked(wind: Wind, outline: Outline, strip: Strip) -> list[Worked]:
    """Every intermediate value, with its clause."""
    windward, centre, leeward, rise, _ = arch_factors(outline, wind.own)
    return [
        Worked("V", "gust of the code’s map, 3 s", "as given", wind.speed_mps, "speed"),
        Worked("z", "mean roof height", "26.2", outline.mean_m, "length"),
        Worked("Kz", "height and country", "26.10.1", exposure_factor(wind.openness, outline.mean_m)),
        Worked("Kzt", "flat ground: on a hill or ridge wind is more than this", "26.8", wind.hill),
        Worked("Kd", "direction", "26.6", DIRECTION),
        Worked("Ke", "thin air", "26.9", thin_air(wind.altitude_m)),
        Worked("q", "velocity pressure", "26.10-1", velocity_pressure(wind, outline), "pressure"),
        Worked("G", "gust effect", "26.11", GUST),
        Worked(
            "kH",
            "legs are walls from this share of the height",
            "choice of this bench",
            wind.own.get("legs", LEGS_FROM),
        ),
        Worked("r/S", "rise over span", "figure 27.3-3", rise),
        *(Worked("Cp,w", "windward quarter", "figure 27.3-3", each) for each in windward),
        Worked("Cp,c", "centre half", "figure 27.3-3", centre),
        Worked("Cp,l", "leeward quarter", "figure 27.3-3", leeward),
        Worked("Cp,a", "roof, wind along", "figure 27.3-1", along_factors(wind, outline, strip)[0]),
        Worked("GCpi", "shut", "table 26.13-1", CLOSED),
        Worked("pmin,w", "the least wind on walls", "27.1.5", LEAST_WALL_PA, "pressure"),
        Worked("pmin,r", "the least wind on the roof’s upright area", "27.1.5", LEAST_ROOF_PA, "pressure"),
        *([Worked("GCpi,o", "an end open", "table 26.13-1", wind.opened)] if wind.opens else []),
    ]
