"""Where boards are spliced, on what, and how long the bolts are that go through board and bow."""

import math
from dataclasses import dataclass

from obtegum.core.findings.kept import found
from obtegum.core.findings.skeleton.bays import bays_of
from obtegum.core.findings.skeleton.bolts import next_bolt_m
from obtegum.core.findings.skeleton.levels import stand_of
from obtegum.core.findings.skeleton.line import centre_line
from obtegum.core.findings.skeleton.posts import board_behind_m, board_of
from obtegum.core.findings.skeleton.runs import stood_m
from obtegum.core.findings.skeleton.stands import boarded
from obtegum.core.findings.skeleton.tubes import bow_tube, post_tube
from obtegum.core.findings.work import Work
from obtegum.core.formulas.anchor.links import stack_m
from obtegum.core.formulas.end_to_end import lay
from obtegum.core.rooms.boards import words
from obtegum.core.values.catalogue import Board
from obtegum.core.values.trouble import DesignError, Trouble, listed

__all__ = [
    "Line",
    "base_out_m",
    "base_takes_m",
    "bolt_long_m",
    "bolt_takes_m",
    "bows_at_m",
    "dig_fill_m",
    "hip_board",
    "hip_laid",
    "hip_place",
    "lines_of",
    "opens_m",
    "start_m",
]

USUAL = {"feet": "board-2x6", "metric": "board-47x150mm"}


@dataclass(frozen=True, slots=True)
class Line:
    """Boards end to end along a side: its name, what they are, how high their middle is, where each begins and ends,
    m from the front face of the end bow, which is over what it stands past it."""

    name: str
    words: str
    up_m: float
    wide_m: float
    stock: str
    pieces: tuple[tuple[float, float], ...]


@found
def hip_board(work: Work) -> Board:
    """What hip boards are made of. Raises: DesignError when there is none of that name."""
    name = work.design.boards.board or USUAL[bow_tube(work).sold_in]
    return listed(work.catalogue.boards.get(name), "board", name, "boards.board")


def start_m(work: Work) -> float:
    """Where lines of boards begin, m along the house: at the front face of the end bow, or past it."""
    return stood_m(work)[0] - bow_tube(work).od_m / 2 - work.design.boards.over_m


def bows_at_m(work: Work) -> tuple[float, ...]:
    """Where the bows' middles are along a line of boards, m from its front end."""
    return tuple(station - start_m(work) for station in stood_m(work))


def base_out_m(work: Work) -> float:
    """How far out of the house's middle line the middle of a board along the feet is, m."""
    return work.design.size.span_m / 2 + board_behind_m(work) + board_of(work).thick_m / 2


@found
def lines_of(work: Work) -> tuple[Line, ...]:
    """Every line of boards of one side besides the upper base board, which stands with the posts.

    Raises: DesignError where a splice would have nothing behind it, or a bolt doesn't reach.
    """
    boards, half_m = work.design.boards, bow_tube(work).od_m / 2
    holds = bows_at_m(work)
    long_m = holds[-1] + half_m + boards.over_m
    found_ = list[Line]()
    if boards.hip == "board":
        board = hip_board(work)
        laid = _laid(work, "boards.board_m", long_m, boards.board_m, holds, boards.board_m)
        found_.append(Line("hip", "hip board", boards.hip_m, board.wide_m, board.id, laid))
        _reaches(work)
    if boards.high == "two" and boarded(work):
        board, posts = board_of(work), work.design.posts
        # The lower one's splices lie under the middles of the upper one's.
        laid = _laid(work, "posts.board_m", long_m, posts.board_m, holds, posts.board_m / 2)
        up_m = posts.reveal_m - 1.5 * board.wide_m
        found_.append(Line("lower", "lower base board", up_m, board.wide_m, board.id, laid))
    return tuple(found_)


def _laid(
    work: Work, path: str, long_m: float, board_m: float, holds: tuple[float, ...], first_m: float
) -> tuple[tuple[float, float], ...]:
    try:
        return tuple(lay(long_m, board_m, 0.0, holds, "behind", first_m))
    except ValueError:
        least_m = bays_of(work).bay_m + bow_tube(work).od_m
        nearest = work.say(least_m, "up")
        sentence = words.no_bow_behind(nearest)
        raise DesignError([Trouble(path=path, sentence=sentence, nearest_m=least_m, nearest=nearest)]) from None


def bolt_takes_m(work: Work) -> float:
    """What a bolt through hip board and bow takes, m: both, two washers, the nut and a few threads."""
    return stack_m(hip_board(work).thick_m + bow_tube(work).od_m, work.design.boards.bolt_m)


def base_takes_m(work: Work) -> float:
    """What a bolt through a base board and what it is held to (post, stub, stake or bow) takes, m."""
    tube = bow_tube(work) if work.design.posts.stand == "curve" else post_tube(work)
    return stack_m(board_of(work).thick_m + tube.over_m, work.design.boards.bolt_m)


def bolt_long_m(work: Work) -> float:
    """The bolt to buy, m: as told, or the next length that they come in."""
    chosen_m = work.design.boards.bolt_long_m
    return chosen_m if chosen_m is not None else next_bolt_m(work, bolt_takes_m(work))


def _reaches(work: Work) -> None:
    bolt_long_m, takes_m = work.design.boards.bolt_long_m, bolt_takes_m(work)
    if bolt_long_m is not None and bolt_long_m < takes_m - 1e-9:
        nearest = work.tube(takes_m, "up")
        sentence = words.bolt_too_short(nearest)
        raise DesignError([Trouble(path="boards.bolt_long_m", sentence=sentence, nearest_m=takes_m, nearest=nearest)])


def hip_laid(work: Work, side: str) -> list[tuple[float, float, str]]:
    """The hip boards of a side from the front: from and to along the house, m, and their names."""
    begins_m = start_m(work)
    return [
        (begins_m + low, begins_m + high, f"hip:{side}{number}")
        for line in lines_of(work)
        if line.name == "hip"
        for number, (low, high) in enumerate(line.pieces, start=1)
    ]


def hip_place(work: Work) -> tuple[float, float]:
    """Where the left hip board's middle lies, across and up, m: plumb, against the outer face of the bow."""
    bow, up_m = centre_line(work), work.design.boards.hip_m
    s_m = bow.at_y(up_m)[0]
    x, _ = bow.point(s_m)
    # A plumb board touches a leaning tube beside its middle: half the tube over the sine of its lean.
    steep = max(abs(math.sin(bow.heading(s_m))), 0.2)
    return x - bow_tube(work).od_m / 2 / steep - hip_board(work).thick_m / 2, up_m


def opens_m(work: Work) -> float:
    """How high the side opens, m: from what closes it below to the hip board's lower edge."""
    low_m = work.design.posts.reveal_m if boarded(work) else 0.0
    return work.design.boards.hip_m - hip_board(work).wide_m / 2 - low_m


def dig_fill_m(work: Work) -> tuple[float, float] | None:
    """How far ground stands over the lowest board's lower edge, and lies below it, at the most, m; None while nobody
    read it, or no board lies along the feet."""
    stand = stand_of(work)
    if stand is None or not boarded(work):
        return None
    rows = 2 if work.design.boards.high == "two" else 1
    low_m = work.design.posts.reveal_m - rows * board_of(work).wide_m
    over = [height - stand.datum.at(stand.places[name][0]) - low_m for name, height in stand.heights.items()]
    return max(max(over), 0.0), max(-min(over), 0.0)
