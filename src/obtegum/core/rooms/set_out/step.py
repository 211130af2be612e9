"""Set out: base rectangle, diagonal, bays, and a peg for every post."""

from functools import partial

from obtegum.core.drawing.step import Answer, Standing, StepPlan, Told
from obtegum.core.drawing.strip import Strip
from obtegum.core.drawing.verdict import Verdict, judge
from obtegum.core.face.answers import count_answer, length_answer
from obtegum.core.findings.skeleton.bays import (
    bays_of,
    equal_school,
    fixed_school,
    reads,
    squaring_steps,
    strung,
    tapes_of,
    way,
)
from obtegum.core.findings.work import Work
from obtegum.core.formulas.setout.base import SIDES, Peg, diagonal
from obtegum.core.formulas.setout.bays import Bays
from obtegum.core.formulas.setout.squaring import base_error, parts_within
from obtegum.core.rooms.set_out import words
from obtegum.core.rooms.set_out.pegs import Progress, faced, hooked, line_strip, progress, ticked, walked

__all__ = ["plan", "stands", "strips", "verdicts"]

# What a crew settles once, with its tools.
ASIDE = (
    "set_out.to",
    "tape.inch_parts",
    "tape.mm_step",
    "set_out.tape_m",
    "set_out.second_tape_m",
    "set_out.starts_m",
    "set_out.reading_error_m",
    "set_out.base",
)


def verdicts(work: Work) -> list[Verdict]:
    """Tape against diagonal, and the odd bay against the others."""
    return [_tape_verdict(work), *_odd_bay_verdicts(work), *_count_verdicts(work)]


def _tape_verdict(work: Work) -> Verdict:
    tape_m = tapes_of(work).longest_m
    across_m, chosen = diagonal(*strung(work)), way(work)
    across, tape = work.say(across_m), work.say(tape_m)
    if across_m > tape_m and chosen.id != "whole" and chosen.reaches:
        # By parts, a triangle or its ends: what is asked of the tape is what that way reads.
        needs, ratio = work.say(chosen.diagonal_m), chosen.diagonal_m / tape_m
        parts = _in_parts(work) if chosen.id == "parts" else ""
        level = judge(ratio, work.rules.holds_to)
        return Verdict(
            id="tape",
            step="set-out",
            level=level,
            title="Tape",
            sentence=words.this_way_reads(tape, across, needs, parts),
            number=needs,
            limit=tape,
            ratio=ratio,
            part="diagonal",
        )
    ratio = across_m / tape_m
    level = judge(ratio, work.rules.holds_to)
    sentence = words.tape_short(tape, across, _in_parts(work)) if level == "fails" else words.tape_reaches(tape, across)
    return Verdict(
        id="tape",
        step="set-out",
        level=level,
        title="Tape",
        sentence=sentence,
        number=across,
        limit=tape,
        ratio=ratio,
        part="diagonal",
    )


def _in_parts(work: Work) -> str:
    (length_m, width_m), tape_m = strung(work), tapes_of(work).longest_m
    parts = parts_within(length_m, width_m, tape_m)
    if parts is None:
        return words.not_across()
    part_m = length_m / parts
    return words.in_parts(parts, work.say(part_m), work.say(diagonal(part_m, width_m)))


def _odd_bay_verdicts(work: Work) -> list[Verdict]:
    bays = bays_of(work)
    if bays.odd_m is None or bays.count == 1:
        return []
    share, least = bays.odd_m / bays.bay_m, work.rules.odd_bay_least_share
    ratio = least / share
    level = judge(ratio, work.rules.holds_to)
    limit_m = least * bays.bay_m
    odd = work.say(bays.odd_m)
    return [
        Verdict(
            id="odd-bay",
            step="set-out",
            level=level,
            title="Odd bay",
            sentence=words.odd_bay(odd, work.say(bays.bay_m), level),
            number=odd,
            limit=work.say(limit_m, "up"),
            ratio=ratio,
            part=f"bay:{bays.count}",
        )
    ]


def _count_verdicts(work: Work) -> list[Verdict]:
    """A number of bows that the length and the spacing don't make: what does, and what is short."""
    bows, bays, length_m = work.design.bows, bays_of(work), work.design.size.length_m
    if bows.count is None or bows.bays == "counted":
        return []
    length, spacing = work.say(length_m), work.say(bows.max_spacing_m)
    found = partial(Verdict, id="bow-count", step="set-out", title="Number of bows", part="bay:1")
    number, limit = f"{bows.count:,}", f"{bays.bows:,}"
    if bays.bows == bows.count:
        sentence = words.as_counted(bows.count, length, spacing)
        return [found(level="holds", sentence=sentence, number=number, limit=limit, ratio=None)]
    own_m = length_m / (bows.count - 1)
    apart, reach = work.say(own_m), work.say((bows.count - 1) * bows.max_spacing_m)
    sentence = words.other_count(length, spacing, bays.bows, bows.count, apart, reach, bows.count == bays.count)
    return [found(level="fails", sentence=sentence, number=number, limit=limit, ratio=None)]


def bays_text(work: Work, bays: Bays) -> str:
    """A school of bays in words."""
    if bays.odd_m is None:
        return f"{bays.count} × {work.say(bays.bay_m)}"
    full = bays.count - 1
    return f"{full} × {work.say(bays.bay_m)}, then {work.say(bays.odd_m)}"


def stands(work: Work, found: list[Verdict]) -> Standing:
    """What the step is called, and how far it has come."""
    far = progress(work, "peg")
    return Standing(
        id="set-out",
        title="Set out",
        group="Place",
        state=ticked(found, far),
        done=far.done,
        of=far.of,
    )


def plan(work: Work, found: list[Verdict]) -> StepPlan:
    """The step's inputs and answers."""
    (length_m, width_m), far = strung(work), progress(work, "peg")
    set_out, bows, method = work.design.set_out, work.design.bows, way(work)
    answers = (
        length_answer(work, "base", "A to B, D to C", length_m),
        length_answer(work, "ends", "A to D, B to C", width_m),
        length_answer(work, "diagonal", "A to C, B to D", diagonal(length_m, width_m), "both the same"),
        length_answer(work, "skew", "Far corner out by", method.skew_m, "one time in three by more"),
        length_answer(work, "tape_differ", "Diagonals differ by", method.difference_m, "one time in three by more"),
        *_restart_answers(work),
        count_answer("people", "People", method.people),
        *_school_answers(work),
    )
    return StepPlan(
        **stands(work, found),
        next=_next(work, far),
        next_part=far.next_part,
        caution="Before a peg goes in: have buried lines marked, and look up for power lines.",
        measures=(
            *(
                "size.length_m",
                "size.span_m",
                "bows.bays",
                *(() if bows.bays == "counted" else ("bows.max_spacing_m",)),
                "bows.count",
                "set_out.to",
                "tape.inch_parts" if work.tape.units == "feet" else "tape.mm_step",
                "set_out.tape_m",
                "set_out.second_tape_m",
                "set_out.starts_m",
                "set_out.reading_error_m",
                "set_out.base",
            ),
            *(("set_out.fence_m",) if set_out.base == "fence" else ()),
            "set_out.method",
        ),
        answers=answers,
        leads=("base", "ends", "diagonal", "skew"),
        views=("above", "along"),
        strips=("peg:L", "peg:R"),
        aside=ASIDE,
        grips=("size.length_m", "size.span_m", "bows.max_spacing_m"),
        walk=walked(work, "peg"),
        focus=("post", "line", "end", "tape", "diagonal", "corner", "span", "length", "bay"),
        how=tuple(
            Told(words=each.words, view=f"how:{place}") for place, each in enumerate(squaring_steps(work), start=1)
        ),
        how_title="How to square it",
    )


def _restart_answers(work: Work) -> list[Answer]:
    """A tape that restarts along the base adds a reading each time."""
    length_m, tapes = strung(work)[0], tapes_of(work)
    if length_m <= tapes.longest_m:
        return []
    return [length_answer(work, "restart", "B’s end out by", base_error(length_m, tapes), "as the tape restarts")]


def _school_answers(work: Work) -> tuple[Answer, ...]:
    if work.design.bows.bays == "counted":
        return (_school_answer(work, "counted", "Bays", bays_of(work)),)
    return (
        _school_answer(work, "equal", "Equal bays", equal_school(work)),
        _school_answer(work, "fixed", "Fixed bays", fixed_school(work)),
    )


def _school_answer(work: Work, name: str, label: str, bays: Bays) -> Answer:
    chosen = " · chosen" if bays.school == bays_of(work).school else ""
    return Answer(
        id=name,
        label=label,
        reading=bays_text(work, bays),
        value=bays.bay_m,
        unit="m",
        note=f"{bays.bows} bows{chosen}",
    )


def _next(work: Work, far: Progress) -> str:
    peg = far.moved or far.next
    return f"All {far.of} pegs are set." if peg is None else _says(work, peg, peg is far.moved)


def _says(work: Work, peg: Peg, moved: bool) -> str:
    """Where a peg goes, or has to go now."""
    if moved:
        return f"Peg {peg.bow}, {SIDES[peg.side]} side, has moved: it now belongs at {reads(work, peg.reading_m)}."
    start = "A" if peg.side == "L" else "D"
    if peg.part == "peg:L1":
        return "Next: corner A, where the tape starts."
    if peg.part == "peg:R1":
        return f"Next: corner D, {reads(work, strung(work)[1])} across from A."
    at = reads(work, peg.reading_m)
    if peg.corner is not None:
        post = ""
        if work.design.set_out.to != "centres":
            post = f" The last post’s near face reads {reads(work, peg.station_m)}."
        return f"Next: corner {peg.corner}, at {at} from {start}.{post}"
    return f"Next: peg {peg.bow}, {SIDES[peg.side]} side, at {at} from {start}."


def strips(work: Work) -> list[Strip]:
    """Both long sides with every peg's running reading."""
    about = f", never moved · {bays_text(work, bays_of(work))}{faced(work)}"
    return [
        line_strip(work, "L", "peg", "Left side, A to B", f"tape {hooked(work, 'A')}{about}", _says),
        line_strip(work, "R", "peg", "Right side, D to C", f"tape {hooked(work, 'D')}{about}", _says),
    ]
