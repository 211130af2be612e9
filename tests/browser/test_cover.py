"""The cover: whether a roll reaches, what would, and what holds it, by keyboard."""

import re

from playwright.sync_api import Page, expect

from tests.browser.conftest import field, open_house
from tests.browser.test_bench import saved
from tests.browser.test_ground import answer
from tests.browser.test_known import typed
from tests.browser.test_reach import serious


def test_a_roll_too_narrow_is_told_with_what_would_reach(page: Page) -> None:
    open_house(page, "Dune edge", "Cover")
    side = page.get_by_role("complementary", name="Cover")
    expect(side).to_contain_text("Say how the ends are covered")
    expect(page.locator('[data-verdict="cover-wide"]')).to_have_count(0)
    page.get_by_role("radiogroup", name="The ends are covered").get_by_text("with sheets of their own").click()
    saved(page)
    wide = page.locator('[data-verdict="cover-wide"]')
    expect(wide).to_have_attribute("data-level", "holds")
    typed(page, "cover.roll_m", "12")
    expect(wide).to_have_attribute("data-level", "fails")
    expect(wide).to_contain_text("short on each side")
    assert serious(page) == []
    wide.locator("[data-remedy] button").first.press("Enter")
    saved(page)
    expect(wide).not_to_have_attribute("data-level", "fails")
    page.get_by_role("button", name=re.compile("^Undo")).click()
    saved(page)
    expect(wide).to_have_attribute("data-level", "fails")
    field(page, "cover.roll_m").fill("wide")
    field(page, "cover.roll_m").press("Enter")
    expect(side).to_contain_text(re.compile("Can’t read|Can't read"))
    expect(field(page, "cover.roll_m")).to_have_value("wide")
    field(page, "cover.roll_m").press("Escape")
    page.get_by_role("radio", name="With its cover").click()
    expect(page.locator("svg text", has_text="over the outside")).to_be_visible()
    expect(answer(page, "cover_wide")).to_be_visible()
    assert serious(page) == []
