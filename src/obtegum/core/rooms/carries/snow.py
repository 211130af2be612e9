"""What snow on the roof a house carries: the pressure on plan at which the first thing that is known is used up.

It goes straight into dead load and snow (rule B7): no coefficient of a code stands between the roof and the bow.
"""

from collections.abc import Iterator
from dataclasses import dataclass
from typing import Literal

import numpy as np

from obtegum.core.drawing.verdict import NEVER
from obtegum.core.findings.kept import found
from obtegum.core.findings.skeleton.bays import bays_of
from obtegum.core.findings.skeleton.stands import way_of
from obtegum.core.findings.work import Work
from obtegum.core.formulas.timber import column_n
from obtegum.core.formulas.weather.combine import Combination
from obtegum.core.formulas.weather.pressure import from_snow
from obtegum.core.rooms.braces.tied import asked_in
from obtegum.core.rooms.carries.roots import most_of
from obtegum.core.rooms.strength.found import END_WALL_N_M, Judged, grown, judged_on, post_share, why_no_bow
from obtegum.core.rooms.strength.loads import Weathered, ground_snowed
from obtegum.core.rooms.strength.model import Model, model_of, prop_board, propped_model, short_model, tied_model
from obtegum.core.rooms.strength.propped import bears_between, carried_n_m
from obtegum.core.rooms.weather.found import method_of, site_figures

__all__ = [
    "MOST_PA",
    "Carried",
    "bears",
    "even_carried",
    "even_propped",
    "ground_carried",
    "half_carried",
    "half_propped",
    "prop_takes_n",
]

Pattern = Literal["even", "half"]
Share = tuple[float, str]
# The most that is looked for, where the search begins, and how finely, Pa.
MOST_PA, GUESS_PA, STEP_PA = 20_000.0, 1000.0, 4.0


@dataclass(frozen=True, slots=True)
class Carried:
    """Snow that is carried, Pa on plan, and what gives beyond it; more than is looked for where nothing does."""

    pressure_pa: float
    gives: str

    @property
    def endless(self) -> bool:
        """Whether nothing gave as far as was looked."""
        return self.pressure_pa >= MOST_PA


@dataclass(frozen=True, eq=False)
class _Bow:
    """A bow that is looked at: its frame, how wide a strip it carries, m, and N for each metre of it besides; the same
    with its crown held, None without props, and whether that is by the ridge run alone."""

    model: Model
    wide_m: float
    more_n_m: float = 0.0
    held: Model | None = None
    between: bool = False


def _bows(work: Work, props: bool) -> Iterator[_Bow]:
    bay_m, every = bays_of(work).bay_m, work.design.strength.prop_every
    for model in (model_of(work), short_model(work), tied_model(work)):
        if model is None:
            continue
        if props and every > 1:
            yield _Bow(model, bay_m, 0.0, propped_model(work, model, carried_n_m(work)), True)
        yield _Bow(model, bay_m, 0.0, propped_model(work, model) if props else None)
    yield _Bow(model_of(work), bay_m / 2, END_WALL_N_M)


def _snowed(work: Work, model: Model, pattern: Pattern, pressure_pa: float) -> Weathered:
    outline, by = model.outline, method_of(work).factors
    lies = {"snow on the roof": outline.roof}
    if pattern == "half":
        # A bow whose joints aren't in its middle bears one half better than the other.
        right = outline.roof & (outline.x > 0)
        lies = {"snow on the right half": right, "snow on the left half": right[::-1]}
    cases = [
        from_snow(outline, pattern, words, "on the roof", np.where(where, pressure_pa, 0.0))
        for words, where in lies.items()
    ]
    combos = [Combination("D+S", case.words, by.dead, ((place, by.snow),)) for place, case in enumerate(cases)]
    return Weathered(tuple(cases), tuple(combos), ())


def _shares(work: Work, bow: _Bow, judged: Judged) -> Iterator[Share]:
    """What of each thing that is known a bow in snow uses up."""
    assert judged.found is not None
    yield judged.ratio, "the bow"
    yield post_share(work, judged)[0], f"a {way_of(work).one} in the ground"
    for asked in asked_in(work, judged):
        if asked.share is not None:
            yield asked.share, f"a {asked.what}"
    if bow.held is None or judged.model is not bow.held:
        return
    pressed = float((-judged.found.pulls[:, -1] * grown(work, judged.found)).max())
    if not bow.between:
        takes = prop_takes_n(work)
        # Each prop bears its own bow, and as much for each bow between as its own presses it by, which is no less.
        own = pressed / method_of(work).factors.partial * work.design.strength.prop_every
        yield own / takes, "a prop"
    else:
        yield bears_between(work, pressed), "the ridge run between props"


@found
def prop_takes_n(work: Work) -> float:
    """What a prop under the crown takes, N; nothing where its board is too slender to count that long."""
    board, nodes = prop_board(work), model_of(work).frame.nodes
    return column_n(board.thick_m, board.wide_m, float(nodes[:, 1].max() - nodes[0, 1]))


def _most(work: Work, bow: _Bow, pattern: Pattern, pressure_pa: float) -> Share:
    """The largest of those shares."""
    weather = _snowed(work, bow.model, pattern, pressure_pa)
    judged = None
    if bow.held is not None:
        propped = judged_on(work, bow.held, weather, bow.wide_m, bow.more_n_m)
        # Where the crown would lift off its prop there is none.
        judged = propped if propped and propped.found and (propped.found.pulls[:, -1] < 0).all() else None
    judged = judged or judged_on(work, bow.model, weather, bow.wide_m, bow.more_n_m)
    if judged is None or judged.found is None:
        return NEVER, "a tube that no code covers"
    return max(_shares(work, bow, judged))


def _carried(work: Work, pattern: Pattern, props: bool) -> Carried | None:
    bows = list(_bows(work, props)) if not why_no_bow(work) else []
    if not bows or _unknown(work, bows[0]) or (props and not prop_takes_n(work)):
        return None
    least = Carried(MOST_PA, "")
    for bow in bows:
        # One that bears as much as the others so far needn't be searched.
        if least.pressure_pa > 0 and _most(work, bow, pattern, least.pressure_pa)[0] <= 1:
            continue
        guess = min(GUESS_PA, least.pressure_pa)
        most_pa = most_of(
            lambda pa, bow=bow: _most(work, bow, pattern, pa)[0],  # type: ignore[misc]
            guess,
            least.pressure_pa,
            STEP_PA,
        )
        least = Carried(most_pa, _most(work, bow, pattern, most_pa + 2 * STEP_PA)[1])
    return least


def _unknown(work: Work, bow: _Bow) -> bool:
    """Whether no code covers a bow's tube, so that nothing can be said of it."""
    judged = judged_on(work, bow.model, _snowed(work, bow.model, "even", 0.0), bow.wide_m)
    return judged is None or judged.found is None


def bears(work: Work, pressure_pa: float) -> bool | None:
    """Whether a roof carries so much snow, even and on one half, to a step above: told without looking for the most
    that it does. None where nothing can be said of the bow."""
    bows = list(_bows(work, False)) if not why_no_bow(work) else []
    if not bows or _unknown(work, bows[0]):
        return None
    patterns: tuple[Pattern, ...] = ("half", "even")
    return all(_most(work, bow, each, pressure_pa + STEP_PA)[0] <= 1 for each in patterns for bow in bows)


@found
def even_carried(work: Work) -> Carried | None:
    """Snow as deep everywhere on the roof; None where nothing can be said of the bow."""
    return _carried(work, "even", False)


@found
def half_carried(work: Work) -> Carried | None:
    """Snow on one half of the roof, the other one bare."""
    return _carried(work, "half", False)


@found
def even_propped(work: Work) -> Carried | None:
    """The same as `even_carried`, with props under the crowns."""
    return _carried(work, "even", True)


@found
def half_propped(work: Work) -> Carried | None:
    """The same as `half_carried`, with props under the crowns."""
    return _carried(work, "half", True)


@found
def ground_carried(work: Work) -> float | None:
    """Snow on the ground, Pa, at which what the code makes of it on the roof, even and drifted, uses all of the bow;
    None while the site isn't told, or where pressures are given."""
    if why_no_bow(work) or site_figures(work) is None or not method_of(work).of_site or even_carried(work) is None:
        return None

    bows = list(_bows(work, False))

    def share(ground_pa: float) -> float:
        most = 0.0
        for bow in bows:
            weather = ground_snowed(work, bow.model, max(ground_pa, 1.0))
            judged = judged_on(work, bow.model, weather, bow.wide_m, bow.more_n_m, floor=most)
            if judged is None or judged.found is None:
                return NEVER
            most = max(most, judged.ratio)
        return most

    return most_of(share, 1500.0, MOST_PA, 10.0)
