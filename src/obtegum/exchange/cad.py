"""The setting-out as DXF: true metres, x from A to B, y to the left of it, a layer for each kind of thing.

The house lies on the right hand of one who walks from A to B, below the line, as the drawings have it.
"""

import io

from obtegum.core.drawing import Segments
from obtegum.core.plan import HousePlan
from obtegum.core.rooms.level.found import stand_of
from obtegum.core.rooms.set_out.found import pegs_of, strung
from obtegum.core.setout.how import corner_places
from obtegum.core.setout.lines import LINES
from obtegum.core.setout.offsets import offset_pegs
from obtegum.core.work import Work

__all__ = ["LAYERS", "setting_out_dxf"]

# Layer, and its colour in CAD's own numbering: black or white, and greys and plain hues that print.
LAYERS = {
    "STRINGS": 34,
    "DIAGONALS": 32,
    "PEGS": 7,
    "BOWS": 8,
    "OFFSET_PEGS": 30,
    "LEVELS": 96,
    "CONTOURS": 94,
    "LETTERS": 7,
}
LETTER_M = 0.2


def setting_out_dxf(work: Work, plan: HousePlan) -> str:
    """Strings, diagonals, pegs, bow lines, offset pegs, levels and contour lines.

    Pegs, levels and contour lines have their heights over the line of sight; pegs that were not levelled have 0.
    """
    from ezdxf import units
    from ezdxf.filemanagement import new

    document = new("R2010", setup=True)
    document.units = units.M
    for name, colour in LAYERS.items():
        document.layers.add(name, color=colour)
    space = document.modelspace()

    def on(layer: str) -> dict[str, object]:
        return {"layer": layer}

    def letters(text: str, x: float, y: float) -> None:
        space.add_text(text, height=LETTER_M, dxfattribs=on("LETTERS")).set_placement((x + 0.08, y + 0.08))

    corners = {letter: (x, -y) for letter, (x, y) in corner_places(*strung(work)).items()}
    for line in LINES:
        layer = "DIAGONALS" if line in ("ac", "bd") else "STRINGS"
        space.add_line(corners[line[0].upper()], corners[line[1].upper()], dxfattribs=on(layer))
    for letter, (x, y) in corners.items():
        letters(letter, x, y - 2 * LETTER_M)
    stand = stand_of(work)
    heights = stand.heights if stand else {}
    width_m = strung(work)[1]
    for peg in pegs_of(work):
        name, y = f"{peg.side}{peg.bow}", 0.0 if peg.side == "L" else -width_m
        space.add_point((peg.reading_m, y, heights.get(name, 0.0)), dxfattribs=on("PEGS"))
        letters(name, peg.reading_m, y)
        if peg.side == "L":
            space.add_line((peg.reading_m, 0.0), (peg.reading_m, -width_m), dxfattribs=on("BOWS"))
    for kept in offset_pegs(*strung(work), work.design.keep.offset_m):
        x, y = kept.at
        space.add_point((x, -y), dxfattribs=on("OFFSET_PEGS"))
        letters(kept.name, x, -y)
    for spot in work.record.levels.spots.values():
        space.add_point((spot.x_m, -spot.y_m, -spot.reading_m), dxfattribs=on("LEVELS"))
    falls = next(each for each in plan.drawings if each.view == "falls")
    for item in falls.items:
        if isinstance(item, Segments):
            z = item.height_m
            for x0, y0, x1, y1 in item.ends:
                space.add_line((x0, y0, z), (x1, y1, z), dxfattribs=on("CONTOURS"))
    out = io.StringIO()
    document.write(out)
    return out.getvalue()
