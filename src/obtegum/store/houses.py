"""Reading and changing houses. Every change is a revision; what two windows change is put together."""

import time
import uuid
from collections.abc import Callable, Sequence
from dataclasses import dataclass
from functools import lru_cache
from typing import Literal, NamedTuple

from sqlalchemy import func, select
from sqlalchemy.orm import Session

from obtegum.core.design import HouseDesign
from obtegum.core.record import SiteRecord
from obtegum.store.changes import State, apply_patch, combine, difference, invert
from obtegum.store.database import Store
from obtegum.store.models import HouseRow, RevisionRow

__all__ = [
    "Clash",
    "Conflict",
    "Edited",
    "Gesture",
    "House",
    "NoSuchHouse",
    "NotUndone",
    "RevisionLine",
    "Shelf",
    "add",
    "change",
    "count",
    "get",
    "newest",
    "revision",
    "revisions",
    "shelve",
    "undo",
    "undoable",
    "version",
]

Shelf = Literal["standing", "put_away", "deleted"]
Way = Literal["undo", "redo"]
Kind = Literal["start", "edit", "undo", "redo"]


@dataclass(frozen=True)
class House:
    """A saved house: its version counts the changes that made it."""

    id: str
    version: int
    touched: float
    design: HouseDesign
    record: SiteRecord
    shelf: Shelf = "standing"


@dataclass(frozen=True)
class RevisionLine:
    """One gesture in the history of a house: the version it ended at."""

    version: int
    made: float
    words: str
    window: str
    design: HouseDesign


@dataclass(frozen=True)
class Clash:
    """A value that this window and another one both changed."""

    path: str
    mine: State
    theirs: State


class NoSuchHouse(LookupError):
    """No house, or no version of it, of that name is kept here."""


class Conflict(Exception):
    """The same value was changed elsewhere since the version that a change was made from."""

    def __init__(self, current: House, clashes: Sequence[Clash]) -> None:
        super().__init__("The same was changed in another window.")
        self.current = current
        self.clashes = tuple(clashes)


class NotUndone(Exception):
    """Nothing to undo, or what would be undone has been changed since: ``paths`` says where."""

    def __init__(self, sentence: str, current: House, paths: Sequence[str] = ()) -> None:
        super().__init__(sentence)
        self.current = current
        self.paths = tuple(paths)


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


Edit = Callable[[HouseDesign, SiteRecord], Edited]


def _house(row: HouseRow) -> House:
    design, record = _state(row)
    shelf: Shelf = row.shelf if row.shelf in ("put_away", "deleted") else "standing"  # type: ignore[assignment]
    return House(row.id, row.version, row.touched, design, record, shelf)


def _state(row: HouseRow | RevisionRow) -> State:
    return _design(row.design), _record(row.record)


# What was measured stays the same over many changes of the design, and a big site's takes a while to read.
@lru_cache(maxsize=32)
def _design(text: str) -> HouseDesign:
    return HouseDesign.model_validate_json(text)


@lru_cache(maxsize=32)
def _record(text: str) -> SiteRecord:
    return SiteRecord.model_validate_json(text)


def _row(session: Session, house_id: str) -> HouseRow:
    row = session.get(HouseRow, house_id)
    if row is None:
        raise NoSuchHouse(house_id)
    return row


def _revision_row(session: Session, house_id: str, version: int) -> RevisionRow:
    row = session.get(RevisionRow, (house_id, version))
    if row is None:
        raise NoSuchHouse(f"{house_id} {version}")
    return row


def count(store: Store, shelf: Shelf = "standing") -> int:
    """How many houses are on a shelf."""
    with store.reading() as session:
        return session.scalar(select(func.count()).where(HouseRow.shelf == shelf)) or 0


def newest(store: Store, start: int, most: int, shelf: Shelf = "standing") -> list[House]:
    """Houses on a shelf by last touched, a page of them."""
    wanted = select(HouseRow).where(HouseRow.shelf == shelf).order_by(HouseRow.touched.desc())
    with store.reading() as session:
        return [_house(row) for row in session.scalars(wanted.offset(start).limit(most))]


def get(store: Store, house_id: str) -> House:
    """One house. Raises: NoSuchHouse."""
    with store.reading() as session:
        return _house(_row(session, house_id))


def version(store: Store, house_id: str) -> int:
    """The version a house is at. Raises: NoSuchHouse."""
    with store.reading() as session:
        return _row(session, house_id).version


def add(store: Store, design: HouseDesign, record: SiteRecord, words: str) -> House:
    """Keep a new house."""
    now = time.time()
    row = HouseRow(id=uuid.uuid4().hex, version=0, shelf="standing")
    with store.writing() as session:
        session.add(row)
        _keep(session, row, Edited(design, record, words), Gesture(0), "start", now)
    return _house(row)


def _keep(session: Session, row: HouseRow, edited: Edited, gesture: Gesture, kind: Kind, now: float) -> None:
    """Make a state the newest version, and its revision with it."""
    row.version += 1
    row.touched = now
    row.design, row.record = edited.design.model_dump_json(), edited.record.model_dump_json()
    session.flush()
    session.add(
        RevisionRow(
            house_id=row.id,
            version=row.version,
            made=now,
            window=gesture.window,
            gesture=gesture.name,
            words=edited.words,
            kind=kind,
            design=row.design,
            record=row.record,
        )
    )


def change(store: Store, house_id: str, gesture: Gesture, edit: Edit) -> House:
    """Change a house and keep the revision.

    ``edit`` makes the new design and record from those that stand, and says it in words. If the
    house has moved on since the version the gesture was made from, the edit is made on top, unless
    it changes a value that was changed there too.

    Raises: NoSuchHouse; Conflict with both values; whatever ``edit`` raises, and nothing is kept.
    """
    with store.writing() as session:
        row = _row(session, house_id)
        current = _house(row)
        if current.version != gesture.version:
            _refuse_clashes(current, _state(_revision_row(session, house_id, gesture.version)), edit)
        edited = edit(current.design, current.record)
        if edited[:2] == (current.design, current.record):
            return current
        _keep(session, row, edited, gesture, "edit", time.time())
        return House(row.id, row.version, row.touched, edited.design, edited.record, current.shelf)


def _refuse_clashes(current: House, base: State, edit: Edit) -> None:
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


class _Made(NamedTuple):
    """A revision without what it holds."""

    version: int
    kind: str
    gesture: str
    words: str


def _gestures(session: Session, house_id: str, window: str) -> tuple[list[list[_Made]], list[list[_Made]]]:
    """A window's gestures that stand, and those it has undone, oldest first; each a run of revisions."""
    # What the few that are undone hold is fetched when they are; a long day has thousands.
    rows = session.execute(
        select(RevisionRow.version, RevisionRow.kind, RevisionRow.gesture, RevisionRow.words)
        .where(RevisionRow.house_id == house_id, RevisionRow.window == window)
        .order_by(RevisionRow.version)
    )
    done: list[list[_Made]] = []
    undone: list[list[_Made]] = []
    for row in (_Made(*each) for each in rows):
        if row.kind == "undo" and done:
            undone.append(done.pop())
        elif row.kind == "redo" and undone:
            done.append(undone.pop())
        elif row.kind == "edit":
            undone.clear()
            if done and row.gesture and done[-1][-1].gesture == row.gesture:
                done[-1].append(row)
            else:
                done.append([row])
    return done, undone


def undoable(store: Store, house_id: str, window: str) -> tuple[str | None, str | None]:
    """What this window could undo and redo, in words."""
    if not window:
        return None, None
    with store.reading() as session:
        done, undone = _gestures(session, house_id, window)
        return done[-1][-1].words if done else None, undone[-1][-1].words if undone else None


def undo(store: Store, house_id: str, window: str, way: Way = "undo") -> House:
    """Invert this window's own last gesture, or make it again.

    Raises: NoSuchHouse; NotUndone with a sentence when there is none or when a value of it has been
    changed since; DesignError when the house would no longer fit together.
    """
    with store.writing() as session:
        row = _row(session, house_id)
        current = _house(row)
        done, undone = _gestures(session, house_id, window)
        gestures = done if way == "undo" else undone
        if not gestures:
            raise NotUndone(f"This window has nothing to {way}.", current)
        gesture = gestures[-1]
        steps = [
            difference(*(_state(_revision_row(session, house_id, at)) for at in (step.version - 1, step.version)))
            for step in gesture
        ]
        patch = combine(steps)
        (design, record), moved = apply_patch(
            (current.design, current.record), invert(patch) if way == "undo" else patch
        )
        words = gesture[-1].words
        if moved:
            raise NotUndone(f"Changed since in another window, so it can’t be {way}ne: {words}.", current, moved)
        verb = "Undid" if way == "undo" else "Redid"
        _keep(session, row, Edited(design, record, f"{verb}: {words}"), Gesture(0, window), way, time.time())
    return _house(row)


def revision(store: Store, house_id: str, version: int) -> House:
    """A house as it was at a version. Raises: NoSuchHouse."""
    with store.reading() as session:
        row = _revision_row(session, house_id, version)
        design, record = _state(row)
        return House(house_id, version, row.made, design, record)


def revisions(store: Store, house_id: str, start: int = 0, most: int = 30) -> list[RevisionLine]:
    """Gestures of a house, newest first, a page of them. Raises: NoSuchHouse."""
    with store.reading() as session:
        _row(session, house_id)
        rows = session.scalars(
            select(RevisionRow).where(RevisionRow.house_id == house_id).order_by(RevisionRow.version.desc())
        )
        lines: list[RevisionLine] = []
        last: RevisionRow | None = None
        wanted = start + most
        for row in rows:
            part = last is not None and row.gesture and (row.window, row.gesture) == (last.window, last.gesture)
            last = row
            if part:
                continue
            if len(lines) == wanted:
                break
            lines.append(RevisionLine(row.version, row.made, row.words, row.window, _state(row)[0]))
        return lines[start:]


def shelve(store: Store, house_id: str, shelf: Shelf) -> House:
    """Put a house on a shelf: standing, put away, or deleted (from where it can be brought back)."""
    with store.writing() as session:
        row = _row(session, house_id)
        row.shelf = shelf
        row.touched = time.time()
    return _house(row)
