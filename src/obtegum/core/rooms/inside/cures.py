"""Beds that an arm doesn’t reach across."""

from collections.abc import Iterator

from obtegum.core.edit import COMFORT, Cure, Edits, chosen, down, lengthened
from obtegum.core.verdict import Verdict
from obtegum.core.work import Work

__all__ = ["CURES"]


def _reach(work: Work, verdict: Verdict) -> Iterator[Edits]:
    """Narrower beds, or paths along the walls so that each bed is reached from both sides."""
    inside = work.design.inside
    both = 1 if inside.along_walls == "bed" else 2
    yield (lengthened("inside.bed_m", down(work, work.rules.arm_reach_m * COMFORT * both)),)
    if inside.along_walls == "bed":
        yield (chosen("inside.along_walls", "path"),)


CURES: dict[str, Cure] = {"reach": _reach}
