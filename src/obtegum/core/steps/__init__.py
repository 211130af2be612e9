"""The steps of the work that exist, in working order; each turns a `Work` into its part of the plan.

To add a step: write a module here with the same functions as the others and name it in STEPS.
"""

from collections.abc import Callable
from typing import NamedTuple

from obtegum.core.steps import bows, drain, earth, keep_pegs, level, posts, set_out, size, square_up
from obtegum.core.steps.model import Answer, StepPlan
from obtegum.core.strip import Strip
from obtegum.core.verdict import Verdict
from obtegum.core.work import Work

__all__ = ["STEPS", "Answer", "Step", "StepPlan"]


class Step(NamedTuple):
    """The three things that a step contributes to a plan."""

    plan: Callable[[Work, list[Verdict]], StepPlan]
    verdicts: Callable[[Work], list[Verdict]]
    strips: Callable[[Work], list[Strip]]


STEPS = tuple(
    Step(room.plan, room.verdicts, room.strips)
    for room in (size, set_out, square_up, keep_pegs, level, earth, drain, posts, bows)
)
