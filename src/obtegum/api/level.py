"""Levelling through the API: spots, and the linked laser level at a spot or a peg."""

from typing import Annotated

from fastapi import APIRouter, Path, Query, Request
from starlette.responses import Response

from obtegum.api.desk import Desk, HouseId, Kept, Window, change
from obtegum.api.models import HouseOut, LevelShot, NewSpot, SpotOut, SpotsOut
from obtegum.api.planning import answer
from obtegum.core.documents.house import HouseDesign, SiteRecord
from obtegum.core.documents.level import Spot
from obtegum.core.face.edit import Edit
from obtegum.core.findings.skeleton.spots import (
    peg_place,
    read_place,
    read_rod,
    spot_place,
    spot_words,
    with_spot,
    without_spot,
)
from obtegum.core.house.edits import edits_in_words
from obtegum.core.values.catalogue import default_catalogue
from obtegum.core.values.quantity import length_text
from obtegum.devices.level import LevelError, LevelLink
from obtegum.store import houses

__all__ = ["router"]

router = APIRouter(prefix="/api/houses", tags=["site"])


def _laser(request: Request) -> LevelLink:
    """The linked laser level. Raises: LevelError when there is none."""
    link: LevelLink | None = request.app.state.level
    if link is None:
        raise LevelError("No laser level is linked. Start with --level and its address, or type what the rod reads.")
    return link


@router.get("/{house_id}/spots", response_model=SpotsOut)
def get_spots(
    store: Kept,
    house_id: HouseId,
    start: Annotated[int, Query(ge=0, le=10_000)] = 0,
    most: Annotated[int, Query(ge=1, le=200)] = 20,
) -> Response:
    """Spots where the rod was read, last kept first, a page of them."""
    house = houses.get(store, house_id)
    tape, spots = house.design.tape, house.record.levels.spots
    page = list(reversed(spots.items()))[start : start + most]
    found = (
        SpotOut(id=name, place=spot_place(spot, tape), reading=length_text(spot.reading_m, tape)) for name, spot in page
    )
    return answer(SpotsOut(spots=tuple(found), total=len(spots)))


@router.post("/{house_id}/spots", response_model=HouseOut)
def post_spot(request: Request, desk: Desk, house_id: HouseId, wanted: NewSpot) -> Response:
    """Keep a spot as typed, or with what the laser level reads there; one read before is read anew."""
    house = houses.get(desk.store, house_id)
    x_m, y_m = read_place(wanted.along, wanted.across, house.design.tape)
    if wanted.rod is None:
        reading_m = round(_laser(request).read(x_m, y_m).reading_m, 4)
    else:
        reading_m = read_rod(wanted.rod, house.design)
    spot = Spot(x_m=x_m, y_m=y_m, reading_m=reading_m)

    def edit(design: HouseDesign, record: SiteRecord) -> houses.Edited:
        return houses.Edited(design, with_spot(record, spot), spot_words(spot, design.tape))

    # One spot more never clashes with another: it is kept on top of whatever stands.
    return change(desk, house_id, None, wanted.window, edit)


@router.delete("/{house_id}/spots/{spot}", response_model=HouseOut)
def delete_spot(
    desk: Desk,
    house_id: HouseId,
    spot: Annotated[str, Path(max_length=20)],
    version: Annotated[int, Query(ge=1, le=2**31)],
    window: Window = "",
) -> Response:
    """Take a spot out."""

    def edit(design: HouseDesign, record: SiteRecord) -> houses.Edited:
        changed, taken = without_spot(record, spot)
        return houses.Edited(design, changed, f"Taken out: {spot_words(taken, design.tape).lower()}")

    return change(desk, house_id, version, window, edit)


@router.post("/{house_id}/level-shots", response_model=HouseOut)
def post_level_shot(request: Request, desk: Desk, house_id: HouseId, wanted: LevelShot) -> Response:
    """Read the laser level with the rod at a peg, and keep the reading."""
    house = houses.get(desk.store, house_id)
    live = _laser(request).read(*peg_place(house.design, wanted.peg))
    edits = (Edit(measure=f"record.levels.pegs.{wanted.peg}", text=f"{live.reading_m:.4f} m"),)

    def edit(design: HouseDesign, record: SiteRecord) -> houses.Edited:
        changed = desk.edited(design, record, edits)
        return houses.Edited(*changed, edits_in_words(changed, edits, default_catalogue()))

    return change(desk, house_id, wanted.version, wanted.window, edit)
