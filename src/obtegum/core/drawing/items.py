"""Display lists: a drawing as named parts in true size, for the screen, paper and CAD alike.

Coordinates are metres; x right, y up. Things that have no size of their own (pegs, handles, words,
dimension lines) say where they are, and each renderer gives them the size that reads best.
Items are plain dataclasses: a long house has thousands of them, all made here and none from outside.
"""

import math
from collections.abc import Callable, Iterator, Sequence
from itertools import pairwise
from typing import Annotated, Any, Literal, NamedTuple

from pydantic import Field

from obtegum.core.values.base import Part
from obtegum.core.values.quick import small

__all__ = [
    "Arrow",
    "Dimension",
    "Dots",
    "Drawing",
    "Grower",
    "Handle",
    "Item",
    "Layer",
    "Mark",
    "Material",
    "Note",
    "Outline",
    "Row",
    "Segments",
    "Vertex",
    "drawn",
    "with_layers",
]

# A grower with a hat, in shares of the grower.
HAT = 1.06
Lies = Literal["ground", "frame", "hidden", "string", "construction", "air"]
# What has a body, or hides in one.
SOLID = ("ground", "frame", "hidden", "air")
Material = Literal["steel", "plastic", "post", "board", "concrete", "soil", "string", "ink", "air"]


@small
class Vertex:
    """A corner of a path. The piece that leads here is straight, or an arc where ``radius_m`` isn't 0.

    Arcs turn clockwise as seen with y up, the other way where their radius is below 0; ``large`` says that one turns
    more than half a circle.
    """

    x: float
    y: float
    radius_m: float = 0.0
    large: bool = False


@small
class Outline:
    """A path of true size: filled when ``closed``, else a centre line ``width_m`` wide.

    ``picks`` is a choice and the option that pressing it takes.
    """

    kind: Literal["outline"] = "outline"
    part: str
    layer: Lies
    material: Material
    path: tuple[Vertex, ...]
    closed: bool = False
    width_m: float = 0.0
    label: str = ""
    picks: tuple[str, str] | None = None


@small
class Mark:
    """A point to find on the ground or on the bow; ``heading_rad`` is the tube's direction there."""

    kind: Literal["mark"] = "mark"
    part: str
    symbol: Literal["peg", "centre", "joint", "bend", "crown", "socket"]
    state: Literal["open", "set", "moved"] = "open"
    x: float
    y: float
    heading_rad: float = 0.0
    label: str


@small
class Dimension:
    """A measured distance from one point to another, drawn ``lane`` lanes to the left of travel.

    Words that have no room in its line stand beside it, ``row`` lines on from those of another one. ``measure``
    is what can be typed in place of the words.
    """

    kind: Literal["dimension"] = "dimension"
    part: str
    x0: float
    y0: float
    x1: float
    y1: float
    lane: float = 1
    row: int = 0
    text: str
    measure: str = ""


@small
class Note:
    """Words at a point, ``row`` lines below it."""

    kind: Literal["note"] = "note"
    part: str
    x: float
    y: float
    text: str
    anchor: Literal["start", "middle", "end"] = "middle"
    above: bool = True
    row: int = 0


@small
class Handle:
    """Something to take hold of: moving it by d metres along (dx, dy) changes a measure by d·gain."""

    kind: Literal["handle"] = "handle"
    measure: str
    x: float
    y: float
    dx: float
    dy: float
    gain: float = 1.0
    lane: float = 0
    lane_dx: float = 0
    lane_dy: float = 0


@small
class Grower:
    """A person for scale, feet at (x, y)."""

    kind: Literal["grower"] = "grower"
    part: str = "grower"
    x: float
    y: float
    height_m: float
    width_m: float
    upright: bool


@small
class Segments:
    """Many straight pieces of one thing, a row of x0, y0, x1, y1 for each; contours have their height, m."""

    kind: Literal["segments"] = "segments"
    part: str
    style: Literal["contour", "meeting", "post", "behind"]
    ends: tuple[tuple[float, float, float, float], ...]
    height_m: float = 0.0


@small
class Dots:
    """Many places without a name of their own."""

    kind: Literal["dots"] = "dots"
    part: str
    places: tuple[tuple[float, float], ...]


@small
class Arrow:
    """Something that goes from one point to another."""

    kind: Literal["arrow"] = "arrow"
    part: str
    x0: float
    y0: float
    x1: float
    y1: float


Item = Annotated[
    Outline | Mark | Dimension | Note | Handle | Grower | Segments | Dots | Arrow, Field(discriminator="kind")
]


@small
class Row:
    """A line of the table that says in words and numbers what the drawing shows."""

    what: str
    reading: str


class Drawing(Part):
    """One view: its name, the extent of what has size, the items from back to front, a table."""

    view: str
    title: str
    summary: str
    x0: float
    y0: float
    x1: float
    y1: float
    items: tuple[Item, ...]
    table: tuple[Row, ...]


class Layer(NamedTuple):
    """What a room adds to another one's view: items, and the lines of its table."""

    items: Sequence[Item]
    rows: tuple[Row, ...] = ()


Place = tuple[float, float]
WAYS = ((1, 0, 0.0), (0, 1, math.pi / 2), (-1, 0, math.pi), (0, -1, -math.pi / 2))


def _arc_places(one: Vertex, other: Vertex) -> Iterator[Place]:
    """Where an arc between two corners reaches farthest: left, right, up, down."""
    if other.radius_m < 0:
        one, other = Vertex(x=other.x, y=other.y), Vertex(x=one.x, y=one.y, radius_m=-other.radius_m, large=other.large)
    dx, dy = other.x - one.x, other.y - one.y
    half = math.hypot(dx, dy) / 2
    if half == 0:
        return
    off = math.sqrt(max(other.radius_m**2 - half**2, 0.0)) * (-1 if other.large else 1)
    cx, cy = (one.x + other.x) / 2 + dy / (2 * half) * off, (one.y + other.y) / 2 - dx / (2 * half) * off
    if not other.large and (one.x - cx) * (other.x - cx) > 0 and (one.y - cy) * (other.y - cy) > 0:
        # Most arcs are short, and lie between two of those directions.
        return
    begin = math.atan2(one.y - cy, one.x - cx)
    turn = (begin - math.atan2(other.y - cy, other.x - cx)) % (2 * math.pi)
    for ux, uy, angle in WAYS:
        if (begin - angle) % (2 * math.pi) <= turn:
            yield cx + other.radius_m * ux, cy + other.radius_m * uy


Coords = list[float]


def _reach_outline(item: Outline, xs: Coords, ys: Coords) -> None:
    path = item.path
    own_x, own_y = [vertex.x for vertex in path], [vertex.y for vertex in path]
    radii = [vertex.radius_m for vertex in path]
    if any(radii):
        for one, other in pairwise(path):
            if other.radius_m:
                for x, y in _arc_places(one, other):
                    own_x.append(x)
                    own_y.append(y)
    wide = 0.0 if item.closed else item.width_m / 2
    xs += (min(own_x) - wide, max(own_x) + wide)
    ys += (min(own_y) - wide, max(own_y) + wide)


def _reach_segments(item: Segments, xs: Coords, ys: Coords) -> None:
    for x0, y0, x1, y1 in item.ends:
        xs += (x0, x1)
        ys += (y0, y1)


def _reach_dots(item: Dots, xs: Coords, ys: Coords) -> None:
    xs += [x for x, _ in item.places]
    ys += [y for _, y in item.places]


def _reach_line(item: Arrow | Dimension, xs: Coords, ys: Coords) -> None:
    xs += (item.x0, item.x1)
    ys += (item.y0, item.y1)


def _reach_grower(item: Grower, xs: Coords, ys: Coords) -> None:
    xs += (item.x - item.width_m / 2, item.x + item.width_m / 2)
    ys += (item.y, item.y + item.height_m * HAT)


def _reach_point(item: Mark | Note | Handle, xs: Coords, ys: Coords) -> None:
    xs.append(item.x)
    ys.append(item.y)


# Where an item with a size of its own reaches to, and where words, grips and dimension lines stand: what those take
# themselves the renderer keeps free.
Reach = Callable[[Any, Coords, Coords], None]
SOLID_AT: dict[type, Reach] = {
    Mark: _reach_point,
    Outline: _reach_outline,
    Segments: _reach_segments,
    Dots: _reach_dots,
    Arrow: _reach_line,
    Grower: _reach_grower,
}
POINTED_AT: dict[type, Reach] = {Note: _reach_point, Handle: _reach_point, Dimension: _reach_line}


def _reached(items: Sequence[Item], at: dict[type, Reach]) -> tuple[Coords, Coords]:
    """Coordinates that those of some kinds reach to, across and up."""
    xs, ys = Coords(), Coords()
    for item in items:
        reach = at.get(type(item))
        if reach is not None:
            reach(item, xs, ys)
    return xs, ys


def drawn(
    *,
    view: str,
    title: str,
    summary: str,
    items: Sequence[Item],
    table: tuple[Row, ...] = (),
    beside_m: float | tuple[float, float, float, float] = 0.0,
) -> Drawing:
    """A drawing as large as its items, and so much more round what has size: left, below, right, above, m."""
    left, below, right, above = beside_m if isinstance(beside_m, tuple) else (beside_m,) * 4
    solid_x, solid_y = _reached(items, SOLID_AT)
    xs, ys = _reached(items, POINTED_AT)
    return Drawing(
        view=view,
        title=title,
        summary=summary,
        x0=min([min(solid_x, default=0.0) - left, *xs]),
        y0=min([min(solid_y, default=0.0) - below, *ys]),
        x1=max([max(solid_x, default=0.0) + right, *xs]),
        y1=max([max(solid_y, default=0.0) + above, *ys]),
        items=tuple(items),
        table=table,
    )


def with_layers(drawing: Drawing, layers: Sequence[Layer]) -> Drawing:
    """A drawing with layers of other rooms over its solid parts and under its lines and words, grown to hold them."""
    items = list(drawing.items)
    solid = [place for place, item in enumerate(items) if isinstance(item, Outline) and item.layer in SOLID]
    at = solid[-1] + 1 if solid else 0
    more = [item for layer in layers for item in layer.items]
    xs, ys = _reached(more, SOLID_AT | POINTED_AT)
    return drawing.model_copy(
        update={
            "items": (*items[:at], *more, *items[at:]),
            "table": (*drawing.table, *(row for layer in layers for row in layer.rows)),
            "x0": min([drawing.x0, *xs]),
            "y0": min([drawing.y0, *ys]),
            "x1": max([drawing.x1, *xs]),
            "y1": max([drawing.y1, *ys]),
        }
    )
