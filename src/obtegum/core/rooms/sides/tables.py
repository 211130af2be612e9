"""What roll-up sides take, a line each."""

import math
from collections.abc import Sequence

from obtegum.core.face.faces import Table
from obtegum.core.findings.work import Work
from obtegum.core.rooms.sides.found import bar_tube, bars_of, curtained, opened_at, wound

__all__ = ["TABLES"]


def _rows(work: Work) -> Sequence[Sequence[object]]:
    """Bars, couplers, clips, cords, what turns them, and the open area at each height."""
    rows: list[tuple[object, ...]] = [("what", "count", "long_m", "note")]
    if not curtained(work):
        return rows
    sides, bars, turn = work.design.sides, bars_of(work), wound(work)
    rows += [
        ("bar", bars.sticks, f"{sides.bar_m:.3f}", f"{bar_tube(work).name}, last of each cut to {bars.cut_m:.3f} m"),
        ("coupler", bars.couplers, "", ""),
        ("clip", bars.clips, "", f"each {sides.clip_m:.3f} m"),
        ("cord", bars.cords, f"{bars.cord_m:.3f}", "in all"),
        (sides.drive, 2 * sides.parts, "", f"{turn.torque_nm:.1f} N·m, {math.ceil(turn.turns - 1e-9)} turns"),
        *((f"open {round(share * 100)} %", "", "", f"{opened_at(work, share):.2f} m2") for share in (0.25, 0.5, 1.0)),
    ]
    return rows


TABLES = (Table(name="sides", label="Roll-up sides", about="bars, clips, cords, what opens", rows=_rows),)
