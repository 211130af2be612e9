"""By its name: what a thing that is sold by a name truly measures, in every way that the name can be read."""

from typing import Any

from obtegum.core.catalogue import Catalogue
from obtegum.core.fields import Document, Measure, put
from obtegum.core.job import Job
from obtegum.core.room import Room
from obtegum.core.rooms.names import step
from obtegum.core.rooms.names.draw import named
from obtegum.core.rooms.names.found import kind_told
from obtegum.core.trouble import DesignError, Trouble

__all__ = ["ROOM"]

CALLED = "names.called"
LONGEST = 40


def _write(document: Document, job: Job, text: Any) -> None:
    name = str(text).strip()
    if len(name) > LONGEST:
        raise DesignError([Trouble(path=CALLED, sentence=f"A name here has {LONGEST} letters at the most.")])
    put(document, CALLED, name)
    kind = kind_told(name.lower())
    if kind is not None:
        put(document, "names.kind", kind)


def _hint(job: Job, catalogue: Catalogue) -> str:
    return step.ASKS[job.design.names.kind]


ROOM = Room(
    plan=step.plan,
    verdicts=step.verdicts,
    strips=step.strips,
    views={"named": named},
    fields=(
        Measure(CALLED, "text", "Sold as", lambda job: job.design.names.called, _write, hint=_hint, optional=True),
    ),
    nearest=frozenset({"named"}),
)
