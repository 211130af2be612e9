"""What the cover takes, a line each: to order it by, and to cut its fixings."""

from collections.abc import Sequence

from obtegum.core.faces import Table
from obtegum.core.rooms.cover.found import lines_of, reach_of
from obtegum.core.work import Work

__all__ = ["TABLES"]


def _rows(work: Work) -> Sequence[Sequence[object]]:
    """The sheet, then each line that it is held along, m."""
    reach = reach_of(work)
    roll = "" if reach.roll_wide_m is None else f"{reach.roll_wide_m:.3f}"
    rows: list[tuple[object, ...]] = [("what", "long_m", "wide_m", "sticks", "last_cut_m", "screws_or_clamps")]
    rows.append(("sheet", f"{reach.long_m:.3f}", f"{reach.piece_m:.3f}", "", "", ""))
    rows.append(("roll", "" if reach.roll_long_m is None else f"{reach.roll_long_m:.3f}", roll, "", "", ""))
    for each in lines_of(work):
        cut = f"{each.cut_m:.3f}" if each.sticks else ""
        rows.append((f"{each.where}, {each.fixing.name}", f"{each.long_m:.3f}", "", each.sticks, cut, each.pieces))
    return rows


TABLES = (Table(name="cover", label="The cover", about="the sheet, and what holds it", rows=_rows),)
