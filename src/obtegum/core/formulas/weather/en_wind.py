"""Wind by EN 1991-1-4, recommended values: figure 7.11 for vaults (as read), tables 7.1 and 7.4b along the house."""

import math
from collections.abc import Iterator
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from obtegum.core.formulas.weather.outline import Outline
from obtegum.core.formulas.weather.own import LEGS_FROM, NOTHING, Own
from obtegum.core.formulas.weather.place import Face, Opening, Openness
from obtegum.core.formulas.weather.pressure import Case, Strip, Worked, averaged, from_wind, on_bare_tubes

__all__ = [
    "AIR_KG_M3",
    "BACK",
    "DOMINANT",
    "DRAWN_IN",
    "FRONT",
    "Wind",
    "bare_cases",
    "breaks",
    "inside",
    "peak_pressure",
    "vault_factors",
    "wind_cases",
    "worked",
]

Array = NDArray[np.float64]
# Table 4.1, categories III, II and, by the open sea, 0: z0 and zmin, m.
ROUGH: dict[Openness, tuple[float, float]] = {"woods": (0.3, 5.0), "country": (0.05, 2.0), "coast": (0.003, 1.0)}
AIR_KG_M3 = 1.25
PRESSED_OUT, DRAWN_IN, DOMINANT = 0.2, -0.3, 0.9
# Table 7.1, zones D and E.
WINDWARD, LEEWARD = 0.8, -0.5
# Force on round bars and tubes, 7.9.2.
BARE = 1.2
# Wind along the house, tables 7.4b and 7.1: where each zone begins, in e; of the roof flatter and steeper than 45°,
# and of the sides.
ROOF_ZONES, FLAT, STEEPER = (0.0, 0.1, 0.5), (-1.4, -0.8, -0.5), (-1.4, -0.9, -0.5)
STEEP_DEG = 45.0
SIDE_ZONES, SIDES = (0.0, 0.2, 1.0), (-1.2, -0.8, -0.5)

# Which face the wind strikes first, and the one behind.
LEFT: Face = "left"
RIGHT: Face = "right"
FRONT: Face = "front"
BACK: Face = "back"
BEHIND: dict[Face, Face] = {"front": "back", "back": "front", "left": "right", "right": "left"}


@dataclass(frozen=True, slots=True)
class Wind:
    """Basic wind velocity, m/s (ten minutes' mean), the country, what may stand open, the house's length, m, and the
    user's own factors."""

    speed_mps: float
    openness: Openness
    openings: tuple[Opening, ...] = ()
    long_m: float = 0.0
    own: Own = NOTHING

    @property
    def hill(self) -> float:
        """co, 4.3.3: 1 on flat ground."""
        return self.own.get("hill", 1.0)

    @property
    def opened(self) -> float:
        """cpi with the windward face open, 7.2.9(5): 0.9 of what presses there."""
        return self.own.get("opened", DOMINANT * WINDWARD)


def outside(wind: Wind, outline: Outline, opening: Opening, first: Face) -> float:
    """cpe at an opening in wind that strikes a face first, table 7.1 (cpe,10): D, E, or the mean of the zones that it
    lies in, by its width in each (7.2.9(5))."""
    if opening.face in (first, BEHIND[first]):
        return WINDWARD if opening.face == first else LEEWARD
    across, long = outline.span_m, wind.long_m
    e_m = min(long if first in ("left", "right") else across, 2 * outline.height_m)
    whole_m = across if opening.face in ("front", "back") else long
    near, far = opening.begin_m, opening.end_m
    if first in ("right", "back"):
        near, far = whole_m - far, whole_m - near
    return averaged(tuple(start * e_m for start in SIDE_ZONES), SIDES, (near, far))


def inside(wind: Wind, outline: Outline, first: Face) -> list[tuple[float, str]]:
    """cpi with each opening open in wind that strikes a face first, and what is said of it: 0.9 of the pressure outside
    it in that wind. Those that come to the same are one."""
    found: dict[float, str] = {}
    for opening in wind.openings:
        where = {first: "windward ", BEHIND[first]: "leeward "}.get(opening.face, "")
        cpi = wind.opened / WINDWARD * outside(wind, outline, opening, first)
        found.setdefault(
            round(cpi, 9), f"{where or ('an ' if opening.words[0] in 'aeiou' else 'a ')}{opening.words} open"
        )
    return list(found.items())


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
    walls = outline.leg_m / outline.height_m > own.get("legs", LEGS_FROM)
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
    shut = [(PRESSED_OUT, "doors shut, air pressing out"), (DRAWN_IN, "doors shut, air drawn in")]
    states = {
        first: [(*each, False) for each in shut] + [(*each, True) for each in inside(wind, outline, first)]
        for first in BEHIND
    }
    quarter, clause = outline.span_m / 4, "EN 1991-1-4, figure 7.11"
    for number, first in enumerate(front, start=1):
        factors = np.where(outline.x < -quarter, first, np.where(outline.x > quarter, back, middle))
        if walls:
            factors = np.where(outline.roof, factors, np.where(outline.x < 0, WINDWARD, LEEWARD))
        tail = "" if len(front) == 1 else str(number)
        for side, shape in ((LEFT, factors), (RIGHT, factors[::-1])):
            for cpi, words, opened in states[side]:
                outward = -q * (shape - cpi)
                said, name = f"wind from the {side}, {words}", f"{side}-across{tail}{cpi:+.2f}"
                yield from_wind(outline, name, said, clause, outward, opened=opened)
    flat, steeper, sides = along_factors(wind, outline, strip)
    factors = np.where(outline.roof | (not walls), np.where(outline.slope >= STEEP_DEG, steeper, flat), sides)
    # From either end: the strip that the first one looks at is as far from it.
    along = dict[float, tuple[str, bool]]()
    for cpi, words, opened in states["front"] + states["back"]:
        along.setdefault(cpi, (words, opened))
    for cpi, (words, opened) in along.items():
        outward, said = -q * (factors - cpi), f"wind along the house, {words}"
        yield from_wind(outline, f"along{cpi:+.2f}", said, "EN 1991-1-4, tables 7.1 and 7.4b", outward, opened=opened)


def bare_cases(wind: Wind, outline: Outline, od_m: float, wide_m: float) -> Iterator[Case]:
    """Wind across on bare tubes, 7.9: 1.2·qp·D."""
    push = BARE * peak_pressure(wind, outline.height_m) * od_m
    return on_bare_tubes(outline, "EN 1991-1-4, 7.9", push, wide_m)


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
            wind.own.get("legs", LEGS_FROM),
        ),
        *(Worked("cpe,A", "windward quarter", "figure 7.11", each) for each in front),
        Worked("cpe,B", "centre half", "figure 7.11", middle),
        Worked("cpe,C", "leeward quarter", "figure 7.11", back),
        Worked("cpe,a", "roof, wind along", "table 7.4b", along_factors(wind, outline, strip)[0]),
        Worked("cpi", "shut, air pressing out", "7.2.9", PRESSED_OUT),
        Worked("cpi", "shut, air drawn in", "7.2.9", DRAWN_IN),
        *_opened_worked(wind, outline),
    ]


def _opened_worked(wind: Wind, outline: Outline) -> Iterator[Worked]:
    """cpi with each opening open, in wind across and along."""
    if not wind.openings:
        return
    said = dict[str, float]()
    for first in BEHIND:
        words = "wind across" if first in (LEFT, RIGHT) else "wind along"
        for cpi, what in inside(wind, outline, first):
            name = f"{what}, {words}, 0.9·cpe there"
            said[name] = max(said.get(name, 0.0), cpi, key=abs)
    yield from (Worked("cpi,o", what, "7.2.9(5)", cpi) for what, cpi in said.items())
