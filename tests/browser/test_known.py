"""A house goes in by what is known of it: counts, beds, a figure pressed on the drawing, a picture picked."""

import re

from playwright.sync_api import Page, expect

from tests.browser.conftest import field, open_house
from tests.browser.test_bench import saved
from tests.browser.test_ground import answer


def test_the_number_of_bows_makes_the_bays(page: Page) -> None:
    open_house(page, "Upper terrace", "Set out")
    page.get_by_text("by the number of bows", exact=True).click()
    expect(field(page, "bows.max_spacing_m")).to_have_count(0)
    field(page, "bows.count").fill("15")
    field(page, "bows.count").press("Enter")
    # 63 ft in 14 bays.
    expect(page.get_by_text("4' 6\" apart")).to_be_visible()
    saved(page)


def test_a_count_that_clashes_is_named_and_cured(page: Page) -> None:
    open_house(page, "Upper terrace", "Set out")
    field(page, "bows.count").fill("16")
    field(page, "bows.count").press("Enter")
    panel = page.get_by_role("complementary")
    expect(panel).to_contain_text("wants 17 bows, and you count 16: 1 bow is short. Bows are one more than bays.")
    page.locator('[data-remedy="bow-count"] button').first.click()
    expect(panel).not_to_contain_text("1 bow is short")
    saved(page)


def test_whole_sticks_make_the_height(page: Page) -> None:
    open_house(page, "Upper terrace", "Bows")
    page.get_by_text("used whole, the height follows", exact=True).click()
    expect(answer(page, "left_over")).to_have_text('0"')
    expect(field(page, "bows.sticks")).to_have_value("2")
    saved(page)


def test_beds_are_listed_and_a_layout_is_picked_by_its_picture(page: Page) -> None:
    open_house(page, "Upper terrace", "Inside")
    page.get_by_text("my own, one by one", exact=True).click()
    beds = field(page, "inside.own_beds_m")
    beds.press_sequentially("34, 42, 28")
    beds.press("Enter")
    expect(beds).to_have_value("2' 10\", 3' 6\", 2' 4\"")
    expect(answer(page, "beds")).to_have_text("3")
    beds.fill("34, wide")
    beds.press("Enter")
    expect(page.get_by_text("wide: ")).to_be_visible()
    expect(beds).to_have_value("34, wide")
    beds.press("Escape")
    page.get_by_role("radio", name="Layouts").click()
    page.locator('[data-picks="inside.along_walls=path"]').first.click()
    expect(answer(page, "beds")).to_have_text("6")
    saved(page)


def test_a_shape_is_picked_by_its_picture(page: Page) -> None:
    open_house(page, "Upper terrace")
    page.get_by_role("radio", name="Shapes").click()
    page.locator('[data-picks="size.shape=gothic"]').first.click()
    expect(field(page, "size.shape.radius_m")).to_be_visible()
    saved(page)


def test_a_figure_is_pressed_on_the_drawing_and_another_typed(page: Page) -> None:
    open_house(page, "Upper terrace")
    page.locator('[data-type="size.span_m"]').click()
    slip = page.locator('[data-slip="size.span_m"]')
    slip.get_by_role("textbox").fill("24")
    expect(slip).to_contain_text("24' 0\"")
    slip.get_by_role("textbox").press("Enter")
    expect(slip).to_have_count(0)
    expect(field(page, "size.span_m")).to_have_value("24' 0\"")
    page.locator('[data-type="size.span_m"]').click()
    slip.get_by_role("textbox").fill("900")
    slip.get_by_role("textbox").press("Enter")
    # What can't be is said where it was typed, and Escape takes the slip away.
    expect(slip).to_contain_text(re.compile("at the most"))
    slip.get_by_role("textbox").press("Escape")
    expect(slip).to_have_count(0)
    expect(field(page, "size.span_m")).to_have_value("24' 0\"")
    saved(page)


def test_what_is_settled_once_is_folded_but_never_when_it_is_refused(page: Page) -> None:
    open_house(page, "Upper terrace", "Inside")
    more = page.get_by_role("button", name="More to set")
    expect(more).to_have_attribute("aria-expanded", "false")
    front = field(page, "inside.front_m")
    front.fill("nothing")
    front.press("Enter")
    more.click()
    expect(front).to_be_visible()
    front.press("Escape")
