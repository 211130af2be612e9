"""Readings from site as CSV or pasted text: levels, tapings, and pegs as they were set.

What a file holds is told by its header: ``line`` tapings, ``side`` and ``bow`` pegs, otherwise
levels. Without a header two columns are a peg and its rod reading, three are a place along and
across and its rod reading. All of it is checked, line by line, before any of it is believed.
"""

import csv
import io
import re
from collections.abc import Callable, Iterator, Sequence
from dataclasses import dataclass

from obtegum.core.job import Job
from obtegum.core.quantity import LengthError, Units, length_text, parse_length, parse_place
from obtegum.core.rooms import SiteRecord
from obtegum.core.rooms.level.decisions import MOST_SPOTS, Spot
from obtegum.core.rooms.level.spots import too_far
from obtegum.core.rooms.set_out.ticks import design_bays
from obtegum.core.rooms.square_up.decisions import MOST_ROUNDS, Taping
from obtegum.core.setout.base import Side, corner, peg_words
from obtegum.core.setout.bays import Bays
from obtegum.core.setout.lines import LINES, Line
from obtegum.core.trouble import DesignError, Trouble

__all__ = ["read_readings"]

MOST_TOLD = 12
MOST_ROWS = 8000
MOST_LETTERS = 2000
_FEET = re.compile(r"['\"′″]|ft|foot|feet|inch|\bin\b|\d\s*in\b")
_METRIC = re.compile(r"(mm|cm|m)\b")
_HEADERS = {"point", "peg", "along", "across", "reading", "line", "side", "bow", "set_at", "x", "y"}
# Columns of a line without a header, by their number.
BARE = {2: ["point", "reading"], 3: ["along", "across", "reading"]}
_ALIKE = {"peg": "point", "x": "along", "y": "across"}


class _LineTrouble(ValueError):
    """What is wrong with one line."""


@dataclass
class _Table:
    """Rows with the line each stands on, their column names (none without a header), and the units a name gives."""

    columns: list[str]
    units: dict[str, Units]
    rows: list[tuple[int, list[str]]]


def _split(text: str) -> list[tuple[int, list[str]]]:
    lines = [(number, line) for number, line in enumerate(text.splitlines(), start=1) if line.strip()]
    sample = "\n".join(line for _, line in lines[:20])
    mark = next((each for each in ("\t", ";", ",") if each in sample), None)
    if mark is None:
        return [(number, line.split()) for number, line in lines]
    longest = max(lines, key=lambda each: len(each[1]))
    if len(longest[1]) > MOST_LETTERS:
        raise _refuse(f"Line {longest[0]} has {len(longest[1]):,} letters, far more than a reading.")
    try:
        return [
            (number, [cell.strip() for cell in next(csv.reader(io.StringIO(line), delimiter=mark))])
            for number, line in lines
        ]
    except csv.Error:
        raise _refuse("It can’t be read as a table: a quotation mark is opened and not closed?") from None


def _table(text: str) -> _Table:
    rows = _split(text)
    if not rows:
        raise _refuse("There are no readings in it.")
    if len(rows) > MOST_ROWS:
        raise _refuse(f"It has {len(rows):,} lines; {MOST_ROWS:,} readings are the most for one house.")
    names, units = [], dict[str, Units]()
    for cell in rows[0][1]:
        name, _, unit = cell.lower().rpartition("_")
        known = unit in ("m", "ft")
        name = name if known else cell.lower()
        name = _ALIKE.get(name, name)
        names.append(name)
        if known:
            units[name] = "metric" if unit == "m" else "feet"
    if set(names) & _HEADERS and not any(re.fullmatch(r"[\d.,]+", cell) for cell in rows[0][1]):
        return _Table(names, units, rows[1:])
    if not any(len(row) in BARE for _, row in rows):
        raise _refuse("Each line wants a peg and its reading, or a place along, a place across and a reading.")
    return _Table([], {}, rows)


def _refuse(sentence: str) -> DesignError:
    return DesignError([Trouble(path="readings", sentence=sentence)])


class _Lengths:
    """Reads the lengths of a column; all of them must be in one system of units."""

    def __init__(self, own: Units, given: dict[str, Units]) -> None:
        self.own, self.given, self.seen = own, given, dict[str, tuple[Units, int]]()

    def read(self, column: str, cell: str, number: int) -> float:
        said: Units | None = (
            "feet" if _FEET.search(cell.lower()) else "metric" if _METRIC.search(cell.lower()) else None
        )
        units = said or self.given.get(column) or self.own
        before = self.seen.setdefault(column, (units, number))
        if before[0] != units:
            words = {"feet": "feet", "metric": "metres"}
            raise _LineTrouble(
                f"{cell} is in {words[units]}, but line {before[1]} is in {words[before[0]]}; give all in one unit"
            )
        parse = parse_length if column == "reading" else parse_place
        try:
            return parse(cell, units)
        except LengthError as error:
            raise _LineTrouble(str(error).rstrip(".")) from None


def _cells(table: _Table, row: Sequence[str]) -> dict[str, str]:
    columns = table.columns or BARE.get(len(row))
    if columns is None:
        raise _LineTrouble("it wants a peg and its reading, or a place along, a place across and a reading")
    if len(row) > len(columns):
        raise _LineTrouble(f"{len(row)} columns where {len(columns)} are expected")
    return {name: cell for name, cell in zip(columns, row, strict=False) if cell}


def _each(table: _Table, take: Callable[[int, dict[str, str]], None]) -> None:
    """Take every row. Raises: DesignError that says for each faulty line what is wrong with it."""
    wrong: list[str] = []
    for number, row in table.rows:
        try:
            take(number, _cells(table, row))
        except _LineTrouble as trouble:
            wrong.append(f"Line {number}: {trouble}.")
    if wrong:
        more = f" And {len(wrong) - MOST_TOLD} more lines." if len(wrong) > MOST_TOLD else ""
        raise DesignError(
            [Trouble(path="readings", sentence=sentence) for sentence in wrong[:MOST_TOLD]]
            + ([Trouble(path="readings", sentence=more.strip())] if more else [])
        )


def _peg(text: str, bays: Bays) -> str:
    """A peg by its name (``L3``), its corner (``A``), or in words (``3 left``)."""
    sides: tuple[Side, ...] = ("L", "R")
    letters = {
        corner(side, place, bays.bows - 1): f"{side}{place + 1}" for side in sides for place in (0, bays.bows - 1)
    }
    name = text.strip().upper()
    for letter, peg in letters.items():
        if name == letter:
            return peg
    found = re.fullmatch(r"(?:PEG\s*)?([LR])\s*(\d{1,4})|(?:PEG\s*)?(\d{1,4})\s*(LEFT|RIGHT|L|R)", name)
    if found is None:
        raise _LineTrouble(f"“{text[:30]}” is not a peg; write L3, R3 or a corner")
    side, bow = (found[1], found[2]) if found[1] else (found[4][0], found[3])
    if not 1 <= int(bow) <= bays.bows:
        raise _LineTrouble(f"there is no peg {side}{int(bow)}; that side has {bays.bows}")
    return f"{side}{int(bow)}"


def _wanted(cells: dict[str, str], *names: str) -> Iterator[str]:
    for name in names:
        if name not in cells:
            raise _LineTrouble(f"the {name} is missing")
        yield cells[name]


def read_readings(text: str, job: Job) -> tuple[SiteRecord, str]:
    """A site record with the readings of a file or of pasted text, and what was read, in words.

    Raises: DesignError with a sentence for each faulty line; nothing is taken then.
    """
    table = _table(text.removeprefix("\ufeff"))
    lengths = _Lengths(job.design.tape.units, table.units)
    if "line" in table.columns:
        return _tapings(table, lengths, job)
    if {"side", "bow"} <= set(table.columns):
        return _pegs(table, lengths, job)
    if table.columns and "reading" not in table.columns:
        raise _refuse("It has no column named reading.")
    return _levels(table, lengths, job)


def _levels(table: _Table, lengths: _Lengths, job: Job) -> tuple[SiteRecord, str]:
    bays, rod_m = design_bays(job.design), job.design.level.rod_m
    pegs: dict[str, float] = {}
    spots: list[Spot] = []
    lines: dict[str, int] = {}

    def take(number: int, cells: dict[str, str]) -> None:
        (shown,) = _wanted(cells, "reading")
        reading = lengths.read("reading", shown, number)
        if reading > rod_m + 1e-9:
            raise _LineTrouble(f"{shown} is past the end of the {length_text(rod_m, job.design.tape)} rod")
        if "point" in cells:
            name = _peg(cells["point"], bays)
            if name in pegs:
                raise _LineTrouble(f"{peg_words(name)} was already read on line {lines[name]}")
            pegs[name], lines[name] = reading, number
            return
        along, across = _wanted(cells, "along", "across")
        x, y = lengths.read("along", along, number), lengths.read("across", across, number)
        if too_far(x, y):
            raise _LineTrouble("that place is too far from the house")
        spots.append(Spot(x_m=x, y_m=y, reading_m=reading))

    _each(table, take)
    levels = job.record.levels
    merged = {**levels.pegs, **pegs}
    kept = levels.model_copy(update={"pegs": merged})
    changed = kept.with_spots(spots)
    if len(changed.spots) > MOST_SPOTS:
        raise _refuse(f"That would make {len(changed.spots):,} spots; {MOST_SPOTS:,} are the most for one house.")
    names = [f"{side}{bow}" for side in "LR" for bow in range(1, bays.bows + 1)]
    missing = [name for name in names if name not in merged]
    words = f"Levels read in: {_count(len(pegs), 'peg')}, {_count(len(spots), 'spot')}"
    if pegs and missing:
        words += f"; still to read: {', '.join(missing[:6])}{'…' if len(missing) > 6 else ''}"
    return job.record.model_copy(update={"levels": changed}), words


def _count(count: int, what: str) -> str:
    return f"{count:,} {what if count == 1 else what + 's'}"


def _tapings(table: _Table, lengths: _Lengths, job: Job) -> tuple[SiteRecord, str]:
    """Rounds of taping; the last one is the one under way."""
    rounds: dict[int, dict[Line, float]] = {}

    def take(number: int, cells: dict[str, str]) -> None:
        shown, reading = _wanted(cells, "line", "reading")
        name = "".join(sorted(re.sub(r"[^a-d]", "", shown.lower())))
        line = next((each for each in LINES if "".join(sorted(each)) == name), None)
        if line is None:
            raise _LineTrouble(f"“{shown[:30]}” is not one of the six lines; write A-C")
        which = cells.get("round", "1")
        if not re.fullmatch(r"[1-9]\d?", which):
            raise _LineTrouble(f"“{which[:20]}” is not the number of a round")
        value = lengths.read("reading", reading, number)
        if not 0 < value <= 400:
            raise _LineTrouble(f"{reading} is no distance between two corners")
        if line in rounds.setdefault(int(which), {}):
            raise _LineTrouble(f"{shown} stands twice in round {which}")
        rounds[int(which)][line] = value

    _each(table, take)
    if len(rounds) > MOST_ROUNDS + 1:
        raise _refuse(
            f"It has {len(rounds)} rounds of taping; the one under way and {MOST_ROUNDS} earlier ones are the most "
            "that are kept. Leave out the oldest."
        )
    tapings = [
        Taping.model_validate({f"{line}_m": value for line, value in readings.items()})
        for _, readings in sorted(rounds.items())
    ]
    if not tapings:
        raise _refuse("There are no readings in it.")
    record = job.record.model_copy(update={"earlier": tuple(tapings[:-1]), "taped": tapings[-1]})
    return record, f"Tapings read in: {_count(len(tapings), 'round')}"


def _pegs(table: _Table, lengths: _Lengths, job: Job) -> tuple[SiteRecord, str]:
    """Pegs as they were set: the peg list with its column ``set_at`` filled in."""
    bays = design_bays(job.design)
    if "set_at" not in table.columns:
        raise _refuse("It has no column named set_at, so it says of no peg where it was set.")
    set_at = dict(job.record.set_at_m)
    seen: dict[str, int] = {}

    def take(number: int, cells: dict[str, str]) -> None:
        side, bow = _wanted(cells, "side", "bow")
        name = _peg(f"{bow} {side}", bays)
        if name in seen:
            raise _LineTrouble(f"{peg_words(name)} stands on line {seen[name]} already")
        seen[name] = number
        if "set_at" in cells:
            value = lengths.read("set_at", cells["set_at"], number)
            if value > 400:
                raise _LineTrouble(f"{cells['set_at']} is longer than any house")
            set_at[f"peg:{name}"] = value
        else:
            set_at.pop(f"peg:{name}", None)

    _each(table, take)
    count = sum(tick.startswith("peg:") for tick in set_at)
    return job.record.model_copy(update={"set_at_m": set_at}), f"Peg list read in: {_count(count, 'peg')} set"
