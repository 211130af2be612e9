"""The job itself, in a browser: type, step, pull, switch units, keep, come back."""

from playwright.sync_api import Page, expect

from tests.browser.conftest import Server, field, grip, open_house, step_button


def saved(page: Page) -> None:
    expect(page.locator(".saved")).to_have_text("saved")


def test_a_typed_length_is_tried_then_taken(page: Page) -> None:
    open_house(page, "Upper terrace")
    span = field(page, "size.span_m")
    expect(span).to_have_value("22' 6\"")
    span.fill("21-0 1/2")
    expect(page.get_by_text("reads 21' 0 1/2\"")).to_be_visible()
    expect(page.locator("svg text", has_text="21' 0 1/2\"").first).to_be_visible()
    # As long as the hand is in it, what was typed stands there; then how it was read.
    span.press("Enter")
    saved(page)
    expect(span).to_have_value("21-0 1/2")
    span.press("Tab")
    expect(span).to_have_value("21' 0 1/2\"")
    page.reload()
    expect(field(page, "size.span_m")).to_have_value("21' 0 1/2\"")


def test_escape_takes_a_trial_back(page: Page) -> None:
    open_house(page, "Upper terrace")
    length = field(page, "size.length_m")
    length.fill("50")
    expect(page.get_by_text("reads 50' 0\"")).to_be_visible()
    length.press("Escape")
    expect(length).to_have_value("63' 0\"")
    expect(page.locator(".size")).to_have_text("22' 6\" × 63'")


def test_bad_input_keeps_the_text_and_the_last_good_drawing(page: Page) -> None:
    open_house(page, "Upper terrace")
    span = field(page, "size.span_m")
    for text, part in (
        ("wide", "Can't read"),
        ("0", "at the least"),
        ("-3", "can't be below zero"),
        ("1000 m", "at the most"),
        ("1,000 m", "Leave out the comma"),
    ):
        span.fill(text)
        expect(page.get_by_text(part)).to_be_visible()
        expect(span).to_have_value(text)
        expect(span).to_have_attribute("aria-invalid", "true")
        expect(page.locator(".size")).to_have_text("22' 6\" × 63'")
        expect(grip(page, "size.span_m")).to_have_attribute("aria-valuetext", "22' 6\"")
    span.press("Tab")
    expect(span).to_have_value("1,000 m")
    span.focus()
    span.press("Escape")
    expect(span).to_have_value("22' 6\"")


def test_the_nearest_value_is_taken_with_one_press(page: Page) -> None:
    open_house(page, "Upper terrace", "Set out")
    spacing = field(page, "bows.max_spacing_m")
    spacing.fill("20")
    # Twenty feet is too far; twenty inches may have been meant.
    page.get_by_role("button", name="Take 1' 8\"").click()
    expect(spacing).to_have_value("1' 8\"")
    spacing.fill("20")
    page.get_by_role("button", name="Take 16' 4 13/16\"").click()
    expect(spacing).to_have_value("16' 4 13/16\"")
    saved(page)


def test_keys_step_by_fraction_inch_and_foot(page: Page) -> None:
    open_house(page, "Upper terrace")
    leg = field(page, "size.shape.leg_m")
    leg.focus()
    for key, reading in (
        ("ArrowUp", "3' 0 1/16\""),
        ("PageUp", "3' 1 1/16\""),
        ("Shift+ArrowUp", "4' 1 1/16\""),
        ("ArrowDown", "4' 1\""),
        ("PageDown", "4' 0\""),
        ("Shift+ArrowDown", "3' 0\""),
    ):
        leg.press(key)
        expect(leg).to_have_value(reading)
    for _ in range(20):
        leg.press("PageUp")
    expect(leg).to_have_value("4' 8\"")
    saved(page)


def test_a_grip_is_pulled_with_the_pointer(page: Page) -> None:
    open_house(page, "Upper terrace")
    box = grip(page, "size.shape.height_m").bounding_box()
    assert box is not None
    x, y = box["x"] + box["width"] / 2, box["y"] + box["height"] / 2
    page.mouse.move(x, y)
    page.mouse.down()
    page.mouse.move(x, y + 20, steps=5)
    expect(field(page, "size.shape.height_m")).not_to_have_value("14' 3\"")
    page.mouse.up()
    saved(page)
    lower = field(page, "size.shape.leg_m").input_value()
    assert lower != "3' 0\""
    page.reload()
    expect(field(page, "size.shape.leg_m")).to_have_value(lower)


def test_a_pull_goes_on_while_parts_come_and_go(page: Page) -> None:
    open_house(page, "Upper terrace")
    beds = page.locator('[data-mark^="bed:"]')
    step_button(page, "Inside").click()
    expect(beds.first).to_be_attached()
    before = beds.count()
    handle = grip(page, "size.span_m")
    box = handle.bounding_box()
    assert box is not None
    x, y = box["x"] + box["width"] / 2, box["y"] + box["height"] / 2
    page.mouse.move(x, y)
    page.mouse.down()
    for step in range(1, 9):
        reading = handle.get_attribute("aria-valuetext") or ""
        page.mouse.move(x - 9 * step, y)
        # Each move is followed by the grip before the next one.
        expect(handle).not_to_have_attribute("aria-valuetext", reading)
    expect(beds).not_to_have_count(before)
    page.mouse.up()
    saved(page)
    expect(page.locator(".size")).not_to_contain_text("22' 6")


def test_a_grip_is_moved_by_keys(page: Page) -> None:
    open_house(page, "Upper terrace", "Footing")
    handle = grip(page, "posts.reveal_m")
    expect(handle).to_have_attribute("aria-valuetext", "1' 10\"")
    handle.focus()
    handle.press("ArrowUp")
    expect(handle).to_have_attribute("aria-valuetext", "1' 10 1/16\"")
    handle.press("Shift+ArrowDown")
    expect(field(page, "posts.reveal_m")).to_have_value('10 1/16"')


def test_the_grower_walks_the_floor(page: Page) -> None:
    open_house(page, "Upper terrace")
    room = page.locator('[data-answer="headroom"]')
    before = room.text_content()
    handle = grip(page, "size.figure.from_left_m")
    handle.focus()
    handle.press("Shift+ArrowLeft")
    expect(room).not_to_have_text(before or "")
    expect(field(page, "size.figure.from_left_m")).to_have_value("1' 8\"")


def test_units_switch_without_moving_a_number(page: Page) -> None:
    open_house(page, "Upper terrace")
    page.get_by_text("metres", exact=True).click()
    expect(field(page, "size.span_m")).to_have_value("6.858 m")
    page.get_by_text("feet", exact=True).click()
    expect(field(page, "size.span_m")).to_have_value("22' 6\"")
    saved(page)


def test_choices_redraw_the_house(page: Page) -> None:
    open_house(page, "Upper terrace", "Footing")
    page.get_by_role("button", name="Bow tube").click()
    page.get_by_role("option", name="Fence post 2 3/8 in").click()
    entry = page.locator('[data-verdict="entry"]')
    expect(entry).to_have_attribute("data-level", "fails")
    expect(entry).to_contain_text("does not slide")
    saved(page)


def test_a_new_house_starts_in_its_units(page: Page) -> None:
    page.get_by_role("button", name="New house in metres").click()
    expect(field(page, "size.span_m")).to_have_value("5.500 m")
    name = page.get_by_role("textbox", name="House name")
    name.fill("Nut walk")
    name.press("Enter")
    saved(page)
    page.get_by_role("link", name="Yard").click()
    expect(page.get_by_role("heading").nth(1)).to_have_text("Nut walk")


def test_a_server_that_dies_loses_nothing_that_was_typed(page: Page, server: Server) -> None:
    open_house(page, "Upper terrace")
    server.kill()
    span = field(page, "size.span_m")
    span.fill("20' 1\"")
    span.press("Enter")
    expect(page.locator(".saved")).to_have_text("not saved yet, trying again")
    server.start()
    saved(page)
    page.reload()
    expect(field(page, "size.span_m")).to_have_value("20' 1\"")


def test_two_windows_on_one_house_both_count(page: Page, server: Server) -> None:
    open_house(page, "Upper terrace")
    other = page.context.new_page()
    other.goto(page.url)
    field(other, "size.length_m").fill("60")
    field(other, "size.length_m").press("Enter")
    expect(other.locator(".saved")).to_have_text("saved")
    field(page, "size.span_m").fill("21")
    field(page, "size.span_m").press("Enter")
    expect(page.locator(".size")).to_have_text("21' × 60'")


def test_an_address_that_is_nothing_says_so(page: Page, server: Server) -> None:
    page.goto(f"{server.address}house/nowhere")
    expect(page.get_by_role("heading", name="No house here")).to_be_visible(timeout=15_000)
    page.get_by_role("link", name="Back to the yard").click()
    expect(page.get_by_role("heading", name="Yard")).to_be_visible()


def test_keys_are_told(page: Page) -> None:
    open_house(page, "Upper terrace")
    page.locator("[data-strip]").focus()
    page.keyboard.press("?")
    expect(page.get_by_role("heading", name="Keys")).to_be_visible()
    page.keyboard.press("Escape")
    expect(page.get_by_role("heading", name="Size")).to_be_visible()


def test_every_drawing_has_its_table(page: Page) -> None:
    open_house(page, "Upper terrace", "Set out")
    page.get_by_role("button", name="as a table").click()
    row = page.get_by_role("row", name="A to C, B to D")
    expect(row).to_contain_text("66' 10 3/4\"")
