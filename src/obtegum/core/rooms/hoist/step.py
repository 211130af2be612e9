"""Film day: whether this day will do, who and what is wanted, and the order of it."""

from collections.abc import Iterator
from functools import partial

from obtegum.core.drawing.step import Answer, Standing, StepPlan, Told
from obtegum.core.drawing.verdict import NEVER, Level, Verdict, graded, judge, verdict_on
from obtegum.core.face.answers import amount_answer, count_answer, length_answer, settled
from obtegum.core.findings.work import Work
from obtegum.core.formulas.film import MOST_MPS
from obtegum.core.rooms.cover.found import reach_of
from obtegum.core.rooms.hoist import words
from obtegum.core.rooms.hoist.found import (
    DAY_MPS,
    ROPE_M,
    comes,
    gust_held_mps,
    needed,
    open_tasks,
    sheet_of,
    shrinks_m,
)
from obtegum.core.values.amount import amount_text

__all__ = ["plan", "stands", "verdicts"]

_verdict = partial(verdict_on, "hoist", part="film")

CAUTION = (
    "A sheet in wind lifts people: all let go "
    "at one word, nobody winds a "
    "rope round a hand. Nobody is under it or on a "
    "ladder with it; knives closed; out of the closed house in the sun, and drink."
)
# Best and allowed to fit film in, °C (rule B1d and the trade's windows).
BEST_C, ALLOWED_C = (15.0, 25.0), (5.0, 30.0)


def verdicts(work: Work) -> list[Verdict]:
    """What is told of the day, judged: hands, gusts, warmth, wet, room, what has to be done before."""
    if not comes(work):
        return []
    return [*_crew(work), *_gusts(work), *_warmth(work), *_wet(work), *_room(work), *_before(work)]


def _crew(work: Work) -> Iterator[Verdict]:
    crew, least = work.design.hoist.crew, needed(work)
    if crew is None:
        return
    level: Level = "holds" if crew >= least else "fails"
    sentence = words.hands(crew, least)
    yield _verdict("day-crew", "Hands", level, sentence, str(crew), str(least), None)


def _gusts(work: Work) -> Iterator[Verdict]:
    hoist = work.design.hoist
    if hoist.gust_mps is None:
        return
    held = gust_held_mps(work, hoist.crew or needed(work))
    limit = min(held, DAY_MPS if hoist.crew is None else held)
    asked, most = (
        amount_text(hoist.gust_mps, "speed", work.tape.units, "up"),
        amount_text(limit, "speed", work.tape.units, "down"),
    )
    ratio = hoist.gust_mps / max(limit, 0.1)
    holds_to = work.rules.holds_to
    share = graded(ratio, DAY_MPS / max(limit, 0.1), holds_to)
    level = judge(share, holds_to)
    over = amount_text(MOST_MPS, "speed", work.tape.units, "down")
    sentence = words.gusts(asked, hoist.crew, most, over, level == "fails")
    yield _verdict("day-gusts", "Gusts", level, sentence, asked, most, min(share, NEVER), rank="stands")


def _warmth(work: Work) -> Iterator[Verdict]:
    air, units = work.design.hoist.air_c, work.tape.units
    if air is None:
        return

    def said(value_c: float) -> str:
        return amount_text(value_c, "temperature", units, "nearest")

    number, limit = said(air), f"{said(ALLOWED_C[0])} to {said(ALLOWED_C[1])}"
    level: Level = (
        "holds" if BEST_C[0] <= air <= BEST_C[1] else "tight" if ALLOWED_C[0] <= air <= ALLOWED_C[1] else "fails"
    )
    longer, shorter = (work.say(each, "up") for each in shrinks_m(work, air))
    sentence = words.fitted_at(number, longer, shorter, level == "fails")
    yield _verdict("day-warmth", "Warmth", level, sentence, number, limit, None, rank="comfort")


def _wet(work: Work) -> Iterator[Verdict]:
    if work.design.hoist.wet == "ask":
        return
    dry = work.design.hoist.wet == "dry"
    sentence = words.dry() if dry else words.wet()
    yield _verdict("day-dry", "Dry", "holds" if dry else "tight", sentence, rank="comfort")


def _room(work: Work) -> Iterator[Verdict]:
    free, sheet = work.design.hoist.free_m, sheet_of(work)
    if free is None:
        return
    wants, has = work.say(sheet.strip_wide_m, "up"), work.say(free, "down")
    ratio = min(sheet.strip_wide_m / max(free, 0.01), NEVER)
    level = judge(ratio, work.rules.holds_to)
    sentence = words.strip(wants, work.say(sheet.strip_long_m, "up"), has, level == "fails")
    yield _verdict("day-room", "Room for it", level, sentence, wants, has, min(ratio, NEVER))


def _before(work: Work) -> Iterator[Verdict]:
    open_, before = open_tasks(work), work.design.hoist.before
    if before == "ask":
        return
    if before == "done" and not open_:
        yield _verdict("day-before", "Before it", "holds", words.all_before(), rank="stands")
        return
    sentence = words.not_yet(open_)
    yield _verdict("day-before", "Before it", "fails", sentence, rank="stands")


def stands(work: Work, found: list[Verdict]) -> Standing:
    """What the step is called, and how far it has come."""
    return Standing(id="hoist", title="Film day", group="Close in", state=settled(found) if found else "open")


def plan(work: Work, found: list[Verdict]) -> StepPlan:
    """The step's inputs and answers."""
    some = comes(work)
    return StepPlan(
        **stands(work, found),
        next=_next(work, found),
        caution=CAUTION,
        measures=(
            *(() if work.design.cover.made != "ask" else ("cover.made",)),
            "hoist.crew",
            "hoist.gust_mps",
            "hoist.air_c",
            "hoist.wet",
            "hoist.before",
            "hoist.way",
            "hoist.first",
            "hoist.free_m",
        ),
        aside=(),
        answers=tuple(_answers(work)) if some else (),
        leads=("day_people", "day_gust", "day_rope", "day_strip"),
        views=("roped", "sheet", "along"),
        strips=("cover:across",),
        grips=(),
        focus=("film", "rope", "bow", "fold", "people", "wind", "fix"),
        how=tuple(_how(work)) if some else (),
        how_title="The day, in order",
    )


def _next(work: Work, found: list[Verdict]) -> str:
    if work.design.cover.made == "ask":
        return "Say first how the house is covered."
    if not comes(work):
        return "Rigid sheets go over the roof, one by one: there is no film day."
    if any(each.level == "fails" for each in found):
        return "Not today: what stands against it is told above."
    if work.design.hoist.gust_mps is None:
        return "The evening before, write the gusts of the forecast: the day is judged by them and by who comes."
    return "Stop before the sheet leaves the ground if the wind has changed; after that, stopping is dearer."


def _answers(work: Work) -> Iterator[Answer]:
    hoist, sheet = work.design.hoist, sheet_of(work)
    least = needed(work)
    yield count_answer("day_people", "People, at the least", least, "to carry, to hold, on every second rope")
    crew = hoist.crew or least
    gust = gust_held_mps(work, crew)
    note = f"{crew} people; never over {amount_text(MOST_MPS, 'speed', work.tape.units, 'down')}"
    yield amount_answer(work, "day_gust", "They hold it in gusts of", gust, "speed", note)
    yield amount_answer(work, "day_mass", "Each piece weighs", sheet.kg, "hung", "folded, in one bundle")
    yield count_answer("day_ropes", "Ropes", sheet.ropes, "a soft ball in the film under each knot, none through it")
    yield length_answer(work, "day_rope", "Each rope, long", sheet.rope_m)
    yield count_answer("day_ties", "Ties round the bundle", sheet.ties, "slip knots, so that one pull frees it")
    yield length_answer(
        work, "day_strip", "Free ground, long", sheet.strip_long_m, f"{work.say(sheet.strip_wide_m, 'up')} wide, swept"
    )


def _how(work: Work) -> Iterator[Told]:
    hoist, reach = work.design.hoist, reach_of(work)
    cover = work.design.cover
    yield Told(
        words="Before: braces tight, ends framed, boards on, beds and bulky things inside; steel taped, heads and ends "
        "capped; fixings laid out at their places, wires and knives in a box.",
    )
    along = hoist.way == "along"
    said = (
        "Unroll it off the end, across the house, "
        "inside face so that it comes "
        "to lie below; fold both edges to the ridge line."
        if along
        else (
            "Unroll it along the side away from the "
            "wind, inside face so that "
            "it comes to lie below; fold it to a bundle."
        )
    )
    yield Told(words=said, view="hoist:1")
    said = (
        "Two ropes along the ridge, a pole in the hem; one at each bow lifts it over, the rest pays it out."
        if along
        else f"A rope each {work.say(ROPE_M)} over the house, tied to the outer edge round a soft ball."
    )
    yield Told(words=said, view="roped")
    said = "Pull at one word, level from end to end; hands on the near edge follow, nobody goes under."
    yield Told(words=said, view="hoist:3")
    if cover.made == "gathered":
        order = "Sides from the middle outward; the ends last, pleats facing down."
    elif hoist.first == "ends":
        order = "Front end, pulled hard along; back end; then both sides from the middle outward, by turns."
    else:
        order = "One side from the middle outward; then the other, pulled down together; the ends last."
    yield Told(words=order, view="hoist:4")
    trim = f"Trim last, and leave {work.say(cover.tail_m)} to pull by."
    yield Told(words=f"{trim} What is cut off is dated and kept dark: patches of the same age.")
    yield Told(
        words="If wind gets up half way: all to the windward edge, pull it back and down, roll it on the ground, weigh "
        "it with sand bags or boards; what is fixed already stays only if one whole side and both ends are.",
    )
    if (reach.spare_m or 0.0) < 0:
        yield Told(words="It is short: what gives is said in Cover, and settled before it is unrolled.")
