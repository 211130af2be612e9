"""All of a data folder as one ZIP of JSON lines: written, read back, and opened with every line checked.

``manifest.json`` says what is in it; ``houses.jsonl`` and ``revisions.jsonl`` hold a row a line;
``documents.jsonl`` the texts that the revisions name, each once, by the hash of its content;
``images/`` the pictures of the work as files, by their house and the hash of their content.
Version 2 had no pictures, version 1 held a JSON file a house with every text in full; both are still read.
"""

import json
import os
import time
import zipfile
import zlib
from collections.abc import Callable, Iterator
from contextlib import contextmanager
from pathlib import Path
from typing import IO, Any, TypeVar

from pydantic import ValidationError
from sqlalchemy import func, select
from sqlalchemy.orm import Session

from obtegum.core.documents.reading import record_as_kept_now
from obtegum.core.values.base import Part
from obtegum.store.causes import named
from obtegum.store.database import Store, put_in_place
from obtegum.store.documents import hash_of, in_pieces
from obtegum.store.images import MOST_IMAGE_BYTES, name_of_image
from obtegum.store.models import DocumentRow, ImageRow
from obtegum.store.rows import HouseRowCopy, RevisionCopy
from obtegum.store.salvage import Lacks, whole_houses, whole_rows

__all__ = ["BEFORE", "Backup", "BackupError", "OldBackup", "Tell", "opened", "quiet", "write_backup"]

FORMAT = "obtegum backup"
VERSION = 3
WITHOUT_IMAGES = 2
BEFORE = "before-restore.zip"
MOST_V1_BYTES = 500_000_000
MOST_LINE = 64_000_000
# Readings and designs pack to a tenth or so; what unpacks to far more is made to fill the disk.
MOST_RATIO = 200
AT_ONCE = 400
IMAGES, JPEG = "images/", b"\xff\xd8\xff"

# Told how far long work has come: done, of how many.
Tell = Callable[[int, int], None]


class BackupError(ValueError):
    """A file that is no whole backup; the message says why. Nothing has been replaced."""


def quiet(done: int, of: int) -> None:
    pass


def write_backup(store: Store, file: Path, tell: Tell = quiet) -> tuple[int, tuple[Lacks, ...]]:
    """Every house with its history, as it stands at one moment; returns how many, and what is lacking because it is
    damaged here.

    Written beside the file, read back, and only then given its name: what was there before stays until
    this one is whole. Raises: StoreTrouble; OSError.
    """
    part = file.with_name(f"{file.name}.{os.getpid()}.{time.monotonic_ns()}.part")
    try:
        with named():
            os.close(os.open(part, os.O_CREAT | os.O_WRONLY | os.O_EXCL, 0o600))
            with store.reading() as session, zipfile.ZipFile(part, "w", zipfile.ZIP_DEFLATED, compresslevel=6) as pack:
                written = _write(session, pack, tell)
            with opened(part) as read:
                read.check()
            put_in_place(part, file)
    finally:
        part.unlink(missing_ok=True)
    return written


def _write(session: Session, pack: zipfile.ZipFile, tell: Tell) -> tuple[int, tuple[Lacks, ...]]:
    def count(table: Any) -> int:
        return session.scalar(select(func.count()).select_from(table)) or 0

    whole = whole_houses(session)
    of = len(whole.houses) + len(whole.revisions) + count(DocumentRow) + count(ImageRow)
    rows: dict[str, Iterator[dict[str, Any]]] = {
        "houses": (each.model_dump() for each in whole.houses),
        "revisions": (each.model_dump() for each in whole.revisions),
        "documents": _documents(session),
    }
    done, counts = 0, dict[str, int]()
    for name, each in rows.items():
        before = done
        with pack.open(f"{name}.jsonl", "w", force_zip64=True) as out:
            for row in each:
                out.write(_plain(row).encode() + b"\n")
                done += 1
                if done % AT_ONCE == 0:
                    tell(done, of)
        counts[name] = done - before
    counts["images"], pictures = 0, 0
    own = {each.id for each in whole.houses}
    for image in whole_rows(session, ImageRow, (ImageRow.house_id, ImageRow.name), 1):
        if name_of_image(image["body"] or b"") != image["name"] or image["house_id"] not in own:
            pictures += 1
            continue
        # A picture is packed already.
        pack.writestr(zipfile.ZipInfo(f"{IMAGES}{image['house_id']}/{image['name']}.jpg"), image["body"])
        counts["images"] += 1
        tell(done + counts["images"], of)
    lacks = [*whole.lacks]
    if pictures:
        lacks.append(Lacks(house="the pictures", what=f"{pictures} of them"))
    told = {"lacks": [each.model_dump() for each in lacks]} if lacks else {}
    manifest = {"format": FORMAT, "version": VERSION, "made": time.time(), **counts, **told}
    pack.writestr("manifest.json", json.dumps(manifest, indent=1))
    return counts["houses"], tuple(lacks)


def _documents(session: Session) -> Iterator[dict[str, Any]]:
    """The texts that are whole; those that aren't are what houses lack."""
    for row in whole_rows(session, DocumentRow, (DocumentRow.hash,)):
        if hash_of(row["body"]) == row["hash"]:
            yield dict(row)


class Backup:
    """An open backup: its members line by line, nothing believed before it is checked."""

    def __init__(self, pack: zipfile.ZipFile, manifest: dict[str, Any]) -> None:
        self.pack, self.manifest = pack, manifest

    def count(self, name: str) -> int:
        found = self.manifest.get(name)
        if not isinstance(found, int):
            raise BackupError("The backup doesn’t say what is in it.")
        return found

    def lines(self, name: str) -> Iterator[Any]:
        """The rows of a member. Raises: BackupError when one is cut short or missing."""
        count = 0
        with self.pack.open(f"{name}.jsonl") as member:
            for line in _lines_of(member):
                count += 1
                try:
                    yield json.loads(line)
                except (ValueError, RecursionError):
                    raise BackupError(f"Line {count} of {name} in the backup can’t be read.") from None
        if count != self.count(name):
            raise BackupError(f"The backup has {count} {name} where it says {self.count(name)}.")

    def documents(self) -> Iterator[tuple[str, str]]:
        """The texts, each checked against its hash."""
        for row in self.lines("documents"):
            if not (isinstance(row, dict) and isinstance(row.get("body"), str) and hash_of(row["body"]) == row["hash"]):
                raise BackupError("A text in the backup is damaged.")
            yield row["hash"], row["body"]

    def houses(self) -> Iterator[HouseRowCopy]:
        yield from (_row(HouseRowCopy, row) for row in self.lines("houses"))

    def revisions(self) -> Iterator[RevisionCopy]:
        yield from (_row(RevisionCopy, row) for row in self.lines("revisions"))

    def images(self) -> Iterator[tuple[str, bytes]]:
        """The pictures of the work, each with its house, checked against its hash."""
        found = [info for info in self.pack.infolist() if info.filename.startswith(IMAGES)]
        if self.manifest["version"] > WITHOUT_IMAGES and len(found) != self.count("images"):
            raise BackupError("A picture is missing from the backup.")
        for info in found:
            house_id, _, file = info.filename.removeprefix(IMAGES).partition("/")
            body = self.pack.read(info) if info.file_size <= MOST_IMAGE_BYTES else b""
            if f"{name_of_image(body)}.jpg" != file or not body.startswith(JPEG):
                raise BackupError("A picture in the backup is damaged.")
            yield house_id, body

    def check(self) -> None:
        """Read all of it once. Raises: BackupError."""
        for rows in (self.houses(), self.revisions(), self.documents(), self.images()):
            for _ in rows:
                pass


def _lines_of(member: IO[bytes]) -> Iterator[bytes]:
    while line := member.readline(MOST_LINE):
        if len(line) == MOST_LINE:
            raise BackupError("A line in the backup is longer than anything kept here.")
        yield line


Row = TypeVar("Row", bound=Part)


def _row(kind: type[Row], row: Any) -> Row:
    try:
        return kind.model_validate(row)
    except ValidationError as error:
        raise BackupError(f"A house in the backup is damaged: {error.errors()[0]['msg']}.") from None


@contextmanager
def opened(file: Path) -> Iterator[Backup]:
    """A backup to read. Raises: BackupError, now or while it is read."""
    try:
        with zipfile.ZipFile(file) as pack:
            infos = {info.filename: info for info in pack.infolist()}
            manifest = _manifest(pack, infos)
            size = max(file.stat().st_size, 1_000_000)
            if sum(info.file_size for info in infos.values()) > size * MOST_RATIO:
                raise BackupError("The backup unpacks to more than this bench can hold.")
            yield OldBackup(pack, manifest) if manifest["version"] == 1 else Backup(pack, manifest)
    except (zipfile.BadZipFile, zlib.error, EOFError, NotImplementedError, RuntimeError, KeyError, ValueError) as error:
        if isinstance(error, BackupError):
            raise
        raise BackupError("The backup is damaged or cut short, or is no backup. Nothing was replaced.") from error
    except OSError as error:
        raise BackupError("The file can’t be read.") from error


def _manifest(pack: zipfile.ZipFile, infos: dict[str, zipfile.ZipInfo]) -> dict[str, Any]:
    info = infos.get("manifest.json")
    if info is None or info.file_size > 10_000:
        raise BackupError("The file is no backup of houses.")
    try:
        manifest = json.loads(pack.read(info))
    except (ValueError, RecursionError):
        manifest = None
    if not isinstance(manifest, dict) or manifest.get("format") != FORMAT:
        raise BackupError("The file is no backup of houses.")
    if manifest.get("version") not in (1, WITHOUT_IMAGES, VERSION):
        raise BackupError("The backup is from a newer Obtegum; this one can’t read it.")
    return manifest


def _plain(value: Any) -> str:
    return json.dumps(value, ensure_ascii=False, separators=(",", ":"))


class OldBackup(Backup):
    """A backup of version 1, read as if it were of version 2."""

    def __init__(self, pack: zipfile.ZipFile, manifest: dict[str, Any]) -> None:
        super().__init__(pack, manifest)
        infos = pack.infolist()
        if sum(info.file_size for info in infos) > MOST_V1_BYTES:
            raise BackupError("The backup unpacks to more than this bench can hold.")
        self.members = [info for info in infos if info.filename != "manifest.json"]
        if len(self.members) != self.count("houses"):
            raise BackupError("A house is missing from the backup.")

    def _each(self) -> Iterator[dict[str, Any]]:
        for info in self.members:
            try:
                house = json.loads(self.pack.read(info))
                revisions = [dict(each) for each in house["revisions"]]
                yield {**house, "revisions": revisions}
            except (ValueError, RecursionError, KeyError, TypeError):
                raise BackupError(f"{info.filename[:80]} in the backup can’t be read.") from None

    @staticmethod
    def _texts(revision: dict[str, Any]) -> tuple[str, str]:
        try:
            record = record_as_kept_now(revision.get("record"))
        except ValidationError:
            raise BackupError("A spot in the backup is damaged.") from None
        return _plain(revision.get("design")), _plain(record)

    def texts(self) -> Iterator[tuple[str, str]]:
        """The design and record of every revision."""
        for house in self._each():
            yield from (self._texts(revision) for revision in house["revisions"])

    def documents(self) -> Iterator[tuple[str, str]]:
        return iter(())

    def images(self) -> Iterator[tuple[str, bytes]]:
        return iter(())

    def houses(self) -> Iterator[HouseRowCopy]:
        for house in self._each():
            versions = [each.get("version") for each in house["revisions"]]
            if versions != list(range(1, house.get("version", 0) + 1)):
                raise BackupError("The history of a house in the backup has gaps.")
            yield _row(HouseRowCopy, {name: value for name, value in house.items() if name != "revisions"})

    def revisions(self) -> Iterator[RevisionCopy]:
        for house in self._each():
            for revision in house["revisions"]:
                design, record = self._texts(revision)
                named = {"house_id": house.get("id"), "design": hash_of(design), "record": in_pieces(record)[0]}
                yield _row(RevisionCopy, {**revision, **named})
