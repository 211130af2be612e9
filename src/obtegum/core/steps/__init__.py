"""The steps of the work that exist, in working order; each turns a `Work` into its part of the plan.

To add a step: write a module here with the same functions as the others and name it in STEPS.
"""

from typing import Protocol

from obtegum.core.bows.sticks import MOST_STICKS as MOST_PIECES
from obtegum.core.found import Finding
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


class Step:
    """What a step contributes to a plan, each kept with what it read; ``lends`` names tapes that others show too."""

    def __init__(self, room: "_Room", lends: tuple[str, ...] = ()) -> None:
        self.verdicts = Finding(room.verdicts)
        self.plan = Finding(lambda work: room.plan(work, self.verdicts(work)))
        self.strips = Finding(room.strips, compared=False)
        self.lends = lends


class _Room(Protocol):
    """A module of a step."""

    def plan(self, work: Work, found: list[Verdict], /) -> StepPlan: ...
    def verdicts(self, work: Work, /) -> list[Verdict]: ...
    def strips(self, work: Work, /) -> list[Strip]: ...


# The sticks of a bow, by their letters.
BOW_STICKS = tuple(f"stick:{chr(ord('A') + place)}" for place in range(MOST_PIECES))
STEPS = (
    Step(size, ("floor",)),
    Step(inside),
    Step(set_out, ("peg:L", "peg:R")),
    Step(square_up),
    Step(keep_pegs),
    Step(level, ("tops:L", "tops:R")),
    Step(earth),
    Step(drain),
    Step(posts),
    Step(bows, BOW_STICKS),
    Step(bend),
    Step(check_bows),
)
