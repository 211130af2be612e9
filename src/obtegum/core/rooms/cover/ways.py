"""Ways to hold film along a side, beside each other: each cut across, with what it takes here."""

from collections.abc import Iterator
from dataclasses import replace
from typing import cast

from obtegum.core.documents.cover import HOLDS, Hold
from obtegum.core.drawing.items import Drawing, Item, Note, Outline, Row, Vertex, drawn
from obtegum.core.drawing.paths import box, circle
from obtegum.core.findings.work import Work
from obtegum.core.rooms.cover.found import held_by
from obtegum.core.rooms.cover.lines import Line, line_by
from obtegum.core.rooms.cover.pulls import held_n_m
from obtegum.core.values.amount import amount_text

__all__ = ["held"]

# A cell, m: how far on the next is, how wide, from its foot to its head; by how much small things are drawn larger.
STEP_M, WIDE_M, LOW_M, HIGH_M, LARGER = 0.42, 0.39, -0.52, 0.24, 1.7
# What is cut across, m (common sizes).
BOARD, BATTEN, TRACK, PIPE_M = (0.04, 0.14), (0.02, 0.045), (0.012, 0.035), 0.017
# Things of a millimetre are drawn as thick as this, m.
SEEN_M = 0.006


def held(work: Work) -> Drawing:
    """Every way, cut across, with its sticks, pieces, trench and what it takes of the sheet; pressing one takes it."""
    items, rows = list[Item](), list[Row]()
    now = held_by(work, "left")
    for place, name in enumerate(HOLDS):
        hold = cast(Hold, name)
        x = place * STEP_M
        line = line_by(work, "left side", hold)
        part = f"held:{name}" if name != now else "fix"
        items.append(
            Outline(
                part=part,
                layer="air" if name == now else "hidden",
                material="air" if name == now else "ink",
                closed=name == now,
                path=_cell(x),
                label=f"{line.fixing.title}, press to hold both sides so",
                picks=("cover.sides", name),
            )
        )
        middle = x + WIDE_M / 2
        for each in _cut(name, part, middle, 0.12 if name == "buried" else 0.02):
            items.append(each if name == "buried" else _larger(each, middle, 0.02))
        words = [line.fixing.title, *_counts(work, line)]
        for row, text in enumerate(words):
            items.append(Note(part=part, x=middle, y=-0.2, text=text, above=False, row=row))
        rows.append(Row(what=line.fixing.title, reading="; ".join((*_counts(work, line), line.fixing.tools))))
    return drawn(
        view="held",
        title="Ways to hold it",
        summary=(
            "Seven ways to hold film along one side of this house, each cut "
            "across, the trench smaller, with what it takes."
        ),
        items=items,
        beside_m=(0.02, 0.02, 0.02, 0.02),
        table=tuple(rows),
    )


def _larger(item: Outline, x: float, y: float) -> Outline:
    """A small thing drawn larger about a place."""
    path = tuple(
        Vertex(
            x=x + (each.x - x) * LARGER,
            y=y + (each.y - y) * LARGER,
            radius_m=each.radius_m * LARGER,
            large=each.large,
        )
        for each in item.path
    )
    return replace(item, path=path)


def _cell(x: float) -> tuple[Vertex, ...]:
    path = box(x, LOW_M, x + WIDE_M, HIGH_M)
    return (*path, path[0])


def _counts(work: Work, line: Line) -> tuple[str, ...]:
    """What one side takes of it, and of the sheet, in a few words."""
    units = work.tape.units
    counts = []
    if line.sticks:
        counts.append(f"{line.sticks} sticks")
    if line.pieces:
        counts.append(f"{line.pieces} {PIECES[line.fixing.id]}")
    if line.dug_m3:
        counts.append(f"{amount_text(line.dug_m3, 'volume', units, 'up')} to dig")
    counts.append(f"takes {work.say(line.fixing.eats_m, 'up')}")
    known = held_n_m(work, cast(Hold, line.fixing.id))
    if known is not None:
        counts.append(f"holds {amount_text(known, 'pull', units, 'down')}")
    return tuple(counts)


PIECES = {
    "track": "screws",
    "batten": "screws",
    "rolled": "screws",
    "clamps": "clamps",
    "eyelets": "eyelets",
    "staples": "staples",
}


def _cut(name: str, part: str, x: float, y: float) -> Iterator[Outline]:
    """The way itself, cut across; film comes down from above."""
    thick, wide = BOARD
    top = y + wide / 2 + 0.03
    if name in ("track", "batten", "rolled", "staples"):
        yield _solid(part, box(x, y - wide / 2, x + thick, y + wide / 2), "board")
    if name == "track":
        yield _solid(part, box(x - TRACK[0], y - TRACK[1] / 2, x, y + TRACK[1] / 2), "track", "steel")
        wire = [
            (x - 0.004, y + 0.012),
            (x - 0.01, y + 0.006),
            (x - 0.004, y),
            (x - 0.01, y - 0.006),
            (x - 0.004, y - 0.012),
        ]
        yield _line(part, wire, "wire", "ink")
        yield _line(part, [(x - 0.02, top), (x - 0.016, y), (x - 0.03, y - 0.09)], "film")
    elif name == "batten":
        left, low, high = x - BATTEN[0], y - BATTEN[1] / 2, y + BATTEN[1] / 2
        yield _solid(part, box(left, low, x, high), "batten")
        yield _line(
            part, [(x, top), (x, low - 0.004), (left - 0.004, low - 0.004), (left - 0.004, high + 0.01)], "film"
        )
    elif name == "rolled":
        low, high = y - BATTEN[1] / 2, y + BATTEN[1] / 2
        inner, outer = x - BATTEN[0] - 0.004, x - 2 * BATTEN[0] - 0.012
        yield _solid(part, box(inner, low, inner + BATTEN[0], high), "inner batten")
        yield _solid(part, box(outer, low, outer + BATTEN[0], high), "outer batten")
        round_ = [(inner - 0.004, high + 0.004), (x, high + 0.004), (x, low - 0.004), (inner - 0.004, low - 0.004)]
        yield _line(part, [(inner - 0.004, top), *round_, (inner - 0.004, high + 0.004), (x, high + 0.004)], "film")
    elif name == "buried":
        yield _line(
            part,
            [(x - 0.14, y), (x - 0.08, y), (x - 0.08, y - 0.27), (x + 0.1, y - 0.27), (x + 0.1, y), (x + 0.16, y)],
            "trench",
            "ink",
        )
        yield _line(part, [(x - 0.03, top), (x - 0.07, y), (x - 0.075, y - 0.265), (x + 0.08, y - 0.265)], "film")
    elif name == "clamps":
        yield _solid(part, circle(x, y, PIPE_M), "pipe", "steel")
        yield _round(part, circle(x, y, PIPE_M + 0.006), "film", "string")
        yield _round(part, circle(x, y, PIPE_M + 0.013), "clamp", "ink")
        yield _line(part, [(x - PIPE_M - 0.006, top), (x - PIPE_M - 0.006, y)], "film")
    elif name == "eyelets":
        yield _solid(part, circle(x + 0.03, y - 0.09, PIPE_M), "pipe", "steel")
        yield _line(part, [(x, top), (x, y - 0.01)], "film")
        yield _round(part, circle(x, y, 0.01), "eyelet", "ink")
        yield _line(part, [(x, y - 0.01), (x + 0.045, y - 0.08)], "tie", "ink")
    else:
        yield _solid(part, box(x - SEEN_M, y - 0.025, x, y + 0.025), "tape", "air")
        yield _line(part, [(x - 0.003, top), (x - 0.003, y - 0.06)], "film")
        for at in (y + 0.015, y - 0.015):
            yield _line(part, [(x - 0.014, at), (x + 0.012, at)], "staple", "ink")


def _solid(part: str, path: tuple[Vertex, ...], label: str, material: str = "board") -> Outline:
    return Outline(part=part, layer="frame", material=material, closed=True, path=path, label=label)  # type: ignore[arg-type]


def _round(part: str, path: tuple[Vertex, ...], label: str, material: str) -> Outline:
    return Outline(part=part, layer="string", material=material, path=path, label=label)  # type: ignore[arg-type]


def _line(part: str, places: list[tuple[float, float]], label: str, material: str = "string") -> Outline:
    path = tuple(Vertex(x=x, y=y) for x, y in places)
    return Outline(part=part, layer="string", material=material, path=path, label=label)  # type: ignore[arg-type]
