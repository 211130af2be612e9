"""Weather: snow and wind at this place, as the grower's own figures say, and what stands beside them."""

from obtegum.core.face.faces import Caution, Lines, Next, Page
from obtegum.core.face.room import Room
from obtegum.core.rooms.weather import step

__all__ = ["ROOM"]


ROOM = Room(
    stands=step.stands,
    plan=step.plan,
    verdicts=step.verdicts,
    nearest=frozenset({"worked"}),
    pages=(Page("Weather", (Caution("weather"), Lines("weather"), Next("weather", loud=False)), first=0.5),),
)
