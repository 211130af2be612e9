"""The API under calls made up from its own description: it may say no, but never breaks."""

from collections.abc import Iterator

import pytest
import schemathesis
from hypothesis import HealthCheck, given, settings

from obtegum.api.app import make_app
from obtegum.api.guard import TOKEN_HEADER
from obtegum.core.starters import demo_houses
from obtegum.store import houses, open_store

CALLS = 1500
PER_OPERATION = 45

APP = make_app(None, frozenset({"localhost", "testserver"}))
TOKEN = {TOKEN_HEADER: APP.state.token}


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


@pytest.mark.parametrize("label", OPERATIONS)
def test_no_call_breaks_the_server(label: str) -> None:
    @settings(max_examples=PER_OPERATION, derandomize=True, deadline=None, suppress_health_check=list(HealthCheck))
    @given(case=OPERATIONS[label].as_strategy())
    def call(case) -> None:  # type: ignore[no-untyped-def]
        answer = case.call(headers={**(case.headers or {}), **TOKEN})
        made["calls"] += 1
        assert answer.status_code < 500, (case.method, case.path, answer.text[:300])
        if answer.status_code >= 400:
            assert answer.headers["content-type"] == ["application/problem+json"]
            assert answer.json()["detail"]

    call()


def test_that_was_calls_enough() -> None:
    assert made["calls"] >= CALLS
