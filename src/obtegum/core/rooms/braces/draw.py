"""Braces seen from inside, and a bow with its collar and struts."""

import math

from obtegum.core.drawing.items import Dimension, Drawing, Handle, Item, Layer, Mark, Note, Outline, Row, drawn
from obtegum.core.drawing.paths import chain_path, line
from obtegum.core.findings.skeleton.bays import bays_of
from obtegum.core.findings.skeleton.braces import (
    Brace,
    Tie,
    brace_tube,
    braces_of,
    tie_edge_m,
    tie_seen,
    tied_bows,
    ties_of,
)
from obtegum.core.findings.skeleton.line import centre_line
from obtegum.core.findings.skeleton.runs import front_m, place_of, run_long_m, run_tube, runs_of
from obtegum.core.findings.skeleton.tubes import bow_tube
from obtegum.core.findings.work import Work
from obtegum.core.rooms.braces.found import cut_m, tie_cut_m

__all__ = ["braced", "braces_along", "tied"]


def _lines(work: Work, tag: str = "") -> list[Item]:
    """The braces of the left side as lines, seen from inside."""
    tube = brace_tube(work)
    return [
        Outline(
            part=f"brace:{brace.name}{tag}",
            layer="frame",
            material=tube.material,
            width_m=tube.od_m,
            path=line(brace.foot[0], brace.foot[2], brace.head[0], brace.head[2]),
            label=f"brace {brace.name}, {work.say(cut_m(work, brace.long_m))} long",
        )
        for brace in braces_of(work)
        if brace.side == "L"
    ]


def braces_along(work: Work) -> Layer:
    """The braces of the left side on the view along the house."""
    return Layer(_lines(work))


def braced(work: Work) -> Drawing:
    """The left side from inside: bows, runs, and each brace with what is cut for it."""
    size, runs = work.design.size, run_tube(work)
    items: list[Item] = [
        Outline(
            part=f"bow:{place}", layer="frame", material=bow_tube(work).material, width_m=bow_tube(work).od_m,
            path=line(at, 0.0, at, size.height_m), label=f"bow {place}",
        )
        for place, at in enumerate(bays_of(work).stations_m, start=1)
    ]  # fmt: skip
    for run in runs_of(work):
        if not run.name.startswith("R"):
            up_m = place_of(work, run)[1]
            items.append(
                Outline(
                    part=f"run:{run.name}", layer="frame", material=runs.material, width_m=runs.od_m,
                    path=line(front_m(work), up_m, run_long_m(work) + front_m(work), up_m), label=run.words,
                )
            )  # fmt: skip
    items += _lines(work)
    rows = list[Row]()
    for brace in braces_of(work):
        rows.append(Row(what=f"Brace {brace.name}", reading=_told(work, brace)))
        if brace.side == "L":
            x, y = (brace.foot[0] + brace.head[0]) / 2, (brace.foot[2] + brace.head[2]) / 2
            items.append(
                Note(part=f"brace:{brace.name}", x=x, y=y, text=work.say(cut_m(work, brace.long_m)), anchor="start")
            )
    braces = [brace for brace in braces_of(work) if brace.side == "L"]
    if braces:
        first = braces[0]
        items += [
            *(
                _holes(work, "brace", ((first.foot[0], first.foot[2]), (first.head[0], first.head[2])))
                if work.design.braces.end == "flat"
                else []
            ),
            Handle(measure="braces.head_m", x=first.head[0], y=first.head[2], dx=0.0, dy=1.0),
            Handle(measure="braces.foot_m", x=first.foot[0], y=first.foot[2], dx=0.0, dy=1.0),
        ]
    count = len(braces)
    return drawn(
        view="braced",
        title="Braced",
        summary=f"{count} brace{'' if count == 1 else 's'} on the left side, as many on the right, seen from inside.",
        items=items,
        beside_m=(0.02 * size.length_m, 0.1 * size.height_m, 0.05 * size.length_m, 0.1 * size.height_m),
        table=tuple(rows) or (Row(what="Braces", reading="none"),),
    )


def _holes(work: Work, name: str, ends: tuple[tuple[float, float], tuple[float, float]]) -> list[Item]:
    """Where the holes of flattened ends come."""
    return [
        Mark(part=f"hole:{name}:{number}", symbol="socket", x=x, y=y, label=f"hole of the {name}")
        for number, (x, y) in enumerate(ends, start=1)
    ]


def _told(work: Work, brace: Brace) -> str:
    foot, head = brace.bows
    steep = math.degrees(math.asin(brace.up))
    return (
        f"cut {work.say(cut_m(work, brace.long_m))}, hole to hole {work.say(brace.long_m)}, {steep:.1f}° to the "
        f"ground, from bow {foot} at {work.say(brace.foot[2])} to bow {head} at {work.say(brace.head[2])}"
    )


def tied(work: Work) -> Drawing:
    """A bow with its collar, level, and its struts."""
    (material, wide_m), found = tie_seen(work), ties_of(work)
    size = work.design.size
    items: list[Item] = [
        Outline(
            part="bow", layer="frame", material=bow_tube(work).material, width_m=bow_tube(work).od_m,
            path=chain_path(centre_line(work)), label="bow",
        ),
        Outline(
            part="ground", layer="ground", material="soil", path=line(-size.span_m / 2, 0.0, size.span_m / 2, 0.0),
            label="ground",
        ),
    ]  # fmt: skip
    rows = list[Row]()
    for tie in found:
        (x0, y0), (x1, y1) = tie.ends
        said = f"cut {work.say(tie_cut_m(work, tie.long_m))}, {work.say(tie.long_m)} from hole to hole"
        items.append(
            Outline(
                part=tie.part, layer="frame", material=material, width_m=wide_m, path=line(x0, y0, x1, y1),
                label=f"{tie.what}, {said}",
            )
        )  # fmt: skip
        if not tie.part.endswith(":R"):
            middle = (x0 + x1) / 2, (y0 + y1) / 2
            text = work.say(tie_cut_m(work, tie.long_m))
            chord = tie.what == "collar"
            items.append(
                Note(
                    part=tie.part, x=middle[0], y=middle[1], text=text if chord else f"{text}  ",
                    anchor="middle" if chord else "end", above=False, row=1,
                )
            )  # fmt: skip
        rows.append(Row(what=_name(tie), reading=f"{said}, {math.degrees(slope(tie)):.1f}° to the level"))
    if found:
        x, y = found[0].ends[1 if found[0].what == "knee" else 0]
        items += [
            *(_holes(work, found[0].what, found[0].ends) if tie_edge_m(work) else []),
            Dimension(part="collar", x0=x, y0=0.0, x1=x, y1=y, text=work.say(y), measure="braces.tie_m"),
            Handle(measure="braces.tie_m", x=x / 2, y=y, dx=0.0, dy=1.0),
        ]
    on = tied_bows(work)
    collar = work.say(work.design.braces.tie_m)
    what = "Knees" if work.design.braces.ties == "knee" else "A collar"
    summary = f"{what} on {len(on)} bows, {collar} up." if on else "Nothing ties the bows."
    return drawn(view="tied", title="Across", summary=summary, items=items, beside_m=0.1, table=tuple(rows) or _none())


def _none() -> tuple[Row, ...]:
    return (Row(what="Across the bows", reading="nothing"),)


def _name(tie: Tie) -> str:
    return {
        "collar": "Collar",
        "strut:L": "Strut to the left",
        "strut:R": "Strut to the right",
        "knee:L": "Left knee",
        "knee:R": "Right knee",
    }[tie.part]


def slope(tie: Tie) -> float:
    """How steep a tie lies, rad from the level."""
    (x0, y0), (x1, y1) = tie.ends
    return math.atan2(abs(y1 - y0), abs(x1 - x0))
