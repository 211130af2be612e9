"""A frame that stands out of plumb, and the straps that pull it true.

Bows that runs tie are springs in a row: each stands against being leaned by a stiffness of its own, k, and moves its
neighbours through the runs, r. Held at some of them, the rest take the places of least energy (K = k·I + r·L, L the
chain's Laplacian). What is known on site is how much of a pull the next bow follows: a = 1 + q/2 − √(q + q²/4) with
q = k/r, the decay along a long chain, so q = (1 − a)²/a. Source: any text on springs in a row.
"""

from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

__all__ = ["Pull", "chain", "followed", "pulls"]

Array = NDArray[np.float64]
MOST_STRAPS = 60


@dataclass(frozen=True, slots=True)
class Pull:
    """One strap, in the order of pulling: the bow by its place, how far it is pulled, m, forward along the house where
    positive, and how far the one that is furthest out is then."""

    bow: int
    by_m: float
    left_m: float


def chain(count: int, follows: float) -> Array:
    """Stiffness of so many bows in a row, of which each next one follows a pull by a share: K over r, (n, n)."""
    q = (1 - follows) ** 2 / follows
    lap = np.zeros((count, count))
    at = np.arange(count - 1)
    lap[at, at] += 1
    lap[at + 1, at + 1] += 1
    lap[at, at + 1] = lap[at + 1, at] = -1
    return np.asarray(q * np.eye(count) + lap)


def followed(stiff: Array, held: list[int], by_m: Array) -> Array:
    """(n,): how far every bow moves, m, as those that are ``held`` are moved by so much, (k,) m, with the chain's
    stiffness ``stiff`` (n, n) of `chain`."""
    free = [place for place in range(len(stiff)) if place not in held]
    moved = np.zeros(len(stiff))
    moved[held] = by_m
    if free:
        moved[free] = np.linalg.solve(stiff[np.ix_(free, free)], -stiff[np.ix_(free, held)] @ by_m)
    return moved


def pulls(out_m: Array, follows: float, within_m: float) -> list[Pull]:
    """Straps that bring every bow within so much of plumb, of how far each is out, (n,) m: the worst one first, each
    strap left tight while the next is pulled. ``follows`` is the share of a pull by which the next bow moves too."""
    stiff, held, found = chain(len(out_m), follows), list[int](), list[Pull]()
    now = out_m.copy()
    while np.abs(now).max(initial=0.0) > within_m and len(found) < min(MOST_STRAPS, len(out_m)):
        worst = int(np.abs(now).argmax())
        before = float(now[worst])
        held.append(worst)
        now = out_m + followed(stiff, held, -out_m[held])
        found.append(Pull(worst, -before, float(np.abs(now).max())))
    return found
