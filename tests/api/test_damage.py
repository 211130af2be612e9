"""Bytes flipped, cut off and emptied in a folder and in a backup: said, and no more lost than what they were of."""

import random
import shutil
from collections.abc import Callable
from pathlib import Path
from typing import Any

import pytest
from fastapi.testclient import TestClient
from sqlalchemy import text

from obtegum.cli import main
from obtegum.core.documents.house import HouseDesign, SiteRecord
from obtegum.store import Store, StoreTrouble, Unreadable, houses, open_store, state
from obtegum.store.backup import BackupError, write_backup
from obtegum.store.database import FILE
from obtegum.store.documents import read_pieces, read_text
from obtegum.store.gestures import undoable
from obtegum.store.known import KNOWN
from obtegum.store.restore import restore
from obtegum.store.seals import UNTOLD
from obtegum.store.state import Shelf
from tests.api.conftest import page_client
from tests.conftest import make_house

SHELVES: tuple[Shelf, ...] = ("standing", "put_away", "deleted")
NAMES = ("North", "South", "East")


@pytest.fixture(autouse=True)
def fresh(monkeypatch: pytest.MonkeyPatch) -> Callable[[], None]:
    """Nothing is remembered of what was read before, as when the bench was started anew."""

    def forget() -> None:
        monkeypatch.setattr(state, "_designs", state._Lately(HouseDesign, read_text, 64))
        monkeypatch.setattr(state, "_records", state._Lately(SiteRecord, read_pieces, 16))

    forget()
    return forget


def nothing(*_: object) -> None:
    pass


def built(folder: Path) -> dict[str, Any]:
    """Three houses with some history and much that was read; what each came to, by its name."""
    store = open_store(folder)
    for place, name in enumerate(NAMES):
        levels = {"pegs": {f"{side}{bow}": 1.5 + place / 7 + bow / 100 for side in "LR" for bow in range(1, 14)}}
        record = SiteRecord.model_validate({"levels": levels})
        kept = houses.add(store, make_house(name=name, size__length_m=9.0 + place), record, "Started")
        for version in range(1, 9):
            edited = houses.Edited(
                make_house(name=name, size__length_m=9.0 + place + version), record, f"Length {version}"
            )
            houses.change(store, kept.id, houses.Gesture(version, "w"), lambda *_, edited=edited: edited)
    found = standing(store)
    store.close()
    return found


def standing(store: Store) -> dict[str, Any]:
    """Every house that can be read, by its id: name, shelf, design and record."""
    found = dict[str, Any]()
    for shelf in SHELVES:
        for line in houses.newest(store, 0, 50, shelf):
            try:
                house = houses.get(store, line.id)
            except Unreadable:
                continue
            found[line.id] = (house.shelf, house.design, house.record)
    return found


@pytest.fixture(scope="module")
def whole(tmp_path_factory: pytest.TempPathFactory) -> tuple[Path, dict[str, Any]]:
    folder = tmp_path_factory.mktemp("whole")
    return folder, built(folder)


def spoilt(chance: random.Random, data: bytes) -> bytes:
    """A byte flipped, some in a row overwritten, the end cut off, or nothing left."""
    way, at = chance.choice(["flip", "flip", "flip", "block", "cut", "empty"]), chance.randrange(len(data))
    if way == "flip":
        return data[:at] + bytes([data[at] ^ (1 << chance.randrange(8))]) + data[at + 1 :]
    if way == "block":
        return data[:at] + chance.randbytes(len(data[at : at + 512])) + data[at + 512 :]
    return data[:at] if way == "cut" else b""


def many(request: pytest.FixtureRequest, few: int) -> range:
    return range(2000 if request.config.getoption("--deep") else few)


def test_damage_in_a_folder_is_never_silent(
    whole: tuple[Path, dict[str, Any]], tmp_path: Path, request: pytest.FixtureRequest, fresh: Callable[[], None]
) -> None:
    source, before = whole
    data, seen = (source / FILE).read_bytes(), dict[str, int]()
    for seed in many(request, 60):
        chance, folder = random.Random(seed), tmp_path / "data"
        shutil.rmtree(folder, ignore_errors=True)
        shutil.copytree(source, folder)
        (folder / FILE).write_bytes(spoilt(chance, data))
        fresh()
        try:
            store = open_store(folder)
        except StoreTrouble as trouble:
            assert trouble.cause in ("damaged", "newer"), seed
            seen["not opened"] = seen.get("not opened", 0) + 1
            continue
        try:
            now = standing(store)
            store.look_over()
            told = store.found
            _, lacks = write_backup(store, tmp_path / "all.zip")
        except StoreTrouble as trouble:
            assert trouble.cause == "damaged", seed
            seen["said where it is asked for"] = seen.get("said where it is asked for", 0) + 1
            continue
        finally:
            store.close()
        listed = [line for shelf in SHELVES for line in _listed(folder, shelf)] if not told else []
        if told:
            seen["said"] = seen.get("said", 0) + 1
            continue
        # Nothing was said of the whole: each house is what it was, or is told to be unreadable.
        assert {line.id for line in listed} == set(before), seed
        assert all(now[each] == before[each] for each in now), seed
        assert len(before) - len(now) <= 1, seed
        other = open_store(tmp_path / f"other-{seed}")
        restore(other, tmp_path / "all.zip", nothing)
        back = standing(other)
        other.close()
        # A backup holds all that is whole, and says what it lacks.
        assert all(back[each] == before[each] for each in now), seed
        assert lacks or back == before, seed
        kind = "one house" if len(now) < len(before) else "lacking" if lacks else "nothing of use"
        seen[kind] = seen.get(kind, 0) + 1
    # The ways that it was looked for are all there.
    assert {"not opened", "said", "one house"} <= set(seen), seen


def _listed(folder: Path, shelf: Shelf) -> list[houses.HouseLine]:
    store = open_store(folder)
    try:
        return houses.newest(store, 0, 50, shelf)
    finally:
        store.close()


def test_damage_in_a_backup_replaces_nothing(
    whole: tuple[Path, dict[str, Any]], tmp_path: Path, request: pytest.FixtureRequest
) -> None:
    source, before = whole
    shutil.copytree(source, tmp_path / "whole")
    store = open_store(tmp_path / "whole")
    write_backup(store, tmp_path / "all.zip")
    store.close()
    data, refused = (tmp_path / "all.zip").read_bytes(), 0
    other = open_store(tmp_path / "other")
    houses.add(other, make_house(name="Here"), SiteRecord(), "Started")
    for seed in many(request, 60):
        here = standing(other)
        (tmp_path / "spoilt.zip").write_bytes(spoilt(random.Random(seed), data))
        try:
            restore(other, tmp_path / "spoilt.zip", nothing)
        except BackupError as error:
            assert str(error)
            refused += 1
            assert standing(other) == here, seed
            continue
        # What was spoilt was nothing that counts.
        assert standing(other) == before, seed
    other.close()
    assert refused > len(many(request, 60)) / 2


def test_one_damaged_house_takes_no_other_and_is_healed_by_its_own_change(
    tmp_path: Path, fresh: Callable[[], None]
) -> None:
    before = built(tmp_path / "data")
    store = open_store(tmp_path / "data")
    client = page_client(store)
    *others, first = before
    newest = client.get(f"/api/houses/{first}/version").json()["version"]
    with store.writing() as session:
        session.connection().exec_driver_sql(
            "UPDATE document SET body = CAST(replace(body, '17.0', '18.0') AS TEXT) WHERE hash ="
            f" (SELECT design FROM revision WHERE house_id = '{first}' AND version = {newest})"
        )
    fresh()
    yard = {each["id"]: each for each in client.get("/api/houses").json()["houses"]}
    # A digit that is another one reads well, and is no less damage.
    assert yard[first]["yard"] is None and "can’t be read" in yard[first]["why"]
    assert all(yard[each]["yard"] is not None for each in others)
    assert client.get(f"/api/houses/{first}").json()["type"] == "/problems/unplanned"
    answer = client.get("/api/backup")
    assert answer.status_code == 200 and "after version 8" in _lacks(answer)
    assert "not%20whole" in answer.headers["content-disposition"]
    # The version before it stands in the backup; here it is brought back, and the others go on.
    back = client.put(f"/api/houses/{first}/revision", json={"to": newest - 1, "window": "w"})
    assert back.status_code == 200
    again = client.get("/api/backup")
    assert again.status_code == 200 and "x-obtegum-lacks" not in again.headers
    # Made as it was, the damaged text is whole again, in the history too.
    body = {"version": newest + 1, "window": "w", "edits": [{"measure": "size.length_m", "text": "17 m"}]}
    assert client.patch(f"/api/houses/{first}", json=body).status_code == 200
    assert client.get(f"/api/houses/{first}/revisions/{newest}").status_code == 200
    store.close()


def test_a_letter_that_flips_in_what_was_done_is_told_and_loses_nothing_else(tmp_path: Path) -> None:
    built(tmp_path / "data")
    store = open_store(tmp_path / "data")
    line = houses.newest(store, 0, 1)[0]
    before = standing(store)
    assert undoable(store, line.id, "w") == ("Length 8", None)
    with store.writing() as session:
        session.execute(
            text("UPDATE revision SET words = 'Length 9' WHERE version = 9 AND house_id = :id"), {"id": line.id}
        )
    store.close()
    store = open_store(tmp_path / "data")
    told = houses.revisions(store, line.id)
    assert [each.words for each in told[:2]] == [UNTOLD, "Length 7"]
    # Nobody's change can be undone by itself; what the window did before it, can.
    assert undoable(store, line.id, "w")[0] == "Length 7"
    assert standing(store) == before
    _, lacks = write_backup(store, tmp_path / "all.zip")
    assert [(each.house, each.what) for each in lacks] == [(line.name, "what was done in 1 change")]
    other = open_store(tmp_path / "other")
    restore(other, tmp_path / "all.zip", nothing)
    assert standing(other) == before
    assert [each.words for each in houses.revisions(other, line.id)] == [each.words for each in told]
    other.close()
    # Of folders from before there is no seal to look at.
    with store.writing() as session:
        session.execute(text("UPDATE revision SET seal = NULL"))
    assert houses.revisions(store, line.id)[0].words == "Length 9"
    store.close()


def _lacks(answer: Any) -> str:
    from urllib.parse import unquote

    return unquote(answer.headers["x-obtegum-lacks"])


def test_an_emptied_file_is_said_kept_aside_and_nothing_is_begun_anew(tmp_path: Path, capsys: Any) -> None:
    folder = tmp_path / "data"
    built(folder)
    store = open_store(folder)
    backup = tmp_path / "all.zip"
    write_backup(store, backup)
    store.close()
    (folder / FILE).write_bytes(b"")
    store = open_store(folder)
    assert "stood here" in store.found and all(name in store.found for name in NAMES)
    assert [each.stat().st_size for each in folder.glob("damaged-*.sqlite")] == [0]
    # No demo comes in the place of what stood there.
    houses.add_if_empty(store, [(make_house(name="Demo"), SiteRecord())], "Started")
    assert houses.count(store) == 0
    client = page_client(store)
    assert client.get("/api/houses").json()["found"] == store.found
    store.close()
    # It is said until it was seen, or a backup is back.
    assert KNOWN in {path.name for path in folder.iterdir()}
    store = open_store(folder)
    assert "can’t be found" in store.found
    restore(store, backup, nothing)
    assert store.found == "" and houses.count(store) == 3
    store.close()
    store = open_store(folder)
    assert store.found == ""
    client = page_client(store)
    store.found = "Something."
    assert client.delete("/api/found").json() == {"found": ""}
    store.close()
    (folder / FILE).unlink()
    assert main(["backup", str(tmp_path / "more.zip"), "--data", str(folder)]) == 1


def test_a_torn_log_is_said(tmp_path: Path) -> None:
    folder = tmp_path / "data"
    before = built(folder)
    store = open_store(folder)
    house = next(iter(before))
    for version in range(9, 12):
        edited = houses.Edited(make_house(name="North", size__length_m=30.0 + version), SiteRecord(), "Length")
        houses.change(store, house, houses.Gesture(version, "w"), lambda *_, edited=edited: edited)
    # At rest the log is brought into the file: it can be torn then, and nothing is lost.
    store.rest(0.0)
    wal = folder / f"{FILE}-wal"
    assert wal.stat().st_size == 0
    copied = tmp_path / "copied"
    shutil.copytree(folder, copied)
    # A file of an earlier day beside what is known of this one.
    store.close()
    older = tmp_path / "older"
    built(older)
    early = open_store(copied)
    assert early.found == "" and houses.version(early, house) == 12
    early.close()
    text = (copied / KNOWN).read_text(encoding="utf-8").replace('"version": 12', '"version": 15')
    (copied / KNOWN).write_text(text, encoding="utf-8")
    late = open_store(copied)
    assert "The last changes of North can’t be found" in late.found
    late.seen()
    late.close()
    assert open_store(copied).found == ""


def test_writes_that_wait_for_another_program_each_wait_their_own_five_seconds(
    client: TestClient, store: Store, monkeypatch: pytest.MonkeyPatch
) -> None:
    import sqlite3
    import threading
    import time

    monkeypatch.setattr("obtegum.store.database.BUSY_MS", 600)
    house = houses.add(store, make_house(), SiteRecord(), "Started").id
    other = sqlite3.connect(store.folder / FILE, isolation_level=None)
    other.execute("BEGIN IMMEDIATE")
    ended, begun = list[str](), time.monotonic()

    def write() -> None:
        try:
            houses.shelve(store, house, "put_away")
        except StoreTrouble as trouble:
            ended.append(trouble.cause)

    threads = [threading.Thread(target=write) for _ in range(8)]
    for each in threads:
        each.start()
    for each in threads:
        each.join()
    took_s = time.monotonic() - begun
    other.execute("ROLLBACK")
    other.close()
    # One after the other they would wait eight times as long.
    assert ended == ["locked"] * 8 and took_s < 0.6 * 4


def test_names_that_steer_how_others_are_shown_lose_that(client: TestClient) -> None:
    assert make_house(name="A\u202eB\x07C\u2028\u0007D").name == "ABCD"
    with pytest.raises(ValueError, match="name"):
        make_house(name="\u202e\u2066")
    from obtegum.api.files import disposition

    header = disposition("a/b'c\"d é.json")["content-disposition"]
    assert header == "attachment; filename=\"a_b_c_d _.json\"; filename*=UTF-8''a%2Fb%27c%22d%20%C3%A9.json"
