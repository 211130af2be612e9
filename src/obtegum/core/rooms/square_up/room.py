"""Square up: what was taped between the corners, what it says of the base, and which peg moves."""

from obtegum.core.drawing.above import over
from obtegum.core.face.room import Room
from obtegum.core.rooms.square_up import step
from obtegum.core.rooms.square_up.again import taped_anew
from obtegum.core.rooms.square_up.cures import CURES
from obtegum.core.rooms.square_up.draw import taped
from obtegum.core.rooms.square_up.fields import FIELDS
from obtegum.core.rooms.square_up.intake import INTAKES
from obtegum.core.rooms.square_up.paper import PAGES
from obtegum.core.rooms.square_up.tables import TABLES

__all__ = ["ROOM"]

ROOM = Room(
    stands=step.stands,
    plan=step.plan,
    verdicts=step.verdicts,
    verdict_names=("other-size", "slope", "square", "tape-closes"),
    strips=step.strips,
    strip_names=("taped:",),
    views={"taped": over(taped)},
    fields=FIELDS,
    cures=CURES,
    up=frozenset({"differ", "slip_side", "slip_end", "slip_diagonal", "taping"}),
    nearest=frozenset({"move"}),
    tables=TABLES,
    pages=PAGES,
    intakes=INTAKES,
    acts={"tape-anew": taped_anew},
)
