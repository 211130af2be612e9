"""Wind on the end walls of a house, which pushes it along: what both ends and the skin between them take."""

from itertools import pairwise

from obtegum.core.formulas.weather.pressure import Worked

__all__ = ["eu_ends", "us_ends"]

# ASCE 7-16, figure 27.3-1, walls: windward, and leeward by length over width; 27.1.5: the least on walls, Pa.
WINDWARD, LEEWARD, GUST, LEAST_PA = 0.8, ((1.0, -0.5), (2.0, -0.3), (4.0, -0.2)), 0.85, 770.0
# Of the strength-level wind in allowable combinations, ASCE 7-16, 2.4.1.
ALLOWED = 0.6
# EN 1991-1-4, table 7.1, walls D and E by height over length; table 7.10: what a skin in ripples rubs by.
D_WALL, E_WALL, RUBS = ((0.25, 0.7), (1.0, 0.8)), ((0.25, -0.3), (1.0, -0.5), (5.0, -0.7)), 0.04


def _between(points: tuple[tuple[float, float], ...], at: float) -> float:
    """A value read off a line of points, level beyond both ends."""
    if at <= points[0][0]:
        return points[0][1]
    for (x0, y0), (x1, y1) in pairwise(points):
        if at <= x1:
            return y0 + (y1 - y0) * (at - x0) / (x1 - x0)
    return points[-1][1]


def us_ends(q_pa: float, end_m2: float, long_m: float, wide_m: float) -> tuple[float, list[Worked]]:
    """Push along the house by ASCE 7-16, allowable: 0.6·q·G·(0.8 + |Cp|)·A, no less than 0.6·770 Pa·A; N."""
    lee = _between(LEEWARD, long_m / wide_m)
    push = max(q_pa * GUST * (WINDWARD - lee), LEAST_PA) * end_m2
    sheet = [
        Worked("Cp,e", "end walls, windward less leeward", "ASCE 7-16, figure 27.3-1", WINDWARD - lee),
        Worked("F", "wind along on both ends, 0.6·q·G·Cp·A", "2.4.1, 27.3.1, 27.1.5", ALLOWED * push),
    ]
    return ALLOWED * push, sheet


def eu_ends(
    q_pa: float, end_m2: float, long_m: float, wide_m: float, high_m: float, girth_m: float
) -> tuple[float, list[Worked]]:
    """Push along the house by EN 1991-1-4, characteristic: qp·(D + |E|)·A and what rubs along the skin; N."""
    ratio = high_m / long_m
    both = _between(D_WALL, ratio) - _between(E_WALL, ratio)
    from_m = min(2 * wide_m, 4 * high_m)
    # 5.3(4): nothing where the surface along the wind is no more than four times that across it.
    rubs = RUBS * q_pa * girth_m * max(long_m - from_m, 0.0) if girth_m * long_m > 4 * 2 * end_m2 else 0.0
    push = q_pa * both * end_m2 + rubs
    sheet = [
        Worked("cpe,e", "end walls, D and E", "EN 1991-1-4, table 7.1", both),
        Worked("F", "wind along on both ends and the skin", "5.3, 7.5", push),
    ]
    return push, sheet
