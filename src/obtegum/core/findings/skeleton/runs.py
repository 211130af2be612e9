"""Where each run lies, what it is laid of, and how far apart the bows are held beside themselves."""

import math
from dataclasses import dataclass
from itertools import pairwise
from typing import Literal

from obtegum.core.findings.kept import found
from obtegum.core.findings.skeleton.bays import bays_of
from obtegum.core.findings.skeleton.bows import girth_at, tube_m
from obtegum.core.findings.skeleton.line import centre_line
from obtegum.core.findings.skeleton.row import built_row
from obtegum.core.findings.skeleton.tubes import bow_tube, told_or_usual
from obtegum.core.findings.work import Work
from obtegum.core.formulas.end_to_end import Splice, lay
from obtegum.core.values.catalogue import Board, Tube
from obtegum.core.values.trouble import DesignError, Trouble, listed

__all__ = [
    "Piece",
    "Run",
    "crossings",
    "deep_m",
    "front_m",
    "held_m",
    "holds_m",
    "lath_board",
    "marked_m",
    "piece_m",
    "pieces_of",
    "place_of",
    "ripped",
    "run_long_m",
    "run_tube",
    "runs_of",
    "section_of",
    "stock_of",
    "stood_m",
]

BOARDS = {"feet": "board-2x4", "metric": "board-25x100mm"}
SPLICES: dict[str, Splice] = {"swaged": "clear", "coupler": "clear", "lap": "behind"}


@dataclass(frozen=True, slots=True)
class Run:
    """One run: its name, the side that it is on, and where the bow's tube is marked for it, m from its left end."""

    name: str
    words: str
    at_m: float


@dataclass(frozen=True, slots=True)
class Piece:
    """A piece of a run, by its number from the front: where it begins and ends, m from the front face."""

    run: str
    number: int
    from_m: float
    to_m: float

    @property
    def length_m(self) -> float:
        return self.to_m - self.from_m


@found
def run_tube(work: Work) -> Tube:
    """What runs are made of. Raises: DesignError when there is none of that name."""
    return told_or_usual(work, work.design.runs.tube, "runs.tube")


@found
def runs_of(work: Work) -> tuple[Run, ...]:
    """Every run, from the left foot over the ridge to the right one."""
    runs, whole = work.design.runs, tube_m(work)
    if runs.spread == "heights":
        bow, start = centre_line(work), girth_at(work, 0.0)
        left = sorted(bow.at_y(height_m)[0] - start for height_m in set(runs.heights_m))
        places = [*left, whole / 2, *(whole - at for at in reversed(left))]
    else:
        count = work.design.strength.runs
        places = [whole * place / (count + 1) for place in range(1, count + 1)]
    return tuple(_named(place, at, len(places)) for place, at in enumerate(places, start=1))


def _named(place: int, at_m: float, of: int) -> Run:
    if of % 2 and place == of // 2 + 1:
        return Run("ridge", "ridge run", at_m)
    if place <= of // 2:
        return Run(f"L{place}", f"left run {place}", at_m)
    return Run(f"R{of + 1 - place}", f"right run {of + 1 - place}", at_m)


@found
def held_m(work: Work) -> float:
    """The most of a bow's tube between two points that are held beside the bow, m: runs hold it where some bay is
    braced, and nothing does where none is; what laths hold by, nobody has reckoned."""
    whole = tube_m(work)
    if work.design.braces.bays == 0 or work.design.runs.of == "laths":
        return whole
    places = [0.0, *(run.at_m for run in runs_of(work)), whole]
    return max(high - low for low, high in pairwise(places))


@found
def stood_m(work: Work) -> tuple[float, ...]:
    """Where bows are along the house, m: where their posts were measured, as these stand, else as planned."""
    off: dict[int, list[float]] = {}
    for post in built_row(work):
        if post.along_m is not None:
            off.setdefault(post.bow, []).append(post.along_m)
    stations = enumerate(bays_of(work).stations_m, start=1)
    return tuple(station + (sum(off[bow]) / len(off[bow]) if bow in off else 0.0) for bow, station in stations)


def marked_m(work: Work) -> tuple[float, ...]:
    """Where bows come on a run, m along the house: as posts stand, where runs are marked along them."""
    return stood_m(work) if work.design.runs.mark == "posts" else bays_of(work).stations_m


def front_m(work: Work) -> float:
    """Where runs begin, m along the house: at the front face of the first bow."""
    return marked_m(work)[0] - bow_tube(work).od_m / 2


def run_long_m(work: Work) -> float:
    """How far apart the outer faces of the end bows are, m: as long as a run is, flush with both."""
    return marked_m(work)[-1] - marked_m(work)[0] + bow_tube(work).od_m


def place_of(work: Work, run: Run, end_bow: bool = False) -> tuple[float, float]:
    """Where a run's middle lies across and over the datum, m: inside or outside of its bow, or through it."""
    bow, lie = centre_line(work), work.design.runs.lie
    s_m = min(max(girth_at(work, run.at_m), 0.0), bow.girth_m)
    x, y = bow.point(s_m)
    if lie == "through":
        return x, y
    out_m = (bow_tube(work).od_m + deep_m(work)) / 2
    if lie == "under" or end_bow:
        out_m = -out_m
    heading = bow.heading(s_m)
    return x - math.sin(heading) * out_m, y + math.cos(heading) * out_m


def holds_m(work: Work) -> tuple[float, ...]:
    """Where the bows' middles are along a run, m from its front end."""
    start_m = front_m(work)
    return tuple(station_m - start_m for station_m in marked_m(work))


def piece_m(work: Work, bay_m: float) -> float:
    """A piece in a bay, m: the bay less the bow and what a fitting takes up at both ends."""
    return bay_m - bow_tube(work).od_m - 2 * work.design.runs.take_m


@found
def pieces_of(work: Work) -> tuple[Piece, ...]:
    """Every piece of every run. Raises: DesignError where a splice would have nothing behind it, or no bay room."""
    runs = work.design.runs
    if runs.of != "long":
        return tuple(_between(work))
    joint_m = 0.0 if runs.joint == "coupler" else runs.joint_m
    long_m, holds = run_long_m(work), holds_m(work)
    found_ = list[Piece]()
    for place, run in enumerate(runs_of(work)):
        # Splices of neighbours are half a stick apart.
        first_m = runs.stick_m / (2 if place % 2 else 1)
        try:
            laid = lay(long_m, runs.stick_m, joint_m, holds, SPLICES[runs.joint], first_m)
        except ValueError:
            least_m = bays_of(work).bay_m + runs.joint_m
            nearest = work.say(least_m, "up")
            sentence = f"A lap would have no bow behind it. A stick must reach from bow to bow: {nearest}."
            raise DesignError(
                [Trouble(path="runs.stick_m", sentence=sentence, nearest_m=least_m, nearest=nearest)]
            ) from None
        found_ += [Piece(run.name, number, low, high) for number, (low, high) in enumerate(laid, start=1)]
    return tuple(found_)


def _between(work: Work) -> list[Piece]:
    """A piece in every bay of every run."""
    stations, take_m = holds_m(work), bow_tube(work).od_m / 2 + work.design.runs.take_m
    bays = tuple(pairwise(stations))
    if min(high - low for low, high in bays) <= 2 * take_m:
        sentence = "Nothing is left of the shortest bay between the fittings."
        raise DesignError([Trouble(path="runs.take_m", sentence=sentence)])
    longest_m = max(high - low for low, high in bays) - 2 * take_m
    if longest_m > work.design.runs.stick_m:
        nearest = work.say(longest_m, "up")
        sentence = f"A piece between two bows is longer than that. It takes {nearest}."
        raise DesignError([Trouble(path="runs.stick_m", sentence=sentence, nearest_m=longest_m, nearest=nearest)])
    return [
        Piece(run.name, number, low + take_m, high - take_m)
        for run in runs_of(work)
        for number, (low, high) in enumerate(bays, start=1)
    ]


@found
def lath_board(work: Work) -> Board:
    """What laths are ripped from. Raises: DesignError when there is none of that name, or a lath is wider than it."""
    runs = work.design.runs
    name = runs.board or BOARDS[bow_tube(work).sold_in]
    board = listed(work.catalogue.boards.get(name), "board", name, "runs.board")
    if runs.of == "laths" and runs.strip_m > board.wide_m:
        nearest = work.tube(board.wide_m, "down")
        sentence = f"No lath so wide is ripped from that board, which is {nearest}."
        raise DesignError([Trouble(path="runs.strip_m", sentence=sentence, nearest_m=board.wide_m, nearest=nearest)])
    return board


def ripped(work: Work) -> int:
    """Laths side by side in a board's width, a kerf between each: floor((width + kerf)/(lath + kerf))."""
    kerf_m = work.rules.kerf_m
    return math.floor((lath_board(work).wide_m + kerf_m) / (work.design.runs.strip_m + kerf_m) + 1e-9)


def stock_of(work: Work) -> str:
    """What runs are cut from, by its name in the catalogue."""
    return lath_board(work).id if work.design.runs.of == "laths" else run_tube(work).id


def deep_m(work: Work) -> float:
    """How deep a run is across the bow, m: its tube, or a lath as its board is thick."""
    return lath_board(work).thick_m if work.design.runs.of == "laths" else run_tube(work).od_m


def section_of(work: Work) -> tuple[Literal["steel", "plastic", "board"], float]:
    """What a run is drawn as: its material, and its width, m."""
    if work.design.runs.of == "laths":
        return "board", work.design.runs.strip_m
    return run_tube(work).material, run_tube(work).od_m


def crossings(work: Work) -> tuple[int, int]:
    """Where runs cross bows: over or under the ones within, and at the two ends."""
    runs, bows = len(runs_of(work)), bays_of(work).bows
    return runs * (bows - 2), 2 * runs
