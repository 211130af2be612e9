"""Runs, braces, boards and the frame pulled plumb, on the screen and by keyboard."""

import re

from playwright.sync_api import Page, expect

from tests.browser.conftest import field, grip, open_house, step_button
from tests.browser.test_bench import saved
from tests.browser.test_ground import answer
from tests.browser.test_known import pick, typed
from tests.browser.test_reach import serious
from tests.browser.test_strength import tell


def test_a_frame_is_tied_and_braced(page: Page) -> None:
    open_house(page, "Upper terrace", "Runs")
    side = page.get_by_role("complementary")
    expect(side).to_contain_text("Nobody climbs on the bows")
    typed(page, "strength.runs", "5")
    # 17 by their length; a stick has one swaged end, so what is cut off one goes only where a run begins.
    expect(answer(page, "run_sticks")).to_have_text("18")
    expect(side).to_contain_text("of 21' 0\", 15 splices")
    pick(page, "over them, under the two at the ends")
    expect(page.get_by_text("another clamp there, so that no end stands proud")).to_be_visible()
    pick(page, "at heights of my own")
    heights = field(page, "runs.heights_m")
    heights.fill("5', 20'")
    heights.press("Enter")
    expect(page.get_by_text("A run can’t lie over the ridge")).to_be_visible()
    expect(heights).to_have_value("5', 20'")
    heights.fill("5', 8'")
    heights.press("Enter")
    saved(page)
    expect(answer(page, "runs")).to_have_text("5")
    assert serious(page) == []
    step_button(page, "Braces").click()
    expect(side).to_contain_text("How many bays of each side are braced?")
    typed(page, "braces.bays", "1")
    expect(side).to_contain_text("No brace pulls when wind blows at the front")
    # What it costs to put right was planned in full, and is taken by one press.
    page.locator("[data-remedy] button").first.click()
    saved(page)
    expect(side).not_to_contain_text("No brace pulls")
    foot = field(page, "braces.head_m")
    foot.fill("40'")
    foot.press("Enter")
    expect(side).to_contain_text("over the crown")
    foot.fill("")
    foot.press("Enter")
    pick(page, "a collar with two struts in a V")
    page.get_by_role("radio", name="Across", exact=True).click()
    before = field(page, "braces.tie_m").input_value()
    grip(page, "braces.tie_m").focus()
    page.keyboard.press("ArrowUp")
    expect(field(page, "braces.tie_m")).not_to_have_value(before)
    saved(page)
    page.get_by_role("button", name="as a table").click()
    expect(page.get_by_role("table", name="Across")).to_contain_text("Strut to the left")
    assert serious(page) == []
    # The brace's foot asks more of its post, which is told by itself.
    step_button(page, "Weather").click()
    tell(page)
    step_button(page, "Braces").click()
    expect(answer(page, "brace_pull")).to_contain_text("lb")
    step_button(page, "Holds down").click()
    expect(side).to_contain_text("Where a brace stands")


def test_a_side_is_boarded(page: Page) -> None:
    open_house(page, "Dune edge", "Boards")
    side = page.get_by_role("complementary")
    pick(page, "a hip board")
    expect(answer(page, "side_opens")).to_contain_text("m")
    pick(page, "a base board")
    pick(page, "two high, the lower one can be renewed")
    expect(side).to_contain_text("Lower base boards")
    page.get_by_role("button", name="More to set").click()
    bolts = field(page, "boards.bolt_long_m")
    bolts.fill("40")
    bolts.press("Enter")
    expect(side).to_contain_text("The bolt is too short")
    bolts.fill("120")
    bolts.press("Enter")
    saved(page)
    pick(page, "before the bows")
    expect(page.get_by_text("Boards first, on posts alone")).to_be_visible()
    assert serious(page) == []


def test_a_frame_is_read_pulled_and_read_again(page: Page) -> None:
    open_house(page, "Kitchen plot", "Plumb")
    side = page.get_by_role("complementary")
    expect(side).to_contain_text("Next: bow 1, tape at the crown")
    entry = page.get_by_role("textbox", name="Bow 1, tape at the crown")
    entry.click()
    # Read at the tape one after the other, as fast as they are called.
    page.keyboard.type("0")
    page.keyboard.press("Enter")
    expect(page.get_by_role("textbox", name="Bow 2, tape at the crown")).to_be_focused()
    page.keyboard.type("3 ft 6")
    page.keyboard.press("Enter")
    saved(page)
    expect(side).to_contain_text("leans to the")
    assert serious(page) == []
    page.get_by_role("button", name="Pulled: read it again").click()
    saved(page)
    expect(side).to_contain_text("Round 1, out most")
    expect(side).not_to_contain_text("leans to the")
    page.get_by_role("button", name="Undo").click()
    expect(side).to_contain_text("leans to the")


def test_an_end_is_framed_to_the_curve(page: Page) -> None:
    open_house(page, "Upper terrace", "Ends")
    side = page.get_by_role("complementary")
    expect(side).to_contain_text("Frame the front, or leave it open")
    pick(page, "framed with studs")
    expect(side).to_contain_text("sticks of the front")
    expect(answer(page, "leaf_wide_1")).to_have_text("3' 11 1/2\"")
    typed(page, "ends.front.wide_m", "18'")
    high = field(page, "ends.front.high_m")
    high.fill("12'")
    high.press("Enter")
    expect(side).to_contain_text("The header’s corner would stand through the bow")
    expect(high).to_have_value("12'")
    high.fill("7'")
    high.press("Enter")
    saved(page)
    # Pulled along the wall by keyboard, from the middle.
    grip(page, "ends.front.left_m").focus()
    page.keyboard.press("ArrowRight")
    expect(field(page, "ends.front.left_m")).not_to_have_value("")
    typed(page, "ends.front.wide_m", "5'")
    # A louvre finds room beside the door, can be pulled, and is refused where it can't be.
    pick(page, "one more")
    page.get_by_role("button", name=re.compile("Front: opening 1$")).click()
    page.get_by_role("option", name="a louvre", exact=True).click()
    saved(page)
    expect(field(page, "ends.front.openings.0.left_m")).not_to_have_value("")
    up = field(page, "ends.front.openings.0.low_m")
    grip(page, "ends.front.openings.0.low_m").focus()
    page.keyboard.press("ArrowUp")
    expect(up).to_have_value("4' 0 1/16\"")
    saved(page)
    up.fill("13'")
    up.press("Enter")
    expect(side).to_contain_text("through the bow")
    expect(up).to_have_value("13'")
    up.press("Escape")
    page.get_by_role("button", name="as a table").click()
    expect(page.get_by_role("table", name="Front", exact=True)).to_contain_text("long point")
    assert serious(page) == []
    # The back is its own.
    pick(page, "the back")
    expect(side).to_contain_text("Frame the back, or leave it open")
    saved(page)
