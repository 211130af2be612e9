"""A case of weather on a bow, and the working of it that an engineer can follow.

Source: statics of a load on plan and of one across a surface.
"""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from itertools import pairwise
from typing import Literal

import numpy as np
from numpy.typing import NDArray

from obtegum.core.formulas.weather.outline import Outline

__all__ = ["Case", "Strip", "Worked", "averaged", "from_snow", "from_wind", "on_bare_tubes"]

Array = NDArray[np.float64]
Kind = Literal["snow", "wind", "heap"]
# What a bow carries of the house: from where to where, m from the end that the wind blows at.
Strip = tuple[float, float]


@dataclass(frozen=True, slots=True)
class Worked:
    """One intermediate value: its symbol, what it is, the clause, and the number, SI; ``unit`` says of what kind."""

    symbol: str
    what: str
    clause: str
    value: float
    unit: Literal["pressure", "speed", "number", "length", "degrees"] = "number"


@dataclass(frozen=True, eq=False)
class Case:
    """One basic case: its name, how it is said in words, the clause, and the pressure on each piece.

    ``per_area`` (n, 2) is force on a square metre of the film's own surface, Pa, to the right and up; ``shown`` (n,)
    the pressure as the code tells it, on plan for snow, across the surface for wind (outward positive). ``opened`` is
    whether something stands open that can be shut.
    """

    name: str
    words: str
    clause: str
    kind: Kind
    per_area: Array
    shown: Array
    opened: bool = False


def from_snow(outline: Outline, name: str, words: str, clause: str, on_plan: Array) -> Case:
    """Snow ``on_plan`` (n,), Pa, hangs plumb: spread over the surface that lies under it."""
    down = -on_plan * outline.plan / outline.length
    return Case(name, words, clause, "snow", np.stack([np.zeros_like(down), down], axis=1), on_plan)


def from_wind(
    outline: Outline, name: str, words: str, clause: str, outward: Array, kind: Kind = "wind", opened: bool = False
) -> Case:
    """Pressure across the surface, (n,) Pa, outward positive (suction)."""
    return Case(name, words, clause, kind, outward[:, None] * outline.out, outward, opened)


def on_bare_tubes(outline: Outline, clause: str, push_n_m: float, wide_m: float) -> Iterator[Case]:
    """Wind across on tubes that no cover shelters, N for each metre of them, as spread over the strip that a bow
    carries."""
    for name, side, sign in (("left", "left", 1.0), ("right", "right", -1.0)):
        push = np.full_like(outline.x, push_n_m / wide_m)
        words = f"wind from the {side} on the tubes themselves"
        per_area = np.stack([sign * push, np.zeros_like(push)], axis=1)
        yield Case(f"{name}-bare", words, clause, "wind", per_area, -push)


def averaged(starts: Sequence[float], factors: Sequence[float], strip: Strip) -> float:
    """A factor that changes along the house, ``starts`` m on, as the mean over a strip of it."""
    begin, end = strip
    edges = [*starts, float("inf")]
    shares = [max(min(end, high) - max(begin, low), 0.0) for low, high in pairwise(edges)]
    return sum(share * factor for share, factor in zip(shares, factors, strict=True)) / (end - begin)
