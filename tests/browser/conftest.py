"""The built interface on the real server with a temporary data folder, in Debian's Chromium."""

import json
import os
import re
import shutil
import signal
import sqlite3
import subprocess
import sys
from collections.abc import Iterator
from contextlib import closing
from pathlib import Path
from urllib.request import Request as Asking
from urllib.request import urlopen

import pytest
from playwright.sync_api import Browser, BrowserContext, Locator, Page, expect, sync_playwright

from obtegum.store.backup import BEFORE
from obtegum.store.database import FILE

# A busy machine may take its time; what is awaited must come, not come fast.
expect.set_options(timeout=20_000)

DEMO = ("Upper terrace", "Dune edge", "Kitchen plot")
# Phones come in at another loopback address.
PHONES = "127.0.0.2"
CHROMIUM = "/usr/bin/chromium-headless-shell"
FLAGS = [
    "--no-sandbox",
    "--disable-background-networking",
    "--disable-component-update",
    "--disable-sync",
    "--no-first-run",
]


class Server:
    """A server that can be killed and started again on the same data and port."""

    def __init__(self, data: Path, port: int = 0) -> None:
        self.data, self.port = data, port
        # The houses as they stood once they were brought back last.
        self.begun: list[tuple[str, int, str]] = []
        self._launch()

    def start(self) -> None:
        """Start again after a kill."""
        self._launch()
        self.ready()

    def _launch(self) -> None:
        command = [
            sys.executable,
            "-m",
            "obtegum",
            "serve",
            "--demo",
            "--data",
            str(self.data),
            "--port",
            str(self.port),
            "--field",
            PHONES,
        ]
        self.process = subprocess.Popen(
            command, stdout=subprocess.PIPE, text=True, env={**os.environ, "LANG": "C.UTF-8"}
        )

    def ready(self) -> None:
        """Wait until it listens."""
        assert self.process.stdout is not None
        self.address = self.process.stdout.readline().split(" at ")[1].split(" ")[0]
        self.port = int(self.address.rsplit(":", 1)[1].strip("/"))
        self.phones = f"http://{PHONES}:{self.port}/"

    def standing(self) -> list[tuple[str, int, str]]:
        """Every house with its version and shelf, as they are kept."""
        with closing(sqlite3.connect(f"file:{self.data / FILE}?mode=ro", uri=True)) as kept:
            return kept.execute("SELECT id, version, shelf FROM house ORDER BY id").fetchall()

    def kill(self) -> None:
        self.process.kill()
        self.process.wait()


@pytest.fixture(scope="module")
def browser() -> Iterator[Browser]:
    """A browser for the tests of a file: its event loop must not be running still when tests without it come."""
    with sync_playwright() as playwright:
        opened = playwright.chromium.launch(executable_path=CHROMIUM, args=FLAGS)
        yield opened
        opened.close()


@pytest.fixture(scope="session")
def started(tmp_path_factory: pytest.TempPathFactory) -> Iterator[tuple[Server, bytes]]:
    """One server for all tests, and a backup of the houses that each begins with."""
    running = Server(tmp_path_factory.mktemp("data"))
    running.ready()
    with urlopen(f"{running.address}api/backup", timeout=60) as answer:
        begun = answer.read()
    yield running, begun
    running.kill()


@pytest.fixture
def server(request: pytest.FixtureRequest, started: tuple[Server, bytes]) -> Server:
    """The server with the demo houses as they were at first, whatever the tests before did to them or to it.

    A house that is brought back goes on counting its versions; a test marked ``fresh`` has it from the first one.
    """
    running, begun = started
    if request.node.get_closest_marker("fresh"):
        running.kill()
        shutil.rmtree(running.data)
        running.start()
        running.begun = []
        return running
    if running.process.poll() is not None:
        running.start()
    # A test that changed nothing leaves them as they were.
    if running.begun and running.standing() == running.begun:
        return running
    with urlopen(f"{running.address}api/token", timeout=60) as answer:
        headers = {"x-obtegum-token": json.load(answer)["token"], "content-type": "application/zip"}
    with urlopen(Asking(f"{running.address}api/backup", begun, headers, method="POST"), timeout=60) as answer:
        assert json.load(answer)["houses"] == len(DEMO)
    (running.data / BEFORE).unlink()
    running.begun = running.standing()
    return running


@pytest.fixture
def context(browser: Browser) -> Iterator[BrowserContext]:
    opened = browser.new_context(viewport={"width": 1280, "height": 800})
    yield opened
    opened.close()


@pytest.fixture
def page(context: BrowserContext, server: Server) -> Iterator[Page]:
    """The yard; whatever the page complains of in its console fails the test."""
    opened = context.new_page()
    complaints: list[str] = []
    opened.on("pageerror", lambda error: complaints.append(str(error)))
    opened.on(
        "console",
        lambda message: (
            complaints.append(message.text)
            if message.type == "error" and "Failed to load resource" not in message.text
            else None
        ),
    )
    opened.goto(server.address)
    opened.get_by_role("heading", name="Upper terrace").wait_for()
    yield opened
    assert complaints == []


def step_button(page: Page, step: str) -> Locator:
    """A step in the rail, its chapter opened first where it is closed."""
    steps = page.get_by_role("navigation", name="Steps")
    button = steps.get_by_role("button", name=re.compile(f"^{step}"))
    steps.locator("[aria-expanded]").first.wait_for(state="attached")
    if button.count() == 0:
        chapter = next((name for name, steps in CHAPTERS.items() if step in steps), "Place")
        steps.locator(".chapter", has_text=re.compile(f"^{chapter}")).click()
    return button


# Steps of the chapters after the first.
CLOSE_IN = ("Ends", "Cover", "Rigid sheets", "Roll-up sides", "Film day", "Air and heat")
FRAME = (
    "Footing",
    "Bows",
    "Strength",
    "Frames",
    "Holds down",
    "Along the row",
    "Bend",
    "Check bows",
    "Runs",
    "Fittings",
    "Braces",
    "Boards",
    "Plumb",
)
CHAPTERS = {"Frame": FRAME, "Close in": CLOSE_IN, "Keep": ("Carries",)}


def open_house(page: Page, name: str, step: str = "Size") -> None:
    page.get_by_role("link", name=name).click()
    button = step_button(page, step)
    button.click()
    # The step before shows a tape too: wait for this one's.
    expect(button).to_have_attribute("aria-current", "step")
    page.locator("[data-strip]").wait_for()


def field(page: Page, measure: str):  # type: ignore[no-untyped-def]
    """The field of a measure, unfolded where it is folded away."""
    found = page.locator(f'input[data-measure="{measure}"]')
    if found.count() and found.first.is_hidden():
        page.get_by_role("button", name="More to set").click()
    return found


def grip(page: Page, measure: str):  # type: ignore[no-untyped-def]
    return page.locator(f'[data-handle="{measure}"]')


def kill_pages(browser: Browser) -> None:
    """Kill the processes that show pages, as a phone does that runs out of memory."""
    told = browser.new_browser_cdp_session().send("SystemInfo.getProcessInfo")
    shown = [each["id"] for each in told["processInfo"] if each["type"] == "renderer"]
    assert shown
    for process in shown:
        os.kill(process, signal.SIGKILL)
