"""Levels: from rod readings to the ground, the datum, every post's top, and readings that look wrong.

A reading is the depth of the ground below the level line of sight (or a level string), so the ground
stands at minus the reading. The datum is one level plane, or one straight fall along the house, that
touches the highest ground on the foot lines; real ground lies at or below it.
"""

import math
from collections.abc import Mapping, Sequence
from dataclasses import dataclass

from obtegum.core.quantity import FOOT_M

__all__ = ["Datum", "Foot", "Suspect", "falling_datum", "level_datum", "suspects", "turned_falls"]

SCALE = 1.4826
SLIPS = ((1.0, "a metre"), (FOOT_M, "a foot"), (0.1, "ten centimetres"), (0.0254, "an inch"))


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
    """One post on the ground as it lies or will lie: heights over the line of sight, m."""

    name: str
    station_m: float
    ground_m: float
    top_m: float
    length_m: float

    @property
    def reveal_m(self) -> float:
        """How far the post stands out of the ground, m."""
        return self.top_m - self.ground_m

    @property
    def embedment_m(self) -> float:
        """How far it is in the ground, m."""
        return self.length_m - self.reveal_m

    @property
    def top_reading_m(self) -> float:
        """What the rod shows when it stands on the finished top, m; below zero if it's above the sight."""
        return -self.top_m


@dataclass(frozen=True, slots=True)
class Suspect:
    """A reading that looks wrong, by how much it is too high on the rod, and the slip that it looks like."""

    name: str
    off_m: float
    what: str


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


def suspects(
    readings: Mapping[str, float], places: Mapping[str, tuple[float, float]], error_m: float
) -> tuple[list[Suspect], Suspect | None]:
    """Readings that don't fit their neighbours, worst first; and a rod that slipped part of the way through.

    A peg is compared with the straight line through its neighbours on its side; the worst is set
    aside and the rest compared again. A rod whose joint slips, or a level that is knocked, shows as
    one step in all readings from some peg on: ``name`` is the first peg after it.

    Args: readings in the order they were taken, m; each peg's place along and across, m.
    """
    found = [each for side in ("L", "R") for each in _odd(readings, places, side, error_m)]
    # One odd reading is odd by itself; a step in time throws several off the line of their neighbours.
    slipped = _slipped(readings, places, error_m) if len(found) > 1 else None
    if slipped is not None:
        return [], slipped
    return sorted(found, key=lambda each: -abs(each.off_m)), None


Kept = list[tuple[float, float, str]]


def _odd(
    readings: Mapping[str, float], places: Mapping[str, tuple[float, float]], side: str, error_m: float
) -> list[Suspect]:
    """Readings of one side that are off the line of their neighbours, set aside one by one."""
    found: list[Suspect] = []
    kept = sorted((places[name][0], reading, name) for name, reading in readings.items() if name[0] == side)
    while len(kept) >= 5:
        off = [_off(kept, place) for place in range(len(kept))]
        largest = sorted(range(len(kept)), key=lambda place: -abs(off[place]))[:3]
        # The odd one is the one without which the others fit best.
        worst = min((_misfit(_without(kept, place)), place) for place in largest)[1]
        others = sorted(abs(each) for place, each in enumerate(off) if abs(place - worst) > 1)
        usual = others[len(others) // 2] * SCALE if others else 0.0
        if abs(off[worst]) <= max(5 * usual, 10 * error_m):
            break
        at_end = worst in (0, len(kept) - 1)
        off_m = off[worst] * (2 if at_end else 1)
        found.append(Suspect(kept[worst][2], off_m, _like(off_m, usual + 3 * error_m)))
        kept = _without(kept, worst)
    return found


def _without(kept: Kept, place: int) -> Kept:
    return kept[:place] + kept[place + 1 :]


def _misfit(kept: Kept) -> float:
    return sum(_off(kept, place) ** 2 for place in range(len(kept)))


def _off(kept: Kept, place: int) -> float:
    """How far a reading is from the line through its neighbours; at an end, half of how far from the next two's.

    At an end the line is carried on and carries the unevenness of two neighbours with it.
    """
    inside = 0 < place < len(kept) - 1
    one, other = (place - 1, place + 1) if inside else ((1, 2) if place == 0 else (-2, -3))
    (x0, r0, _), (x1, r1, _), (x, r, _) = kept[one], kept[other], kept[place]
    across = r0 + (r1 - r0) * (x - x0) / (x1 - x0)
    return (r - across) if inside else (r - across) / 2


def _like(off_m: float, play_m: float) -> str:
    near = [(abs(abs(off_m) - size), word) for size, word in SLIPS if abs(abs(off_m) - size) <= min(play_m, size / 4)]
    return min(near)[1] if near else ""


def _slipped(
    readings: Mapping[str, float], places: Mapping[str, tuple[float, float]], error_m: float
) -> Suspect | None:
    """One step in time that explains the readings, over a plane: least squares for every place of the step."""
    import numpy as np

    names, least = list(readings), 4
    if len(names) < 3 * least:
        return None
    values = np.array([readings[name] for name in names])
    ground = np.column_stack([np.ones(len(names)), [places[name] for name in names]])
    basis = np.linalg.qr(ground)[0]
    steps = np.tril(np.ones((len(names), len(names))))[:, least : len(names) - least + 1]
    steps = steps - basis @ (basis.T @ steps)
    rest = values - basis @ (basis.T @ values)
    power = (steps**2).sum(axis=0)
    usable = power > 0.05
    if not bool(usable.any()):
        return None
    gain = np.where(usable, (steps.T @ rest) ** 2 / np.where(usable, power, 1.0), 0.0)
    best = int(np.argmax(gain))
    size = float(steps[:, best] @ rest / power[best])
    left = max(float(rest @ rest - gain[best]), len(names) * error_m**2)
    if abs(size) < 12 * error_m or float(rest @ rest) < 8 * left:
        return None
    spread = math.sqrt(left / len(names))
    return Suspect(names[best + least], size, _like(size, spread + 3 * error_m))


def turned_falls(places: Sequence[tuple[float, float]], heights: Sequence[float]) -> tuple[float, float] | None:
    """Fall of the best plane along and across the house, per metre (down toward B and toward D > 0)."""
    import numpy as np

    if len(places) < 3:
        return None
    ground = np.column_stack([np.ones(len(places)), places])
    fit, _, rank, _ = np.linalg.lstsq(ground, np.array(heights), rcond=None)
    return (-float(fit[1]), -float(fit[2])) if rank == 3 else None
