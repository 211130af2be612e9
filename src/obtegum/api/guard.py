"""What every request passes: where it comes from, its size and pace, and a strict content policy.

The server listens on this machine alone, but every page that a browser on it shows can reach it. So it
answers only under its own name and port, to its own pages, and changes something only for a page that
was given this start's token.
"""

import asyncio
import logging
import math
import re
import secrets
from pathlib import Path
from typing import NamedTuple
from urllib.parse import parse_qs

from starlette.datastructures import Headers, MutableHeaders
from starlette.requests import ClientDisconnect
from starlette.responses import Response
from starlette.types import ASGIApp, Message, Receive, Scope, Send

from obtegum.api.door import Door, Locked, NoSuchCode, may
from obtegum.api.problems import problem
from obtegum.exchange.housefile import MOST_BYTES
from obtegum.exchange.photo import TYPES

__all__ = ["TOKEN_HEADER", "Guard", "Page"]

IDLE_S, READS_S = 15.0, 60.0
NONCE = "NONCE-FOR-THIS-RESPONSE"
TOKEN = "TOKEN-OF-THIS-START"
SEAT = "SEAT-OF-THIS-PAGE"
TOKEN_HEADER = "x-obtegum-token"
POLICY = (
    "default-src 'none'; script-src 'self'; style-src 'self' 'nonce-{nonce}'; img-src 'self' data:; "
    "font-src 'self'; connect-src 'self'; base-uri 'none'; form-action 'none'; frame-ancestors 'none'"
)
READS = frozenset({"GET", "HEAD", "OPTIONS"})
# These answer without keeping anything.
STATELESS = frozenset({"/api/plan", "/api/try", "/api/remedies"})


class Taken(NamedTuple):
    """What a body may be: its types, how large, bytes, and how long it may take, s."""

    types: frozenset[str]
    most: int
    whole_s: float


JSON = Taken(frozenset({"application/json"}), 2_000_000, 60.0)
TAKEN: tuple[tuple[re.Pattern[str], Taken], ...] = (
    (re.compile(r"/api/backup$"), Taken(frozenset({"application/zip"}), 2_000_000_000, 900.0)),
    # A house of a thousand bows, taped thirty times over, takes seven million.
    (re.compile(r"/api/house-files$"), Taken(frozenset({"application/json"}), MOST_BYTES, 60.0)),
    (re.compile(r"/api/houses/[^/]+/readings$"), Taken(frozenset({"text/csv", "text/plain"}), 2_000_000, 60.0)),
    (re.compile(r"/api/houses/[^/]+/photos$"), Taken(TYPES, 16_000_000, 180.0)),
)


def _taken(path: str) -> Taken:
    return next((taken for place, taken in TAKEN if place.match(path)), JSON)


log = logging.getLogger(__name__)


class TooSlow(Exception):
    """Whoever sends or reads takes longer than anyone would."""


class Guard:
    """Refuses what isn't from this server's own pages, is too large or too slow; sets the headers of every answer."""

    def __init__(self, app: ASGIApp, hosts: frozenset[str], token: str, door: Door | None = None) -> None:
        self.app, self.hosts, self.token, self.door = app, hosts, token, door

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        if scope["type"] != "http":
            await self.app(scope, receive, send)
            return
        answer = _Answer(send, bare=scope["method"] == "HEAD")
        if answer.bare:
            scope = {**scope, "method": "GET"}
        refused = self._refused(scope)
        if refused is None and self._outside(scope) and scope["path"] == ENTER and scope["method"] == "POST":
            refused = await self._entered(scope, receive)
        if refused is not None:
            await refused(scope, receive, answer)
            return
        answer.paced = paced = _Paced(receive, _taken(scope["path"]))
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
        if self._outside(scope):
            return self._for_devices(scope, headers)
        if method in READS:
            return None
        return self._no_change(headers, path)

    def _no_change(self, headers: Headers, path: str, token: str = "") -> Response | None:
        wanted_token = token or self.token
        if path not in STATELESS and not secrets.compare_digest(
            headers.get(TOKEN_HEADER, "").encode(), wanted_token.encode()
        ):
            return problem(403, "The page is from before the bench was started anew.", kind="token")
        length = headers.get("content-length", "0")
        taken = _taken(path)
        if not re.fullmatch(r"[0-9]{1,15}", length) or int(length) > taken.most:
            return problem(413, _too_large(taken.most))
        if int(length) > 0 or "transfer-encoding" in headers:
            given = headers.get("content-type", "").split(";")[0].strip().lower()
            if given not in taken.types:
                return problem(415, f"Send it as {' or '.join(sorted(taken.types))}.")
        return None

    def _outside(self, scope: Scope) -> bool:
        """Whether it came in by the door for phones."""
        return self.door is not None and tuple(scope.get("server") or ()) == self.door.address

    def _for_devices(self, scope: Scope, headers: Headers) -> Response | None:
        """Why a request from the local network isn't answered, or None; one without a cookie sees where to enter."""
        assert self.door is not None
        method, path = scope["method"], scope["path"]
        if (path == ENTER and method == "POST") or (path.startswith("/assets/") and method in READS):
            return None
        found = re.search(rf"(?:^|;\s*){COOKIE}=([^;]+)", headers.get("cookie", ""))
        cookie = found[1] if found else ""
        device = self.door.device_of(cookie)
        if device is None:
            if path.startswith("/api/"):
                return problem(403, "This device isn’t let in, or was put out. Ask at the bench for a code.")
            return _enter_page(scope)
        scope["device"], scope["device_token"] = device.id, Door.token_of(cookie)
        if path.startswith("/api/") and not may(method, path):
            return problem(403, "A phone reads houses and gives readings. The rest is done at the bench.")
        return None if method in READS else self._no_change(headers, path, scope["device_token"])

    async def _entered(self, scope: Scope, receive: Receive) -> Response:
        """Let a device in by the code that it sends, or say why not."""
        assert self.door is not None
        body = b""
        while True:
            try:
                message = await asyncio.wait_for(receive(), IDLE_S)
            except TimeoutError:
                return problem(408, "The request came too slowly, or broke off. Send it again.")
            body += message.get("body", b"")
            if len(body) > 1000 or not message.get("more_body", False):
                break
        given = parse_qs(body.decode("utf-8", "replace")) if len(body) <= 1000 else {}
        agent = Headers(scope=scope).get("user-agent", "")
        name = next((words for mark, words in AGENTS if mark in agent), "a device")
        try:
            cookie = self.door.enter("".join(given.get("code", [])), name)
        except NoSuchCode:
            return _enter_page(scope, "That code is wrong, used or too old. Ask at the bench for a new one.", 403)
        except Locked as locked:
            minutes = math.ceil(locked.seconds / 60)
            return _enter_page(scope, f"Too many wrong codes: nobody is let in for {minutes} min.", 429)
        keep = f"{COOKIE}={cookie}; Path=/; HttpOnly; SameSite=Strict; Max-Age={DEVICE_S}"
        return Response(status_code=303, headers={"location": "/", "set-cookie": keep})

    def _own_names(self, scope: Scope) -> frozenset[str]:
        if self._outside(scope) and self.door is not None:
            return frozenset({f"{self.door.address[0]}:{self.door.address[1]}"})
        server = scope.get("server")
        port = server[1] if server else None
        if port in (None, 80):
            return self.hosts
        return frozenset(f"{host}:{port}" for host in self.hosts)


# Where a phone sends its code, the name of what it keeps, and for how long, s.
ENTER, COOKIE, DEVICE_S = "/enter", "obtegum-device", 60 * 86_400
AGENTS = (("iPhone", "an iPhone"), ("iPad", "an iPad"), ("Android", "an Android phone"), ("Linux", "a Linux device"))
ENTER_PAGE = """<!doctype html><html lang="en"><head><meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1"><title>Let in</title><style nonce="{nonce}">
* {{ box-sizing: border-box; }}
body {{ max-width: 30rem; margin: 0 auto; padding: 1.2rem; font: 1.2rem/1.4 system-ui, sans-serif; color: #000;
background: #fff; }}
input, button {{ display: block; width: 100%; min-height: 60px; margin: .5rem 0 1rem; font: inherit; font-size: 1.8rem;
border: 3px solid #000; background: #fff; color: #000; text-align: center; }}
.wrong {{ border-left: 6px double #000; padding-left: .6rem; font-weight: 700; }}
</style></head><body><main><h1>Obtegum</h1>{wrong}
<form method="post" action="/enter"><label for="code">The code that the bench shows</label>
<input id="code" name="code" inputmode="numeric" autocomplete="one-time-code" maxlength="12" required value="{code}">
<button>Let me in</button></form>
<p>What you send here is not encrypted: only on a network that you trust.</p></main></body></html>"""


def _enter_page(scope: Scope, wrong: str = "", status: int = 200) -> Response:
    """Where a device types its code; one that a picture brought stands there already."""
    nonce = secrets.token_urlsafe(16)
    given = "".join(parse_qs(scope.get("query_string", b"").decode("latin-1")).get("code", []))
    code = re.sub("[^0-9]", "", given)[:12]
    said = f'<p class="wrong" role="alert">{wrong}</p>' if wrong else ""
    policy = (
        f"default-src 'none'; style-src 'nonce-{nonce}'; form-action 'self'; base-uri 'none'; frame-ancestors 'none'"
    )
    return Response(
        ENTER_PAGE.format(nonce=nonce, wrong=said, code=code),
        status,
        media_type="text/html",
        # Its form says where it is from: without that a browser sends none.
        headers={"content-security-policy": policy, "referrer-policy": "same-origin"},
    )


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
            out.setdefault("referrer-policy", "no-referrer")
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

    def __init__(self, receive: Receive, taken: Taken) -> None:
        self.receive = receive
        self.most, self.left_s = taken.most, taken.whole_s
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
        self._html, self._token = file.read_text(encoding="utf-8"), token

    def answer(self, token: str = "") -> Response:
        """The page, with this start's token or with that of the device that asks, and which of the two it is."""
        nonce = secrets.token_urlsafe(16)
        policy = POLICY.format(nonce=nonce)
        return Response(
            self._html.replace(TOKEN, token or self._token)
            .replace(SEAT, "device" if token else "bench")
            .replace(NONCE, nonce),
            media_type="text/html",
            headers={"content-security-policy": policy},
        )
