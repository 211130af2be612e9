"""From a design to everything computed: `plan_house`, the one way through."""

from obtegum.core.catalogue import Catalogue
from obtegum.core.design import HouseDesign
from obtegum.core.drawing import Drawing
from obtegum.core.job import Job
from obtegum.core.measures import MEASURES, MeasureState, measure_state, own_tube_measures
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

__all__ = ["PLANNING_AID", "HousePlan", "YardPlan", "plan_house", "plan_yard"]

PLANNING_AID = "A planning aid. Local code and a licensed engineer decide what stands."


def _none(work: Work) -> list[Drawing]:
    return []


# The steps whose numbered work has a drawing for each line of it.
TOLD = {"set-out": how_drawings, "bend": pull_drawings}


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
    post_tube_m: float
    loads: int
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
    the step whose drawings and tapes are wanted (None: all of them; no step's name: none).
    Raises: DesignError when the parts can't make a house.
    """
    job = Job(design, record)
    work = begin(design, record, catalogue)
    found = [step.verdicts(work) for step in STEPS]
    verdicts = tuple(verdict for each in found for verdict in each)
    steps = tuple(step.plan(work, each) for step, each in zip(STEPS, found, strict=True))
    wanted = [step for step in steps if shown in (None, step.id)]
    views = {view for step in wanted for view in step.views}
    tapes = {strip for step in wanted for strip in step.strips}
    return HousePlan(
        name=design.name,
        size=size_text(design.size.span_m, design.size.length_m, design.tape),
        tape=design.tape,
        overall=worst(verdicts),
        unknowns=unknown_count(verdicts),
        verdicts=verdicts,
        measures={
            measure.id: measure_state(measure, job, catalogue)
            for measure in (*MEASURES.values(), *own_tube_measures(design))
        },
        steps=steps,
        equal_bays=work.equal,
        fixed_bays=work.fixed,
        pegs=work.pegs,
        sticks=work.sticks,
        post_tube_m=len(work.pegs) * design.posts.length_m,
        loads=work.stand.moved.loads if work.stand and work.stand.moved else 0,
        drawings=(
            *(draw(work) for name, draw in VIEWS.items() if name in views),
            *(each for step in wanted if step.how for each in TOLD.get(step.id, _none)(work)),
        ),
        strips=tuple(
            strip
            for room, step in zip(STEPS, steps, strict=True)
            if shown is None or step in wanted or tapes.intersection(room.lends)
            for strip in room.strips(work)
            if strip.id in tapes
        ),
    )


def plan_yard(design: HouseDesign, record: SiteRecord, catalogue: Catalogue) -> YardPlan:
    """Size, verdict and small drawing of a house as it stands on site. Raises: DesignError."""
    work = begin(design, record, catalogue)
    verdicts = [verdict for step in STEPS for verdict in step.verdicts(work)]
    return YardPlan(
        size=size_text(design.size.span_m, design.size.length_m, design.tape),
        bows=work.bays.bows,
        overall=worst(verdicts),
        unknowns=unknown_count(verdicts),
        drawing=yard(work),
    )
