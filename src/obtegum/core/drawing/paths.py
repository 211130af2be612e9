"""Paths of drawings: centre lines, boxes, straight lines."""

from obtegum.core.drawing.items import Vertex
from obtegum.core.formulas.profile import Arc, Chain

__all__ = ["box", "chain_path", "circle", "line", "moved"]


def chain_path(chain: Chain) -> tuple[Vertex, ...]:
    """A centre line as a path, arcs kept as arcs."""
    x, y = chain.point(0.0)
    path = [Vertex(x=x, y=y)]
    for segment, (x, y) in zip(chain.segments, chain.ends[1::2], strict=True):
        if isinstance(segment, Arc):
            path.append(Vertex(x=x, y=y, radius_m=segment.radius_m, large=abs(segment.turn_rad) > 3.141592653589793))
        else:
            path.append(Vertex(x=x, y=y))
    return tuple(path)


def moved(vertex: Vertex, dx: float, dy: float = 0.0) -> Vertex:
    """A corner of a path somewhere else."""
    return Vertex(x=vertex.x + dx, y=vertex.y + dy, radius_m=vertex.radius_m, large=vertex.large)


def box(x0: float, y0: float, x1: float, y1: float) -> tuple[Vertex, ...]:
    """Corners of an upright rectangle."""
    return (Vertex(x=x0, y=y0), Vertex(x=x1, y=y0), Vertex(x=x1, y=y1), Vertex(x=x0, y=y1))


def line(x0: float, y0: float, x1: float, y1: float) -> tuple[Vertex, ...]:
    """A straight path."""
    return (Vertex(x=x0, y=y0), Vertex(x=x1, y=y1))


def circle(x: float, y: float, radius_m: float) -> tuple[Vertex, ...]:
    """A whole circle, as two arcs; to be closed."""
    left = Vertex(x=x - radius_m, y=y, radius_m=radius_m)
    return (Vertex(x=x - radius_m, y=y), Vertex(x=x + radius_m, y=y, radius_m=radius_m), left)
