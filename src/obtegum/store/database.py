"""Opening a data folder: SQLite in WAL with full syncing, brought up to date by Alembic in one transaction."""

import os
import sqlite3
import time
from collections import OrderedDict
from collections.abc import Callable, Iterator
from contextlib import closing, contextmanager
from pathlib import Path
from threading import Lock
from typing import Any, TypeVar

from sqlalchemy import Connection, Engine, create_engine, event, inspect, text
from sqlalchemy.orm import Session, sessionmaker

from obtegum.store.causes import SENTENCES, StoreTrouble, named
from obtegum.store.known import KNOWN, kept_aside, note, went_missing

__all__ = ["FILE", "NEWEST", "Store", "open_store", "put_in_place"]

NEWEST = "0006"
OLDER = (None, "0001", "0002", "0003", "0004", "0005")
FILE = "obtegum.sqlite"
BUSY_MS = 5000
WAL_TRIES = 50
# Unfinished files of a server that was killed.
LEFT_S = 3600
T = TypeVar("T")
# How long nothing was kept when the folder is at rest, s.
QUIET_S = 2.0


class Lately:
    """What was read lately of a folder and only grows: a help, which whoever replaces houses lets go of. Asked under
    its lock."""

    def __init__(self, most: int = 64) -> None:
        self.lock, self._most = Lock(), most
        self._kept: OrderedDict[Any, Any] = OrderedDict()

    def find(self, key: Any, make: Callable[[], T]) -> T:
        """What is kept under a key, or a new one, which is kept."""
        found: T = self._kept.pop(key, None) or make()
        self._kept[key] = found
        while len(self._kept) > self._most:
            self._kept.popitem(last=False)
        return found

    def forget(self) -> None:
        """Keep nothing of it any more."""
        with self.lock:
            self._kept.clear()


class Store:
    """An open data folder."""

    def __init__(self, engine: Engine, folder: Path, found: str = "") -> None:
        self.folder = folder
        # What was found amiss when it was opened, in sentences, until somebody has seen it.
        self.found = found
        # Whether something was kept since it was at rest last, and when.
        self._kept_at: float | None = None
        self.looked_over = False
        self.lately = Lately()
        self._engine = engine
        self._sessions = sessionmaker(engine, expire_on_commit=False)
        self._identity = _identity(folder / FILE)
        # Who writes from this program waits in line here: SQLite lets many wait by trying again, and may starve one.
        self._line = Lock()

    def check_present(self) -> None:
        """Raises: StoreTrouble when the file is no longer the one that was opened: what is written to it is lost."""
        if self._identity is None or _identity(self.folder / FILE) != self._identity:
            raise StoreTrouble("gone")

    @contextmanager
    def reading(self) -> Iterator[Session]:
        """A session that only reads. Raises: StoreTrouble."""
        self.check_present()
        with named(), self._sessions() as session:
            session.execute(text(f"PRAGMA busy_timeout={BUSY_MS}"))
            # What is read together was true together.
            session.execute(text("BEGIN"))
            yield session

    @contextmanager
    def writing(self) -> Iterator[Session]:
        """A session that holds the write lock from the start and commits at the end.

        Raises: StoreTrouble, and nothing is kept.
        """
        until = time.monotonic() + BUSY_MS / 1000
        if not self._line.acquire(timeout=BUSY_MS / 1000):
            raise StoreTrouble("locked")
        try:
            with named(), self._sessions() as session:
                # Whoever waited in line has that much less to wait for other programs.
                left_ms = max(int((until - time.monotonic()) * 1000), 0)
                session.execute(text(f"PRAGMA busy_timeout={left_ms}"))
                session.execute(text("BEGIN IMMEDIATE"))
                self.check_present()
                yield session
                session.commit()
                # A folder taken away between the two checks has taken the change with it.
                self.check_present()
                self._kept_at = time.monotonic()
        finally:
            self._line.release()

    def rest(self, quiet_s: float = QUIET_S) -> None:
        """When nothing was kept for a while: bring the log into the file, and write down which houses stand.

        What can't be done now is done another time.
        """
        if self._kept_at is None or time.monotonic() - self._kept_at < quiet_s or self.found:
            return
        self._kept_at = None
        try:
            with named(), self._sessions() as session:
                session.execute(text("PRAGMA wal_checkpoint(TRUNCATE)"))
                note(session, self.folder)
        except StoreTrouble:
            self._kept_at = time.monotonic()

    def look_over(self) -> None:
        """Look once whether the file is whole; what is damaged is said with what was found. Raises: StoreTrouble."""
        self.looked_over = True
        with named(), self._engine.connect() as connection:
            told = connection.exec_driver_sql("PRAGMA quick_check(1)").scalar()
        if told != "ok":
            self.found = f"{self.found} {SENTENCES['damaged']}".strip()

    def seen(self) -> None:
        """Somebody has seen what was found: what stands now is what is known."""
        self.found = ""
        self._kept_at = -QUIET_S
        self.rest(0.0)

    def close(self) -> None:
        """Let go of the file, with everything in it: it can be copied alone afterwards."""
        self.rest(0.0)
        try:
            with named(), self._engine.connect() as connection:
                connection.exec_driver_sql("PRAGMA wal_checkpoint(TRUNCATE)")
        except StoreTrouble:
            # What was acknowledged stands in the log beside the file.
            pass
        self._engine.dispose()


def _identity(file: Path) -> tuple[int, int] | None:
    try:
        found = file.stat()
    except OSError:
        return None
    return found.st_dev, found.st_ino


def _readable(text: bytes) -> str:
    return text.decode(errors="replace")


def _prepare(connection: Any, _: object) -> None:
    # Transactions are begun by hand (BEGIN IMMEDIATE), so the driver must not begin its own.
    connection.isolation_level = None
    # A damaged byte in one text doesn't keep the others from being read: what it names tells that it is damaged.
    connection.text_factory = _readable
    connection.execute(f"PRAGMA busy_timeout={BUSY_MS}")
    # SQLite doesn't wait by itself for whoever turns the same new file to WAL at this moment.
    for tried in range(WAL_TRIES):
        try:
            connection.execute("PRAGMA journal_mode=WAL")
            break
        except sqlite3.OperationalError as error:
            if tried == WAL_TRIES - 1 or not error.sqlite_errorname.startswith(("SQLITE_BUSY", "SQLITE_LOCKED")):
                raise
            time.sleep(0.1)
    for pragma in ("synchronous=FULL", "foreign_keys=ON", "secure_delete=ON"):
        connection.execute(f"PRAGMA {pragma}")


def _version(connection: Connection) -> str | None:
    if not inspect(connection).has_table("alembic_version"):
        return None
    found = connection.execute(text("SELECT version_num FROM alembic_version")).scalar()
    return None if found is None else str(found)


def put_in_place(part: Path, file: Path) -> None:
    """Let a finished file take its name, so that a crash leaves either the old one or the new one."""
    with part.open("rb") as done:
        os.fsync(done.fileno())
    part.replace(file)
    folder = os.open(file.parent, os.O_RDONLY)
    try:
        os.fsync(folder)
    finally:
        os.close(folder)


def _copy_first(engine: Engine, folder: Path, version: str) -> None:
    """The folder's file as it was, beside it, before anything in it is changed."""
    kept = folder / f"before-{NEWEST}.sqlite"
    part = folder / f"{kept.name}.{os.getpid()}.part"
    part.unlink(missing_ok=True)
    os.close(os.open(part, os.O_CREAT | os.O_WRONLY, 0o600))
    try:
        with engine.connect() as connection, closing(sqlite3.connect(part)) as copy:
            driver: Any = connection.connection.driver_connection
            driver.backup(copy)
        put_in_place(part, kept)
    finally:
        part.unlink(missing_ok=True)


def _migrate(engine: Engine) -> None:
    # Alembic is imported only when there is something to migrate: start-up is part of the product.
    from alembic import command
    from alembic.config import Config

    config = Config()
    config.set_main_option("script_location", str(Path(__file__).parent / "migrations"))
    with engine.connect() as connection:
        # Whoever starts beside this one waits here, and then finds it done.
        connection.exec_driver_sql("BEGIN IMMEDIATE")
        config.attributes["connection"] = connection
        command.upgrade(config, "head")
        connection.commit()


def _make_folder(folder: Path) -> Path:
    """The folder and its file, for its owner's eyes only. Raises: StoreTrouble, OSError."""
    file = folder / FILE
    try:
        folder.mkdir(parents=True, exist_ok=True, mode=0o700)
        os.close(os.open(file, os.O_CREAT | os.O_RDWR, 0o600))
    except PermissionError:
        raise StoreTrouble("read_only") from None
    except OSError as error:
        if error.errno == 28:
            raise StoreTrouble("full") from None
        raise
    for part in folder.glob("*.part"):
        if time.time() - part.stat().st_mtime > LEFT_S:
            part.unlink(missing_ok=True)
    # A folder with anything else in it is somebody's own, and stays as open as they made it.
    own = {FILE, f"{FILE}-wal", f"{FILE}-shm", KNOWN}
    ours = all(each.name in own or each.name.startswith(("before-", "damaged-")) for each in folder.iterdir())
    for path, mode in ((folder, 0o700), (file, 0o600)) if ours else ((file, 0o600),):
        if path.stat().st_mode & 0o777 != mode and path.stat().st_uid == os.getuid():
            path.chmod(mode)
    return file


def open_store(folder: Path) -> Store:
    """Open the data folder, making and migrating it as needed.

    An interruption at any moment leaves it as it was or as it is to be.
    Raises: StoreTrouble with a sentence; OSError when the folder can't be made.
    """
    found = kept_aside(folder, folder / FILE)
    file = _make_folder(folder)
    engine = create_engine(f"sqlite:///{file}")
    event.listen(engine, "connect", _prepare)
    try:
        with named():
            with engine.connect() as connection:
                version = _version(connection)
            if version != NEWEST:
                if version not in OLDER:
                    raise StoreTrouble(
                        "newer",
                        f"This folder was written by a newer Obtegum (its version is {version}; this one knows up to "
                        f"{NEWEST}). Nothing in it was changed; use the newer one.",
                    )
                if version is not None:
                    _copy_first(engine, folder, version)
                _migrate(engine)
            with Session(engine) as session:
                found = found or went_missing(session, folder)
    except BaseException:
        engine.dispose()
        raise
    return Store(engine, folder, found)
