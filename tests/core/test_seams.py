"""Seams between steps fail aloud: names are one step's, what is named is there, and what can be set is read."""

import ast
import random
import re
from collections.abc import Iterator
from dataclasses import replace
from importlib import import_module
from pathlib import Path
from typing import get_args

import pytest
from pydantic import BaseModel

import obtegum
from obtegum.core.documents.house import HouseDesign, SiteRecord
from obtegum.core.face.faces import File, Table
from obtegum.core.face.names import declared, unique
from obtegum.core.face.room import Room
from obtegum.core.findings.work import Work
from obtegum.core.house.bench import begin
from obtegum.core.house.starters import demo_houses
from obtegum.core.rooms import ROOMS, distinct, rooms, views
from obtegum.core.values.catalogue import default_catalogue
from tests.houses import Maker

SOURCE = Path(obtegum.__file__).parent
WEB = SOURCE.parents[1] / "web" / "src"


def named() -> dict[str, Room]:
    return {name: import_module(f"obtegum.core.rooms.{name}.room").ROOM for name in ROOMS}


SOIL, EARTH = "soil", "earth"
TWICE = {
    "drawing": {"views": {"soil": lambda work: None}},
    "strip": {"strip_names": ("test-hole",)},
    "verdict": {"verdict_names": ("pad-covered", "fro-", "frost")},
    "table": {"tables": (Table(name="verdicts", label="", about="", rows=lambda work: ()),)},
    "file": {"files": (File(name="ground.dxf", label="", about=""),)},
}


@pytest.mark.parametrize("kind", TWICE)
def test_two_steps_with_one_name_do_not_load(kind: str) -> None:
    """What a new step calls like another's once replaced it in silence."""
    found = named()
    distinct(found)
    if kind == "table":
        found[SOIL] = replace(found[SOIL], tables=TWICE[kind]["tables"])
    if kind == "file":
        found[SOIL] = replace(found[SOIL], files=TWICE[kind]["files"])
    found[EARTH] = replace(found[EARTH], **TWICE[kind])
    with pytest.raises(ValueError, match=rf"both bring the {kind}"):
        distinct(found)


def test_an_answer_is_rounded_by_one_step() -> None:
    found = named()
    found[EARTH] = replace(found[EARTH], up=found[EARTH].up | {"drain_flow"})
    with pytest.raises(ValueError, match="both bring the answer “drain_flow”"):
        distinct(found)
    with pytest.raises(ValueError, match="“soil_bears” is rounded two ways"):
        replace(found[EARTH], up=frozenset({"soil_bears"}))


@pytest.mark.parametrize(
    ("step", "what"),
    [
        ("strength", {"cures": {"gutter": lambda work, verdict: ()}}),
        ("strength", {"fails_early": {"headroom": lambda work: True}}),
        ("size", {"shared_strips": ("test-hole",)}),
        ("size", {"rows": {"soil": lambda work: ()}}),
        ("bows", {"layers": {"acros": lambda work: None}}),
    ],
)
def test_a_step_speaks_of_nothing_that_is_not_there(step: str, what: dict[str, object]) -> None:
    found = named()
    found[step] = replace(found[step], **what)  # type: ignore[arg-type]
    with pytest.raises(ValueError, match=f"^{step}: .* told beforehand"):
        distinct(found)


def test_names_that_stand_for_many() -> None:
    declared(("tie-collar", "along"), ("along", "tie-"), "verdict")
    with pytest.raises(LookupError, match="verdict “tie”"):
        declared(("tie",), ("along", "tie-"), "verdict")
    unique("verdict", {"hold": ("side",), "sides": ("side-",)})
    with pytest.raises(ValueError, match="hold and sides both bring the verdict “side-”"):
        unique("verdict", {"hold": ("side-clear",), "sides": ("side-",)})


def houses(many: int) -> Iterator[Work]:
    made = Maker(random.Random(4))
    some = ((design, made.record(design)) for design in (made.design() for _ in range(many)))
    for design, record in (*demo_houses(), *some):
        yield begin(design, record, default_catalogue())


def test_what_a_step_names_is_there() -> None:
    """Its drawings, its strips, the answers that lead, and what it is about."""
    for work in houses(12):
        planned = {room: room.planned(work) for room in rooms()}
        strips = {strip.id for room in rooms() for strip in room.strips_laid(work)}
        for room, step in planned.items():
            drawn = {each.view for each in room.numbered(work)}
            assert set(step.views) <= set(views()), step.id
            assert {each.view for each in step.how if each.view} <= drawn | set(views()), step.id
            assert set(step.strips) <= strips, step.id
            # A side that an action opens is a file of its own on the page; so is a sheet that the page draws.
            opened = [WEB / "bench" / "side" / f"{each.opens}.tsx" for each in step.actions if each.opens]
            opened += [WEB / "bench" / "pages" / f"{each.id}.tsx" for each in step.pages]
            assert all(file.exists() for file in opened), step.id


def leaves(model: type[BaseModel], prefix: str, seen: set[type[BaseModel]]) -> Iterator[tuple[str, str]]:
    """Each field of the documents by its path, and its own name."""
    for name, field in model.model_fields.items():
        yield f"{prefix}.{name}", name
        for part in parts(field.annotation):
            if part not in seen:
                seen.add(part)
                yield from leaves(part, f"{prefix}.{name}", seen)


def parts(annotation: object) -> Iterator[type[BaseModel]]:
    if isinstance(annotation, type) and issubclass(annotation, BaseModel):
        yield annotation
    for each in get_args(annotation):
        yield from parts(each)


def test_every_decision_and_reading_does_something() -> None:
    """Read as an attribute, or by a name that is told, somewhere in the code: what nobody reads isn't asked for."""
    read = set[str]()
    for file in SOURCE.rglob("*.py"):
        for node in ast.walk(ast.parse(file.read_text(encoding="utf-8"))):
            if isinstance(node, ast.Attribute):
                read.add(node.attr)
            elif isinstance(node, ast.Constant) and isinstance(node.value, str) and "documents" not in file.parts:
                read.add(node.value)
    # Reasons of the user's own coefficients are read by the coefficient's name.
    unread = {
        path
        for model, prefix in ((HouseDesign, "design"), (SiteRecord, "record"))
        for path, name in leaves(model, prefix, set())
        if name not in read and not (path.startswith("design.weather.own.") and name.endswith("_why"))
    }
    assert unread == set()


OWN = {"client.ts": {"frames"}}


def test_no_page_names_a_step() -> None:
    """Steps come from the plan: a page that knew one would break when it is called otherwise."""
    ids = {room.standing(work)["id"] for work in houses(0) for room in rooms()}
    # Words that are more than a step's name: of drawings, levels and rows of tables.
    told = ids - {"level", "soil", "start", "row", "inside", "bend", "air", "hold"}
    for file in (*WEB.rglob("*.ts"), *WEB.rglob("*.tsx")):
        if file.name != "schema.d.ts":
            text = re.sub(r'//.*|/\*[\s\S]*?\*/|from "[^"]*"|import\([^)]*\)', "", file.read_text(encoding="utf-8"))
            found = {each for each in re.findall(r"[\"'`/]([a-z-]+)[\"'`/]", text) if each in told}
            # A step's own way to the server is called like it.
            assert not found - OWN.get(file.name, set()), f"{file.name} names {found}"
