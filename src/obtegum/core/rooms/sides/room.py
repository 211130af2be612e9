"""Roll-up sides."""

from obtegum.core.face.faces import Answers, Caution, Next, Numbered, Page, Picture, Round, Stick
from obtegum.core.face.room import Room
from obtegum.core.face.usual_tubes import usual_or_told
from obtegum.core.findings.work import Work
from obtegum.core.rooms.sides import step
from obtegum.core.rooms.sides.cures import CURES
from obtegum.core.rooms.sides.draw import curtain, curtains
from obtegum.core.rooms.sides.found import curtained
from obtegum.core.rooms.sides.goods import goods
from obtegum.core.rooms.sides.parts import parts
from obtegum.core.rooms.sides.tables import TABLES

__all__ = ["ROOM"]


def _rounds(work: Work) -> tuple[Round, ...]:
    if not curtained(work):
        return ()
    return (
        Round(part="bar", what="clips slipped, couplers loose, bar bent", every_days=90),
        Round(part="curtain", what="worn at bolts, boards and cords: patch, round off what wears it", every_days=180),
    )


ROOM = Room(
    stands=step.stands,
    plan=step.plan,
    verdicts=step.verdicts,
    verdict_names=("side-",),
    strips=step.strips,
    strip_names=("sides:",),
    views={"curtain": curtain, "curtains": curtains},
    fields=(usual_or_told("sides.bar"),),
    cures=CURES,
    parts=parts,
    goods=goods,
    down=frozenset({"side_high", "side_free", "side_free_half", "side_free_quarter"}),
    up=frozenset({"side_mass", "side_torque", "side_roll", "side_drop"}),
    nearest=frozenset(
        {"side_turns", "side_sticks", "side_couplers", "side_clips", "side_drives", "side_cords", "side_tracks"}
    ),
    tables=TABLES,
    pages=(
        Page(
            "Roll-up sides",
            (
                Caution("sides"),
                Picture("curtains", 0.24),
                Picture("curtain", 0.3),
                Stick("sides:"),
                Numbered("sides"),
                Answers(("sides",)),
                Next("sides", loud=False),
            ),
            once="sides",
        ),
    ),
    rounds=_rounds,
)
