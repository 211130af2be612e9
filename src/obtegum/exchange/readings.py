"""Readings from site as CSV or pasted text, by what the rooms can take in: levels, tapings, pegs as they were set.

What a file holds is told by its header; without one, by the number of its columns. All of it is checked, line
by line, before any of it is believed.
"""

import csv
import io
import re

from obtegum.core.documents.house import SiteRecord
from obtegum.core.documents.job import Job
from obtegum.core.face.faces import Intake
from obtegum.core.face.intake import Rows, refusal
from obtegum.core.rooms import rooms
from obtegum.core.values.quantity import Units

__all__ = ["read_readings"]

MOST_ROWS = 8000
MOST_LETTERS = 2000
# Other names of columns.
_ALIKE = {"peg": "point", "x": "along", "y": "across"}


def read_readings(text: str, job: Job) -> tuple[SiteRecord, str]:
    """A site record with the readings of a file or of pasted text, and what was read, in words.

    Raises: DesignError with a sentence for each faulty line; nothing is taken then.
    """
    intakes = [intake for room in rooms() for intake in room.intakes]
    rows = _rows(text.removeprefix("\ufeff"), job.design.tape.units, intakes)
    if not rows.columns:
        return next(intake for intake in intakes if intake.bare).read(rows, job)
    for intake in sorted(intakes, key=lambda each: len(each.columns), reverse=True):
        if intake.columns <= set(rows.columns):
            return intake.read(rows, job)
    raise refusal("It has no column named reading.")


def _split(text: str) -> list[tuple[int, list[str]]]:
    lines = [(number, line) for number, line in enumerate(text.splitlines(), start=1) if line.strip()]
    sample = "\n".join(line for _, line in lines[:20])
    mark = next((each for each in ("\t", ";", ",") if each in sample), None)
    if mark is None:
        return [(number, line.split()) for number, line in lines]
    longest = max(lines, key=lambda each: len(each[1]))
    if len(longest[1]) > MOST_LETTERS:
        raise refusal(f"Line {longest[0]} has {len(longest[1]):,} letters, far more than a reading.")
    try:
        return [
            (number, [cell.strip() for cell in next(csv.reader(io.StringIO(line), delimiter=mark))])
            for number, line in lines
        ]
    except csv.Error:
        raise refusal("It can’t be read as a table: a quotation mark is opened and not closed?") from None


def _rows(text: str, own: Units, intakes: list[Intake]) -> Rows:
    rows = _split(text)
    if not rows:
        raise refusal("There are no readings in it.")
    if len(rows) > MOST_ROWS:
        raise refusal(f"It has {len(rows):,} lines; {MOST_ROWS:,} readings are the most for one house.")
    names, given = [], dict[str, Units]()
    for cell in rows[0][1]:
        name, _, unit = cell.lower().rpartition("_")
        known = unit in ("m", "ft")
        name = name if known else cell.lower()
        name = _ALIKE.get(name, name)
        names.append(name)
        if known:
            given[name] = "metric" if unit == "m" else "feet"
    known_names = {column for intake in intakes for column in intake.columns | intake.also}
    if set(names) & known_names and not any(re.fullmatch(r"[\d.,]+", cell) for cell in rows[0][1]):
        return Rows(names, rows[1:], own, given)
    bare = {count: columns for intake in intakes for count, columns in intake.bare.items()}
    if not any(len(row) in bare for _, row in rows):
        raise refusal("Each line wants a peg and its reading, or a place along, a place across and a reading.")
    return Rows([], rows, own, bare=bare)
