"""How far each bow stands out of plumb, of line and of square, and the straps that pull the frame true."""

from dataclasses import dataclass

import numpy as np

from obtegum.core.documents.plumb import BowStands, Check
from obtegum.core.findings.kept import found
from obtegum.core.findings.skeleton.bays import bays_of, starts_m
from obtegum.core.findings.work import Work
from obtegum.core.formulas.plumb_frame import Pull, pulls

__all__ = ["Leans", "lean_of", "leans_of", "missing", "slack_m", "straps_of", "worst_m"]


@dataclass(frozen=True, slots=True)
class Leans:
    """A bow as it stands, m: how far its crown leans to the back, how far its right shoulder is further back than its
    left one, and how far its crown is off the ridge's line to the right; None where that wasn't read."""

    bow: int
    lean_m: float | None
    twist_m: float | None
    rack_m: float | None

    @property
    def most_m(self) -> float:
        """The furthest that it is out in any of them."""
        return max((abs(each) for each in (self.lean_m, self.twist_m, self.rack_m) if each is not None), default=0.0)


def lean_of(work: Work, bow: int, told: BowStands) -> Leans:
    """What one bow's readings come to."""
    at_m = starts_m(work) + bays_of(work).stations_m[bow - 1]
    lean = None if told.crown_m is None else told.crown_m - at_m
    twist = None if told.left_m is None or told.right_m is None else told.right_m - told.left_m
    rack = None if told.gap_m is None else told.gap_m - work.design.plumb.block_m
    return Leans(bow, lean, twist, rack)


@found
def leans_of(work: Work) -> tuple[Leans, ...]:
    """Every bow of the house that was read, from the front."""
    bows = bays_of(work).bows
    told = sorted((int(name), each) for name, each in work.record.plumb.items() if int(name) <= bows)
    found_ = (lean_of(work, bow, each) for bow, each in told)
    return tuple(each for each in found_ if (each.lean_m, each.twist_m, each.rack_m) != (None, None, None))


def missing(work: Work) -> tuple[int, ...]:
    """Bows whose crown nobody has read yet."""
    read = {each.bow for each in leans_of(work) if each.lean_m is not None}
    return tuple(bow for bow in range(1, bays_of(work).bows + 1) if bow not in read)


def worst_m(work: Work) -> float:
    """The furthest that any bow is out, in any way, m."""
    return max((each.most_m for each in leans_of(work)), default=0.0)


@found
def straps_of(work: Work) -> tuple[Pull, ...]:
    """Which bows are strapped and pulled, in this order, by their places from 0; none until every crown was read."""
    if missing(work) or not leans_of(work):
        return ()
    out_m = np.array([each.lean_m for each in leans_of(work)], dtype=float)
    return tuple(pulls(out_m, work.design.plumb.follows, work.design.plumb.within_m))


def slack_m(work: Work, check: Check) -> float | None:
    """How much longer a run is than the frame as it stands where a check was read, from end bow to end bow, m."""
    plumb = work.record.plumb
    first, last = plumb.get("1"), plumb.get(str(bays_of(work).bows))
    if first is None or last is None:
        return None
    one, other = first.told(check), last.told(check)
    return None if one is None or other is None else bays_of(work).stations_m[-1] - (other - one)
