"""The laser level: the simulated one through the same link as a real one, and what goes wrong with it."""

import json
import socket
import threading
from collections.abc import Iterator
from pathlib import Path

import pytest

from obtegum.core.documents.house import SiteRecord
from obtegum.core.findings.skeleton.ticks import tick_station
from obtegum.core.house.plan import plan_house
from obtegum.core.house.starters import made_up_ground
from obtegum.core.values.catalogue import default_catalogue
from obtegum.devices.level import LevelError, LevelLink, settle
from obtegum.standins.laser import SimulatedLaser
from obtegum.store import houses, open_store
from tests.api.conftest import page_client
from tests.conftest import make_house


@pytest.fixture
def laser() -> Iterator[SimulatedLaser]:
    running = SimulatedLaser(seed=4)
    running.start()
    yield running
    running.shutdown()
    running.server_close()


def test_readings_are_close_to_the_ground_in_spite_of_bad_shots(laser: SimulatedLaser) -> None:
    link = LevelLink("127.0.0.1", laser.port)
    off, left_out = [], 0
    for place in range(60):
        live = link.read(place * 0.3, 2.0)
        off.append(abs(live.reading_m - made_up_ground(place * 0.3, 2.0)))
        left_out += live.left_out
    assert max(off) < 0.003
    assert left_out > 0, "the simulated laser never gave a bad shot, so nothing was left out"


def test_shots_settle_on_those_that_agree() -> None:
    assert settle([1.5, 1.5004, 1.4996, 1.59]).reading_m == pytest.approx(1.5, abs=1e-4)
    assert settle([1.5, 1.5004, 1.4996, 1.59]).left_out == 1
    with pytest.raises(LevelError, match="line of sight"):
        settle([1.5, 1.5])
    with pytest.raises(LevelError, match="don’t agree"):
        settle([1.0, 1.0, 2.0, 3.0])


def answering(reply: bytes) -> int:
    """A port where everything is answered alike, once."""
    listener = socket.create_server(("127.0.0.1", 0))

    def serve() -> None:
        line, _ = listener.accept()
        with line, line.makefile("rb") as asked:
            for _ in asked:
                line.sendall(reply)

    threading.Thread(target=serve, daemon=True).start()
    return int(listener.getsockname()[1])


def test_a_level_that_is_off_or_babbles_is_said() -> None:
    with socket.create_server(("127.0.0.1", 0)) as taken:
        free = taken.getsockname()[1]
    with pytest.raises(LevelError, match="can’t be reached"):
        LevelLink("127.0.0.1", free).read(0, 0)
    with pytest.raises(LevelError, match="not a reading"):
        LevelLink("127.0.0.1", answering(b"HELLO\n")).read(0, 0)
    for odd, words in (
        (b"READING much\n", "no number"),
        (b"READING 1e308\n", "nothing here can be"),
        (b"READING nan\n", "nothing here can be"),
        (b"READING 21.0\n", "nothing here can be"),
        (b"READING " + b"1" * 300 + b"\n", "too long|without an end"),
    ):
        with pytest.raises(LevelError, match=words):
            LevelLink("127.0.0.1", answering(odd)).read(0, 0)
    with pytest.raises(LevelError, match="seen too seldom"):
        LevelLink("127.0.0.1", answering(b"NONE no laser\n")).read(0, 0)


def test_a_peg_is_read_through_the_api(tmp_path: Path, laser: SimulatedLaser) -> None:
    store = open_store(tmp_path)
    house = houses.add(store, make_house(tape__units="metric"), SiteRecord(), "Started")
    client = page_client(store, level=LevelLink("127.0.0.1", laser.port))
    body = {"version": 1, "window": "w", "peg": "L3"}
    found = client.post(f"/api/houses/{house.id}/level-shots", json=body).json()
    station = tick_station(house.design, "peg:L3")
    assert found["record"]["levels"]["pegs"]["L3"] == pytest.approx(made_up_ground(station, 0.0), abs=0.004)
    assert found["undo"].startswith("Rod at peg 3 left 1.")
    wrong = client.post(f"/api/houses/{house.id}/level-shots", json={**body, "peg": "L99"})
    assert wrong.status_code == 422
    without = page_client(store)
    refused = without.post(f"/api/houses/{house.id}/level-shots", json=body)
    assert refused.status_code == 424
    assert "No laser level is linked" in refused.json()["detail"]
    store.close()


def test_spots_are_typed_read_live_and_taken_out_through_the_api(tmp_path: Path, laser: SimulatedLaser) -> None:
    store = open_store(tmp_path)
    house = houses.add(store, make_house(tape__units="metric"), SiteRecord(), "Started")
    client = page_client(store, level=LevelLink("127.0.0.1", laser.port))
    url = f"/api/houses/{house.id}/spots"
    typed = client.post(url, json={"version": 1, "window": "w", "along": "-2.5", "across": "3", "rod": "1.62"}).json()
    assert typed["record"]["levels"]["spots"] == {"-250:300": {"x_m": -2.5, "y_m": 3.0, "reading_m": 1.62}}
    assert typed["undo"] == "Spot −2.500 m along, 3.000 m across: rod 1.620 m"
    # Another window, still at the first version, adds its own: both are kept.
    live = client.post(url, json={"version": 1, "window": "x", "along": "4", "across": "3"}).json()
    read = live["record"]["levels"]["spots"]["400:300"]["reading_m"]
    assert read == pytest.approx(made_up_ground(4.0, 3.0), abs=0.004)
    wrong = client.post(url, json={"version": 3, "along": "4", "across": "3", "rod": "17"})
    assert wrong.status_code == 422
    assert wrong.json()["errors"][0]["path"] == "spot.reading"
    page = client.get(url, params={"most": 1}).json()
    assert page["total"] == 2
    assert page["spots"][0]["id"] == "400:300"
    assert client.get(url, params={"start": 1}).json()["spots"][0]["place"] == "−2.500 m along, 3.000 m across"
    out = client.delete(f"{url}/-250:300", params={"version": 3, "window": "w"}).json()
    assert list(out["record"]["levels"]["spots"]) == ["400:300"]
    # Taken out from an older window too, it is that spot or none.
    assert client.delete(f"{url}/-250:300", params={"version": 3}).status_code == 422
    back = client.post(f"/api/houses/{house.id}/undo", json={"window": "w"}).json()
    assert len(back["record"]["levels"]["spots"]) == 2
    assert client.delete(f"{url}/9:9", params={"version": 5}).status_code == 422
    without = page_client(store)
    assert without.post(url, json={"version": 5, "along": "1", "across": "1"}).status_code == 424
    store.close()


CSV = {"content-type": "text/csv"}


def test_rounds_of_taping_and_readings_through_the_api(tmp_path: Path) -> None:
    store = open_store(tmp_path)
    house = houses.add(store, make_house(tape__units="metric"), SiteRecord(), "Started")
    client = page_client(store)
    url = f"/api/houses/{house.id}"
    edits = [{"measure": "record.taped.ab_m", "text": "17.37"}]
    typed = client.patch(url, json={"version": 1, "window": "w", "edits": edits}).json()
    assert typed["record"]["taped"]["ab_m"] == pytest.approx(17.37)
    anew = client.post(f"{url}/acts/tape-anew", json={"version": 2, "window": "w"}).json()
    assert anew["record"]["taped"]["ab_m"] is None
    assert len(anew["record"]["earlier"]) == 1
    undone = client.post(f"{url}/undo", json={"window": "w"}).json()
    assert undone["record"]["taped"]["ab_m"] == pytest.approx(17.37)
    blank = client.patch(
        url, json={"version": 4, "window": "w", "edits": [{"measure": "record.taped.ab_m", "text": " "}]}
    ).json()
    assert blank["record"]["taped"]["ab_m"] is None
    read = client.post(f"{url}/readings?window=w", content=b"L1,1.5\nL2,1.6\n", headers=CSV)
    assert read.json()["record"]["levels"]["pegs"] == {"L1": 1.5, "L2": 1.6}
    wrong = client.post(f"{url}/readings", content=b"L1,1.5\nL77,1.6\n", headers=CSV)
    assert wrong.status_code == 422
    assert wrong.json()["errors"][0]["sentence"].startswith("Line 2: there is no peg L77")
    assert (
        client.post(f"{url}/readings", content=b"\xff\xfe\x00", headers=CSV)
        .json()["detail"]
        .startswith("That is not text")
    )
    large = client.post(f"{url}/readings", content=b"L1,1.5\n" * 7_200_000, headers=CSV)
    assert large.status_code == 413
    past = client.patch(
        url, json={"version": 6, "window": "w", "edits": [{"measure": "record.levels.pegs.L2", "text": "9"}]}
    ).json()
    assert past["errors"][0]["measure"] == "record.levels.pegs.L2"
    assert "past the end of the" in past["detail"]
    shorter = client.patch(
        url, json={"version": 6, "window": "w", "edits": [{"measure": "level.rod_m", "text": "1.55"}]}
    )
    assert shorter.status_code == 422
    for name, start in (
        ("setting-out.dxf", "  0"),
        ("ends.dxf", "  0"),
        ("form.dxf", "  0"),
        ("form.csv", "along_m"),
        ("fittings.csv", "what"),
        ("setting-out.geojson", "{"),
        ("levels.csv", "point"),
        ("tapings.csv", "round"),
    ):
        assert client.get(f"{url}/{name}").text.startswith(start)
    for paper in ("letter", "a4"):
        assert client.get(f"{url}/form-true-size.pdf?paper={paper}").content.startswith(b"%PDF")
    assert client.get(f"{url}/moon.dxf").status_code == 404
    assert client.get(f"{url}/moon-true-size.pdf").status_code == 404
    store.close()


def test_only_the_shown_step_is_sent(tmp_path: Path) -> None:
    store = open_store(tmp_path)
    house = houses.add(store, make_house(), SiteRecord(), "Started")
    client = page_client(store)
    # A whole plan over the wire leaves out what is slow to plan; what is shown is as in one that has it.
    whole = json.loads(plan_house(make_house(), SiteRecord(), default_catalogue(), slow=True).model_dump_json())
    brief = client.get(f"/api/houses/{house.id}").json()["plan"]
    assert brief["verdicts"] == whole["verdicts"]
    assert {each["id"] for each in brief["steps"]} == {each["id"] for each in whole["steps"]}
    for step in whole["steps"]:
        part = client.get(f"/api/houses/{house.id}?step={step['id']}").json()["plan"]
        drawn = [each["view"] for each in part["drawings"]]
        told = [each["view"] for each in step["how"] if each["view"]]
        assert set(drawn) == {*step["views"], *told}
        assert {each["id"] for each in part["strips"]} == set(step["strips"])
        # What is sent is the same as in the whole plan.
        assert all(each in [{**drawing, "table": []} for drawing in whole["drawings"]] for each in part["drawings"])
        assert all(each in whole["strips"] for each in part["strips"])
        assert part["verdicts"] == whole["verdicts"]
    store.close()
