"""Film day."""

from obtegum.core.face.faces import Answers, Caution, Next, Numbered, Page
from obtegum.core.face.room import Room
from obtegum.core.rooms.hoist import step
from obtegum.core.rooms.hoist.draw import day_drawings, roped
from obtegum.core.rooms.hoist.goods import goods

__all__ = ["ROOM"]

ROOM = Room(
    stands=step.stands,
    goods=goods,
    plan=step.plan,
    verdicts=step.verdicts,
    verdict_names=("day-",),
    views={"roped": roped},
    work_drawings=day_drawings,
    drawing_names=("hoist:",),
    down=frozenset({"day_gust"}),
    up=frozenset({"day_mass", "day_rope", "day_strip"}),
    nearest=frozenset({"day_people", "day_ropes", "day_ties"}),
    pages=(
        Page(
            "Film day",
            (Caution("hoist"), Numbered("hoist", 0.2), Answers(("hoist",)), Next("hoist", loud=False)),
            once="hoist",
        ),
    ),
)
