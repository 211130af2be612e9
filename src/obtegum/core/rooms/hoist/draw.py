"""The sheet's way over the house, scene by scene: beside it, roped, half over, fixed."""

import math
from collections.abc import Sequence

from obtegum.core.drawing.items import (
    Arrow,
    Drawing,
    Grower,
    Item,
    Mark,
    Note,
    Outline,
    Row,
    Vertex,
    drawn,
)
from obtegum.core.drawing.paths import chain_path, circle, line
from obtegum.core.findings.skeleton.line import centre_line
from obtegum.core.findings.skeleton.tubes import bow_tube
from obtegum.core.findings.work import Work
from obtegum.core.formulas.profile import Chain
from obtegum.core.rooms.hoist.found import comes, sheet_of
from obtegum.core.rooms.size.across import frame_outlines

__all__ = ["day_drawings", "roped"]

BESIDE_M, BUNDLE_M = 2.5, 0.22
TITLES = {1: "Beside the house", 2: "Roped", 3: "Half over", 4: "Fixed in this order"}


def day_drawings(work: Work) -> Sequence[Drawing]:
    """Each scene but the one that is a view of its own."""
    if not comes(work):
        return ()
    return tuple(_scene(work, number) for number in TITLES if number != 2)


def roped(work: Work) -> Drawing:
    """The bundle beside the house, a rope over it to the other side."""
    return _scene(work, 2)


def _string(part: str, path: tuple[Vertex, ...], label: str) -> Outline:
    return Outline(part=part, layer="string", material="string", path=path, label=label)


def _bundle(place: float) -> list[Item]:
    path = circle(place, BUNDLE_M, BUNDLE_M)
    return [
        Outline(part="film", layer="air", material="air", closed=True, path=path, label="bundle"),
        _string("film", path, "bundle"),
        Note(part="film", x=place, y=-0.05, text="bundle, tied", above=False),
    ]


def _half_over(outer: Chain) -> list[Item]:
    """The sheet as far as it is drawn over, and the rope that draws it on."""
    at = outer.girth_m * DRAWN
    (x, y), head = outer.point(at), outer.heading(at)
    return [
        _string("film", chain_path(outer.part(at, outer.girth_m)), "sheet, half over"),
        _string("rope", chain_path(outer.part(0.0, at)), "rope"),
        Arrow(part="rope", x0=x, y0=y, x1=x - 0.7 * math.cos(head), y1=y - 0.7 * math.sin(head)),
    ]


def _fixed(work: Work, outer: Chain) -> list[Item]:
    """The sheet over the house, and what is fixed in which order."""
    items: list[Item] = [_string("film", chain_path(outer), "sheet")]
    for name, at in _order(work):
        x, y = outer.point(outer.girth_m * at)
        up = max(y, work.design.size.figure.height_m) + 0.15
        items += [
            Mark(part=f"fix:{name}", symbol="socket", x=x, y=y, label=f"{name}"),
            Note(part=f"fix:{name}", x=x * 1.08, y=up, text=name),
        ]
    return items


# How far from the left foot the sheet's edge is, of the girth, where it is drawn half over.
DRAWN = 0.42


def _scene(work: Work, number: int) -> Drawing:
    """The section with the sheet where it is then; people at their places."""
    bow, half = centre_line(work), bow_tube(work).od_m / 2
    outer = bow.offset(half + 0.06)
    edge = work.design.size.span_m / 2 + half
    # The bundle lies on the right, away from the wind that comes on the left.
    place = edge + BESIDE_M / 2
    ground = edge + BESIDE_M + 0.6
    items: list[Item] = [
        Outline(part="ground", layer="ground", material="ink", path=line(-ground, 0.0, ground, 0.0), label="ground"),
        *frame_outlines(work),
        Arrow(
            part="wind",
            x0=-ground,
            y0=work.design.size.height_m * 0.9,
            x1=-ground + 0.8,
            y1=work.design.size.height_m * 0.9,
        ),
        Note(part="wind", x=-ground, y=work.design.size.height_m * 0.9, text="wind", anchor="start"),
    ]
    tall_m = work.design.size.figure.height_m
    if number in (1, 2) and not work.design.sheets.over_roof:
        items += _bundle(place)
    if number == 2 and not work.design.sheets.over_roof:
        items += [
            _string("rope", chain_path(outer), "rope over the house"),
            _string("rope", line(edge, 0.02, place, 0.02), "rope to the bundle"),
            Note(part="rope", x=-edge - 0.15, y=tall_m + 0.15, text=f"{sheet_of(work).ropes} ropes", anchor="end"),
        ]
    if number == 3:
        items += _half_over(outer)
    if number == 4:
        items += _fixed(work, outer)
    people = {
        1: (place - 0.7, place + 0.7),
        2: (-edge - 0.7, place + 0.7),
        3: (-edge - 0.7, edge + 0.5),
        4: (-edge - 0.5, edge + 0.5),
    }
    for x in people[number]:
        items.append(Grower(part="people", x=x, y=0.0, height_m=tall_m, width_m=0.5, upright=True))
    return drawn(
        view=f"hoist:{number}" if number != 2 else "roped",
        title=TITLES[number],
        summary=f"The section on film day, scene {number} of 4: {TITLES[number].lower()}.",
        items=items,
        beside_m=(0.3, 0.3, 0.3, 0.3),
        table=(Row(what="People at", reading="both sides" if number > 1 else "the bundle"),),
    )


def _order(work: Work) -> tuple[tuple[str, float], ...]:
    """Which edge is fixed when, by its place over the bow."""
    cover, first = work.design.cover, work.design.hoist.first
    if cover.made == "gathered":
        return ("1 left", 0.03), ("2 right", 0.97), ("3 ends", 0.5)
    if first == "ends":
        return ("1, 2 ends", 0.5), ("3 left", 0.03), ("4 right", 0.97)
    return ("1 left", 0.03), ("2 right", 0.97), ("3, 4 ends", 0.5)
