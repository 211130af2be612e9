"""Which way each answer is rounded as it is printed: every room says it of its own.

What one has (room, what is in the ground, play, what is left) goes down; what one needs (tube, earth, water,
force) and what something may be out by goes up; what is measured or marked goes to the nearest step.
Nothing is ever shown as safer than it was computed.
"""

import re
from collections.abc import Iterable

from obtegum.core.values.quantity import Rounding

__all__ = ["declare", "rounded"]

_NUMBERED = re.compile(r"_(\d+|[A-D])$")


_declared: dict[str, Rounding] = {}


def declare(names: Iterable[str], way: Rounding) -> None:
    """Which way answers of these names are rounded. Raises: ValueError for one that is rounded another way already."""
    for name in names:
        if _declared.setdefault(name, way) != way:
            raise ValueError(f"“{name}” is rounded two ways")


def rounded(name: str) -> Rounding:
    """Which way an answer of this name is rounded; numbered ones alike. Raises: LookupError for one that isn't told."""
    way = _declared.get(_NUMBERED.sub("", name))
    if way is None:
        raise LookupError(f"nobody has said how “{name}” is rounded")
    return way
