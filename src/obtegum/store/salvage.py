"""What of a damaged data folder can be read whole, row by row, and what that leaves of each house."""

from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass, field
from typing import Any, TypeVar

from pydantic import ValidationError
from sqlalchemy import and_, func, select
from sqlalchemy.exc import DBAPIError
from sqlalchemy.orm import Session

from obtegum.core.face.intake import counted
from obtegum.core.values.base import Part
from obtegum.store.causes import damaged
from obtegum.store.documents import MissingDocument, read_pieces, read_text
from obtegum.store.models import HouseRow, RevisionRow
from obtegum.store.rows import HouseRowCopy, RevisionCopy
from obtegum.store.seals import UNTOLD, as_told
from obtegum.store.state import design_or_name

__all__ = ["Lacks", "Whole", "lacking", "whole_houses", "whole_rows"]

AT_ONCE = 400


class Lacks(Part):
    """A house that isn't whole in a backup, by its name, and what of it is lacking."""

    house: str
    what: str


def lacking(lacks: Sequence[Lacks]) -> str:
    """What a backup lacks, in a sentence."""
    each = "; ".join(f"of {lack.house} {lack.what}" for lack in lacks)
    return f"Damaged here, and so not in the backup: {each}. Keep older backups, and a copy of the data folder."


@dataclass
class Whole:
    """The houses of a folder with their histories, as far as they are whole; and what is lacking."""

    houses: list[HouseRowCopy] = field(default_factory=list)
    revisions: list[RevisionCopy] = field(default_factory=list)
    lacks: list[Lacks] = field(default_factory=list)


def whole_rows(session: Session, table: Any, key: Sequence[Any], at_once: int = AT_ONCE) -> Iterator[Mapping[str, Any]]:
    """The rows of a table in the order of its key; one by one where the table can't be read in one go, and without
    those that can't be read at all."""
    columns, seen = list(table.__table__.columns), set[tuple[Any, ...]]()
    names = [each.key for each in key]
    try:
        rows = session.execute(select(*columns).order_by(*key), execution_options={"yield_per": at_once})
        for row in rows.mappings():
            seen.add(tuple(row[name] for name in names))
            yield dict(row)
        return
    except DBAPIError as error:
        if not damaged(error):
            raise
    for wanted in session.execute(select(*key).order_by(*key)).all():
        if tuple(wanted) in seen:
            continue
        try:
            same = and_(*(column == value for column, value in zip(key, wanted, strict=True)))
            found = session.execute(select(*columns).where(same)).mappings().first()
        except DBAPIError as error:
            if not damaged(error):
                raise
            found = None
        if found is not None:
            yield dict(found)


Copy = TypeVar("Copy", bound=Part)


def _copies(kind: type[Copy], rows: Iterator[Mapping[str, Any]]) -> Iterator[Copy]:
    for row in rows:
        try:
            yield kind.model_validate(row)
        except ValidationError:
            continue


def whole_houses(session: Session) -> Whole:
    """Every house with its last unbroken stretch of history, up to the newest state that is whole."""
    found = Whole()
    history: dict[str, list[RevisionCopy]] = {}
    by_version = (RevisionRow.house_id, RevisionRow.version)
    for revision in _copies(RevisionCopy, map(as_told, whole_rows(session, RevisionRow, by_version))):
        history.setdefault(revision.house_id, []).append(revision)
    rows = {row.id: row for row in _copies(HouseRowCopy, whole_rows(session, HouseRow, (HouseRow.id,)))}
    # A house whose own row is damaged stands in the yard at its last version.
    for house_id, own in history.items():
        if house_id not in rows:
            rows[house_id] = HouseRowCopy(id=house_id, version=own[-1].version, touched=own[-1].made, shelf="standing")
            found.lacks.append(Lacks(house=_name(session, own[-1]), what="where it was put away to"))
    known = session.scalar(select(func.count()).select_from(HouseRow)) or 0
    if known > len(rows):
        found.lacks.append(Lacks(house=f"{known - len(rows)} more", what="all of it"))
    for row in rows.values():
        _take(session, row, history.get(row.id, []), found)
    return found


def _take(session: Session, row: HouseRowCopy, own: list[RevisionCopy], found: Whole) -> None:
    newest = max(len(own) - 1, 0)
    whole = len(own) - 1
    while own and not _stands(session, own[newest]):
        if newest == 0:
            own = []
        newest -= 1
    if not own:
        found.lacks.append(Lacks(house=design_or_name(session, row.id, row.version)[1], what="all of it"))
        return
    oldest = newest
    while oldest and own[oldest - 1].version == own[oldest].version - 1:
        oldest -= 1
    kept, last = own[oldest : newest + 1], own[newest].version
    if newest < whole or last < row.version:
        found.lacks.append(Lacks(house=_name(session, own[newest]), what=f"what was changed after version {last}"))
    elif oldest and kept[0].version != own[0].version:
        name = _name(session, own[newest])
        found.lacks.append(Lacks(house=name, what=f"its history before version {kept[0].version}"))
    untold = sum(each.words == UNTOLD for each in kept)
    if untold:
        found.lacks.append(
            Lacks(house=_name(session, own[newest]), what="what was done in " + counted(untold, "change"))
        )
    found.houses.append(row.model_copy(update={"version": last}))
    found.revisions += kept


def _stands(session: Session, revision: RevisionCopy) -> bool:
    """Whether the state that a revision made can be read whole."""
    try:
        read_text(session, revision.design)
        read_pieces(session, revision.record)
    except MissingDocument:
        return False
    except DBAPIError as error:
        if not damaged(error):
            raise
        return False
    return True


def _name(session: Session, revision: RevisionCopy) -> str:
    return design_or_name(session, revision.house_id, revision.version)[1]
