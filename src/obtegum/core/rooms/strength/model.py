"""The bow as a frame: from the ground of its foot up the post, along the bow, and down again."""

from dataclasses import dataclass, replace

import numpy as np
from numpy.typing import NDArray

from obtegum.core.findings.kept import found
from obtegum.core.findings.skeleton.bows import corners_of, girth_at, split_of
from obtegum.core.findings.skeleton.braces import brace_tube, drilled_m, tie_board, ties_of
from obtegum.core.findings.skeleton.levels import stand_of
from obtegum.core.findings.skeleton.line import centre_line
from obtegum.core.findings.skeleton.posts import entry_of
from obtegum.core.findings.skeleton.runs import runs_of
from obtegum.core.findings.skeleton.stands import way_of
from obtegum.core.findings.skeleton.tubes import bow_tube, post_tube
from obtegum.core.findings.work import Work
from obtegum.core.formulas.frame.nodes import NEAR_M, PIECES, Interpolated, divided, leaning, meeting
from obtegum.core.formulas.frame.section import Section, round_section
from obtegum.core.formulas.frame.solve import Frame
from obtegum.core.formulas.frame.ties import Bar, Ties, tied
from obtegum.core.formulas.profile import Arc, Chain
from obtegum.core.formulas.weather.outline import Fine, Outline
from obtegum.core.rooms.strength.site import load_breaks, outlined
from obtegum.core.rooms.weather.found import method_of
from obtegum.core.values.catalogue import Board, Tube
from obtegum.core.values.trouble import listed

__all__ = [
    "Model",
    "counted",
    "every_tied",
    "furthest_out_m",
    "model_of",
    "prop_board",
    "propped_model",
    "sections_of",
    "short_model",
    "tie_stretch_n",
    "tied_model",
]

# Elements of the bow above its posts, and of each post, beside those that the places where something changes cut off.
BOW_PIECES, POST_PIECES = 52, 4
# How much of it goes by how far a bow turns in an element, the rest by how long that is.
BY_TURN = 0.5
# AISC 360-16 B4.2: wall of welded tube that is counted, of the wall by name; what was measured counts whole.
WELDED = 0.93
# What props are of where nobody told, and timber's modulus along its grain, Pa (NDS, the least of the usual ones).
PROPS, PROP_E_PA = {"feet": "board-4x4", "metric": "board-100x100mm"}, 8.96e9
# Posts that stand out by less than this more than others are looked at once, m.
ALIKE_M = 0.005


@dataclass(frozen=True, eq=False)
class Model:
    """A bow's frame and outline, the section of each element (0 the bow, 1 post or both), and at which of its nodes it
    is weaker than its tube: at its joints and corners, which brackets can bridge, and where it is drilled.

    Nodes lie wherever a load, a joint, a hole or a tie makes a difference. ``fine`` is the outline that loads are told
    on. ``s_m`` is how far along the bow's own tube each node lies, m; below nothing and beyond it on the posts. Its
    feet stand ``out_m`` over their ground, on ``edge`` elements of post each. ``ties`` are what bars between its nodes
    are called, each with its length, m.
    """

    frame: Frame
    outline: Outline
    fine: Fine
    which: NDArray[np.int_]
    spliced: NDArray[np.bool_]
    drilled: NDArray[np.bool_]
    s_m: NDArray[np.float64]
    out_m: float
    edge: int
    ties: tuple[tuple[str, float], ...] = ()

    @property
    def jointed(self) -> NDArray[np.bool_]:
        """Where a joint or a hole leaves less than the tube's strength."""
        return self.spliced | self.drilled

    def spread(self, every: int) -> list[int]:
        """Elements that lie evenly along the bow, one for so many of those that it would have if all were alike."""
        middles = (self.s_m[1:] + self.s_m[:-1]) / 2
        places = np.linspace(self.s_m[0], self.s_m[-1], (BOW_PIECES + 2 * POST_PIECES) // every + 1)
        return sorted({int(np.abs(middles - place).argmin()) for place in (places[1:] + places[:-1]) / 2})


def counted(work: Work, tube: Tube) -> Section:
    """A tube's section as it counts: its wall by its name less than that, what is taken off comes off its yield."""
    strength = work.design.strength
    whole = strength.wall == "measured" or tube.form == "bar"
    wall_m = tube.wall_m if whole else WELDED * tube.wall_m
    elastic_pa = method_of(work).steel_elastic_pa if tube.material == "steel" else tube.elastic_pa
    return round_section(tube.od_m, wall_m, tube.yield_pa * (1 - strength.less_share), elastic_pa)


@found
def sections_of(work: Work) -> tuple[Section, Section]:
    """Sections of the bow and of what it stands on: the stiffer one of the two where they lap."""
    bow, post = (counted(work, tube) for tube in (bow_tube(work), post_tube(work)))
    return bow, bow if work.design.posts.stand == "board" else post


@found
def furthest_out_m(work: Work) -> float:
    """How far the top of the post that stands furthest out is over its ground, m."""
    return max(_out_m(work))


def _out_m(work: Work) -> list[float]:
    """How far posts stand out, m: as planned, and as the ground was read."""
    stand = stand_of(work)
    return (
        [work.design.posts.reveal_m, *(foot.reveal_m for foot in stand.feet.values())]
        if stand
        else [work.design.posts.reveal_m]
    )


@found
def _grown(work: Work) -> Interpolated:
    """By how much a bow has gone on and turned until each of its segments: pieces are shorter where it turns."""
    bow = centre_line(work)
    turns = [abs(each.turn_rad) if isinstance(each, Arc) else 0.0 for each in bow.segments]
    turned = np.concatenate([[0.0], np.cumsum(turns)])
    along = np.array(bow.starts_m)
    grown = along / along[-1] * (1 - BY_TURN) + turned / max(turned[-1], 1e-9) * BY_TURN
    return bow.starts_m, tuple(grown.tolist())


def _drilled(work: Work) -> list[float]:
    """Where a bow is drilled, m of girth."""
    posts, top_s, girth_m = work.design.posts, entry_of(work).post_top_s_m, centre_line(work).girth_m
    stop = [work.design.bows.insertion_m] if posts.stop == "bolt" and way_of(work).socketed else []
    screwed = [work.design.bows.insertion_m / 2] if work.design.hold.screws and way_of(work).socketed else []
    bolted = [posts.bolt_m] if posts.bolt_m is not None else []
    bolts = [top_s - below_m for below_m in bolted + stop + screwed]
    bolts += [*drilled_m(work), *_hip_bolt_m(work)]
    return [*bolts, *(girth_m - at_m for at_m in bolts)]


def _hip_bolt_m(work: Work) -> list[float]:
    """Where the hip board's bolt goes through, m of girth."""
    boards = work.design.boards
    return [centre_line(work).at_y(boards.hip_m)[0]] if boards.hip == "board" else []


def every_tied(work: Work) -> bool:
    """Whether each bow has its tie."""
    return work.design.braces.ties != "none" and work.design.braces.every == 1


@found
def model_of(work: Work) -> Model:
    """The frame of a bow whose foot stands furthest out, pinned at its ground; tied where each one is."""
    return _model(work, furthest_out_m(work), every_tied(work))


@found
def tied_model(work: Work) -> Model | None:
    """The same bow with its tie, where not each one has it; None otherwise."""
    if work.design.braces.ties == "none" or every_tied(work):
        return None
    return _model(work, furthest_out_m(work), True)


@found
def short_model(work: Work) -> Model | None:
    """The frame of a bow whose foot stands out least; None where all stand alike."""
    least_m = min(_out_m(work))
    return _model(work, least_m, every_tied(work)) if furthest_out_m(work) - least_m > ALIKE_M else None


def propped_model(work: Work, plain: Model, stiff_n_m: float | None = None) -> Model:
    """The same frame with a prop from the ground to its crown; or held there by something as stiff as told, N/m."""
    frame, board = plain.frame, prop_board(work)
    crown = int(np.argmax(frame.nodes[:, 1]))
    high_m = float(frame.nodes[crown, 1] - frame.nodes[0, 1])
    bars = _bars(work) if plain.frame.ties is not None else ()
    placed = _placed(work, plain.s_m, bars)
    stretch_n = PROP_E_PA * board.thick_m * board.wide_m if stiff_n_m is None else stiff_n_m * high_m
    placed.append(Bar((crown, "ground"), stretch_n))
    ground = {"ground": (float(frame.nodes[crown, 0]), float(frame.nodes[0, 1]))}
    ties = tied(frame.nodes, _joints(work, bars), placed, ground)
    return replace(plain, frame=replace(frame, ties=ties), ties=(*plain.ties, ("prop", high_m)))


def prop_board(work: Work) -> Board:
    """What props are of. Raises: DesignError when there is none of that name."""
    name = work.design.strength.prop_board or PROPS[bow_tube(work).sold_in]
    return listed(work.catalogue.boards.get(name), "board", name, "strength.prop_board")


@dataclass(frozen=True, slots=True)
class _Weak:
    """Where a bow is weaker than its tube, from where to where, m of girth: at joints and corners, and at holes."""

    spliced: tuple[tuple[float, float], ...]
    drilled: tuple[tuple[float, float], ...]


@found
def _weak(work: Work) -> _Weak:
    """A lap is one all along; a ridge plate, an elbow, a bolt through the tubes leave no more than a joint does."""
    half = split_of(work).joint_m / 2
    joints = [girth_at(work, at_m) for at_m in split_of(work).joints_m]
    spliced = [(at_m - half, at_m + half) for at_m in joints]
    spliced += [(kink.s_m, kink.s_m) for kink in corners_of(work)]
    return _Weak(tuple(spliced), tuple((at_m, at_m) for at_m in _drilled(work)))


@found
def _places(work: Work) -> tuple[float, ...]:
    """Where along the bow something begins, ends or acts, m of girth, on its left half: what it can't do without
    first."""
    girth_m, weak = centre_line(work).girth_m, _weak(work)
    ends = [end for each in (*weak.spliced, *weak.drilled) for end in each]
    runs = [girth_at(work, run.at_m) for run in runs_of(work)]
    # Each on both sides, so that what comes from the right finds the bow that what comes from the left does.
    return (girth_m / 2, *(min(at_m, girth_m - at_m) for at_m in (*ends, *load_breaks(work), *runs)))


def _along_bow(work: Work, low: float, high: float, bars: "tuple[_Placed, ...]") -> NDArray[np.float64]:
    """Where its nodes are between two girths of a bow, m: the right half mirrors the left one."""
    girth_m = low + high
    met = [min(end, girth_m - end) for bar in bars for end in bar.ends if end is not None]
    left = divided(low, girth_m / 2, [*met, *_places(work)], BOW_PIECES // 2, _grown(work))
    return np.concatenate([left, girth_m - left[-2::-1]])


def _model(work: Work, out_m: float, ties: bool) -> Model:
    size, bow = work.design.size, centre_line(work)
    below_m, bars = out_m - work.design.posts.reveal_m, _bars(work) if ties else ()
    top_s, insertion_m = entry_of(work).post_top_s_m, work.design.bows.insertion_m
    along = _along_bow(work, top_s, bow.girth_m - top_s, bars)
    above, ground = bow.point(top_s), -below_m
    posts_m, edge = above[1] - ground, 0
    s_m = along
    if posts_m > 1e-6:
        # Below its post's top a bow goes on straight to the ground, as the post does.
        post = divided(top_s - posts_m, top_s, (top_s - insertion_m, *_places(work)), POST_PIECES)[:-1]
        s_m, edge = np.concatenate([post, along, bow.girth_m - post[::-1]]), len(post)
    cut = np.linspace(s_m[:-1], s_m[1:], PIECES + 1)[:-1].T.ravel()
    points = _points(bow, np.append(cut, s_m[-1]), top_s, posts_m, (-size.span_m / 2, ground))
    nodes, count = points[::PIECES], len(s_m) - 1
    which = np.zeros(count, dtype=int)
    which[:edge] = which[count - edge :] = 1
    own, post_own = sections_of(work)
    lapped = (which == 1) & (
        np.minimum(nodes[1:, 1], nodes[:-1, 1]) >= work.design.posts.reveal_m - insertion_m - NEAR_M
    )
    # Where bow and post lap, the stiffer of the two counts, for stiffness and for strength.
    if own.plastic_m3 > post_own.plastic_m3:
        which[lapped] = 0
    area, inertia, elastic = (
        np.where(which == 0, getattr(own, name), getattr(post_own, name))
        for name in ("area_m2", "inertia_m4", "elastic_pa")
    )
    weak = _weak(work)
    frame = Frame(
        nodes, area, inertia, elastic, (0, 1, 3 * count, 3 * count + 1), _tied(work, nodes, s_m, bars), leaning(points)
    )
    return Model(
        frame=frame,
        outline=outlined(work, nodes),
        fine=Fine(outlined(work, points), np.arange(0, PIECES * count, PIECES), frame.lengths),
        which=which,
        spliced=meeting(s_m, weak.spliced),
        drilled=meeting(s_m, weak.drilled),
        s_m=s_m,
        out_m=out_m,
        edge=edge,
        ties=tuple((bar.what, bar.long_m) for bar in bars),
    )


def _points(
    bow: Chain, s_m: NDArray[np.float64], top_s: float, posts_m: float, foot: tuple[float, float]
) -> NDArray[np.float64]:
    """(n, 2): places along a bow and its posts, m; beyond its post's top straight to the foot. Mirrored about its
    middle to the last bit."""
    half = s_m[: len(s_m) // 2 + 1]
    points = bow.points(half)
    if posts_m > 0:
        share = np.clip((top_s - half) / posts_m, 0.0, 1.0)[:, None]
        points = np.where(share > 0, np.array([bow.point(top_s)]) * (1 - share) + np.array([foot]) * share, points)
    points[-1, 0] = 0.0
    return np.concatenate([points, points[-2::-1] * np.array([-1.0, 1.0])])


@dataclass(frozen=True, slots=True)
class _Placed:
    """A bar of a bow: what it is, where along the bow each end is, m, None at the collar's middle; its length, m."""

    what: str
    ends: tuple[float | None, float | None]
    long_m: float


def _bars(work: Work) -> tuple[_Placed, ...]:
    """The bars that tie a bow; a collar that struts meet in its middle is two, a bar within a post none."""
    bow, found_ = centre_line(work), list[_Placed]()
    top_s = entry_of(work).post_top_s_m
    halves = work.design.braces.ties == "truss"
    for tie in ties_of(work):
        ends = [min(max(_along(bow, *end), top_s), bow.girth_m - top_s) for end in tie.ends]
        if tie.what != "strut" and abs(ends[0] - ends[1]) <= NEAR_M:
            continue
        if tie.what == "collar" and halves:
            found_ += [_Placed("collar", (end, None), tie.long_m / 2) for end in ends]
        elif tie.what == "strut":
            found_.append(_Placed("strut", (None, ends[1]), tie.long_m))
        else:
            found_.append(_Placed(tie.what, (ends[0], ends[1]), tie.long_m))
    return tuple(found_)


def _along(bow: Chain, x: float, y: float) -> float:
    """Where on the bow a place of it is, m of girth: of the two at its height the one on its side."""
    places = bow.at_y(y)
    return min(places, key=lambda s_m: abs(bow.point(s_m)[0] - x)) if places else bow.girth_m / 2


def _tied(work: Work, nodes: NDArray[np.float64], s_m: NDArray[np.float64], bars: tuple[_Placed, ...]) -> Ties | None:
    return tied(nodes, _joints(work, bars), _placed(work, s_m, bars)) if bars else None


def _placed(work: Work, s_m: NDArray[np.float64], bars: tuple[_Placed, ...]) -> list[Bar]:
    """Bars between the nodes that they meet."""
    stretch = tie_stretch_n(work) if bars else 0.0
    return [Bar((_node(bar.ends[0], s_m), _node(bar.ends[1], s_m)), stretch) for bar in bars]


def tie_stretch_n(work: Work) -> float:
    """E·A of a tie, N."""
    board = tie_board(work)
    if board is not None:
        return PROP_E_PA * board.thick_m * board.wide_m
    section = counted(work, brace_tube(work))
    return section.elastic_pa * section.area_m2


def _node(s_m: float | None, along: NDArray[np.float64]) -> int | str:
    """The node at a place along the bow, or the joint in the collar's middle."""
    return "middle" if s_m is None else int(np.abs(along - s_m).argmin())


def _joints(work: Work, bars: tuple[_Placed, ...]) -> dict[str, tuple[float, float]]:
    return {"middle": (0.0, work.design.braces.tie_m)} if any(None in bar.ends for bar in bars) else {}
