"""Air and heat."""

from obtegum.core.face.faces import Answers, Caution, Next, Page, Picture
from obtegum.core.face.room import Room
from obtegum.core.rooms.air import step
from obtegum.core.rooms.air.cures import CURES
from obtegum.core.rooms.air.draw import losses
from obtegum.core.rooms.air.goods import goods

__all__ = ["ROOM"]

ROOM = Room(
    stands=step.stands,
    goods=goods,
    plan=step.plan,
    verdicts=step.verdicts,
    verdict_names=("air-still",),
    views={"losses": losses},
    cures=CURES,
    down=frozenset({"opens", "air_moves", "drips"}),
    up=frozenset({"heater", "heat_hour", "still", "fans", "inlet", "layers_air", "layers_pull"}),
    nearest=frozenset({"fans_count"}),
    pages=(
        Page(
            "Air and heat",
            (Caution("air"), Picture("losses", 0.26), Answers(("air",)), Next("air", loud=False)),
            first=0.38,
        ),
    ),
)
