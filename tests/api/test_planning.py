"""Planning over the wire: what is answered, and what is said to what can't be planned."""

import copy
import json
from typing import Any

import pytest
from fastapi.testclient import TestClient

from obtegum.core.house.plan import plan_work
from obtegum.core.values.quantity import FOOT_M
from tests.conftest import house_document, make_bench


def post(client: TestClient, path: str, text: str) -> Any:
    return client.post(path, content=text, headers={"content-type": "application/json"})


def test_a_plan_is_the_core_s_own(client: TestClient) -> None:
    answer = client.post("/api/plan", json=house_document())
    assert answer.status_code == 200
    assert answer.json() == json.loads(plan_work(make_bench(), slow=True).model_dump_json())


@pytest.mark.parametrize(
    ("old", "new", "measure"),
    [
        ('"span_m": 6.4008', '"span_m": NaN', "size.span_m"),
        ('"span_m": 6.4008', '"span_m": Infinity', "size.span_m"),
        ('"span_m": 6.4008', '"span_m": -Infinity', "size.span_m"),
        ('"span_m": 6.4008', '"span_m": 0', "size.span_m"),
        ('"span_m": 6.4008', '"span_m": -1', "size.span_m"),
        ('"span_m": 6.4008', '"span_m": 1e308', "size.span_m"),
        ('"span_m": 6.4008', '"span_m": "21 feet"', "size.span_m"),
        ('"span_m": 6.4008', '"span_m": null', "size.span_m"),
        ('"leg_m": 0.6096', '"leg_m": 99', "size.shape.leg_m"),
        ('"max_spacing_m": 1.2192', '"max_spacing_m": NaN', "bows.max_spacing_m"),
    ],
)
def test_bad_numbers_are_refused_at_their_field(client: TestClient, old: str, new: str, measure: str) -> None:
    text = json.dumps(house_document())
    assert old in text
    answer = post(client, "/api/plan", text.replace(old, new))
    assert answer.status_code == 422
    assert answer.headers["content-type"] == "application/problem+json"
    problem = answer.json()
    assert problem["errors"][0]["measure"] == measure
    assert problem["errors"][0]["sentence"].endswith(".")
    assert problem["status"] == 422


@pytest.mark.parametrize(
    ("text", "status"),
    [("{", 400), ("", 422), ("[]", 422), ("null", 422), ("3", 422), ('"x"', 422), ("[" * 100_000, 400), ("{}", 422)],
)
def test_what_is_no_house_gets_a_problem(client: TestClient, text: str, status: int) -> None:
    answer = post(client, "/api/plan", text)
    assert answer.status_code == status
    assert answer.json()["detail"]


def test_spacing_longer_than_the_house_offers_the_house(client: TestClient) -> None:
    document = house_document(size__length_m=1.1)
    problem = client.post("/api/plan", json=document).json()
    assert problem["errors"][0]["measure"] == "bows.max_spacing_m"
    # As printed, and no further apart than the house is long.
    assert problem["errors"][0]["nearest"] == "3' 7 1/4\""
    assert problem["errors"][0]["nearest_m"] == pytest.approx(43.25 * 0.0254)


def test_a_trial_changes_nothing_kept(client: TestClient) -> None:
    document = house_document()
    body = {"design": document, "edits": [{"measure": "size.span_m", "text": "22' 6\""}]}
    before = copy.deepcopy(document)
    answer = client.post("/api/try", json=body).json()
    assert document == before
    assert answer["design"]["size"]["span_m"] == pytest.approx(22.5 * FOOT_M)
    assert answer["plan"]["measures"]["size.span_m"]["reading"] == "22' 6\""
    assert client.get("/api/houses").json()["total"] == 0


def test_a_trial_that_fails_says_so_in_the_house_s_units(client: TestClient) -> None:
    body = {"design": house_document(tape__units="metric"), "edits": [{"measure": "size.span_m", "text": "1000 m"}]}
    problem = client.post("/api/try", json=body).json()
    assert problem["errors"][0]["sentence"] == "Width can be 20.000 m at the most."


def test_lengths_are_read_by_the_core(client: TestClient) -> None:
    answer = client.get("/api/length", params={"text": "7-4.5", "units": "feet"}).json()
    assert answer["reading"] == "7' 4 1/2\""
    assert client.get("/api/length", params={"text": "wide"}).status_code == 422
    assert client.get("/api/length", params={"text": "1", "units": "cubits"}).status_code == 422


def test_starters_plan(client: TestClient) -> None:
    for units in ("feet", "metric"):
        design = client.get("/api/starter", params={"units": units}).json()
        assert client.post("/api/plan", json=design).status_code == 200


def test_the_description_is_whole(client: TestClient) -> None:
    description = client.get("/api/openapi.json").json()
    assert {"/api/plan", "/api/try", "/api/houses", "/api/houses/{house_id}"} <= set(description["paths"])
    assert "HouseDesign" in description["components"]["schemas"]


@pytest.mark.parametrize("name", ["\\ud800", "\\u0000", "\\udfff\\ud800"])
def test_letters_that_are_none_do_not_break_the_server(client: TestClient, name: str) -> None:
    house = client.post("/api/houses", json={"units": "feet"}).json()["id"]
    text = f'{{"version": 1, "edits": [{{"measure": "name", "text": "{name}"}}]}}'
    answer = client.patch(f"/api/houses/{house}", content=text, headers={"content-type": "application/json"})
    assert answer.status_code < 500
    assert client.get("/api/houses").status_code == 200
    assert client.get(f"/api/houses/{house}").status_code == 200


@pytest.mark.parametrize("number", [2**31 + 1, 2**63, 10**400, -1, 1.5])
def test_versions_out_of_all_reason_are_refused(client: TestClient, number: float) -> None:
    house = client.post("/api/houses", json={"units": "feet"}).json()["id"]
    edits = [{"measure": "size.span_m", "text": "20"}]
    for method, path, body in (
        ("PATCH", "", {"version": number, "edits": edits}),
        ("POST", "/ticks", {"version": number, "tick": "peg:L1", "done": True}),
        ("PUT", "/revision", {"to": number}),
    ):
        assert client.request(method, f"/api/houses/{house}{path}", json=body).status_code in (400, 404, 422), path
