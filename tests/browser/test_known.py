"""A house goes in by what is known of it: counts, beds, a figure pressed on the drawing, a picture picked."""

import re

from playwright.sync_api import Page, expect

from tests.browser.conftest import field, open_house, step_button
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
    typed(page, "bows.sticks", "2")
    expect(answer(page, "sticks")).to_have_text("2")
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


def begin(page: Page, units: str) -> None:
    page.get_by_role("button", name=f"New house in {units}").click()
    expect(page.get_by_role("heading", name="Start")).to_be_visible()


def typed(page: Page, measure: str, text: str) -> None:
    """By keyboard alone: the field is tabbed to, as it is reached in a row."""
    field(page, measure).focus()
    page.keyboard.type(text)
    page.keyboard.press("Enter")
    expect(field(page, measure)).not_to_have_attribute("data-typing", "")


def pick(page: Page, label: str) -> None:
    """An option of a row of diamonds, by the space bar."""
    page.get_by_role("radio", name=label, exact=True).focus()
    page.keyboard.press("Space")


def test_a_house_of_eleven_bows_goes_in(page: Page) -> None:
    begin(page, "feet")
    typed(page, "size.length_m", "45")
    step_button(page, "Set out").click()
    pick(page, "by the number of bows")
    typed(page, "bows.count", "11")
    expect(page.get_by_text("4' 6\" apart")).to_be_visible()
    saved(page)


def test_a_house_of_three_whole_sticks_a_bow_goes_in(page: Page) -> None:
    begin(page, "feet")
    pick(page, "sticks that I have")
    typed(page, "size.span_m", "19")
    step_button(page, "Start").click()
    pick(page, "sticks that I have")
    typed(page, "bows.stick_m", "12")
    typed(page, "bows.sticks", "3")
    typed(page, "start.have", "33")
    expect(answer(page, "start_bows")).to_have_text("11")
    # Ten bays of 4 ft.
    expect(answer(page, "start_length")).to_have_text("40' 0\"")
    saved(page)


def test_a_second_hand_house_whose_count_clashes_goes_in(page: Page) -> None:
    begin(page, "feet")
    typed(page, "size.length_m", "128")
    step_button(page, "Set out").click()
    page.get_by_text("fixed, odd one last", exact=True).click()
    typed(page, "bows.count", "31")
    expect(page.get_by_role("complementary")).to_contain_text("wants 33 bows, and you count 31: 2 bows are short")
    saved(page)


def test_a_house_of_plastic_pipe_over_three_beds_goes_in(page: Page) -> None:
    begin(page, "feet")
    typed(page, "size.span_m", "13")
    step_button(page, "Inside").click()
    pick(page, "my own, one by one")
    typed(page, "inside.own_beds_m", "34, 42 and 28")
    expect(answer(page, "beds")).to_have_text("3")
    step_button(page, "Bows").click()
    typed(page, "bows.tube_od", "1 5/16")
    saved(page)


def test_a_gothic_of_radius_and_height_goes_in_either_way_round(page: Page) -> None:
    for first, second in ((("radius_m", "15"), ("height_m", "13")), (("height_m", "13"), ("radius_m", "15"))):
        begin(page, "feet")
        typed(page, "size.span_m", "22")
        step_button(page, "Size").click()
        page.get_by_role("radio", name="Shapes").click()
        page.locator('[data-picks="size.shape=gothic"]').first.click()
        for name, text in (first, second):
            typed(page, f"size.shape.{name}", text)
        expect(field(page, "size.shape.radius_m")).to_have_value("15' 0\"")
        expect(field(page, "size.shape.height_m")).to_have_value("13' 0\"")
        saved(page)
        page.get_by_role("link", name="Yard").click()


def test_a_small_house_beside_a_fence_goes_in(page: Page) -> None:
    begin(page, "feet")
    typed(page, "size.span_m", "7")
    typed(page, "size.length_m", "19")
    step_button(page, "Set out").click()
    more = page.get_by_role("button", name="More to set")
    more.click()
    page.get_by_text("a fence", exact=False).first.click()
    expect(field(page, "set_out.fence_m")).to_be_visible()
    saved(page)


def test_any_part_of_the_bench_is_two_presses_away(page: Page) -> None:
    open_house(page, "Upper terrace")
    seen = []
    page.locator('[aria-current="step"]').focus()
    for key in ("F6", "F6", "F6", "F6", "Shift+F6", "Shift+F6"):
        page.keyboard.press(key)
        seen.append(
            page.evaluate(
                """() => {
                  const at = document.activeElement;
                  if (at.closest("[data-strip]")) return "tape";
                  if (at.closest("main")) return "drawing";
                  return at.closest("aside") ? "fields" : at.closest("nav") ? "steps" : "nowhere";
                }"""
            )
        )
    assert seen == ["fields", "drawing", "tape", "steps", "tape", "drawing"]
