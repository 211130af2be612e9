"""Whether wind along the house comes to the ground, and whether a brace bends the bow that it is bolted to."""

import math
from collections.abc import Iterator

from obtegum.core.drawing.verdict import NEVER, Level, Verdict, judge, verdict_on
from obtegum.core.findings.work import Work
from obtegum.core.rooms.braces import words
from obtegum.core.rooms.braces.found import along_of, eccentricity_m, holding, pulling, run_takes
from obtegum.core.rooms.braces.tied import ties_asked
from obtegum.core.rooms.strength.found import why_unknown
from obtegum.core.rooms.strength.words import AID, aided, made_up
from obtegum.core.rooms.weather.found import method_of
from obtegum.core.values.amount import amount_text

__all__ = ["tie_verdicts", "verdicts"]


def verdicts(work: Work) -> list[Verdict]:
    """Wind along, the braces' heads, and the ties."""
    return [_wind(work), *_runs(work), *_heads(work), *tie_verdicts(work)]


def _verdict(level: Level, sentence: str, number: str, limit: str = "", ratio: float | None = None) -> Verdict:
    return verdict_on(
        "braces", "along", "Wind along", level, f"{sentence} {AID}", number, limit, ratio, "brace", "stands"
    )


def _wind(work: Work) -> Verdict:
    if work.design.braces.bays is None:
        return _verdict("unknown", words.bays_not_told(), "not known")
    if not work.design.braces.bays:
        sentence = words.no_bay()
        return _verdict("fails", sentence, "no braced bay", "", NEVER)
    blind = [where for where, count in zip(("front", "back"), pulling(work), strict=True) if not count]
    if blind:
        sentence = words.none_pulls(blind[0])
        return _verdict("fails", sentence, "none pulls", "", NEVER)
    along = along_of(work)
    if along is None:
        why = why_unknown(work) if method_of(work).of_site else words.no_push_given()
        return _verdict("unknown", words.along_unknown(why), "not known")
    units, holds = work.tape.units, holding(work)
    pulled = amount_text(along.brace_n, "force", units, "up")
    ends = amount_text(along.ends_n, "force", units, "up")
    if holds.holds_n is None:
        sentence = words.brace_unknown(ends, pulled, holds.what, holds.source)
        return _verdict("unknown", made_up(work, sentence), pulled)
    held = amount_text(holds.holds_n, "force", units, "down")
    ratio = along.brace_n / holds.holds_n if holds.holds_n > 0 else NEVER
    level = judge(ratio, work.rules.holds_to)
    sentence = words.brace_holds(ends, pulled, holds.what, held, holds.source)
    return _verdict(level, made_up(work, sentence), pulled, held, min(ratio, NEVER))


def _runs(work: Work) -> Iterator[Verdict]:
    """Runs pressed by what they carry to the braces that pull."""
    takes = run_takes(work)
    if takes is None:
        return
    units, (pressed_n, takes_n) = work.tape.units, takes
    pressed, most = amount_text(pressed_n, "force", units, "up"), amount_text(takes_n, "force", units, "down")
    by = method_of(work).clauses
    sentence = aided(work, words.run_pressed(pressed, most, f"{by.code} {by.column}"))
    ratio = pressed_n / takes_n if takes_n > 0 else NEVER
    level = judge(ratio, work.rules.holds_to)
    yield verdict_on(
        "braces", "run-pressed", "Runs, wind along", level, sentence, pressed, most, min(ratio, NEVER), "run", "stands"
    )


def tie_verdicts(work: Work) -> Iterator[Verdict]:
    """What pulls and presses collars, struts and knees."""
    units = work.tape.units
    for each in ties_asked(work):
        pulled, pressed = (amount_text(force, "force", units, "up") for force in (each.pulled_n, each.pressed_n))
        title, name = f"{each.what.capitalize()} in weather", f"tie-{each.what}"
        if each.takes_n is None or each.holding.holds_n is None or each.share is None:
            said = words.tie_unknown(each.what, pulled, pressed, each.holding.what, each.holding.source)
            sentence = aided(work, said)
            yield verdict_on("braces", name, title, "unknown", sentence, pulled, "", None, each.what, "stands")
            continue
        held = amount_text(each.holding.holds_n, "force", units, "down")
        takes = amount_text(each.takes_n, "force", units, "down")
        ratio = min(each.share, NEVER)
        said = words.tie_holds(each.what, pulled, pressed, each.holding.what, held, each.holding.source, takes)
        sentence = aided(work, said)
        level = judge(ratio, work.rules.holds_to)
        number = f"{math.ceil(ratio * 100 - 1e-9):,} %"
        yield verdict_on("braces", name, title, level, sentence, number, "100 %", ratio, each.what, "stands")


def _heads(work: Work) -> Iterator[Verdict]:
    """A head away from any run bends its bow."""
    off_m, along = eccentricity_m(work), along_of(work)
    # Where nobody told it, and nobody knows the wind, a head says nothing.
    if not work.design.braces.bays or not off_m or (along is None and work.design.braces.head_m is None):
        return
    moment = ""
    if along is not None and math.isfinite(along.brace_n):
        moment = amount_text(along.lift_n * off_m, "torque", work.tape.units, "up")
    sentence = words.head_off(work.say(off_m, "up"), moment)
    yield verdict_on(
        "braces", "brace-head", "Brace at a run", "tight", sentence, work.say(off_m, "up"), "", None, "brace"
    )
