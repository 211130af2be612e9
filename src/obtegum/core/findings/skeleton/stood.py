"""What each foot of each bow stands in or on, by its name."""

from collections.abc import Iterator
from itertools import pairwise

from obtegum.core.findings.skeleton.bays import pegs_of
from obtegum.core.findings.skeleton.posts import boards_of
from obtegum.core.findings.skeleton.tubes import bow_tube
from obtegum.core.findings.work import Work
from obtegum.core.formulas.setout.base import Peg

__all__ = ["stood_on"]


def stood_on(work: Work) -> Iterator[tuple[Peg, str]]:
    """Each foot with its post, socket or stub, or the board that it is strapped to."""
    if work.design.posts.stand != "board":
        yield from ((peg, f"post:{peg.side}{peg.bow}") for peg in pegs_of(work))
        return
    boards, half_m = boards_of(work), bow_tube(work).od_m / 2
    laid = list(pairwise((0.0, *boards.splices_m, boards.run_m)))
    for peg in pegs_of(work):
        at_m = peg.station_m + half_m
        number = next(number for number, (_, high) in enumerate(laid, start=1) if at_m <= high + 1e-9)
        yield peg, f"board:{peg.side}{number}"
