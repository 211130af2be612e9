"""Small values that are made by the thousand: pieces of drawings, marks of tapes."""

from dataclasses import dataclass
from typing import TypeVar, dataclass_transform

__all__ = ["small"]

T = TypeVar("T")


@dataclass_transform(kw_only_default=True, frozen_default=True)
def small(cls: type[T]) -> type[T]:
    """A data class that is never written to once it is made.

    The type checker holds that, not each assignment while the program runs, which would take a quarter of the
    time of a whole plan.
    """
    return dataclass(slots=True, kw_only=True, unsafe_hash=True)(cls)
