"""Saved houses: kept, changed, ticked off, and guarded."""

import re
import shutil
from importlib.resources import files
from pathlib import Path
from typing import Any

import pytest
from alembic.autogenerate import compare_metadata
from alembic.migration import MigrationContext
from fastapi.testclient import TestClient

from obtegum.core import rooms
from obtegum.core.documents.house import SiteRecord
from obtegum.core.drawing.items import Drawing
from obtegum.core.findings.skeleton.ticks import tick_station
from obtegum.core.findings.work import Work
from obtegum.core.house import plan
from obtegum.core.house.plan import YardPlan, plan_yard
from obtegum.core.house.starters import new_house
from obtegum.store import Store, houses, open_store
from obtegum.store.models import Base
from obtegum.store.yards import rules_in_use, rules_of
from tests.api.conftest import page_client
from tests.conftest import make_house


def start(client: TestClient, units: str = "feet") -> dict[str, Any]:
    answer = client.post("/api/houses", json={"units": units})
    assert answer.status_code == 201
    house: dict[str, Any] = answer.json()
    return house


def change(client: TestClient, house: dict[str, Any], gesture: str = "", window: str = "w", **edit: Any) -> Any:
    body = {"version": house["version"], "window": window, "gesture": gesture, "edits": [edit]}
    return client.patch(f"/api/houses/{house['id']}", json=body)


def test_a_house_is_kept_over_a_restart(tmp_path: Path) -> None:
    store = open_store(tmp_path)
    client = page_client(store)
    house = start(client)
    changed = change(client, house, measure="size.span_m", text="19' 3\"").json()
    store.close()
    again = open_store(tmp_path)
    kept = houses.get(again, house["id"])
    assert kept.version == 2
    assert kept.design.size.span_m == pytest.approx(changed["design"]["size"]["span_m"])
    again.close()


def test_a_refused_change_keeps_the_house(client: TestClient) -> None:
    house = start(client)
    answer = change(client, house, measure="size.span_m", text="wide")
    assert answer.status_code == 422
    assert answer.json()["errors"][0]["measure"] == "size.span_m"
    assert client.get(f"/api/houses/{house['id']}").json()["version"] == 1


def test_a_change_from_an_old_version_shows_what_is_there(client: TestClient) -> None:
    house = start(client)
    change(client, house, measure="size.span_m", text="20")
    # What this window did itself is what it stands on; what another did is shown.
    assert change(client, house, measure="size.span_m", text="21").status_code == 200
    answer = change(client, house, window="other", measure="size.span_m", text="25")
    assert answer.status_code == 409
    current = answer.json()["current"]
    assert current["version"] == 3
    assert current["design"]["size"]["span_m"] == pytest.approx(21 * 0.3048)


def test_parts_of_one_gesture_are_one_revision(client: TestClient, store: Store) -> None:
    house = start(client)
    for steps in (1, 1, 1):
        house = change(client, house, gesture="g", measure="size.shape.leg_m", steps=steps, stride="small").json()
    house = change(client, house, gesture="h", measure="size.span_m", text="20").json()
    assert house["version"] == 5
    assert [line.words for line in houses.revisions(store, house["id"])] == [
        "Width 20' 0\"",
        "Straight leg 3' 3\"",
        "Started",
    ]


def test_a_change_that_changes_nothing_is_no_revision(client: TestClient) -> None:
    house = start(client)
    assert change(client, house, measure="tape.units", text="feet").json()["version"] == 1


def test_pegs_are_ticked_off_where_the_plan_wants_them(client: TestClient) -> None:
    house = start(client)
    body = {"version": 1, "window": "w", "tick": "peg:L2", "done": True}
    ticked = client.post(f"/api/houses/{house['id']}/ticks", json=body).json()
    assert ticked["record"]["set_at_m"]["peg:L2"] == pytest.approx(tick_station(new_house("feet"), "peg:L2"))
    body = {**body, "version": 2, "done": False}
    assert client.post(f"/api/houses/{house['id']}/ticks", json=body).json()["record"]["set_at_m"] == {}
    body = {**body, "version": 3, "tick": "peg:L999"}
    assert client.post(f"/api/houses/{house['id']}/ticks", json=body).status_code == 422


def test_the_yard_lists_the_newest_first_in_pages(client: TestClient) -> None:
    first, second = start(client), start(client, "metric")
    change(client, first, measure="name", text="Orchard side")
    yard = client.get("/api/houses").json()
    assert [line["id"] for line in yard["houses"]] == [first["id"], second["id"]]
    assert yard["houses"][0]["name"] == "Orchard side"
    assert yard["houses"][0]["yard"]["size"] == "18' × 40'"
    page = client.get("/api/houses", params={"start": 1, "most": 1}).json()
    assert [line["id"] for line in page["houses"]] == [second["id"]]
    assert page["total"] == 2
    assert client.get("/api/houses", params={"most": 0}).status_code == 422


def test_there_is_no_such_house(client: TestClient) -> None:
    assert client.get("/api/houses/nowhere").status_code == 404
    assert change(client, {"id": "nowhere", "version": 1}, measure="size.span_m", text="20").status_code == 404
    assert client.get("/api/nothing").json()["status"] == 404


def test_only_this_machine_s_names_are_answered(client: TestClient) -> None:
    assert client.get("/api/houses", headers={"host": "elsewhere.example"}).status_code == 421
    assert client.get("/api/houses", headers={"host": ""}).status_code == 421
    assert client.get("/api/houses", headers={"host": "localhost"}).status_code == 200
    # Another port is another server.
    assert client.get("/api/houses", headers={"host": "localhost:8642"}).status_code == 421
    assert client.get("/api/houses", headers={"host": "[::1]"}).status_code == 200
    assert client.get("/api/houses", headers={"origin": "http://elsewhere.example"}).status_code == 403
    assert client.get("/api/houses", headers={"origin": "http://127.0.0.1"}).status_code == 200


def test_large_bodies_are_refused(client: TestClient) -> None:
    answer = client.post("/api/plan", content=b" " * 2_000_001)
    assert answer.status_code == 413
    assert "more than 2 MB" in answer.json()["detail"]


def test_the_page_has_a_strict_policy_and_a_nonce_of_its_own(client: TestClient) -> None:
    first, second = client.get("/"), client.get("/house/x/size")
    policies = [answer.headers["content-security-policy"] for answer in (first, second)]
    assert policies[0] != policies[1]
    nonce = policies[0].split("'nonce-")[1].split("'")[0]
    assert f'nonce="{nonce}"' in first.text
    assert "unsafe" not in policies[0]
    script = first.text.split('src="')[1].split('"')[0]
    asset = client.get(script)
    assert asset.status_code == 200
    assert "immutable" in asset.headers["cache-control"]
    assert client.get("/assets/none.js").status_code == 404


def test_the_store_syncs_in_full(store: Store) -> None:
    with store.reading() as session:
        connection = session.connection()
        names = ("journal_mode", "synchronous", "foreign_keys")
        pragma = [connection.exec_driver_sql(f"PRAGMA {name}").scalar() for name in names]
    assert pragma == ["wal", 2, 1]


def test_models_and_migrations_agree(store: Store) -> None:
    with store.reading() as session:
        differences = compare_metadata(MigrationContext.configure(session.connection()), Base.metadata)
    assert differences == []


def test_a_failed_change_leaves_nothing_behind(store: Store) -> None:
    house = houses.add(store, make_house(), SiteRecord(), "Started")

    def broken(design: Any, record: Any) -> Any:
        raise RuntimeError("half way")

    with pytest.raises(RuntimeError):
        houses.change(store, house.id, houses.Gesture(1), broken)
    assert houses.get(store, house.id) == house
    assert houses.count(store) == 1


def test_the_yard_keeps_what_it_found_until_a_house_or_the_rules_change(
    client: TestClient, store: Store, monkeypatch: pytest.MonkeyPatch
) -> None:
    first, second = start(client), start(client)
    planned: list[str] = []

    def counted(work: Work) -> YardPlan:
        planned.append(work.design.name)
        return plan_yard(work)

    monkeypatch.setattr("obtegum.api.yard.plan_yard", counted)
    shown = client.get("/api/houses").json()
    assert len(planned) == 2
    assert client.get("/api/houses").json() == shown
    assert len(planned) == 2
    change(client, first, measure="size.span_m", text="20")
    wider = client.get("/api/houses").json()["houses"]
    assert len(planned) == 3
    assert {each["id"]: each["yard"]["size"] for each in wider}[first["id"]].startswith("20'")
    # Another program's rules: all is found again, and a folder that can't be written is none the worse.
    monkeypatch.setattr("obtegum.store.yards.rules_in_use", lambda: "others")
    client.get("/api/houses")
    assert len(planned) == 5
    with store.reading() as session:
        kept = session.connection().exec_driver_sql("SELECT house_id FROM yard").fetchall()
    assert {row[0] for row in kept} == {first["id"], second["id"]}


def test_the_rules_have_another_name_once_a_line_of_them_is_another(tmp_path: Path) -> None:
    before = rules_in_use()
    assert rules_in_use() == before
    assert re.fullmatch("[0-9a-f]{16}", before)
    core = tmp_path / "core"
    shutil.copytree(files("obtegum.core"), core)  # type: ignore[arg-type]
    (core / "values" / "catalogue" / "rules.json").write_text(
        (core / "values" / "catalogue" / "rules.json").read_text() + " "
    )
    assert rules_of(core) != before == rules_of(files("obtegum.core"))


def test_a_change_that_any_step_cant_plan_is_not_kept(client: TestClient, monkeypatch: pytest.MonkeyPatch) -> None:
    # Each step is asked, not only the one that is shown; what breaks one is refused with a word, and nothing is lost.
    house = start(client)

    def broken(work: Work) -> Drawing:
        if work.design.size.span_m > 6.0:
            raise ZeroDivisionError
        return plain(work)

    views = dict(rooms.views())
    plain = views["shapes"]
    monkeypatch.setattr(plan, "views", lambda: {**views, "shapes": broken})
    body = {"version": house["version"], "window": "w", "edits": [{"measure": "size.span_m", "text": "24 ft"}]}
    refused = client.patch(f"/api/houses/{house['id']}?step=posts", json=body)
    assert refused.status_code == 422
    assert "nothing was changed" in refused.json()["detail"]
    assert client.get(f"/api/houses/{house['id']}?step=posts").json()["version"] == house["version"]
    body["edits"] = [{"measure": "size.span_m", "text": "17 ft"}]
    assert client.patch(f"/api/houses/{house['id']}?step=posts", json=body).status_code == 200


def test_the_widest_half_circle_on_the_tallest_legs_is_kept_and_opens(client: TestClient) -> None:
    house = start(client, "metric")
    edits = [{"measure": "size.span_m", "text": "20 m"}, {"measure": "size.shape.leg_m", "text": "4 m"}]
    body = {"version": house["version"], "window": "w", "edits": edits}
    assert client.patch(f"/api/houses/{house['id']}?step=posts", json=body).status_code == 200
    for step in ("size", "posts", "strength", "bows"):
        assert client.get(f"/api/houses/{house['id']}?step={step}").status_code == 200
    assert client.get(f"/api/houses/{house['id']}").status_code == 200
