"""Beds and paths across the house, and how much height each has.

Beds are as wide as asked; what is left over goes to the paths alike.
"""

import math
from dataclasses import dataclass
from typing import Literal

__all__ = ["Bed", "Layout", "lay_out"]

WHOLE = 1e-9


@dataclass(frozen=True, slots=True)
class Bed:
    """A bed or a path, from where to where across the floor, m from the inside of the left posts."""

    kind: Literal["bed", "path"]
    from_m: float
    to_m: float

    @property
    def middle_m(self) -> float:
        return (self.from_m + self.to_m) / 2

    @property
    def width_m(self) -> float:
        return self.to_m - self.from_m


@dataclass(frozen=True, slots=True)
class Layout:
    """What lies across the floor, from the left; empty when not even one bed fits."""

    strips: tuple[Bed, ...]

    @property
    def beds(self) -> list[Bed]:
        return [each for each in self.strips if each.kind == "bed"]

    @property
    def paths(self) -> list[Bed]:
        return [each for each in self.strips if each.kind == "path"]


def lay_out(width_m: float, bed_m: float, path_m: float, along_walls: Literal["bed", "path"]) -> Layout:
    """As many beds as fit, beds or paths along the walls.

    n beds with n − 1 paths between them want n·b + (n − 1)·p; with a path along each wall n·b + (n + 1)·p.
    """
    more = -1 if along_walls == "bed" else 1
    count = math.floor((width_m - more * path_m) / (bed_m + path_m) + WHOLE)
    if count < 1:
        return Layout(())
    paths = count + more
    if paths < 1:
        edge = (width_m - bed_m) / 2
        return Layout((Bed("bed", edge, edge + bed_m),))
    each_path = (width_m - count * bed_m) / paths
    strips, at = list[Bed](), 0.0
    kinds: list[Literal["bed", "path"]] = [
        "bed" if (n % 2 == 0) == (along_walls == "bed") else "path" for n in range(count + paths)
    ]
    for kind in kinds:
        wide = bed_m if kind == "bed" else each_path
        strips.append(Bed(kind, at, at + wide))
        at += wide
    return Layout(tuple(strips))
