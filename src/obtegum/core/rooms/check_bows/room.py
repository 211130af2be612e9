"""Check bows: each one measured on the floor, which to accept, bend again, and stand beside which."""

from obtegum.core.face.faces import Answers, Caution, Page, Ruled
from obtegum.core.face.room import Room
from obtegum.core.rooms.check_bows import step
from obtegum.core.rooms.check_bows.draw import bow_set

__all__ = ["ROOM"]

ROOM = Room(
    stands=step.stands,
    plan=step.plan,
    verdicts=step.verdicts,
    verdict_names=("bows-alike",),
    strips=step.strips,
    strip_names=("check:",),
    views={"set": bow_set},
    up=frozenset({"spread"}),
    nearest=frozenset({"order", "wanted_width", "wanted_height", "wanted_quarter"}),
    pages=(
        Page(
            "Check bows",
            (
                Caution("check-bows"),
                Answers(("check-bows",)),
                Ruled("check:", by="columns", heading="Write what each bow measures"),
            ),
            first=0.35,
        ),
    ),
)
