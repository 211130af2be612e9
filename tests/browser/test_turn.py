"""The house in the round: turned, built step by step, its pieces picked; a still picture where nothing turns."""

import io
from collections.abc import Iterator

import pytest
from PIL import Image
from playwright.sync_api import Browser, Page, expect, sync_playwright

from tests.browser.conftest import CHROMIUM, FLAGS, Server, open_house
from tests.browser.test_bench import saved
from tests.browser.test_known import pick
from tests.browser.test_reach import serious


@pytest.fixture(scope="module")
def browser() -> Iterator[Browser]:
    """A browser that draws in three dimensions without a graphics card."""
    with sync_playwright() as playwright:
        flags = [*FLAGS, "--use-angle=swiftshader", "--enable-unsafe-swiftshader"]
        opened = playwright.chromium.launch(executable_path=CHROMIUM, args=flags)
        yield opened
        opened.close()


def ink(page: Page, red: bool = False) -> int:
    """How much of the canvas is drawn on: what is darker than the paper, or is lit."""
    picture = Image.open(io.BytesIO(page.locator("canvas").screenshot())).convert("RGB")
    found = picture.getcolors(picture.width * picture.height) or []
    lit = [(count, colour) for count, colour in found if colour[0] > 180 and colour[2] < 90]
    dark = [(count, colour) for count, colour in found if max(colour) < 170]
    return sum(count for count, _ in (lit if red else dark))


def test_a_house_is_turned_and_built_piece_by_piece(page: Page) -> None:
    open_house(page, "Upper terrace", "Ends")
    pick(page, "framed with studs")
    saved(page)
    page.get_by_role("radio", name="In the round").click()
    house = page.get_by_role("application")
    expect(page.locator("canvas")).to_be_visible()
    built = page.get_by_role("slider", name="Built")
    expect(built).to_have_attribute("aria-valuetext", "Cover")
    page.wait_for_timeout(500)
    whole = ink(page)
    assert whole > 500
    before = page.locator("canvas").screenshot()
    house.press("ArrowRight")
    assert page.locator("canvas").screenshot() != before
    # A stud that is chosen by its name lights up here, and its tape comes up below.
    page.get_by_label("Piece", exact=True).select_option("front:F")
    page.wait_for_timeout(200)
    lit = ink(page, red=True)
    assert lit > 20
    expect(page.locator('[data-strip] [aria-selected="true"]')).to_have_count(1)
    built.fill("4")
    expect(built).to_have_attribute("aria-valuetext", "Footing")
    page.wait_for_timeout(200)
    assert ink(page) < whole / 2
    # Only pegs are red then.
    assert ink(page, red=True) < lit / 2
    built.fill("20")
    page.get_by_role("button", name="Build it").click()
    expect(built).to_have_attribute("aria-valuetext", "Cover")
    expect(page.get_by_role("button", name="Build it")).to_be_visible()
    assert serious(page) == []


def test_a_piece_is_picked_by_pressing_it(page: Page) -> None:
    open_house(page, "Upper terrace", "Runs")
    page.get_by_role("radio", name="In the round").click()
    canvas = page.locator("canvas")
    expect(canvas).to_be_visible()
    page.wait_for_timeout(500)
    box = canvas.bounding_box()
    assert box is not None
    picture = Image.open(io.BytesIO(canvas.screenshot())).convert("RGB")
    middle = picture.width // 2
    y = next(y for y in range(picture.height) if max(picture.getpixel((middle, y))) < 170)  # type: ignore[type-var]
    page.mouse.click(box["x"] + middle, box["y"] + y)
    expect(page.get_by_label("Piece", exact=True)).not_to_have_value("")


def test_where_nothing_turns_it_is_a_still_picture(page: Page, server: Server) -> None:
    page.add_init_script("HTMLCanvasElement.prototype.getContext = () => null;")
    page.goto(server.address)
    open_house(page, "Upper terrace", "Runs")
    page.get_by_role("radio", name="In the round").click()
    still = page.get_by_role("img", name="The house at a slant")
    expect(still.locator("polyline")).to_have_count(116)
    page.get_by_role("slider", name="Built").fill("0")
    expect(still.locator("polyline")).to_have_count(0)
    assert serious(page) == []
