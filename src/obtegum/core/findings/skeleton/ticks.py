"""Ticking work off: where a peg or post is set, by the name of its tick."""

import re

from obtegum.core.documents.base import TICK
from obtegum.core.documents.house import HouseDesign
from obtegum.core.formulas.setout.bays import Bays, counted_bays, equal_bays, fixed_bays
from obtegum.core.values.trouble import DesignError, Trouble

__all__ = ["design_bays", "tick_station", "tick_words"]

_TICK = re.compile(TICK)


def design_bays(design: HouseDesign) -> Bays:
    """The bays of the school that the design has chosen."""
    bows, length_m = design.bows, design.size.length_m
    if bows.bays == "counted" and bows.count is not None:
        return counted_bays(length_m, bows.count)
    divide = fixed_bays if bows.bays == "fixed" else equal_bays
    return divide(length_m, bows.max_spacing_m)


def tick_station(design: HouseDesign, tick: str) -> float:
    """Running reading of the peg or post that a tick names, m. Raises: DesignError when there is none."""
    found = _TICK.fullmatch(tick)
    stations = design_bays(design).stations_m
    if found is None or int(found[3]) > len(stations):
        raise DesignError([Trouble(path="tick", sentence=f"There is no “{tick}” in this house to tick off.")])
    return stations[int(found[3]) - 1]


def tick_words(tick: str, done: bool) -> str:
    """A tick for the history: ``Peg 3 left set``."""
    what, place = tick.split(":")
    side = "left" if place.startswith("L") else "right"
    return f"{what.capitalize()} {place[1:]} {side} {'set' if done else 'taken back'}"
