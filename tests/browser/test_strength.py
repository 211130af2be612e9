"""Weather and strength on the screen: told by keyboard, the verdict follows the hand, loads one press away."""

import re

from playwright.sync_api import Page, expect

from tests.browser.conftest import field, grip, open_house, step_button
from tests.browser.test_bench import saved
from tests.browser.test_ground import answer
from tests.browser.test_known import choose, pick, typed
from tests.browser.test_reach import serious


def tell(page: Page) -> None:
    """Every question of the US method, by keyboard."""
    typed(page, "weather.ground_snow_pa", "10")
    typed(page, "weather.wind_mps", "60")
    for label in ("open", "now and then", "stays on", "plants, rarely people", "not heated"):
        pick(page, label)
    choose(page, "At the sides", "room, and it is cleared away")


def test_questions_are_asked_one_by_one_until_strength_is_known(page: Page) -> None:
    open_house(page, "Upper terrace", "Weather")
    side = page.get_by_role("complementary")
    expect(side).to_contain_text("How much snow does your local figure put on the ground? 8 questions are open.")
    tell(page)
    expect(side).to_contain_text("All is told.")
    expect(side).to_contain_text("Planning aid")
    # 0.7 · 1.0 · 1.2 · 0.8 · 10 psf.
    expect(side).to_contain_text("6.7 psf")
    assert serious(page) == []
    step_button(page, "Strength").click()
    expect(answer(page, "use")).to_contain_text(re.compile("%|over 10 times"))
    expect(side).to_contain_text("licensed engineer decide")
    assert serious(page) == []
    saved(page)


def test_the_verdict_follows_spacing_tube_and_height(page: Page) -> None:
    open_house(page, "Upper terrace", "Weather")
    tell(page)
    step_button(page, "Strength").click()
    first = answer(page, "use").text_content()
    choose(page, "Bow tube", "Fence post 2 3/8 in")
    expect(answer(page, "use")).not_to_have_text(first or "")
    second = answer(page, "use").text_content()
    handle = grip(page, "size.shape.height_m")
    handle.focus()
    # A trial by the keys answers with strength in it, before anything is saved.
    page.keyboard.press("Shift+ArrowDown")
    expect(answer(page, "use")).not_to_have_text(second or "")
    page.keyboard.press("Enter")
    saved(page)


def test_loads_are_stepped_through_and_read_as_a_table(page: Page) -> None:
    open_house(page, "Upper terrace", "Weather")
    tell(page)
    step_button(page, "Strength").click()
    cases = page.get_by_role("list", name="The weather on the bow").get_by_role("button")
    expect(cases.first).to_have_text("Snow lying even")
    cases.nth(1).click()
    expect(page.locator("main svg").first).to_have_attribute(
        "aria-label", re.compile("Snow drifted to the right, by ASCE")
    )
    assert page.locator("[data-arrow]").count() > 2
    page.get_by_role("button", name="as a table").click()
    expect(page.get_by_role("table", name="Snow drifted to the right")).to_contain_text("psf")


def test_made_up_weather_is_marked_everywhere(page: Page) -> None:
    open_house(page, "Dune edge", "Weather")
    pick(page, "open plain, hard winter: to play with")
    expect(page.get_by_role("complementary")).to_contain_text("Made-up weather, not for building")
    expect(page.get_by_role("banner")).to_contain_text("Made-up weather, not for building")
    step_button(page, "Strength").click()
    expect(page.get_by_role("complementary")).to_contain_text("made-up weather: not for building")
    saved(page)


def test_absurd_weather_is_said_at_its_field_and_kept(page: Page) -> None:
    open_house(page, "Upper terrace", "Weather")
    wind = field(page, "weather.wind_mps")
    wind.fill("0")
    wind.press("Enter")
    expect(page.get_by_role("complementary")).to_contain_text("at the least")
    expect(wind).to_have_value("0")
    wind.press("Escape")
