"""The API's description of itself: every way in may be answered by problem details."""

from typing import Any

from fastapi import FastAPI
from fastapi.openapi.utils import get_openapi

__all__ = ["describe"]

STATUSES = ("400", "403", "404", "409", "422", "503", "507")
# The one way in whose route names the problems' model itself.
TELLS = "/api/plan"
# The framework's own form of a refusal, which is never sent.
UNUSED = ("HTTPValidationError", "ValidationError")


def describe(app: FastAPI) -> None:
    """Let an app describe itself when it is asked: told to each route, the problems would slow every start."""

    def described() -> dict[str, Any]:
        if app.openapi_schema is None:
            made = get_openapi(title=app.title, version=app.version, description=app.description, routes=app.routes)
            told = made["paths"][TELLS]["post"]["responses"]["422"]
            for ways in made["paths"].values():
                for way in ways.values():
                    way["responses"] |= dict.fromkeys(STATUSES, told)
            schemas = made["components"]["schemas"]
            for name in UNUSED:
                schemas.pop(name, None)
            app.openapi_schema = made
        return app.openapi_schema

    app.openapi = described  # type: ignore[method-assign]
