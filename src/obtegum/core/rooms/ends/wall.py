"""Every stick of an end wall, cut to its bow: uprights, headers, sills, cross rails, lettered from the left."""

import math
from collections.abc import Iterable, Iterator, Sequence
from dataclasses import dataclass, replace
from itertools import pairwise
from typing import Literal

from obtegum.core.documents.ends import SIDES, EndWall, Side
from obtegum.core.findings.kept import found
from obtegum.core.findings.skeleton.openings import Opened, opened
from obtegum.core.findings.skeleton.outline import beside, end_of, half_m, refusal, sizes, top_cut, under
from obtegum.core.findings.skeleton.tubes import bow_tube
from obtegum.core.findings.work import Work
from obtegum.core.rooms.ends import words

__all__ = ["SQUARE_RAD", "Head", "Stick", "Wall", "all_walls", "end_boards", "stakes_m", "wall_of"]

Point = tuple[float, float]
# A bevel below this is square, rad.
SQUARE_RAD = 1e-6
# The least of a stick that is worth setting, m, and how far below the film the top of one stays that passes the bow.
LEAST_M, BELOW_FILM_M = 0.15, 0.005
# An even stud nearer to a jamb than this, m, does nothing that the jamb doesn’t (this bench).
BESIDE_M = 0.15
# What a notch must leave of a stick behind the bow, m, and how steep a rail's end may be sawn (this bench).
TONGUE_M, STEEPEST_RAD = 0.02, math.radians(70)
# No cross rail is nearer to a header that goes right across, m (this bench).
NEAR_M = 0.3
# Stakes behind an end board, apart at the most, and from its ends, m (this bench).
STAKES_M, HAND_M = 1.2, 0.1


@dataclass(frozen=True, slots=True)
class Head:
    """How a stick passes its bow: where it is bolted, m from its foot along its middle, and where its notch begins at
    the left and right edge, m from its foot; None where it isn't notched."""

    bolt_m: float
    notch: tuple[float, float] | None


@dataclass(frozen=True, slots=True)
class Stick:
    """One stick: its letter, what it is, its four corners across and up, m, from the lower left one round to the left.

    Plumb ones are cut at their top, level ones at both ends.
    """

    letter: str
    what: Literal["stud", "jamb", "trimmer", "short stud", "header", "window sill", "rail", "sill"]
    corners: tuple[Point, Point, Point, Point]
    head: Head | None = None

    @property
    def plumb(self) -> bool:
        return self.what in ("stud", "jamb", "trimmer", "short stud")

    @property
    def wide_m(self) -> float:
        """How wide it is in the wall, m."""
        low_left, low_right, _, top_left = self.corners
        return low_right[0] - low_left[0] if self.plumb else top_left[1] - low_left[1]

    @property
    def _edges(self) -> tuple[float, float]:
        """How long its left and right edge are, or its lower and upper one, m."""
        low_left, low_right, top_right, top_left = self.corners
        if self.plumb:
            return top_left[1] - low_left[1], top_right[1] - low_right[1]
        return low_right[0] - low_left[0], top_right[0] - top_left[0]

    @property
    def long_m(self) -> float:
        """What it measures to its long point, m: what it is cut from."""
        low_left, low_right, top_right, top_left = self.corners
        if self.plumb:
            return max(self._edges)
        return max(low_right[0], top_right[0]) - min(low_left[0], top_left[0])

    @property
    def short_m(self) -> float:
        """What it measures between its short points, m."""
        low_left, low_right, top_right, top_left = self.corners
        if self.plumb:
            return min(self._edges)
        return min(low_right[0], top_right[0]) - max(low_left[0], top_left[0])

    @property
    def bevels_rad(self) -> tuple[float, float]:
        """Its cuts off square: a plumb one's top twice, a level one's left and right end."""
        low_left, low_right, top_right, top_left = self.corners
        if self.plumb:
            top = math.atan2(abs(top_right[1] - top_left[1]), self.wide_m)
            return top, top
        return (
            math.atan2(abs(top_left[0] - low_left[0]), self.wide_m),
            math.atan2(abs(low_right[0] - top_right[0]), self.wide_m),
        )

    @property
    def ends(self) -> tuple[Point, Point]:
        """Its middle's ends, across and up, m: as far as its long points."""
        (x0, y0), (x1, _), (_, y2), (_, y3) = self.corners
        if self.plumb:
            return ((x0 + x1) / 2, y0), ((x0 + x1) / 2, max(y2, y3))
        y = (y0 + y3) / 2
        return (min(x0, self.corners[3][0]), y), (max(x1, self.corners[2][0]), y)


@dataclass(frozen=True, slots=True)
class Wall:
    """An end wall: every stick, and its openings."""

    side: Side
    sticks: tuple[Stick, ...]
    openings: tuple[Opened, ...]

    def whole(self) -> tuple[Stick, ...]:
        """Uprights that reach from the ground or the sill to the bow, from the left."""
        return tuple(
            sorted((one for one in self.sticks if one.what in ("stud", "jamb", "trimmer")), key=lambda one: one.ends[0])
        )


@found
def _front(work: Work) -> Wall:
    return _wall(work, "front")


@found
def _back(work: Work) -> Wall:
    return _wall(work, "back")


def wall_of(work: Work, side: Side) -> Wall:
    """An end wall. Raises: DesignError where one of its openings can't be there."""
    return _front(work) if side == "front" else _back(work)


def all_walls(work: Work) -> tuple[Wall, ...]:
    """Both ends."""
    return tuple(wall_of(work, side) for side in SIDES)


def _wall(work: Work, side: Side) -> Wall:
    end = end_of(work, side)
    if end.kind != "framed":
        return Wall(side, (), ())
    wide, deep = sizes(work, side)
    if end.head == "notch" and end.stand == "tube":
        raise refusal(f"ends.{side}.head", words.tube_notched(), None, work)
    if end.head == "notch" and deep < bow_tube(work).od_m + TONGUE_M:
        least = bow_tube(work).od_m + TONGUE_M
        raise refusal(
            f"ends.{side}.head",
            words.notch_too_deep(work.say(least, "up"), work.say(deep)),
            None,
            work,
        )
    open_ = opened(work, side)
    sticks = [*_uprights(work, side, end, open_, wide), *_across(open_, wide, end)]
    sticks += _rails(work, side, end, open_, sticks, wide)
    if end.sill == "plate":
        spans = _spans(work, side, open_, wide)
        sticks += [Stick("", "sill", _level(low, high, 0.0, wide)) for low, high in spans]
    order = sorted(sticks, key=lambda each: (min(each.ends[0][0], each.ends[1][0]), each.ends[0][1]))
    return Wall(side, tuple(replace(each, letter=_letter(place)) for place, each in enumerate(order)), open_)


def _letter(place: int) -> str:
    """A, B … Z, AA, AB …"""
    return chr(65 + place) if place < 26 else f"{chr(64 + place // 26)}{chr(65 + place % 26)}"


def _even(work: Work, side: Side, end: EndWall) -> list[float]:
    """Places of even studs across: as few spaces as keep them no further apart than asked; and at the film's seam."""
    inside = 2 * half_m(work, side) - bow_tube(work).od_m
    count = max(math.ceil(inside / end.apart_m - 1e-9), 1)
    places = [-inside / 2 + inside * place / count for place in range(1, count)]
    at, wide = _seam(work, side, end), sizes(work, side)[0]
    if at is not None:
        places = sorted([at, *(x for x in places if abs(x - at) >= wide)])
    return places


def _seam(work: Work, side: Side, end: EndWall) -> float | None:
    """Where the film's seam is, across, m; None where it has none."""
    half = half_m(work, side)
    return end.seam_m - half if end.seam_m is not None and end.seam_m < 2 * half else None


def _uprights(work: Work, side: Side, end: EndWall, open_: Sequence[Opened], wide: float) -> Iterator[Stick]:
    """Jambs and trimmers beside each opening, even studs between; each in pieces where an opening is in its way."""
    foot = wide if end.sill == "plate" else -end.deep_m
    own = list[float]()
    for each in open_:
        for x in (each.left - wide / 2, each.right + wide / 2):
            if any(abs(x - one) < 1e-6 for one in own):
                continue
            own.append(x)
            # One under another doorway's jambs stands in the ground too.
            in_ground = any(
                abs(x - b) < 1e-6 for o in open_ if o.walked for b in (o.left - wide / 2, o.right + wide / 2)
            )
            kind: Literal["jamb", "trimmer"] = "jamb" if in_ground else "trimmer"
            yield from _pieces(work, side, x, -end.deep_m if in_ground else foot, kind, open_, wide)
    for x in _clear_of(_even(work, side, end), own, _seam(work, side, end), end.apart_m, half_m(work, side)):
        if all(abs(x - one) >= wide - 1e-9 for one in own):
            yield from _pieces(work, side, x, foot, "stud", open_, wide)


def _clear_of(
    even: Sequence[float], own: Sequence[float], seam: float | None, apart_m: float, half_m: float
) -> list[float]:
    """Even studs, but none a hand beside a jamb or trimmer, which does its work: left out where what is left is no
    further apart than asked, else in the middle of that. The one at the film's seam stays."""
    kept = list(even)
    for x in even:
        near = min((abs(x - one) for one in own), default=math.inf)
        if x == seam or near >= BESIDE_M:
            continue
        kept.remove(x)
        others = sorted([-half_m, *own, *kept, half_m])
        low, high = max(one for one in others if one <= x), min(one for one in others if one > x)
        if high - low > apart_m + 1e-9:
            kept.append((low + high) / 2)
    return sorted(kept)


def _jambs(open_: Sequence[Opened], wide: float) -> list[float]:
    """Where uprights beside ways that one walks through stand, across, m."""
    return [x for each in open_ if each.walked for x in (each.left - wide / 2, each.right + wide / 2)]


def _pieces(
    work: Work,
    side: Side,
    x: float,
    foot: float,
    kind: Literal["stud", "jamb", "trimmer"],
    open_: Sequence[Opened],
    wide: float,
) -> Iterator[Stick]:
    """An upright, in as many pieces as the openings leave of it."""
    low = foot
    in_way = [o for o in open_ if o.left - wide / 2 + 1e-9 < x < o.right + wide / 2 - 1e-9]
    for each in sorted(in_way, key=lambda one: one.low):
        top = each.low - wide
        if top - low >= LEAST_M and not each.walked:
            yield Stick("", "short stud", _box(x, low, top, wide))
        low = each.high + wide
    outer = end_of(work, side).head != "cut"
    cut = top_cut(work, side, x, wide)
    if cut is None or cut.short_m - low < LEAST_M:
        return
    head = None
    if outer:
        notch = (cut.left_m - low, cut.right_m - low) if end_of(work, side).head == "notch" else None
        over = top_cut(work, side, x, wide, outer=True)
        assert over is not None
        middle = under(work, side, x)
        assert middle is not None
        # Through the middle of the tube, seen along the stick.
        head = Head(((middle + (over.left_m + over.right_m) / 2) / 2) - low, notch)
        left, right = over.left_m - BELOW_FILM_M, over.right_m - BELOW_FILM_M
    else:
        left, right = cut.left_m, cut.right_m
    corners = ((x - wide / 2, low), (x + wide / 2, low), (x + wide / 2, right), (x - wide / 2, left))
    yield Stick("", kind if not in_way else "short stud", corners, head)


def _box(x: float, low: float, high: float, wide: float) -> tuple[Point, Point, Point, Point]:
    return (x - wide / 2, low), (x + wide / 2, low), (x + wide / 2, high), (x - wide / 2, high)


def _level(left: float, right: float, low: float, wide: float) -> tuple[Point, Point, Point, Point]:
    return (left, low), (right, low), (right, low + wide), (left, low + wide)


def _across(open_: Sequence[Opened], wide: float, end: EndWall) -> Iterator[Stick]:
    """The header over each opening, and the sill under one that doesn't reach down."""
    ground = wide if end.sill == "plate" else 0.0
    for each in open_:
        yield Stick("", "header", _level(each.left, each.right, each.high, wide))
        if not each.walked and each.low - wide >= ground - 1e-9:
            yield Stick("", "window sill", _level(each.left, each.right, each.low - wide, wide))


def _rails(
    work: Work, side: Side, end: EndWall, open_: Sequence[Opened], sticks: Sequence[Stick], wide: float
) -> Iterator[Stick]:
    """Cross rails between the uprights and out to the bow, its ends sawn to it; the header's line where it goes on."""
    heights = list[float]()
    if end.rail_m is not None:
        ground = wide if end.sill == "plate" else 0.0
        crown = under(work, side, 0.0) or 0.0
        count = max(math.ceil((crown - ground) / end.rail_m - 1e-9), 1)
        heights = [ground + (crown - ground) * place / count - wide / 2 for place in range(1, count)]
    door = next((each for each in open_ if each.name == "door"), None)
    if door is not None and end.header == "bow":
        heights = [door.high, *(low for low in heights if abs(low - door.high) >= NEAR_M)]
    for low in heights:
        yield from _rail(work, side, low, [*_blocks(sticks, open_, low, wide)], wide)


def _blocks(sticks: Sequence[Stick], open_: Sequence[Opened], low: float, wide: float) -> Iterator[tuple[float, float]]:
    """What is in a rail's way, from where to where across, m."""
    for one in sticks:
        (x0, y0), (x1, _), (_, y2), (_, y3) = one.corners
        if y0 < low + wide - 1e-9 and max(y2, y3) > low + 1e-9:
            yield x0, x1
    for each in open_:
        if each.low - 1e-9 < low + wide and low < each.high + 1e-9:
            yield each.left, each.right


def _rail(work: Work, side: Side, low: float, blocks: Iterable[tuple[float, float]], wide: float) -> Iterator[Stick]:
    # The bow's inner face at the lower and upper edge, left and right.
    feet, tops = ([beside(work, side, y, right) for right in (False, True)] for y in (low, low + wide))
    if None in feet or None in tops:
        return
    (foot_l, foot_r), (top_l, top_r) = ((float(one or 0.0), float(other or 0.0)) for one, other in (feet, tops))
    joined = _joined(sorted(blocks))
    free = pairwise((-math.inf, *(x for stretch in joined for x in stretch), math.inf))
    for left, right in list(free)[::2]:
        # Between two uprights, or sawn to the bow where that comes first.
        ends_l, ends_r = (max(left, foot_l), max(left, top_l)), (min(right, foot_r), min(right, top_r))
        slopes = (math.atan2(abs(one - other), wide) for one, other in (ends_l, ends_r))
        if min(ends_r) - max(ends_l) >= LEAST_M and max(slopes) <= STEEPEST_RAD:
            corners = (ends_l[0], low), (ends_r[0], low), (ends_r[1], low + wide), (ends_l[1], low + wide)
            yield Stick("", "rail", corners)


def _joined(ordered: Sequence[tuple[float, float]]) -> list[tuple[float, float]]:
    """Stretches that touch or overlap as one."""
    found_ = list[tuple[float, float]]()
    for low, high in ordered:
        if found_ and low <= found_[-1][1] + 1e-9:
            found_[-1] = (found_[-1][0], max(found_[-1][1], high))
        else:
            found_.append((low, high))
    return found_


def _spans(work: Work, side: Side, open_: Sequence[Opened], wide: float) -> list[tuple[float, float]]:
    """From foot to foot along the ground, but for where one walks through, across, m."""
    half = half_m(work, side) - bow_tube(work).od_m / 2
    spans, left = list[tuple[float, float]](), -half
    for way in sorted((each for each in open_ if each.walked), key=lambda each: each.left):
        spans.append((left, way.left - wide))
        left = way.right + wide
    return [(low, high) for low, high in (*spans, (left, half)) if high - low >= LEAST_M]


def end_boards(work: Work, side: Side) -> tuple[tuple[float, float], ...]:
    """End boards on their stakes, over the feet of the studs, from where to where across, m."""
    if end_of(work, side).board == "none":
        return ()
    return tuple(_spans(work, side, wall_of(work, side).openings, sizes(work, side)[0]))


def stakes_m(work: Work, side: Side) -> tuple[float, ...]:
    """Where stakes hold the end boards, across, m: a hand from each end, and between."""
    found_ = list[float]()
    for left, right in end_boards(work, side):
        low, high = left + HAND_M, right - HAND_M
        if high <= low:
            found_.append((left + right) / 2)
            continue
        count = max(math.ceil((high - low) / STAKES_M - 1e-9), 1)
        found_ += [low + (high - low) * place / count for place in range(count + 1)]
    return tuple(found_)
