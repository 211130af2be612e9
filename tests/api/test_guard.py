"""The door: what is let in, how much of it, and with which headers it leaves."""

from collections.abc import Iterator
from typing import Any

import pytest
from fastapi.testclient import TestClient

from obtegum.api.app import make_app
from obtegum.store import Store
from tests.conftest import make_house


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


STRANGE = [
    {"origin": "null"},
    {"origin": "http://bench.test"},
    {"origin": "http://localhost.example"},
    {"origin": "file://"},
    # A page that another server on this machine gave out is not one of ours.
    {"origin": "http://127.0.0.1:8643"},
    {"origin": "https://127.0.0.1"},
    {"origin": "http://localhost"},
    {"sec-fetch-site": "same-site"},
    {"sec-fetch-site": "cross-site"},
    {"x-obtegum-token": "guessed"},
    {"x-obtegum-token": ""},
]


@pytest.mark.parametrize("headers", STRANGE)
def test_pages_from_elsewhere_change_nothing(client: TestClient, headers: dict[str, str]) -> None:
    house = client.post("/api/houses", json={"units": "feet"}).json()["id"]
    zipped = {**headers, "content-type": "application/zip"}
    calls = (
        client.post("/api/houses", json={"units": "feet"}, headers=headers),
        client.patch(f"/api/houses/{house}", json={"version": 1, "edits": []}, headers=headers),
        client.put(f"/api/houses/{house}/shelf", json={"shelf": "deleted"}, headers=headers),
        client.delete("/api/houses", headers=headers),
        client.post("/api/backup", content=b"PK", headers=zipped),
    )
    assert [answer.status_code for answer in calls] == [403] * 5
    assert all(answer.headers["content-type"] == "application/problem+json" for answer in calls)
    assert client.get("/api/houses").json()["total"] == 1


def test_the_token_is_in_the_page_and_told_to_no_other_site(client: TestClient) -> None:
    token = client.get("/api/token").json()["token"]
    assert len(token) >= 32
    assert f'content="{token}"' in client.get("/").text
    for headers in STRANGE[:9]:
        answer = client.get("/api/token", headers=headers)
        assert answer.status_code == 403
        assert "access-control-allow-origin" not in answer.headers


@pytest.mark.parametrize(
    ("path", "sent"),
    [
        ("/api/houses", "text/plain"),
        ("/api/houses", "application/x-www-form-urlencoded"),
        ("/api/plan", "text/plain"),
        ("/api/house-files", "multipart/form-data"),
        ("/api/backup", "application/json"),
        ("/api/houses/h/readings", "application/json"),
    ],
)
def test_bodies_of_another_kind_are_refused(client: TestClient, path: str, sent: str) -> None:
    answer = client.post(path, content=b"{}", headers={"content-type": sent})
    assert answer.status_code == 415
    assert answer.json()["detail"].startswith("Send it as ")


def test_refusals_carry_the_same_headers(client: TestClient, monkeypatch: pytest.MonkeyPatch) -> None:
    def broken(*_: object) -> None:
        raise RuntimeError

    monkeypatch.setattr("obtegum.api.yard.houses.newest", broken)
    answers = (
        client.get("/api/houses", headers={"host": "elsewhere.example"}),
        client.post("/api/plan", content=b"{}", headers={"content-length": "3000000"}),
        client.post("/api/plan", content=b"{}", headers={"content-type": "text/plain"}),
        client.post("/api/houses", json={}, headers={"origin": "null"}),
        client.get("/api/houses"),
        client.get("/api/nothing"),
        client.request("PATCH", "/api/houses"),
    )
    assert [answer.status_code for answer in answers] == [421, 413, 415, 403, 500, 404, 405]
    for answer in answers:
        assert answer.headers["x-content-type-options"] == "nosniff"
        assert "default-src 'none'" in answer.headers["content-security-policy"]
        assert answer.headers["cache-control"] == "no-store"
        assert answer.json()["detail"]


def test_head_answers_as_get_without_the_body(client: TestClient) -> None:
    house = client.post("/api/houses", json={"units": "feet"}).json()["id"]
    for path in ("/", "/api/houses", f"/api/houses/{house}", f"/api/houses/{house}/pegs.csv", "/api/houses/nowhere"):
        got, head = client.get(path), client.head(path)
        assert head.status_code == got.status_code, path
        assert head.content == b""
        assert head.headers["content-type"] == got.headers["content-type"]
        assert head.headers["content-length"] == got.headers["content-length"]


@pytest.mark.parametrize(
    ("measure", "value", "part"),
    [
        ("size.span_m", {"value_m": 1e308}, "longer than any house"),
        ("size.span_m", {"value_m": -1e308}, "longer than any house"),
        ("size.span_m", {"text": "9" * 59}, "longer than any house"),
        ("bows.max_spacing_m", {"steps": 10_000, "stride": "large"}, "at the most"),
        ("pad.swell", {"text": "9" * 59}, "at the most"),
        ("name", {"text": "\u200b\u2060\u00a0"}, "can be seen"),
        ("name", {"text": "\u2800\u3164"}, "can be seen"),
    ],
)
def test_values_beyond_all_measure_get_a_sentence(
    client: TestClient, measure: str, value: dict[str, Any], part: str
) -> None:
    house = client.post("/api/houses", json={"units": "feet"}).json()["id"]
    body = {"version": 1, "edits": [{"measure": measure, **value}]}
    answer = client.patch(f"/api/houses/{house}", json=body)
    assert answer.status_code == 422
    assert part in answer.json()["detail"]
    assert client.get(f"/api/houses/{house}").json()["version"] == 1


def test_the_longest_and_closest_house_takes_a_reading_at_every_peg(client: TestClient) -> None:
    """300 m with bows 0.3 m apart: 1,001 bows, 2,002 pegs."""
    design = make_house(size__length_m=300.0, bows__max_spacing_m=0.3, tape__units="metric")
    file = {"format": "obtegum house", "version": 3, "design": design.model_dump(), "record": {}}
    house = client.post("/api/house-files?step=none", json=file).json()["id"]
    readings = "".join(f"{side}{bow},1.5\n" for side in "LR" for bow in range(1, 1002))
    url = f"/api/houses/{house}/readings"
    answer = client.post(url, content=readings, headers={"content-type": "text/csv"})
    assert answer.status_code == 200
    assert len(answer.json()["record"]["levels"]["pegs"]) == 2002


def test_readings_beyond_all_measure_get_a_sentence(client: TestClient) -> None:
    url = f"/api/houses/{client.post('/api/houses', json={'units': 'metric'}).json()['id']}/readings"
    rounds = "round,line,reading\n" + "".join(f"{number},AB,10\n" for number in range(1, 100))
    for text, part in (
        ("L1," + "9" * 140_000, "far more than a reading"),
        (f'L1,"{"x" * 1500}', "Line 1"),
        (rounds, "99 rounds of taping; the one under way and 60 earlier ones are the most"),
    ):
        answer = client.post(url, content=text, headers={"content-type": "text/plain"})
        assert answer.status_code == 422, part
        assert part in answer.json()["detail"]


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
