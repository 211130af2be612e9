"""Which houses stand in a data folder, told in a small file beside its database: what goes missing there is noticed.

It is written when the bench is at rest, never while something is being kept, and forgotten before houses are taken out
on purpose: it may know less than is there, never more.
"""

import json
import os
import time
from pathlib import Path

from pydantic import TypeAdapter, ValidationError
from sqlalchemy import select
from sqlalchemy.orm import Session

from obtegum.core.values.base import Part
from obtegum.store.models import HouseRow
from obtegum.store.state import name_of

__all__ = ["KNOWN", "Known", "forget", "kept_aside", "known_in", "note", "went_missing"]

KNOWN = "houses.json"
NAMED = 4


class Known(Part):
    """A house that stood here: its name, and the version that it was at."""

    name: str
    version: int


_Houses = TypeAdapter(dict[str, Known])


def known_in(folder: Path) -> dict[str, Known]:
    """The houses that are known to have stood in a folder; none where nothing readable tells."""
    try:
        return _Houses.validate_json((folder / KNOWN).read_bytes())
    except (OSError, ValidationError):
        return {}


def note(session: Session, folder: Path) -> None:
    """Write down which houses stand. Raises: OSError."""
    rows = session.scalars(select(HouseRow)).all()
    told = {row.id: {"name": name_of(session, row), "version": row.version} for row in rows}
    part = folder / f"{KNOWN}.{os.getpid()}.part"
    part.touch(mode=0o600)
    part.write_text(json.dumps(told, ensure_ascii=False), encoding="utf-8")
    part.replace(folder / KNOWN)


def forget(folder: Path) -> None:
    """Know nothing more of what stands in a folder, before houses are taken out of it."""
    (folder / KNOWN).unlink(missing_ok=True)


def kept_aside(folder: Path, file: Path) -> str:
    """Put what is left of a database aside, where houses stood in it and nothing of it can be read; says so."""
    known = known_in(folder)
    if not known or (file.exists() and file.stat().st_size > 0):
        return ""
    aside = f"damaged-{time.strftime('%Y%m%d-%H%M%S')}-{os.getpid()}"
    kept = list[str]()
    for left in (file, file.with_name(f"{file.name}-wal"), file.with_name(f"{file.name}-shm")):
        if left.exists():
            left.rename(folder / f"{aside}{left.name.removeprefix(file.stem)}")
            kept.append(f"{aside}{left.name.removeprefix(file.stem)}")
    where = f"What was left of it is kept as {kept[0]}. " if kept else ""
    stood = _houses([each.name for each in known.values()])
    return f"{stood} stood here: the file that held them was emptied or taken away. {where}Restore a backup."


def went_missing(session: Session, folder: Path) -> str:
    """What is known to have stood here and doesn't any more, or not as it was; empty where nothing is amiss."""
    now = {row.id: row.version for row in session.scalars(select(HouseRow))}
    known = known_in(folder)
    gone = [each.name for house_id, each in known.items() if house_id not in now]
    older = [each.name for house_id, each in known.items() if now.get(house_id, each.version) < each.version]
    told = [f"{_houses(gone)} stood here and can’t be found." if gone else ""]
    told.append(f"The last changes of {_houses(older)} can’t be found." if older else "")
    said = " ".join(each for each in told if each)
    return f"{said} The data folder’s file is damaged. Keep a copy of it, and restore a backup." if said else ""


def _houses(names: list[str]) -> str:
    more = len(names) - NAMED
    return ", ".join(names[:NAMED]) + (f" and {more} more" if more > 0 else "")
