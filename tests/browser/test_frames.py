"""The map of frames, what parts buy, an offer and what the house carries, by keyboard and by hand."""

import re

from playwright.sync_api import Page, expect

from tests.browser.conftest import Server, field, open_house, step_button
from tests.browser.test_bench import saved
from tests.browser.test_ground import answer
from tests.browser.test_known import choose, typed
from tests.browser.test_reach import serious
from tests.browser.test_strength import tell


def mapped(page: Page, whole: bool = True) -> None:
    open_house(page, "Upper terrace", "Weather")
    tell(page)
    typed(page, "weather.ground_snow_pa", "4")
    step_button(page, "Strength").click()
    choose(page, "Bow tube", "Fence post 2 3/8 in")
    saved(page)
    step_button(page, "Frames").click()
    if whole:
        expect(page.locator('[data-map="ended"]')).to_be_visible(timeout=60_000)


def test_a_frame_is_walked_to_drawn_and_taken_and_undone_with_one_press(page: Page) -> None:
    # One line of ties is walked as three are.
    mapped(page, whole=False)
    page.get_by_role("radiogroup", name="Ties").get_by_text("as they are").click()
    saved(page)
    expect(page.locator('[data-map="ended"]')).to_be_visible(timeout=60_000)
    field_ = page.get_by_role("listbox", name=re.compile("^Map of frames"))
    assert field_.get_by_role("option").count() > 12
    before = field(page, "bows.max_spacing_m").count()
    field_.focus()
    page.keyboard.press("Home")
    chosen = field_.locator('[role="option"][aria-selected="true"]')
    expect(chosen).to_have_count(1)
    first = chosen.get_attribute("aria-label") or ""
    main = page.get_by_role("main")
    expect(main).to_contain_text(first.split(",")[0])
    page.keyboard.press("ArrowLeft")
    expect(chosen).not_to_have_attribute("aria-label", first)
    page.keyboard.press("Home")
    expect(chosen).to_have_attribute("aria-label", first)
    assert serious(page) == []
    page.keyboard.press("Enter")
    saved(page)
    # It is the design now: the map comes anew around it, and its own frame is marked.
    expect(page.locator('[data-map="ended"]')).to_be_visible(timeout=60_000)
    step_button(page, "Bows").click()
    expect(page.get_by_role("complementary")).to_contain_text(first.split(",")[0])
    assert before == 0
    page.get_by_role("button", name="Undo").click()
    saved(page)
    expect(page.get_by_role("complementary")).to_contain_text("Fence post 2 3/8 in")


def test_held_values_narrow_the_map_and_it_can_be_stopped(page: Page) -> None:
    mapped(page)
    options = page.get_by_role("listbox", name=re.compile("^Map of frames")).get_by_role("option")
    many = options.count()
    page.get_by_role("radiogroup", name="Ties").get_by_text("as they are").click()
    saved(page)
    expect(page.locator('[data-map="ended"]')).to_be_visible(timeout=60_000)
    assert 0 < options.count() < many
    page.get_by_role("radiogroup", name="Ties").get_by_text("any").click()
    stop = page.get_by_role("button", name="Stop")
    stop.press("Enter")
    expect(page.get_by_text("stopped.")).to_be_visible()
    saved(page)


def test_what_each_part_buys_is_taken_by_the_press(page: Page) -> None:
    mapped(page, whole=False)
    page.get_by_role("radio", name="What each part buys").click()
    table = page.locator("[data-buys]")
    expect(table).to_contain_text("bows closer")
    expect(table.get_by_role("img").first).to_be_visible()
    assert serious(page) == []
    table.get_by_role("button", name="3 runs").press("Enter")
    saved(page)
    step_button(page, "Runs").click()
    expect(field(page, "strength.runs")).to_have_value("3")


def test_an_offer_and_its_sellers_figures(page: Page) -> None:
    mapped(page, whole=False)
    page.get_by_role("radio", name="An offer").click()
    page.get_by_role("button", name="More to set").click()
    choose(page, "Offer: bow tube", "Fence post 1 7/8 in")
    typed(page, "frames.offer_spacing_m", "5'")
    typed(page, "frames.seller_deep_m", "3 ft")
    table = page.locator("[data-offer]")
    expect(table).to_contain_text("the offer")
    expect(answer(page, "seller_settled")).to_have_text("37.5 psf")
    expect(page.get_by_text("Which snow")).to_be_visible()
    field(page, "frames.seller_gust_mps").fill("fast")
    field(page, "frames.seller_gust_mps").press("Enter")
    expect(page.get_by_text(re.compile("Can’t read|Write"))).to_be_visible()
    expect(field(page, "frames.seller_gust_mps")).to_have_value("fast")
    field(page, "frames.seller_gust_mps").press("Escape")
    assert serious(page) == []
    page.get_by_role("button", name="Make the offer the house").press("Enter")
    saved(page)
    step_button(page, "Bows").click()
    expect(page.get_by_role("complementary")).to_contain_text("Fence post 1 7/8 in")


def test_what_it_carries_and_the_habit_of_clearing(page: Page, server: Server) -> None:
    open_house(page, "Upper terrace", "Weather")
    tell(page)
    step_button(page, "Strength").click()
    choose(page, "Bow tube", "Fence post 2 3/8 in")
    typed(page, "bows.max_spacing_m", "2'")
    step_button(page, "Carries").click()
    expect(answer(page, "deep_settled")).to_have_text(re.compile(r"\d+\""))
    expect(answer(page, "gust_shut")).to_have_text("not known")
    expect(page.get_by_role("main")).to_contain_text("Film, and what fixes it")
    typed(page, "carries.clear_m", "1 in")
    side = page.get_by_role("complementary")
    expect(side).to_contain_text('Cleared at 1"')
    assert serious(page) == []
    page.set_viewport_size({"width": 390, "height": 844})
    expect(answer(page, "deep_settled")).to_be_visible()
    assert serious(page) == []
    # The server killed and started again says the same.
    said = answer(page, "deep_settled").text_content() or ""
    saved(page)
    server.kill()
    server.start()
    page.reload()
    expect(answer(page, "deep_settled")).to_have_text(said)
