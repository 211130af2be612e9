"""A room's table as CSV."""

import csv
import io

from obtegum.core.faces import Table
from obtegum.core.room import rooms
from obtegum.core.work import Work

__all__ = ["all_tables", "table_csv"]


def all_tables() -> dict[str, Table]:
    """Every table that a room brings, by its name."""
    return {table.name: table for room in rooms() for table in room.tables}


def table_csv(name: str, work: Work) -> str:
    """The rows of a table, the header first. Raises: LookupError when there is none of that name."""
    table = all_tables()[name]
    out = io.StringIO()
    csv.writer(out, lineterminator="\r\n").writerows(table.rows(work))
    return out.getvalue()
