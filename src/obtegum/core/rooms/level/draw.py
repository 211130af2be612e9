"""The ground from above with its contour lines, and lengthways with the posts standing in it."""

import math

from obtegum.core.drawing.items import Drawing, Item, Note, Outline, Row, Segments, Vertex, drawn
from obtegum.core.drawing.paths import line
from obtegum.core.findings.skeleton.bays import pegs_of
from obtegum.core.findings.skeleton.levels import lie_of, stand_of
from obtegum.core.findings.skeleton.stands import foot_of
from obtegum.core.findings.work import Work
from obtegum.core.formulas.setout.base import peg_words
from obtegum.core.rooms.level.ground import contours, ground_drawing, read_pegs, spot_dots
from obtegum.core.rooms.set_out.base import BESIDE_M, corners, floor, strings

__all__ = ["falls", "level_rows", "post_rows", "profile"]


def falls(work: Work) -> Drawing:
    """Contour lines over the base, and how far each corner lies below the datum."""
    items: list[Item] = [
        floor(work),
        *contours(work),
        *spot_dots(work),
        *strings(work),
        *read_pegs(work),
        *corners(work),
    ]
    lie = lie_of(work)
    if lie is None:
        summary = "No levels yet. Read the rod at every peg."
    else:
        low = max(lie.natural.at(lie.places[name][0]) - height for name, height in lie.heights.items())
        summary = f"The ground lies up to {work.say(low)} below the datum."
    return ground_drawing(work, "falls", "The ground", summary, items)


def profile(work: Work) -> Drawing:
    """Posts in the ground along both sides, heights drawn several times as large."""
    stand, length_m = stand_of(work), work.design.size.length_m
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
    )


def post_rows(work: Work) -> tuple[Row, ...]:
    """How far every post stands out and how much of it is in the ground."""
    stand = stand_of(work)
    feet = stand.feet.values() if stand else ()
    return tuple(
        Row(
            what=f"{peg_words(foot.name).capitalize().replace('Peg', 'Post')}, out and in the ground",
            reading=f"{work.say(foot.reveal_m)}, {work.say(foot.embedment_m, 'down')}",
        )
        for foot in feet
    )


def level_rows(work: Work) -> tuple[Row, ...]:
    """Every peg's reading, and the reading on its post's top."""
    stand = stand_of(work)
    rows = []
    for peg in pegs_of(work):
        name = f"{peg.side}{peg.bow}"
        reading = work.record.levels.pegs.get(name)
        words = peg_words(name).capitalize()
        rows.append(
            Row(what=f"{words}, rod on the ground", reading="not read" if reading is None else work.say(reading))
        )
        foot = stand.feet.get(name) if stand else None
        if foot is not None:
            rows.append(Row(what=f"{words}, rod on the {foot_of(work)[0]}’s top", reading=work.say(foot.top_reading_m)))
    if work.record.levels.spots:
        rows.append(Row(what="Spots between the pegs", reading=str(len(work.record.levels.spots))))
    return tuple(rows)
