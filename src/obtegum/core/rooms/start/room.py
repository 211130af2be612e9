"""Start: what is known first, and the house that it makes."""

from obtegum.core.face.room import Room
from obtegum.core.rooms.start import step
from obtegum.core.rooms.start.fields import FIELDS
from obtegum.core.rooms.start.follows import follows

__all__ = ["ROOM"]

ROOM = Room(
    stands=step.stands,
    plan=step.plan,
    verdicts=step.verdicts,
    fields=FIELDS,
    follows=follows,
    nearest=frozenset({"start_width", "start_length", "start_height", "start_bows"}),
)
