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
    expect(page.get_by_role("complementary")).to_contain_text("reads 2' 10")
    beds.blur()
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
            field(page, f"size.shape.{name}").blur()
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


def choose(page: Page, label: str, option: str) -> None:
    """An option of a list, by keyboard: the list opens, letters find it, Enter takes it."""
    page.get_by_role("complementary").get_by_role("button", name=re.compile(f"{label}$")).first.focus()
    page.keyboard.press("Enter")
    page.get_by_role("option", name=option, exact=False).first.focus()
    page.keyboard.press("Enter")


def stands(page: Page, way: str) -> None:
    step_button(page, "Footing").click()
    choose(page, "The bow stands", way)


def test_a_house_on_bars_goes_in(page: Page) -> None:
    begin(page, "feet")
    typed(page, "size.span_m", "17")
    typed(page, "size.length_m", "66")
    step_button(page, "Bows").click()
    choose(page, "Bow tube", "PVC pipe 1 1/4 in")
    stands(page, "over a bar or stub")
    # What can be it stands there at once, and the step is called as it was.
    expect(page.get_by_role("heading", name="Footing")).to_be_visible()
    expect(page.get_by_role("complementary")).to_contain_text("Bar 1/2 in")
    typed(page, "posts.length_m", "36 in")
    typed(page, "posts.reveal_m", "18 in")
    # Seventeen bays of 3 ft 10 5/8: 18 bows, 36 stubs.
    expect(answer(page, "posts")).to_have_text("36")
    expect(answer(page, "embedment")).to_have_text("1' 6\"")
    page.get_by_role("radio", name="Stub, laid straight").click()
    expect(page.locator("[data-strip]")).to_contain_text("drive to here")
    saved(page)


def test_three_piece_bows_go_in(page: Page) -> None:
    begin(page, "metres")
    typed(page, "size.span_m", "8.6")
    step_button(page, "Size").click()
    page.get_by_role("radio", name="Shapes").click()
    page.locator('[data-picks="size.shape=round"]').first.click()
    step_button(page, "Bows").click()
    pick(page, "bought bent in pieces, the height follows")
    typed(page, "bows.own_pieces_m", "4.2, 4.6, 4.2")
    # 13 m of pieces less two overlaps of 130 mm.
    expect(answer(page, "tube")).to_have_text("12.740 m")
    expect(answer(page, "pieces")).to_have_text("33")
    expect(page.get_by_role("complementary")).to_contain_text("22 of 4.200 m, 11 of 4.600 m")
    expect(page.get_by_role("complementary")).not_to_contain_text("whips")
    expect(page.locator("[data-strip]")).to_contain_text("next stick to here")
    saved(page)


def test_pieces_that_make_no_house_are_said_in_place_and_kept(page: Page) -> None:
    begin(page, "metres")
    step_button(page, "Bows").click()
    pick(page, "bought bent in pieces, the height follows")
    pieces = field(page, "bows.own_pieces_m")
    pieces.fill("2.1, 2.1")
    pieces.press("Enter")
    expect(page.get_by_role("complementary")).to_contain_text("Joined, these pieces are 4.070 m long")
    expect(pieces).to_have_value("2.1, 2.1")
    pieces.press("Escape")


def test_half_bows_on_a_slab_go_in(page: Page) -> None:
    begin(page, "metres")
    typed(page, "size.span_m", "3.2")
    typed(page, "size.length_m", "4.4")
    step_button(page, "Size").click()
    page.get_by_role("radio", name="Shapes").click()
    page.locator('[data-picks="size.shape=gothic"]').first.click()
    typed(page, "size.shape.leg_m", "30 cm")
    stands(page, "in a socket cast in concrete")
    typed(page, "posts.length_m", "25 cm")
    typed(page, "posts.reveal_m", "5 cm")
    typed(page, "bows.insertion_m", "15 cm")
    step_button(page, "Bows").click()
    pick(page, "bought bent in pieces, the height follows")
    typed(page, "bows.own_pieces_m", "3.1, 3.1")
    # Two halves meet at the ridge: nothing is lost there.
    expect(answer(page, "tube")).to_have_text("6.200 m")
    expect(answer(page, "joints")).to_have_text("0")
    step_button(page, "Footing").click()
    expect(answer(page, "may_stray")).to_have_text("0.9 mm")
    expect(page.get_by_role("complementary")).to_contain_text("Set it plumb in its form")
    saved(page)


def test_pipe_over_stubs_on_a_timber_base_goes_in(page: Page) -> None:
    begin(page, "feet")
    typed(page, "size.span_m", "11")
    typed(page, "size.length_m", "26")
    step_button(page, "Bows").click()
    choose(page, "Bow tube", "PVC pipe 1 in")
    stands(page, "over a bar or stub")
    page.get_by_role("button", name="More to set").click()
    pick(page, "a base board")
    choose(page, "Board", "2 × 6")
    # 26 ft and the pipe’s 1.315 in, boards meeting behind stubs 4 ft apart: 8, 12 and 6 ft a side, both 6 ft from one.
    expect(answer(page, "boards")).to_have_text("5")
    page.get_by_role("radio", name="Base boards, each side").click()
    expect(page.locator('[data-strip="base-board"]')).to_contain_text("splice")
    saved(page)


def test_bows_on_a_board_have_stakes_and_straps(page: Page) -> None:
    begin(page, "feet")
    typed(page, "size.length_m", "24")
    stands(page, "strapped to a base board")
    expect(answer(page, "stakes")).to_have_text("8")
    saved(page)


def test_a_name_is_read_in_every_way_and_drawn(page: Page) -> None:
    open_house(page, "Upper terrace", "By its name")
    typed(page, "names.called", "2x6")
    expect(page.get_by_role("complementary")).to_contain_text('1.500", 38.1 mm by 5.500", 139.7 mm')
    expect(page.get_by_role("complementary")).to_contain_text("if it was never dressed")
    # Mil is said of film alone: what it is follows.
    field(page, "names.called").fill("")
    typed(page, "names.called", "6 mil")
    expect(page.get_by_role("button", name="It is")).to_contain_text("film, its thickness")
    expect(page.get_by_role("complementary")).to_contain_text("152 µm, 6.0 mil, 610 gauge")
    saved(page)


def test_the_case_of_the_tape_holds_what_isnt_seen(page: Page) -> None:
    open_house(page, "Upper terrace", "Footing")
    page.get_by_role("radio", name="Left posts, A to B").click()
    strip = page.locator("[data-strip]")
    strip.focus()
    page.keyboard.press("Home")
    for _ in range(4):
        page.keyboard.press("+")
    case = page.locator('[data-tape="case"]')
    expect(case).to_contain_text("more")
    held = int(case.locator("text").first.text_content() or 0)
    expect(page.locator('[data-tape="back"]')).to_have_count(0)
    case.click()
    # More comes out: the case holds less, and what was paid out lies at the left.
    expect(page.locator('[data-tape="back"]')).to_be_visible()
    assert int(case.locator("text").first.text_content() or 0) < held
    page.keyboard.press("0")
    expect(case).not_to_contain_text("more")


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


def test_what_was_refused_is_taken_by_itself_once_it_fits_and_told_of_the_house_as_it_is(page: Page) -> None:
    # Bows stand 0.3 m apart at the least: 64 bays on 63 ft, 203 on 200 ft and 264 on 260 ft.
    open_house(page, "Upper terrace", "Set out")
    pick(page, "by the number of bows")
    saved(page)
    count = field(page, "bows.count")
    count.fill("250")
    count.press("Enter")
    for length, nearest in (("63", "65"), ("200", "204")):
        step_button(page, "Size").click()
        field(page, "size.length_m").fill(length)
        field(page, "size.length_m").press("Enter")
        saved(page)
        step_button(page, "Set out").click()
        expect(count).to_have_value("250")
        expect(count).to_have_attribute("aria-invalid", "true")
        expect(page.get_by_role("button", name=f"Take {nearest}")).to_be_visible()
    step_button(page, "Size").click()
    field(page, "size.length_m").fill("260")
    field(page, "size.length_m").press("Enter")
    expect(page.locator(".saved")).to_have_text(re.compile("can be taken now, and is: .*250"))
    step_button(page, "Set out").click()
    expect(count).to_have_value("250")
    expect(count).not_to_have_attribute("aria-invalid", "true")
    page.get_by_role("button", name=re.compile("^Undo")).click()
    expect(count).not_to_have_value("250")
