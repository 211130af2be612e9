"""Combinations of dead load, snow and wind by the factors of a code."""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass

from obtegum.core.formulas.weather.factors import Factors
from obtegum.core.formulas.weather.pressure import Case

__all__ = ["Combination", "combinations"]

# ASCE 7-22, 2.4.1: snow of strength in allowable combinations.
SERVICE = 0.7


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
    def accident(self) -> bool:
        """Whether its factors are those of an accident: no partial factor is in them."""
        return "A" in self.name

    @property
    def calm(self) -> bool:
        """Whether no wind is in it."""
        return "W" not in self.name


def combinations(
    factors: Factors, cases: Sequence[Case], high: bool, shut: bool = False, of_strength: bool = False
) -> tuple[Combination, ...]:
    """Every combination to check. ``high``: above 1,000 m, where EN keeps more snow beside wind. ``shut``: doors are
    shut in every storm, so that one standing open is an accident (EN 1991-1-4, 7.2.9(3)). ``of_strength``: snow's
    figure is of strength (ASCE 7-22, 2.4.1: 0.7 of it).

    ASCE 7-16, 2.4.1; EN 1990, 6.10 and for accidents 6.11.
    """
    return tuple(_combined(factors, cases, high, shut, SERVICE if of_strength else 1.0))


def _accidents(cases: Sequence[Case], wind: Sequence[int], snow: Sequence[int], lying: float) -> Iterator[Combination]:
    """EN 1990, 6.11: 1.0 of weight and of wind with something open, and ψ1 of the snow ``lying`` beside it."""
    for each in wind:
        words = cases[each].words
        yield Combination("A+W", words, 1.0, ((each, 1.0),))
        yield Combination("less A+W", words, 1.0, ((each, 1.0),))
        for lies in snow:
            yield Combination("A+S+W", f"{cases[lies].words}, {words}", 1.0, ((lies, lying), (each, 1.0)))


def _combined(factors: Factors, cases: Sequence[Case], high: bool, shut: bool, snowed: float) -> Iterator[Combination]:
    snow = [place for place, case in enumerate(cases) if case.kind == "snow"]
    wind = [place for place, case in enumerate(cases) if case.kind == "wind"]
    heaps = [place for place, case in enumerate(cases) if case.kind == "heap"]
    words = [case.words for case in cases]
    alone, beside = factors.snow * snowed, factors.snow_beside * snowed
    if shut and factors.lying is not None:
        yield from _accidents(cases, [each for each in wind if cases[each].opened], snow, factors.lying[high])
        wind = [each for each in wind if not cases[each].opened]
    yield Combination("D", "its own weight", factors.dead, ())
    for each in snow:
        yield Combination("D+S", words[each], factors.dead, ((each, alone),))
        for heap in heaps:
            yield Combination("D+S+H", f"{words[each]}, {words[heap]}", factors.dead, ((each, alone), (heap, alone)))
    for heap in heaps:
        # All of it has slid.
        yield Combination("D+H", f"{words[heap]}, the roof bare", factors.dead, ((heap, alone),))
    for each in wind:
        yield Combination("D+W", words[each], factors.dead, ((each, factors.wind),))
        yield Combination("less D+W", words[each], factors.favourable, ((each, factors.wind),))
        for lies in snow:
            both = f"{words[lies]}, {words[each]}"
            yield Combination("D+S+W", both, factors.dead, ((lies, beside), (each, factors.wind_beside)))
            if factors.snow_with_wind is not None:
                less = factors.snow_with_wind[high]
                yield Combination("D+W+S", both, factors.dead, ((each, factors.wind), (lies, less)))
