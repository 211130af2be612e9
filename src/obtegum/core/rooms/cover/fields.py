"""How the ends are covered and how the sheet is held: what says of one place something of another."""

from typing import Any

from obtegum.core.documents.job import Job
from obtegum.core.face.fields import Document, put, special

__all__ = ["FIELDS"]


def _write_edge(document: Document, job: Job, edge: Any) -> None:
    """A sheet that goes into the ground is buried at both sides; one that comes out of it is held as most are. What was
    pulled at is no longer what holds it."""
    cover = job.design.cover
    put(document, "cover.edge", edge)
    if edge == "ground" and (cover.sides, cover.right) != ("buried", "same"):
        _hold(document, "buried")
        put(document, "cover.right", "same")
    elif edge != "ground" and cover.edge == "ground" and cover.sides == "buried":
        _hold(document, "track")


def _hold(document: Document, hold: Any) -> None:
    put(document, "cover.sides", hold)
    for name in ("pull_1_n", "pull_2_n", "pull_3_n"):
        put(document, f"cover.{name}", None)


def _write_sides(document: Document, job: Job, hold: Any) -> None:
    """What is held by anything else doesn't go into the ground."""
    put(document, "cover.sides", hold)
    if hold != "buried" and job.design.cover.edge == "ground":
        put(document, "cover.edge", "base")


def _write_made(document: Document, job: Job, made: Any) -> None:
    """The same sheet, gathered, covers an end that was left open."""
    put(document, "cover.made", made)
    for side in ("front", "back"):
        if made == "gathered" and document["ends"][side]["kind"] == "open":
            put(document, f"ends.{side}.kind", "covered")


FIELDS = (
    special("cover.edge", write=_write_edge),
    special("cover.sides", write=_write_sides),
    special("cover.made", write=_write_made),
)
