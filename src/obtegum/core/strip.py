"""Tape strips: what is measured or marked, laid straight beside a tape, with every mark."""

from typing import Literal

from obtegum.core.part import Part
from obtegum.core.quantity import Tape, length_text

__all__ = ["Band", "MarkKind", "MarkState", "Strip", "StripMark", "mark"]


MarkKind = Literal["peg", "socket", "bend", "crown", "joint", "cut", "ground", "head"]
MarkState = Literal["open", "set", "moved"]


class StripMark(Part):
    """One mark: where it is, what the tape reads there, what it is for, the part it belongs to.

    ``tick`` names it in the site record, where it can be ticked off.
    """

    id: str
    part: str
    at_m: float
    reading: str
    what: str
    kind: MarkKind
    state: MarkState = "open"
    tick: str | None = None
    note: str = ""


class Band(Part):
    """A stretch between two marks: in the post, bent, overlapped."""

    from_m: float
    to_m: float
    what: str
    kind: Literal["socket", "bent", "joint", "buried", "headroom"]


class Strip(Part):
    """One thing laid straight, its tape starting at its left end."""

    id: str
    title: str
    about: str
    material: Literal["string", "steel", "plastic", "post", "floor"]
    length_m: float
    marks: tuple[StripMark, ...]
    bands: tuple[Band, ...] = ()


def mark(
    tape: Tape,
    at_m: float,
    what: str,
    kind: MarkKind,
    part: str,
    where: str,
    tick: str | None = None,
    state: MarkState = "open",
    note: str = "",
) -> StripMark:
    """A mark whose reading is printed from its exact place; ``where`` is the strip's id."""
    return StripMark(
        id=f"{where}/{part}",
        part=part,
        at_m=at_m,
        reading=length_text(at_m, tape),
        what=what,
        kind=kind,
        state=state,
        tick=tick,
        note=note,
    )
