"""An odd bay out of proportion, and a tape that is too short."""

from collections.abc import Iterator

from obtegum.core.drawing.verdict import Verdict
from obtegum.core.face.edit import COMFORT, Cure, Edits, chosen, lengthened, up
from obtegum.core.findings.skeleton.bays import bays_of
from obtegum.core.findings.work import Work
from obtegum.core.formulas.setout.base import diagonal

__all__ = ["CURES"]


def _odd_bay(work: Work, verdict: Verdict) -> Iterator[Edits]:
    yield (chosen("bows.bays", "equal"),)
    length_m = work.design.size.length_m
    for count in (bays_of(work).count, bays_of(work).count - 1):
        if count > 1:
            # Just under count bays, so that the last one is a little shorter, not a little left over.
            yield (lengthened("bows.max_spacing_m", up(work, length_m / count)),)
    whole_m = (bays_of(work).count - 1) * bays_of(work).bay_m
    yield (lengthened("size.length_m", whole_m),)


def _tape(work: Work, verdict: Verdict) -> Iterator[Edits]:
    if work.design.set_out.method != "best":
        yield (chosen("set_out.method", "best"),)
    size = work.design.size
    across_m = diagonal(size.length_m, size.span_m)
    for tape_m in work.catalogue.stock.tapes_m[work.tape.units]:
        if tape_m * COMFORT >= across_m:
            yield (lengthened("set_out.tape_m", tape_m),)
            break


def _count(work: Work, verdict: Verdict) -> Iterator[Edits]:
    """Bays by the number; as long as the number reaches; as many as it wants."""
    yield (chosen("bows.bays", "counted"),)
    bows = work.design.bows
    if bows.count is not None:
        yield (lengthened("size.length_m", (bows.count - 1) * bows.max_spacing_m),)
    yield (chosen("bows.count", f"{bays_of(work).bows}"),)


CURES: dict[str, Cure] = {"odd-bay": _odd_bay, "tape": _tape, "bow-count": _count}
