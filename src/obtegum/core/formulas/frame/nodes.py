"""Where a bow is cut into elements: at every place that makes a difference, and evenly between these.

Source: this bench; a finer mesh where the bow turns.
"""

import math
from collections.abc import Iterable
from itertools import pairwise

import numpy as np
from numpy.typing import NDArray

__all__ = ["NEAR_M", "PIECES", "Interpolated", "divided", "leaning", "meeting"]

# Places as close as this are one, m; loads are told on so many pieces of each element.
NEAR_M, PIECES = 0.004, 4
Interpolated = tuple[tuple[float, ...], tuple[float, ...]]


def meeting(s_m: NDArray[np.float64], places: tuple[tuple[float, float], ...]) -> NDArray[np.bool_]:
    """(n + 1,): which nodes along the bow lie within stretches of it, m; of one that ends between two nodes both."""
    weak = np.zeros(len(s_m), dtype=bool)
    for low, high in places:
        weak |= (s_m >= low - NEAR_M) & (s_m <= high + NEAR_M)
        for at_m in (low, high):
            if np.abs(s_m - at_m).min() > NEAR_M:
                beside = int(np.searchsorted(s_m, at_m))
                weak[max(beside - 1, 0)] = weak[min(beside, len(s_m) - 1)] = True
    return weak


def divided(
    low: float, high: float, places: Iterable[float], pieces: int, grown: Interpolated | None = None
) -> NDArray[np.float64]:
    """(k,): places from low to high, m, with all of those between them, earlier ones first where two are as good as
    one, and between these as many as make no piece longer than if there were so many alike, by what has ``grown``
    until there if told."""
    kept = [low, high]
    for place in places:
        if low < place < high and min(abs(place - other) for other in kept) > NEAR_M:
            kept.append(place)
    at = np.array(sorted(kept))
    told = at if grown is None else np.interp(at, *grown)
    each = (told[-1] - told[0]) / pieces
    parts = [
        np.linspace(one, two, max(math.ceil((two - one) / each - 1e-9), 1) + 1)[1:-1] for one, two in pairwise(told)
    ]
    between = np.concatenate(parts)
    return np.sort(np.concatenate([at, between if grown is None else np.interp(between, grown[1], grown[0])]))


def leaning(points: NDArray[np.float64]) -> NDArray[np.float64]:
    """(n, 2): by how much the curve is turned against each element at its ends, rad: its outermost pieces show all but
    one in so many of it."""
    step = np.diff(points, axis=0)
    heading = np.arctan2(step[:, 1], step[:, 0])
    whole = points[PIECES::PIECES] - points[:-1:PIECES]
    ends = np.stack([heading[::PIECES], heading[PIECES - 1 :: PIECES]], axis=1)
    turned = ends - np.arctan2(whole[:, 1], whole[:, 0])[:, None]
    return np.asarray(((turned + np.pi) % (2 * np.pi) - np.pi) * PIECES / (PIECES - 1))
