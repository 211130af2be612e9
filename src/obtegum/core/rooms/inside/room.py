"""Inside: beds and paths across the floor, reach, and height for people and crops under the bow."""

from obtegum.core.face.room import Room
from obtegum.core.rooms.inside import step
from obtegum.core.rooms.inside.cures import CURES
from obtegum.core.rooms.inside.draw import beds_across, floor, layouts
from obtegum.core.rooms.inside.fields import FIELDS

__all__ = ["ROOM"]

ROOM = Room(
    stands=step.stands,
    plan=step.plan,
    verdicts=step.verdicts,
    verdict_names=("bed-length", "beds-fit", "crop-room", "path-room", "reach"),
    strips=step.strips,
    strip_names=("beds",),
    views={"floor": floor, "layouts": layouts},
    layers={"across": beds_across},
    fields=FIELDS,
    cures=CURES,
    down=frozenset({"path", "bed_length", "bed_share"}),
    nearest=frozenset({"beds", "plants"}),
)
