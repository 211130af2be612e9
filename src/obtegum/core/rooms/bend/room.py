"""Bend: the former, what springs back, the pulls and their marks, the trial bend, and the house that it makes."""

from obtegum.core.faces import Answers, Caution, Next, Page, Picture, Stick
from obtegum.core.room import Room
from obtegum.core.rooms.bend import step
from obtegum.core.rooms.bend.cures import CURES
from obtegum.core.rooms.bend.draw import made, pull_drawings
from obtegum.core.rooms.bend.fields import FIELDS

__all__ = ["ROOM"]

ROOM = Room(
    stands=step.stands,
    plan=step.plan,
    verdicts=step.verdicts,
    strips=step.strips,
    views={"made": made},
    told=pull_drawings,
    fields=FIELDS,
    cures=CURES,
    down=frozenset({"tightest"}),
    up=frozenset({"lever", "thrust", "held_out", "foot_moment", "strain", "used"}),
    nearest=frozenset(
        {"pipe", "foot_lean", "keeps", "former", "came_out", "trial", "springback", "made_span", "made_height", "pulls"}
    ),
    pages=(
        Page(
            "Bend",
            (Caution("bend"), Picture("made", 0.36), Answers(("bend",)), Stick("pulls:"), Next("bend", loud=False)),
            first=0.45,
        ),
    ),
)
