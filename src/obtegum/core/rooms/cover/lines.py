"""What the cover is held along, line by line: sticks, screws, clamps, eyelets, trench; cords over the top."""

import math
from dataclasses import dataclass
from typing import cast

from obtegum.core.documents.cover import Hold
from obtegum.core.documents.ends import SIDES
from obtegum.core.findings.kept import found
from obtegum.core.findings.skeleton.bays import bays_of
from obtegum.core.findings.skeleton.fixings import DOUBLED, Held, fixing_of, held_along
from obtegum.core.findings.skeleton.outline import filmed
from obtegum.core.findings.skeleton.runs import runs_of
from obtegum.core.findings.skeleton.tubes import bow_tube
from obtegum.core.findings.work import Work
from obtegum.core.rooms.boards.found import hip_board
from obtegum.core.rooms.cover.found import held_by, layers_of, reach_of, rim_m
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
# How near an eyelet has to be to a bow to be tied to it, m; from the rim to where a cord is tied, m (this bench).
MEETS_M, TIED_M = 0.05, 0.5


@found
def edges_of(work: Work) -> tuple[tuple[str, Hold], ...]:
    """Every edge that is held, and by what: both sides, and both ends where the sheet is held on their bows. Beside a
    roof of rigid sheets it is film of the ends alone."""
    cover, rigid = work.design.cover, work.design.sheets
    sides = (("left side", held_by(work, "left")), ("right side", held_by(work, "right")))
    if cover.made == "gathered":
        return () if rigid.over_roof else cast(tuple[tuple[str, Hold], ...], sides)
    ends = (("front end", cover.ends), ("back end", cover.ends if cover.back == "same" else cover.back))
    if rigid.over_roof:
        return tuple(end for side, end in zip(SIDES, ends, strict=True) if filmed(work, side))
    return cast(tuple[tuple[str, Hold], ...], sides + ends)


@dataclass(frozen=True, slots=True)
class Line:
    """A line that the cover is held along: where, by what, how long, m, and how that lies along it; sheets that lie
    there, over each other; earth that is dug, m³."""

    where: str
    fixing: Fixing
    long_m: float
    laid: Held
    layers: int
    dug_m3: float

    @property
    def sticks(self) -> int:
        """Sticks that it comes in, a count."""
        return len(self.laid.sticks) * (2 if self.fixing.id == DOUBLED else 1)

    @property
    def pieces(self) -> int:
        """Screws, clamps, eyelets or staples, a count."""
        return len(self.laid.places)


@found
def lines_of(work: Work) -> tuple[Line, ...]:
    """What each edge takes."""
    return tuple(line_by(work, where, name) for where, name in edges_of(work))


def line_by(work: Work, where: str, name: Hold) -> Line:
    """What an edge takes where it is held so."""
    side_m = work.design.size.length_m + bow_tube(work).od_m
    long_m = side_m if "side" in where else rim_m(work)
    laid = held_along(work, name, long_m)
    if name == "eyelets" and "side" in where:
        # They are in the sheet, whatever the side is; its own begins at the end bow's outer face.
        first, count, begins = _eyelets(work)
        before_m = begins - bow_tube(work).od_m / 2
        laid = Held((), tuple(first + place * work.design.cover.eyelet_m - before_m for place in range(count)))
    dug = long_m * TRENCH_M2 if name == "buried" else 0.0
    layers = 0 if work.design.sheets.over_roof else layers_of(work)
    layers += any(filmed(work, side) for side in SIDES if side in where)
    return Line(where, fixing_of(work, name), long_m, laid, layers, dug)


@dataclass(frozen=True, slots=True)
class Eyelets:
    """Eyelets along a side: how many, the first from the sheet's end, m; bows that one meets, of how many; how far off
    the furthest bow's nearest is, m."""

    count: int
    first_m: float
    met: int
    bows: int
    furthest_m: float


def _eyelets(work: Work) -> tuple[float, int, float]:
    """Eyelets along one side of the sheet: the first, m from its end, and how many; and how far the sheet reaches
    past the first bow's middle, m."""
    cover, reach = work.design.cover, reach_of(work)
    long_m = reach.long_m / (2 if cover.pieces == "two" else 1)
    begins = (long_m - work.design.size.length_m) / 2
    first = cover.eyelet_first_m if cover.eyelet_first_m is not None else begins % cover.eyelet_m
    return first, math.floor((long_m - first) / cover.eyelet_m + SAME) + 1, begins


@found
def eyelets_of(work: Work) -> Eyelets | None:
    """Eyelets along the sides against the bows that they are tied at; None where no side has any."""
    if all(name != "eyelets" for where, name in edges_of(work) if "side" in where):
        return None
    cover, stations, off = work.design.cover, bays_of(work).stations_m, list[float]()
    first, count, start = _eyelets(work)
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
