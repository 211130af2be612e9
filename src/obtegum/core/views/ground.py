"""The ground from above with its contour lines, and lengthways with the posts standing in it."""

import math
from typing import Literal

from obtegum.core.drawing import (
    Arrow,
    Dots,
    Drawing,
    Item,
    Mark,
    Note,
    Outline,
    Row,
    Segments,
    Vertex,
    box,
    drawn,
    line,
)
from obtegum.core.ground.stand import Stand
from obtegum.core.setout.base import Peg
from obtegum.core.setout.how import corner_places
from obtegum.core.steps.drain import drain_places, drained
from obtegum.core.ticks import peg_words
from obtegum.core.views.base import BESIDE_M, corners, floor, peg_y, strings
from obtegum.core.work import Work

__all__ = ["drain_run", "earth", "falls", "profile"]

MOST_CONTOURS = 12
# Room for the words of a contour line, along and across, in shares of the base.
WORDS = (0.11, 0.12)
MOST_ODD = 5
STEPS_M = {
    "metric": (0.01, 0.02, 0.05, 0.1, 0.2, 0.5, 1.0, 2.0),
    "feet": (0.0127, 0.0254, 0.0508, 0.1016, 0.1524, 0.3048, 0.6096, 1.524),
}


def falls(work: Work) -> Drawing:
    """Contour lines over the base, and how far each corner lies below the datum."""
    items: list[Item] = [floor(work), *_contours(work), *_spots(work), *strings(work), *_pegs(work), *corners(work)]
    stand = work.stand
    if stand is None:
        summary = "No levels yet. Read the rod at every peg."
    else:
        low = max(stand.natural.at(stand.places[name][0]) - height for name, height in stand.heights.items())
        summary = f"The ground lies up to {work.say(low)} below the datum."
    return _base_drawing(work, "falls", "The ground", summary, items, _level_rows(work))


def earth(work: Work) -> Drawing:
    """The pad over the ground, and the line where it meets it."""
    (length_m, width_m), margin = work.strung, work.design.pad.margin_m
    stand = work.stand
    pad = box(-margin, -margin, length_m + margin, width_m + margin)
    items: list[Item] = [
        Outline(part="pad", layer="ground", material="soil", closed=True, path=pad, label="pad"),
        *_contours(work),
        *strings(work),
    ]
    summary = "The ground stays as it lies, and the posts take up its fall."
    if stand is not None and stand.padded:
        height = stand.datum.at(0.0)
        ends = tuple((*one, *other) for one, other in stand.terrain.meeting(stand.datum.at_a_m, stand.datum.fall))
        items.append(Segments(part="meeting", style="meeting", ends=ends))
        above = height - max(stand.heights.values())
        where = "above" if above >= 0 else "below"
        summary = (
            f"The pad at A lies {work.say(abs(above))} {where} the highest peg. "
            "The heavy line is where it meets the ground, the fine one round it the foot of its side slopes."
        )
    if stand is not None and stand.banks is not None:
        at = (stand.datum.at_a_m, stand.datum.fall, work.design.pad.slope)
        items.append(_toe(stand.banks.toe(*at)))
    items += [*_pegs(work), *corners(work)]
    return _base_drawing(work, "earth", "Pad", summary, items, _pad_rows(work))


def _toe(places: list[tuple[float, float]]) -> Outline:
    """The foot of the side slopes, going round."""
    path = tuple(Vertex(x=x, y=y) for x, y in (*places, places[0]))
    return Outline(part="pad:toe", layer="construction", material="ink", path=path, label="foot of the side slopes")


def drain_run(work: Work) -> Drawing:
    """The drain along the uphill side, water running to its outlet."""
    (length_m, width_m) = work.strung
    found = drained(work)
    off = work.design.pad.margin_m + 0.3
    y = -off if found.side == "L" else width_m + off
    start, way = (length_m, -1.0) if found.outlet == "A" else (0.0, 1.0)
    end = start + way * found.length_m
    anchors: tuple[Literal["start", "end"], Literal["start", "end"]] = ("start", "end") if way > 0 else ("end", "start")
    first, last = anchors
    uphill = y + (-0.8 if found.side == "L" else 0.8)
    items: list[Item] = [
        floor(work),
        *_contours(work),
        *strings(work),
        Outline(part="drain", layer="hidden", material="ink", path=line(start, y, end, y), width_m=0.1, label="drain"),
        Arrow(
            part="drain:way",
            x0=start + way * found.length_m * 0.4,
            y0=uphill,
            x1=start + way * found.length_m * 0.6,
            y1=uphill,
        ),
        *(
            Mark(part=part, symbol="centre", x=start + way * at_m, y=y, label=f"{work.say(at_m)} along the drain")
            for at_m, part in drain_places(work, found)
        ),
        Note(part="drain:start", x=start, y=uphill, text=f"starts {work.say(found.start_deep_m)} deep", anchor=first),
        Note(part="drain:end", x=end, y=uphill, text=f"runs out {work.say(found.end_deep_m)} deep", anchor=last),
        *corners(work),
    ]
    rows = (
        Row(what="Drain", reading=work.say(found.length_m)),
        Row(what="Depth at its start", reading=work.say(found.start_deep_m)),
        Row(what="Depth at its outlet", reading=work.say(found.end_deep_m)),
    )
    side = "A to B" if found.side == "L" else "D to C"
    summary = f"A drain beside {side}, the uphill side, {work.say(found.length_m)} long."
    return _base_drawing(work, "drain", "Drain", summary, items, rows, BESIDE_M + 0.3)


def profile(work: Work) -> Drawing:
    """Posts in the ground along both sides, heights drawn several times as large."""
    stand, length_m = work.stand, work.design.size.length_m
    posts = work.design.posts
    if stand is None:
        datum = Outline(part="datum", layer="string", material="string", path=line(0.0, 0.0, length_m, 0.0))
        items: list[Item] = [datum, Note(part="ground", x=length_m / 2, y=0.0, text="no levels yet")]
        return _profile_drawing(work, items, 1, "No levels yet: read the rod at two pegs or more.")
    reference = stand.datum.at_a_m
    lows = [foot.ground_m - foot.embedment_m for foot in stand.feet.values()]
    bottom = min([*lows, *(height - posts.length_m * 0.2 for height in stand.heights.values())]) - reference
    top = max(foot.top_m for foot in stand.feet.values()) - reference
    times = max(1, min(10, math.floor(0.4 * length_m / (top - bottom))))

    def up(height: float) -> float:
        return (height - reference) * times

    items = []
    for side in ("R", "L"):
        ground = sorted(
            (stand.places[name][0], up(height)) for name, height in stand.heights.items() if name[0] == side
        )
        if len(ground) >= 2:
            path = tuple(Vertex(x=x, y=y) for x, y in ground)
            under = (Vertex(x=ground[-1][0], y=bottom * times), Vertex(x=ground[0][0], y=bottom * times))
            if side == "L":
                items.append(
                    Outline(part="ground:L", layer="ground", material="soil", closed=True, path=(*path, *under))
                )
            layer = "ground" if side == "L" else "hidden"
            items.append(Outline(part=f"ground:{side}", layer=layer, material="ink", path=path, label=_side(side)))  # type: ignore[arg-type]
    for side in ("R", "L"):
        feet = [foot for name, foot in stand.feet.items() if name[0] == side]
        ends_of = ((foot.station_m, up(foot.top_m - foot.length_m), foot.station_m, up(foot.top_m)) for foot in feet)
        items.append(Segments(part=f"post:{side}", style="post" if side == "L" else "behind", ends=tuple(ends_of)))
    ends = (stand.datum.at(0.0), stand.datum.at(length_m))
    items.append(
        Outline(part="datum", layer="string", material="string", path=line(0.0, up(ends[0]), length_m, up(ends[1])))
    )
    items.append(Note(part="datum", x=length_m, y=up(ends[1]), text="datum", anchor="start", above=False))
    weakest = stand.weakest
    items.append(
        Note(
            part=f"post:{weakest.name}",
            x=weakest.station_m,
            y=up(weakest.top_m),
            text=f"least in the ground: {work.say(weakest.embedment_m, 'down')}",
            anchor="end" if weakest.station_m > length_m / 2 else "start",
        )
    )
    return _profile_drawing(
        work,
        items,
        times,
        "Posts in the ground along the left side, A on the left; the right side’s stand behind.",
    )


def _side(side: str) -> str:
    return "ground on the left" if side == "L" else "ground on the right"


def _profile_drawing(work: Work, items: list[Item], times: int, summary: str) -> Drawing:
    return drawn(
        view="profile",
        title="Lengthways" if times == 1 else f"Lengthways, heights × {times}",
        summary=f"{summary} Heights are drawn {times} times as large." if times > 1 else summary,
        items=items,
        beside_m=(BESIDE_M, 0.0, BESIDE_M, 0.2),
        table=_post_rows(work),
    )


def _base_drawing(
    work: Work,
    view: str,
    title: str,
    summary: str,
    items: list[Item],
    rows: tuple[Row, ...],
    beside_m: float = BESIDE_M,
) -> Drawing:
    return drawn(
        view=view,
        title=title,
        summary=summary,
        items=items,
        table=rows,
        beside_m=beside_m,
    )


def _contours(work: Work) -> list[Item]:
    """Contour lines below the highest ground, each with its depth once."""
    stand = work.stand
    if stand is None:
        return []
    highest = max(height for _, _, height in stand.terrain.points)
    lowest = min(height for _, _, height in stand.terrain.points)
    steps = STEPS_M[work.tape.units]
    step = next((each for each in steps if (highest - lowest) / each <= MOST_CONTOURS), steps[-1])
    # The corners have words of their own.
    items, told = list[Item](), list(corner_places(*work.strung).values())
    (length_m, width_m), (room_x, room_y) = (
        work.strung,
        (each * size for each, size in zip(WORDS, work.strung, strict=True)),
    )

    def free(at: tuple[float, float], told: list[tuple[float, float]]) -> bool:
        """Whether words at a place keep clear of all others and of the long sides' and the ends' strings."""
        over = min(abs(at[0]), abs(at[0] - length_m)) < room_x / 2 or min(abs(at[1]), abs(at[1] - width_m)) < room_y / 2
        return not over and not any(abs(at[0] - x) < room_x and abs(at[1] - y) < room_y for x, y in told)

    for number in range(1, MOST_CONTOURS + 1):
        height = highest - number * step
        pieces = stand.terrain.contours(height) if height > lowest else []
        if not pieces:
            continue
        part = f"contour:{number}"
        ends = tuple((*one, *other) for one, other in pieces)
        items.append(Segments(part=part, style="contour", ends=ends, height_m=height))
        # On a steep bank the lines run close: those whose words would cover others', or a string, go without.
        middle = len(pieces) // 2
        outward = sorted(range(len(pieces)), key=lambda place: abs(place - middle))
        x, y = next((at for at in (pieces[place][0] for place in outward) if free(at, told)), (math.nan, math.nan))
        if math.isnan(x):
            continue
        told.append((x, y))
        items.append(Note(part=part, x=x, y=y, text=work.say(-number * step), above=False))
    return items


def _spots(work: Work) -> list[Item]:
    """A dot for each spot, and a mark on each that wants reading again."""
    spots = tuple(work.record.levels.spots.values())
    if not spots:
        return []
    items: list[Item] = [Dots(part="spots", places=tuple((spot.x_m, spot.y_m) for spot in spots))]
    odd, _ = work.odd_readings
    for each in odd[:MOST_ODD]:
        if each.name.startswith("spot:"):
            spot = spots[int(each.name[5:]) - 1]
            label = f"{work.where(each.name)}, off by {work.say(abs(each.off_m))}"
            items.append(Mark(part=each.name, symbol="centre", x=spot.x_m, y=spot.y_m, label=label))
            items.append(Note(part=each.name, x=spot.x_m, y=spot.y_m, text="read again"))
    return items


def _pegs(work: Work) -> list[Item]:
    """Pegs, filled where the rod was read; corners say how far they lie below the datum."""
    stand, last = work.stand, work.bays.bows
    items: list[Item] = []
    for peg in work.pegs:
        name, y = f"{peg.side}{peg.bow}", peg_y(work, peg.side)
        read = name in work.record.levels.pegs
        label = peg_words(name)
        items.append(
            Mark(part=f"post:{name}", symbol="peg", state="set" if read else "open", x=peg.station_m, y=y, label=label)
        )
        if stand is not None and name in stand.heights and peg.bow in (1, last):
            items.append(_depth(work, stand, peg, name, y))
    return items


def _depth(work: Work, stand: Stand, peg: Peg, name: str, y: float) -> Note:
    down = stand.natural.at(peg.station_m) - stand.heights[name]
    anchor = "start" if peg.bow == 1 else "end"
    row = 1 if peg.side == "L" else 0
    return Note(
        part=f"post:{name}",
        x=peg.station_m,
        y=y,
        text=f"−{work.say(down)}" if down >= work.tape.step_m / 2 else "highest",
        anchor=anchor,  # type: ignore[arg-type]
        above=peg.side == "R",
        row=row,
    )


def _pad_rows(work: Work) -> tuple[Row, ...]:
    """How far each corner's peg has to be cut or filled."""
    stand, last = work.stand, work.bays.bows
    if stand is None:
        return (Row(what="Levels", reading="none yet"),)
    rows = []
    for letter, name in (("A", "L1"), ("B", f"L{last}"), ("C", f"R{last}"), ("D", "R1")):
        height = stand.heights.get(name)
        if height is None:
            continue
        more = stand.datum.at(stand.places[name][0]) - height if stand.padded else 0.0
        verb = "filled" if more >= 0 else "cut"
        rows.append(Row(what=f"Ground at {letter}, {verb} by", reading=work.say(abs(more))))
    return tuple(rows)


def _post_rows(work: Work) -> tuple[Row, ...]:
    """How far every post stands out and how much of it is in the ground."""
    feet = work.stand.feet.values() if work.stand else ()
    return tuple(
        Row(
            what=f"{peg_words(foot.name).capitalize().replace('Peg', 'Post')}, out and in the ground",
            reading=f"{work.say(foot.reveal_m)}, {work.say(foot.embedment_m, 'down')}",
        )
        for foot in feet
    )


def _level_rows(work: Work) -> tuple[Row, ...]:
    """Every peg's reading, and the reading on its post's top."""
    stand = work.stand
    rows = []
    for peg in work.pegs:
        name = f"{peg.side}{peg.bow}"
        reading = work.record.levels.pegs.get(name)
        words = peg_words(name).capitalize()
        rows.append(
            Row(what=f"{words}, rod on the ground", reading="not read" if reading is None else work.say(reading))
        )
        foot = stand.feet.get(name) if stand else None
        if foot is not None:
            rows.append(Row(what=f"{words}, rod on the post’s top", reading=work.say(foot.top_reading_m)))
    if work.record.levels.spots:
        rows.append(Row(what="Spots between the pegs", reading=str(len(work.record.levels.spots))))
    return tuple(rows)
