"""A bench for thirty steps: chapters in the rail, all verdicts from the top line, numbers folded."""

import re

from playwright.sync_api import Page, Route, expect

from tests.browser.conftest import field, open_house, step_button
from tests.browser.test_reach import serious


def test_chapters_open_and_are_walked_with_the_arrow_keys(page: Page) -> None:
    open_house(page, "Dune edge")
    rail = page.get_by_role("navigation", name="Steps")
    frame = rail.locator(".chapter", has_text=re.compile("^Frame"))
    # A closed chapter says how many steps it has, and how many want a look.
    expect(frame).to_have_accessible_name("Frame , 13 steps, 1 to look at")
    expect(rail.get_by_role("button", name="Bows")).to_have_count(0)
    rail.get_by_role("button", name=re.compile("^By its name")).focus()
    page.keyboard.press("ArrowDown")
    expect(frame).to_be_focused()
    page.keyboard.press("Enter")
    expect(frame).to_have_attribute("aria-expanded", "true")
    page.keyboard.press("ArrowDown")
    page.keyboard.press("ArrowDown")
    expect(rail.get_by_role("button", name=re.compile("^Bows"))).to_be_focused()
    page.keyboard.press("Enter")
    expect(rail.get_by_role("button", name=re.compile("^Bows"))).to_have_attribute("aria-current", "step")
    # Nothing of the rail scrolls at 1280 × 800.
    assert rail.evaluate("rail => rail.scrollHeight <= rail.clientHeight")
    # Come from elsewhere, the chapter of the step is the open one.
    step_button(page, "Level").click()
    expect(rail.get_by_role("button", name=re.compile("^Place"))).to_have_attribute("aria-expanded", "true")


def test_the_top_line_leads_to_every_verdict(page: Page) -> None:
    open_house(page, "Dune edge", "Bows")
    page.get_by_role("button", name=re.compile(r"^and \d+ more")).click()
    side = page.get_by_role("complementary", name="All verdicts")
    levels = side.locator("[data-verdict]").evaluate_all("each => each.map(({dataset}) => dataset.level)")
    assert levels[0] == "fails"
    assert "holds" not in levels
    assert {"tight", "unknown"} <= set(levels)
    expect(side.locator("[data-remedy]").first).to_be_visible()
    assert serious(page) == []
    side.get_by_role("button", name="Go to Level").click()
    expect(step_button(page, "Level")).to_have_attribute("aria-current", "step")
    expect(page.get_by_role("complementary", name="Level")).to_be_visible()


def test_numbers_that_stay_in_the_notebook_are_folded(page: Page) -> None:
    open_house(page, "Upper terrace", "Set out")
    expect(page.locator('[data-answer="diagonal"]')).to_be_visible()
    expect(page.locator('[data-answer="people"]')).to_be_hidden()
    page.get_by_role("button", name="More numbers").click()
    expect(page.locator('[data-answer="people"]')).to_be_visible()


def test_a_step_gone_to_in_mid_save_is_shown_when_the_answer_came(page: Page) -> None:
    """Over a slow link the answer to a change may come after another step was gone to: it is of the one before."""
    open_house(page, "Upper terrace", "Size")

    held: list[Route] = []

    def hold(route: Route) -> None:
        if route.request.method == "PATCH" and not held:
            held.append(route)
        else:
            route.continue_()

    page.route("**/api/houses/**", hold)
    field(page, "size.length_m").fill("64")
    page.keyboard.press("Enter")
    with page.expect_response(re.compile("step=drain")):
        step_button(page, "Drain").click()
    # The change is sent on only now; its answer is of the step that was shown when it was made.
    held[0].continue_()
    expect(field(page, "drain.trench_m")).to_have_count(1)
    expect(page.locator("main svg").first).to_be_visible()
    expect(page.locator(".size")).to_have_text("22' 6\" × 64'")
