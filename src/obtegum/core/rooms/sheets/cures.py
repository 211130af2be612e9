"""Sheets that don't bend, don't reach between supports, or whose screws wind pulls out."""

from collections.abc import Iterator

from obtegum.core.drawing.verdict import Verdict
from obtegum.core.face.edit import Cure, Edits, chosen, down, lengthened
from obtegum.core.findings.work import Work
from obtegum.core.rooms.sheets.found import bends_to_m

__all__ = ["CURES"]


def _bends(work: Work, verdict: Verdict) -> Iterator[Edits]:
    """Thinner panels; film over the roof, sheets on the ends alone."""
    sheets, radius = work.design.sheets, bends_to_m(work)
    if sheets.kind == "chambers" and sheets.radius_m is None and radius is not None:
        for thick_m in (0.006, 0.004):
            if thick_m < sheets.thick_m:
                yield (chosen("sheets.thick_m", f"{thick_m * 1000:.0f} mm"),)
    yield (chosen("sheets.on", "ends"),)


def _bears(work: Work, verdict: Verdict) -> Iterator[Edits]:
    """More runs."""
    runs = work.design.strength.runs
    for more in (2, 4, 6):
        yield (chosen("strength.runs", str((runs or 0) + more)),)


def _screws(work: Work, verdict: Verdict) -> Iterator[Edits]:
    """A screw on each crest, more runs."""
    if work.design.sheets.crests > 1:
        yield (chosen("sheets.crests", "1"),)
    yield from _bears(work, verdict)
    yield (lengthened("bows.max_spacing_m", down(work, work.design.bows.max_spacing_m)),)


CURES: dict[str, Cure] = {"sheet-bends": _bends, "sheet-bears": _bears, "sheet-screws": _screws}
