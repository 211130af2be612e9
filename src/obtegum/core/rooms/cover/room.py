"""Cover: the sheet over the house, and how it is held."""

from obtegum.core.faces import Answers, Caution, Next, Numbered, Page, Picture, Stick
from obtegum.core.room import Room
from obtegum.core.rooms.cover import step
from obtegum.core.rooms.cover.cures import CURES
from obtegum.core.rooms.cover.draw import covered, sheet
from obtegum.core.rooms.cover.tables import TABLES

__all__ = ["ROOM"]

ROOM = Room(
    stands=step.stands,
    plan=step.plan,
    verdicts=step.verdicts,
    strips=step.strips,
    views={"sheet": sheet, "covered": covered},
    cures=CURES,
    down=frozenset({"cover_left"}),
    up=frozenset({"cover_over", "cover_wide", "cover_long", "cover_area", "cover_dug", "cover_taped", "pleat_spare"}),
    nearest=frozenset({"cover_roll", "film_thick", "cover_people", "cover_sticks", "cover_screws", "cover_wires"}),
    tables=TABLES,
    pages=(
        Page(
            "Cover",
            (
                Caution("cover"),
                Picture("sheet", 0.34),
                Stick("cover:"),
                Numbered("cover"),
                Answers(("cover",)),
                Next("cover", loud=False),
            ),
        ),
    ),
)
