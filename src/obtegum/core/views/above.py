"""The base from above: the long sides run across the screen, A at the lower left."""

from obtegum.core.drawing import Dimension, Drawing, Handle, Item, Mark, Note, Outline, Row, box, line
from obtegum.core.setout.base import Peg, diagonal
from obtegum.core.steps.common import tick_state
from obtegum.core.work import Work

__all__ = ["above"]

BESIDE_M = 0.5


def above(work: Work) -> Drawing:
    """Base rectangle with its strings, diagonals and pegs; x along the house, y across from A."""
    size = work.design.size
    length_m, width_m = size.length_m, size.span_m
    items: list[Item] = [
        Outline(
            part="floor",
            layer="air",
            material="air",
            closed=True,
            path=box(0.0, 0.0, length_m, width_m),
            label="floor",
        )
    ]
    items += [
        Outline(
            part=f"bow:{place + 1}",
            layer="construction",
            material="ink",
            path=line(station, 0.0, station, width_m),
            label=f"bow {place + 1}",
        )
        for place, station in enumerate(work.bays.stations_m)
    ]
    items += _strings(work)
    items += [_peg(work, peg) for peg in work.pegs]
    items += _corners(work)
    items += _dimensions(work)
    return Drawing(
        view="above",
        title="From above",
        summary=(
            f"The base, {work.say(width_m)} by {work.say(length_m)} to post centres, with {len(work.pegs)} pegs. "
            f"Both diagonals are {work.say(diagonal(length_m, width_m))}."
        ),
        x0=-BESIDE_M,
        y0=-BESIDE_M,
        x1=length_m + BESIDE_M,
        y1=width_m + BESIDE_M,
        items=tuple(items),
        table=_table(work),
    )


def _strings(work: Work) -> list[Item]:
    length_m, width_m = work.design.size.length_m, work.design.size.span_m
    sides = (
        ("line:L", "string A to B", (0.0, 0.0, length_m, 0.0)),
        ("line:R", "string D to C", (0.0, width_m, length_m, width_m)),
        ("end:A", "string A to D", (0.0, 0.0, 0.0, width_m)),
        ("end:B", "string B to C", (length_m, 0.0, length_m, width_m)),
        ("diagonal", "diagonal A to C", (0.0, 0.0, length_m, width_m)),
    )
    strings: list[Item] = [
        Outline(part=part, layer="string", material="string", path=line(*ends), label=label)
        for part, label, ends in sides
    ]
    return [*strings, *_tapes(work)]


def _tapes(work: Work) -> list[Item]:
    """The two tapes of the chosen method, crossing where the first far corner is squared."""
    length_m, width_m, method = work.design.size.length_m, work.design.size.span_m, work.method
    at_near = method.id in ("triple", "small-triple")
    if work.design.set_out.base == "long":
        corner = (0.0, 0.0) if at_near else (length_m, 0.0)
        foot = (corner[0] + (method.along_m if at_near else -method.along_m), 0.0)
        cross = (corner[0], method.across_m)
    else:
        corner = (0.0, 0.0) if at_near else (0.0, width_m)
        foot = (0.0, corner[1] + (method.along_m if at_near else -method.along_m))
        cross = (method.across_m, corner[1])
    reads = work.say(method.diagonal_m)
    return [
        Outline(part="tape:1", layer="string", material="string", path=line(*corner, *cross), label="tape 1"),
        Outline(part="tape:2", layer="string", material="string", path=line(*foot, *cross), label="tape 2"),
        Note(part="tape:2", x=(foot[0] + cross[0]) / 2, y=(foot[1] + cross[1]) / 2, text=f"tape 2 reads {reads}"),
    ]


def _peg(work: Work, peg: Peg) -> Mark:
    return Mark(
        part=f"post:{peg.side}{peg.bow}",
        symbol="peg",
        state=tick_state(work, f"peg:{peg.side}{peg.bow}", peg.station_m),
        x=peg.station_m,
        y=0.0 if peg.side == "L" else work.design.size.span_m,
        label=f"peg {peg.bow}, {work.say(peg.station_m)}",
    )


def _corners(work: Work) -> list[Item]:
    length_m, width_m = work.design.size.length_m, work.design.size.span_m
    beside = 0.3
    return [
        Note(part="corner:A", x=-beside, y=0.0, text="A", anchor="end", above=False),
        Note(part="corner:B", x=length_m + beside, y=0.0, text="B", anchor="start", above=False),
        Note(part="corner:C", x=length_m + beside, y=width_m, text="C", anchor="start", above=False),
        Note(part="corner:D", x=-beside, y=width_m, text="D", anchor="end", above=False),
    ]


def _dimensions(work: Work) -> list[Item]:
    length_m, width_m, bays = work.design.size.length_m, work.design.size.span_m, work.bays
    first_m = bays.stations_m[1]
    right = length_m + BESIDE_M
    items: list[Item] = [
        Dimension(part="length", x0=length_m, y0=0.0, x1=0.0, y1=0.0, lane=2.0, text=work.say(length_m)),
        Handle(measure="length", x=length_m, y=0.0, dx=1.0, dy=0.0, lane=2.0, lane_dy=-1.0),
        Dimension(part="span", x0=right, y0=width_m, x1=right, y1=0.0, lane=1.0, text=work.say(width_m)),
        Handle(measure="span", x=right, y=width_m, dx=0.0, dy=1.0, lane=1.0, lane_dx=1.0),
        Dimension(part="bay:1", x0=first_m, y0=0.0, x1=0.0, y1=0.0, lane=1.0, text=work.say(first_m)),
        Handle(measure="spacing", x=first_m, y=0.0, dx=1.0, dy=0.0, lane=1.0, lane_dy=-1.0),
    ]
    if bays.odd_m is not None and bays.count > 1:
        start_m = bays.stations_m[-2]
        items.append(
            Dimension(
                part=f"bay:{bays.count}",
                x0=length_m,
                y0=0.0,
                x1=start_m,
                y1=0.0,
                lane=1.0,
                text=work.say(bays.odd_m),
            )
        )
    return items


def _table(work: Work) -> tuple[Row, ...]:
    length_m, width_m = work.design.size.length_m, work.design.size.span_m
    rows = [
        ("A to B, D to C", work.say(length_m)),
        ("A to D, B to C", work.say(width_m)),
        ("A to C, B to D", work.say(diagonal(length_m, width_m))),
    ]
    for place, station in enumerate(work.bays.stations_m, start=1):
        rows.append((f"Pegs {place}, from A and from D", work.say(station)))
    return tuple(Row(what=what, reading=reading) for what, reading in rows)
