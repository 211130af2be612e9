"""What is locked into a bow whose ends are held elsewhere than where they would come to rest (rule B13)."""

from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from obtegum.core.formulas.frame.solve import Frame

__all__ = ["Locked", "drawn_in", "locked_in"]

Array = NDArray[np.float64]
# Which way the left and the right end turn where both lean to the outside.
OUTWARD = np.array([1.0, -1.0])


@dataclass(frozen=True, eq=False)
class Locked:
    """Forces without any load: axial (n,) N, tension positive; moments (n, 2) at both ends of each element, N·m; what
    holds each end, N to the right and up, N·m: (2, 3); how far each end is turned (2,), rad counterclockwise."""

    axial: Array
    moment: Array
    ends: Array
    turned: Array

    def times(self, share: float) -> "Locked":
        """A ``share`` of it, or so many times as much."""
        return Locked(self.axial * share, self.moment * share, self.ends * share, self.turned * share)

    def __add__(self, other: "Locked") -> "Locked":
        return Locked(
            self.axial + other.axial, self.moment + other.moment, self.ends + other.ends, self.turned + other.turned
        )

    @property
    def pull_n(self) -> float:
        """What it takes at an end to bring it there, N."""
        return float(np.hypot(self.ends[:, 0], self.ends[:, 1]).max())


def locked_in(frame: Frame, spread_m: float, turn_rad: float | None) -> Locked:
    """A frame whose ends are spread by so much together, and each turned out by so much; None where they turn freely.

    First order: its ends move alone, nothing else bears on it. Ties don't count, as they come after.
    """
    spread = _spread(frame)
    if turn_rad is None:
        return spread.times(spread_m)
    turned = _turned(frame)
    # Both lean to the outside: the left end turns to the left, the right one to the right.
    wanted = turn_rad * OUTWARD - spread_m * spread.turned
    twists = np.linalg.solve(np.stack([each.turned for each in turned], axis=1), wanted)
    return spread.times(spread_m) + turned[0].times(twists[0]) + turned[1].times(twists[1])


def drawn_in(frame: Frame, between: tuple[int, int], gap_m: float, stretch_n_m: float) -> tuple[Locked, float]:
    """A frame, pinned at its ends, of which two nodes stand further apart by a gap than the tie that they are drawn in
    to, so stiff along; and what that tie pulls from then on, N.

    First order: T = gap/(what both nodes come nearer by for each N, and what the tie stretches by).
    """
    one, other = between
    pull = np.zeros(3 * frame.count + 3)
    pull[3 * one], pull[3 * other] = 1.0, -1.0
    moved = frame.solved(pull)
    nearer = float(moved[3 * one] - moved[3 * other])
    force = gap_m / (nearer + 1 / stretch_n_m)
    return _forces(frame, force * moved), force


def _spread(frame: Frame) -> Locked:
    """Its pinned ends are spread by 1 m, half of it each, and turn freely."""
    moved, last = np.zeros(3 * frame.count + 3), 3 * frame.count
    moved[[0, last]] = -0.5, 0.5
    push = np.zeros_like(moved)
    push[:6] -= frame.stiff[0] @ moved[:6]
    push[-6:] -= frame.stiff[-1] @ moved[-6:]
    push[list(frame.held)] = 0.0
    return _forces(frame, moved + frame.solved(push))


def _turned(frame: Frame) -> tuple[Locked, Locked]:
    """Its pinned ends are each turned by 1 N·m, the left one and the right one."""
    twists = np.zeros((3 * frame.count + 3, 2))
    twists[2, 0] = twists[-1, 1] = 1.0
    left, right = frame.solved(twists).T
    return _forces(frame, left), _forces(frame, right)


def _forces(frame: Frame, moved: Array) -> Locked:
    own = np.einsum("nij,nj->ni", frame.turned, frame.spread(moved[None])[0])
    forces = np.einsum("nij,nj->ni", frame.own_stiff, own)
    return Locked(
        axial=(forces[:, 3] - forces[:, 0]) / 2,
        moment=np.stack([-forces[:, 2], forces[:, 5]], axis=1),
        ends=np.stack([(frame.stiff[0] @ moved[:6])[:3], (frame.stiff[-1] @ moved[-6:])[3:]]),
        turned=moved[[2, -1]],
    )
