"""Bows measured on the floor: accept, bend again and by how much, and which ones to stand side by side.

A bow's tube is as long as planned, so one that is too wide was bent too little: the share of the planned
curvature that gives its width says how much. What the quarters differ by says that it leans to a side.
"""

import math
from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass

from obtegum.core.documents.check_bows import BowCheck
from obtegum.core.formulas.bows.as_bent import as_bent
from obtegum.core.formulas.profile import Chain

__all__ = ["Judged", "judge_bow", "kept_for_width", "quarter_height", "standing_order"]

LEAST_KEPT, MOST_KEPT = 0.6, 1.5


@dataclass(frozen=True, slots=True)
class Judged:
    """One bow: how far off it is at worst, m, and in which measure.

    ``kept`` is its curvature as a share of the plan's, ``wanted`` the share that would make the width wanted.
    """

    bow: int
    off_m: float
    worst: str
    kept: float | None
    wanted: float | None


def quarter_height(bow: Chain, span_m: float) -> float:
    """Height of the centre line a quarter of the width in, m."""
    found = bow.at_x(-span_m / 4)
    return bow.point(found[0])[1]


def kept_for_width(planned: Chain, straight: Sequence[tuple[float, float]], width_m: float) -> float | None:
    """Share of the planned curvature that makes a bow this wide; None where no bend does.

    The width falls as the bends close, so the share is found by narrowing a bracket.
    """
    from scipy.optimize import brentq

    def over(kept: float) -> float:
        return as_bent(planned, straight, kept).span_m - width_m

    if over(LEAST_KEPT) * over(MOST_KEPT) > 0:
        return None
    return float(brentq(over, LEAST_KEPT, MOST_KEPT, xtol=1e-7))


def judge_bow(
    number: int,
    check: BowCheck,
    span_m: float,
    height_m: float,
    quarter_m: float,
    share: Callable[[float], float | None] | None,
) -> Judged:
    """A bow against the plan, by its worst measure; heights to the tube's centre.

    ``share`` says which share of the planned curvature makes a width, m; None for sprung pipe, which isn't bent
    at all.
    """
    wanted = {"width": span_m, "height": height_m, "left": quarter_m, "right": quarter_m, "twist": 0.0}
    off = {name: abs(value - wanted[name]) for name in wanted if (value := getattr(check, f"{name}_m")) is not None}
    worst = max(off, key=lambda name: off[name])
    kept = None if check.width_m is None or share is None else share(check.width_m)
    return Judged(number, off[worst], worst, kept, None if kept is None or share is None else share(span_m))


def standing_order(checks: Mapping[int, BowCheck]) -> list[int]:
    """Bows from the narrowest to the widest: stood so, neighbours differ least."""
    measured = [number for number, check in checks.items() if check.width_m is not None]
    return sorted(measured, key=lambda number: (checks[number].width_m or math.inf, number))
