"""Strength: one bow under all the weather of its place, and how close to its limit it comes."""

from obtegum.core.faces import Answers, Caution, Next, Page, Picture
from obtegum.core.room import Room
from obtegum.core.rooms.strength import step
from obtegum.core.rooms.strength.cures import CURES
from obtegum.core.rooms.strength.diagrams import bending, pressing
from obtegum.core.rooms.strength.draw import load_drawings, use
from obtegum.core.rooms.strength.tables import TABLES

__all__ = ["ROOM"]

ROOM = Room(
    stands=step.stands,
    plan=step.plan,
    verdicts=step.verdicts,
    strips=step.strips,
    views={"use": use, "bending": bending, "pressing": pressing},
    told=load_drawings,
    cures=CURES,
    down=frozenset({"rated", "reserve", "bends_at", "film_holds"}),
    up=frozenset(
        {
            "use",
            "yields",
            "sprung",
            "post_use",
            "forced",
            "hung",
            "lift",
            "down",
            "push",
            "bent",
            "pressed",
            "drop",
            "sway",
        }
    ),
    nearest=frozenset({"stands_out", "weathers"}),
    tables=TABLES,
    pages=(
        Page(
            "Strength",
            (Caution("strength"), Picture("use", 0.4), Answers(("strength",)), Next("strength", loud=False)),
        ),
    ),
)
