"""Killed, or out of room, at every call that writes: a folder always opens, as it was or as it was to be.

A seeded share of the calls by default, all of them with ``--deep``.
"""

import json
import os
import subprocess
import sys
from pathlib import Path

import pytest

from tests.kill.at_every_write import ACTIONS

ROOT = Path(__file__).parents[2]


@pytest.fixture(scope="session")
def shim(tmp_path_factory: pytest.TempPathFactory) -> Path:
    built = tmp_path_factory.mktemp("shim") / "shim.so"
    source = Path(__file__).parent / "shim.c"
    subprocess.run(["cc", "-shared", "-fPIC", "-O1", "-o", built, source, "-ldl"], check=True)
    return built


@pytest.mark.parametrize("mode", ["kill", "full"])
@pytest.mark.parametrize("action", ACTIONS)
def test_a_folder_opens_whatever_call_was_the_last(
    shim: Path, action: str, mode: str, request: pytest.FixtureRequest
) -> None:
    share = "1" if request.config.getoption("--deep") else "0.18"
    command = [sys.executable, "-m", "tests.kill.at_every_write", action, mode, share]
    run = subprocess.run(
        command, cwd=ROOT, env={**os.environ, "LD_PRELOAD": str(shim)}, capture_output=True, text=True, check=False
    )
    assert run.returncode == 0, run.stderr[-2000:]
    found = json.loads(run.stdout.splitlines()[-1])
    assert found["bad"] == []
    # Without the shim nothing would ever be killed.
    assert found["tried"] >= 3
