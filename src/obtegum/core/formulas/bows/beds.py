"""Beds and paths across the house, and how much height each has.

Beds are as wide as asked; what is left over goes to the paths alike, or to those that were given no width.

Source: arithmetic of widths; heights by the geometry of the bow.
"""

import math
from collections.abc import Sequence
from dataclasses import dataclass
from typing import Literal

__all__ = ["Bed", "Layout", "lay_out", "lay_out_own", "plants_in"]

WHOLE = 1e-9


@dataclass(frozen=True, slots=True)
class Bed:
    """A bed or a path, from where to where across the floor, m from the inside of the left posts."""

    kind: Literal["bed", "path"]
    from_m: float
    to_m: float

    @property
    def middle_m(self) -> float:
        """Where its middle is, m from the left."""
        return (self.from_m + self.to_m) / 2

    @property
    def width_m(self) -> float:
        """How wide it is, m."""
        return self.to_m - self.from_m


@dataclass(frozen=True, slots=True)
class Layout:
    """What lies across the floor, from the left; empty when not even one bed fits.

    ``over_m`` is what it takes more than there is, and ``left_m`` what is left over beside it.
    """

    strips: tuple[Bed, ...]
    over_m: float = 0.0
    left_m: float = 0.0

    @property
    def beds(self) -> list[Bed]:
        """Beds alone, from the left."""
        return [each for each in self.strips if each.kind == "bed"]

    @property
    def paths(self) -> list[Bed]:
        """Paths alone, from the left."""
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


def lay_out_own(
    width_m: float, beds_m: Sequence[float], paths_m: Sequence[float], wall_m: float, path_m: float
) -> Layout:
    """Beds and paths one by one, from the left, with the same strip kept clear along both walls.

    Paths that are given no width share what is left, so that none is narrower than ``path_m``; where that is more
    than there is, ``over_m`` says by how much, and they are drawn that narrow.
    """
    gaps = len(beds_m) - 1
    given = list(paths_m[:gaps])
    open_gaps = gaps - len(given)
    left_m = width_m - 2 * wall_m - sum(beds_m) - sum(given)
    share_m = max(left_m / open_gaps, path_m) if open_gaps else 0.0
    over_m = max(open_gaps * share_m - left_m, 0.0) if open_gaps else max(-left_m, 0.0)
    widths = [*given, *(share_m for _ in range(open_gaps))]
    strips, at = list[Bed](), wall_m
    for number, bed_m in enumerate(beds_m):
        strips.append(Bed("bed", at, at + bed_m))
        at += bed_m
        if number < gaps:
            strips.append(Bed("path", at, at + widths[number]))
            at += widths[number]
    return Layout(tuple(strips), over_m if over_m > WHOLE else 0.0, max(left_m, 0.0) if not open_gaps else 0.0)


def plants_in(bed_m: float, long_m: float, row_m: float, plant_m: float) -> int:
    """Plants in a bed: as many rows as fit with half a row's room at its edges, plants along it likewise."""
    return math.floor(bed_m / row_m + WHOLE) * math.floor(long_m / plant_m + WHOLE)
