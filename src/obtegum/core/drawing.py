"""Display lists: a drawing as named parts in true size, for the screen, paper and CAD alike.

Coordinates are metres; x right, y up. Things that have no size of their own (pegs, handles, words,
dimension lines) say where they are, and each renderer gives them the size that reads best.
Items are plain dataclasses: a long house has thousands of them, all made here and none from outside.
"""

import math
from collections.abc import Callable, Iterator, Sequence
from dataclasses import dataclass, replace
from itertools import pairwise
from typing import Annotated, Literal, NamedTuple, TypeVar

from pydantic import Field

from obtegum.core.part import Part
from obtegum.core.profile import Arc, Chain

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
    "Note",
    "Outline",
    "Row",
    "Segments",
    "Vertex",
    "box",
    "chain_path",
    "drawn",
    "line",
    "moved",
    "over",
    "seen_from_above",
    "with_layers",
]

T = TypeVar("T")
# A grower with a hat, in shares of the grower.
HAT = 1.06
Lies = Literal["ground", "frame", "hidden", "string", "construction", "air"]
# What has a body, or hides in one.
SOLID = ("ground", "frame", "hidden", "air")
Material = Literal["steel", "plastic", "post", "soil", "string", "ink", "air"]


@dataclass(frozen=True, slots=True, kw_only=True)
class Vertex:
    """A corner of a path. The piece that leads here is straight, or an arc where ``radius_m`` > 0.

    Arcs turn clockwise as seen with y up; ``large`` says that it turns more than half a circle.
    """

    x: float
    y: float
    radius_m: float = 0.0
    large: bool = False


@dataclass(frozen=True, slots=True, kw_only=True)
class Outline:
    """A path of true size: filled when ``closed``, else a centre line ``width_m`` wide."""

    kind: Literal["outline"] = "outline"
    part: str
    layer: Lies
    material: Material
    path: tuple[Vertex, ...]
    closed: bool = False
    width_m: float = 0.0
    label: str = ""


@dataclass(frozen=True, slots=True, kw_only=True)
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


@dataclass(frozen=True, slots=True, kw_only=True)
class Dimension:
    """A measured distance from one point to another, drawn ``lane`` lanes to the left of travel.

    Words that have no room in its line stand beside it, ``row`` lines on from those of another one.
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


@dataclass(frozen=True, slots=True, kw_only=True)
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


@dataclass(frozen=True, slots=True, kw_only=True)
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


@dataclass(frozen=True, slots=True, kw_only=True)
class Grower:
    """A person for scale, feet at (x, y)."""

    kind: Literal["grower"] = "grower"
    part: str = "grower"
    x: float
    y: float
    height_m: float
    width_m: float
    upright: bool


@dataclass(frozen=True, slots=True, kw_only=True)
class Segments:
    """Many straight pieces of one thing, a row of x0, y0, x1, y1 for each; contours have their height, m."""

    kind: Literal["segments"] = "segments"
    part: str
    style: Literal["contour", "meeting", "post", "behind"]
    ends: tuple[tuple[float, float, float, float], ...]
    height_m: float = 0.0


@dataclass(frozen=True, slots=True, kw_only=True)
class Dots:
    """Many places without a name of their own."""

    kind: Literal["dots"] = "dots"
    part: str
    places: tuple[tuple[float, float], ...]


@dataclass(frozen=True, slots=True, kw_only=True)
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


@dataclass(frozen=True, slots=True, kw_only=True)
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


# An arc is as wide as this many points along it say, to a thousandth of its radius.
ARC_POINTS = 36


def _arc_points(one: Vertex, other: Vertex) -> Iterator[tuple[float, float]]:
    """Points along an arc that turns clockwise between two corners."""
    dx, dy = other.x - one.x, other.y - one.y
    half = math.hypot(dx, dy) / 2
    off = math.sqrt(max(other.radius_m**2 - half**2, 0.0)) * (-1 if other.large else 1)
    if half == 0:
        return
    cx, cy = (one.x + other.x) / 2 + dy / (2 * half) * off, (one.y + other.y) / 2 - dx / (2 * half) * off
    begin = math.atan2(one.y - cy, one.x - cx)
    turn = (begin - math.atan2(other.y - cy, other.x - cx)) % (2 * math.pi)
    for place in range(1, ARC_POINTS):
        angle = begin - turn * place / ARC_POINTS
        yield cx + other.radius_m * math.cos(angle), cy + other.radius_m * math.sin(angle)


def _solid(item: Item) -> Iterator[tuple[float, float]]:
    """Places that an item with a size of its own reaches to."""
    match item:
        case Outline():
            wide = 0.0 if item.closed else item.width_m / 2
            points = [(vertex.x, vertex.y) for vertex in item.path]
            for one, other in pairwise(item.path):
                points += _arc_points(one, other) if other.radius_m else ()
            for x, y in points:
                yield from ((x - wide, y - wide), (x + wide, y + wide)) if wide else ((x, y),)
        case Grower():
            yield item.x - item.width_m / 2, item.y
            yield item.x + item.width_m / 2, item.y + item.height_m * HAT
        case Segments():
            for x0, y0, x1, y1 in item.ends:
                yield from ((x0, y0), (x1, y1))
        case Dots():
            yield from item.places
        case Arrow():
            yield from ((item.x0, item.y0), (item.x1, item.y1))
        case Mark():
            yield item.x, item.y


def _pointed(item: Item) -> Iterator[tuple[float, float]]:
    """Places that words, grips and dimension lines stand at; what they take themselves the renderer keeps free."""
    match item:
        case Dimension():
            yield from ((item.x0, item.y0), (item.x1, item.y1))
        case Note() | Handle():
            yield item.x, item.y


def drawn(
    *,
    view: str,
    title: str,
    summary: str,
    items: Sequence[Item],
    table: tuple[Row, ...],
    beside_m: float | tuple[float, float, float, float] = 0.0,
) -> Drawing:
    """A drawing as large as its items, and so much more round what has size: left, below, right, above, m."""
    left, below, right, above = beside_m if isinstance(beside_m, tuple) else (beside_m,) * 4
    solid = [place for item in items for place in _solid(item)] or [(0.0, 0.0)]
    places = [place for item in items for place in _pointed(item)]
    xs, ys = [x for x, _ in places], [y for _, y in places]
    return Drawing(
        view=view,
        title=title,
        summary=summary,
        x0=min([min(x for x, _ in solid) - left, *xs]),
        y0=min([min(y for _, y in solid) - below, *ys]),
        x1=max([max(x for x, _ in solid) + right, *xs]),
        y1=max([max(y for _, y in solid) + above, *ys]),
        items=tuple(items),
        table=table,
    )


def with_layers(drawing: Drawing, layers: Sequence[Layer]) -> Drawing:
    """A drawing with layers of other rooms over its solid parts and under its lines and words, grown to hold them."""
    items = list(drawing.items)
    solid = [place for place, item in enumerate(items) if isinstance(item, Outline) and item.layer in SOLID]
    at = solid[-1] + 1 if solid else 0
    more = [item for layer in layers for item in layer.items]
    places = [place for item in more for each in (_solid, _pointed) for place in each(item)]
    xs, ys = [x for x, _ in places], [y for _, y in places]
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


def chain_path(chain: Chain) -> tuple[Vertex, ...]:
    """A centre line as a path, arcs kept as arcs."""
    x, y = chain.point(0.0)
    path = [Vertex(x=x, y=y)]
    for segment in chain.segments:
        x, y = segment.point(segment.length_m)
        if isinstance(segment, Arc):
            path.append(Vertex(x=x, y=y, radius_m=segment.radius_m, large=segment.turn_rad > 3.141592653589793))
        else:
            path.append(Vertex(x=x, y=y))
    return tuple(path)


def moved(vertex: Vertex, dx: float, dy: float = 0.0) -> Vertex:
    """A corner of a path somewhere else."""
    return replace(vertex, x=vertex.x + dx, y=vertex.y + dy)


def box(x0: float, y0: float, x1: float, y1: float) -> tuple[Vertex, ...]:
    """Corners of an upright rectangle."""
    return (Vertex(x=x0, y=y0), Vertex(x=x1, y=y0), Vertex(x=x1, y=y1), Vertex(x=x0, y=y1))


def line(x0: float, y0: float, x1: float, y1: float) -> tuple[Vertex, ...]:
    """A straight path."""
    return (Vertex(x=x0, y=y0), Vertex(x=x1, y=y1))


def over(view: Callable[[T], Drawing]) -> Callable[[T], Drawing]:
    """A view that makes its drawing with y across to the right of A to B, as one sees it from above."""
    return lambda work: seen_from_above(view(work))


def seen_from_above(drawing: Drawing) -> Drawing:
    """A drawing of straight things made with y across to the right of A to B, as one sees it from above.

    A to B runs to the right, so what lies on the right hand of one who walks it comes to lie below.
    Words that stood above a point stand below it, and the other way round.
    """
    items = tuple(_turned(item) for item in drawing.items)
    return drawing.model_copy(update={"items": items, "y0": -drawing.y1, "y1": -drawing.y0})


def _turned(item: Item) -> Item:
    """An item with its y turned round."""
    match item:
        case Outline():
            return replace(item, path=tuple(replace(vertex, y=-vertex.y) for vertex in item.path))
        case Mark():
            return replace(item, y=-item.y, heading_rad=-item.heading_rad)
        case Dimension():
            # Its ends change places, so that its lane stays on the same side of what it measures.
            return replace(item, x0=item.x1, y0=-item.y1, x1=item.x0, y1=-item.y0)
        case Note():
            row = 1 - item.row if item.above else -item.row
            return replace(item, y=-item.y, above=False, row=row)
        case Handle():
            return replace(item, y=-item.y, dy=-item.dy, lane_dy=-item.lane_dy)
        case Segments():
            return replace(item, ends=tuple((x0, -y0, x1, -y1) for x0, y0, x1, y1 in item.ends))
        case Dots():
            return replace(item, places=tuple((x, -y) for x, y in item.places))
        case Arrow():
            return replace(item, y0=-item.y0, y1=-item.y1)
        case Grower():
            return replace(item, y=-item.y)
