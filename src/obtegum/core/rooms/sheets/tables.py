"""Sheets to order and to cut, a line each."""

from collections.abc import Sequence

from obtegum.core.face.faces import Table
from obtegum.core.findings.work import Work
from obtegum.core.rooms.sheets.found import end_sheets, laid, screws_of, sticks_of, trims_of

__all__ = ["TABLES"]


def _rows(work: Work) -> Sequence[Sequence[object]]:
    """Each sheet by its number with where it lies, m; then ends, trims, screws."""
    rows: list[tuple[object, ...]] = [("what", "number", "wide_m", "long_m", "along_m", "over_m")]
    if work.design.sheets.over_roof:
        for each in laid(work):
            wide, long = each.to_m - each.from_m, each.high_m - each.low_m
            rows.append(("roof", each.number, f"{wide:.3f}", f"{long:.3f}", f"{each.from_m:.3f}", f"{each.low_m:.3f}"))
        rows.append(("screw", screws_of(work).count, "", "", "", ""))
    if work.design.sheets.over_ends:
        for sheet in end_sheets(work):
            name = f"{sheet.side} {sheet.number}"
            heights = f"{sheet.left_m:.3f}/{sheet.right_m:.3f}"
            rows.append(("end", name, f"{sheet.to_m - sheet.from_m:.3f}", f"{sheet.high_m:.3f}", "", heights))
    rows += [(trim.what, sticks_of(trim), "", f"{trim.long_m:.3f}", "", "") for trim in trims_of(work)]
    return rows


TABLES = (Table(name="sheets", label="Rigid sheets", about="each sheet, trims, screws", rows=_rows),)
