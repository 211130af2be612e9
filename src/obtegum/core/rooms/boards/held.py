"""What each line of boards is held by."""

from obtegum.core.findings.skeleton.held import NEAR, Hold, bows_hold, feet_hold
from obtegum.core.findings.work import Work
from obtegum.core.rooms.boards.found import Line, start_m

__all__ = ["holds_of"]


def holds_of(work: Work, line: Line, side: str) -> tuple[Hold, ...]:
    """Bows behind a hip board; what holds the feet's boards behind a lower one, and at its splices the bows where that
    is stakes."""
    if line.name == "hip":
        return bows_hold(work, side)
    holds = feet_hold(work, side)
    if work.design.posts.stand != "board":
        return holds
    spliced = [start_m(work) + high for _, high in line.pieces[:-1]]
    bows = (hold for hold in bows_hold(work, side) if any(abs(hold[0] - at_m) < NEAR for at_m in spliced))
    return tuple(sorted((*holds, *bows)))
