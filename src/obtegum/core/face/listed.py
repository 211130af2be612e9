"""Lengths in one field, with commas between: ``34, 42, 28``."""

import re
from collections.abc import Callable
from typing import Any

from obtegum.core.documents.job import Job
from obtegum.core.face.fields import Document, Hint, Measure, put
from obtegum.core.values.quantity import Bare, LengthError, Tape, Units, length_text, parse_length
from obtegum.core.values.trouble import DesignError, Trouble

__all__ = ["listed"]

_UNIT = re.compile(r"[a-z'\"′″]+\.?$", re.IGNORECASE)
_APART = re.compile(r"\s*(?:;|\band\b|\+|\n|,\s)\s*")
# A comma that is no decimal: two digits and more after ten and more are another length.
_COMMA = re.compile(r"(?<=\d\d),(?=\d\d)|,(?=[^,]*,)")


def _pieces(text: str, units: Units) -> list[str]:
    """The lengths that a text lists; a unit at the end of the list is that of all."""
    pieces = [
        piece for part in _APART.split(text) for piece in (part.split(",") if units == "feet" else _COMMA.split(part))
    ]
    pieces = [piece.strip() for piece in pieces if piece.strip()]
    if len(pieces) == 1 and re.fullmatch(r"[\d.]+(?:\s+[\d.]+)+", pieces[0]):
        pieces = pieces[0].split()
    last = _UNIT.search(pieces[-1]) if pieces else None
    if last and not any(_UNIT.search(piece) for piece in pieces[:-1]):
        pieces = [*(f"{piece} {last[0]}" for piece in pieces[:-1]), pieces[-1]]
    return pieces


def listed(
    path: str,
    label: str,
    hint: Hint,
    least_m: float,
    most_m: float,
    most: int,
    empty: str,
    bare: Bare = "floor",
    then: Callable[[Document, Job], None] = lambda document, job: None,
) -> Measure:
    """A field of up to ``most`` lengths, each from ``least_m`` to ``most_m``; ``then`` follows what is written.

    ``empty`` is what is said to none at all; where it is blank, there may be none.
    """
    part, _, name = path.partition(".")

    def read(job: Job) -> str:
        lengths = getattr(getattr(job.design, part), name)
        return ", ".join(length_text(length_m, job.design.tape) for length_m in lengths)

    def write(document: Document, job: Job, text: Any) -> None:
        lengths = _lengths(text, job.design.tape)
        if not lengths and empty:
            raise DesignError([Trouble(path=path, sentence=empty)])
        put(document, path, lengths)
        then(document, job)

    def _lengths(text: str, tape: Tape) -> list[float]:
        found = []
        for piece in _pieces(text, tape.units):
            try:
                length_m = parse_length(piece, tape.units, bare)
            except LengthError as error:
                raise DesignError([Trouble(path=path, sentence=f"{piece[:30]}: {error}")]) from None
            if not least_m <= length_m <= most_m:
                low, high = length_text(least_m, tape, "up"), length_text(most_m, tape, "down")
                raise DesignError([Trouble(path=path, sentence=f"{piece[:30]} is not between {low} and {high}.")])
            found.append(length_m)
        if len(found) > most:
            raise DesignError([Trouble(path=path, sentence=f"{most} are the most that can be told one by one.")])
        return found

    return Measure(path, "text", label, read, write, hint=hint, optional=not empty)
