"""Rod readings that look wrong: a peg or spot off its neighbours, a rod that slipped part of the way through.

Source: this bench; robust residuals against a surface through the neighbours.
"""

import math
from collections.abc import Sequence
from dataclasses import dataclass
from functools import lru_cache
from typing import TYPE_CHECKING, Any

from obtegum.core.values.quantity import FOOT_M

if TYPE_CHECKING:
    from numpy.typing import NDArray

__all__ = ["Suspect", "odd_spots", "suspects"]

SCALE = 1.4826
SLIPS = ((1.0, "a metre"), (FOOT_M, "a foot"), (0.1, "ten centimetres"), (0.0254, "an inch"))
# A spot is compared with the plane through this many places near it, the oddest of them set aside.
NEAR = 8
# A spot is odd from so many usual deviations on; so many are looked for.
FAR = 6.0
MOST_ODD = 12
# Fewer places than this say nothing of each other.
FEWEST = 12


@dataclass(frozen=True, slots=True)
class Suspect:
    """A reading that looks wrong, by how much it is too high on the rod, and the slip that it looks like."""

    name: str
    off_m: float
    what: str


# A peg by name, its place along and across, and its rod reading, m.
Read = tuple[str, float, float, float]


@lru_cache(maxsize=8)
def suspects(read: tuple[Read, ...], error_m: float) -> tuple[tuple[Suspect, ...], Suspect | None]:
    """Readings that don't fit their neighbours, worst first; and a rod that slipped part of the way through.

    A peg is compared with the straight line through its neighbours on its side; the worst is set
    aside and the rest compared again. A rod whose joint slips, or a level that is knocked, shows as
    one step in all readings from some peg on: ``name`` is the first peg after it.

    Args: pegs in the order they were read; standard error of a reading, m.
    """
    found = [each for side in ("L", "R") for each in _odd(read, side, error_m)]
    # One odd reading is odd by itself; a step in time throws several off the line of their neighbours.
    slipped = _slipped(read, error_m) if len(found) > 1 else None
    if slipped is not None:
        return (), slipped
    return tuple(sorted(found, key=lambda each: -abs(each.off_m))), None


Kept = list[tuple[float, float, str]]


def _odd(read: Sequence[Read], side: str, error_m: float) -> list[Suspect]:
    """Readings of one side that are off the line of their neighbours, set aside one by one."""
    found: list[Suspect] = []
    kept = sorted((along, reading, name) for name, along, _, reading in read if name[0] == side)
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


def _slipped(read: Sequence[Read], error_m: float) -> Suspect | None:
    """One step in time that explains the readings, over a plane: least squares for every place of the step."""
    import numpy as np

    names, least = [name for name, *_ in read], 4
    if len(names) < 3 * least:
        return None
    values = np.array([reading for *_, reading in read])
    ground = np.column_stack([np.ones(len(names)), [(along, across) for _, along, across, _ in read]])
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


Place = tuple[float, float, float]


@lru_cache(maxsize=8)
def odd_spots(spots: tuple[Place, ...], others: tuple[Place, ...], error_m: float) -> tuple[Suspect, ...]:
    """Spots that are off the plane through the places near them, worst first; ``name`` is ``spot:`` and its number.

    The oddest is set aside and the rest compared again, so that one wrong reading throws no suspicion
    on the spots around it.

    Args: spots and other places as (along, across, rod reading), m; standard error of a reading, m.
    """
    import numpy as np

    at = np.array([*spots, *others], dtype=float).reshape(-1, 3)
    numbers = np.arange(1, len(spots) + 1)
    found: list[Suspect] = []
    while len(numbers) and len(at) >= FEWEST and len(found) < MOST_ODD:
        off, unsure = _off_planes(at, len(numbers))
        usual = max(float(np.median(np.abs(off / unsure))) * SCALE, error_m)
        clear = np.where(np.abs(off) > 10 * error_m, np.abs(off) / unsure / usual, 0.0)
        worst = int(clear.argmax())
        if clear[worst] <= FAR:
            break
        off_m = float(off[worst])
        found.append(Suspect(f"spot:{numbers[worst]}", off_m, _like(off_m, 3 * usual)))
        at, numbers = np.delete(at, worst, axis=0), np.delete(numbers, worst)
    return tuple(sorted(found, key=lambda each: -abs(each.off_m)))


def _off_planes(at: "NDArray[Any]", count: int) -> tuple["NDArray[Any]", "NDArray[Any]"]:
    """How far each of the first ``count`` places is off the plane through those near it, and how unsure that is.

    Left out of a place's plane are the place itself and the one near it that fits the plane through the
    others worst. The second figure is the spread of the first for readings that each spread by one:
    larger for a place at the edge of its neighbours than for one in their middle.
    """
    import numpy as np
    from scipy.spatial import cKDTree

    rows = np.arange(count)
    _, near = cKDTree(at[:, :2]).query(at[:count, :2], k=NEAR + 2)
    # A place is its own nearest one, unless another one lies at the same place.
    near = np.take_along_axis(near, np.argsort(near == rows[:, None], axis=1, kind="stable"), axis=1)[:, :-1]
    away = at[near][:, :, :2] - at[:count, None, :2]
    reach = np.maximum(np.abs(away).max(axis=(1, 2)), 1e-6)
    ground = np.concatenate([np.ones((*near.shape, 1)), away / reach[:, None, None]], axis=2)
    read, kept = at[near][:, :, 2], np.ones(near.shape)
    for again in (False, True):
        normal = np.einsum("ni,nij,nik->njk", kept, ground, ground) + 1e-9 * np.eye(3)
        inverse = np.linalg.inv(normal)
        plane = np.einsum("njk,nik,ni->nj", inverse, ground, kept * read)
        if not again:
            leaning = np.einsum("nij,njk,nik->ni", ground, inverse, ground)
            alone = (read - np.einsum("nij,nj->ni", ground, plane)) / np.maximum(1 - leaning, 1e-6)
            kept[rows, np.abs(alone).argmax(axis=1)] = 0.0
    return at[:count, 2] - plane[:, 0], np.sqrt(1.0 + inverse[:, 0, 0])
