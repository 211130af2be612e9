"""What leaves are joined, hung and latched by, what closes other openings, and what holds film round a doorway."""

from collections.abc import Iterator
from dataclasses import dataclass
from itertools import pairwise

from obtegum.core.documents.ends import Side
from obtegum.core.face.fixings import Edge, fixed
from obtegum.core.face.goods import SINGLY, Good, Seat
from obtegum.core.findings.skeleton.fixings import held_along
from obtegum.core.findings.skeleton.openings import Opened, door_of, opened
from obtegum.core.findings.skeleton.outline import end_of, filmed
from obtegum.core.findings.work import Work
from obtegum.core.rooms.ends.hung import Hung, hung, over_way, station_m
from obtegum.core.rooms.ends.leaf import hinge_ring, leaf_tube, track_m
from obtegum.core.rooms.ends.wall import Wall, wall_of

__all__ = ["fitted"]

Point = tuple[float, float, float]
# Screws of each gusset, at both of its legs (this bench).
GUSSET_SCREWS, GUSSET_SCREW = 4, "4 × 30 mm"
SQUARED, PINNED = "squared by its diagonals", "dry and square, then pinned"
HUNG, FREE = "two to it, on a calm day", "once it moves free"


@dataclass(frozen=True, slots=True)
class Fit:
    """Something that an opening takes: its short name, what one and several are called, how many or how much of which
    size, what it is put in with, until when."""

    name: str
    what: str
    many: str
    count: float
    size: str
    tool: str
    until: str
    by_length: bool = False


def fitted(work: Work, side: Side) -> Iterator[Good]:
    """What the openings of an end take: what is alike of several leaves together."""
    places, drawn = dict[Fit, list[Seat]](), dict[Fit, dict[str, None]]()
    for each in hung(work, side):
        leaf = each.leaf
        middle = (each.left_m + leaf.wide_m / 2, each.low_m + leaf.high_m / 2)
        for fit in (*_made(work, side, each), *_moved(work, side, each)):
            seat = Seat((f"{each.part}:film", *each.borne), (station_m(work, side), *middle), fit.count)
            places.setdefault(fit, []).append(seat)
            drawn.setdefault(fit, {})[f"opening:{leaf.name}"] = None
    for way in opened(work, side):
        middle = ((way.left + way.right) / 2, (way.low + way.high) / 2)
        for fit in _whole(work, way):
            seat = Seat(over_way(work, side, way), (station_m(work, side), *middle), fit.count)
            places.setdefault(fit, []).append(seat)
            drawn.setdefault(fit, {})[f"opening:{way.name}"] = None
    for fit, seats in places.items():
        yield Good(
            id=f"end-{fit.name}",
            what=fit.what,
            many=fit.many,
            size=fit.size,
            unit="m" if fit.by_length else "piece",
            seats=tuple(seat for seat in seats if seat.amount),
            unspared=SINGLY,
            tool=fit.tool,
            until=fit.until,
            drawn=tuple(drawn[fit]),
        )
    yield from _battens(work, side)


def _made(work: Work, side: Side, each: Hung) -> tuple[Fit, ...]:
    """What joins the pieces of a leaf."""
    leaf = each.leaf
    if end_of(work, side).leaf == "pipe":
        pipe, tees = work.tube(leaf_tube(work, side).od_m), 2 if any(piece.count > 2 for piece in leaf.pieces) else 0
        tool = "mallet, drill"
        return (
            Fit("elbow", "elbow of a leaf", "elbows of a leaf", 4, pipe, tool, PINNED),
            Fit("tee", "tee of a leaf", "tees of a leaf", tees, pipe, tool, PINNED),
        )
    legs, screws = f"legs of {work.say(leaf.gusset_m)}", leaf.gussets * GUSSET_SCREWS
    return (
        Fit("gusset", "gusset", "gussets", leaf.gussets, legs, "driver, glue", SQUARED),
        Fit("gusset-screw", "screw of a gusset", "screws of gussets", screws, GUSSET_SCREW, "driver", SQUARED),
    )


def _moved(work: Work, side: Side, each: Hung) -> tuple[Fit, ...]:
    """What a leaf is hung, slid, latched and bolted by."""
    leaf, hinged, what = each.leaf, each.leaf.hinged, each.way.what
    found = list[Fit]()
    if hinged is not None:
        ring = hinge_ring(work, side) if end_of(work, side).leaf == "pipe" else None
        hinge = ("hinge", "hinges", "") if ring is None else ("hinge, a ring", "hinges, rings", ring[0].name)
        found.append(Fit("hinge", hinge[0], hinge[1], hinged.count, hinge[2], "driver, drill", HUNG))
        latches = ("latch, a hook for open", "latches, a hook for open each")
        found.append(Fit("latch", *latches, 1, "", "driver, drill", FREE))
    if what == "double":
        bolts = ("drop bolt, its socket", "drop bolts, their sockets")
        found.append(Fit("drop-bolt", *bolts, 1, "", "drill, trowel", "socket of pipe in concrete"))
    if what == "sliding":
        track = ("door track", "door track", track_m(work, side), f"for a leaf of {work.say(leaf.wide_m)}")
        found += [
            Fit("track", *track, "hacksaw, drill", "level, before the leaf", by_length=True),
            Fit("hanger", "hanger of a leaf", "hangers of a leaf", 2, "", "wrench", HUNG),
            Fit("guide", "guide at its foot", "guides at its foot", 2, "", "driver", "plumb under the track"),
            Fit("latch", "hook against wind", "hooks against wind", 1, "", "driver", FREE),
        ]
    return tuple(found)


def _whole(work: Work, way: Opened) -> tuple[Fit, ...]:
    """What closes an opening and is bought as one: louvres, fans, a zip; what a roll rolls on."""
    size = f"{work.say(way.wide_m, 'down')} × {work.say(way.high_m, 'down')}"
    high, wide, late = work.say(way.high_m, "up"), work.say(way.wide_m, "up"), "once its frame is square"
    return {
        "louvre": (Fit("louvre", "louvre", "louvres", 1, size, "driver", late),),
        "intake": (Fit("louvre", "louvre before a fan", "louvres before a fan", 1, size, "driver", late),),
        "fan": (Fit("fan", "fan with its guard", "fans with their guards", 1, size, "driver; an electrician", late),),
        "zip": (Fit("zip", "zip", "zips", 1, high, "hands, knife", "warm, shut, before film is pulled"),),
        "rollup": (
            Fit("pipe", "pipe in the hem of a roll", "pipes in the hems of rolls", 1, wide, "hacksaw", FREE),
            Fit("guide", "guide of a roll", "guides of a roll", 2, high, "driver", FREE),
        ),
    }.get(way.what, ())


def _battens(work: Work, side: Side) -> Iterator[Good]:
    """Battens that hold the end's film to both jambs and the header of its doorway."""
    way, wall = door_of(work, side), wall_of(work, side)
    if way is None or not filmed(work, side) or not wall.sticks:
        return
    corners = ((way.left, 0.0), (way.left, way.high), (way.right, way.high), (way.right, 0.0))
    yield from fixed(work, "end-door", [_edge(work, wall, way, *ends) for ends in pairwise(corners)])


def _edge(work: Work, wall: Wall, way: Opened, start: tuple[float, float], end: tuple[float, float]) -> Edge:
    """One edge of a doorway, battened to its jamb or header."""
    (x0, y0), (x1, y1) = start, end
    long_m, at_m = abs(x1 - x0) + abs(y1 - y0), station_m(work, wall.side)
    beside = (one for one in wall.sticks if one.what == "jamb" and x0 in (one.corners[0][0], one.corners[1][0]))
    over = over_way(work, wall.side, way)
    stick = next((f"{wall.side}:{one.letter}" for one in beside), over[0]) if x0 == x1 else over[0]

    def at(along_m: float) -> Point:
        share = along_m / long_m
        return (at_m, x0 + share * (x1 - x0), y0 + share * (y1 - y0))

    return Edge("batten", held_along(work, "batten", long_m), f"{wall.side}:film", at, lambda _: stick)
