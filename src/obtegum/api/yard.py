"""The yard: every house on its shelf, started, copied, put away, deleted, and deleted for good."""

import logging
from typing import Annotated

from fastapi import APIRouter, Query, Request
from pydantic import ValidationError
from starlette.responses import Response

from obtegum.api.benches import Benches
from obtegum.api.desk import Desk, HouseId, Kept, KeptBenches, Lane, with_plan
from obtegum.api.models import FoundOut, Gone, HouseLine, HouseOut, NewHouse, Place, TokenOut, VersionOut, WorkOut, Yard
from obtegum.api.planning import answer
from obtegum.core.documents.house import SiteRecord
from obtegum.core.house.plan import YardPlan, plan_yard
from obtegum.core.house.starters import new_house
from obtegum.core.rooms import (
    begins_at,
    opens_at,
)
from obtegum.core.values.trouble import DesignError
from obtegum.store import Store, StoreTrouble, houses
from obtegum.store.restore import delete_for_good
from obtegum.store.state import Shelf
from obtegum.store.yards import keep_yards, kept_yards

__all__ = ["router"]

log = logging.getLogger(__name__)
router = APIRouter(prefix="/api", tags=["yard"])
WorkKey = Annotated[str, Query(max_length=40)]


def _line(store: Store, benches: Benches, line: houses.HouseLine, kept: YardPlan | None) -> HouseLine:
    """A house in the yard; one that can't be planned stands there too, with the reason."""
    plain = {"id": line.id, "name": line.name, "touched": line.touched}
    if kept is not None and line.whole:
        return HouseLine(**plain, yard=kept)
    try:
        state = houses.state_at(store, line)
    except StoreTrouble as trouble:
        if trouble.cause != "damaged":
            raise
        state = None
    if state is None:
        return HouseLine(**plain, yard=None, why="What was kept of it can’t be read here.")
    try:
        return HouseLine(**plain, yard=plan_yard(benches.begin(*state)))
    except DesignError as error:
        return HouseLine(**plain, yard=None, why=str(error))
    except Exception:
        log.exception("house %s can't be planned", line.id)
        return HouseLine(**plain, yard=None, why="Something in it breaks the plan.")


def _as_kept(body: str) -> YardPlan | None:
    """What was kept of how a house stands; nothing where that is damaged, so that it is found again."""
    try:
        return YardPlan.model_validate_json(body)
    except ValidationError:
        return None


@router.get("/houses", response_model=Yard)
def get_yard(
    store: Kept,
    benches: KeptBenches,
    shelf: Shelf = "standing",
    start: Annotated[int, Query(ge=0, le=1_000_000)] = 0,
    most: Annotated[int, Query(ge=1, le=100)] = 50,
) -> Response:
    """Houses on a shelf by last touched, each with its size, verdict and small drawing."""
    lines = houses.newest(store, start, most, shelf)
    kept = {
        house_id: plan
        for house_id, body in kept_yards(store, {line.id: line.version for line in lines}).items()
        if (plan := _as_kept(body)) is not None
    }
    shown = tuple(_line(store, benches, line, kept.get(line.id)) for line in lines)
    keep_yards(
        store,
        {
            line.id: (line.version, each.yard.model_dump_json())
            for line, each in zip(lines, shown, strict=True)
            if each.yard is not None and line.id not in kept
        },
    )
    total = houses.count(store, shelf)
    return answer(Yard(houses=shown, total=total, opens_at=opens_at(), begins_at=begins_at(), found=store.found))


@router.delete("/found", response_model=FoundOut)
def delete_found(store: Kept) -> Response:
    """What was found amiss was seen: from now on what stands is what is known."""
    store.seen()
    return answer(FoundOut(found=store.found))


@router.post("/houses", response_model=HouseOut, status_code=201)
def post_house(desk: Desk, wanted: NewHouse) -> Response:
    """Start a new house, or a copy of one: with its design, and nothing done on site yet."""
    if wanted.copy_of is None:
        design, words = new_house(wanted.units), "Started"
    else:
        source = houses.get(desk.store, wanted.copy_of).design
        design, words = source.model_copy(update={"name": f"{source.name[:73]}, copy"}), f"Copied from {source.name}"
    return with_plan(desk, houses.add(desk.store, design, SiteRecord(), words, desk.request, desk.sound), status=201)


@router.put("/houses/{house_id}/shelf", response_model=VersionOut)
def put_shelf(store: Kept, house_id: HouseId, place: Place) -> Response:
    """Put a house away, delete it, or bring it back to the yard."""
    houses.shelve(store, house_id, place.shelf)
    return answer(VersionOut(version=houses.version(store, house_id)))


@router.delete("/houses/{house_id}", response_model=Gone)
def delete_house(store: Kept, house_id: HouseId) -> Response:
    """Delete a house of the deleted shelf for good; only backups made before still hold it."""
    return answer(Gone(houses=delete_for_good(store, (house_id,))))


@router.delete("/houses", response_model=Gone)
def delete_shelf(store: Kept) -> Response:
    """Delete every house of the deleted shelf for good; only backups made before still hold them."""
    return answer(Gone(houses=delete_for_good(store)))


@router.get("/work", response_model=WorkOut)
async def get_work(lane: Lane, key: WorkKey) -> Response:
    """How far long work has come."""
    return answer(lane.look(key))


@router.delete("/work", response_model=WorkOut)
async def delete_work(lane: Lane, key: WorkKey) -> Response:
    """Stop long work."""
    lane.stop(key)
    return answer(lane.look(key))


@router.get("/token", response_model=TokenOut)
async def get_token(request: Request) -> Response:
    """The token to send with whatever changes something; only this server's own pages can read it."""
    return answer(TokenOut(token=request.scope.get("device_token") or request.app.state.token))
