"""The cut list of both ends, by letter."""

import math
from collections.abc import Sequence

from obtegum.core.faces import Table
from obtegum.core.rooms.ends.found import all_walls, leaves_of, stud_board
from obtegum.core.work import Work

__all__ = ["TABLES"]


def _cuts(work: Work) -> Sequence[Sequence[object]]:
    """A line a stick: where its middle stands from the left post, long and short point, m, bevel in degrees."""
    rows: list[tuple[object, ...]] = [("end", "letter", "what", "stock", "at_m", "long_m", "short_m", "bevel_deg")]
    half = work.design.size.span_m / 2
    for wall in all_walls(work):
        for stick in wall.sticks:
            at = (stick.ends[0][0] + stick.ends[1][0]) / 2 + half
            bevel = math.degrees(stick.cut.bevel_rad) if stick.cut is not None else 0.0
            numbers = (f"{at:.4f}", f"{stick.long_m:.4f}", f"{stick.short_m:.4f}", f"{bevel:.2f}")
            rows.append((wall.side, stick.letter, stick.what, stud_board(work, wall.side).id, *numbers))
        for leaf in leaves_of(work, wall.side):
            rows.append((wall.side, "", "leaf", "", "", f"{leaf.high_m:.4f}", f"{leaf.wide_m:.4f}", ""))
    return rows


TABLES = (Table(name="end-cuts", label="Cut list of the ends", about="by letter, both points and bevel", rows=_cuts),)
