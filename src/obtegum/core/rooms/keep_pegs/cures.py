"""Offsets too near the digging."""

from collections.abc import Iterator

from obtegum.core.drawing.verdict import Verdict
from obtegum.core.face.edit import Cure, Edits, lengthened, up
from obtegum.core.findings.work import Work

__all__ = ["CURES"]


def _offsets(work: Work, verdict: Verdict) -> Iterator[Edits]:
    needed_m = work.design.keep.dig_m + work.rules.dig_clear_m
    yield (lengthened("keep.offset_m", up(work, needed_m / work.rules.holds_to)),)


CURES: dict[str, Cure] = {"offset-clear": _offsets}
