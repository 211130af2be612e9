"""Braces that are too few, too weak, or away from a run."""

from collections.abc import Iterator

from obtegum.core.drawing.verdict import Verdict
from obtegum.core.face.edit import Cure, Edits, chosen, lengthened
from obtegum.core.findings.skeleton.bays import bays_of
from obtegum.core.findings.skeleton.bows import girth_at
from obtegum.core.findings.skeleton.braces import brace_tube, head_m
from obtegum.core.findings.skeleton.line import centre_line
from obtegum.core.findings.skeleton.runs import runs_of
from obtegum.core.findings.skeleton.tubes import all_tubes
from obtegum.core.findings.work import Work

__all__ = ["CURES"]

THICKER_M = (0.01, 0.012)
FURTHER_M = (0.03, 0.04)


def _along(work: Work, verdict: Verdict) -> Iterator[Edits]:
    """Both diagonals, more bays, a thicker bolt further from the end."""
    if verdict.level == "unknown":
        return
    braces, most = work.design.braces, (bays_of(work).bows - 1) // work.design.braces.spans
    if braces.bays and braces.cross == "one":
        yield (chosen("braces.cross", "both"),)
    for bays in (2, 4, 6, 8):
        if (braces.bays or 0) < bays <= most:
            yield (chosen("braces.bays", str(bays)),)
            yield (chosen("braces.bays", str(bays)), chosen("braces.cross", "both"))
    if braces.end == "flat":
        for bolt_m, edge_m in zip(THICKER_M, FURTHER_M, strict=True):
            if bolt_m > braces.bolt_m:
                yield (lengthened("braces.bolt_m", bolt_m), lengthened("braces.edge_m", max(edge_m, braces.edge_m)))


def _head(work: Work, verdict: Verdict) -> Iterator[Edits]:
    """The head at a run, the nearest first."""
    bow, now_m = centre_line(work), head_m(work)
    heights = {round(bow.point(girth_at(work, run.at_m))[1], 4) for run in runs_of(work)}
    for height_m in sorted(heights, key=lambda each: abs(each - now_m))[:2]:
        if work.design.braces.foot_m < height_m < work.design.size.height_m - 0.05:
            yield (lengthened("braces.head_m", height_m),)
    if len(runs_of(work)) == 1 and work.design.runs.spread == "even":
        yield (chosen("strength.runs", "3"),)


def _pressed(work: Work, verdict: Verdict) -> Iterator[Edits]:
    """More runs to share it."""
    if work.design.runs.spread == "even":
        for runs in (3, 5, 7, 9):
            if runs > work.design.strength.runs:
                yield (chosen("strength.runs", str(runs)),)


def _tie(work: Work, verdict: Verdict) -> Iterator[Edits]:
    """A stouter tube, a thicker bolt further from the end; struts that hold a collar's middle."""
    if verdict.level == "unknown":
        return
    braces, now = work.design.braces, brace_tube(work)
    tubes = (each for each in all_tubes(work) if each.sold_in == work.design.tape.units and each.material == "steel")
    for tube in sorted((each for each in tubes if each.od_m > now.od_m), key=lambda each: each.od_m)[:3]:
        yield (chosen("braces.tube", tube.id),)
    if braces.end == "flat":
        for bolt_m, edge_m in zip(THICKER_M, FURTHER_M, strict=True):
            if bolt_m > braces.bolt_m:
                yield (lengthened("braces.bolt_m", bolt_m), lengthened("braces.edge_m", max(edge_m, braces.edge_m)))
    if braces.ties == "collar":
        yield (chosen("braces.ties", "truss"),)


CURES: dict[str, Cure] = {
    **dict.fromkeys(("tie-collar", "tie-strut", "tie-knee"), _tie),
    "along": _along,
    "brace-head": _head,
    "run-pressed": _pressed,
}
