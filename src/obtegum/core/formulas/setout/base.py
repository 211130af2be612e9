"""The base rectangle: corners A and B along the left side, C and D across from them.

The tape starts at A and runs along the left side to B; D to C is the far side, read from D.

Source: geometry of the rectangle.
"""

import math
from dataclasses import dataclass
from typing import Literal

from obtegum.core.formulas.setout.bays import Bays

__all__ = ["PEG", "SIDES", "Peg", "Side", "corner", "diagonal", "peg_words", "pegs"]

Side = Literal["L", "R"]
SIDES = {"L": "left", "R": "right"}
# A peg by its side and bow.
PEG = "([LR])([1-9][0-9]{0,3})"


@dataclass(frozen=True, slots=True, kw_only=True)
class Peg:
    """Where one post goes: its bow (from 1 at the front), side, and place along the house, m.

    ``reading_m`` is what the tape measures to its peg from A or D. With strings on the outside that is the
    post's near face, and for B and C the corner that the strings make, one tube beyond the last post's.
    """

    part: str
    bow: int
    side: Side
    x_m: float
    station_m: float
    reading_m: float
    to_far_corner_m: float
    corner: Literal["A", "B", "C", "D"] | None


def peg_words(name: str) -> str:
    """A peg by its name, in words: ``peg 3 left``."""
    return f"peg {name[1:]} {SIDES[name[0]]}"


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


def pegs(bays: Bays, width_m: float, outside_m: float = 0.0) -> tuple[Peg, ...]:
    """A peg for every post, the left side first, each from its exact station.

    Args: bays; width between centres, m; and the tube that strings on the outside add to the length, m.
    """
    last = bays.bows - 1
    end = bays.stations_m[-1] + outside_m

    def peg(side: Side, place: int, station_m: float) -> Peg:
        reading_m = end if place == last else station_m
        return Peg(
            part=f"peg:{side}{place + 1}",
            bow=place + 1,
            side=side,
            x_m=-width_m / 2 if side == "L" else width_m / 2,
            station_m=station_m,
            reading_m=reading_m,
            to_far_corner_m=end - reading_m,
            corner=corner(side, place, last),
        )

    sides: tuple[Side, Side] = ("L", "R")
    return tuple(peg(side, place, station_m) for side in sides for place, station_m in enumerate(bays.stations_m))
