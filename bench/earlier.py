"""Code that is run in another state of the project, under the names that its core had then."""

import os
import subprocess
import sys
import tempfile
from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path

ROOT = Path(__file__).parents[1]
# What stands on a floor of the core since there are floors, and where it stood before.
MOVED = {
    "obtegum.core.documents.house": "obtegum.core.rooms",
    "obtegum.core.documents.reading": "obtegum.core.design",
    "obtegum.core.values.catalogue": "obtegum.core.catalogue",
    **{
        f"obtegum.core.house.{name}": f"obtegum.core.{name}"
        for name in ("bench", "cards", "plan", "remedies", "starters")
    },
}


def in_words_of(tree: Path, code: str) -> str:
    """Code with the names of a tree of the project."""
    if (tree / "src/obtegum/core/house").is_dir():
        return code
    for now, then in MOVED.items():
        code = code.replace(f"{now} ", f"{then} ")
    if not (tree / "src/obtegum/core/rooms").is_dir():
        code = code.replace("obtegum.core.rooms ", "obtegum.core.record ")
    return code


@contextmanager
def unpacked(commit: str) -> Iterator[Path]:
    """The tree of a commit, in a folder for a while."""
    with tempfile.TemporaryDirectory() as folder:
        packed = subprocess.run(["git", "archive", commit], cwd=ROOT, capture_output=True, check=True).stdout
        subprocess.run(["tar", "x", "-C", folder], input=packed, check=True)
        yield Path(folder)


def run_in(tree: Path, code: str, given: str = "") -> str:
    """What code prints that is run on the sources of a tree. Raises: SystemExit with what went wrong."""
    environment = {**os.environ, "PYTHONPATH": str(tree / "src"), "OPENBLAS_NUM_THREADS": "1"}
    asked = subprocess.run(
        [sys.executable, "-c", in_words_of(tree, code)], input=given, capture_output=True, text=True, env=environment
    )
    if asked.returncode:
        raise SystemExit(asked.stderr)
    return asked.stdout
