"""Straight beams under loads across them: on two ends, and over many supports by the equation of three moments.

Source: Clapeyron’s equation of three moments; simple beams by statics.
"""

from collections.abc import Sequence
from itertools import pairwise

import numpy as np

__all__ = ["beam_moment", "continuous"]

# A load, where it is from the left end, m, and what it is, N.
PointLoad = tuple[float, float]


def beam_moment(long_m: float, spread_n_m: float, points: Sequence[PointLoad], at_m: float) -> float:
    """Moment of a beam on two ends under a load spread over it and points, N·m, at a place."""
    found = spread_n_m * at_m * (long_m - at_m) / 2
    for x, load in points:
        found += load * (at_m * (long_m - x) if at_m <= x else x * (long_m - at_m)) / long_m
    return found


def continuous(held_m: Sequence[float], loads: Sequence[PointLoad]) -> float:
    """The largest moment, N·m, of a beam over supports, free to turn at its ends, alike all along, under points.

    Clapeyron: M₁·L₁ + 2·M₂·(L₁ + L₂) + M₃·L₂ = −ΣP·a·(L₁² − a²)/L₁ − ΣP·b·(L₂² − b²)/L₂, a from the left support
    of the left span, b from the right one of the right span.
    """
    spans = list(pairwise(held_m))
    inside = [[(x - low, load) for x, load in loads if low < x < high] for low, high in spans]
    long = [high - low for low, high in spans]
    many = len(held_m)
    matrix, right = np.eye(many), np.zeros(many)
    for at in range(1, many - 1):
        one, other = long[at - 1], long[at]
        matrix[at, at - 1 : at + 2] = one, 2 * (one + other), other
        right[at] = -sum(load * x * (one**2 - x**2) / one for x, load in inside[at - 1])
        right[at] -= sum(load * (other - x) * (other**2 - (other - x) ** 2) / other for x, load in inside[at])
    moments = np.linalg.solve(matrix, right)
    most = float(np.abs(moments).max(initial=0.0))
    for at, points in enumerate(inside):
        for x, _ in points:
            share = x / long[at]
            support = moments[at] * (1 - share) + moments[at + 1] * share
            most = max(most, abs(beam_moment(long[at], 0.0, points, x) + float(support)))
    return most
