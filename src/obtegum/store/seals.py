"""A revision's row is sealed: what was done, when and by whom is told only where the row is as it was written.

The house that it led to has its own names, by the hash of their content; a letter that flips in the rest would else be
told as if somebody had written it.
"""

from collections.abc import Mapping
from typing import Any

from obtegum.store.documents import hash_of
from obtegum.store.models import RevisionRow

__all__ = ["COLUMNS", "UNTOLD", "as_told", "seal_of", "sealed"]

UNTOLD = "What was done here is damaged in the file; the house after it is whole."
COLUMNS = tuple(RevisionRow.__table__.columns)
_SEALED = tuple(column.name for column in COLUMNS if column.name not in ("seal", "design", "record"))


def seal_of(row: Mapping[Any, Any]) -> str:
    """The hash of what a revision's row says of itself."""
    return hash_of("\n".join(repr(row[name]) for name in _SEALED))


def sealed(row: Mapping[str, Any]) -> dict[str, Any]:
    """A revision's row as it is kept."""
    return {**row, "seal": seal_of(row)}


def as_told(row: Mapping[Any, Any]) -> dict[str, Any]:
    """A revision's row as it is read, without its seal; a damaged one is nobody's, and can't be undone by itself.

    Rows from before seals have none.
    """
    found = {name: value for name, value in row.items() if name != "seal"}
    if row["seal"] is not None and row["seal"] != seal_of(row):
        found |= {"words": UNTOLD, "window": "", "gesture": "", "kind": "edit", "undoes": None}
    return found
