"""From a design to everything computed: `plan_house`, the one way through."""

from collections.abc import Callable
from functools import cache

from obtegum.core.catalogue import Catalogue
from obtegum.core.design import HouseDesign
from obtegum.core.drawing import Drawing, Row
from obtegum.core.found import Finding
from obtegum.core.job import Job
from obtegum.core.measures import MEASURES, Measure, MeasureState, find_measure, measure_state, own_tube_measures
from obtegum.core.part import Part
from obtegum.core.quantity import Tape, size_text
from obtegum.core.record import SiteRecord
from obtegum.core.setout.base import Peg
from obtegum.core.setout.bays import Bays
from obtegum.core.steps import STEPS
from obtegum.core.steps.model import StepPlan
from obtegum.core.strip import Strip
from obtegum.core.verdict import Verdict, unknown_count, worst
from obtegum.core.views import VIEWS, how_drawings, pull_drawings, yard
from obtegum.core.work import Work, begin

__all__ = [
    "PLANNING_AID",
    "HousePlan",
    "YardPlan",
    "judged",
    "plan_house",
    "plan_work",
    "plan_yard",
    "table_of",
    "takes",
]

PLANNING_AID = "A planning aid. Local code and a licensed engineer decide what stands."


def _state_of(measure: Measure) -> Callable[[Work], MeasureState]:
    return lambda work: measure_state(measure, Job(work.design, work.record), work.catalogue)


# Every view, kept with what it read; and for the steps whose numbered work is drawn line by line, those drawings.
DRAWN = {name: Finding(view, compared=False) for name, view in VIEWS.items()}
TOLD = {"set-out": Finding(how_drawings, compared=False), "bend": Finding(pull_drawings, compared=False)}
# Measures that are asked for whatever step is shown: the top line's, and where the house stands on the globe.
EVERYWHERE = ("name", "units", "inch_parts", "mm_step", "latitude", "longitude", "bearing")
_STATES = {measure.id: Finding(_state_of(measure), compared=False) for measure in MEASURES.values()}


@cache
def _own_state(name: str) -> Finding[MeasureState]:
    measure = find_measure(name)
    assert measure is not None
    return Finding(_state_of(measure), compared=False)


def measured(work: Work) -> dict[str, Finding[MeasureState]]:
    """Every measure of a house by its id, as the bench shows it."""
    return {**_STATES, **{measure.id: _own_state(measure.id) for measure in own_tube_measures(work.design)}}


class HousePlan(Part):
    """One house, computed: lengths in m and rad, unrounded, beside the readings to print."""

    name: str
    size: str
    tape: Tape
    overall: Verdict | None
    unknowns: int
    verdicts: tuple[Verdict, ...]
    measures: dict[str, MeasureState]
    steps: tuple[StepPlan, ...]
    equal_bays: Bays
    fixed_bays: Bays
    pegs: tuple[Peg, ...]
    sticks: int
    drawings: tuple[Drawing, ...]
    strips: tuple[Strip, ...]
    planning_aid: str = PLANNING_AID


class YardPlan(Part):
    """A house as the yard shows it."""

    size: str
    bows: int
    overall: Verdict | None
    unknowns: int
    drawing: Drawing


def plan_house(design: HouseDesign, record: SiteRecord, catalogue: Catalogue, shown: str | None = None) -> HousePlan:
    """Plan a house.

    Args: the design, what was done on site so far, the catalogue to look tubes and rules up in, and
    the step that is shown: only what it shows is told of the steps, and its drawings' tables are left out, to be
    asked for one by one (None: everything; no step's name: nothing of any step).
    Raises: DesignError when the parts can't make a house.
    """
    return plan_work(begin(design, record, catalogue), shown)


def judged(work: Work) -> tuple[Verdict, ...]:
    """Every verdict on a house."""
    return tuple(verdict for step in STEPS for verdict in step.verdicts(work))


class Takes(Part):
    """What a house takes in parts and loads, as the cost of a remedy is told."""

    posts: int
    sticks: int
    post_tube_m: float
    loads: int


def takes(work: Work) -> Takes:
    """What a house takes."""
    moved = work.stand.moved if work.stand else None
    return Takes(
        posts=len(work.pegs),
        sticks=work.sticks,
        post_tube_m=len(work.pegs) * work.design.posts.length_m,
        loads=moved.loads if moved else 0,
    )


def plan_work(work: Work, shown: str | None = None) -> HousePlan:
    """Plan the house on a bench; what the bench has kept is not found again."""
    steps = tuple(step.plan(work) for step in STEPS)
    wanted = [step for step in steps if shown in (None, step.id)]
    views = {view for step in wanted for view in step.views}
    tapes = {strip for step in wanted for strip in step.strips}
    design, verdicts = work.design, judged(work)
    states = measured(work)
    if shown is not None:
        asked = {*EVERYWHERE, *(name for step in wanted for name in (*step.measures, *step.grips))}
        states = {name: state for name, state in states.items() if name in asked}
    return HousePlan(
        name=design.name,
        size=size_text(design.size.span_m, design.size.length_m, design.tape),
        tape=design.tape,
        overall=worst(verdicts),
        unknowns=unknown_count(verdicts),
        verdicts=verdicts,
        measures={name: state(work) for name, state in states.items()},
        steps=tuple(step if step in wanted else step.brief() for step in steps),
        equal_bays=work.equal,
        fixed_bays=work.fixed,
        pegs=work.pegs if shown is None else (),
        sticks=work.sticks,
        drawings=(
            *(tabled(draw(work), shown) for name, draw in DRAWN.items() if name in views),
            *(tabled(each, shown) for step in wanted if step.how and step.id in TOLD for each in TOLD[step.id](work)),
        ),
        strips=tuple(
            strip
            for room, step in zip(STEPS, steps, strict=True)
            if shown is None or step in wanted or tapes.intersection(room.lends)
            for strip in room.strips(work)
            if strip.id in tapes
        ),
    )


def tabled(drawing: Drawing, shown: str | None) -> Drawing:
    """A drawing with its table, or without it where only a step is shown."""
    return drawing if shown is None else drawing.model_copy(update={"table": ()})


def table_of(work: Work, view: str) -> tuple[Row, ...]:
    """The numbers of a drawing as a table. Raises: LookupError when there is no such drawing."""
    drawn = [DRAWN[view](work)] if view in DRAWN else [each for told in TOLD.values() for each in told(work)]
    found = next((each for each in drawn if each.view == view), None)
    if found is None:
        raise LookupError(view)
    return found.table


def plan_yard(design: HouseDesign, record: SiteRecord, catalogue: Catalogue) -> YardPlan:
    """Size, verdict and small drawing of a house as it stands on site. Raises: DesignError."""
    work = begin(design, record, catalogue)
    verdicts = judged(work)
    return YardPlan(
        size=size_text(design.size.span_m, design.size.length_m, design.tape),
        bows=work.bays.bows,
        overall=worst(verdicts),
        unknowns=unknown_count(verdicts),
        drawing=yard(work),
    )
