"""What a fitting takes up of the pipe that it joins: the usual sizes, or what was measured."""

from dataclasses import dataclass

from obtegum.core.findings.kept import found
from obtegum.core.findings.skeleton.tubes import bow_tube
from obtegum.core.findings.work import Work
from obtegum.core.values.catalogue import Fitting

__all__ = ["TakeUps", "is_glued", "take_ups", "usual_fitting"]


@dataclass(frozen=True, slots=True)
class TakeUps:
    """From a fitting's middle to the pipe's end, along the bow and along the house, and how deep a pipe goes in, m."""

    along_m: float
    branch_m: float
    socket_m: float


def usual_fitting(work: Work) -> Fitting | None:
    """The usual fitting of the bows' pipe; None where the catalogue has none."""
    return next((each for each in work.catalogue.fittings if bow_tube(work).id in each.tubes), None)


@found
def take_ups(work: Work) -> TakeUps | None:
    """What fittings take up; None where that isn't known for this pipe."""
    fittings, usual = work.design.fittings, usual_fitting(work)
    along = fittings.along_m or (usual.along_m if usual else None)
    branch = fittings.branch_m or (usual.branch_m if usual else None)
    socket = fittings.socket_m or (usual.socket_m if usual else None)
    if along is None or branch is None or socket is None:
        return None
    return TakeUps(along, branch, socket)


@found
def is_glued(work: Work) -> bool:
    """Whether bows and runs are glued into fittings whose sizes are known; bows of one's own pieces are not."""
    bought = work.design.bows.cut == "own" and bool(work.design.bows.own_pieces_m)
    return work.design.fittings.grid == "glued" and take_ups(work) is not None and not bought
