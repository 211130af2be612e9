"""How a way to hold film lies along an edge: its sticks end to end, and its screws, clamps, eyelets or staples."""

import math
from dataclasses import dataclass
from itertools import pairwise
from typing import Final

from obtegum.core.findings.work import Work
from obtegum.core.values.catalogue import Fixing

__all__ = ["DOUBLED", "STICKS", "Held", "fixing_of", "held_along"]

# Ways that come in sticks, and the one of them that lies double.
STICKS: Final = ("track", "batten", "rolled")
DOUBLED: Final = "rolled"
SAME = 1e-9


@dataclass(frozen=True, slots=True)
class Held:
    """What lies along an edge, m from where it begins: sticks, each from and to; places of what is put in singly."""

    sticks: tuple[tuple[float, float], ...]
    places: tuple[float, ...]

    @property
    def cut_m(self) -> float:
        """How long the last stick is cut; 0 where none comes in sticks."""
        return self.sticks[-1][1] - self.sticks[-1][0] if self.sticks else 0.0


def fixing_of(work: Work, name: str) -> Fixing:
    """A way to hold film, by its name."""
    return next(each for each in work.catalogue.fixings if each.id == name)


def held_along(work: Work, name: str, long_m: float) -> Held:
    """A way along an edge so long, m: each stick has a screw at both its ends, and no two are further apart than the
    catalogue says; what comes singly, likewise. An edge that is buried has none."""
    fixing = fixing_of(work, name)
    if name == "buried":
        return Held((), ())
    stick_m = fixing.stick_m[work.tape.units] if name in STICKS else long_m
    count = max(math.ceil(long_m / stick_m - SAME), 1)
    ends = [min(place * stick_m, long_m) for place in range(count + 1)]
    sticks = tuple(pairwise(ends))
    each_m = work.design.cover.eyelet_m if name == "eyelets" else fixing.each_m
    places = tuple(at for low, high in sticks for at in _spaced(low, high, each_m))
    return Held(sticks if name in STICKS else (), places)


def _spaced(low_m: float, high_m: float, each_m: float) -> list[float]:
    """Both ends, and even places between."""
    spaces = max(math.ceil((high_m - low_m) / each_m - SAME), 1)
    return [low_m + (high_m - low_m) * place / spaces for place in range(spaces + 1)]
