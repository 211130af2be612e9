"""The door for phones: codes used once that expire, guesses slowed and locked out, nothing read or changed without."""

import json
import os
import subprocess
import sys
from collections.abc import Iterator
from pathlib import Path
from urllib.error import HTTPError
from urllib.request import HTTPRedirectHandler, OpenerDirector, Request, build_opener, urlopen

import pytest

from obtegum.api.door import GOOD_S, LOCK_S, WRONG_MOST, Door, Locked, NoSuchCode, may

PHONES = "127.0.0.3"


class Clock:
    def __init__(self) -> None:
        self.now = 1000.0

    def __call__(self) -> float:
        return self.now


def other(code: str) -> str:
    """A code that isn't that one."""
    return f"{(int(code) + 1) % 1_000_000:06d}"


def test_a_code_lets_one_device_in_once_and_for_ten_minutes(tmp_path: Path) -> None:
    clock = Clock()
    door = Door(tmp_path, ("10.0.0.5", 80), clock)
    for nothing in ("", "٠١٢٣٤٥", "\x00", "codes"):
        with pytest.raises(NoSuchCode):
            door.enter(nothing, "a phone")
    code = door.code()
    cookie = door.enter(f"{code[:3]} {code[3:]}", "a phone")
    assert door.device_of(cookie) is not None
    with pytest.raises(NoSuchCode):
        door.enter(code, "another")
    late = door.code()
    clock.now += GOOD_S + 1
    with pytest.raises(NoSuchCode):
        door.enter(late, "a phone")
    # A new code voids the one before.
    first, second = door.code(), door.code()
    if first != second:
        with pytest.raises(NoSuchCode):
            door.enter(first, "a phone")
    assert door.enter(second, "a second phone")


def test_guesses_are_slowed_lock_the_door_and_void_the_code(tmp_path: Path) -> None:
    clock = Clock()
    door = Door(tmp_path, ("10.0.0.5", 80), clock)
    waits = []
    for _ in range(3):
        code = door.code()
        for _ in range(WRONG_MOST):
            with pytest.raises(NoSuchCode):
                door.enter(other(code), "a guesser")
        # Even the right one isn't taken now, nor a new one.
        for right in (code, door.code()):
            with pytest.raises(Locked) as locked:
                door.enter(right, "a guesser")
        waits.append(locked.value.seconds)
        clock.now += locked.value.seconds + 0.1
    assert waits == pytest.approx([LOCK_S, 2 * LOCK_S, 4 * LOCK_S])
    # So a million codes take more than a lifetime: five a lock, an hour each.
    assert door.enter(door.code(), "a phone")


def test_devices_outlive_a_restart_by_a_hash_and_are_put_out(tmp_path: Path) -> None:
    door = Door(tmp_path, ("10.0.0.5", 80))
    cookie = door.enter(door.code(), "a phone")
    kept = (tmp_path / "devices.json").read_text()
    assert cookie.split(".")[1] not in kept
    assert (tmp_path / "devices.json").stat().st_mode & 0o077 == 0
    again = Door(tmp_path, ("10.0.0.5", 80))
    device = again.device_of(cookie)
    assert device is not None and device.name == "a phone"
    for wrong in ("", ".", device.id, f"{device.id}.", f"{device.id}.guess", f"x.{cookie.split('.')[1]}"):
        assert again.device_of(wrong) is None
    assert again.put_out(device.id) and not again.put_out(device.id)
    assert again.device_of(cookie) is None and Door(tmp_path, ("10.0.0.5", 80)).device_of(cookie) is None
    (tmp_path / "devices.json").write_text("no list")
    assert Door(tmp_path, ("10.0.0.5", 80)).devices() == []


def test_what_a_device_may_ask() -> None:
    for method, path in (
        ("GET", "/api/houses"), ("GET", "/api/houses/a"), ("GET", "/api/houses/a/cards"), ("PATCH", "/api/houses/a"),
        ("POST", "/api/houses/a/ticks"), ("POST", "/api/houses/a/undo"), ("DELETE", "/api/houses/a/spots/1:2"),
        ("POST", "/api/houses/a/photos"), ("GET", "/api/houses/a/photos/b"), ("DELETE", "/api/houses/a/photos/b"),
    ):  # fmt: skip
        assert may(method, path), path
    for method, path in (
        ("GET", "/api/backup"), ("POST", "/api/backup"), ("GET", "/api/houses/a/file"),
        ("GET", "/api/houses/a/sheet.pdf"), ("GET", "/api/houses/a/photos.zip"),
        ("DELETE", "/api/houses/a"), ("DELETE", "/api/houses"), ("POST", "/api/houses"), ("PUT", "/api/houses/a/shelf"),
        ("PUT", "/api/houses/a/revision"), ("POST", "/api/phones/code"), ("GET", "/api/phones"),
        ("DELETE", "/api/phones/x"), ("PUT", "/api/houses/a/controller"), ("POST", "/api/house-files"),
        ("GET", "/api/houses/a/pack.html"), ("POST", "/api/houses/a/pack"), ("GET", "/api/openapi.json"),
    ):  # fmt: skip
        assert not may(method, path), path


class Stay(HTTPRedirectHandler):
    """A redirect is looked at, not followed."""

    def redirect_request(self, *_: object, **__: object) -> None:
        return None


@pytest.fixture(scope="module")
def served(tmp_path_factory: pytest.TempPathFactory) -> Iterator[tuple[str, str]]:
    """The bench and the door for phones, at two addresses of this machine."""
    data = tmp_path_factory.mktemp("field")
    command = [
        sys.executable,
        "-m",
        "obtegum",
        "serve",
        "--demo",
        "--data",
        str(data),
        "--port",
        "0",
        "--field",
        PHONES,
    ]
    process = subprocess.Popen(command, stdout=subprocess.PIPE, text=True, env={**os.environ, "LANG": "C.UTF-8"})
    assert process.stdout is not None
    bench = process.stdout.readline().split(" at ")[1].split("/ ")[0]
    said = process.stdout.readline()
    assert PHONES in said and "isn't encrypted" in said
    yield bench, f"http://{PHONES}:{bench.rsplit(':', 1)[1]}"
    process.kill()
    process.wait()


def asked(
    url: str, method: str = "GET", body: bytes | None = None, opener: OpenerDirector | None = None, **headers: str
) -> tuple[int, bytes, str]:
    """Status, body and cookie of an answer."""
    request = Request(url, body, {name.replace("_", "-"): value for name, value in headers.items()}, method=method)
    try:
        with (opener.open if opener else urlopen)(request, timeout=60) as answer:
            return answer.status, answer.read(), answer.headers.get("set-cookie", "")
    except HTTPError as error:
        return error.code, error.read(), error.headers.get("set-cookie", "")


def test_without_the_code_nothing_is_read_or_changed(served: tuple[str, str]) -> None:
    bench, phones = served
    houses = json.loads(asked(f"{bench}/api/houses?shelf=standing")[1])["houses"]
    names = [each["name"].encode() for each in houses]
    token = json.loads(asked(f"{bench}/api/token")[1])["token"]
    house = houses[0]["id"]
    before = json.loads(asked(f"{bench}/api/houses/{house}/version")[1])
    for path in (
        "/api/houses",
        f"/api/houses/{house}",
        f"/api/houses/{house}/cards",
        "/api/token",
        "/api/backup",
        "/",
        "/x",
    ):
        status, body, _ = asked(f"{phones}{path}", cookie="obtegum-device=deadbeef.guess")
        assert status == (403 if path.startswith("/api/") else 200), path
        assert token.encode() not in body and not any(name in body for name in names), path
    # Not even with this start's own token, under the bench's name, or from another page.
    body = json.dumps({"version": before["version"], "tick": "peg:L1", "done": True}).encode()
    kind = {"content_type": "application/json", "x_obtegum_token": token}
    assert asked(f"{phones}/api/houses/{house}/ticks", "POST", body, **kind)[0] == 403
    assert asked(f"{phones}/api/houses/{house}", host=bench.removeprefix("http://"))[0] == 421
    assert asked(f"{bench}/api/houses/{house}", host=phones.removeprefix("http://"))[0] == 421
    assert json.loads(asked(f"{bench}/api/houses/{house}/version")[1]) == before


def test_a_device_gives_readings_with_its_own_token_and_nothing_else(served: tuple[str, str]) -> None:
    bench, phones = served
    token = json.loads(asked(f"{bench}/api/token")[1])["token"]
    admin = {"x_obtegum_token": token}
    code = json.loads(asked(f"{bench}/api/phones/code", "POST", **admin)[1])
    assert code["address"] == phones and code["picture"].startswith("data:image/svg+xml")
    form = f"code={code['digits'].replace(' ', '+')}".encode()
    stay = build_opener(Stay)
    kind = "application/x-www-form-urlencoded"
    assert asked(f"{phones}/enter", "POST", form, stay, content_type=kind, origin="http://elsewhere.example")[0] == 403
    status, _, cookie = asked(f"{phones}/enter", "POST", form, stay, content_type=kind, origin=phones)
    assert status == 303 and "HttpOnly" in cookie and "SameSite=Strict" in cookie
    mine = cookie.split(";")[0]
    assert asked(f"{phones}/enter", "POST", form, stay, content_type=kind)[0] == 403
    page = asked(f"{phones}/", cookie=mine)[1]
    own = json.loads(asked(f"{phones}/api/token", cookie=mine)[1])["token"]
    assert token.encode() not in page and own.encode() in page and own != token
    house = json.loads(asked(f"{phones}/api/houses?shelf=standing", cookie=mine)[1])["houses"][0]["id"]
    version = json.loads(asked(f"{phones}/api/houses/{house}/version", cookie=mine)[1])["version"]
    url, given = f"{phones}/api/houses/{house}", {"cookie": mine, "content_type": "application/json"}

    def edit(measure: str, text: str) -> bytes:
        return json.dumps({"version": version, "window": "p", "edits": [{"measure": measure, "text": text}]}).encode()

    reading = edit("record.levels.pegs.L3", "1.5 m")
    assert asked(url, "PATCH", reading, **given)[0] == 403
    assert asked(url, "PATCH", reading, **given, x_obtegum_token=token)[0] == 403
    assert asked(url, "PATCH", reading, **given, x_obtegum_token=own)[0] == 200
    # What is planned is not, nor with a reading beside it; nor anything else.
    assert asked(url, "PATCH", edit("size.span_m", "9 m"), **given, x_obtegum_token=own)[0] == 403
    # Nor does it take back, or make again, what the bench has done: under the bench's own name as little.
    at_bench = {"content_type": "application/json", **admin}
    version += 1
    named = json.dumps({"version": version, "window": "b", "edits": [{"measure": "name", "text": "By the bench"}]})
    assert asked(f"{bench}/api/houses/{house}", "PATCH", named.encode(), **at_bench)[0] == 200
    for way in ("undo", "redo"):
        status, said = asked(f"{url}/{way}", "POST", b'{"window": "b"}', **given, x_obtegum_token=own)[:2]
        assert status == 409 and (b"changed at the bench" in said or b"nothing to redo" in said)
    assert json.loads(asked(url, cookie=mine)[1])["plan"]["name"] == "By the bench"
    assert asked(f"{url}/undo", "POST", b'{"window": "p"}', **given, x_obtegum_token=own)[0] == 200
    for method, path in (
        ("DELETE", url),
        ("GET", f"{url}/file"),
        ("GET", f"{phones}/api/backup"),
        ("GET", f"{phones}/api/phones"),
    ):
        assert asked(path, method, cookie=mine, x_obtegum_token=own)[0] == 403, path
    devices = json.loads(asked(f"{bench}/api/phones")[1])["devices"]
    for each in devices:
        asked(f"{bench}/api/phones/{each['id']}", "DELETE", **admin)
    assert asked(url, cookie=mine)[0] == 403
    # A body without end is not read to its end.
    assert asked(f"{phones}/enter", "POST", b"code=" + b"1" * 5000, stay, content_type=kind)[0] == 403
