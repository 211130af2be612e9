"""What every request passes: where it comes from, its size and pace, and a strict content policy.

The server listens on this machine alone, but every page that a browser on it shows can reach it. So it
answers only under its own name and port, to its own pages, and changes something only for a page that
was given this start's token.
"""

import asyncio
import logging
import re
import secrets
from pathlib import Path

from starlette.datastructures import Headers, MutableHeaders
from starlette.requests import ClientDisconnect
from starlette.responses import Response
from starlette.types import ASGIApp, Message, Receive, Scope, Send

from obtegum.api.problems import problem

__all__ = ["TOKEN_HEADER", "Guard", "Page"]

MOST_BYTES = 2_000_000
MOST_BACKUP_BYTES = 2_000_000_000
IDLE_S, WHOLE_S, WHOLE_BACKUP_S, READS_S = 15.0, 60.0, 900.0, 60.0
NONCE = "NONCE-FOR-THIS-RESPONSE"
TOKEN = "TOKEN-OF-THIS-START"
TOKEN_HEADER = "x-obtegum-token"
POLICY = (
    "default-src 'none'; script-src 'self'; style-src 'self' 'nonce-{nonce}'; img-src 'self' data:; "
    "font-src 'self'; connect-src 'self'; base-uri 'none'; form-action 'none'; frame-ancestors 'none'"
)
READS = frozenset({"GET", "HEAD", "OPTIONS"})
# These answer without keeping anything.
STATELESS = frozenset({"/api/plan", "/api/try", "/api/remedies"})
BACKUP = "/api/backup"
JSON = frozenset({"application/json"})
TYPES: tuple[tuple[re.Pattern[str], frozenset[str]], ...] = (
    (re.compile(f"{BACKUP}$"), frozenset({"application/zip"})),
    (re.compile(r"/api/houses/[^/]+/readings$"), frozenset({"text/csv", "text/plain"})),
)
log = logging.getLogger(__name__)


class TooSlow(Exception):
    """Whoever sends or reads takes longer than anyone would."""


class Guard:
    """Refuses what isn't from this server's own pages, is too large or too slow; sets the headers of every answer."""

    def __init__(self, app: ASGIApp, hosts: frozenset[str], token: str) -> None:
        self.app, self.hosts, self.token = app, hosts, token

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        if scope["type"] != "http":
            await self.app(scope, receive, send)
            return
        answer = _Answer(send, bare=scope["method"] == "HEAD")
        if answer.bare:
            scope = {**scope, "method": "GET"}
        refused = self._refused(scope)
        if refused is not None:
            await refused(scope, receive, answer)
            return
        answer.paced = paced = _Paced(receive, scope["path"] == BACKUP)
        try:
            await self.app(scope, paced, answer)
        except (TooSlow, ClientDisconnect):
            if not answer.begun:
                late = problem(408, "The request came too slowly, or broke off. Send it again.")
                await late(scope, receive, answer)
        except Exception:
            log.exception("%s %s", scope["method"], scope["path"])
            if answer.begun:
                raise
            await problem(500, "Something broke here. What was saved is safe; try again.")(scope, receive, answer)

    def _refused(self, scope: Scope) -> Response | None:
        """Why a request isn't answered, or None."""
        headers = Headers(scope=scope)
        host, method, path = headers.get("host", ""), scope["method"], scope["path"]
        if host not in self._own_names(scope):
            names = ", ".join(sorted(self._own_names(scope)))
            return problem(421, f"This server answers as {names} only.")
        origin, site = headers.get("origin"), headers.get("sec-fetch-site")
        own = f"{scope.get('scheme', 'http')}://{host}"
        strange = (origin is not None and origin != own) or site in ("cross-site", "same-site")
        if strange and (path.startswith("/api/") or method not in READS):
            return problem(403, "That page is not one of this server’s.")
        if method in READS:
            return None
        return self._no_change(headers, path)

    def _no_change(self, headers: Headers, path: str) -> Response | None:
        if path not in STATELESS and not secrets.compare_digest(
            headers.get(TOKEN_HEADER, "").encode(), self.token.encode()
        ):
            return problem(403, "The page is from before the bench was started anew.", kind="token")
        length = headers.get("content-length", "0")
        most = MOST_BACKUP_BYTES if path == BACKUP else MOST_BYTES
        if not re.fullmatch(r"[0-9]{1,15}", length) or int(length) > most:
            return problem(413, _too_large(most))
        wanted = next((types for place, types in TYPES if place.match(path)), JSON)
        if int(length) > 0 or "transfer-encoding" in headers:
            given = headers.get("content-type", "").split(";")[0].strip().lower()
            if given not in wanted:
                return problem(415, f"Send it as {' or '.join(sorted(wanted))}.")
        return None

    def _own_names(self, scope: Scope) -> frozenset[str]:
        server = scope.get("server")
        port = server[1] if server else None
        if port in (None, 80):
            return self.hosts
        return frozenset(f"{host}:{port}" for host in self.hosts)


def _too_large(most: int) -> str:
    return f"That is more than {most // 1_000_000:,} MB, far more than is needed here."


class _Answer:
    """What goes out: the same headers on every answer, no body for who asked for none, and no wait without end."""

    def __init__(self, send: Send, bare: bool) -> None:
        self.send, self.bare, self.begun = send, bare, False
        self.paced: _Paced | None = None

    async def __call__(self, message: Message) -> None:
        if message["type"] == "http.response.start":
            self.begun = True
            out = MutableHeaders(scope=message)
            out.setdefault("content-security-policy", POLICY.format(nonce="none"))
            out["x-content-type-options"] = "nosniff"
            out["referrer-policy"] = "no-referrer"
            out["cross-origin-resource-policy"] = "same-origin"
            out.setdefault("cache-control", "no-store")
            if self.paced is not None and self.paced.late:
                # The rest of the body may still drip in: nobody waits for it.
                out["connection"] = "close"
        elif message["type"] == "http.response.body" and self.bare:
            message = {**message, "body": b""}
        try:
            await asyncio.wait_for(self.send(message), READS_S)
        except TimeoutError:
            raise TooSlow from None


class _Paced:
    """What comes in, as long as it comes: a body that stalls, or is larger than it may be, ends as broken off."""

    def __init__(self, receive: Receive, backup: bool) -> None:
        self.receive = receive
        self.most = MOST_BACKUP_BYTES if backup else MOST_BYTES
        self.left_s = WHOLE_BACKUP_S if backup else WHOLE_S
        self.seen = 0
        self.done = self.late = False

    async def __call__(self) -> Message:
        if self.done:
            # The body is in: what comes now is only that the client went away.
            return await self.receive()
        loop = asyncio.get_running_loop()
        start = loop.time()
        try:
            message = await asyncio.wait_for(self.receive(), min(IDLE_S, self.left_s))
        except TimeoutError:
            self.late = True
            raise TooSlow from None
        self.left_s -= loop.time() - start
        self.seen += len(message.get("body", b""))
        self.done = not message.get("more_body", False)
        return {"type": "http.disconnect"} if self.seen > self.most else message


class Page:
    """The built page, with a nonce of its own in each answer for the styles made in the browser."""

    def __init__(self, file: Path, token: str) -> None:
        self._html = file.read_text(encoding="utf-8").replace(TOKEN, token)

    def answer(self) -> Response:
        nonce = secrets.token_urlsafe(16)
        policy = POLICY.format(nonce=nonce)
        return Response(
            self._html.replace(NONCE, nonce),
            media_type="text/html",
            headers={"content-security-policy": policy},
        )
