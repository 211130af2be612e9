"""A field on the bench: where a value lives in a house's documents, how it is read, written and shown.

A measure is what a field, a handle on the drawing and a key press have in common, and its id is its path in
the house. Most follow from what the rooms declare of their numbers and choices; a room writes its own where
a measure isn't stored but follows from others, or where its options do.
"""

from collections.abc import Callable, Sequence
from dataclasses import dataclass, replace
from functools import cached_property
from operator import attrgetter
from typing import Any, Literal

from obtegum.core.documents.job import Job
from obtegum.core.documents.numbers import Choice, Number, Text
from obtegum.core.documents.reading import SITE, place_at
from obtegum.core.values.amount import AmountKind
from obtegum.core.values.catalogue import Catalogue
from obtegum.core.values.quantity import Bare
from obtegum.core.values.quick import small
from obtegum.core.values.trouble import DesignError, Trouble

__all__ = ["Document", "Hint", "Measure", "MeasureState", "Option", "measure_at", "options_of", "put", "special"]

Document = dict[str, Any]
Kind = Literal["length", "amount", "choice", "text"]
Hint = str | Callable[[Job, Catalogue], str]
Options = Callable[[Job, Catalogue], tuple["Option", ...]]


@small
class Option:
    """One way to choose, and what it means for this house."""

    id: str
    label: str
    about: str = ""


@small
class MeasureState:
    """A measure as it stands: its reading, its range as sentences, its options.

    A blank one has no reading, but may have the value that it stands for.
    """

    id: str
    label: str
    kind: Kind
    reading: str
    value_m: float | None = None
    least_m: float | None = None
    most_m: float | None = None
    optional: bool = False
    options: tuple[Option, ...] = ()
    hint: str = ""


@dataclass(frozen=True)
class Measure:
    """Something to set: what is decided lives in the design, what was measured on site under ``record``.

    ``number`` is its declaration where it is one, ``named`` what it is called where that hangs on the house. An
    optional measure may be left blank; ``blank`` tells what that stands for, where it stands for a value. All that is
    shown of a ``plain`` one is its value and what it is declared with.
    """

    id: str
    kind: Kind
    label: str
    read: Callable[[Job], Any]
    write: Callable[[Document, Job, Any], None]
    number: Number | None = None
    options: Options = lambda job, catalogue: ()
    hint: Hint = ""
    optional: bool = False
    blank: Callable[[Job], float | None] = lambda job: None
    named: Callable[[Job], str] | None = None
    plain: bool = False

    def now(self, job: Job) -> Any:
        """Its value, or what a blank one stands for: where a pull or a key step starts."""
        return self._or_blank(self.read(job), job)

    def _or_blank(self, value: Any, job: Job) -> Any:
        return self.blank(job) if value is None else value

    def said(self, job: Job, catalogue: Catalogue) -> str:
        """The hint under the field."""
        return self.hint if isinstance(self.hint, str) else self.hint(job, catalogue)

    @property
    def on_site(self) -> bool:
        """Whether it was measured, not decided."""
        return self.id.startswith(f"{SITE}.")

    @property
    def bare(self) -> Bare:
        """What a number without a unit means here."""
        return self.number.bare if self.number else "long"

    @property
    def amount(self) -> AmountKind:
        assert self.number is not None and self.number.kind != "length"
        return self.number.kind

    @cached_property
    def _states(self) -> dict[Any, MeasureState]:
        """What a plain one is told as, by its value: where that is blank, or one of its options."""
        return {}

    def state(self, job: Job, catalogue: Catalogue) -> MeasureState:
        """The measure as the bench shows it."""
        value = self.read(job)
        if not self.plain or not (value is None or self.kind == "choice"):
            return self._state(value, job, catalogue)
        if value not in self._states:
            self._states[value] = self._state(value, job, catalogue)
        return self._states[value]

    def _state(self, value: Any, job: Job, catalogue: Catalogue) -> MeasureState:
        number = self.number
        label = self.named(job) if self.named else self.label
        if number is None:
            return MeasureState(
                id=self.id,
                label=label,
                kind=self.kind,
                reading=str(value),
                options=self.options(job, catalogue),
                hint=self.said(job, catalogue),
                optional=self.optional,
            )
        return MeasureState(
            id=self.id,
            label=label,
            kind=self.kind,
            reading="" if value is None else number.text(value, job.design.tape),
            value_m=self._or_blank(value, job),
            least_m=number.least,
            most_m=number.most,
            hint=self.said(job, catalogue),
            optional=self.optional,
        )


def put(document: Document, path: str, value: Any) -> None:
    """Write a value into a document. Raises: DesignError where the house has no such place as it stands."""
    _put(document, path, path.split("."), value)


def _put(document: Any, path: str, names: Sequence[str], value: Any) -> None:
    name, *rest = names
    if isinstance(document, list | tuple):
        if int(name) >= len(document):
            raise DesignError([Trouble(path=path, sentence="There is nothing of that number in this house.")])
        _put(document[int(name)], path, rest, value)
    elif rest:
        _put(document[name], path, rest, value)
    elif name not in document:
        place = place_at(path)
        label = place.label if place else path
        raise DesignError([Trouble(path=path, sentence=f"{label} is no part of this house as it stands.")])
    else:
        document[name] = value


def _put_entry(document: Document, path: str, value: Any) -> None:
    """Write a value of one of many like things; one of which nothing is known any more is gone."""
    place, names = place_at(path), path.split(".")
    assert place is not None and place.key is not None
    many: Any = document
    for name in names[: place.key]:
        many = many[name]
    key, leaf = names[place.key], names[place.key + 1 :]
    told = {**many.get(key, {}), leaf[0]: value} if leaf else value
    if told is None or (leaf and all(each is None for each in told.values())):
        many.pop(key, None)
    else:
        many[key] = told


def _put_words(path: str, most: int) -> Callable[[Document, Job, Any], None]:
    def write(document: Document, job: Job, text: Any) -> None:
        words = str(text).strip()
        if len(words) > most:
            raise DesignError([Trouble(path=path, sentence=f"Keep it to {most} letters.")])
        put(document, path, words)

    return write


def _read(path: str) -> Callable[[Job], Any]:
    names = path.split(".")
    names = names if names[0] == SITE else ["design", *names]
    return _named(names) if all(map(str.isidentifier, names)) and not _entry(path) else _found(names)


def _entry(path: str) -> bool:
    place = place_at(path)
    return place is not None and place.entry


def _named(names: Sequence[str]) -> Callable[[Job], Any]:
    """What stands at a place that is named all the way, None where the house has no such place as it stands."""
    found = attrgetter(".".join(names))

    def read(job: Job) -> Any:
        try:
            return found(job)
        except AttributeError:
            return None

    return read


def _found(names: Sequence[str]) -> Callable[[Job], Any]:
    """The same of one of many like things, by its number or its name."""

    def read(job: Job) -> Any:
        value: Any = job
        for name in names:
            if isinstance(value, tuple) and name.isdecimal():
                value = value[int(name)] if int(name) < len(value) else None
            elif isinstance(value, dict):
                value = value.get(name)
            elif name not in getattr(type(value), "model_fields", (name,)):
                # Another shape has it; asking for it would raise, which is slow.
                value = None
            else:
                value = getattr(value, name)
            if value is None:
                return None
        return value

    return read


def options_of(declared: Choice) -> Options:
    """The options that a choice is declared with."""
    found = tuple(Option(id=name, label=label) for name, label in declared.options.items())
    return lambda job, catalogue: found


def measure_at(path: str) -> Measure | None:
    """The measure that follows from what is declared at a path; None where nothing is."""
    place = place_at(path)
    if place is None or place.declared is None:
        return None
    declared = place.declared
    write = _put_entry if place.entry else put
    common: dict[str, Any] = {
        "id": path,
        "label": place.label,
        "read": _read(path),
        "write": lambda document, job, value: write(document, path, value),
        "hint": declared.hint,
        "plain": True,
    }
    if isinstance(declared, Text):
        return Measure(kind="text", optional=True, **{**common, "write": _put_words(path, declared.most)})
    if isinstance(declared, Choice):
        return Measure(kind="choice", options=options_of(declared), **common)
    kind: Kind = "length" if declared.kind == "length" else "amount"
    return Measure(kind=kind, number=declared, optional=place.optional, **common)


def special(path: str, **own: Any) -> Measure:
    """A declared measure with ways of a room's own: to read, to write, to hint, to offer."""
    found = measure_at(path)
    assert found is not None, path
    return replace(found, **own, plain=own.keys() <= {"write"})
