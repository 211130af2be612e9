"""Drawings as one sees the ground from above."""

from collections.abc import Callable
from typing import TypeVar

from obtegum.core.drawing.items import (
    Arrow,
    Dimension,
    Dots,
    Drawing,
    Grower,
    Handle,
    Item,
    Mark,
    Note,
    Outline,
    Segments,
    Vertex,
)
from obtegum.core.values.quick import altered

__all__ = ["over", "seen_from_above"]

T = TypeVar("T")


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


def _mirrored(vertex: Vertex) -> Vertex:
    return Vertex(x=vertex.x, y=-vertex.y, radius_m=vertex.radius_m, large=vertex.large)


def _turned(item: Item) -> Item:
    """An item with its y turned round."""
    match item:
        case Outline():
            return altered(item, path=tuple(_mirrored(vertex) for vertex in item.path))
        case Mark():
            return altered(item, y=-item.y, heading_rad=-item.heading_rad)
        case Dimension():
            # Its ends change places, so that its lane stays on the same side of what it measures.
            return altered(item, x0=item.x1, y0=-item.y1, x1=item.x0, y1=-item.y0)
        case Note():
            row = 1 - item.row if item.above else -item.row
            return altered(item, y=-item.y, above=False, row=row)
        case Handle():
            return altered(item, y=-item.y, dy=-item.dy, lane_dy=-item.lane_dy)
        case Segments():
            return altered(item, ends=tuple((x0, -y0, x1, -y1) for x0, y0, x1, y1 in item.ends))
        case Dots():
            return altered(item, places=tuple((x, -y) for x, y in item.places))
        case Arrow():
            return altered(item, y0=-item.y0, y1=-item.y1)
        case Grower():
            return altered(item, y=-item.y)
