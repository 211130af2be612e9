"""Weather: snow and wind at this place, as the grower's own figures say, and what stands beside them."""

from typing import Any

from obtegum.core.faces import Caution, Lines, Next, Page
from obtegum.core.fields import Document, Measure, put
from obtegum.core.job import Job
from obtegum.core.room import Room
from obtegum.core.rooms.weather import step
from obtegum.core.rooms.weather.decisions import FROM_MOST
from obtegum.core.rooms.weather.found import OWN
from obtegum.core.trouble import DesignError, Trouble

__all__ = ["ROOM"]


def _from(name: str, label: str, hint: str, own: bool = False) -> Measure:
    path = f"weather.own.{name}" if own else f"weather.{name}"

    def write(document: Document, job: Job, text: Any) -> None:
        words = str(text).strip()
        if len(words) > FROM_MOST:
            raise DesignError([Trouble(path=path, sentence=f"Keep it to {FROM_MOST} letters.")])
        put(document, path, words)

    def read(job: Job) -> str:
        weather = job.design.weather
        return str(getattr(weather.own if own else weather, name))

    return Measure(path, "text", label, read, write, hint=hint, optional=True)


SOURCES = {"snow_from": "Snow figure from", "wind_from": "Wind figure from", "given_from": "Pressures from"}


ROOM = Room(
    plan=step.plan,
    verdicts=step.verdicts,
    fields=(
        *(_from(name, label, "map, office, neighbour: prints beside it") for name, label in SOURCES.items()),
        *(_from(f"{name}_why", "Why", "prints beside it", own=True) for name in OWN),
    ),
    nearest=frozenset({"worked"}),
    pages=(Page("Weather", (Caution("weather"), Lines("weather"), Next("weather", loud=False)), first=0.5),),
)
