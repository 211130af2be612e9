"""The command line: plans without a server, and a server that keeps its word."""

import asyncio
import json
import signal
import socket
import subprocess
import sys
import urllib.request
from pathlib import Path

import pytest

from obtegum.api.guard import TOKEN_HEADER
from obtegum.cli import listening, main
from tests.conftest import house_document


@pytest.fixture
def file(tmp_path: Path) -> Path:
    path = tmp_path / "house.json"
    path.write_text(json.dumps(house_document()), encoding="utf-8")
    return path


def test_plan_prints_json(file: Path, capsys: pytest.CaptureFixture[str]) -> None:
    assert main(["plan", str(file)]) == 0
    assert json.loads(capsys.readouterr().out)["size"] == "21' × 57'"


def test_plan_prints_a_table(file: Path, capsys: pytest.CaptureFixture[str]) -> None:
    assert main(["plan", str(file), "--table"]) == 0
    shown = capsys.readouterr().out
    for part in ("60' 8 15/16\"", "34' 3 7/8\"", "planning aid", "power lines", "corner B", "cut here"):
        assert part in shown


def test_what_cannot_be_planned_is_told_on_the_other_channel(
    tmp_path: Path, capsys: pytest.CaptureFixture[str]
) -> None:
    def refused(text: str) -> str:
        path = tmp_path / "bad.json"
        path.write_text(text, encoding="utf-8")
        assert main(["plan", str(path)]) == 1
        shown = capsys.readouterr()
        assert shown.out == ""
        return shown.err

    assert "more than nothing" in refused(json.dumps(house_document(size__span_m=0)))
    assert "size.span_m" in refused(json.dumps(house_document(size__span_m=float("nan"))))
    assert "not readable JSON" in refused("{")
    assert "not readable JSON" in refused("[" * 100_000)
    assert refused("[1, 2]")
    assert main(["plan", str(tmp_path / "missing.json")]) == 1
    assert "Can't read" in capsys.readouterr().err


def serve(data: Path, *more: str) -> tuple["subprocess.Popen[str]", str]:
    command = [sys.executable, "-m", "obtegum", "serve", "--data", str(data), "--port", "0", *more]
    process = subprocess.Popen(command, stdout=subprocess.PIPE, text=True)
    assert process.stdout is not None
    line = process.stdout.readline()
    return process, line.split(" at ")[1].split(" ")[0]


def fetch(url: str) -> dict:  # type: ignore[type-arg]
    with urllib.request.urlopen(url) as answer:
        return json.load(answer)


def test_a_killed_server_has_kept_every_acknowledged_change(tmp_path: Path) -> None:
    process, address = serve(tmp_path / "data", "--demo")
    house = fetch(f"{address}api/houses")["houses"][0]
    token = fetch(f"{address}api/token")["token"]
    body = json.dumps({"version": 1, "edits": [{"measure": "name", "text": "Kept"}]}).encode()
    request = urllib.request.Request(
        f"{address}api/houses/{house['id']}",
        body,
        {"content-type": "application/json", TOKEN_HEADER: token},
        method="PATCH",
    )
    urllib.request.urlopen(request).close()
    process.send_signal(signal.SIGKILL)
    process.wait()
    process, address = serve(tmp_path / "data", "--demo")
    try:
        yard = fetch(f"{address}api/houses")
        assert yard["total"] == 3
        assert yard["houses"][0]["name"] == "Kept"
    finally:
        process.terminate()
        process.wait()


def test_a_folder_or_port_that_cannot_be_had_is_told(tmp_path: Path, capsys: pytest.CaptureFixture[str]) -> None:
    blocked = tmp_path / "file"
    blocked.write_text("not a folder", encoding="utf-8")
    assert main(["serve", "--data", str(blocked)]) == 1
    assert "Can't open" in capsys.readouterr().err
    (tmp_path / "bad").mkdir()
    (tmp_path / "bad" / "obtegum.sqlite").write_text("no database at all, but long enough to be read as one", "utf-8")
    assert main(["serve", "--data", str(tmp_path / "bad")]) == 1
    assert "Can't open" in capsys.readouterr().err
    process, address = serve(tmp_path / "data")
    try:
        port = address.rsplit(":", 1)[1].strip("/")
        assert main(["serve", "--data", str(tmp_path / "other"), "--port", port]) == 1
        assert "--port" in capsys.readouterr().err
    finally:
        process.terminate()
        process.wait()


def test_the_script_explains_itself() -> None:
    script = Path(__file__).parents[2] / "obtegum"
    shown = subprocess.run([script], capture_output=True, text=True, check=True).stdout
    for word in ("demo", "serve", "plan", "test", "lint", "shots", "bench"):
        assert f"./obtegum {word}" in shown
    assert subprocess.run([script, "fly"], capture_output=True, text=True, check=False).returncode == 2


def test_small_answers_are_sent_at_once() -> None:
    """Connections that come in wait for nothing before they send: they are told apart by their protocol."""

    async def connected() -> int:
        sent: asyncio.Queue[int] = asyncio.Queue()

        def take(reader: asyncio.StreamReader, writer: asyncio.StreamWriter) -> None:
            own = writer.get_extra_info("socket")
            sent.put_nowait(own.getsockopt(socket.IPPROTO_TCP, socket.TCP_NODELAY))
            writer.close()

        with listening(0) as listener:
            async with await asyncio.start_server(take, sock=listener):
                _, writer = await asyncio.open_connection(*listener.getsockname())
                found = await sent.get()
                writer.close()
        return found

    assert asyncio.run(connected()) == 1
