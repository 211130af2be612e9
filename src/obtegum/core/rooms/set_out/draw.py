"""The base from above: the long sides run across the screen, A at the upper left."""

from obtegum.core.drawing.items import Dimension, Drawing, Handle, Item, Note, Outline, Row, drawn
from obtegum.core.drawing.paths import line
from obtegum.core.findings.skeleton.bays import bays_of, pegs_of, reads, squaring_steps, strung, way
from obtegum.core.findings.work import Work
from obtegum.core.formulas.setout.base import diagonal
from obtegum.core.rooms.set_out.base import BESIDE_M, corners, floor, peg_mark, strings
from obtegum.core.rooms.set_out.pegs import TO_WORDS

__all__ = ["above"]

# How far along a tape its words begin.
BESIDE_TAPE = 0.4


def above(work: Work) -> Drawing:
    """Base rectangle with its strings, diagonals and pegs."""
    length_m, width_m = strung(work)
    items: list[Item] = [floor(work)]
    items += [
        Outline(
            part=f"bow:{place + 1}",
            layer="construction",
            material="ink",
            path=line(station, 0.0, station, width_m),
            label=f"bow {place + 1}",
        )
        for place, station in enumerate(bays_of(work).stations_m)
    ]
    to = TO_WORDS[work.design.set_out.to]
    diagonal_path = line(0.0, 0.0, length_m, width_m)
    items += strings(work)
    items.append(
        Outline(part="diagonal", layer="string", material="string", path=diagonal_path, label="diagonal A to C")
    )
    items += _tapes(work)
    items += [peg_mark(work, peg) for peg in pegs_of(work)]
    items += corners(work)
    items += _dimensions(work)
    return drawn(
        view="above",
        title="From above",
        summary=(
            f"The base, {work.say(width_m)} by {work.say(length_m)} to {to}, with {len(pegs_of(work))} pegs. "
            f"Both diagonals are {work.say(diagonal(length_m, width_m))}."
        ),
        items=items,
        beside_m=BESIDE_M,
        table=_table(work),
    )


def _tapes(work: Work) -> list[Item]:
    """The two tapes of the chosen method, crossing where the first far corner is squared."""
    pairs = ([line for line in step.lines if line.kind == "tape"] for step in squaring_steps(work))
    crossing = next((pair for pair in pairs if len(pair) == 2 and pair[0].end == pair[1].end), None)
    if crossing is None:
        return []
    one, other = crossing
    # The words stand over the line where it falls away from them.
    at = tuple(start + (end - start) * BESIDE_TAPE for start, end in zip(other.start, other.end, strict=True))
    return [
        Outline(part="tape:1", layer="string", material="string", path=line(*one.start, *one.end), label="tape 1"),
        Outline(part="tape:2", layer="string", material="string", path=line(*other.start, *other.end), label="tape 2"),
        Note(
            part="tape:2",
            x=at[0],
            y=at[1],
            anchor="start" if other.end[0] > other.start[0] else "end",
            above=False,
            row=1,
            text=f"{'tape 2 reads' if way(work).at_once else 'second arc'} {other.text}",
        ),
    ]


def _dimensions(work: Work) -> list[Item]:
    (length_m, width_m), bays = strung(work), bays_of(work)
    first_m = bays.stations_m[1]
    right = length_m + BESIDE_M
    # Strings on the outside measure more than what is decided.
    typed = work.design.set_out.to == "centres"
    items: list[Item] = [
        Dimension(
            part="length",
            x0=0.0,
            y0=width_m,
            x1=length_m,
            y1=width_m,
            lane=2.0,
            text=work.say(length_m),
            measure="size.length_m" if typed else "",
        ),
        Handle(measure="size.length_m", x=length_m, y=width_m, dx=1.0, dy=0.0, lane=2.0, lane_dy=1.0),
        Dimension(
            part="span",
            x0=right,
            y0=width_m,
            x1=right,
            y1=0.0,
            lane=1.0,
            text=work.say(width_m),
            measure="size.span_m" if typed else "",
        ),
        Handle(measure="size.span_m", x=right, y=width_m, dx=0.0, dy=1.0, lane=1.0, lane_dx=1.0),
        Dimension(
            part="bay:1",
            x0=0.0,
            y0=width_m,
            x1=first_m,
            y1=width_m,
            lane=1.0,
            text=work.say(first_m),
            measure="bows.max_spacing_m",
        ),
        Handle(measure="bows.max_spacing_m", x=first_m, y=width_m, dx=1.0, dy=0.0, lane=1.0, lane_dy=1.0),
    ]
    if bays.odd_m is not None and bays.count > 1:
        start_m = bays.stations_m[-2]
        items.append(
            Dimension(
                part=f"bay:{bays.count}",
                x0=start_m,
                y0=width_m,
                x1=length_m,
                y1=width_m,
                lane=1.0,
                text=work.say(bays.odd_m),
            )
        )
    return items


def _table(work: Work) -> tuple[Row, ...]:
    length_m, width_m = strung(work)
    rows = [
        ("A to B, D to C", work.say(length_m)),
        ("A to D, B to C", work.say(width_m)),
        ("A to C, B to D", work.say(diagonal(length_m, width_m))),
    ]
    for peg in pegs_of(work):
        if peg.side == "L":
            rows.append((f"Pegs {peg.bow}, from A and from D", reads(work, peg.reading_m)))
    return tuple(Row(what=what, reading=reading) for what, reading in rows)
