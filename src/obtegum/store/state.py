"""A house as its revisions hold it: read from its documents, or told why it can't be."""

import json
from collections import OrderedDict
from collections.abc import Callable, Sequence
from dataclasses import dataclass
from threading import Lock
from typing import Generic, Literal, TypeVar

from pydantic import ValidationError
from sqlalchemy import func, literal_column, select
from sqlalchemy.orm import Session

from obtegum.core.documents.house import HouseDesign, SiteRecord
from obtegum.store.changes import State
from obtegum.store.documents import MissingDocument, keep_pieces, keep_text, read_pieces, read_text
from obtegum.store.models import HouseRow, RevisionRow

__all__ = [
    "Clash",
    "Conflict",
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
    "written",
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


@dataclass(frozen=True)
class Clash:
    """A value that this window and another one both changed."""

    path: str
    mine: State
    theirs: State


class Conflict(Exception):
    """The same value was changed elsewhere since the version that a change was made from.

    Without clashes, that version is gone: a backup has taken the place of it.
    """

    def __init__(self, current: House, clashes: Sequence[Clash]) -> None:
        super().__init__(
            "The same was changed in another window."
            if clashes
            else "A backup has taken this house’s place meanwhile. Look at it, and make the change again."
        )
        self.current = current
        self.clashes = tuple(clashes)


P = TypeVar("P", HouseDesign, SiteRecord)


class _Lately(Generic[P]):
    """Documents that were read lately, by the names that they have by their content; safe between threads.

    What was measured stays the same over many changes of the design, and a big site's takes a while to read.
    """

    def __init__(self, kind: type[P], read: Callable[[Session, str], str], most: int) -> None:
        self._kind: type[P] = kind
        self._read, self._most, self._lock = read, most, Lock()
        self._kept: OrderedDict[str, P] = OrderedDict()

    def find(self, session: Session, name: str) -> P:
        """The document of a name. Raises: MissingDocument, pydantic.ValidationError."""
        with self._lock:
            if name in self._kept:
                self._kept.move_to_end(name)
                return self._kept[name]
        document: P = self._kind.model_validate_json(self._read(session, name))
        self.keep(name, document)
        return document

    def keep(self, name: str, document: P) -> None:
        """Keep a document that goes by a name."""
        with self._lock:
            self._kept[name] = document
            while len(self._kept) > self._most:
                self._kept.popitem(last=False)


_designs, _records = _Lately(HouseDesign, read_text, 64), _Lately(SiteRecord, read_pieces, 16)


def written(session: Session, design: HouseDesign, record: SiteRecord, record_name: str | None) -> tuple[str, str]:
    """Keep both documents, the record only where it has no name yet; returns the names that they go by."""
    design_name = keep_text(session, design.model_dump_json())
    record_name = record_name or keep_pieces(session, record.model_dump_json())
    _designs.keep(design_name, design)
    _records.keep(record_name, record)
    return design_name, record_name


def state_of(session: Session, row: RevisionRow) -> State:
    """The design and record of a revision. Raises: Unreadable."""
    try:
        return _designs.find(session, row.design), _records.find(session, row.record)
    except MissingDocument:
        raise Unreadable(row.house_id, "A part of what was kept of it is missing or damaged.") from None
    except ValidationError as error:
        first = error.errors()[0]
        where = ".".join(str(piece) for piece in first["loc"])
        raise Unreadable(row.house_id, f"What was kept of it can’t be read here: {where or 'the house'}.") from None


def row_of(session: Session, house_id: str) -> HouseRow:
    """Raises: NoSuchHouse; Unreadable for one that stands in the table, and isn't found by its index."""
    row = session.get(HouseRow, house_id)
    if row is None:
        # The sign before its name keeps the index out of it.
        if session.scalar(select(HouseRow.version).where(literal_column("+house.id") == house_id)) is not None:
            raise Unreadable(house_id, "What was kept of it is damaged: it can’t be found by its name.")
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
    last = session.scalar(select(func.max(RevisionRow.version)).where(RevisionRow.house_id == row.id))
    if last != row.version:
        raise Unreadable(row.id, "Which of its versions is the newest is damaged.")
    try:
        newest = revision_row(session, row.id, row.version)
    except NoSuchHouse:
        raise Unreadable(row.id, "Its newest version is damaged.") from None
    design, record = state_of(session, newest)
    return House(row.id, row.version, row.touched, design, record, shelf_of(row))


def shelf_of(row: HouseRow) -> Shelf:
    return row.shelf if row.shelf in ("put_away", "deleted") else "standing"  # type: ignore[return-value]


def design_or_name(session: Session, house_id: str, at: int) -> tuple[HouseDesign | None, str]:
    """A version's design, if it can be read, and the name it goes by."""
    try:
        name = revision_row(session, house_id, at).design
        design = _designs.find(session, name)
        return design, design.name
    except (MissingDocument, NoSuchHouse):
        return None, house_id
    except ValidationError:
        return None, _name_in(read_text(session, name)) or house_id


def name_of(session: Session, row: HouseRow) -> str:
    """The name a house goes by, as far as it can be told."""
    return design_or_name(session, row.id, row.version)[1]


def _name_in(text: str) -> str:
    try:
        name = json.loads(text)["name"]
    except (ValueError, KeyError, TypeError):
        return ""
    return name if isinstance(name, str) else ""
