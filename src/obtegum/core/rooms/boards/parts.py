"""Hip boards and lower base boards, as members of the house."""

from collections.abc import Sequence

from obtegum.core.face.faces import Member
from obtegum.core.findings.kept import found
from obtegum.core.findings.skeleton.held import within
from obtegum.core.findings.work import Work
from obtegum.core.rooms.boards.found import base_out_m, hip_place, lines_of, start_m
from obtegum.core.rooms.boards.held import holds_of

__all__ = ["parts"]


@found
def parts(work: Work) -> Sequence[Member]:
    """Every board of both sides, its ends on the bows or posts."""
    begins_m, members = start_m(work), list[Member]()
    for line in lines_of(work):
        board, hip = work.catalogue.boards[line.stock], line.name == "hip"
        out_m = -hip_place(work)[0] if hip else base_out_m(work)
        for side, sign in (("L", -1.0), ("R", 1.0)):
            holds = holds_of(work, line, side)
            for number, (low, high) in enumerate(line.pieces, start=1):
                low_m, high_m = begins_m + low, begins_m + high
                members.append(
                    Member(
                        part=f"{line.name}:{side}{number}",
                        what=line.words,
                        called="board along a side",
                        strip=line.name,
                        stock=line.stock,
                        of="board",
                        section=(board.thick_m, board.wide_m),
                        length_m=high - low,
                        stock_m=work.design.boards.board_m if hip else work.design.posts.board_m,
                        ends=((low_m, sign * out_m, line.up_m), (high_m, sign * out_m, line.up_m)),
                        rests_on=tuple(name for _, name in within(holds, low_m, high_m)),
                    )
                )
    return tuple(members)
