"""Errors as problem details (RFC 9457), each with a sentence that a grower understands."""

from collections.abc import Sequence
from typing import Any

from fastapi import FastAPI, Request
from fastapi.exceptions import RequestValidationError
from starlette.exceptions import HTTPException
from starlette.requests import ClientDisconnect
from starlette.responses import Response

from obtegum.api.beside import Stopped
from obtegum.api.models import ClashOut, FieldTrouble, HouseOut, Problem, house_out
from obtegum.core.documents.job import Job
from obtegum.core.documents.reading import tape_in, troubles_of
from obtegum.core.house.measures import find_measure, shown_at
from obtegum.core.house.offers import tried
from obtegum.core.house.plan import plan_house
from obtegum.core.values.catalogue import default_catalogue
from obtegum.core.values.trouble import DesignError, Trouble
from obtegum.devices.trouble import DeviceError
from obtegum.store import Clash, Conflict, House, NoSuchHouse, NotUndone, StoreTrouble, Unreadable
from obtegum.store.backup import BackupError

__all__ = ["Unplanned", "field_troubles", "install", "problem"]

TITLES = {
    400: "That can't be read",
    403: "Not from here",
    408: "Too slow",
    415: "Not sent that way",
    503: "The data folder can't be used",
    507: "The disk is full",
    404: "Nothing here by that name",
    405: "Not done that way",
    409: "Changed in another window",
    413: "Too large",
    421: "Not served under that name",
    422: "The house can't be planned like that",
    500: "Something broke here",
    424: "No reading",
}


class Unplanned(Exception):
    """A saved house that can't be planned as it stands; it can be looked up, taken away, or brought back."""


def problem(
    status: int,
    detail: str,
    errors: Sequence[FieldTrouble] = (),
    current: HouseOut | None = None,
    clashes: Sequence[ClashOut] = (),
    kind: str = "",
) -> Response:
    """A problem as a response."""
    body = Problem(
        type=f"/problems/{kind}" if kind else "about:blank",
        title=TITLES.get(status, "That didn't work"),
        status=status,
        detail=detail,
        errors=tuple(errors),
        current=current,
        clashes=tuple(clashes),
    )
    return Response(body.model_dump_json(), status, media_type="application/problem+json")


def field_troubles(troubles: Sequence[Trouble]) -> list[FieldTrouble]:
    """Troubles with the measure whose field shows them."""
    return [FieldTrouble(measure=shown_at(each.path), **each.model_dump(exclude={"reason"})) for each in troubles]


def _inside(path: str) -> str:
    """A path within the design, for a body that is one or that carries one."""
    for prefix in ("body.design.", "body."):
        if path.startswith(prefix):
            return path.removeprefix(prefix)
    return path


def _design_in(error: RequestValidationError) -> dict[str, Any]:
    """The design that a body is, or carries; nothing where there is none."""
    body = error.body if isinstance(error.body, dict) else {}
    design = body.get("design", body)
    return design if isinstance(design, dict) else {}


NO_JSON = "The request is not readable JSON."


async def _invalid(request: Request, error: Exception) -> Response:
    assert isinstance(error, RequestValidationError)
    if any(entry["type"] == "json_invalid" for entry in error.errors()):
        return problem(400, NO_JSON)
    design, found = _design_in(error), []
    tape = tape_in(design)
    for entry in error.errors():
        path = _inside(".".join(str(piece) for piece in entry["loc"]))
        found += troubles_of([{**entry, "loc": tuple(path.split("."))}], tape)
    if "size" in design:
        found = tried(design, DesignError(found), default_catalogue()).troubles
    return problem(422, " ".join(dict.fromkeys(each.sentence for each in found)), field_troubles(found))


async def _design(request: Request, error: Exception) -> Response:
    assert isinstance(error, DesignError)
    return problem(422, str(error), field_troubles(error.troubles))


async def _missing(request: Request, error: Exception) -> Response:
    return problem(404, "There is no such house in this yard.")


async def _unplanned(request: Request, error: Exception) -> Response:
    return problem(422, str(error), kind="unplanned")


async def _stopped(request: Request, error: Exception) -> Response:
    return problem(409, "Stopped.", kind="stopped")


async def _store(request: Request, error: Exception) -> Response:
    assert isinstance(error, StoreTrouble)
    return problem(507 if error.cause == "full" else 503, str(error), kind=error.cause)


def _as_it_stands(house: House) -> HouseOut:
    # Only what is clashed over is looked at; the window asks for its own step afterwards.
    return house_out(house, plan_house(house.design, house.record, default_catalogue(), ""))


def _clash_out(clash: Clash) -> ClashOut:
    measure = shown_at(clash.path)
    found = find_measure(measure) if measure else None
    if found is None:
        return ClashOut(measure=None, label=clash.path.rsplit(".", 1)[-1], mine="changed here", theirs="changed there")
    mine, theirs = (found.state(Job(*state), default_catalogue()) for state in (clash.mine, clash.theirs))
    return ClashOut(measure=measure, label=mine.label, mine=mine.reading, theirs=theirs.reading)


async def _conflict(request: Request, error: Exception) -> Response:
    assert isinstance(error, Conflict)
    clashes = [_clash_out(clash) for clash in error.clashes]
    return problem(409, str(error), current=_as_it_stands(error.current), clashes=clashes)


async def _not_undone(request: Request, error: Exception) -> Response:
    assert isinstance(error, NotUndone)
    return problem(409, str(error), current=_as_it_stands(error.current))


async def _no_backup(request: Request, error: Exception) -> Response:
    return problem(422, str(error))


async def _no_device(request: Request, error: Exception) -> Response:
    return problem(424, str(error))


async def _cut_off(request: Request, error: Exception) -> Response:
    return problem(413, "The upload was cut off: it was broken, or larger than is needed here.")


async def _http(request: Request, error: Exception) -> Response:
    assert isinstance(error, HTTPException)
    # FastAPI's own, of a body that its parser gave up on: nested without end, a number of thousands of digits.
    detail = NO_JSON if error.status_code == 400 else str(error.detail)
    return problem(error.status_code, detail)


def install(app: FastAPI) -> None:
    """Answer every error of the app with problem details."""
    app.add_exception_handler(RequestValidationError, _invalid)
    app.add_exception_handler(DesignError, _design)
    app.add_exception_handler(NoSuchHouse, _missing)
    app.add_exception_handler(Conflict, _conflict)
    app.add_exception_handler(NotUndone, _not_undone)
    app.add_exception_handler(BackupError, _no_backup)
    app.add_exception_handler(DeviceError, _no_device)
    app.add_exception_handler(HTTPException, _http)
    app.add_exception_handler(ClientDisconnect, _cut_off)
    app.add_exception_handler(StoreTrouble, _store)
    app.add_exception_handler(Unreadable, _unplanned)
    app.add_exception_handler(Unplanned, _unplanned)
    app.add_exception_handler(Stopped, _stopped)
