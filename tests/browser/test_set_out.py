"""Choosing how to square the base: ranked ways, steps with readings, the tapes on the drawing."""

from playwright.sync_api import Page, expect

from tests.browser.conftest import field, open_house
from tests.browser.test_bench import saved


def test_the_way_to_square_is_chosen_by_what_it_leaves(page: Page) -> None:
    open_house(page, "Upper terrace", "Set out")
    steps = page.get_by_role("list", name="How to square it")
    expect(steps).to_contain_text("tape 2 from A reads 66' 10 3/4\"")
    page.get_by_role("button", name="How to square it").click()
    expect(page.get_by_role("option", name="the best")).to_contain_text("±")
    page.get_by_role("option", name="3-4-5 in feet").click()
    expect(steps).to_contain_text("From A peg 4' 0\"")
    expect(page.locator("svg text", has_text="tape 2 reads 5' 0\"")).to_be_visible()
    saved(page)


def test_a_shorter_tape_changes_the_way(page: Page) -> None:
    open_house(page, "Upper terrace", "Set out")
    field(page, "set_out.tape_m").fill("50")
    field(page, "set_out.tape_m").press("Enter")
    expect(page.get_by_role("list", name="How to square it")).to_contain_text("a peg 31' 6\" back from B")
    skew = page.locator('[data-answer="skew"]')
    before = skew.text_content() or ""
    field(page, "set_out.reading_error_m").fill("1/4 in")
    field(page, "set_out.reading_error_m").press("Enter")
    expect(skew).not_to_have_text(before)
    page.get_by_text("an end", exact=True).click()
    expect(page.get_by_role("list", name="How to square it")).to_contain_text("A to D")
