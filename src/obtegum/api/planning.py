"""Planning without saving: a design in, a plan out."""

from typing import Annotated

from fastapi import APIRouter, Depends, Query
from starlette.responses import Response

from obtegum.api.benches import Benches, benches_of
from obtegum.api.models import Problem, ReadIn, ReadLength, Remedies, TryIn, TryOut
from obtegum.core.documents.house import HouseDesign, SiteRecord
from obtegum.core.documents.job import Job
from obtegum.core.house.offers import tried
from obtegum.core.house.plan import HousePlan, plan_house, plan_work
from obtegum.core.house.remedies import remedies_on
from obtegum.core.house.starters import new_house
from obtegum.core.values.base import Part
from obtegum.core.values.catalogue import default_catalogue
from obtegum.core.values.quantity import LengthError, Tape, Units, length_text, parse_length
from obtegum.core.values.trouble import DesignError, Trouble
from obtegum.exchange.housefile import HouseFile

__all__ = ["answer", "router"]

PROBLEM: dict[int | str, dict[str, object]] = {
    422: {"model": Problem, "description": "problem details", "content": {"application/problem+json": {}}}
}
KeptBenches = Annotated[Benches, Depends(benches_of)]
router = APIRouter(prefix="/api", tags=["planning"])


def answer(body: Part, status: int = 200) -> Response:
    """A core value as JSON, written once: it is valid by construction."""
    return Response(body.model_dump_json(), status, media_type="application/json")


@router.post("/plan", response_model=HousePlan, responses=PROBLEM)
def post_plan(design: HouseDesign) -> Response:
    """Plan a house; nothing is kept."""
    catalogue = default_catalogue()
    try:
        return answer(plan_house(design, SiteRecord(), catalogue, slow=True))
    except DesignError as error:
        raise tried(design.model_dump(), error, catalogue) from None


@router.post("/try", response_model=TryOut)
def post_try(trial: TryIn, benches: KeptBenches) -> Response:
    """Try edits on a design; nothing is kept of it."""
    job, work = benches.edited(trial.design, trial.record, trial.edits)
    return answer(TryOut(design=job.design, record=job.record, plan=plan_work(work, trial.step)))


@router.post("/remedies", response_model=Remedies)
def post_remedies(given: ReadIn, benches: KeptBenches) -> Response:
    """Ways out of what is tight or fails; each was judged in full and found better."""
    job = Job(given.design, given.record)
    return answer(Remedies(remedies=tuple(remedies_on(benches.begin(*job), job, benches.give_way))))


@router.get("/schema/house-file")
def get_schema() -> dict[str, object]:
    """The JSON Schema of a house file."""
    return HouseFile.model_json_schema()


@router.get("/starter", response_model=HouseDesign)
def get_starter(units: Units = "feet") -> Response:
    """A house to begin from, in the units asked for."""
    return answer(new_house(units))


@router.get("/length", response_model=ReadLength)
def get_length(text: Annotated[str, Query(max_length=200)], units: Units = "feet") -> Response:
    """Read a length as typed."""
    try:
        value_m = parse_length(text, units)
    except LengthError as error:
        raise DesignError([Trouble(path="text", sentence=str(error))]) from None
    return answer(ReadLength(value_m=value_m, reading=length_text(value_m, Tape(units=units))))
