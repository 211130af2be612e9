"""The cut list of both ends, by letter."""

import math
from collections.abc import Sequence

from obtegum.core.face.faces import Table
from obtegum.core.findings.skeleton.outline import half_m, stock_of
from obtegum.core.findings.work import Work
from obtegum.core.rooms.ends.leaf import leaves_of
from obtegum.core.rooms.ends.props import props_of
from obtegum.core.rooms.ends.wall import all_walls, end_boards

__all__ = ["TABLES"]

HEADER = (
    "end", "letter", "what", "count", "stock", "at_m", "long_m", "short_m", "bevel_left_deg", "bevel_right_deg",
    "notch_m", "bolt_m",
)  # fmt: skip


def _cuts(work: Work) -> Sequence[Sequence[object]]:
    """A line a stick: where its middle stands from the left post, long and short point, m, bevels in degrees, and where
    its notch and bolt are from its foot; then the pieces of each leaf, end boards, props."""
    rows: list[tuple[object, ...]] = [HEADER]
    for wall in all_walls(work):
        stock, half = stock_of(work, wall.side).id, half_m(work, wall.side)
        for stick in wall.sticks:
            at = (stick.ends[0][0] + stick.ends[1][0]) / 2 + half
            first, last = (f"{math.degrees(each):.2f}" for each in stick.bevels_rad)
            notch = f"{min(stick.head.notch):.4f}" if stick.head and stick.head.notch else ""
            bolt = f"{stick.head.bolt_m:.4f}" if stick.head else ""
            lengths = f"{stick.long_m:.4f}", f"{stick.short_m:.4f}"
            rows.append(
                (wall.side, stick.letter, stick.what, 1, stock, f"{at:.4f}", *lengths, first, last, notch, bolt)
            )
        for leaf in leaves_of(work, wall.side):
            named = "door" if leaf.name == "door" else f"opening {leaf.name}"
            for piece in leaf.pieces:
                rows.append(_piece(wall.side, f"{piece.what}, leaf of the {named}", piece.count, piece.long_m))
        for low, high in end_boards(work, wall.side):
            rows.append(_piece(wall.side, "end board", 1, high - low))
        for prop in props_of(work, wall.side):
            rows.append(_piece(wall.side, f"prop of {prop.letter}, hole to hole", 1, prop.long_m))
    return rows


def _piece(side: str, what: str, count: int, long_m: float) -> tuple[object, ...]:
    return (side, "", what, count, "", "", f"{long_m:.4f}", f"{long_m:.4f}", "", "", "", "")


TABLES = (Table(name="end-cuts", label="Cut list of the ends", about="by letter, both points and bevels", rows=_cuts),)
