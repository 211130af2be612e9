"""Where each opening of an end is: under the bow as planned, clear of the others, and what refuses one that can't be
there. What was measured on site refuses none: sticks are cut to it, and the verdicts say where it no longer fits."""

from collections.abc import Iterator
from dataclasses import dataclass
from itertools import combinations
from math import ceil
from typing import Literal

from obtegum.core.documents.ends import WALKED, EndWall, Opening, Side
from obtegum.core.findings.kept import found
from obtegum.core.findings.skeleton.outline import end_of, planned_half_m, planned_under, refusal, sizes
from obtegum.core.findings.skeleton.tubes import bow_tube
from obtegum.core.findings.work import Work

__all__ = ["Opened", "bay_m", "door_of", "opened"]

# How far from another place the next one is tried for an opening that finds its own, m.
TRIED_M = 0.02
# What a roll takes over the way that it closes, m (this bench).
ROLL_M = 0.25
# What may not be wider than the bay between two studs.
IN_A_BAY = ("louvre", "intake", "fan")


@dataclass(frozen=True, slots=True)
class Opened:
    """An opening: its name (the door, or its number), what it is, its sides across and its edges up, m."""

    name: str
    what: str
    left: float
    right: float
    low: float
    high: float

    @property
    def wide_m(self) -> float:
        return self.right - self.left

    @property
    def high_m(self) -> float:
        return self.high - self.low

    @property
    def walked(self) -> bool:
        """Whether one goes through it, so that its jambs stand in the ground."""
        return self.what in WALKED

    def near(self, other: "Opened", clear_m: float) -> bool:
        """Whether another one is nearer than that, across and up both."""
        return (
            self.left - clear_m < other.right - 1e-9
            and other.left - clear_m < self.right - 1e-9
            and self.low - clear_m < other.high - 1e-9
            and other.low - clear_m < self.high - 1e-9
        )


def _path(side: Side, name: str) -> str:
    return f"ends.{side}" if name == "door" else f"ends.{side}.openings.{int(name) - 1}"


def bay_m(work: Work, side: Side) -> float:
    """Clear between two even studs, m."""
    inside = 2 * planned_half_m(work) - bow_tube(work).od_m
    count = max(ceil(inside / end_of(work, side).apart_m - 1e-9), 1)
    return inside / count - sizes(work, side)[0]


@found
def _front(work: Work) -> tuple[Opened, ...]:
    return _opened(work, "front")


@found
def _back(work: Work) -> tuple[Opened, ...]:
    return _opened(work, "back")


def opened(work: Work, side: Side) -> tuple[Opened, ...]:
    """Every opening of a framed end, the door first. Raises: DesignError where one can't be there."""
    return _front(work) if side == "front" else _back(work)


def door_of(work: Work, side: Side) -> Opened | None:
    """The doorway of an end; None where it has none."""
    return next((each for each in opened(work, side) if each.name == "door"), None)


def _opened(work: Work, side: Side) -> tuple[Opened, ...]:
    end = end_of(work, side)
    if end.kind != "framed":
        return ()
    placed: dict[str, Opened] = {}
    if end.door != "none":
        placed["door"] = _door(work, side, end)
    told = [(str(place), each) for place, each in enumerate(end.openings, start=1) if each.what != "none"]
    # Those that were put somewhere keep their place; the others find theirs beside them.
    for name, each in sorted(told, key=lambda one: one[1].left_m is None):
        _bounded(work, side, name, each)
        if each.left_m is None:
            placed[name] = _found_place(work, side, name, each, tuple(placed.values()))
        else:
            placed[name] = _as_told(work, side, name, each, each.left_m - planned_half_m(work))
            _under_bow(work, side, placed[name])
    for one, other in combinations(placed.values(), 2):
        _apart(work, side, one, other)
    return tuple(placed[name] for name in ("door", *(name for name, _ in told)) if name in placed)


def _as_told(work: Work, side: Side, name: str, each: Opening, left: float) -> Opened:
    low = 0.0 if each.what in WALKED else each.low_m
    return Opened(name, each.what, left, left + each.wide_m, low, low + each.high_m)


def _door(work: Work, side: Side, end: EndWall) -> Opened:
    wide, path = sizes(work, side)[0], f"ends.{side}"
    left = -end.wide_m / 2 if end.left_m is None else end.left_m - planned_half_m(work)
    door = Opened("door", end.door, left, left + end.wide_m, 0.0, end.high_m)
    if any(planned_under(work, x) is None for x in (door.left - wide, door.right + wide)):
        room = 2 * planned_half_m(work) - bow_tube(work).od_m - 2 * wide
        sentence = "The doorway doesn’t fit between the feet of the bow, with a jamb at each side."
        if end.left_m is None:
            raise refusal(f"{path}.wide_m", f"{sentence} The most is", max(room, 0.0), work)
        raise refusal(f"{path}.left_m", sentence, None, work)
    _under_bow(work, side, door)
    if end.door == "sliding" and end.track == "within":
        _slides(work, side, door, end)
    return door


def _highest(work: Work, side: Side, each: Opened) -> float:
    """How high an opening can reach with its header's corners under the bow, and its roll, m."""
    corners = [planned_under(work, x) for x in (each.left, each.right)]
    room = sizes(work, side)[0] + (ROLL_M if each.what == "rollup" else 0.0)
    return min((-1.0 if high is None else high for high in corners), default=0.0) - room


def _under_bow(work: Work, side: Side, each: Opened) -> None:
    """Raises: DesignError where an opening's header would stand through the bow."""
    highest = _highest(work, side, each)
    if each.high > highest + 1e-9:
        roll = ", nor does its roll fit under it" if each.what == "rollup" else ""
        sentence = f"The header’s corner would stand through the bow{roll}. There the most is"
        if highest - each.low < 0.1:
            sentence, highest = "There is no room for an opening under the bow there.", each.low
            raise refusal(f"{_path(side, each.name)}.high_m", sentence, None, work)
        raise refusal(f"{_path(side, each.name)}.high_m", sentence, highest - each.low, work)


def _slides(work: Work, side: Side, door: Opened, end: EndWall) -> None:
    """Room beside the doorway for a leaf that slides, within the bow's line. Raises: DesignError where none is."""
    sign = -1 if end.hung == "left" else 1
    fits = [_leaf_goes(work, side, door, each) for each in (sign, -sign)]
    if fits[0]:
        return
    if fits[1]:
        other = "right" if sign < 0 else "left"
        raise refusal(
            f"ends.{side}.hung", f"The leaf has nowhere to go on that side: slide it to the {other}.", None, work
        )
    sentence = (
        "The sliding leaf has nowhere to go within the bow’s line: narrower, lower, nearer to one side, its track "
        "beyond the line, or hinged."
    )
    raise refusal(f"ends.{side}.wide_m", sentence, None, work)


def _leaf_goes(work: Work, side: Side, door: Opened, sign: int) -> bool:
    high = planned_under(work, door.left - door.wide_m if sign < 0 else door.right + door.wide_m)
    return high is not None and high >= door.high


def _bounded(work: Work, side: Side, name: str, each: Opening) -> None:
    """Raises: DesignError for a fan or louvre that is wider than its bay."""
    clear = bay_m(work, side)
    if each.what in IN_A_BAY and each.wide_m > clear + 1e-9:
        sentence = "It hangs between two studs, and is wider than the bay between them, which is"
        raise refusal(f"{_path(side, name)}.wide_m", sentence, clear, work)


def _found_place(work: Work, side: Side, name: str, each: Opening, others: tuple[Opened, ...]) -> Opened:
    """The place nearest to the middle where an opening fits. Raises: DesignError where none is left."""
    wide = sizes(work, side)[0]
    for left in _lefts(work, side, each):
        one = _as_told(work, side, name, each, left)
        if any(_clashes(one, other, wide) for other in others):
            continue
        if _highest(work, side, one) >= one.high:
            return one
    sentence = "No place is left for it at this height: smaller, lower, or over the door."
    raise refusal(f"{_path(side, name)}.wide_m", sentence, None, work)


def _lefts(work: Work, side: Side, each: Opening) -> Iterator[float]:
    half = planned_half_m(work)
    for step in range(int(half / TRIED_M) + 1):
        for sign in (-1, 1) if step else (1,):
            yield sign * step * TRIED_M - each.wide_m / 2


def _clashes(one: Opened, other: Opened, wide: float) -> Literal["near", "uprights", ""]:
    """Whether two openings leave no room for their uprights, header and sill between them."""
    if one.near(other, 2 * wide):
        return "near"
    # One over the other: their uprights stand in line, or clear of each other.
    uprights = [(a - wide / 2, b + wide / 2) for a, b in ((one.left, one.right), (other.left, other.right))]
    for x in uprights[0]:
        for y in uprights[1]:
            if 1e-6 < abs(x - y) < wide - 1e-9:
                return "uprights"
    return ""


def _apart(work: Work, side: Side, one: Opened, other: Opened) -> None:
    """Raises: DesignError for two openings that would share a stud, or stand in each other."""
    wide = sizes(work, side)[0]
    clash, path = _clashes(one, other, wide), f"{_path(side, other.name)}.left_m"
    names = [each.name if each.name == "door" else f"opening {each.name}" for each in (one, other)]
    if clash == "near":
        room = work.say(2 * wide, "up")
        sentence = f"The {names[0]} and the {names[1]} each want a stud of their own: {room} between them."
        raise refusal(path, sentence, None, work)
    if clash:
        sentence = f"Uprights of the {names[0]} and the {names[1]} would stand in each other: in line, or further off."
        raise refusal(path, sentence, None, work)
