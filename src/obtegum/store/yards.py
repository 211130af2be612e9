"""How houses stand in the yard, kept as it was found: by the version of the house and the rules of the job.

What was found by other rules, or of another version, is not used. Nothing is lost with it: it is found again.
"""

from collections.abc import Iterable, Mapping
from functools import cache
from hashlib import blake2b
from importlib.resources import files
from importlib.resources.abc import Traversable

from sqlalchemy import delete, select
from sqlalchemy.dialects.sqlite import insert

from obtegum.store.causes import StoreTrouble
from obtegum.store.database import Store
from obtegum.store.models import HouseRow, YardRow

__all__ = ["keep_yards", "kept_yards", "rules_in_use", "rules_of"]


def _bodies(folder: Traversable) -> Iterable[bytes]:
    for each in sorted(folder.iterdir(), key=lambda each: each.name):
        if each.is_dir():
            yield from _bodies(each)
        elif each.name.endswith((".py", ".json")):
            yield each.name.encode()
            yield each.read_bytes()


def rules_of(folder: Traversable) -> str:
    """A name of the rules in a folder: another one for any change of them."""
    found = blake2b(digest_size=8)
    for body in _bodies(folder):
        found.update(body)
    return found.hexdigest()


@cache
def rules_in_use() -> str:
    """The name of the rules of the job as they stand in this program."""
    return rules_of(files("obtegum.core"))


def kept_yards(store: Store, versions: Mapping[str, int]) -> dict[str, str]:
    """What is kept of houses at these versions, by the rules in use, as JSON."""
    try:
        with store.reading() as session:
            rows = session.execute(
                select(YardRow.house_id, YardRow.version, YardRow.body).where(
                    YardRow.house_id.in_(versions), YardRow.rules == rules_in_use()
                )
            ).all()
    except StoreTrouble as trouble:
        # What is damaged here is found again; that it is, is said where the folder is looked over.
        if trouble.cause != "damaged":
            raise
        return {}
    return {house_id: body for house_id, version, body in rows if versions[house_id] == version}


def keep_yards(store: Store, found: Mapping[str, tuple[int, str]]) -> None:
    """Keep what was found, each with the version it is of. A folder that can't be written is left as it is."""
    if not found:
        return
    rows = [
        {"house_id": house_id, "version": version, "rules": rules_in_use(), "body": body}
        for house_id, (version, body) in found.items()
    ]
    try:
        with store.writing() as session:
            session.execute(delete(YardRow).where(YardRow.house_id.in_(found)))
            # A house that has gone meanwhile takes nothing back.
            there = set(session.scalars(select(HouseRow.id).where(HouseRow.id.in_(found))))
            kept = [row for row in rows if row["house_id"] in there]
            if kept:
                session.execute(insert(YardRow), kept)
    except StoreTrouble:
        return
