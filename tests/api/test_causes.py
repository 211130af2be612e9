"""What goes wrong with the data folder is named, nothing is lost by it, and it goes on once it is cured."""

import errno
import shutil
import sqlite3
from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path
from typing import Any

import pytest
from fastapi.testclient import TestClient

import obtegum.store.database as database
from obtegum.core.documents.house import SiteRecord
from obtegum.store import Store, StoreTrouble, houses, open_store
from obtegum.store.documents import keep_text
from tests.conftest import make_house


def rename(client: TestClient, house: str, name: str) -> Any:
    version = client.get(f"/api/houses/{house}/version").json()["version"]
    body = {"version": version, "window": "w", "edits": [{"measure": "name", "text": name}]}
    return client.patch(f"/api/houses/{house}", json=body)


@contextmanager
def no_room(store: Store) -> Iterator[None]:
    """The disk takes no page more, as SQLite meets it."""
    connections = [store._engine.raw_connection() for _ in range(4)]
    pages = connections[0].execute("PRAGMA page_count").fetchone()[0]  # type: ignore[attr-defined]

    def limit(most: int) -> None:
        for connection in connections:
            connection.execute(f"PRAGMA max_page_count={most}")  # type: ignore[attr-defined]

    limit(pages)
    for connection in connections:
        connection.close()
    yield
    connections = [store._engine.raw_connection() for _ in range(4)]
    limit(1_000_000)
    for connection in connections:
        connection.close()


def test_a_full_disk_is_said_and_goes_on_once_there_is_room(client: TestClient, store: Store) -> None:
    house = houses.add(store, make_house(), SiteRecord(), "Started").id
    with no_room(store):
        for place in range(60):
            answer = rename(client, house, f"House {place} " + "x" * 60)
            if answer.status_code != 200:
                break
        assert answer.status_code == 507
        assert answer.json()["type"] == "/problems/full"
        assert answer.json()["detail"].startswith("The disk is full.")
        kept = houses.get(store, house)
        assert kept.version == place + 1
    assert rename(client, house, "Room again").status_code == 200


def test_a_folder_taken_away_is_never_told_as_saved(client: TestClient, store: Store, tmp_path: Path) -> None:
    house = houses.add(store, make_house(), SiteRecord(), "Started").id
    away = tmp_path / "away"
    (tmp_path / "data").rename(away)
    for answer in (client.get(f"/api/houses/{house}/version"), client.get("/api/houses")):
        assert answer.status_code == 503
        assert "moved, replaced or taken away" in answer.json()["detail"]
    with pytest.raises(StoreTrouble):
        houses.shelve(store, house, "deleted")
    # Another file in its place is not it either.
    open_store(tmp_path / "data").close()
    with pytest.raises(StoreTrouble):
        houses.shelve(store, house, "deleted")
    shutil.rmtree(tmp_path / "data")
    away.rename(tmp_path / "data")
    assert rename(client, house, "Back").status_code == 200


def test_a_folder_taken_away_while_it_is_written_is_noticed(store: Store, tmp_path: Path) -> None:
    house = houses.add(store, make_house(), SiteRecord(), "Started")

    def meanwhile(design: Any, record: Any) -> houses.Edited:
        (tmp_path / "data").rename(tmp_path / "away")
        return houses.Edited(make_house(name="Nowhere"), record, "Name")

    with pytest.raises(StoreTrouble, match="taken away"):
        houses.change(store, house.id, houses.Gesture(1), meanwhile)


def test_another_program_s_lock_is_named_and_polls_go_on(
    client: TestClient, store: Store, tmp_path: Path, monkeypatch: pytest.MonkeyPatch
) -> None:
    monkeypatch.setattr(database, "BUSY_MS", 50)
    store._engine.dispose()
    house = houses.add(store, make_house(), SiteRecord(), "Started").id
    with sqlite3.connect(tmp_path / "data" / "obtegum.sqlite", isolation_level=None) as other:
        other.execute("BEGIN IMMEDIATE")
        refused = rename(client, house, "Locked out")
        assert refused.status_code == 503
        assert refused.json()["detail"].startswith("Another program holds")
        assert client.get(f"/api/houses/{house}/version").json() == {"version": 1}
        other.execute("ROLLBACK")
    other.close()
    assert rename(client, house, "In").status_code == 200


def test_a_damaged_file_is_named(tmp_path: Path) -> None:
    store = open_store(tmp_path)
    house = houses.add(store, make_house(), SiteRecord(), "Started").id
    store.close()
    file = tmp_path / "obtegum.sqlite"
    whole = file.read_bytes()
    file.write_bytes(whole[:4096] + b"\xff" * (len(whole) - 4096))
    with pytest.raises(StoreTrouble, match="damaged"):
        houses.get(open_store(tmp_path), house)
    file.write_bytes(b"no database at all, but long enough to be taken for one" * 40)
    with pytest.raises(StoreTrouble, match="damaged"):
        open_store(tmp_path)


def test_a_folder_that_can_t_be_made_is_named(tmp_path: Path) -> None:
    (tmp_path / "file").write_text("a file", encoding="utf-8")
    with pytest.raises(NotADirectoryError):
        open_store(tmp_path / "file" / "data")


def spoil(store: Store, house: str, design: str) -> None:
    """A house whose kept design is not one, as a later version's limits or a bad disk may leave it."""
    with store.writing() as session:
        name = keep_text(session, design)
        session.connection().exec_driver_sql(
            f"UPDATE revision SET design = '{name}' WHERE house_id = '{house}' AND version = 2"
        )


@pytest.mark.parametrize(
    ("design", "name"),
    [
        ('{"name": "Old barn", "size": 3}', "Old barn"),
        ("not JSON", None),
        (make_house(name="Rope", bows__tube="rope").model_dump_json(), "Rope"),
    ],
)
def test_a_house_that_can_t_be_planned_hides_nothing(
    client: TestClient, store: Store, design: str, name: str | None
) -> None:
    good = houses.add(store, make_house(name="Good"), SiteRecord(), "Started").id
    house = houses.add(store, make_house(), SiteRecord(), "Started").id
    rename(client, house, "Old barn")
    spoil(store, house, design)
    yard = client.get("/api/houses").json()["houses"]
    assert [(each["id"], each["yard"] is None) for each in yard] == [(house, True), (good, False)]
    assert yard[0]["name"] == (name or house)
    assert yard[0]["why"] in ("What was kept of it can’t be read here.", "There is no tube “rope” in the catalogue.")
    opened = client.get(f"/api/houses/{house}")
    assert opened.status_code == 422
    assert opened.json()["type"] == "/problems/unplanned"
    # It can be taken away as it is, looked up in its history, brought back from there, and put away.
    assert client.get(f"/api/houses/{house}/file").status_code == 200
    history = client.get(f"/api/houses/{house}/revisions").json()["revisions"]
    assert [each["words"] for each in history] == ["Name Old barn", "Started"]
    assert client.get(f"/api/houses/{house}/revisions/1").status_code == 200
    assert client.put(f"/api/houses/{house}/shelf", json={"shelf": "put_away"}).status_code == 200
    back = client.put(f"/api/houses/{house}/revision", json={"to": 1, "window": "w"})
    assert (back.status_code, back.json()["version"]) == (200, 3)
    assert client.get(f"/api/houses/{house}").status_code == 200


def test_what_can_t_be_planned_is_not_kept(client: TestClient, monkeypatch: pytest.MonkeyPatch) -> None:
    house = client.post("/api/houses", json={"units": "feet"}).json()["id"]

    def broken(*_: object) -> None:
        raise ZeroDivisionError

    monkeypatch.setattr("obtegum.api.desk.plan_work", broken)
    for refused in (rename(client, house, "Never"), client.post("/api/houses", json={"units": "feet"})):
        assert refused.status_code == 422
        assert "nothing was changed" in refused.json()["detail"]
    monkeypatch.undo()
    assert client.get(f"/api/houses/{house}").json()["version"] == 1
    assert client.get("/api/houses").json()["total"] == 1


def test_a_backup_says_what_the_other_routes_say(client: TestClient, store: Store, tmp_path: Path) -> None:
    houses.add(store, make_house(), SiteRecord(), "Started")
    (tmp_path / "data").rename(tmp_path / "away")
    for answer in (
        client.get("/api/houses"),
        client.get("/api/backup"),
        client.post("/api/backup", content=b"PK", headers={"content-type": "application/zip"}),
    ):
        assert (answer.status_code, answer.json()["type"]) == (503, "/problems/gone")
        assert answer.json()["detail"].startswith("The data folder was moved")
    (tmp_path / "away").rename(tmp_path / "data")


@pytest.mark.parametrize(
    ("number", "status", "kind"),
    [
        (errno.EACCES, 503, "read_only"),
        (errno.EROFS, 503, "read_only"),
        (errno.ENOSPC, 507, "full"),
        (errno.EIO, 503, "disk"),
    ],
)
def test_a_file_that_can_t_be_written_is_named_by_its_cause(
    client: TestClient, monkeypatch: pytest.MonkeyPatch, number: int, status: int, kind: str
) -> None:
    def fails(*_: object, **__: object) -> None:
        raise OSError(number, "no")

    monkeypatch.setattr("obtegum.store.backup.os.open", fails)
    answer = client.get("/api/backup")
    assert (answer.status_code, answer.json()["type"]) == (status, f"/problems/{kind}")
