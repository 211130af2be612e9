"""What was taped of a trial bend, kept with the former and the tube that it was tried on."""

from typing import Any

from obtegum.core.documents.job import Job
from obtegum.core.documents.size import RoundOnLegs
from obtegum.core.face.fields import Document, Measure, put, special
from obtegum.core.findings.skeleton.shapes import shape_of
from obtegum.core.findings.skeleton.tubes import tube_tried

__all__ = ["FIELDS"]


def _tried(path: str) -> Measure:
    def write(document: Document, job: Job, value: Any) -> None:
        put(document, path, value)
        bending = job.design.bending
        document["record"]["trial"].update(
            former_m=bending.former_m, former_to=bending.former_to, tube=tube_tried(job.design)
        )

    return special(path, write=write)


# Legs this close to their posts' tops end there, m.
SAME_M = 1e-6


def _write_plastic(document: Document, job: Job, plastic: Any) -> None:
    """What is bent hot isn't sprung: it becomes a shape as high that comes plumb to its feet."""
    put(document, "strength.plastic", plastic)
    size = job.design.size
    if plastic == "heated" and size.shape.kind == "sprung":
        leg_m = size.height_m - size.span_m / 2
        tall = leg_m >= job.design.posts.reveal_m - SAME_M
        shape = RoundOnLegs(leg_m=leg_m) if tall else shape_of("three_centred", size)
        put(document, "size.shape", shape.model_dump())


FIELDS = (
    special("strength.plastic", write=_write_plastic),
    _tried("record.trial.chord_m"),
    _tried("record.trial.height_m"),
)
