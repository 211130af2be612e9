"""Carries: depths of snow on the roof, the gust that is felt, when to clear, and what nobody knows."""

from collections.abc import Iterator, Mapping

from obtegum.core.drawing.step import Answer, Standing, StepPlan, StepState, Told
from obtegum.core.drawing.strip import Strip, StripMark
from obtegum.core.drawing.verdict import NEVER, Level, Verdict, judge, verdict_on
from obtegum.core.face.answers import amount_answer, length_answer
from obtegum.core.findings.skeleton.bays import bays_of
from obtegum.core.findings.skeleton.tubes import bow_tube
from obtegum.core.findings.work import Work
from obtegum.core.rooms.carries import words
from obtegum.core.rooms.carries.draw import deep_text, floored_m, gust_text
from obtegum.core.rooms.carries.found import (
    clear_at_m,
    clearing,
    clears,
    depths,
    ground_deep_m,
    least_carried,
    not_known,
    why_no_gust,
)
from obtegum.core.rooms.carries.gust import bow_opened, bow_shut, first_gives
from obtegum.core.rooms.carries.snow import prop_takes_n
from obtegum.core.rooms.strength.found import why_no_bow
from obtegum.core.rooms.strength.model import prop_board
from obtegum.core.rooms.strength.propped import propped_bows
from obtegum.core.rooms.strength.words import AID, MADE_UP, aided, conditions
from obtegum.core.rooms.weather.found import stood_in
from obtegum.core.values.amount import amount_text

__all__ = ["plan", "stands", "strips", "verdicts"]

CAUTION = (
    "Nobody goes under a roof that groans, nor onto it. Clear from outside with a soft, long tool, a strip from either "
    "side by turns: one bare side and one full one is the worst there is."
)


def verdicts(work: Work) -> list[Verdict]:
    """A declared habit against what each kind of snow comes to at its depth; nothing where none is declared."""
    found = clearing(work)
    if not found:
        return []
    from_m, least = work.design.carries.clear_m, least_carried(work)
    assert from_m is not None and least is not None
    worst = max(found, key=lambda each: each.share)
    safe = [each.words for each in found if each.share <= 1]
    at, clears = work.say(from_m, "up"), deep_text(work, clear_at_m(work) or 0.0)
    share = min(worst.share, NEVER)
    number = amount_text(share, "share", work.tape.units, "up")
    if not safe:
        said = words.too_late(at, clears)
    elif share > 1:
        late = [each.words for each in found if each.share > 1]
        said = words.late_for(at, _listed(safe), _listed(late))
    else:
        said = words.in_time(at, worst.words, number)
    level = judge(share, work.rules.holds_to)
    # A habit can be missed: what hangs on one is tight at best.
    level = "tight" if level == "holds" else level
    sentence = aided(work, f"{said}{conditions(work)}.")
    return [
        verdict_on("carries", "clearing", "Clearing snow", level, sentence, number, "100 %", share, "snow", "stands")
    ]


def levels(work: Work) -> Mapping[str, Level]:
    """What the verdict comes to, found sooner than how much snow that is."""
    in_time = clears(work)
    return {} if in_time is None else {"clearing": "tight" if in_time else "fails"}


def _listed(said: list[str]) -> str:
    return said[0] if len(said) == 1 else f"{', '.join(said[:-1])} and {said[-1]}"


def stands(work: Work, found: list[Verdict]) -> Standing:
    """What the step is called; open while what it carries can't be said."""
    # Whether it can is cheap to ask, what it comes to isn't: that is found where the step is shown.
    state: StepState = (
        "open" if why_no_bow(work) else "look" if any(each.level == "fails" for each in found) else "checked"
    )
    return Standing(id="carries", title="Carries", group="Keep", state=state)


def plan(work: Work, found: list[Verdict]) -> StepPlan:
    """What it carries, and what is declared."""
    return StepPlan(
        **stands(work, found),
        next=_next(work),
        caution=CAUTION,
        measures=("carries.clear_m",),
        answers=tuple(_answers(work)),
        leads=("clear_at", "deep", "gust"),
        views=("carries", "use", "above"),
        strips=("snow-stake",) if depths(work) else ("floor",),
        grips=(),
        focus=("snow", "gust", "bow", "ground"),
        how=tuple(Told(words=said) for said in _card(work)),
        how_title="On the card",
    )


def _next(work: Work) -> str:
    if reason := why_no_bow(work):
        return reason
    at = clear_at_m(work)
    if at is None:
        return "What it carries isn’t known: no code covers a tube of it."
    if not floored_m(work, at):
        return "It carries no snow worth marking: see Strength, prop it, or take the film off before any falls."
    return f"Mark {deep_text(work, at)} on a stake beside the house; hang the card inside by the door."


def _card(work: Work) -> Iterator[str]:
    """What the card says besides its figures: when to clear, doors, props, and what nobody knows."""
    at, gives = clear_at_m(work), first_gives(work)
    if at is not None and floored_m(work, at):
        yield f"Clear the roof from {deep_text(work, at)} of settled snow on it, wet snow from half of that."
    elif at is not None:
        yield "It carries no snow: film off before any falls, or props in."
    if gives is not None:
        yield f"Doors shut and latched, both ends, well before gusts of {gust_text(work, gives[1])}."
    if props := propped_bows(work):
        yield f"Props before the storm, under the crowns of bows {', '.join(map(str, props))}."
    if hangs := conditions(work):
        yield f"All of it{hangs}."
    if stood_in(work):
        yield MADE_UP
    names = [each.what for each in not_known(work)]
    yield f"Not known, and may give first: {'; '.join(names)}. {AID}"


def _answers(work: Work) -> Iterator[Answer]:
    clear, least = clear_at_m(work), least_carried(work)
    if clear is not None and least is not None:
        note = f"half of what it carries; then {least.gives} gives" if least.gives else "half of what was looked for"
        yield _deep(work, "clear_at", "Clear settled snow from", clear, note)
    for each in depths(work):
        half = deep_text(work, each.half_m, each.more)
        note = f"on the roof, even; {half} on one half"
        if each.propped_even_m is not None and each.propped_half_m is not None:
            props = [deep_text(work, value) for value in (each.propped_even_m, each.propped_half_m)]
            note += f"; with props {props[0]}, {props[1]}"
        reading = deep_text(work, each.even_m, each.more)
        label = each.words.capitalize()
        yield Answer(id=f"deep_{each.kind}", label=label, reading=reading, value=each.even_m, unit="m", note=note)
    if depths(work) and not prop_takes_n(work):
        note = f"{prop_board(work).name} is too slender to count so long: a stouter board, see Strength"
        yield Answer(id="card_props", label="With props", reading="not known", value=0.0, unit="m", note=note)
    ground = ground_deep_m(work)
    if ground is not None:
        note = "settled; by what the code makes of it on this roof, even and drifted: not a depth on the roof"
        yield _deep(work, "ground_deep", "Snow on the ground that means", ground, note)
    gives = first_gives(work)
    if gives is not None:
        for name, said, first in zip(("gust_shut", "gust_open"), ("doors shut", "an end open"), gives, strict=True):
            note = f"felt, at 10 m in the open, no snow on it; then {first.what}"
            label = f"Gust, {said}"
            yield Answer(
                id=name, label=label, reading=gust_text(work, first), value=first.gust_mps, unit="m/s", note=note
            )
    elif reason := why_no_gust(work):
        yield Answer(id="gust_shut", label="Gust", reading="not known", value=0.0, unit="m/s", note=reason)
    shut, opened = bow_shut(work), bow_opened(work)
    if shut is not None and opened is not None:
        alone = min(shut, opened, key=lambda each: each.gust_mps)
        note = f"doors {alone.doors}, all else held; then {alone.what}"
        reading = gust_text(work, alone)
        yield Answer(
            id="gust_frame", label="The frame alone", reading=reading, value=alone.gust_mps, unit="m/s", note=note
        )
    if least is not None:
        note = "on plan, even or on one half, whichever is less"
        yield amount_answer(work, "carried", "Snow carried", least.pressure_pa, "pressure", note)
    size, tube = work.design.size, bow_tube(work)
    high = f"{work.say(size.span_m)} × {work.say(size.length_m)}, {work.say(size.height_m)} high"
    yield Answer(id="card_house", label="House", reading=high, value=size.length_m, unit="m")
    bay_m = bays_of(work).bay_m
    yield length_answer(work, "card_bows", f"Bows, {tube.name}", bay_m, "apart at the most")


def _deep(work: Work, name: str, label: str, value_m: float, note: str) -> Answer:
    return Answer(id=name, label=label, reading=deep_text(work, value_m), value=value_m, unit="m", note=note)


def strips(work: Work) -> list[Strip]:
    """A stake to stand beside the house: where to clear, and what is carried, each kind."""
    found, clear = depths(work), clear_at_m(work)
    if not found or clear is None:
        return []
    marks: list[StripMark] = [
        work.mark(floored_m(work, clear), "clear from here, settled", "cut", "snow:clear", "snow-stake")
    ]
    marks += [
        work.mark(
            floored_m(work, min(each.even_m, each.half_m)), each.words, "ground", f"snow:{each.kind}", "snow-stake"
        )
        for each in found
        if each.kind != "packed"
    ]
    return [
        Strip(
            id="snow-stake",
            title="Snow stake",
            about="tape from the roof’s film · the lesser of even and one-sided",
            material="board",
            length_m=max(mark.at_m for mark in marks) * 1.05 + 0.1,
            marks=tuple(sorted(marks, key=lambda each: each.at_m)),
        )
    ]
