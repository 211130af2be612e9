"""What the cover takes, a line each: to order it by, and to cut its fixings."""

from collections.abc import Sequence

from obtegum.core.face.faces import Table
from obtegum.core.face.goods import by_piece
from obtegum.core.findings.work import Work
from obtegum.core.rooms.cover.found import order_of, over_planned_m, reach_of, taped_bows
from obtegum.core.rooms.cover.goods import goods
from obtegum.core.rooms.cover.lines import eyelets_of, lines_of

__all__ = ["TABLES"]


def _rows(work: Work) -> Sequence[Sequence[object]]:
    """The sheet, each line that it is held along, m, then all that holds it, spares with it."""
    reach = reach_of(work)
    roll = "" if reach.roll_wide_m is None else f"{reach.roll_wide_m:.3f}"
    rows: list[tuple[object, ...]] = [("what", "long_m", "wide_m", "sticks", "last_cut_m", "screws_or_clamps")]
    rows.append(("sheet", f"{reach.long_m:.3f}", f"{reach.piece_m:.3f}", "", "", ""))
    rows.append(("roll", "" if reach.roll_long_m is None else f"{reach.roll_long_m:.3f}", roll, "", "", ""))
    for each in lines_of(work):
        cut = f"{each.laid.cut_m:.3f}" if each.sticks else ""
        rows.append((f"{each.where}, {each.fixing.name}", f"{each.long_m:.3f}", "", each.sticks, cut, each.pieces))
    for good in goods(work):
        long_m, count = (f"{good.amount:.3f}", "") if good.unit == "m" else ("", by_piece(good))
        rows.append((good.what, long_m, "", "", "", count))
    return rows


def _order(work: Work) -> Sequence[Sequence[object]]:
    """A cover made to measure: what its maker is told, and the bows that it was taken from, m."""
    cover, order, eyelets = work.design.cover, order_of(work), eyelets_of(work)
    return [
        ("what", "value"),
        ("pieces", order.pieces),
        ("finished width, m", f"{order.wide_m:.3f}"),
        ("finished length, m", f"{order.long_m:.3f}"),
        ("made to within, m", f"{cover.off_m:.3f}"),
        ("hem, m", f"{cover.rim_hem_m:.3f}"),
        ("rope in the hem", "yes, ends out at each corner" if cover.rope == "rope" else "no"),
        ("eyelets, each long side", eyelets.count if eyelets else 0),
        ("first eyelet from the end, m", f"{eyelets.first_m:.3f}" if eyelets else ""),
        ("eyelets apart, m", f"{cover.eyelet_m:.3f}" if eyelets else ""),
        ("marked", "ridge along its middle, inside face"),
        ("over the outside as planned, m", f"{over_planned_m(work):.3f}"),
        *((f"over bow {place} as taped, m", f"{each:.3f}") for place, each in enumerate(taped_bows(work), start=1)),
    ]


TABLES = (
    Table(name="cover", label="The cover", about="the sheet, and what holds it", rows=_rows),
    Table(name="cover-order", label="Order of a cover", about="made to measure: sizes, hem, eyelets", rows=_order),
)
