"""Soil: what the ground is, as a test hole told it, and what it bears."""

from obtegum.core.face.faces import Answers, Caution, Next, Page, Picture
from obtegum.core.face.room import Room
from obtegum.core.rooms.soil import step
from obtegum.core.rooms.soil.draw import soil

__all__ = ["ROOM"]

ROOM = Room(
    stands=step.stands,
    plan=step.plan,
    verdicts=step.verdicts,
    verdict_names=("frost",),
    strips=step.strips,
    strip_names=("test-hole",),
    views={"soil": soil},
    down=frozenset({"soil_bears", "soil_grips", "soil_side"}),
    pages=(
        Page("Soil", (Caution("soil"), Picture("soil", 0.36), Answers(("soil",)), Next("soil", loud=False)), first=0.5),
    ),
)
