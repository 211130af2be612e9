"""Size: width, length, shape and height, and how a grower fits under the side."""

from obtegum.core.room import Room
from obtegum.core.rooms.size import step
from obtegum.core.rooms.size.across import across
from obtegum.core.rooms.size.along import along
from obtegum.core.rooms.size.compared import shapes
from obtegum.core.rooms.size.cures import CURES
from obtegum.core.rooms.size.fields import FIELDS
from obtegum.core.rooms.size.found import centre_line
from obtegum.core.rooms.size.paper import PAGES
from obtegum.core.rooms.size.small import small

__all__ = ["ROOM"]

ROOM = Room(
    plan=step.plan,
    verdicts=step.verdicts,
    strips=step.strips,
    lends=("floor",),
    views={"across": across, "along": along, "shapes": shapes},
    small=small,
    fields=FIELDS,
    must=centre_line,
    cures=CURES,
    down=frozenset({"floor", "headroom", "upright"}),
    nearest=frozenset({"bows"}),
    pages=PAGES,
)
