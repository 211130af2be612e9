"""Which way each answer is rounded as it is printed: every room says it of its own.

What one has (room, what is in the ground, play, what is left) goes down; what one needs (tube, earth, water,
force) and what something may be out by goes up; what is measured or marked goes to the nearest step.
Nothing is ever shown as safer than it was computed.
"""

import re
from functools import cache

from obtegum.core.quantity import Rounding

__all__ = ["all_rounded", "rounded"]

_NUMBERED = re.compile(r"_(\d+|[A-D])$")


@cache
def all_rounded() -> dict[str, Rounding]:
    """Every answer's rounding, by its name. Raises: ValueError when two rooms round one name otherwise."""
    # The rooms' answers are rounded here, so they can't be asked for before they are there.
    from obtegum.core.room import rooms

    found: dict[str, Rounding] = {}
    for room in rooms():
        ways: tuple[tuple[frozenset[str], Rounding], ...] = (
            (room.down, "down"),
            (room.up, "up"),
            (room.nearest, "nearest"),
        )
        for names, way in ways:
            for name in names:
                if found.setdefault(name, way) != way:
                    raise ValueError(f"“{name}” is rounded two ways")
    return found


def rounded(name: str) -> Rounding:
    """Which way an answer of this name is rounded; numbered ones alike. Raises: LookupError for one that isn't told."""
    way = all_rounded().get(_NUMBERED.sub("", name))
    if way is None:
        raise LookupError(f"nobody has said how “{name}” is rounded")
    return way
