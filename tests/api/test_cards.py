"""Field cards through the API: dealt by step, done and taken back, what was typed flowing on."""

import io
import json
import math
import re
from pathlib import Path
from typing import Any

import pytest
from pypdf import PdfReader

from obtegum.core.documents.house import SiteRecord
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


def packed(html: str) -> dict[str, Any]:
    """What a pack holds."""
    found = re.search(r'<script type="application/json" id="pack">(.*?)</script>', html, re.DOTALL)
    assert found is not None
    return dict(json.loads(found[1]))


def test_a_pack_comes_back_whole_once_and_never_over_what_stands(tmp_path: Path) -> None:
    store = open_store(tmp_path)
    client = page_client(store)
    house = houses.add(store, make_house(tape__units="metric"), SiteRecord(), "Started")
    url = f"/api/houses/{house.id}"
    html = client.get(f"{url}/pack.html").text
    # Nothing is fetched: no address but the names of things.
    assert not re.findall(r"(?:src|href)=|https?://(?!www\.w3\.org)", html.split('id="pack">')[0])
    pack = packed(html)
    level = next(each for each in pack["steps"] if each["id"] == "level")
    pegs = [each for each in level["cards"] if each.get("measure", "").startswith("record.levels.pegs")]
    bows = next(each for each in pack["steps"] if each["id"] == "bows")["cards"]
    entries = [
        {"measure": card["measure"], "text": f"1.{place:03d}", "was": card.get("typed", ""), "reading": ""}
        for place, card in enumerate(pegs, start=400)
    ]
    entries.append({"tick": bows[0]["tick"], "done": True, "reading": bows[0]["reading"]})
    body = {"pack": pack["pack"], "house": house.id, "version": pack["version"], "entries": entries}
    back = client.post(f"{url}/pack", json=body).json()
    assert (back["taken"], back["already"]) == (len(pegs) + 1, 0) and not back["refused"] and not back["clashes"]
    kept = houses.get(store, house.id)
    assert [kept.record.levels.pegs[card["measure"].split(".")[-1]] for card in pegs] == pytest.approx(
        [1 + place / 1000 for place in range(400, 400 + len(pegs))]
    )
    # The same again changes nothing; it is one change, one undo.
    twice = client.post(f"{url}/pack", json=body).json()
    assert (twice["taken"], twice["already"]) == (0, len(pegs) + 1)
    assert houses.get(store, house.id).version == kept.version == 2
    # Meanwhile another value was typed here: the pack's own isn't written over it.
    edit = {"version": 2, "window": "w", "edits": [{"measure": pegs[0]["measure"], "text": "1.7"}]}
    assert client.patch(url, json=edit).status_code == 200
    third = client.post(f"{url}/pack", json=body).json()
    assert third["taken"] == 0 and "1.700 m" in third["clashes"][0] and "1.400 m" in third["clashes"][0]
    assert third["since"] == 2
    store.close()


def test_an_older_pack_says_what_changed_and_what_cant_be_taken(tmp_path: Path) -> None:
    store = open_store(tmp_path)
    client = page_client(store)
    house = houses.add(store, make_house(tape__units="metric"), SiteRecord(), "Started")
    url = f"/api/houses/{house.id}"
    pack = packed(client.get(f"{url}/pack.html").text)
    peg = next(
        card
        for each in pack["steps"]
        for card in each["cards"]
        if each["id"] == "set-out" and card.get("tick") == "peg:L2"
    )
    client.patch(url, json={"version": 1, "window": "w", "edits": [{"measure": "bows.max_spacing_m", "text": "0.8 m"}]})
    entries = [
        {"tick": "peg:L2", "done": True, "reading": peg["reading"], "at_m": peg["at_m"]},
        {"tick": "card:bows:stick:Z/none", "done": True},
        {"measure": "record.levels.pegs.L1", "text": "two metres"},
        {"measure": "size.span_m", "text": "9 m"},
    ]
    body = {"pack": pack["pack"], "house": house.id, "version": 1, "entries": entries}
    back = client.post(f"{url}/pack", json=body).json()
    assert back["taken"] == 1
    assert peg["reading"] in back["changed"][0] and "the plan says" in back["changed"][0]
    # It stands where the card said, so the plan's own card says that it has moved.
    assert houses.get(store, house.id).record.set_at_m["peg:L2"] == pytest.approx(peg["at_m"])
    now = client.get(f"{url}/cards", params={"step": "set-out"}).json()["cards"]
    assert next(each for each in now if each["tick"] == "peg:L2")["state"] == "moved"
    # A card that isn't there, a reading that can't be read, and what is no card's: none of them is taken.
    assert len(back["refused"]) == 3
    assert houses.get(store, house.id).design.size.span_m != 9
    other = houses.add(store, make_house(), SiteRecord(), "Started")
    assert client.post(f"/api/houses/{other.id}/pack", json=body).status_code == 409
    store.close()


def test_cards_on_paper_four_to_a_page(tmp_path: Path) -> None:
    store = open_store(tmp_path)
    client = page_client(store)
    house = houses.add(store, make_house(), SiteRecord(), "Started")
    url = f"/api/houses/{house.id}"
    for step in ("bows", "set-out", "level"):
        dealt = client.get(f"{url}/cards", params={"step": step}).json()["cards"]
        reader = PdfReader(io.BytesIO(client.get(f"{url}/cards/{step}.pdf").content))
        assert len(reader.pages) == math.ceil(len(dealt) / 4)
        text = re.sub(r"\s+", " ", " ".join(page.extract_text() for page in reader.pages))
        assert all(card["reading"] in text for card in dealt), step
        assert text.count("who") >= len(dealt)
    assert client.get(f"{url}/cards/weather.pdf").status_code == 404
    assert client.get(f"{url}/cards/nothing.pdf").status_code == 404
    store.close()


def test_a_clock_left_running_is_asked_about_and_answered_once(tmp_path: Path) -> None:
    store = open_store(tmp_path)
    client = page_client(store)
    record = SiteRecord().clocked("level", 1e9, on=True)
    house = houses.add(store, make_house(), record, "Started")
    url = f"/api/houses/{house.id}"

    def clock() -> Any:
        return client.get(f"{url}/cards", params={"step": "posts"}).json()["clock"]

    doubt = clock()["doubt"]
    assert doubt["start_s"] == 1e9 and re.fullmatch(
        r"Level: the clock of 2001-09-\d\d \d\d:\d\d ran for [\d,.]+ h\. How long was the work\?", doubt["asks"]
    )
    body = {"version": 1, "window": "w", "start_s": 1e9}
    for wrong, why in (("long", "Can't read"), ("73", "more than 72 h")):
        refused = client.post(f"{url}/worked", json={**body, "worked": wrong})
        assert refused.status_code == 422 and why in refused.text
    assert client.post(f"{url}/worked", json={**body, "worked": "6.5"}).status_code == 200
    assert clock()["doubt"] is None and houses.get(store, house.id).record.worked_s("level", 2e9) == 6.5 * 3600
    assert client.post(f"{url}/worked", json={**body, "start_s": 5.0, "worked": "1"}).status_code == 422
    assert client.post(f"{url}/undo", json={"window": "w"}).status_code == 200 and clock()["doubt"] == doubt
    store.close()


def test_loads_are_counted_and_the_clock_runs(tmp_path: Path) -> None:
    store = open_store(tmp_path)
    client = page_client(store)
    house = houses.add(store, make_house(), SiteRecord(), "Started")
    url = f"/api/houses/{house.id}"
    body = {"version": 1, "window": "w"}
    for by in (1, 1, 1, -1):
        assert client.post(f"{url}/tally", json={**body, "what": "loads", "by": by}).status_code == 200
    # Sent again under its own name it counts once.
    for _ in range(2):
        client.post(f"{url}/tally", json={**body, "what": "loads", "by": 1}, headers={"idempotency-key": "once"})
    assert houses.get(store, house.id).record.tallies == {"loads": 3}
    client.post(f"{url}/clock", json={**body, "step": "level", "on": True})
    dealt = client.get(f"{url}/cards", params={"step": "posts"}).json()
    assert dealt["clock"]["on"] == "Level" and not dealt["clock"]["runs"]
    assert next(each for each in dealt["tallies"] if each["id"] == "loads")["count"] == 3
    client.post(f"{url}/clock", json={**body, "step": "level", "on": False})
    assert houses.get(store, house.id).record.running is None
    undone = client.post(f"{url}/undo", json={"window": "w"})
    assert undone.status_code == 200 and houses.get(store, house.id).record.running is not None
    assert client.post(f"{url}/tally", json={**body, "what": "sheep", "by": 1}).status_code == 422
    store.close()
