"""Every stick of an end wall, cut to its bow; the leaf of its door; what wind asks of studs and jambs."""

import math
from dataclasses import dataclass
from typing import Literal

from obtegum.core.anchor.pole import GIVES, pole_shear
from obtegum.core.catalogue import Board
from obtegum.core.found import found
from obtegum.core.rooms.bows.tubes import bow_tube
from obtegum.core.rooms.ends.decisions import SIDES, EndWall, Side
from obtegum.core.rooms.size.found import centre_line
from obtegum.core.rooms.soil.found import ground_of
from obtegum.core.rooms.strength.loads import weathered
from obtegum.core.rooms.weather.found import method_of
from obtegum.core.scribe import Cut, cut_under, under_m
from obtegum.core.timber import bent_share
from obtegum.core.trouble import DesignError, Trouble
from obtegum.core.weather.local import eu_wall, us_wall
from obtegum.core.work import Work

__all__ = [
    "Blown",
    "Leaf",
    "Stick",
    "Wall",
    "all_walls",
    "back_wall",
    "door_x_m",
    "end_of",
    "front_wall",
    "leaves_of",
    "sizes",
    "stud_board",
    "wall_of",
    "wind_on",
]

USUAL = {"feet": "board-2x4", "metric": "board-47x100mm"}
# Clearance at the hinge, at the latch, under the leaf, over it, and between two leaves that meet, m (rule B20).
HINGE_M, LATCH_M, FOOT_M, HEAD_M, MEET_M = 0.003, 0.005, 0.01, 0.003, 0.005
# The least of a stick that is worth setting, m.
LEAST_M = 0.15


@dataclass(frozen=True, slots=True)
class Stick:
    """One stick: its letter, what it is, its middle's ends across and up, m, how wide it is in the wall; the cut of its
    top where it meets the bow."""

    letter: str
    what: Literal["stud", "jamb", "header", "stud over the door", "sill"]
    ends: tuple[tuple[float, float], tuple[float, float]]
    wide_m: float
    cut: Cut | None = None

    @property
    def long_m(self) -> float:
        """What it measures to its long point, m."""
        (x0, y0), (x1, y1) = self.ends
        if self.cut is None:
            return math.hypot(x1 - x0, y1 - y0)
        return self.cut.long_m - y0

    @property
    def short_m(self) -> float:
        """What it measures to its short point, m."""
        return self.long_m if self.cut is None else self.cut.short_m - self.ends[0][1]


@dataclass(frozen=True, slots=True)
class Wall:
    """An end wall: every stick, and its doorway from left to right and up, m; None where there is none."""

    side: Side
    sticks: tuple[Stick, ...]
    way: tuple[float, float, float] | None


@dataclass(frozen=True, slots=True)
class Leaf:
    """A leaf of a door: wide and high, m; its brace and its diagonal for squaring."""

    wide_m: float
    high_m: float
    brace_m: float
    square_m: float


def end_of(work: Work, side: Side) -> EndWall:
    """What is decided of an end."""
    ends = work.design.ends
    return ends.front if side == "front" else ends.back


def stud_board(work: Work, side: Side) -> Board:
    """What an end's sticks are of. Raises: DesignError when there is none of that name."""
    name = end_of(work, side).stud or USUAL[bow_tube(work).sold_in]
    board = work.catalogue.boards.get(name)
    if board is None:
        raise DesignError([Trouble(path=f"ends.{side}.stud", sentence=f"There is no board “{name}” in the catalogue.")])
    return board


def sizes(work: Work, side: Side) -> tuple[float, float]:
    """How wide a stick is in the wall, and how deep across it, m."""
    board = stud_board(work, side)
    narrow = end_of(work, side).stand == "edge"
    return (board.thick_m, board.wide_m) if narrow else (board.wide_m, board.thick_m)


def door_x_m(work: Work, side: Side) -> tuple[float, float]:
    """The doorway's left and right side across, m from the middle of the house."""
    end, half = end_of(work, side), work.design.size.span_m / 2
    left = -end.wide_m / 2 if end.left_m is None else end.left_m - half
    return left, left + end.wide_m


@found
def front_wall(work: Work) -> Wall:
    """The front. Raises: DesignError where its door can't be there."""
    return _wall(work, "front")


@found
def back_wall(work: Work) -> Wall:
    """The back. Raises: DesignError where its door can't be there."""
    return _wall(work, "back")


def wall_of(work: Work, side: Side) -> Wall:
    """One of the two."""
    return front_wall(work) if side == "front" else back_wall(work)


def _under(work: Work, x: float) -> float | None:
    return under_m(centre_line(work), bow_tube(work).od_m / 2, x)


def _refuse(path: str, sentence: str, nearest_m: float | None, work: Work) -> DesignError:
    nearest = "" if nearest_m is None else work.say(nearest_m, "down")
    said = f"{sentence} {nearest}." if nearest else sentence
    return DesignError([Trouble(path=path, sentence=said, nearest_m=nearest_m, nearest=nearest or None)])


def _wall(work: Work, side: Side) -> Wall:
    end = end_of(work, side)
    if end.kind == "open":
        return Wall(side, (), None)
    wide, _ = sizes(work, side)
    low = wide if end.sill == "plate" else -end.deep_m
    sticks, way = list[Stick](), None
    if end.door != "none":
        way = _way(work, side, wide)
        sticks += _door(work, side, way, wide)
    taken = (way[0] - wide, way[1] + wide) if way else (0.0, 0.0)
    for x in _even(work, end, wide):
        if way and taken[0] - wide / 2 < x < taken[1] + wide / 2:
            over = _stud(work, x, way[2] + wide, wide)
            # Over the header, clear of both jambs.
            if way[0] + wide / 2 <= x <= way[1] - wide / 2 and over and over.short_m >= LEAST_M:
                sticks.append(Stick("", "stud over the door", over.ends, wide, over.cut))
            continue
        stud = _stud(work, x, low, wide)
        if stud and stud.short_m >= LEAST_M:
            sticks.append(stud)
    if end.sill == "plate":
        sticks += _sills(work, way, wide)
    order = sorted(sticks, key=lambda each: (min(each.ends[0][0], each.ends[1][0]), each.ends[0][1]))
    named = tuple(
        Stick(_letter(place), each.what, each.ends, each.wide_m, each.cut) for place, each in enumerate(order)
    )
    return Wall(side, named, way)


def _letter(place: int) -> str:
    """A, B … Z, AA, AB …"""
    return chr(65 + place) if place < 26 else f"{chr(64 + place // 26)}{chr(65 + place % 26)}"


def _even(work: Work, end: EndWall, wide: float) -> list[float]:
    """Places of even studs across: as few spaces as keep them no further apart than asked."""
    inside = work.design.size.span_m - bow_tube(work).od_m
    count = max(math.ceil(inside / end.apart_m - 1e-9), 1)
    return [-inside / 2 + inside * place / count for place in range(1, count)]


def _stud(work: Work, x: float, low: float, wide: float) -> Stick | None:
    cut = cut_under(centre_line(work), bow_tube(work).od_m / 2, x, wide)
    if cut is None or cut.short_m <= low:
        return None
    return Stick("", "stud", ((x, low), (x, cut.long_m)), wide, cut)


def _way(work: Work, side: Side, wide: float) -> tuple[float, float, float]:
    """The doorway, whose header's upper corners are under the bow. Raises: DesignError where it can't be."""
    end, (left, right) = end_of(work, side), door_x_m(work, side)
    path = f"ends.{side}"
    jambs = [_stud(work, x, 0.0, wide) for x in (left - wide / 2, right + wide / 2)]
    if any(jamb is None for jamb in jambs):
        room = work.design.size.span_m - bow_tube(work).od_m - 2 * wide
        sentence = "The doorway doesn’t fit between the feet of the bow, with a jamb at each side."
        if end.left_m is None:
            raise _refuse(f"{path}.wide_m", f"{sentence} The most is", max(room, 0.0), work)
        raise _refuse(f"{path}.left_m", sentence, None, work)
    highest = min(filter(None, (_under(work, x) for x in (left, right))), default=0.0) - wide
    if end.high_m > highest:
        sentence = "The header’s corner would stand through the bow. There the most is"
        raise _refuse(f"{path}.high_m", sentence, highest, work)
    if end.door == "sliding":
        _slides(work, side, left, right)
    return left, right, end.high_m


def _slides(work: Work, side: Side, left: float, right: float) -> None:
    """Room beside the doorway for a leaf that slides, within the bow's line. Raises: DesignError where none is."""
    end = end_of(work, side)
    for x in (left - end.wide_m, right + end.wide_m):
        high = _under(work, x)
        if high is not None and high >= end.high_m:
            return
    sentence = (
        "The sliding leaf has nowhere to go within the bow’s line: narrower, lower, nearer to one side, or hinged."
    )
    raise _refuse(f"ends.{side}.wide_m", sentence, None, work)


def _door(work: Work, side: Side, way: tuple[float, float, float], wide: float) -> list[Stick]:
    """Jambs from the ground up to the bow, and the header between them."""
    left, right, high = way
    deep = end_of(work, side).deep_m
    found_ = list[Stick]()
    for x in (left - wide / 2, right + wide / 2):
        stud = _stud(work, x, -deep, wide)
        assert stud is not None
        found_.append(Stick("", "jamb", stud.ends, wide, stud.cut))
    found_.append(Stick("", "header", ((left, high + wide / 2), (right, high + wide / 2)), wide))
    return found_


def _sills(work: Work, way: tuple[float, float, float] | None, wide: float) -> list[Stick]:
    """Sill plates on the ground, from foot to foot, broken where one walks through."""
    half = work.design.size.span_m / 2 - bow_tube(work).od_m / 2
    spans = [(-half, half)] if way is None else [(-half, way[0] - wide), (way[1] + wide, half)]
    return [
        Stick("", "sill", ((low, wide / 2), (high, wide / 2)), wide) for low, high in spans if high - low >= LEAST_M
    ]


def leaves_of(work: Work, side: Side) -> tuple[Leaf, ...]:
    """The leaves of an end's door, with their clearances; none for an open way.

    Raises: DesignError for one that is too narrow.
    """
    end = end_of(work, side)
    if end.kind == "open" or end.door in ("none", "way"):
        return ()
    board = stud_board(work, side)
    high = end.high_m - FOOT_M - HEAD_M
    if end.door == "double":
        wide = (end.wide_m - 2 * HINGE_M - MEET_M) / 2
    elif end.door == "sliding":
        # A leaf that slides laps its jambs.
        wide = end.wide_m + 2 * board.thick_m
    else:
        wide = end.wide_m - HINGE_M - LATCH_M
    # From the hinge's foot up to the far corner, between the rails.
    inside = wide - 2 * board.wide_m, high - 2 * board.wide_m
    if min(inside) <= 0:
        raise _refuse(f"ends.{side}.wide_m", "Nothing of a leaf so narrow is left between its own boards.", None, work)
    leaf = Leaf(wide, high, math.hypot(*inside), math.hypot(wide, high))
    return (leaf, leaf) if end.door == "double" else (leaf,)


@dataclass(frozen=True, slots=True)
class Blown:
    """Wind on an end wall: pressure, Pa, the share of the worst stud's strength, and of what a jamb's foot holds; None
    where the ground isn't known."""

    pressure_pa: float
    stud: str
    stud_share: float
    foot_share: float | None


def wind_on(work: Work, side: Side) -> Blown | None:
    """What wind asks of the studs and of the jambs' feet; None while the weather isn't known, or given by others."""
    wall, weather, method = wall_of(work, side), weathered(work), method_of(work)
    if weather is None or method == "given" or not wall.sticks:
        return None
    q = next(each.value for each in weather.sheet if each.symbol in ("q", "qp"))
    wide, deep = sizes(work, side)
    worst = (0.0, "", 0.0)
    foot = 0.0
    ground = ground_of(work)
    for stick, carries in _carried(work, wall):
        free = stick.cut.long_m if stick.cut is not None else stick.long_m
        area = free * max(carries, free / 3)
        p = us_wall(q, area, True) if method == "us" else eu_wall(q, area)
        share = bent_share(p * carries * free**2 / 8, wide, deep, method)
        worst = max(worst, (share, stick.letter, p))
        if stick.what == "jamb" and ground is not None:
            # Pushed at its middle height: h = M/P of a stick that its foot and the bow hold.
            push = p * carries * free / 2 / (1.5 if method == "eu" else 1.0)
            holds = pole_shear(ground, wide, end_of(work, side).deep_m, free / 4, GIVES)
            foot = max(foot, push / holds if holds > 0 else 99.0)
    return Blown(worst[2], worst[1], worst[0], foot if ground is not None else None)


def _carried(work: Work, wall: Wall) -> list[tuple[Stick, float]]:
    """Plumb sticks that reach from foot to bow, and how wide a strip of wall each carries, m; a jamb half its door."""
    plumb = sorted((each for each in wall.sticks if each.what in ("stud", "jamb")), key=lambda each: each.ends[0][0])
    half = work.design.size.span_m / 2
    places = [-half, *(each.ends[0][0] for each in plumb), half]
    return [(each, (places[at + 2] - places[at]) / 2) for at, each in enumerate(plumb)]


def all_walls(work: Work) -> tuple[Wall, ...]:
    """Both ends."""
    return tuple(wall_of(work, side) for side in SIDES)
