"""Designs and records from outside: read whole, or refused with a sentence for each fault."""

from collections.abc import Iterable, Mapping, Sequence
from functools import lru_cache
from typing import Any, NamedTuple

from pydantic import ValidationError

from obtegum.core.documents.house import HouseDesign, SiteRecord
from obtegum.core.documents.numbers import Number, Place, path_of, place_of
from obtegum.core.values.base import KeptPart
from obtegum.core.values.quantity import Tape
from obtegum.core.values.trouble import DesignError, Trouble, running

__all__ = [
    "SITE",
    "Ranged",
    "limit_of",
    "place_at",
    "range_said",
    "read_design",
    "read_record",
    "record_as_kept_now",
    "tape_in",
    "troubles_of",
]

# What was done and found on site stands under this name in the paths of a house.
SITE = "record"


@lru_cache(maxsize=8192)
def place_at(path: str) -> Place | None:
    """What is declared at a path of a house: ``size.span_m``, ``record.levels.pegs.L3``."""
    names = path.split(".")
    if names[0] != SITE:
        return place_of(HouseDesign, names)
    place = place_of(SiteRecord, names[1:])
    return place._replace(key=place.key + 1) if place and place.key is not None else place


def limit_of(path: str) -> Number | None:
    """The number that is declared at a path; None where there is none."""
    place = place_at(path)
    return place.declared if place and isinstance(place.declared, Number) else None


def _path(loc: Sequence[str | int]) -> str:
    names = [str(piece) for piece in loc]
    if names and names[0] == SITE:
        return f"{SITE}.{path_of(SiteRecord, names[1:])}"
    return path_of(HouseDesign, names)


def troubles_of(entries: Iterable[Mapping[str, Any]], tape: Tape) -> list[Trouble]:
    """Turn Pydantic's findings (as its ``errors()`` lists them) into sentences, in the tape's units."""
    return [trouble for entry in entries for trouble in _troubles(entry, tape)]


def _troubles(entry: Mapping[str, Any], tape: Tape) -> list[Trouble]:
    kind, context = entry["type"], entry.get("ctx", {})
    if kind == "house":
        found: list[Trouble] = context["troubles"]
        return found
    path = _path(entry["loc"])
    limit = limit_of(path)
    if limit is None or kind == "missing":
        return [Trouble(path=path, sentence=_plain_sentence(path, kind, entry["msg"]))]
    bound = {"greater_than_equal": "ge", "greater_than": "ge", "less_than_equal": "le"}.get(kind)
    if bound is None:
        what = "a length in metres" if limit.kind == "length" else "a number"
        return [Trouble(path=path, sentence=f"{limit.label} must be {what}.")]
    said = range_said(limit, tape)
    if bound == "le":
        return [Trouble(path=path, sentence=said.over, nearest_m=limit.most, nearest=said.most)]
    given = entry["input"]
    sentence = said.nothing if isinstance(given, int | float) and given <= 0 else said.under
    return [Trouble(path=path, sentence=sentence, nearest_m=limit.least, nearest=said.least)]


class Ranged(NamedTuple):
    """What is said of a number under its range, of nothing and below, and over it; the ends as printed."""

    under: str
    nothing: str
    over: str
    least: str
    most: str


def range_said(limit: Number, tape: Tape) -> Ranged:
    """The sentences of a number's range, in the tape's units."""
    least, most = limit.text(limit.least, tape, "up"), limit.text(limit.most, tape, "down")
    under = f"{limit.label} must be {least} at the least."
    nothing = f"{limit.label} must be more than nothing: {least} at the least." if limit.least > 0 else under
    return Ranged(under, nothing, f"{limit.label} can be {most} at the most.", least, most)


def _plain_sentence(path: str, kind: str, message: str) -> str:
    where = path or "The house"
    if kind == "missing":
        return f"{where} is missing."
    if kind == "extra_forbidden":
        return f"{where} is not part of a house."
    if path == "name":
        return "A house needs a name of 1 to 80 letters that can be seen."
    return f"{where}: {running(message)}."


def read_design(data: Mapping[str, Any]) -> HouseDesign:
    """Check a design from outside. Raises: DesignError with a sentence for each fault."""
    try:
        return HouseDesign.model_validate(data)
    except ValidationError as error:
        raise DesignError(troubles_of(error.errors(include_url=False), tape_in(data))) from None


def read_record(data: Mapping[str, Any], tape: Tape) -> SiteRecord:
    """Check a site record from outside. Raises: DesignError with a sentence for each fault."""
    try:
        return SiteRecord.model_validate(data)
    except ValidationError as error:
        entries = [{**entry, "loc": (SITE, *entry["loc"])} for entry in error.errors(include_url=False)]
        raise DesignError(troubles_of(entries, tape)) from None


def record_as_kept_now(record: Any) -> Any:
    """A stored site record in the form that its parts are kept in now; what is no record is left as it is.

    Raises: pydantic.ValidationError when a part of it can't be read.
    """
    if not isinstance(record, dict):
        return record
    parts = {name: declared.annotation for name, declared in SiteRecord.model_fields.items()}
    return {name: _part_as_kept_now(parts.get(name), part) for name, part in record.items()}


def _part_as_kept_now(kind: Any, part: Any) -> Any:
    if isinstance(kind, type) and issubclass(kind, KeptPart) and isinstance(part, dict):
        return kind.as_kept_now(part)
    return part


def tape_in(data: object) -> Tape:
    """The tape of a design from outside; the usual one where it has none that can be read."""
    try:
        return Tape.model_validate(data.get("tape", {})) if isinstance(data, Mapping) else Tape()
    except ValidationError:
        return Tape()
