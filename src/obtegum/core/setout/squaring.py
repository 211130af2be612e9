"""Squaring a base: which method, what its tape errors leave at the far corners, and how it is done.

A right angle set by three tapings, legs a and b and a diagonal c, is off by the root sum of squares of
c·dc/(a·b) from the diagonal and da/b and db/a from the legs. Built on the long side, that slides a far
corner along the house by W·dθ; built on the short side, it walks the far end sideways by L·dθ.
"""

import math
from collections.abc import Iterator
from typing import Literal

from obtegum.core.part import Part
from obtegum.core.setout.base import diagonal

__all__ = ["Base", "Method", "MethodId", "angle_error", "methods", "parts_within"]

Base = Literal["long", "short"]
MethodId = Literal["whole", "parts", "ends", "triple", "small-triple"]


class Method(Part):
    """One way to square this base.

    ``along_m`` and ``across_m`` are the legs of its triangle, along the line that the angle is built on
    and away from it; ``diagonal_m`` is what the second tape reads. ``skew_m`` is how far a far corner is
    left out of place, ``difference_m`` what the diagonals then differ by, both one standard error.
    """

    id: MethodId
    parts: int
    along_m: float
    across_m: float
    diagonal_m: float
    people: int
    reaches: bool
    angle_rad: float
    skew_m: float
    difference_m: float


def angle_error(along_m: float, across_m: float, error_m: float) -> float:
    """Standard error of a right angle set from two legs and their diagonal, each read to an error, rad.

    Root sum of squares of c·dc/(a·b), da/b and db/a.
    """
    c_m = math.hypot(along_m, across_m)
    return error_m * math.hypot(c_m / (along_m * across_m), 1 / across_m, 1 / along_m)


def parts_within(length_m: float, width_m: float, tape_m: float) -> int | None:
    """Fewest equal parts of the length whose diagonals the tape reaches; None if it can't.

    n = ceil(L / √(tape² − W²)), so that √((L/n)² + W²) ≤ tape.
    """
    if diagonal(length_m, width_m) <= tape_m:
        return 1
    if tape_m <= width_m:
        return None
    return math.ceil(length_m / math.sqrt(tape_m**2 - width_m**2) - 1e-9)


def _triples(built_on_m: float, away_m: float, tape_m: float, unit_m: float) -> Iterator[tuple[MethodId, int]]:
    """The largest whole multiple of 3-4-5 units within base and tape, 4 along it, and the single one."""
    most = math.floor(min(built_on_m / 4, away_m / 3, tape_m / 5) / unit_m + 1e-9)
    if most > 1:
        yield "triple", most
    if most >= 1:
        yield "small-triple", 1


def methods(length_m: float, width_m: float, tape_m: float, error_m: float, base: Base, unit_m: float) -> list[Method]:
    """Every way to square this base, best first; those out of the tape's reach last.

    Args: the base, the longest tape, the error of one reading (one standard error), the side that the
    angles are built on, and the unit that 3-4-5 is counted in (a foot or a metre), all m.
    """
    built_on_m, away_m = (width_m, length_m) if base == "short" else (length_m, width_m)
    across_m = diagonal(length_m, width_m)

    def way(name: MethodId, along: float, leg: float, parts: int = 1, both_ends: bool = True) -> Method:
        angle_rad = angle_error(along, leg, error_m)
        skew_m = away_m * angle_rad
        # Two far corners set each from its own triangle slide apart as often as together; one angle
        # carried over to the other end leans both the same way.
        together = math.sqrt(2) if both_ends else 2.0
        c_m = math.hypot(along, leg)
        return Method(
            id=name,
            parts=parts,
            along_m=along,
            across_m=leg,
            diagonal_m=c_m,
            people=3 if both_ends else 2,
            reaches=max(along, leg, c_m) <= tape_m + 1e-9,
            angle_rad=angle_rad,
            skew_m=skew_m,
            difference_m=together * built_on_m * skew_m / across_m,
        )

    found = [way("whole", built_on_m, away_m)]
    parts = parts_within(built_on_m, away_m, tape_m)
    if parts is not None and parts > 1:
        found.append(way("parts", built_on_m / parts, away_m, parts))
    if base == "long" and width_m < length_m:
        found.append(way("ends", width_m, width_m))
    for name, count in _triples(built_on_m, away_m, tape_m, unit_m):
        found.append(way(name, 4 * unit_m * count, 3 * unit_m * count, both_ends=False))
    return sorted(found, key=lambda each: (not each.reaches, each.skew_m))
