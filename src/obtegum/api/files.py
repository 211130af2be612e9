"""Files out and in: houses, tables, sheets, and the whole data folder."""

import re
import time
from typing import Annotated, Literal
from urllib.parse import quote

from fastapi import APIRouter, Query, Request
from starlette.concurrency import run_in_threadpool
from starlette.responses import Response

from obtegum.api.houses import HOUSE_PROBLEMS, Desk, HouseId, Kept, Window, with_plan
from obtegum.api.models import HouseOut, Restored
from obtegum.api.planning import answer
from obtegum.core.catalogue import default_catalogue
from obtegum.core.design import HouseDesign
from obtegum.core.job import Job
from obtegum.core.plan import HousePlan, plan_house
from obtegum.core.record import SiteRecord
from obtegum.core.trouble import DesignError, Trouble
from obtegum.core.work import begin
from obtegum.exchange.housefile import read_house_file, write_house_file
from obtegum.exchange.readings import levels_csv, read_readings, tapings_csv
from obtegum.exchange.tables import pegs_csv, stick_marks_csv
from obtegum.store import House, houses
from obtegum.store.backup import read_backup, restore, write_backup

__all__ = ["router"]

CSV = "text/csv; charset=utf-8"
router = APIRouter(prefix="/api", tags=["files"], responses=HOUSE_PROBLEMS)


def _file(content: str | bytes, name: str, media_type: str) -> Response:
    """A download; its name is given plain and in full, as names may hold any letter."""
    plain = re.sub(r"[^A-Za-z0-9. -]", "_", name)
    disposition = f"attachment; filename=\"{plain}\"; filename*=UTF-8''{quote(name)}"
    return Response(content, media_type=media_type, headers={"content-disposition": disposition})


def _plan(house: House) -> HousePlan:
    return plan_house(house.design, house.record, default_catalogue())


@router.get("/houses/{house_id}/file")
def get_file(store: Kept, house_id: HouseId) -> Response:
    """A house as a JSON file, to keep or to read elsewhere."""
    house = houses.get(store, house_id)
    return _file(write_house_file(house.design, house.record), f"{house.design.name}.json", "application/json")


@router.post("/house-files", response_model=HouseOut, status_code=201)
async def post_file(desk: Desk, request: Request) -> Response:
    """A house from a JSON file; all of it is checked before anything is kept."""
    text = await request.body()

    def keep() -> Response:
        design, record = read_house_file(text)
        begin(design, record, default_catalogue())
        return with_plan(desk, houses.add(desk.store, design, record, "Read from a file"), status=201)

    return await run_in_threadpool(keep)


@router.get("/houses/{house_id}/pegs.csv")
def get_pegs(store: Kept, house_id: HouseId) -> Response:
    """The peg list as CSV."""
    house = houses.get(store, house_id)
    return _file(pegs_csv(_plan(house), house.record), f"{house.design.name} pegs.csv", CSV)


@router.get("/houses/{house_id}/levels.csv")
def get_levels(store: Kept, house_id: HouseId) -> Response:
    """Rod readings at pegs and spots as CSV, to be read in again."""
    house = houses.get(store, house_id)
    return _file(levels_csv(Job(house.design, house.record)), f"{house.design.name} levels.csv", CSV)


@router.get("/houses/{house_id}/tapings.csv")
def get_tapings(store: Kept, house_id: HouseId) -> Response:
    """Every round of taping as CSV, to be read in again."""
    house = houses.get(store, house_id)
    return _file(tapings_csv(Job(house.design, house.record)), f"{house.design.name} tapings.csv", CSV)


@router.post("/houses/{house_id}/readings", response_model=HouseOut)
async def post_readings(desk: Desk, house_id: HouseId, request: Request, window: Window = "") -> Response:
    """Levels, tapings or a peg list as CSV or pasted text; every line is checked before any is kept."""
    data = await request.body()
    try:
        text = data.decode("utf-8")
    except UnicodeDecodeError:
        raise DesignError([Trouble(path="readings", sentence="That is not text: save it as CSV in UTF-8.")]) from None

    def edit(design: HouseDesign, record: SiteRecord) -> houses.Edited:
        changed, words = read_readings(text, Job(design, record))
        return houses.Edited(design, changed, words)

    def keep() -> Response:
        gesture = houses.Gesture(houses.version(desk.store, house_id), window)
        return with_plan(desk, houses.change(desk.store, house_id, gesture, edit), window)

    return await run_in_threadpool(keep)


@router.get("/houses/{house_id}/setting-out.dxf")
def get_dxf(store: Kept, house_id: HouseId) -> Response:
    """The setting-out as DXF in metres, a layer for each kind of thing."""
    from obtegum.exchange.cad import setting_out_dxf

    house = houses.get(store, house_id)
    work = begin(house.design, house.record, default_catalogue())
    return _file(setting_out_dxf(work, _plan(house)), f"{house.design.name} setting-out.dxf", "image/vnd.dxf")


@router.get("/houses/{house_id}/setting-out.geojson")
def get_geojson(store: Kept, house_id: HouseId) -> Response:
    """The setting-out as GeoJSON: placed where corner A and the bearing are known, else in local metres."""
    from obtegum.exchange.geo import setting_out_geojson

    house = houses.get(store, house_id)
    work = begin(house.design, house.record, default_catalogue())
    return _file(setting_out_geojson(work), f"{house.design.name} setting-out.geojson", "application/geo+json")


@router.get("/houses/{house_id}/sticks.csv")
def get_sticks(store: Kept, house_id: HouseId) -> Response:
    """The marks of every stick as CSV."""
    house = houses.get(store, house_id)
    return _file(stick_marks_csv(_plan(house)), f"{house.design.name} sticks.csv", CSV)


@router.get("/houses/{house_id}/sheet.pdf")
def get_sheet(
    store: Kept, house_id: HouseId, paper: Annotated[Literal["letter", "a4"] | None, Query()] = None
) -> Response:
    """The set-out and bend sheet: Letter for houses in feet, A4 for metric ones, unless asked otherwise."""
    from obtegum.exchange.pdf import sheet_pdf

    house = houses.get(store, house_id)
    wanted = paper or ("letter" if house.design.tape.units == "feet" else "a4")
    content = sheet_pdf(_plan(house), house.version, time.strftime("%Y-%m-%d"), wanted)
    return _file(content, f"{house.design.name} sheet.pdf", "application/pdf")


@router.get("/backup")
def get_backup(store: Kept) -> Response:
    """Every house with its history, as one file."""
    return _file(write_backup(store), f"obtegum {time.strftime('%Y-%m-%d')}.zip", "application/zip")


@router.post("/backup", response_model=Restored)
async def post_backup(store: Kept, request: Request) -> Response:
    """Replace everything by a backup; all of it is checked before anything is replaced."""
    data = await request.body()
    return answer(Restored(houses=await run_in_threadpool(lambda: restore(store, read_backup(data)))))
