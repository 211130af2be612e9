"""Beds that an arm doesn’t reach across."""

from collections.abc import Iterator

from obtegum.core.drawing.verdict import Verdict
from obtegum.core.face.edit import COMFORT, Cure, Edits, chosen, down, lengthened, up
from obtegum.core.findings.work import Work
from obtegum.core.rooms.inside.found import layout_of

__all__ = ["CURES"]


def _reach(work: Work, verdict: Verdict) -> Iterator[Edits]:
    """Narrower beds, or paths along the walls so that each bed is reached from both sides."""
    inside = work.design.inside
    if inside.along_walls == "own":
        # Laid out anew, alike, with beds that are reached.
        yield (chosen("inside.along_walls", "bed"), lengthened("inside.bed_m", down(work, work.rules.arm_reach_m)))
        return
    both = 1 if inside.along_walls == "bed" else 2
    yield (lengthened("inside.bed_m", down(work, work.rules.arm_reach_m * COMFORT * both)),)
    if inside.along_walls == "bed":
        yield (chosen("inside.along_walls", "path"),)


def _fit(work: Work, verdict: Verdict) -> Iterator[Edits]:
    """Narrower paths, a wider house, beds to the skin, or beds alike."""
    inside, layout = work.design.inside, layout_of(work)
    if inside.along_walls != "own":
        return
    gaps = len(layout.paths)
    if gaps > len(inside.own_paths_m):
        share_m = inside.path_m - layout.over_m / (gaps - len(inside.own_paths_m))
        if share_m > 0:
            yield (lengthened("inside.path_m", down(work, share_m)),)
    if inside.to == "posts":
        yield (chosen("inside.to", "skin"),)
    yield (lengthened("size.span_m", up(work, work.design.size.span_m + layout.over_m)),)
    yield (chosen("inside.along_walls", "bed"),)


CURES: dict[str, Cure] = {"reach": _reach, "beds-fit": _fit}
