"""Photographs of the work: taken with a card, shown with it, taken out again, and all of a house's as one file."""

import csv
import io
import re
import time
import zipfile
from pathlib import Path as FilePath
from typing import Annotated

from fastapi import APIRouter, HTTPException, Path, Query, Request
from starlette.background import BackgroundTask
from starlette.concurrency import run_in_threadpool
from starlette.responses import FileResponse, Response

from obtegum.api.carried import PhotoOut
from obtegum.api.desk import Desk, HouseId, Kept, Lane, Window, WorkName, change
from obtegum.api.files import disposition, own_file, taken_in
from obtegum.api.models import HouseOut
from obtegum.core.documents.base import IMAGE, Photo
from obtegum.core.documents.house import HouseDesign, SiteRecord
from obtegum.core.house.bench import begin
from obtegum.core.house.cards import cards_of, name_of_card, told_of_card
from obtegum.core.values.catalogue import default_catalogue
from obtegum.core.values.trouble import DesignError, Trouble
from obtegum.exchange.photo import TYPES, as_kept
from obtegum.store import House, Store, houses
from obtegum.store.images import keep_image, read_image

__all__ = ["photos_of", "router"]

router = APIRouter(prefix="/api/houses", tags=["site"])

PhotoName = Annotated[str, Path(pattern=IMAGE)]
DAY = "%Y-%m-%d %H:%M"


def photos_of(house: House, card: str) -> tuple[PhotoOut, ...]:
    """The pictures of a card, in the order in which they were taken."""
    own = sorted((kept.taken_s, name) for name, kept in house.record.photos.items() if kept.card == card)
    return tuple(_shown(house, name) for _, name in own)


def _shown(house: House, name: str) -> PhotoOut:
    photo = house.record.photos[name]
    taken = time.strftime(DAY, time.localtime(photo.taken_s))
    return PhotoOut(id=name, href=f"/api/houses/{house.id}/photos/{photo.image}", taken=taken, told=photo.told)


@router.post("/{house_id}/photos", response_model=HouseOut, openapi_extra=taken_in(*sorted(TYPES)))
async def post_photo(
    desk: Desk,
    lane: Lane,
    house_id: HouseId,
    request: Request,
    step: Annotated[str, Query(max_length=20)],
    card: Annotated[str, Query(max_length=110)],
    taken_s: Annotated[float | None, Query(ge=0, le=1e11)] = None,
    window: Window = "",
) -> Response:
    """A picture with a card, made small and bare of all but what is seen; it stands on whatever is there."""
    body = await request.body()
    await run_in_threadpool(lambda: houses.version(desk.store, house_id))
    image = await lane.run("", lambda tell: as_kept(body))
    now_s = time.time()

    def edit(design: HouseDesign, record: SiteRecord) -> houses.Edited:
        work = begin(design, record, default_catalogue())
        try:
            found = next((each for each in cards_of(work, step) if name_of_card(each) == card), None)
        except LookupError:
            found = None
        if found is None:
            raise DesignError([Trouble(path="card", sentence="The card that the picture is of isn’t there any more.")])
        told = told_of_card(found)
        taken = now_s if taken_s is None else min(taken_s, now_s)
        photo = Photo(card=card, told=told, image=name, taken_s=taken)
        return houses.Edited(design, record.with_photo(photo), f"Picture of {told}"[:200])

    name = await run_in_threadpool(lambda: keep_image(desk.store, house_id, image))
    return await run_in_threadpool(lambda: change(desk, house_id, None, window, edit))


@router.get("/{house_id}/photos/{image}")
def get_photo(store: Kept, house_id: HouseId, image: PhotoName) -> Response:
    """A picture as JPEG. It never changes under its name."""
    try:
        body = read_image(store, house_id, image)
    except LookupError:
        raise HTTPException(404, "That picture isn’t kept here.") from None
    headers = {"cache-control": "private, max-age=31536000, immutable"}
    return Response(body, media_type="image/jpeg", headers=headers)


@router.delete("/{house_id}/photos/{name}", response_model=HouseOut)
def delete_photo(desk: Desk, house_id: HouseId, name: PhotoName, window: Window = "") -> Response:
    """Take a picture out of the house; undo brings it back."""

    def edit(design: HouseDesign, record: SiteRecord) -> houses.Edited:
        photo = record.photos.get(name)
        if photo is None:
            raise DesignError([Trouble(path="photo", sentence="That picture has been taken out already.")])
        return houses.Edited(design, record.without_photo(name), f"Picture of {photo.told} taken out"[:200])

    return change(desk, house_id, None, window, edit)


@router.get("/{house_id}/photos.zip")
async def get_photos(store: Kept, lane: Lane, house_id: HouseId, work: WorkName = "") -> Response:
    """Every picture of the work as a file, with a list of what each shows."""
    house = await run_in_threadpool(lambda: houses.get(store, house_id))
    if not house.record.photos:
        raise HTTPException(404, "No picture was taken with a card yet.")
    file = own_file(store)
    await lane.run(work, lambda tell: _write(store, house, file))
    name = f"{house.design.name} photos.zip"
    return FileResponse(
        file, media_type="application/zip", headers=disposition(name), background=BackgroundTask(file.unlink)
    )


def _write(store: Store, house: House, file: FilePath) -> None:
    listed = io.StringIO()
    rows = csv.writer(listed)
    rows.writerow(("file", "taken", "shows"))
    inside = sorted(house.record.photos.values(), key=lambda each: each.taken_s)
    with zipfile.ZipFile(file, "x") as pack:
        for number, photo in enumerate(inside, start=1):
            words = re.sub("[^A-Za-z0-9.-]+", " ", photo.told).strip()[:60]
            name = f"{number:03d} {words}.jpg"
            try:
                pack.writestr(zipfile.ZipInfo(name), read_image(store, house.id, photo.image))
            except LookupError:
                # Its card tells of it still, as in a backup from which pictures were taken.
                name = "not here any more"
            taken = time.strftime(DAY, time.localtime(photo.taken_s))
            rows.writerow((name, taken, photo.told))
        pack.writestr("photos.csv", listed.getvalue())
