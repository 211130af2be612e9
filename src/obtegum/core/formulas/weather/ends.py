"""Wind on the end walls of a house, which pushes it along: what both ends and the skin between them take."""

from dataclasses import dataclass
from itertools import pairwise

from obtegum.core.formulas.weather.asce_wind import GUST, LEAST_WALL_PA
from obtegum.core.formulas.weather.factors import ASCE
from obtegum.core.formulas.weather.pressure import Worked

__all__ = ["Shell", "eu_ends", "us_ends"]

# ASCE 7-16, figure 27.3-1, walls: windward, and leeward by length over width.
WINDWARD, LEEWARD = 0.8, ((1.0, -0.5), (2.0, -0.3), (4.0, -0.2))
# EN 1991-1-4, table 7.1, walls D and E by height over length; table 7.10: what a skin in ripples rubs by.
D_WALL, E_WALL, RUBS = ((0.25, 0.7), (1.0, 0.8)), ((0.25, -0.3), (1.0, -0.5), (5.0, -0.7)), 0.04


@dataclass(frozen=True, slots=True)
class Shell:
    """A house as wind along it finds it: area of an end, m², length, width and height, m, and girth of its skin, m."""

    end_m2: float
    long_m: float
    wide_m: float
    high_m: float
    girth_m: float


def _between(points: tuple[tuple[float, float], ...], at: float) -> float:
    """A value read off a line of points, level beyond both ends."""
    if at <= points[0][0]:
        return points[0][1]
    for (x0, y0), (x1, y1) in pairwise(points):
        if at <= x1:
            return y0 + (y1 - y0) * (at - x0) / (x1 - x0)
    return points[-1][1]


def us_ends(q_pa: float, shell: Shell) -> tuple[float, list[Worked]]:
    """Push along the house by ASCE 7-16, allowable: 0.6·q·G·(0.8 + |Cp|)·A, no less than 0.6·770 Pa·A; N."""
    lee = _between(LEEWARD, shell.long_m / shell.wide_m)
    push = ASCE.wind * (max(q_pa * GUST * (WINDWARD - lee), LEAST_WALL_PA) * shell.end_m2)
    sheet = [
        Worked("Cp,e", "end walls, windward less leeward", "ASCE 7-16, figure 27.3-1", WINDWARD - lee),
        Worked("F", "wind along on both ends, 0.6·q·G·Cp·A", "2.4.1, 27.3.1, 27.1.5", push),
    ]
    return push, sheet


def eu_ends(q_pa: float, shell: Shell) -> tuple[float, list[Worked]]:
    """Push along the house by EN 1991-1-4, characteristic: qp·(D + |E|)·A and what rubs along the skin; N."""
    ratio = shell.high_m / shell.long_m
    both = _between(D_WALL, ratio) - _between(E_WALL, ratio)
    from_m = min(2 * shell.wide_m, 4 * shell.high_m)
    # 5.3(4): nothing where the surface along the wind is no more than four times that across it.
    rubbed = shell.girth_m * shell.long_m > 4 * 2 * shell.end_m2
    rubs = RUBS * q_pa * shell.girth_m * max(shell.long_m - from_m, 0.0) if rubbed else 0.0
    push = q_pa * both * shell.end_m2 + rubs
    sheet = [
        Worked("cpe,e", "end walls, D and E", "EN 1991-1-4, table 7.1", both),
        Worked("F", "wind along on both ends and the skin", "5.3, 7.5", push),
    ]
    return push, sheet
