"""What a step takes: its list beside the drawing, what a line lights, and what a part is that is pressed."""

from playwright.sync_api import Locator, Page, expect

from tests.browser.conftest import open_house
from tests.browser.test_reach import serious


def widest(page: Page) -> float:
    """The widest line of the drawing in ink: a tube that is lit has more of it around."""
    return max(
        page.locator("main svg path").evaluate_all(
            "paths => paths.map(path => Number(path.getAttribute('stroke-width')))"
        )
    )


def fold(page: Page) -> Locator:
    return page.get_by_role("button", name="What it takes", exact=True)


def test_a_step_tells_what_it_takes_and_lights_it(page: Page) -> None:
    open_house(page, "Upper terrace", "Runs")
    plain = widest(page)
    fold(page).focus()
    page.keyboard.press("Enter")
    takes = page.get_by_role("list", name="All that it takes")
    expect(takes.get_by_role("listitem")).to_have_count(4)
    clamps = takes.get_by_role("listitem").filter(has_text="Clamps")
    # 17 bows and 5 % of spares: as the answer above tells it.
    expect(clamps).to_contain_text("18")
    expect(clamps).to_contain_text("17 put in, 1 to spare")
    expect(page.locator('[data-answer="run_clamps"]')).to_have_text("18")
    assert widest(page) == plain
    page.keyboard.press("Tab")
    expect(takes.get_by_role("button", name="Run sticks")).to_be_focused()
    page.keyboard.press("Enter")
    page.wait_for_timeout(200)
    assert widest(page) > plain
    assert not serious(page)


def test_a_step_that_takes_nothing_has_no_list(page: Page) -> None:
    open_house(page, "Upper terrace", "Size")
    expect(page.get_by_role("button", name="More numbers")).to_be_visible()
    expect(fold(page)).to_have_count(0)


def test_a_pressed_part_tells_what_it_is(page: Page) -> None:
    open_house(page, "Upper terrace", "Runs")
    stick = page.locator('main svg g[data-part="run:ridge:2"]').first
    stick.dispatch_event("click")
    told = page.get_by_role("status", name="The part that was pressed")
    expect(told).to_contain_text("Run stick")
    expect(told).to_contain_text("Joined by")
    expect(told).to_contain_text("Its tape “Along the run”")
    assert not serious(page)
    # What is no member of the house tells nothing, and says so by nothing.
    told.get_by_role("button", name="Close").click()
    expect(told).to_have_count(0)


def test_film_is_held_as_its_step_tells(page: Page) -> None:
    open_house(page, "Upper terrace", "Cover")
    fold(page).click()
    takes = page.get_by_role("list", name="All that it takes")
    track = takes.get_by_role("listitem").filter(has_text="Sticks of track")
    expect(track).to_contain_text("34")
    expect(page.locator('[data-answer="cover_sticks"]')).to_have_text("34")
    # The sheet is one piece off a roll, and lit where it lies.
    expect(takes.get_by_role("listitem").filter(has_text="Sheet of film")).to_contain_text("from 1 of")
    page.get_by_role("radio", name="With its cover").click()
    page.locator('main svg g[data-part="fix"]').first.dispatch_event("click")
    told = page.get_by_role("status", name="The part that was pressed")
    expect(told).to_contain_text("Sticks of track")
    expect(told).to_contain_text("Screws of the tracks")
    # Across the house both posts of a side are one: it tells all of them.
    page.locator('main svg g[data-part="post:L"]').first.dispatch_event("click")
    expect(told).to_contain_text("17 pieces")
    assert not serious(page)


def test_film_is_chosen_in_the_round(page: Page) -> None:
    open_house(page, "Upper terrace", "Cover")
    page.get_by_role("radio", name="In the round").click()
    pieces = page.get_by_label("Piece", exact=True)
    pieces.select_option("film:1")
    told = page.get_by_role("status", name="The part that was pressed")
    expect(told).to_contain_text("Sheet of film")
    expect(told).to_contain_text("On bow 1 A")
    assert not serious(page)
