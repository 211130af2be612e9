"""What every request passes: the host it was sent to, its size, and a strict content policy."""

import secrets
from pathlib import Path

from starlette.datastructures import Headers, MutableHeaders
from starlette.responses import Response
from starlette.types import ASGIApp, Message, Receive, Scope, Send

from obtegum.api.problems import problem

__all__ = ["Guard", "Page"]

MOST_BYTES = 2_000_000
MOST_BACKUP_BYTES = 64_000_000
NONCE = "NONCE-FOR-THIS-RESPONSE"
POLICY = (
    "default-src 'none'; script-src 'self'; style-src 'self' 'nonce-{nonce}'; img-src 'self' data:; "
    "font-src 'self'; connect-src 'self'; base-uri 'none'; form-action 'none'; frame-ancestors 'none'"
)


class Guard:
    """Refuses strange hosts and large bodies, and sets the headers of every answer.

    The host check keeps a page from elsewhere from reaching this server by a name of its own.
    """

    def __init__(self, app: ASGIApp, hosts: frozenset[str]) -> None:
        self.app = app
        self.hosts = hosts

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        if scope["type"] != "http":
            await self.app(scope, receive, send)
            return
        headers = Headers(scope=scope)
        host = headers.get("host", "").rsplit(":", 1)[0]
        if host not in self.hosts:
            await problem(421, f"This server answers on {', '.join(sorted(self.hosts))} only.")(scope, receive, send)
            return
        origin = headers.get("origin")
        if origin is not None and origin.split("://", 1)[-1].rsplit(":", 1)[0] not in self.hosts:
            await problem(421, "That page is not one of this server’s.")(scope, receive, send)
            return
        length = headers.get("content-length", "0")
        most = MOST_BACKUP_BYTES if scope["path"] == "/api/backup" else MOST_BYTES
        if not length.isdigit() or int(length) > most:
            detail = f"That is more than {most // 1_000_000} MB, far more than is needed here."
            await problem(413, detail)(scope, receive, send)
            return
        seen = 0

        async def measured() -> Message:
            nonlocal seen
            message = await receive()
            seen += len(message.get("body", b""))
            if seen > most:
                return {"type": "http.disconnect"}
            return message

        async def guarded(message: Message) -> None:
            if message["type"] == "http.response.start":
                out = MutableHeaders(scope=message)
                out.setdefault("content-security-policy", POLICY.format(nonce="none"))
                out["x-content-type-options"] = "nosniff"
                out["referrer-policy"] = "no-referrer"
                out.setdefault("cache-control", "no-store")
            await send(message)

        await self.app(scope, measured, guarded)


class Page:
    """The built page, with a nonce of its own in each answer for the styles made in the browser."""

    def __init__(self, file: Path) -> None:
        self._html = file.read_text(encoding="utf-8")

    def answer(self) -> Response:
        nonce = secrets.token_urlsafe(16)
        policy = POLICY.format(nonce=nonce)
        return Response(
            self._html.replace(NONCE, nonce),
            media_type="text/html",
            headers={"content-security-policy": policy},
        )
