"""The bow in weather: a band of use along it, its ghost as it moves, what its feet ask for; loads as arrows."""

from collections.abc import Iterator
from typing import Literal

import numpy as np
from numpy.typing import NDArray

from obtegum.core.drawing.items import Arrow, Drawing, Handle, Item, Material, Note, Outline, Row, Vertex, drawn
from obtegum.core.drawing.paths import box
from obtegum.core.findings.kept import found
from obtegum.core.findings.skeleton.bows import corners_of, girth_at, split_of
from obtegum.core.findings.skeleton.line import centre_line
from obtegum.core.findings.work import Work
from obtegum.core.formulas.weather.outline import Outline as Shape
from obtegum.core.formulas.weather.pressure import Case
from obtegum.core.rooms.size.across import frame_outlines
from obtegum.core.rooms.strength.found import Judged
from obtegum.core.rooms.strength.loads import weathered
from obtegum.core.rooms.strength.model import model_of
from obtegum.core.rooms.strength.propped import shown_found
from obtegum.core.rooms.strength.words import MANY, share_text
from obtegum.core.values.amount import amount_text

__all__ = ["along_bow", "ground", "load_drawings", "outward", "path_of", "shown_cases", "use"]

Array = NDArray[np.float64]
# How far from the tube its limit is drawn, m, and how far a band may reach beyond it.
FENCE_M, MOST_TIMES = 0.45, 1.5
# How far the ghost is drawn to have moved at the most, m; how long the longest arrow is.
GHOST_M, ARROW_M = 0.35, 0.9
BESIDE_M, BELOW_M = 1.2, 0.3
# Basic cases that are drawn one by one, by how their names begin.
DRAWN = ("even", "drift-right1", "left", "along", "heap-left", "up")
LEFT_OUT = ("drawn in", "leeward", "hardly")
# An arrow, or a line of a table, stands for so many pieces.
EVERY = 3


def shown_cases(work: Work) -> Iterator[tuple[int, Case]]:
    """The cases that are drawn, by their places: one of each kind, each with its door shut and open."""
    weather = weathered(work)
    for place, case in enumerate(weather.cases if weather else ()):
        if case.name.startswith(DRAWN) and not any(words in case.words for words in LEFT_OUT):
            yield place, case


def ground(work: Work) -> Outline:
    """The soil beneath the bow."""
    half = work.design.size.span_m / 2 + BESIDE_M
    path = box(-half, -BELOW_M, half, 0.0)
    return Outline(part="ground", layer="ground", material="soil", closed=True, path=path, label="ground")


def path_of(points: Array) -> tuple[Vertex, ...]:
    """A line through points (n, 2), m."""
    return tuple(Vertex(x=float(x), y=float(y)) for x, y in points)


def use(work: Work) -> Drawing:
    """The bow with the band of its use, its ghost, and the forces at its feet; the height can be taken hold of."""
    judged, size = shown_found(work), work.design.size
    items: list[Item] = [ground(work), *frame_outlines(work)]
    words, rows = "One bow; its strength isn’t known yet.", tuple[Row, ...]()
    if judged is not None and judged.found is not None:
        items += [*_ties(judged), *_brackets(work), *_band(judged), *_ghost(work, judged), *_feet(work, judged)]
        words = f"The bow uses {share_text(judged.ratio)} of its strength in {judged.governs.words}."
        rows = along_bow(work)
    items.append(Handle(measure="size.shape.height_m", x=0.0, y=size.height_m, dx=0.0, dy=1.0))
    return drawn(
        view="use",
        title="In weather",
        summary=words,
        items=items,
        beside_m=(0.1, 0.0, 0.1, 0.1),
        table=rows,
    )


def _ties(judged: Judged) -> Iterator[Item]:
    """The bars that the frame was reckoned with, as lines between its nodes."""
    ties = judged.model.frame.ties
    if ties is None:
        return
    kinds, whole = {name for name, _ in judged.model.ties}, judged.model.frame.nodes
    at = np.unique(ties.dofs // 3)
    if "prop" in kinds:
        crown = int(np.argmax(whole[:, 1]))
        foot = np.array([whole[crown, 0], whole[0, 1]])
        path = path_of(np.array([foot, whole[crown]]))
        yield Outline(part="prop", layer="frame", material="board", width_m=0.09, path=path, label="prop")
        at = at[at != crown]
    if not len(at):
        return
    nodes = whole[at]
    low = nodes[np.isclose(nodes[:, 1], nodes[:, 1].min(), atol=1e-6)]
    high = nodes[~np.isclose(nodes[:, 1], nodes[:, 1].min(), atol=1e-6)]
    middle = low.mean(axis=0)
    pairs = [(low[0], low[-1])] if "collar" in kinds else []
    pairs += [(middle, top) for top in high] if "strut" in kinds else []
    if "knee" in kinds:
        pairs += [(one, high[int(np.abs(high[:, 0] - one[0]).argmin())]) for one in low]
    for one, other in pairs:
        path = path_of(np.array([one, other]))
        yield Outline(part="tie", layer="frame", material="steel", width_m=0.03, path=path, label="tie")


def _brackets(work: Work) -> Iterator[Item]:
    """Plates over the joints and corners of the bow."""
    strength = work.design.strength
    if strength.bracket == "none":
        return
    bow, reach = centre_line(work), strength.plate_long_m / 2
    joints = [girth_at(work, at_m) for at_m in split_of(work).joints_m]
    for at_m in (*joints, *(kink.s_m for kink in corners_of(work))):
        places = np.linspace(max(at_m - reach, 0.0), min(at_m + reach, bow.girth_m), 5)
        path = path_of(np.array([bow.point(float(s_m)) for s_m in places]))
        yield Outline(
            part="bracket", layer="frame", material="post", width_m=strength.plate_wide_m, path=path, label="bracket"
        )


def outward(judged: Judged) -> tuple[Array, Array]:
    """Nodes of the bow and which way is out at each."""
    nodes, out = judged.model.frame.nodes, judged.model.outline.out
    at = np.concatenate([out[:1], (out[1:] + out[:-1]) / 2, out[-1:]])
    return nodes, at / np.maximum(np.hypot(at[:, 0], at[:, 1]), 1e-9)[:, None]


def _band(judged: Judged) -> list[Item]:
    """The band of use along the bow, and the fence that is its limit."""
    assert judged.found is not None
    nodes, out = outward(judged)
    per_piece = np.minimum(judged.found.use[judged.found.worst], MOST_TIMES)
    at_nodes = np.concatenate([per_piece[:1], np.maximum(per_piece[1:], per_piece[:-1]), per_piece[-1:]])
    fence = nodes + out * FENCE_M
    within = nodes + out * (FENCE_M * np.minimum(at_nodes, 1.0))[:, None]
    beyond = nodes + out * (FENCE_M * np.maximum(at_nodes, 1.0))[:, None]
    bands: list[tuple[str, Material, Array, Array, str]] = [("use", "board", nodes, within, "use of strength")]
    if at_nodes.max() > 1:
        bands.append(("use:over", "ink", fence, beyond, "more than its strength"))
    return [
        *(
            Outline(
                part=part,
                layer="frame",
                material=material,
                closed=True,
                path=path_of(np.concatenate([inner, outer[::-1]])),
                label=label,
            )
            for part, material, inner, outer, label in bands
        ),
        Outline(part="fence", layer="construction", material="ink", path=path_of(fence), label="all of its strength"),
    ]


def _ghost(work: Work, judged: Judged) -> list[Item]:
    """The bow as it moves in the weather that governs, its scale said."""
    found = judged.found
    assert found is not None
    if not found.stands[found.worst] or judged.ratio > MANY:
        return []
    nodes, moved = judged.model.frame.nodes, found.moved[found.worst].reshape(-1, 3)[:, :2]
    most = float(np.hypot(moved[:, 0], moved[:, 1]).max())
    if most < 1e-5:
        return []
    times = next((each for each in (100, 50, 20, 10, 5, 2, 1) if each * most <= GHOST_M), 1)
    ghost = Outline(
        part="ghost", layer="hidden", material="ink", path=path_of(nodes + moved * times), label="as it moves"
    )
    said = f"moves, drawn {times} times" if times > 1 else "moves, to scale"
    at = nodes[len(nodes) // 2] + moved[len(nodes) // 2] * times
    return [ghost, Note(part="ghost", x=float(at[0]), y=float(at[1]) - 0.5, text=said, above=False)]


def _feet(work: Work, judged: Judged) -> list[Item]:
    """What the ground must give each foot in the weather that governs."""
    found = judged.found
    assert found is not None
    nodes, feet = judged.model.frame.nodes, found.feet[found.worst]
    largest = max(float(np.abs(feet).max()), 1e-6)
    items = list[Item]()
    for side, node, (across, up) in (("L", nodes[0], feet[0]), ("R", nodes[-1], feet[1])):
        x, y = float(node[0]), float(node[1])
        units, out = work.tape.units, -1.0 if side == "L" else 1.0
        long = ARROW_M * 0.8 * abs(float(up)) / largest
        if long > 0.02:
            # The ground pushes up on a foot that is pressed down, and holds down one that lifts.
            tip, tail = (y, y - long) if up > 0 else (y - long, y)
            items.append(Arrow(part=f"foot:{side}", x0=x, y0=tail, x1=x, y1=tip))
        words = "presses down" if up > 0 else "lifts"
        text = f"{words} {amount_text(abs(float(up)), 'force', units, 'up')}"
        pushed = amount_text(abs(float(across)), "force", units, "up")
        push = f"{'spreads' if across * out < 0 else 'is pulled in'} {pushed}"
        # Between the feet, the right one's words below the left one's, so that a narrow screen has room for both.
        anchor: Literal["start", "end"] = "start" if side == "L" else "end"
        first = 0 if side == "L" else 2
        for row, words_there in enumerate((text, push), start=first):
            items.append(
                Note(
                    part=f"foot:{side}",
                    x=x - out * 0.15,
                    y=work.design.size.height_m * 0.5,
                    text=words_there,
                    anchor=anchor,
                    above=False,
                    row=row,
                )
            )
    return items


@found
def along_bow(work: Work) -> tuple[Row, ...]:
    """Use, bending and pressing along the bow, every so often; nothing where they aren't known."""
    judged, rows = shown_found(work), list[Row]()
    if judged is None or judged.found is None:
        return ()
    got, model, units = judged.found, judged.model, work.tape.units
    row = got.worst
    for element in model.spread(EVERY):
        moment = amount_text(float(np.abs(got.moment[row, element]).max()), "torque", units, "up")
        axial = float(got.axial[row, element])
        pressed = amount_text(abs(axial), "force", units, "up")
        share = share_text(float(got.use[row, element]))
        x, y = model.frame.nodes[element : element + 2].mean(axis=0)
        where = _where(work, float(x), float(y))
        rows.append(Row(what=where, reading=f"{share}, {moment}, {pressed} {'pressed' if axial < 0 else 'pulled'}"))
    return tuple(rows)


def _where(work: Work, x: float, y: float) -> str:
    return f"{work.say(abs(x))} {'left' if x < 0 else 'right'} of the middle, {work.say(max(y, 0.0))} up"


def load_drawings(work: Work) -> list[Drawing]:
    """Each of the cases that are told: arrows on the true curve, as long as their pressure, one scale for all."""
    weather = weathered(work)
    if weather is None:
        return []
    model = model_of(work)
    outline, spread = model.outline, model.spread(EVERY)
    shown = list(shown_cases(work))
    # What all of them stand on, and the places where they are read.
    bow: list[Item] = [ground(work), *frame_outlines(work)]
    places = {piece: _where(work, float(outline.x[piece]), float(outline.y[piece])) for piece in spread}
    most = max([float(np.hypot(*case.per_area.T).max()) for _, case in shown if case.kind != "heap"], default=1.0)
    return [_load(work, place, case, outline, max(most, 1e-6), bow, places) for place, case in shown]


def _load(
    work: Work, place: int, case: Case, outline: Shape, most: float, bow: list[Item], places: dict[int, str]
) -> Drawing:
    items, x, y, out = list(bow), outline.x, outline.y, outline.out
    size = np.hypot(case.per_area[:, 0], case.per_area[:, 1])
    told, units = np.argmax(np.abs(case.shown)), work.tape.units
    for piece in places:
        long = min(ARROW_M * float(size[piece]) / most, MOST_TIMES * ARROW_M)
        if long < 0.03 or y[piece] < 0:
            continue
        ux, uy = (float(each) for each in case.per_area[piece] / size[piece])
        px, py = float(x[piece]), float(y[piece])
        # What presses on the bow comes from outside; what pulls at it starts there.
        pulls = ux * float(out[piece, 0]) + uy * float(out[piece, 1]) > 0
        start, end = (
            ((px, py), (px + ux * long, py + uy * long)) if pulls else ((px - ux * long, py - uy * long), (px, py))
        )
        items.append(Arrow(part=f"load:{piece}", x0=start[0], y0=start[1], x1=end[0], y1=end[1]))
    shown = amount_text(abs(float(case.shown[told])), "pressure", units, "nearest")
    kind = "on plan" if case.kind == "snow" else "across the film"
    items.append(Note(part="load", x=float(x[told]), y=float(y[told]) + 0.1, text=f"{shown} {kind}"))
    rows = tuple(
        Row(
            what=what,
            reading=("−" if case.shown[piece] < 0 else "")
            + amount_text(abs(float(case.shown[piece])), "pressure", units),
        )
        for piece, what in places.items()
    )
    return drawn(
        view=f"load:{place}",
        title=case.words.capitalize(),
        summary=f"{case.words.capitalize()}, by {case.clause}: at the most {shown} {kind}.",
        items=items,
        table=rows,
    )
