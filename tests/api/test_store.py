"""The data folder: brought up to date, shared by threads, and never half written."""

import os
import random
import sqlite3
import stat
import threading
from pathlib import Path
from typing import Any

import pytest
from alembic import command
from alembic.config import Config
from sqlalchemy import create_engine, text

import obtegum.store.database as database
from obtegum.core.documents.house import SiteRecord
from obtegum.core.documents.level import Levels, Spot
from obtegum.store import Store, StoreTrouble, gestures, houses, open_store
from obtegum.store.backup import write_backup
from obtegum.store.documents import LIST, MissingDocument, cut, hash_of, in_pieces, keep_pieces, parts_of, read_pieces
from obtegum.store.restore import restore
from tests.conftest import make_house


def older_folder(folder: Path, version: str) -> None:
    """A data folder as an earlier version left it."""
    folder.mkdir()
    engine = create_engine(f"sqlite:///{folder / 'obtegum.sqlite'}")
    config = Config()
    config.set_main_option("script_location", str(Path(database.__file__).parent / "migrations"))
    with engine.begin() as connection:
        config.attributes["connection"] = connection
        command.upgrade(config, version)
    engine.dispose()


def older_houses(folder: Path, version: str) -> None:
    """A house with two revisions in a folder of an earlier version."""
    design = make_house().model_dump_json()
    record = SiteRecord(set_at_m={"peg:L1": 0.0}).model_dump_json().replace('"spots":{}', '"spots":[]')
    shelf, kind = ("", "") if version == "0001" else (", 'standing'", ", 'edit'")
    old = sqlite3.connect(folder / "obtegum.sqlite")
    with old:
        old.execute(f"INSERT INTO house VALUES ('h1', 2, 5.0, ?, ?{shelf})", (design, record))
        for at, words in ((1, "Started"), (2, "Width")):
            row = (at, words, design, record)
            old.execute(f"INSERT INTO revision VALUES ('h1', ?, 5.0, 'w', '', ?, ?, ?{kind})", row)
    old.close()


def test_an_older_folder_is_brought_up_to_date_with_its_houses(tmp_path: Path) -> None:
    folder = tmp_path / "data"
    older_folder(folder, "0001")
    older_houses(folder, "0001")
    store = open_store(folder)
    house = houses.get(store, "h1")
    assert (house.version, house.shelf, house.design) == (2, "standing", make_house())
    # The start is no gesture of a window: only the change after it can be undone.
    assert gestures.undoable(store, "h1", "w") == ("Width", None)
    assert [line.words for line in houses.revisions(store, "h1")] == ["Width", "Started"]
    store.close()


def test_opening_twice_changes_nothing(tmp_path: Path) -> None:
    open_store(tmp_path).close()
    first = (tmp_path / "obtegum.sqlite").read_bytes()
    open_store(tmp_path).close()
    assert (tmp_path / "obtegum.sqlite").read_bytes() == first


def test_many_threads_each_keep_their_changes(store: Store) -> None:
    """Eight threads change one house at once, each from the version that it last saw."""
    house = houses.add(store, make_house(), SiteRecord(), "Started")
    failed: list[Exception] = []

    def work(name: str) -> None:
        def edit(design: Any, record: SiteRecord) -> houses.Edited:
            number = len([tick for tick in record.set_at_m if tick.startswith(f"peg:{name}")]) + 1
            return houses.Edited(design, record.with_set(f"peg:{name}{number}", 0.0), "tick")

        version = house.version
        try:
            for _ in range(5):
                version = houses.change(store, house.id, houses.Gesture(version, name), edit).version
        except Exception as error:
            failed.append(error)

    threads = [threading.Thread(target=work, args=(f"{side}{place}",)) for side in "LR" for place in range(1, 5)]
    for thread in threads:
        thread.start()
    for thread in threads:
        thread.join()
    assert failed == []
    after = houses.get(store, house.id)
    assert after.version == 1 + 8 * 5
    assert len(after.record.set_at_m) == 8 * 5


def test_every_version_stays_readable(store: Store) -> None:
    house = houses.add(store, make_house(), SiteRecord(), "Started")
    for place in range(2, 12):

        def edit(design: Any, record: SiteRecord, place: int = place) -> houses.Edited:
            return houses.Edited(make_house(size__span_m=4.0 + place / 10), record, f"Width {place}")

        houses.change(store, house.id, houses.Gesture(place - 1, "w", "drag"), edit)
    for place in range(2, 12):
        assert houses.revision(store, house.id, place).design.size.span_m == 4.0 + place / 10
    # One drag is one line of the history, however many parts it had.
    assert [line.version for line in houses.revisions(store, house.id)] == [11, 1]


def test_restoring_over_a_house_in_use_is_one_stroke(store: Store, tmp_path: Path) -> None:
    house = houses.add(store, make_house(), SiteRecord(), "Started")
    backup = tmp_path / "all.zip"
    write_backup(store, backup)
    seen: set[int] = set()
    stop = threading.Event()

    def look() -> None:
        while not stop.is_set():
            seen.add(houses.count(store))

    watcher = threading.Thread(target=look)
    watcher.start()
    for _ in range(10):
        restore(store, backup, lambda *_: None)
    stop.set()
    watcher.join()
    assert seen == {1}
    after = houses.get(store, house.id)
    assert (after.design, after.record) == (house.design, house.record)


def test_spots_of_an_older_folder_get_their_places_and_the_folder_is_copied_first(tmp_path: Path) -> None:
    folder = tmp_path / "data"
    older_folder(folder, "0002")
    design = make_house().model_dump_json()
    spots = '[{"x_m":1.0,"y_m":2.0,"reading_m":1.6},{"x_m":3.0,"y_m":2.0,"reading_m":1.7}]'
    record = f'{{"levels":{{"pegs":{{"L1":1.5}},"spots":{spots}}}}}'
    with sqlite3.connect(folder / "obtegum.sqlite") as old:
        old.execute("INSERT INTO house VALUES ('h1', 1, 5.0, ?, ?, 'put_away')", (design, record))
        old.execute("INSERT INTO revision VALUES ('h1', 1, 5.0, '', '', 'Started', ?, ?, 'start')", (design, record))
    before = (folder / "obtegum.sqlite").read_bytes()
    store = open_store(folder)
    house = houses.get(store, "h1")
    assert house.shelf == "put_away"
    assert {name: spot.reading_m for name, spot in house.record.levels.spots.items()} == {
        "100:200": 1.6,
        "300:200": 1.7,
    }
    store.close()
    with sqlite3.connect(folder / "before-0006.sqlite") as copy, sqlite3.connect(":memory:") as whole:
        whole.deserialize(before)
        assert list(copy.iterdump()) == list(whole.iterdump())


def test_a_folder_of_a_newer_program_is_left_alone(tmp_path: Path) -> None:
    open_store(tmp_path).close()
    with sqlite3.connect(tmp_path / "obtegum.sqlite") as newer:
        newer.execute("UPDATE alembic_version SET version_num = '0099'")
    newer.close()
    before = (tmp_path / "obtegum.sqlite").read_bytes()
    with pytest.raises(StoreTrouble, match="newer Obtegum"):
        open_store(tmp_path)
    assert (tmp_path / "obtegum.sqlite").read_bytes() == before


def test_texts_are_cut_by_their_content() -> None:
    """A change in the middle of a long text leaves all but a few pieces as they were."""
    chance = random.Random(4)
    rows = [f'"{n}:{chance.randrange(9999)}":{{"x_m":{n},"reading_m":{chance.random()}}}' for n in range(3000)]
    before = cut("{" + ",".join(rows) + "}")
    assert "".join(before) == "{" + ",".join(rows) + "}"
    assert 1000 < len("".join(before)) / len(before) < 5000
    del rows[1500]
    rows.insert(20, '"new":{"x_m":1.5}')
    after = cut("{" + ",".join(rows) + "}")
    assert len(set(after) - set(before)) <= 6
    assert cut("") == [""]
    assert "".join(cut("ä,ö" * 2000)) == "ä,ö" * 2000


def test_a_long_list_of_pieces_is_cut_too(store: Store) -> None:
    """A change leaves all but a few documents as they were; a short text is listed flat, as it always was."""
    chance = random.Random(5)
    rows = [f'"{n}":{{"x_m":{n},"reading_m":{chance.random()}}}' for n in range(6000)]
    name, bodies = in_pieces("{" + ",".join(rows) + "}")
    rows[3000] = '"other":{"x_m":1.5}'
    later, after = in_pieces("{" + ",".join(rows) + "}")
    new = {key: body for key, body in after.items() if key not in bodies}
    assert sum(len(body) for body in new.values()) < 5000
    assert LIST in bodies[name]
    flat, few = in_pieces('{"a":1}')
    assert few[flat] == hash_of('{"a":1}')
    with store.writing() as session:
        assert keep_pieces(session, "{" + ",".join(rows) + "}") == later
        assert read_pieces(session, later) == "{" + ",".join(rows) + "}"
        assert parts_of(session, [later]) | {later} == set(after)
        # A list that is missing is said, not read as less.
        session.execute(text("DELETE FROM document WHERE hash = :name"), {"name": after[later].split("\n")[0][1:]})
        with pytest.raises(MissingDocument):
            read_pieces(session, later)


def big_record(spots: int = 2000) -> SiteRecord:
    chance = random.Random(9)
    read = (Spot(x_m=place % 90, y_m=place // 90, reading_m=round(chance.uniform(1, 3), 3)) for place in range(spots))
    return SiteRecord(levels=Levels(pegs={f"L{bow}": 1.5 for bow in range(1, 201)}).with_spots(read))


def test_a_reading_on_a_big_site_grows_the_folder_by_little(store: Store) -> None:
    house = houses.add(store, make_house(), big_record(), "Started")

    def reading(at: int) -> houses.Edit:
        def edit(design: Any, record: SiteRecord) -> houses.Edited:
            levels = record.levels
            changed = levels.model_copy(update={"pegs": {**levels.pegs, f"L{at}": 1.5 + at / 1000}})
            return houses.Edited(design, record.model_copy(update={"levels": changed}), "read")

        return edit

    def size() -> int:
        with store.reading() as session:
            return int(session.connection().exec_driver_sql("SELECT sum(length(body)) FROM document").scalar() or 0)

    version, before = house.version, size()
    for at in range(1, 41):
        version = houses.change(store, house.id, houses.Gesture(version, "w"), reading(at)).version
    assert (size() - before) / 40 < 5000
    assert houses.revision(store, house.id, 1).record == big_record()


def test_only_its_owner_can_read_a_folder(tmp_path: Path) -> None:
    os.umask(0o022)
    store = open_store(tmp_path / "data")
    houses.add(store, make_house(), SiteRecord(), "Started")
    modes = {path.name: stat.S_IMODE(path.stat().st_mode) for path in (tmp_path / "data").iterdir()}
    assert modes == dict.fromkeys(("obtegum.sqlite", "obtegum.sqlite-wal", "obtegum.sqlite-shm"), 0o600)
    assert stat.S_IMODE((tmp_path / "data").stat().st_mode) == 0o700
    store.close()
    # Closed, it is one file that can be copied alone; the other only knows what stood here.
    left = {path.name: stat.S_IMODE(path.stat().st_mode) for path in (tmp_path / "data").iterdir()}
    assert left == dict.fromkeys(("obtegum.sqlite", "houses.json"), 0o600)
    (tmp_path / "own").mkdir(mode=0o755)
    (tmp_path / "own" / "plans.txt").write_text("mine", encoding="utf-8")
    open_store(tmp_path / "own").close()
    assert stat.S_IMODE((tmp_path / "own").stat().st_mode) == 0o755


def test_many_that_open_a_new_folder_at_once_all_get_it(tmp_path: Path) -> None:
    gate, opened, failed = threading.Barrier(6), list[Store](), list[Exception]()

    def start() -> None:
        gate.wait()
        try:
            opened.append(open_store(tmp_path / "data"))
            houses.add_if_empty(opened[-1], [(make_house(), SiteRecord())], "Started")
        except Exception as error:
            failed.append(error)

    threads = [threading.Thread(target=start) for _ in range(6)]
    for thread in threads:
        thread.start()
    for thread in threads:
        thread.join()
    assert failed == []
    assert houses.count(opened[0]) == 1
    for store in opened:
        store.close()
