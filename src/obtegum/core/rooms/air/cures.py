"""Too hot on a still day: shade, a higher hip board, open ends."""

from collections.abc import Iterator

from obtegum.core.drawing.verdict import Verdict
from obtegum.core.face.edit import Cure, Edits, chosen, lengthened, up
from obtegum.core.findings.work import Work

__all__ = ["CURES"]


def _hot(work: Work, verdict: Verdict) -> Iterator[Edits]:
    air, boards = work.design.air, work.design.boards
    if air.mesh_share is not None:
        yield (chosen("air.mesh_share", ""),)
    for shade in () if work.design.weather.cover == "cloth" else ("30 %", "50 %", "70 %"):
        yield (chosen("air.shade_share", shade),)
    yield (chosen("ends.front.kind", "open"), chosen("ends.back.kind", "open"))
    if work.design.cover.edge != "hip":
        hip_m = up(work, min(max(work.design.size.leg_m, 1.0), work.design.size.height_m * 0.45))
        yield (chosen("boards.hip", "board"), lengthened("boards.hip_m", hip_m), chosen("cover.edge", "hip"))
    else:
        for more_m in (0.2, 0.4):
            yield (lengthened("boards.hip_m", up(work, boards.hip_m + more_m)),)


CURES: dict[str, Cure] = {"air-still": _hot}
