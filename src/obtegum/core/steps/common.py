"""Small things that several steps say the same way."""

from collections.abc import Callable
from typing import Literal

from obtegum.core.amount import AmountKind, amount_text
from obtegum.core.part import Part
from obtegum.core.quantity import angle_text
from obtegum.core.setout.base import Peg
from obtegum.core.steps.model import Answer, StepState
from obtegum.core.steps.rounding import rounded
from obtegum.core.strip import MarkState, Strip, StripMark
from obtegum.core.verdict import Verdict
from obtegum.core.work import Work

__all__ = [
    "SIDES",
    "TO_WORDS",
    "Progress",
    "amount_answer",
    "angle_answer",
    "count_answer",
    "faced",
    "hooked",
    "least_in_ground",
    "length_answer",
    "line_strip",
    "progress",
    "settled",
    "tick_state",
    "ticked",
    "ticked_off",
    "tube_measures",
    "walked",
]

SIDES = {"L": "left", "R": "right"}
TO_WORDS = {"centres": "post centres", "posts": "the outside of the posts", "bows": "the outside of the bows"}


def walked(work: Work, what: str) -> tuple[str, ...]:
    """The ticks of every peg or post in the order in which they are set."""
    return tuple(f"{what}:{peg.side}{peg.bow}" for peg in work.pegs)


class Progress(Part):
    """How far the pegs or posts have come: ticked, moved since, and the first one still to do."""

    done: int
    of: int
    next: Peg | None
    moved: Peg | None

    @property
    def next_part(self) -> str | None:
        """The part to go to now: one that no longer stands where it should, else the first to do."""
        peg = self.moved or self.next
        return None if peg is None else f"post:{peg.side}{peg.bow}"


def tube_measures(tube: str) -> tuple[str, ...]:
    """What has to be told of a tube that is the grower's own; nothing of one from the catalogue."""
    return (f"{tube}:od", f"{tube}:wall", f"{tube}:yield") if tube.startswith("own:") else ()


def least_in_ground(work: Work, note: str = "") -> Answer:
    """What the post with the least of it in the ground has there, rounded down; none where it hangs over it."""
    least_m = work.least_embedment_m
    return Answer(
        id="embedment_least",
        label="In the ground, least",
        reading=work.say(least_m, rounded("embedment_least")) if least_m > 0 else "none",
        value=least_m,
        unit="m",
        note=note,
    )


def length_answer(work: Work, name: str, label: str, value_m: float, note: str = "") -> Answer:
    """An answer that is a length, read off the house's tape."""
    return Answer(id=name, label=label, reading=work.say(value_m, rounded(name)), value=value_m, unit="m", note=note)


# The unit of each kind of amount that answers are told in.
SI: dict[AmountKind, Literal["m3", "m3/s", "kg", "s", "share"]] = {
    "volume": "m3",
    "flow": "m3/s",
    "mass": "kg",
    "hours": "s",
    "share": "share",
}


def amount_answer(work: Work, name: str, label: str, value: float, kind: AmountKind, note: str = "") -> Answer:
    """An answer that is an amount, in the house's unit."""
    reading = amount_text(value, kind, work.tape.units, rounded(name))
    return Answer(id=name, label=label, reading=reading, value=value, unit=SI[kind], note=note)


def angle_answer(name: str, label: str, value_rad: float) -> Answer:
    """An answer that is an angle."""
    return Answer(id=name, label=label, reading=angle_text(value_rad, rounded(name)), value=value_rad, unit="rad")


def count_answer(name: str, label: str, count: int, note: str = "") -> Answer:
    """An answer that is a number of things."""
    return Answer(id=name, label=label, reading=f"{count:,}", value=count, unit="count", note=note)


def hooked(work: Work, letter: str) -> str:
    """How the tape is held at a corner."""
    start_m = work.tapes.start_m
    return f"held at {letter} by its {work.say(start_m)} mark" if start_m else f"hooked at {letter}"


def faced(work: Work) -> str:
    """What the readings along a line are taken to, where that isn't the centres."""
    return "" if work.design.set_out.to == "centres" else " · to each post’s near face"


def settled(verdicts: list[Verdict]) -> StepState:
    """Checked when every verdict of the step holds, else it needs a look."""
    return "checked" if all(verdict.level == "holds" for verdict in verdicts) else "look"


def ticked_off(verdicts: list[Verdict], done: int, of: int) -> StepState:
    """State of a step whose parts are done one by one: look while something ails."""
    if any(verdict.level in ("tight", "fails") for verdict in verdicts):
        return "look"
    if done == of:
        return "done" if all(verdict.level == "holds" for verdict in verdicts) else "look"
    return "going" if done else "open"


def ticked(verdicts: list[Verdict], far: Progress) -> StepState:
    """State of a step whose parts are ticked off; what has moved since wants a look too."""
    return "look" if far.moved is not None else ticked_off(verdicts, far.done, far.of)


def tick_state(work: Work, tick: str, station_m: float) -> MarkState:
    """Open, set, or moved: set at a reading that the plan has since left by more than a tape step."""
    at_m = work.record.set_at_m.get(tick)
    if at_m is None:
        return "open"
    # The same whichever units are read: switching them moves no peg.
    return "set" if abs(at_m - station_m) <= work.tape.coarser_m else "moved"


def progress(work: Work, what: str) -> Progress:
    """Progress of ``peg`` or ``post`` over the whole house."""
    states = [(peg, tick_state(work, f"{what}:{peg.side}{peg.bow}", peg.station_m)) for peg in work.pegs]
    return Progress(
        done=sum(state == "set" for _, state in states),
        of=len(states),
        next=next((peg for peg, state in states if state == "open"), None),
        moved=next((peg for peg, state in states if state == "moved"), None),
    )


def line_strip(
    work: Work, side: str, what: str, title: str, about: str, says: Callable[[Work, Peg, bool], str]
) -> Strip:
    """One long side as a string with a running reading for every peg or post on it.

    ``says`` tells what to do at one that is open, or has moved since.
    """
    where, start_m = f"{what}:{side}", work.tapes.start_m
    marks: list[StripMark] = []
    for peg in work.pegs:
        if peg.side != side:
            continue
        tick = f"{what}:{side}{peg.bow}"
        letter = f"corner {peg.corner}" if peg.corner else f"{what} {peg.bow}"
        state = tick_state(work, tick, peg.station_m)
        was = work.record.set_at_m.get(tick)
        note = f"set at {work.reads(was)}" if state == "moved" and was is not None else ""
        part = f"post:{side}{peg.bow}"
        words = f"{letter[:1].upper()}{letter[1:]}, {SIDES[side]} side, is set."
        if state != "set":
            words = says(work, peg, state == "moved")
        at_m = peg.reading_m if what == "peg" else peg.station_m
        marks.append(work.mark(at_m, letter, "peg", part, where, tick, state, note, words, start_m))
    return Strip(
        id=where,
        title=title,
        about=about,
        material="string",
        length_m=marks[-1].at_m,
        starts_m=start_m,
        marks=tuple(marks),
    )
