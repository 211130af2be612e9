"""The tape strip: it zooms, scrolls, steps mark by mark, and shares its selection with the drawing."""

import re

from playwright.sync_api import Page, expect

from tests.browser.conftest import open_house, step_button
from tests.browser.test_bench import saved


def strip(page: Page):  # type: ignore[no-untyped-def]
    return page.locator("[data-strip]")


def span(page: Page) -> float:
    return float(strip(page).get_attribute("data-span") or 0)


def chosen(page: Page):  # type: ignore[no-untyped-def]
    return page.locator('[data-strip] [role="option"][aria-selected="true"]')


def test_arrows_step_from_mark_to_mark(page: Page) -> None:
    open_house(page, "Upper terrace", "Bows")
    strip(page).focus()
    page.keyboard.press("Home")
    expect(chosen(page)).to_have_attribute("aria-label", 'post top, 6"')
    page.keyboard.press("ArrowRight")
    expect(chosen(page)).to_have_attribute("aria-label", "bend starts, 1' 8\"")
    page.keyboard.press("End")
    expect(chosen(page)).to_have_attribute("aria-label", "end, 21' 0\"")
    page.keyboard.press("ArrowLeft")
    expect(chosen(page)).to_have_attribute("aria-label", "next stick to here, 20' 7\"")
    active = strip(page).get_attribute("aria-activedescendant")
    assert active == chosen(page).get_attribute("id")


def test_it_zooms_and_slides_by_keys_and_wheel(page: Page) -> None:
    open_house(page, "Upper terrace", "Set out")
    strip(page).focus()
    page.keyboard.press("0")
    whole = span(page)
    page.keyboard.press("+")
    page.keyboard.press("+")
    assert span(page) < whole / 2
    box = strip(page).bounding_box()
    assert box is not None
    page.mouse.move(box["x"] + 300, box["y"] + 100)
    before = span(page)
    page.mouse.wheel(0, -300)
    expect(strip(page)).not_to_have_attribute("data-span", f"{before:.4f}")
    assert span(page) < before
    page.keyboard.press("Home")
    for _ in range(30):
        page.keyboard.press("+")
    # A hand's width of tape shows sixteenths.
    assert span(page) < 0.13
    page.keyboard.press("0")
    assert abs(span(page) - whole) < 1e-3


def test_a_mark_chosen_far_away_comes_into_view(page: Page) -> None:
    open_house(page, "Upper terrace", "Set out")
    strip(page).focus()
    page.keyboard.press("Home")
    for _ in range(6):
        page.keyboard.press("+")
    page.keyboard.press("End")
    mark = page.locator('[data-strip] g[role="option"][aria-selected="true"]')
    expect(mark).to_have_attribute("aria-label", "corner B, 63' 0\"")
    frame, box = strip(page).bounding_box(), mark.bounding_box()
    assert frame is not None
    assert box is not None
    assert frame["x"] <= box["x"] <= frame["x"] + frame["width"]


def test_selection_goes_both_ways(page: Page) -> None:
    open_house(page, "Upper terrace", "Set out")
    strip(page).focus()
    page.keyboard.press("Home")
    page.keyboard.press("ArrowRight")
    lit = page.locator('svg [data-mark="post:L2"] circle[r="11"]')
    expect(lit).to_have_count(1)
    # The other way round, and over to the other side's tape.
    page.locator('main svg[role="group"] [data-mark="post:R5"]').click()
    expect(strip(page)).to_have_attribute("data-strip", "peg:R")
    expect(chosen(page)).to_have_attribute("aria-label", "peg 5, 15' 9\", set")


def test_pegs_are_ticked_off(page: Page) -> None:
    open_house(page, "Upper terrace", "Set out")
    panel = page.get_by_role("complementary")
    expect(panel).to_contain_text("Next: corner B, at 63' 0\" from A.")
    expect(chosen(page)).to_have_attribute("aria-label", "corner B, 63' 0\"")
    strip(page).focus()
    page.keyboard.press(" ")
    # The hand goes on to the next one: panel, tape and button name the same peg.
    expect(chosen(page)).to_have_attribute("aria-label", "peg 6, 19' 8 1/4\"")
    expect(panel).to_contain_text("Next: peg 6, right side")
    expect(page.get_by_role("button", name="peg 6 is in")).to_be_visible()
    strip(page).focus()
    page.keyboard.press("Home")
    page.get_by_role("radio", name="Left side, A to B").click()
    page.get_by_role("radio", name="Right side, D to C").click()
    # A tape that is taken up begins at its next open mark.
    expect(chosen(page)).to_have_attribute("aria-label", "peg 6, 19' 8 1/4\"")
    page.get_by_role("radio", name="Left side, A to B").click()
    strip(page).focus()
    page.keyboard.press("End")
    expect(panel).to_contain_text("Corner B, left side, is set.")
    page.get_by_role("button", name="corner B is in").click()
    expect(panel).to_contain_text("Next: corner B")


def test_a_step_begins_at_its_own_work_not_at_what_was_chosen_before(page: Page) -> None:
    open_house(page, "Upper terrace", "Set out")
    strip(page).focus()
    page.keyboard.press(" ")
    expect(chosen(page)).to_have_attribute("aria-label", "peg 6, 19' 8 1/4\"")
    step_button(page, "Footing").click()
    panel = page.get_by_role("complementary")
    expect(panel.get_by_role("heading", level=1)).to_have_text("Footing")
    expect(panel).to_contain_text("Next: post 1, left side.")
    expect(chosen(page)).to_have_attribute("aria-label", re.compile("corner A"))


def test_two_presses_in_one_moment_set_one_peg(page: Page) -> None:
    open_house(page, "Upper terrace", "Set out")
    set_before = page.get_by_role("button", name="Set out").text_content()
    page.get_by_role("button", name="corner B is in").dblclick()
    expect(chosen(page)).to_have_attribute("aria-label", "peg 6, 19' 8 1/4\"")
    expect(page.get_by_role("button", name="Set out")).not_to_have_text(set_before or "")
    saved(page)
    page.get_by_role("button", name="History").click()
    expect(page.locator("[data-version]").first).to_contain_text("Peg 17 left set")
    expect(page.locator("[data-version]").nth(1)).not_to_contain_text("taken back")


def test_the_drawing_s_marks_choose_on_the_sticks(page: Page) -> None:
    open_house(page, "Upper terrace", "Bows")
    page.locator('main svg[role="group"] [data-mark="bend:R"]').click()
    expect(strip(page)).to_have_attribute("data-strip", "stick:B")
    expect(chosen(page)).to_have_attribute("aria-label", "bend ends, 16' 5 1/8\"")
