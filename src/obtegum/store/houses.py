"""Reading and changing houses."""

import time
import uuid
from collections.abc import Callable
from dataclasses import dataclass
from typing import NamedTuple

from sqlalchemy import delete, func, select
from sqlalchemy.orm import Session

from obtegum.core.design import HouseDesign
from obtegum.core.record import SiteRecord
from obtegum.store.database import Store
from obtegum.store.models import HouseRow, RevisionRow

__all__ = [
    "Conflict",
    "Edited",
    "Gesture",
    "House",
    "NoSuchHouse",
    "RevisionLine",
    "add",
    "change",
    "count",
    "get",
    "newest",
    "revisions",
]


@dataclass(frozen=True)
class House:
    """A saved house: its version counts the gestures that made it."""

    id: str
    version: int
    touched: float
    design: HouseDesign
    record: SiteRecord


@dataclass(frozen=True)
class RevisionLine:
    """One gesture in the history of a house."""

    version: int
    made: float
    words: str


class NoSuchHouse(LookupError):
    """No house of that name is kept here."""


class Conflict(Exception):
    """The house was changed elsewhere since the version that a change was made from."""

    def __init__(self, current: House) -> None:
        super().__init__("The house was changed in another window.")
        self.current = current


@dataclass(frozen=True)
class Gesture:
    """Which window made a change, from which version; parts of one gesture carry the same name."""

    version: int
    window: str = ""
    name: str = ""


class Edited(NamedTuple):
    """A house as changed, and the change in words."""

    design: HouseDesign
    record: SiteRecord
    words: str


def _house(row: HouseRow) -> House:
    return House(
        id=row.id,
        version=row.version,
        touched=row.touched,
        design=HouseDesign.model_validate_json(row.design),
        record=SiteRecord.model_validate_json(row.record),
    )


def _row(session: Session, house_id: str) -> HouseRow:
    row = session.get(HouseRow, house_id)
    if row is None:
        raise NoSuchHouse(house_id)
    return row


def count(store: Store) -> int:
    """How many houses are kept."""
    with store.reading() as session:
        return session.scalar(select(func.count()).select_from(HouseRow)) or 0


def newest(store: Store, start: int, most: int) -> list[House]:
    """Houses by last touched, a page of them."""
    with store.reading() as session:
        rows = session.scalars(select(HouseRow).order_by(HouseRow.touched.desc()).offset(start).limit(most))
        return [_house(row) for row in rows]


def get(store: Store, house_id: str) -> House:
    """One house. Raises: NoSuchHouse."""
    with store.reading() as session:
        return _house(_row(session, house_id))


def add(store: Store, design: HouseDesign, record: SiteRecord, words: str) -> House:
    """Keep a new house."""
    now = time.time()
    row = HouseRow(
        id=uuid.uuid4().hex,
        version=1,
        touched=now,
        design=design.model_dump_json(),
        record=record.model_dump_json(),
    )
    with store.writing() as session:
        session.add(row)
        session.flush()
        session.add(_revision(row, now, Gesture(0), words))
    return _house(row)


def _revision(row: HouseRow, made: float, gesture: Gesture, words: str) -> RevisionRow:
    return RevisionRow(
        house_id=row.id,
        version=row.version,
        made=made,
        window=gesture.window,
        gesture=gesture.name,
        words=words,
        design=row.design,
        record=row.record,
    )


def change(
    store: Store,
    house_id: str,
    gesture: Gesture,
    edit: Callable[[HouseDesign, SiteRecord], Edited],
) -> House:
    """Change a house and keep the revision; one gesture in several parts stays one revision.

    ``edit`` makes the new design and record from those that stand, and says it in words.

    Raises: NoSuchHouse; Conflict when the house is not at the version the change was made from.
    """
    now = time.time()
    with store.writing() as session:
        row = _row(session, house_id)
        current = _house(row)
        if current.version != gesture.version:
            raise Conflict(current)
        design, record, words = edit(current.design, current.record)
        if (design, record) == (current.design, current.record):
            return current
        last = session.get(RevisionRow, (house_id, row.version))
        same = last is not None and (last.window, last.gesture) == (gesture.window, gesture.name)
        row.version += 1
        row.touched = now
        row.design, row.record = design.model_dump_json(), record.model_dump_json()
        if same and gesture.name:
            session.execute(
                delete(RevisionRow).where(RevisionRow.house_id == house_id, RevisionRow.version == row.version - 1)
            )
        session.add(_revision(row, now, gesture, words))
    return _house(row)


def revisions(store: Store, house_id: str, most: int = 200) -> list[RevisionLine]:
    """The newest gestures of a house. Raises: NoSuchHouse."""
    with store.reading() as session:
        _row(session, house_id)
        rows = session.scalars(
            select(RevisionRow).where(RevisionRow.house_id == house_id).order_by(RevisionRow.version.desc()).limit(most)
        )
        return [RevisionLine(version=row.version, made=row.made, words=row.words) for row in rows]
