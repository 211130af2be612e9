"""Saved houses: the yard, one house, and changes to it."""

from typing import Annotated

from fastapi import APIRouter, Depends, Query, Request
from starlette.responses import Response

from obtegum.api.models import Changes, HouseLine, HouseOut, NewHouse, Problem, TickOff, Yard, house_out
from obtegum.api.planning import PROBLEMS, answer
from obtegum.core.catalogue import default_catalogue
from obtegum.core.design import HouseDesign
from obtegum.core.measures import apply_edits, edits_in_words
from obtegum.core.plan import plan_house, plan_yard
from obtegum.core.record import SiteRecord
from obtegum.core.starters import new_house
from obtegum.core.ticks import tick_station, tick_words
from obtegum.store import House, Store, houses

__all__ = ["router"]

router = APIRouter(
    prefix="/api/houses",
    tags=["houses"],
    responses={**PROBLEMS, 404: PROBLEMS[422], 409: {**PROBLEMS[422], "model": Problem}},
)


def _store(request: Request) -> Store:
    store: Store = request.app.state.store
    return store


Kept = Annotated[Store, Depends(_store)]


def _with_plan(house: House, status: int = 200) -> Response:
    return answer(house_out(house, plan_house(house.design, house.record, default_catalogue())), status)


@router.get("", response_model=Yard)
def get_yard(
    store: Kept,
    start: Annotated[int, Query(ge=0, le=1_000_000)] = 0,
    most: Annotated[int, Query(ge=1, le=100)] = 50,
) -> Response:
    """Houses by last touched, each with its size, verdict and small drawing."""
    lines = tuple(
        HouseLine(
            id=house.id,
            name=house.design.name,
            touched=house.touched,
            yard=plan_yard(house.design, default_catalogue()),
        )
        for house in houses.newest(store, start, most)
    )
    return answer(Yard(houses=lines, total=houses.count(store)))


@router.post("", response_model=HouseOut, status_code=201)
def post_house(store: Kept, wanted: NewHouse) -> Response:
    """Start a new house."""
    return _with_plan(houses.add(store, new_house(wanted.units), SiteRecord(), "Started"), 201)


@router.get("/{house_id}", response_model=HouseOut)
def get_house(store: Kept, house_id: str) -> Response:
    """One house with its plan."""
    return _with_plan(houses.get(store, house_id))


@router.patch("/{house_id}", response_model=HouseOut)
def patch_house(store: Kept, house_id: str, changes: Changes) -> Response:
    """Change a house and keep the change."""
    catalogue = default_catalogue()

    def edit(design: HouseDesign, record: SiteRecord) -> houses.Edited:
        changed = apply_edits(design, changes.edits, catalogue)
        return houses.Edited(changed, record, edits_in_words(changed, changes.edits, catalogue))

    gesture = houses.Gesture(changes.version, changes.window, changes.gesture)
    return _with_plan(houses.change(store, house_id, gesture, edit))


@router.post("/{house_id}/ticks", response_model=HouseOut)
def post_tick(store: Kept, house_id: str, tick: TickOff) -> Response:
    """Tick a peg or post off as set where the plan wants it, or take that back."""

    def edit(design: HouseDesign, record: SiteRecord) -> houses.Edited:
        station_m = tick_station(design, tick.tick)
        changed = record.with_set(tick.tick, station_m if tick.done else None)
        return houses.Edited(design, changed, tick_words(tick.tick, tick.done))

    return _with_plan(houses.change(store, house_id, houses.Gesture(tick.version, tick.window), edit))
