"""The gust that is felt at 10 m in the open, m/s, at which the first thing that is known gives (rule B7).

A real gust is a load in service: weight as it is, or 0.6 of it where it holds down, with the whole pressure of the gust
(EN: 1.5 of it). The site's design speed is another thing, and far higher at the same strength.
"""

import math
from collections.abc import Callable, Iterator
from dataclasses import dataclass, replace
from typing import Literal

from obtegum.core.documents.ends import SIDES, Side
from obtegum.core.drawing.verdict import NEVER
from obtegum.core.findings.kept import found
from obtegum.core.findings.skeleton.bays import bays_of
from obtegum.core.findings.skeleton.settings import set_of
from obtegum.core.findings.skeleton.stands import way_of
from obtegum.core.findings.work import Work
from obtegum.core.formulas.weather.combine import Combination
from obtegum.core.formulas.weather.factors import Factors
from obtegum.core.rooms.braces.found import along_of, holding, run_takes
from obtegum.core.rooms.braces.tied import asked_in
from obtegum.core.rooms.carries.roots import most_of
from obtegum.core.rooms.cover.pulls import film_pulls, held_at
from obtegum.core.rooms.ends.blown import bow_pushed, wind_on
from obtegum.core.rooms.ends.pulled import film_of, pulled_by, tension_at
from obtegum.core.rooms.hold.found import chain_of, counts, holds_of, pulled
from obtegum.core.rooms.sheets.found import screws_of
from obtegum.core.rooms.strength.asks import parting_gust, real_gust, side_gust
from obtegum.core.rooms.strength.found import END_WALL_N_M, judged_on, post_share, why_no_bow
from obtegum.core.rooms.strength.loads import Weathered, end_weathered, short_weathered, tied_weathered, weathered
from obtegum.core.rooms.strength.model import Model, model_of, short_model, tied_model
from obtegum.core.rooms.weather.found import method_of

__all__ = ["Gives", "blowing", "bow_opened", "bow_shut", "first_gives", "held_by_nothing", "others_give"]

Doors = Literal["shut", "open"]
# Shares of the code's pressures that are looked for at the most, where the search begins, and how finely.
MOST, GUESS, STEP = 8.0, 0.6, 0.002


@dataclass(frozen=True, slots=True)
class Gives:
    """What gives, and the gust at which it does, m/s; more than is looked for where nothing does."""

    what: str
    gust_mps: float
    doors: Literal["shut", "open", "either"]
    part: str = "bow"


def blowing(weather: Weathered, doors: Doors, share: float, by: Factors) -> Weathered:
    """Wind alone with doors shut, or with an end open, as hard as a share of the code's pressures."""
    cases = [case for case in weather.cases if case.kind == "wind" and not case.name.startswith("least")]
    mine = [
        replace(case, per_area=case.per_area * share, shown=case.shown * share)
        for case in cases
        if case.opened is (doors == "open")
    ]
    combos = [
        Combination(f"{name}D+W", case.words, dead, ((place, by.partial),))
        for place, case in enumerate(mine)
        for name, dead in (("", 1.0), ("less ", by.favourable))
    ]
    return Weathered(tuple(mine), tuple(combos), ())


def _bows(work: Work) -> Iterator[tuple[Model, Weathered, float, float]]:
    bay_m = bays_of(work).bay_m
    looked = (
        (model_of(work), weathered(work), bay_m, 0.0),
        (short_model(work), short_weathered(work), bay_m, 0.0),
        (tied_model(work), tied_weathered(work), bay_m, 0.0),
        (model_of(work), end_weathered(work), bay_m / 2, END_WALL_N_M),
    )
    for model, weather, wide_m, more in looked:
        if model is not None and weather is not None:
            yield model, weather, wide_m, more


def _bow(work: Work, doors: Doors) -> Gives | None:
    """The frame in a gust: its bows, what of its posts is in the ground, its ties."""
    if why_no_bow(work) or real_gust(work, 1.0) is None:
        return None
    least, what, by = MOST, "bow", method_of(work).factors
    for model, weather, wide_m, more in list(_bows(work)):

        def most(share: float, bow: tuple[Model, Weathered, float, float] = (model, weather, wide_m, more)) -> float:
            return _shares(work, bow, doors, share, by)[0]

        if least < MOST and most(least) <= 1:
            continue
        least = most_of(most, min(GUESS, least), least, STEP)
        what = _shares(work, (model, weather, wide_m, more), doors, least + 2 * STEP, by)[1]
    gust = real_gust(work, least)
    assert gust is not None
    return Gives(what, gust, doors)


def _shares(
    work: Work, bow: tuple[Model, Weathered, float, float], doors: Doors, share: float, by: Factors
) -> tuple[float, str]:
    model, weather, wide_m, more = bow
    judged = judged_on(work, model, blowing(weather, doors, share, by), wide_m, more)
    if judged is None or judged.found is None:
        return NEVER, "the bow: no code covers its tube"
    found_ = [(judged.ratio, "a bow"), (post_share(work, judged)[0], f"a {way_of(work).one}, bent in the ground")]
    found_ += [(asked.share, f"a {asked.what}") for asked in asked_in(work, judged) if asked.share is not None]
    return max(found_)


@found
def bow_shut(work: Work) -> Gives | None:
    """The gust at which the frame gives with doors shut; None while that can't be said."""
    return _bow(work, "shut")


@found
def bow_opened(work: Work) -> Gives | None:
    """The same with an end open, windward or leeward."""
    return _bow(work, "open")


@found
def others_give(work: Work) -> tuple[Gives, ...]:
    """What besides the frame gives, as far as it is known: posts lifted and pushed, braces, runs, the ends' sticks."""
    return tuple(each for each in _others(work) if each is not None) if real_gust(work, 1.0) is not None else ()


def _others(work: Work) -> Iterator[Gives | None]:
    many = way_of(work).many
    for kind, count in counts(work).items():
        chain = chain_of(work, kind)
        holds_n = chain.weakest.holds_n
        if count and holds_n:
            ends = (True,) if kind == "corner" else (False,) if counts(work)["corner"] else (False, True)
            gusts = (parting_gust(work, holds_n, end, kind == "brace") for end in ends)
            gust = min((each for each in gusts if each is not None), default=None)
            yield None if gust is None else Gives(f"the {many}, lifted: {chain.weakest.what}", gust, "either", "post:L")
    tested = pulled(work, set_of(work, "row"), "side")[0]
    wind_n = tested if tested is not None else holds_of(work, set_of(work, "row")).wind_n
    if wind_n is not None:
        gust = side_gust(work, wind_n)
        yield None if gust is None else Gives(f"the {many}, pushed sideways", gust, "either", "post:L")
    along, holds = along_of(work), holding(work).holds_n
    if along is not None and holds and math.isfinite(along.brace_n):
        yield _linear(work, "a brace, wind along", along.brace_n / holds, "brace")
    takes = run_takes(work)
    if takes is not None and takes[1] > 0:
        yield _linear(work, "a run, wind along", takes[0] / takes[1], "run")
    yield from _covered(work)
    for side in SIDES:
        yield from _filmed(work, side)
        blown = wind_on(work, side)
        if blown is None:
            continue
        for name, most in (("stud", blown.stud), ("header", blown.header), ("cross rail", blown.rail)):
            if most is not None and most.share > 0:
                yield _linear(work, f"the {side}’s {name} {most.letter}", most.share, f"{side}:{most.letter}")
        if blown.head is not None and blown.head.share > 0:
            yield _linear(work, f"the {side}’s stud heads", blown.head.share, f"{side}:{blown.head.letter}")
        if blown.foot_share:
            yield _linear(work, f"the {side}’s jambs", blown.foot_share, "opening:door")
        pushed = bow_pushed(work, side)
        if pushed is not None and pushed[0] > 0:
            yield _linear(work, f"the {side}’s end bow, pushed by its studs", pushed[0], "bow")


def _covered(work: Work) -> Iterator[Gives | None]:
    """The film itself, lifted or between bows, and what fixes it at the sides and ends, where that was pulled at."""
    pulls, held, cover = film_pulls(work), held_at(work, "side"), work.design.cover
    if work.design.sheets.over_roof:
        screws, screw_n = screws_of(work), work.design.sheets.screw_n
        if screws.lifted_n is not None and screw_n is not None:
            yield _linear(work, "the sheets’ screws", screws.lifted_n / screw_n, "bow")
        return
    if cover.made == "ask" or pulls is None:
        return

    def at_the_ends(times: float) -> float:
        return tension_at(work, times) or 0.0

    # Nobody rated cloth.
    if work.design.weather.cover == "film":
        film_n_m = film_of(work).thick_m * pulls.bears_pa
        yield _rising(
            work, "the film, in its last year", lambda times: max(pulls.side_n_m * times, at_the_ends(times)) / film_n_m
        )
    if held is not None:
        yield _linear(work, "what fixes the film at the sides", pulls.side_n_m / max(held, LEAST_N_M), "bow")
    ends_n_m = held_at(work, "end")
    if ends_n_m is not None and cover.zones == "film":
        least = max(ends_n_m, LEAST_N_M)
        yield _rising(work, "what fixes the film at the ends", lambda times: at_the_ends(times) / least)


def _rising(work: Work, what: str, share_at: Callable[[float], float]) -> Gives | None:
    """What is asked of more as wind's pressure rises, though not in proportion: where its share is 1."""
    times = most_of(share_at, 1.0, MOST, STEP)
    gust = real_gust(work, method_of(work).factors.service_wind * times)
    return None if gust is None else Gives(what, gust, "either", "bow")


def _filmed(work: Work, side: Side) -> Iterator[Gives | None]:
    """The end bow, runs or struts that film pulls at, where it is told how it ends there."""
    pulled = pulled_by(work, side)
    if pulled is None:
        return
    # What of each share is film's: all of a run's and a strut's, a part of the bow's.
    shares = [("end bow, drawn in by its film", pulled.share, pulled.aside)]
    if pulled.run_takes_n:
        pressed = pulled.run_n / pulled.run_takes_n
        shares.append(("runs, pressed by its film", pressed, pressed))
    if pulled.strut is not None and pulled.strut.takes_n:
        pressed = pulled.strut.pressed_n / pulled.strut.takes_n
        shares.append(("struts against its film", pressed, pressed))
    whole_n_m = tension_at(work, 1.0) or 1.0
    for what, share, films in shares:
        if share is None:
            continue

        def at(times: float, share: float = share, films: float = films) -> float:
            # Film pulls by less than in proportion to the wind, and no less than it was fitted with.
            return (share - films) * times + films * (tension_at(work, times) or 0.0) / whole_n_m

        times = most_of(at, 1.0, MOST, STEP)
        gust = real_gust(work, method_of(work).factors.service_wind * times)
        yield None if gust is None else Gives(f"the {side}’s {what}", gust, "either")


# What a fixing that held nothing is taken to hold, so that shares stay numbers, N/m.
LEAST_N_M = 1.0


def _linear(work: Work, what: str, share: float, part: str) -> Gives | None:
    """What is asked of in proportion to the wind's pressure: a share of 1 comes at 1/share of it.

    By the code it is asked with 0.6 of the design wind (EN 1.5): a gust that is felt counts whole (EN 1.5 too).
    """
    if share <= 0 or share >= NEVER:
        return Gives(what, 0.0, "either", part) if share >= NEVER else None
    gust = real_gust(work, method_of(work).factors.service_wind / share)
    return None if gust is None else Gives(what, gust, "either", part)


@found
def held_by_nothing(work: Work) -> str:
    """The link between bow and ground of which no value is counted, in words; empty where there is none."""
    for kind, count in counts(work).items():
        weakest = chain_of(work, kind).weakest
        if count and weakest.holds_n is not None and weakest.holds_n <= 0:
            return weakest.what
    return ""


@found
def first_gives(work: Work) -> tuple[Gives, Gives] | None:
    """What gives first, with doors shut and with an end open; None while the frame's own gust isn't known, or where
    nothing that is counted holds it down, or along."""
    shut, opened = bow_shut(work), bow_opened(work)
    if shut is None or opened is None or held_by_nothing(work) or work.design.braces.bays == 0:
        return None
    others = others_give(work)
    first_shut = min((shut, *others), key=lambda each: each.gust_mps)
    # An open end is never better than shut ones.
    first_open = min((opened, shut, *others), key=lambda each: each.gust_mps)
    return first_shut, first_open
