"""Every place to mark along a bow’s tube."""

from obtegum.core.drawing.strip import MarkKind
from obtegum.core.findings.skeleton.bending import bends_of
from obtegum.core.findings.skeleton.bows import (
    along_tube,
    corners_of,
    tube_m,
)
from obtegum.core.findings.skeleton.line import centre_line
from obtegum.core.findings.skeleton.stands import way_of
from obtegum.core.findings.work import Work

__all__ = ["tube_places"]

SAME = 1e-6


def tube_places(work: Work) -> list[tuple[float, str, MarkKind, str]]:
    """Every place to mark along a whole bow's tube, m from its end in the left post."""
    insertion_m, whole_m = work.design.bows.insertion_m, tube_m(work)
    edges = _bend_edges(work)
    at_post = bool(edges) and abs(edges[0][0] - insertion_m) < SAME
    way, bolt_m = way_of(work), work.design.posts.bolt_m
    top = f"{way.top}, {edges[0][1]}" if at_post else way.top
    bottom = f"{way.top}, {edges[-1][1]}" if at_post else way.top
    ridge = any(abs(kink.s_m - centre_line(work).girth_m / 2) < SAME for kink in corners_of(work))
    places: list[tuple[float, str, MarkKind, str]] = [
        (insertion_m, top, "socket", "socket:L"),
        (whole_m / 2, "ridge" if ridge else "crown", "crown", "crown"),
        (whole_m - insertion_m, bottom, "socket", "socket:R"),
    ]
    if bolt_m is not None:
        low_m = insertion_m - bolt_m
        places += [(low_m, "drill, bolt", "joint", "bolt:L"), (whole_m - low_m, "drill, bolt", "joint", "bolt:R")]
    count = len(edges)
    for number, (at_m, what) in enumerate(edges):
        if insertion_m + SAME < at_m < whole_m - insertion_m - SAME:
            from_left = number < count / 2
            nth = number + 1 if from_left else count - number
            part = f"bend:{'L' if from_left else 'R'}{'' if nth == 1 else nth}"
            places.append((at_m, what, "bend", part))
    return sorted(places)


def _bend_edges(work: Work) -> list[tuple[float, str]]:
    """Where bends start and end along the tube; between two that touch, where the radius changes."""
    found: list[tuple[float, str]] = []
    for bend in bends_of(work):
        start, end = along_tube(work, bend.start_m), along_tube(work, bend.end_m)
        if found and abs(found[-1][0] - start) < SAME:
            found[-1] = (start, "radius changes")
        else:
            found.append((start, "bend starts"))
        found.append((end, "bend ends"))
    return found
