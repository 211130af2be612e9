"""Start: what is known first, and the house that it makes."""

from obtegum.core.drawing.step import Standing, StepPlan
from obtegum.core.drawing.verdict import Verdict
from obtegum.core.face.answers import count_answer, length_answer
from obtegum.core.findings.skeleton.bays import bays_of
from obtegum.core.findings.skeleton.bows import stick_count
from obtegum.core.findings.work import Work

__all__ = ["plan", "stands", "verdicts"]

SHAPE = ("size.shape",)
ASKED = {
    "size": ("size.span_m", "size.length_m", *SHAPE, "size.shape.height_m"),
    "beds": ("inside.own_beds_m", "inside.own_paths_m", "inside.path_m", "inside.wall_m", "size.length_m", *SHAPE),
    "sticks": ("start.have", "bows.stick_m", "bows.sticks", "size.span_m", "bows.max_spacing_m", *SHAPE),
    "bow": ("start.wide_m", "start.wide_to", "start.high_m", "start.high_to", "size.length_m", *SHAPE),
}
NEXT = {
    "size": "Write the width and the length: the house is drawn from the first number.",
    "beds": "Write the beds from the left, like 30, 36, 30: the width follows.",
    "sticks": "Write how many sticks there are: height and length follow.",
    "bow": "Tape the bow that stands, across its feet and up to its crown.",
}


def verdicts(work: Work) -> list[Verdict]:
    """Nothing is judged yet."""
    return []


def stands(work: Work, found: list[Verdict]) -> Standing:
    """What the step is called, and how far it has come."""
    return Standing(
        id="start",
        title="Start",
        group="Place",
        state="checked",
    )


def _next(work: Work) -> str:
    bows, start = work.design.bows, work.design.start
    if start.known == "sticks" and bows.sticks and work.design.size.shape.kind == "round":
        return f"{bows.sticks} sticks a bow stand as one arc: the height follows."
    return NEXT[start.known]


def plan(work: Work, found: list[Verdict]) -> StepPlan:
    """What is asked for by what is known first, and what it comes to."""
    size, known = work.design.size, work.design.start.known
    # Legs that sticks make are asked for nowhere; others are part of what the sticks reach round.
    legs = ("size.shape.leg_m",) if known == "sticks" and size.shape.kind not in ("round_on_legs", "sprung") else ()
    return StepPlan(
        **stands(work, found),
        next=_next(work),
        caution="",
        measures=("start.known", *ASKED[known], *legs),
        answers=(
            length_answer(work, "start_width", "Wide, between middles", size.span_m),
            length_answer(work, "start_length", "Long", size.length_m),
            length_answer(work, "start_height", "High, to the tube’s middle", size.height_m),
            count_answer("start_bows", "Bows", bays_of(work).bows, f"{stick_count(work)} sticks"),
        ),
        leads=("start_width", "start_length", "start_height", "start_bows"),
        views=("across", "along"),
        strips=("floor",),
        grips=("size.span_m", "size.shape.height_m", "size.length_m"),
        focus=("span", "height", "leg", "length", "bow", "grower", "bed", "floor"),
    )
