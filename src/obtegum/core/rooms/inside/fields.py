"""Widths of beds and paths in one field: ``34, 42, 28``."""

import re
from typing import Any

from obtegum.core.catalogue import Catalogue
from obtegum.core.fields import Document, Hint, Measure, put, special
from obtegum.core.job import Job
from obtegum.core.quantity import LengthError, Tape, Units, length_text, parse_length
from obtegum.core.rooms.inside.decisions import LEAST_M, MOST_BEDS, MOST_M
from obtegum.core.rooms.start.known import set_by_hand
from obtegum.core.trouble import DesignError, Trouble

__all__ = ["FIELDS", "OWN_BEDS", "OWN_PATHS"]

OWN_BEDS, OWN_PATHS = "inside.own_beds_m", "inside.own_paths_m"
_UNIT = re.compile(r"[a-z'\"′″]+\.?$", re.IGNORECASE)
_APART = re.compile(r"\s*(?:;|\band\b|\+|\n|,\s)\s*")
# A comma that is no decimal: two digits and more after ten and more are another width.
_COMMA = re.compile(r"(?<=\d\d),(?=\d\d)|,(?=[^,]*,)")


def _pieces(text: str, units: Units) -> list[str]:
    """The widths that a text lists; a unit at the end of the list is that of all."""
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


def _widths(path: str, text: str, tape: Tape) -> list[float]:
    found = []
    for piece in _pieces(text, tape.units):
        try:
            width_m = parse_length(piece, tape.units, "floor")
        except LengthError as error:
            raise DesignError([Trouble(path=path, sentence=f"{piece[:30]}: {error}")]) from None
        if not LEAST_M <= width_m <= MOST_M:
            least, most = length_text(LEAST_M, tape, "up"), length_text(MOST_M, tape, "down")
            raise DesignError([Trouble(path=path, sentence=f"{piece[:30]} is not between {least} and {most}.")])
        found.append(width_m)
    if len(found) > MOST_BEDS:
        raise DesignError([Trouble(path=path, sentence=f"{MOST_BEDS} are the most that are laid out one by one.")])
    return found


def _listed(path: str, label: str, hint: Hint, optional: bool) -> Measure:
    name = path.split(".")[-1]

    def read(job: Job) -> str:
        return ", ".join(length_text(width_m, job.design.tape) for width_m in getattr(job.design.inside, name))

    def write(document: Document, job: Job, text: Any) -> None:
        widths = _widths(path, text, job.design.tape)
        if not widths and not optional:
            raise DesignError([Trouble(path=path, sentence="Write the widths from the left, with commas between.")])
        put(document, path, widths)
        put(document, "inside.along_walls", "own")

    return Measure(path, "text", label, read, write, hint=hint, optional=optional)


def _write_layout(document: Document, job: Job, along_walls: Any) -> None:
    """Beds that are alike make no width of their own."""
    put(document, "inside.along_walls", along_walls)
    if along_walls != "own":
        set_by_hand(document, job, "beds")


def _paths_hint(job: Job, catalogue: Catalogue) -> str:
    return f"blank: {'as wide as the least' if job.design.start.known == 'beds' else 'they share what is left'}"


FIELDS = (
    special("inside.along_walls", write=_write_layout),
    _listed(OWN_BEDS, "Beds, from the left", "with commas between", optional=False),
    _listed(OWN_PATHS, "Paths between", _paths_hint, optional=True),
)
