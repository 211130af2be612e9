"""Reading and changing houses. Every change is a revision; what two windows change is put together."""

import json
import math
import time
import uuid
from collections.abc import Callable, Iterable
from dataclasses import dataclass
from typing import Any, Literal, NamedTuple

from sqlalchemy import ColumnElement, func, select
from sqlalchemy.exc import DBAPIError
from sqlalchemy.orm import Session

from obtegum.core.documents.house import HouseDesign, SiteRecord
from obtegum.store.causes import damaged
from obtegum.store.changes import State, difference
from obtegum.store.database import Store
from obtegum.store.documents import MissingDocument, read_pieces, read_text
from obtegum.store.models import HouseRow, RequestRow, RevisionRow
from obtegum.store.seals import COLUMNS, as_told, sealed
from obtegum.store.state import (
    Clash,
    Conflict,
    House,
    NoSuchHouse,
    Shelf,
    Unreadable,
    design_or_name,
    house_of,
    revision_row,
    row_of,
    shelf_of,
    state_of,
    written,
)

__all__ = [
    "Check",
    "Clash",
    "Conflict",
    "Edited",
    "Gesture",
    "HouseLine",
    "RevisionLine",
    "add",
    "add_if_empty",
    "answered",
    "as_kept",
    "bring_back",
    "change",
    "count",
    "get",
    "keep",
    "newest",
    "revision",
    "revisions",
    "shelve",
    "version",
]

Kind = Literal["start", "edit", "undo", "redo"]


@dataclass(frozen=True)
class HouseLine:
    """A house as the yard lists it; ``whole`` is whether its design can be read."""

    id: str
    version: int
    touched: float
    name: str
    whole: bool = True


@dataclass(frozen=True)
class RevisionLine:
    """One gesture in the history of a house: the version it ended at."""

    version: int
    made: float
    words: str
    window: str
    design: HouseDesign | None


@dataclass(frozen=True)
class Gesture:
    """Which window made a change, and from which version (None: from whatever stands).

    Parts of one gesture carry the same name. ``request`` is the name of the request that asks for it,
    if it has one: asked again, the change isn't made again.
    """

    version: int | None
    window: str = ""
    name: str = ""
    request: str = ""


class Edited(NamedTuple):
    """A house as changed, and the change in words."""

    design: HouseDesign
    record: SiteRecord
    words: str


Edit = Callable[[HouseDesign, SiteRecord], Edited]
# Plans what is about to be kept; what it raises keeps it from being kept.
Check = Callable[[HouseDesign, SiteRecord], object]


# A house of which nobody can tell any more where it was put stands in the yard.
ASIDE = ("put_away", "deleted")


def _on(shelf: Shelf) -> ColumnElement[bool]:
    return HouseRow.shelf.not_in(ASIDE) if shelf == "standing" else HouseRow.shelf == shelf


def count(store: Store, shelf: Shelf = "standing") -> int:
    """How many houses are on a shelf."""
    with store.reading() as session:
        return session.scalar(select(func.count()).select_from(HouseRow).where(_on(shelf))) or 0


def newest(store: Store, start: int, most: int, shelf: Shelf = "standing") -> list[HouseLine]:
    """Houses on a shelf by last touched, a page of them."""
    wanted = select(HouseRow).where(_on(shelf)).order_by(HouseRow.touched.desc(), HouseRow.id)
    with store.reading() as session:
        return [_line(session, row) for row in session.scalars(wanted.offset(start).limit(most))]


def _line(session: Session, row: HouseRow) -> HouseLine:
    touched = row.touched if math.isfinite(row.touched) else 0.0
    try:
        design, name = design_or_name(session, row.id, row.version)
    except DBAPIError as error:
        if not damaged(error):
            raise
        design, name = None, row.id
    return HouseLine(row.id, row.version, touched, name, design is not None)


def state_at(store: Store, line: HouseLine) -> State | None:
    """What a house was at the version that is listed; None when what is kept of it can't be read."""
    with store.reading() as session:
        try:
            house = house_of(session, row_of(session, line.id))
            return house.design, house.record
        except (Unreadable, NoSuchHouse):
            return None


def get(store: Store, house_id: str) -> House:
    """One house. Raises: NoSuchHouse, Unreadable."""
    with store.reading() as session:
        return house_of(session, row_of(session, house_id))


def as_kept(store: Store, house_id: str) -> dict[str, Any]:
    """The documents of a house that can't be read as one, as far as they are there. Raises: NoSuchHouse."""
    with store.reading() as session:
        row = row_of(session, house_id)
        found: dict[str, Any] = {"design": None, "record": None}
        try:
            newest = revision_row(session, house_id, row.version)
        except NoSuchHouse:
            return found
        for name, read in (("design", read_text), ("record", read_pieces)):
            try:
                found[name] = json.loads(read(session, getattr(newest, name)))
            except (MissingDocument, ValueError):
                found[name] = None
        return found


def version(store: Store, house_id: str) -> int:
    """The version a house is at. Raises: NoSuchHouse."""
    with store.reading() as session:
        return row_of(session, house_id).version


def answered(session: Session, request: str, house_id: str | None = None) -> House | None:
    """What a request came to if it was carried out before, else None.

    Raises: NoSuchHouse when it was about another house.
    """
    row = session.get(RequestRow, request) if request else None
    if row is None:
        return None
    if house_id not in (None, row.house_id):
        raise NoSuchHouse(house_id)
    house = row_of(session, row.house_id)
    made = revision_row(session, row.house_id, row.version)
    return House(house.id, made.version, made.made, *state_of(session, made), shelf_of(house))


def add(
    store: Store, design: HouseDesign, record: SiteRecord, words: str, request: str = "", check: Check | None = None
) -> House:
    """Keep a new house. Raises: whatever ``check`` raises, and nothing is kept."""
    if check is not None:
        check(design, record)
    with store.writing() as session:
        before = answered(session, request)
        return before or _add(session, Edited(design, record, words), request)


def add_if_empty(store: Store, houses: Iterable[tuple[HouseDesign, SiteRecord]], words: str) -> None:
    """Keep some houses in a folder that has none, all in one stroke."""
    with store.writing() as session:
        # Where houses went missing nothing is begun anew.
        if not store.found and not session.scalar(select(func.count()).select_from(HouseRow)):
            for design, record in houses:
                _add(session, Edited(design, record, words))


def _add(session: Session, edited: Edited, request: str = "") -> House:
    row = HouseRow(id=uuid.uuid4().hex, version=0, shelf="standing")
    session.add(row)
    keep(session, row, edited, Gesture(None, request=request), "start")
    return House(row.id, row.version, row.touched, edited.design, edited.record)


def keep(
    session: Session,
    row: HouseRow,
    edited: Edited,
    gesture: Gesture,
    kind: Kind,
    undoes: int | None = None,
    record: str | None = None,
) -> None:
    """Make a state the newest version, and its revision with it; ``record`` names its record where that is kept."""
    now = time.time()
    # A version that was damaged is not counted on from.
    with session.no_autoflush:
        last = session.scalar(select(func.max(RevisionRow.version)).where(RevisionRow.house_id == row.id)) or 0
    row.version = last + 1
    row.touched = now
    session.flush()
    design, record = written(session, edited.design, edited.record, record)
    made = {
        "house_id": row.id,
        "version": row.version,
        "made": now,
        "window": gesture.window,
        "gesture": gesture.name,
        "words": edited.words,
        "kind": kind,
        "design": design,
        "record": record,
        "undoes": undoes,
    }
    session.add(RevisionRow(**sealed(made)))
    _remember(session, row, gesture.request)


def _remember(session: Session, row: HouseRow, request: str) -> None:
    if request:
        session.add(RequestRow(key=request, house_id=row.id, version=row.version, made=time.time()))


def change(store: Store, house_id: str, gesture: Gesture, edit: Edit, check: Check | None = None) -> House:
    """Change a house and keep the revision.

    ``edit`` makes the new design and record from those that stand, and says it in words; ``check``
    plans them before they are kept. If the house has moved on since the version the gesture was made
    from, the edit is made on top, unless it changes a value that was changed there too.

    Raises: NoSuchHouse; Unreadable; Conflict with both values; whatever ``edit`` or ``check`` raise, and
    nothing is kept.
    """
    with store.writing() as session:
        before = answered(session, gesture.request, house_id)
        if before is not None:
            return before
        row = row_of(session, house_id)
        current = house_of(session, row)
        if gesture.version not in (None, current.version):
            _refuse_clashes(session, current, gesture, edit)
        edited = edit(current.design, current.record)
        if edited[:2] == (current.design, current.record):
            _remember(session, row, gesture.request)
            return current
        if check is not None:
            check(edited.design, edited.record)
        same = edited.record is current.record
        record = revision_row(session, row.id, row.version).record if same else None
        keep(session, row, edited, gesture, "edit", record=record)
        return House(row.id, row.version, row.touched, edited.design, edited.record, current.shelf)


def _refuse_clashes(session: Session, current: House, gesture: Gesture, edit: Edit) -> None:
    """Raises: Conflict where what ``edit`` changes was changed elsewhere since its version, or where that is gone."""
    at = gesture.version or 0
    try:
        row = revision_row(session, current.id, at)
    except NoSuchHouse:
        if at > current.version:
            raise
        raise Conflict(current, ()) from None
    since = select(RevisionRow.window).where(RevisionRow.house_id == current.id, RevisionRow.version > at).distinct()
    # What this window did itself meanwhile is what it stands on.
    if gesture.window and set(session.scalars(since)) == {gesture.window}:
        return
    base = state_of(session, row)
    edited = edit(*base)
    mine: State = (edited.design, edited.record)
    theirs: State = (current.design, current.record)
    changed_here, changed_there = difference(base, mine), difference(base, theirs)
    clashes = [
        Clash(path, mine, theirs)
        for path, (_, new) in changed_here.items()
        if path in changed_there and changed_there[path][1] != new
    ]
    if clashes:
        raise Conflict(current, clashes)


def bring_back(store: Store, house_id: str, old: House, window: str, request: str, check: Check) -> House:
    """Make an earlier version of a house the newest, whatever stands now; one that can't be read too.

    Raises: NoSuchHouse; whatever ``check`` raises, and nothing is kept.
    """
    with store.writing() as session:
        before = answered(session, request, house_id)
        if before is not None:
            return before
        row = row_of(session, house_id)
        check(old.design, old.record)
        edited = Edited(old.design, old.record, f"Brought back version {old.version}")
        keep(session, row, edited, Gesture(None, window, request=request), "edit")
        return House(row.id, row.version, row.touched, old.design, old.record, shelf_of(row))


def revision(store: Store, house_id: str, version: int) -> House:
    """A house as it was at a version. Raises: NoSuchHouse, Unreadable."""
    with store.reading() as session:
        row = revision_row(session, house_id, version)
        return House(house_id, version, row.made, *state_of(session, row))


def revisions(store: Store, house_id: str, start: int = 0, most: int = 30) -> list[RevisionLine]:
    """Gestures of a house, newest first, a page of them. Raises: NoSuchHouse."""
    with store.reading() as session:
        row_of(session, house_id)
        rows = session.execute(
            select(*COLUMNS).where(RevisionRow.house_id == house_id).order_by(RevisionRow.version.desc())
        )
        ends = []
        before: tuple[str, str] | None = None
        for row in map(as_told, rows.mappings()):
            own = (row["window"], row["gesture"])
            if not row["gesture"] or own != before:
                ends.append(row)
                if len(ends) == start + most:
                    break
            before = own
        return [
            RevisionLine(
                row["version"],
                row["made"],
                row["words"],
                row["window"],
                design_or_name(session, house_id, row["version"])[0],
            )
            for row in ends[start:]
        ]


def shelve(store: Store, house_id: str, shelf: Shelf) -> None:
    """Put a house on a shelf: standing, put away, or deleted (from where it can be brought back).

    Raises: NoSuchHouse.
    """
    with store.writing() as session:
        row = row_of(session, house_id)
        if row.shelf != shelf:
            row.shelf = shelf
            row.touched = time.time()
