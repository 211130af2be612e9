"""SIGKILL at random moments in a stream of edits: what was acknowledged is there afterwards.

A short run by default; ``./obtegum test tests/kill --kills 200`` for the long one.
"""

import json
import random
import sqlite3
import threading
import time
import urllib.error
import urllib.request
from pathlib import Path
from typing import Any

import pytest

from tests.browser.conftest import Server

LONGEST_S = 0.6


def ask(address: str, path: str, method: str = "GET", body: Any = None) -> Any:
    data = None if body is None else json.dumps(body).encode()
    request = urllib.request.Request(f"{address}api/{path}", data, {"content-type": "application/json"}, method=method)
    with urllib.request.urlopen(request, timeout=10) as answer:
        return json.load(answer)


class Stream:
    """Edits one after the other until the server is gone; keeps what was acknowledged last."""

    def __init__(self, address: str, house: str, version: int) -> None:
        self.address, self.house = address, house
        self.acknowledged: dict[str, Any] = {"version": version}
        self.sent = 0

    def run(self) -> None:
        while True:
            self.sent += 1
            edit = {"measure": "span", "text": f"{5 + (self.sent * 7 % 500) / 100:.2f} m"}
            body = {"version": self.acknowledged["version"], "window": "w", "edits": [edit]}
            try:
                self.acknowledged = ask(self.address, f"houses/{self.house}", "PATCH", body)
            except (OSError, urllib.error.URLError, ValueError):
                return


def test_a_killed_server_keeps_its_word(tmp_path: Path, request: pytest.FixtureRequest) -> None:
    kills, chance = int(request.config.getoption("--kills")), random.Random(20_261_125)
    server = Server(tmp_path / "data")
    server.ready()
    house = ask(server.address, "houses", "POST", {"units": "metric"})
    edits = 0
    for round_ in range(kills):
        version = ask(server.address, f"houses/{house['id']}")["version"]
        stream = Stream(server.address, house["id"], version)
        worker = threading.Thread(target=stream.run)
        worker.start()
        time.sleep(chance.uniform(0.0, LONGEST_S))
        server.kill()
        worker.join()
        edits += stream.sent
        with sqlite3.connect(tmp_path / "data" / "obtegum.sqlite") as database:
            assert database.execute("PRAGMA integrity_check").fetchone() == ("ok",), round_
        server.start()
        now, last = ask(server.address, f"houses/{house['id']}"), stream.acknowledged
        # At most the edit in flight is there besides.
        assert last["version"] <= now["version"] <= last["version"] + 1, round_
        if "design" in last:
            kept = ask(server.address, f"houses/{house['id']}/revisions/{last['version']}")
            assert kept["design"] == last["design"], round_
    server.kill()
    assert edits > kills
