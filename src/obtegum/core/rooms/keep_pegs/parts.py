"""Offset pegs and gauge boards, as members of the house."""

from collections.abc import Sequence

from obtegum.core.face.faces import Member
from obtegum.core.face.goods import GROUND
from obtegum.core.findings.skeleton.bays import pegs_of, strung
from obtegum.core.findings.work import Work
from obtegum.core.formulas.setout.offsets import boards, offset_pegs

__all__ = ["parts"]

# How far an offset peg goes into the ground and stands out of it; a gauge board's thickness and width, how high its
# middle is, m (this bench).
DOWN_M, UP_M, PEG_M = 0.4, 0.15, 0.04
BOARD_M, BOARD_UP_M = (0.025, 0.1), 0.3


def parts(work: Work) -> Sequence[Member]:
    """Two pegs beyond each corner, or a gauge board at each place, on stakes of its own."""
    (length_m, width_m), keep, first = strung(work), work.design.keep, pegs_of(work)[0]
    before_m = first.reading_m - first.station_m
    if keep.school == "boards":
        return tuple(
            Member(
                part=f"off:{board.name}",
                what="gauge board",
                stock="board",
                of="peg",
                section=BOARD_M,
                length_m=board.length_m,
                ends=(
                    (board.start[0] - before_m, board.start[1] - width_m / 2, BOARD_UP_M),
                    (board.end[0] - before_m, board.end[1] - width_m / 2, BOARD_UP_M),
                ),
                strip="board",
                rests_on=(GROUND,),
            )
            for board in boards(length_m, width_m, keep.offset_m, keep.dig_m)
        )
    return tuple(
        Member(
            part=f"off:{peg.name}",
            what="offset peg",
            stock="stake",
            of="peg",
            section=(PEG_M, PEG_M),
            length_m=DOWN_M + UP_M,
            ends=(
                (peg.at[0] - before_m, peg.at[1] - width_m / 2, -DOWN_M),
                (peg.at[0] - before_m, peg.at[1] - width_m / 2, UP_M),
            ),
            rests_on=(GROUND,),
        )
        for peg in offset_pegs(length_m, width_m, keep.offset_m)
    )
