"""Where braces and ties meet a bow, and of what they are: what is known of them before any weather."""

import math
from dataclasses import dataclass
from typing import Literal

from obtegum.core.findings.kept import found
from obtegum.core.findings.skeleton.bays import bays_of
from obtegum.core.findings.skeleton.bows import girth_at
from obtegum.core.findings.skeleton.line import centre_line
from obtegum.core.findings.skeleton.runs import runs_of
from obtegum.core.findings.skeleton.tubes import bow_tube, told_or_usual
from obtegum.core.findings.work import Work
from obtegum.core.values.catalogue import Board, Tube
from obtegum.core.values.trouble import DesignError, Trouble, listed

__all__ = [
    "Brace",
    "Point",
    "Tie",
    "brace_tube",
    "braced_feet",
    "braces_of",
    "corner_lifted",
    "drilled_m",
    "head_m",
    "tie_board",
    "tie_edge_m",
    "tie_seen",
    "tie_stock",
    "tied_bows",
    "ties_of",
]

# A collar shorter than this is between nodes that are one, m.
LEAST_COLLAR_M = 0.1

# How high a head is where no run says it, and the least that one is over its foot, m (this bench).
USUAL_M, CLEAR_M = 1.8, 0.3
# What ties of board are of where nobody told; from a bolt to a board's end, of its thickness (NDS 2018 table 12.5.1A).
USUAL_BOARDS, BOARD_EDGE = {"feet": "board-2x4", "metric": "board-47x100mm"}, 7.0


@dataclass(frozen=True, slots=True)
class Tie:
    """A collar or a strut of one bow: its ends across and up, m, from hole to hole."""

    part: str
    what: str
    ends: tuple[tuple[float, float], tuple[float, float]]

    @property
    def long_m(self) -> float:
        return math.dist(*self.ends)


@found
def brace_tube(work: Work) -> Tube:
    """What braces, collars and struts are made of. Raises: DesignError when there is none of that name."""
    return told_or_usual(work, work.design.braces.tube, "braces.tube")


@found
def tie_board(work: Work) -> Board | None:
    """The board that ties are of; None where they are tube. Raises: DesignError when there is none of that name."""
    braces = work.design.braces
    if braces.of == "tube":
        return None
    name = braces.board or USUAL_BOARDS[bow_tube(work).sold_in]
    return listed(work.catalogue.boards.get(name), "board", name, "braces.board")


def tie_edge_m(work: Work) -> float:
    """From a tie's hole to its end, m: as told for tube, seven bolts for boards, nothing in a clamp."""
    braces = work.design.braces
    if tie_board(work) is not None:
        return max(BOARD_EDGE * braces.bolt_m, braces.edge_m)
    return braces.edge_m if braces.end == "flat" else 0.0


def tie_stock(work: Work) -> tuple[str, tuple[float, ...]]:
    """What ties are cut from, by its name in the catalogue, and its section, m."""
    board, tube = tie_board(work), brace_tube(work)
    return (tube.id, (tube.od_m,)) if board is None else (board.id, (board.thick_m, board.wide_m))


def tie_seen(work: Work) -> tuple[Literal["steel", "plastic", "board"], float]:
    """What a tie is drawn as: its material, and how wide it is seen across the bow, m."""
    board, tube = tie_board(work), brace_tube(work)
    return (tube.material, tube.od_m) if board is None else ("board", board.wide_m)


def head_m(work: Work) -> float:
    """How high a brace's head is, m: as told, or at the lowest run of the side; without one, as far up as most work."""
    braces, bow = work.design.braces, centre_line(work)
    if braces.head_m is not None:
        return braces.head_m
    side = [bow.point(girth_at(work, run.at_m))[1] for run in runs_of(work) if run.name.startswith("L")]
    most_m = (braces.foot_m + work.design.size.height_m) / 2
    return next((up for up in sorted(side) if up > braces.foot_m + CLEAR_M), min(USUAL_M, most_m))


def tied_bows(work: Work) -> tuple[int, ...]:
    """The bows that have a collar, by their numbers."""
    braces = work.design.braces
    return tuple(range(1, bays_of(work).bows + 1, braces.every)) if braces.ties != "none" else ()


@found
def ties_of(work: Work) -> tuple[Tie, ...]:
    """The collar of a bow, and its two struts: from the collar's middle to half way up from its end to the crown; or a
    knee brace across each shoulder. Raises: DesignError for a collar that is none."""
    braces, bow = work.design.braces, centre_line(work)
    if braces.ties == "none":
        return ()
    s_m = bow.at_y(braces.tie_m)[0]
    x, y = bow.point(s_m)
    if braces.ties == "knee":
        low = bow.point(bow.at_y(braces.low_m)[0])
        return tuple(
            Tie(f"knee:{side}", "knee", ((sign * low[0], low[1]), (sign * x, y)))
            for side, sign in (("L", 1.0), ("R", -1.0))
        )
    found_ = [Tie("collar", "collar", ((x, y), (-x, y)))]
    if found_[0].long_m < LEAST_COLLAR_M:
        high, long = work.say(braces.tie_m), work.say(found_[0].long_m, "up")
        sentence = f"A collar at {high} is all but over the crown: only {long} long, it holds nothing. Lower it."
        raise DesignError([Trouble(path="braces.tie_m", sentence=sentence)])
    if braces.ties == "truss":
        top_x, top_y = bow.point((s_m + bow.girth_m / 2) / 2)
        found_ += [
            Tie(f"strut:{side}", "strut", ((0.0, y), (sign * top_x, top_y))) for side, sign in (("L", 1.0), ("R", -1.0))
        ]
    return tuple(found_)


def drilled_m(work: Work) -> tuple[float, ...]:
    """Where a bow is drilled for braces and ties, m of its left half's girth; none where clamps hold them."""
    braces, bow = work.design.braces, centre_line(work)
    flat = braces.end == "flat"
    heights = [head_m(work), braces.foot_m] if braces.bays and flat else []
    if not flat and braces.of == "tube":
        return ()
    ends = {"collar": (0,), "strut": (1,), "knee": (0, 1)}
    heights += [tie.ends[place][1] for tie in ties_of(work)[:2] for place in ends[tie.what]]
    return tuple(min(bow.at_y(height_m), default=0.0) for height_m in heights)


Point = tuple[float, float, float]


@dataclass(frozen=True, slots=True)
class Brace:
    """One brace, from the middle of its hole at the foot to that at the head, m; ``front`` where its head is nearer
    to the front than its foot."""

    name: str
    side: str
    foot: Point
    head: Point
    front: bool
    bows: tuple[int, int]

    @property
    def long_m(self) -> float:
        """From hole to hole."""
        return math.dist(self.foot, self.head)

    @property
    def along(self) -> float:
        """Share of its force that goes along the house."""
        return abs(self.head[0] - self.foot[0]) / self.long_m

    @property
    def up(self) -> float:
        """Share of its force that lifts its foot."""
        return (self.head[2] - self.foot[2]) / self.long_m


def _on_bow(work: Work, high_m: float) -> tuple[float, float]:
    """The left side's place of a brace's hole at a height, across and up, m: the middle of a tube in a clamp, or of a
    flattened end that lies on the bow's inner face."""
    flat = work.design.braces.end == "flat"
    bow = centre_line(work)
    out_m = bow_tube(work).od_m / 2 + (brace_tube(work).wall_m if flat else brace_tube(work).od_m / 2)
    s_m = min(bow.at_y(high_m), default=0.0)
    (x, y), heading = bow.point(s_m), bow.heading(s_m)
    return x + math.sin(heading) * out_m, y - math.cos(heading) * out_m


@found
def braces_of(work: Work) -> tuple[Brace, ...]:
    """Every brace. Raises: DesignError where one would end outside the house."""
    braces, stations = work.design.braces, bays_of(work).stations_m
    bays, spans = len(stations) - 1, braces.spans
    count = braces.bays or 0
    if count and spans > bays:
        sentence = f"The brace’s foot would stand outside the house: there are {bays} bays."
        raise DesignError([Trouble(path="braces.spans", sentence=sentence)])
    if count * spans > bays:
        most = bays // spans
        sentence = f"Braces over {spans} {'bay' if spans == 1 else 'bays'} each: {most} of them fill this side."
        raise DesignError([Trouble(path="braces.bays", sentence=sentence)])
    head, foot = _on_bow(work, head_m(work)), _on_bow(work, braces.foot_m)
    found_ = list[Brace]()
    for place, first in enumerate(_first_bows(count, bays, spans), start=1):
        near_front = place <= (count + 1) // 2
        for front in (near_front,) if braces.cross == "one" else (near_front, not near_front):
            at_head, at_foot = (first, first + spans) if front else (first + spans, first)
            for side, sign in (("L", 1.0), ("R", -1.0)):
                twin = "" if braces.cross == "one" else "a" if front == near_front else "b"
                found_.append(
                    Brace(
                        name=f"{side}{place}{twin}",
                        side=side,
                        foot=(stations[at_foot], sign * foot[0], foot[1]),
                        head=(stations[at_head], sign * head[0], head[1]),
                        front=front,
                        bows=(at_foot + 1, at_head + 1),
                    )
                )
    return tuple(found_)


def _first_bows(count: int, bays: int, spans: int) -> list[int]:
    """The first bow of each braced bay, from 0: from both ends inward, evenly."""
    if count <= 1:
        return [0] * count
    return [round((bays - spans) * place / (count - 1)) for place in range(count)]


def braced_feet(work: Work) -> frozenset[str]:
    """Posts of the rows by their names, none at the corners, that a brace rises from."""
    feet = ((brace.side, brace.bows[0]) for brace in braces_of(work))
    return frozenset(f"{side}{bow}" for side, bow in feet if bow not in (1, bays_of(work).bows))


def corner_lifted(work: Work) -> bool:
    """Whether a brace rises from the foot of an end bow: one of two that cross, or one as long as the house."""
    return any(brace.bows[0] in (1, bays_of(work).bows) for brace in braces_of(work))
