"""Boards: hip boards, base boards, their splices and bolts."""

from obtegum.core.face.faces import Answers, Caution, Next, Numbered, Page, Picture, Stick
from obtegum.core.face.fields import special
from obtegum.core.face.room import Room
from obtegum.core.face.usual_tubes import board_options
from obtegum.core.findings.work import Work
from obtegum.core.rooms.boards import step
from obtegum.core.rooms.boards.draw import boarded_side, boards_across
from obtegum.core.rooms.boards.found import hip_board, lines_of
from obtegum.core.rooms.boards.goods import goods
from obtegum.core.rooms.boards.parts import parts

__all__ = ["ROOM"]


def _requires(work: Work) -> None:
    _ = hip_board(work), lines_of(work)


ROOM = Room(
    stands=step.stands,
    plan=step.plan,
    verdicts=step.verdicts,
    strips=step.strips,
    strip_names=("hip", "lower"),
    views={"boards": boarded_side},
    layers={"across": boards_across},
    fields=(special("boards.board", options=board_options),),
    requires=_requires,
    down=frozenset({"side_opens"}),
    up=frozenset({"bolt_long", "board_dig", "board_fill", "board_bolts", "base_bolts", "base_washers", "base_long"}),
    nearest=frozenset({"hip_boards", "hip_cut", "lower_boards", "lower_cut"}),
    pages=(
        Page(
            "Boards",
            (
                Caution("boards"),
                Picture("boards", 0.3),
                Stick("hip"),
                Stick("lower"),
                Numbered("boards"),
                Answers(("boards",)),
                Next("boards", loud=False),
            ),
        ),
    ),
    parts=parts,
    goods=goods,
)
