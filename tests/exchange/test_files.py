"""Files out and in: a house, its tables, everything as one backup."""

import csv
import io
import json
import zipfile
from pathlib import Path
from typing import Any

import pytest
from fastapi.testclient import TestClient

from obtegum.cli import main
from obtegum.core.record import SiteRecord
from obtegum.core.trouble import DesignError
from obtegum.exchange.housefile import HouseFile, read_house_file, write_house_file
from obtegum.exchange.tables import pegs_csv, stick_marks_csv
from obtegum.store import Store, houses
from obtegum.store.backup import BackupError, read_backup, restore, write_backup
from tests.api.conftest import client, store  # noqa: F401
from tests.conftest import house_document, make_house, make_plan

ROOT = Path(__file__).parents[2]


def whole() -> dict[str, Any]:
    data: dict[str, Any] = json.loads(write_house_file(make_house(), SiteRecord(set_at_m={"peg:L1": 0.0})))
    return data


def test_a_house_goes_out_and_comes_in_whole() -> None:
    design, record = make_house(name="Quince “walk” ½"), SiteRecord(set_at_m={"post:R3": 2.0})
    assert read_house_file(write_house_file(design, record)) == (design, record)


def test_an_older_file_is_brought_up_to_date() -> None:
    document = {**house_document(), "schema_version": 1}
    assert read_house_file(json.dumps(document)) == (make_house(), SiteRecord())


def deep(levels: int) -> str:
    return '{"format": "obtegum house", "version": 2, "design": ' + "[" * levels + "]" * levels + "}"


@pytest.mark.parametrize(
    ("text", "part"),
    [
        ("", "cut short"),
        (json.dumps(whole())[:-40], "cut short"),
        ("\ufeff{}", "cut short"),
        (b"\xff\xfe\x00", "cut short"),
        ("[]", "not a house"),
        ("{}", "not a house"),
        ('{"format": "other", "version": 2}', "not a house"),
        (json.dumps({**whole(), "version": 3}), "newer Obtegum"),
        (json.dumps({**whole(), "version": "2"}), "which version"),
        (json.dumps({**whole(), "version": True}), "which version"),
        (json.dumps({**whole(), "colour": "red"}), "not known here"),
        (json.dumps({**whole(), "design": None}), "no house in it"),
        (json.dumps({**whole(), "design": house_document(size__span_m="wide")}), "length in metres"),
        (json.dumps({**whole(), "design": house_document(size__length_m=600, bows__max_spacing_m=0.3)}), "at the most"),
        (json.dumps({**whole(), "record": {"set_at_m": {"peg:L1": "near"}}}), "site record"),
        (json.dumps({**whole(), "record": {"set_at_m": {"shed": 1}}}), "site record"),
        (json.dumps({**whole(), "design": house_document(size__span_m=float("nan"))}), "NaN"),
        (json.dumps({**whole(), "design": house_document(size__span_m=float("-inf"))}), "-Infinity"),
        (deep(10_000), "nested deeper"),
        (" " * 2_000_001, "larger than 2 MB"),
    ],
)
def test_what_is_no_house_file_is_refused_with_a_sentence(text: str | bytes, part: str) -> None:
    with pytest.raises(DesignError) as refusal:
        read_house_file(text)
    assert part in str(refusal.value)


def test_a_refused_file_leaves_nothing_behind(client: TestClient) -> None:  # noqa: F811
    for text in ("{", deep(10_000), json.dumps({**whole(), "version": 9})):
        answer = client.post("/api/house-files", content=text)
        assert answer.status_code == 422
        assert answer.json()["detail"].endswith(".")
    assert client.post("/api/house-files", content=b" " * 100_000_000).status_code == 413
    tube = json.dumps({**whole(), "design": house_document(bows__tube="rope")})
    assert "rope" in client.post("/api/house-files", content=tube).json()["detail"]
    assert client.get("/api/houses").json()["total"] == 0


def test_files_are_served_and_read_back(client: TestClient) -> None:  # noqa: F811
    house = client.post("/api/house-files", content=json.dumps(whole())).json()
    answer = client.get(f"/api/houses/{house['id']}/file")
    assert "attachment" in answer.headers["content-disposition"]
    again = client.post("/api/house-files", content=answer.content).json()
    assert again["design"] == house["design"]
    assert again["record"] == house["record"]
    for name in ("pegs.csv", "sticks.csv"):
        table = client.get(f"/api/houses/{house['id']}/{name}")
        assert table.headers["content-type"].startswith("text/csv")
        assert "reading" in table.text.splitlines()[0]


def test_the_published_schema_is_the_one_in_use(client: TestClient) -> None:  # noqa: F811
    published = json.loads((ROOT / "docs" / "house-file.schema.json").read_text(encoding="utf-8"))
    assert published == HouseFile.model_json_schema()
    assert client.get("/api/schema/house-file").json() == published


def test_tables_hold_every_reading() -> None:
    plan = make_plan()
    pegs = list(csv.DictReader(io.StringIO(pegs_csv(plan, SiteRecord()))))
    assert len(pegs) == 32
    assert pegs[1] == {
        "side": "left",
        "bow": "2",
        "corner": "",
        "reading": "3' 9 5/8\"",
        "station_m": "1.158240",
        "from_middle_m": "-3.200400",
        "to_far_corner_m": "16.215360",
        "set_at_m": "",
    }
    marks = list(csv.DictReader(io.StringIO(stick_marks_csv(plan))))
    assert {mark["stick"] for mark in marks} == {"Stick A", "Stick B"}
    assert marks[0]["reading"] == '6"'


def kept(store: Store) -> list[Any]:  # noqa: F811
    found = houses.newest(store, 0, 50)
    return [(each, houses.revisions(store, each.id)) for each in found]


def filled(store: Store) -> None:  # noqa: F811
    first = houses.add(store, make_house(), SiteRecord(), "Started")
    houses.add(store, make_house(name="Second"), SiteRecord(set_at_m={"peg:L1": 0.0}), "Started")
    changed = houses.Edited(make_house(name="Changed"), SiteRecord(), "Name Changed")
    houses.change(store, first.id, houses.Gesture(1, "w"), lambda design, record: changed)
    houses.shelve(store, houses.add(store, make_house(name="Away"), SiteRecord(), "Started").id, "put_away")


def test_a_backup_brings_everything_back(store: Store) -> None:  # noqa: F811
    filled(store)
    before, backup = kept(store), write_backup(store)
    houses.add(store, make_house(name="After"), SiteRecord(), "Started")
    assert restore(store, read_backup(backup)) == 3
    assert kept(store) == before
    assert houses.count(store, "put_away") == 1


def repacked(data: bytes, change: Any) -> bytes:
    out = io.BytesIO()
    with zipfile.ZipFile(io.BytesIO(data)) as old, zipfile.ZipFile(out, "w") as new:
        members = {name: json.loads(old.read(name)) for name in old.namelist()}
        change(members)
        for name, member in members.items():
            new.writestr(name, json.dumps(member))
    return out.getvalue()


def first_house(members: dict[str, Any]) -> Any:
    return next(member for name, member in members.items() if name.startswith("houses/"))


@pytest.mark.parametrize(
    ("spoil", "part"),
    [
        (lambda data: data[: len(data) // 2], "cut short"),
        (lambda data: b"", "cut short"),
        (lambda data: b"PK\x03\x04 nothing", "cut short"),
        (lambda data: repacked(data, lambda m: m["manifest.json"].update(version=9)), "newer"),
        (lambda data: repacked(data, lambda m: m.pop("manifest.json")), "no backup"),
        (lambda data: repacked(data, lambda m: m.popitem()), "missing"),
        (lambda data: repacked(data, lambda m: first_house(m)["revisions"].pop(0)), "gaps"),
        (lambda data: repacked(data, lambda m: first_house(m)["revisions"][0]["design"].pop("size")), "damaged"),
    ],
)
def test_a_spoilt_backup_replaces_nothing(store: Store, spoil: Any, part: str) -> None:  # noqa: F811
    filled(store)
    before, backup = kept(store), write_backup(store)
    with pytest.raises(BackupError, match=part):
        restore(store, read_backup(spoil(backup)))
    assert kept(store) == before


def test_backups_go_by_screen_and_by_command(client: TestClient, tmp_path: Path, capsys: Any) -> None:  # noqa: F811
    client.post("/api/houses", json={"units": "metric"})
    backup = client.get("/api/backup").content
    assert client.post("/api/backup", content=backup).json() == {"houses": 1}
    assert client.post("/api/backup", content=b"no zip").status_code == 422
    file = tmp_path / "all.zip"
    file.write_bytes(backup)
    assert main(["restore", str(file), "--data", str(tmp_path / "other")]) == 0
    assert main(["backup", str(tmp_path / "again.zip"), "--data", str(tmp_path / "other")]) == 0
    assert len(read_backup((tmp_path / "again.zip").read_bytes())) == 1
    file.write_bytes(b"spoilt")
    assert main(["restore", str(file), "--data", str(tmp_path / "other")]) == 1
    assert "no backup" in capsys.readouterr().err
