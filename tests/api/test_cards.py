"""Field cards through the API: dealt by step, done and taken back, what was typed flowing on."""

from pathlib import Path

from obtegum.core.rooms import SiteRecord
from obtegum.store import houses, open_store
from tests.api.conftest import page_client
from tests.conftest import make_house


def test_cards_are_dealt_done_and_taken_back(tmp_path: Path) -> None:
    store = open_store(tmp_path)
    client = page_client(store)
    house = houses.add(store, make_house(), SiteRecord(), "Started")
    url = f"/api/houses/{house.id}"
    # Without a step's name, the first that has something left to do.
    dealt = client.get(f"{url}/cards").json()
    assert dealt["step"] == "set-out" and dealt["caution"]
    assert {each["id"] for each in dealt["steps"]} >= {"level", "posts", "bows", "bend"}
    bows = client.get(f"{url}/cards", params={"step": "bows"}).json()
    card = next(each for each in bows["cards"] if each["tick"].startswith("card:bows:"))
    body = {"version": 1, "window": "w", "tick": card["tick"], "done": True}
    done = client.post(f"{url}/ticks", json=body)
    assert done.status_code == 200 and done.json()["undo"].startswith("Done: ")
    again = client.get(f"{url}/cards", params={"step": "bows"}).json()
    assert next(each for each in again["cards"] if each["tick"] == card["tick"])["state"] == "set"
    assert next(each for each in again["steps"] if each["id"] == "bows")["done"] == 1
    # One press undoes it.
    client.post(f"{url}/undo", json={"window": "w"})
    back = client.get(f"{url}/cards", params={"step": "bows"}).json()
    assert next(each for each in back["cards"] if each["tick"] == card["tick"])["state"] == "open"
    strange = client.post(f"{url}/ticks", json={**body, "version": 3, "tick": "card:bows:stick:Z/nothing"})
    assert strange.status_code == 422 and "no such card" in strange.json()["errors"][0]["sentence"]
    assert client.post(f"{url}/ticks", json={**body, "version": 3, "tick": "card:"}).status_code == 422
    store.close()
