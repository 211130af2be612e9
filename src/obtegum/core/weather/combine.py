"""Combinations of dead load, snow and wind, by two codes and for pressures that an engineer gave."""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from typing import Literal

from obtegum.core.weather.pressure import Case

__all__ = ["Combination", "combinations"]

Method = Literal["us", "eu", "given"]


@dataclass(frozen=True, slots=True)
class Combination:
    """Dead load by its factor, and basic cases by theirs; ``calm`` without wind. ``words`` says the weather."""

    name: str
    words: str
    dead: float
    parts: tuple[tuple[int, float], ...]

    @property
    def lifts(self) -> bool:
        """Whether weight counts against the wind: what covers weigh doesn't."""
        return self.name.startswith("less")

    @property
    def calm(self) -> bool:
        return "W" not in self.name


def combinations(method: Method, cases: Sequence[Case], high: bool) -> tuple[Combination, ...]:
    """Every combination to check. ``high``: above 1,000 m, where EN keeps more snow beside wind.

    US: ASCE 7-16, 2.4.1. EN: EN 1990, 6.10 with the recommended ψ. Given: as allowable pressures.
    """
    return tuple(_combined(method, cases, high))


def _combined(method: Method, cases: Sequence[Case], high: bool) -> Iterator[Combination]:
    snow = [place for place, case in enumerate(cases) if case.kind == "snow"]
    wind = [place for place, case in enumerate(cases) if case.kind == "wind"]
    heaps = [place for place, case in enumerate(cases) if case.kind == "heap"]
    words = [case.words for case in cases]
    # Factors: dead, snow alone, snow beside wind, wind alone, wind beside snow, dead against wind.
    dead, alone, beside, blows, along_with, light = {
        "us": (1.0, 1.0, 0.75, 0.6, 0.45, 0.6),
        "given": (1.0, 1.0, 0.75, 1.0, 0.75, 0.6),
        "eu": (1.35, 1.5, 1.5, 1.5, 0.9, 1.0),
    }[method]
    yield Combination("D", "its own weight", dead, ())
    for each in snow:
        yield Combination("D+S", words[each], dead, ((each, alone),))
        for heap in heaps:
            yield Combination("D+S+H", f"{words[each]}, {words[heap]}", dead, ((each, alone), (heap, alone)))
    for each in wind:
        yield Combination("D+W", words[each], dead, ((each, blows),))
        yield Combination("less D+W", words[each], light, ((each, blows),))
        for lies in snow:
            both = f"{words[lies]}, {words[each]}"
            yield Combination("D+S+W", both, dead, ((lies, beside), (each, along_with)))
            if method == "eu":
                less = 1.05 if high else 0.75
                yield Combination("D+W+S", both, dead, ((each, blows), (lies, less)))
