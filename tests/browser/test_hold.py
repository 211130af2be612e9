"""Soil and what holds the house down, on the screen and by keyboard."""

import re

from playwright.sync_api import Page, expect

from tests.browser.conftest import field, open_house, step_button
from tests.browser.test_bench import saved
from tests.browser.test_ground import answer
from tests.browser.test_known import choose, pick, typed
from tests.browser.test_reach import serious
from tests.browser.test_strength import tell


def test_a_house_is_held_down_link_by_link(page: Page) -> None:
    open_house(page, "Upper terrace", "Weather")
    tell(page)
    step_button(page, "Soil").click()
    side = page.get_by_role("complementary")
    expect(side).to_contain_text("Dig a test hole")
    choose(page, "The ground is", "clay, silty clay")
    typed(page, "soil.frost_m", "3'")
    expect(side).to_contain_text("read their tops again each spring")
    assert serious(page) == []
    step_button(page, "Holds down").click()
    expect(side).to_contain_text("friction alone")
    choose(page, "Posts are set", "in a hole of concrete")
    expect(side).to_contain_text("Wet cement burns")
    # Each hole by its own depth, on ground that falls.
    expect(answer(page, "bags")).to_have_text("98")
    expect(side).to_contain_text("2 to 4 to a hole")
    expect(answer(page, "link_2")).to_contain_text("not known")
    pick(page, "a bolt or bar through it")
    expect(answer(page, "link_2")).to_contain_text("lb")
    typed(page, "posts.bolt_m", "2 in")
    expect(side).to_contain_text("Bolt through bow and post")
    expect(answer(page, "link_1")).to_contain_text("lb")
    page.get_by_role("radio", name="Ways to set it").click()
    page.get_by_role("button", name="as a table").click()
    table = page.get_by_role("table", name="Ways to set it")
    expect(table).to_contain_text("people choose it when")
    expect(table).to_contain_text("no sourced value: test it")
    assert serious(page) == []
    saved(page)


def test_three_posts_that_were_pulled_at_say_what_holds(page: Page) -> None:
    open_house(page, "Upper terrace", "Weather")
    tell(page)
    step_button(page, "Holds down").click()
    expect(page.get_by_role("complementary")).to_contain_text("What is the ground?")
    page.get_by_role("button", name="More to set").click()
    choose(page, "Posts pulled at were", "driven, ground left whole")
    expect(page.get_by_role("complementary")).to_contain_text("Stand clear of a rig")
    typed(page, "record.pulls.deep_m", "16 in")
    for number, held in ((1, "900"), (2, "840")):
        typed(page, f"record.pulls.up.{number}", held)
    third = field(page, "record.pulls.up.3")
    for wrong, says in (("lots", "Can't read “lots”"), ("1,000", "Leave out the comma")):
        third.fill(wrong)
        third.press("Enter")
        expect(page.get_by_text(says)).to_be_visible()
    third.fill("")
    typed(page, "record.pulls.up.3", "1000")
    expect(answer(page, "link_2")).to_contain_text(re.compile("420 lb"))
    expect(field(page, "record.pulls.up.3")).to_have_value("1,000 lb")
    saved(page)


def test_posts_are_measured_one_after_the_other_at_the_tape(page: Page) -> None:
    open_house(page, "Upper terrace", "Along the row")
    side = page.get_by_role("complementary")
    expect(side).to_contain_text('Next: post 1 left, to the string; it should read 2"')
    entry = page.get_by_role("textbox", name="Post 1 left, to the string")
    entry.click()
    # A gap, then the next post's: Enter goes on along the row.
    for gap in ("2 in", "1 in", "2 in"):
        page.keyboard.type(gap)
        page.keyboard.press("Enter")
    expect(page.get_by_role("textbox", name="Post 4 left, to the string")).to_be_focused()
    expect(side).to_contain_text('post 2 left: bring it in by 1"')
    expect(side).to_contain_text("boards and film follow it")
    assert serious(page) == []
    saved(page)
    page.reload()
    expect(page.get_by_role("complementary")).to_contain_text("post 2 left: bring it in")
