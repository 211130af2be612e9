"""Leaves as they hang shut in their openings: the pieces of each, and its skin, as members of the house."""

import math
from collections import Counter
from collections.abc import Iterator, Sequence
from dataclasses import dataclass

from obtegum.core.documents.ends import Side
from obtegum.core.face.faces import Member
from obtegum.core.findings.skeleton.bays import bays_of
from obtegum.core.findings.skeleton.openings import Opened, opened
from obtegum.core.findings.skeleton.outline import end_of, stud_board
from obtegum.core.findings.work import Work
from obtegum.core.rooms.ends.leaf import COVER_KG_M2, FOOT_M, Leaf, Piece, leaf_tube, leaves_of
from obtegum.core.rooms.ends.pulled import film_of
from obtegum.core.rooms.ends.wall import Stick, wall_of

__all__ = ["Hung", "hung", "leaf_members", "over_way", "station_m"]

Place = tuple[float, float]
TOUCH_M, WIRE_M = 0.003, 0.004
# What is hung from its header.
FROM_ABOVE = ("sliding", "flap")


@dataclass(frozen=True, slots=True)
class Hung:
    """A leaf in its opening: its name as a part, its left and lower edge, m across and up; whether it is hinged on its
    left; the sticks that bear it, by their names."""

    part: str
    leaf: Leaf
    way: Opened
    left_m: float
    low_m: float
    on_left: bool
    borne: tuple[str, ...]


@dataclass(frozen=True, slots=True)
class Placed:
    """A piece of a leaf: its name as a part, what it is, how long, m; its ends, from the leaf's lower left corner."""

    part: str
    what: str
    long_m: float
    start: Place
    end: Place


def station_m(work: Work, side: Side) -> float:
    """Where an end's bow stands, m along the house."""
    stations = bays_of(work).stations_m
    return stations[0] if side == "front" else stations[-1]


def hung(work: Work, side: Side) -> Iterator[Hung]:
    """Every leaf of an end, shut; the first of two on the left."""
    ways, seen = {each.name: each for each in opened(work, side)}, dict[str, int]()
    for number, leaf in enumerate(leaves_of(work, side), start=1):
        way = ways[leaf.name]
        second = seen.setdefault(leaf.name, number) != number
        on_left = not second if way.what == "double" else leaf.name != "door" or end_of(work, side).hung == "left"
        room_m = way.wide_m - leaf.wide_m
        left_m = way.left + room_m / 2
        if way.what == "double":
            left_m = way.right - leaf.wide_m if second else way.left
        borne = _bearing(work, side, way, on_left)
        yield Hung(f"{side}:leaf:{number}", leaf, way, left_m, way.low + FOOT_M, on_left, borne)


def _bearing(work: Work, side: Side, way: Opened, on_left: bool) -> tuple[str, ...]:
    """The stick beside its hinges; the header over what slides or is hinged at its top."""
    if way.what in FROM_ABOVE:
        return over_way(work, side, way)
    edge_m, corner = (way.left, 1) if on_left else (way.right, 0)
    sticks = wall_of(work, side).sticks
    return tuple(f"{side}:{one.letter}" for one in sticks if one.plumb and _beside(one, edge_m, corner, way))


def over_way(work: Work, side: Side, way: Opened) -> tuple[str, ...]:
    """The header over an opening."""
    over = [one for one in wall_of(work, side).sticks if one.what == "header" and _over(one, way)]
    return tuple(f"{side}:{one.letter}" for one in over)


def _over(stick: Stick, way: Opened) -> bool:
    (left, low), (right, _) = stick.corners[0], stick.corners[1]
    return abs(low - way.high) < TOUCH_M and left - TOUCH_M <= way.left and right >= way.right - TOUCH_M


def _beside(one: Stick, edge_m: float, corner: int, way: Opened) -> bool:
    low_m, high_m = one.corners[0][1], max(one.corners[2][1], one.corners[3][1])
    return abs(one.corners[corner][0] - edge_m) < TOUCH_M and low_m < way.high and high_m > way.low


def leaf_members(work: Work, side: Side) -> Iterator[Member]:
    """Each piece of each leaf where it lies in it, and the film over it."""
    end, at_m = end_of(work, side), station_m(work, side)
    tube, board = leaf_tube(work, side), stud_board(work, side)
    pipe, film = end.leaf == "pipe", film_of(work)
    section = (tube.od_m,) if pipe else (board.thick_m, board.wide_m)
    for each in hung(work, side):
        placed = list(_placed(each, end.take_m if pipe else board.wide_m, pipe))
        held = _held_by(each, placed, section[-1] + (end.take_m if pipe else 0.0))
        for one, on in zip(placed, held, strict=True):
            wire = "wire" in one.what
            (x0, y0), (x1, y1) = one.start, one.end
            yield Member(
                part=one.part,
                what=f"{one.what.split(',')[0]} of a leaf",
                called="stick of a leaf",
                stock="wire or strap" if wire else tube.id if pipe else board.id,
                of="steel" if pipe else "board",
                section=(WIRE_M,) if wire else section,
                wide=(0.0, 0.0, 1.0) if y0 == y1 else (0.0, 1.0, 0.0),
                length_m=one.long_m,
                ends=((at_m, each.left_m + x0, each.low_m + y0), (at_m, each.left_m + x1, each.low_m + y1)),
                stage=f"The {side}",
                rests_on=on,
            )
        left, right, low, top = each.left_m, each.left_m + each.leaf.wide_m, each.low_m, each.low_m + each.leaf.high_m
        yield Member(
            part=f"{each.part}:film",
            what="film of a leaf",
            stock=film.name,
            of="film",
            section=(film.thick_m, each.leaf.high_m),
            length_m=each.leaf.wide_m,
            path=((at_m, left, low), (at_m, right, low)),
            edge=((at_m, left, top), (at_m, right, top)),
            ends=((at_m, left, low), (at_m, right, low)),
            kg=each.leaf.wide_m * each.leaf.high_m * COVER_KG_M2,
            stage=f"The {side}",
            rests_on=tuple(one.part for one in placed),
        )


def _held_by(each: Hung, placed: Sequence[Placed], near_m: float) -> list[tuple[str, ...]]:
    """What bears each piece of a leaf: the sticks of the wall where it is hung, and from there piece by piece."""
    wide_m, high_m = each.leaf.wide_m, each.leaf.high_m
    edge = ((0.0, high_m), (wide_m, high_m))
    if each.way.what not in FROM_ABOVE:
        x = 0.0 if each.on_left else wide_m
        edge = ((x, 0.0), (x, high_m))
    held = {at: each.borne for at, one in enumerate(placed) if _along(one, edge) and _apart_m(one, edge) <= near_m}
    reached = list(held)
    for at in reached:
        for other, one in enumerate(placed):
            if other not in held and _apart_m(one, (placed[at].start, placed[at].end)) <= near_m:
                held[other] = (placed[at].part,)
                reached.append(other)
    return [held.get(at, each.borne) for at in range(len(placed))]


def _along(one: Placed, edge: tuple[Place, Place]) -> bool:
    """Whether a piece lies along an edge: plumb beside a plumb one, level beside a level one."""
    return any(one.start[way] == one.end[way] and edge[0][way] == edge[1][way] for way in (0, 1))


def _apart_m(one: Placed, other: tuple[Place, Place]) -> float:
    """How near an end of one of two stretches comes to the other, m."""
    return min(
        *(_to_m(end, other) for end in (one.start, one.end)), *(_to_m(end, (one.start, one.end)) for end in other)
    )


def _to_m(place: Place, stretch: tuple[Place, Place]) -> float:
    (x0, y0), (x1, y1) = stretch
    long2 = (x1 - x0) ** 2 + (y1 - y0) ** 2
    share = ((place[0] - x0) * (x1 - x0) + (place[1] - y0) * (y1 - y0)) / long2
    share = min(max(share, 0.0), 1.0)
    return math.hypot(place[0] - x0 - share * (x1 - x0), place[1] - y0 - share * (y1 - y0))


def _placed(each: Hung, in_m: float, pipe: bool) -> Iterator[Placed]:
    """Where each piece of a leaf lies in it, by its name; ``in_m`` is how far what lies between others begins from its
    edge."""
    wide_m, high_m = each.leaf.wide_m, each.leaf.high_m
    half_m, named = 0.0 if pipe else in_m / 2, Counter[str]()

    def placed(piece: Piece, start: Place, end: Place) -> Placed:
        short = piece.what.split(",")[0].replace(" ", "-")
        named[short] += 1
        return Placed(f"{each.part}:{short}{named[short]}", piece.what, piece.long_m, start, end)

    for piece in each.leaf.pieces:
        if piece.what in ("stile", "upright pipe"):
            stacked = piece.count // 2
            for x in (half_m, wide_m - half_m):
                for place in range(stacked):
                    low_m = high_m * (place + 0.5) / stacked - piece.long_m / 2
                    yield placed(piece, (x, low_m), (x, low_m + piece.long_m))
        elif piece.what in ("rail", "level pipe"):
            levels = [half_m + (high_m - 2 * half_m) * place / (piece.count - 1) for place in range(piece.count)]
            for y in levels:
                yield placed(piece, (in_m, y), (wide_m - in_m, y))
        else:
            # A brace of boards is pressed, and goes up from the hinge's foot; a wire pulls, from its head.
            low, high = (in_m, high_m - in_m) if each.on_left != pipe else (high_m - in_m, in_m)
            yield placed(piece, (in_m, low), (wide_m - in_m, high))
