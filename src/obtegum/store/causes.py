"""What went wrong with the data folder, said so that the person beside it knows what to do."""

import errno
import sqlite3
from collections.abc import Iterator
from contextlib import contextmanager
from typing import Literal

from sqlalchemy.exc import DBAPIError

__all__ = ["SENTENCES", "Cause", "StoreTrouble", "damaged", "named"]

Cause = Literal["full", "read_only", "locked", "damaged", "gone", "newer", "disk"]

SENTENCES: dict[Cause, str] = {
    "full": "The disk is full. Make room on it; nothing is lost, and it goes on by itself.",
    "read_only": "The data folder can’t be written to. Give yourself the right to write in it; nothing is lost.",
    "locked": "Another program holds the data folder’s file. Close it; nothing is lost, and it goes on by itself.",
    "damaged": "The data folder’s file is damaged. Stop the bench, keep a copy of the folder, and restore a backup.",
    "gone": (
        "The data folder was moved, replaced or taken away while the bench was running. "
        "Put it back, or stop the bench and start it on the folder that is there."
    ),
    "disk": "The disk doesn’t answer as it should. Check it, and that the data folder is there; nothing is lost.",
}
# By what SQLite calls it: https://www.sqlite.org/rescode.html
_BY_NAME: tuple[tuple[str, Cause], ...] = (
    ("SQLITE_FULL", "full"),
    ("SQLITE_READONLY_DBMOVED", "gone"),
    ("SQLITE_READONLY", "read_only"),
    ("SQLITE_PERM", "read_only"),
    ("SQLITE_BUSY", "locked"),
    ("SQLITE_LOCKED", "locked"),
    ("SQLITE_CORRUPT", "damaged"),
    ("SQLITE_NOTADB", "damaged"),
    ("SQLITE_CANTOPEN", "read_only"),
    ("SQLITE_IOERR", "disk"),
    # What is asked of it is always the same: where it doesn't know a table or column, these are damaged.
    ("SQLITE_ERROR", "damaged"),
    ("SQLITE_NOMEM", "damaged"),
    ("SQLITE_TOOBIG", "damaged"),
    ("SQLITE_FORMAT", "damaged"),
    ("SQLITE_MISMATCH", "damaged"),
)


_BY_NUMBER: dict[int, Cause] = {
    errno.ENOSPC: "full",
    errno.EDQUOT: "full",
    errno.EACCES: "read_only",
    errno.EPERM: "read_only",
    errno.EROFS: "read_only",
    errno.ENOENT: "gone",
    errno.ENOTDIR: "gone",
    errno.EIO: "disk",
}


class StoreTrouble(Exception):
    """The data folder can't be used as it is; the message says why and what to do. Nothing was kept."""

    def __init__(self, cause: Cause, sentence: str = "") -> None:
        super().__init__(sentence or SENTENCES[cause])
        self.cause: Cause = cause


def _cause(error: BaseException | None) -> Cause | None:
    if not isinstance(error, sqlite3.Error):
        return None
    name = getattr(error, "sqlite_errorname", "")
    return next((cause for start, cause in _BY_NAME if name.startswith(start)), None)


def damaged(error: DBAPIError) -> bool:
    """Whether that is what SQLite says of damage in its file."""
    return _cause(error.orig) == "damaged"


@contextmanager
def named() -> Iterator[None]:
    """Run work on the data folder. Raises: StoreTrouble in place of what SQLite or the disk say."""
    try:
        yield
    except DBAPIError as error:
        cause = _cause(error.orig)
        if cause is None:
            raise
        raise StoreTrouble(cause) from error
    except sqlite3.Error as error:
        cause = _cause(error)
        if cause is None:
            raise
        raise StoreTrouble(cause) from error
    except OSError as error:
        cause = _BY_NUMBER.get(error.errno or 0)
        if cause is None:
            raise
        raise StoreTrouble(cause) from error
