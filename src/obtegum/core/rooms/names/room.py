"""By its name: what a thing that is sold by a name truly measures, in every way that the name can be read."""

from typing import Any

from obtegum.core.documents.job import Job
from obtegum.core.face.fields import Document, put, special
from obtegum.core.face.room import Room
from obtegum.core.rooms.names import step
from obtegum.core.rooms.names.draw import named
from obtegum.core.rooms.names.found import kind_told
from obtegum.core.values.catalogue import Catalogue

__all__ = ["ROOM"]

CALLED = "names.called"


def _write(document: Document, job: Job, text: Any) -> None:
    """The name, and the kind of thing where the name tells it."""
    special(CALLED).write(document, job, text)
    kind = kind_told(str(text).strip().lower())
    if kind is not None:
        put(document, "names.kind", kind)


def _hint(job: Job, catalogue: Catalogue) -> str:
    return step.ASKS[job.design.names.kind]


ROOM = Room(
    carded=False,
    stands=step.stands,
    plan=step.plan,
    verdicts=step.verdicts,
    strips=step.strips,
    strip_names=("named",),
    views={"named": named},
    fields=(special(CALLED, write=_write, hint=_hint),),
    nearest=frozenset({"named"}),
)
