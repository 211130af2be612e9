"""What was taped, held level, and what it says of the base."""

import math
from collections.abc import Mapping

from obtegum.core.documents.square_up import Taping
from obtegum.core.findings.kept import found
from obtegum.core.findings.skeleton.bays import bays_of, starts_m, strung, tapes_of
from obtegum.core.findings.work import Work
from obtegum.core.formulas.setout.base import diagonal
from obtegum.core.formulas.setout.checkin import CheckIn, Move, TapeMisfit, check_in, other_size, planned_lines
from obtegum.core.formulas.setout.lines import LINES, Line

__all__ = [
    "base_check",
    "corner_fall",
    "earlier_checks",
    "line_title",
    "move_words",
    "size_off",
    "square_enough",
    "square_share",
    "square_usable_m",
    "taped_level",
    "width_off",
]


# Toward which corner a peg goes along and across, for moves below and above zero.
ALONG = {"B": ("toward A", "away from A"), "C": ("toward D", "away from D"), "D": ("away from C", "toward C")}
ACROSS = {"B": ("", ""), "C": ("toward B", "away from B"), "D": ("toward A", "away from A")}


@found
def size_off(work: Work) -> float | None:
    """Share by which a base that is square is larger (or smaller) than planned; None where it isn't so."""
    check = base_check(work)
    return other_size(taped_level(work), check, *strung(work)) if isinstance(check, CheckIn) else None


@found
def square_usable_m(work: Work) -> float:
    """How far a base may be out of square and be of use, m."""
    return work.rules.square_usable_share * diagonal(*strung(work))


@found
def width_off(work: Work) -> tuple[float, Line] | None:
    """How much wider the worst end stands than planned, m, below 0 where it is narrower, and which that is."""
    check = base_check(work)
    if not isinstance(check, CheckIn):
        return None
    planned = planned_lines(*strung(work))
    ends: tuple[Line, Line] = ("ad", "bc")
    off = {line: check.line_m(line) - planned[line] for line in ends}
    worst = max(off, key=lambda line: abs(off[line]))
    return off[worst], worst


@found
def square_share(work: Work) -> float | None:
    """How far out of square a base is, of what is usable; by an end's width too, of which each row's posts take half:
    bows are bent for one width. None where it isn't known."""
    check, wide = base_check(work), width_off(work)
    if not isinstance(check, CheckIn) or wide is None:
        return None
    off_m = max(check.differ_m, check.largest.size_m)
    return max(off_m / square_usable_m(work), abs(wide[0]) / (2 * work.rules.post_line_m))


@found
def square_enough(work: Work) -> bool:
    """Whether no peg is to be moved: the readings can be trusted, and what they tell is good work."""
    check = base_check(work)
    if not isinstance(check, CheckIn) or check.closes is False or size_off(work) is not None:
        return False
    return (square_share(work) or 0.0) <= work.rules.square_good_share


@found
def taped_level(work: Work) -> dict[Line, float]:
    """What was taped in this round, held level, m."""
    return _levelled(work, work.record.taped, starts_m(work))


def _levelled(work: Work, taped: Taping, starts_m: float) -> dict[Line, float]:
    """What was taped, held level: readings along the ground are brought to level by the pegs' heights.

    A reading r over a fall h is √(r² − h²) long, once the mark that the tape was held at is off it.
    """
    found: dict[Line, float] = {}
    for line in LINES:
        reading = taped.reading_m(line)
        if reading is not None:
            fall_m = corner_fall(work, line) if taped.held == "ground" else 0.0
            slope_m = max(reading - starts_m, 0.0)
            found[line] = math.sqrt(max(slope_m**2 - (fall_m or 0.0) ** 2, 0.0))
    return found


def corner_fall(work: Work, line: Line) -> float | None:
    """How far the ground falls from one end of a line to the other, m; None where it wasn't levelled."""
    names = {"A": "L1", "B": f"L{bays_of(work).bows}", "C": f"R{bays_of(work).bows}", "D": "R1"}
    ends = [work.record.levels.pegs.get(names[letter.upper()]) for letter in line]
    return None if ends[0] is None or ends[1] is None else ends[1] - ends[0]


@found
def base_check(work: Work) -> CheckIn | TapeMisfit | None:
    """The base as taped; a misfit when it can't be, None before two lines were taped."""
    return _checked(work, taped_level(work)) if work.record.taped.count >= 2 else None


@found
def earlier_checks(work: Work) -> list[CheckIn]:
    """The shapes of the earlier rounds of taping, for as far as they make one."""
    told = (_levelled(work, each, each.starts_m) for each in work.record.earlier)
    found = (_checked(work, each) for each in told if len(each) >= 2)
    return [each for each in found if isinstance(each, CheckIn)]


def _checked(work: Work, taped: Mapping[Line, float]) -> CheckIn | TapeMisfit:
    try:
        tapes, units = tapes_of(work), work.tape.units
        return check_in(taped, *strung(work), tapes.error_m, work.rules.peg_m, tapes.readings, units)
    except TapeMisfit as misfit:
        return misfit


def line_title(line: Line) -> str:
    """A line by its corners: ``A–C``."""
    return f"{line[0].upper()}–{line[1].upper()}"


def move_words(work: Work, move: Move) -> list[str]:
    """A move in words, along and across, each with its size; parts below the tape's step are left out."""
    found = []
    for size, ways in ((move.along_m, ALONG[move.corner]), (move.across_m, ACROSS[move.corner])):
        if abs(size) >= work.tape.step_m / 2:
            found.append(f"{work.say(abs(size))} {ways[size > 0]}")
    return found
