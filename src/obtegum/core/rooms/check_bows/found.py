"""A bow by itself, as it lies on the floor, and every bow that was measured there."""

from collections.abc import Callable
from functools import cache, partial

from obtegum.core.findings.kept import found
from obtegum.core.findings.skeleton.bays import bays_of
from obtegum.core.findings.skeleton.lying import lying_bow, lying_height_m, lying_span_m, lying_straight_m
from obtegum.core.findings.work import Work
from obtegum.core.rooms.check_bows.checks import Judged, judge_bow, kept_for_width, quarter_height

__all__ = ["judged_bows", "share_for_width"]


@found
def share_for_width(work: Work) -> Callable[[float], float | None]:
    """Which share of its curvature makes the lying bow a width, m: once of each, as long as the bow is the same."""
    return cache(partial(kept_for_width, lying_bow(work), lying_straight_m(work)))


@found
def judged_bows(work: Work) -> list[Judged]:
    """Every bow that was measured and that the house still has, each by itself as it lies on the floor."""
    span_m, height_m = lying_span_m(work), lying_height_m(work)
    quarter_m = quarter_height(lying_bow(work), span_m)
    share = None if work.design.size.shape.kind == "sprung" else share_for_width(work)
    return [
        judge_bow(int(name), check, span_m, height_m, quarter_m, share)
        for name, check in sorted(work.record.bows.items(), key=lambda each: int(each[0]))
        if check.told and int(name) <= bays_of(work).bows
    ]
