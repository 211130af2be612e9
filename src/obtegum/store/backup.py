"""All of a data folder as one ZIP of JSON files, and back: checked in full before anything is replaced."""

import io
import json
import time
import zipfile
from collections.abc import Iterator
from typing import Any

from pydantic import ValidationError
from sqlalchemy import delete, select

from obtegum.core.design import HouseDesign
from obtegum.core.part import Part
from obtegum.core.record import SiteRecord
from obtegum.store.database import Store
from obtegum.store.models import HouseRow, RevisionRow

__all__ = ["BackupError", "read_backup", "restore", "write_backup"]

FORMAT = "obtegum backup"
VERSION = 1
MOST_FILES = 20_000
MOST_UNPACKED = 500_000_000


class BackupError(ValueError):
    """A file that is no whole backup; the message says why. Nothing has been replaced."""


class RevisionCopy(Part):
    """One revision of a house in a backup."""

    version: int
    made: float
    window: str
    gesture: str
    words: str
    kind: str
    design: HouseDesign
    record: SiteRecord


class HouseCopy(Part):
    """One house in a backup, with its whole history."""

    id: str
    version: int
    touched: float
    shelf: str
    revisions: tuple[RevisionCopy, ...]


def write_backup(store: Store) -> bytes:
    """Every house with its history, as it stands at one moment."""
    out = io.BytesIO()
    with store.reading() as session, zipfile.ZipFile(out, "w", zipfile.ZIP_DEFLATED) as pack:
        houses = list(session.scalars(select(HouseRow).order_by(HouseRow.id)))
        manifest = {"format": FORMAT, "version": VERSION, "made": time.time(), "houses": len(houses)}
        pack.writestr("manifest.json", json.dumps(manifest, indent=1))
        for house in houses:
            rows = session.scalars(
                select(RevisionRow).where(RevisionRow.house_id == house.id).order_by(RevisionRow.version)
            )
            copy = {
                "id": house.id,
                "version": house.version,
                "touched": house.touched,
                "shelf": house.shelf,
                "revisions": [_revision(row) for row in rows],
            }
            pack.writestr(f"houses/{house.id}.json", json.dumps(copy))
    return out.getvalue()


def _revision(row: RevisionRow) -> dict[str, Any]:
    plain = {name: getattr(row, name) for name in ("version", "made", "window", "gesture", "words", "kind")}
    return {**plain, "design": json.loads(row.design), "record": json.loads(row.record)}


def _members(pack: zipfile.ZipFile) -> Iterator[tuple[str, Any]]:
    infos = pack.infolist()
    if len(infos) > MOST_FILES or sum(info.file_size for info in infos) > MOST_UNPACKED:
        raise BackupError("The backup unpacks to more than this bench can hold.")
    for info in infos:
        try:
            yield info.filename, json.loads(pack.read(info))
        except (ValueError, RecursionError):
            raise BackupError(f"{info.filename[:80]} in the backup can’t be read.") from None


def read_backup(data: bytes) -> list[HouseCopy]:
    """Check a backup in full. Raises: BackupError."""
    try:
        with zipfile.ZipFile(io.BytesIO(data)) as pack:
            members = dict(_members(pack))
    except (zipfile.BadZipFile, EOFError, NotImplementedError, RuntimeError, OSError) as error:
        raise BackupError("The file is cut short or is no backup.") from error
    manifest = members.pop("manifest.json", None)
    if not isinstance(manifest, dict) or manifest.get("format") != FORMAT:
        raise BackupError("The file is no backup of houses.")
    if manifest.get("version") != VERSION:
        raise BackupError("The backup is from a newer Obtegum; this one can’t read it.")
    try:
        copies = [HouseCopy.model_validate(member) for member in members.values()]
    except ValidationError as error:
        raise BackupError(f"A house in the backup is damaged: {error.errors()[0]['msg']}.") from None
    if len(copies) != manifest.get("houses") or len({copy.id for copy in copies}) != len(copies):
        raise BackupError("A house is missing from the backup.")
    for copy in copies:
        if [each.version for each in copy.revisions] != list(range(1, copy.version + 1)):
            raise BackupError("The history of a house in the backup has gaps.")
    return copies


def restore(store: Store, copies: list[HouseCopy]) -> int:
    """Replace every house by those of a checked backup, in one stroke; returns how many."""
    with store.writing() as session:
        session.execute(delete(RevisionRow))
        session.execute(delete(HouseRow))
        for copy in copies:
            newest = copy.revisions[-1]
            session.add(
                HouseRow(
                    id=copy.id,
                    version=copy.version,
                    touched=copy.touched,
                    shelf=copy.shelf,
                    design=newest.design.model_dump_json(),
                    record=newest.record.model_dump_json(),
                )
            )
            session.flush()
            for each in copy.revisions:
                plain = each.model_dump(exclude={"design", "record"})
                documents = {"design": each.design.model_dump_json(), "record": each.record.model_dump_json()}
                session.add(RevisionRow(house_id=copy.id, **plain, **documents))
    return len(copies)
