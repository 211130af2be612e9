"""Tape strips: what is measured or marked, laid straight beside a tape, with every mark."""

from typing import Literal

from obtegum.core.values.base import Part
from obtegum.core.values.quick import small

__all__ = ["Band", "Entered", "MarkKind", "MarkState", "Strip", "StripMark"]


MarkKind = Literal["peg", "socket", "bend", "crown", "joint", "cut", "ground", "head", "read"]
MarkState = Literal["open", "set", "moved"]


@small
class Entered:
    """A number to type at a mark: its measure, its label, and what was typed before, as a reading."""

    measure: str
    label: str
    reading: str = ""


@small
class StripMark:
    """One mark: where it is, what the tape reads there, what it is for, the part it belongs to.

    ``tick`` names it in the site record, where it can be ticked off; ``entry`` is what can be typed there;
    ``says`` is what to do at it, or that it is done.
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
    entry: Entered | None = None
    says: str = ""


@small
class Band:
    """A stretch between two marks: in the post, bent, overlapped."""

    from_m: float
    to_m: float
    what: str
    kind: Literal["socket", "bent", "joint", "buried", "headroom", "dug"]


class Strip(Part):
    """One thing laid straight, its tape starting at its left end, where it reads ``starts_m``."""

    id: str
    title: str
    about: str
    material: Literal["string", "steel", "plastic", "post", "floor", "board", "film"]
    length_m: float
    starts_m: float = 0.0
    marks: tuple[StripMark, ...]
    bands: tuple[Band, ...] = ()
