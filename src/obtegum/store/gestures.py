"""Undo and redo: a window's own gestures, worked out from the revisions, inverted while they still stand."""

from collections.abc import Iterator
from dataclasses import dataclass, field
from typing import Literal, NamedTuple

from sqlalchemy import select
from sqlalchemy.orm import Session

from obtegum.store.changes import Patch, apply_patch, blocked, combine, difference, invert
from obtegum.store.database import Store
from obtegum.store.houses import Check, Edited, Gesture, answered, keep
from obtegum.store.models import HouseRow, RevisionRow
from obtegum.store.seals import COLUMNS, as_told
from obtegum.store.state import House, house_of, revision_row, row_of, state_of

__all__ = ["NotUndone", "undo", "undoable"]

Way = Literal["undo", "redo"]
# How far back to look for a gesture that nothing blocks.
MOST_TRIED = 40


class NotUndone(Exception):
    """Nothing to undo, or all that could be undone has been changed since: ``paths`` says where."""

    def __init__(self, sentence: str, current: House, paths: tuple[str, ...] = ()) -> None:
        super().__init__(sentence)
        self.current = current
        self.paths = paths


class _Made(NamedTuple):
    """A revision without what it holds."""

    version: int
    kind: str
    gesture: str
    words: str
    undoes: int | None


@dataclass
class _Own:
    """A window's gestures that stand, and those it has undone, oldest first; each a run of revisions."""

    done: list[list[_Made]] = field(default_factory=list)
    undone: list[list[_Made]] = field(default_factory=list)
    # The newest version that another window made, and that of the house when it was looked at last.
    elsewhere: int = 0
    seen: int = 0

    def take(self, row: _Made) -> None:
        """Take one more revision of the window's into account."""
        if row.kind == "undo":
            self._move(self.done, self.undone, row.undoes)
        elif row.kind == "redo":
            self._move(self.undone, self.done, row.undoes)
        elif row.kind == "edit":
            self.undone.clear()
            if self.done and row.gesture and self.done[-1][-1].gesture == row.gesture:
                self.done[-1].append(row)
            else:
                self.done.append([row])

    @staticmethod
    def _move(source: list[list[_Made]], target: list[list[_Made]], which: int | None) -> None:
        """Older folders didn't say which gesture was undone: it was the last one."""
        place = next((at for at, gesture in enumerate(source) if gesture[-1].version == which), len(source) - 1)
        if source:
            target.append(source.pop(place))


def _gestures(store: Store, session: Session, house: HouseRow, window: str) -> _Own:
    # What the few that are undone hold is fetched when they are. A long day has thousands: only those that came since
    # they were looked at last are read.
    with store.lately.lock:
        own = store.lately.find((house.id, window), _Own)
        if own.seen > house.version:
            own = _Own()
        rows = session.execute(
            select(*COLUMNS)
            .where(RevisionRow.house_id == house.id, RevisionRow.version > own.seen)
            .order_by(RevisionRow.version)
        )
        for row in map(as_told, rows.mappings().all()):
            if row["window"] == window:
                own.take(_Made(*(row[name] for name in _Made._fields)))
            else:
                own.elsewhere = row["version"]
        own.seen = house.version
        return _Own([*own.done], [*own.undone], own.elsewhere, own.seen)


def _patch(session: Session, house_id: str, gesture: list[_Made], way: Way) -> Patch:
    """What undoing a gesture, or making it again, changes."""
    steps = [
        difference(*(state_of(session, revision_row(session, house_id, at)) for at in (step.version - 1, step.version)))
        for step in gesture
    ]
    patch = combine(steps)
    return invert(patch) if way == "undo" else patch


def _ways(
    session: Session, current: House, window: str, gestures: list[list[_Made]], way: Way
) -> Iterator[tuple[list[_Made], Patch, list[str]]]:
    """The gestures that could be undone or made again, newest first, with what stands in the way of each."""
    for gesture in reversed(gestures):
        patch = _patch(session, current.id, gesture, way)
        yield gesture, patch, blocked((current.design, current.record), patch)


def _next_words(
    session: Session, row: HouseRow, elsewhere: int, window: str, gestures: list[list[_Made]], way: Way
) -> str | None:
    """The words of the gesture that would be undone or made again; one that is blocked only if all are."""
    if not gestures:
        return None
    newest = gestures[-1]
    # Nothing stands in the way of the last one unless another window came after it.
    if elsewhere < newest[0].version:
        return newest[-1].words
    current = house_of(session, row)
    free = (gesture for gesture, _, moved in _ways(session, current, window, gestures[-MOST_TRIED:], way) if not moved)
    return next(free, newest)[-1].words


def undoable(store: Store, house_id: str, window: str) -> tuple[str | None, str | None]:
    """What this window could undo and redo, in words. Raises: NoSuchHouse, Unreadable."""
    if not window:
        return None, None
    with store.reading() as session:
        row = row_of(session, house_id)
        own = _gestures(store, session, row, window)
        if not own.done and not own.undone:
            return None, None
        return (
            _next_words(session, row, own.elsewhere, window, own.done, "undo"),
            _next_words(session, row, own.elsewhere, window, own.undone, "redo"),
        )


def undo(
    store: Store,
    house_id: str,
    gesture: Gesture,
    way: Way = "undo",
    check: Check | None = None,
    measured_only: bool = False,
) -> House:
    """Invert this window's own last gesture, or make it again; where only what was ``measured`` may be, none that
    touched what is planned.

    One whose values another window has changed since is passed over for an older one that it left alone.
    Raises: NoSuchHouse; Unreadable; NotUndone with a sentence when there is none, or all are blocked;
    DesignError when the house would no longer fit together.
    """
    window = gesture.window
    with store.writing() as session:
        before = answered(session, gesture.request, house_id)
        if before is not None:
            return before
        row = row_of(session, house_id)
        current = house_of(session, row)
        own = _gestures(store, session, row, window)
        gestures = own.done if way == "undo" else own.undone
        if not gestures:
            raise NotUndone(f"This window has nothing to {way}.", current)
        first: tuple[str, list[str]] | None = None
        for made, patch, moved in _ways(session, current, window, gestures[-MOST_TRIED:], way):
            words = made[-1].words
            if measured_only and any(not path.startswith("record.") for path in patch):
                raise NotUndone("A phone gives readings. What is planned is changed at the bench.", current)
            if moved:
                first = first or (words, moved)
                continue
            design, record = apply_patch((current.design, current.record), patch)
            if check is not None:
                check(design, record)
            verb = "Undid" if way == "undo" else "Redid"
            edited = Edited(design, record, f"{verb}: {words}")
            keep(session, row, edited, Gesture(None, window, request=gesture.request), way, made[-1].version)
            return House(row.id, row.version, row.touched, design, record, current.shelf)
        assert first is not None
        words, paths = first
        sentence = f"Changed since in another window, so it can’t be {way}ne: {words}."
        raise NotUndone(sentence, current, tuple(paths))
