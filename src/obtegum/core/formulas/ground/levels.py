"""Levels: from rod readings to the ground, the datum, and every post's top.

A reading is the depth of the ground below the level line of sight (or a level string), so the ground
stands at minus the reading. The datum is one level plane, or one straight fall along the house, that
touches the highest ground on the foot lines; real ground lies at or below it.

Source: ordinary levelling.
"""

from collections.abc import Sequence
from dataclasses import dataclass

__all__ = ["Datum", "Foot", "falling_datum", "level_datum", "turned_falls"]


@dataclass(frozen=True, slots=True)
class Datum:
    """Height of the house's datum over the line of sight at A, m, and its fall per metre toward B (down > 0)."""

    at_a_m: float
    fall: float

    def at(self, station_m: float) -> float:
        """Height at a station, m."""
        return self.at_a_m - self.fall * station_m


@dataclass(frozen=True, slots=True, kw_only=True)
class Foot:
    """One post on the ground as it lies or will lie: heights over the line of sight, m.

    ``natural_m`` is the ground as it grew there; what a pad brings above it is fill, which holds no post yet.
    """

    name: str
    station_m: float
    ground_m: float
    natural_m: float
    top_m: float
    length_m: float

    @property
    def reveal_m(self) -> float:
        """How far the post stands out of the ground, m."""
        return self.top_m - self.ground_m

    @property
    def embedment_m(self) -> float:
        """How far it is in natural ground, m; below zero where it hangs over it."""
        return self.length_m - self.reveal_m - self.fill_m

    @property
    def fill_m(self) -> float:
        """How deep the fill around it is, m."""
        return max(self.ground_m - self.natural_m, 0.0)

    @property
    def top_reading_m(self) -> float:
        """What the rod shows when it stands on the finished top, m; below zero if it's above the sight."""
        return -self.top_m


def level_datum(heights: Sequence[float]) -> Datum:
    """The level plane through the highest ground."""
    return Datum(max(heights), 0.0)


def falling_datum(stations: Sequence[float], heights: Sequence[float]) -> Datum:
    """The straight fall along the house, nowhere below the ground, whose largest gap is the least.

    The gap is convex in the fall, so it is found by narrowing a bracket about it.
    """
    import numpy as np
    from scipy.optimize import minimize_scalar

    x, e = np.array(stations), np.array(heights)
    if float(np.ptp(x)) < 1e-9:
        return level_datum(heights)

    def at_a(fall: float) -> float:
        return float((e + fall * x).max())

    def gap(fall: float) -> float:
        return float((at_a(fall) - fall * x - e).max())

    steepest = float(np.ptp(e)) / float(np.ptp(x)) * 4 + 1e-6
    best = float(minimize_scalar(gap, bounds=(-steepest, steepest), method="bounded", options={"xatol": 1e-10}).x)
    fall = best if gap(best) < gap(0.0) - 1e-6 else 0.0
    return Datum(at_a(fall), fall)


def turned_falls(places: Sequence[tuple[float, float]], heights: Sequence[float]) -> tuple[float, float] | None:
    """Fall of the best plane along and across the house, per metre (down toward B and toward D > 0)."""
    import numpy as np

    if len(places) < 3:
        return None
    ground = np.column_stack([np.ones(len(places)), places])
    fit, _, rank, _ = np.linalg.lstsq(ground, np.array(heights), rcond=None)
    return (-float(fit[1]), -float(fit[2])) if rank == 3 else None
