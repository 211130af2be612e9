"""Rigid sheets over the roof and on the ends."""

from obtegum.core.face.faces import Answers, Caution, Next, Numbered, Page, Picture, Stick
from obtegum.core.face.room import Room
from obtegum.core.rooms.sheets import step
from obtegum.core.rooms.sheets.cures import CURES
from obtegum.core.rooms.sheets.draw import end_sheets_drawn, sheets
from obtegum.core.rooms.sheets.goods import goods
from obtegum.core.rooms.sheets.parts import parts
from obtegum.core.rooms.sheets.tables import TABLES

__all__ = ["ROOM"]

ROOM = Room(
    stands=step.stands,
    plan=step.plan,
    verdicts=step.verdicts,
    verdict_names=("sheet-",),
    strips=step.strips,
    strip_names=("sheets:",),
    views={"sheets": sheets, "end_sheets": end_sheets_drawn},
    cures=CURES,
    parts=parts,
    goods=goods,
    up=frozenset({"sheet_long", "sheet_area", "sheet_mass", "sheet_lifted", "sheet_grows", "sheet_end_high"}),
    nearest=frozenset(
        {"sheet_count", "sheet_last", "sheet_screws", "sheet_fold", "sheet_fold_at", "sheet_ends", "sheet_trim"}
    ),
    tables=TABLES,
    pages=(
        Page(
            "Rigid sheets",
            (
                Caution("sheets"),
                Picture("sheets", 0.3),
                Picture("end_sheets", 0.22),
                Stick("sheets:"),
                Numbered("sheets"),
                Answers(("sheets",)),
                Next("sheets", loud=False),
            ),
            once="sheets",
        ),
    ),
)
