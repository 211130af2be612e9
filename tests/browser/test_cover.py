"""The cover: whether a roll reaches, what would, and what holds it, by keyboard."""

import re

from playwright.sync_api import Page, expect

from tests.browser.conftest import field, open_house, step_button
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


def open_house_step(page: Page, title: str) -> None:
    step_button(page, title).click()
    page.get_by_role("complementary", name=title).wait_for()


def picked(page: Page, group: str, text: str) -> None:
    page.get_by_role("radiogroup", name=group).get_by_text(text).click()
    saved(page)


def test_sides_that_roll_are_hung_and_their_controller_is_told(page: Page) -> None:
    open_house(page, "Dune edge", "Roll-up sides")
    side = page.get_by_role("complementary", name="Roll-up sides")
    expect(side).to_contain_text("Say first how the house is covered")
    open_house_step(page, "Cover")
    picked(page, "The ends are covered", "with sheets of their own")
    picked(page, "Fixed along the sides", "at the hip board")
    picked(page, "Up the sides", "a hip board")
    open_house_step(page, "Roll-up sides")
    expect(answer(page, "side_turns")).to_be_visible()
    picked(page, "Turned by", "a motor")
    expect(page.locator('[data-verdict="side-turn"]')).to_have_attribute("data-level", "unknown")
    typed(page, "sides.motor_nm", "40")
    expect(page.locator('[data-verdict="side-turn"]')).to_have_attribute("data-level", "holds")
    # Set-points that open and shut at once are refused in place, and what was typed stays.
    field(page, "sides.shut_c").fill("30")
    field(page, "sides.shut_c").press("Enter")
    expect(side).to_contain_text("open and shut at once")
    field(page, "sides.shut_c").press("Escape")
    typed(page, "sides.open_c", "26")
    page.get_by_role("button", name="The controller").press("Enter")
    page.get_by_role("button", name="Send these").press("Enter")
    panel = page.get_by_role("complementary", name="The controller")
    expect(panel.get_by_role("status")).to_contain_text("opens over 26 °C")
    expect(panel).to_contain_text("Left side up")
    assert serious(page) == []
    page.get_by_role("button", name="Read it").press("Enter")
    expect(panel.get_by_role("status")).to_contain_text("It answered")
    page.get_by_role("button", name="Back to the step").press("Enter")
    page.get_by_role("radio", name="The side").click()
    expect(page.locator("svg text", has_text="motor")).to_be_visible()


def test_a_film_day_is_judged_as_it_is_told_and_drawn_scene_by_scene(page: Page) -> None:
    open_house(page, "Dune edge", "Cover")
    picked(page, "The ends are covered", "with sheets of their own")
    open_house_step(page, "Film day")
    expect(page.locator('[data-verdict^="day-"]')).to_have_count(0)
    typed(page, "hoist.crew", "2")
    expect(page.locator('[data-verdict="day-crew"]')).to_have_attribute("data-level", "fails")
    typed(page, "hoist.crew", "9")
    expect(page.locator('[data-verdict="day-crew"]')).to_have_attribute("data-level", "holds")
    typed(page, "hoist.gust_mps", "9")
    expect(page.locator('[data-verdict="day-gusts"]')).to_contain_text("Wait for another morning")
    expect(page.locator("svg text", has_text="ropes")).to_be_visible()
    page.get_by_text("Pull at one word").click()
    expect(page.locator("svg text", has_text="ropes")).to_have_count(0)
    expect(page.locator("svg text", has_text="wind")).to_be_visible()
    assert serious(page) == []


def test_rigid_sheets_are_laid_numbered_and_cut_to_the_ends(page: Page) -> None:
    open_house(page, "Dune edge", "Rigid sheets")
    picked(page, "Rigid sheets", "over the roof and ends")
    expect(page.locator('[data-verdict="sheet-bears"]')).to_have_attribute("data-level", "unknown")
    typed(page, "sheets.span_m", "0.5")
    expect(page.locator('[data-verdict="sheet-bears"]')).to_have_attribute("data-level", "fails")
    page.get_by_role("radio", name="Sheets on the ends").click()
    page.get_by_role("button", name="as a table").press("Enter")
    expect(page.get_by_role("row", name=re.compile("^Front 1"))).to_contain_text("highest")
    assert serious(page) == []
    field(page, "sheets.wide_m").fill("9")
    field(page, "sheets.wide_m").press("Enter")
    expect(page.get_by_role("complementary", name="Rigid sheets")).to_contain_text("300 mm at the least")
    expect(field(page, "sheets.wide_m")).to_have_value("9")
