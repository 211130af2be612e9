"""The floor between the posts, and the beds and paths across it."""

from obtegum.core.bows.beds import Layout, lay_out
from obtegum.core.found import found
from obtegum.core.rooms.bows.tubes import post_tube
from obtegum.core.work import Work

__all__ = ["floor_m", "layout_of"]


def floor_m(work: Work) -> float:
    """Width of the floor between the posts, m."""
    return work.design.size.span_m - post_tube(work).od_m


@found
def layout_of(work: Work) -> Layout:
    """Beds and paths across the floor."""
    inside = work.design.inside
    return lay_out(floor_m(work), inside.bed_m, inside.path_m, inside.along_walls)
