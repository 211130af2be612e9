"""Sticks that leave too much, and joints in the wrong place."""

from collections.abc import Iterator

from obtegum.core.drawing.verdict import Verdict
from obtegum.core.face.edit import Cure, Edits, chosen, down, lengthened
from obtegum.core.findings.skeleton.bows import tube_m, uncut_height_m
from obtegum.core.findings.work import Work
from obtegum.core.formulas.bows.sticks import sticks_needed

__all__ = ["CURES"]


def _sticks(work: Work, verdict: Verdict) -> Iterator[Edits]:
    """Other stock lengths, and legs short enough to save a stick."""
    for stick_m in work.catalogue.stock.sticks_m[work.tape.units]:
        yield (lengthened("bows.stick_m", stick_m),)
    size, bows = work.design.size, work.design.bows
    uncut_m = uncut_height_m(work)
    if uncut_m is not None:
        yield (lengthened("size.shape.height_m", down(work, uncut_m)),)
    fewer = sticks_needed(tube_m(work), bows.stick_m, bows.joint_m) - 1
    if fewer >= 1:
        over_m = tube_m(work) - (fewer * bows.stick_m - (fewer - 1) * bows.joint_m)
        leg_m = down(work, size.leg_m - over_m / 2)
        if leg_m >= work.design.posts.reveal_m:
            yield (lengthened("size.shape.leg_m", leg_m),)


def _sleeve(work: Work, verdict: Verdict) -> Iterator[Edits]:
    yield from ((chosen("bows.joint", kind),) for kind in ("coupler", "swaged", "bolted"))


def _told(work: Work, verdict: Verdict) -> Iterator[Edits]:
    yield (chosen("bows.cut", "whole"),)


CURES: dict[str, Cure] = {
    "told-sticks": _told,
    "waste": _sticks,
    "crown-joint": _sticks,
    "short-piece": _sticks,
    "sleeve": _sleeve,
}
