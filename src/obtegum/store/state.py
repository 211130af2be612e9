"""A house as its revisions hold it: read from its documents, or told why it can't be."""

import json
from dataclasses import dataclass
from functools import lru_cache
from typing import Literal

from pydantic import ValidationError
from sqlalchemy.orm import Session

from obtegum.core.rooms import HouseDesign, SiteRecord
from obtegum.store.changes import State
from obtegum.store.documents import MissingDocument, read_pieces, read_text
from obtegum.store.models import HouseRow, RevisionRow

__all__ = [
    "House",
    "NoSuchHouse",
    "Shelf",
    "Unreadable",
    "design_or_name",
    "house_of",
    "name_of",
    "revision_row",
    "row_of",
    "shelf_of",
    "state_of",
]

Shelf = Literal["standing", "put_away", "deleted"]


@dataclass(frozen=True)
class House:
    """A saved house: its version counts the changes that made it."""

    id: str
    version: int
    touched: float
    design: HouseDesign
    record: SiteRecord
    shelf: Shelf = "standing"


class NoSuchHouse(LookupError):
    """No house, or no version of it, of that name is kept here."""


class Unreadable(ValueError):
    """What is kept of a house, or of a version of it, can't be read as a house."""

    def __init__(self, house_id: str, why: str) -> None:
        super().__init__(why)
        self.house_id = house_id


# What was measured stays the same over many changes of the design, and a big site's takes a while to read.
@lru_cache(maxsize=64)
def _design(text: str) -> HouseDesign:
    return HouseDesign.model_validate_json(text)


@lru_cache(maxsize=64)
def _record(text: str) -> SiteRecord:
    return SiteRecord.model_validate_json(text)


def state_of(session: Session, row: RevisionRow) -> State:
    """The design and record of a revision. Raises: Unreadable."""
    try:
        return _design(read_text(session, row.design)), _record(read_pieces(session, row.record))
    except MissingDocument:
        raise Unreadable(row.house_id, "A part of what was kept of it is missing from the data folder.") from None
    except ValidationError as error:
        first = error.errors()[0]
        where = ".".join(str(piece) for piece in first["loc"])
        raise Unreadable(row.house_id, f"What was kept of it can’t be read here: {where or 'the house'}.") from None


def row_of(session: Session, house_id: str) -> HouseRow:
    """Raises: NoSuchHouse."""
    row = session.get(HouseRow, house_id)
    if row is None:
        raise NoSuchHouse(house_id)
    return row


def revision_row(session: Session, house_id: str, version: int) -> RevisionRow:
    """Raises: NoSuchHouse."""
    row = session.get(RevisionRow, (house_id, version))
    if row is None:
        raise NoSuchHouse(f"{house_id} {version}")
    return row


def house_of(session: Session, row: HouseRow) -> House:
    """A house as it stands. Raises: Unreadable."""
    design, record = state_of(session, revision_row(session, row.id, row.version))
    return House(row.id, row.version, row.touched, design, record, shelf_of(row))


def shelf_of(row: HouseRow) -> Shelf:
    return row.shelf if row.shelf in ("put_away", "deleted") else "standing"  # type: ignore[return-value]


def design_or_name(session: Session, house_id: str, at: int) -> tuple[HouseDesign | None, str]:
    """A version's design, if it can be read, and the name it goes by."""
    try:
        text = read_text(session, revision_row(session, house_id, at).design)
    except (MissingDocument, NoSuchHouse):
        return None, house_id
    try:
        design = _design(text)
        return design, design.name
    except ValidationError:
        return None, _name_in(text) or house_id


def name_of(session: Session, row: HouseRow) -> str:
    """The name a house goes by, as far as it can be told."""
    return design_or_name(session, row.id, row.version)[1]


def _name_in(text: str) -> str:
    try:
        name = json.loads(text)["name"]
    except (ValueError, KeyError, TypeError):
        return ""
    return name if isinstance(name, str) else ""
