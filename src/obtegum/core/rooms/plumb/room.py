"""Plumb: the standing frame read, pulled true, and read again."""

from obtegum.core.face.faces import Answers, Caution, Next, Numbered, Page, Picture, Ruled
from obtegum.core.face.room import Room
from obtegum.core.rooms.plumb import step
from obtegum.core.rooms.plumb.again import read_anew
from obtegum.core.rooms.plumb.draw import plumbed

__all__ = ["ROOM"]

ROOM = Room(
    stands=step.stands,
    plan=step.plan,
    verdicts=step.verdicts,
    verdict_names=("plumb",),
    strips=step.strips,
    strip_names=("plumb:",),
    views={"plumb": plumbed},
    nearest=frozenset({"plumb_straps", "slack_crown", "slack_left", "slack_right"}),
    up=frozenset({"plumb_worst", "plumbed"}),
    pages=(
        Page(
            "Plumb",
            (
                Caution("plumb"),
                Picture("plumb", 0.25),
                Numbered("plumb"),
                Answers(("plumb",)),
                Next("plumb", loud=False),
                Ruled("plumb:", by="columns", heading="Write what each bow reads"),
            ),
            first=0.3,
        ),
    ),
    acts={"read-anew": read_anew},
)
