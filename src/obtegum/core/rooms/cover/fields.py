"""How the ends are covered and how the sheet is held: what says of one place something of another."""

from typing import Any

from obtegum.core.fields import Document, put, special
from obtegum.core.job import Job

__all__ = ["FIELDS"]


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


FIELDS = (special("cover.sides", write=_write_sides), special("cover.made", write=_write_made))
