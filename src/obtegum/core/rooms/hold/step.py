"""Holds down: how each post is set in its ground, what that holds, and the chain from bow to soil."""

import math
from collections.abc import Iterator
from typing import Literal

from obtegum.core.amount import AmountKind, amount_text
from obtegum.core.answers import amount_answer, count_answer, settled
from obtegum.core.rooms.hold.found import (
    Kind,
    bag_of,
    chain_of,
    concrete_top_m,
    counts,
    holds_of,
    plate_deep_m,
    pulled,
    set_of,
    takes_of,
)
from obtegum.core.rooms.hold.settings import SETTINGS
from obtegum.core.rooms.posts.found import least_embedment_m
from obtegum.core.rooms.posts.ways import way_of
from obtegum.core.rooms.soil.found import why_no_ground
from obtegum.core.rooms.strength.asks import Ask, Asks, corner_asks, parting_gust, row_asks
from obtegum.core.rooms.strength.found import bow_found, why_unknown
from obtegum.core.rooms.weather.found import stood_in
from obtegum.core.rounding import rounded
from obtegum.core.step import Answer, StepPlan
from obtegum.core.strip import Strip, StripMark
from obtegum.core.verdict import Level, Verdict, judge, verdict_on
from obtegum.core.work import Work

__all__ = ["plan", "strips", "verdicts"]

AID = "Planning aid: code and a licensed engineer decide."
MADE_UP = "Made-up weather, not for building. "
RIG = "Stand clear of a rig under load, out of the line of chain and bar. "
NEVER = 99.0
# From so many times its strength on nothing of a bow means anything, nor what it pushes its feet by.
MANY = 3.0
WAYS: tuple[Literal["up", "side"], ...] = ("up", "side")


def _ask_of(work: Work, kind: Kind) -> Asks | None:
    """What is asked of a kind: corners that are as the others are looked at as the others."""
    row = row_asks(work)
    return corner_asks(work) if kind == "corner" else row


def _kinds(work: Work) -> tuple[Kind, ...]:
    return ("row", "corner") if counts(work)["corner"] else ("row",)


def _open(work: Work) -> str:
    """The one question that keeps all of it unknown; empty where none does."""
    if row_asks(work) is None:
        return why_unknown(work) or "The bow’s strength isn’t known, so neither is what it pulls by: see Strength."
    tested = any(pulled(work, set_of(work, kind), way)[0] for kind in _kinds(work) for way in WAYS)
    return "" if tested else why_no_ground(work)


def verdicts(work: Work) -> list[Verdict]:
    """Whether the house is lifted out, pushed over, or pressed down: by each kind of post, the worse of them."""
    if reason := _open(work):
        return [_verdict("lift", "Held down", "unknown", f"What holds it down isn’t known. {reason}", "not known")]
    found_ = [list(_judged(work, kind)) for kind in _kinds(work)]
    return [max((each[place] for each in found_), key=_worse) for place in range(len(found_[0]))]


def _worse(verdict: Verdict) -> tuple[int, float]:
    return ("holds", "unknown", "tight", "fails").index(verdict.level), verdict.ratio or 0.0


def _verdict(
    name: str, title: str, level: Level, sentence: str, number: str, limit: str = "", ratio: float | None = None
) -> Verdict:
    return verdict_on("hold", name, title, level, sentence, number, limit, ratio, "post:L", "stands")


def _force(work: Work, value_n: float, way: str) -> str:
    return amount_text(value_n, "force", work.tape.units, "up" if way == "up" else "down")


def _judged(work: Work, kind: Kind) -> Iterator[Verdict]:
    asks, setting = _ask_of(work, kind), set_of(work, kind)
    assert asks is not None
    holds = holds_of(work, setting)
    yield _lift(work, kind, asks.lift)
    if _gives_way(work):
        yield _verdict(
            "side", "Pushed sideways", "unknown", f"The bow gives way before its feet do. {AID}", "not known"
        )
    else:
        yield _side(work, kind, max(_pushes(work, kind, asks), key=lambda each: _ratio(*each)), holds.source)
    yield _down(work, kind, asks.down, holds.down_n, holds.source)


def _gives_way(work: Work) -> bool:
    """Whether the bow is so far beyond its strength that no push of its feet means anything."""
    bow = bow_found(work)
    return bow is None or bow.found is None or bow.ratio > MANY


def _pushes(work: Work, kind: Kind, asks: Asks) -> tuple[tuple[Ask, float | None], ...]:
    """What pushes a post sideways, and what holds it there: wind, which may move it a little, and what stays."""
    setting = set_of(work, kind)
    tested, holds = pulled(work, setting, "side")[0], holds_of(work, setting)
    if tested is not None:
        return ((asks.wind, tested), (asks.still, tested))
    return ((asks.wind, holds.wind_n), (asks.still, holds.still_n))


def _ratio(ask: Ask, holds_n: float | None) -> float:
    return NEVER if holds_n is None or holds_n <= 0 else ask.force_n / holds_n


def _made_up(work: Work) -> str:
    return MADE_UP if stood_in(work) else ""


def _begun(words: str) -> str:
    """Words as a sentence begins with them."""
    return words[:1].upper() + words[1:]


def _many(work: Work, kind: Kind) -> str:
    return f"{'corner ' if kind == 'corner' else ''}{way_of(work).many}"


def _lift(work: Work, kind: Kind, ask: Ask) -> Verdict:
    """The chain against the lift: a link that is known and too weak fails it, one that nobody knows leaves it open."""
    chain, many = chain_of(work, kind), _many(work, kind)
    weak, lift = chain.weakest, _force(work, ask.force_n, "up")
    if ask.force_n <= 0:
        return _verdict("lift", "Held down", "holds", f"Nothing lifts the {many}. {AID}", "none", "", 0.0)
    asked = f"{_made_up(work)}Wind lifts the {many} by {lift} each"
    weak_n = weak.holds_n
    if weak_n is not None and weak_n < ask.force_n:
        gust = parting_gust(work, weak_n, kind == "corner")
        parts = f", and parts at a gust of {amount_text(gust, 'speed', work.tape.units, 'down')}" if gust else ""
        held = _force(work, weak_n, "down") if weak_n > 0 else "nothing"
        sentence = f"{asked}; {weak.what} holds {held}{parts}: {ask.words}. {_begun(weak.source)}. {AID}"
        ratio = ask.force_n / weak_n if weak_n > 0 else NEVER
        return _verdict("lift", "Held down", "fails", sentence, lift, held, min(ratio, NEVER))
    if chain.unknown:
        link = chain.unknown[0]
        sentence = f"{asked}. What {link.what} holds isn’t known: {link.source}. {AID}"
        return _verdict("lift", "Held down", "unknown", sentence, lift)
    assert weak_n is not None
    ratio, held = ask.force_n / weak_n, _force(work, weak_n, "down")
    sentence = f"{asked}; the weakest link, {weak.what}, holds {held}: {ask.words}. {AID}"
    return _verdict("lift", "Held down", judge(ratio, work.rules.holds_to), sentence, lift, held, ratio)


def _side(work: Work, kind: Kind, push: tuple[Ask, float | None], source: str) -> Verdict:
    (ask, holds_n), many = push, _many(work, kind)
    pushed = _force(work, ask.force_n, "up")
    asked = f"{_made_up(work)}The {many} are pushed sideways by {pushed}"
    if holds_n is None:
        return _verdict("side", "Pushed sideways", "unknown", f"{asked}. {_begun(source)}. {AID}", pushed)
    ratio, held = _ratio(ask, holds_n), _force(work, holds_n, "down")
    sentence = f"{asked}; the ground holds {held} there: {ask.words}. Slim {many} often fail this on paper: test. {AID}"
    return _verdict("side", "Pushed sideways", judge(ratio, work.rules.holds_to), sentence, pushed, held, ratio)


def _down(work: Work, kind: Kind, ask: Ask, holds_n: float | None, source: str) -> Verdict:
    many, pressed = _many(work, kind), _force(work, ask.force_n, "up")
    asked = f"{_made_up(work)}The {many} are pressed down by {pressed}"
    if holds_n is None:
        return _verdict("sinks", "Pressed down", "unknown", f"{asked}. {_begun(source)}. {AID}", pressed)
    ratio, held = _ratio(ask, holds_n), _force(work, holds_n, "down")
    sentence = f"{asked}; the ground bears {held}: {ask.words}. {AID}"
    return _verdict("sinks", "Pressed down", judge(ratio, work.rules.holds_to), sentence, pressed, held, ratio)


def plan(work: Work, found: list[Verdict]) -> StepPlan:
    """How posts are set, what that takes, and what holds."""
    hold, pulls, kinds = work.design.hold, work.record.pulls, _kinds(work)
    settings = {set_of(work, kind) for kind in kinds}
    holed = any(SETTINGS[each].holed for each in settings)
    concreted = any(SETTINGS[each].concreted for each in settings)
    gripped = concreted or "plate" in settings or work.design.posts.stand == "slab"
    tests = (
        "record.pulls.set",
        *(
            (
                "record.pulls.deep_m",
                *(f"record.pulls.up_{number}" for number in range(1, 5)),
                *(f"record.pulls.side_{number}" for number in range(1, 5)),
            )
            if pulls.set != "none"
            else ()
        ),
    )
    return StepPlan(
        id="hold",
        title="Holds down",
        group="Frame",
        state="open" if _open(work) else settled(found),
        next=_next(work, found),
        caution=" ".join(dict.fromkeys(SETTINGS[set_of(work, kind)].caution for kind in kinds))
        + (f" {RIG.strip()}" if pulls.set != "none" else ""),
        measures=(
            "hold.set",
            "hold.corner_set",
            "posts.length_m",
            "posts.bolt_m",
            "hold.screws",
            *(("hold.screw",) if hold.screws else ()),
            *(("hold.bolt_m",) if work.design.posts.bolt_m is not None or hold.grip == "bar" else ()),
            *(("hold.hole_m",) if holed else ()),
            *(("hold.plate_m", "hold.plate_up_m") if "plate" in settings else ()),
            *(("hold.backfill",) if settings & {"plate", "tamped", "trench"} else ()),
            *(("hold.bag", "hold.bags") if concreted else ()),
            *(("hold.grip",) if gripped else ()),
            *tests,
        ),
        aside=("hold.screw", "hold.bolt_m", "hold.bag", "hold.bags", *tests),
        answers=tuple(_answers(work)),
        leads=("link", "corner_link", "bags", "asks_lift"),
        views=("chain", "settings", "above"),
        strips=("set",),
        grips=("posts.length_m", "hold.hole_m"),
        focus=("post", "ground", "hole", "concrete", "plate", "link", "way", "gravel", "grip", "bow"),
    )


def _next(work: Work, found: list[Verdict]) -> str:
    if reason := _open(work):
        return reason
    if any(each.level == "unknown" for each in found if each.id == "lift" or not _gives_way(work)):
        return "Pull at three posts set like these, or choose what is known: see the chain."
    weak = chain_of(work, "row").weakest
    return f"The weakest link is {weak.what}."


def _answers(work: Work) -> Iterator[Answer]:
    units = work.tape.units
    for kind in _kinds(work):
        before, words = ("", "") if kind == "row" else ("corner_", "corners: ")
        for place, link in enumerate(chain_of(work, kind).links, start=1):
            known = link.holds_n is not None
            name = f"{before}link_{place}"
            yield Answer(
                id=name,
                label=_begun(f"{words}{link.what}"),
                reading=amount_text(link.holds_n or 0.0, "force", units, rounded(name)) if known else "not known",
                value=link.holds_n or 0.0,
                unit="N",
                note=link.source,
            )
        yield from _takes(work, kind, before, words)
    asks = row_asks(work)
    if asks is not None:
        for name, label, ask in (
            ("asks_lift", "Weather lifts a foot by", asks.lift),
            ("asks_wind", "Wind pushes it sideways by", asks.wind),
            ("asks_still", "Snow pushes it sideways by", asks.still),
            ("asks_down", "Weather presses it down by", asks.down),
        ):
            if name in ("asks_lift", "asks_down") or not _gives_way(work):
                yield amount_answer(work, name, label, ask.force_n, "force", ask.words)
    holds = holds_of(work, set_of(work, "row"))
    for name, label, value in (
        ("held_wind", "Ground holds sideways, wind", holds.wind_n),
        ("held_still", "Ground holds sideways, snow", holds.still_n),
        ("held_down", "Ground bears", holds.down_n),
    ):
        if value is not None:
            yield amount_answer(work, name, label, value, "force", holds.source)


def _takes(work: Work, kind: Kind, before: str, words: str) -> Iterator[Answer]:
    """What all posts of a kind take together."""
    setting, count = set_of(work, kind), counts(work)[kind]
    takes, way = takes_of(work, setting), SETTINGS[setting]
    yield count_answer(f"{before}set", _begun(f"{words}{way_of(work).many}, {way.short}"), count, way.why)
    amounts: tuple[tuple[str, str, float, AmountKind], ...] = (
        ("spoil", "Spoil, as it lies", takes.hole_m3 * count, "load"),
        ("concrete", "Concrete", takes.concrete_m3 * count, "load"),
        ("gravel", "Gravel", takes.gravel_m3 * count, "load"),
    )
    for name, label, value, amount in amounts:
        if value > 0:
            yield amount_answer(work, f"{before}{name}", _begun(f"{words}{label}"), value, amount)
    if takes.bags:
        plug = concrete_top_m(work)
        note = f"{takes.bags} to a hole, {bag_of(work).name.lower()}"
        note += f"; a plug, {work.say(plug)} below the grass" if plug > 0.01 else ""
        yield count_answer(f"{before}bags", _begun(f"{words}Bags"), takes.bags * count, note)
        carbon = takes.carbon_kg * count
        yield Answer(
            id=f"{before}carbon",
            label=_begun(f"{words}Carbon of it"),
            reading=f"{math.ceil(carbon):,} kg",
            value=carbon,
            unit="kg",
            note="0.13 kg for each kg of concrete",
        )
    hours = takes.hours_s * count
    yield amount_answer(work, f"{before}hours", _begun(f"{words}Hours of one"), hours, "hours", way.tools)


def strips(work: Work) -> list[Strip]:
    """A hole and what stands in it, from the grass down."""
    deep_m, hold, setting = max(least_embedment_m(work), 0.0), work.design.hold, set_of(work, "row")
    marks: list[StripMark] = [
        work.mark(0.0, "grass", "ground", "ground", "set"),
        work.mark(deep_m, f"{way_of(work).one} ends, flat bottom", "cut", "post:foot", "set"),
    ]
    if setting == "plate":
        marks.append(work.mark(plate_deep_m(work), "plate", "joint", "plate", "set"))
    if setting == "concrete" and concrete_top_m(work) > 0:
        marks.append(work.mark(concrete_top_m(work), "concrete to here", "ground", "concrete", "set"))
    if setting == "concrete" and hold.grip != "smooth":
        marks.append(work.mark(deep_m * 2 / 3, "bar or clamp", "joint", "grip", "set"))
    return [
        Strip(
            id="set",
            title="Down the hole" if SETTINGS[setting].holed else "Down the post",
            about=f"tape from the grass · {counts(work)['row']} alike",
            material="post",
            length_m=max(deep_m, 0.1),
            marks=tuple(sorted(marks, key=lambda each: each.at_m)),
        )
    ]
