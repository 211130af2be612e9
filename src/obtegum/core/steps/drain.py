"""Drain: the uphill side, the run-off in the design rain, and the pipe that carries it."""

from obtegum.core.amount import amount_text
from obtegum.core.catalogue import Pipe
from obtegum.core.ground.drain import Drained, manning_full, run_off
from obtegum.core.steps.common import amount_answer, length_answer, settled
from obtegum.core.steps.model import StepPlan
from obtegum.core.strip import Band, Strip
from obtegum.core.trouble import DesignError, Trouble
from obtegum.core.verdict import Verdict, judge
from obtegum.core.work import Work

__all__ = ["drain_places", "drained", "plan", "strips", "verdicts"]

EVERY_M = 3.0
EVERY_FT = 10 * 0.3048


def _pipe(work: Work) -> Pipe:
    pipe = work.catalogue.pipes.get(work.design.drain.pipe)
    if pipe is None:
        sentence = f"There is no pipe “{work.design.drain.pipe}” in the catalogue."
        raise DesignError([Trouble(path="drain.pipe", sentence=sentence)])
    return pipe


def drained(work: Work) -> Drained:
    """The drain along the uphill side, falling to the lower end; the left side and B where nothing is known."""
    size, drain, stand, pipe = work.design.size, work.design.drain, work.stand, _pipe(work)
    side, outlet, drop_m = "L", "B", 0.0
    if stand is not None:
        left, right = stand.side_m("L"), stand.side_m("R")
        side = "R" if left is not None and right is not None and right > left else "L"
        ends = sorted((stand.places[name][0], height) for name, height in stand.heights.items() if name[0] == side)
        if len(ends) >= 2:
            run = ends[-1][0] - ends[0][0]
            drop_m = (ends[0][1] - ends[-1][1]) / run * size.length_m
            outlet = "B" if drop_m >= 0 else "A"
            drop_m = abs(drop_m)
    length_m = size.length_m + drain.beyond_m
    # The trench falls as asked; where the ground falls more, it comes no nearer to the surface than at its start.
    end_deep_m = max(drain.cover_m + length_m * drain.fall - drop_m, drain.cover_m)
    flow = run_off(
        drain.rain_m_s, size.span_m / 2 * size.length_m, drain.uphill_m * size.length_m, work.rules.ground_run_off_share
    )
    laid = max(drain.fall, (drop_m + end_deep_m - drain.cover_m) / length_m)
    return Drained(
        side=side,
        outlet=outlet,
        length_m=length_m,
        start_deep_m=drain.cover_m,
        end_deep_m=end_deep_m,
        trench_m3=drain.trench_m * length_m * (drain.cover_m + end_deep_m) / 2,
        flow_m3_s=flow,
        carries_m3_s=manning_full(pipe.bore_m, pipe.roughness, laid),
    )


def verdicts(work: Work) -> list[Verdict]:
    """Whether the pipe carries the water, and whether the trench is deep enough to hurt."""
    found = drained(work)
    units = work.tape.units
    ratio = found.flow_m3_s / found.carries_m3_s
    level = judge(ratio, work.rules.holds_to)
    brings = amount_text(found.flow_m3_s, "flow", units, "up")
    carries = amount_text(found.carries_m3_s, "flow", units, "down")
    rain = amount_text(work.design.drain.rain_m_s, "rain", units)
    ground = " and the ground above it" if work.design.drain.uphill_m > 0 else ""
    sentence = f"In {rain} half the roof{ground} brings {brings}; the pipe carries {carries}."
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
        sentence = f"The trench ends {deep} deep. From {most} its sides are shored or battered before anyone goes in."
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


def plan(work: Work, found: list[Verdict]) -> StepPlan:
    """The step's inputs and answers."""
    laid = drained(work)
    side = "A to B" if laid.side == "L" else "D to C"
    known = "" if work.stand else " No levels yet, so the uphill side is a guess."
    answers = (
        length_answer(work, "drain_length", "Drain", laid.length_m),
        length_answer(work, "drain_start", "Starts below ground", laid.start_deep_m),
        length_answer(work, "drain_end", "Runs out below ground", laid.end_deep_m, f"past {laid.outlet}"),
        amount_answer(work, "drain_flow", "Water in the design rain", laid.flow_m3_s, "flow"),
        amount_answer(work, "drain_dig", "Trench to dig, as it lies", laid.trench_m3, "volume"),
    )
    return StepPlan(
        id="drain",
        title="Drain",
        group="Place",
        state=settled(found),
        next=f"Lay it beside {side}, the uphill side, running out past {laid.outlet}.{known}",
        caution="Buried lines marked first. Nobody works alone in a trench, nor in a deep one with bare sides.",
        measures=("rain", "uphill", "pipe", "drain_fall", "cover", "trench", "beyond"),
        answers=answers,
        leads=("drain_length", "drain_start", "drain_end"),
        views=("drain", "falls"),
        strips=("drain",),
        grips=(),
        focus=("drain", "contour", "corner", "line", "end", "spots", "spot", "post"),
    )


def drain_places(work: Work, found: Drained) -> list[tuple[float, str]]:
    """Where the trench's depth is told: every few steps from its start, and at its outlet."""
    every = EVERY_FT if work.tape.units == "feet" else EVERY_M
    count = max(1, round(found.length_m / every - 0.3))
    places = [(every * step, f"drain:{step}" if step else "drain:start") for step in range(count)]
    return [*places, (found.length_m, "drain:end")]


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
