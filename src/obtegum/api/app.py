"""The application: routers, error answers, and the built interface."""

import secrets
from pathlib import Path

from fastapi import FastAPI, Request
from starlette.responses import Response
from starlette.staticfiles import StaticFiles
from starlette.types import Scope

from obtegum import __version__
from obtegum.api import acts, cards, files, frames, houses, phones, photos, planning, set_out, yard
from obtegum.api import level as levelling
from obtegum.api import sides as rolling
from obtegum.api.benches import Benches
from obtegum.api.beside import Beside
from obtegum.api.description import describe
from obtegum.api.door import Door
from obtegum.api.guard import Guard, Page
from obtegum.api.problems import install, problem
from obtegum.devices.controller import ControllerLink
from obtegum.devices.level import LevelLink
from obtegum.store import Store

__all__ = ["WEB_ROOT", "make_app"]

WEB_ROOT = Path(__file__).parent.parent / "webroot"
LOOPBACK = frozenset({"127.0.0.1", "localhost", "[::1]"})


class Assets(StaticFiles):
    """Built files, whose names change with their contents, so that a browser may keep them."""

    async def get_response(self, path: str, scope: Scope) -> Response:
        response = await super().get_response(path, scope)
        response.headers["cache-control"] = "public, max-age=31536000, immutable"
        return response


def make_app(
    store: Store | None,
    hosts: frozenset[str] = LOOPBACK,
    level: LevelLink | None = None,
    sides: ControllerLink | None = None,
    door: Door | None = None,
) -> FastAPI:
    """The app over an open store, with a laser level and a controller of sides if linked.

    Without a store only its description is of use.
    """
    app = FastAPI(
        title="Obtegum",
        version=__version__,
        description="Lay out, bend, build and keep a hoop house. Lengths in metres; a planning aid only.",
        docs_url=None,
        redoc_url=None,
        openapi_url="/api/openapi.json",
    )
    app.state.store = store
    app.state.level = level
    app.state.controller = sides
    app.state.door = door
    app.state.beside = Beside()
    app.state.benches = Benches()
    app.state.maps = frames.Maps()
    app.state.offers = frames.Offers()
    app.state.token = secrets.token_urlsafe(24)
    app.include_router(planning.router)
    app.include_router(cards.router)
    app.include_router(phones.router)
    app.include_router(photos.router)
    app.include_router(files.router)
    app.include_router(acts.router)
    app.include_router(set_out.router)
    app.include_router(levelling.router)
    app.include_router(rolling.router)
    app.include_router(frames.router)
    app.include_router(yard.router)
    app.include_router(houses.router)
    install(app)
    describe(app)
    app.add_middleware(Guard, hosts=hosts, token=app.state.token, door=door)
    if (WEB_ROOT / "index.html").is_file():
        _serve_interface(app)
    return app


def _serve_interface(app: FastAPI) -> None:
    page = Page(WEB_ROOT / "index.html", app.state.token)
    app.mount("/assets", Assets(directory=WEB_ROOT / "assets"))

    @app.get("/{path:path}", include_in_schema=False)
    def get_page(path: str, request: Request) -> Response:
        if path.startswith("api/"):
            return problem(404, "There is nothing at that address.")
        return page.answer(request.scope.get("device_token", ""))
