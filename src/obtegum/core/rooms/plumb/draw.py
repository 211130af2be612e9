"""The frame along, each bow leaning as it was read, enlarged; straps where they pull."""

from obtegum.core.drawing.items import Arrow, Drawing, Item, Note, Outline, Row, drawn
from obtegum.core.drawing.paths import line
from obtegum.core.findings.skeleton.bays import bays_of
from obtegum.core.findings.skeleton.tubes import bow_tube
from obtegum.core.findings.work import Work
from obtegum.core.rooms.plumb.found import leans_of, straps_of

__all__ = ["plumbed"]

TIMES = (1, 2, 5, 10, 20, 50)
# How far the worst bow is drawn leaning, as a share of the bay.
SHARE = 0.45


def plumbed(work: Work) -> Drawing:
    """Bows from their feet to where their crowns stand, what they lean enlarged."""
    size, bay_m, tube = work.design.size, bays_of(work).bay_m, bow_tube(work)
    leans = {each.bow: each for each in leans_of(work)}
    most_m = max((abs(each.lean_m) for each in leans.values() if each.lean_m is not None), default=0.0)
    times = max((each for each in TIMES if each * most_m <= SHARE * bay_m), default=1)
    items: list[Item] = [
        Outline(part="line", layer="ground", material="soil", path=line(0.0, 0.0, size.length_m, 0.0), label="ground")
    ]
    rows = list[Row]()
    straps = {strap.bow + 1: strap for strap in straps_of(work)}
    for bow, station in enumerate(bays_of(work).stations_m, start=1):
        each = leans.get(bow)
        lean_m = each.lean_m if each is not None and each.lean_m is not None else 0.0
        top, read = station + lean_m * times, each is not None
        items.append(
            Outline(
                part=f"bow:{bow}", layer="frame" if read else "hidden", material=tube.material if read else "ink",
                width_m=tube.od_m if read else 0.0, path=line(station, 0.0, top, size.height_m),
                label=f"bow {bow}, {'not read' if not read else work.say(abs(lean_m))}",
            )
        )  # fmt: skip
        if each is not None:
            rows.append(Row(what=f"Bow {bow}", reading=_told(work, each.lean_m, each.twist_m, each.rack_m)))
        if bow in straps:
            by_m = straps[bow].by_m
            reach = SHARE * bay_m * (1 if by_m > 0 else -1)
            items.append(Arrow(part=f"strap:{bow}", x0=top, y0=size.height_m, x1=top + reach, y1=size.height_m))
            items.append(Note(part=f"strap:{bow}", x=top + reach / 2, y=size.height_m, text=work.say(abs(by_m))))
    title = "As it stands" if times == 1 or not leans else f"As it stands, leaning × {times}"
    return drawn(
        view="plumb",
        title=title,
        summary=f"{len(leans)} of {bays_of(work).bows} bows read, {len(straps)} to be pulled.",
        items=items,
        beside_m=(0.04 * size.length_m, 0.1 * size.height_m, 0.04 * size.length_m, 0.2 * size.height_m),
        table=tuple(rows) or (Row(what="Bows", reading="none read yet"),),
    )


def _told(work: Work, lean_m: float | None, twist_m: float | None, rack_m: float | None) -> str:
    named = (
        (lean_m, "to the back", "to the front"),
        (twist_m, "right side back", "left side back"),
        (rack_m, "right of the line", "left of the line"),
    )
    said = [f"{work.say(abs(value))} {one if value > 0 else other}" for value, one, other in named if value is not None]
    return ", ".join(said)
