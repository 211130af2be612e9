"""The API under calls made up from its own description: it may say no, but never breaks, at the bench or by a phone.

A seeded share by default, 20,000 calls with ``--deep``.
"""

from collections.abc import Iterator
from pathlib import Path
from tempfile import TemporaryDirectory

import pytest
import schemathesis
from hypothesis import HealthCheck, given, settings
from sqlalchemy import select

from obtegum.api.app import make_app
from obtegum.api.door import Door, may
from obtegum.api.guard import COOKIE, TOKEN_HEADER
from obtegum.core.house.starters import demo_houses
from obtegum.store import houses, open_store
from obtegum.store.models import HouseRow, RevisionRow

# Calls of each operation from the bench and from a phone, and in all of those together.
PER_OPERATION, DEEP_PER_OPERATION = {"bench": 36, "phone": 12}, {"bench": 185, "phone": 175}
CALLS, DEEP_CALLS = 1700, 20_000
PHONE = "10.0.0.5"
FOLDER = TemporaryDirectory()
DOOR = Door(Path(FOLDER.name), (PHONE, 80))
APP = make_app(None, frozenset({"localhost", "testserver"}), door=DOOR)
OWN = DOOR.enter(DOOR.code(), "a phone")
SEATS = {
    "bench": {TOKEN_HEADER: APP.state.token},
    "phone": {TOKEN_HEADER: Door.token_of(OWN), "host": f"{PHONE}:80", "cookie": f"{COOKIE}={OWN}"},
}


@schemathesis.serializer("application/zip", "text/csv", "text/plain")
def as_sent(ctx: object, value: object) -> bytes:
    return value if isinstance(value, bytes) else str(value).encode("utf-8", "replace")


OPERATIONS = {
    found.ok().label: found.ok()
    for found in schemathesis.openapi.from_asgi("/api/openapi.json", APP).get_all_operations()
}
made = {"calls": 0}


@pytest.fixture(scope="module", autouse=True)
def kept(tmp_path_factory: pytest.TempPathFactory) -> Iterator[None]:
    APP.state.store = open_store(tmp_path_factory.mktemp("data"))
    for design, record in demo_houses():
        houses.add(APP.state.store, design, record, "Started")
    yield
    APP.state.store.close()


def planned() -> dict[str, str]:
    """What is planned of every house, on whatever shelf, by the name that its text goes by."""
    newest = select(HouseRow.id, RevisionRow.design).join(
        RevisionRow, (RevisionRow.house_id == HouseRow.id) & (RevisionRow.version == HouseRow.version)
    )
    with APP.state.store.reading() as session:
        return {row.id: row.design for row in session.execute(newest)}


@pytest.mark.parametrize("seat", SEATS)
@pytest.mark.parametrize("label", OPERATIONS)
def test_no_call_breaks_the_server(label: str, seat: str, pytestconfig: pytest.Config) -> None:
    most = (DEEP_PER_OPERATION if pytestconfig.getoption("--deep") else PER_OPERATION)[seat]
    before = planned() if seat == "phone" else {}

    @settings(max_examples=most, derandomize=True, deadline=None, suppress_health_check=list(HealthCheck))
    @given(case=OPERATIONS[label].as_strategy())
    def call(case) -> None:  # type: ignore[no-untyped-def]
        at = {"base_url": f"http://{PHONE}"} if seat == "phone" else {}
        answer = case.call(headers={**(case.headers or {}), **SEATS[seat]}, **at)
        made["calls"] += 1
        assert answer.status_code < 500, (case.method, case.path, answer.text[:300])
        if answer.status_code >= 400:
            assert answer.headers["content-type"] == ["application/problem+json"]
            assert answer.json()["detail"]
        if seat == "phone" and not may(case.method, answer.request.path_url.split("?")[0]):
            assert answer.status_code == 403

    call()
    # A phone changes nothing that is planned, and no house comes or goes by it.
    assert seat == "bench" or planned() == before
    assert DOOR.device_of(OWN) is not None


def test_that_was_calls_enough(pytestconfig: pytest.Config) -> None:
    assert made["calls"] >= (DEEP_CALLS if pytestconfig.getoption("--deep") else CALLS)
