"""Three schools of spacing bows along a house: equal bays, a fixed bay with an odd last one, and a number of bows.

Source: trade practice; arithmetic of equal parts.
"""

import math
from typing import Literal

from obtegum.core.values.base import Part

__all__ = ["BaySchool", "Bays", "counted_bays", "equal_bays", "fixed_bays"]

BaySchool = Literal["equal", "fixed", "counted"]
WHOLE = 1e-9


class Bays(Part):
    """Bays along the house. ``stations_m`` are the bows' distances from the front end."""

    school: BaySchool
    count: int
    bay_m: float
    odd_m: float | None
    stations_m: tuple[float, ...]

    @property
    def bows(self) -> int:
        """How many bows stand on it."""
        return len(self.stations_m)


def equal_bays(length_m: float, max_spacing_m: float) -> Bays:
    """As few equal bays as keep the bows no further apart than asked: n = ceil(L/max − 1e-9)."""
    return _alike(length_m, max(1, math.ceil(length_m / max_spacing_m - WHOLE)), "equal")


def counted_bays(length_m: float, bows: int) -> Bays:
    """Equal bays between so many bows, two at the least: one bay fewer than there are bows."""
    return _alike(length_m, bows - 1, "counted")


def _alike(length_m: float, count: int, school: BaySchool) -> Bays:
    stations = (*(length_m * place / count for place in range(count)), length_m)
    return Bays(school=school, count=count, bay_m=length_m / count, odd_m=None, stations_m=stations)


def fixed_bays(length_m: float, spacing_m: float) -> Bays:
    """Bays of the spacing asked, and what is left over as an odd one at the far end."""
    full = max(math.floor(length_m / spacing_m + WHOLE), 0)
    odd = length_m - full * spacing_m
    stations = [spacing_m * place for place in range(full + 1)]
    if odd > WHOLE * max(1.0, length_m):
        return Bays(
            school="fixed",
            count=full + 1,
            bay_m=spacing_m,
            odd_m=odd,
            stations_m=(*stations, length_m),
        )
    stations[-1] = length_m
    return Bays(school="fixed", count=full, bay_m=spacing_m, odd_m=None, stations_m=tuple(stations))
