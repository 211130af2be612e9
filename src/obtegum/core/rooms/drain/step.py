"""Drain: the uphill side, the run-off in the design rain, and the pipe that carries it."""

from obtegum.core.drawing.step import Standing, StepPlan
from obtegum.core.drawing.strip import Band, Strip
from obtegum.core.drawing.verdict import Verdict, judge
from obtegum.core.face.answers import amount_answer, length_answer, settled
from obtegum.core.findings.skeleton.levels import lie_of
from obtegum.core.findings.work import Work
from obtegum.core.rooms.drain import words
from obtegum.core.rooms.drain.found import drain_places, drained
from obtegum.core.values.amount import amount_text

__all__ = ["plan", "stands", "strips", "verdicts"]


def verdicts(work: Work) -> list[Verdict]:
    """Whether the pipe carries the water, and whether the trench is deep enough to hurt."""
    found = drained(work)
    units = work.tape.units
    ratio = found.flow_m3_s / found.carries_m3_s
    level = judge(ratio, work.rules.holds_to)
    brings = amount_text(found.flow_m3_s, "flow", units, "up")
    carries = amount_text(found.carries_m3_s, "flow", units, "down")
    rain = amount_text(work.design.drain.rain_m_s, "rain", units)
    uphill = work.design.drain.uphill_m > 0
    sentence = words.brings(rain, uphill, brings, carries)
    verdicts = [
        Verdict(
            id="drain-carries",
            step="drain",
            level=level,
            title="Drain",
            sentence=sentence,
            number=brings,
            limit=carries,
            ratio=ratio,
            part="drain",
        )
    ]
    deep_m, most_m = found.end_deep_m, work.rules.trench_props_from_m
    if deep_m / most_m > work.rules.holds_to:
        level = judge(deep_m / most_m, work.rules.holds_to)
        deep, most = work.say(deep_m, "up"), work.say(most_m, "down")
        sentence = words.deep_trench(deep, most)
        verdicts.append(
            Verdict(
                id="trench",
                rank="stands",
                step="drain",
                level=level,
                title="Trench",
                sentence=sentence,
                number=deep,
                limit=most,
                ratio=deep_m / most_m,
                part="drain:end",
            )
        )
    return verdicts


def stands(work: Work, found: list[Verdict]) -> Standing:
    """What the step is called, and how far it has come."""
    return Standing(
        id="drain",
        title="Drain",
        group="Place",
        state=settled(found),
    )


def plan(work: Work, found: list[Verdict]) -> StepPlan:
    """The step's inputs and answers."""
    laid = drained(work)
    side = "A to B" if laid.side == "L" else "D to C"
    known = "" if lie_of(work) else " No levels yet, so the uphill side is a guess."
    answers = (
        length_answer(work, "drain_length", "Drain", laid.length_m),
        length_answer(work, "drain_start", "Starts below ground", laid.start_deep_m),
        length_answer(work, "drain_end", "Runs out below ground", laid.end_deep_m, f"past {laid.outlet}"),
        amount_answer(work, "drain_flow", "Water in the design rain", laid.flow_m3_s, "flow"),
        amount_answer(work, "drain_dig", "Trench to dig, as it lies", laid.trench_m3, "volume"),
    )
    return StepPlan(
        **stands(work, found),
        next=f"Lay it beside {side}, the uphill side, running out past {laid.outlet}.{known}",
        caution="Buried lines marked first. Nobody works alone in a trench, nor in a deep one with bare sides.",
        measures=(
            "drain.rain_m_s",
            "drain.uphill_m",
            "drain.pipe",
            "drain.fall",
            "drain.cover_m",
            "drain.trench_m",
            "drain.beyond_m",
        ),
        answers=answers,
        leads=("drain_length", "drain_start", "drain_end"),
        views=("drain", "falls"),
        strips=("drain",),
        aside=("drain.trench_m", "drain.beyond_m", "drain.cover_m"),
        grips=(),
        focus=("drain", "contour", "corner", "line", "end", "spots", "spot", "post"),
    )


def strips(work: Work) -> list[Strip]:
    """The trench with its depth every few steps, from its start to the outlet."""
    found = drained(work)
    slope = (found.end_deep_m - found.start_deep_m) / found.length_m
    marks = [
        work.mark(at_m, f"{work.say(found.start_deep_m + slope * at_m)} deep", "ground", part, "drain")
        for at_m, part in drain_places(work, found)
    ]
    return [
        Strip(
            id="drain",
            title="Drain trench",
            about="tape from where the drain starts · depth of the trench’s bottom, for even ground",
            material="floor",
            length_m=found.length_m,
            marks=tuple(marks),
            bands=(Band(from_m=0.0, to_m=found.length_m, what="trench", kind="dug"),),
        )
    ]
