"""A real server: slow clients are dropped, many sheets starve nobody, and a stop leaves one whole file."""

import contextlib
import fcntl
import os
import pty
import signal
import socket
import sqlite3
import subprocess
import sys
import termios
import threading
import time
import urllib.request
from collections.abc import Iterator
from pathlib import Path
from typing import Any

import pytest
import uvicorn

import obtegum.api.guard as guard
import obtegum.api.patience as patience
from obtegum.api.app import make_app
from obtegum.core.house.starters import demo_houses
from obtegum.store import houses, open_store
from tests.api.test_cli import fetch, serve


class Running(threading.Thread):
    """The server in a thread, with short patience."""

    def __init__(self, folder: Path) -> None:
        super().__init__(daemon=True)
        self.store = open_store(folder)
        houses.add_if_empty(self.store, demo_houses(), "Started")
        config = uvicorn.Config(make_app(self.store), http=patience.PatientProtocol, log_level="error")
        self.listener = socket.create_server(("127.0.0.1", 0))
        self.port = self.listener.getsockname()[1]
        self.server = uvicorn.Server(config)

    def run(self) -> None:
        self.server.run(sockets=[self.listener])

    def stop(self) -> None:
        self.server.should_exit = True
        self.join(10)
        self.store.close()


@pytest.fixture
def running(tmp_path: Path, monkeypatch: pytest.MonkeyPatch) -> Iterator[Running]:
    monkeypatch.setattr(patience, "HEADERS_S", 0.5)
    monkeypatch.setattr(guard, "IDLE_S", 0.5)
    monkeypatch.setattr(guard, "JSON", guard.JSON._replace(whole_s=1.5))
    found = Running(tmp_path / "data")
    found.start()
    yield found
    found.stop()


def ends(connection: socket.socket) -> bytes:
    """What the server says until it closes the connection. Raises: TimeoutError when it never does."""
    connection.settimeout(20)
    said = b""
    while piece := connection.recv(65_536):
        said += piece
    return said


HEAD = "POST /api/plan HTTP/1.1\r\nHost: 127.0.0.1:{}\r\nContent-Type: application/json\r\nContent-Length: 200\r\n\r\n"


def test_a_client_that_doesn_t_finish_its_headers_is_dropped(running: Running) -> None:
    for begun in (b"", b"GET / HT", b"GET / HTTP/1.1\r\nHost: x\r\n"):
        with socket.create_connection(("127.0.0.1", running.port)) as slow:
            slow.sendall(begun)
            assert ends(slow) == b""


def test_letter_by_letter_is_too_slow_as_well(running: Running) -> None:
    with socket.create_connection(("127.0.0.1", running.port)) as slow, pytest.raises(OSError):
        for letter in b"GET / HTTP/1.1\r\nX-Long: " + b"x" * 200:
            slow.sendall(bytes([letter]))
            time.sleep(0.05)


def test_a_body_that_stalls_or_drips_is_broken_off(running: Running) -> None:
    with socket.create_connection(("127.0.0.1", running.port)) as slow:
        slow.sendall(HEAD.format(running.port).encode() + b'{"name"')
        assert ends(slow).split(b"\r\n")[0].split()[1] in (b"400", b"408", b"413")
    with socket.create_connection(("127.0.0.1", running.port)) as slow:
        slow.sendall(HEAD.format(running.port).encode())
        done = threading.Event()

        def drip() -> None:
            try:
                while not done.wait(0.1):
                    slow.sendall(b" ")
            except OSError:
                pass

        dripping = threading.Thread(target=drip)
        dripping.start()
        with contextlib.suppress(ConnectionResetError):
            assert ends(slow).split()[1] in (b"400", b"408", b"413")
        done.set()
        dripping.join()


def test_many_sheets_at_once_starve_no_poll(running: Running, monkeypatch: pytest.MonkeyPatch) -> None:
    """Forty sheets asked for at once: polls go on between them, and every sheet comes."""
    # On a slow machine the server itself is busy for longer than the others here have patience.
    monkeypatch.setattr(patience, "HEADERS_S", 10.0)
    house = houses.newest(running.store, 0, 1)[0].id
    url = f"http://127.0.0.1:{running.port}/api/houses/{house}"
    sheets: list[bytes] = []

    def ask() -> None:
        with urllib.request.urlopen(f"{url}/sheet.pdf", timeout=300) as answer:
            sheets.append(answer.read(5))

    threads = [threading.Thread(target=ask) for _ in range(40)]
    for thread in threads:
        thread.start()
    between = 0
    while any(thread.is_alive() for thread in threads):
        assert fetch(f"{url}/version") == {"version": 1}
        between += len(sheets) < 40
        time.sleep(0.05)
    assert sheets == [b"%PDF-"] * 40
    # Polls were answered all the while: behind the sheets, each would have waited for forty of them.
    assert between >= 10


def test_long_work_can_be_stopped(running: Running, monkeypatch: pytest.MonkeyPatch) -> None:
    from obtegum.api.beside import Beside, Stopped

    lane, seen = Beside(), list[Any]()

    def make(tell: Any) -> str:
        for step in range(1000):
            tell(step, 1000)
            seen.append(lane.look("k"))
            if step == 3:
                lane.stop("k")
        return "done"

    import anyio

    with pytest.raises(Stopped):
        anyio.run(lane.run, "k", make)
    assert [(note.state, note.done) for note in seen] == [("going", step) for step in range(4)]
    assert anyio.run(lane.run, "", lambda tell: "made") == "made"


@pytest.mark.parametrize("name", ["SIGTERM", "SIGHUP", "SIGINT"])
def test_a_stopped_server_leaves_one_whole_file(tmp_path: Path, name: str) -> None:
    process, address = serve(tmp_path / "data", "--demo")
    assert fetch(f"{address}api/houses")["total"] == 3
    assert (tmp_path / "data" / "obtegum.sqlite-wal").stat().st_size > 0
    process.send_signal(getattr(signal, name))
    assert process.wait(20) == 0
    assert {path.name for path in (tmp_path / "data").iterdir()} == {"obtegum.sqlite", "houses.json"}
    with sqlite3.connect(tmp_path / "data" / "obtegum.sqlite") as database:
        assert database.execute("SELECT count(*) FROM house").fetchone() == (3,)


def test_a_closed_terminal_stops_the_server(tmp_path: Path) -> None:
    """The server runs in a terminal of its own; when the window is closed, it closes its folder."""
    ours, theirs = pty.openpty()
    process = subprocess.Popen(
        [sys.executable, "-m", "obtegum", "serve", "--demo", "--data", str(tmp_path / "data"), "--port", "0"],
        stdin=theirs,
        stdout=theirs,
        stderr=theirs,
        start_new_session=True,
        preexec_fn=lambda: fcntl.ioctl(0, termios.TIOCSCTTY, 0),
    )
    os.close(theirs)
    said = b""
    while b"Ctrl-C" not in said:
        said += os.read(ours, 1000)
    assert (tmp_path / "data" / "obtegum.sqlite-wal").stat().st_size > 0
    os.close(ours)
    assert process.wait(20) == 0
    assert {path.name for path in (tmp_path / "data").iterdir()} == {"obtegum.sqlite", "houses.json"}
