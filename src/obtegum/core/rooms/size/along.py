"""The long side: bows edge on, standing in their posts."""

from itertools import pairwise

from obtegum.core.drawing.items import Dimension, Drawing, Handle, Item, Outline, Row, Vertex, drawn
from obtegum.core.drawing.paths import box, line
from obtegum.core.findings.skeleton.bays import bays_of
from obtegum.core.findings.skeleton.levels import lie_of
from obtegum.core.findings.skeleton.posts import board_of, boards_of, embedment_m, uneven
from obtegum.core.findings.skeleton.stands import boarded, way_of
from obtegum.core.findings.skeleton.tubes import bow_tube, post_tube
from obtegum.core.findings.work import Work
from obtegum.core.rooms.size.across import post_dimensions

__all__ = ["along"]

BESIDE_M = 0.6
BELOW_M = 0.18


def along(work: Work) -> Drawing:
    """Left long side as seen from inside; x along the house from A, y = 0 on the datum, level or falling with it."""
    size, lie = work.design.size, _ground_line(work)
    bottom = min(-embedment_m(work), *(y for _, y in lie)) - BELOW_M
    items: list[Item] = [*_ground(work, lie, bottom), *_side(work), *_levels(work), *_dimensions(work, bottom)]
    return drawn(
        view="along",
        title="Along",
        summary=(
            f"The long side, {work.say(size.length_m)} between the end bows: "
            f"{bays_of(work).bows} bows in {bays_of(work).count} bays.{_lies(work, lie)}"
        ),
        items=items,
        table=_table(work),
    )


Line = list[tuple[float, float]]


def _ground_line(work: Work) -> Line:
    """The left pegs' ground as it was read, by its height over the datum; on the datum where nothing was read."""
    ground, read, length_m = lie_of(work), Line(), work.design.size.length_m
    if ground is not None:
        stations = {name: ground.places[name][0] for name in ground.heights if name[0] == "L"}
        read = sorted((x, ground.heights[name] - ground.datum.at(x)) for name, x in stations.items())
    inside = read if len(read) > 1 else [(0.0, 0.0), (length_m, 0.0)]
    return [(-BESIDE_M, inside[0][1]), *inside, (length_m + BESIDE_M, inside[-1][1])]


def _lies(work: Work, lie: Line) -> str:
    low, ground = -min(y for _, y in lie), lie_of(work)
    if ground is None or low < work.tape.step_m / 2:
        return ""
    made = ", and is brought to it" if ground.padded else ""
    drawn = " The datum falls along the house and is drawn level." if ground.datum.fall else ""
    return f" The ground lies up to {work.say(low)} below the datum{made}.{drawn}"


def _ground(work: Work, lie: Line, bottom: float) -> list[Item]:
    """Soil under the posts; where a pad is made, its top, with the ground as it lies behind it."""
    natural, ground = tuple(Vertex(x=x, y=y) for x, y in lie), lie_of(work)
    made = line(lie[0][0], 0.0, lie[-1][0], 0.0) if ground and ground.padded else natural
    under = (Vertex(x=lie[-1][0], y=bottom), Vertex(x=lie[0][0], y=bottom))
    soil = Outline(part="ground", layer="ground", material="soil", closed=True, path=(*made, *under), label="ground")
    if made == natural:
        return [soil]
    as_it_lies = Outline(part="ground:lies", layer="hidden", material="ink", path=natural, label="ground as it lies")
    return [soil, as_it_lies]


def _side(work: Work) -> list[Outline]:
    """Bows of the left side, what they stand on, and the boards along them, in true size."""
    reveal_m, od, tube = work.design.posts.reveal_m, post_tube(work).od_m, bow_tube(work)
    height_m, embedded_m, stand = work.design.size.height_m, embedment_m(work), work.design.posts.stand
    # A bow is seen down to where something hides it.
    low_m = reveal_m if stand in ("driven", "slab") else reveal_m - work.design.bows.insertion_m
    found = _boards(work)
    for place, station in enumerate(bays_of(work).stations_m, start=1):
        found.append(
            Outline(
                part=f"bow:{place}",
                layer="frame",
                material=tube.material,
                path=line(station, low_m, station, height_m),
                width_m=tube.od_m,
                label=f"bow {place}",
            )
        )
        if stand == "board":
            continue
        found.append(
            Outline(
                part=f"post:L{place}",
                layer="frame",
                material="post",
                closed=True,
                path=box(station - od / 2, -embedded_m, station + od / 2, reveal_m),
                label=f"{way_of(work).one} {place}, {work.say(station)}",
            )
        )
    return found


def _boards(work: Work) -> list[Outline]:
    """The base boards of the left side end to end, and their stakes where they are what holds the bows."""
    if not boarded(work):
        return []
    boards, top_m, start_m = boards_of(work), work.design.posts.reveal_m, -bow_tube(work).od_m / 2
    od, low_m = post_tube(work).od_m, top_m - board_of(work).wide_m
    stakes = boards.stakes_m if work.design.posts.stand == "board" else ()
    found = [
        Outline(
            part=f"stake:L{number}",
            layer="frame",
            material="post",
            closed=True,
            path=box(start_m + at_m - od / 2, -embedment_m(work), start_m + at_m + od / 2, top_m),
            label=f"stake {number}",
        )
        for number, at_m in enumerate(stakes, start=1)
    ]
    ends = (0.0, *boards.splices_m, boards.run_m)
    found += [
        Outline(
            part=f"board:L{number}",
            layer="frame",
            material="board",
            closed=True,
            path=box(start_m + low, low_m, start_m + high, top_m),
            label=f"base board {number}",
        )
        for number, (low, high) in enumerate(pairwise(ends), start=1)
    ]
    return found


def _levels(work: Work) -> list[Item]:
    """Spring line and crown, edge on."""
    size = work.design.size
    heights = [("crown", size.height_m)] + ([("bend:L", size.leg_m)] if size.leg_m > 0 else [])
    return [
        Outline(part=part, layer="construction", material="ink", path=line(0.0, y, size.length_m, y))
        for part, y in heights
    ]


def _dimensions(work: Work, bottom: float) -> list[Item]:
    size = work.design.size
    first_m = bays_of(work).stations_m[1]
    return [
        Dimension(
            part="length",
            x0=size.length_m,
            y0=bottom,
            x1=0.0,
            y1=bottom,
            lane=2.0,
            text=work.say(size.length_m),
            measure="size.length_m",
        ),
        Handle(measure="size.length_m", x=size.length_m, y=bottom, dx=1.0, dy=0.0, lane=2.0, lane_dy=-1.0),
        Dimension(
            part="bay:1",
            x0=first_m,
            y0=bottom,
            x1=0.0,
            y1=bottom,
            lane=1.0,
            text=work.say(first_m),
            measure="bows.max_spacing_m",
        ),
        Handle(measure="bows.max_spacing_m", x=first_m, y=bottom, dx=1.0, dy=0.0, lane=1.0, lane_dy=-1.0),
        Dimension(
            part="height",
            x0=size.length_m + BESIDE_M,
            y0=size.height_m,
            x1=size.length_m + BESIDE_M,
            y1=0.0,
            lane=1.0,
            text=work.say(size.height_m),
            measure="size.shape.height_m",
        ),
        Handle(
            measure="size.shape.height_m",
            x=size.length_m + BESIDE_M,
            y=size.height_m,
            dx=0.0,
            dy=1.0,
            lane=1.0,
            lane_dx=1.0,
        ),
        *post_dimensions(work, 0.0),
    ]


def _table(work: Work) -> tuple[Row, ...]:
    at, one = "datum" if uneven(work) else "ground", way_of(work).one.capitalize()
    rows = [
        ("Length between the end bows", work.say(work.design.size.length_m)),
        ("Height of the crown", work.say(work.design.size.height_m)),
        (f"{one} above the {at}", work.say(work.design.posts.reveal_m)),
        (f"{one} below the {at}", work.say(embedment_m(work), "down")),
    ]
    for place, station in enumerate(bays_of(work).stations_m, start=1):
        rows.append((f"Bow {place}, from A", work.say(station)))
    return tuple(Row(what=what, reading=reading) for what, reading in rows)
