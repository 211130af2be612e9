"""A bolt in a curtain's way, a bar too heavy to turn, one that twists."""

from collections.abc import Iterator

from obtegum.core.drawing.verdict import Verdict
from obtegum.core.face.edit import Cure, Edits, chosen, down, lengthened, up
from obtegum.core.findings.work import Work
from obtegum.core.rooms.sides.found import rest_m, wound

__all__ = ["CURES"]


def _clear(work: Work, verdict: Verdict) -> Iterator[Edits]:
    """Round heads, rolled outward, feet behind the board, heads over the hip board."""
    sides, boards = work.design.sides, work.design.boards
    if sides.heads == "nuts":
        yield (chosen("sides.heads", "round"),)
    if sides.rolls == "in":
        yield (chosen("sides.rolls", "out"),)
    low_m = down(work, rest_m(work) - 0.02)
    if low_m >= 0:
        yield (lengthened("braces.foot_m", low_m),)
    yield (lengthened("braces.head_m", up(work, boards.hip_m + 0.1)),)
    if low_m >= 0:
        yield (lengthened("braces.foot_m", low_m), lengthened("braces.head_m", up(work, boards.hip_m + 0.1)))


def _light(work: Work, verdict: Verdict) -> Iterator[Edits]:
    """More and shorter curtains, gears, a motor that has it."""
    sides = work.design.sides
    for parts in range(sides.parts + 1, min(sides.parts + 4, 9)):
        yield (chosen("sides.parts", str(parts)),)
    if sides.drive == "crank":
        for gear in (5, 10, 20):
            if gear > sides.gear:
                yield (chosen("sides.gear", str(gear)),)
    elif sides.motor_nm is not None:
        yield (chosen("sides.motor_nm", f"{wound(work).torque_nm * 1.2:.0f} N·m"),)


def _stiff(work: Work, verdict: Verdict) -> Iterator[Edits]:
    """More and shorter curtains, a stouter bar."""
    sides = work.design.sides
    for parts in range(sides.parts + 1, min(sides.parts + 4, 9)):
        yield (chosen("sides.parts", str(parts)),)
    tubes = [each for each in work.catalogue.tubes.values() if each.form == "tube" and each.sold_in == work.tape.units]
    stouter = sorted((each for each in tubes if each.material == "steel"), key=lambda each: each.od_m)
    yield from ((chosen("sides.bar", each.id),) for each in stouter if 0.03 < each.od_m < 0.07)


CURES: dict[str, Cure] = {"side-clear": _clear, "side-turn": _light, "side-lags": _stiff}
