"""The map of frames over the wire: line by line, kept while nothing that it hangs on changes, stopped by who leaves."""

import json
import time
from typing import Any

import pytest
from fastapi.testclient import TestClient

from obtegum.core.documents.house import HouseDesign, SiteRecord
from obtegum.core.formulas.frame.analyse import analyse
from obtegum.core.house.frames.mapped import frames_of
from obtegum.exchange.housefile import write_house_file
from obtegum.store import Store
from tests.conftest import make_bench, make_house
from tests.core.test_strength import STOUT, told

NARROW = {"ties": "held", "tube": "held"}


def opened(client: TestClient, design: HouseDesign) -> str:
    headers = {"content-type": "application/json"}
    content = write_house_file(design, SiteRecord())
    house: str = client.post("/api/house-files", content=content, headers=headers).json()["id"]
    return house


def lines(client: TestClient, house: str) -> list[dict[str, Any]]:
    found = client.get(f"/api/houses/{house}/frames")
    assert found.status_code == 200 and found.headers["content-type"].startswith("application/x-ndjson")
    return [json.loads(line) for line in found.text.splitlines()]


def edited(client: TestClient, house: str, **changes: str) -> None:
    version = client.get(f"/api/houses/{house}/version").json()["version"]
    edits = [{"measure": name.replace("__", "."), "text": text} for name, text in changes.items()]
    body = {"version": version, "window": "w", "edits": edits}
    assert client.patch(f"/api/houses/{house}", json=body).status_code == 200


def test_the_map_comes_line_by_line(client: TestClient) -> None:
    parts = {**told(), "frames": NARROW}
    first, *rest = lines(client, opened(client, make_house(**parts)))
    wanted = frames_of(make_bench(**parts))
    assert [each["key"] for each in first["frames"]] == [each.key for each in wanted]
    assert rest[-1]["come"]["ended"] and rest[-1]["come"]["done"] == len(wanted)
    keys = [tried["key"] for line in rest for tried in line["come"]["tried"]]
    assert sorted(keys) == sorted(each.key for each in wanted)


def test_a_second_look_after_another_change_is_the_same_and_reckons_nothing(
    client: TestClient, monkeypatch: pytest.MonkeyPatch
) -> None:
    house = opened(client, make_house(**told(), frames=NARROW))
    before = lines(client, house)
    edited(client, house, name="Another name", carries__clear_m="6 in", frames__offer_runs="5")

    def never(*_: object) -> None:
        raise AssertionError("reckoned anew")

    with monkeypatch.context() as patched:
        patched.setattr("obtegum.api.frames.mapped", never)
        assert lines(client, house) == before
    edited(client, house, weather__ground_snow_pa="40 psf")
    after = lines(client, house)
    assert after[0] == before[0] and after[1:] != before[1:]


def test_what_each_part_buys_and_an_offer(client: TestClient, store: Store) -> None:
    house = opened(client, make_house(**told(), frames={"offer_ties": "collar"}))
    buys = client.get(f"/api/houses/{house}/buys").json()["buys"]
    assert buys[0]["words"] == "as it is" and len(buys) > 8
    own, offer = client.get(f"/api/houses/{house}/offer").json()["sides"]
    assert own["tried"]["own"] and offer["tried"]["uses"].endswith("%")
    for name in ("frames", "buys", "offer"):
        assert client.get(f"/api/houses/none/{name}").status_code == 404


def test_an_offer_asked_for_again_reckons_only_what_changed(
    client: TestClient, monkeypatch: pytest.MonkeyPatch
) -> None:
    house, reckoned = opened(client, make_house(**told(), frames={"offer_ties": "collar"})), list[object]()

    def counted(*given: Any, **named: Any) -> Any:
        reckoned.append(given)
        return analyse(*given, **named)

    monkeypatch.setattr("obtegum.core.rooms.strength.found.analyse", counted)
    first = client.get(f"/api/houses/{house}/offer").json()
    whole = len(reckoned)
    # What its seller says changes neither frame; another spacing changes the offered one alone.
    edited(client, house, frames__seller_deep_m="3 ft")
    reckoned.clear()
    assert client.get(f"/api/houses/{house}/offer").json() == first and reckoned == []
    edited(client, house, frames__offer_spacing_m="1.4 m")
    reckoned.clear()
    other = client.get(f"/api/houses/{house}/offer").json()
    assert other["sides"][0] == first["sides"][0] and other["sides"][1] != first["sides"][1]
    assert 0 < len(reckoned) < whole


def test_without_weather_everything_is_not_known_and_nothing_breaks(client: TestClient) -> None:
    house = opened(client, make_house(**STOUT, frames=NARROW))
    levels = {tried["level"] for line in lines(client, house)[1:] for tried in line["come"]["tried"]}
    assert levels == {"unknown"}


def test_the_card_is_a_file_by_itself(client: TestClient) -> None:
    house = opened(client, make_house(**told()))
    names = [each["name"] for each in client.get("/api/files").json()["files"]]
    assert {"card.pdf?paper=letter", "card.pdf?paper=a4", "card.html"} <= set(names)
    for paper in ("letter", "a4"):
        found = client.get(f"/api/houses/{house}/card.pdf", params={"paper": paper})
        assert found.content.startswith(b"%PDF") and "card in the house.pdf" in found.headers["content-disposition"]
    page = client.get(f"/api/houses/{house}/card.html")
    assert page.headers["content-type"].startswith("text/html") and "Settled snow" in page.text
    assert time.strftime("%Y") in page.text
    for name in ("nothing.pdf", "nothing.html"):
        assert client.get(f"/api/houses/{house}/{name}").status_code == 404
