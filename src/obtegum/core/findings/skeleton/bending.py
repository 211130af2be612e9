"""What is bent, on which formers, and the bow as it comes out."""

from dataclasses import dataclass

from obtegum.core.findings.kept import found
from obtegum.core.findings.skeleton.bows import along_tube, girth_at, joint_made, split_of
from obtegum.core.findings.skeleton.line import centre_line
from obtegum.core.findings.skeleton.tubes import bow_tube, tube_tried
from obtegum.core.findings.work import Work
from obtegum.core.formulas.bows.as_bent import AsBent, as_bent
from obtegum.core.formulas.bows.bending import (
    Pulls,
    Trial,
    former_as_tried,
    former_for,
    free_radius,
    free_radius_as_tried,
    pulls_over,
    trial_radius,
)
from obtegum.core.formulas.bows.sticks import (
    Piece,
)
from obtegum.core.formulas.profile import Arc

__all__ = [
    "bend_kinds",
    "bends_of",
    "came_out_m",
    "came_out_of_each_m",
    "first_former_m",
    "formers_m",
    "is_formed",
    "made_bow",
    "make_up",
    "straight_m",
    "tails",
    "trial_of",
    "tried_this_tube",
]


SAME = 1e-6


@dataclass(frozen=True)
class Bend:
    """A bent stretch of the bow: where it starts, girth in m, and its arc."""

    start_m: float
    arc: Arc

    @property
    def end_m(self) -> float:
        return self.start_m + self.arc.length_m


@found
def bends_of(work: Work) -> tuple[Bend, ...]:
    """The bent stretches of the bow, from the left; none of pipe that is sprung, and straight again once it is out."""
    if work.design.size.shape.kind == "sprung":
        return ()
    starts = zip(centre_line(work).starts_m, centre_line(work).segments, strict=False)
    return tuple(Bend(start, segment) for start, segment in starts if isinstance(segment, Arc))


@found
def bend_kinds(work: Work) -> tuple[Arc, ...]:
    """One arc for each radius that is bent, from the left foot up to the crown."""
    found: list[Arc] = []
    for bend in bends_of(work):
        if all(abs(bend.arc.radius_m - each.radius_m) > 1e-9 for each in found):
            found.append(bend.arc)
    return tuple(found)


def _to_centre(work: Work, radius_m: float | None, taken_to: str = "") -> float | None:
    """Radius of a former to the tube's centre on it, m."""
    to_face = (taken_to or work.design.bending.former_to) == "face"
    return None if radius_m is None else radius_m + (bow_tube(work).od_m / 2 if to_face else 0.0)


def first_former_m(work: Work) -> float | None:
    """Radius of the former to the tube's centre on it, m, or None when it is made to suit."""
    return _to_centre(work, work.design.bending.former_m)


@found
def formers_m(work: Work) -> tuple[float | None, ...]:
    """The former of each bend kind, from the left foot up, to the tube's centre, m; None where it is made to suit.

    A bow of one radius has one; one of two has one for the shoulder and one for the crown.
    """
    both = (first_former_m(work), _to_centre(work, work.design.bending.crown_former_m))
    return both[: len(bend_kinds(work))]


@found
def tried_this_tube(work: Work) -> bool:
    """Whether what was tried was a bend of this tube, as far as it is known."""
    return work.record.trial.tube in ("", tube_tried(work.design))


@found
def trial_of(work: Work) -> Trial | None:
    """The bend that was tried on its own former; None before both its numbers were taped, or of another tube.

    A trial from before the former was kept with it counts for the one that is chosen.
    """
    taped = work.record.trial
    if taped.chord_m is None or taped.height_m is None or not tried_this_tube(work):
        return None
    radius_m = trial_radius(taped.chord_m, taped.height_m, bow_tube(work).od_m, taped.face)
    own = _to_centre(work, taped.former_m, taped.former_to) if taped.tube else first_former_m(work)
    former_m = own if own is not None and own < radius_m else None
    return None if radius_m <= 0 else Trial(radius_m, radius_m if former_m is None else former_m)


@found
def came_out_m(work: Work) -> float | None:
    """Radius that the first former leaves; None when it is made to suit, infinite when the tube takes no set."""
    return _leaves(work, first_former_m(work))


@found
def came_out_of_each_m(work: Work) -> tuple[float | None, ...]:
    """Radius that each bend kind's former leaves, m; None where the former is made to suit."""
    return tuple(_leaves(work, former_m) for former_m in formers_m(work))


def _leaves(work: Work, former_m: float | None) -> float | None:
    """Radius that a former leaves: as tried, else by springback."""
    if former_m is None:
        return None
    trial = trial_of(work)
    if trial is not None:
        return free_radius_as_tried(bow_tube(work), trial, former_m)
    return free_radius(bow_tube(work), former_m)


def tails(work: Work, piece: Piece) -> tuple[float, float]:
    """What stays straight at both ends of a stick, m: what the former can't grip, and what a joint takes in.

    One tube slides into another only where both are straight; a lap that is bolted is bent like the rest.
    """
    tail_m, first, last = work.design.bending.tail_m, split_of(work).pieces[0], split_of(work).pieces[-1]
    joint_m = 0.0 if joint_made(work).kind == "bolted" else joint_made(work).cover_m
    before = piece is not first and not piece.corner_before
    after = piece is not last and not piece.corner_after
    return max(tail_m, joint_m) if before else tail_m, max(tail_m, joint_m) if after else tail_m


@found
def straight_m(work: Work) -> list[tuple[float, float]]:
    """Stretches of girth at the ends of the sticks that stay straight, m, in order."""
    found = list[tuple[float, float]]()
    for piece in split_of(work).pieces:
        before_m, after_m = tails(work, piece)
        for low, high in ((piece.from_m, piece.from_m + before_m), (piece.to_m - after_m, piece.to_m)):
            low, high = girth_at(work, low), girth_at(work, high)
            if found and low <= found[-1][1]:
                found[-1] = (found[-1][0], max(high, found[-1][1]))
            else:
                found.append((low, high))
    return found


def is_formed(work: Work) -> bool:
    """Whether the bows are bent cold on a former; plastic pipe is not, nor what is sprung."""
    made, sprung = work.design.bows.making, work.design.size.shape.kind == "sprung"
    return made == "former" and bow_tube(work).material == "steel" and not sprung


@found
def made_bow(work: Work) -> AsBent:
    """The bow as it comes out: tails straight, bends of the radius that the former leaves.

    A former made to suit bends tighter than the plan, to make up for the tails.
    """
    size = work.design.size
    if size.shape.kind == "sprung":
        return AsBent(centre_line(work), size.span_m, size.height_m, 0.0)
    if not is_formed(work):
        return as_bent(centre_line(work), [])
    left = dict(zip((arc.radius_m for arc in bend_kinds(work)), came_out_of_each_m(work), strict=True))

    def kept(arc: Arc) -> float:
        radius_m, out_m = next(each for each in left.items() if abs(each[0] - arc.radius_m) <= 1e-9)
        return 1 / make_up(work) if out_m is None else radius_m / out_m

    return as_bent(centre_line(work), straight_m(work), kept)


@found
def make_up(work: Work) -> float:
    """Share of the planned radius to bend to, so that the bow turns as far as planned in spite of its tails."""
    total = sum(bend.arc.turn_rad for bend in bends_of(work))
    lost = 0.0
    for bend in bends_of(work):
        for low, high in straight_m(work):
            lost += max(min(high, bend.end_m) - max(low, bend.start_m), 0.0) / bend.arc.radius_m
    return max((total - lost) / total, 0.05) if total else 1.0


def bent_stretches(work: Work, piece: Piece) -> list[tuple[float, float, Arc]]:
    """What is bent of a stick, m from its plain end: the bends less the ends that stay straight."""
    (before_m, after_m), found = tails(work, piece), list[tuple[float, float, Arc]]()
    for bend in bends_of(work):
        low = max(along_tube(work, bend.start_m) - piece.from_m, before_m)
        high = min(along_tube(work, bend.end_m) - piece.from_m, piece.length_m - after_m)
        if high - low > SAME:
            found.append((low, high, bend.arc))
    return found


def pulls_of(work: Work, piece: Piece) -> list[tuple[float, Pulls, Arc]]:
    """Where the pulls of each bent stretch of a stick start, m from its plain end."""
    reach_m = work.design.bending.reach_m
    return [(low, pulls_over(high - low, reach_m), arc) for low, high, arc in bent_stretches(work, piece)]


def former_wanted(work: Work, arc: Arc) -> float:
    """Radius of the former that leaves an arc, to the tube's centre, m: by the trial, else by springback."""
    wanted_m, trial = arc.radius_m * make_up(work), trial_of(work)
    if trial is not None and trial.former_m < trial.radius_m:
        return former_as_tried(bow_tube(work), trial, wanted_m)
    return former_for(bow_tube(work), wanted_m)
