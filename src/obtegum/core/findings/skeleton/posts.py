"""How the bow meets its post, what the post has in the ground, and the boards along the feet."""

import math
from contextlib import suppress
from dataclasses import dataclass

from obtegum.core.findings.kept import found
from obtegum.core.findings.skeleton.bays import pegs_of
from obtegum.core.findings.skeleton.levels import stand_of
from obtegum.core.findings.skeleton.line import centre_line
from obtegum.core.findings.skeleton.stands import plumb_m, way_of
from obtegum.core.findings.skeleton.tubes import bow_tube, post_tube
from obtegum.core.findings.work import Work
from obtegum.core.formulas.end_to_end import lay
from obtegum.core.formulas.ground.posts import Entry, Play, bow_entry, socket_play
from obtegum.core.values.catalogue import Board
from obtegum.core.values.quantity import length_text
from obtegum.core.values.trouble import DesignError, Trouble, listed

__all__ = [
    "STRAPS",
    "Bare",
    "Boards",
    "bare_stub",
    "board_behind_m",
    "board_of",
    "boards_of",
    "cut_from",
    "embedment_m",
    "entry_of",
    "fewer_sticks",
    "hands_force",
    "leans_loose",
    "least_embedment_m",
    "play_of",
    "post_count",
    "rocks_to",
    "slop",
    "uneven",
]

# How much shorter a post can be cut for one more from its stick, m, before it is another post.
SHORTER_M = 0.0254
# Straps that hold a bow's end to its board.
STRAPS = 2


@found
def entry_of(work: Work) -> Entry:
    """How the bow meets its post's top. Raises: DesignError when the posts stand as high as the crown."""
    size, reveal_m = work.design.size, work.design.posts.reveal_m
    if reveal_m >= size.height_m:
        sentence = "The posts would stand as high as the crown. They must stay below"
        nearest = length_text(size.height_m, work.tape, "down")
        raise DesignError([Trouble(path="posts.reveal_m", sentence=f"{sentence} {nearest}.", nearest=nearest)])
    return bow_entry(centre_line(work), size.span_m, reveal_m)


@found
def play_of(work: Work) -> Play | None:
    """What the socket forgives; None where one tube doesn't go into the other.

    A bow that is strapped or lapped has no socket, and nothing that forgives.
    """
    insertion_m = work.design.bows.insertion_m
    if work.design.posts.stand == "stub":
        return socket_play(bow_tube(work).bore_m, post_tube(work).over_m, insertion_m)
    if not way_of(work).socketed:
        return Play(gap_m=0.0, offset_m=0.0, lean_rad=0.0)
    return socket_play(post_tube(work).bore_m, bow_tube(work).od_m, insertion_m)


def slop(work: Work) -> float:
    """How far the bow can rock in its socket or on its stub, as a share of what is well; nothing where it goes in
    nowhere, or is meant to be loose."""
    play = play_of(work)
    if play is None or leans_loose(work):
        return 0.0
    return play.lean_rad / rocks_to(work)


def rocks_to(work: Work) -> float:
    """How far a bow may rock in its socket or on its stub, rad."""
    plastic = bow_tube(work).material == "plastic"
    return work.rules.socket_lean_plastic_rad if plastic else work.rules.socket_lean_most_rad


@dataclass(frozen=True, slots=True)
class Bare:
    """Where a stub stands alone between the ground and the bow's end: how much of it, m, and how much of the bow's
    bending strength it has."""

    long_m: float
    share: float


@found
def bare_stub(work: Work) -> Bare | None:
    """What of a stub nothing goes over; None where the bow comes down to the ground, or stands otherwise."""
    posts, bow, stub = work.design.posts, bow_tube(work), post_tube(work)
    long_m = posts.reveal_m - work.design.bows.insertion_m
    if posts.stand != "stub" or long_m <= bow.od_m or "plastic" in (bow.material, stub.material):
        return None
    takes = [tube.yield_pa * (tube.od_m**3 - tube.bore_m**3) / 6 for tube in (stub, bow)]
    return Bare(long_m, takes[0] / takes[1])


def leans_loose(work: Work) -> bool:
    """Whether a pipe stands loose on what leans with it."""
    shape = work.design.size.shape
    return shape.kind == "sprung" and shape.feet == "loose"


def embedment_m(work: Work) -> float:
    """What a post has in the ground where that comes up to the datum, m."""
    return plumb_m(work) - work.design.posts.reveal_m


def least_embedment_m(work: Work) -> float:
    """What the post with the least of it in the ground has there, m, as far as levels were read."""
    stand = stand_of(work)
    return stand.weakest.embedment_m if stand else embedment_m(work)


def uneven(work: Work) -> bool:
    """Whether some posts stand further out of the ground than others, as the tape tells it."""
    return embedment_m(work) - least_embedment_m(work) >= work.tape.step_m / 2


def hands_force(work: Work, offset_m: float, lean_rad: float) -> tuple[float, float, float] | None:
    """How far a bow is worked into its post by hand: beyond the socket's play sideways, m, and in lean, rad.

    The third number is the share of what hands do of the two; above 1 it can't be. None where the bow goes
    in by itself, or with a pull that nobody speaks of. What this locks in wants the frame's analysis.
    """
    play = play_of(work)
    assert play is not None
    offset_beyond_m, lean_beyond_rad = play.beyond(offset_m, lean_rad)
    rules = work.rules
    if offset_beyond_m <= rules.hand_pulls_m and lean_beyond_rad <= rules.hand_leans_rad:
        return None
    share = max(offset_beyond_m / rules.hand_forces_m, lean_beyond_rad / rules.hand_forces_rad)
    return offset_beyond_m, lean_beyond_rad, share


@dataclass(frozen=True, slots=True)
class Boards:
    """The base boards of one long side: how many, and where two of them meet, m from the end of the first."""

    count: int
    run_m: float
    splices_m: tuple[float, ...]

    @property
    def stakes_m(self) -> tuple[float, ...]:
        """Where stakes stand: at both corners, and at every splice."""
        return (0.0, *self.splices_m, self.run_m)


@found
def board_of(work: Work) -> Board:
    """The board along the feet. Raises: DesignError when there is none of that name."""
    name = work.design.posts.board
    return listed(work.catalogue.boards.get(name), "board", name, "posts.board")


@found
def boards_of(work: Work) -> Boards:
    """The boards of a long side, from the outside of the first bow to the outside of the last, end to end: on posts
    two of them meet behind one, where they reach from post to post; stakes stand where they meet."""
    half_m, board_m = bow_tube(work).od_m / 2, work.design.posts.board_m
    run_m = work.design.size.length_m + 2 * half_m
    if work.design.posts.stand != "board":
        holds = sorted({peg.station_m + half_m for peg in pegs_of(work)})
        with suppress(ValueError):
            laid = lay(run_m, board_m, 0.0, holds, "behind", board_m)
            return Boards(len(laid), run_m, tuple(high for _, high in laid[:-1]))
    count = max(math.ceil(run_m / board_m - 1e-9), 1)
    return Boards(count, run_m, tuple(place * board_m for place in range(1, count)))


def board_behind_m(work: Work) -> float:
    """How far the inner face of the boards along the feet is from the middle of a bow's foot, m: they lie against the
    outside of what is thicker there."""
    own = work.design.posts.stand in ("board", "curve")
    return (bow_tube(work).od_m if own else max(post_tube(work).od_m, bow_tube(work).od_m)) / 2


def post_count(work: Work) -> int:
    """What stands in the ground: two to a bow, or the stakes of both boards."""
    return 2 * len(boards_of(work).stakes_m) if work.design.posts.stand == "board" else len(pegs_of(work))


@dataclass(frozen=True)
class Fewer:
    """One more from each stick if each is a little shorter: how long each is then, m, how many a stick makes, and the
    sticks."""

    length_m: float
    each: int
    sticks: int


def fewer_sticks(work: Work, stock_m: float) -> Fewer | None:
    """What the saw's cuts cost where one more would all but come from a stick; None where none would."""
    each, sticks = cut_from(work, stock_m)
    fewer = -(-post_count(work) // (each + 1))
    length_m = (stock_m - each * work.rules.kerf_m) / (each + 1)
    if work.design.posts.length_m - length_m > SHORTER_M or fewer >= sticks:
        return None
    return Fewer(length_m, each + 1, fewer)


def cut_from(work: Work, stock_m: float) -> tuple[int, int]:
    """How many are cut from a stick, a kerf between each, and the sticks that all take."""
    kerf_m = work.rules.kerf_m
    each = max(math.floor((stock_m + kerf_m) / (work.design.posts.length_m + kerf_m) + 1e-9), 1)
    return each, -(-post_count(work) // each)
