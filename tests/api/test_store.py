"""The data folder: brought up to date, shared by threads, and never half written."""

import sqlite3
import threading
from pathlib import Path
from typing import Any

from alembic import command
from alembic.config import Config
from sqlalchemy import create_engine

import obtegum.store.database as database
from obtegum.core.record import SiteRecord
from obtegum.store import Store, houses, open_store
from obtegum.store.backup import read_backup, restore, write_backup
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


def test_an_older_folder_is_brought_up_to_date_with_its_houses(tmp_path: Path) -> None:
    folder = tmp_path / "data"
    older_folder(folder, "0001")
    design, record = make_house().model_dump_json(), SiteRecord().model_dump_json()
    with sqlite3.connect(folder / "obtegum.sqlite") as old:
        old.execute("INSERT INTO house VALUES ('h1', 2, 5.0, ?, ?)", (design, record))
        for version, words in ((1, "Started"), (2, "Width")):
            old.execute(
                "INSERT INTO revision VALUES ('h1', ?, 5.0, 'w', '', ?, ?, ?)", (version, words, design, record)
            )
    store = open_store(folder)
    house = houses.get(store, "h1")
    assert (house.version, house.shelf, house.design) == (2, "standing", make_house())
    # The start is no gesture of a window: only the change after it can be undone.
    assert houses.undoable(store, "h1", "w") == ("Width", None)
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


def test_restoring_over_a_house_in_use_is_one_stroke(store: Store) -> None:
    house = houses.add(store, make_house(), SiteRecord(), "Started")
    backup = read_backup(write_backup(store))
    seen: set[int] = set()
    stop = threading.Event()

    def look() -> None:
        while not stop.is_set():
            seen.add(houses.count(store))

    watcher = threading.Thread(target=look)
    watcher.start()
    for _ in range(10):
        restore(store, backup)
    stop.set()
    watcher.join()
    assert seen == {1}
    assert houses.get(store, house.id) == house
