"""What the house carries, drawn beside it: snow on its roof, a stake for each kind as deep as that lies, gusts."""

import math
from collections.abc import Iterator

import numpy as np

from obtegum.core.amount import amount_text
from obtegum.core.drawing import Arrow, Drawing, Item, Note, Outline, Row, Vertex, drawn
from obtegum.core.paths import box, line
from obtegum.core.rooms.carries.found import Deep, clear_at_m, depths, not_known
from obtegum.core.rooms.carries.gust import Gives, first_gives
from obtegum.core.rooms.size.across import frame_outlines
from obtegum.core.rooms.strength.model import model_of
from obtegum.core.work import Work

__all__ = ["carries", "deep_text", "floored_m", "gust_text"]

# Where the first stake stands from the house, how far the next one, how wide each is, and how high one is drawn, m.
BESIDE_M, APART_M, STAKE_M, HIGHEST = 0.9, 0.62, 0.2, 1.15
BELOW_M, ARROW_M = 0.3, 1.1


def deep_text(work: Work, value_m: float, more: bool = False) -> str:
    """A depth, rounded down to the inch or centimetre."""
    whole_m = floored_m(work, value_m)
    return f"over {work.say(whole_m)}" if more else work.say(whole_m) if whole_m > 0 else "none"


def floored_m(work: Work, value_m: float) -> float:
    """A depth to the inch or centimetre below, m."""
    step_m = work.tape.stride_m("small")
    return math.floor(value_m / step_m + 1e-9) * step_m


def gust_text(work: Work, gives: Gives) -> str:
    """A gust, rounded down."""
    return amount_text(gives.gust_mps, "speed", work.tape.units, "down")


def carries(work: Work) -> Drawing:
    """The house with settled snow on it as deep as it carries, a stake for each kind, and the gusts that come first."""
    size, found = work.design.size, depths(work)
    half, high = size.span_m / 2, HIGHEST * size.height_m
    wide = half + BESIDE_M + APART_M * len(found)
    items: list[Item] = [
        Outline(
            part="ground", layer="ground", material="soil", closed=True, label="ground",
            path=box(-half - 1.4, -BELOW_M, wide, 0.0),
        ),
    ]  # fmt: skip
    settled = next((each for each in found if each.kind == "settled"), None)
    if settled is not None and settled.even_m > 0:
        items.append(_lying(work, settled))
    items += frame_outlines(work)
    rows = list[Row]()
    for place, each in enumerate(found):
        items += _stake(work, each, half + BESIDE_M + APART_M * place, high)
        rows.append(Row(what=each.words.capitalize(), reading=_told(work, each)))
    clear = clear_at_m(work)
    if found and clear is not None:
        # On the stake of settled snow.
        x = half + BESIDE_M + APART_M * next(place for place, each in enumerate(found) if each.kind == "settled")
        level = min(floored_m(work, clear), high)
        items.append(
            Outline(
                part="snow:clear", layer="string", material="string", label="clear from here, settled snow",
                path=line(x - 0.1, level, x + STAKE_M + 0.1, level),
            )
        )  # fmt: skip
    gives = first_gives(work)
    if gives is not None:
        items += _gusts(work, gives)
        for words, first in zip(("Doors shut", "An end open"), gives, strict=True):
            rows.append(Row(what=words, reading=f"{gust_text(work, first)}, then {first.what}"))
    rows += [Row(what=f"Not known: {each.what}", reading=each.why) for each in not_known(work)]
    words = "What the house carries isn’t known yet."
    if settled is not None:
        words = f"Settled snow: {_told(work, settled)}, on the roof."
    return drawn(
        view="carries",
        title="Carries",
        summary=words,
        items=items,
        beside_m=(0.1, 0.35, 0.1, 0.25),
        table=tuple(rows),
    )


def _told(work: Work, each: Deep) -> str:
    even, half = deep_text(work, each.even_m, each.more), deep_text(work, each.half_m, each.more)
    told = f"{even} even, {half} on one half"
    if each.propped_even_m is None or each.propped_half_m is None:
        return told
    propped = (deep_text(work, value) for value in (each.propped_even_m, each.propped_half_m))
    return f"{told}; with props {' and '.join(propped)}"


def _lying(work: Work, settled: Deep) -> Outline:
    """Settled snow on the bow, plumb over it as deep as it carries, no deeper than fits the drawing."""
    model = model_of(work)
    nodes, lies = model.frame.nodes, np.flatnonzero(model.outline.roof)
    roof = nodes[lies[0] : lies[-1] + 2]
    deep = min(settled.even_m, work.design.size.height_m)
    path = [Vertex(x=float(x), y=float(y)) for x, y in roof]
    path += [Vertex(x=float(x), y=float(y) + deep) for x, y in roof[::-1]]
    return Outline(
        part="snow", layer="frame", material="air", closed=True, label="settled snow, as deep as it carries",
        path=tuple(path),
    )  # fmt: skip


def _stake(work: Work, each: Deep, x: float, high: float) -> Iterator[Item]:
    """A stake in the ground beside the house: even snow full, one-sided as a notch, with props as a line over it."""
    part, even, half = f"snow:{each.kind}", min(each.even_m, high), min(each.half_m, high)
    yield Outline(
        part=part, layer="frame", material="air", closed=True, label=f"{each.words}, {_told(work, each)}",
        path=box(x, 0.0, x + STAKE_M, max(even, 0.01)),
    )  # fmt: skip
    yield Outline(
        part=part, layer="frame", material="board", width_m=0.03, label="on one half",
        path=line(x - 0.06, half, x + STAKE_M + 0.06, half),
    )  # fmt: skip
    if each.propped_even_m is not None and each.propped_even_m > each.even_m:
        top = min(each.propped_even_m, high)
        yield Outline(
            part=part, layer="hidden", material="ink", label="with props",
            path=(*line(x, even, x, top), *line(x + STAKE_M, top, x + STAKE_M, even)),
        )  # fmt: skip
    middle = x + STAKE_M / 2
    yield Note(part=part, x=middle, y=max(even, half), text=deep_text(work, each.even_m, each.more))
    yield Note(part=part, x=middle, y=0.0, text=each.words.removesuffix(" snow"), above=False)


def _gusts(work: Work, gives: tuple[Gives, Gives]) -> Iterator[Item]:
    """The first gusts as arrows that blow at the left side."""
    size = work.design.size
    for words, first, share in zip(("doors shut", "an end open"), gives, (0.72, 0.42), strict=True):
        x, y = -size.span_m / 2 - 0.15, share * size.height_m
        yield Arrow(part="gust", x0=x - ARROW_M, y0=y, x1=x, y1=y)
        yield Note(part="gust", x=x - 0.2, y=y, text=gust_text(work, first), anchor="end")
        yield Note(part="gust", x=x - 0.2, y=y, text=words, anchor="end", above=False)
