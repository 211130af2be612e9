"""The ground from above, as drawings of several rooms show it: contour lines, spots, pegs as read."""

import math

from obtegum.core.drawing.items import Dots, Drawing, Item, Mark, Note, Row, Segments, drawn
from obtegum.core.findings.skeleton.bays import bays_of, pegs_of, strung
from obtegum.core.findings.skeleton.ground import Lie
from obtegum.core.findings.skeleton.levels import lie_of, odd_readings, place_words
from obtegum.core.findings.work import Work
from obtegum.core.formulas.setout.base import Peg, peg_words
from obtegum.core.formulas.setout.how import corner_places
from obtegum.core.rooms.set_out.base import BESIDE_M, peg_y

__all__ = ["contours", "ground_drawing", "read_pegs", "spot_dots"]

MOST_CONTOURS = 12
# Room for the words of a contour line, along and across, in shares of the base.
WORDS = (0.11, 0.12)
MOST_ODD = 5
STEPS_M = {
    "metric": (0.01, 0.02, 0.05, 0.1, 0.2, 0.5, 1.0, 2.0),
    "feet": (0.0127, 0.0254, 0.0508, 0.1016, 0.1524, 0.3048, 0.6096, 1.524),
}


def contours(work: Work) -> list[Item]:
    """Contour lines below the highest ground, each with its depth once."""
    lie = lie_of(work)
    if lie is None:
        return []
    highest = max(height for _, _, height in lie.terrain.points)
    lowest = min(height for _, _, height in lie.terrain.points)
    steps = STEPS_M[work.tape.units]
    step = next((each for each in steps if (highest - lowest) / each <= MOST_CONTOURS), steps[-1])
    # The corners have words of their own.
    items, told = list[Item](), list(corner_places(*strung(work)).values())
    (length_m, width_m), (room_x, room_y) = (
        strung(work),
        (each * size for each, size in zip(WORDS, strung(work), strict=True)),
    )

    def free(at: tuple[float, float], told: list[tuple[float, float]]) -> bool:
        """Whether words at a place keep clear of all others and of the long sides' and the ends' strings."""
        over = min(abs(at[0]), abs(at[0] - length_m)) < room_x / 2 or min(abs(at[1]), abs(at[1] - width_m)) < room_y / 2
        return not over and not any(abs(at[0] - x) < room_x and abs(at[1] - y) < room_y for x, y in told)

    for number in range(1, MOST_CONTOURS + 1):
        height = highest - number * step
        pieces = lie.terrain.contours(height) if height > lowest else []
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


def spot_dots(work: Work) -> list[Item]:
    """A dot for each spot, and a mark on each that wants reading again."""
    spots = tuple(work.record.levels.spots.values())
    if not spots:
        return []
    items: list[Item] = [Dots(part="spots", places=tuple((spot.x_m, spot.y_m) for spot in spots))]
    odd, _ = odd_readings(work)
    for each in odd[:MOST_ODD]:
        if each.name.startswith("spot:"):
            spot = spots[int(each.name[5:]) - 1]
            label = f"{place_words(work, each.name)}, off by {work.say(abs(each.off_m))}"
            items.append(Mark(part=each.name, symbol="centre", x=spot.x_m, y=spot.y_m, label=label))
            items.append(Note(part=each.name, x=spot.x_m, y=spot.y_m, text="read again"))
    return items


def read_pegs(work: Work) -> list[Item]:
    """Pegs, filled where the rod was read; corners say how far they lie below the datum."""
    lie, last = lie_of(work), bays_of(work).bows
    items: list[Item] = []
    for peg in pegs_of(work):
        name, y = f"{peg.side}{peg.bow}", peg_y(work, peg.side)
        read = name in work.record.levels.pegs
        label = peg_words(name)
        items.append(
            Mark(part=f"post:{name}", symbol="peg", state="set" if read else "open", x=peg.station_m, y=y, label=label)
        )
        if lie is not None and name in lie.heights and peg.bow in (1, last):
            items.append(_depth(work, lie, peg, name, y))
    return items


def _depth(work: Work, lie: Lie, peg: Peg, name: str, y: float) -> Note:
    down = lie.natural.at(peg.station_m) - lie.heights[name]
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


def ground_drawing(
    work: Work,
    view: str,
    title: str,
    summary: str,
    items: list[Item],
    rows: tuple[Row, ...] = (),
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
