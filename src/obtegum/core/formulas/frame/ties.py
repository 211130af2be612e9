"""Bars pinned between nodes of a frame: collars, struts in a V, knees. Joints that only bars meet at are taken out.

What is left is a small stiffness between a few degrees of freedom of the frame, and the pull of each bar as a row over
their displacements. Bars are straight and pinned; their own sway is left out, their buckling judged beside.

Source: static condensation (Guyan 1965) of joints that only bars meet at.
"""

import math
from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace

import numpy as np
from numpy.typing import NDArray

__all__ = ["Bar", "Ties", "tied"]

Array = NDArray[np.float64]
# A node of the frame by its number, or a joint of bars alone by its name.
End = int | str


@dataclass(frozen=True, slots=True)
class Bar:
    """A bar from one node or joint to another; its stiffness in tension, E·A, N."""

    ends: tuple[End, End]
    stretch_n: float


@dataclass(frozen=True, eq=False)
class Ties:
    """Bars on a frame: the degrees of freedom (m,) that they hold, their stiffness (m, m) between these, N/m, and the
    pull of each bar (k, m), N for each m."""

    dofs: NDArray[np.int_]
    stiff: Array
    pulls: Array

    def times(self, share: float) -> "Ties":
        """The same, with a ``share`` of its stiffness."""
        return replace(self, stiff=self.stiff * share, pulls=self.pulls * share)

    def pulled(self, moved: Array) -> Array:
        """(c, k): what each bar pulls, N, tension positive, of displacements ``moved`` (c, 3n + 3), m and rad."""
        return np.asarray(moved[:, self.dofs] @ self.pulls.T)


def tied(
    nodes: Array,
    joints: Mapping[str, tuple[float, float]],
    bars: Sequence[Bar],
    ground: Mapping[str, tuple[float, float]] | None = None,
) -> Ties:
    """Bars between nodes of a frame (n + 1, 2), joints of their own, and places on the ground that never move.

    Raises: numpy.linalg.LinAlgError where a joint is loose.
    """
    fixed = ground or {}
    on_frame = sorted({end for bar in bars for end in bar.ends if isinstance(end, int)})
    names: list[End] = [*on_frame, *joints, *fixed]
    place = {name: at for at, name in enumerate(names)}
    places = {**joints, **fixed}
    at = np.array([places[name] if isinstance(name, str) else nodes[name] for name in names])
    stiff, rows = np.zeros((2 * len(names), 2 * len(names))), np.zeros((len(bars), 2 * len(names)))
    for number, bar in enumerate(bars):
        one, other = (place[end] for end in bar.ends)
        dx, dy = at[other] - at[one]
        long = math.hypot(dx, dy)
        row = np.zeros(2 * len(names))
        row[2 * one : 2 * one + 2], row[2 * other : 2 * other + 2] = (-dx / long, -dy / long), (dx / long, dy / long)
        rows[number] = bar.stretch_n / long * row
        stiff += bar.stretch_n / long * np.outer(row, row)
    many, moves = 2 * len(on_frame), 2 * (len(on_frame) + len(joints))
    stiff, rows = stiff[:moves, :moves], rows[:, :moves]
    if len(joints):
        # Where only bars meet, nothing is left over: their joint moves to where it is in balance.
        follows = -np.linalg.solve(stiff[many:, many:], stiff[many:, :many])
        whole = np.concatenate([np.eye(many), follows])
        stiff, rows = whole.T @ stiff @ whole, rows @ whole
    dofs = np.array([3 * node + way for node in on_frame for way in (0, 1)])
    return Ties(dofs, stiff, rows)
