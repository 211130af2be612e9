"""What was taped of a trial bend, kept with the former and the tube that it was tried on."""

from typing import Any

from obtegum.core.fields import Document, Measure, put, special
from obtegum.core.job import Job
from obtegum.core.rooms.bows.tubes import tube_tried

__all__ = ["FIELDS"]


def _tried(path: str) -> Measure:
    def write(document: Document, job: Job, value: Any) -> None:
        put(document, path, value)
        bending = job.design.bending
        document["record"]["trial"].update(
            former_m=bending.former_m, former_to=bending.former_to, tube=tube_tried(job.design)
        )

    return special(path, write=write)


FIELDS = (_tried("record.trial.chord_m"), _tried("record.trial.height_m"))
