"""One saved house: as it stands, changes to it, its history."""

from typing import Annotated, Literal

from fastapi import APIRouter, HTTPException, Path, Query, Request
from starlette.responses import Response

from obtegum.api.desk import Desk, HouseId, Kept, KeptBenches, Version, Window, change, with_plan
from obtegum.api.models import (
    Back,
    Changes,
    History,
    HouseOut,
    Own,
    Remedies,
    RevisionOut,
    TableOut,
    Trial,
    TrialOut,
    VersionOut,
)
from obtegum.api.planning import answer
from obtegum.core.documents.house import HouseDesign, SiteRecord
from obtegum.core.documents.job import Job
from obtegum.core.house.bench import begin
from obtegum.core.house.bodies import Bodies, bodies_of
from obtegum.core.house.edits import edits_in_words
from obtegum.core.house.plan import YardPlan, plan_work, plan_yard, table_of
from obtegum.core.house.remedies import remedies_on
from obtegum.core.house.takes import Piece, Takes, piece_of, takes_of
from obtegum.core.rooms import rooms
from obtegum.core.values.catalogue import default_catalogue
from obtegum.store import gestures, houses

__all__ = ["router"]

router = APIRouter(prefix="/api/houses", tags=["houses"])


@router.get("/{house_id}", response_model=HouseOut)
def get_house(desk: Desk, house_id: HouseId, window: Window = "") -> Response:
    """One house with its plan."""
    return with_plan(desk, houses.get(desk.store, house_id), window)


@router.get("/{house_id}/version", response_model=VersionOut)
def get_version(store: Kept, house_id: HouseId) -> Response:
    """The version a house is at: cheap to ask often."""
    return answer(VersionOut(version=houses.version(store, house_id)))


@router.patch("/{house_id}", response_model=HouseOut)
def patch_house(request: Request, desk: Desk, house_id: HouseId, changes: Changes) -> Response:
    """Change a house and keep the change; a phone gives readings only."""
    if request.scope.get("device") and not all(edit.measure.startswith("record.") for edit in changes.edits):
        raise HTTPException(403, "A phone gives readings. What is planned is changed at the bench.")
    catalogue = default_catalogue()

    def edit(design: HouseDesign, record: SiteRecord) -> houses.Edited:
        changed = desk.edited(design, record, changes.edits)
        return houses.Edited(*changed, edits_in_words(changed, changes.edits, catalogue))

    return change(desk, house_id, changes.version, changes.window, edit, changes.gesture)


@router.post("/{house_id}/trials", response_model=TrialOut)
def post_trial(store: Kept, benches: KeptBenches, house_id: HouseId, trial: Trial) -> Response:
    """Try edits on a house as it stands; nothing is kept of it."""
    with benches.hand():
        house = houses.get(store, house_id)
        _, work = benches.edited(house.design, house.record, trial.edits)
        return answer(TrialOut(plan=plan_work(work, trial.step, view=trial.view)))


@router.get("/{house_id}/remedies", response_model=Remedies)
def get_remedies(store: Kept, benches: KeptBenches, house_id: HouseId) -> Response:
    """Ways out of what is tight or fails; each was judged in full and found better."""
    house = houses.get(store, house_id)
    job = Job(house.design, house.record)
    return answer(Remedies(remedies=tuple(remedies_on(benches.begin(*job), job, benches.give_way))))


@router.get("/{house_id}/tables/{view}", response_model=TableOut)
def get_table(
    store: Kept,
    benches: KeptBenches,
    house_id: HouseId,
    view: Annotated[str, Path(max_length=20)],
    version: Annotated[int | None, Query(ge=1, le=2**31)] = None,
) -> Response:
    """The numbers of a drawing of a house as it stands, or as it was at a version."""
    house = houses.get(store, house_id) if version is None else houses.revision(store, house_id, version)
    try:
        return answer(TableOut(rows=table_of(benches.begin(house.design, house.record), view)))
    except LookupError:
        raise HTTPException(404, "There is no such drawing.") from None


@router.get("/{house_id}/bodies", response_model=Bodies)
def get_bodies(
    store: Kept,
    benches: KeptBenches,
    house_id: HouseId,
    version: Annotated[int | None, Query(ge=1, le=2**31)] = None,
) -> Response:
    """The house in the round, as it stands or as it was at a version: every member as a body, in building order."""
    house = houses.get(store, house_id) if version is None else houses.revision(store, house_id, version)
    return answer(bodies_of(benches.begin(house.design, house.record)))


@router.get("/{house_id}/takes/{step}", response_model=Takes)
def get_takes(
    store: Kept,
    benches: KeptBenches,
    house_id: HouseId,
    step: Annotated[str, Path(max_length=40)],
    version: Annotated[int | None, Query(ge=1, le=2**31)] = None,
) -> Response:
    """What a step of a house takes, as it stands or as it was at a version: its members, and what joins them."""
    house = houses.get(store, house_id) if version is None else houses.revision(store, house_id, version)
    work = benches.begin(house.design, house.record)
    room = next((room for room in rooms() if room.standing(work)["id"] == step), None)
    if room is None:
        raise HTTPException(404, "There is no such step.")
    return answer(takes_of(work, room))


@router.get("/{house_id}/parts/{part}", response_model=Piece)
def get_part(
    store: Kept,
    benches: KeptBenches,
    house_id: HouseId,
    part: Annotated[str, Path(max_length=60)],
    version: Annotated[int | None, Query(ge=1, le=2**31)] = None,
) -> Response:
    """What a part of a drawing is: of what, how long, on what it rests and what joins it."""
    house = houses.get(store, house_id) if version is None else houses.revision(store, house_id, version)
    try:
        return answer(piece_of(benches.begin(house.design, house.record), part))
    except LookupError:
        raise HTTPException(404, "No member of the house has that name.") from None


@router.post("/{house_id}/{way}", response_model=HouseOut)
def post_undo(desk: Desk, request: Request, house_id: HouseId, way: Literal["undo", "redo"], own: Own) -> Response:
    """Invert this window's own last gesture, or make it again; a phone's are readings only."""
    gesture, phone = houses.Gesture(None, own.window, request=desk.request), bool(request.scope.get("device"))
    return with_plan(desk, gestures.undo(desk.store, house_id, gesture, way, desk.sound, phone), own.window)


def _small(design: HouseDesign | None) -> YardPlan | None:
    """A small drawing of a version, where one can be made."""
    try:
        return plan_yard(begin(design, SiteRecord(), default_catalogue())) if design else None
    except Exception:
        return None


@router.get("/{house_id}/revisions", response_model=History)
def get_revisions(
    store: Kept,
    house_id: HouseId,
    window: Window = "",
    start: Annotated[int, Query(ge=0, le=1_000_000)] = 0,
    most: Annotated[int, Query(ge=1, le=50)] = 20,
) -> Response:
    """What was done to a house, newest first, each with a small drawing."""
    # One more than asked for says whether there are earlier ones.
    lines = houses.revisions(store, house_id, start, most + 1)
    found = []
    for line in lines[:most]:
        small = _small(line.design)
        found.append(
            RevisionOut(
                version=line.version,
                made=line.made,
                words=line.words,
                own=bool(window) and line.window == window,
                size=small.size if small else "",
                drawing=small.drawing if small else None,
            )
        )
    return answer(History(revisions=tuple(found), more=len(lines) > most))


@router.get("/{house_id}/revisions/{version}", response_model=HouseOut)
def get_revision(desk: Desk, house_id: HouseId, version: Version) -> Response:
    """A house as it was."""
    return with_plan(desk, houses.revision(desk.store, house_id, version))


@router.put("/{house_id}/revision", response_model=HouseOut)
def put_revision(desk: Desk, house_id: HouseId, back: Back) -> Response:
    """Bring a version back: a change like any other, which can be undone."""
    old = houses.revision(desk.store, house_id, back.to)
    return with_plan(
        desk, houses.bring_back(desk.store, house_id, old, back.window, desk.request, desk.sound), back.window
    )
