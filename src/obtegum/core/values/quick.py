"""Small values that are made by the thousand: pieces of drawings, marks of tapes."""

from collections.abc import Callable
from dataclasses import dataclass, fields
from functools import cache
from typing import Any, TypeVar, cast, dataclass_transform

__all__ = ["altered", "quick", "small"]

T = TypeVar("T")


@dataclass_transform(kw_only_default=True, frozen_default=True)
def small(cls: type[T]) -> type[T]:
    """A data class that is never written to once it is made.

    The type checker holds that, not each assignment while the program runs, which would take a quarter of the
    time of a whole plan.
    """
    return dataclass(slots=True, kw_only=True, unsafe_hash=True)(cls)


@dataclass_transform(frozen_default=True)
def quick(cls: type[T]) -> type[T]:
    """The same of a value that is made of a few numbers in order."""
    return dataclass(slots=True, unsafe_hash=True)(cls)


@cache
def _slots(kind: object) -> tuple[tuple[str, Callable[[Any], Any], Callable[[Any, Any], None]], ...]:
    """The fields of a kind of item, each with what reads and what first writes it."""
    slots = ((each.name, getattr(kind, each.name)) for each in fields(cast(Any, kind)))
    return tuple((name, slot.__get__, slot.__set__) for name, slot in slots)


def altered(item: T, **changes: Any) -> T:
    """An item with some of its values changed: `dataclasses.replace` for thousands of frozen items, unchecked."""
    made = object.__new__(type(item))
    for name, read, write in _slots(cast(Any, type(item))):
        write(made, changes[name] if name in changes else read(item))
    return made
