"""Beds and crop on the floor of the section, the floor from above, and layouts side by side."""

from obtegum.core.drawing.above import over
from obtegum.core.drawing.items import Dimension, Drawing, Item, Layer, Mark, Note, Outline, Row, drawn
from obtegum.core.drawing.paths import box, line
from obtegum.core.findings.skeleton.line import grower_at_m
from obtegum.core.findings.work import Work
from obtegum.core.formulas.bows.beds import Bed, Layout, plants_in
from obtegum.core.rooms.inside.found import (
    across_m,
    bed_long_m,
    bed_room_m,
    floor_m,
    layout_of,
    layout_with,
    path_room_m,
)
from obtegum.core.values.quantity import percent_text

__all__ = ["beds_across", "floor", "layouts"]

# How high a bed is drawn, m.
BED_M = 0.12
LAYOUTS = {"bed": "beds along the walls", "path": "paths along the walls", "own": "my own"}
# How deep a strip of floor is drawn, and how far the next lies below it, in shares of the floor.
DEEP, DOWN = 0.1, 0.26


def beds_across(work: Work) -> Layer:
    """Beds on the floor, and the crop over the one at the side."""
    items: list[Item] = []
    rows: list[Row] = []
    for number, bed in enumerate(layout_of(work).beds, start=1):
        path = box(across_m(work, bed.from_m), 0.0, across_m(work, bed.to_m), BED_M)
        items += [
            Outline(
                part=f"bed:{number}", layer="frame", material="soil", closed=True, path=path, label=f"bed {number}"
            ),
            Mark(part=f"bed:{number}", symbol="centre", x=across_m(work, bed.middle_m), y=BED_M, label=f"bed {number}"),
        ]
        rows += [
            Row(what=f"Bed {number}, wide", reading=work.say(bed.width_m)),
            Row(what=f"Bed {number}, height over its middle", reading=work.say(bed_room_m(work, bed), "down")),
        ]
    for number, way in enumerate(layout_of(work).paths, start=1):
        rows += [
            Row(what=f"Path {number}, wide", reading=work.say(way.width_m)),
            Row(what=f"Path {number}, height over it", reading=work.say(path_room_m(work, way), "down")),
        ]
    # The crop stands in the side bed that the grower is further from.
    for number, bed in _crop_bed(work):
        x, top = across_m(work, bed.middle_m), work.design.inside.crop_m
        part = f"bed:{number}"
        items.append(Outline(part=part, layer="construction", material="ink", path=line(x, BED_M, x, top)))
        items.append(Note(part=part, x=x, y=top, text=work.say(top)))
    return Layer(items, tuple(rows))


def _crop_bed(work: Work) -> list[tuple[int, Bed]]:
    """The side bed that is further from the grower, with its number."""
    beds = list(enumerate(layout_of(work).beds, start=1))
    left = grower_at_m(work) < work.design.size.span_m / 2
    return beds[-1:] if left else beds[:1]


@over
def floor(work: Work) -> Drawing:
    """The floor from above: every bed at its length, and what is kept clear at the ends."""
    size, inside = work.design.size, work.design.inside
    start, end = inside.front_m, inside.front_m + bed_long_m(work)
    edge = (size.span_m - floor_m(work)) / 2
    items: list[Item] = [
        Outline(
            part="floor",
            layer="air",
            material="air",
            closed=True,
            path=box(0.0, edge, size.length_m, size.span_m - edge),
            label="floor",
        )
    ]
    for number, bed in enumerate(layout_of(work).beds, start=1):
        part = f"bed:{number}"
        path = box(start, edge + bed.from_m, end, edge + bed.to_m)
        items.append(Outline(part=part, layer="frame", material="soil", closed=True, path=path, label=f"bed {number}"))
        text = f"bed {number}, {work.say(bed.width_m)}"
        items.append(Note(part=part, x=(start + end) / 2, y=edge + bed.middle_m, text=text, above=False))
    for part, x0, x1 in (("front", 0.0, start), ("back", end, size.length_m)):
        if x1 - x0 > 0:
            y = size.span_m + edge
            items.append(
                Dimension(
                    part=part, x0=x0, y0=y, x1=x1, y1=y, lane=1.0, text=work.say(x1 - x0), measure=f"inside.{part}_m"
                )
            )
    rows = tuple(
        Row(what=f"Bed {number}, from the left edge", reading=f"{work.say(bed.from_m)} to {work.say(bed.to_m)}")
        for number, bed in enumerate(layout_of(work).beds, start=1)
    )
    long = work.say(bed_long_m(work), "down")
    return drawn(
        view="floor",
        title="The floor",
        summary=f"{len(layout_of(work).beds)} beds of {long} on a floor {work.say(floor_m(work), 'down')} wide.",
        items=items,
        table=(Row(what="Beds, long", reading=long), *rows),
        beside_m=0.6,
    )


def layouts(work: Work) -> Drawing:
    """Ways to lay the floor out, one below the other at one scale, each with what it grows."""
    inside, wide = work.design.inside, floor_m(work)
    kinds = [kind for kind in LAYOUTS if kind != "own" or inside.own_beds_m or inside.along_walls == "own"]
    items: list[Item] = []
    rows: list[Row] = []
    for place, kind in enumerate(kinds):
        layout, y = layout_with(work, kind), -place * DOWN * wide
        own = kind == inside.along_walls
        part, picks = f"layout:{kind}", ("inside.along_walls", kind)
        items.append(
            Outline(
                part=part,
                layer="air",
                material="air",
                closed=True,
                path=box(-wide / 2, y, wide / 2, y + DEEP * wide),
                label=LAYOUTS[kind],
                picks=picks,
            )
        )
        items += [
            Outline(
                part=part,
                layer="frame",
                material="soil",
                closed=True,
                path=box(across_m(work, bed.from_m), y, across_m(work, bed.to_m), y + DEEP * wide),
                picks=picks,
            )
            for bed in layout.beds
        ]
        name, told = f"{LAYOUTS[kind]}{' · chosen' if own else ''}", _told(work, layout)
        items += [
            Note(part=part, x=0.0, y=y, text=text, above=False, row=number) for number, text in ((1, name), (2, told))
        ]
        rows.append(Row(what=LAYOUTS[kind][:1].upper() + LAYOUTS[kind][1:], reading=told))
    return drawn(
        view="layouts",
        title="Layouts",
        summary=f"{len(kinds)} ways to lay out the same floor of {work.say(wide)}.",
        items=items,
        table=tuple(rows),
        beside_m=(0.0, DOWN * wide * 0.6, 0.0, DEEP * wide * 0.5),
    )


def _told(work: Work, layout: Layout) -> str:
    """Beds, their share of the floor, and the plants that stand in them."""
    if not layout.beds:
        return "no bed fits"
    inside, long_m = work.design.inside, bed_long_m(work)
    share = sum(bed.width_m for bed in layout.beds) / floor_m(work)
    plants = sum(plants_in(bed.width_m, long_m, inside.row_m, inside.plant_m) for bed in layout.beds)
    count = len(layout.beds)
    over = f" · {work.say(layout.over_m, 'up')} too wide" if layout.over_m else ""
    return f"{count} bed{'' if count == 1 else 's'} · {percent_text(share)} of the floor · {plants:,} plants{over}"
