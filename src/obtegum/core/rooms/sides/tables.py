"""What roll-up sides take, a line each."""

import math
from collections.abc import Sequence

from obtegum.core.face.faces import Table
from obtegum.core.face.goods import by_piece
from obtegum.core.face.stock import stocks_of
from obtegum.core.findings.work import Work
from obtegum.core.rooms.sides.found import bar_tube, bars_of, curtained, opened_at, wound
from obtegum.core.rooms.sides.goods import goods
from obtegum.core.rooms.sides.parts import parts

__all__ = ["TABLES"]


def _rows(work: Work) -> Sequence[Sequence[object]]:
    """Bars, couplers, clips, cords, what turns them, and the open area at each height."""
    rows: list[tuple[object, ...]] = [("what", "count", "long_m", "note")]
    if not curtained(work):
        return rows
    bars, turn = bars_of(work), wound(work)
    for stock in stocks_of(parts(work), work.rules.kerf_m):
        note = f"{bar_tube(work).name}, last of each cut to {bars.cut_m:.3f} m" if stock.what == "bar" else ""
        long_m = stock.long_m if stock.stock_m is None else stock.stock_m
        rows.append((stock.what, stock.sticks, f"{long_m:.3f}", note))
    for good in goods(work):
        by_length = good.unit == "m"
        count, metres = ("" if by_length else by_piece(good)), (f"{good.bought:.3f}" if by_length else "")
        rows.append((good.what, count, metres, good.size))
    rows += [
        ("turning it", "", "", f"{turn.torque_nm:.1f} N·m, {math.ceil(turn.turns - 1e-9)} turns"),
        *((f"open {round(share * 100)} %", "", "", f"{opened_at(work, share):.2f} m2") for share in (0.25, 0.5, 1.0)),
    ]
    return rows


TABLES = (Table(name="sides", label="Roll-up sides", about="bars, clips, cords, what opens", rows=_rows),)
