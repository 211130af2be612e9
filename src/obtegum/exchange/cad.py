"""The setting-out as DXF: true metres, x from A to B, y to the left of it, a layer for each kind of thing.

The house lies on the right hand of one who walks from A to B, below the line, as the drawings have it.
"""

import io

from obtegum.core.faces import SitePoint
from obtegum.core.room import rooms
from obtegum.core.work import Work

__all__ = ["LAYERS", "setting_out_dxf"]

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
    out = io.StringIO()
    document.write(out)
    return out.getvalue()
