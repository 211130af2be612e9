"""Squaring a base: which method, what its tape errors leave at the far corners, and how it is done.

A right angle set by three tapings, legs a and b and a diagonal c, is off by the root sum of squares of
c·dc/(a·b) from the diagonal and da/b and db/a from the legs. Built on the long side, that slides a far
corner along the house by W·dθ; built on the short side, it walks the far end sideways by L·dθ.

From a fence, the line A to B is set by equal offsets. The fence can square the ends as well: two
marks on it, h to each side of a corner's foot, and an equal tape c from both, cross square above the
foot; the crossing is off along the fence by e·√(½ + c²/(2h²)).

Source: propagation of errors, first order.
"""

import math
from collections.abc import Iterator
from typing import Literal

from obtegum.core.formulas.setout.base import diagonal
from obtegum.core.values.base import Part
from obtegum.core.values.quantity import Tape, length_text

__all__ = [
    "BEYOND",
    "Base",
    "Method",
    "MethodId",
    "Tapes",
    "angle_error",
    "base_error",
    "fence_error",
    "methods",
    "parts_within",
    "should_read",
]

Base = Literal["long", "short", "fence"]
MethodId = Literal["whole", "parts", "ends", "triple", "small-triple", "fence"]
# So many standard errors off, a reading is not its own error any more.
BEYOND = 3.0


class Tapes(Part):
    """The tapes at hand and the error of one reading (one standard error), m.

    With one tape only, an arc is scratched for each of two lengths that cross. Held at a mark of its own
    choice, ``start_m``, a tape reads that much more than it measures, and reaches that much less far.
    """

    longest_m: float
    second_m: float | None = None
    error_m: float
    start_m: float = 0.0

    @property
    def differ_m(self) -> float:
        """Standard error of the difference of two readings, m: √2·e."""
        return math.sqrt(2) * self.error_m

    def readings(self, length_m: float) -> int:
        """How many readings a length takes, the tape starting anew each time."""
        return max(1, math.ceil(length_m / self.longest_m - 1e-9))

    def reach(self, *lengths_m: float) -> bool:
        """Whether lengths can be taped at all, one after the other if need be."""
        return max(lengths_m) <= self.longest_m + 1e-9

    def both(self, *lengths_m: float) -> bool:
        """Whether two lengths can be held at once: the shorter on the shorter tape."""
        if self.second_m is None or not self.reach(*lengths_m):
            return False
        return min(lengths_m) <= min(self.second_m, self.longest_m) + 1e-9


class Method(Part):
    """One way to square this base.

    ``along_m`` and ``across_m`` are the legs of its triangle, along the line that the angle is built on
    and away from it; ``diagonal_m`` is what the second tape reads. ``skew_m`` is how far a far corner is
    left out of place, ``difference_m`` what the diagonals then differ by, both one standard error.
    ``at_once`` says whether two tapes can be held together, else an arc is scratched for each.
    """

    id: MethodId
    parts: int
    along_m: float
    across_m: float
    diagonal_m: float
    people: int
    at_once: bool
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


def _triples(built_on_m: float, away_m: float, tape_m: float, unit_m: float) -> Iterator[tuple[MethodId, float, float]]:
    """Legs along the base and away from it: the largest multiple of 3-4-5 units that fits, and the single one.

    Each is tried both ways round, 4 along the base and 3 along it; alike, 4 lies along it.
    """

    def most(along: int) -> int:
        return math.floor(min(built_on_m / along, away_m / (7 - along), tape_m / 5) / unit_m + 1e-9)

    along = max((4, 3), key=most)
    count = most(along)
    if count > 1:
        yield "triple", along * unit_m * count, (7 - along) * unit_m * count
    if count >= 1:
        along = 4 if most(4) else 3
        yield "small-triple", along * unit_m, (7 - along) * unit_m


def base_error(length_m: float, tapes: Tapes) -> float:
    """Standard error of a base line's length, m: each restart of the tape adds a reading, e·√n."""
    return tapes.error_m * math.sqrt(tapes.readings(length_m))


def should_read(length_m: float, tapes: Tapes, tape: Tape) -> str:
    """What the tape shows over a length, in words: along a string and anew from a pin, where it is too short."""
    if tapes.reach(length_m):
        return f"should read {length_text(length_m + tapes.start_m, tape)}"
    last_m = length_m - (tapes.readings(length_m) - 1) * tapes.longest_m
    pins = tapes.readings(length_m) - 1
    times = "" if pins == 1 else f" {pins} times"
    held = f", and take off {length_text(pins * tapes.start_m, tape)}" if tapes.start_m else ""
    return (
        f"is longer than your tape: string it, pin the string at {length_text(tapes.longest_m + tapes.start_m, tape)}"
        f"{times}, read on to {length_text(last_m + tapes.start_m, tape)}, add all{held}"
    )


def fence_error(half_m: float, tape_m: float, error_m: float) -> float:
    """Standard error along the fence of a crossing of two equal tapes from marks h to each side, m.

    e·√(½ + c²/(2h²)): the middle of the two marks, and the difference of the two tapes.
    """
    return error_m * math.sqrt(0.5 + tape_m**2 / (2 * half_m**2))


def methods(
    length_m: float, width_m: float, tapes: Tapes, base: Base, unit_m: float, fence_m: float = 0.0
) -> list[Method]:
    """Every way to square this base, best first; those out of the tape's reach last.

    Args: the base, the tapes, the side that the angles are built on, the unit that 3-4-5 is counted
    in (a foot or a metre), and how far the line A to B lies from the fence; all m.
    """
    built_on_m, away_m = (width_m, length_m) if base == "short" else (length_m, width_m)
    across_m = diagonal(length_m, width_m)

    def way(name: MethodId, along: float, leg: float, parts: int = 1, both_ends: bool = True) -> Method:
        c_m = math.hypot(along, leg)
        if name == "fence":
            # The corner lies the width nearer to the line than the crossing is far from the fence.
            angle_rad = fence_error(along, c_m, tapes.error_m) / leg
            reaches, at_once = tapes.reach(along, c_m), tapes.both(c_m, c_m)
        else:
            angle_rad = angle_error(along, leg, tapes.error_m)
            reaches, at_once = tapes.reach(along, leg, c_m), tapes.both(leg, c_m)
        skew_m = away_m * angle_rad
        # Two far corners set each from its own triangle slide apart as often as together; one angle
        # carried over to the other end leans both the same way.
        together = math.sqrt(2) if both_ends else 2.0
        return Method(
            id=name,
            parts=parts,
            along_m=along,
            across_m=leg,
            diagonal_m=c_m,
            people=(3 if both_ends else 2) if at_once else 2,
            at_once=at_once,
            reaches=reaches,
            angle_rad=angle_rad,
            skew_m=skew_m,
            difference_m=together * built_on_m * skew_m / across_m,
        )

    found = [way("whole", built_on_m, away_m)]
    parts = parts_within(built_on_m, away_m, tapes.longest_m)
    if parts is not None and parts > 1:
        found.append(way("parts", built_on_m / parts, away_m, parts))
    if base != "short" and width_m < length_m:
        found.append(way("ends", width_m, width_m))
    for name, along_m, leg_m in _triples(built_on_m, away_m, tapes.longest_m, unit_m):
        found.append(way(name, along_m, leg_m, both_ends=False))
    if base == "fence":
        found.append(way("fence", _fence_half(fence_m + width_m, length_m / 2, tapes.longest_m), fence_m + width_m))
    return sorted(found, key=lambda each: (not each.reaches, each.skew_m))


def _fence_half(high_m: float, most_m: float, tape_m: float) -> float:
    """How far to each side the marks on the fence lie: as far as the tape lets, to half the house."""
    room = tape_m**2 - high_m**2
    return min(most_m, math.sqrt(room)) if room > 0 else most_m
