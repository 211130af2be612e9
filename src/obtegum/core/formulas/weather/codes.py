"""Codes of snow and wind behind one face: what each lays on a bow's outline, and what else it says of wind.

ASCE/SEI 7-16, EN 1991-1-3 and -1-4 with their recommended values, and pressures that an engineer gave.
"""

from collections.abc import Iterator
from dataclasses import dataclass
from typing import Protocol

import numpy as np

from obtegum.core.formulas.weather import asce_snow, asce_wind, en_snow, en_wind
from obtegum.core.formulas.weather.ends import Shell, eu_ends, us_ends
from obtegum.core.formulas.weather.local import eu_wall, us_wall
from obtegum.core.formulas.weather.outline import Outline
from obtegum.core.formulas.weather.place import Place
from obtegum.core.formulas.weather.pressure import Case, Strip, Worked, from_snow, from_wind

__all__ = ["ASCE_7", "EN_1991", "PRESSURES", "Code", "Loads"]


@dataclass(frozen=True, eq=False)
class Loads:
    """What a code lays on a bow: basic cases and their working; ``roof_pa`` of snow on a flat roof, 0 where none lies
    or the code doesn't tell; ``q_pa``, the wind's velocity pressure, None where pressures are given."""

    cases: tuple[Case, ...]
    sheet: tuple[Worked, ...]
    roof_pa: float
    q_pa: float | None


class Code(Protocol):
    """What any code of snow and wind is asked for."""

    def loads(self, place: Place, outline: Outline, strip: Strip) -> Loads:
        """Snow and wind on an outline; ``strip`` is what a bow carries of the house, m from a windward end."""

    def breaks(self, place: Place, outline: Outline) -> list[float]:
        """How far from the middle its pressures step or bend, m."""

    def bare(self, place: Place, outline: Outline, od_m: float, wide_m: float) -> Iterator[Case]:
        """Wind across on bare tubes of an outside diameter, spread over a strip so wide, m."""

    def gust_mps(self, place: Place, share: float) -> float | None:
        """The gust at 10 m in open country, m/s, whose whole pressure is a share of the code's; None where pressures
        are given, to which no speed belongs."""

    def ends(self, q_pa: float, shell: Shell) -> tuple[float, list[Worked]]:
        """Push of wind along the house in service, N, and its working."""

    def drawn_in(self, place: Place, outline: Outline) -> float:
        """The most that air is drawn out of the house, as a share of q; 0 where local pressures have it in them."""

    def wall_pa(self, q_pa: float, area_m2: float, drawn_in: float) -> float:
        """The most that presses or draws at a piece of wall of an area, Pa, to set against its method's strength; air
        inside is drawn by ``drawn_in`` of q."""


@dataclass(frozen=True)
class _Asce:
    """ASCE/SEI 7-16."""

    def _snow(self, place: Place) -> asce_snow.Site:
        return asce_snow.Site(
            ground_pa=place.ground_pa,
            people=place.people,
            heat=place.heat,
            openness=place.openness,
            shelter=place.shelter,
            slides=place.slides,
            own=place.own,
            of_strength=place.of_strength,
        )

    def _wind(self, place: Place) -> asce_wind.Wind:
        return asce_wind.Wind(place.speed_mps, place.openness, place.altitude_m, True, place.long_m, place.own)

    def loads(self, place: Place, outline: Outline, strip: Strip) -> Loads:
        site, wind = self._snow(place), self._wind(place)
        snow = asce_snow.snow_cases(site, outline) if place.lies else ()
        return Loads(
            (*snow, *asce_wind.wind_cases(wind, outline, strip)),
            (*asce_snow.worked(site, outline), *asce_wind.worked(wind, outline, strip)),
            asce_snow.flat_roof_snow(site) if place.lies else 0.0,
            asce_wind.velocity_pressure(wind, outline),
        )

    def breaks(self, place: Place, outline: Outline) -> list[float]:
        return asce_snow.breaks(self._snow(place), outline) + asce_wind.breaks(outline)

    def bare(self, place: Place, outline: Outline, od_m: float, wide_m: float) -> Iterator[Case]:
        return asce_wind.bare_cases(self._wind(place), outline, od_m, wide_m)

    def gust_mps(self, place: Place, share: float) -> float | None:
        """The code's pressures have 0.85 of the wind for its direction in them; a gust that blows has all of it."""
        return place.speed_mps * float(np.sqrt(share * asce_wind.DIRECTION))

    def ends(self, q_pa: float, shell: Shell) -> tuple[float, list[Worked]]:
        return us_ends(q_pa, shell)

    def drawn_in(self, place: Place, outline: Outline) -> float:
        return 0.0

    def wall_pa(self, q_pa: float, area_m2: float, drawn_in: float) -> float:
        return us_wall(q_pa, area_m2, True)


@dataclass(frozen=True)
class _En:
    """EN 1991-1-3 and EN 1991-1-4."""

    def _snow(self, place: Place) -> en_snow.Site:
        return en_snow.Site(place.ground_pa, place.shelter, place.slides, place.own)

    def _wind(self, place: Place) -> en_wind.Wind:
        return en_wind.Wind(place.speed_mps, place.openness, place.openings, place.long_m, place.own)

    def loads(self, place: Place, outline: Outline, strip: Strip) -> Loads:
        site, wind = self._snow(place), self._wind(place)
        snow = en_snow.snow_cases(site, outline) if place.lies else ()
        return Loads(
            (*snow, *en_wind.wind_cases(wind, outline, strip)),
            (*en_snow.worked(site, outline), *en_wind.worked(wind, outline, strip)),
            site.laid_pa if place.lies else 0.0,
            en_wind.peak_pressure(wind, outline.height_m),
        )

    def breaks(self, place: Place, outline: Outline) -> list[float]:
        return en_snow.breaks(outline) + en_wind.breaks(outline)

    def bare(self, place: Place, outline: Outline, od_m: float, wide_m: float) -> Iterator[Case]:
        return en_wind.bare_cases(self._wind(place), outline, od_m, wide_m)

    def gust_mps(self, place: Place, share: float) -> float | None:
        """Its mean speed stands for a gust at 10 m in open country."""
        peak = en_wind.peak_pressure(en_wind.Wind(place.speed_mps, "country"), 10.0)
        return float(np.sqrt(peak / (0.5 * en_wind.AIR_KG_M3))) * float(np.sqrt(share))

    def ends(self, q_pa: float, shell: Shell) -> tuple[float, list[Worked]]:
        return eu_ends(q_pa, shell)

    def drawn_in(self, place: Place, outline: Outline) -> float:
        """cpi of 7.2.9 in wind along the house: shut, or with something open that isn't in the windward end."""
        wind, ends = self._wind(place), (en_wind.FRONT, en_wind.BACK)
        opened = [cpi for first in ends for cpi, _ in en_wind.inside(wind, outline, first)]
        return min(en_wind.DRAWN_IN, *opened)

    def wall_pa(self, q_pa: float, area_m2: float, drawn_in: float) -> float:
        return eu_wall(q_pa, area_m2, drawn_in)


@dataclass(frozen=True)
class _Pressures:
    """Pressures that an engineer gave, as they are: nothing of the place is asked, and nothing said of the ends."""

    def loads(self, place: Place, outline: Outline, strip: Strip) -> Loads:
        roof, clause = outline.roof, "as given"
        right = np.where(roof & (outline.x > 0), place.half_pa, 0.0)
        push = np.where(outline.x < 0, -place.across_pa, place.across_pa)
        cases = (
            from_snow(outline, "even", "snow lying even", clause, np.where(roof, place.even_pa, 0.0)),
            from_snow(outline, "drift-right1", "snow on the right half", clause, right),
            from_snow(outline, "drift-left1", "snow on the left half", clause, right[::-1].copy()),
            from_wind(outline, "up", "wind lifting", clause, np.where(roof, place.up_pa, 0.0)),
            from_wind(outline, "left", "wind from the left", clause, push),
            from_wind(outline, "right", "wind from the right", clause, push[::-1].copy()),
        )
        sheet = (
            Worked("s", "snow on the roof, even", clause, place.even_pa, "pressure"),
            Worked("s½", "snow on one half", clause, place.half_pa, "pressure"),
            Worked("w", "wind lifting", clause, place.up_pa, "pressure"),
            Worked("q", "wind pushing", clause, place.across_pa, "pressure"),
        )
        return Loads(cases, sheet, 0.0, None)

    def breaks(self, place: Place, outline: Outline) -> list[float]:
        return [0.0]

    def bare(self, place: Place, outline: Outline, od_m: float, wide_m: float) -> Iterator[Case]:
        return iter(())

    def gust_mps(self, place: Place, share: float) -> float | None:
        return None

    def ends(self, q_pa: float, shell: Shell) -> tuple[float, list[Worked]]:
        """Raises: ValueError; nothing is said of ends."""
        raise ValueError("pressures as given say nothing of the ends")

    def drawn_in(self, place: Place, outline: Outline) -> float:
        return 0.0

    def wall_pa(self, q_pa: float, area_m2: float, drawn_in: float) -> float:
        """Raises: ValueError; nothing is said of a piece of wall."""
        raise ValueError("pressures as given say nothing of a piece of wall")


ASCE_7: Code = _Asce()
EN_1991: Code = _En()
PRESSURES: Code = _Pressures()
