"""Shapes, sticks, bending, the trial and the check of every bow, as a builder would go through them."""

import re

from playwright.sync_api import Page, expect

from tests.browser.conftest import field, grip, open_house, step_button
from tests.browser.test_bench import saved
from tests.browser.test_ground import answer


def choose(page: Page, label: str, option: str) -> None:
    page.get_by_label("Size").get_by_role("button", name=re.compile(f"{label}$")).click()
    page.get_by_role("option", name=option).click()


def step(page: Page, name: str) -> None:
    step_button(page, name).click()


def under(page: Page, upper: str, lower: str) -> None:
    """Some words of a drawing stand below others, in line with them."""
    page.wait_for_function(
        """([upper, lower]) => {
            const middles = (words) => [...document.querySelectorAll("svg text")]
                .filter((each) => each.textContent === words)
                .map((each) => each.getBoundingClientRect())
                .map(({ x, width }) => x + width / 2);
            const [ones, others] = [middles(upper), middles(lower)];
            return ones.length === 1 && others.length === 1 && Math.abs(ones[0] - others[0]) < 2;
        }""",
        arg=[upper, lower],
    )


def apart(page: Page) -> None:
    """No words of the drawing lie over others."""
    boxes = page.evaluate(
        """() => [...document.querySelectorAll('svg[aria-label^="Shapes"] text')].map((each) => {
            const { x, y, width, height } = each.getBoundingClientRect();
            return [x, y, x + width, y + height];
        })"""
    )
    assert len(boxes) > 20
    for place, (left, top, right, bottom) in enumerate(boxes):
        for other in boxes[place + 1 :]:
            across = min(right, other[2]) - max(left, other[0])
            down = min(bottom, other[3]) - max(top, other[1])
            assert across <= 0 or down <= 3, (boxes[place], other)


def test_words_of_the_shapes_keep_apart_on_a_narrow_house(page: Page) -> None:
    open_house(page, "Upper terrace")
    page.get_by_role("radio", name="Shapes").click()
    field(page, "size.span_m").fill("14-7")
    page.keyboard.press("Enter")
    expect(page.locator(".size")).to_have_text("14' 7\" × 63'")
    saved(page)
    under(page, "half circle on legs", "this house")
    apart(page)


def test_shapes_stand_side_by_side_and_are_chosen(page: Page) -> None:
    open_house(page, "Upper terrace")
    page.get_by_role("radio", name="Shapes").click()
    under(page, "half circle on legs", "this house")
    choose(page, "Shape", "bent shoulders")
    under(page, "bent shoulders", "this house")
    page.get_by_role("button", name="as a table").click()
    expect(page.get_by_role("row", name="Gothic: tube per bow")).to_be_visible()
    page.get_by_role("button", name="as a table").click()
    field(page, "size.shape.shoulder_m").fill("40")
    expect(page.get_by_text("would do")).to_be_visible()
    expect(field(page, "size.shape.shoulder_m")).to_have_value("40")
    page.get_by_role("button", name=re.compile("^Take")).last.click()
    saved(page)
    page.get_by_role("radio", name="Across", exact=True).click()
    before = field(page, "size.shape.shoulder_m").input_value()
    grip(page, "size.shape.shoulder_m").focus()
    page.keyboard.press("PageUp")
    expect(field(page, "size.shape.shoulder_m")).not_to_have_value(before)
    saved(page)


def test_what_only_a_gothic_or_kneed_bow_has_is_gripped(page: Page) -> None:
    open_house(page, "Upper terrace")
    choose(page, "Shape", "gothic")
    expect(field(page, "size.shape.radius_m")).to_have_value("")
    grip(page, "size.shape.radius_m").press("PageUp")
    expect(field(page, "size.shape.radius_m")).not_to_have_value("")
    choose(page, "Shape", "kneed, straight pieces")
    for piece in ("size.shape.lower_m", "size.shape.upper_m"):
        before = field(page, piece).input_value()
        box = grip(page, piece).bounding_box()
        assert box is not None
        x, y = box["x"] + box["width"] / 2, box["y"] + box["height"] / 2
        page.mouse.move(x, y)
        page.mouse.down()
        page.mouse.move(x, y - 30, steps=5)
        page.mouse.up()
        expect(field(page, piece)).not_to_have_value(before)
    saved(page)


def test_every_shape_reaches_the_sticks(page: Page) -> None:
    open_house(page, "Dune edge")
    for option, told in (("gothic", "Ridge plate turns"), ("peaked", "Ridge plate turns"), ("kneed", "Elbow 1 turns")):
        step(page, "Size")
        choose(page, "Shape", option)
        saved(page)
        step_button(page, "Bows").click()
        # Of the bows, not of the step that was there a moment before; by key, as ways out that come in push it down.
        page.get_by_label("Bows").get_by_role("button", name="More numbers").press("Enter")
        expect(page.get_by_text(told)).to_be_visible()
        expect(page.locator("[data-strip]")).to_be_visible()


def test_the_way_of_joining_changes_the_marks(page: Page) -> None:
    open_house(page, "Upper terrace", "Bows")
    expect(page.locator('[data-strip="stick:A"]')).to_contain_text("next stick to here")
    page.get_by_label("Bows").get_by_role("button", name="Joined by").click()
    page.get_by_role("option", name="coupler").click()
    expect(page.locator('[data-strip="stick:A"]')).to_contain_text("coupler to here")
    field(page, "bows.bundle").fill("7.5")
    field(page, "bows.bundle").press("Enter")
    expect(page.get_by_text("Write a whole number")).to_be_visible()
    field(page, "bows.bundle").fill("7")
    field(page, "bows.bundle").press("Enter")
    expect(page.get_by_text("Bundles of 7")).to_be_visible()


def test_a_trial_bend_tells_the_house_it_makes(page: Page) -> None:
    open_house(page, "Upper terrace", "Bend")
    pulls = page.get_by_role("list", name="The pulls of the first stick").get_by_role("button")
    # The pulls that are alike are one line; pressed, the last of them is drawn.
    pulls.nth(1).click()
    expect(page.get_by_role("group", name="Pull 10")).to_be_visible()
    field(page, "bending.former_m").fill("9")
    field(page, "bending.former_m").press("Enter")
    expect(answer(page, "came_out")).to_be_visible()
    theory = answer(page, "came_out").text_content() or ""
    field(page, "record.trial.chord_m").fill("6")
    field(page, "record.trial.chord_m").press("Enter")
    field(page, "record.trial.height_m").fill("5 1/16 in")
    field(page, "record.trial.height_m").press("Enter")
    expect(answer(page, "came_out")).not_to_have_text(theory)
    expect(page.get_by_label("Bend").get_by_text("The trial makes a house")).to_be_visible()
    expect(page.locator('[data-verdict="as-bent"]')).to_have_attribute("data-level", "tight")
    expect(page.locator('[data-verdict="as-bent"]')).to_contain_text("forced in by hand")
    page.locator('[data-remedy="as-bent"] button').first.click()
    saved(page)


def test_bows_are_measured_one_by_one(page: Page) -> None:
    open_house(page, "Dune edge", "Check bows")
    expect(answer(page, "order")).to_have_text("3 1 5 4 2")
    # Five bows have no height yet: the first of them is next, in the panel and on the tape.
    expect(field(page, "record.bows.1.height_m")).to_be_visible()
    expect(page.get_by_role("complementary")).to_contain_text("Next: bow 1, tape its height")
    page.get_by_role("radio", name="Widths").click()
    entry = field(page, "record.bows.6.width_m")
    entry.fill("7.52")
    entry.press("Enter")
    # A bow is laid flat once: its height comes next.
    expect(field(page, "record.bows.6.height_m")).to_be_focused()
    expect(page.get_by_role("complementary")).to_contain_text("Next: bow 6, tape its height")
    found = page.locator('[data-verdict="bows-alike"]')
    expect(found).to_have_attribute("data-level", "fails")
    expect(found).to_contain_text("bow 6 is")
    expect(answer(page, "order")).to_have_text("3 1 5 4 2 6")


def test_too_low_at_the_side_is_cured_on_paper(page: Page) -> None:
    open_house(page, "Kitchen plot", "Inside")
    low = page.locator('[data-verdict="path-room"], [data-verdict="crop-room"]').first
    expect(low).to_be_visible()
    field(page, "inside.bed_m").fill("4")
    field(page, "inside.bed_m").press("Enter")
    # Four inches is no bed; four feet may have been meant.
    page.get_by_role("button", name="Take 4' 0\"").click()
    reach = page.locator('[data-verdict="reach"]')
    expect(reach).to_have_attribute("data-level", "fails")
    page.locator('[data-remedy="reach"] button').first.click()
    expect(reach).not_to_have_attribute("data-level", "fails")
    expect(page.locator('[data-strip="beds"]')).to_contain_text("bed 1")
