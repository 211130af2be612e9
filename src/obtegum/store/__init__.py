"""Houses kept in SQLite: every change is a revision, written in full before it is acknowledged."""

from obtegum.store.database import Store, open_store
from obtegum.store.houses import Conflict, House, NoSuchHouse, RevisionLine

__all__ = ["Conflict", "House", "NoSuchHouse", "RevisionLine", "Store", "open_store"]
