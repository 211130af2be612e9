"""What is locked into a bow whose ends are held elsewhere than where they would come to rest (rule B13)."""

from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from obtegum.core.frame.solve import Frame

__all__ = ["Locked", "drawn_in", "locked_in"]

Array = NDArray[np.float64]


@dataclass(frozen=True, eq=False)
class Locked:
    """Forces without any load: axial (n,) N, tension positive; moments (n, 2) at both ends of each element, N·m; what
    holds each end, N to the right and up, N·m: (2, 3)."""

    axial: Array
    moment: Array
    ends: Array

    @property
    def pull_n(self) -> float:
        """What it takes at an end to bring it there, N."""
        return float(np.hypot(self.ends[:, 0], self.ends[:, 1]).max())


def locked_in(frame: Frame, spread_m: float, turn_rad: float | None) -> Locked:
    """A frame whose ends are spread by so much together, and each turned out by so much; None where they turn freely.

    First order: its ends move alone, nothing else bears on it. Ties don't count, as they come after.
    """
    last = 3 * frame.count
    told = {0: -spread_m / 2, 1: 0.0, last: spread_m / 2, last + 1: 0.0}
    if turn_rad is not None:
        # Both lean to the outside: the left end turns to the left, the right one to the right.
        told |= {2: turn_rad, last + 2: -turn_rad}
    size, stiff = last + 3, _stiffness(frame)
    held = np.array(sorted(told))
    free = np.setdiff1d(np.arange(size), held)
    moved = np.zeros(size)
    moved[held] = [told[dof] for dof in held]
    moved[free] = np.linalg.solve(stiff[np.ix_(free, free)], -stiff[np.ix_(free, held)] @ moved[held])
    return _forces(frame, stiff, moved)


def drawn_in(frame: Frame, between: tuple[int, int], gap_m: float, stretch_n_m: float) -> tuple[Locked, float]:
    """A frame, pinned at its ends, of which two nodes stand further apart by a gap than the tie that they are drawn in
    to, so stiff along; and what that tie pulls from then on, N.

    First order: T = gap/(what both nodes come nearer by for each N, and what the tie stretches by).
    """
    size = 3 * frame.count + 3
    stiff = _stiffness(frame)
    pull = np.zeros(size)
    one, other = between
    pull[3 * one], pull[3 * other] = 1.0, -1.0
    free = np.setdiff1d(np.arange(size), np.array([0, 1, size - 3, size - 2]))
    moved = np.zeros(size)
    moved[free] = np.linalg.solve(stiff[np.ix_(free, free)], pull[free])
    nearer = float(moved[3 * one] - moved[3 * other])
    force = gap_m / (nearer + 1 / stretch_n_m)
    return _forces(frame, stiff, force * moved), force


def _stiffness(frame: Frame) -> Array:
    size = 3 * frame.count + 3
    stiff = np.zeros((size, size))
    for place in range(frame.count):
        at = slice(3 * place, 3 * place + 6)
        stiff[at, at] += frame.stiff[place]
    return stiff


def _forces(frame: Frame, stiff: Array, moved: Array) -> Locked:
    own = np.einsum("nij,nj->ni", frame.turned, frame.spread(moved[None])[0])
    forces = np.einsum("nij,nj->ni", frame.own_stiff, own)
    left = (stiff @ moved).reshape(-1, 3)
    return Locked(
        axial=(forces[:, 3] - forces[:, 0]) / 2,
        moment=np.stack([-forces[:, 2], forces[:, 5]], axis=1),
        ends=np.stack([left[0], left[-1]]),
    )
