"""Figures of sprung pipe: its curve found three ways, beside a general solver of boundary value problems."""

import math
import statistics
import time
from collections.abc import Callable

import numpy as np
from scipy.integrate import solve_bvp

from frame import Row
from obtegum.core.formulas.profile.elastica import half_curve
from obtegum.core.formulas.profile.sprung import pipe_for_rise, span_for_rise, sprung_pipe

__all__ = ["sprung_rows"]

# Pipes over 3 m, m: too short to stand plumb, nearly half a circle, tall.
PIPES = (4.1, 4.7, 5.6, 6.4)


def _ms(action: Callable[[float], object]) -> float:
    times = []
    for turn in range(12):
        for pipe in PIPES:
            half_curve.cache_clear()
            sprung_pipe.cache_clear()
            start = time.perf_counter()
            action(pipe + 0.001 * turn)
            times.append((time.perf_counter() - start) * 1000)
    return statistics.median(times)


def _library(pipe: float) -> object:
    """The same half by `scipy.integrate.solve_bvp`, begun from an arc."""
    half = pipe / 2

    def turn(s: np.ndarray, y: np.ndarray, p: np.ndarray) -> np.ndarray:
        return np.vstack([y[1], -p[0] * np.sin(y[0]), np.cos(y[0])])

    def ends(a: np.ndarray, b: np.ndarray, p: np.ndarray) -> np.ndarray:
        return np.array([a[0], a[2], b[0] - math.pi / 2, b[2] - 1.5])

    s = np.linspace(0.0, half, 30)
    begun = np.vstack([s / half * math.pi / 2, np.full_like(s, math.pi / 2 / half), s / half * 1.5])
    return solve_bvp(turn, ends, s, begun, p=[0.0], tol=1e-8)


def sprung_rows() -> list[Row]:
    """Each as (what, ms, budget, unit)."""
    rise = {pipe: sprung_pipe(3.0, pipe).rise_m for pipe in PIPES}
    near = lambda pipe: rise[min(PIPES, key=lambda each: abs(each - pipe))]  # noqa: E731
    laid = _ms(lambda pipe: sprung_pipe(3.0, pipe).laid(0.5))
    return [
        ("sprung pipe: height from length, curve and arcs", laid, 10, "ms"),
        ("length from height", _ms(lambda pipe: pipe_for_rise(3.0, near(pipe))), 10, "ms"),
        ("width from both", _ms(lambda pipe: span_for_rise(pipe, near(pipe))), 10, "ms"),
        ("the same curve by a general solver", _ms(_library), 10, "ms"),
    ]
