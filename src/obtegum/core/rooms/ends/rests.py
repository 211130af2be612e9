"""What bears each stick of an end wall: the ground, its sill, other sticks, the bow that it is cut to."""

from collections.abc import Iterator

from obtegum.core.documents.ends import Side
from obtegum.core.face.goods import GROUND
from obtegum.core.findings.skeleton.bays import bays_of
from obtegum.core.findings.skeleton.bows import along_tube, bow_at, stick_at
from obtegum.core.findings.skeleton.line import centre_line
from obtegum.core.findings.skeleton.stood import stood_on
from obtegum.core.findings.work import Work
from obtegum.core.rooms.ends.props import Prop
from obtegum.core.rooms.ends.wall import Stick, Wall

__all__ = ["prop_rests", "rests", "strut_rests"]

# Sticks that are so near to each other touch, m.
TOUCH_M = 0.003


def rests(work: Work, wall: Wall, stick: Stick) -> tuple[str, ...]:
    """The members that bear a stick, by their names."""
    found = list(_upright(work, wall, stick) if stick.plumb else _level(work, wall, stick))
    return tuple(dict.fromkeys(found))


def _named(wall: Wall, stick: Stick) -> str:
    return f"{wall.side}:{stick.letter}"


def _upright(work: Work, wall: Wall, stick: Stick) -> Iterator[str]:
    """What it stands on, and the bow where nothing lies on its head."""
    (x0, foot), (x1, _), (_, right), (_, left) = stick.corners
    x, head = (x0 + x1) / 2, max(left, right)
    level = [each for each in wall.sticks if not each.plumb and each.corners[0][0] <= x <= each.corners[1][0]]
    below = [each for each in level if abs(each.corners[3][1] - foot) < TOUCH_M]
    yield from (_named(wall, each) for each in below)
    if not below:
        yield GROUND
    if not any(abs(each.corners[0][1] - head) < TOUCH_M for each in level):
        yield _bow_over(work, wall.side, x)


def _level(work: Work, wall: Wall, stick: Stick) -> Iterator[str]:
    """The uprights that it is between, those that end beneath it, the bow where it is sawn to that."""
    if stick.what == "sill":
        yield GROUND
        return
    (low_l, foot), (low_r, _), (top_r, head), (top_l, _) = stick.corners
    uprights = [each for each in wall.sticks if each.plumb]
    for x, edge in ((min(low_l, top_l), 1), (max(low_r, top_r), 0)):
        beside = [
            each
            for each in uprights
            if abs(each.corners[edge][0] - x) < TOUCH_M
            and each.corners[0][1] < head
            and max(each.corners[2][1], each.corners[3][1]) > foot
        ]
        yield from (_named(wall, each) for each in beside)
        if not beside:
            yield bow_at(work, _end_bow(work, wall.side), "L" if x < 0 else "R", (foot + head) / 2)
    for each in uprights:
        if low_l <= each.corners[0][0] <= low_r and abs(max(each.corners[2][1], each.corners[3][1]) - foot) < TOUCH_M:
            yield _named(wall, each)


def _end_bow(work: Work, side: Side, second: bool = False) -> int:
    bows = bays_of(work).bows
    return (1 + second) if side == "front" else bows - second


def _bow_over(work: Work, side: Side, x: float, second: bool = False) -> str:
    """The stick of an end's bow, or of the second one, over a place across, m."""
    bow = centre_line(work)
    s_m = max(bow.at_x(x), key=lambda each: bow.point(each)[1], default=bow.girth_m / 2)
    return f"bow:{_end_bow(work, side, second)}:{stick_at(work, along_tube(work, s_m))}"


def prop_rests(work: Work, side: Side, prop: Prop) -> tuple[str, ...]:
    """Its upright, and the second bow over it."""
    return f"{side}:{prop.letter}", _bow_over(work, side, prop.ends[1][1], second=True)


def strut_rests(work: Work, side: Side, strut: Prop) -> tuple[str, ...]:
    """The end bow at its head, and what the second bow's foot stands in or on."""
    second = _end_bow(work, side, second=True)
    foot = next(name for peg, name in stood_on(work) if (peg.side, peg.bow) == (strut.letter, second))
    (_, x, up_m), _ = strut.ends
    return bow_at(work, _end_bow(work, side), "L" if x < 0 else "R", up_m), foot
