"""Saved houses: the yard, one house, changes to it, its history."""

from dataclasses import dataclass
from typing import Annotated, Literal

from fastapi import APIRouter, Depends, Path, Query, Request
from starlette.responses import Response

from obtegum.api.models import (
    Back,
    Changes,
    History,
    HouseLine,
    HouseOut,
    NewHouse,
    Own,
    Place,
    RevisionOut,
    VersionOut,
    Yard,
    house_out,
)
from obtegum.api.planning import PROBLEMS, answer
from obtegum.core.catalogue import default_catalogue
from obtegum.core.design import HouseDesign
from obtegum.core.edits import apply_edits, edits_in_words
from obtegum.core.job import Job
from obtegum.core.plan import plan_house, plan_yard
from obtegum.core.record import SiteRecord
from obtegum.core.starters import new_house
from obtegum.store import House, Store, houses
from obtegum.store.houses import Shelf

__all__ = ["HOUSE_PROBLEMS", "Desk", "HouseId", "Kept", "Window", "router", "with_plan"]

HOUSE_PROBLEMS = {**PROBLEMS, 404: PROBLEMS[422], 409: PROBLEMS[422]}
router = APIRouter(prefix="/api/houses", tags=["houses"], responses=HOUSE_PROBLEMS)


def _store(request: Request) -> Store:
    store: Store = request.app.state.store
    return store


Kept = Annotated[Store, Depends(_store)]
ShownStep = Annotated[str | None, Query(max_length=20, alias="step")]


@dataclass(frozen=True)
class Asked:
    """The store, and the step that the asking window shows: only its drawings and tapes are sent."""

    store: Store
    step: str | None


def _asked(store: Kept, step: ShownStep = None) -> Asked:
    return Asked(store, step)


Desk = Annotated[Asked, Depends(_asked)]
HouseId = Annotated[str, Path(max_length=40)]
Window = Annotated[str, Query(max_length=40)]
Version = Annotated[int, Path(ge=1, le=2**31)]


def with_plan(desk: Asked, house: House, window: str = "", status: int = 200) -> Response:
    """A house as it stands, planned, with what the window could undo and redo."""
    plan = plan_house(house.design, house.record, default_catalogue(), desk.step)
    undo, redo = houses.undoable(desk.store, house.id, window)
    return answer(house_out(house, plan, undo, redo), status)


@router.get("", response_model=Yard)
def get_yard(
    store: Kept,
    shelf: Shelf = "standing",
    start: Annotated[int, Query(ge=0, le=1_000_000)] = 0,
    most: Annotated[int, Query(ge=1, le=100)] = 50,
) -> Response:
    """Houses on a shelf by last touched, each with its size, verdict and small drawing."""
    lines = tuple(
        HouseLine(
            id=house.id,
            name=house.design.name,
            touched=house.touched,
            yard=plan_yard(house.design, default_catalogue()),
        )
        for house in houses.newest(store, start, most, shelf)
    )
    return answer(Yard(houses=lines, total=houses.count(store, shelf)))


@router.post("", response_model=HouseOut, status_code=201)
def post_house(desk: Desk, wanted: NewHouse) -> Response:
    """Start a new house, or a copy of one: with its design, and nothing done on site yet."""
    if wanted.copy_of is None:
        house = houses.add(desk.store, new_house(wanted.units), SiteRecord(), "Started")
    else:
        source = houses.get(desk.store, wanted.copy_of).design
        copy = source.model_copy(update={"name": f"{source.name[:73]}, copy"})
        house = houses.add(desk.store, copy, SiteRecord(), f"Copied from {source.name}")
    return with_plan(desk, house, status=201)


@router.get("/{house_id}", response_model=HouseOut)
def get_house(desk: Desk, house_id: HouseId, window: Window = "") -> Response:
    """One house with its plan."""
    return with_plan(desk, houses.get(desk.store, house_id), window)


@router.get("/{house_id}/version", response_model=VersionOut)
def get_version(store: Kept, house_id: HouseId) -> Response:
    """The version a house is at: cheap to ask often."""
    return answer(VersionOut(version=houses.version(store, house_id)))


@router.patch("/{house_id}", response_model=HouseOut)
def patch_house(desk: Desk, house_id: HouseId, changes: Changes) -> Response:
    """Change a house and keep the change."""
    catalogue = default_catalogue()

    def edit(design: HouseDesign, record: SiteRecord) -> houses.Edited:
        changed = apply_edits(Job(design, record), changes.edits, catalogue)
        return houses.Edited(*changed, edits_in_words(changed, changes.edits, catalogue))

    gesture = houses.Gesture(changes.version, changes.window, changes.gesture)
    return with_plan(desk, houses.change(desk.store, house_id, gesture, edit), changes.window)


@router.post("/{house_id}/{way}", response_model=HouseOut)
def post_undo(desk: Desk, house_id: HouseId, way: Literal["undo", "redo"], own: Own) -> Response:
    """Invert this window's own last gesture, or make it again."""
    return with_plan(desk, houses.undo(desk.store, house_id, own.window, way), own.window)


@router.get("/{house_id}/revisions", response_model=History)
def get_revisions(
    store: Kept,
    house_id: HouseId,
    window: Window = "",
    start: Annotated[int, Query(ge=0, le=1_000_000)] = 0,
    most: Annotated[int, Query(ge=1, le=50)] = 20,
) -> Response:
    """What was done to a house, newest first, each with a small drawing."""
    found = []
    for line in houses.revisions(store, house_id, start, most):
        yard = plan_yard(line.design, default_catalogue())
        found.append(
            RevisionOut(
                version=line.version,
                made=line.made,
                words=line.words,
                own=bool(window) and line.window == window,
                size=yard.size,
                drawing=yard.drawing,
            )
        )
    return answer(History(revisions=tuple(found)))


@router.get("/{house_id}/revisions/{version}", response_model=HouseOut)
def get_revision(desk: Desk, house_id: HouseId, version: Version) -> Response:
    """A house as it was."""
    return with_plan(desk, houses.revision(desk.store, house_id, version))


@router.put("/{house_id}/revision", response_model=HouseOut)
def put_revision(desk: Desk, house_id: HouseId, back: Back) -> Response:
    """Bring a version back: a change like any other, which can be undone."""
    old = houses.revision(desk.store, house_id, back.to)
    gesture = houses.Gesture(houses.version(desk.store, house_id), back.window)

    def edit(design: HouseDesign, record: SiteRecord) -> houses.Edited:
        return houses.Edited(old.design, old.record, f"Brought back version {back.to}")

    return with_plan(desk, houses.change(desk.store, house_id, gesture, edit), back.window)


@router.put("/{house_id}/shelf", response_model=HouseOut)
def put_shelf(desk: Desk, house_id: HouseId, place: Place) -> Response:
    """Put a house away, delete it, or bring it back to the yard."""
    return with_plan(desk, houses.shelve(desk.store, house_id, place.shelf))
