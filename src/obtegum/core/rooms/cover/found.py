"""How wide and long the cover has to be, which roll reaches, what holds it, and what wind pulls on its edges."""

import math
from dataclasses import dataclass

from obtegum.core.catalogue import Fixing
from obtegum.core.found import found
from obtegum.core.profile import Chain
from obtegum.core.rooms.boards.found import hip_board
from obtegum.core.rooms.bows.tubes import bow_tube
from obtegum.core.rooms.ends.pulled import film_of, tension_n_m
from obtegum.core.rooms.posts.found import board_of
from obtegum.core.rooms.posts.ways import boarded
from obtegum.core.rooms.set_out.found import bays_of
from obtegum.core.rooms.size.found import centre_line
from obtegum.core.rooms.strength.loads import weathered
from obtegum.core.rooms.strength.model import model_of
from obtegum.core.rooms.weather.found import method_of
from obtegum.core.work import Work

__all__ = [
    "Line",
    "Reach",
    "edge_up_m",
    "ends_held_n_m",
    "ends_of_left",
    "film_pulls",
    "fixing_of",
    "hands",
    "lines_of",
    "outer_m",
    "pleats",
    "pulled_n_m",
    "reach_of",
    "rim_m",
    "sheet_m2",
    "taped_m",
]

# What a roll-up bar takes of the film that hangs from the hip board, m: twice round and a clip (this bench).
BAR_M = 0.35
# Polyethylene, kg/m³; what it bears for some years, Pa (rule B1), half of it in its last year.
FILM_KG_M3, FILM_BEARS_PA = 920.0, 8e6
# Wind at eaves and ends against that on the whole bow (stand-in, rule B8); its factor by each method.
LOCAL, FACTORS = 1.5, {"us": 0.6, "eu": 1.5, "given": 1.0}
PULLS, ALLOWED = 3, 0.5
# Rule B2: a hand holds so much, N, of a sheet that wind gets under so high, m, at the gust of its day, m/s.
HAND_N, UNDER_M, DAY_MPS = 150.0, 1.5, 5.0
# How deep a pleat is, m (this bench).
PLEAT_M = 0.15
SAME = 1e-9


def fixing_of(work: Work, name: str) -> Fixing:
    """A way to hold film, by its name."""
    return next(each for each in work.catalogue.fixings if each.id == name)


@found
def edge_up_m(work: Work) -> float:
    """How high over the ground the cover is fixed along the sides, m; below nothing where it goes into it."""
    told, posts = work.design.cover, work.design.posts
    if told.edge == "hip" and work.design.boards.hip == "board":
        return work.design.boards.hip_m
    if told.edge == "base" and boarded(work):
        return max(posts.reveal_m - board_of(work).wide_m / 2, 0.0)
    return 0.0


def _board_m(work: Work) -> float:
    """What the board that it is fixed to stands out from the bow, m."""
    told = work.design.cover
    if told.edge == "hip" and work.design.boards.hip == "board":
        return hip_board(work).thick_m
    return board_of(work).thick_m if told.edge == "base" and boarded(work) else 0.0


def outer_m(bow: Chain, half_m: float, up_m: float) -> float:
    """Over the outside of a bow from a height on the left to the same on the right, m: the parallel to its centre line,
    and half the tube's thickness round each corner that stands out."""
    outer = bow.offset(half_m)
    start_m = outer.at_y(up_m)[0] if up_m > 0 else 0.0
    over_m = outer.girth_m - 2 * start_m
    middle = bow.girth_m / 2
    low_m = bow.at_y(up_m)[0] if up_m > 0 else 0.0
    turns = sum(max(kink.turn_rad, 0.0) for kink in bow.kinks if abs(kink.s_m - middle) < middle - low_m)
    return over_m + half_m * turns


@found
def rim_m(work: Work) -> float:
    """Over an end bow from foot to foot, m."""
    return outer_m(centre_line(work), bow_tube(work).od_m / 2, 0.0)


@dataclass(frozen=True, slots=True)
class Reach:
    """What the cover takes and what a roll gives, m: over the house between its fixings; with what fixings take in,
    what hangs below, and what is left to pull and to trim, of which ``trim_m`` is only that; each piece's width and the
    length of all of them; the roll, nothing where none is wide or long enough."""

    over_m: float
    wide_m: float
    piece_m: float
    long_m: float
    trim_m: float
    roll_wide_m: float | None
    roll_long_m: float | None

    @property
    def spare_m(self) -> float | None:
        """What the roll has more than each side takes, m; less than nothing where it is short."""
        return None if self.roll_wide_m is None else (self.roll_wide_m - self.piece_m) / 2

    @property
    def left_m(self) -> float | None:
        """What is left of the roll's length, m."""
        return None if self.roll_long_m is None else self.roll_long_m - self.long_m


@found
def reach_of(work: Work) -> Reach:
    """Whether a roll reaches over the house, by the one that is owned or the least of those that are sold."""
    told, bow, half = work.design.cover, centre_line(work), bow_tube(work).od_m / 2
    up_m = edge_up_m(work)
    over_m = outer_m(bow, half, up_m) + 2 * _board_m(work)
    hangs_m = 0.0
    if told.edge == "hip" and work.design.boards.hip == "board" and told.below == "tail":
        hangs_m = up_m + BAR_M
    fixing = fixing_of(work, told.sides)
    wide_m = over_m + 2 * (hangs_m + fixing.eats_m + told.tail_m + told.trim_m)
    pieces = 2 if told.pieces == "two" else 1
    piece_m = wide_m if pieces == 1 else wide_m / 2 + told.lap_m
    ends_m = told.drop_m
    if told.made == "gathered":
        ends_m = work.design.size.height_m + half + told.hem_m
    long_m = (work.design.size.length_m + 2 * half + 2 * ends_m) * pieces
    roll_wide, roll_long = _roll(work, piece_m, long_m)
    return Reach(over_m, wide_m, piece_m, long_m, told.trim_m, roll_wide, roll_long)


def _roll(work: Work, piece_m: float, long_m: float) -> tuple[float | None, float | None]:
    """The roll that is told, or the narrowest and shortest that is sold here and reaches."""
    told = work.design.cover
    sold = [roll for roll in work.catalogue.rolls if roll.sold_in == work.tape.units]
    wide = told.roll_m
    if wide is None:
        wide = min((roll.wide_m for roll in sold if roll.wide_m >= piece_m - SAME), default=None)
    if told.roll_long_m is not None or wide is None:
        return wide, told.roll_long_m
    lengths = {each for roll in sold if abs(roll.wide_m - wide) < 1e-6 for each in roll.long_m}
    lengths = lengths or {each for roll in sold for each in roll.long_m}
    return wide, min((each for each in lengths if each >= long_m - SAME), default=max(lengths))


@found
def sheet_m2(work: Work) -> tuple[float, float]:
    """Area of the sheet as it is cut, m², and its mass, kg."""
    reach = reach_of(work)
    wide_m = reach.roll_wide_m or reach.piece_m
    area_m2 = wide_m * reach.long_m
    return area_m2, area_m2 * film_of(work).thick_m * FILM_KG_M3


def ends_of_left(work: Work) -> int | None:
    """End sheets that come off what is left of the roll, all one way round, each as wide as the house and as high as
    its crown with what its fixing takes and what it is pulled by all round; None where the ends aren't apart."""
    reach, told = reach_of(work), work.design.cover
    if told.made != "apart" or reach.roll_wide_m is None or (reach.left_m or 0.0) <= 0:
        return None
    round_m = 2 * (fixing_of(work, told.ends).eats_m + told.tail_m)
    size, od_m = work.design.size, bow_tube(work).od_m
    needs = (size.span_m + od_m + round_m, size.height_m + od_m / 2 + round_m)
    fit = [
        math.floor((reach.left_m or 0.0) / along + SAME) * math.floor(reach.roll_wide_m / across + SAME)
        for along, across in (needs, needs[::-1])
    ]
    return max(fit)


def taped_m(work: Work) -> float:
    """Tape over the bows where film lies on them, fixing to fixing, m."""
    return (reach_of(work).over_m - 2 * _board_m(work)) * bays_of(work).bows


@dataclass(frozen=True, slots=True)
class Line:
    """A line that the cover is held along: where, by what, how long, m, how many sticks and the last one's cut, m; how
    many screws, clamps or staples; earth that is dug, m³."""

    where: str
    fixing: Fixing
    long_m: float
    sticks: int
    cut_m: float
    pieces: int
    dug_m3: float


TRENCH_M2 = 0.3 * 0.3


@found
def lines_of(work: Work) -> tuple[Line, ...]:
    """Both sides, and both ends where the sheet is held on their bows."""
    told, units = work.design.cover, work.tape.units
    side_m = work.design.size.length_m + bow_tube(work).od_m
    places = [("left side", told.sides, side_m), ("right side", told.sides, side_m)]
    if told.made != "gathered":
        places += [("front end", told.ends, rim_m(work)), ("back end", told.ends, rim_m(work))]
    found_ = []
    for where, name, long_m in places:
        fixing = fixing_of(work, name)
        stick_m = fixing.stick_m[units]
        sticks = math.ceil(long_m / stick_m - SAME) if name in ("track", "batten", "rolled") else 0
        sticks *= 2 if name == "rolled" else 1
        whole = max(math.ceil(long_m / stick_m - SAME), 1)
        cut_m = long_m - (whole - 1) * stick_m if sticks else 0.0
        # Each stick has one at both its ends, and no two are further apart than that.
        per_stick = math.ceil(min(stick_m, long_m) / fixing.each_m - SAME) + 1
        pieces = whole * per_stick if sticks else math.ceil(long_m / fixing.each_m - SAME) + 1
        dug = long_m * TRENCH_M2 if name == "buried" else 0.0
        found_.append(Line(where, fixing, long_m, sticks, cut_m, 0 if name == "buried" else pieces, dug))
    return tuple(found_)


@dataclass(frozen=True, slots=True)
class Pulls:
    """What wind pulls, for each metre of an edge, N/m: at the sides, where suction lifts the film off the bows, and at
    the ends, between bows; the share of its strength that film uses."""

    side_n_m: float
    end_n_m: float
    stress_pa: float
    bears_pa: float

    @property
    def share(self) -> float:
        return self.stress_pa / self.bears_pa


@found
def film_pulls(work: Work) -> Pulls | None:
    """What wind pulls on the cover's edges (rule B1); None while the weather isn't known.

    Lifted off the bows it hangs between its side fixings as part of a circle through both and the crown: F = p·R.
    """
    weather, end = weathered(work), tension_n_m(work)
    if weather is None or end is None:
        return None
    out = model_of(work).outline.out
    up = [float((case.per_area * out).sum(axis=1).max()) for case in weather.cases if case.kind == "wind"]
    pressure = LOCAL * FACTORS[method_of(work)] * max([0.0, *up])
    size, up_m = work.design.size, edge_up_m(work)
    bow, half = centre_line(work), bow_tube(work).od_m / 2
    at = bow.at_y(up_m)[0] if up_m > 0 else 0.0
    chord, high = 2 * abs(bow.point(at)[0]) + 2 * half, size.height_m + half - up_m
    radius = (chord**2 / 4 + high**2) / (2 * high)
    side = pressure * radius
    # Of two layers the outer one takes the wind.
    return Pulls(side, end, max(side, end) / film_of(work).thick_m, FILM_BEARS_PA / 2)


def hands(work: Work) -> int:
    """People who hold a sheet that is half up, in the gust of its day: 0.613·v²·1.2·A over what one holds."""
    area_m2 = (work.design.size.length_m + 2 * work.design.cover.drop_m) * UNDER_M
    return max(math.ceil(0.613 * DAY_MPS**2 * 1.2 * area_m2 / HAND_N - SAME), 2)


def pleats(work: Work) -> tuple[float, int] | None:
    """What a sheet that is gathered has too much of at the foot of an end, m, and the pleats that take it up; None
    where ends are covered apart. Round the bow it is as long as the rim, at the ground no wider than the house."""
    if work.design.cover.made != "gathered":
        return None
    spare_m = rim_m(work) - work.design.size.span_m - bow_tube(work).od_m
    return spare_m, math.ceil(spare_m / (2 * PLEAT_M) - SAME)


def pulled_n_m(work: Work) -> float | None:
    """What a metre of the fixing was found to hold, N/m: half of the lowest of three pulls and more; else not known."""
    told = work.design.cover
    pulls = [each for each in (told.pull_1_n, told.pull_2_n, told.pull_3_n) if each is not None]
    return min(pulls) * ALLOWED if len(pulls) >= PULLS else None


def ends_held_n_m(work: Work) -> float | None:
    """The same at the ends, N/m: known where they are held by what was pulled at."""
    return pulled_n_m(work) if work.design.cover.ends == work.design.cover.sides else None
