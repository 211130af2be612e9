"""What joins the sticks of the ends and fills their holes; with it what their openings take."""

from collections import Counter
from collections.abc import Iterator, Sequence
from dataclasses import replace

from obtegum.core.documents.ends import SIDES, EndWall, Side
from obtegum.core.face.goods import GROUND, SINGLY, Good, Seat
from obtegum.core.face.worn import bits
from obtegum.core.findings.kept import found
from obtegum.core.findings.skeleton.bolts import bolt_size
from obtegum.core.findings.skeleton.braces import brace_tube
from obtegum.core.findings.skeleton.outline import end_of, sizes, stud_tube
from obtegum.core.findings.skeleton.tubes import bow_tube
from obtegum.core.findings.work import Work
from obtegum.core.formulas.anchor.concrete import bags_for, room_m3
from obtegum.core.rooms.ends.blown import BOLT_M, PLATE_M
from obtegum.core.rooms.ends.fitted import fitted
from obtegum.core.rooms.ends.hung import station_m
from obtegum.core.rooms.ends.props import props_of, struts_of
from obtegum.core.rooms.ends.rests import rests
from obtegum.core.rooms.ends.wall import Stick, Wall, stakes_m, wall_of
from obtegum.core.rooms.hold.found import bag_of

__all__ = ["bags_each", "goods", "in_ground"]

# Screws aslant at each end of a level stick, and in each stake; what is bought besides (this bench).
LEVEL_SCREWS, STAKE_SCREWS, SHARE = 2, 2, 0.05
LEVEL_SCREW = "5 × 90 mm"
DRIVER, WRENCHES, SQUARED = "driver", "two wrenches", "with the header level, its diagonals alike"
Point = tuple[float, float, float]


@found
def goods(work: Work) -> Sequence[Good]:
    """Heads, feet, level joints, stakes, props, leaves and what else closes openings, of both ends together."""
    alike = dict[tuple[str, str, str], Good]()
    for side in SIDES:
        for good in _of_end(work, side):
            key = (good.id, good.what, good.size)
            before = alike[key].seats if key in alike else ()
            alike[key] = replace(good, seats=(*before, *good.seats))
    some, named = [good for good in alike.values() if good.seats], Counter[str]()
    for good in some:
        named[good.id] += 1
    # What comes in several sizes is numbered.
    several = {name for name, count in named.items() if count > 1}
    sized = [replace(good, id=f"{good.id}-{at}") if good.id in several else good for at, good in enumerate(some, 1)]
    return (*sized, *bits("end", sized))


def _of_end(work: Work, side: Side) -> Iterator[Good]:
    wall, end = wall_of(work, side), end_of(work, side)
    yield from _heads(work, wall, end)
    yield from _feet(work, wall, end)
    yield from _level(work, wall)
    yield from _braced(work, side)
    yield from fitted(work, side)


def _name(wall: Wall, stick: Stick) -> str:
    return f"{wall.side}:{stick.letter}"


def _at(work: Work, side: Side, place: tuple[float, float]) -> Point:
    return (station_m(work, side), *place)


def _heads(work: Work, wall: Wall, end: EndWall) -> Iterator[Good]:
    """What holds each upright to the bow over it: strap and screws under it, a bolt with a plate washer past it."""
    side, bolted, strapped = wall.side, list[Seat](), list[Seat]()
    for stick in wall.sticks:
        bows = [name for name in rests(work, wall, stick) if name.startswith("bow:")]
        if stick.plumb and bows:
            seat = Seat((_name(wall, stick), *bows), _at(work, side, stick.ends[1]))
            (strapped if stick.head is None else bolted).append(seat)
    yield Good(
        id="end-strap", what="strap over the bow", many="straps over the bow", seats=tuple(strapped),
        unspared=SINGLY, tool=DRIVER, until="once the stud is plumb, before film",
    )  # fmt: skip
    if end.screws and stud_tube(work, side) is None:
        # Feet that stand in the ground have none.
        on_wood = [
            Seat((_name(wall, stick), *rests(work, wall, stick)[:1]), _at(work, side, stick.ends[0]), end.screws)
            for stick in wall.sticks
            if stick.plumb and rests(work, wall, stick)[0] != GROUND
        ]
        heads = [Seat(seat.joins, seat.at, end.screws) for seat in strapped]
        yield Good(
            id="end-screw", what="screw of a head or foot", many="screws of heads and feet",
            size=f"no. {end.screw}", seats=(*heads, *on_wood), spare=SHARE, tool=DRIVER, until="as each is set",
        )  # fmt: skip
    deep_m, bow_m = sizes(work, side)[1], bow_tube(work).od_m
    stack_m = deep_m if end.head == "notch" else deep_m + bow_m
    yield Good(
        id="end-head-bolt", what="bolt of a head, its nut", many="bolts of heads, a nut each",
        size=bolt_size(work, stack_m, BOLT_M), seats=tuple(bolted), unspared=SINGLY, tool=WRENCHES,
        until="level through the bow’s middle, nowhere near a splice",
    )  # fmt: skip
    yield Good(
        id="end-plate-washer", what="plate washer", size=f"{work.tube(PLATE_M)} square", seats=tuple(bolted),
        unspared=SINGLY, tool=WRENCHES, until="under each nut",
    )  # fmt: skip


def in_ground(wall: Wall) -> tuple[Stick, ...]:
    """Uprights whose feet stand in the ground."""
    return tuple(stick for stick in wall.sticks if stick.plumb and stick.corners[0][1] < 0)


def bags_each(work: Work, end: EndWall) -> int:
    """Bags of concrete in one hole."""
    return bags_for(room_m3(end.hole_m, 0.0, end.deep_m), bag_of(work).yield_m3)


def _feet(work: Work, wall: Wall, end: EndWall) -> Iterator[Good]:
    """Concrete or gravel round each foot in the ground."""
    side, room = wall.side, room_m3(end.hole_m, 0.0, end.deep_m)
    places = [((_name(wall, stick),), _at(work, side, stick.ends[0])) for stick in in_ground(wall)]
    if end.fill == "concrete":
        bags = bags_each(work, end)
        yield Good(
            id="end-concrete", what="bag of concrete", many="bags of concrete", size=bag_of(work).name,
            seats=tuple(Seat(joins, at, bags) for joins, at in places),
            unspared="none: those of each hole are rounded up", tool="barrow, hoe", until="dry until it is mixed",
        )  # fmt: skip
    if end.fill == "gravel":
        yield Good(
            id="end-gravel", what="gravel", many="gravel", unit="m3", unspared="none: what is left is raked out",
            seats=tuple(Seat(joins, at, room) for joins, at in places), tool="tamper", until="rammed in layers",
        )  # fmt: skip


def _level(work: Work, wall: Wall) -> Iterator[Good]:
    """Screws aslant at both ends of headers, rails and window sills, and of end boards into their stakes."""
    side = wall.side
    if stud_tube(work, side) is None:
        seats = [Seat(joins, at, LEVEL_SCREWS) for joins, at in _level_ends(work, wall)]
        yield Good(
            id="end-level-screw", what="screw aslant", many="screws aslant", size=LEVEL_SCREW, seats=tuple(seats),
            spare=SHARE, tool=DRIVER, until=SQUARED,
        )  # fmt: skip
    else:
        seats = [Seat(joins, at) for joins, at in _level_ends(work, wall)]
        yield Good(
            id="end-level-clamp", what="clamp of a level tube", many="clamps of level tubes", seats=tuple(seats),
            unspared=SINGLY, tool="wrench", until=SQUARED,
        )  # fmt: skip
    stakes = tuple(
        Seat((f"{side}:stake:{number}",), _at(work, side, (x, 0.0)), STAKE_SCREWS)
        for number, x in enumerate(stakes_m(work, side), start=1)
    )
    yield Good(
        id="end-stake-screw", what="screw of a stake", many="screws of stakes", size=LEVEL_SCREW, seats=stakes,
        spare=SHARE, tool=DRIVER, until="once the board is straight",
    )  # fmt: skip


def _level_ends(work: Work, wall: Wall) -> Iterator[tuple[tuple[str, ...], Point]]:
    """Both ends of each level stick but the sill's, with what bears it there."""
    for stick in wall.sticks:
        if not stick.plumb and stick.what != "sill":
            held = rests(work, wall, stick)
            for at, on in zip(stick.ends, (held[0], held[min(1, len(held) - 1)]), strict=True):
                yield (_name(wall, stick), on), _at(work, wall.side, at)


def _braced(work: Work, side: Side) -> Iterator[Good]:
    """A bolt at each end of each prop and strut."""
    seats = list[Seat]()
    for kind, props in (("prop", props_of(work, side)), ("strut", struts_of(work, side))):
        for each in props:
            seats += [Seat((f"{side}:{kind}:{each.letter}",), at) for at in each.ends]
    stack_m = bow_tube(work).od_m + max(brace_tube(work).wall_m * 2, sizes(work, side)[0])
    yield Good(
        id="end-prop-bolt", what="bolt of a prop or strut, nut and two washers",
        many="bolts of props and struts, nuts, two washers each",
        size=bolt_size(work, stack_m, work.design.braces.bolt_m), seats=tuple(seats), unspared=SINGLY, tool=WRENCHES,
        until="before the film is pulled",
    )  # fmt: skip
