"""A decision declared once: what it is called, its range, what a bare number means, what a house begins with.

A room's `Decisions` declare each of their fields by a `Number` or a `Choice` in its annotation. The field on the
bench, its refusals, the ranges in the API's description and the types of the interface all follow from there.
"""

from collections.abc import Callable, Iterable, Iterator, Mapping, Sequence
from dataclasses import dataclass, field
from functools import cache
from types import UnionType
from typing import TYPE_CHECKING, Annotated, Any, Literal, NamedTuple, Union, get_args, get_origin

from annotated_types import Ge, GroupedMetadata, Le, MaxLen
from pydantic import TypeAdapter, ValidationError

from obtegum.core.values.amount import AmountKind, amount_text
from obtegum.core.values.base import Part
from obtegum.core.values.quantity import Bare, Rounding, Tape, Units, length_text, parse_length, tube_text
from obtegum.core.values.trouble import Trouble

if TYPE_CHECKING:
    from obtegum.core.documents.house import HouseDesign

__all__ = [
    "Choice",
    "Decisions",
    "Each",
    "Number",
    "Place",
    "Text",
    "begin_in",
    "choice",
    "leaves",
    "misfit",
    "path_of",
    "place_of",
]


@dataclass(frozen=True)
class Number(GroupedMetadata):
    """Name of a number on the bench, and the range that can be planned, SI.

    ``feet`` and ``metres`` are what a new house in those units begins with, where that is not the default.
    """

    label: str
    least: float
    most: float
    kind: AmountKind | Literal["length"] = "length"
    bare: Bare = "long"
    hint: str = ""
    feet: float | None = None
    metres: float | None = None

    def __iter__(self) -> Iterator[Ge | Le]:
        yield Ge(self.least)
        yield Le(self.most)

    def begins(self, units: Units) -> float | None:
        """What a new house in these units begins with, where it is not the default."""
        return self.feet if units == "feet" else self.metres

    def text(self, value: float, tape: Tape, rounding: Rounding = "nearest") -> str:
        """A value of this kind in the tape's units."""
        if self.bare == "tube":
            return tube_text(value, tape.units, rounding)
        if self.kind == "length":
            return length_text(value, tape, rounding)
        return amount_text(value, self.kind, tape.units, rounding)


@dataclass(frozen=True)
class Choice:
    """Name of a choice on the bench, and its options in words; none where they follow from something else."""

    label: str
    options: Mapping[str, str] = field(default_factory=dict)
    hint: str = ""


def choice(label: str, hint: str = "", **options: str) -> Choice:
    """A choice with its options; one that is a word of the language has a line after it: ``raise_``."""
    return Choice(label, {name.strip("_"): words for name, words in options.items()}, hint)


@dataclass(frozen=True)
class Text(GroupedMetadata):
    """Name of words on the bench, and how many letters they have at the most."""

    label: str
    most: int
    hint: str = ""

    def __iter__(self) -> Iterator[MaxLen]:
        yield MaxLen(self.most)


@dataclass(frozen=True)
class Each:
    """How the numbers of many like things are called: from the name of the thing, and its own label."""

    label: Callable[[str, str], str]


class Decisions(Part):
    """What a room decides of the house."""

    def misfits(self, house: "HouseDesign", at: str) -> Iterable[Trouble]:
        """Values that are each in range but can't stand together; ``at`` is where this part is in the house."""
        return ()


def misfit(path: str, sentence: str, nearest_m: float, tape: Tape, rounding: Rounding = "nearest") -> Trouble:
    """A value that can't stand beside the others; the sentence ends before the nearest one that can."""
    nearest, reason = length_text(nearest_m, tape, rounding), sentence.rpartition(". ")[0]
    if rounding != "nearest":
        nearest_m = parse_length(nearest, tape.units, "long")
    return Trouble(
        path=path, sentence=f"{sentence} {nearest}.", reason=f"{reason}.", nearest_m=nearest_m, nearest=nearest
    )


class Place(NamedTuple):
    """What is declared at a place of a document.

    ``key`` is where among the names that lead there stands that of one of many like things that come and go.
    """

    declared: Number | Choice | Text | None
    label: str
    optional: bool = False
    key: int | None = None

    @property
    def entry(self) -> bool:
        """Whether it belongs to one of many like things."""
        return self.key is not None


def _taken_apart(annotation: Any, more: Sequence[Any]) -> tuple[list[Any], list[Any], bool]:
    """An annotation's types, all that is said of them, and whether there may be none."""
    said = list(more)
    if get_origin(annotation) is Annotated:
        inner, *rest = get_args(annotation)
        return _taken_apart(inner, [*said, *rest])
    if get_origin(annotation) not in (Union, UnionType):
        return [annotation], said, False
    found: list[Any] = []
    for each in get_args(annotation):
        types, own, _ = _taken_apart(each, ())
        found += types
        said += own
    return [each for each in found if each is not type(None)], said, type(None) in found


def _is_part(annotation: Any) -> bool:
    return isinstance(annotation, type) and issubclass(annotation, Part)


def _of_kind(said: Iterable[Any], *kinds: type) -> Any:
    return next((each for each in said if isinstance(each, kinds)), None)


@cache
def _key_of(kind: Any) -> TypeAdapter[Any]:
    return TypeAdapter(kind)


def _is_key(kind: Any, name: str) -> bool:
    try:
        _key_of(kind).validate_python(name)
    except ValidationError:
        return False
    return True


def place_of(part: type[Part], names: Sequence[str]) -> Place | None:
    """What is declared of a value by the names that lead to it; None where there is nothing of that name."""
    annotation: Any = part
    more: Sequence[Any] = ()
    words: Each | None = None
    key: int | None = None
    for place, name in enumerate(names):
        types, said, _ = _taken_apart(annotation, more)
        many = _of_kind(said, Each)
        field_of = next(
            (each.model_fields[name] for each in types if _is_part(each) and name in each.model_fields), None
        )
        table = next((get_args(each) for each in types if get_origin(each) is dict), None)
        row = next((get_args(each) for each in types if get_origin(each) is tuple), None)
        if field_of is not None:
            annotation, more = field_of.annotation, field_of.metadata
        elif table is not None and many is not None and _is_key(table[0], name):
            annotation, more, words, key = table[1], (), many, place
        elif row is not None and name.isdecimal():
            annotation, more = row[0], ()
        else:
            return None
    _, said, optional = _taken_apart(annotation, more)
    declared = _of_kind(said, Number, Choice, Text)
    label = declared.label if declared else ""
    if words is not None and key is not None:
        label = words.label(names[key], label)
    return Place(declared, label, optional or key is not None, key)


def leaves(part: type[Part], before: str = "") -> Iterator[tuple[str, Place]]:
    """Every number, choice and text that a part always has, by its path; what only some shapes of it have, too."""
    seen = set[str]()
    for name, found in part.model_fields.items():
        types, said, optional = _taken_apart(found.annotation, found.metadata)
        declared = _of_kind(said, Number, Choice, Text)
        if declared is not None:
            yield f"{before}{name}", Place(declared, declared.label, optional)
        for one in filter(_is_part, types):
            for path, place in leaves(one, f"{before}{name}."):
                if path not in seen:
                    seen.add(path)
                    yield path, place


def begin_in(part: type[Part], units: Units) -> dict[str, Any]:
    """What a new house in these units begins with where that is not what the part's own defaults say."""
    found: dict[str, Any] = {}
    for name, info in part.model_fields.items():
        types, said, _ = _taken_apart(info.annotation, info.metadata)
        number = _of_kind(said, Number)
        value = number.begins(units) if number else None
        if value is not None:
            found[name] = value
        for one in filter(_is_part, types):
            inner = begin_in(one, units)
            if inner:
                found[name] = inner
    return found


def path_of(part: type[Part], loc: Sequence[str]) -> str:
    """A place as a validator names it, without the names of the shapes that it went through."""
    types: list[Any] = [part]
    found: list[str] = []
    for name in loc:
        parts = [each for each in types if _is_part(each)]
        if len(parts) > 1 and not any(name in each.model_fields for each in parts):
            continue
        found.append(name)
        inside: list[Any] = []
        for each in types:
            if _is_part(each) and name in each.model_fields:
                inside += _taken_apart(each.model_fields[name].annotation, ())[0]
            elif get_origin(each) in (dict, tuple):
                inside += _taken_apart(get_args(each)[1 if get_origin(each) is dict else 0], ())[0]
        types = inside
    return ".".join(found)
