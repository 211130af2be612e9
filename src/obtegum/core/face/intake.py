"""Rows of readings from outside: read cell by cell, each faulty one told with the line it stands on.

What the rows mean is each room's own; what they have in common is here: columns, lengths in one system of
units, and pegs by their names.
"""

import re
from collections.abc import Callable, Iterator, Mapping, Sequence
from dataclasses import dataclass, field

from obtegum.core.formulas.setout.base import Side, corner
from obtegum.core.values.quantity import LengthError, Units, parse_length, parse_place
from obtegum.core.values.trouble import DesignError, Trouble

__all__ = ["RowTrouble", "Rows", "counted", "peg_named", "refusal", "wanted"]

MOST_TOLD = 12
# The longest that is measured on site, m.
MOST_M = 400.0
_FEET = re.compile(r"['\"′″]|ft|foot|feet|inch|\bin\b|\d\s*in\b")
_METRIC = re.compile(r"(mm|cm|m)\b")
WORDS = {"feet": "feet", "metric": "metres"}


class RowTrouble(ValueError):
    """What is wrong with one row."""


def refusal(sentence: str) -> DesignError:
    """A refusal of readings as a whole."""
    return DesignError([Trouble(path="readings", sentence=sentence)])


@dataclass
class Rows:
    """Rows with the line each stands on, and their column names (none without a header).

    ``units`` are those of the house, ``given`` those that a column's name says; ``bare`` are the columns of rows
    without a header, by their number.
    """

    columns: list[str]
    rows: list[tuple[int, list[str]]]
    units: Units
    given: Mapping[str, Units] = field(default_factory=dict)
    bare: Mapping[int, Sequence[str]] = field(default_factory=dict)
    _seen: dict[str, tuple[Units, int]] = field(default_factory=dict)

    def length(self, column: str, cell: str, number: int) -> float:
        """A length of a column, m; all of a column must be in one system of units. Raises: RowTrouble."""
        said: Units | None = (
            "feet" if _FEET.search(cell.lower()) else "metric" if _METRIC.search(cell.lower()) else None
        )
        units = said or self.given.get(column) or self.units
        before = self._seen.setdefault(column, (units, number))
        if before[0] != units:
            raise RowTrouble(
                f"{cell} is in {WORDS[units]}, but line {before[1]} is in {WORDS[before[0]]}; give all in one unit"
            )
        parse = parse_length if column == "reading" else parse_place
        try:
            return parse(cell, units)
        except LengthError as error:
            raise RowTrouble(str(error).rstrip(".")) from None

    def each(self, take: Callable[[int, dict[str, str]], None]) -> None:
        """Take every row by its line and its cells. Raises: DesignError, a sentence for each faulty one."""
        wrong: list[str] = []
        for number, row in self.rows:
            try:
                take(number, self._cells(row))
            except RowTrouble as trouble:
                wrong.append(f"Line {number}: {trouble}.")
        if wrong:
            more = [f"And {len(wrong) - MOST_TOLD} more lines."] if len(wrong) > MOST_TOLD else []
            told = [*wrong[:MOST_TOLD], *more]
            raise DesignError([Trouble(path="readings", sentence=sentence) for sentence in told])

    def _cells(self, row: Sequence[str]) -> dict[str, str]:
        columns = self.columns or self.bare.get(len(row))
        if columns is None:
            raise RowTrouble("it wants a peg and its reading, or a place along, a place across and a reading")
        if len(row) > len(columns):
            raise RowTrouble(f"{len(row)} columns where {len(columns)} are expected")
        return {name: cell for name, cell in zip(columns, row, strict=False) if cell}


def wanted(cells: Mapping[str, str], *names: str) -> Iterator[str]:
    """The cells of columns that a row can't be without. Raises: RowTrouble."""
    for name in names:
        if name not in cells:
            raise RowTrouble(f"the {name} is missing")
        yield cells[name]


def peg_named(text: str, bows: int) -> str:
    """A peg by its name (``L3``), its corner (``A``), or in words (``3 left``). Raises: RowTrouble."""
    sides: tuple[Side, ...] = ("L", "R")
    letters = {corner(side, place, bows - 1): f"{side}{place + 1}" for side in sides for place in (0, bows - 1)}
    name = text.strip().upper()
    for letter, peg in letters.items():
        if name == letter:
            return peg
    found = re.fullmatch(r"(?:PEG\s*)?([LR])\s*(\d{1,4})|(?:PEG\s*)?(\d{1,4})\s*(LEFT|RIGHT|L|R)", name)
    if found is None:
        raise RowTrouble(f"“{text[:30]}” is not a peg; write L3, R3 or a corner")
    side, bow = (found[1], found[2]) if found[1] else (found[4][0], found[3])
    if not 1 <= int(bow) <= bows:
        raise RowTrouble(f"there is no peg {side}{int(bow)}; that side has {bows}")
    return f"{side}{int(bow)}"


def counted(count: int, what: str) -> str:
    """A count in words: ``1 peg``, ``2,000 spots``."""
    return f"{count:,} {what if count == 1 else what + 's'}"
