"""Sheets to order and to cut, a line each."""

from collections.abc import Sequence

from obtegum.core.face.faces import Table
from obtegum.core.face.goods import by_piece
from obtegum.core.findings.work import Work
from obtegum.core.rooms.sheets.found import end_sheets, laid
from obtegum.core.rooms.sheets.goods import goods

__all__ = ["TABLES"]


def _rows(work: Work) -> Sequence[Sequence[object]]:
    """Each sheet by its number with where it lies, m; then ends, and what holds and closes them."""
    rows: list[tuple[object, ...]] = [("what", "number", "wide_m", "long_m", "along_m", "over_m")]
    if work.design.sheets.over_roof:
        for each in laid(work):
            wide, long = each.to_m - each.from_m, each.high_m - each.low_m
            rows.append(("roof", each.number, f"{wide:.3f}", f"{long:.3f}", f"{each.from_m:.3f}", f"{each.low_m:.3f}"))
    if work.design.sheets.over_ends:
        for sheet in end_sheets(work):
            name = f"{sheet.side} {sheet.number}"
            heights = f"{sheet.left_m:.3f}/{sheet.right_m:.3f}"
            rows.append(("end", name, f"{sheet.to_m - sheet.from_m:.3f}", f"{sheet.high_m:.3f}", "", heights))
    for good in goods(work):
        by_length = good.unit == "m"
        count, metres = ("" if by_length else by_piece(good)), (f"{good.bought:.3f}" if by_length else "")
        rows.append((good.what, count, "", metres, "", ""))
    return rows


TABLES = (Table(name="sheets", label="Rigid sheets", about="each sheet, trims, screws", rows=_rows),)
