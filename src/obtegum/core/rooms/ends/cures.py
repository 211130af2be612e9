"""Studs that bend too far, jambs that stand too shallow."""

from collections.abc import Iterator

from obtegum.core.edit import Cure, Edits, chosen, lengthened, up
from obtegum.core.rooms.ends.decisions import SIDES, Side
from obtegum.core.rooms.ends.found import end_of
from obtegum.core.verdict import Verdict
from obtegum.core.work import Work

__all__ = ["CURES"]

CLOSER, DEEPER_M = (0.75, 0.5, 0.35), (0.2, 0.4, 0.8)
STOUTER = {"feet": ("board-2x6", "board-2x8"), "metric": ("board-47x150mm", "board-47x200mm")}


def _studs(side: Side) -> Cure:
    def cure(work: Work, verdict: Verdict) -> Iterator[Edits]:
        end = end_of(work, side)
        turned: Edits = (chosen(f"ends.{side}.stand", "edge"),) if end.stand == "flat" else ()
        closer = [(lengthened(f"ends.{side}.apart_m", end.apart_m * share),) for share in CLOSER]
        stouter = [(chosen(f"ends.{side}.stud", board),) for board in STOUTER[work.tape.units]]
        if turned:
            yield turned
        for each in (*closer, *stouter):
            yield (*turned, *each)
        yield (*turned, *stouter[0], *closer[1])

    return cure


def _jambs(side: Side) -> Cure:
    def cure(work: Work, verdict: Verdict) -> Iterator[Edits]:
        if verdict.level == "unknown":
            return
        deep_m = end_of(work, side).deep_m
        yield from ((lengthened(f"ends.{side}.deep_m", up(work, deep_m + more)),) for more in DEEPER_M)

    return cure


CURES: dict[str, Cure] = {
    **{f"stud-{side}": _studs(side) for side in SIDES},
    **{f"jamb-{side}": _jambs(side) for side in SIDES},
}
