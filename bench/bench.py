"""Measures what the README reports: each figure beside its budget, as a ratio.

Run by ./obtegum bench. Times are medians on the machine it runs on; nothing in the tests asserts them.
"""

import gzip
import json
import math
import random
import statistics
import subprocess
import sys
import tempfile
import time
import urllib.request
from collections.abc import Callable
from pathlib import Path

from playwright.sync_api import Page, sync_playwright

from obtegum.core.catalogue import default_catalogue
from obtegum.core.design import HouseDesign
from obtegum.core.edits import Edit, apply_edits
from obtegum.core.job import Job
from obtegum.core.plan import plan_house
from obtegum.core.record import Levels, SiteRecord, Spot
from obtegum.core.shapes import SHAPE_LABELS
from obtegum.core.starters import new_house
from obtegum.exchange.housefile import write_house_file

ROOT = Path(__file__).parents[1]
CHROMIUM = "/usr/bin/chromium"
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
    scripts = (ROOT / "src/obtegum/webroot/assets").glob("*.js")
    return sum(len(gzip.compress(script.read_bytes(), 9)) for script in scripts) / 1000


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
  const grip = document.querySelector('[data-handle="span"]');
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
    while (document.querySelector('[data-handle="span"]').getAttribute('aria-valuetext') === before) {
      await new Promise(requestAnimationFrame);
      if (performance.now() - begin > 2000) break;
    }
    times.push(performance.now() - begin);
  }
  send('pointerup', -6 * moves);
  return times;
}"""


def drag_ms(page: Page, address: str) -> tuple[float, float]:
    """From a pull on the width's grip to the redrawn house: median and worst of 20, ms."""
    page.goto(address)
    page.get_by_role("link", name="Upper terrace").click()
    page.locator('[data-handle="span"]').wait_for()
    times = page.evaluate(FOLLOW, [20])
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
    spots = tuple(Spot(x_m=x, y_m=y, reading_m=rod(x)) for x, y in places)
    levels = Levels(pegs=pegs, spots=spots, closing_m=pegs["L1"])
    return Job(HouseDesign.model_validate(document), SiteRecord(levels=levels))


def press_ms(page: Page, address: str, job: Job) -> tuple[float, float]:
    """From a key press in a field of the level step of a big site to the redrawn screen: median and worst of 12."""
    file = write_house_file(*job).encode()
    answer = urllib.request.urlopen(urllib.request.Request(f"{address}api/house-files", file)).read()
    page.goto(f"{address}house/{json.loads(answer)['id']}/level")
    page.locator("[data-strip]").wait_for()
    times = []
    for place in range(14):
        page.wait_for_timeout(1500)
        took = page.evaluate(PRESS, "reveal")
        if place >= 2:
            times.append(took)
    return statistics.median(times), max(times)


def main() -> int:
    """Measure and print."""
    thirty = new_house("metric").model_dump()
    thirty["size"]["length_m"] = 30.0
    design = type(new_house("metric")).model_validate(thirty)
    catalogue = default_catalogue()
    body = json.dumps(thirty).encode()
    rows: list[tuple[str, float, float, str]] = []
    rows.append(
        (
            "whole plan of a 30 m house, in the core",
            median_ms(lambda: plan_house(design, SiteRecord(), catalogue), 60),
            15,
            "ms",
        )
    )
    shaped = [apply_edits(Job(design), [Edit(measure="shape", text=kind)], catalogue) for kind in SHAPE_LABELS]
    slowest = max(median_ms(lambda job=job: plan_house(*job, catalogue), 15) for job in shaped)
    rows.append(("whole plan of a 30 m house, the slowest shape", slowest, 25, "ms"))
    big = big_site()
    shown = median_ms(lambda: plan_house(*big, catalogue, "level"), 20)
    rows.append(("400 pegs and 2,000 spots, levels planned in the core", shown, 50, "ms"))
    with tempfile.TemporaryDirectory() as folder:
        process, address, _ = serve(Path(folder))
        process.kill()
        process.wait()
        process, address, started = serve(Path(folder))
        request = urllib.request.Request(f"{address}api/plan", body, {"content-type": "application/json"})
        posted = median_ms(lambda: urllib.request.urlopen(request).read(), 60)
        rows.append(("POST /api/plan of a 30 m house, asked and read", posted, 25, "ms"))
        rows.append(("start-up to the first answer, set up before", started, 2000, "ms"))
        rows.append(("first screen's JavaScript, gzipped", script_size_kb(), 300, "kB"))
        with sync_playwright() as playwright:
            browser = playwright.chromium.launch(executable_path=CHROMIUM, args=FLAGS)
            page = browser.new_page(viewport={"width": 1280, "height": 800})
            rows.append(("first screen drawn", first_screen_ms(page, address), 1000, "ms"))
            median, worst = drag_ms(page, address)
            rows.append(("a pull redrawn, median", median, 100, "ms"))
            rows.append(("a pull redrawn, worst of 20", worst, 100, "ms"))
            median, worst = press_ms(page, address, big)
            rows.append(("400 pegs, 2,000 spots: a change redrawn, median", median, 100, "ms"))
            rows.append(("400 pegs, 2,000 spots: worst of 12", worst, 100, "ms"))
            browser.close()
        process.kill()
        process.wait()
    for what, value, budget, unit in rows:
        print(f"{what:54} {value:8.1f} {unit}   budget {budget:6.0f} {unit}   {value / budget:5.2f} of it")
    return 0


if __name__ == "__main__":
    sys.exit(main())
