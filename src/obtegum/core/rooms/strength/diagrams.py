"""Bending and pressing along the bow in the weather that governs, drawn beside the tube where they are."""

from collections.abc import Callable
from typing import Literal

import numpy as np
from numpy.typing import NDArray

from obtegum.core.drawing.items import Drawing, Item, Note, Outline, Row, drawn
from obtegum.core.findings.work import Work
from obtegum.core.rooms.size.across import frame_outlines
from obtegum.core.rooms.strength.draw import along_bow, ground, outward, path_of
from obtegum.core.rooms.strength.found import Judged
from obtegum.core.rooms.strength.propped import shown_found
from obtegum.core.rooms.strength.words import MANY
from obtegum.core.values.amount import AmountKind, amount_text

__all__ = ["bending", "pressing"]

Array = NDArray[np.float64]
# How far from the tube the most is drawn, m, and how far apart two figures stand at the least, as a share of the bow.
MOST_M, APART = 0.45, 0.2
# Figures that are written beside a band.
TOLD, LEAST_TOLD = 4, 0.25
# How far sideways a figure lies from its band before it is set to that side of it.
SIDEWAYS = 0.4
Anchor = Literal["start", "middle", "end"]


def bending(work: Work) -> Drawing:
    """Bending, on the side of the tube that it stretches."""
    return _banded(work, "bending", "Bending", "on the side that is stretched", "torque", _moments)


def pressing(work: Work) -> Drawing:
    """Force along the tube: outside where it is pressed, inside where it is pulled."""
    return _banded(work, "pressing", "Pressing", "outside pressed, inside pulled", "force", _pressed)


def _moments(judged: Judged) -> Array:
    """Bending at the nodes, N·m, positive where the outside is stretched."""
    assert judged.found is not None
    moment = judged.found.moment[judged.found.worst]
    return -np.concatenate([moment[:, 0], moment[-1:, 1]])


def _pressed(judged: Judged) -> Array:
    """Force at the nodes, N, pressing positive."""
    assert judged.found is not None
    axial = judged.found.axial[judged.found.worst]
    return -np.concatenate([axial[:1], (axial[1:] + axial[:-1]) / 2, axial[-1:]])


def _banded(
    work: Work, view: str, title: str, how: str, kind: AmountKind, values_of: Callable[[Judged], Array]
) -> Drawing:
    judged = shown_found(work)
    items: list[Item] = [ground(work), *frame_outlines(work)]
    words, rows = f"{title} along the bow isn’t known yet.", tuple[Row, ...]()
    if judged is not None and judged.found is not None:
        found = judged.found
        words = f"{title}: no figure means anything where the bow gives way."
        top = judged.model.frame.nodes[judged.model.frame.count // 2]
        if found.stands[found.worst] and judged.ratio <= MANY:
            values = values_of(judged)
            items += _band(work, judged, values, kind, f"{title.lower()}, {how}")
            words = f"{title}, {how}, in {judged.governs.words}."
            rows = along_bow(work)
        else:
            said = "gives way: no figure means anything"
            items.append(Note(part=f"band:{kind}", x=0.0, y=float(top[1]) / 2, text=said))
    return drawn(view=view, title=title, summary=words, items=items, beside_m=(0.3, 0.1, 0.3, 0.2), table=rows)


def _band(work: Work, judged: Judged, values: Array, kind: AmountKind, label: str) -> list[Item]:
    nodes, out = outward(judged)
    most = max(float(np.abs(values).max()), 1e-9)
    edge = nodes + out * (MOST_M * values / most)[:, None]
    band = Outline(
        part=f"band:{kind}",
        layer="frame",
        material="board",
        closed=True,
        path=path_of(np.concatenate([nodes, edge[::-1]])),
        label=label,
    )
    notes = list[Item]()
    for node in _peaks(values, judged.model.s_m):
        text = amount_text(abs(float(values[node])), kind, work.tape.units, "up")
        away = out[node] * (1.0 if values[node] >= 0 else -1.0)
        x, y = edge[node] + 0.12 * away
        anchor: Anchor = "start" if away[0] > SIDEWAYS else "end" if away[0] < -SIDEWAYS else "middle"
        notes.append(Note(part=f"band:{kind}", x=float(x), y=float(y), text=text, anchor=anchor))
    return [band, *notes]


def _peaks(values: Array, s_m: Array) -> list[int]:
    """Where a few of the largest values are, apart from each other along the bow."""
    apart, found = APART * float(s_m[-1] - s_m[0]), list[int]()
    for node in np.argsort(-np.abs(values), kind="stable"):
        if abs(values[node]) < LEAST_TOLD * np.abs(values).max():
            break
        if all(abs(float(s_m[node] - s_m[other])) >= apart for other in found):
            found.append(int(node))
        if len(found) == TOLD:
            break
    return found
