"""Values named in place of ones that can't stand: each was tried, as it is printed, before it is named."""

import copy
import math
from collections.abc import Callable, Collection, Iterator, Mapping
from typing import Any

from obtegum.core.documents.house import SiteRecord
from obtegum.core.documents.numbers import Number
from obtegum.core.documents.reading import limit_of, read_design, tape_in
from obtegum.core.house.bench import begin
from obtegum.core.values.amount import amount_step, parse_amount
from obtegum.core.values.catalogue import Catalogue
from obtegum.core.values.quantity import Tape, other_readings, parse_length, tube_step_m
from obtegum.core.values.trouble import DesignError, Trouble, as_typed, running

__all__ = ["Wrong", "naming", "nearest_working", "other_reading", "scanned", "sound_design", "tried"]

# What is wrong with a value, or None when it can stand.
Wrong = Callable[[float], Trouble | None]
# How many values between the least and the most are tried where nothing is known to work.
PLACES = 24


def _read(printed: str, limit: Number, tape: Tape) -> float:
    text = as_typed(printed) or ""
    if limit.kind == "length":
        return parse_length(text, tape.units, limit.bare)
    return parse_amount(text, limit.kind, tape.units)


def _step(limit: Number, tape: Tape) -> float:
    if limit.kind != "length":
        return amount_step(limit.kind, tape.units)
    return tube_step_m(tape.units) if limit.bare == "tube" else tape.step_m


def nearest_working(wrong: Wrong, good: float, bad: float, why: Trouble, path: str, tape: Tape) -> Trouble:
    """How far a value can go from one that works toward one that doesn't: found by halving, and tried as printed.

    Args: ``why`` is what is wrong with the bad one.
    """
    limit = limit_of(path)
    if limit is None:
        return why
    step, most = _step(limit, tape), bad > good
    inner, outer = good, bad
    while abs(outer - inner) > step / 4:
        middle = (inner + outer) / 2
        found = wrong(middle)
        if found is None:
            inner = middle
        else:
            outer, why = middle, found

    def works(text: str) -> bool:
        return wrong(_read(text, limit, tape)) is None

    # Its own words serve where the value that they name works too.
    if why.path == path and why.nearest and works(why.nearest):
        return why
    # The marks on either side of the limit: the further one if the limit lies on it, else the one before.
    marks = sorted((to(inner / step) * step for to in (math.floor, math.ceil)), reverse=most)
    reason, named = why.reason or why.sentence, running(limit.label)
    for mark in marks:
        text = limit.text(mark, tape)
        if (mark > good) == most and works(text):
            sentence = f"{reason} As the rest stands, {named} can be {text} at the {'most' if most else 'least'}."
            return Trouble(
                path=path, sentence=sentence, reason=reason, nearest_m=_read(text, limit, tape), nearest=text
            )
    sentence = f"{reason} As the rest stands, {named} can’t be {'more' if most else 'less'} than it is."
    return Trouble(path=path, sentence=sentence, reason=reason)


def other_reading(text: str, path: str, tape: Tape, wrong: Wrong) -> str | None:
    """A number without a unit that can't stand, read in the unit that it was meant in; None where none works."""
    limit = limit_of(path)
    if limit is None or limit.kind != "length":
        return None
    for value_m in other_readings(text, tape.units, limit.bare):
        told = limit.text(value_m, tape)
        if wrong(_read(told, limit, tape)) is None:
            return told
    return None


def sound_design(data: Mapping[str, Any], catalogue: Catalogue) -> None:
    """Check that a design from outside makes a house. Raises: DesignError."""
    begin(read_design(data), SiteRecord(), catalogue)


def _put(data: Mapping[str, Any], path: str, value: float) -> dict[str, Any]:
    """A document with a value somewhere else. Raises: LookupError or TypeError where there is no such place."""
    document = dict(copy.deepcopy(data))
    *parents, leaf = path.split(".")
    inner: Any = document
    for name in parents:
        inner = inner[int(name)] if isinstance(inner, list | tuple) else inner[name]
    inner[leaf] = value
    return document


def _value(data: Mapping[str, Any], path: str) -> float | None:
    inner: Any = data
    try:
        for name in path.split("."):
            inner = inner[int(name)] if isinstance(inner, list | tuple) else inner[name]
        return float(inner) if isinstance(inner, int | float) and not isinstance(inner, bool) else None
    except (LookupError, TypeError, ValueError, OverflowError):
        return None


def naming(error: DesignError, edited: Collection[str], data: Mapping[str, Any], tape: Tape) -> DesignError:
    """The troubles of a document after a change; one of another decision begins with that and what stands there."""

    def named(trouble: Trouble) -> Trouble:
        limit, value = limit_of(trouble.path), _value(data, trouble.path)
        told = trouble.path in edited or limit is None or limit.label.lower() in trouble.sentence.lower()
        if told or limit is None or value is None:
            return trouble
        front = f"{limit.label}, {limit.text(value, tape)}: "
        words = {name: f"{front}{running(said)}" for name in ("sentence", "reason") if (said := getattr(trouble, name))}
        return trouble.model_copy(update=words)

    return DesignError([named(trouble) for trouble in error.troubles])


def scanned(limit: Number, bad: float) -> Iterator[float]:
    """Values between the least and the most, the nearest to the bad one first."""
    span = limit.most - limit.least
    places = [limit.least + span * place / PLACES for place in range(PLACES + 1)]
    # Small values are as likely as large ones.
    places += [limit.least + span * 2.0**-place for place in range(1, PLACES // 2)]
    yield from sorted(places, key=lambda each: abs(each - bad))


def tried(data: Mapping[str, Any], error: DesignError, catalogue: Catalogue) -> DesignError:
    """The troubles of a design from outside, each naming a value that works as it is printed, or none.

    With more than one trouble, a value works that mends its own.
    """
    tape, alone = tape_in(data), len(error.troubles) == 1

    def mended(trouble: Trouble) -> Trouble:
        limit, bad = limit_of(trouble.path), _value(data, trouble.path)
        if limit is None or bad is None or not math.isfinite(bad):
            return trouble.model_copy(update={"nearest_m": None, "nearest": None})

        def wrong(value: float) -> Trouble | None:
            try:
                sound_design(_put(data, trouble.path, value), catalogue)
            except DesignError as found:
                own = [each for each in found.troubles if alone or each.path == trouble.path]
                return own[0] if own else None
            return None

        if trouble.nearest is None and trouble.nearest_m is None:
            return trouble
        if trouble.nearest is not None:
            value = _read(trouble.nearest, limit, tape)
            if wrong(value) is None:
                return trouble.model_copy(update={"nearest_m": value})
        good = next((each for each in scanned(limit, bad) if wrong(each) is None), None)
        if good is None:
            reason = trouble.reason or trouble.sentence
            return Trouble(path=trouble.path, sentence=f"{reason} No other value mends it alone.", reason=reason)
        return nearest_working(wrong, good, bad, trouble, trouble.path, tape)

    return DesignError([mended(trouble) for trouble in error.troubles])
