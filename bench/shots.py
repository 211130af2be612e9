"""Takes the pictures in docs/screenshots from the demo houses. Run by ./obtegum shots."""

import re
import subprocess
import sys
import tempfile
from pathlib import Path

from playwright.sync_api import Page, sync_playwright

ROOT = Path(__file__).parents[1]
SHOTS = ROOT / "docs" / "screenshots"
CLOSE_IN = ("Ends", "Cover", "Rigid sheets", "Roll-up sides", "Film day", "Air and heat")
FLAGS = [
    "--no-sandbox",
    "--disable-background-networking",
    "--disable-component-update",
    "--disable-sync",
    "--use-angle=swiftshader",
    "--enable-unsafe-swiftshader",
]


def settle(page: Page) -> None:
    """Fonts are there and nothing is under way."""
    page.evaluate("document.fonts.ready")
    page.wait_for_load_state("networkidle")


def take(page: Page, name: str) -> None:
    settle(page)
    page.screenshot(path=SHOTS / f"{name}.png")


def step(page: Page, address: str, house: str, title: str) -> None:
    page.goto(address)
    page.get_by_role("link", name=house).click()
    steps = page.get_by_role("navigation", name="Steps")
    steps.locator("[aria-expanded]").first.wait_for(state="attached")
    wanted = steps.get_by_role("button", name=re.compile(f"^{title}"))
    if wanted.count() == 0:
        chapter = "Close in" if title in CLOSE_IN else "Keep" if title == "Carries" else "Frame|Place"
        steps.locator('.chapter[aria-expanded="false"]').filter(has_text=re.compile(chapter)).first.click()
    wanted.click()
    page.locator("[data-strip]").wait_for()
    page.mouse.move(0, 0)


def saved(page: Page) -> None:
    """What was changed is kept, and the bench is at rest."""
    page.get_by_role("banner").get_by_text("saved", exact=True).wait_for()
    page.wait_for_load_state("networkidle")


def typed(page: Page, measure: str, text: str) -> None:
    field = page.locator(f'input[data-measure="{measure}"]')
    field.fill(text)
    field.press("Enter")
    saved(page)


def picked(page: Page, label: str, option: str) -> None:
    page.get_by_role("button", name=re.compile(f"{label}$")).click()
    page.get_by_role("option", name=option).click()
    saved(page)


def take_all(page: Page, address: str) -> None:
    """Every picture that the README shows."""
    page.goto(address)
    page.get_by_role("heading", name="Upper terrace").wait_for()
    take(page, "yard")
    step(page, address, "Upper terrace", "Size")
    take(page, "size")
    step(page, address, "Dune edge", "Set out")
    take(page, "set-out")
    step(page, address, "Dune edge", "Square up")
    step(page, address, "Upper terrace", "Footing")
    take(page, "posts")
    step(page, address, "Upper terrace", "Bows")
    page.locator("[data-strip]").focus()
    page.keyboard.press("Home")
    page.keyboard.press("ArrowRight")
    take(page, "bows")
    in_weather(page, address)
    framed(page, address)
    others(page, address)
    cards(page, address)


def in_weather(page: Page, address: str) -> None:
    """A house that stands up to its weather, and is taken back."""
    step(page, address, "Upper terrace", "Weather")
    page.get_by_text("open plain, hard winter: to play with", exact=True).click()
    page.get_by_role("banner").get_by_text("Made-up weather").wait_for()
    page.get_by_role("complementary").evaluate("side => side.scrollTo(0, 0)")
    page.mouse.move(0, 0)
    take(page, "weather")
    typed(page, "weather.ground_snow_pa", "8")
    typed(page, "weather.wind_mps", "50")
    step(page, address, "Upper terrace", "Soil")
    picked(page, "The ground is", "clay, silty clay")
    step(page, address, "Upper terrace", "Strength")
    picked(page, "Bow tube", "Fence post 2 3/8 in")
    typed(page, "bows.max_spacing_m", "2'")
    page.locator('[data-answer="use"]').get_by_text("%").wait_for()
    page.mouse.move(0, 0)
    take(page, "strength")
    step(page, address, "Upper terrace", "Weather")
    typed(page, "weather.ground_snow_pa", "3")
    typed(page, "weather.wind_mps", "35")
    step(page, address, "Upper terrace", "Frames")
    page.locator('[data-map="ended"]').wait_for(timeout=60_000)
    page.locator("[data-map]").focus()
    page.keyboard.press("Home")
    page.wait_for_timeout(1500)
    take(page, "frames")
    step(page, address, "Upper terrace", "Holds down")
    picked(page, "Posts are set", "in a hole of concrete")
    typed(page, "posts.bolt_m", "2 in")
    page.get_by_role("radio", name="Ways to set it").click()
    page.get_by_role("complementary").evaluate("side => side.scrollTo(0, 0)")
    page.mouse.move(0, 0)
    take(page, "hold")
    step(page, address, "Upper terrace", "Braces")
    typed(page, "braces.bays", "2")
    step(page, address, "Upper terrace", "Carries")
    page.locator('[data-answer="deep_settled"]').wait_for()
    page.mouse.move(0, 0)
    take(page, "carries")
    undone(page)


def undone(page: Page) -> None:
    """All that was changed is taken back."""
    undo = page.get_by_role("button", name="Undo")
    while undo.is_enabled():
        undo.click()
        saved(page)


def framed(page: Page, address: str) -> None:
    """Its bends, runs, braces and ends."""
    step(page, address, "Upper terrace", "Bend")
    take(page, "bend")
    step(page, address, "Upper terrace", "Runs")
    typed(page, "strength.runs", "5")
    take(page, "runs")
    step(page, address, "Upper terrace", "Braces")
    typed(page, "braces.bays", "2")
    page.get_by_text("a collar with two struts in a V", exact=True).click()
    saved(page)
    page.get_by_role("radio", name="Across", exact=True).click()
    page.mouse.move(0, 0)
    take(page, "braces")
    step(page, address, "Upper terrace", "Ends")
    page.get_by_text("framed with studs", exact=True).click()
    saved(page)
    page.mouse.move(0, 0)
    take(page, "ends")
    page.get_by_role("radio", name="In the round").click()
    page.locator("canvas").wait_for()
    page.get_by_label("Piece", exact=True).select_option("front:F")
    page.wait_for_timeout(1000)
    take(page, "round")
    undone(page)


def others(page: Page, address: str) -> None:
    """The cover of another house, and the bows of a third."""
    step(page, address, "Dune edge", "Cover")
    page.get_by_text("with sheets of their own", exact=True).click()
    saved(page)
    page.mouse.move(0, 0)
    take(page, "cover")
    step(page, address, "Kitchen plot", "Bend")
    take(page, "spring")
    step(page, address, "Kitchen plot", "Fittings")
    page.get_by_text("tees and crosses, pipe glued in", exact=True).click()
    saved(page)
    typed(page, "strength.runs", "3")
    page.mouse.move(0, 0)
    take(page, "fittings")


def cards(page: Page, address: str) -> None:
    """A field card, as a phone shows it."""
    page.set_viewport_size({"width": 390, "height": 844})
    step(page, address, "Dune edge", "Level")
    page.get_by_role("button", name="Field cards").click()
    page.get_by_role("navigation", name="Cards").wait_for()
    take(page, "cards")


def main() -> int:
    """Serve the demo from a folder that is thrown away, and take each picture."""
    with tempfile.TemporaryDirectory() as folder:
        command = [sys.executable, "-m", "obtegum", "serve", "--demo", "--data", folder, "--port", "0"]
        process = subprocess.Popen(command, stdout=subprocess.PIPE, text=True)
        assert process.stdout is not None
        address = process.stdout.readline().split(" at ")[1].split(" ")[0]
        with sync_playwright() as playwright:
            browser = playwright.chromium.launch(executable_path="/usr/bin/chromium-headless-shell", args=FLAGS)
            take_all(browser.new_page(viewport={"width": 1280, "height": 800}), address)
            browser.close()
        process.kill()
        process.wait()
    return 0


if __name__ == "__main__":
    sys.exit(main())
