"""Too little in the ground."""

from collections.abc import Iterator

from obtegum.core.drawing.verdict import Verdict
from obtegum.core.face.edit import COMFORT, Cure, Edits, chosen, lengthened, up
from obtegum.core.findings.skeleton.levels import stand_of
from obtegum.core.findings.work import Work

__all__ = ["CURES"]


def _embedment(work: Work, verdict: Verdict) -> Iterator[Edits]:
    """Longer posts, tops that fall with the ground, and three ways to move the ground."""
    stand, level = stand_of(work), work.design.level
    if stand is None:
        return
    lacking_m = level.least_in_ground_m - stand.weakest.embedment_m
    for share in (1.0, COMFORT):
        longer_m = work.design.posts.length_m + lacking_m + level.least_in_ground_m * (1 / share - 1)
        yield (lengthened("posts.length_m", up(work, longer_m)),)
    if level.tops == "level":
        yield (chosen("level.tops", "fall"),)
    yield from ((chosen("pad.kind", kind),) for kind in ("regrade", "raise") if work.design.pad.kind != kind)


CURES: dict[str, Cure] = {"embedment": _embedment}
