"""A pipe too small, and a trench too deep."""

from collections.abc import Iterator

from obtegum.core.drawing.verdict import Verdict
from obtegum.core.face.edit import Cure, Edits, chosen, lengthened
from obtegum.core.findings.work import Work

__all__ = ["CURES"]


def _drain(work: Work, verdict: Verdict) -> Iterator[Edits]:
    """Other pipes, smallest first, and a steeper fall."""
    pipes = sorted(work.catalogue.pipes.values(), key=lambda pipe: (pipe.bore_m, -pipe.roughness))
    yield from ((chosen("drain.pipe", pipe.id),) for pipe in pipes)
    fall = work.design.drain.fall
    yield from ((chosen("drain.fall", f"{fall * times * 100:.2f} %"),) for times in (1.5, 2.0))


def _trench(work: Work, verdict: Verdict) -> Iterator[Edits]:
    yield (chosen("drain.fall", f"{work.design.drain.fall * 50:.2f} %"),)
    yield (lengthened("drain.beyond_m", work.design.drain.beyond_m / 2),)


CURES: dict[str, Cure] = {"drain-carries": _drain, "trench": _trench}
