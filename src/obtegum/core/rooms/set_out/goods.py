"""The strings of the base."""

from collections.abc import Sequence

from obtegum.core.face.goods import Good, Seat
from obtegum.core.findings.skeleton.bays import pegs_of, strung
from obtegum.core.findings.work import Work

__all__ = ["goods"]

# What is left of a string to tie at each of its ends, m (this bench).
TIED_M = 0.5


def goods(work: Work) -> Sequence[Good]:
    """A string along each side and each end, from corner peg to corner peg."""
    (length_m, width_m), corners = strung(work), {str(peg.corner): peg for peg in pegs_of(work) if peg.corner}
    seats = list[Seat]()
    for first, last, long_m in (("A", "B", length_m), ("D", "C", length_m), ("A", "D", width_m), ("B", "C", width_m)):
        start, end = corners[first], corners[last]
        middle = ((start.station_m + end.station_m) / 2, (start.x_m + end.x_m) / 2, 0.0)
        seats.append(Seat((start.part, end.part), middle, long_m + 2 * TIED_M))
    return (
        Good(
            id="base-string", what="string", many="string", unit="m", seats=tuple(seats),
            unspared="none: it has half a metre to tie at each end", tool="knife", until="until the posts stand",
            drawn=("line", "end"),
        ),
    )  # fmt: skip
