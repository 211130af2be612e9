"""Bolts, washers and nuts that hold the boards to bows, posts or stakes."""

import math
from collections.abc import Iterable, Iterator, Sequence
from itertools import pairwise

from obtegum.core.face.goods import SINGLY, Good, Seat
from obtegum.core.face.worn import treated
from obtegum.core.findings.kept import found
from obtegum.core.findings.skeleton.bolts import next_bolt_m
from obtegum.core.findings.skeleton.held import Hold, feet_hold, within
from obtegum.core.findings.skeleton.posts import board_of, boards_of
from obtegum.core.findings.skeleton.stands import boarded
from obtegum.core.findings.skeleton.tubes import bow_tube
from obtegum.core.findings.work import Work
from obtegum.core.rooms.boards.found import (
    base_out_m,
    base_takes_m,
    bolt_long_m,
    hip_place,
    lines_of,
    start_m,
)
from obtegum.core.rooms.boards.held import holds_of
from obtegum.core.rooms.boards.parts import parts

__all__ = ["goods"]

TOOL, LATE = "two wrenches", "snug when the boards are straight"
# What goes to each bolt, by its kind.
EACH = {"bolt": 1, "washer": 2, "nut": 1}
SIDES = (("L", -1.0), ("R", 1.0))


@found
def goods(work: Work) -> Sequence[Good]:
    """A bolt through each board at each thing that holds it, so two where two boards meet on one; a washer at each
    face, a nut."""
    bolted = (*_bolted(work, "hip", tuple(_hip(work))), *_bolted(work, "base", tuple(_base(work))))
    return (*bolted, *treated("boards", _sawn(work)))


def _sawn(work: Work) -> Iterator[tuple[str, tuple[float, float, float], float]]:
    """Both ends of every board along the sides."""
    for member in parts(work):
        yield from ((member.part, end, math.prod(member.section)) for end in member.ends)
    if boarded(work):
        upper, begins_m, out_m = boards_of(work), -bow_tube(work).od_m / 2, base_out_m(work)
        board, up_m = board_of(work), work.design.posts.reveal_m - board_of(work).wide_m / 2
        for side, sign in SIDES:
            laid = pairwise((0.0, *upper.splices_m, upper.run_m))
            for number, ends in enumerate(laid, start=1):
                for at_m in ends:
                    at = (begins_m + at_m, sign * out_m, up_m)
                    yield f"board:{side}{number}", at, board.thick_m * board.wide_m


def _bolted(work: Work, name: str, seats: tuple[Seat, ...]) -> Iterator[Good]:
    if not seats:
        return
    thick = work.tube(work.design.boards.bolt_m)
    long_m = bolt_long_m(work) if name == "hip" else next_bolt_m(work, base_takes_m(work))
    for kind, count in EACH.items():
        yield Good(
            id=f"{name}-{kind}",
            what=f"{kind} of the {name} boards",
            many=f"{kind}s of the {name} boards",
            size=f"{thick} × {work.tube(long_m, 'up')}" if kind == "bolt" else thick,
            seats=tuple(Seat(seat.joins, seat.at, count) for seat in seats),
            unspared=SINGLY,
            tool=TOOL,
            until=LATE,
        )


def _seats(
    line: str, ends_m: Iterable[tuple[float, float]], holds: Sequence[Hold], x: float, up: float
) -> Iterator[Seat]:
    """A seat for each board of a line at each thing that holds it, x across and so far up, m."""
    for number, (low_m, high_m) in enumerate(ends_m, start=1):
        for at_m, held_by in within(holds, low_m, high_m):
            yield Seat((f"{line}{number}", held_by), (at_m, x, up))


def _hip(work: Work) -> Iterator[Seat]:
    for line in lines_of(work):
        if line.name == "hip":
            ends_m = [(start_m(work) + low, start_m(work) + high) for low, high in line.pieces]
            for side, sign in SIDES:
                yield from _seats(
                    f"hip:{side}", ends_m, holds_of(work, line, side), -sign * hip_place(work)[0], line.up_m
                )


def _base(work: Work) -> Iterator[Seat]:
    """Both boards along the feet: the upper one begins at the front face of the end bow, the lower as other lines."""
    if not boarded(work):
        return
    upper, begins_m = boards_of(work), -bow_tube(work).od_m / 2
    laid = [(begins_m + low, begins_m + high) for low, high in pairwise((0.0, *upper.splices_m, upper.run_m))]
    out_m, up_m = base_out_m(work), work.design.posts.reveal_m - board_of(work).wide_m / 2
    for side, sign in SIDES:
        yield from _seats(f"board:{side}", laid, feet_hold(work, side), sign * out_m, up_m)
        for line in lines_of(work):
            if line.name == "lower":
                ends_m = [(start_m(work) + low, start_m(work) + high) for low, high in line.pieces]
                yield from _seats(f"lower:{side}", ends_m, holds_of(work, line, side), sign * out_m, line.up_m)
