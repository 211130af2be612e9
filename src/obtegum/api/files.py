"""Files out and in: houses, tables, sheets, and the whole data folder."""

import os
import re
import time
from collections.abc import Callable, Iterator
from dataclasses import asdict
from pathlib import Path as FilePath
from typing import Annotated, Any, Literal, TypeVar
from urllib.parse import quote

from fastapi import APIRouter, HTTPException, Path, Query, Request
from starlette.background import BackgroundTask
from starlette.concurrency import run_in_threadpool
from starlette.responses import FileResponse, Response

from obtegum.api.beside import Beside
from obtegum.api.desk import Desk, HouseId, Kept, Lane, Window, WorkName, change, with_plan
from obtegum.api.models import BesideOut, FileOut, FilesOut, HouseOut, NamedHouse, RestoredOut
from obtegum.api.planning import answer
from obtegum.core.documents.house import HouseDesign, SiteRecord
from obtegum.core.documents.job import Job
from obtegum.core.face.faces import Page
from obtegum.core.house.bench import begin
from obtegum.core.house.plan import HousePlan, plan_house, plan_work
from obtegum.core.rooms import rooms, views
from obtegum.core.values.catalogue import default_catalogue
from obtegum.core.values.trouble import DesignError, Trouble
from obtegum.exchange.housefile import as_it_is, read_house_file, write_house_file
from obtegum.exchange.phone import step_html
from obtegum.exchange.readings import read_readings
from obtegum.exchange.sheet import Paper
from obtegum.exchange.tables import all_tables, table_csv
from obtegum.store import House, Store, Unreadable, houses
from obtegum.store.backup import BEFORE, BackupError, Tell, write_backup
from obtegum.store.causes import named
from obtegum.store.restore import Restored, restore
from obtegum.store.salvage import lacking

__all__ = ["as_file", "disposition", "made", "own_file", "paper_for", "router", "taken_in"]

CSV = "text/csv; charset=utf-8"
# Says with a backup what it lacks, percent-encoded.
LACKS = "x-obtegum-lacks"
router = APIRouter(prefix="/api", tags=["files"])


def taken_in(*types: str) -> dict[str, Any]:
    """Says in the API's description what a file's body is sent as."""
    content = {each: {"schema": {"type": "string"}} for each in types}
    return {"requestBody": {"required": True, "content": content}}


def disposition(name: str) -> dict[str, str]:
    """A download's name, given plain and in full, as names may hold any letter."""
    plain = re.sub(r"[^A-Za-z0-9. -]", "_", name)
    return {"content-disposition": f"attachment; filename=\"{plain}\"; filename*=UTF-8''{quote(name, safe='')}"}


def as_file(content: str | bytes, name: str, media_type: str) -> Response:
    return Response(content, media_type=media_type, headers=disposition(name))


def _plan(house: House) -> HousePlan:
    return plan_house(house.design, house.record, default_catalogue(), slow=True)


SHEET = "Set-out and bend sheet"
# What every house has to take away, whatever rooms there are.
FIRST = (
    FileOut(name="sheet.pdf?paper=letter", label=f"{SHEET}, Letter", about="PDF with readings to tick", long=True),
    FileOut(name="sheet.pdf?paper=a4", label=f"{SHEET}, A4", about="the same on A4", long=True),
)
LAST = (
    FileOut(name="photos.zip", label="Photos", about="ZIP of the pictures taken with cards, and a list", long=True),
    FileOut(name="file", label="The house", about="JSON, to keep or to open elsewhere, without its photos"),
)


def _hung(page: Page) -> Iterator[FileOut]:
    """A page to hang up by itself, on either paper, and for a phone."""
    for paper, words in (("letter", "Letter"), ("a4", "A4")):
        name = f"{page.alone}.pdf?paper={paper}"
        about = "PDF, not on the sheet" if page.apart else "PDF, one page to hang up"
        yield FileOut(name=name, label=f"{page.title}, {words}", about=about, long=True)
    if not page.apart:
        yield FileOut(name=f"{page.alone}.html", label=f"{page.title}, for a phone", about="one page, nothing fetched")


@router.get("/files", response_model=FilesOut)
def get_files() -> Response:
    """What can be taken away of a house, in working order, and what is set beside it."""
    pages = (page for room in rooms() for page in room.pages if page.alone)
    hung = tuple(each for page in pages for each in _hung(page))
    made = tuple(
        FileOut(name=each.name, label=each.label, about=each.about, long=each.long)
        for room in rooms()
        for each in room.files
    )
    tables = tuple(
        FileOut(name=f"{each.name}.csv", label=each.label, about=f"CSV, {each.about}") for each in all_tables().values()
    )
    beside = tuple(BesideOut(**asdict(each)) for room in rooms() for each in room.beside)
    return answer(FilesOut(files=(*FIRST, *hung, *made, *tables, *LAST), beside=beside))


@router.get("/houses/{house_id}/file")
def get_file(store: Kept, house_id: HouseId) -> Response:
    """A house as a JSON file, to keep or to read elsewhere; one that can't be read as it is kept."""
    try:
        house = houses.get(store, house_id)
    except Unreadable:
        return as_file(as_it_is(houses.as_kept(store, house_id)), "house as kept.json", "application/json")
    return as_file(write_house_file(house.design, house.record), f"{house.design.name}.json", "application/json")


@router.post("/house-files", response_model=HouseOut, status_code=201, openapi_extra=taken_in("application/json"))
async def post_file(desk: Desk, request: Request) -> Response:
    """A house from a JSON file; all of it is checked before anything is kept."""
    text = await request.body()

    def keep() -> Response:
        design, record = read_house_file(text)
        begin(design, record, default_catalogue())
        house = houses.add(desk.store, design, record, "Read from a file", desk.request, desk.sound)
        return with_plan(desk, house, status=201)

    return await run_in_threadpool(keep)


@router.get("/houses/{house_id}/{table}.csv")
def get_table_file(store: Kept, house_id: HouseId, table: Annotated[str, Path(max_length=40)]) -> Response:
    """A table that a room brings, as CSV: pegs, tapings, levels, stick marks."""
    if table not in all_tables():
        raise HTTPException(404, f"There is no table “{table}” to take away.")
    house = houses.get(store, house_id)
    work = begin(house.design, house.record, default_catalogue())
    return as_file(table_csv(table, work), f"{house.design.name} {table}.csv", CSV)


@router.post("/houses/{house_id}/readings", response_model=HouseOut, openapi_extra=taken_in("text/csv", "text/plain"))
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

    return await run_in_threadpool(lambda: change(desk, house_id, None, window, edit))


@router.get("/houses/{house_id}/setting-out.dxf")
async def get_dxf(store: Kept, lane: Lane, house_id: HouseId, work: WorkName = "") -> Response:
    """The setting-out as DXF in metres, a layer for each kind of thing."""

    def make(house: House) -> str:
        from obtegum.exchange.cad import setting_out_dxf

        return setting_out_dxf(begin(house.design, house.record, default_catalogue()))

    house, content = await made(store, lane, house_id, work, make)
    return as_file(content, f"{house.design.name} setting-out.dxf", "image/vnd.dxf")


@router.get("/houses/{house_id}/{drawn}.dxf")
async def get_drawn(
    store: Kept, lane: Lane, house_id: HouseId, drawn: Annotated[str, Path(max_length=40)], work: WorkName = ""
) -> Response:
    """Drawings that a room offers as DXF, in metres and true size: both ends."""
    file = next((each for room in rooms() for each in room.files if each.name == f"{drawn}.dxf" and each.views), None)
    if file is None:
        raise HTTPException(404, f"There is no drawing “{drawn}” to take away.")

    def make(house: House) -> str:
        from obtegum.exchange.cad import drawings_dxf

        bench = begin(house.design, house.record, default_catalogue())
        return drawings_dxf([views()[name](bench) for name in file.views])

    house, content = await made(store, lane, house_id, work, make)
    return as_file(content, f"{house.design.name} {file.name}", "image/vnd.dxf")


@router.get("/houses/{house_id}/setting-out.geojson")
def get_geojson(store: Kept, house_id: HouseId) -> Response:
    """The setting-out as GeoJSON: placed where corner A and the bearing are known, else in local metres."""
    from obtegum.exchange.geo import setting_out_geojson

    house = houses.get(store, house_id)
    work = begin(house.design, house.record, default_catalogue())
    return as_file(setting_out_geojson(work), f"{house.design.name} setting-out.geojson", "application/geo+json")


@router.get("/houses/{house_id}/sheet.pdf")
async def get_sheet(
    store: Kept,
    lane: Lane,
    house_id: HouseId,
    paper: Annotated[Literal["letter", "a4"] | None, Query()] = None,
    work: WorkName = "",
) -> Response:
    """The set-out and bend sheet: Letter for houses in feet, A4 for metric ones, unless asked otherwise."""

    def make(house: House) -> bytes:
        from obtegum.exchange.pdf import sheet_pdf

        return sheet_pdf(_plan(house), house.version, time.strftime("%Y-%m-%d"), paper_for(house, paper))

    house, content = await made(store, lane, house_id, work, make)
    return as_file(content, f"{house.design.name} sheet.pdf", "application/pdf")


@router.get("/houses/{house_id}/{drawn}-true-size.pdf")
async def get_tiled(
    store: Kept,
    lane: Lane,
    house_id: HouseId,
    drawn: Annotated[str, Path(max_length=40)],
    paper: Annotated[Literal["letter", "a4"] | None, Query()] = None,
    work: WorkName = "",
) -> Response:
    """A drawing that a room offers at true size, over as many sheets as it takes, to stick together."""
    name = f"{drawn}-true-size.pdf"
    file = next((each for room in rooms() for each in room.files if each.tiled and each.name.startswith(name)), None)
    if file is None:
        raise HTTPException(404, f"There is no drawing “{drawn}” at true size.")

    def make(house: House) -> bytes:
        from obtegum.exchange.tiles import tiled_pdf

        bench = begin(house.design, house.record, default_catalogue())
        drawing, units = views()[file.tiled](bench), house.design.tape.units
        return tiled_pdf(drawing, house.design.name, paper_for(house, paper), units)

    house, content = await made(store, lane, house_id, work, make)
    return as_file(content, f"{house.design.name} {name}", "application/pdf")


@router.get("/houses/{house_id}/{page}.pdf")
async def get_page(
    store: Kept,
    lane: Lane,
    house_id: HouseId,
    page: Annotated[str, Path(max_length=40)],
    paper: Annotated[Literal["letter", "a4"] | None, Query()] = None,
    work: WorkName = "",
) -> Response:
    """One page of the sheet that is made to hang up by itself."""
    title = _alone(page).title

    def make(house: House) -> bytes:
        from obtegum.exchange.pdf import sheet_pdf

        bench = begin(house.design, house.record, default_catalogue())
        today = time.strftime("%Y-%m-%d")
        return sheet_pdf(plan_work(bench, slow=True), house.version, today, paper_for(house, paper), page, bench)

    house, content = await made(store, lane, house_id, work, make)
    return as_file(content, f"{house.design.name} {title.lower()}.pdf", "application/pdf")


@router.get("/houses/{house_id}/{page}.html")
async def get_phone_page(
    store: Kept, lane: Lane, house_id: HouseId, page: Annotated[str, Path(max_length=40)], work: WorkName = ""
) -> Response:
    """The same for a phone."""
    found = _alone(page, phone=True)

    def make(house: House) -> str:
        plan = plan_house(house.design, house.record, default_catalogue(), found.step)
        step = next(each for each in plan.steps if each.id == found.step)
        return step_html(plan, step, found.title, time.strftime("%Y-%m-%d"))

    house, content = await made(store, lane, house_id, work, make)
    return as_file(content, f"{house.design.name} {found.title.lower()}.html", "text/html; charset=utf-8")


def _alone(name: str, phone: bool = False) -> Page:
    """A page that is made to hang up by itself. Raises: HTTPException when there is none of that name, or what is asked
    for a phone is worked out for paper alone."""
    found = next((page for room in rooms() for page in room.pages if page.alone and page.alone == name), None)
    if found is None or (phone and found.apart):
        raise HTTPException(404, f"There is no page “{name}” to hang up.")
    return found


def paper_for(house: House, paper: Paper | None) -> Paper:
    """The paper that is asked for, or what is in the printers where a house has its units."""
    return paper or ("letter" if house.design.tape.units == "feet" else "a4")


Content = TypeVar("Content", str, bytes)


async def made(
    store: Store, lane: Beside, house_id: str, work: str, make: Callable[[House], Content]
) -> tuple[House, Content]:
    """Something made of a house beside the bench's own work."""
    house = await run_in_threadpool(lambda: houses.get(store, house_id))
    return house, await lane.run(work, lambda tell: make(house))


def own_file(store: Store) -> FilePath:
    """A name for a file that is gone after this request; one left by a crash goes at a later start."""
    return store.folder / f"request.{os.getpid()}.{time.monotonic_ns()}.part"


@router.get("/backup")
async def get_backup(store: Kept, lane: Lane, work: WorkName = "") -> Response:
    """Every house with its history, as one file."""
    file = own_file(store)
    _, lacks = await lane.run(work, lambda tell: write_backup(store, file, tell))
    name = f"obtegum {time.strftime('%Y-%m-%d')}{', not whole' if lacks else ''}.zip"
    # What is damaged here isn't in it: who takes it away is told.
    told = {LACKS: quote(lacking(lacks))} if lacks else {}
    return FileResponse(
        file, media_type="application/zip", headers=disposition(name) | told, background=BackgroundTask(file.unlink)
    )


@router.post("/backup", response_model=RestoredOut, openapi_extra=taken_in("application/zip"))
async def post_backup(desk: Desk, lane: Lane, request: Request, work: WorkName = "") -> Response:
    """Replace everything by a backup; all of it is checked before anything is replaced."""
    file = own_file(desk.store)
    try:
        with named(), file.open("xb") as out:
            os.fchmod(out.fileno(), 0o600)
            async for chunk in request.stream():
                await run_in_threadpool(out.write, chunk)
        return await _restored(desk, lane, file, work)
    finally:
        file.unlink(missing_ok=True)


@router.post("/backup/before", response_model=RestoredOut)
async def post_before(desk: Desk, lane: Lane, work: WorkName = "") -> Response:
    """Bring back what was here before the last backup was brought back."""
    file = desk.store.folder / BEFORE
    if not file.is_file():
        raise BackupError("No backup was brought back here, so there is nothing from before it.")
    return await _restored(desk, lane, file, work)


async def _restored(desk: Desk, lane: Beside, file: FilePath, work: str) -> Response:
    def bring_back(tell: Tell) -> Restored:
        return restore(desk.store, file, desk.judge, tell)

    found = await lane.run(work, bring_back)
    return answer(
        RestoredOut(
            houses=found.houses,
            left_out=tuple(NamedHouse(name=each.name, why=each.why) for each in found.left_out),
            unplanned=tuple(NamedHouse(name=each.name, why=each.why) for each in found.unplanned),
        )
    )
