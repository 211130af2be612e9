"""Loads of a number of cases on a frame, and their sums.

Source: the direct stiffness method; fixed-end forces of even loads.
"""

from dataclasses import dataclass
from typing import TYPE_CHECKING

import numpy as np
from numpy.typing import NDArray

if TYPE_CHECKING:
    from obtegum.core.formulas.frame.solve import Frame

__all__ = ["Loads", "combined", "loads_on"]

Array = NDArray[np.float64]


@dataclass(frozen=True, eq=False)
class Loads:
    """Loads of a number of cases: along the elements (c, n, 2), N/m, and at the nodes (c, 3n + 3), N and N·m.

    ``ends`` are those of the first as held ends of each element give them, ``total`` all of them at the nodes.
    """

    ends: Array
    nodal: Array
    total: Array


def loads_on(frame: "Frame", per_metre: Array, nodal: Array | None = None) -> Loads:
    """Loads ``per_metre`` along the elements (c, n, 2), N/m of their length, and at the nodes (c, 3n + 3), N and N·m,
    if there are any: as fixed-end forces."""
    spread, ends = frame.at_nodes(per_metre)
    own = np.zeros_like(spread) if nodal is None else nodal
    return Loads(ends, own, spread + own)


def combined(loads: Loads, factors: Array) -> Loads:
    """Superposition: sums of k basic cases, a row of factors (c, k) each."""
    return Loads(np.tensordot(factors, loads.ends, axes=1), factors @ loads.nodal, factors @ loads.total)
