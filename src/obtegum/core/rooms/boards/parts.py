"""Hip boards and lower base boards, as members of the house."""

from collections.abc import Sequence

from obtegum.core.face.faces import Member
from obtegum.core.findings.skeleton.posts import board_behind_m
from obtegum.core.findings.skeleton.runs import stood_m
from obtegum.core.findings.skeleton.tubes import bow_tube
from obtegum.core.findings.work import Work
from obtegum.core.rooms.boards.found import hip_place, lines_of

__all__ = ["parts"]


def parts(work: Work) -> Sequence[Member]:
    """Every board of both sides, its ends on the bows or posts."""
    boards = work.design.boards
    start_m = stood_m(work)[0] - bow_tube(work).od_m / 2 - boards.over_m
    half_m = work.design.size.span_m / 2
    found = list[Member]()
    for line in lines_of(work):
        board = work.catalogue.boards[line.stock]
        x = hip_place(work)[0] if line.name == "hip" else -(half_m + board_behind_m(work) + board.thick_m / 2)
        stock_m = boards.board_m if line.name == "hip" else work.design.posts.board_m
        for side, sign in (("L", 1.0), ("R", -1.0)):
            found += [
                Member(
                    part=f"{line.name}:{side}{number}",
                    what=line.words,
                    stock=line.stock,
                    of="board",
                    section=(board.thick_m, board.wide_m),
                    length_m=high - low,
                    stock_m=stock_m,
                    ends=((start_m + low, sign * x, line.up_m), (start_m + high, sign * x, line.up_m)),
                )
                for number, (low, high) in enumerate(line.pieces, start=1)
            ]
    return tuple(found)
