"""Earth: a pad cut, filled or raised, what moving it takes, and stone by mass."""

from obtegum.core.drawing.above import over
from obtegum.core.face.room import Room
from obtegum.core.rooms.earth import step
from obtegum.core.rooms.earth.draw import pad
from obtegum.core.rooms.earth.goods import goods
from obtegum.core.rooms.earth.needs import needs
from obtegum.core.rooms.earth.paper import PAGES

__all__ = ["ROOM"]

ROOM = Room(
    stands=step.stands,
    goods=goods,
    plan=step.plan,
    verdicts=step.verdicts,
    verdict_names=("pad-covered",),
    views={"earth": over(pad)},
    needs=needs,
    up=frozenset({"cut", "fill", "net", "banks", "loose", "earth_hours", "stone"}),
    nearest=frozenset({"loads"}),
    pages=PAGES,
)
