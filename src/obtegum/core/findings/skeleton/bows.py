"""The tube of a bow, its corners, and the sticks that it is made of."""

from obtegum.core.documents.house import HouseDesign
from obtegum.core.documents.numbers import misfit
from obtegum.core.documents.reading import limit_of
from obtegum.core.findings.kept import found
from obtegum.core.findings.skeleton.bays import bays_of
from obtegum.core.findings.skeleton.fittings import is_glued, take_ups
from obtegum.core.findings.skeleton.line import centre_line
from obtegum.core.findings.skeleton.posts import entry_of
from obtegum.core.findings.skeleton.shapes import height_for_girth
from obtegum.core.findings.skeleton.tubes import bow_tube
from obtegum.core.findings.work import Work
from obtegum.core.formulas.bows.sticks import (
    MOST_STICKS,
    Joint,
    Split,
    joint_of,
    split_own,
    split_runs,
    sticks_for_house,
    sticks_needed,
)
from obtegum.core.formulas.ground.posts import Entry
from obtegum.core.formulas.profile import Chain, Kink
from obtegum.core.values.trouble import DesignError, Trouble

__all__ = [
    "along_tube",
    "bow_at",
    "corners_of",
    "fitted",
    "girth_at",
    "girth_of",
    "joint_made",
    "left_over_m",
    "on_bow",
    "own_pieces",
    "pieces_alike",
    "pieces_height_m",
    "pieces_tube_m",
    "run_ends",
    "runs_words",
    "split_of",
    "stick_at",
    "stick_count",
    "sticks_at",
    "tube_m",
    "uncut_height_m",
    "whole_height_m",
    "whole_tube_m",
]


LEG, HEIGHT = "size.shape.leg_m", "size.shape.height_m"
NOTHING_LEFT = "The fittings take up all of the pipe between two of them: fewer runs, or smaller fittings."


@found
def tube_m(work: Work) -> float:
    """Tube of a bow, sockets in, m."""
    return centre_line(work).girth_m - 2 * entry_of(work).post_top_s_m + 2 * work.design.bows.insertion_m


@found
def joint_made(work: Work) -> Joint:
    """How two sticks are joined; pipe that is glued into fittings by glued couplings."""
    takes = take_ups(work)
    if is_glued(work) and takes is not None:
        return joint_of("coupler", 2 * takes.socket_m)
    return joint_of(work.design.bows.joint, work.design.bows.joint_m)


@found
def split_of(work: Work) -> Split:
    """The sticks of a bow. Raises: DesignError when there would be more than can be joined."""
    own = own_pieces(work)
    if own:
        if len(own) % (len(run_ends(work)) + 1):
            raise DesignError([Trouble(path="bows.own_pieces_m", sentence=runs_words(work))])
        return split_own(own, len(run_ends(work)) + 1, joint_made(work))
    stick_m, overlap_m, rules = work.design.bows.stick_m, joint_made(work).overlap_m, work.rules
    count = sticks_needed(tube_m(work), stick_m, overlap_m)
    if count > MOST_STICKS:
        least_m = (tube_m(work) + (MOST_STICKS - 1) * overlap_m) / MOST_STICKS
        sentence = f"That makes {count} sticks a bow, and more than {MOST_STICKS} can't be joined well. The least is"
        raise DesignError([misfit("bows.stick_m", sentence, least_m, work.tape, "up")])
    try:
        return split_runs(
            tube_m(work),
            run_ends(work),
            stick_m,
            overlap_m,
            rules.piece_least_m,
            rules.joint_off_crown_share,
            [takes_m for _, takes_m in fitted(work)],
        )
    except ValueError:
        raise DesignError([Trouble(path="fittings.along_m", sentence=NOTHING_LEFT)]) from None


def run_ends(work: Work) -> list[float]:
    """Where along the tube of a bow one run of sticks ends and another begins, m: its corners, fittings, a plated
    crown."""
    return [at_m for at_m, _ in fitted(work)]


@found
def fitted(work: Work) -> list[tuple[float, float]]:
    """The same places with what stands there takes up of the tube, on either side, m: fittings do."""
    shape, middle_m = work.design.size.shape, tube_m(work) / 2
    arm_m = shape.arm_m if shape.kind == "sprung" and shape.ridge != "through" else 0.0
    found_ = {along_tube(work, kink.s_m): arm_m for kink in corners_of(work)}
    if shape.kind == "sprung" and shape.ridge == "tee":
        found_[middle_m] = arm_m
    if (joint_made(work).kind == "crown_plate" or _by_halves(work)) and not found_:
        found_[middle_m] = 0.0
    if is_glued(work):
        # Where runs lie hangs on the bow, and what is cut of the bow on where they lie.
        from obtegum.core.findings.skeleton.runs import runs_of

        takes = take_ups(work)
        assert takes is not None
        for run in runs_of(work):
            if all(abs(run.at_m - at_m) > takes.along_m for at_m in found_):
                found_[run.at_m] = takes.along_m
    return sorted(found_.items())


def _by_halves(work: Work) -> bool:
    """Whether plastic pipe is bent hot over a form for half a bow, and joined at the crown."""
    hot = work.design.strength.plastic == "heated" and bow_tube(work).material == "plastic"
    return hot and work.design.bending.by == "halves" and work.design.size.shape.kind != "sprung"


@found
def stick_count(work: Work) -> int:
    """Sticks for all bows, or pieces where they are bought bent."""
    if own_pieces(work):
        return len(own_pieces(work)) * bays_of(work).bows
    return sticks_for_house(split_of(work), bays_of(work).bows, joint_made(work).kind, work.rules.kerf_m)


def on_bow(work: Work, tube_m: float) -> tuple[float, float]:
    """A place of a bow's tube, m from its left end: across and up, m. One that goes deeper than the line's own foot
    stands plumb there."""
    bow, s_m = centre_line(work), girth_at(work, tube_m)
    x, y = bow.point(min(max(s_m, 0.0), bow.girth_m))
    return x, y + min(s_m, 0.0) - max(s_m - bow.girth_m, 0.0)


def stick_at(work: Work, at_m: float) -> str:
    """The name of the stick that a place of a bow's tube, m from its left end, is on: the first of two in a joint."""
    pieces = split_of(work).pieces
    return next((piece.name for piece in pieces if at_m <= piece.to_m + 1e-9), pieces[-1].name)


def bow_at(work: Work, bow: int, side: str, up_m: float) -> str:
    """The stick of a bow that is so high over the datum, m, on a side."""
    at_m = along_tube(work, min(centre_line(work).at_y(up_m), default=0.0))
    return f"bow:{bow}:{stick_at(work, at_m if side == 'L' else tube_m(work) - at_m)}"


def sticks_at(work: Work, at_m: float) -> tuple[str, str]:
    """The names of the sticks that meet at a place of a bow's tube, m from its left end."""
    # A fitting takes up some of the tube beside its place, and a lap some on both sides: middles tell which is which.
    pieces = split_of(work).pieces
    after = next(at for at, piece in enumerate(pieces) if piece.from_m + piece.to_m > 2 * at_m)
    return pieces[after - 1].name, pieces[after].name


@found
def uncut_height_m(work: Work) -> float | None:
    """Height of the crown if the sticks of a bow were used whole, m; None where no height takes them up."""
    return whole_height_m(work, len(split_of(work).pieces))


def whole_height_m(work: Work, sticks: int) -> float | None:
    """Height of the crown that takes up so many whole sticks a bow, m; None where none does.

    n sticks over r runs between corners make n·L − (n − r)·j of tube.
    """
    return None if sticks % (len(run_ends(work)) + 1) else height_taking(work, whole_tube_m(work, sticks))


def whole_tube_m(work: Work, sticks: int) -> float:
    """Tube of a bow that so many whole sticks make, joined, with what fittings take up, m."""
    taken_m = 2 * sum(takes_m for _, takes_m in fitted(work))
    overlaps_m = (sticks - len(run_ends(work)) - 1) * joint_made(work).overlap_m
    return sticks * work.design.bows.stick_m - overlaps_m + taken_m


@found
def own_pieces(work: Work) -> tuple[float, ...]:
    """The pieces of a bow that is bought bent, m; none where bows are made here, or their pieces aren't known."""
    bows = work.design.bows
    return bows.own_pieces_m if bows.cut == "own" else ()


def pieces_alike(work: Work) -> bool:
    """Whether the bought pieces of a bow can be shared out over its runs between corners, both sides alike."""
    pieces, runs = own_pieces(work), len(run_ends(work)) + 1
    half = len(pieces) // 2
    alike = abs(sum(pieces[:half]) - sum(pieces[len(pieces) - half :])) <= 1e-9
    return len(pieces) % runs == 0 and (runs == 1 or alike)


def pieces_height_m(work: Work) -> float | None:
    """Height of the crown that the bought pieces of a bow make, m; None where they make no house of this shape."""
    return height_taking(work, pieces_tube_m(work)) if pieces_alike(work) else None


def runs_words(work: Work) -> str:
    """What pieces a bow with corners is made of."""
    runs = len(run_ends(work)) + 1
    return f"A bow of this shape is {runs} runs between corners: as many pieces in each, both sides alike."


def pieces_tube_m(work: Work) -> float:
    """Tube that the bought pieces of a bow make, joined, m."""
    pieces, runs = own_pieces(work), len(run_ends(work)) + 1
    return sum(pieces) - (len(pieces) - runs) * joint_made(work).overlap_m


def girth_of(work: Work, tube_m: float) -> float:
    """Girth from ground to ground of a bow of so much tube that is plumb in what it stands in, or reaches down over its
    stubs, m."""
    shape = work.design.size.shape
    if shape.kind == "sprung" and shape.feet == "loose" and work.design.posts.stand == "stub":
        return tube_m
    return tube_m + 2 * work.design.posts.reveal_m - 2 * work.design.bows.insertion_m


def height_taking(work: Work, tube_m: float) -> float | None:
    """Height of the crown that takes up so much tube at this width, m; None where none does."""
    size, reveal_m = work.design.size, work.design.posts.reveal_m
    height_m = height_for_girth(size.shape, size.span_m, girth_of(work, tube_m))
    if height_m is None:
        return None
    # Half a circle takes them up in its legs. A leg that ends inside its post is none that could be bent.
    leg_m = height_m - size.span_m / 2 if size.shape.kind == "round_on_legs" else size.leg_m
    if size.shape.kind == "sprung":
        return height_m
    most = {path: limit.most for path in (LEG, HEIGHT) if (limit := limit_of(path)) is not None}
    return height_m if reveal_m - 1e-9 <= leg_m <= most[LEG] and height_m <= most[HEIGHT] else None


def left_over_m(work: Work) -> float:
    """Left over from all sticks of the house, m."""
    if own_pieces(work):
        return 0.0
    return stick_count(work) * split_of(work).stick_m - bays_of(work).bows * split_of(work).cut_m


@found
def corners_of(work: Work) -> list[Kink]:
    """Corners that no bent tube makes: a ridge, elbows; from the left foot."""
    return _corners(work.design, centre_line(work), entry_of(work))


def along_tube(work: Work, s_m: float) -> float:
    """Distance along the bow's tube of a girth, m."""
    return s_m - entry_of(work).post_top_s_m + work.design.bows.insertion_m


def girth_at(work: Work, tube_m: float) -> float:
    """Girth of a distance along the bow's tube, m; inverse of `along_tube`."""
    return tube_m - work.design.bows.insertion_m + entry_of(work).post_top_s_m


# Shapes that meet at corners: a ridge, and where straight pieces join.
ANGULAR = ("gothic", "peaked", "kneed")


def _corners(design: HouseDesign, bow: Chain, entry: Entry) -> list[Kink]:
    """A ridge and the elbows of straight pieces, above the post tops. Bent tube has none of its own."""
    kind = design.size.shape.kind
    if kind == "sprung":
        return [each for each in bow.kinks if abs(each.s_m - bow.girth_m / 2) < 1e-7]
    if kind not in ANGULAR:
        return []
    top_m, middle_m = entry.post_top_s_m, bow.girth_m / 2
    above = [kink for kink in bow.kinks if top_m + 1e-7 < kink.s_m < bow.girth_m - top_m - 1e-7]
    return above if kind == "kneed" else [kink for kink in above if abs(kink.s_m - middle_m) < 1e-7]
