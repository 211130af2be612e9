"""The bow as a frame: from the ground of its foot up the post, along the bow, and down again."""

from dataclasses import dataclass, replace

import numpy as np
from numpy.typing import NDArray

from obtegum.core.catalogue import Board, Tube
from obtegum.core.found import found
from obtegum.core.frame.section import Section, round_section
from obtegum.core.frame.solve import Frame
from obtegum.core.frame.ties import Bar, Ties, tied
from obtegum.core.profile import Chain
from obtegum.core.rooms.bows.found import corners_of, girth_at, split_of
from obtegum.core.rooms.bows.tubes import bow_tube, post_tube
from obtegum.core.rooms.braces.places import brace_tube, drilled_m, tie_board, ties_of
from obtegum.core.rooms.level.found import stand_of
from obtegum.core.rooms.posts.found import entry_of
from obtegum.core.rooms.posts.ways import way_of
from obtegum.core.rooms.size.found import centre_line
from obtegum.core.trouble import DesignError, Trouble
from obtegum.core.weather.outline import Outline, outline_of
from obtegum.core.work import Work

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

# Elements of the bow above its posts, and of each post.
BOW_PIECES, POST_PIECES = 52, 4
# AISC 360-16 B4.2: wall of welded tube that is counted, of the wall by name; what was measured counts whole.
WELDED = 0.93
STRAIGHT = ("peaked", "kneed")
# What props are of where nobody told, and timber's modulus along its grain, Pa (NDS, the least of the usual ones).
PROPS, PROP_E_PA = {"feet": "board-4x4", "metric": "board-100x100mm"}, 8.96e9
# Posts that stand out by less than this more than others are looked at once, m.
ALIKE_M = 0.005


@dataclass(frozen=True, eq=False)
class Model:
    """A bow's frame and outline, the section of each element (0 the bow, 1 post or both), and where it is weaker than
    its tube: at its joints and corners, which brackets can bridge, and where it is drilled.

    ``s_m`` is how far along the bow's own tube each node lies, m; below nothing and beyond it on the posts. Its feet
    stand ``out_m`` over their ground. ``ties`` are what bars between its nodes are called, each with its length, m.
    """

    frame: Frame
    outline: Outline
    which: NDArray[np.int_]
    spliced: NDArray[np.bool_]
    drilled: NDArray[np.bool_]
    s_m: NDArray[np.float64]
    out_m: float
    ties: tuple[tuple[str, float], ...] = ()

    @property
    def jointed(self) -> NDArray[np.bool_]:
        """Where a joint or a hole leaves less than the tube's strength."""
        return self.spliced | self.drilled

    @property
    def edge(self) -> int:
        """Elements of each post."""
        return int((len(self.which) - BOW_PIECES) // 2)


def counted(work: Work, tube: Tube) -> Section:
    """A tube's section as it counts: its wall by its name less than that, what is taken off comes off its yield."""
    strength = work.design.strength
    whole = strength.wall == "measured" or tube.form == "bar"
    wall_m = tube.wall_m if whole else WELDED * tube.wall_m
    return round_section(tube.od_m, wall_m, tube.yield_pa * (1 - strength.less_share), tube.elastic_pa)


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


def _meeting(s_m: NDArray[np.float64], places: list[float]) -> NDArray[np.bool_]:
    """Which elements, between places along the bow, meet one of the others."""
    at, low, high = np.array(places), s_m[:-1, None], s_m[1:, None]
    return np.asarray(((at > low - 1e-9) & (at < high + 1e-9)).any(axis=1))


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
    along = np.array([]) if not bars else _snapped(work, bars)[1]
    edge, stretch = plain.edge, tie_stretch_n(work)
    placed = [Bar((_node(bar.ends[0], along, edge), _node(bar.ends[1], along, edge)), stretch) for bar in bars]
    stretch_n = PROP_E_PA * board.thick_m * board.wide_m if stiff_n_m is None else stiff_n_m * high_m
    placed.append(Bar((crown, "ground"), stretch_n))
    ground = {"ground": (float(frame.nodes[crown, 0]), float(frame.nodes[0, 1]))}
    ties = tied(frame.nodes, _joints(work, bars), placed, ground)
    return replace(plain, frame=replace(frame, ties=ties), ties=(*plain.ties, ("prop", high_m)))


def prop_board(work: Work) -> Board:
    """What props are of. Raises: DesignError when there is none of that name."""
    name = work.design.strength.prop_board or PROPS[bow_tube(work).sold_in]
    board = work.catalogue.boards.get(name)
    if board is None:
        raise DesignError(
            [Trouble(path="strength.prop_board", sentence=f"There is no board “{name}” in the catalogue.")]
        )
    return board


def _snapped(work: Work, bars: "tuple[_Placed, ...]") -> tuple[float, NDArray[np.float64]]:
    """Where the post's top is along the bow, and where nodes are, one of them where each bar meets the bow, m."""
    bow, top_s = centre_line(work), entry_of(work).post_top_s_m
    along = np.linspace(top_s, bow.girth_m - top_s, BOW_PIECES + 1)
    open_ = list(range(1, BOW_PIECES))
    for met_m in sorted({end for bar in bars for end in bar.ends if end is not None}):
        # What meets the post is taken to meet the bow at its top; no two bars take one node.
        if along[0] < met_m < along[-1]:
            nearest = min(open_, key=lambda place, at=met_m: abs(along[place] - at))  # type: ignore[misc]
            open_.remove(nearest)
            along[nearest] = met_m
    return top_s, np.sort(along)


def _model(work: Work, out_m: float, ties: bool) -> Model:
    size, bow = work.design.size, centre_line(work)
    below_m, bars = out_m - work.design.posts.reveal_m, _bars(work) if ties else ()
    top_s, along = _snapped(work, bars)
    above = np.array([bow.point(float(s_m)) for s_m in along])
    half, ground = size.span_m / 2, -below_m
    share = np.linspace(0.0, 1.0, POST_PIECES + 1)[:-1, None]
    left = np.array([[-half, ground]]) * (1 - share) + above[0] * share
    right = (np.array([[half, ground]]) * (1 - share) + above[-1] * share)[::-1]
    posts_m = above[0][1] - ground
    has_post = posts_m > 1e-6
    nodes = np.concatenate([left, above, right]) if has_post else above
    s_m = along
    if has_post:
        reach = np.linspace(posts_m, 0.0, POST_PIECES + 1)[:-1]
        s_m = np.concatenate([top_s - reach, along, bow.girth_m - top_s + reach[::-1]])
    count, edge = len(nodes) - 1, POST_PIECES if has_post else 0
    which = np.zeros(count, dtype=int)
    which[:edge] = which[count - edge :] = 1
    own, post = sections_of(work)
    insertion_m = work.design.bows.insertion_m
    lapped = (which == 1) & (np.minimum(nodes[1:, 1], nodes[:-1, 1]) >= work.design.posts.reveal_m - insertion_m - 1e-9)
    # Where bow and post lap, the stiffer of the two counts, for stiffness and for strength.
    if own.plastic_m3 > post.plastic_m3:
        which[lapped] = 0
    area = np.where(which == 0, own.area_m2, post.area_m2)
    inertia = np.where(which == 0, own.inertia_m4, post.inertia_m4)
    elastic = np.where(which == 0, own.elastic_pa, post.elastic_pa)
    # A ridge plate, an elbow, a bolt through the tubes leave no more than a joint does.
    joints = [girth_at(work, at_m) for at_m in split_of(work).joints_m]
    spliced = _meeting(s_m, [*joints, *(kink.s_m for kink in corners_of(work))])
    drilled = _meeting(s_m, _drilled(work))
    tied_by = _tied(work, nodes, along, edge, bars)
    frame = Frame(nodes, area, inertia, elastic, (0, 1, 3 * count, 3 * count + 1), tied_by)
    kind = size.shape.kind
    outline = outline_of(nodes, size.span_m, size.leg_m, size.height_m, kind in STRAIGHT, _ridged(work))
    return Model(frame, outline, which, spliced, drilled, s_m, out_m, tuple((bar.what, bar.long_m) for bar in bars))


def _ridged(work: Work) -> bool:
    """Whether two curves meet at a ridge."""
    shape = work.design.size.shape
    return shape.kind == "gothic" or (shape.kind == "sprung" and shape.ridge == "elbow")


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
        if tie.what != "strut" and ends[0] == ends[1]:
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


def _tied(
    work: Work, nodes: NDArray[np.float64], along: NDArray[np.float64], edge: int, bars: tuple[_Placed, ...]
) -> Ties | None:
    if not bars:
        return None
    stretch = tie_stretch_n(work)
    placed = [Bar((_node(bar.ends[0], along, edge), _node(bar.ends[1], along, edge)), stretch) for bar in bars]
    return tied(nodes, _joints(work, bars), placed)


def tie_stretch_n(work: Work) -> float:
    """E·A of a tie, N."""
    board = tie_board(work)
    if board is not None:
        return PROP_E_PA * board.thick_m * board.wide_m
    section = counted(work, brace_tube(work))
    return section.elastic_pa * section.area_m2


def _node(s_m: float | None, along: NDArray[np.float64], edge: int) -> int | str:
    """The node at a place along the bow, or the joint in the collar's middle."""
    return "middle" if s_m is None else edge + int(np.abs(along - s_m).argmin())


def _joints(work: Work, bars: tuple[_Placed, ...]) -> dict[str, tuple[float, float]]:
    return {"middle": (0.0, work.design.braces.tie_m)} if any(None in bar.ends for bar in bars) else {}
