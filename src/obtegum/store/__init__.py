"""Houses kept in SQLite: every change is a revision, written in full before it is acknowledged."""

from obtegum.store.database import Store, open_store
from obtegum.store.houses import Clash, Conflict, House, NoSuchHouse, NotUndone

__all__ = ["Clash", "Conflict", "House", "NoSuchHouse", "NotUndone", "Store", "open_store"]
