"""Every fitting of the frame, what is cut between them, which joints stay dry, and pipes that fit one another."""

import math
from dataclasses import dataclass
from typing import Literal

from obtegum.core.findings.kept import found
from obtegum.core.findings.skeleton.bays import bays_of
from obtegum.core.findings.skeleton.bows import fitted, split_of
from obtegum.core.findings.skeleton.fittings import is_glued, take_ups
from obtegum.core.findings.skeleton.runs import pieces_of, runs_of
from obtegum.core.findings.skeleton.tubes import all_tubes, bow_tube
from obtegum.core.findings.work import Work
from obtegum.core.values.catalogue import Tube

__all__ = [
    "COLDEST_C",
    "Fits",
    "cure_of",
    "dry_at",
    "dry_count",
    "fits_of",
    "joint_l",
    "kinds",
    "sections_of",
    "shortest_m",
]

# How much larger or smaller than a pipe another may be to be told of, m, and the play that slides, and that rattles
# (this bench); how much a clamp cut from the next size is sprung open by, of the pipe, at the least and the most.
NEAR_M, SLIDES_M, RATTLES_M = 0.0055, 0.0003, 0.003
GRIPS, SPLITS = 0.005, 0.08
# What cement takes to be handled and to be as strong as it gets, by how cold it is: °C, minutes, hours; as makers
# usually print for pipe to 2 in; below the last it isn't glued.
CURES = ((16.0, 15.0, 6.0), (4.0, 20.0, 12.0), (-18.0, 30.0, 48.0))
COLDEST_C = 4.0
SAME = 1e-6


def sections_of(work: Work) -> list[tuple[int, int]]:
    """The first and last bow of each section, from the front."""
    bows, each = bays_of(work).bows, work.design.fittings.section
    if work.design.fittings.dry == "none":
        return [(1, bows)]
    return [(first, min(first + each - 1, bows)) for first in range(1, bows + 1, each)]


def dry_at(work: Work, bay: int) -> Literal["", "front", "back"]:
    """Which end of the runs' pieces in a bay, by its number from the front, stays dry."""
    dry = work.design.fittings.dry
    between = any(last == bay for _, last in sections_of(work)[:-1])
    return dry if between and dry != "none" else ""


def dry_count(work: Work) -> int:
    """Ends of runs' pieces that stay dry, so that the house comes apart in sections."""
    return sum(bool(dry_at(work, bay)) for bay in range(1, bays_of(work).bows)) * len(runs_of(work))


@found
def shortest_m(work: Work) -> float:
    """The shortest piece that two fittings share, of bows and of runs, m."""
    pieces = [piece.length_m for piece in split_of(work).pieces]
    return min([*pieces, *(piece.length_m for piece in pieces_of(work))])


def cure_of(glue_c: float) -> tuple[float, float]:
    """Minutes until it may be handled, hours until it is as strong as it gets, so cold."""
    for least_c, minutes, hours in CURES:
        if glue_c >= least_c:
            return minutes, hours
    return CURES[-1][1:]


Kind = Literal["inside", "over", "clamp"]


@dataclass(frozen=True, slots=True)
class Fits:
    """How another pipe goes with the bows': inside it, over it with a play, m, or cut to a clamp that grips it, m."""

    tube: Tube
    kind: Kind
    by_m: float

    @property
    def good(self) -> bool:
        """Whether it slides without rattling, or grips without splitting."""
        return self.kind == "clamp" or SLIDES_M <= self.by_m <= RATTLES_M


@found
def fits_of(work: Work) -> tuple[Fits, ...]:
    """Pipes that go into the bows' pipe, over it, or grip it when slit: the closest of each first, by true sizes."""
    own, found_ = bow_tube(work), list[Fits]()
    for tube in all_tubes(work):
        if tube.id == own.id or tube.sold_in != own.sold_in:
            continue
        inside, over = own.bore_m - tube.od_m, tube.bore_m - own.od_m
        if 0 < inside <= NEAR_M:
            found_.append(Fits(tube, "inside", inside))
        elif 0 < over <= NEAR_M:
            found_.append(Fits(tube, "over", over))
        elif tube.material == "plastic" and GRIPS * own.od_m <= -over <= SPLITS * own.od_m and tube.od_m > own.od_m:
            found_.append(Fits(tube, "clamp", -over))
    return tuple(sorted(found_, key=lambda each: (("inside", "over", "clamp").index(each.kind), each.by_m)))


def kinds(work: Work) -> list[tuple[str, float, float]]:
    """Each fitting along a bow: what it is on a bow within, where, m along the tube, and what it takes up, m."""
    runs = {round(run.at_m, 6): run for run in runs_of(work)} if is_glued(work) else {}
    told = []
    for at_m, takes_m in fitted(work):
        run = next((each for place, each in runs.items() if abs(place - at_m) < SAME), None)
        if takes_m > 0:
            told.append((f"cross, {run.words}" if run else "ridge fitting", at_m, takes_m))
    return told


# How thick cement is on pipe and in its socket each, m: about what makers print (this bench).
GLUE_M = 0.0008


def joint_l(work: Work) -> float:
    """Cement for a joint, litres, on pipe and in its socket."""
    takes = take_ups(work)
    return math.pi * bow_tube(work).od_m * takes.socket_m * GLUE_M * 2 * 1000 if takes is not None else 0.0
