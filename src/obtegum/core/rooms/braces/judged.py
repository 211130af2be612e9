"""Whether wind along the house comes to the ground, and whether a brace bends the bow that it is bolted to."""

import math
from collections.abc import Iterator

from obtegum.core.drawing.verdict import NEVER, Level, Verdict, judge, verdict_on
from obtegum.core.findings.work import Work
from obtegum.core.rooms.braces.found import along_of, eccentricity_m, holding, pulling, run_takes
from obtegum.core.rooms.braces.tied import ties_asked
from obtegum.core.rooms.strength.found import why_unknown
from obtegum.core.rooms.strength.words import AID, MADE_UP
from obtegum.core.rooms.weather.found import method_of, stood_in
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
        return _verdict("unknown", "How many bays of each side are braced? Nobody has said: see Braces.", "not known")
    if not work.design.braces.bays:
        sentence = "No bay is braced: nothing takes wind along the house, or holds a bow beside itself."
        return _verdict("fails", sentence, "no braced bay", "", NEVER)
    blind = [where for where, count in zip(("front", "back"), pulling(work), strict=True) if not count]
    if blind:
        sentence = f"No brace pulls when wind blows at the {blind[0]}: lean one the other way, or cross them."
        return _verdict("fails", sentence, "none pulls", "", NEVER)
    along = along_of(work)
    if along is None:
        why = (
            "Pressures as given say nothing of the ends: have the push along the house given too."
            if not method_of(work).of_site
            else why_unknown(work)
        )
        return _verdict("unknown", f"What wind along asks of the braces isn’t known. {why}", "not known")
    units, holds = work.tape.units, holding(work)
    pulled = amount_text(along.brace_n, "force", units, "up")
    ends = amount_text(along.ends_n, "force", units, "up")
    made_up = f"{MADE_UP} " if stood_in(work) else ""
    asked = f"{made_up}Wind along pushes both ends by {ends}, and pulls each brace by {pulled}"
    if holds.holds_n is None:
        return _verdict("unknown", f"{asked}. What {holds.what} holds isn’t known: {holds.source}.", pulled)
    held = amount_text(holds.holds_n, "force", units, "down")
    ratio = along.brace_n / holds.holds_n if holds.holds_n > 0 else NEVER
    level = judge(ratio, work.rules.holds_to)
    return _verdict(level, f"{asked}; {holds.what} holds {held} ({holds.source}).", pulled, held, min(ratio, NEVER))


def _runs(work: Work) -> Iterator[Verdict]:
    """Runs pressed by what they carry to the braces that pull."""
    takes = run_takes(work)
    if takes is None:
        return
    units, (pressed_n, takes_n) = work.tape.units, takes
    pressed, most = amount_text(pressed_n, "force", units, "up"), amount_text(takes_n, "force", units, "down")
    made_up = f"{MADE_UP} " if stood_in(work) else ""
    by = method_of(work).clauses
    said = f"{made_up}Wind along presses each run by {pressed}, on to the braces that pull; from bow to bow it takes"
    sentence = f"{said} {most} ({by.code} {by.column}). {AID}"
    ratio = pressed_n / takes_n if takes_n > 0 else NEVER
    level = judge(ratio, work.rules.holds_to)
    yield verdict_on(
        "braces", "run-pressed", "Runs, wind along", level, sentence, pressed, most, min(ratio, NEVER), "run", "stands"
    )


def tie_verdicts(work: Work) -> Iterator[Verdict]:
    """What pulls and presses collars, struts and knees."""
    units, made_up = work.tape.units, f"{MADE_UP} " if stood_in(work) else ""
    for each in ties_asked(work):
        pulled, pressed = (amount_text(force, "force", units, "up") for force in (each.pulled_n, each.pressed_n))
        asked = f"{made_up}Weather pulls a {each.what} by {pulled} and presses it by {pressed}"
        title, name = f"{each.what.capitalize()} in weather", f"tie-{each.what}"
        if each.takes_n is None or each.holding.holds_n is None or each.share is None:
            sentence = f"{asked}. What {each.holding.what} holds isn’t known: {each.holding.source}. {AID}"
            yield verdict_on("braces", name, title, "unknown", sentence, pulled, "", None, each.what, "stands")
            continue
        held = amount_text(each.holding.holds_n, "force", units, "down")
        takes = amount_text(each.takes_n, "force", units, "down")
        ratio = min(each.share, NEVER)
        sentence = f"{asked}; {each.holding.what} holds {held} ({each.holding.source}), pressed it takes {takes}. {AID}"
        level = judge(ratio, work.rules.holds_to)
        number = f"{math.ceil(ratio * 100 - 1e-9):,} %"
        yield verdict_on("braces", name, title, level, sentence, number, "100 %", ratio, each.what, "stands")


def _heads(work: Work) -> Iterator[Verdict]:
    """A head away from any run bends its bow."""
    off_m, along = eccentricity_m(work), along_of(work)
    # Where nobody told it, and nobody knows the wind, a head says nothing.
    if not work.design.braces.bays or not off_m or (along is None and work.design.braces.head_m is None):
        return
    bends = ""
    if along is not None and math.isfinite(along.brace_n):
        moment = amount_text(along.lift_n * off_m, "torque", work.tape.units, "up")
        bends = f", and bends the bow there by {moment}, which its strength doesn’t count"
    sentence = f"The brace’s head is {work.say(off_m, 'up')} of the bow from the nearest run{bends}. Set it at a run."
    yield verdict_on(
        "braces", "brace-head", "Brace at a run", "tight", sentence, work.say(off_m, "up"), "", None, "brace"
    )
