"""Where sticks stand along each framed end, and each stick by itself with its long and short points, notch and bolt."""

from collections.abc import Iterator

from obtegum.core.documents.ends import SIDES, Side
from obtegum.core.drawing.strip import Strip, StripMark
from obtegum.core.findings.skeleton.outline import half_m
from obtegum.core.findings.work import Work
from obtegum.core.rooms.ends.wall import SQUARE_RAD, Stick, wall_of

__all__ = ["strips"]


def strips(work: Work) -> list[Strip]:
    """The wall's tape, and one for each stick that isn't just cut square."""
    return [strip for side in SIDES if wall_of(work, side).sticks for strip in _strips(work, side)]


def _strips(work: Work, side: Side) -> Iterator[Strip]:
    wall, half = wall_of(work, side), half_m(work, side)
    name = f"end:{side}"
    # What stands over another is marked once.
    marked: dict[int, Stick] = {}
    for stick in wall.sticks:
        if stick.plumb:
            marked.setdefault(round(stick.ends[0][0] * 1e6), stick)
    marks = [
        work.mark(stick.ends[0][0] + half, f"{stick.letter}, middle", "peg", f"{side}:{stick.letter}", name)
        for stick in marked.values()
    ]
    yield Strip(
        id=name,
        title=f"Along the {side}",
        about="tape from the left post’s middle",
        material="floor",
        length_m=2 * half,
        marks=tuple(sorted(marks, key=lambda each: each.at_m)),
    )
    for stick in wall.sticks:
        if stick.plumb:
            yield _plumb(work, side, stick)
        elif max(stick.bevels_rad) > SQUARE_RAD:
            yield _level(work, side, stick)


def _plumb(work: Work, side: Side, stick: Stick) -> Strip:
    name, part = f"end:{side}:{stick.letter}", f"{side}:{stick.letter}"
    (_, _, (_, right), (_, left)) = stick.corners
    toward, low = ("left" if left > right else "right"), stick.ends[0][1]
    marks = [work.mark(stick.long_m, f"long point, {toward} edge", "cut", part, name)]
    if max(stick.bevels_rad) > SQUARE_RAD:
        marks.append(work.mark(stick.short_m, "short point", "bend", "bow", name))
    if low < 0:
        marks.append(work.mark(-low, "ground", "ground", "ground", name))
    if stick.head is not None:
        marks.append(work.mark(stick.head.bolt_m, "bolt, through the bow", "joint", "bow", name))
        if stick.head.notch is not None:
            marks += [
                work.mark(at, f"notch, {edge} edge", "socket", part, name)
                for at, edge in zip(stick.head.notch, ("left", "right"), strict=True)
            ]
    return _strip(name, stick, "tape from its foot", marks)


def _level(work: Work, side: Side, stick: Stick) -> Strip:
    name, part = f"end:{side}:{stick.letter}", f"{side}:{stick.letter}"
    (low_l, _), (low_r, _), (top_r, _), (top_l, _) = stick.corners
    start = min(low_l, top_l)
    edges = (("lower", low_l, low_r), ("upper", top_l, top_r))
    marks = [
        work.mark(at - start, f"{edge} edge, {end} end", "cut", part, name)
        for edge, left, right in edges
        for at, end in ((left, "left"), (right, "right"))
        if at - start > SQUARE_RAD
    ]
    return _strip(name, stick, "tape from its left long point", marks)


def _strip(name: str, stick: Stick, about: str, marks: list[StripMark]) -> Strip:
    return Strip(
        id=name,
        title=stick.letter,
        about=f"{stick.what}, {about}",
        material="board",
        length_m=stick.long_m,
        marks=tuple(sorted(marks, key=lambda each: each.at_m)),
    )
