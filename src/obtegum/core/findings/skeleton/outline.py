"""The end bow as it is, and what of the wall is decided: boards, tubes, places across."""

from obtegum.core.documents.ends import EndWall, Side
from obtegum.core.findings.kept import found
from obtegum.core.findings.skeleton.bays import bays_of
from obtegum.core.findings.skeleton.line import centre_line
from obtegum.core.findings.skeleton.row import BowBuilt, bows_built
from obtegum.core.findings.skeleton.tubes import bow_tube, told_or_usual
from obtegum.core.findings.work import Work
from obtegum.core.formulas.cut_to_curve import Cut, beside_m, cut_under, under_m
from obtegum.core.formulas.profile import Chain, ProfileError
from obtegum.core.values.catalogue import Board, Tube
from obtegum.core.values.trouble import DesignError, Trouble, listed

__all__ = [
    "as_built",
    "back_bow",
    "beside",
    "end_bow",
    "end_of",
    "filmed",
    "front_bow",
    "half_m",
    "planned_half_m",
    "planned_under",
    "refusal",
    "sizes",
    "stock_of",
    "stud_board",
    "stud_tube",
    "top_cut",
    "under",
]

USUAL = {"feet": "board-2x4", "metric": "board-47x100mm"}


def end_of(work: Work, side: Side) -> EndWall:
    """What is decided of an end."""
    ends = work.design.ends
    return ends.front if side == "front" else ends.back


def filmed(work: Work, side: Side) -> bool:
    """Whether an end is closed with film of its own."""
    own = work.design.cover.made == "apart" and not work.design.sheets.over_ends
    return own and end_of(work, side).kind != "open"


def as_built(work: Work, side: Side) -> BowBuilt | None:
    """The end bow between its posts as they were measured; None while they weren't."""
    number = 1 if side == "front" else bays_of(work).bows
    return next((each for each in bows_built(work) if each.bow == number and each.height_m is not None), None)


@found
def front_bow(work: Work) -> Chain:
    """Centre line of the first bow."""
    return _bow(work, "front")


@found
def back_bow(work: Work) -> Chain:
    """Centre line of the last bow."""
    return _bow(work, "back")


def end_bow(work: Work, side: Side) -> Chain:
    """Centre line of an end's bow: as wide as its posts stand apart where they were measured, else as planned."""
    return front_bow(work) if side == "front" else back_bow(work)


def _bow(work: Work, side: Side) -> Chain:
    built, shape = as_built(work, side), work.design.size.shape
    if built is None or built.height_m is None:
        return centre_line(work)
    try:
        return shape.model_copy(update=shape.as_high(built.span_m, built.height_m)).chain(built.span_m)
    except ProfileError:
        # So far off that the shape can't be: it is cut as planned, and the row says what is wrong.
        return centre_line(work)


def half_m(work: Work, side: Side) -> float:
    """From the middle of the end bow to the middle of its post, m."""
    bow = end_bow(work, side)
    return (bow.point(bow.girth_m)[0] - bow.point(0.0)[0]) / 2


def stud_board(work: Work, side: Side) -> Board:
    """What an end's sticks are of. Raises: DesignError when there is none of that name."""
    name = end_of(work, side).stud or USUAL[bow_tube(work).sold_in]
    return listed(work.catalogue.boards.get(name), "board", name, f"ends.{side}.stud")


def stud_tube(work: Work, side: Side) -> Tube | None:
    """The tube that an end's sticks are of; None where they are boards. Raises: DesignError when there is none of that
    name, or it is plastic."""
    end, path = end_of(work, side), f"ends.{side}.stud_tube"
    if end.stand != "tube":
        return None
    tube = told_or_usual(work, end.stud_tube, path)
    if tube.material != "steel":
        raise DesignError([Trouble(path=path, sentence="Studs of plastic pipe bend too far: steel, or boards.")])
    return tube


def stock_of(work: Work, side: Side) -> Board | Tube:
    """What an end's sticks are cut from."""
    return stud_tube(work, side) or stud_board(work, side)


def sizes(work: Work, side: Side) -> tuple[float, float]:
    """How wide a stick is in the wall, and how deep across it, m."""
    tube, board = stud_tube(work, side), stud_board(work, side)
    if tube is not None:
        return tube.od_m, tube.od_m
    narrow = end_of(work, side).stand == "edge"
    return (board.thick_m, board.wide_m) if narrow else (board.wide_m, board.thick_m)


def planned_half_m(work: Work) -> float:
    """From the middle of the house to the middle of its posts as planned, m."""
    return work.design.size.span_m / 2


def planned_under(work: Work, x: float) -> float | None:
    """How high the inner face of a bow is over a place across as planned, m; None where it isn't inside the bow."""
    return under_m(centre_line(work), bow_tube(work).od_m / 2, x)


def under(work: Work, side: Side, x: float) -> float | None:
    """How high the inner face of the end bow is over a place across, m; None where it isn't inside the bow."""
    return under_m(end_bow(work, side), bow_tube(work).od_m / 2, x)


def beside(work: Work, side: Side, y: float, right: bool) -> float | None:
    """How far across the inner face of the end bow is at a height, m; None over the bow."""
    return beside_m(end_bow(work, side), bow_tube(work).od_m / 2, y, 1 if right else -1)


def top_cut(work: Work, side: Side, x: float, wide_m: float, outer: bool = False) -> Cut | None:
    """The top of a plumb stick under the end bow, or at its outer face; None where there is no room."""
    return cut_under(end_bow(work, side), bow_tube(work).od_m / 2, x, wide_m, outer)


def refusal(path: str, sentence: str, nearest_m: float | None, work: Work) -> DesignError:
    """What can't be, in a sentence that ends in the nearest value that can, where one is known."""
    nearest = "" if nearest_m is None else work.say(nearest_m, "down")
    said = f"{sentence} {nearest}." if nearest else sentence
    return DesignError([Trouble(path=path, sentence=said, nearest_m=nearest_m, nearest=nearest or None)])
