"""The steps of the work that exist, in working order; each turns a `Work` into its part of the plan.

To add a step: write a module here with the same functions as the others and name it in STEPS.
"""

from collections.abc import Callable
from typing import NamedTuple

from obtegum.core.bows.sticks import MOST_STICKS as MOST_PIECES
from obtegum.core.steps import (
    bend,
    bows,
    check_bows,
    drain,
    earth,
    inside,
    keep_pegs,
    level,
    posts,
    set_out,
    size,
    square_up,
)
from obtegum.core.steps.model import Answer, StepPlan
from obtegum.core.strip import Strip
from obtegum.core.verdict import Verdict
from obtegum.core.work import Work

__all__ = ["STEPS", "Answer", "Step", "StepPlan"]


class Step(NamedTuple):
    """What a step contributes to a plan; ``lends`` names the tapes that other steps show too."""

    plan: Callable[[Work, list[Verdict]], StepPlan]
    verdicts: Callable[[Work], list[Verdict]]
    strips: Callable[[Work], list[Strip]]
    lends: tuple[str, ...] = ()


# The sticks of a bow, by their letters.
BOW_STICKS = tuple(f"stick:{chr(ord('A') + place)}" for place in range(MOST_PIECES))
STEPS = (
    Step(size.plan, size.verdicts, size.strips, ("floor",)),
    Step(inside.plan, inside.verdicts, inside.strips),
    Step(set_out.plan, set_out.verdicts, set_out.strips, ("peg:L", "peg:R")),
    Step(square_up.plan, square_up.verdicts, square_up.strips),
    Step(keep_pegs.plan, keep_pegs.verdicts, keep_pegs.strips),
    Step(level.plan, level.verdicts, level.strips, ("tops:L", "tops:R")),
    Step(earth.plan, earth.verdicts, earth.strips),
    Step(drain.plan, drain.verdicts, drain.strips),
    Step(posts.plan, posts.verdicts, posts.strips),
    Step(bows.plan, bows.verdicts, bows.strips, BOW_STICKS),
    Step(bend.plan, bend.verdicts, bend.strips),
    Step(check_bows.plan, check_bows.verdicts, check_bows.strips),
)
