"""Every piece that is cut and every fitting that is bought, a line each."""

from collections.abc import Sequence

from obtegum.core.face.faces import Table
from obtegum.core.face.goods import by_piece
from obtegum.core.findings.skeleton.bays import bays_of
from obtegum.core.findings.skeleton.bows import split_of
from obtegum.core.findings.skeleton.fittings import is_glued
from obtegum.core.findings.skeleton.runs import pieces_of
from obtegum.core.findings.work import Work
from obtegum.core.rooms.fittings.found import dry_at
from obtegum.core.rooms.fittings.goods import goods

__all__ = ["TABLES"]


def _rows(work: Work) -> Sequence[Sequence[object]]:
    """What, how many, how long, m, which end stays dry."""
    rows: list[tuple[object, ...]] = [("what", "count", "length_m", "dry_end")]
    if not is_glued(work):
        return rows
    rows += [
        (f"bow piece {each.name}", bays_of(work).bows, f"{each.length_m:.4f}", "") for each in split_of(work).pieces
    ]
    rows += [
        (f"run {each.run}, piece {each.number}", 1, f"{each.length_m:.4f}", dry_at(work, each.number))
        for each in pieces_of(work)
    ]
    bought = ((good.what, by_piece(good)) for good in goods(work) if good.unit == "piece")
    return [*rows, *((what, count, "", "") for what, count in bought)]


TABLES = (Table(name="fittings", label="Pieces and fittings", about="every cut, and what is bought", rows=_rows),)
