"""Rows of a data folder as a backup carries them, checked as strictly as what an edit brings."""

from pydantic import Field

from obtegum.core.values.base import Part
from obtegum.store.houses import Kind
from obtegum.store.state import Shelf

__all__ = ["HouseRowCopy", "RevisionCopy"]

# Far beyond any clock, s.
LATEST_S = 1e11
HASH = "^[A-Za-z0-9_-]{22}$"
ID = "^[A-Za-z0-9]{1,32}$"


class HouseRowCopy(Part):
    """One house in a backup."""

    id: str = Field(pattern=ID)
    version: int = Field(ge=1, le=2**31)
    touched: float = Field(ge=0, le=LATEST_S)
    shelf: Shelf


class RevisionCopy(Part):
    """One revision of a house in a backup; ``design`` and ``record`` name documents."""

    house_id: str = Field(pattern=ID)
    version: int = Field(ge=1, le=2**31)
    made: float = Field(ge=0, le=LATEST_S)
    window: str = Field(max_length=40)
    gesture: str = Field(max_length=40)
    words: str = Field(max_length=20_000)
    kind: Kind
    design: str = Field(pattern=HASH)
    record: str = Field(pattern=HASH)
    undoes: int | None = Field(default=None, ge=1, le=2**31)
