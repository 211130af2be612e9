"""The door over a real network between two hosts, each a namespace of its own: what a phone and a stranger get."""

import json
import shutil
import subprocess
import sys
from collections.abc import Iterator
from pathlib import Path
from typing import Any

import pytest

UNSHARE = ["unshare", "--map-root-user", "--net"]
HERE = Path(__file__).parent


class Hosts:
    """The bench and a phone on another host: both are asked from here."""

    def __init__(self, process: subprocess.Popen[str]) -> None:
        self._process = process
        told = json.loads(self._line())
        self.bench, self.door = told["bench"], told["door"]

    def _line(self) -> str:
        assert self._process.stdout is not None
        line = self._process.stdout.readline()
        assert line, "the hosts are gone"
        return line

    def asked(self, who: str, url: str, method: str = "GET", body: str | None = None, **headers: str) -> Any:
        """Status, body and cookie that a host gets."""
        told = {name.replace("_", "-"): value for name, value in headers.items()}
        wanted = {"host": who, "url": url, "method": method, "headers": json.dumps(told)}
        assert self._process.stdin is not None
        self._process.stdin.write(json.dumps(wanted | ({} if body is None else {"body": body})) + "\n")
        self._process.stdin.flush()
        return json.loads(self._line())

    def code(self) -> str:
        """A code as the bench shows it."""
        token = json.loads(self.asked("bench", f"{self.bench}/api/token")["body"])["token"]
        made = self.asked("bench", f"{self.bench}/api/phones/code", "POST", "", x_obtegum_token=token)
        return str(json.loads(made["body"])["digits"])


@pytest.fixture(scope="module")
def hosts(tmp_path_factory: pytest.TempPathFactory) -> Iterator[Hosts]:
    if shutil.which("ip") is None:
        pytest.fail("The hosts of this test are joined by Debian's iproute2: apt-get install iproute2")
    if subprocess.run([*UNSHARE, "true"], capture_output=True).returncode != 0:
        pytest.skip("this machine allows no network namespaces: run it where unshare --map-root-user --net works")
    command = [*UNSHARE, sys.executable, str(HERE / "two_hosts.py"), "bench", str(tmp_path_factory.mktemp("net"))]
    process = subprocess.Popen(command, stdin=subprocess.PIPE, stdout=subprocess.PIPE, text=True)
    yield Hosts(process)
    assert process.stdin is not None
    process.stdin.close()
    process.wait(timeout=20)


def test_another_host_reads_and_changes_nothing_without_the_code(hosts: Hosts) -> None:
    houses = json.loads(hosts.asked("bench", f"{hosts.bench}/api/houses?shelf=standing")["body"])["houses"]
    house, names = houses[0]["id"], [each["name"] for each in houses]
    token = json.loads(hosts.asked("bench", f"{hosts.bench}/api/token")["body"])["token"]
    before = hosts.asked("bench", f"{hosts.bench}/api/houses/{house}/version")
    assert before["status"] == 200
    # The bench's own address is not on the network at all.
    assert hosts.asked("phone", f"{hosts.bench}/api/houses")["status"] == 0
    for path in ("/", "/api/houses", f"/api/houses/{house}", f"/api/houses/{house}/cards", "/api/token", "/api/backup"):
        answer = hosts.asked("phone", f"{hosts.door}{path}")
        assert answer["status"] == (403 if path.startswith("/api/") else 200), path
        assert token not in answer["body"] and not any(name in answer["body"] for name in names), path
    tick = json.dumps({"version": 1, "tick": "peg:L1", "done": True})
    kind = {"content_type": "application/json", "x_obtegum_token": token}
    assert hosts.asked("phone", f"{hosts.door}/api/houses/{house}/ticks", "POST", tick, **kind)["status"] == 403
    # Under the bench's name it isn't this server; from another page it isn't one of its own.
    for host in (hosts.bench.removeprefix("http://"), "localhost", "rebound.example"):
        assert hosts.asked("phone", f"{hosts.door}/api/houses", host=host)["status"] == 421
    assert hosts.asked("phone", f"{hosts.door}/enter", "POST", "code=1", origin="http://10.77.0.9")["status"] == 403
    assert hosts.asked("bench", f"{hosts.bench}/api/houses/{house}/version") == before


def test_a_phone_with_the_code_gives_readings_and_nothing_else_until_it_is_put_out(hosts: Hosts) -> None:
    form = {"content_type": "application/x-www-form-urlencoded", "origin": hosts.door}
    code = hosts.code()
    entered = hosts.asked("phone", f"{hosts.door}/enter", "POST", f"code={code.replace(' ', '')}", **form)
    assert entered["status"] == 303 and "HttpOnly" in entered["cookie"] and "SameSite=Strict" in entered["cookie"]
    cookie = entered["cookie"].split(";")[0]
    used = hosts.asked("phone", f"{hosts.door}/enter", "POST", f"code={code}", **form)
    assert used["status"] == 403 and not used["cookie"]
    houses = json.loads(hosts.asked("phone", f"{hosts.door}/api/houses", cookie=cookie)["body"])["houses"]
    house = f"{hosts.door}/api/houses/{houses[0]['id']}"
    token = json.loads(hosts.asked("phone", f"{hosts.door}/api/token", cookie=cookie)["body"])["token"]
    own = {"cookie": cookie, "content_type": "application/json", "x_obtegum_token": token, "origin": hosts.door}
    tally = json.dumps({"what": "loads", "by": 2, "window": "w", "version": 1})
    assert hosts.asked("phone", f"{house}/tally", "POST", tally, **own)["status"] == 200
    # The cookie alone, as another page would send it, changes nothing; nor does the bench's own token.
    assert hosts.asked("phone", f"{house}/tally", "POST", tally, **own | {"x_obtegum_token": "no"})["status"] == 403
    assert (
        hosts.asked("phone", f"{house}/tally", "POST", tally, **own | {"origin": "http://10.77.0.9"})["status"] == 403
    )
    cards = json.loads(hosts.asked("phone", f"{house}/cards", cookie=cookie)["body"])
    assert next(each["count"] for each in cards["tallies"] if each["id"] == "loads") == 2
    for method, path in (
        ("GET", "/api/backup"), ("POST", "/api/backup"), ("DELETE", "/api/houses"), ("GET", "/api/phones"),
        ("POST", "/api/phones/code"), ("GET", f"/api/houses/{houses[0]['id']}/file"),
    ):  # fmt: skip
        body = None if method == "GET" else ""
        assert hosts.asked("phone", f"{hosts.door}{path}", method, body, **own)["status"] == 403, path
    bench_token = json.loads(hosts.asked("bench", f"{hosts.bench}/api/token")["body"])["token"]
    (device,) = json.loads(hosts.asked("bench", f"{hosts.bench}/api/phones")["body"])["devices"]
    out = hosts.asked("bench", f"{hosts.bench}/api/phones/{device['id']}", "DELETE", x_obtegum_token=bench_token)
    assert out["status"] == 200
    assert hosts.asked("phone", f"{house}/cards", cookie=cookie)["status"] == 403


def test_guesses_from_another_host_lock_the_door(hosts: Hosts) -> None:
    form = {"content_type": "application/x-www-form-urlencoded", "origin": hosts.door}
    code = hosts.code().replace(" ", "")
    wrong = f"{(int(code) + 1) % 1_000_000:06d}"
    answers = [hosts.asked("phone", f"{hosts.door}/enter", "POST", f"code={wrong}", **form) for _ in range(6)]
    assert [each["status"] for each in answers] == [403] * 5 + [429]
    # Neither the right one nor a new one is taken while it is locked.
    for right in (code, hosts.code().replace(" ", "")):
        locked = hosts.asked("phone", f"{hosts.door}/enter", "POST", f"code={right}", **form)
        assert locked["status"] == 429 and not locked["cookie"]
