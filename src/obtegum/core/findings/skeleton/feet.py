"""One foot of a bow as it is drawn: what stands in the ground, and the board along it."""

import math

from obtegum.core.drawing.items import Material, Outline, Vertex
from obtegum.core.drawing.paths import box
from obtegum.core.findings.skeleton.line import centre_line
from obtegum.core.findings.skeleton.posts import board_behind_m, board_of, embedment_m, entry_of, leans_loose
from obtegum.core.findings.skeleton.stands import boarded, stub_below, way_of
from obtegum.core.findings.skeleton.tubes import post_tube
from obtegum.core.findings.work import Work
from obtegum.core.formulas.profile import Arc

__all__ = ["foot_outlines"]

# Concrete around a socket, at the least, m either side; how many of its diameters besides.
CONCRETE_M, CONCRETE_DIAMETERS = 0.12, 2.0


def foot_outlines(work: Work, side: str, x: float, part: str, label: str) -> list[Outline]:
    """What one foot stands in, its bow's centre at the ground at ``x``; the outside is left of the left side."""
    out = -1.0 if side == "L" else 1.0
    posts, stand = work.design.posts, work.design.posts.stand
    od, top, deep = post_tube(work).od_m, posts.reveal_m, embedment_m(work)
    found = list[Outline]()
    if stand == "slab":
        wide = max(CONCRETE_M, CONCRETE_DIAMETERS * od)
        found.append(_solid(f"{part}:concrete", "concrete", box(x - wide, -deep, x + wide, 0.0), "concrete"))
    if leans_loose(work) and stand == "stub":
        found.append(_loose(work, x, out, part, label))
    elif stand == "curve":
        found.append(_leaning(work, x, out, part, label))
    elif stand == "board":
        # The stake stands behind the board, its top with the board's.
        behind = x + out * (board_behind_m(work) + board_of(work).thick_m + od / 2)
        found.append(_solid(part, "post", box(behind - od / 2, -deep, behind + od / 2, top), label))
    else:
        found.append(_solid(part, "post", box(x - od / 2, -deep, x + od / 2, top), label))
    if boarded(work):
        board, near = board_of(work), x + out * board_behind_m(work)
        low, high = sorted((near, near + out * board.thick_m))
        rows = [("board", "base board")]
        if work.design.boards.high == "two":
            rows.append(("lower", "lower base board"))
        for row, (name, words) in enumerate(rows):
            under = top - row * board.wide_m
            found.append(_solid(f"{name}:{side}", "board", box(low, under - board.wide_m, high, under), words))
    return found


def _solid(part: str, material: Material, path: tuple[Vertex, ...], label: str) -> Outline:
    return Outline(part=part, layer="frame", material=material, closed=True, path=path, label=label)


def _loose(work: Work, x: float, out: float, part: str, label: str) -> Outline:
    """A stub that leans as the pipe over it does."""
    lean = math.pi / 2 - centre_line(work).heading(0.0)
    posts, in_m = work.design.posts, -out * math.sin(lean)
    below_m = posts.length_m - posts.reveal_m / max(math.cos(lean), 0.1)
    top = Vertex(x=x + in_m * posts.reveal_m / max(math.cos(lean), 0.1), y=posts.reveal_m)
    low = Vertex(x=x - in_m * below_m, y=-below_m * math.cos(lean))
    od_m = post_tube(work).od_m
    return Outline(part=part, layer="frame", material="post", path=(low, top), width_m=od_m, label=label)


def _leaning(work: Work, x: float, out: float, part: str, label: str) -> Outline:
    """A stub along the bow's own curve: from its end in the ground up to its top."""
    away, deep, _ = stub_below(work)
    bow, first = centre_line(work), centre_line(work).segments[0]
    radius = first.radius_m if isinstance(first, Arc) else 0.0
    top_x, top_y = bow.point(entry_of(work).post_top_s_m)
    inward = top_x + work.design.size.span_m / 2
    # Arcs of a path turn clockwise, so the left one is drawn upward and the right one down.
    low, foot, high = (
        Vertex(x=x + out * away, y=-deep),
        Vertex(x=x, y=0.0, radius_m=radius),
        Vertex(x=x - out * inward, y=top_y, radius_m=radius),
    )
    path = (low, foot, high)
    if out > 0:
        path = (
            Vertex(x=high.x, y=high.y),
            Vertex(x=x, y=0.0, radius_m=radius),
            Vertex(x=low.x, y=low.y, radius_m=radius),
        )
    return Outline(
        part=part,
        layer="frame",
        material="post",
        path=path,
        width_m=post_tube(work).od_m,
        label=f"{label}, {way_of(work).inside}",
    )
