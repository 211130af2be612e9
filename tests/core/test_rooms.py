"""The rooms of the house depend inward only."""

import ast
import subprocess
import sys
from pathlib import Path

from importlinter.cli import lint_imports

ROOT = Path(__file__).parents[2]
CORE = ROOT / "src" / "obtegum" / "core"
FORBIDDEN = {
    "time", "datetime", "sqlite3", "sqlalchemy", "fastapi", "starlette", "uvicorn", "socket", "http", "urllib",
    "subprocess", "random", "secrets", "uuid", "os", "asyncio", "threading",
}  # fmt: skip


def test_contracts_between_rooms_hold(monkeypatch) -> None:  # type: ignore[no-untyped-def]
    monkeypatch.chdir(ROOT)
    assert lint_imports(no_cache=True) == 0


def test_core_reaches_for_no_web_store_clock_or_chance() -> None:
    for file in CORE.rglob("*.py"):
        for node in ast.walk(ast.parse(file.read_text(encoding="utf-8"))):
            names = (
                [alias.name for alias in node.names]
                if isinstance(node, ast.Import)
                else [node.module or ""]
                if isinstance(node, ast.ImportFrom)
                else []
            )
            assert not {name.split(".")[0] for name in names} & FORBIDDEN, f"{file.name}: {names}"


def test_core_loads_without_the_rest() -> None:
    ours = "('obtegum.', 'fastapi', 'sqlalchemy')"
    code = f"import sys, obtegum.core.plan; print([n for n in sys.modules if n.startswith({ours})])"
    shown = subprocess.run([sys.executable, "-c", code], capture_output=True, text=True, check=True).stdout
    assert "obtegum.core.plan" in shown
    assert all(name.startswith("obtegum.core") for name in ast.literal_eval(shown))
