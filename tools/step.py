"""A new step of the work: its document, its room, its line in the registry, and a test of them. ./obtegum step NAME

It works at once, with one length to set and one answer; what it is really about is written in their place.
"""

import argparse
import re
import sys
from pathlib import Path

ROOT = Path(__file__).parents[1]
DOCUMENT = '''"""{title}: what is decided of it."""

from typing import Annotated

from obtegum.core.documents.numbers import Decisions, Number

__all__ = ["{kind}"]


class {kind}(Decisions):
    """Each decision with its name, its range and what a house begins with, m."""

    long_m: Annotated[float, Number("{title}, long", 0.0, 100.0)] = 1.0
'''
STEP = '''"""The step: what can be set, what comes of it, and how it is judged."""

from obtegum.core.drawing.step import Standing, StepPlan
from obtegum.core.drawing.verdict import Verdict
from obtegum.core.face.answers import length_answer
from obtegum.core.findings.work import Work

__all__ = ["plan", "stands", "verdicts"]


def verdicts(work: Work) -> list[Verdict]:
    """How it is judged: nothing is, yet."""
    return []


def stands(work: Work, found: list[Verdict]) -> Standing:
    """Its name, and how far it has come."""
    return Standing(id="{id}", title="{title}", group="Build", state="open")


def plan(work: Work, found: list[Verdict]) -> StepPlan:
    """All of the step."""
    return StepPlan(
        **stands(work, found),
        next="",
        caution="",
        measures=("{name}.long_m",),
        answers=(length_answer(work, "{name}_long", "Long", work.design.{name}.long_m),),
        leads=("{name}_long",),
        views=("across",),
        strips=(),
        grips=(),
        focus=(),
    )
'''
ROOM = '''"""What this room brings; what more it may bring is told by `obtegum.core.face.room`."""

from obtegum.core.face.room import Room
from obtegum.core.rooms.{name} import step

__all__ = ["ROOM"]

ROOM = Room(
    stands=step.stands,
    plan=step.plan,
    verdicts=step.verdicts,
    nearest=frozenset({{"{name}_long"}}),
)
'''
TEST = '''"""{title}."""

from obtegum.core.documents.house import SiteRecord
from obtegum.core.documents.job import Job
from obtegum.core.face.edit import Edit
from obtegum.core.house.edits import apply_edits
from obtegum.core.house.plan import plan_house
from obtegum.core.house.starters import new_house
from obtegum.core.values.catalogue import default_catalogue


def test_what_is_set_comes_out() -> None:
    catalogue = default_catalogue()
    job = apply_edits(Job(new_house("metric")), [Edit(measure="{name}.long_m", text="2.5")], catalogue)
    (step,) = (each for each in plan_house(job.design, SiteRecord(), catalogue).steps if each.id == "{id}")
    assert [each.reading for each in step.answers] == ["2.500 m"]
'''


def register(root: Path, name: str, kind: str, field: str, before: str = "") -> None:
    """Name a step in the registry, last or before another; its document stands in the house by a field.

    Raises: SystemExit where there is a step of that name already.
    """
    rooms, house = root / "src/obtegum/core/rooms/__init__.py", root / "src/obtegum/core/documents/house.py"
    text = rooms.read_text(encoding="utf-8")
    if f'    "{name}",\n' in text:
        raise SystemExit(f"There is a step “{name}” already.")
    end = text.index(f'    "{before}",\n') if before else text.index("\n)\n", text.index("ROOMS = (")) + 1
    rooms.write_text(f'{text[:end]}    "{name}",\n{text[end:]}', encoding="utf-8")
    text = house.read_text(encoding="utf-8")
    own = f"from obtegum.core.documents.{name} import {kind}\n"
    imports = sorted({*re.findall(r"^from obtegum\.core\.documents\..*\n", text, re.MULTILINE), own})
    after = imports[imports.index(own) - 1]
    text = text.replace(after, after + own)
    end = text.index("\n\n\nclass SiteRecord")
    house.write_text(f"{text[:end]}\n    {field}{text[end:]}", encoding="utf-8")


def begin(root: Path, name: str) -> list[Path]:
    """Write a step's files and name it in the registry; returns the files."""
    title, kind = name.replace("_", " ").capitalize(), "".join(map(str.capitalize, name.split("_")))
    core, words = root / "src/obtegum/core", {"name": name, "id": name.replace("_", "-"), "title": title, "kind": kind}
    files = {
        core / f"documents/{name}.py": DOCUMENT,
        core / f"rooms/{name}/__init__.py": '"""{title}."""\n',
        core / f"rooms/{name}/step.py": STEP,
        core / f"rooms/{name}/room.py": ROOM,
        root / f"tests/core/test_{name}.py": TEST,
    }
    register(root, name, kind, f"{name}: {kind} = {kind}()")
    for file, text in files.items():
        file.parent.mkdir(exist_ok=True)
        file.write_text(text.format(**words), encoding="utf-8")
    return list(files)


def main() -> None:
    asked = argparse.ArgumentParser(prog="obtegum step", description=__doc__)
    asked.add_argument("name", help="in small letters, words joined by _")
    asked.add_argument("--root", type=Path, default=ROOT, help=argparse.SUPPRESS)
    given = asked.parse_args()
    if not re.fullmatch(r"[a-z]+(_[a-z]+)*", given.name):
        asked.error("a name is in small letters, words joined by _")
    for file in begin(given.root, given.name):
        sys.stdout.write(f"{file.relative_to(given.root)}\n")


if __name__ == "__main__":
    main()
