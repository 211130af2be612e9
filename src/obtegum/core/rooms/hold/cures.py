"""A house that is lifted, pushed over or pressed down."""

from collections.abc import Iterator

from obtegum.core.drawing.verdict import Verdict
from obtegum.core.face.edit import Cure, Edits, chosen, lengthened, up
from obtegum.core.findings.skeleton.settings import set_of
from obtegum.core.findings.work import Work
from obtegum.core.rooms.hold.found import chain_of, counts
from obtegum.core.values.quantity import INCH_M

__all__ = ["CURES"]

DEEPER_M = (0.15, 0.3, 0.6)
CLOSER = (0.8, 0.65)


def _deeper(work: Work) -> Iterator[Edits]:
    length_m = work.design.posts.length_m
    yield from ((lengthened("posts.length_m", up(work, length_m + more_m)),) for more_m in DEEPER_M)


def _set(work: Work) -> Iterator[Edits]:
    """Concrete with a bar through the tube, or a plate, where it isn't so already; at the corners alone, and at all."""
    for kind in ("concrete", "plate"):
        if set_of(work, "row") != kind:
            tamped = (chosen("hold.backfill", "tamped"),) if kind == "plate" else ()
            yield (chosen("hold.set", kind), chosen("hold.grip", "bar"), *tamped)
    if set_of(work, "corner") != "concrete":
        yield (chosen("hold.corner_set", "concrete"), chosen("hold.grip", "bar"))
    if counts(work)["brace"] and set_of(work, "brace") != "concrete":
        yield (chosen("hold.brace_set", "concrete"), chosen("hold.grip", "bar"))


def _lift(work: Work, verdict: Verdict) -> Iterator[Edits]:
    if verdict.level == "unknown":
        return
    weak = chain_of(work, "row").weakest
    bolt_m = min(work.design.bows.insertion_m / 2, 2 * INCH_M)
    bolt = (lengthened("posts.bolt_m", bolt_m),) if work.design.posts.bolt_m is None else ()
    if weak.part in ("socket:L", "bolt"):
        if bolt:
            yield bolt
        yield from ((chosen("hold.screws", str(count)),) for count in (2, 4) if count > work.design.hold.screws)
    joined = bolt if weak.part == "socket:L" else ()
    yield from ((*joined, *each) for each in (*_deeper(work), *_set(work)))
    if work.design.bows.bays != "counted":
        for share in CLOSER:
            yield (*joined, lengthened("bows.max_spacing_m", work.design.bows.max_spacing_m * share))


def _ground(work: Work, verdict: Verdict) -> Iterator[Edits]:
    if verdict.level == "unknown":
        return
    yield from _deeper(work)
    yield from _set(work)


CURES: dict[str, Cure] = {"lift": _lift, "side": _ground, "sinks": _ground}
