"""Opening a data folder: SQLite in WAL with full syncing, brought up to date by Alembic."""

from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path
from typing import Any

from sqlalchemy import Engine, create_engine, event, inspect, text
from sqlalchemy.orm import Session, sessionmaker

__all__ = ["NEWEST", "Store", "open_store"]

NEWEST = "0002"
FILE = "obtegum.sqlite"


class Store:
    """An open data folder."""

    def __init__(self, engine: Engine) -> None:
        self._engine = engine
        self._sessions = sessionmaker(engine, expire_on_commit=False)

    @contextmanager
    def reading(self) -> Iterator[Session]:
        """A session that only reads."""
        with self._sessions() as session:
            yield session

    @contextmanager
    def writing(self) -> Iterator[Session]:
        """A session that holds the write lock from the start and commits at the end."""
        with self._sessions() as session:
            session.execute(text("BEGIN IMMEDIATE"))
            yield session
            session.commit()

    def close(self) -> None:
        """Let go of the file."""
        self._engine.dispose()


def _prepare(connection: Any, _: object) -> None:
    # Transactions are begun by hand (BEGIN IMMEDIATE), so the driver must not begin its own.
    connection.isolation_level = None
    for pragma in ("journal_mode=WAL", "synchronous=FULL", "foreign_keys=ON", "busy_timeout=5000"):
        connection.execute(f"PRAGMA {pragma}")


def _version(engine: Engine) -> str | None:
    if not inspect(engine).has_table("alembic_version"):
        return None
    with engine.connect() as connection:
        found = connection.execute(text("SELECT version_num FROM alembic_version")).scalar()
        return None if found is None else str(found)


def _migrate(engine: Engine) -> None:
    # Alembic is imported only when there is something to migrate: start-up is part of the product.
    from alembic import command
    from alembic.config import Config

    config = Config()
    config.set_main_option("script_location", str(Path(__file__).parent / "migrations"))
    with engine.begin() as connection:
        config.attributes["connection"] = connection
        command.upgrade(config, "head")


def open_store(folder: Path) -> Store:
    """Open the data folder, making and migrating it as needed.

    Raises: OSError when the folder can't be made; sqlalchemy.exc.DatabaseError when the file in it
    is not a database.
    """
    folder.mkdir(parents=True, exist_ok=True)
    engine = create_engine(f"sqlite:///{folder / FILE}")
    event.listen(engine, "connect", _prepare)
    if _version(engine) != NEWEST:
        _migrate(engine)
    return Store(engine)
