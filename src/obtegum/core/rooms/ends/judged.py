"""What is judged of the ends: studs, header, rails, heads, jambs' feet and end bow in wind; who passes; a fan's air."""

import math
from collections.abc import Iterator

from obtegum.core.documents.ends import SIDES, Side
from obtegum.core.drawing.verdict import NEVER, Level, Verdict, judge, verdict_on
from obtegum.core.findings.skeleton.bays import bays_of
from obtegum.core.findings.skeleton.outline import as_built, end_of, sizes, under
from obtegum.core.findings.work import Work
from obtegum.core.rooms.ends import words
from obtegum.core.rooms.ends.air import air_of
from obtegum.core.rooms.ends.blown import Blown, Most, bow_pushed, wind_on
from obtegum.core.rooms.ends.passing import passing
from obtegum.core.rooms.ends.pulled import pulled_by
from obtegum.core.rooms.ends.wall import wall_of
from obtegum.core.rooms.soil.found import why_no_ground
from obtegum.core.rooms.strength.found import why_unknown
from obtegum.core.rooms.strength.words import MANY, aided, share_text
from obtegum.core.values.amount import amount_text
from obtegum.core.values.quantity import area_text

__all__ = ["verdicts"]

# What a prop, its wedges and its plate want to the side of the house’s middle, m (this bench).
CLEAR_M = 0.15


def verdicts(work: Work) -> list[Verdict]:
    """Each framed end against the wind, its doorway against what should pass, a fan against what it draws in by."""
    found = [each for side in SIDES if wall_of(work, side).sticks for each in _of_end(work, side)]
    return [*found, *(each for side in SIDES for each in _film(work, side)), *_fan(work)]


def _of_end(work: Work, side: Side) -> Iterator[Verdict]:
    blown = wind_on(work, side)
    if blown is not None:
        yield from _blown(work, side, blown)
    yield from _built(work, side)
    yield from _passes(work, side)
    yield from _propped(work, side)


def _propped(work: Work, side: Side) -> Iterator[Verdict]:
    """A prop in a storm that stands behind a doorway."""
    door = next((each for each in wall_of(work, side).openings if each.name == "door"), None)
    if door is None or work.design.strength.prop == "none" or not door.left < CLEAR_M or not door.right > -CLEAR_M:
        return
    in_m, aside_m = bays_of(work).bay_m, min(CLEAR_M - door.left, door.right + CLEAR_M)
    sentence = words.prop_behind(work.say(in_m), side, work.say(aside_m, "up"))
    title = f"Prop behind the door, {side}"
    yield verdict_on(
        "ends", f"propway-{side}", title, "tight", sentence, work.say(in_m), "", None, "opening:door", "comfort"
    )


def _built(work: Work, side: Side) -> Iterator[Verdict]:
    """Whether headers still go under the end bow as its posts stand."""
    if as_built(work, side) is None:
        return
    wide = sizes(work, side)[0]
    for each in wall_of(work, side).openings:
        clear = [under(work, side, x) for x in (each.left, each.right)]
        short = each.high + wide - min(0.0 if high is None else high for high in clear)
        if short > 1e-6:
            named = "door" if each.name == "door" else f"opening {each.name}"
            lower = work.say(short, "up")
            sentence = words.header_meets(side, named, lower)
            part = f"opening:{each.name}"
            yield verdict_on(
                "ends", f"header-built-{side}", f"Header as built, {side}", "fails", sentence, lower, "", None, part
            )
            return


def _percent(share: float) -> str:
    return f"{math.ceil(min(share, NEVER) * 100 - 1e-9):,} %"


def _share(
    work: Work, name: str, title: str, share: float, sentence: str, part: str, level: Level | None = None
) -> Verdict:
    judged = level or judge(min(share, NEVER), work.rules.holds_to)
    said = aided(work, sentence)
    return verdict_on("ends", name, title, judged, said, _percent(share), "100 %", min(share, NEVER), part, "stands")


def _blown(work: Work, side: Side, blown: Blown) -> Iterator[Verdict]:
    press = amount_text(blown.pressure_pa, "pressure", work.tape.units, "up")
    worst = blown.stud
    sentence = words.stud_uses(side, worst.letter, _percent(worst.share), press)
    yield _share(work, f"stud-{side}", f"Studs, {side}", worst.share, sentence, f"{side}:{worst.letter}")
    for name, called, most in (("header", "header", blown.header), ("rail", "cross rail", blown.rail)):
        if most is not None:
            sentence = words.across_uses(side, called, most.letter, _percent(most.share))
            title = f"{called.capitalize()}, {side}"
            yield _share(work, f"{name}-{side}", title, most.share, sentence, f"{side}:{most.letter}")
    yield _head(work, side, blown)
    yield _bow(work, side)
    if any(stick.what == "jamb" for stick in wall_of(work, side).sticks):
        yield _jamb(work, side, blown)


def _head(work: Work, side: Side, blown: Blown) -> Verdict:
    title, pull = f"Studs’ heads, {side}", amount_text(blown.head_n, "force", work.tape.units, "up")
    most: Most | None = blown.head
    end = end_of(work, side)
    if most is None:
        asked = aided(work, words.head_unknown(side, end.stand == "tube", pull))
        return verdict_on("ends", f"head-{side}", title, "unknown", asked, "not known", "", None, "bow")
    screws = end.screws if end.head == "cut" else None
    sentence = words.head_asked(pull, most.letter, _percent(most.share), screws)
    return _share(work, f"head-{side}", title, most.share, sentence, f"{side}:{most.letter}")


def _bow(work: Work, side: Side) -> Verdict:
    title, used = f"End bow, {side}", bow_pushed(work, side)
    if used is None:
        asked = words.push_uncounted(why_unknown(work) or words.bow_too_weak())
        return verdict_on("ends", f"endbow-{side}", title, "unknown", asked, "not known", "", None, "bow")
    whole, pushed = used
    sentence = words.bow_uses(side, _percent(whole), _percent(pushed), end_of(work, side).film == "ask")
    return _share(work, f"endbow-{side}", title, whole, sentence, "bow")


def _film(work: Work, side: Side) -> Iterator[Verdict]:
    """What film pulls at the end: its bow, its runs or its struts."""
    pulled, units = pulled_by(work, side), work.tape.units
    if pulled is None:
        return
    pull = amount_text(pulled.tension_n_m, "pull", units, "up")
    title = f"Film’s pull, {side}"
    if pulled.share is None:
        sentence = words.film_unknown(side, pull, why_unknown(work) or words.bow_too_weak())
        yield verdict_on(
            "ends", f"film-{side}", title, "unknown", aided(work, sentence), pull, "",
            None, "bow", "stands",
        )  # fmt: skip
    else:
        uses, aside = _uses(pulled.share), _percent(min(pulled.aside / pulled.share, 1.0))
        yield _share(work, f"film-{side}", title, pulled.share, words.film_pulls(side, pull, uses, aside), "bow")
    if pulled.strut is not None:
        yield _pressed(work, side, "strut", pulled.strut.pressed_n, pulled.strut.takes_n)
    elif pulled.run_takes_n is None:
        said, title = aided(work, words.nothing_holds(side)), f"Runs, film of the {side}"
        yield verdict_on("ends", f"filmrun-{side}", title, "unknown", said, "not known", "", None, "bow", "stands")
    else:
        yield _pressed(work, side, "run", pulled.run_n, pulled.run_takes_n)


def _uses(share: float) -> str:
    return (
        f"uses {_percent(share)} of its strength" if share <= MANY else f"would need {share_text(share)} its strength"
    )


def _pressed(work: Work, side: Side, what: str, pressed_n: float, takes_n: float | None) -> Verdict:
    units, title = work.tape.units, f"{what.capitalize()}s, film of the {side}"
    pressed = amount_text(pressed_n, "force", units, "up")
    if takes_n is None:
        said = aided(work, words.press_unknown(what == "strut", pressed))
        return verdict_on("ends", f"film{what}-{side}", title, "unknown", said, pressed, "", None, "bow", "stands")
    takes = amount_text(takes_n, "force", units, "down")
    share = pressed_n / takes_n if takes_n > 0 else NEVER
    said = words.film_presses(side, what == "strut", pressed, takes)
    return _share(work, f"film{what}-{side}", title, share, said, "bow")


def _jamb(work: Work, side: Side, blown: Blown) -> Verdict:
    title = f"Jambs’ feet, {side}"
    part = next(f"{side}:{stick.letter}" for stick in wall_of(work, side).sticks if stick.what == "jamb")
    if blown.foot_share is None:
        asked = words.jamb_unknown(side, why_no_ground(work))
        return verdict_on("ends", f"jamb-{side}", title, "unknown", asked, "not known", "", None, part)
    share, end = blown.foot_share, end_of(work, side)
    deep = work.say(end.deep_m, "down")
    sentence = words.jamb_uses(deep, end.fill == "concrete", side, _percent(share))
    return _share(work, f"jamb-{side}", title, share, sentence, part)


def _passes(work: Work, side: Side) -> Iterator[Verdict]:
    """Whether what was named goes through; a grower may stoop where nobody asked for more."""
    what = work.design.ends.passes
    room = passing(work, side, what)
    if room is None or (what == "grower" and room.passes):
        return
    title, wide = f"Way through, {side}", work.say(2 * room.beside_m, "down")
    named = room.words.capitalize()
    level: Level
    if room.easy:
        level, sentence = "holds", words.goes_through(named, side, wide)
    elif room.passes:
        level, sentence = "tight", words.only_just(named, side)
    else:
        lacks = [
            f"{work.say(-short, 'up')} too {how}"
            for short, how in ((2 * room.beside_m, "narrow"), (room.over_m, "low"))
            if short < 0
        ]
        level, sentence = "fails", words.not_through(named, side, lacks)
        if what == "grower":
            level = "tight"
    number = wide if room.passes else "no"
    yield verdict_on(
        "ends", f"passes-{side}", title, level, sentence, number, "", None, "opening:door", "comfort",
    )  # fmt: skip


def _fan(work: Work) -> Iterator[Verdict]:
    air = air_of(work)
    if air.fan is None:
        return
    wants, has = area_text(air.wants_m2, work.tape, "up"), area_text(air.has_m2, work.tape)
    ratio = air.wants_m2 / air.has_m2 if air.has_m2 > 0 else NEVER
    other = "back" if air.fan == "front" else "front"
    sentence = words.fan_wants(wants, other, has)
    level = judge(min(ratio, NEVER), work.rules.holds_to)
    part = next(f"opening:{each.name}" for each in wall_of(work, air.fan).openings if each.what == "fan")
    yield verdict_on("ends", "fan", "Fan’s air", level, sentence, has, wants, min(ratio, NEVER), part, "comfort")
