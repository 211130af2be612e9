"""The curve of a straight pipe that is sprung: the elastica.

From the crown along one half, of length 1: with θ the fall of its direction from level and p = P·ℓ²/(E·I), P the inward
push of the feet on the pipe, θ″ = −p·sin θ. At the crown θ is half the turn of what joins the halves there (0 where the
pipe runs through); at the foot θ = 90° where it is held plumb, θ′ = 0 where it is free to turn. Of ∫cos θ, how far the
foot is out, p follows. Solved on Chebyshev points by Newton's method, step by step from a case that is known: for plumb
feet an arc without push, for free ones a pipe that only just buckles, p = π²/4 (Euler), or one as straight as its
elbow. In place of how far out the foot is, how far down it is can be told, or the one over the other.

Sources: Euler 1744; Love, Mathematical Theory of Elasticity, ch. XIX; Trefethen, Spectral Methods in MATLAB, ch. 6, 12.
"""

import math
from dataclasses import dataclass
from functools import cache, cached_property, lru_cache
from typing import Literal

import numpy as np
from numpy.polynomial import chebyshev
from numpy.typing import NDArray

__all__ = ["Aim", "Curve", "Foot", "NoCurveError", "half_curve"]

Array = NDArray[np.float64]
Foot = Literal["plumb", "free"]
# What is told of the foot: a, b and c of a·out + b·down = c.
Aim = tuple[float, float, float]

POINTS = 32
CLOSE, MOST_TURNS = 1e-11, 25
# How much further out a foot is taken at once, and the least step before it is given up.
STRIDE, LEAST_STRIDE = 0.12, 1e-4
# How far out, of its length, the foot of a free pipe is where it only just bends.
BARELY = 0.9


class NoCurveError(ValueError):
    """No pipe stands so."""


@dataclass(frozen=True)
class Curve:
    """Half a sprung pipe of length 1: θ by its Chebyshev coefficients, from the crown (0) to the foot (1), and p."""

    theta: tuple[float, ...]
    push: float

    @cached_property
    def foot(self) -> tuple[float, float]:
        """How far out and how far down from the crown its foot is."""
        out, down = self.places(np.array([1.0]))
        return float(out[0]), float(down[0])

    def angle(self, s: Array) -> Array:
        """(n,): θ, fall of the direction from level at ``s`` (n,) of the half, rad."""
        return np.asarray(chebyshev.chebval(1 - 2 * s, self.theta), dtype=float)

    def curvature(self, s: Array) -> Array:
        """(n,): θ′, turn a length of one half at ``s`` (n,) of it, rad."""
        return np.asarray(chebyshev.chebval(1 - 2 * s, chebyshev.chebder(self.theta)), dtype=float) * -2.0

    def places(self, s: Array) -> tuple[Array, Array]:
        """(n,) each: how far out and how far down from the crown at ``s`` (n,) of the half, as shares of its length."""
        at, fitted = _fitted(2 * POINTS)
        angle, found = self.angle(at), list[Array]()
        for each in (np.cos(angle), np.sin(angle)):
            whole = chebyshev.chebint(fitted @ each)
            found.append(np.asarray((chebyshev.chebval(1.0, whole) - chebyshev.chebval(1 - 2 * s, whole)) / 2))
        return found[0], found[1]


@cache
def _fitted(degree: int) -> tuple[Array, Array]:
    """Places from crown to foot, and what makes Chebyshev coefficients of values there."""
    t = np.cos(np.pi * np.arange(degree + 1) / degree)
    return (1 - t) / 2, np.asarray(np.linalg.inv(chebyshev.chebvander(t, degree)))


@cache
def _points() -> tuple[Array, Array, Array, Array]:
    """Places from crown to foot, first and second derivative on them, and weights that integrate."""
    place = np.arange(POINTS + 1)
    t = np.cos(np.pi * place / POINTS)
    ends = np.where((place == 0) | (place == POINTS), 2.0, 1.0) * (-1.0) ** place
    apart = t[:, None] - t[None, :]
    first = np.outer(ends, 1 / ends) / (apart + np.eye(POINTS + 1))
    first -= np.diag(first.sum(axis=1))
    # s = (1 − t)/2, so that d/ds = −2·d/dt.
    first *= -2.0
    moments = np.array([0.0 if n % 2 else 2.0 / (1 - n * n) for n in range(POINTS + 1)])
    weights = np.linalg.solve(chebyshev.chebvander(t, POINTS).T, moments) / 2
    return (1 - t) / 2, first, first @ first, weights


def _newton(theta: Array, push: float, crown_rad: float, foot: Foot, aim: Aim) -> tuple[Array, float] | None:
    _, first, second, weights = _points()
    stiff, wrong = np.zeros((POINTS + 2, POINTS + 2)), np.empty(POINTS + 2)
    for _ in range(MOST_TURNS):
        sine, cosine = np.sin(theta), np.cos(theta)
        wrong[:-1] = second @ theta + push * sine
        stiff[:-1, :-1] = second
        stiff[np.arange(POINTS + 1), np.arange(POINTS + 1)] += push * cosine
        stiff[:-1, -1] = sine
        wrong[0], stiff[0] = theta[0] - crown_rad, 0.0
        stiff[0, 0] = 1.0
        stiff[POINTS] = 0.0
        if foot == "plumb":
            wrong[POINTS], stiff[POINTS, POINTS] = theta[-1] - math.pi / 2, 1.0
        else:
            wrong[POINTS], stiff[POINTS, :-1] = first[-1] @ theta, first[-1]
        wrong[-1] = weights @ (aim[0] * cosine + aim[1] * sine) - aim[2]
        stiff[-1, :-1], stiff[-1, -1] = weights * (aim[1] * cosine - aim[0] * sine), 0.0
        try:
            step = np.linalg.solve(stiff, -wrong)
        except np.linalg.LinAlgError:
            return None
        theta, push = theta + step[:-1], push + float(step[-1])
        if not np.isfinite(push) or np.abs(theta).max() > 2 * math.pi:
            return None
        if np.abs(step).max() < CLOSE * max(1.0, abs(push)):
            return theta, push
    return None


def _begin(crown_rad: float, foot: Foot, barely: float) -> tuple[Array, float]:
    """A case that is known: θ and p. Raises: NoCurveError."""
    s, _, _, _ = _points()
    if foot == "plumb":
        return crown_rad + (math.pi / 2 - crown_rad) * s, 0.0
    if crown_rad > 0:
        return np.full(POINTS + 1, crown_rad), 0.0
    # ∫cos θ of θ = A·sin(πs/2) is nearly 1 − A²/4.
    bent = 2 * math.sqrt(1 - barely) * np.sin(np.pi * s / 2)
    started = _newton(bent, math.pi**2 / 4, crown_rad, foot, (1.0, 0.0, barely))
    if started is None:
        raise NoCurveError("no pipe stands so")
    return started


@lru_cache(maxsize=4096)
def half_curve(crown_rad: float, foot: Foot, aim: Aim) -> Curve:
    """Half a pipe of length 1 whose foot is so far out and down from its crown that a·out + b·down = c.

    Args: ``crown_rad`` ≥ 0 is the direction in which it leaves the crown, below level.
    Raises: NoCurveError where none is found.
    """
    across, down, goal = aim
    _, _, _, weights = _points()
    # A free pipe that is nearly straight is begun from where it is told to be: its push hardly changes there.
    barely = goal if down == 0 and BARELY < goal < 1 else BARELY
    theta, push = _begin(crown_rad, foot, barely)
    at = float(weights @ (across * np.cos(theta) + down * np.sin(theta)))
    stride = STRIDE
    while at != goal:
        toward = goal if abs(goal - at) <= stride else at + math.copysign(stride, goal - at)
        found = _newton(theta, push, crown_rad, foot, (across, down, toward))
        if found is None:
            stride /= 2
            if stride < LEAST_STRIDE:
                raise NoCurveError("no pipe stands so")
            continue
        (theta, push), at = found, toward
    return Curve(tuple(float(each) for each in _fitted(POINTS)[1] @ theta), push)
