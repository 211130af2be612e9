"""Roll-up sides: what opens, what turns them, what is in the way, and what is bought."""

import math
from collections.abc import Iterator
from functools import partial
from itertools import pairwise

from obtegum.core.drawing.step import Action, Answer, Standing, StepPlan, Told
from obtegum.core.drawing.strip import Strip
from obtegum.core.drawing.verdict import NEVER, Level, Verdict, judge, verdict_on
from obtegum.core.face.answers import amount_answer, count_answer, length_answer, settled
from obtegum.core.face.fixings import with_spares
from obtegum.core.face.rounding import rounded
from obtegum.core.findings.work import Work
from obtegum.core.formulas.stock import bought
from obtegum.core.rooms.sides import words
from obtegum.core.rooms.sides.found import (
    bar_tube,
    bars_of,
    cord_m,
    corded,
    curtained,
    in_the_way,
    opened_at,
    opening_m,
    own_curtain,
    rest_m,
    track_of,
    wound,
)
from obtegum.core.values.amount import amount_text
from obtegum.core.values.quantity import area_text, percent_text

__all__ = ["plan", "stands", "strips", "verdicts"]

_verdict = partial(verdict_on, "sides")

CAUTION = (
    "Fingers, hair and cords out of a turning bar; a motor is shut off at its switch before anyone clears it. "
    "In wind the sides are down and tied."
)
# What a hand turns without tiring, N; by how much a far end may lag, m; least room beside a bolt, m (this bench).
EASY_N, LAG_M, LEAST_M = 100.0, 0.1, 0.005


def verdicts(work: Work) -> list[Verdict]:
    """Whether curtains clear what stands out, turn by hand or motor, and come up alike from end to end."""
    if not curtained(work):
        return []
    return [*_clear(work), _turns(work), _lags(work)]


def _clear(work: Work) -> Iterator[Verdict]:
    least = next(iter(in_the_way(work)), None)
    if least is None:
        return
    proud, up_m = work.tube(least.proud_m, "up"), work.say(least.up_m)
    number, limit = work.tube(max(least.clear_m, 0.0), "down"), work.tube(LEAST_M, "up")
    at = words.stands_out(least.what, up_m, proud)
    if least.clear_m >= LEAST_M:
        sentence = words.passes_clear(at, number)
        yield _verdict(
            "side-clear", "Clear of bolts", "holds", sentence, number, limit, LEAST_M / least.clear_m, "brace"
        )
        return
    sentence = words.in_the_way(at)
    rounded_off = work.design.sides.heads == "round" and work.design.sides.rolls == "out"
    level: Level = "tight" if least.clear_m >= 0 or rounded_off else "fails"
    if rounded_off and least.clear_m >= 0:
        sentence = words.just_clear(at, number)
    elif rounded_off:
        sentence = words.lies_on(at)
    short = work.tube(max(-least.clear_m, 0.0), "up")
    number = number if level == "tight" else f"{short} short"
    yield _verdict("side-clear", "Clear of bolts", level, sentence, number, limit, None, "brace")


def _turns(work: Work) -> Verdict:
    sides, turn = work.design.sides, wound(work)
    needs = amount_text(turn.torque_nm, "torque", work.tape.units, "up")
    if sides.drive == "motor":
        if sides.motor_nm is None:
            sentence = words.motor_unknown(needs)
            return _verdict("side-turn", "Turning it", "unknown", sentence, needs, "not known", None, "bar")
        limit = amount_text(sides.motor_nm, "torque", work.tape.units, "down")
        ratio = turn.torque_nm / sides.motor_nm
        sentence = words.motor_turns(needs, limit)
        return _verdict(
            "side-turn", "Turning it", judge(ratio, work.rules.holds_to), sentence, needs, limit, ratio, "bar"
        )
    hand, limit = (
        amount_text(turn.hand_n, "force", work.tape.units, "up"),
        amount_text(EASY_N, "force", work.tape.units, "down"),
    )
    ratio = turn.hand_n / EASY_N
    sentence = words.hand_turns(hand, limit)
    level = judge(ratio, work.rules.holds_to)
    return _verdict("side-turn", "Turning it", level, sentence, hand, limit, ratio, "bar", "comfort")


def _lags(work: Work) -> Verdict:
    turn = wound(work)
    number, limit = work.say(turn.lags_m, "up"), work.say(LAG_M, "down")
    ratio = min(turn.lags_m / LAG_M, NEVER)
    level = judge(ratio, work.rules.holds_to)
    sentence = words.lags(number, level == "fails")
    return _verdict("side-lags", "Twist of the bar", level, sentence, number, limit, ratio, "bar", "comfort")


def stands(work: Work, found: list[Verdict]) -> Standing:
    """What the step is called, and how far it has come."""
    return Standing(id="sides", title="Roll-up sides", group="Close in", state=settled(found) if found else "open")


def plan(work: Work, found: list[Verdict]) -> StepPlan:
    """The step's inputs and answers."""
    sides, some = work.design.sides, curtained(work)
    hip = work.design.boards.hip == "board"
    motor = ("sides.motor_nm", "sides.open_c", "sides.shut_c", "sides.wind_mps")
    return StepPlan(
        **stands(work, found),
        next=_next(work),
        caution=CAUTION,
        measures=(
            "boards.hip",
            "cover.edge",
            *(("boards.hip_m", "cover.below") if hip else ()),
            "sides.drive",
            *(motor if sides.drive == "motor" else ("sides.arm_m", "sides.gear")),
            "sides.parts",
            "sides.rolls",
            "sides.heads",
            "sides.bar",
            "sides.bar_m",
            "sides.cords",
            "sides.clip_m",
            "sides.flap_m",
            "sides.below_m",
        ),
        aside=("sides.bar_m", "sides.clip_m", "sides.flap_m", "sides.below_m", "sides.arm_m", "sides.gear"),
        answers=tuple(_answers(work)) if some else (),
        leads=("side_high", "side_free", "side_sticks", "side_turns"),
        views=("curtain", "curtains", "across"),
        strips=tuple(each.id for each in strips(work)) or ("floor",),
        grips=("boards.hip_m",) if hip else (),
        focus=("curtain", "film", "bar", "hip", "brace", "cord", "bow"),
        how=tuple(Told(words=said) for said in _order(work)) if some else (),
        how_title="So it hangs",
        actions=(Action(id="controller", label="The controller", opens="controller"),)
        if sides.drive == "motor"
        else (),
    )


def _next(work: Work) -> str:
    told = work.design
    if told.cover.made == "ask":
        return "Say first how the house is covered."
    if told.boards.hip != "board" or told.cover.edge != "hip":
        return "Sides roll up from a hip board: put one up, and fix the cover at it."
    if told.cover.below == "open":
        return "Nothing hangs below the hip board: say what does, and it rolls up."
    if told.sides.rolls == "in":
        return "Rolled inward it catches rain: outward, if nothing speaks against it."
    turns = wound(work).turns
    return (
        f"Hang one curtain, turn it {math.ceil(turns - 1e-9)} times, and see that it comes up level before the others."
    )


def _answers(work: Work) -> Iterator[Answer]:
    sides, tape, turn, bars = work.design.sides, work.tape, wound(work), bars_of(work)
    many = 2 * sides.parts
    floor = work.design.size.span_m * work.design.size.length_m
    yield length_answer(work, "side_high", "Each side opens", opening_m(work), "under the rolled-up curtain")
    for share, how in ((1.0, "all the way up"), (0.5, "half way"), (0.25, "a quarter")):
        free = opened_at(work, share)
        yield Answer(
            id=f"side_free{'' if share == 1.0 else '_half' if share == 0.5 else '_quarter'}",
            label=f"Open, {how}",
            reading=area_text(free, tape, rounded("side_free")),
            value=free,
            unit="m2",
            note=f"both sides, {percent_text(free / floor, 0, 'down')} of the floor, before mesh",
        )
    yield length_answer(work, "side_drop", "Film from board to edge", turn.drop_m, f"rests {work.say(rest_m(work))} up")
    yield count_answer("side_turns", "Turns of the bar", math.ceil(turn.turns - 1e-9), "to the top")
    yield length_answer(work, "side_roll", "Rolled up, thick", 2 * turn.radius_m)
    yield amount_answer(work, "side_mass", "One curtain", turn.kg, "hung", "bar and film")
    yield amount_answer(work, "side_torque", "Torque at the bar", turn.torque_nm, "torque", "all the way up")
    pieces = many * [high - low for low, high in pairwise((0.0, *bars.joints_m, bars.part_m))]
    sticks = bought(pieces, sides.bar_m, work.rules.kerf_m)
    yield count_answer("side_sticks", "Bars", sticks, f"{bar_tube(work).name}; last cut {work.say(bars.cut_m)}")
    if bars.joints_m:
        couplers = many * len(bars.joints_m)
        yield count_answer("side_couplers", "Couplers", couplers, "inside the film, taped smooth")
    yield count_answer("side_clips", "Clips on the bars", with_spares(many * len(bars.clips_m)), "spares with them")
    what = "a motor" if sides.drive == "motor" else "a crank"
    yield count_answer("side_drives", "Cranks and motors", many, f"{what} each; its guide stands plumb")
    cords = 2 * len(corded(work))
    if cords:
        in_all = work.say(cords * cord_m(work), "up")
        yield count_answer("side_cords", "Cords outside", cords, f"{in_all} in all")
    if own_curtain(work):
        note, tracks = "with as many wires, for the curtains’ upper edge", 2 * len(track_of(work).sticks)
        yield count_answer("side_tracks", "Track for them, sticks", tracks, note)


def _order(work: Work) -> Iterator[str]:
    """How a curtain is hung and kept."""
    sides = work.design.sides
    yield "Bars are laid out along the side, coupled, and rolled to see that they run true; couplers taped smooth."
    yield "The film’s edge goes once round the bar and under its clips, square: crooked, it climbs to one end."
    out = "over the top of the bar and outward, so that rain runs off"
    yield (
        "It rolls "
        f"{out if sides.rolls == 'out' else 'inward, which holds rain: a hole at its lowest, and look after rain'}."
    )
    if sides.cords != "none":
        yield "Cord runs from the hip board down outside the curtain to the foot, and back inside: it can’t blow out."
    flap = work.say(sides.flap_m)
    yield f"At both ends {flap} of film laps past and is weighted or tied: cold comes in at the corners."
    if sides.drive == "motor":
        yield (
            "Limit switches first, by hand, then the controller; rain and wind "
            "shut it, and so does a power cut: by crank."
        )
    yield "With the sides up wind gets in under the roof: what the frame carries counts an opening in one side."


def strips(work: Work) -> list[Strip]:
    """One bar with its joints, from the end that is turned."""
    if not curtained(work):
        return []
    bars, where = bars_of(work), "sides:bar"
    marks = [work.mark(0.0, "turned here", "cut", "bar:L1:1", where)]
    for place, at in enumerate(bars.joints_m, start=2):
        marks.append(work.mark(at, "coupler", "joint", f"bar:L1:{place}", where))
    marks.append(work.mark(bars.part_m, "cut", "cut", "bar:L1", where))
    return [
        Strip(
            id=where,
            title="Bar of a curtain",
            about="tape from the end that is turned",
            material=bar_tube(work).material,
            length_m=bars.part_m,
            marks=tuple(marks),
        )
    ]
