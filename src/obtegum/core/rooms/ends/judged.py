"""What is judged of the ends: studs, header, rails, heads, jambs' feet and end bow in wind; who passes; a fan's air."""

import math
from collections.abc import Iterator

from obtegum.core.documents.ends import SIDES, Side
from obtegum.core.drawing.verdict import NEVER, Level, Verdict, judge, verdict_on
from obtegum.core.findings.skeleton.bays import bays_of
from obtegum.core.findings.skeleton.outline import as_built, end_of, sizes, under
from obtegum.core.findings.work import Work
from obtegum.core.rooms.ends.air import air_of
from obtegum.core.rooms.ends.blown import Blown, Most, bow_pushed, wind_on
from obtegum.core.rooms.ends.passing import passing
from obtegum.core.rooms.ends.pulled import pulled_by
from obtegum.core.rooms.ends.wall import wall_of
from obtegum.core.rooms.soil.found import why_no_ground
from obtegum.core.rooms.strength.found import why_unknown
from obtegum.core.rooms.strength.words import AID, MADE_UP, MANY, share_text
from obtegum.core.rooms.weather.found import stood_in
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
    sentence = (
        f"The prop under the second bow’s crown stands {work.say(in_m)} behind the door of the {side}. A doorway "
        f"{work.say(aside_m, 'up')} to the side clears it."
    )
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
            sentence = f"As the posts of the {side} stand, the header of the {named} meets the bow: {lower} lower."
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
    made_up = f"{MADE_UP} " if stood_in(work) else ""
    judged = level or judge(min(share, NEVER), work.rules.holds_to)
    said = f"{made_up}{sentence} {AID}"
    return verdict_on("ends", name, title, judged, said, _percent(share), "100 %", min(share, NEVER), part, "stands")


def _blown(work: Work, side: Side, blown: Blown) -> Iterator[Verdict]:
    press = amount_text(blown.pressure_pa, "pressure", work.tape.units, "up")
    worst = blown.stud
    sentence = (
        f"The {side}’s stud {worst.letter} uses {_percent(worst.share)} of its bending strength under {press} of wind."
    )
    yield _share(work, f"stud-{side}", f"Studs, {side}", worst.share, sentence, f"{side}:{worst.letter}")
    for name, words, most in (("header", "header", blown.header), ("rail", "cross rail", blown.rail)):
        if most is not None:
            sentence = (
                f"The {side}’s {words} {most.letter} uses {_percent(most.share)} of its bending strength, with half of "
                "what is below and above it in the wind."
            )
            title = f"{words.capitalize()}, {side}"
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
        why = f"Nobody said how many screws hold each head of the {side}."
        if end.stand == "tube":
            why = f"What clamps at the heads of the {side} bear isn’t known: pull at one."
        asked = f"{why} Wind asks {pull} of the hardest. {AID}"
        return verdict_on("ends", f"head-{side}", title, "unknown", asked, "not known", "", None, "bow")
    by = f"{end.screws} screws through a strap bear" if end.head == "cut" else "its bolt’s plate washer bears"
    sentence = f"Wind asks {pull} of the head of {most.letter}: {_percent(most.share)} of what {by} in wet wood."
    return _share(work, f"head-{side}", title, most.share, sentence, f"{side}:{most.letter}")


def _bow(work: Work, side: Side) -> Verdict:
    title, used = f"End bow, {side}", bow_pushed(work, side)
    if used is None:
        why = why_unknown(work) or "The bow itself is too weak for its weather: see Strength."
        asked = f"What the studs push the end bow by isn’t counted. {why}"
        return verdict_on("ends", f"endbow-{side}", title, "unknown", asked, "not known", "", None, "bow")
    whole, pushed = used
    sentence = (
        f"The {side}’s bow uses {_percent(whole)} of its strength, {_percent(pushed)} of that because studs push it "
        f"between its runs.{'' if end_of(work, side).film != 'ask' else ' How its film is fixed, nobody said.'}"
    )
    return _share(work, f"endbow-{side}", title, whole, sentence, "bow")


def _film(work: Work, side: Side) -> Iterator[Verdict]:
    """What film pulls at the end: its bow, its runs or its struts."""
    pulled, units = pulled_by(work, side), work.tape.units
    if pulled is None:
        return
    pull = amount_text(pulled.tension_n_m, "pull", units, "up")
    title = f"Film’s pull, {side}"
    asked = f"Wind makes the film pull the {side}’s bow by {pull}"
    if pulled.share is None:
        why = why_unknown(work) or "The bow itself is too weak for its weather: see Strength."
        yield verdict_on(
            "ends", f"film-{side}", title, "unknown", f"{asked}; what it bears isn’t known. {why} {AID}", pull, "",
            None, "bow", "stands",
        )  # fmt: skip
    else:
        aside = (
            f"{_percent(min(pulled.aside / pulled.share, 1.0))} of that because film draws it in between what holds it"
        )
        yield _share(
            work, f"film-{side}", title, pulled.share, f"{asked}; it {_uses(pulled.share)}, {aside}.",
            "bow",
        )  # fmt: skip
    if pulled.strut is not None:
        yield _pressed(work, side, "strut", "its struts", pulled.strut.pressed_n, pulled.strut.takes_n)
    elif pulled.run_takes_n is None:
        said = f"Nothing that can be reckoned holds the {side}’s bow against its film: runs of steel tube, or a strut."
        yield verdict_on(
            "ends", f"filmrun-{side}", f"Runs, film of the {side}", "unknown", f"{said} {AID}", "not known", "", None,
            "bow", "stands",
        )  # fmt: skip
    else:
        yield _pressed(work, side, "run", "the run that it presses most", pulled.run_n, pulled.run_takes_n)


def _uses(share: float) -> str:
    return (
        f"uses {_percent(share)} of its strength" if share <= MANY else f"would need {share_text(share)} its strength"
    )


def _pressed(work: Work, side: Side, what: str, words: str, pressed_n: float, takes_n: float | None) -> Verdict:
    units, title = work.tape.units, f"{what.capitalize()}s, film of the {side}"
    pressed = amount_text(pressed_n, "force", units, "up")
    if takes_n is None:
        said = f"Film presses {words} by {pressed}; what that takes isn’t known. {AID}"
        return verdict_on("ends", f"film{what}-{side}", title, "unknown", said, pressed, "", None, "bow", "stands")
    takes = amount_text(takes_n, "force", units, "down")
    share = pressed_n / takes_n if takes_n > 0 else NEVER
    way = "from foot to head" if what == "strut" else "from bow to bow"
    said = f"Film of the {side} presses {words} by {pressed}; {way} that takes {takes}."
    return _share(work, f"film{what}-{side}", title, share, said, "bow")


def _jamb(work: Work, side: Side, blown: Blown) -> Verdict:
    title = f"Jambs’ feet, {side}"
    part = next(f"{side}:{stick.letter}" for stick in wall_of(work, side).sticks if stick.what == "jamb")
    if blown.foot_share is None:
        asked = f"What the jambs of the {side} stand in isn’t known. {why_no_ground(work)}"
        return verdict_on("ends", f"jamb-{side}", title, "unknown", asked, "not known", "", None, part)
    share, end = blown.foot_share, end_of(work, side)
    deep, filled = work.say(end.deep_m, "down"), " in concrete" if end.fill == "concrete" else ""
    sentence = f"{deep} deep{filled}, a jamb of the {side} uses {_percent(share)} of what its ground holds sideways."
    return _share(work, f"jamb-{side}", title, share, sentence, part)


def _passes(work: Work, side: Side) -> Iterator[Verdict]:
    """Whether what was named goes through; a grower may stoop where nobody asked for more."""
    what = work.design.ends.passes
    room = passing(work, side, what)
    if room is None or (what == "grower" and room.passes):
        return
    title, wide = f"Way through, {side}", work.say(2 * room.beside_m, "down")
    level: Level
    if room.easy:
        level, sentence = "holds", f"{room.words.capitalize()} goes through the {side} with {wide} to spare across."
    elif room.passes:
        level, sentence = "tight", f"{room.words.capitalize()} only just goes through the {side}: mind your knuckles."
    else:
        lacks = [
            f"{work.say(-short, 'up')} too {words}"
            for short, words in ((2 * room.beside_m, "narrow"), (room.over_m, "low"))
            if short < 0
        ]
        level, sentence = "fails", f"{room.words.capitalize()} doesn’t go through the {side}: {', '.join(lacks)}."
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
    sentence = (
        f"A fan for this floor draws in through {wants} at the other end; the {other} opens {has}. Short of air it "
        "pulls at the film and hardly cools."
    )
    level = judge(min(ratio, NEVER), work.rules.holds_to)
    part = next(f"opening:{each.name}" for each in wall_of(work, air.fan).openings if each.what == "fan")
    yield verdict_on("ends", "fan", "Fan’s air", level, sentence, has, wants, min(ratio, NEVER), part, "comfort")
