"""The door: what is let in, how much of it, and with which headers it leaves."""

from collections.abc import Iterator

import pytest
from fastapi.testclient import TestClient

from obtegum.api.app import make_app
from obtegum.store import Store


def pieces(total: int) -> Iterator[bytes]:
    """A body sent in pieces, its length not told beforehand."""
    for _ in range(total // 65_536 + 1):
        yield b" " * 65_536


def test_a_body_of_untold_length_is_cut_off(client: TestClient) -> None:
    for path in ("/api/plan", "/api/house-files"):
        answer = client.post(path, content=pieces(3_000_000), headers={"content-type": "application/json"})
        assert 400 <= answer.status_code < 500, path
    assert client.get("/api/houses").json()["total"] == 0


@pytest.mark.parametrize("length", ["-1", "many", "1e3", "99999999999"])
def test_a_length_that_is_none_is_refused(client: TestClient, length: str) -> None:
    assert client.post("/api/plan", content=b"{}", headers={"content-length": length}).status_code == 413


def test_a_backup_may_be_larger_than_a_house(client: TestClient) -> None:
    zipped = {"content-type": "application/zip"}
    assert client.post("/api/backup", content=b"x" * 3_000_000, headers=zipped).status_code == 422
    told = {**zipped, "content-length": "2000000001"}
    assert client.post("/api/backup", content=b"x", headers=told).status_code == 413


def test_every_answer_carries_its_headers(client: TestClient) -> None:
    for path in ("/", "/api/houses", "/api/houses/nowhere", "/api/openapi.json"):
        headers = client.get(path).headers
        assert headers["x-content-type-options"] == "nosniff", path
        assert headers["referrer-policy"] == "no-referrer", path
        assert "default-src 'none'" in headers["content-security-policy"], path
        assert "unsafe" not in headers["content-security-policy"], path
        assert headers["cache-control"] == "no-store", path


def test_other_names_can_be_allowed(store: Store) -> None:
    app = make_app(store, frozenset({"bench.test"}))
    assert TestClient(app, base_url="http://bench.test").get("/api/houses").status_code == 200
    assert TestClient(app, base_url="http://localhost").get("/api/houses").status_code == 421


@pytest.mark.parametrize("origin", ["null", "http://bench.test", "http://localhost.example", "file://"])
def test_pages_from_elsewhere_are_turned_away(client: TestClient, origin: str) -> None:
    body = {"units": "feet"}
    assert client.post("/api/houses", json=body, headers={"origin": origin}).status_code == 403
    assert client.get("/api/houses").json()["total"] == 0


def test_something_that_breaks_says_so_without_telling_how(client: TestClient, monkeypatch: pytest.MonkeyPatch) -> None:
    def broken(*_: object) -> None:
        raise RuntimeError("a secret path")

    monkeypatch.setattr("obtegum.api.yard.houses.newest", broken)
    answer = client.get("/api/houses")
    assert answer.status_code == 500
    assert "What was saved is safe" in answer.json()["detail"]
    assert "secret" not in answer.text


def test_methods_that_are_none_are_problems(client: TestClient) -> None:
    for method in ("PATCH", "PUT"):
        answer = client.request(method, "/api/houses")
        assert answer.status_code == 405
        assert answer.headers["content-type"] == "application/problem+json"
