"""What the routers have at hand: the store, who asks for what, and plans made before anything is kept."""

import logging
from collections.abc import Sequence
from dataclasses import dataclass
from typing import Annotated

from fastapi import Depends, Header, Path, Query, Request
from starlette.responses import Response

from obtegum.api.benches import Benches, benches_of
from obtegum.api.beside import Beside
from obtegum.api.models import house_out
from obtegum.api.planning import answer
from obtegum.api.problems import Unplanned
from obtegum.core.documents.house import HouseDesign, SiteRecord
from obtegum.core.documents.job import Job
from obtegum.core.face.edit import Edit
from obtegum.core.findings.work import Work
from obtegum.core.house.plan import HousePlan, plan_work
from obtegum.core.values.trouble import DesignError
from obtegum.store import House, Store, gestures, houses

log = logging.getLogger(__name__)
# What is said where a change breaks the plan for no reason that a grower could mend.
TELL_US = "something in it breaks a step’s plan. Take another value."

__all__ = [
    "Desk",
    "HouseId",
    "Kept",
    "KeptBenches",
    "Lane",
    "Version",
    "Window",
    "WorkName",
    "change",
    "with_plan",
]

HouseId = Annotated[str, Path(max_length=40)]
Window = Annotated[str, Query(max_length=40)]
Version = Annotated[int, Path(ge=1, le=2**31)]
# The name under which a page looks how far long work has come.
WorkName = Annotated[str, Query(max_length=40, alias="work")]


def _store(request: Request) -> Store:
    store: Store = request.app.state.store
    return store


def _lane(request: Request) -> Beside:
    lane: Beside = request.app.state.beside
    return lane


Kept = Annotated[Store, Depends(_store)]
KeptBenches = Annotated[Benches, Depends(benches_of)]
Lane = Annotated[Beside, Depends(_lane)]
ShownStep = Annotated[str | None, Query(max_length=20, alias="step")]
RequestName = Annotated[str, Header(max_length=64, alias="Idempotency-Key")]


@dataclass
class Asked:
    """The store, the step that the asking window shows (only its drawings and tapes are sent), and the
    request's own name: sent again under it, a change isn't made again.
    """

    store: Store
    benches: Benches
    step: str | None
    request: str
    _planned: tuple[HouseDesign, SiteRecord, HousePlan] | None = None
    _laid: tuple[Job, Work] | None = None

    def edited(self, design: HouseDesign, record: SiteRecord, edits: Sequence[Edit]) -> Job:
        """A house with changes made; its bench is at hand for the plan of it. Raises: DesignError."""
        self._laid = self.benches.edited(design, record, edits)
        return self._laid[0]

    def _begin(self, design: HouseDesign, record: SiteRecord) -> Work:
        job, work = self._laid or (None, None)
        if work is not None and job is not None and job.design is design and job.record is record:
            return work
        return self.benches.begin(design, record)

    def plan(self, design: HouseDesign, record: SiteRecord) -> HousePlan:
        """Plan a house once: what was planned before it was kept is what is answered."""
        before = self._planned
        if before is None or before[0] is not design or before[1] is not record:
            work = self._begin(design, record)
            self._planned = before = design, record, plan_work(work, self.step)
            self.benches.keep(design, record, work)
        return before[2]

    def sound(self, design: HouseDesign, record: SiteRecord) -> None:
        """Plan a house whole, before it is kept: one that any step can't plan is refused, with that step's sentence.

        Raises: DesignError; Unplanned where something in it breaks a step.
        """
        try:
            self.plan(design, record)
            if self.step is not None:
                work = self.benches.begin(design, record)
                plan_work(work)
                self.benches.keep(design, record, work)
        except DesignError:
            raise
        except Exception as error:
            log.exception("%s can't be planned", design.name)
            raise Unplanned(f"{design.name} can’t be planned so, and nothing was changed: {TELL_US}") from error

    def judge(self, design: HouseDesign, record: SiteRecord) -> None:
        """Plan a house as far as its steps judge it. Raises whatever a plan of it raises."""
        work = self.benches.begin(design, record)
        plan_work(work, "")
        self.benches.keep(design, record, work)


def _asked(store: Kept, benches: KeptBenches, step: ShownStep = None, request: RequestName = "") -> Asked:
    return Asked(store, benches, step, request)


Desk = Annotated[Asked, Depends(_asked)]


def with_plan(desk: Asked, house: House, window: str = "", status: int = 200) -> Response:
    """A house as it stands, planned, with what the window could undo and redo. Raises: Unplanned."""
    try:
        plan = desk.plan(house.design, house.record)
    except DesignError as error:
        raise Unplanned(f"{house.design.name} can’t be planned as it stands. {error}") from None
    except Exception as error:
        log.exception("house %s can't be planned", house.id)
        raise Unplanned(f"{house.design.name} can’t be planned: something in it breaks the plan.") from error
    undo, redo = gestures.undoable(desk.store, house.id, window)
    return answer(house_out(house, plan, undo, redo, whole=desk.step is None), status)


def change(desk: Asked, house_id: str, version: int | None, window: str, edit: houses.Edit, name: str = "") -> Response:
    """Change a house once, planned before it is kept. A version of None stands for whatever is there."""
    gesture = houses.Gesture(version, window, name, desk.request)
    return with_plan(desk, houses.change(desk.store, house_id, gesture, edit, desk.sound), window)
