"""A room's table as CSV, and what all rooms want looked at again."""

import csv
import io
from collections.abc import Sequence

from obtegum.core.face.faces import Table
from obtegum.core.findings.work import Work
from obtegum.core.house.takes import rows_of
from obtegum.core.rooms import rooms

__all__ = ["all_tables", "table_csv"]


def _rounds(work: Work) -> Sequence[Sequence[object]]:
    """What is looked at again, by whichever room it is of, the soonest first."""
    found = sorted((each for room in rooms() for each in room.rounds(work)), key=lambda each: each.every_days)
    return [("part", "look for", "every_days"), *((each.part, each.what, each.every_days) for each in found)]


ROUNDS = Table(name="rounds", label="Rounds", about="what to look at again over the years, and how often", rows=_rounds)


TAKES = Table(name="takes", label="What it is made of", about="every member and all that joins them", rows=rows_of)


def all_tables() -> dict[str, Table]:
    """Every table that a room brings, and the two that all of them fill, by its name."""
    return {table.name: table for table in (*(each for room in rooms() for each in room.tables), ROUNDS, TAKES)}


def table_csv(name: str, work: Work) -> str:
    """The rows of a table, the header first. Raises: LookupError when there is none of that name."""
    table = all_tables()[name]
    out = io.StringIO()
    csv.writer(out, lineterminator="\r\n").writerows(table.rows(work))
    return out.getvalue()
