"""Run under the shim: does one thing to a data folder again and again, killed at each call that writes.

``python -m tests.kill.at_every_write ACTION MODE SHARE`` prints what was found as JSON. MODE is ``kill``
or ``full`` (the disk is full from that call on). A fork for each call keeps it quick.
"""

import ctypes
import json
import os
import shutil
import sys
import tempfile
from collections.abc import Callable
from pathlib import Path
from typing import Any

from obtegum.core.documents.house import SiteRecord
from obtegum.core.house.starters import demo_houses
from obtegum.store import Store, StoreTrouble, houses, open_store
from obtegum.store.backup import BackupError, write_backup
from obtegum.store.restore import restore
from obtegum.store.state import Shelf
from tests.api.test_backup import everything, older_backup
from tests.api.test_store import older_folder, older_houses
from tests.conftest import make_house

MOST_CALLS = 3000
shim = ctypes.CDLL(None)


def nothing(*_: Any) -> None:
    pass


def demo(folder: Path) -> None:
    store = open_store(folder)
    houses.add_if_empty(store, demo_houses(), "Started from the demo")
    store.close()


def opened(folder: Path) -> None:
    open_store(folder).close()


def saved(folder: Path) -> None:
    write_backup(open_store(folder), folder / "all.zip")


def replaced(folder: Path) -> None:
    store = open_store(folder)
    restore(store, folder / "other.zip", nothing)
    store.close()


def empty(folder: Path) -> None:
    pass


def older(version: str) -> Callable[[Path], None]:
    def make(folder: Path) -> None:
        older_folder(folder, version)
        older_houses(folder, version)

    return make


def standing(folder: Path) -> None:
    """Two houses, a whole backup of one of them, and a backup to bring back."""
    store = open_store(folder)
    houses.add(store, make_house(name="First"), SiteRecord(), "Started")
    write_backup(store, folder / "all.zip")
    houses.add(store, make_house(name="Second"), SiteRecord(), "Started")
    older_backup(folder / "other.zip")
    store.close()


# What is there before, and what is done to it.
ACTIONS: dict[str, tuple[Callable[[Path], None], Callable[[Path], None]]] = {
    "start": (empty, demo),
    "migrate-0001": (older("0001"), opened),
    "migrate-0002": (older("0002"), opened),
    "backup": (standing, saved),
    "restore": (standing, replaced),
}


def told(store: Store) -> list[Any]:
    """What is kept, but for names and times that are made anew."""
    return sorted([line.name, len(each)] for (_, each), line in zip(everything(store), listed(store), strict=True))


def listed(store: Store) -> list[houses.HouseLine]:
    shelves: tuple[Shelf, ...] = ("standing", "put_away", "deleted")
    return [line for shelf in shelves for line in houses.newest(store, 0, 50, shelf)]


def state(folder: Path) -> list[Any]:
    """What a folder holds once it is opened again, and what the backup in it holds."""
    store = open_store(folder)
    found: list[Any] = [told(store)]
    store.close()
    if (folder / "all.zip").exists():
        with tempfile.TemporaryDirectory() as other:
            into = open_store(Path(other))
            restore(into, folder / "all.zip", nothing)
            found.append(told(into))
            into.close()
    return found


def attempt(act: Callable[[Path], None], folder: Path, kill_at: int, full_from: int) -> tuple[bool, str]:
    """Do it in a process of its own; whether it came to its end, and what it complained of."""
    ours, theirs = os.pipe()
    child = os.fork()
    if child == 0:
        shim.shim_arm(str(folder).encode(), ctypes.c_long(kill_at), ctypes.c_long(full_from))
        said = ""
        try:
            act(folder)
        except (StoreTrouble, BackupError) as trouble:
            said = str(trouble)
        except BaseException as error:
            said = f"unnamed: {error!r}"
        calls = shim.shim_calls()
        os.write(theirs, f"{calls} {said}".encode())
        os._exit(0)
    os.close(theirs)
    with os.fdopen(ours) as answer:
        text = answer.read()
    os.waitpid(child, 0)
    return bool(text), text.partition(" ")[2]


def main(action: str, mode: str, share: float) -> dict[str, Any]:
    prepare, act = ACTIONS[action]
    with tempfile.TemporaryDirectory() as place:
        template, after = Path(place) / "template", Path(place) / "after"
        if prepare is not empty:
            prepare(template)
        else:
            template.mkdir()
        shutil.copytree(template, after)
        act(after)
        good = [state(after)]
        before = Path(place) / "before"
        shutil.copytree(template, before)
        good.append(state(before))
        bad: list[str] = []
        tried, at, due = 0, 0, 0.0
        for at in range(1, MOST_CALLS):
            due += share
            if due < 1:
                continue
            due -= 1
            folder = Path(place) / "data"
            shutil.copytree(template, folder)
            ended, said = attempt(act, folder, at if mode == "kill" else 0, at if mode == "full" else 0)
            over = ended and not said
            if not over:
                tried += 1
            if mode == "full" and ended and said and not said.startswith("The disk"):
                bad.append(f"{at}: {said}")
            try:
                found = state(folder)
            except Exception as error:
                bad.append(f"{at}: locked for good: {error!r}")
            else:
                if found not in good:
                    bad.append(f"{at}: {found}")
            shutil.rmtree(folder)
            if over:
                break
        return {"tried": tried, "calls": at, "bad": bad}


if __name__ == "__main__":
    sys.stdout.write(json.dumps(main(sys.argv[1], sys.argv[2], float(sys.argv[3]))) + "\n")
