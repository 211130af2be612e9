"""What the cover is held along, line by line: sticks, screws, clamps, eyelets, trench; cords over the top."""

import math
from dataclasses import dataclass
from typing import cast

from obtegum.core.documents.cover import Hold
from obtegum.core.findings.kept import found
from obtegum.core.findings.skeleton.bays import bays_of
from obtegum.core.findings.skeleton.runs import runs_of
from obtegum.core.findings.skeleton.tubes import bow_tube
from obtegum.core.findings.work import Work
from obtegum.core.rooms.boards.found import hip_board
from obtegum.core.rooms.cover.found import fixing_of, held_by, reach_of, rim_m
from obtegum.core.values.catalogue import Fixing

__all__ = [
    "Cords",
    "Eyelets",
    "Line",
    "caps_of",
    "cords_of",
    "edges_of",
    "eyelets_of",
    "line_by",
    "lines_of",
    "tracks_m",
]

SAME = 1e-9
TRENCH_M2 = 0.3 * 0.3
STICKS = ("track", "batten", "rolled")
# How near an eyelet has to be to a bow to be tied to it, m; from the rim to where a cord is tied, m (this bench).
MEETS_M, TIED_M = 0.05, 0.5


@found
def edges_of(work: Work) -> tuple[tuple[str, Hold], ...]:
    """Every edge that is held, and by what: both sides, and both ends where the sheet is held on their bows."""
    cover = work.design.cover
    sides = (("left side", held_by(work, "left")), ("right side", held_by(work, "right")))
    if cover.made == "gathered":
        return cast(tuple[tuple[str, Hold], ...], sides)
    ends = (("front end", cover.ends), ("back end", cover.ends if cover.back == "same" else cover.back))
    return cast(tuple[tuple[str, Hold], ...], sides + ends)


@dataclass(frozen=True, slots=True)
class Line:
    """A line that the cover is held along: where, by what, how long, m, how many sticks and the last one's cut, m; how
    many screws, clamps, eyelets or staples; earth that is dug, m³."""

    where: str
    fixing: Fixing
    long_m: float
    sticks: int
    cut_m: float
    pieces: int
    dug_m3: float


@found
def lines_of(work: Work) -> tuple[Line, ...]:
    """What each edge takes."""
    return tuple(line_by(work, where, name) for where, name in edges_of(work))


def line_by(work: Work, where: str, name: Hold) -> Line:
    """What an edge takes where it is held so."""
    side_m = work.design.size.length_m + bow_tube(work).od_m
    long_m = side_m if "side" in where else rim_m(work)
    fixing = fixing_of(work, name)
    stick_m = fixing.stick_m[work.tape.units]
    each_m = work.design.cover.eyelet_m if name == "eyelets" else fixing.each_m
    whole = max(math.ceil(long_m / stick_m - SAME), 1)
    sticks = whole * (2 if name == "rolled" else 1) if name in STICKS else 0
    cut_m = long_m - (whole - 1) * stick_m if sticks else 0.0
    # Each stick has one at both its ends, and no two are further apart than that.
    per_stick = math.ceil(min(stick_m, long_m) / each_m - SAME) + 1
    pieces = whole * per_stick if sticks else math.ceil(long_m / each_m - SAME) + 1
    dug = long_m * TRENCH_M2 if name == "buried" else 0.0
    return Line(where, fixing, long_m, sticks, cut_m, 0 if name == "buried" else pieces, dug)


@dataclass(frozen=True, slots=True)
class Eyelets:
    """Eyelets along a side: how many, the first from the sheet's end, m; bows that one meets, of how many; how far off
    the furthest bow's nearest is, m."""

    count: int
    first_m: float
    met: int
    bows: int
    furthest_m: float


@found
def eyelets_of(work: Work) -> Eyelets | None:
    """Eyelets along the sides against the bows that they are tied at; None where no side has any."""
    if all(name != "eyelets" for where, name in edges_of(work) if "side" in where):
        return None
    cover, reach, stations = work.design.cover, reach_of(work), bays_of(work).stations_m
    long_m = reach.long_m / (2 if cover.pieces == "two" else 1)
    start = (long_m - work.design.size.length_m) / 2
    first = cover.eyelet_first_m if cover.eyelet_first_m is not None else start % cover.eyelet_m
    count = math.floor((long_m - first) / cover.eyelet_m + SAME) + 1
    off = []
    for station in stations:
        near = min(max(round((start + station - first) / cover.eyelet_m), 0), count - 1)
        off.append(abs(first + near * cover.eyelet_m - start - station))
    return Eyelets(count, first, sum(each <= MEETS_M for each in off), len(stations), max(off))


@dataclass(frozen=True, slots=True)
class Cords:
    """Cords over the top: how many, how long each, m."""

    count: int
    each_m: float


@found
def cords_of(work: Work) -> Cords | None:
    """A cord over each bay from foot to foot, straight or slanting over it; None where there are none."""
    cover, bays = work.design.cover, bays_of(work)
    if cover.lash == "none":
        return None
    over = rim_m(work)
    if cover.lash == "zigzag":
        over = math.hypot(over, bays.bay_m)
    return Cords(bays.bows - 1, over + 2 * TIED_M)


def caps_of(work: Work) -> int:
    """Ends of runs that point at the film of an end, each to be capped."""
    return 2 * len(runs_of(work))


def tracks_m(work: Work) -> tuple[float, float] | None:
    """Width that two fixings take on the hip board, the roof's and the curtain's own, and what it has, m; None where no
    two share it."""
    cover = work.design.cover
    shared = cover.edge == "hip" and work.design.boards.hip == "board" and cover.below == "own"
    if not shared:
        return None
    wide = max(fixing_of(work, name).wide_m for where, name in edges_of(work) if "side" in where)
    # The curtain hangs in a track of its own.
    return wide + fixing_of(work, "track").wide_m + BETWEEN_M, hip_board(work).wide_m


BETWEEN_M = 0.01
