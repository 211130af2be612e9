"""The drain beside the house, from above."""

from typing import Literal

from obtegum.core.drawing.items import Arrow, Drawing, Item, Mark, Note, Outline, Row
from obtegum.core.drawing.paths import line
from obtegum.core.findings.skeleton.bays import strung
from obtegum.core.findings.work import Work
from obtegum.core.rooms.drain.found import drain_places, drained
from obtegum.core.rooms.level.ground import contours, ground_drawing
from obtegum.core.rooms.set_out.base import BESIDE_M, corners, floor, strings

__all__ = ["drain_line", "drain_run"]

# How far beyond the pad the drain lies, m.
BESIDE_PAD_M = 0.3


def drain_line(work: Work) -> tuple[float, float, float]:
    """Where the drain starts and ends along the house, and how far across from A to B it lies, m."""
    (length_m, width_m), found = strung(work), drained(work)
    off = work.design.pad.margin_m + BESIDE_PAD_M
    y = -off if found.side == "L" else width_m + off
    start, way = (length_m, -1.0) if found.outlet == "A" else (0.0, 1.0)
    return start, start + way * found.length_m, y


def drain_run(work: Work) -> Drawing:
    """The drain along the uphill side, water running to its outlet."""
    found, (start, end, y) = drained(work), drain_line(work)
    way = 1.0 if end > start else -1.0
    anchors: tuple[Literal["start", "end"], Literal["start", "end"]] = ("start", "end") if way > 0 else ("end", "start")
    first, last = anchors
    uphill = y + (-0.8 if found.side == "L" else 0.8)
    items: list[Item] = [
        floor(work),
        *contours(work),
        *strings(work),
        Outline(part="drain", layer="hidden", material="ink", path=line(start, y, end, y), width_m=0.1, label="drain"),
        Arrow(
            part="drain:way",
            x0=start + way * found.length_m * 0.4,
            y0=uphill,
            x1=start + way * found.length_m * 0.6,
            y1=uphill,
        ),
        *(
            Mark(part=part, symbol="centre", x=start + way * at_m, y=y, label=f"{work.say(at_m)} along the drain")
            for at_m, part in drain_places(work, found)
        ),
        Note(part="drain:start", x=start, y=uphill, text=f"starts {work.say(found.start_deep_m)} deep", anchor=first),
        Note(part="drain:end", x=end, y=uphill, text=f"runs out {work.say(found.end_deep_m)} deep", anchor=last),
        *corners(work),
    ]
    rows = (
        Row(what="Drain", reading=work.say(found.length_m)),
        Row(what="Depth at its start", reading=work.say(found.start_deep_m)),
        Row(what="Depth at its outlet", reading=work.say(found.end_deep_m)),
    )
    side = "A to B" if found.side == "L" else "D to C"
    summary = f"A drain beside {side}, the uphill side, {work.say(found.length_m)} long."
    return ground_drawing(work, "drain", "Drain", summary, items, rows, BESIDE_M + 0.3)
