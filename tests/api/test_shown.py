"""A window is sent what it shows: a step's own measures, drawings and tapes; the rest when it is asked for."""

import json

from fastapi.testclient import TestClient

from obtegum.core.house.remedies import find_remedies
from obtegum.core.house.starters import demo_houses
from obtegum.core.values.catalogue import default_catalogue
from obtegum.exchange.housefile import write_house_file
from obtegum.store import Store, houses


def kept(store: Store, place: int = 0) -> str:
    return houses.add(store, *demo_houses()[place], "Started").id


def test_only_the_step_that_is_shown_is_told_of(client: TestClient, store: Store) -> None:
    house = kept(store)
    whole = client.get(f"/api/houses/{house}").json()
    shown = client.get(f"/api/houses/{house}", params={"step": "level"}).json()
    assert len(json.dumps(shown)) < len(json.dumps(whole)) / 4
    assert (shown["design"], shown["record"]) == (None, None)
    told = {step["id"]: step for step in shown["plan"]["steps"]}
    full = {step["id"]: step for step in whole["plan"]["steps"]}
    assert told["level"] == full["level"]
    for name, step in told.items():
        assert [step[part] for part in ("title", "group", "state", "done", "of")] == [
            full[name][part] for part in ("title", "group", "state", "done", "of")
        ]
        assert name == "level" or not (step["answers"] or step["measures"] or step["walk"] or step["how"])
    # What the top line and the rail say is the same; the fields are the step's own and the house's.
    assert shown["plan"]["verdicts"] == whole["plan"]["verdicts"]
    assert set(full["level"]["measures"]) | {"name", "tape.units"} <= set(shown["plan"]["measures"])
    assert "bows.bundle" not in shown["plan"]["measures"]
    assert all(drawing["table"] == [] for drawing in shown["plan"]["drawings"])


def test_tables_are_asked_for_one_by_one(client: TestClient, store: Store) -> None:
    house = kept(store)
    whole = client.get(f"/api/houses/{house}").json()["plan"]["drawings"]
    for drawing in whole:
        rows = client.get(f"/api/houses/{house}/tables/{drawing['view']}").json()["rows"]
        assert rows == drawing["table"], drawing["view"]
    assert client.get(f"/api/houses/{house}/tables/moon").status_code == 404
    assert client.get("/api/houses/none/tables/above").status_code == 404
    # Of a version that was, its own.
    client.patch(
        f"/api/houses/{house}", json={"version": 1, "window": "w", "edits": [{"measure": "size.span_m", "text": "20"}]}
    )
    now, before = (
        client.get(f"/api/houses/{house}/tables/above", params=params).json()["rows"] for params in ({}, {"version": 1})
    )
    assert before == next(each["table"] for each in whole if each["view"] == "above")
    assert now != before


def test_a_trial_of_a_saved_house_is_what_the_change_would_be(client: TestClient, store: Store) -> None:
    house = kept(store)
    edits = [{"measure": "size.shape.leg_m", "steps": 2, "stride": "small"}]
    tried = client.post(f"/api/houses/{house}/trials", json={"edits": edits, "step": "bows"}).json()["plan"]
    assert client.get(f"/api/houses/{house}/version").json()["version"] == 1
    made = client.patch(
        f"/api/houses/{house}", params={"step": "bows"}, json={"version": 1, "window": "w", "edits": edits}
    ).json()["plan"]
    assert tried == made
    # Where one drawing is looked at no other is made; all else is the same, and of a made-up one there are all.
    for view in (step := next(each for each in tried["steps"] if each["id"] == "bows"))["views"]:
        body = {"edits": edits, "step": "bows", "view": view}
        one = client.post(f"/api/houses/{house}/trials", json=body).json()["plan"]
        # The house stands two strides higher by now, so what is tried goes on from there.
        again = client.post(f"/api/houses/{house}/trials", json={**body, "view": "moon"}).json()["plan"]
        assert one["drawings"] == [each for each in again["drawings"] if each["view"] == view]
        assert {**one, "drawings": []} == {**again, "drawings": []}
    assert step["views"]
    wrong = client.post(
        f"/api/houses/{house}/trials", json={"edits": [{"measure": "size.shape.leg_m", "text": "wide"}]}
    )
    assert wrong.status_code == 422


def test_remedies_of_a_saved_house(client: TestClient, store: Store) -> None:
    house = kept(store, 2)
    found = client.get(f"/api/houses/{house}/remedies").json()["remedies"]
    wanted = find_remedies(*demo_houses()[2], default_catalogue())
    assert [each["words"] for each in found] == [each.words for each in wanted]
    assert len(found) > 1
    assert client.get("/api/houses/none/remedies").status_code == 404


def test_a_big_site_is_not_sent_with_every_change(client: TestClient) -> None:
    """2,000 spots are 170 kB of record; a window that sets a post is sent none of them."""
    design, record = demo_houses()[0]
    spots = {f"{n}:{n % 50}": {"x_m": n / 100, "y_m": (n % 50) / 100, "reading_m": 1.7} for n in range(2000)}
    file = json.loads(write_house_file(design, record))
    file["record"]["levels"]["spots"] = spots
    headers = {"content-type": "application/json"}
    house = client.post("/api/house-files", content=json.dumps(file), headers=headers).json()["id"]
    answer = client.get(f"/api/houses/{house}", params={"step": "posts"})
    assert len(answer.content) < 120_000
    assert len(client.get(f"/api/houses/{house}").content) > 300_000


def test_what_a_step_takes_is_asked_for(client: TestClient, store: Store) -> None:
    """A step's members and goods, and what a part is; the plan tells nothing of them."""
    house = kept(store)
    takes = client.get(f"/api/houses/{house}/takes/runs", params={"version": 1}).json()
    assert [line["what"] for line in takes["members"]] == ["Run sticks"]
    amounts = {line["what"]: line["amount"] for line in takes["goods"]}
    assert amounts == {"Clamps": "18", "Screws": "25", "Bit, used up": "1"}
    assert all(part.startswith(("run:", "bow:")) for line in takes["goods"] for part in line["parts"])
    piece = client.get(f"/api/houses/{house}/parts/run:ridge:1").json()
    assert piece["what"] == "Run stick" and any(line.startswith("Joined by") for line in piece["lines"])
    assert client.get(f"/api/houses/{house}/takes/nothing").status_code == 404
    assert client.get(f"/api/houses/{house}/parts/grower").status_code == 404
    shown = client.get(f"/api/houses/{house}", params={"step": "runs"}).json()
    assert "takes" not in json.dumps(list(shown["plan"]["steps"][0]))
