"""A data folder replaced by a backup, in one stroke; and houses deleted for good."""

from collections.abc import Iterable
from dataclasses import dataclass, field
from pathlib import Path
from typing import Any

from sqlalchemy import delete, insert, select, text
from sqlalchemy.orm import Session

from obtegum.store.backup import (
    AT_ONCE,
    BEFORE,
    Backup,
    BackupError,
    OldBackup,
    Tell,
    opened,
    quiet,
    write_backup,
)
from obtegum.store.database import Store
from obtegum.store.documents import keep_documents, keep_pieces, keep_text, parts_of, texts
from obtegum.store.houses import Check
from obtegum.store.images import took_image
from obtegum.store.known import forget
from obtegum.store.models import DocumentRow, HouseRow, ImageRow, RequestRow, RevisionRow
from obtegum.store.rows import HouseRowCopy
from obtegum.store.seals import sealed
from obtegum.store.state import NoSuchHouse, Unreadable, name_of, revision_row, state_of

__all__ = ["LeftOut", "Restored", "delete_for_good", "restore"]


@dataclass(frozen=True)
class LeftOut:
    """A house that a restore could not bring back whole, and why."""

    name: str
    why: str


@dataclass
class Restored:
    """What a restore came to."""

    houses: int = 0
    left_out: list[LeftOut] = field(default_factory=list)
    unplanned: list[LeftOut] = field(default_factory=list)


def restore(store: Store, file: Path, check: Check, tell: Tell = quiet) -> Restored:
    """Replace every house by those of a backup, in one stroke.

    What was here before is in ``before-restore.zip`` afterwards. Version numbers go on from those that
    are here, so that a window on an older version sees that the house was replaced. Every house is
    planned with ``check``; one that can't be is kept all the same, and named.

    Raises: BackupError, StoreTrouble; nothing has been replaced then.
    """
    with opened(file) as backup, store.writing() as session:
        before = {row.id: row.version for row in session.execute(select(HouseRow.id, HouseRow.version))}
        write_backup(store, store.folder / BEFORE)
        forget(store.folder)
        for table in (RequestRow, RevisionRow, ImageRow, HouseRow, DocumentRow):
            session.execute(delete(table))
        _take_documents(session, backup, tell)
        rows = {house.id: house for house in backup.houses()}
        if len(rows) != backup.count("houses"):
            raise BackupError("A house is in the backup twice.")
        for house in rows.values():
            raised = house.model_dump() | {"version": house.version + before.get(house.id, 0)}
            session.execute(insert(HouseRow).values(raised))
        _take_revisions(session, backup, rows, before)
        for house_id, body in backup.images():
            if house_id not in rows:
                raise BackupError("The backup has a picture of a house that isn’t in it.")
            took_image(session, house_id, body)
        session.flush()
        found = _judge(session, check)
        _drop_unused(session)
    store.lately.forget()
    # What was missing is told by what came back.
    store.seen()
    return found


def _take_documents(session: Session, backup: Backup, tell: Tell) -> None:
    if isinstance(backup, OldBackup):
        for design, record in backup.texts():
            keep_text(session, design)
            keep_pieces(session, record)
        return
    batch: dict[str, str] = {}
    of = backup.count("documents")
    for done, (name, body) in enumerate(backup.documents(), start=1):
        batch[name] = body
        if len(batch) == AT_ONCE:
            keep_documents(session, batch)
            batch = {}
            tell(done, of)
    keep_documents(session, batch)


def _take_revisions(session: Session, backup: Backup, houses: dict[str, HouseRowCopy], before: dict[str, int]) -> None:
    last: dict[str, int] = {}
    batch: list[dict[str, Any]] = []
    for revision in backup.revisions():
        own, at = revision.house_id, revision.version
        if own not in houses:
            raise BackupError("The backup has the history of a house that isn’t in it.")
        if own in last and at != last[own] + 1:
            raise BackupError("The history of a house in the backup has gaps.")
        last[own] = at
        row, rise = revision.model_dump(), before.get(own, 0)
        undoes = None if row["undoes"] is None else row["undoes"] + rise
        batch.append(sealed(row | {"version": at + rise, "undoes": undoes}))
        if len(batch) == AT_ONCE:
            session.execute(insert(RevisionRow), batch)
            batch = []
    if batch:
        session.execute(insert(RevisionRow), batch)
    if any(last.get(house.id) != house.version for house in houses.values()):
        raise BackupError("The history of a house in the backup has gaps.")


def _judge(session: Session, check: Check) -> Restored:
    """Plan every house. One whose newest state is missing is left out."""
    found = Restored()
    for row in session.scalars(select(HouseRow).order_by(HouseRow.touched.desc())).all():
        name = name_of(session, row)
        newest = revision_row(session, row.id, row.version)
        missing = {newest.design, newest.record} - texts(session, (newest.design, newest.record)).keys()
        if missing:
            found.left_out.append(LeftOut(name, "A part of it is missing from the backup."))
            session.execute(delete(HouseRow).where(HouseRow.id == row.id))
            continue
        found.houses += 1
        try:
            check(*state_of(session, newest))
        except Unreadable as error:
            found.unplanned.append(LeftOut(name, str(error)))
        except Exception as error:
            found.unplanned.append(LeftOut(name, f"It can’t be planned here: {error}"))
    return found


def _drop_unused(session: Session) -> None:
    """Let go of documents that no revision names."""
    records = set(session.scalars(select(RevisionRow.record).distinct()))
    used = records | set(session.scalars(select(RevisionRow.design).distinct())) | parts_of(session, records)
    names = session.scalars(select(DocumentRow.hash)).all()
    unused = [{"name": name} for name in names if name not in used]
    if unused:
        session.execute(text("DELETE FROM document WHERE hash = :name"), unused)


def delete_for_good(store: Store, house_ids: Iterable[str] | None = None) -> int:
    """Delete houses of the deleted shelf for good, all of them or some; returns how many.

    What they held is overwritten in the file. Raises: NoSuchHouse when one isn't on that shelf.
    """
    with store.writing() as session:
        shelf = set(session.scalars(select(HouseRow.id).where(HouseRow.shelf == "deleted")))
        wanted = shelf if house_ids is None else set(house_ids)
        if not wanted <= shelf:
            raise NoSuchHouse(next(iter(wanted - shelf)))
        forget(store.folder)
        for house_id in wanted:
            session.execute(delete(HouseRow).where(HouseRow.id == house_id))
        _drop_unused(session)
    return len(wanted)
