"""Air through the ends: the free area of what opens, against the floor; what a fan wants; what open ends are to wind.

Free shares are stand-ins but for ways (ASABE EP406 for the fan's air, ASCE 7-16, 26.2 for which ends count as open).
"""

from dataclasses import dataclass

from obtegum.core.documents.ends import SIDES, WALKED, Side
from obtegum.core.findings.kept import found
from obtegum.core.findings.skeleton.openings import opened
from obtegum.core.findings.skeleton.outline import end_bow, end_of
from obtegum.core.findings.work import Work

__all__ = ["FREE", "RULE_SHARE", "Air", "air_of", "end_area_m2"]

# What of an opening air goes through when it is open: a flap at 45°, a window at a right angle, blades (data).
FREE = {"flap": 0.5, "window": 1.0, "louvre": 0.6, "intake": 0.6, "fan": 0.0}
# Rule of thumb for sides and ends together, of the floor (data of the trade, no source of its own).
RULE_SHARE = 0.2
# EP406: air for each m² of floor at sea level, m³/s; the fastest that it should come in at, m/s.
AIR_M3_S_M2, FASTEST_MPS = 0.0406, 3.5
# ASCE 7-16, 26.2: partially enclosed, where nothing else opens: more than this, m², or this share of the wall.
LEAST_M2, OF_WALL = 0.37, 0.01


@dataclass(frozen=True, slots=True)
class Air:
    """Free area of each end, of the floor, m²; whether one end open is a bag to the wind; a fan's air, m³/s, and the
    free area that it wants to come in by, m²; None where there is no fan."""

    free_m2: dict[Side, float]
    floor_m2: float
    bag: dict[Side, bool]
    fan: Side | None
    fan_m3_s: float
    wants_m2: float
    has_m2: float

    @property
    def share(self) -> float:
        """Both ends' free area, of the floor."""
        return sum(self.free_m2.values()) / self.floor_m2


def end_area_m2(work: Work, side: Side) -> float:
    """Area of an end wall up to the bow's centre line, m²."""
    return end_bow(work, side).under_m2


def _free(work: Work, side: Side) -> float:
    if end_of(work, side).kind == "open":
        return end_area_m2(work, side)
    return sum(
        each.wide_m * each.high_m * (1.0 if each.what in WALKED else FREE[each.what]) for each in opened(work, side)
    )


@found
def air_of(work: Work) -> Air:
    """What opens at both ends; sides that roll up come with the skin."""
    size = work.design.size
    free: dict[Side, float] = {side: _free(work, side) for side in SIDES}
    floor = size.span_m * size.length_m
    # With all else shut, as little as this makes a bag of the house.
    bag: dict[Side, bool] = {side: free[side] > min(LEAST_M2, OF_WALL * end_area_m2(work, side)) for side in SIDES}
    fan = next((side for side in SIDES if any(each.what == "fan" for each in opened(work, side))), None)
    wants = has = moves = 0.0
    if fan is not None:
        moves = AIR_M3_S_M2 * floor
        wants = moves / FASTEST_MPS
        other: Side = "back" if fan == "front" else "front"
        has = sum(
            each.wide_m * each.high_m * FREE["intake"]
            for each in opened(work, other)
            if each.what in ("intake", "louvre")
        )
        if end_of(work, other).kind == "open":
            has = free[other]
    return Air(free, floor, bag, fan, moves, wants, has)
