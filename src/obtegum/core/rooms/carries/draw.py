"""What the house carries, drawn beside it: snow on its roof, a stake for each kind as deep as that lies, gusts."""

import math
from collections.abc import Iterator

import numpy as np

from obtegum.core.drawing.items import Arrow, Drawing, Item, Note, Outline, Row, Vertex, drawn
from obtegum.core.drawing.paths import box, line
from obtegum.core.findings.work import Work
from obtegum.core.rooms.carries.found import Deep, clear_at_m, depths, not_known
from obtegum.core.rooms.carries.gust import Gives, first_gives
from obtegum.core.rooms.size.across import frame_outlines
from obtegum.core.rooms.strength.model import model_of
from obtegum.core.values.amount import amount_text

__all__ = ["carries", "deep_text", "floored_m", "gust_text"]

# Where the first stake stands from the house, how far the next one, how wide each is, and how long a gust's arrow is,
# of the span; how high the highest stake may be drawn, of the house, how far a bar is
# clear of its stake, and how many times as deep a stake is drawn as it is.
BESIDE, APART, STAKE, ARROW, HIGHEST = 0.16, 0.19, 0.045, 0.24, 0.85
CLEAR = 0.16
TIMES = (50, 20, 10, 5, 2, 1)
BELOW_M = 0.3


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
    half = size.span_m / 2
    beside, apart = half + BESIDE * size.span_m, APART * size.span_m
    wide = beside + apart * len(found)
    items: list[Item] = [
        Outline(
            part="ground", layer="ground", material="soil", closed=True, label="ground",
            path=box(-half - (ARROW + 0.05) * size.span_m, -BELOW_M, wide, 0.0),
        ),
    ]  # fmt: skip
    settled = next((each for each in found if each.kind == "settled"), None)
    if settled is not None and settled.even_m > 0:
        items.append(_lying(work, settled))
    items += frame_outlines(work)
    rows = list[Row]()
    deepest = max((max(each.even_m, each.half_m) for each in found), default=1.0)
    times = next((each for each in TIMES if each * deepest <= HIGHEST * size.height_m), 1)
    for place, each in enumerate(found):
        items += _stake(work, each, beside + apart * place, times, place % 2)
        rows.append(Row(what=each.words.capitalize(), reading=_told(work, each)))
    clear = clear_at_m(work)
    if found and clear is not None:
        # On the stake of settled snow.
        x = beside + apart * next(place for place, each in enumerate(found) if each.kind == "settled")
        stake = STAKE * size.span_m
        level = times * floored_m(work, clear)
        items.append(
            Outline(
                part="snow:clear", layer="string", material="string", label="clear from here, settled snow",
                path=line(x - stake / 2, level, x + 1.5 * stake, level),
            )
        )  # fmt: skip
    gives = first_gives(work)
    if gives is not None:
        items += _gusts(work, gives)
        for words, first in zip(("Doors shut", "An end open"), gives, strict=True):
            rows.append(Row(what=words, reading=f"{gust_text(work, first)}, then {first.what}"))
    rows += [Row(what=f"Not known: {each.what}", reading=each.why) for each in not_known(work)]
    if found and times > 1:
        middle = beside + apart * (len(found) - 1) / 2
        items.append(
            Note(part="ground", x=middle, y=0.98 * size.height_m, text=f"even; bar: on one half; {times} times as deep")
        )
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


def _stake(work: Work, each: Deep, x: float, times: float, row: int) -> Iterator[Item]:
    """A stake beside the house: even snow full, one-sided as a notch, with props as a line over it; drawn so many times
    as deep as it is."""
    high = HIGHEST * work.design.size.height_m
    part, even, half = f"snow:{each.kind}", min(each.even_m * times, high), min(each.half_m * times, high)
    stake = STAKE * work.design.size.span_m
    yield Outline(
        part=part, layer="frame", material="air", closed=True, label=f"{each.words}, {_told(work, each)}",
        path=box(x, 0.0, x + stake, max(even, 0.01)),
    )  # fmt: skip
    yield Outline(
        part=part, layer="frame", material="board", width_m=0.02, label="on one half",
        path=line(x - stake / 3, half, x + 4 * stake / 3, half),
    )  # fmt: skip
    if each.propped_even_m is not None and each.propped_even_m > each.even_m:
        top = min(each.propped_even_m * times, high)
        yield Outline(
            part=part, layer="hidden", material="ink", label="with props",
            path=(*line(x, even, x, top), *line(x + stake, top, x + stake, even)),
        )  # fmt: skip
    middle = x + stake / 2
    # Where the bar would cross its figure, that stands over both, and the bar's own is left to the table.
    apart = half > even + CLEAR * work.design.size.height_m
    above = even if apart or half < even else half
    yield Note(part=part, x=middle, y=above, text=deep_text(work, each.even_m, each.more))
    if apart:
        yield Note(part=part, x=middle, y=half, text=deep_text(work, each.half_m, each.more))
    yield Note(
        part=part,
        x=middle,
        y=-BELOW_M,
        text=each.words.removesuffix(" snow").removeprefix("wind-"),
        above=False,
        row=row,
    )


def _gusts(work: Work, gives: tuple[Gives, Gives]) -> Iterator[Item]:
    """The first gusts as arrows that blow at the left side."""
    size = work.design.size
    for words, first, share in zip(("doors shut", "an end open"), gives, (0.86, 0.42), strict=True):
        long, y = ARROW * size.span_m, share * size.height_m
        x = -size.span_m / 2 - 0.02 * size.span_m
        yield Arrow(part="gust", x0=x - long, y0=y, x1=x, y1=y)
        for row, text in enumerate((gust_text(work, first), words)):
            yield Note(
                part="gust", x=x - long, y=y - 0.05 * size.height_m, text=text, anchor="start", above=False, row=row
            )
