"""Strength: one bow under all the weather of its place, and how close to its limit it comes."""

from typing import Any

from obtegum.core.faces import Answers, Caution, Next, Page, Picture
from obtegum.core.fields import Document, Measure, put
from obtegum.core.job import Job
from obtegum.core.room import Room
from obtegum.core.rooms.strength import step
from obtegum.core.rooms.strength.cures import CURES
from obtegum.core.rooms.strength.decisions import REASON_MOST
from obtegum.core.rooms.strength.diagrams import bending, pressing
from obtegum.core.rooms.strength.draw import load_drawings, use
from obtegum.core.rooms.strength.tables import TABLES
from obtegum.core.trouble import DesignError, Trouble

__all__ = ["ROOM"]

WHY = "strength.less_why"


def _write(document: Document, job: Job, text: Any) -> None:
    words = str(text).strip()
    if len(words) > REASON_MOST:
        raise DesignError([Trouble(path=WHY, sentence=f"Keep it to {REASON_MOST} letters.")])
    put(document, WHY, words)


ROOM = Room(
    plan=step.plan,
    verdicts=step.verdicts,
    strips=step.strips,
    views={"use": use, "bending": bending, "pressing": pressing},
    told=load_drawings,
    fields=(
        Measure(WHY, "text", "Why", lambda job: job.design.strength.less_why, _write, hint="prints", optional=True),
    ),
    cures=CURES,
    down=frozenset({"reserve", "bends_at", "film_holds"}),
    up=frozenset({"use", "post_use", "lift", "down", "push", "bent", "pressed", "drop", "sway"}),
    nearest=frozenset({"stands_out", "weathers"}),
    tables=TABLES,
    pages=(
        Page(
            "Strength",
            (Caution("strength"), Picture("use", 0.4), Answers(("strength",)), Next("strength", loud=False)),
        ),
    ),
)
