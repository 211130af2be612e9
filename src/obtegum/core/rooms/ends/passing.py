"""Who goes through a doorway: figures with what they push, and the room that the way leaves them.

Sizes are stand-ins of this bench, measured over hands and handles; a grower's height is the house's own figure.
"""

from dataclasses import dataclass

from obtegum.core.documents.ends import Side
from obtegum.core.findings.skeleton.openings import Opened, door_of
from obtegum.core.findings.skeleton.outline import end_of, stud_board
from obtegum.core.findings.work import Work
from obtegum.core.rooms.ends.leaf import HINGE_M

__all__ = ["BESIDE_M", "FIGURES", "Passing", "passing", "ways_of"]

# Name, how wide and how high, m; None where it is the grower's own height.
FIGURES: dict[str, tuple[str, float, float | None]] = {
    "grower": ("a grower", 0.6, None),
    "barrow": ("a grower with a barrow", 0.75, None),
    "tractor": ("a two-wheel tractor", 0.9, None),
    "former": ("a tractor with a bed former", 1.5, 2.0),
}
# Room for knuckles at each side, and over the head, m (this bench).
BESIDE_M, OVER_M = 0.1, 0.05


@dataclass(frozen=True, slots=True)
class Passing:
    """Room that something has in a doorway: at each side and over it, m; below nothing where it doesn't pass."""

    words: str
    wide_m: float
    high_m: float
    beside_m: float
    over_m: float

    @property
    def passes(self) -> bool:
        return self.beside_m >= 0 and self.over_m >= 0

    @property
    def easy(self) -> bool:
        return self.beside_m >= BESIDE_M and self.over_m >= OVER_M


def clear_m(work: Work, side: Side, way: Opened) -> float:
    """What a leaf that stands open at a right angle leaves of its way, m."""
    hung = way.what in ("swing", "double")
    leaves = 2 if way.what == "double" else 1
    return way.wide_m - (leaves * (stud_board(work, side).thick_m + HINGE_M) if hung else 0.0)


def passing(work: Work, side: Side, what: str) -> Passing | None:
    """Room that something has in the doorway of an end; None where there is no doorway."""
    way = door_of(work, side)
    if way is None:
        return None
    words, wide, high = FIGURES[what]
    tall = work.design.size.figure.height_m if high is None else high
    return Passing(words, wide, tall, (clear_m(work, side, way) - wide) / 2, way.high - tall)


def ways_of(work: Work) -> tuple[tuple[Side, Opened], ...]:
    """Both doorways, and an end that is left open as none."""
    found = list[tuple[Side, Opened]]()
    for side in ("front", "back"):
        way = door_of(work, side) if end_of(work, side).kind == "framed" else None
        if way is not None:
            found.append((side, way))
    return tuple(found)
