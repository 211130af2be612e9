"""The floor between the posts or under the skin, and the beds and paths across it."""

from obtegum.core.findings.kept import found
from obtegum.core.findings.skeleton.line import inner_face
from obtegum.core.findings.skeleton.tubes import bow_tube, post_tube
from obtegum.core.findings.work import Work
from obtegum.core.formulas.bows.beds import Bed, Layout, lay_out, lay_out_own
from obtegum.core.formulas.bows.headroom import headroom, headroom_over

__all__ = ["across_m", "bed_long_m", "bed_room_m", "floor_m", "layout_of", "layout_with", "path_room_m", "side_clear"]

# A strip along a wall that one can kneel in, m.
KNEEL_M = 0.25


def floor_m(work: Work) -> float:
    """Width of the floor that beds may take, m: between the posts, or on past them to the skin."""
    span_m = work.design.size.span_m
    return span_m + bow_tube(work).od_m if work.design.inside.to == "skin" else span_m - post_tube(work).od_m


def across_m(work: Work, from_left_m: float) -> float:
    """Place across the section of a distance from the left edge of the floor, m from the middle."""
    return from_left_m - floor_m(work) / 2


def layout_with(work: Work, along_walls: str) -> Layout:
    """Beds and paths across the floor, laid out one way or another."""
    inside = work.design.inside
    if along_walls == "own":
        beds = inside.own_beds_m or (inside.bed_m,)
        return lay_out_own(floor_m(work), beds, inside.own_paths_m, inside.wall_m, inside.path_m)
    return lay_out(floor_m(work), inside.bed_m, inside.path_m, "path" if along_walls == "path" else "bed")


@found
def layout_of(work: Work) -> Layout:
    """Beds and paths across the floor."""
    return layout_with(work, work.design.inside.along_walls)


def bed_long_m(work: Work) -> float:
    """Length of a bed, what is kept clear at the ends taken off, m."""
    inside = work.design.inside
    return max(work.design.size.length_m - inside.front_m - inside.back_m, 0.0)


def path_room_m(work: Work, path: Bed) -> float:
    """Height over a path under the bow's inner face, over a person's width or the path's, m."""
    wide_m = min(work.rules.figure_width_m, path.width_m)
    return headroom_over(inner_face(work), across_m(work, path.middle_m), wide_m)


def bed_room_m(work: Work, bed: Bed) -> float:
    """Height over the middle of a bed under the bow's inner face, m."""
    return headroom(inner_face(work), across_m(work, bed.middle_m))


def side_clear(work: Work, bed: Bed) -> tuple[bool, bool]:
    """Whether one gets at a bed from its left and from its right: from a path, or a strip wide enough to kneel in."""
    strips = layout_of(work).strips
    place = strips.index(bed)
    left = strips[place - 1].kind == "path" if place else bed.from_m >= KNEEL_M
    right = strips[place + 1].kind == "path" if place + 1 < len(strips) else floor_m(work) - bed.to_m >= KNEEL_M
    return left, right
