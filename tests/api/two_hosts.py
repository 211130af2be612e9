"""Two hosts on a network of their own: the bench with its door for phones, and a phone that is not this machine.

Run within a network namespace that it may change (``unshare --map-root-user --net``). It tells the bench's address and
the door's, then takes requests as JSON, one a line, each with the host that it is to be sent from, and answers so.
"""

import json
import subprocess
import sys
from pathlib import Path
from urllib.error import HTTPError, URLError
from urllib.request import HTTPRedirectHandler, Request, build_opener

BENCH, PHONE = "10.77.0.1", "10.77.0.2"


class Stay(HTTPRedirectHandler):
    """A redirect is looked at, not followed."""

    def redirect_request(self, *_: object, **__: object) -> None:
        return None


def asked(wanted: dict[str, str]) -> dict[str, object]:
    """What comes of a request sent from here; a status of 0 where nobody answers."""
    headers = json.loads(wanted.get("headers", "{}"))
    body = wanted["body"].encode() if "body" in wanted else None
    request = Request(wanted["url"], body, headers, method=wanted.get("method", "GET"))
    try:
        with build_opener(Stay).open(request, timeout=30) as answer:
            found = answer.status, answer.read(), answer.headers
    except HTTPError as error:
        found = error.code, error.read(), error.headers
    except URLError as error:
        return {"status": 0, "body": str(error.reason), "cookie": ""}
    status, text, told = found
    return {"status": status, "body": text.decode("utf-8", "replace"), "cookie": told.get("set-cookie") or ""}


def say(what: object) -> None:
    sys.stdout.write(json.dumps(what) + "\n")
    sys.stdout.flush()


def as_phone() -> None:
    say("here")
    for line in sys.stdin:
        say(asked(json.loads(line)))


def as_bench(data: str) -> None:
    pipes = {"stdin": subprocess.PIPE, "stdout": subprocess.PIPE, "text": True}
    phone = subprocess.Popen(["unshare", "--net", sys.executable, __file__, "phone"], **pipes)  # type: ignore[call-overload]
    phone.stdout.readline()
    within = ["nsenter", f"--target={phone.pid}", "--net"]
    for words in (
        "ip link set lo up",
        "ip link add bench type veth peer name phone",
        f"ip addr add {BENCH}/24 dev bench",
        "ip link set bench up",
        f"ip link set phone netns {phone.pid}",
    ):
        subprocess.run(words.split(), check=True)
    for words in (f"ip addr add {PHONE}/24 dev phone", "ip link set phone up", "ip link set lo up"):
        subprocess.run([*within, *words.split()], check=True)
    serve = ["serve", "--demo", "--data", data, "--port", "0", "--field", BENCH]
    server = subprocess.Popen([sys.executable, "-m", "obtegum", *serve], stdout=subprocess.PIPE, text=True)
    assert server.stdout is not None
    bench = server.stdout.readline().split(" at ")[1].split("/ ")[0]
    say({"bench": bench, "door": f"http://{BENCH}:{bench.rsplit(':', 1)[1]}"})
    try:
        for line in sys.stdin:
            wanted = json.loads(line)
            if wanted["host"] == "bench":
                say(asked(wanted))
            else:
                phone.stdin.write(line)
                phone.stdin.flush()
                say(json.loads(phone.stdout.readline()))
    finally:
        for each in (server, phone):
            each.kill()
            each.wait()


if __name__ == "__main__":
    if sys.argv[1] == "phone":
        as_phone()
    else:
        as_bench(str(Path(sys.argv[2])))
