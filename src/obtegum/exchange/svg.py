"""A display list as SVG, for pages that fetch nothing: lines, marks, dimensions and few words."""

from collections.abc import Callable
from html import escape
from itertools import pairwise
from math import hypot

from obtegum.core.drawing.items import Arrow, Dimension, Drawing, Grower, Mark, Note, Outline, Segments, Vertex

__all__ = ["svg_of"]

WIDE_PX, HIGH_PX, EDGE_PX = 340.0, 220.0, 34.0
# Longer words have no room on a phone.
FEW = 16


def svg_of(drawing: Drawing) -> str:
    """A drawing for a phone, each thing with its part's name, so that what a card is about can be drawn loud."""
    across, up = max(drawing.x1 - drawing.x0, 1e-6), max(drawing.y1 - drawing.y0, 1e-6)
    scale = min((WIDE_PX - 2 * EDGE_PX) / across, (HIGH_PX - 2 * EDGE_PX) / up)
    high = up * scale + 2 * EDGE_PX

    def at(x: float, y: float) -> tuple[float, float]:
        return EDGE_PX + (x - drawing.x0) * scale, high - EDGE_PX - (y - drawing.y0) * scale

    parts = []
    for item in drawing.items:
        part = f'data-part="{escape(getattr(item, "part", ""))}"'
        if isinstance(item, Outline):
            solid = ' class="solid"' if item.closed else ""
            parts.append(f'<path {part} d="{_path(item, at, scale)}"{solid}/>')
        elif isinstance(item, Mark):
            x, y = at(item.x, item.y)
            parts.append(f'<circle {part} cx="{x:.1f}" cy="{y:.1f}" r="4"/>')
        elif isinstance(item, (Dimension, Arrow)):
            (x0, y0), (x1, y1) = at(item.x0, item.y0), at(item.x1, item.y1)
            parts.append(f'<line {part} x1="{x0:.1f}" y1="{y0:.1f}" x2="{x1:.1f}" y2="{y1:.1f}" class="thin"/>')
            if isinstance(item, Dimension) and hypot(x1 - x0, y1 - y0) > 40:
                parts.append(_text((x0 + x1) / 2, (y0 + y1) / 2 - 3, item.text, "middle"))
        elif isinstance(item, Note) and len(item.text) <= FEW:
            x, y = at(item.x, item.y)
            parts.append(_text(x, y + (-5 if item.above else 12) + 12 * item.row, item.text, item.anchor))
        elif isinstance(item, Grower):
            (x, y), tall = at(item.x, item.y), item.height_m * scale
            parts.append(f'<line x1="{x:.1f}" y1="{y:.1f}" x2="{x:.1f}" y2="{y - tall:.1f}" class="thin"/>')
        elif isinstance(item, Segments):
            for x0, y0, x1, y1 in item.ends:
                (px, py), (qx, qy) = at(x0, y0), at(x1, y1)
                parts.append(f'<line x1="{px:.1f}" y1="{py:.1f}" x2="{qx:.1f}" y2="{qy:.1f}" class="thin"/>')
    return (
        f'<svg viewBox="0 0 {WIDE_PX:.0f} {high:.0f}" role="img" aria-label="{escape(drawing.summary)}">'
        + "".join(parts)
        + "</svg>"
    )


def _path(item: Outline, place: Callable[[float, float], tuple[float, float]], scale: float) -> str:
    first = item.path[0]
    x, y = place(first.x, first.y)
    told = [f"M{x:.1f} {y:.1f}"]
    for _, vertex in pairwise(item.path):
        told.append(_to(vertex, place(vertex.x, vertex.y), scale))
    return "".join(told) + ("Z" if item.closed else "")


def _to(vertex: Vertex, place: tuple[float, float], scale: float) -> str:
    x, y = place
    if not vertex.radius_m:
        return f"L{x:.1f} {y:.1f}"
    radius = abs(vertex.radius_m) * scale
    # Clockwise with y up is clockwise on the page too: its y axis and the sense of its arcs are both turned over.
    return f"A{radius:.1f} {radius:.1f} 0 {int(vertex.large)} {int(vertex.radius_m > 0)} {x:.1f} {y:.1f}"


def _text(x: float, y: float, text: str, anchor: str) -> str:
    return f'<text x="{x:.1f}" y="{y:.1f}" text-anchor="{anchor}">{escape(text)}</text>'
