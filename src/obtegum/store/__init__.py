"""Houses kept in SQLite: every change is a revision, written in full before it is acknowledged."""

from obtegum.store.causes import StoreTrouble
from obtegum.store.database import Store, open_store
from obtegum.store.gestures import NotUndone
from obtegum.store.houses import Clash, Conflict
from obtegum.store.state import House, NoSuchHouse, Unreadable

__all__ = [
    "Clash",
    "Conflict",
    "House",
    "NoSuchHouse",
    "NotUndone",
    "Store",
    "StoreTrouble",
    "Unreadable",
    "open_store",
]
