"""A drawing at true size over many sheets, to be stuck together: register marks, a ruler to check the printer by.

Sheets overlap; a cross in each corner of a sheet's own field is the same point as its neighbour's. Sheets on which
nothing is drawn are left out; the first page shows which sheet goes where.
"""

import io
import math
from collections.abc import Iterator
from dataclasses import dataclass
from itertools import pairwise
from typing import Any

from obtegum.core.drawing.items import Drawing, Note, Outline, Vertex
from obtegum.core.values.quantity import INCH_M, Units
from obtegum.exchange.paper import POINT_M, arc_to
from obtegum.exchange.sheet import SIZES, Paper
from obtegum.exchange.typefaces import WORDS, register

__all__ = ["MARGIN_M", "Tiling", "tiled_pdf", "tiling"]

# What printers leave white, and what is left of a sheet for its words below its field, m.
MARGIN_M, WORDS_M = 0.012, 0.022
# How close places along a line are looked at, to know which sheets it passes, m.
LOOK_M = 0.004
CROSS_M = 0.006
# The ruler on each sheet, m, and what it is called.
RULER: dict[Units, tuple[float, str]] = {"feet": (4 * INCH_M, "4 inches"), "metric": (0.1, "100 mm")}


@dataclass(frozen=True)
class Tiling:
    """How a drawing is shared over sheets: its left lower corner, the field of a sheet, m, how many across and up, and
    those that something is drawn on, by column and row from that corner."""

    x0: float
    y0: float
    wide_m: float
    high_m: float
    columns: int
    rows: int
    used: tuple[tuple[int, int], ...]


def _places(path: tuple[Vertex, ...], closed: bool) -> Iterator[tuple[float, float]]:
    """Places along a path, close together."""
    corners = (*path, path[0]) if closed else path
    for one, other in pairwise(corners):
        chord = math.dist((one.x, one.y), (other.x, other.y))
        count = max(math.ceil(chord * 1.6 / LOOK_M), 1)
        if not other.radius_m or chord == 0:
            for step in range(count + 1):
                share = step / count
                yield one.x + (other.x - one.x) * share, one.y + (other.y - one.y) * share
            continue
        radius, way = abs(other.radius_m), math.copysign(1.0, other.radius_m)
        half = chord / 2
        off = math.sqrt(max(radius**2 - half**2, 0.0)) * (-1 if other.large else 1) * way
        cx = (one.x + other.x) / 2 + (other.y - one.y) / chord * off
        cy = (one.y + other.y) / 2 - (other.x - one.x) / chord * off
        begin = math.atan2(one.y - cy, one.x - cx)
        turn = 2 * math.asin(min(half / radius, 1.0))
        turn = (2 * math.pi - turn if other.large else turn) * way
        for step in range(count + 1):
            angle = begin - turn * step / count
            yield cx + radius * math.cos(angle), cy + radius * math.sin(angle)


def _lines(drawing: Drawing) -> list[Outline]:
    """What is drawn at true size: lines that are cut or laid to; construction that reaches far off is left out."""
    return [item for item in drawing.items if isinstance(item, Outline) and item.layer != "hidden"]


def tiling(drawing: Drawing, paper: Paper) -> Tiling:
    """Sheets of a paper, upright, for what a drawing shows: those that more than construction passes."""
    lines = [item for item in _lines(drawing) if item.layer != "construction"]
    places = [place for item in lines for place in _places(item.path, item.closed)]
    x0, y0 = min(x for x, _ in places), min(y for _, y in places)
    x1, y1 = max(x for x, _ in places), max(y for _, y in places)
    paper_wide, paper_high = (side * POINT_M for side in SIZES[paper])
    wide, high = paper_wide - 2 * MARGIN_M, paper_high - 2 * MARGIN_M - WORDS_M
    used = sorted({(int((x - x0) / wide), int((y - y0) / high)) for x, y in places})
    columns, rows = max(math.ceil((x1 - x0) / wide), 1), max(math.ceil((y1 - y0) / high), 1)
    return Tiling(x0, y0, wide, high, columns, rows, tuple((c, r) for c, r in used if c < columns and r < rows))


def tiled_pdf(drawing: Drawing, house: str, paper: Paper, units: Units) -> bytes:
    """The drawing at true size, a page for each sheet, after one that shows how they lie."""
    from reportlab.pdfgen.canvas import Canvas

    plan, out = tiling(drawing, paper), io.BytesIO()
    size = SIZES[paper]
    register()
    canvas = Canvas(out, pagesize=size, pageCompression=1, invariant=1)
    canvas.setTitle(f"{house}, {drawing.title.lower()}, true size")
    _overview(canvas, drawing, plan, house, size)
    for number, (column, row) in enumerate(plan.used, start=1):
        _sheet(canvas, drawing, plan, (column, row), f"sheet {number} of {len(plan.used)}", house, units)
    canvas.save()
    return out.getvalue()


def _drawn(canvas: Any, drawing: Drawing, point: float) -> None:
    """Every line, with ``point`` metres to a point."""
    for item in _lines(drawing):
        path = canvas.beginPath()
        here = (item.path[0].x / point, item.path[0].y / point)
        path.moveTo(*here)
        for vertex in item.path[1:]:
            there = (vertex.x / point, vertex.y / point)
            if vertex.radius_m:
                arc_to(path, here, there, vertex.radius_m / point, vertex.large)
            else:
                path.lineTo(*there)
            here = there
        if item.closed:
            path.close()
        thin = item.layer == "construction"
        canvas.setLineWidth(0.3 if thin else 0.9)
        canvas.setDash(*((3, 2) if thin else ()))
        canvas.drawPath(path)
    canvas.setDash()


def _sheet(
    canvas: Any, drawing: Drawing, plan: Tiling, at: tuple[int, int], which: str, house: str, units: Units
) -> None:
    left, low = MARGIN_M / POINT_M, (MARGIN_M + WORDS_M) / POINT_M
    wide, high = plan.wide_m / POINT_M, plan.high_m / POINT_M
    x, y = plan.x0 + at[0] * plan.wide_m, plan.y0 + at[1] * plan.high_m
    canvas.saveState()
    # A little more than its own field is drawn, so that neighbours lie over each other.
    over = MARGIN_M * 0.7 / POINT_M
    frame = canvas.beginPath()
    frame.rect(left - over, low - over, wide + 2 * over, high + 2 * over)
    canvas.clipPath(frame, stroke=0, fill=0)
    canvas.translate(left - x / POINT_M, low - y / POINT_M)
    _drawn(canvas, drawing, POINT_M)
    canvas.setFont(WORDS, 8)
    for item in drawing.items:
        if isinstance(item, Note):
            canvas.drawString(item.x / POINT_M + 2, item.y / POINT_M + 2, item.text)
    canvas.restoreState()
    cross = CROSS_M / POINT_M
    canvas.setLineWidth(0.4)
    for cx, cy in ((left, low), (left + wide, low), (left, low + high), (left + wide, low + high)):
        canvas.line(cx - cross, cy, cx + cross, cy)
        canvas.line(cx, cy - cross, cx, cy + cross)
    long_m, words = RULER[units]
    base = (MARGIN_M + 0.004) / POINT_M
    canvas.line(left, base, left + long_m / POINT_M, base)
    for share in (0.0, 0.25, 0.5, 0.75, 1.0):
        tick = left + share * long_m / POINT_M
        canvas.line(tick, base - 3, tick, base + 3)
    canvas.setFont(WORDS, 8)
    canvas.drawString(left + long_m / POINT_M + 6, base - 3, f"{words}: measure it before you cut")
    canvas.drawString(
        left, base + 9, f"{house} · {drawing.title} · {which} · column {at[0] + 1}, row {at[1] + 1} from below"
    )
    canvas.showPage()


def _overview(canvas: Any, drawing: Drawing, plan: Tiling, house: str, size: tuple[float, float]) -> None:
    left, low = MARGIN_M / POINT_M, 0.06 / POINT_M
    wide, high = size[0] - 2 * left, size[1] - low - 0.05 / POINT_M
    point = max(plan.columns * plan.wide_m / wide, plan.rows * plan.high_m / high)
    canvas.setFont(WORDS, 12)
    canvas.drawString(left, size[1] - 0.025 / POINT_M, f"{house}: {drawing.title.lower()}, {len(plan.used)} sheets")
    canvas.setFont(WORDS, 9)
    said = "Print without scaling. Lay the sheets so that their crosses lie on each other, and tape them down."
    canvas.drawString(left, size[1] - 0.033 / POINT_M, said)
    canvas.saveState()
    canvas.translate(left - plan.x0 / point, low - plan.y0 / point)
    _drawn(canvas, drawing, point)
    canvas.setLineWidth(0.3)
    canvas.setFont(WORDS, 7)
    for number, (column, row) in enumerate(plan.used, start=1):
        x, y = (plan.x0 + column * plan.wide_m) / point, (plan.y0 + row * plan.high_m) / point
        canvas.rect(x, y, plan.wide_m / point, plan.high_m / point)
        canvas.drawString(x + 2, y + 2, str(number))
    canvas.restoreState()
    canvas.showPage()
