"""Leaves: how large by their clearances, of what pieces, what their hinges bear, and whether a latch has room.

Clearances and the brace's direction by rule B20; timber moves 0.25 % across its grain for each percent of moisture.
"""

import math
from dataclasses import dataclass
from itertools import pairwise

from obtegum.core.documents.ends import HINGED, Side
from obtegum.core.findings.kept import found
from obtegum.core.findings.skeleton.openings import Opened, opened
from obtegum.core.findings.skeleton.outline import end_of, refusal, stud_board
from obtegum.core.findings.skeleton.tubes import find_tube, told_or_usual
from obtegum.core.findings.work import Work
from obtegum.core.rooms.ends import words
from obtegum.core.values.catalogue import Tube
from obtegum.core.values.physics import DENSITY_KG_M3, GRAVITY_MPS2, TIMBER_KG_M3

__all__ = [
    "COVER_KG_M2",
    "DROP_BOLT_M",
    "FOOT_M",
    "LATCH_ROOM_M",
    "Hinged",
    "Leaf",
    "Piece",
    "alike",
    "hinge_ring",
    "jig_inset_m",
    "leaf_tube",
    "leaves_of",
    "track_m",
]

# Clearance at the hinge, at the latch, under the leaf, over it, and between two leaves that meet, m (rule B20).
HINGE_M, LATCH_M, FOOT_M, HEAD_M, MEET_M = 0.003, 0.005, 0.01, 0.003, 0.005
# Timber across its grain for each share of moisture, and what dry timber takes up outdoors (rule B20; data).
SWELLS, TAKES_UP = 0.25, 0.08
# Film on a leaf, kg/m² (data).
COVER_KG_M2 = 0.2
# Hinges from a leaf's ends, m; higher or wider than this it has three; a rail more in its middle from here.
FROM_END_M, THREE_HIGH_M, THREE_WIDE_M, MIDDLE_FROM_M = 0.15, 2.1, 1.2, 1.2
# A gusset's legs for each width of the boards that it joins (this bench).
GUSSET = 2.5
# What a latch takes of a stile, and how deep a drop bolt goes into its socket, m (this bench).
LATCH_ROOM_M, DROP_BOLT_M = 0.06, 0.15
# A ring turns on a pipe with as much play in its bore as this, from and to, m (this bench).
PLAY_M = (0.0005, 0.004)


@dataclass(frozen=True, slots=True)
class Piece:
    """A piece of a leaf: what it is, how many alike, m."""

    what: str
    count: int
    long_m: float


@dataclass(frozen=True, slots=True)
class Hinged:
    """What hinges bear: the leaf's weight, and the pull and push of the highest and lowest one, N; how many, and how
    far apart the outer ones are, m."""

    weight_n: float
    pull_n: float
    count: int
    apart_m: float


@dataclass(frozen=True, slots=True)
class Leaf:
    """A leaf: which opening it closes, wide and high, m; its pieces; its brace and diagonals, m; its hinges."""

    name: str
    wide_m: float
    high_m: float
    pieces: tuple[Piece, ...]
    brace_m: float
    gussets: int
    gusset_m: float
    hinged: Hinged | None

    @property
    def square_m(self) -> float:
        """Corner to corner, both alike when it is square, m."""
        return math.hypot(self.wide_m, self.high_m)


@found
def _front(work: Work) -> tuple[Leaf, ...]:
    return tuple(leaf for each in opened(work, "front") for leaf in _leaves(work, "front", each))


@found
def _back(work: Work) -> tuple[Leaf, ...]:
    return tuple(leaf for each in opened(work, "back") for leaf in _leaves(work, "back", each))


def leaves_of(work: Work, side: Side) -> tuple[Leaf, ...]:
    """Every leaf of an end, the door's first. Raises: DesignError for one that is too narrow for its own boards."""
    return _front(work) if side == "front" else _back(work)


def leaf_tube(work: Work, side: Side) -> Tube:
    """What leaves of pipe are made of. Raises: DesignError when there is none of that name."""
    return told_or_usual(work, end_of(work, side).leaf_tube, f"ends.{side}.leaf_tube")


def _leaves(work: Work, side: Side, each: Opened) -> tuple[Leaf, ...]:
    end, board = end_of(work, side), stud_board(work, side)
    if each.what not in (*HINGED, "sliding"):
        return ()
    stiles = 4 if each.what == "double" else 2
    wet = end.built == "wet" or end.leaf == "pipe"
    swells = 0.0 if wet else SWELLS * TAKES_UP * stiles * board.wide_m
    high = each.high_m - FOOT_M - HEAD_M
    if each.what == "double":
        wide = (each.wide_m - 2 * HINGE_M - MEET_M - swells) / 2
    elif each.what == "sliding":
        # A leaf that slides laps its jambs.
        wide = each.wide_m + 2 * board.thick_m
    else:
        wide = each.wide_m - HINGE_M - LATCH_M - swells
    make = _of_pipe if end.leaf == "pipe" else _of_boards
    leaf = make(work, side, each, wide, high)
    return (leaf, leaf) if each.what == "double" else (leaf,)


def _path(side: Side, each: Opened) -> str:
    return f"ends.{side}.wide_m" if each.name == "door" else f"ends.{side}.openings.{int(each.name) - 1}.wide_m"


def _of_boards(work: Work, side: Side, each: Opened, wide: float, high: float) -> Leaf:
    board = stud_board(work, side)
    # From the hinge's foot up to the far corner, between the rails.
    inside = wide - 2 * board.wide_m, high - 2 * board.wide_m
    if min(inside) <= 0:
        raise refusal(_path(side, each), words.leaf_of_boards_too_narrow(), None, work)
    rails = 3 if high >= MIDDLE_FROM_M else 2
    brace = math.hypot(*inside)
    pieces = (Piece("stile", 2, high), Piece("rail", rails, inside[0]), Piece("brace", 1, brace))
    timber_m3 = sum(piece.count * piece.long_m for piece in pieces) * board.thick_m * board.wide_m
    weight = GRAVITY_MPS2 * (timber_m3 * TIMBER_KG_M3 + wide * high * COVER_KG_M2)
    return Leaf(each.name, wide, high, pieces, brace, 8, GUSSET * board.wide_m, _hinged(each, wide, high, weight))


def _of_pipe(work: Work, side: Side, each: Opened, wide: float, high: float) -> Leaf:
    end, tube = end_of(work, side), leaf_tube(work, side)
    inside = wide - 2 * end.take_m, high - 2 * end.take_m
    if min(inside) <= 0:
        raise refusal(_path(side, each), words.leaf_of_pipe_too_narrow(), None, work)
    pieces = [Piece("upright pipe", 2, inside[1]), Piece("level pipe", 2, inside[0])]
    if high >= MIDDLE_FROM_M:
        # A middle pipe between two tees: each upright is in two.
        half = (high - 4 * end.take_m) / 2
        pieces = [Piece("upright pipe", 4, half), Piece("level pipe", 3, inside[0])]
    brace = math.hypot(wide - tube.od_m, high - tube.od_m)
    metres = sum(piece.count * piece.long_m for piece in pieces) + brace
    area = math.pi / 4 * (tube.od_m**2 - (tube.od_m - 2 * tube.wall_m) ** 2)
    weight = GRAVITY_MPS2 * (metres * area * DENSITY_KG_M3[tube.material] + wide * high * COVER_KG_M2)
    pieces.append(Piece("diagonal, of wire or strap", 1, brace))
    return Leaf(each.name, wide, high, tuple(pieces), brace, 0, 0.0, _hinged(each, wide, high, weight))


def _hinged(each: Opened, wide: float, high: float, weight_n: float) -> Hinged | None:
    """Hinges of a leaf, at its side or (a flap's) at its top: W·b/(2·s) pulls at one and pushes at the other."""
    if each.what == "sliding":
        return None
    along, out = (wide, high) if each.what == "flap" else (high, wide)
    apart = max(along - 2 * FROM_END_M, along / 2)
    if each.what == "flap":
        return Hinged(weight_n, weight_n / 2, 2, apart)
    count = 3 if high > THREE_HIGH_M or wide > THREE_WIDE_M else 2
    return Hinged(weight_n, weight_n * out / (2 * apart), count, apart)


def hinge_ring(work: Work, side: Side) -> tuple[Tube, float] | None:
    """The next pipe whose rings turn on that of the leaf, and its play, m; None where none in the catalogue does."""
    tube = leaf_tube(work, side)
    fits = [
        (other, other.od_m - 2 * other.wall_m - tube.od_m)
        for name in work.catalogue.tubes
        if (other := find_tube(work.design, work.catalogue, name)) is not None and other.form == "tube"
    ]
    good = [each for each in fits if PLAY_M[0] <= each[1] <= PLAY_M[1]]
    return min(good, key=lambda each: each[1]) if good else None


def track_m(work: Work, side: Side) -> float:
    """A sliding leaf's track, m: over its way and once more its leaf beside it."""
    (leaf, *_) = leaves_of(work, side)
    return 2 * leaf.wide_m


def jig_inset_m(leaf: Leaf) -> float:
    """How far from its corners the stop blocks of a leaf's jig stand, two outside each edge, m."""
    return min(leaf.wide_m, leaf.high_m) / 5


def alike(leaves: tuple[Leaf, ...]) -> int:
    """How many leaves have the size of one before."""
    ordered = sorted((round(leaf.wide_m, 6), round(leaf.high_m, 6)) for leaf in leaves)
    return sum(one == other for one, other in pairwise(ordered))
