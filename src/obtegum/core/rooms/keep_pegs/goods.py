"""What offset pegs and gauge boards take besides: strings, flags, nails, stakes."""

from collections.abc import Iterator, Sequence

from obtegum.core.face.goods import SINGLY, Good, Seat
from obtegum.core.findings.skeleton.bays import strung
from obtegum.core.findings.work import Work
from obtegum.core.formulas.setout.offsets import LINES_KEPT
from obtegum.core.rooms.keep_pegs.parts import parts

__all__ = ["goods"]

# What is left of a string to tie at each of its ends, m; nails and stakes of a gauge board (this bench).
TIED_M, NAILS, STAKES = 0.5, 5, 2
TOOL = "club hammer"


def goods(work: Work) -> Sequence[Good]:
    """A string from each offset peg to the next, a flag at each; a gauge board's nails and stakes."""
    places = [(member.part, member.ends[1]) for member in parts(work)]
    flags = tuple(Seat((name,), at) for name, at in places)
    found = [
        Good(
            id="keep-string", what="string", many="string", unit="m", seats=tuple(_strings(work)),
            unspared="none: it has half a metre to tie at each end", tool="knife", until="off again before digging",
            drawn=("kept",),
        ),
        Good(
            id="keep-flag", what="flag", seats=flags, unspared=SINGLY, tool="hands", until="until the posts stand",
        ),
    ]  # fmt: skip
    if work.design.keep.school == "boards":
        found += [_of_boards(name, count, places) for name, count in (("nail", NAILS), ("stake", STAKES))]
    return tuple(found)


def _of_boards(name: str, count: int, places: list[tuple[str, tuple[float, float, float]]]) -> Good:
    """What each gauge board takes so many of."""
    seats = tuple(Seat((part,), at, count) for part, at in places)
    what, many = f"{name} of a gauge board", f"{name}s of gauge boards"
    return Good(id=f"keep-{name}", what=what, many=many, seats=seats, unspared=SINGLY, tool=TOOL, until="level")


def _strings(work: Work) -> Iterator[Seat]:
    """Each line that is kept, from its first peg to its last."""
    (length_m, width_m), off_m = strung(work), work.design.keep.offset_m
    places = {member.part: member.ends[1] for member in parts(work)}
    for start, end, number in LINES_KEPT:
        long_m = (length_m if number == "1" else width_m) + 2 * off_m
        joins = (f"off:{start}{number}", f"off:{end}{number}")
        yield Seat(joins, places[joins[0]], long_m + 2 * TIED_M)
