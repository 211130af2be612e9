"""Level: what the rod reads at every peg, the fall, the datum, and the reading on every finished post top."""

from obtegum.core.drawing.above import over
from obtegum.core.face.room import Room
from obtegum.core.rooms.level import step
from obtegum.core.rooms.level.cures import CURES
from obtegum.core.rooms.level.draw import falls, level_rows, post_rows, profile
from obtegum.core.rooms.level.intake import INTAKES
from obtegum.core.rooms.level.on_site import on_site
from obtegum.core.rooms.level.paper import PAGES
from obtegum.core.rooms.level.readings import past_the_rod
from obtegum.core.rooms.level.tables import TABLES

__all__ = ["ROOM"]

ROOM = Room(
    stands=step.stands,
    plan=step.plan,
    verdicts=step.verdicts,
    verdict_names=("closing", "embedment", "outlier", "rod-slipped", "sight"),
    strips=step.strips,
    strip_names=("level:", "tops:"),
    shared_strips=("tops:L", "tops:R"),
    views={"falls": over(falls), "profile": profile},
    rows={"falls": level_rows, "profile": post_rows},
    impossible=past_the_rod,
    cures=CURES,
    up=frozenset({"fall", "turned"}),
    nearest=frozenset({"top_reading", "datum_fall", "slope", "reveal_least", "reveal_most"}),
    tables=TABLES,
    pages=PAGES,
    on_site=on_site,
    intakes=INTAKES,
)
