"""What hangs on a bow: trellis lines and baskets, where they do, as loads beside those of its covers."""

from typing import Literal

import numpy as np
from numpy.typing import NDArray

from obtegum.core.findings.skeleton.bows import girth_at
from obtegum.core.findings.skeleton.line import centre_line
from obtegum.core.findings.skeleton.runs import runs_of
from obtegum.core.findings.work import Work
from obtegum.core.rooms.strength.model import Model
from obtegum.core.values.physics import GRAVITY_MPS2

__all__ = ["hung_at", "hung_loads", "hung_n"]


def hung_n(work: Work) -> float:
    """What hangs on a bow with a whole bay, N."""
    strength = work.design.strength
    return GRAVITY_MPS2 * (strength.lines * strength.line_kg + strength.baskets * strength.basket_kg)


def hung_at(work: Work) -> Literal["runs", "ties", "crown"]:
    """Where it hangs: from collars only where each bow has one."""
    strength, braces = work.design.strength, work.design.braces
    if strength.hang == "ties" and (braces.ties not in ("collar", "truss") or braces.every != 1):
        return "runs"
    return strength.hang


def hung_loads(work: Work, model: Model, share: float) -> NDArray[np.float64]:
    """(n, 2): N/m down on the elements beside each place that something hangs from; ``share`` of the lines of a bay."""
    strength, frame = work.design.strength, model.frame
    loads = np.zeros((frame.count, 2))
    whole_n = GRAVITY_MPS2 * (share * strength.lines * strength.line_kg + strength.baskets * strength.basket_kg)
    if not whole_n:
        return loads
    nodes = _nodes(work, model)
    for node in nodes:
        beside = (node - 1, node)
        # Half on the element on either side, so that the node gets it whole.
        for element in beside:
            loads[element, 1] -= whole_n / len(nodes) / 2 / float(frame.lengths[element])
    return loads


def _nodes(work: Work, model: Model) -> list[int]:
    nodes, where = model.frame.nodes, hung_at(work)
    if where == "crown":
        return [int(np.argmax(nodes[:, 1]))]
    if where == "ties":
        bow, up_m = centre_line(work), work.design.braces.tie_m
        places = [bow.point(s_m) for s_m in bow.at_y(up_m)]
    else:
        bow = centre_line(work)
        places = [bow.point(min(max(girth_at(work, run.at_m), 0.0), bow.girth_m)) for run in runs_of(work)]
    found = {int(np.hypot(nodes[1:-1, 0] - x, nodes[1:-1, 1] - y).argmin()) + 1 for x, y in places}
    return sorted(found)
