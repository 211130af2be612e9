"""Soil: what the ground is, as a test hole told it, and what it bears."""

from typing import Literal

from obtegum.core.drawing.step import Answer, Standing, StepPlan
from obtegum.core.drawing.strip import Band, Strip
from obtegum.core.drawing.verdict import Verdict, verdict_on
from obtegum.core.face.answers import amount_answer, settled
from obtegum.core.findings.skeleton.posts import least_embedment_m
from obtegum.core.findings.skeleton.stands import way_of
from obtegum.core.findings.work import Work
from obtegum.core.rooms.soil import words
from obtegum.core.rooms.soil.found import class_of, why_no_ground

__all__ = ["plan", "stands", "strips", "verdicts"]

CAUTION = "Buried lines are found and marked before any hole. Nobody works alone in a deep one, nor under bare sides."
# How deep the tape in a test hole is drawn at the least, m.
HOLE_M = 1.0
MarkKind = Literal["ground", "socket"]


def verdicts(work: Work) -> list[Verdict]:
    """Whether posts reach below the frost, where soil heaves."""
    frost_m, soil = work.design.soil.frost_m, class_of(work)
    if frost_m is None or soil is None:
        return []
    deep_m = least_embedment_m(work)
    deep, frost, many = work.say(max(deep_m, 0.0), "down"), work.say(frost_m, "up"), way_of(work).many
    if deep_m >= frost_m:
        ratio = frost_m / deep_m if deep_m > 0 else 0.0
        sentence = words.below_frost(many, deep, frost)
        return [verdict_on("soil", "frost", "Frost", "holds", sentence, deep, frost, ratio, "soil")]
    if not soil.heaves:
        sentence = words.drains(frost, many, deep, soil.name)
        return [verdict_on("soil", "frost", "Frost", "holds", sentence, deep, frost, None, "soil")]
    sentence = words.heaves(frost, many, deep, soil.name)
    return [verdict_on("soil", "frost", "Frost", "tight", sentence, deep, frost, None, "soil")]


def stands(work: Work, found: list[Verdict]) -> Standing:
    """What the step is called, and how far it has come."""
    return Standing(
        id="soil",
        title="Soil",
        group="Place",
        state="open" if work.design.soil.kind == "ask" else settled(found),
    )


def plan(work: Work, found: list[Verdict]) -> StepPlan:
    """What was found in the hole, and what such ground bears."""
    return StepPlan(
        **stands(work, found),
        next=_next(work),
        caution=CAUTION,
        measures=(
            "soil.kind",
            "soil.disturbed_m",
            "soil.water_m",
            "soil.frost_m",
            "soil.stones",
            "soil.hard",
            "soil.notes",
        ),
        answers=tuple(_answers(work)),
        leads=("soil",),
        views=("soil",),
        strips=("test-hole",),
        grips=("soil.disturbed_m", "soil.water_m", "soil.frost_m"),
        focus=("soil", "ground", "post", "water", "frost", "disturbed"),
    )


def _next(work: Work) -> str:
    if work.design.soil.kind == "ask":
        return "Dig a test hole as deep as the posts, and say what comes out of it."
    if reason := why_no_ground(work):
        return reason
    if work.design.soil.stones == "boulders":
        return "No auger goes here: dig a trench, or holes by hand; ask before one is booked."
    return "What holds the posts stands under Holds down."


def _answers(work: Work) -> list[Answer]:
    soil = class_of(work)
    if soil is None:
        return []
    note = "presumed, table 1806.2"
    return [
        amount_answer(work, "soil_bears", "Bears under a foot", soil.bearing_pa, "pressure", note),
        amount_answer(work, "soil_grips", "Grips a rough shaft", soil.friction_pa, "pressure", "a smooth tube: half"),
        amount_answer(work, "soil_side", "Bears sideways at 1 m", soil.lateral_pa_m, "pressure", note),
    ]


def strips(work: Work) -> list[Strip]:
    """The tape down the test hole: what was dug over, frost, water, and how deep posts go."""
    soil, deep_m = work.design.soil, max(least_embedment_m(work), 0.0)
    lines: tuple[tuple[float | None, str, MarkKind, str], ...] = (
        (0.0, "ground", "ground", "ground"),
        (deep_m, f"{way_of(work).many} end", "socket", "post:L"),
        (soil.disturbed_m or None, "firm from here", "ground", "disturbed"),
        (soil.frost_m, "frost", "ground", "frost"),
        (soil.water_m, "water", "ground", "water"),
    )
    places = [(at_m, what, kind, part) for at_m, what, kind, part in lines if at_m is not None]
    length_m = max(HOLE_M, *(at_m for at_m, *_ in places))
    marks = [work.mark(at_m, what, kind, part, "test-hole") for at_m, what, kind, part in places]
    return [
        Strip(
            id="test-hole",
            title="Down the test hole",
            about="tape from the grass",
            material="floor",
            length_m=length_m,
            marks=tuple(sorted(marks, key=lambda each: each.at_m)),
            bands=(Band(from_m=0.0, to_m=soil.disturbed_m, what="dug over", kind="buried"),)
            if soil.disturbed_m
            else (),
        )
    ]
