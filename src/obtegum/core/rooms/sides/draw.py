"""A curtain cut across, down and rolled up, with what stands out behind it; and the side from outside, half way up."""

from collections.abc import Iterator
from itertools import pairwise

from obtegum.core.drawing.items import Dimension, Drawing, Handle, Item, Note, Outline, Row, drawn
from obtegum.core.drawing.paths import box, chain_path, circle, line
from obtegum.core.findings.skeleton.bays import bays_of
from obtegum.core.findings.skeleton.line import centre_line
from obtegum.core.findings.skeleton.posts import board_behind_m, board_of
from obtegum.core.findings.skeleton.stands import boarded
from obtegum.core.findings.skeleton.tubes import bow_tube
from obtegum.core.findings.work import Work
from obtegum.core.rooms.boards.found import hip_board, hip_place
from obtegum.core.rooms.sides.found import (
    bar_tube,
    bow_out_m,
    corded,
    curtained,
    film_out_m,
    in_the_way,
    opened_at,
    opening_m,
    rest_m,
    wound,
)
from obtegum.core.rooms.sides.parts import hung_from
from obtegum.core.values.quantity import area_text

__all__ = ["curtain", "curtains"]

BEYOND_M = 0.35
STEPS = 10


def _none(view: str, title: str) -> Drawing:
    note = Note(part="curtain", x=0.0, y=0.5, text="no side rolls up yet")
    ground = Outline(part="ground", layer="ground", material="ink", path=line(-1.0, 0.0, 1.0, 0.0), label="ground")
    return drawn(
        view=view,
        title=title,
        summary="No side rolls up yet: there is no curtain here.",
        items=[ground, note],
        beside_m=(0.2, 0.3, 0.2, 0.2),
        table=(Row(what="Sides that roll", reading="none"),),
    )


def _hip_board(work: Work, x0: float, x1: float) -> Outline:
    hip_m, half = work.design.boards.hip_m, hip_board(work).wide_m / 2
    path = box(x0, hip_m - half, x1, hip_m + half)
    return Outline(part="hip", layer="frame", material="board", closed=True, label="hip board", path=path)


def _base_board(work: Work) -> Iterator[Item]:
    if boarded(work):
        base, reveal = board_of(work), work.design.posts.reveal_m
        outer = -work.design.size.span_m / 2 - board_behind_m(work)
        path = box(outer - base.thick_m, reveal - base.wide_m, outer, reveal)
        yield Outline(part="board", layer="frame", material="board", closed=True, path=path, label="base board")


def _rolls(work: Work, low_x: float, high_x: float) -> Iterator[Item]:
    """The bar at the bottom of its curtain, and the roll at the top."""
    way = -1.0 if work.design.sides.rolls == "out" else 1.0
    bar, rolled, high = bar_tube(work), wound(work).radius_m, work.design.boards.hip_m - hip_board(work).wide_m / 2
    down = circle(low_x + way * bar.od_m / 2, rest_m(work), bar.od_m / 2)
    yield Outline(part="bar", layer="frame", material=bar.material, closed=True, label="bar, down", path=down)
    path = circle(high_x + way * rolled, high - rolled, rolled)
    yield Outline(part="bar", layer="air", material="air", closed=True, label="rolled up", path=path)
    yield Outline(part="bar", layer="hidden", material="ink", path=path)


def _bolts(work: Work) -> Iterator[Item]:
    """What stands out behind the roll, and how clear of it."""
    for each in {each.up_m: each for each in in_the_way(work)}.values():
        outer = -bow_out_m(work, each.up_m)
        path = box(outer - each.proud_m, each.up_m - 0.008, outer, each.up_m + 0.008)
        yield Outline(part="brace", layer="frame", material="steel", closed=True, path=path, label=each.what)
        text = f"{work.tube(max(each.clear_m, 0.0), 'down')} clear" if each.clear_m >= 0 else "rubs"
        yield Note(part="brace", x=outer + 0.08, y=each.up_m, text=text, anchor="start")


def _part(work: Work, place: int) -> Iterator[Item]:
    """A curtain with its bar half way up, and what turns it."""
    sides, bar = work.design.sides, bar_tube(work)
    low, high = rest_m(work), work.design.boards.hip_m - hip_board(work).wide_m / 2
    half_way, long_m = low + (high - low) / 2, work.design.size.length_m / sides.parts
    x0, x1 = place * long_m - sides.flap_m, (place + 1) * long_m + sides.flap_m
    path, named = box(x0, half_way, x1, high), f"curtain {place + 1}"
    yield Outline(
        part=hung_from(work, "L", place + 1), layer="air", material="air", closed=True, path=path, label=named
    )
    path, named = line(x0, half_way, x1, half_way), "bar, half way up"
    bar_ = f"bar:L{place + 1}"
    yield Outline(part=bar_, layer="frame", material=bar.material, width_m=bar.od_m, path=path, label=named)
    turned = "motor" if sides.drive == "motor" else "crank"
    yield Note(part="bar", x=x0, y=0.0, text=turned, anchor="start", above=False)


def curtain(work: Work) -> Drawing:
    """The left side cut across: bow, boards, film down to its bar, the roll at the top, bolts behind it."""
    if not curtained(work):
        return _none("curtain", "A curtain")
    sides, bow, tube = work.design.sides, centre_line(work), bow_tube(work)
    turn, hip_m, board = wound(work), work.design.boards.hip_m, hip_board(work)
    x, _ = hip_place(work)
    low, high = rest_m(work), hip_m - board.wide_m / 2
    top = bow.at_y(min(hip_m + BEYOND_M, work.design.size.height_m * 0.95))[0]
    away = bow.point(top)[0] + 0.5
    items: list[Item] = [
        Outline(part="ground", layer="ground", material="ink", path=line(x - 0.8, 0.0, away, 0.0), label="ground"),
        Outline(
            part="bow",
            layer="frame",
            material=tube.material,
            width_m=tube.od_m,
            path=chain_path(bow.part(0.0, top)),
            label="bow",
        ),
        _hip_board(work, x - board.thick_m / 2, x + board.thick_m / 2),
    ]
    items += _base_board(work)
    heights = [high - (high - low) * place / STEPS for place in range(STEPS + 1)]
    places, film = [(-film_out_m(work, each), each) for each in heights], hung_from(work, "L", 1)
    for (x0, y0), (x1, y1) in pairwise(places):
        items.append(Outline(part=film, layer="string", material="string", path=line(x0, y0, x1, y1), label="curtain"))
    rolled = turn.radius_m
    items += _rolls(work, places[-1][0], places[0][0])
    items += _bolts(work)
    out = places[0][0] - 2 * rolled - 0.12
    items += [
        Dimension(
            part="curtain",
            x0=out,
            y0=high - opening_m(work) - 2 * rolled,
            x1=out,
            y1=high - 2 * rolled,
            text=work.say(opening_m(work), "down"),
        ),
        Dimension(part="hip", x0=out, y0=0.0, x1=out, y1=hip_m, lane=2.5, text=work.say(hip_m), measure="boards.hip_m"),
        Handle(measure="boards.hip_m", x=x, y=hip_m, dx=0.0, dy=1.0),
    ]
    rows = (
        Row(what="Opens", reading=work.say(opening_m(work), "down")),
        Row(what="Rolled up, thick", reading=work.say(2 * rolled, "up")),
        *(
            Row(what=f"{each.what[:1].upper()}{each.what[1:]}", reading=_room(work, each.clear_m))
            for each in in_the_way(work)
        ),
    )
    summary = f"The left side cut across: it opens {work.say(opening_m(work), 'down')}, rolled {sides.rolls}ward."
    return drawn(
        view="curtain", title="A curtain", summary=summary, items=items, beside_m=(0.5, 0.1, 0.3, 0.1), table=rows
    )


def _room(work: Work, clear_m: float) -> str:
    return f"{work.tube(clear_m, 'down')} clear" if clear_m >= 0 else f"{work.tube(-clear_m, 'up')} in the way"


def curtains(work: Work) -> Drawing:
    """The left side from outside: each curtain with its bar half way up, its flaps, cords and what turns it."""
    if not curtained(work):
        return _none("curtains", "The side")
    sides, size, tube = work.design.sides, work.design.size, bow_tube(work)
    hip_m = work.design.boards.hip_m
    stations = bays_of(work).stations_m
    items: list[Item] = [
        Outline(
            part="ground",
            layer="ground",
            material="ink",
            path=line(-1.0, 0.0, size.length_m + 1.0, 0.0),
            label="ground",
        ),
        *(
            Outline(
                part=f"bow:{place}",
                layer="frame",
                material=tube.material,
                width_m=tube.od_m,
                path=line(at, 0.0, at, hip_m + 0.6),
                label=f"bow {place}",
            )
            for place, at in enumerate(stations, start=1)
        ),
        _hip_board(work, -tube.od_m, size.length_m + tube.od_m),
    ]
    items += [
        Outline(part="cord", layer="construction", material="ink", path=line(at, 0.0, at, hip_m), label="cord outside")
        for at in corded(work)
    ]
    for place in range(sides.parts):
        items += _part(work, place)
    rows = tuple(
        Row(what=f"Open, {round(share * 100)} % up", reading=area_text(opened_at(work, share), work.tape, "down"))
        for share in (0.25, 0.5, 0.75, 1.0)
    )
    summary = f"The left side from outside, {sides.parts} curtain{'s' if sides.parts > 1 else ''}, half way up."
    return drawn(
        view="curtains",
        title="The side",
        summary=summary,
        items=items,
        beside_m=(0.02 * size.length_m, 0.3, 0.02 * size.length_m, 0.3),
        table=rows,
    )
