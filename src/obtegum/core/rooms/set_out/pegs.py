"""Pegs and posts one by one: how far they have come, and both long sides as strings with a reading for each."""

from collections.abc import Callable
from functools import cache

from obtegum.core.drawing.step import StepState
from obtegum.core.drawing.strip import MarkState, Strip, StripMark
from obtegum.core.drawing.verdict import Verdict
from obtegum.core.face.answers import ticked_off
from obtegum.core.findings.kept import Finding
from obtegum.core.findings.skeleton.bays import pegs_of, reads, starts_m
from obtegum.core.findings.work import Work
from obtegum.core.formulas.setout.base import SIDES, Peg
from obtegum.core.values.base import Part

__all__ = ["TO_WORDS", "Progress", "faced", "hooked", "line_strip", "progress", "tick_state", "ticked", "walked"]

TO_WORDS = {"centres": "post centres", "posts": "the outside of the posts", "bows": "the outside of the bows"}


def walked(work: Work, what: str) -> tuple[str, ...]:
    """The ticks of every peg or post in the order in which they are set."""
    return tuple(f"{what}:{peg.side}{peg.bow}" for peg in pegs_of(work))


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


def hooked(work: Work, letter: str) -> str:
    """How the tape is held at a corner."""
    start_m = starts_m(work)
    return f"held at {letter} by its {work.say(start_m)} mark" if start_m else f"hooked at {letter}"


def faced(work: Work) -> str:
    """What the readings along a line are taken to, where that isn't the centres."""
    return "" if work.design.set_out.to == "centres" else " · to each post’s near face"


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
    return _progress(what)(work)


@cache
def _progress(what: str) -> Finding[Progress]:
    def over_all(work: Work) -> Progress:
        states = [(peg, tick_state(work, f"{what}:{peg.side}{peg.bow}", peg.station_m)) for peg in pegs_of(work)]
        return Progress(
            done=sum(state == "set" for _, state in states),
            of=len(states),
            next=next((peg for peg, state in states if state == "open"), None),
            moved=next((peg for peg, state in states if state == "moved"), None),
        )

    return Finding(over_all)


def line_strip(
    work: Work, side: str, what: str, title: str, about: str, says: Callable[[Work, Peg, bool], str], called: str = ""
) -> Strip:
    """One long side as a string with a running reading for every peg or post on it.

    ``says`` tells what to do at one that is open, or has moved since; ``called`` is what a post is called.
    """
    where, start_m = f"{what}:{side}", starts_m(work)
    marks: list[StripMark] = []
    for peg in pegs_of(work):
        if peg.side != side:
            continue
        tick = f"{what}:{side}{peg.bow}"
        letter = f"corner {peg.corner}" if peg.corner else f"{called or what} {peg.bow}"
        state = tick_state(work, tick, peg.station_m)
        was = work.record.set_at_m.get(tick)
        note = f"set at {reads(work, was)}" if state == "moved" and was is not None else ""
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
