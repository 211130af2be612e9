"""How far a curtain travels and how it winds up, what turns it, and what stands out where it hangs."""

import math
from dataclasses import dataclass

from obtegum.core.findings.kept import found
from obtegum.core.findings.skeleton.bays import bays_of
from obtegum.core.findings.skeleton.braces import braces_of
from obtegum.core.findings.skeleton.fixings import Held, held_along
from obtegum.core.findings.skeleton.line import centre_line
from obtegum.core.findings.skeleton.stands import boarded
from obtegum.core.findings.skeleton.tubes import bow_tube, told_or_usual
from obtegum.core.findings.work import Work
from obtegum.core.formulas.anchor.links import WASHER_M
from obtegum.core.rooms.boards.found import hip_board, hip_place, opens_m
from obtegum.core.rooms.ends.pulled import film_of
from obtegum.core.values.catalogue import Tube
from obtegum.core.values.physics import DENSITY_KG_M3, FILM_KG_M3, GRAVITY_MPS2

__all__ = [
    "Bars",
    "InTheWay",
    "Wound",
    "bar_tube",
    "bars_of",
    "bow_out_m",
    "cord_m",
    "corded",
    "curtained",
    "film_out_m",
    "in_the_way",
    "opened_at",
    "opening_m",
    "own_curtain",
    "rest_m",
    "track_of",
    "wound",
]

# Shear modulus of the elastic one: isotropic, Poisson's ratio 0.3.
SHEAR = 1 / 2.6
# Outside a bow: a round head of its bolt's diameter, a nut with a washer and a few threads; a clamp's ear, m (this
# bench, from common hardware).
ROUND, NUT, CLAMP_M = 0.55, 1.2, 0.02


def curtained(work: Work) -> bool:
    """Whether the sides roll up: film hangs from a hip board."""
    cover = work.design.cover
    return work.design.boards.hip == "board" and cover.edge == "hip" and cover.below != "open" and cover.made != "ask"


def own_curtain(work: Work) -> bool:
    """Whether curtains are sheets of their own: told so, or there is no film over the roof to hang down."""
    return work.design.cover.below == "own" or work.design.sheets.over_roof


@found
def bar_tube(work: Work) -> Tube:
    """What the bars are made of. Raises: DesignError when there is none of that name."""
    return told_or_usual(work, work.design.sides.bar, "sides.bar")


@found
def rest_m(work: Work) -> float:
    """How high the lower edge is when it is down, m: past what closes the side below, or on the ground."""
    closes = work.design.posts.reveal_m if boarded(work) else 0.0
    return max(closes - work.design.sides.below_m, 0.0)


@dataclass(frozen=True, slots=True)
class Wound:
    """A curtain wound up: its film's height, m, and turns of the bar; the roll's radius, m; what hangs on it for each
    metre, kg, and in all; the torque at the bar, N·m; by how much the far end lags, m; the hand's force, N."""

    drop_m: float
    turns: float
    radius_m: float
    kg_m: float
    kg: float
    torque_nm: float
    lags_m: float
    hand_n: float


@found
def wound(work: Work) -> Wound:
    """One curtain, all the way up.

    L = 2π·r·n + π·t·n² gives the turns; torque = weight·R where film leaves the roll; the bar twists by t·L²/(2·G·J)
    to its far end (Saint-Venant, torque even along it).
    """
    sides, bar, film = work.design.sides, bar_tube(work), film_of(work)
    drop = work.design.boards.hip_m - hip_board(work).wide_m / 2 - rest_m(work)
    layers = 2 if work.design.weather.layers == "two" and not own_curtain(work) else 1
    thick, core = film.thick_m * layers, bar.od_m / 2
    turns = (math.sqrt(core**2 + drop * thick / math.pi) - core) / thick
    radius = core + turns * thick
    wall = bar.od_m**2 - bar.bore_m**2
    kg_m = math.pi / 4 * wall * DENSITY_KG_M3[bar.material] + drop * thick * FILM_KG_M3
    long_m = bars_of(work).part_m
    torque = kg_m * long_m * GRAVITY_MPS2 * radius
    polar = math.pi / 32 * (bar.od_m**4 - bar.bore_m**4)
    twist = kg_m * GRAVITY_MPS2 * radius * long_m**2 / (2 * bar.elastic_pa * SHEAR * polar)
    return Wound(drop, turns, radius, kg_m, kg_m * long_m, torque, twist * radius, torque / sides.arm_m / sides.gear)


@dataclass(frozen=True, slots=True)
class Bars:
    """The bar of each curtain: its length, where its sticks meet and where film is clipped to it, m from where it is
    turned; how long its last stick is cut, m."""

    part_m: float
    joints_m: tuple[float, ...]
    clips_m: tuple[float, ...]
    cut_m: float


@found
def bars_of(work: Work) -> Bars:
    """How the bar of each curtain is made up: all of them are alike."""
    sides, size = work.design.sides, work.design.size
    part = (size.length_m + bow_tube(work).od_m) / sides.parts + 2 * sides.flap_m
    each = math.ceil(part / sides.bar_m - 1e-9)
    joints = tuple(place * sides.bar_m for place in range(1, each))
    if joints and part - joints[-1] < LEAST_PIECE_M:
        # No stub at the end: the last two sticks are cut alike.
        joints = (*joints[:-1], (part + (joints[-2] if len(joints) > 1 else 0.0)) / 2)
    clips = math.ceil(part / sides.clip_m - 1e-9)
    return Bars(
        part_m=part,
        joints_m=joints,
        clips_m=tuple(part * place / clips for place in range(clips + 1)),
        cut_m=part - (joints[-1] if joints else 0.0),
    )


def corded(work: Work) -> tuple[float, ...]:
    """Where along a side cords hold its curtains in, m: at each bow, each second one, or none."""
    stations = bays_of(work).stations_m
    return {"each": stations, "second": stations[::2], "none": ()}[work.design.sides.cords]


def track_of(work: Work) -> Held:
    """The track of a side's own curtains, along its hip boards."""
    return held_along(work, "track", work.design.size.length_m + bow_tube(work).od_m)


def cord_m(work: Work) -> float:
    """Each of them, m: from the hip board down outside the curtain to the foot, and a hand's length to tie at each
    end."""
    return work.design.boards.hip_m + TIED_M


TIED_M, LEAST_PIECE_M = 0.4, 0.5


@found
def opening_m(work: Work) -> float:
    """How high a side opens, m: the roll hangs in the way of what the boards leave open."""
    return max(opens_m(work) - 2 * wound(work).radius_m, 0.0) if curtained(work) else 0.0


def opened_at(work: Work, share: float) -> float:
    """Free area of both sides with the curtains so far up, m²."""
    return 2 * opening_m(work) * share * work.design.size.length_m


def bow_out_m(work: Work, up_m: float) -> float:
    """How far a bow's outer face stands from the middle of the house at a height, m."""
    outer = centre_line(work).offset(bow_tube(work).od_m / 2)
    return abs(outer.point(min(outer.at_y(up_m), default=0.0))[0])


def film_out_m(work: Work, up_m: float) -> float:
    """The same of film that hangs from the hip board's lower edge: plumb, or on the bow where that stands out more."""
    board = -hip_place(work)[0] + hip_board(work).thick_m / 2
    high = work.design.boards.hip_m - hip_board(work).wide_m / 2
    heights = [up_m + (high - up_m) * place / STEPS for place in range(STEPS + 1)]
    return max(board, *(bow_out_m(work, each) for each in heights))


STEPS = 12


@dataclass(frozen=True, slots=True)
class InTheWay:
    """What stands out where a curtain hangs: its name, its part, how high, by how much, and what is left to the film,
    m; below nothing where it rubs."""

    what: str
    part: str
    up_m: float
    proud_m: float
    clear_m: float


@found
def in_the_way(work: Work) -> tuple[InTheWay, ...]:
    """Ends of braces that the curtain passes; least room first."""
    sides, braces = work.design.sides, work.design.braces
    low, high = rest_m(work), work.design.boards.hip_m - hip_board(work).wide_m / 2
    inward = 2 * wound(work).radius_m if sides.rolls == "in" else 0.0
    bolt = ROUND * braces.bolt_m if sides.heads == "round" else NUT * braces.bolt_m + WASHER_M
    proud, what = (CLAMP_M, "clamp") if braces.end == "clamp" else (bolt, "bolt")
    found_ = list[InTheWay]()
    for brace in braces_of(work):
        if brace.side != "L":
            continue
        for where, (_, _, up_m) in (("foot", brace.foot), ("head", brace.head)):
            if low <= up_m <= high:
                clear = film_out_m(work, up_m) - bow_out_m(work, up_m) - proud - inward
                found_.append(InTheWay(f"the {what} of brace {brace.name}’s {where}", "brace", up_m, proud, clear))
    return tuple(sorted(found_, key=lambda each: each.clear_m))
