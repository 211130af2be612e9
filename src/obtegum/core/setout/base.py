"""The base rectangle: corners A and B along the left side, C and D across from them.

The tape starts at A and runs along the left side to B; D to C is the far side, read from D.
"""

import math
from dataclasses import dataclass
from typing import Literal

from obtegum.core.setout.bays import Bays

__all__ = ["Peg", "Side", "corner", "diagonal", "pegs"]

Side = Literal["L", "R"]


@dataclass(frozen=True, slots=True, kw_only=True)
class Peg:
    """Where one post goes: its bow (from 1 at the front), side, and reading along its line, m."""

    part: str
    bow: int
    side: Side
    x_m: float
    station_m: float
    to_far_corner_m: float
    corner: Literal["A", "B", "C", "D"] | None


def diagonal(length_m: float, width_m: float) -> float:
    """Diagonal of a square-cornered base, m: √(L² + W²)."""
    return math.hypot(length_m, width_m)


def corner(side: Side, place: int, last: int) -> Literal["A", "B", "C", "D"] | None:
    """Letter of the corner at the ``place``-th peg of a side, counted from 0."""
    if place == 0:
        return "A" if side == "L" else "D"
    if place == last:
        return "B" if side == "L" else "C"
    return None


def pegs(bays: Bays, width_m: float) -> tuple[Peg, ...]:
    """A peg for every post, the left side first, each from its exact station."""
    last = bays.bows - 1
    end = bays.stations_m[-1]
    return tuple(
        Peg(
            part=f"peg:{side}{place + 1}",
            bow=place + 1,
            side=side,
            x_m=-width_m / 2 if side == "L" else width_m / 2,
            station_m=station,
            to_far_corner_m=end - station,
            corner=corner(side, place, last),
        )
        for side in ("L", "R")
        for place, station in enumerate(bays.stations_m)
    )
