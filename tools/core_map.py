"""The map of the core: every module on its floor, by the first line of its docstring. Written to docs/code/map.md."""

import ast
import sys
from pathlib import Path

ROOT = Path(__file__).parents[1]
CORE, MAP = ROOT / "src/obtegum/core", ROOT / "docs/code/map.md"
FLOORS = ("values", "formulas", "drawing", "documents", "findings", "face", "rooms", "house")


def first_line(file: Path) -> str:
    """What a module says that it is. Raises: SystemExit where it doesn't."""
    told = ast.get_docstring(ast.parse(file.read_text(encoding="utf-8")))
    if not told:
        raise SystemExit(f"{file.relative_to(ROOT)} doesn’t say what it is.")
    return " ".join(told.split("\n\n")[0].split())


def core_map() -> str:
    """The map as it is written."""
    lines = ["# The core, module by module", "", "Made by `./obtegum lint` from what each module says of itself."]
    for place, floor in enumerate(FLOORS, start=1):
        lines += ["", f"## {place}. {floor}", "", first_line(CORE / floor / "__init__.py"), ""]
        for file in sorted((CORE / floor).rglob("*.py"), key=lambda file: (file.parent, file.stem != "__init__", file)):
            name = str(file.relative_to(CORE / floor).with_suffix("")).removesuffix("/__init__")
            if name != "__init__":
                lines.append(f"- `{name}`: {first_line(file)}")
    return "\n".join([*lines, ""])


if __name__ == "__main__":
    MAP.parent.mkdir(exist_ok=True)
    MAP.write_text(core_map(), encoding="utf-8")
    sys.stdout.write(f"{MAP.relative_to(ROOT)}\n")
