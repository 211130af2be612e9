"""What is marked on a bow, at its place on the section, and the radii that are bent."""

from typing import Literal

from obtegum.core.drawing.items import Item, Layer, Mark, Note, Outline, Row
from obtegum.core.drawing.paths import line
from obtegum.core.findings.skeleton.bending import bend_kinds
from obtegum.core.findings.skeleton.bows import girth_at, split_of
from obtegum.core.findings.skeleton.line import centre_line
from obtegum.core.findings.work import Work
from obtegum.core.rooms.bows.marks import tube_places

__all__ = ["marks_across"]

SYMBOLS: dict[str, Literal["socket", "bend", "crown", "joint"]] = {
    "socket": "socket",
    "bend": "bend",
    "crown": "crown",
    "joint": "joint",
}


def marks_across(work: Work) -> Layer:
    """Radii and marks, and how high each mark stands."""
    rows = []
    for at_m, what, _, _ in tube_places(work):
        _, y = centre_line(work).point(girth_at(work, at_m))
        rows.append(Row(what=f"{what[:1].upper()}{what[1:]}, above the ground", reading=work.say(y)))
    return Layer([*_radius(work), *_marks(work)], tuple(rows))


def _radius(work: Work) -> list[Item]:
    """Every radius that is bent, from a point of its arc toward its centre."""
    leg_m, items = work.design.size.leg_m, list[Item]()
    for arc in bend_kinds(work):
        over_crown = abs(arc.cx) < 1e-9
        u = arc.length_m / 2 + (min(arc.radius_m * 0.5, arc.length_m / 3) if over_crown else 0.0)
        x, y = arc.point(u)
        floor_y = max(arc.cy, min(leg_m, y - 0.1))
        share = min((y - floor_y) / (y - arc.cy), 1.0) if y - arc.cy > 1e-9 else 1.0
        start_x, start_y = x + (arc.cx - x) * share, y + (arc.cy - y) * share
        items += [
            Outline(part="radius", layer="construction", material="ink", path=line(start_x, start_y, x, y)),
            Note(
                part="radius",
                x=(start_x + x) / 2,
                y=(start_y + y) / 2,
                text=f"radius {work.say(arc.radius_m)}",
                anchor="start" if x < 0 and not over_crown else "end",
                above=False,
            ),
        ]
        if arc.cy >= 0 and abs(arc.cx) <= work.design.size.span_m / 2:
            items.append(Mark(part="centre", symbol="centre", x=arc.cx, y=arc.cy, label="centre of the arc"))
    return items


def _marks(work: Work) -> list[Item]:
    """What the tape strip marks on the sticks, at its place on the bow."""
    found: list[Item] = []
    for at_m, what, kind, part in tube_places(work):
        s_m = girth_at(work, at_m)
        x, y = centre_line(work).point(s_m)
        found.append(
            Mark(part=part, symbol=SYMBOLS[kind], x=x, y=y, heading_rad=centre_line(work).heading(s_m), label=what)
        )
    for number, at_m in enumerate(split_of(work).joints_m, start=1):
        x, y = centre_line(work).point(girth_at(work, at_m))
        found.append(Mark(part=f"joint:{number}", symbol="joint", x=x, y=y, label=f"joint {number}"))
    return found
