"""Whether a house is lifted out, pushed over or pressed down: each kind of post against what the weather asks."""

from collections.abc import Iterator
from typing import Literal

from obtegum.core.drawing.verdict import NEVER, Level, Verdict, judge, verdict_on
from obtegum.core.findings.skeleton.settings import Kind, set_of
from obtegum.core.findings.skeleton.stands import way_of
from obtegum.core.findings.skeleton.tubes import post_tube
from obtegum.core.findings.work import Work
from obtegum.core.formulas.anchor.pole import GIVES, pole_depth
from obtegum.core.rooms.hold import words
from obtegum.core.rooms.hold.found import chain_of, counts, holds_of, pulled
from obtegum.core.rooms.soil.found import ground_of, why_no_ground
from obtegum.core.rooms.strength.asks import Ask, Asks, all_asks, brace_asks, corner_asks, parting_gust, row_asks
from obtegum.core.rooms.strength.found import bow_found, end_found, short_found, why_unknown
from obtegum.core.rooms.strength.words import MANY, aided, conditions
from obtegum.core.values.amount import amount_text

__all__ = ["gives_way", "kinds", "open_question", "verdicts"]

# What each kind is called by.
BEFORE: dict[Kind, str] = {"row": "", "corner": "corner ", "brace": "braced "}
WAYS: tuple[Literal["up", "side"], ...] = ("up", "side")


def _ask_of(work: Work, kind: Kind) -> Asks | None:
    """What is asked of a kind: corners that are as the others are among them."""
    if kind == "corner":
        return corner_asks(work)
    if kind == "brace":
        return brace_asks(work)
    return row_asks(work) if counts(work)["corner"] else all_asks(work)


def kinds(work: Work) -> tuple[Kind, ...]:
    """The kinds of post there are: corners by themselves where they are set otherwise, and those with a brace."""
    return tuple(kind for kind, count in counts(work).items() if count)


def open_question(work: Work) -> str:
    """The one question that keeps all of it unknown; empty where none does."""
    if row_asks(work) is None:
        return why_unknown(work) or "The bow’s strength isn’t known, so neither is what it pulls by: see Strength."
    tested = any(pulled(work, set_of(work, kind), way)[0] for kind in kinds(work) for way in WAYS)
    return "" if tested else why_no_ground(work)


def verdicts(work: Work) -> list[Verdict]:
    """Whether the house is lifted out, pushed over, or pressed down: by each kind of post, the worse of them."""
    if reason := open_question(work):
        return [_verdict("lift", "Held down", "unknown", words.not_told(reason), "not known")]
    found_ = [list(_judged(work, kind)) for kind in kinds(work)]
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
    if gives_way(work):
        yield _verdict("side", "Pushed sideways", "unknown", aided(work, words.bow_first()), "not known")
    else:
        yield _side(work, kind, max(_pushes(work, kind, asks), key=lambda each: _ratio(*each)), holds.source)
    yield _down(work, kind, asks.down, holds.down_n, holds.source)


def gives_way(work: Work) -> bool:
    """Whether a bow gives way, or is so far beyond its strength, that no push of its feet means anything."""
    if bow_found(work) is None:
        return True
    bows = [bow for bow in (bow_found(work), short_found(work), end_found(work)) if bow is not None]
    return any(bow.found is None or bow.ratio > MANY or not bow.found.stands.all() for bow in bows)


def _pushes(work: Work, kind: Kind, asks: Asks) -> tuple[tuple[Ask, float | None], ...]:
    """What pushes a post sideways, and what holds it there: wind, which may move it a little, and what stays."""
    setting = set_of(work, kind)
    tested, holds = pulled(work, setting, "side")[0], holds_of(work, setting)
    if tested is not None:
        return ((asks.wind, tested), (asks.still, tested))
    return ((asks.wind, holds.wind_n), (asks.still, holds.still_n))


def _ratio(ask: Ask, holds_n: float | None) -> float:
    return NEVER if holds_n is None or holds_n <= 0 else ask.force_n / holds_n


def _many(work: Work, kind: Kind) -> str:
    return f"{BEFORE[kind]}{way_of(work).many}"


def _lift(work: Work, kind: Kind, ask: Ask) -> Verdict:
    """The chain against the lift: a link that is known and too weak fails it, one that nobody knows leaves it open."""
    chain, many = chain_of(work, kind), _many(work, kind)
    weak, lift = chain.weakest, _force(work, ask.force_n, "up")
    if ask.force_n <= 0:
        return _verdict("lift", "Held down", "holds", aided(work, words.not_lifted(many)), "none", "", 0.0)
    weather = f"{ask.words}{conditions(work)}"
    weak_n = weak.holds_n
    if weak_n is not None and weak_n < ask.force_n:
        ends = (True,) if kind == "corner" else (False,) if counts(work)["corner"] else (False, True)
        gust = min(filter(None, (parting_gust(work, weak_n, end) for end in ends)), default=None)
        at_gust = amount_text(gust, "speed", work.tape.units, "down") if gust else ""
        held = _force(work, weak_n, "down") if weak_n > 0 else "nothing"
        sentence = aided(work, words.parts(many, lift, weak.what, held, at_gust, weather, weak.source))
        ratio = ask.force_n / weak_n if weak_n > 0 else NEVER
        return _verdict("lift", "Held down", "fails", sentence, lift, held, min(ratio, NEVER))
    if chain.unknown:
        link = chain.unknown[0]
        sentence = aided(work, words.link_unknown(many, lift, link.what, link.source))
        return _verdict("lift", "Held down", "unknown", sentence, lift)
    assert weak_n is not None
    ratio, held = ask.force_n / weak_n, _force(work, weak_n, "down")
    sentence = aided(work, words.weakest(many, lift, weak.what, held, weather))
    return _verdict("lift", "Held down", judge(ratio, work.rules.holds_to), sentence, lift, held, ratio)


def _side(work: Work, kind: Kind, push: tuple[Ask, float | None], source: str) -> Verdict:
    (ask, holds_n), many = push, _many(work, kind)
    pushed = _force(work, ask.force_n, "up")
    if holds_n is None:
        sentence = aided(work, words.push_unknown(many, pushed, source))
        return _verdict("side", "Pushed sideways", "unknown", sentence, pushed)
    ratio, held = _ratio(ask, holds_n), _force(work, holds_n, "down")
    needs = _needs(work, kind, ask) if ratio > 1 and pulled(work, set_of(work, kind), "side")[0] is None else ""
    sentence = aided(work, words.pushed(many, pushed, held, needs, f"{ask.words}{conditions(work)}"))
    return _verdict("side", "Pushed sideways", judge(ratio, work.rules.holds_to), sentence, pushed, held, ratio)


def _needs(work: Work, kind: Kind, ask: Ask) -> str:
    """How deep driven posts would have to go for a push, as printed; by iteration, as the code has it."""
    ground = ground_of(work)
    if ground is None or set_of(work, kind) != "driven":
        return ""
    asks = _ask_of(work, kind)
    assert asks is not None
    pushes = ((asks.wind.force_n, GIVES), (asks.still.force_n, 1.0))
    wide_m = post_tube(work).over_m
    deep_m = max(pole_depth(ground, wide_m, force_n, times=times) for force_n, times in pushes)
    return work.say(deep_m, "up")


def _down(work: Work, kind: Kind, ask: Ask, holds_n: float | None, source: str) -> Verdict:
    many, pressed = _many(work, kind), _force(work, ask.force_n, "up")
    if holds_n is None:
        sentence = aided(work, words.press_unknown(many, pressed, source))
        return _verdict("sinks", "Pressed down", "unknown", sentence, pressed)
    ratio, held = _ratio(ask, holds_n), _force(work, holds_n, "down")
    sentence = aided(work, words.pressed(many, pressed, held, f"{ask.words}{conditions(work)}"))
    return _verdict("sinks", "Pressed down", judge(ratio, work.rules.holds_to), sentence, pressed, held, ratio)
