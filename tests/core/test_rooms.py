"""Rooms: they depend inward only, use of one another what is offered, and a new one is its folder and its lines."""

import ast
import json
import math
import os
import re
import shutil
import subprocess
import sys
from collections import defaultdict
from collections.abc import Iterator
from importlib import import_module
from pathlib import Path

import pytest
from importlinter.cli import lint_imports
from tools.core_map import MAP, core_map
from tools.step import begin as begin_step
from tools.step import register

from obtegum.core.documents.house import SiteRecord
from obtegum.core.face.faces import Member
from obtegum.core.findings.work import Work
from obtegum.core.house.bench import begin
from obtegum.core.house.starters import demo_houses, new_house
from obtegum.core.rooms import ROOMS, rooms
from obtegum.core.values.catalogue import default_catalogue

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
            # The calendar is no clock, as long as nobody asks it for today.
            allowed = {"datetime"} if file == CORE / "values/day.py" else set[str]()
            assert not {name.split(".")[0] for name in names} & FORBIDDEN - allowed, f"{file.name}: {names}"
    day = ast.parse(CORE.joinpath("values/day.py").read_text(encoding="utf-8"))
    asked = {node.attr for node in ast.walk(day) if isinstance(node, ast.Attribute)}
    assert asked == {"fromisoformat", "isoformat"}


def test_core_loads_without_the_rest() -> None:
    ours = "('obtegum.', 'fastapi', 'sqlalchemy')"
    code = f"import sys, obtegum.core.house.plan; print([n for n in sys.modules if n.startswith({ours})])"
    shown = subprocess.run([sys.executable, "-c", code], capture_output=True, text=True, check=True).stdout
    assert "obtegum.core.house.plan" in shown
    assert all(name.startswith("obtegum.core") for name in ast.literal_eval(shown))


# What names the rooms for all others, and the made-up houses, which say of each step how far it has come.
NAMES_ROOMS = {"core/documents/house.py", "core/house/starters.py"}
# What every step reads of the decisions, whichever step decides it; and the tubes that are chosen at many.
SKELETON = ("core/findings/skeleton/", "core/face/tube_fields.py", "core/face/usual_tubes.py", "core/face/ties.py")


def imports_of_rooms(file: Path) -> Iterator[tuple[str, str]]:
    """Rooms that a file imports from, and which module of theirs."""
    for node in ast.walk(ast.parse(file.read_text(encoding="utf-8"))):
        names = (
            [alias.name for alias in node.names]
            if isinstance(node, ast.Import)
            else [f"{node.module}.{alias.name}" for alias in node.names]
            if isinstance(node, ast.ImportFrom)
            else []
        )
        for name in names:
            found = re.match(r"obtegum\.core\.(?:documents|rooms)\.([a-z_]+)(?:\.([a-z_]+))?", name)
            if found and found[1] in ROOMS:
                yield found[1], found[2] if "rooms" in name else "decisions"


def test_rooms_use_of_one_another_only_what_is_offered() -> None:
    used = defaultdict[str, set[str]](set)
    for own in ROOMS:
        for file in (*(CORE / "rooms" / own).glob("*.py"), *(CORE / "house" / own).glob("*.py")):
            for room, module in imports_of_rooms(file):
                if room != own:
                    used[room].add(module)
    offered = {name: set(getattr(import_module(f"obtegum.core.rooms.{name}"), "OFFERS", ())) for name in ROOMS}
    for room, modules in used.items():
        assert modules <= {"decisions", "found", *offered[room]}, room
    assert {room: modules - used[room] for room, modules in offered.items() if modules - used[room]} == {}


# What a step reads of one that comes after it, see docs/adr/0012-floors-and-skeleton.md.
AGAINST = {("weather", "strength"), ("strength", "braces")}


def test_steps_read_only_those_before_them() -> None:
    read = {
        (own, room)
        for own in ROOMS
        for file in (CORE / "rooms" / own).glob("*.py")
        for room, module in imports_of_rooms(file)
        if module != "decisions"
    }
    assert {(own, room) for own, room in read if ROOMS.index(room) > ROOMS.index(own)} == AGAINST
    # As many as there were when the skeleton was set below them; more say that something belongs there.
    assert len({(own, room) for own, room in read if own != room}) <= 62


def test_no_shared_file_names_a_step() -> None:
    # A router may be a room's own, by its name.
    for file in CORE.parent.rglob("*.py"):
        name = str(file.relative_to(CORE.parent))
        # A folder of the house that is called like a step is that step's.
        deep = name.startswith(("core/rooms/", "core/house/")) and name.count("/") > 2
        own = name.split("/")[2] if deep else file.stem
        if name not in NAMES_ROOMS and not name.startswith(SKELETON):
            assert {room for room, _ in imports_of_rooms(file)} <= {own} or own in ROOMS, name
            text = file.read_text(encoding="utf-8")
            read = set(re.findall(r"\bdesign\.([a-z_]+)\b", text)) & set(ROOMS)
            assert not read or own in ROOMS, f"{name} reads {read}"


def test_nothing_floats() -> None:
    # Every piece of the house has an end in the ground, or one that meets another piece along its length.
    for design, record in (*demo_houses(), (new_house("metric"), SiteRecord())):
        work = begin(design, record, default_catalogue())
        members = [member for room in rooms() for member in room.parts(work)]
        assert {member.what for member in members} == {
            "peg", "post", "stick", "drain pipe", "run stick", "offset peg", "sheet of film",
        }  # fmt: skip
        assert len({member.part for member in members}) == len(members)
        # Runs, what braces the frame and what covers it have a walk of their own.
        for member in members:
            assert member.what == "run stick" or member.of == "film" or held(member, members, work), member


def held(member: Member, members: list[Member], work: Work) -> bool:
    if min(end[2] for end in member.ends) < 0:
        return True
    near = [each for each in members if each is not member and abs(each.ends[0][0] - member.ends[0][0]) < 1e-6]
    # A stick laps the next by its joint; a foot stands in its post by the insertion.
    reach_m = 1.1 * max(work.design.bows.joint_m, work.design.bows.insertion_m)
    return any(math.dist(end, other) <= reach_m for end in member.ends for each in near for other in each.ends)


GUTTER = {
    "__init__.py": '"""Gutter: along one eave."""\n',
    "../../documents/gutter.py": """
from typing import Annotated

from obtegum.core.documents.numbers import Decisions, Number

class Gutter(Decisions):
    falls_m: Annotated[float, Number("Gutter falls", 0.0, 1.0)] = 0.05
""",
    "room.py": '''
from obtegum.core.face.answers import length_answer
from obtegum.core.drawing.items import Outline, drawn
from obtegum.core.drawing.paths import line
from obtegum.core.face.faces import File, Member, SiteLine, Table
from obtegum.core.face.room import Room
from obtegum.core.drawing.step import Standing, StepPlan
from obtegum.core.drawing.verdict import Verdict

def verdicts(work):
    said = {"title": "Gutter", "sentence": "It runs off.", "number": "", "limit": "", "ratio": None}
    return [Verdict(id="gutter-falls", step="gutter", level="holds", **said)]

def stands(work, found):
    return Standing(id="gutter", title="Gutter", group="Frame", state="open")

def plan(work, found):
    low = length_answer(work, "gutter_low", "Low end", work.design.gutter.falls_m)
    return StepPlan(
        **stands(work, found), next="Hang it.", caution="Ladders.",
        measures=("gutter.falls_m",), answers=(low,),
        leads=("gutter_low",), views=("gutter",), strips=(), grips=(), focus=("gutter",),
    )

def draw(work):
    long_m = work.design.size.length_m
    path = line(0.0, 0.0, long_m, -work.design.gutter.falls_m)
    items = [Outline(part="gutter", layer="string", material="string", path=path)]
    return drawn(view="gutter", title="The gutter", summary="It falls.", items=items, table=())

ROOM = Room(
    stands=stands, plan=plan, verdicts=verdicts, verdict_names=("gutter-falls",), views={"gutter": draw},
    down=frozenset({"gutter_low"}),
    tables=(Table(name="gutter", label="Gutter", about="its pieces", rows=lambda work: (("piece",), (1,))),),
    on_site=lambda work: (SiteLine(kind="gutter", path=((0.0, 0.0), (work.design.size.length_m, 0.0))),),
)
''',
}  # fmt: skip

ASKS = """
import json, tempfile
from pathlib import Path
from fastapi.testclient import TestClient
from obtegum.api.app import make_app
from obtegum.api.guard import TOKEN_HEADER
from obtegum.core.house.bench import begin
from obtegum.core.values.catalogue import default_catalogue
from obtegum.core.documents.house import SiteRecord
from obtegum.core.house.starters import new_house
from obtegum.exchange.cad import setting_out_dxf
from obtegum.store import open_store

store = open_store(Path(tempfile.mkdtemp()))
app = make_app(store)
client = TestClient(app, base_url="http://127.0.0.1", headers={TOKEN_HEADER: app.state.token})
house = client.post("/api/houses", json={"units": "metric"}).json()
edits = [{"measure": "gutter.falls_m", "text": "2 m"}]
url = f"/api/houses/{house['id']}"
refused = client.patch(url, json={"version": 1, "edits": edits}).json()
edits[0]["text"] = "0.2"
changed = client.patch(url, json={"version": 1, "edits": edits}).json()
work = begin(new_house("metric"), SiteRecord(), default_catalogue())
print(json.dumps({
    "house": changed, "refused": refused, "files": client.get("/api/files").json(),
    "csv": client.get(f"{url}/gutter.csv").text,
    "schemas": sorted(app.openapi()["components"]["schemas"]),
    "layer": "GUTTER" in setting_out_dxf(work),
}))
"""


def test_a_new_room_is_its_folder_and_three_lines(tmp_path: Path) -> None:
    package = shutil.copytree(
        CORE.parent, tmp_path / "src/obtegum", ignore=shutil.ignore_patterns("webroot", "__pycache__")
    )
    folder = package / "core/rooms/gutter"
    folder.mkdir()
    for name, text in GUTTER.items():
        (folder / name).write_text(text, encoding="utf-8")
    register(tmp_path, "gutter", "Gutter", "gutter: Gutter = Gutter()", before="check_bows")
    environment = {**os.environ, "PYTHONPATH": str(tmp_path / "src")}
    run = subprocess.run([sys.executable, "-c", ASKS], capture_output=True, text=True, env=environment, check=False)
    assert run.returncode == 0, run.stderr
    found = json.loads(run.stdout)
    plan = found["house"]["plan"]
    assert [step["answers"][0]["reading"] for step in plan["steps"] if step["id"] == "gutter"] == ["200 mm"]
    assert plan["measures"]["gutter.falls_m"]["label"] == "Gutter falls"
    assert "gutter" in {drawing["view"] for drawing in plan["drawings"]}
    assert "gutter-falls" in {verdict["id"] for verdict in plan["verdicts"]}
    assert "Gutter falls can be 1.000 m at the most." in json.dumps(found["refused"])
    assert "gutter.csv" in {file["name"] for file in found["files"]["files"]}
    assert found["csv"].split() == ["piece", "1"]
    assert "Gutter" in found["schemas"]
    assert found["layer"]


def test_a_step_that_is_begun_works_at_once(tmp_path: Path) -> None:
    shutil.copytree(CORE.parent, tmp_path / "src/obtegum", ignore=shutil.ignore_patterns("webroot", "__pycache__"))
    (tmp_path / "tests/core").mkdir(parents=True)
    before = {file: file.read_bytes() for file in tmp_path.rglob("*.py")}
    made = begin_step(tmp_path, "rain_barrel")
    # Its own files, and the registry: nothing else is touched.
    changed = {file for file, text in before.items() if file.read_bytes() != text}
    assert {file.relative_to(tmp_path / "src/obtegum/core").as_posix() for file in changed} == {
        "documents/house.py",
        "rooms/__init__.py",
    }
    assert set(tmp_path.rglob("*.py")) == {*before, *made}
    environment = {**os.environ, "PYTHONPATH": str(tmp_path / "src")}
    command = [sys.executable, "-m", "pytest", "-q", "-p", "no:cacheprovider", "tests/core/test_rain_barrel.py"]
    run = subprocess.run(command, cwd=tmp_path, capture_output=True, text=True, env=environment, check=False)
    assert run.returncode == 0, run.stdout
    with pytest.raises(SystemExit, match="There is a step “rain_barrel” already"):
        begin_step(tmp_path, "rain_barrel")


def test_the_map_has_every_module() -> None:
    assert MAP.read_text(encoding="utf-8") == core_map()
    modules = [file for file in CORE.rglob("*.py") if file.parent != CORE]
    floors = [file for file in modules if file.parent.parent == CORE and file.stem == "__init__"]
    assert core_map().count("\n- `") == len(modules) - len(floors)


def test_no_file_is_crowded() -> None:
    # Generated types aside; when one grows past this, the room is rearranged.
    files = [*CORE.parent.rglob("*.py"), *(ROOT / "web" / "src").rglob("*.ts"), *(ROOT / "web" / "src").rglob("*.tsx")]
    long = {
        file.name: len(file.read_text(encoding="utf-8").splitlines()) for file in files if file.name != "schema.d.ts"
    }
    assert {name: lines for name, lines in long.items() if lines > 400} == {}
    assert len(long) > 150


def test_no_function_is_long() -> None:
    files = [file for folder in ("src", "tools", "bench") for file in (ROOT / folder).rglob("*.py")]
    long = {
        f"{file.name}:{node.name}": node.end_lineno - node.lineno + 1
        for file in files
        for node in ast.walk(ast.parse(file.read_text(encoding="utf-8")))
        if isinstance(node, ast.FunctionDef) and node.end_lineno is not None
    }
    assert {name: lines for name, lines in long.items() if lines > 60} == {}
    assert len(long) > 2500
