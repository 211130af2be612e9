"""From a design to everything computed: `plan_house`, the one way through."""

from collections.abc import Sequence

from obtegum.core.documents.house import HouseDesign, SiteRecord
from obtegum.core.drawing.items import Drawing, Row
from obtegum.core.drawing.step import StepPlan
from obtegum.core.drawing.strip import Strip
from obtegum.core.drawing.verdict import Verdict, unknown_count, worst
from obtegum.core.face.fields import MeasureState
from obtegum.core.findings.work import Work
from obtegum.core.house.bench import begin
from obtegum.core.house.measures import EVERYWHERE, measured, states_of
from obtegum.core.rooms import rooms, tables, views
from obtegum.core.values.base import Part
from obtegum.core.values.catalogue import Catalogue
from obtegum.core.values.quantity import Tape

__all__ = [
    "PLANNING_AID",
    "HousePlan",
    "YardPlan",
    "how_large",
    "judged",
    "plan_house",
    "plan_work",
    "plan_yard",
    "small_drawing",
    "table_of",
]

PLANNING_AID = "A planning aid. Local code and a licensed engineer decide what stands."


class HousePlan(Part):
    """One house, computed: lengths in m and rad, unrounded, beside the readings to print; ``taking`` are the steps that
    the house is made of something by."""

    name: str
    size: str
    tape: Tape
    overall: Verdict | None
    unknowns: int
    verdicts: tuple[Verdict, ...]
    measures: dict[str, MeasureState]
    steps: tuple[StepPlan, ...]
    drawings: tuple[Drawing, ...]
    strips: tuple[Strip, ...]
    taking: tuple[str, ...] = ()
    planning_aid: str = PLANNING_AID


class YardPlan(Part):
    """A house as the yard shows it."""

    size: str
    words: str
    overall: Verdict | None
    unknowns: int
    drawing: Drawing


def plan_house(
    design: HouseDesign, record: SiteRecord, catalogue: Catalogue, shown: str | None = None, slow: bool = False
) -> HousePlan:
    """Plan a house.

    Args: the design, what was done on site so far, the catalogue to look tubes and rules up in, and
    the step that is shown: only what it shows is told of the steps, and its drawings' tables are left out, to be
    asked for one by one (None: everything; no step's name: nothing of any step); whether everything is with the steps
    that are slow to plan.
    Raises: DesignError when the parts can't make a house.
    """
    return plan_work(begin(design, record, catalogue), shown, slow)


def judged(work: Work) -> tuple[Verdict, ...]:
    """Every verdict on a house."""
    return tuple(verdict for room in rooms() for verdict in room.judged(work))


def plan_work(work: Work, shown: str | None = None, slow: bool = False, view: str = "") -> HousePlan:
    """Plan the house on a bench; what the bench has kept is not found again.

    ``view`` is the one drawing of the shown step that is wanted; all of them where it has none of that name.
    """
    standing = {room: room.standing(work) for room in rooms()}
    looked = {
        room: room.planned(work)
        for room, each in standing.items()
        if shown == each["id"] or (shown is None and (slow or not room.slow))
    }
    wanted = looked.values()
    seen = {each for step in wanted for each in step.views}
    alone = view in seen
    tapes = {strip for step in wanted for strip in step.strips}
    design, verdicts = work.design, judged(work)
    names = measured(work)
    if shown is not None:
        beside = (name for room in rooms() for each in room.beside for name in each.measures)
        asked = {*EVERYWHERE, *beside, *(name for step in wanted for name in (*step.measures, *step.grips))}
        names = [name for name in names if name in asked]
    return HousePlan(
        name=design.name,
        size=how_large(design),
        tape=design.tape,
        overall=worst(verdicts),
        unknowns=unknown_count(verdicts),
        verdicts=verdicts,
        measures=states_of(work, names),
        steps=tuple(looked.get(room) or StepPlan.brief(each) for room, each in standing.items()),
        drawings=(
            *(
                _tabled(work, draw(work), shown)
                for name, draw in views().items()
                if name in seen and (name == view or not alone)
            ),
            *(_tabled(work, each, shown) for room in looked if not alone for each in room.numbered(work)),
        ),
        strips=tuple(
            strip
            for room in rooms()
            if room in looked or tapes.intersection(room.shared_strips)
            for strip in room.strips_laid(work)
            if strip.id in tapes
        ),
        taking=tuple(each["id"] for room, each in standing.items() if room.takes_some),
    )


def _tabled(work: Work, drawing: Drawing, shown: str | None) -> Drawing:
    """A drawing with its table, or without it where only a step is shown."""
    return drawing.model_copy(update={"table": () if shown is not None else _table(work, drawing)})


def _table(work: Work, drawing: Drawing) -> tuple[Row, ...]:
    rows = tables().get(drawing.view)
    return drawing.table if rows is None else (*rows(work), *drawing.table)


def table_of(work: Work, view: str) -> tuple[Row, ...]:
    """The numbers of a drawing as a table. Raises: LookupError when there is no such drawing."""
    if view in views():
        return _table(work, views()[view](work))
    drawn: Sequence[Drawing] = [each for room in rooms() for each in room.numbered(work)]
    found = next((each for each in drawn if each.view == view), None)
    if found is None:
        raise LookupError(view)
    return found.table


def how_large(design: HouseDesign) -> str:
    """How large a house is, in words: by the first room that says so."""
    return next(room.how_large for room in rooms() if room.how_large is not None)(design)


def small_drawing(work: Work) -> Drawing:
    """The house as it is shown where there are many: by the first room that draws it so."""
    return next(room.thumbnail for room in rooms() if room.thumbnail is not None)(work)


def plan_yard(work: Work) -> YardPlan:
    """Size, verdict and small drawing of a house as it stands on site."""
    verdicts = judged(work)
    return YardPlan(
        size=how_large(work.design),
        words=", ".join(room.sums_up(work) for room in rooms() if room.sums_up is not None),
        overall=worst(verdicts),
        unknowns=unknown_count(verdicts),
        drawing=small_drawing(work),
    )
