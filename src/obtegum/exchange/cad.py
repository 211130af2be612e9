"""The setting-out, and drawings, as DXF: true metres, a layer for each kind of thing.

Of the setting-out x runs from A to B, y to the left of it; the house lies on the right hand of one who walks from A to
B, below the line, as the drawings have it.
"""

import io
import math
from collections.abc import Sequence
from typing import Any

from obtegum.core.drawing.items import Drawing, Note, Outline, Vertex
from obtegum.core.face.faces import SitePoint
from obtegum.core.findings.work import Work
from obtegum.core.rooms import rooms

__all__ = ["LAYERS", "drawings_dxf", "setting_out_dxf"]

# What lies on the ground, its layer, and that one's colour in CAD's own numbering: black or white, and greys and
# plain hues that print. What a room adds besides has a layer of its own name.
LAYERS = {
    "base": ("STRINGS", 34),
    "diagonal": ("DIAGONALS", 32),
    "peg": ("PEGS", 7),
    "bow": ("BOWS", 8),
    "offset peg": ("OFFSET_PEGS", 30),
    "spot": ("LEVELS", 96),
    "contour": ("CONTOURS", 94),
}
LETTERS, INK = "LETTERS", 7
LETTER_M = 0.2
# A drawing's letters, and what is left between two drawings, m; what lies on its layers, by material.
SMALL_M, BETWEEN_M = 0.06, 1.0
DRAWN = {"steel": ("STEEL", 8), "plastic": ("PLASTIC", 8), "post": ("POSTS", 8), "board": ("BOARDS", 34)}
HIDDEN, GROUND, OTHER = ("HIDDEN", 9), ("GROUND", 32), ("LINES", 7)


def _layer(kind: str) -> tuple[str, int]:
    return LAYERS.get(kind, (kind.upper().replace(" ", "_"), INK))


def setting_out_dxf(work: Work) -> str:
    """All that the rooms have on the ground: strings, diagonals, pegs, bow lines, offset pegs, levels, contour lines.

    Pegs, levels and contour lines have their heights over the line of sight; pegs that were not levelled have 0.
    """
    from ezdxf import units
    from ezdxf.filemanagement import new

    document = new("R2010", setup=True)
    document.units = units.M
    document.layers.add(LETTERS, color=INK)
    for name, colour in LAYERS.values():
        document.layers.add(name, color=colour)
    space = document.modelspace()

    def on(kind: str) -> dict[str, object]:
        name, colour = _layer(kind)
        if name not in document.layers:
            document.layers.add(name, color=colour)
        return {"layer": name}

    def letters(text: str, x: float, y: float) -> None:
        space.add_text(text, height=LETTER_M, dxfattribs={"layer": LETTERS}).set_placement((x + 0.08, y + 0.08))

    for each in (thing for room in rooms() for thing in room.on_site(work)):
        if isinstance(each, SitePoint):
            x, y = each.at[0], -each.at[1]
            if each.kind == "corner":
                # The corner's peg stands there too, with a name of its own.
                letters(each.name, x, y - 2 * LETTER_M)
                continue
            space.add_point((x, y, each.height_m), dxfattribs=on(each.kind))
            if each.name:
                letters(each.name, x, y)
            continue
        for (x0, y0), (x1, y1) in zip(each.path, each.path[1:], strict=False):
            space.add_line((x0, -y0, each.height_m), (x1, -y1, each.height_m), dxfattribs=on(each.kind))
    return _written(document)


def _written(document: Any) -> str:
    out = io.StringIO()
    document.write(out)
    return out.getvalue()


def drawings_dxf(drawings: Sequence[Drawing]) -> str:
    """Drawings in true size beside each other: every outline, arcs as arcs, what is closed closed; letters as text."""
    from ezdxf import units
    from ezdxf.filemanagement import new

    document = new("R2010", setup=True)
    document.units = units.M
    document.layers.add(LETTERS, color=INK)
    for name, colour in (*DRAWN.values(), HIDDEN, GROUND, OTHER):
        document.layers.add(name, color=colour)
    space, at = document.modelspace(), 0.0
    for drawing in drawings:
        dx = at - drawing.x0
        space.add_text(drawing.title, height=LETTER_M, dxfattribs={"layer": LETTERS}).set_placement(
            (at, drawing.y1 + LETTER_M)
        )
        for item in drawing.items:
            if isinstance(item, Outline):
                points = _bulged(item.path, dx)
                space.add_lwpolyline(points, "xyb", close=item.closed, dxfattribs={"layer": _drawn_on(item)})
            elif isinstance(item, Note):
                place = (item.x + dx, item.y)
                space.add_text(item.text, height=SMALL_M, dxfattribs={"layer": LETTERS}).set_placement(place)
        at += drawing.x1 - drawing.x0 + BETWEEN_M
    return _written(document)


def _drawn_on(item: Outline) -> str:
    if item.layer in ("hidden", "construction", "string"):
        return HIDDEN[0]
    if item.layer == "ground":
        return GROUND[0]
    return DRAWN.get(item.material, OTHER)[0]


def _bulged(path: Sequence[Vertex], dx: float) -> list[tuple[float, float, float]]:
    """A path's corners, each with the bulge of the piece that leaves it: tan(θ/4) of an arc, below 0 if clockwise."""
    found = list[tuple[float, float, float]]()
    for corner, after in zip(path, (*path[1:], None), strict=True):
        bulge = 0.0
        if after is not None and after.radius_m:
            half = math.dist((corner.x, corner.y), (after.x, after.y)) / 2
            turn = 2 * math.asin(min(half / abs(after.radius_m), 1.0))
            bulge = -math.tan((2 * math.pi - turn if after.large else turn) / 4) * math.copysign(1.0, after.radius_m)
        found.append((corner.x + dx, corner.y, bulge))
    return found
