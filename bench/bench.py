"""Measures what the README reports: each figure beside its budget, as a ratio.

Run by ./obtegum bench. Times are medians on the machine it runs on; nothing in the tests asserts them.
"""

import argparse
import gzip
import json
import math
import os
import random
import re
import statistics
import subprocess
import sys
import tempfile
import time
import urllib.request
from collections.abc import Callable
from pathlib import Path

from playwright.sync_api import Page, sync_playwright

# As the server has it: many small sums, for which threads only wait for each other.
os.environ.setdefault("OPENBLAS_NUM_THREADS", "1")

from earlier import in_words_of
from frame import Row, frame_rows
from obtegum.api.guard import TOKEN_HEADER
from obtegum.core.documents.house import HouseDesign, SiteRecord
from obtegum.core.documents.job import Job
from obtegum.core.documents.level import Levels, Spot
from obtegum.core.face.edit import Edit
from obtegum.core.findings.skeleton.shapes import SHAPE_LABELS
from obtegum.core.house.bench import begin
from obtegum.core.house.edits import apply_edits
from obtegum.core.house.plan import plan_house, plan_work
from obtegum.core.house.starters import new_house
from obtegum.core.values.catalogue import default_catalogue
from obtegum.exchange.housefile import write_house_file
from obtegum.store import houses, open_store
from obtegum.store.database import FILE
from shots import picked, step, typed
from sprung import sprung_rows

ROOT = Path(__file__).parents[1]
CHROMIUM = "/usr/bin/chromium-headless-shell"
# Three dimensions drawn by the processor alone.
SOFT = ("--use-angle=swiftshader", "--enable-unsafe-swiftshader")
FLAGS = ["--no-sandbox", "--disable-background-networking", "--disable-component-update", "--disable-sync"]


def median_ms(action: Callable[[], object], rounds: int) -> float:
    """Median time of an action, ms, after two rounds to warm up."""
    times = []
    for place in range(rounds + 2):
        begin = time.perf_counter()
        action()
        if place >= 2:
            times.append((time.perf_counter() - begin) * 1000)
    return statistics.median(times)


def serve(data: Path) -> tuple[subprocess.Popen[str], str, float]:
    """A started server, its address, and how long it took until it could answer, ms."""
    begin = time.perf_counter()
    command = [str(ROOT / "obtegum"), "serve", "--demo", "--data", str(data), "--port", "0"]
    process = subprocess.Popen(command, stdout=subprocess.PIPE, text=True)
    assert process.stdout is not None
    address = process.stdout.readline().split(" at ")[1].split(" ")[0]
    urllib.request.urlopen(f"{address}api/houses").read()
    return process, address, (time.perf_counter() - begin) * 1000


def script_size_kb() -> float:
    """The first screen's JavaScript, gzipped, kB."""
    root = ROOT / "src/obtegum/webroot"
    scripts = re.findall(r'(?:src|href)="/?(assets/[^"]+\.js)"', (root / "index.html").read_text("utf-8"))
    return sum(len(gzip.compress((root / script).read_bytes(), 9)) for script in scripts) / 1000


def first_screen_ms(page: Page, address: str) -> float:
    """From asking for the yard to its drawings being there, ms."""
    times = []
    for _ in range(7):
        begin = time.perf_counter()
        page.goto(address)
        page.locator("li svg").first.wait_for()
        times.append((time.perf_counter() - begin) * 1000)
    return statistics.median(times)


FOLLOW = """async ([moves]) => {
  const grip = document.querySelector('[data-handle="size.span_m"]');
  const box = grip.getBoundingClientRect();
  const x = box.x + box.width / 2, y = box.y + box.height / 2;
  const send = (type, dx) => grip.dispatchEvent(new PointerEvent(type, {
    bubbles: true, pointerId: 1, clientX: x + dx, clientY: y, buttons: 1 }));
  grip.setPointerCapture = () => {};
  send('pointerdown', 0);
  const times = [];
  for (let place = 1; place <= moves; place += 1) {
    const before = grip.getAttribute('aria-valuetext');
    const begin = performance.now();
    send('pointermove', -6 * place);
    while (document.querySelector('[data-handle="size.span_m"]').getAttribute('aria-valuetext') === before) {
      await new Promise(requestAnimationFrame);
      if (performance.now() - begin > 2000) break;
    }
    times.push(performance.now() - begin);
  }
  send('pointerup', -6 * moves);
  return times;
}"""


def drag_ms(page: Page, address: str, weather: bool = False, stout: bool = False) -> tuple[float, float]:
    """From a pull on the width's grip to the redrawn house, in its weather if asked: median and worst of 20, ms.

    Its bows are far too weak for that, or near their limit where they are ``stout``.
    """
    page.goto(address)
    page.get_by_role("link", name="Upper terrace").click()
    if weather:
        page.get_by_role("button", name="Weather").click()
        page.get_by_text("open plain, hard winter: to play with", exact=True).click()
        page.get_by_role("banner").get_by_text("Made-up weather").wait_for()
        if stout:
            typed(page, "weather.ground_snow_pa", "4")
            typed(page, "weather.wind_mps", "35")
            step(page, address, "Upper terrace", "Strength")
            picked(page, "Bow tube", "Fence post 2 3/8 in")
            typed(page, "bows.max_spacing_m", "2'")
        step(page, address, "Upper terrace", "Size")
    page.locator('[data-handle="size.span_m"]').wait_for()
    times = page.evaluate(FOLLOW, [20])
    # The next pull begins with the same house.
    page.get_by_role("banner").get_by_text("saved", exact=True).wait_for()
    page.get_by_role("button", name="Undo").click()
    page.wait_for_load_state("networkidle")
    return statistics.median(times), max(times)


PRESS = """async (name) => {
  const field = () => document.querySelector(`input[data-measure="${name}"]`);
  const before = field().value;
  const begin = performance.now();
  field().dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowUp', bubbles: true }));
  while (field().value === before && performance.now() - begin < 3000) await new Promise(requestAnimationFrame);
  return performance.now() - begin;
}"""


def big_site() -> Job:
    """A made-up house of 200 bows on uneven ground, with 400 pegs and 2,000 spots read."""
    chance = random.Random(1)
    document = new_house("metric").model_dump()
    document["size"]["length_m"] = 199.0
    document["bows"]["max_spacing_m"] = 1.0
    document["pad"]["kind"] = "regrade"
    document["posts"]["length_m"] = 2.6

    def rod(x: float) -> float:
        return 1.5 + 0.005 * x + 0.03 * math.sin(x / 5) + chance.gauss(0, 0.003)

    pegs = {f"{side}{bow + 1}": rod(bow) for side in "LR" for bow in range(200)}
    places = [(chance.uniform(-3, 202), chance.uniform(-3, 9)) for _ in range(2000)]
    levels = Levels(pegs=pegs, closing_m=pegs["L1"])
    levels = levels.with_spots(Spot(x_m=x, y_m=y, reading_m=rod(x)) for x, y in places)
    return Job(HouseDesign.model_validate(document), SiteRecord(levels=levels))


def tied_up() -> HouseDesign:
    """A made-up house of 60 bows: nine runs, braces, trusses, hip boards, base boards two high, both ends framed."""
    document = new_house("metric").model_dump()
    document["size"]["length_m"] = 59.0
    document["bows"]["max_spacing_m"] = 1.0
    document["strength"]["runs"] = 9
    document["posts"]["base"] = "board"
    document["braces"] |= {"bays": 4, "cross": "both", "ties": "truss", "tie_m": document["size"]["figure"]["height_m"]}
    document["boards"] |= {"hip": "board", "hip_m": 1.2, "high": "two"}
    for side in ("front", "back"):
        document["ends"][side] |= {"kind": "framed", "wide_m": 1.0, "high_m": 1.9}
    return HouseDesign.model_validate(document)


def added(address: str, job: Job) -> str:
    """The name of a house that is added to a running bench."""
    file = write_house_file(*job).encode()
    token = json.loads(urllib.request.urlopen(f"{address}api/token").read())["token"]
    headers = {"content-type": "application/json", TOKEN_HEADER: token}
    answer = urllib.request.urlopen(urllib.request.Request(f"{address}api/house-files", file, headers)).read()
    return str(json.loads(answer)["id"])


def press_ms(page: Page, address: str, job: Job) -> tuple[float, float]:
    """From a key press in a field of the level step of a big site to the redrawn screen: median and worst of 12."""
    page.goto(f"{address}house/{added(address, job)}/level")
    page.locator("[data-strip]").wait_for()
    times = []
    for place in range(14):
        page.wait_for_timeout(1500)
        took = page.evaluate(PRESS, "posts.reveal_m")
        if place >= 2:
            times.append(took)
    return statistics.median(times), max(times)


TURN = """async () => {
  const place = document.querySelector('[role="application"]');
  const began = performance.now();
  for (let count = 0; count < 60; count += 1) {
    place.dispatchEvent(new KeyboardEvent("keydown", { key: "ArrowRight", bubbles: true, cancelable: true }));
    await new Promise(requestAnimationFrame);
  }
  return 60000 / (performance.now() - began);
}"""


def turns_per_s(page: Page, address: str, job: Job) -> float:
    """Pictures a second of a house that is turned by key, drawn by the processor alone."""
    page.goto(f"{address}house/{added(address, job)}/ends")
    page.get_by_role("radio", name="In the round").click()
    page.locator("canvas").wait_for()
    page.wait_for_timeout(1500)
    page.evaluate(TURN)
    return float(page.evaluate(TURN))


# What the core takes, measured by a process of its own so that an earlier state of it can be asked the same.
CORE = """
import gc, statistics, time
from obtegum.core.values.catalogue import default_catalogue
from obtegum.core.house.plan import plan_house
from obtegum.core.house.remedies import find_remedies
from obtegum.core.documents.house import SiteRecord
from obtegum.core.house.starters import new_house

def median_ms(action, rounds):
    times = []
    for place in range(rounds + 2):
        begin = time.perf_counter()
        action(place)
        times.append((time.perf_counter() - begin) * 1000)
    return statistics.median(times[2:])

catalogue, usual = default_catalogue(), new_house("metric")
# As the server has it.
gc.freeze()
gc.set_threshold(100_000, 20, 20)
def house(**parts):
    document = usual.model_dump()
    document["size"]["length_m"] = 30.0
    for name, part in parts.items():
        document[name].update(part)
    return type(usual).model_validate(document)

thirty = house()
print(median_ms(lambda place: plan_house(thirty, SiteRecord(), catalogue), 60))
changes = [
    {"posts": {"reveal_m": 0.55}}, {"posts": {"length_m": 1.35}}, {"bows": {"insertion_m": 0.17}},
    {"bows": {"joint_m": 0.14}}, {"bows": {"max_spacing_m": 1.1}}, {"inside": {"bed_m": 0.8}},
    {"set_out": {"reading_error_m": 0.004}}, {"keep": {"offset_m": 1.7}}, {"level": {"least_in_ground_m": 0.65}},
    {"pad": {"swell": 0.3}}, {"drain": {"fall": 0.012}}, {"bending": {"tail_m": 0.2}},
]
changed = [house(**change) for change in changes]
assert all(each != thirty for each in changed)
try:
    from obtegum.core.house.bench import begin
    from obtegum.core.house.plan import plan_work
    first = begin(thirty, SiteRecord(), catalogue)
    plan_work(first)
    def plan(design):
        plan_work(begin(design, SiteRecord(), catalogue, first))
except ImportError:
    def plan(design):
        plan_house(design, SiteRecord(), catalogue)
took = [median_ms(lambda place: plan(design), 10) for design in changed]
print(statistics.median(took))
print(max(took))
figure = {"figure": {"height_m": 2.3, "from_left_m": 0.3}}
ailing = house(posts={"tube": "round-42.4"}, set_out={"tape_m": 10.0}, drain={"rain_m_s": 2e-4}, size=figure)
failing = [each.id for each in plan_house(ailing, SiteRecord(), catalogue).verdicts if each.level == "fails"]
assert len(failing) >= 3, failing
print(median_ms(lambda place: find_remedies(ailing, SiteRecord(), catalogue), 15))
"""
CORE_ROWS = (
    ("whole plan of a 30 m house, in the core", 15),
    ("the same after a change, median of twelve", 5),
    ("the same after a change, worst of twelve", 15),
    ("remedies of a house with three failing verdicts", 60),
)


def core_ms(tree: Path) -> list[float]:
    """The core of a tree of the project measured: plan, changed plan, remedies, ms."""
    code = in_words_of(tree, CORE)
    python, path = tree / ".venv/bin/python", {**os.environ, "PYTHONPATH": str(tree / "src")}
    out = subprocess.run([python, "-c", code], capture_output=True, text=True, check=True, env=path).stdout
    return [float(line) for line in out.split()]


ROW = re.compile(r"^(?P<what>.+?) +(?P<value>[\d.]+) \S+ +budget ", re.MULTILINE)


def before(commit: str, tree: Path) -> dict[str, float]:
    """What an earlier state of the project measures of itself, by the names of the rows."""
    subprocess.run(["git", "worktree", "add", "--detach", str(tree), commit], cwd=ROOT, check=True, capture_output=True)
    try:
        out = subprocess.run([tree / "obtegum", "bench"], capture_output=True, text=True, check=True).stdout
        found = {row["what"].strip(): float(row["value"]) for row in ROW.finditer(out)}
        return found | {what: took for (what, _), took in zip(CORE_ROWS, core_ms(tree), strict=True)}
    finally:
        subprocess.run(["git", "worktree", "remove", "--force", str(tree)], cwd=ROOT, check=True)


EDITS = 5200
ROOM_KB = 5.0


def long_history(job: Job, folder: Path) -> list[Row]:
    """A big site read and read again, 5,200 changes of it: what each adds, and the folder out and in again.

    In a process of its own, so that the memory at the most is that of the backup and its return alone.
    """
    store = open_store(folder)
    house = houses.add(store, *job, "Started")
    before = (folder / FILE).stat().st_size

    def read_again(place: int) -> houses.Edit:
        def edit(design: HouseDesign, record: SiteRecord) -> houses.Edited:
            peg = f"L{place % 200 + 1}"
            levels = record.levels
            changed = levels.model_copy(update={"pegs": {**levels.pegs, peg: levels.pegs[peg] + 0.001}})
            return houses.Edited(design, record.model_copy(update={"levels": changed}), "read")

        return edit

    version = house.version
    for place in range(EDITS):
        version = houses.change(store, house.id, houses.Gesture(version, "w"), read_again(place)).version
    store.close()
    grown_kb = ((folder / FILE).stat().st_size - before) / EDITS / 1000
    code = """
import resource, sys, time
from pathlib import Path
from obtegum.core.values.catalogue import default_catalogue
from obtegum.core.house.plan import plan_house
from obtegum.store import open_store
from obtegum.store.backup import write_backup
from obtegum.store.restore import restore
folder = Path(sys.argv[1])
store, begin = open_store(folder), time.perf_counter()
write_backup(store, folder / "all.zip")
out = time.perf_counter() - begin
restore(store, folder / "all.zip", lambda design, record: plan_house(design, record, default_catalogue()))
print(out, time.perf_counter() - begin - out, resource.getrusage(resource.RUSAGE_SELF).ru_maxrss / 1000)
"""
    out = subprocess.run([sys.executable, "-c", code, folder], capture_output=True, text=True, check=True).stdout
    out_s, back_s, most_mb = map(float, out.split())
    return [
        ("400 pegs, 2,000 spots: a reading adds to the folder", grown_kb, ROOM_KB, "kB"),
        ("5,200 readings on it: a backup, read back", out_s, 10, "s"),
        ("the same brought back, planned", back_s, 10, "s"),
        ("memory at the most for both", most_mb, 300, "MB"),
    ]


def beside(what: str, value: float, earlier: dict[str, float]) -> str:
    """A figure as a ratio to what an earlier state of the project measured."""
    return f"   was {earlier[what]:8.1f}: {value / earlier[what]:5.2f} of that" if what in earlier else ""


def served_rows(body: bytes, big: Job, tied: Job) -> list[Row]:
    """What a browser and a plain call wait for, with a house's body, a big site and a house with all of its sticks."""
    rows: list[Row] = []
    with tempfile.TemporaryDirectory() as folder:
        process, address, _ = serve(Path(folder))
        process.kill()
        process.wait()
        process, address, started = serve(Path(folder))
        request = urllib.request.Request(f"{address}api/plan", body, {"content-type": "application/json"})
        posted = median_ms(lambda: urllib.request.urlopen(request).read(), 60)
        rows.append(("POST /api/plan of a 30 m house, asked and read", posted, 25, "ms"))
        rows.append(("start-up to the first answer, set up before", started, 1500, "ms"))
        rows.append(("first screen's JavaScript, gzipped", script_size_kb(), 300, "kB"))
        with sync_playwright() as playwright:
            browser = playwright.chromium.launch(executable_path=CHROMIUM, args=FLAGS)
            page = browser.new_page(viewport={"width": 1280, "height": 800})
            rows.append(("first screen drawn", first_screen_ms(page, address), 1000, "ms"))
            median, worst = drag_ms(page, address)
            rows.append(("a pull redrawn, median", median, 40, "ms"))
            rows.append(("a pull redrawn, worst of 20", worst, 100, "ms"))
            median, worst = drag_ms(page, address, weather=True)
            rows.append(("a pull with strength, bows far too weak, median", median, 100, "ms"))
            rows.append(("a pull with strength, bows far too weak, worst of 20", worst, 150, "ms"))
            median, worst = drag_ms(page, address, weather=True, stout=True)
            rows.append(("a pull with strength, bows near their limit, median", median, 100, "ms"))
            rows.append(("a pull with strength, bows near their limit, worst of 20", worst, 150, "ms"))
            median, worst = press_ms(page, address, big)
            rows.append(("400 pegs, 2,000 spots: a change redrawn, median", median, 100, "ms"))
            rows.append(("400 pegs, 2,000 spots: worst of 12", worst, 150, "ms"))
            browser.close()
            browser = playwright.chromium.launch(executable_path=CHROMIUM, args=[*FLAGS, *SOFT])
            page = browser.new_page(viewport={"width": 1280, "height": 800})
            pictures = turns_per_s(page, address, tied)
            rows.append(("60 bows turned, time of a picture, no graphics card", 1000 / pictures, 33, "ms"))
            browser.close()
        process.kill()
        process.wait()
    return rows


def main() -> int:
    """Measure and print; beside an earlier commit (``--before``) measured in the same run, as a ratio to it."""
    asked = argparse.ArgumentParser(description=main.__doc__)
    asked.add_argument("--before", metavar="COMMIT", help="an earlier commit to measure beside")
    commit = asked.parse_args().before
    with tempfile.TemporaryDirectory() as folder:
        earlier = before(commit, Path(folder) / "before") if commit else {}
    thirty = new_house("metric").model_dump()
    thirty["size"]["length_m"] = 30.0
    design = type(new_house("metric")).model_validate(thirty)
    catalogue = default_catalogue()
    body = json.dumps(thirty).encode()
    rows: list[Row] = []
    rows += [(what, took, budget, "ms") for (what, budget), took in zip(CORE_ROWS, core_ms(ROOT), strict=True)]
    rows += frame_rows()
    rows += sprung_rows()
    shaped = [apply_edits(Job(design), [Edit(measure="size.shape", text=kind)], catalogue) for kind in SHAPE_LABELS]
    slowest = max(median_ms(lambda job=job: plan_house(*job, catalogue), 15) for job in shaped)
    rows.append(("whole plan of a 30 m house, the slowest shape", slowest, 25, "ms"))
    big = big_site()
    shown = median_ms(lambda: plan_house(*big, catalogue, "level"), 20)
    rows.append(("400 pegs and 2,000 spots, levels planned in the core", shown, 50, "ms"))
    tied = Job(tied_up(), SiteRecord())
    anew = median_ms(lambda: plan_house(*tied, catalogue, "runs"), 15)
    rows.append(("60 bows, 9 runs, boards, ends: a step shown, anew", anew, 80, "ms"))
    kept = begin(*tied, catalogue)
    plan_work(kept, "runs")
    other = apply_edits(tied, [Edit(measure="runs.stick_m", text="5.5")], catalogue)
    again = median_ms(lambda: plan_work(begin(*other, catalogue, before=kept), "runs"), 15)
    rows.append(("the same after a change of its sticks", again, 100, "ms"))
    rows += served_rows(body, big, tied)
    with tempfile.TemporaryDirectory() as folder:
        rows += long_history(big, Path(folder) / "data")
    for what, value, budget, unit in rows:
        ratio = f"{value / budget:5.2f} of it{beside(what, value, earlier)}"
        print(f"{what:54} {value:8.1f} {unit}   budget {budget:6.0f} {unit}   {ratio}")
    return 0


if __name__ == "__main__":
    sys.exit(main())
