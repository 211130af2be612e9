"""Squaring a base with a tape that may be too short for the whole diagonal."""

import math

from obtegum.core.setout.base import diagonal

__all__ = ["parts_within"]


def parts_within(length_m: float, width_m: float, tape_m: float) -> int | None:
    """Fewest equal parts of the length whose diagonals the tape reaches; None if it can't.

    n = ceil(L / √(tape² − W²)), so that √((L/n)² + W²) ≤ tape.
    """
    if diagonal(length_m, width_m) <= tape_m:
        return 1
    if tape_m <= width_m:
        return None
    return math.ceil(length_m / math.sqrt(tape_m**2 - width_m**2) - 1e-9)
