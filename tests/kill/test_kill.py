"""SIGKILL at random moments among edits, imports, backups and restores, each sent again until it is answered.

Nothing acknowledged is lost and nothing is done twice. A short run by default; ``--deep`` kills 500 times,
``--kills 200`` as often as wanted.
"""

import json
import random
import sqlite3
import threading
import time
import urllib.error
import urllib.request
import uuid
from http.client import HTTPException
from pathlib import Path
from typing import Any

import pytest

from obtegum.api.guard import TOKEN_HEADER
from tests.browser.conftest import Server
from tests.conftest import house_document

LONGEST_S = 0.6
STEP_M = 0.001
SPAN_M, LENGTH_M = 4.0, 18.0
# Half a metre of millimetres for each of the two who pull at it, before it is set back.
FAR = 500


class Away(Exception):
    """The server is gone."""


class Line:
    """A way to the server, which gets this start's token anew."""

    def __init__(self, address: str) -> None:
        self.address = address
        self.token = json.loads(self._send("GET", "token", None, {}))["token"]

    def _send(self, method: str, path: str, body: bytes | None, headers: dict[str, str]) -> bytes:
        request = urllib.request.Request(f"{self.address}api/{path}", body, headers, method=method)
        try:
            with urllib.request.urlopen(request, timeout=20) as answer:
                read: bytes = answer.read()
                return read
        except urllib.error.HTTPError as error:
            raise AssertionError(f"{method} {path}: {error.code} {error.read()[:300]!r}") from None
        except (OSError, HTTPException, ValueError) as error:
            raise Away from error

    def ask(self, method: str, path: str, body: Any = None, key: str = "", sent: str = "application/json") -> Any:
        data = body if isinstance(body, bytes | None) else json.dumps(body).encode()
        headers = {"content-type": sent, TOKEN_HEADER: self.token, "idempotency-key": key}
        answer = self._send(method, path, data, headers)
        return answer if path == "backup" and method == "GET" else json.loads(answer)


class Worker:
    """Does one kind of thing over and over; what wasn't answered is sent again, under its name, to the next server."""

    def __init__(self) -> None:
        self.pending: tuple[str, Any] | None = None
        self.answered = 0
        self.wrong: str | None = None

    def run(self, line: Line) -> None:
        """Go on until the server is gone."""
        try:
            while True:
                self.once(line)
        except Away:
            pass
        except AssertionError as error:
            self.wrong = str(error)

    def once(self, line: Line) -> None:
        """Send what is pending, or the next thing."""
        if self.pending is None:
            self.pending = uuid.uuid4().hex, self.next(line)
        self.send(line, *self.pending)
        self.pending = None
        self.answered += 1

    def next(self, line: Line) -> Any:
        return None

    def send(self, line: Line, key: str, body: Any) -> None:
        raise NotImplementedError


class Puller(Worker):
    """Steps a measure of a house by one millimetre at a time."""

    def __init__(self, house: str, measure: str) -> None:
        super().__init__()
        self.house, self.measure = house, measure

    def next(self, line: Line) -> Any:
        version = line.ask("GET", f"houses/{self.house}/version")["version"]
        return {"version": version, "window": self.measure, "edits": [{"measure": self.measure, "steps": 1}]}

    def send(self, line: Line, key: str, body: Any) -> None:
        line.ask("PATCH", f"houses/{self.house}?step=none", body, key)


class Importer(Worker):
    """Reads house files in."""

    def send(self, line: Line, key: str, body: Any) -> None:
        file = {**house_document(name="Read in"), "schema_version": 1}
        line.ask("POST", "house-files?step=none", file, key)
        time.sleep(0.02)


class Keeper(Worker):
    """Takes backups; each that comes is whole."""

    def send(self, line: Line, key: str, body: Any) -> None:
        assert line.ask("GET", "backup")[:2] == b"PK"


class Bringer(Worker):
    """Brings a backup back."""

    def __init__(self, backup: bytes) -> None:
        super().__init__()
        self.backup = backup

    def send(self, line: Line, key: str, body: Any) -> None:
        line.ask("POST", "backup", self.backup, key, "application/zip")


def sizes(line: Line, house: str) -> tuple[int, int]:
    """How many millimetres the house was pulled in width and in length."""
    size = line.ask("GET", f"houses/{house}")["design"]["size"]
    return round((size["span_m"] - SPAN_M) / STEP_M), round((size["length_m"] - LENGTH_M) / STEP_M)


def yard(line: Line) -> int:
    total: int = line.ask("GET", "houses?most=1")["total"]
    return total


def started(line: Line) -> str:
    house: str = line.ask("POST", "houses?step=none", {"units": "metric"})["id"]
    set_back(line, house)
    return house


def set_back(line: Line, house: str) -> None:
    edits = [{"measure": "size.span_m", "text": str(SPAN_M)}, {"measure": "size.length_m", "text": str(LENGTH_M)}]
    version = line.ask("GET", f"houses/{house}/version")["version"]
    line.ask("PATCH", f"houses/{house}?step=none", {"version": version, "edits": edits})


def test_a_killed_server_keeps_its_word(tmp_path: Path, request: pytest.FixtureRequest) -> None:
    deep = request.config.getoption("--deep")
    kills = int(request.config.getoption("--kills") or (500 if deep else 8))
    chance = random.Random(20_261_125)
    server = Server(tmp_path / "data")
    server.ready()
    line = Line(server.address)
    house = started(line)
    first, done = yard(line), 0
    backup: bytes = line.ask("GET", "backup")
    held = sizes(line, house), yard(line)
    width, length, importer = Puller(house, "size.span_m"), Puller(house, "size.length_m"), Importer()
    for round_ in range(kills):
        line = Line(server.address)
        restoring = chance.random() < 0.2
        before = sizes(line, house), yard(line)
        workers: list[Worker] = [Keeper(), *([Bringer(backup)] if restoring else [width, length, importer])]
        threads = [threading.Thread(target=worker.run, args=(line,)) for worker in workers]
        for thread in threads:
            thread.start()
        time.sleep(chance.uniform(0.0, LONGEST_S))
        server.kill()
        for thread in threads:
            thread.join()
        assert [worker.wrong for worker in workers if worker.wrong] == [], round_
        with sqlite3.connect(tmp_path / "data" / "obtegum.sqlite") as database:
            assert database.execute("PRAGMA integrity_check").fetchone() == ("ok",), round_
        server.start()
        line = Line(server.address)
        if restoring:
            now = sizes(line, house), yard(line)
            assert now in (before, held), round_
            width.answered, length.answered = now[0]
            importer.answered = now[1] - first
        else:
            # What was in the air is sent once more; then each has what it was told, and nothing twice.
            for worker in (width, length, importer):
                done += worker.answered
                if worker.pending:
                    worker.once(line)
            assert sizes(line, house) == (width.answered, length.answered), round_
            assert yard(line) == first + importer.answered, round_
        if max(width.answered, length.answered) > FAR:
            set_back(line, house)
            width.answered = length.answered = 0
    server.kill()
    assert done > kills
