"""Holds down: how each post is set in its ground, what that holds, and the chain from bow to soil."""

import math
from collections.abc import Iterator
from typing import Any

from obtegum.core.documents.hold import PULL_FIELDS, pulled_like
from obtegum.core.documents.job import Job
from obtegum.core.face.faces import Answers, Caution, Need, Next, Numbered, Page, Picture, Stick
from obtegum.core.face.fields import Document, Option, put, special
from obtegum.core.face.room import Room
from obtegum.core.findings.skeleton.settings import SETTINGS, set_of
from obtegum.core.findings.work import Work
from obtegum.core.rooms.hold import judged, step
from obtegum.core.rooms.hold.cures import CURES
from obtegum.core.rooms.hold.draw import chain, settings
from obtegum.core.rooms.hold.found import counts
from obtegum.core.rooms.hold.goods import goods
from obtegum.core.rooms.hold.rig import rig
from obtegum.core.rooms.hold.tables import TABLES
from obtegum.core.rooms.hold.takes import hours_s
from obtegum.core.rooms.hold.words import no_day
from obtegum.core.values.amount import HOUR_S
from obtegum.core.values.catalogue import Catalogue
from obtegum.core.values.day import days_later
from obtegum.core.values.trouble import Trouble

__all__ = ["ROOM"]

PULLED = "record.pulls.set"
# Longer than any concrete cures here.
LONGEST_DAYS = 60
# What all posts of a kind take.
TAKEN = ("spoil", "concrete", "gravel", "bags", "carbon", "hours", "proud", "rail", "timber")


def _bags(job: Job, catalogue: Catalogue) -> tuple[Option, ...]:
    near_first = catalogue.near_first[job.design.tape.units].bags
    return (
        Option(id="", label="what is usual here"),
        *(Option(id=bag.id, label=bag.name, about=f"makes {bag.yield_m3 * 1000:.1f} L") for bag in near_first),
    )


def _write_pulled(document: Document, job: Job, setting: Any) -> None:
    """How they were set, and what they were made like as it is told."""
    special(PULLED).write(document, job, setting)
    put(document, "record.pulls.of", pulled_like(job.design, setting))


def _needs(work: Work) -> tuple[Need, ...]:
    """Holes, and the hours that setting them takes, whole ones."""
    ways = [(kind, set_of(work, kind)) for kind in counts(work)]
    return (
        Need(what="hole", amount=sum(counts(work)[kind] for kind, way in ways if SETTINGS[way].holed)),
        Need(what="hour of work", many="hours of work", amount=math.ceil(hours_s(work) / HOUR_S - 1e-9)),
    )


def _no_day(job: Job) -> Iterator[Trouble]:
    """A day that no calendar has."""
    try:
        if job.record.poured.on:
            days_later(job.record.poured.on, LONGEST_DAYS)
    except ValueError:
        yield Trouble(path="record.poured.on", sentence=no_day(job.record.poured.on))


ROOM = Room(
    stands=step.stands,
    plan=step.plan,
    verdicts=judged.verdicts,
    verdict_names=("lift", "side", "sinks"),
    strips=step.strips,
    strip_names=("set",),
    views={"chain": chain, "settings": settings, "rig": rig},
    fields=(special("hold.bag", options=_bags), special(PULLED, write=_write_pulled)),
    more_fields=lambda design: PULL_FIELDS,
    cures=CURES,
    needs=_needs,
    goods=goods,
    costly=True,
    down=frozenset(
        {"held_wind", "held_still", "held_down", "link", "corner_link", "brace_link", "hole_filled", "filled"}
    ),
    up=frozenset(
        {
            *("bows_after", "film_after"),
            *("asks_lift", "asks_wind", "asks_still", "asks_down"),
            *(f"{kind}{name}" for name in TAKEN for kind in ("", "corner_", "brace_")),
        }
    ),
    nearest=frozenset({"set", "corner_set", "brace_set"}),
    tables=TABLES,
    impossible=_no_day,
    pages=(
        Page(
            "Holds down",
            (
                Caution("hold"),
                Picture("chain", 0.34),
                Stick("set"),
                Numbered("hold"),
                Answers(("hold",)),
                Next("hold", loud=False),
            ),
        ),
    ),
)
