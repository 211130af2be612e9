"""What a post that is left where it strays does to the bays beside it."""

from collections.abc import Iterator

from obtegum.core.findings.skeleton.bays import bays_of
from obtegum.core.findings.skeleton.row import Deviation
from obtegum.core.findings.skeleton.stands import foot_of
from obtegum.core.findings.work import Work

__all__ = ["if_left"]


def if_left(work: Work, stray: Deviation) -> Iterator[str]:
    """Bays that are longer and shorter by it, and marks on every run."""
    if stray.along_m is None or abs(stray.along_m) <= work.rules.post_along_m:
        return
    stations = bays_of(work).stations_m
    here = stations[stray.bow - 1] + stray.along_m
    beside = [stations[place] for place in (stray.bow - 2, stray.bow) if 0 <= place < len(stations)]
    bays = " and ".join(work.say(abs(here - other)) for other in beside)
    yield f"the bays beside {foot_of(work)[0]} {stray.bow} measure {bays}"
    yield "marks on every run move with it"
