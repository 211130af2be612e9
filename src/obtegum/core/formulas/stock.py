"""Sticks that pieces are cut from, the longest piece first.

Source: this bench; first fit by falling length, which is never over 11/9 of the fewest and one more.
"""

from collections import Counter
from collections.abc import Iterable, Mapping

__all__ = ["EXACT", "HAIR_M", "bought", "sticks_cut"]

# What no saw and no tape tells apart, m: a piece that is so much longer than a stick is made of it.
HAIR_M = 1e-5
EXACT = 1e-9


def bought(lengths_m: Iterable[float], stick_m: float, kerf_m: float) -> int:
    """Sticks, a count, that plain pieces of some lengths, m, are cut from; a kerf, m, a cut."""
    return sticks_cut(Counter((round(length_m, 9), False) for length_m in lengths_m), stick_m, kerf_m)


def sticks_cut(pieces: Mapping[tuple[float, bool], int], stick_m: float, kerf_m: float) -> int:
    """Sticks, a count, that pieces are cut from: how many of each length, m, with a swaged end or without.

    A stick comes with one swaged end at the most, so only one of its pieces can go into the next stick; what is cut off
    it has two plain ends. Each cut takes a kerf, m. The longest piece left goes first, then whatever still fits beside
    it, and each such stick is cut as often as the pieces last; one that is longer than a stick is a stick of its own.
    """
    left, sticks = Counter(dict(pieces)), 0
    while left:
        longest, _ = max(left)
        room = max(stick_m, longest) + kerf_m + HAIR_M + EXACT
        ends, cut = 1, Counter[tuple[float, bool]]()
        for length, swaged in sorted(left, reverse=True):
            fits = min(int(room / (length + kerf_m)), left[length, swaged])
            cut[length, swaged] = min(fits, ends) if swaged else fits
            ends -= cut[length, swaged] if swaged else 0
            room -= cut[length, swaged] * (length + kerf_m)
        cut = +cut
        times = min(left[piece] // count for piece, count in cut.items())
        sticks += times
        left -= Counter({piece: count * times for piece, count in cut.items()})
    return sticks
