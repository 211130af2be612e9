"""Bolts and clamps of braces, collars, struts and knees."""

from collections.abc import Iterator, Sequence

from obtegum.core.face.goods import SINGLY, Good, Seat
from obtegum.core.findings.kept import found
from obtegum.core.findings.skeleton.bolts import bolt_size
from obtegum.core.findings.skeleton.braces import brace_tube, tie_board
from obtegum.core.findings.skeleton.tubes import bow_tube
from obtegum.core.findings.work import Work
from obtegum.core.rooms.braces.parts import parts

__all__ = ["goods"]

# Members that an end of a tie joins: more than these meet in the middle of a truss.
SHARED = 2
LATE = "loose until the frame is plumb, then tight"


@found
def goods(work: Work) -> Sequence[Good]:
    """A bolt or a clamp at each end; both struts of a truss share the one in the middle of its collar."""
    braces, board = work.design.braces, tie_board(work)
    bolts, clamps, middles = list[Seat](), list[Seat](), list[Seat]()
    for joins, at, of_board in _ends(work):
        if braces.end != "flat" and not of_board:
            clamps.append(Seat(joins, at))
        else:
            (middles if joins[0].startswith("collar:") and len(joins) > SHARED else bolts).append(Seat(joins, at))
    through_m = max(2 * brace_tube(work).wall_m, board.thick_m if board is not None else 0.0)
    bolt = Good(
        id="brace-bolt",
        what="bolt of a brace, nut and two washers",
        many="bolts, nuts, two washers each",
        size=bolt_size(work, bow_tube(work).od_m + through_m, braces.bolt_m),
        seats=tuple(bolts),
        unspared=SINGLY,
        tool="two wrenches",
        until=LATE,
    )
    tube = brace_tube(work)
    # Through the collar and both struts on it: boards, or tube with two flattened ends.
    stack_m = 3 * board.thick_m if board is not None else tube.od_m + 4 * tube.wall_m
    middle = Good(
        id="truss-bolt",
        what="bolt of a truss’s middle, nut and two washers",
        many="bolts of the trusses’ middles, nuts, two washers each",
        size=bolt_size(work, stack_m, braces.bolt_m),
        seats=tuple(middles),
        unspared=SINGLY,
        tool="two wrenches",
        until=LATE,
    )
    clamp = Good(
        id="brace-clamp",
        what="clamp, a bolt and nut",
        many="clamps, a bolt and nut each",
        size=f"{work.tube(bow_tube(work).od_m)} to {work.tube(brace_tube(work).od_m)}",
        seats=tuple(clamps),
        unspared=SINGLY,
        tool="wrench",
        until=LATE,
    )
    return tuple(good for good in (bolt, middle, clamp) if good.seats)


def _ends(work: Work) -> Iterator[tuple[tuple[str, ...], tuple[float, float, float], bool]]:
    """Each place where braces and ties are held: what is there, where, and whether it is a board's."""
    shared = dict[tuple[float, float, float], list[str]]()
    for member in parts(work):
        for held_by, at in zip(member.rests_on, member.ends, strict=True):
            if held_by.startswith("collar:"):
                shared.setdefault(at, [held_by]).append(member.part)
                continue
            yield (member.part, held_by), at, member.of == "board"
    for at, names in shared.items():
        yield tuple(names), at, tie_board(work) is not None
