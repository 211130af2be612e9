"""The bays, the pegs, what the strings make, and the ways to square it."""

from obtegum.core.findings.kept import found
from obtegum.core.findings.skeleton.tapes import strung_size, tapes_in, ways_to_square
from obtegum.core.findings.skeleton.ticks import design_bays
from obtegum.core.findings.work import Work
from obtegum.core.formulas.setout.base import Peg, pegs
from obtegum.core.formulas.setout.bays import Bays, equal_bays, fixed_bays
from obtegum.core.formulas.setout.how import HowStep, how_to_square
from obtegum.core.formulas.setout.squaring import Method, Tapes
from obtegum.core.values.quantity import Rounding

__all__ = [
    "bays_of",
    "equal_school",
    "fixed_school",
    "pegs_of",
    "reads",
    "squaring_steps",
    "starts_m",
    "strung",
    "tapes_of",
    "way",
    "ways",
]


@found
def equal_school(work: Work) -> Bays:
    """Equal bays."""
    return equal_bays(work.design.size.length_m, work.design.bows.max_spacing_m)


@found
def fixed_school(work: Work) -> Bays:
    """Bays of a fixed spacing, the odd one last."""
    return fixed_bays(work.design.size.length_m, work.design.bows.max_spacing_m)


@found
def bays_of(work: Work) -> Bays:
    """The bays of the school that was chosen."""
    return design_bays(work.design)


@found
def pegs_of(work: Work) -> tuple[Peg, ...]:
    """A peg for every post."""
    return pegs(bays_of(work), work.design.size.span_m, strung(work)[0] - work.design.size.length_m)


@found
def strung(work: Work) -> tuple[float, float]:
    """Length and width of the rectangle that the strings make, m."""
    return strung_size(work.design, work.catalogue)


@found
def tapes_of(work: Work) -> Tapes:
    """The tapes, as far as they reach from the mark that they are held at."""
    return tapes_in(work.design)


@found
def starts_m(work: Work) -> float:
    """What the tapes read where they are held, m."""
    return tapes_of(work).start_m


def reads(work: Work, value_m: float, rounding: Rounding = "nearest") -> str:
    """What the long tape shows over a distance: more, where it is held at a mark of its own."""
    return work.say(value_m + starts_m(work), rounding)


@found
def ways(work: Work) -> list[Method]:
    """Ways to square the base, best first."""
    return ways_to_square(work.design, work.catalogue)


@found
def squaring_steps(work: Work) -> list[HowStep]:
    """How the base is squared, step by step."""
    set_out = work.design.set_out
    return how_to_square(way(work), *strung(work), set_out.base, work.tape, tapes_of(work), set_out.fence_m)


def way(work: Work) -> Method:
    """The chosen way, or the best one where it isn't open to this base."""
    chosen = (each for each in ways(work) if each.id == work.design.set_out.method)
    return next(chosen, ways(work)[0])
