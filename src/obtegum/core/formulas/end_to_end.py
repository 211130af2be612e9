"""Long pieces laid end to end over points that hold them: sticks of a run over bows, boards over posts.

Source: this bench; the fewest pieces, the longest first.
"""

from collections.abc import Sequence
from typing import Literal

from obtegum.core.formulas.stock import EXACT

__all__ = ["lay"]

Splice = Literal["anywhere", "clear", "behind"]
# The least that a piece is worth joining, m, and how far a splice keeps off what is clamped or bolted.
LEAST_M, CLEAR_M = 0.5, 0.06


def lay(
    long_m: float, stick_m: float, overlap_m: float, holds_m: Sequence[float], splice: Splice, first_m: float
) -> list[tuple[float, float]]:
    """Pieces from 0 to a length, m, each lapping the next by the overlap; where each begins and ends.

    Splices lie anywhere, clear of what holds the line, or with their middles right behind it. The first piece is at
    the most ``first_m``; it is shorter where the last one would be too short to join.
    Raises: ValueError where no stick reaches the next place for a splice.
    """
    pieces = _from(long_m, stick_m, overlap_m, holds_m, splice, min(first_m, stick_m))
    last = pieces[-1][1] - pieces[-1][0]
    if len(pieces) > 1 and last < LEAST_M and splice != "behind":
        shorter = pieces[0][1] - pieces[0][0] - (LEAST_M - last)
        if shorter >= LEAST_M:
            pieces = _from(long_m, stick_m, overlap_m, holds_m, splice, shorter)
    return pieces


def _from(
    long_m: float, stick_m: float, overlap_m: float, holds_m: Sequence[float], splice: Splice, first_m: float
) -> list[tuple[float, float]]:
    """Where each piece begins and ends, m, behind a first one so long. Raises: ValueError where no stick reaches the
    next place for a splice."""
    pieces, at, reach = list[tuple[float, float]](), 0.0, first_m
    while at + reach < long_m - EXACT:
        end = at + reach
        if splice == "behind":
            behind = [hold for hold in holds_m if at + overlap_m < hold <= end - overlap_m / 2 + EXACT]
            if not behind and reach < stick_m:
                # A first piece that was cut too short for any: a whole one may reach.
                reach = stick_m
                continue
            if not behind:
                raise ValueError("no stick reaches the next place for a splice")
            end = behind[-1] + overlap_m / 2
        elif splice == "clear":
            end = _clear(at, end, overlap_m, holds_m)
        pieces.append((at, end))
        at, reach = end - overlap_m, stick_m
    return [*pieces, (at, long_m)]


def _clear(at: float, end: float, overlap_m: float, holds_m: Sequence[float]) -> float:
    """The furthest end whose overlap keeps clear of what holds the line; as it was where none is."""
    moved = end
    for hold in sorted(holds_m, reverse=True):
        if moved - overlap_m - CLEAR_M < hold < moved + CLEAR_M:
            moved = hold - CLEAR_M
    return moved if moved - at > overlap_m + EXACT else end
