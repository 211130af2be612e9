"""The whole folder out and in again: whole or refused, with the way back, and nothing of what was deleted for good."""

import io
import json
import zipfile
from collections.abc import Callable
from pathlib import Path
from typing import Any

import pytest
from fastapi.testclient import TestClient

import obtegum.store.backup as backup
from obtegum.cli import main
from obtegum.core.documents.house import HouseDesign, SiteRecord
from obtegum.core.house.plan import plan_house
from obtegum.core.values.catalogue import default_catalogue
from obtegum.store import Conflict, Store, gestures, houses, open_store
from obtegum.store.backup import BackupError, write_backup
from obtegum.store.restore import Restored, delete_for_good, restore
from obtegum.store.state import Shelf
from tests.api.conftest import page_client
from tests.api.test_causes import rename, spoil
from tests.conftest import make_house

ZIP = {"content-type": "application/zip"}
Members = dict[str, list[Any]]


def planned(design: HouseDesign, record: SiteRecord) -> None:
    plan_house(design, record, default_catalogue())


def brought_back(store: Store, file: Path) -> Restored:
    return restore(store, file, planned)


def everything(store: Store) -> list[Any]:
    shelves: tuple[Shelf, ...] = ("standing", "put_away", "deleted")
    lines = [line for shelf in shelves for line in houses.newest(store, 0, 50, shelf)]
    return [
        (
            (line.id, line.name, line.touched, houses.get(store, line.id).record),
            [(each.words, each.made, each.design) for each in houses.revisions(store, line.id)],
        )
        for line in lines
    ]


@pytest.fixture
def filled(store: Store) -> Store:
    """Three houses, one of them changed and one put away."""
    first = houses.add(store, make_house(), SiteRecord(), "Started")
    houses.add(store, make_house(name="Second"), SiteRecord(set_at_m={"peg:L1": 0.0}), "Started")
    changed = houses.Edited(make_house(name="Changed"), SiteRecord(), "Name Changed")
    houses.change(store, first.id, houses.Gesture(1, "w"), lambda design, record: changed)
    houses.shelve(store, houses.add(store, make_house(name="Away"), SiteRecord(), "Started").id, "put_away")
    return store


@pytest.fixture
def file(filled: Store, tmp_path: Path) -> Path:
    made = tmp_path / "all.zip"
    assert write_backup(filled, made) == (3, ())
    return made


def test_a_backup_brings_everything_back_and_the_way_back_too(filled: Store, file: Path) -> None:
    before = everything(filled)
    houses.add(filled, make_house(name="After"), SiteRecord(), "Started")
    later = everything(filled)
    assert brought_back(filled, file) == Restored(houses=3)
    assert everything(filled) == before
    assert brought_back(filled, filled.folder / backup.BEFORE).houses == 4
    assert everything(filled) == later


def test_version_numbers_rise_over_a_restore(filled: Store, file: Path) -> None:
    """A window at an older version sees that the house was replaced, and its change clashes."""
    house = next(line for line in houses.newest(filled, 0, 9) if line.name == "Changed")
    rename = houses.Edited(make_house(name="Later"), SiteRecord(), "Name Later")
    later = houses.change(filled, house.id, houses.Gesture(2, "w"), lambda design, record: rename)
    brought_back(filled, file)
    now = houses.get(filled, house.id)
    assert now.version > later.version
    assert now.design.name == "Changed"
    with pytest.raises(Conflict, match="backup has taken"):
        houses.change(filled, house.id, houses.Gesture(3, "w"), lambda design, record: rename)
    # Undo goes on from what the backup held.
    assert gestures.undoable(filled, house.id, "w") == ("Name Changed", None)
    undone = gestures.undo(filled, house.id, houses.Gesture(None, "w"))
    assert undone.design.name == "Test house"
    # And a backup of that comes back as well.
    write_backup(filled, file)
    before = everything(filled)
    brought_back(filled, file)
    assert everything(filled) == before


def members_of(data: bytes) -> Members:
    """The rows of a backup, member by member."""
    with zipfile.ZipFile(io.BytesIO(data)) as pack:
        return {
            name: [json.loads(line) for line in text.splitlines()] if name.endswith(".jsonl") else [json.loads(text)]
            for name in pack.namelist()
            for text in (pack.read(name),)
        }


def repacked(change: Callable[[Members], object]) -> Callable[[bytes], bytes]:
    def spoil(data: bytes) -> bytes:
        members, out = members_of(data), io.BytesIO()
        change(members)
        with zipfile.ZipFile(out, "w") as new:
            for name, rows in members.items():
                new.writestr(name, "".join(json.dumps(row) + "\n" for row in rows))
        return out.getvalue()

    return spoil


@pytest.mark.parametrize(
    ("spoil", "part"),
    [
        (lambda data: data[: len(data) // 2], "cut short"),
        (lambda data: b"", "cut short"),
        (lambda data: b"PK\x03\x04 nothing", "cut short"),
        (repacked(lambda m: m["manifest.json"][0].update(version=9)), "newer"),
        (repacked(lambda m: m.pop("manifest.json")), "no backup"),
        (repacked(lambda m: m["manifest.json"][0].pop("documents")), "doesn’t say"),
        (repacked(lambda m: m.pop("houses.jsonl")), "cut short"),
        (repacked(lambda m: m["houses.jsonl"].pop()), "2 houses where it says 3"),
        (repacked(lambda m: m["revisions.jsonl"].pop()), "3 revisions where it says 4"),
        (repacked(lambda m: m["documents.jsonl"].pop()), "documents where it says"),
        (repacked(lambda m: m["documents.jsonl"][0].update(body="other")), "damaged"),
        (repacked(lambda m: m["houses.jsonl"][0].update(version="one")), "damaged"),
        (repacked(lambda m: m["houses.jsonl"][0].update(version=7)), "gaps"),
        (repacked(lambda m: m["revisions.jsonl"][0].update(house_id="nobody")), "isn’t in it"),
        (repacked(lambda m: m["houses.jsonl"].__setitem__(0, m["houses.jsonl"][1])), "twice|gaps"),
    ],
)
def test_a_spoilt_backup_replaces_nothing(filled: Store, file: Path, spoil: Any, part: str) -> None:
    before = everything(filled)
    file.write_bytes(spoil(file.read_bytes()))
    with pytest.raises(BackupError, match=part):
        brought_back(filled, file)
    assert everything(filled) == before


def test_what_unpacks_to_far_more_is_refused(filled: Store, tmp_path: Path) -> None:
    bomb = tmp_path / "bomb.zip"
    with zipfile.ZipFile(bomb, "w", zipfile.ZIP_DEFLATED) as pack:
        pack.writestr("manifest.json", json.dumps({"format": "obtegum backup", "version": 2}))
        with pack.open("documents.jsonl", "w", force_zip64=True) as out:
            for _ in range(300):
                out.write(b" " * 1_000_000)
    with pytest.raises(BackupError, match="unpacks to more"):
        brought_back(filled, bomb)


def test_a_house_that_can_t_be_planned_blocks_no_restore(filled: Store, tmp_path: Path) -> None:
    client = page_client(filled)
    house = next(line for line in houses.newest(filled, 0, 9) if line.name == "Changed").id
    spoil(filled, house, make_house(name="Rope", bows__tube="rope").model_dump_json())
    file = tmp_path / "all.zip"
    write_backup(filled, file)
    found = brought_back(filled, file)
    assert (found.houses, [each.name for each in found.unplanned]) == (3, ["Rope"])
    assert "rope" in found.unplanned[0].why
    # Its older version is still there to be brought back.
    version = client.get(f"/api/houses/{house}/revisions").json()["revisions"][-1]["version"]
    assert client.put(f"/api/houses/{house}/revision", json={"to": version, "window": "w"}).status_code == 200


def test_a_house_without_its_newest_version_is_left_out_and_named(filled: Store, file: Path) -> None:
    lost = members_of(file.read_bytes())
    second = next(row for row in lost["documents.jsonl"] if '"Second"' in row["body"])["hash"]

    def lose(members: Members) -> None:
        members["documents.jsonl"] = [row for row in members["documents.jsonl"] if row["hash"] != second]
        members["manifest.json"][0]["documents"] -= 1

    file.write_bytes(repacked(lose)(file.read_bytes()))
    found = brought_back(filled, file)
    assert found.houses == 2
    assert len(found.left_out) == 1
    assert "missing from the backup" in found.left_out[0].why
    assert {line.name for line in houses.newest(filled, 0, 9)} == {"Changed"}


def older_backup(file: Path) -> None:
    """A backup as version 1 wrote it: a JSON file a house, every design and record in full, spots as a list."""
    spots = [{"x_m": 1.0, "y_m": 2.0, "reading_m": 1.6}]
    record = {"levels": {"pegs": {"L1": 1.5}, "spots": spots}}
    plain = {"window": "w", "gesture": "", "record": record, "made": 5.0}
    later = make_house(size__span_m=6.0).model_dump()
    revisions = [
        {**plain, "version": 1, "words": "Started", "kind": "start", "design": make_house().model_dump()},
        {**plain, "version": 2, "words": "Width", "kind": "edit", "design": later},
    ]
    house = {"id": "h1", "version": 2, "touched": 5.0, "shelf": "standing", "revisions": revisions}
    with zipfile.ZipFile(file, "w", zipfile.ZIP_DEFLATED) as pack:
        pack.writestr("manifest.json", json.dumps({"format": "obtegum backup", "version": 1, "made": 5.0, "houses": 1}))
        pack.writestr("houses/h1.json", json.dumps(house))


def test_a_backup_of_version_1_is_read(store: Store, tmp_path: Path) -> None:
    older_backup(tmp_path / "old.zip")
    assert brought_back(store, tmp_path / "old.zip") == Restored(houses=1)
    house = houses.get(store, "h1")
    assert house.design == make_house(size__span_m=6.0)
    assert list(house.record.levels.spots) == ["100:200"]
    assert houses.revision(store, "h1", 1).design == make_house()
    assert gestures.undoable(store, "h1", "w") == ("Width", None)


def test_a_backup_that_fails_leaves_the_older_file(filled: Store, file: Path, monkeypatch: pytest.MonkeyPatch) -> None:
    before = file.read_bytes()

    def broken(done: int, of: int) -> None:
        raise KeyboardInterrupt

    monkeypatch.setattr(backup, "AT_ONCE", 1)
    with pytest.raises(KeyboardInterrupt):
        write_backup(filled, file, broken)
    assert file.read_bytes() == before
    assert sorted(path.name for path in file.parent.iterdir()) == ["all.zip", "data"]


def test_deleted_for_good_is_gone_from_the_file_and_from_later_backups(filled: Store, tmp_path: Path) -> None:
    client = page_client(filled)
    secret = houses.add(filled, make_house(name="Secret orchard"), SiteRecord(), "Started").id
    # Only what lies on the deleted shelf can go for good.
    assert client.delete(f"/api/houses/{secret}").status_code == 404
    client.put(f"/api/houses/{secret}/shelf", json={"shelf": "deleted"})
    rename(client, secret, "Secret garden")
    assert client.delete(f"/api/houses/{secret}").json() == {"houses": 1}
    assert client.get(f"/api/houses/{secret}").status_code == 404
    write_backup(filled, tmp_path / "later.zip")
    with zipfile.ZipFile(tmp_path / "later.zip") as pack:
        assert not any(b"Secret" in pack.read(name) for name in pack.namelist())
    second = next(line for line in houses.newest(filled, 0, 9) if line.name == "Second").id
    client.put(f"/api/houses/{second}/shelf", json={"shelf": "deleted"})
    assert client.delete("/api/houses").json() == {"houses": 1}
    assert delete_for_good(filled) == 0
    assert houses.count(filled) == 1
    assert houses.get(filled, houses.newest(filled, 0, 9)[0].id).design.name == "Changed"
    filled.close()
    assert b"Secret" not in (filled.folder / "obtegum.sqlite").read_bytes()


def test_backups_go_by_screen_and_by_command(client: TestClient, tmp_path: Path, capsys: Any) -> None:
    client.post("/api/houses", json={"units": "metric"})
    answer = client.get("/api/backup", params={"work": "mine"})
    assert client.get("/api/work", params={"key": "mine"}).json()["state"] == "done"
    assert client.get("/api/work", params={"key": "another"}).json()["state"] == "unknown"
    assert client.post("/api/backup/before").status_code == 422
    told = client.post("/api/backup", content=answer.content, headers=ZIP).json()
    assert told == {"houses": 1, "left_out": [], "unplanned": []}
    assert client.post("/api/backup", content=b"no zip", headers=ZIP).status_code == 422
    assert client.post("/api/backup/before").json()["houses"] == 1
    # Nothing of the way there is left lying about.
    assert {path.suffix for path in (tmp_path / "data").iterdir()} <= {
        ".sqlite", ".sqlite-wal", ".sqlite-shm", ".zip", ".json"
    }  # fmt: skip
    file, other = tmp_path / "all.zip", str(tmp_path / "other")
    file.write_bytes(answer.content)
    assert main(["restore", str(file), "--data", other]) == 0
    assert main(["backup", str(tmp_path / "again.zip"), "--data", other]) == 0
    assert "1 house, read back and whole" in capsys.readouterr().out
    brought_back(open_store(tmp_path / "third"), tmp_path / "again.zip")
    file.write_bytes(b"spoilt")
    assert main(["restore", str(file), "--data", other]) == 1
    assert "no backup" in capsys.readouterr().err
    # A mistyped folder is refused, not made.
    assert main(["backup", str(file), "--data", str(tmp_path / "typo")]) == 1
    assert "There are no houses in" in capsys.readouterr().err
    assert not (tmp_path / "typo").exists()
    assert file.read_bytes() == b"spoilt"
