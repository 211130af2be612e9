"""Start: what is known first, and the house that it makes."""

from obtegum.core.face.room import Room
from obtegum.core.rooms.start import step
from obtegum.core.rooms.start.derived import derived
from obtegum.core.rooms.start.fields import FIELDS

__all__ = ["ROOM"]

ROOM = Room(
    stands=step.stands,
    plan=step.plan,
    verdicts=step.verdicts,
    fields=FIELDS,
    derived=derived,
    nearest=frozenset({"start_width", "start_length", "start_height", "start_bows"}),
)
