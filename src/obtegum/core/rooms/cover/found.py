"""How wide and long the cover has to be, which roll reaches, what holds it, and what wind pulls on its edges."""

import math
from dataclasses import dataclass
from typing import Literal

from obtegum.core.documents.cover import Hold
from obtegum.core.findings.kept import found
from obtegum.core.findings.skeleton.bays import bays_of
from obtegum.core.findings.skeleton.fixings import fixing_of
from obtegum.core.findings.skeleton.line import centre_line
from obtegum.core.findings.skeleton.posts import board_of
from obtegum.core.findings.skeleton.stands import boarded
from obtegum.core.findings.skeleton.tubes import bow_tube
from obtegum.core.findings.work import Work
from obtegum.core.formulas.profile import Chain
from obtegum.core.rooms.boards.found import hip_board
from obtegum.core.rooms.ends.pulled import film_of
from obtegum.core.values.physics import CLOTH_KG_M2, FILM_KG_M3
from obtegum.core.values.quantity import INCH_M

__all__ = [
    "Order",
    "Reach",
    "edge_up_m",
    "ends_of_left",
    "held_by",
    "is_taped",
    "layers_of",
    "left_covers",
    "order_of",
    "outer_m",
    "over_planned_m",
    "pleats",
    "reach_of",
    "rim_m",
    "sheet_m2",
    "side_eats_m",
    "taped_bows",
    "taped_m",
]

# What a roll-up bar takes of the film that hangs from the hip board, m: twice round and a clip (this bench).
BAR_M = 0.35
# How deep a pleat is, m (this bench).
PLEAT_M = 0.15
SAME = 1e-9


def held_by(work: Work, side: Literal["left", "right"]) -> Hold:
    """What holds a side: a sheet that goes into the ground is buried there, whatever else was told."""
    cover = work.design.cover
    if cover.edge == "ground":
        return "buried"
    return cover.sides if side == "left" or cover.right == "same" else cover.right


@found
def edge_up_m(work: Work) -> float:
    """How high over the ground the cover is fixed along the sides, m; below nothing where it goes into it."""
    cover, posts = work.design.cover, work.design.posts
    if "buried" in (held_by(work, "left"), held_by(work, "right")):
        # It reaches down to its trench.
        return 0.0
    if cover.edge == "hip" and work.design.boards.hip == "board":
        return work.design.boards.hip_m
    if cover.edge == "base" and boarded(work):
        return max(posts.reveal_m - board_of(work).wide_m / 2, 0.0)
    return 0.0


def _board_m(work: Work) -> float:
    """What the board that it is fixed to stands out from the bow, m."""
    cover = work.design.cover
    if edge_up_m(work) == 0:
        return 0.0
    if cover.edge == "hip" and work.design.boards.hip == "board":
        return hip_board(work).thick_m
    return board_of(work).thick_m if cover.edge == "base" and boarded(work) else 0.0


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


def layers_of(work: Work) -> int:
    """Sheets over each other: two with air between, else one."""
    return 2 if work.design.weather.cover == "film" and work.design.weather.layers == "two" else 1


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


def side_eats_m(work: Work) -> float:
    """What the fixing of either side takes in of the sheet, m: the more of both."""
    names = {held_by(work, "left"), held_by(work, "right")}
    return max(fixing_of(work, name).eats_m for name in names)


def taped_bows(work: Work) -> tuple[float, ...]:
    """Bows taped over their outside from fixing to fixing, m, front to back."""
    cover = work.design.cover
    return tuple(each for each in (cover.taped_1_m, cover.taped_2_m, cover.taped_3_m) if each is not None)


@found
def over_planned_m(work: Work) -> float:
    """Over the outside from fixing to fixing as planned, m, with the boards that they stand on."""
    return outer_m(centre_line(work), bow_tube(work).od_m / 2, edge_up_m(work)) + 2 * _board_m(work)


@dataclass(frozen=True, slots=True)
class _Sizes:
    """Over the house, the whole width with what fixings take, one piece's width, the length of all pieces, what is only
    there to be trimmed, m."""

    over_m: float
    wide_m: float
    piece_m: float
    long_m: float
    trim_m: float


@found
def _sizes(work: Work) -> _Sizes:
    cover, half = work.design.cover, bow_tube(work).od_m / 2
    over_m = max(taped_bows(work), default=over_planned_m(work))
    hangs_m = 0.0
    if cover.edge == "hip" and work.design.boards.hip == "board" and cover.below == "tail":
        hangs_m = edge_up_m(work) + BAR_M
    # What comes hemmed isn't trimmed.
    trim_m = cover.trim_m if cover.bought == "roll" else 0.0
    wide_m = over_m + 2 * (hangs_m + side_eats_m(work) + cover.tail_m + trim_m)
    pieces = 2 if cover.pieces == "two" else 1
    piece_m = wide_m if pieces == 1 else wide_m / 2 + cover.lap_m
    ends_m = cover.drop_m
    if cover.made == "gathered":
        ends_m = work.design.size.height_m + half + cover.hem_m
    long_m = (work.design.size.length_m + 2 * half + 2 * ends_m) * pieces
    return _Sizes(over_m, wide_m, piece_m, long_m, trim_m)


@found
def reach_of(work: Work) -> Reach:
    """Whether a roll reaches over the house, by the one that is owned or the least of those that are sold; one that is
    made to measure by the least that it may come."""
    sizes, cover = _sizes(work), work.design.cover
    if cover.bought == "made":
        order = order_of(work)
        pieces = 2 if cover.pieces == "two" else 1
        wide, long = order.wide_m - cover.off_m, (order.long_m - cover.off_m) * pieces
    else:
        wide, long = _roll(work, sizes.piece_m, sizes.long_m)  # type: ignore[assignment]
    return Reach(sizes.over_m, sizes.wide_m, sizes.piece_m, sizes.long_m, sizes.trim_m, wide, long)


@dataclass(frozen=True, slots=True)
class Order:
    """What is ordered of a cover made to measure, m: each piece finished, hems turned in; how many."""

    wide_m: float
    long_m: float
    pieces: int


@found
def order_of(work: Work) -> Order:
    """A cover made to measure: what it takes and what its maker may be off by, to the next whole step up."""
    sizes, cover = _sizes(work), work.design.cover
    pieces, step = (2 if cover.pieces == "two" else 1), ORDERED_M[work.tape.units]

    def ordered(value_m: float) -> float:
        return math.ceil((value_m + cover.off_m) / step - SAME) * step

    return Order(ordered(sizes.piece_m), ordered(sizes.long_m / pieces), pieces)


# Covers are ordered to the inch or to 5 cm.
ORDERED_M = {"feet": INCH_M, "metric": 0.05}


def _roll(work: Work, piece_m: float, long_m: float) -> tuple[float | None, float | None]:
    """The roll that is told, or the narrowest and shortest that is sold here and reaches."""
    cover = work.design.cover
    sold = [roll for roll in work.catalogue.rolls if roll.sold_in == work.tape.units]
    wide = cover.roll_m
    if wide is None:
        wide = min((roll.wide_m for roll in sold if roll.wide_m >= piece_m - SAME), default=None)
    if cover.roll_long_m is not None or wide is None:
        return wide, cover.roll_long_m
    lengths = {each for roll in sold if abs(roll.wide_m - wide) < 1e-6 for each in roll.long_m}
    lengths = lengths or {each for roll in sold for each in roll.long_m}
    return wide, min((each for each in lengths if each >= long_m - SAME), default=max(lengths))


@found
def sheet_m2(work: Work) -> tuple[float, float]:
    """Area of the sheet as it is cut, m², and its mass, kg."""
    reach = reach_of(work)
    wide_m = reach.roll_wide_m or reach.piece_m
    area_m2 = wide_m * reach.long_m
    cloth = work.design.weather.cover == "cloth"
    return area_m2, area_m2 * (CLOTH_KG_M2 if cloth else film_of(work).thick_m * FILM_KG_M3)


def left_covers(work: Work, across_m: float, along_m: float) -> int:
    """How many pieces of a size come off what is left of the roll, all one way round, with what a fixing takes and what
    is pulled by all round."""
    reach, cover = reach_of(work), work.design.cover
    if reach.roll_wide_m is None or (reach.left_m or 0.0) <= 0 or cover.bought == "made":
        return 0
    round_m = 2 * (fixing_of(work, cover.ends).eats_m + cover.tail_m)
    needs = (across_m + round_m, along_m + round_m)
    return max(
        math.floor((reach.left_m or 0.0) / along + SAME) * math.floor(reach.roll_wide_m / across + SAME)
        for along, across in (needs, needs[::-1])
    )


def ends_of_left(work: Work) -> int | None:
    """End sheets that come off what is left of the roll, each as wide as the house and as high as its crown; None where
    the ends aren't apart, or nothing is left."""
    reach, size, od_m = reach_of(work), work.design.size, bow_tube(work).od_m
    if work.design.cover.made != "apart" or reach.roll_wide_m is None or (reach.left_m or 0.0) <= 0:
        return None
    return left_covers(work, size.span_m + od_m, size.height_m + od_m / 2)


def is_taped(work: Work) -> bool:
    """Whether the bows are taped under it: hot steel and bare PVC eat film; cloth and rigid sheets mind neither."""
    tube, film = bow_tube(work), work.design.weather.cover == "film" and not work.design.sheets.over_roof
    return film and (tube.material == "steel" or tube.resin != "pe")


def taped_m(work: Work) -> float:
    """Tape over the bows where film lies on them, fixing to fixing, m."""
    return (reach_of(work).over_m - 2 * _board_m(work)) * bays_of(work).bows


def pleats(work: Work) -> tuple[float, int] | None:
    """What a sheet that is gathered has too much of at the foot of an end, m, and the pleats that take it up; None
    where ends are covered apart. Round the bow it is as long as the rim, at the ground no wider than the house."""
    if work.design.cover.made != "gathered":
        return None
    spare_m = rim_m(work) - work.design.size.span_m - bow_tube(work).od_m
    return spare_m, math.ceil(spare_m / (2 * PLEAT_M) - SAME)
