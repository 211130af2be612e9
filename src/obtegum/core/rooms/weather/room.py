"""Weather: snow and wind at this place, as the grower's own figures say, and what stands beside them."""

from typing import Any

from obtegum.core.faces import Caution, Lines, Next, Page
from obtegum.core.fields import Document, Measure, put
from obtegum.core.job import Job
from obtegum.core.room import Room
from obtegum.core.rooms.weather import step
from obtegum.core.rooms.weather.decisions import FROM_MOST
from obtegum.core.trouble import DesignError, Trouble

__all__ = ["ROOM"]


def _from(name: str) -> Measure:
    path = f"weather.{name}"

    def write(document: Document, job: Job, text: Any) -> None:
        words = str(text).strip()
        if len(words) > FROM_MOST:
            raise DesignError([Trouble(path=path, sentence=f"Keep it to {FROM_MOST} letters.")])
        put(document, path, words)

    label, hint = "From where", "map, office, neighbour: prints beside it"
    return Measure(path, "text", label, lambda job: getattr(job.design.weather, name), write, hint=hint, optional=True)


ROOM = Room(
    plan=step.plan,
    verdicts=step.verdicts,
    fields=(_from("snow_from"), _from("wind_from"), _from("given_from")),
    nearest=frozenset({"worked"}),
    pages=(Page("Weather", (Caution("weather"), Lines("weather"), Next("weather", loud=False)), first=0.5),),
)
