"""Display lists on paper: the same parts as on the screen, at a printed scale, in black and white."""

import math
import re
from typing import Any

from obtegum.core.drawing.items import Arrow, Dimension, Dots, Drawing, Grower, Mark, Note, Outline, Segments, Vertex
from obtegum.core.drawing.strip import Strip
from obtegum.exchange.typefaces import FIGURES, WORDS

__all__ = ["POINT_M", "SCALES", "apart", "arc_to", "draw", "draw_strip", "height_of", "scale_for"]

POINT_M = 0.0254 / 72
SCALES = (5, 10, 15, 20, 25, 30, 40, 50, 60, 75, 100, 125, 150, 200, 250, 300, 400, 500, 750, 1000, 1500, 2000)
LANE = 22.0
NOTE_LINE = 12.0
BESIDE = 4.0
BANDS = {"socket": 0.6, "joint": 0.7, "bent": 0.85, "buried": 0.8, "headroom": 1.0, "dug": 0.8}
GREY = {
    "soil": 0.9,
    "air": 0.97,
    "post": 0.75,
    "board": 0.85,
    "concrete": 0.8,
    "steel": 1.0,
    "plastic": 0.88,
    "string": 0.0,
    "ink": 0.0,
}


def _lanes(drawing: Drawing) -> tuple[float, float, float]:
    """Lanes of dimension lines to the left, to the right and below."""
    left = right = below = 0.0
    for item in drawing.items:
        if isinstance(item, Dimension):
            if abs(item.x1 - item.x0) > abs(item.y1 - item.y0):
                below = max(below, item.lane)
            elif item.y1 > item.y0:
                left = max(left, item.lane)
            else:
                right = max(right, item.lane)
    return left * LANE + 34, right * LANE + 14, below * LANE + 12


def scale_for(drawing: Drawing, width: float, height: float) -> int:
    """The largest printed scale, 1 to so many, at which the drawing fits, points."""
    left, right, _ = _lanes(drawing)
    for scale in SCALES:
        point = POINT_M * scale
        across = (drawing.x1 - drawing.x0) / point + left + right
        if across <= width and height_of(drawing, scale) <= height:
            return scale
    return SCALES[-1]


def height_of(drawing: Drawing, scale: int) -> float:
    """Height of a drawing with its dimension lines at 1 to so many, points."""
    return (drawing.y1 - drawing.y0) / (POINT_M * scale) + _lanes(drawing)[2] + 14


def apart(text: str) -> str:
    """Words with room between a number and the fraction after it, so that 1 5/8 is never read 15/8."""
    return re.sub(r"(?<=\d) (?=\d)", "\u00a0 ", text)


class _Frame:
    """Metres of the drawing to points of the page."""

    def __init__(self, drawing: Drawing, scale: int, x: float, y: float) -> None:
        left, _, below = _lanes(drawing)
        self.point = POINT_M * scale
        self.x0, self.y0 = x + left - drawing.x0 / self.point, y + below - drawing.y0 / self.point

    def at(self, x: float, y: float) -> tuple[float, float]:
        return self.x0 + x / self.point, self.y0 + y / self.point


def arc_to(path: Any, start: tuple[float, float], end: tuple[float, float], radius: float, large: bool) -> None:
    """An arc between two points, the other way round where its radius is below 0.

    The centre of a clockwise one lies right of travel, left if it turns more than half a turn.
    """
    dx, dy = end[0] - start[0], end[1] - start[1]
    half, way = math.hypot(dx, dy) / 2, math.copysign(1.0, radius)
    radius = max(abs(radius), half)
    away = math.sqrt(radius**2 - half**2) * (-1 if large else 1) * way
    cx = (start[0] + end[0]) / 2 + dy / (2 * half) * away
    cy = (start[1] + end[1]) / 2 - dx / (2 * half) * away
    turn = 2 * math.asin(min(half / radius, 1.0))
    turn = 2 * math.pi - turn if large else turn
    begin = math.degrees(math.atan2(start[1] - cy, start[0] - cx))
    path.arcTo(cx - radius, cy - radius, cx + radius, cy + radius, begin, -math.degrees(turn) * way)


def _path(canvas: Any, frame: _Frame, vertices: tuple[Vertex, ...], closed: bool) -> Any:
    path = canvas.beginPath()
    here = frame.at(vertices[0].x, vertices[0].y)
    path.moveTo(*here)
    for vertex in vertices[1:]:
        there = frame.at(vertex.x, vertex.y)
        if vertex.radius_m:
            arc_to(path, here, there, vertex.radius_m / frame.point, vertex.large)
        else:
            path.lineTo(*there)
        here = there
    if closed:
        path.close()
    return path


def _outline(canvas: Any, frame: _Frame, item: Outline) -> None:
    path = _path(canvas, frame, item.path, item.closed)
    canvas.setDash()
    if item.layer in ("construction", "hidden", "string"):
        canvas.setLineWidth(1.1 if item.layer == "string" else 0.5)
        if item.layer != "string":
            canvas.setDash(4, 2)
        elif item.part == "diagonal":
            canvas.setDash(6, 3)
        canvas.drawPath(path)
    elif item.closed:
        canvas.setFillGray(GREY[item.material])
        canvas.setLineWidth(0.7)
        canvas.drawPath(path, fill=1, stroke=0 if item.layer in ("ground", "air") else 1)
        canvas.setFillGray(0)
    else:
        width = max(item.width_m / frame.point, 1.4)
        canvas.setLineWidth(width + 0.9)
        canvas.drawPath(path)
        canvas.setLineWidth(max(width - 0.5, 0.4))
        canvas.setStrokeGray(GREY[item.material])
        canvas.drawPath(path)
        canvas.setStrokeGray(0)
    canvas.setDash()


def _words(canvas: Any, x: float, y: float, text: str, anchor: str, font: str = FIGURES, size: float = 9) -> None:
    """Words on a white ground, so that lines don't run through them."""
    text = apart(text)
    width = canvas.stringWidth(text, font, size)
    left = {"start": x, "middle": x - width / 2, "end": x - width}[anchor]
    canvas.setFillGray(1)
    canvas.rect(left - 1.5, y - size * 0.45, width + 3, size * 1.05, stroke=0, fill=1)
    canvas.setFillGray(0)
    canvas.setFont(font, size)
    canvas.drawString(left, y - size * 0.3, text)


def _dimension(canvas: Any, frame: _Frame, item: Dimension) -> None:
    (ax, ay), (bx, by) = frame.at(item.x0, item.y0), frame.at(item.x1, item.y1)
    length = math.hypot(bx - ax, by - ay)
    if length < 1:
        return
    ux, uy = (bx - ax) / length, (by - ay) / length
    nx, ny = -uy * item.lane * LANE, ux * item.lane * LANE
    canvas.setLineWidth(0.5)
    canvas.line(ax + nx, ay + ny, bx + nx, by + ny)
    for x, y in ((ax, ay), (bx, by)):
        canvas.line(x + nx * 0.15, y + ny * 0.15, x + nx * 1.15, y + ny * 1.15)
        canvas.line(x + nx - 2.5, y + ny - 2.5, x + nx + 2.5, y + ny + 2.5)
    middle_x, middle_y = (ax + bx) / 2 + nx, (ay + by) / 2 + ny
    wide = canvas.stringWidth(item.text, FIGURES, 9) + 6
    if abs(ux) > abs(uy):
        if wide < length:
            _words(canvas, middle_x, middle_y, item.text, "middle")
        else:
            _words(canvas, max(ax, bx) + 6, middle_y, item.text, "start")
    elif wide < length:
        canvas.saveState()
        canvas.translate(middle_x, middle_y)
        canvas.rotate(90)
        _words(canvas, 0, 0, item.text, "middle")
        canvas.restoreState()
    else:
        _words(canvas, middle_x + (5 if nx > 0 else -5), middle_y, item.text, "start" if nx > 0 else "end")


def _mark(canvas: Any, frame: _Frame, item: Mark) -> None:
    x, y = frame.at(item.x, item.y)
    canvas.setLineWidth(1)
    if item.symbol == "peg":
        canvas.setFillGray(0 if item.state == "set" else 1)
        canvas.rect(x - 2.4, y - 2.4, 4.8, 4.8, fill=1)
        canvas.setFillGray(0)
    elif item.symbol in ("centre", "joint"):
        reach = 3.0
        turn = 0.0 if item.symbol == "centre" else math.pi / 4
        for angle in (turn, turn + math.pi / 2):
            dx, dy = reach * math.cos(angle), reach * math.sin(angle)
            canvas.line(x - dx, y - dy, x + dx, y + dy)
    else:
        dx, dy = -5 * math.sin(item.heading_rad), 5 * math.cos(item.heading_rad)
        canvas.setLineWidth(1.6)
        canvas.line(x - dx, y - dy, x + dx, y + dy)


def _grower(canvas: Any, frame: _Frame, item: Grower) -> None:
    x, y = frame.at(item.x, item.y)
    tall = item.height_m / frame.point
    canvas.setLineWidth(0.8)
    canvas.setFillGray(1)
    canvas.line(x - tall * 0.08, y, x, y + tall * 0.45)
    canvas.line(x + tall * 0.08, y, x, y + tall * 0.45)
    canvas.line(x, y + tall * 0.45, x, y + tall * 0.8)
    canvas.line(x - tall * 0.13, y + tall * 0.5, x, y + tall * 0.74)
    canvas.line(x + tall * 0.13, y + tall * 0.5, x, y + tall * 0.74)
    canvas.circle(x, y + tall * 0.88, tall * 0.07, fill=1)
    canvas.line(x - tall * 0.13, y + tall * 0.93, x + tall * 0.13, y + tall * 0.93)
    canvas.setFillGray(0)


def _segments(canvas: Any, frame: _Frame, item: Segments) -> None:
    canvas.setLineWidth({"meeting": 1.6, "post": 2.4, "behind": 0.6, "contour": 0.4}[item.style])
    for x0, y0, x1, y1 in item.ends:
        canvas.line(*frame.at(x0, y0), *frame.at(x1, y1))


def _dots(canvas: Any, frame: _Frame, item: Dots) -> None:
    canvas.setLineWidth(0.4)
    for place in item.places:
        x, y = frame.at(*place)
        canvas.line(x - 1.5, y, x + 1.5, y)
        canvas.line(x, y - 1.5, x, y + 1.5)


def _arrow(canvas: Any, frame: _Frame, item: Arrow) -> None:
    (x0, y0), (x1, y1) = frame.at(item.x0, item.y0), frame.at(item.x1, item.y1)
    long = math.hypot(x1 - x0, y1 - y0)
    if long < 1:
        return
    ux, uy = (x1 - x0) / long, (y1 - y0) / long
    head = min(7.0, long)
    bx, by = x1 - ux * head, y1 - uy * head
    canvas.setLineWidth(1.8)
    canvas.line(x0, y0, bx, by)
    path = canvas.beginPath()
    path.moveTo(x1, y1)
    path.lineTo(bx - uy * head * 0.5, by + ux * head * 0.5)
    path.lineTo(bx + uy * head * 0.5, by - ux * head * 0.5)
    path.close()
    canvas.drawPath(path, fill=1)


def draw(canvas: Any, drawing: Drawing, scale: int, x: float, y: float) -> None:
    """Draw a display list with its lower left corner at (x, y), points, at 1 to ``scale``."""
    frame = _Frame(drawing, scale, x, y)
    for item in drawing.items:
        if isinstance(item, Outline):
            _outline(canvas, frame, item)
        elif isinstance(item, Dimension):
            _dimension(canvas, frame, item)
        elif isinstance(item, Mark):
            _mark(canvas, frame, item)
        elif isinstance(item, Grower):
            _grower(canvas, frame, item)
        elif isinstance(item, Segments):
            _segments(canvas, frame, item)
        elif isinstance(item, Dots):
            _dots(canvas, frame, item)
        elif isinstance(item, Arrow):
            _arrow(canvas, frame, item)
        elif isinstance(item, Note):
            px, py = frame.at(item.x, item.y)
            if not item.above:
                px += {"start": BESIDE, "middle": 0.0, "end": -BESIDE}[item.anchor]
            _words(canvas, px, py + (7 if item.above else 0) - item.row * NOTE_LINE, item.text, item.anchor)


def draw_strip(canvas: Any, strip: Strip, x: float, y: float, width: float) -> None:
    """A strip laid straight over the given width, not to scale: its marks in proportion, lettered from the left."""
    per_metre = width / strip.length_m
    canvas.setLineWidth(0.8)
    canvas.setFillGray(0.93)
    canvas.rect(x, y, width, 12, fill=1)
    for band in strip.bands:
        canvas.setFillGray(BANDS[band.kind])
        canvas.rect(x + band.from_m * per_metre, y, (band.to_m - band.from_m) * per_metre, 12, fill=1)
    canvas.setFillGray(0)
    last = -math.inf
    for number, mark in enumerate(strip.marks, start=1):
        at = x + mark.at_m * per_metre
        canvas.setLineWidth(1.4)
        canvas.line(at, y - 3, at, y + 17)
        canvas.setFont(WORDS, 8)
        # Neighbours that stand close take turns above and below.
        above = at - last > 12
        canvas.drawCentredString(at, y + 20 if above else y - 12, str(number))
        last = at if above else -math.inf
