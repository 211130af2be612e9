"""Soil: what the ground is, as a test hole told it, and what it bears."""

from typing import Any

from obtegum.core.faces import Answers, Caution, Next, Page, Picture
from obtegum.core.fields import Document, Measure, put
from obtegum.core.job import Job
from obtegum.core.room import Room
from obtegum.core.rooms.soil import step
from obtegum.core.rooms.soil.decisions import NOTES_MOST
from obtegum.core.rooms.soil.draw import soil
from obtegum.core.trouble import DesignError, Trouble

__all__ = ["ROOM"]

NOTES = "soil.notes"


def _write(document: Document, job: Job, text: Any) -> None:
    words = str(text).strip()
    if len(words) > NOTES_MOST:
        raise DesignError([Trouble(path=NOTES, sentence=f"Keep it to {NOTES_MOST} letters.")])
    put(document, NOTES, words)


ROOM = Room(
    plan=step.plan,
    verdicts=step.verdicts,
    strips=step.strips,
    views={"soil": soil},
    fields=(
        Measure(
            NOTES,
            "text",
            "What the hole told",
            lambda job: job.design.soil.notes,
            _write,
            hint="layers, stones, water",
            optional=True,
        ),
    ),
    down=frozenset({"soil_bears", "soil_grips", "soil_side"}),
    pages=(
        Page("Soil", (Caution("soil"), Picture("soil", 0.36), Answers(("soil",)), Next("soil", loud=False)), first=0.5),
    ),
)
