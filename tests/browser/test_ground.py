"""Square up, keep the pegs, level, move earth, drain: typed, stepped, pasted, read live, and put right."""

from pathlib import Path

from playwright.sync_api import Page, expect

from tests.browser.conftest import Server, field, open_house, step_button
from tests.browser.test_bench import saved


def answer(page: Page, name: str):  # type: ignore[no-untyped-def]
    return page.locator(f'[data-answer="{name}"]')


def test_each_step_of_squaring_has_its_drawing(page: Page) -> None:
    open_house(page, "Upper terrace", "Set out")
    steps = page.get_by_role("list", name="How to square it").get_by_role("button")
    expect(steps).to_have_count(4)
    steps.nth(2).click()
    expect(steps.nth(2)).to_have_attribute("aria-pressed", "true")
    drawing = page.get_by_role("group", name="Step 3")
    expect(drawing).to_be_visible()
    expect(drawing.locator("text", has_text="22' 6\"")).to_be_visible()
    steps.nth(2).press("Enter")
    expect(page.get_by_role("group", name="From above")).to_be_visible()
    page.get_by_role("button", name="More to set").click()
    page.get_by_text("a fence", exact=True).click()
    expect(field(page, "set_out.fence_m")).to_have_value("5' 0\"")
    expect(page.get_by_role("list", name="How to square it")).to_contain_text("fences wander")
    field(page, "set_out.second_tape_m").fill("")
    field(page, "set_out.second_tape_m").press("Enter")
    expect(page.get_by_role("list", name="How to square it")).to_contain_text("Scratch an arc")
    saved(page)


def test_six_tapings_say_which_peg_moves(page: Page) -> None:
    open_house(page, "Dune edge", "Square up")
    expect(answer(page, "move_C")).to_have_text("35 mm toward D, 2 mm away from B")
    expect(page.locator('[data-arrow="move:C"]')).to_be_visible()
    page.get_by_role("button", name="Pegs moved: tape again").click()
    expect(field(page, "record.taped.ab_m")).to_have_value("")
    expect(answer(page, "taping_1")).to_have_text("35 mm")
    readings = {"ab": "26.2", "dc": "26.2", "ad": "7.35", "bc": "7.35", "ac": "27.212", "bd": "27.210"}
    for line, reading in readings.items():
        field(page, f"record.taped.{line}_m").fill(reading)
        field(page, f"record.taped.{line}_m").press("Enter")
    expect(page.locator('[data-verdict="square"]')).to_have_attribute("data-level", "holds")
    # Ten centimetres too long on one diagonal: no moves, and the slip is named.
    field(page, "record.taped.ac_m").fill("27.312")
    field(page, "record.taped.ac_m").press("Enter")
    closes = page.locator('[data-verdict="tape-closes"]')
    expect(closes).to_have_attribute("data-level", "fails")
    expect(closes).to_contain_text("A–C ten centimetres too long")
    expect(answer(page, "move_C")).to_have_count(0)
    # No triangle at all: said with its three lines, and what was typed stays.
    field(page, "record.taped.ac_m").fill("40")
    field(page, "record.taped.ac_m").press("Enter")
    expect(closes).to_contain_text("no ground has such a triangle")
    expect(field(page, "record.taped.ac_m")).to_have_value("40.000 m")


def test_offsets_find_every_peg_again(page: Page) -> None:
    open_house(page, "Upper terrace", "Keep pegs")
    expect(page.locator('[data-strip="kept:AB"]')).to_contain_text("6' 11 1/4\"")
    field(page, "keep.offset_m").fill("15 in")
    field(page, "keep.offset_m").press("Enter")
    clear = page.locator('[data-verdict="offset-clear"]')
    expect(clear).to_have_attribute("data-level", "fails")
    page.locator('[data-remedy="offset-clear"] button').first.click()
    expect(clear).to_have_attribute("data-level", "holds")
    page.get_by_text("gauge boards", exact=True).click()
    page.get_by_role("radio", name="A gauge board").click()
    expect(page.locator('[data-strip="board"]')).to_contain_text("nail, the line")


def test_the_rod_is_read_peg_by_peg_with_keys_alone(page: Page) -> None:
    open_house(page, "Dune edge", "Level")
    entry = field(page, "record.levels.pegs.L10")
    expect(entry).to_be_visible()
    entry.fill("2.031")
    entry.press("Enter")
    # The next peg's field has the focus: one goes on typing.
    expect(field(page, "record.levels.pegs.L11")).to_be_focused()
    # While it is typed it is tried: what can't be read holds the hand back.
    page.keyboard.type("9")
    expect(page.get_by_text("past the end of the 4.000 m rod")).to_be_visible()
    page.keyboard.press("Enter")
    expect(field(page, "record.levels.pegs.L11")).to_be_focused()
    expect(field(page, "record.levels.pegs.L11")).to_have_value("9")
    # Faster than the trial's answer the hand goes on; what was refused is said, and one press away.
    page.route("**/trials", lambda route: None)
    field(page, "record.levels.pegs.L11").fill("8")
    page.keyboard.press("Enter")
    expect(field(page, "record.levels.pegs.L12")).to_be_focused()
    late = page.get_by_role("alert").filter(has_text="past the end of the 4.000 m rod")
    expect(late).to_contain_text("Rod at peg 11 left, “8”")
    late.get_by_role("button", name="Back to it").click()
    expect(field(page, "record.levels.pegs.L11")).to_have_value("8")
    page.unroute("**/trials")
    field(page, "record.levels.pegs.L11").fill("2.028")
    page.keyboard.press("Enter")
    expect(field(page, "record.levels.pegs.L12")).to_be_focused()
    saved(page)
    page.reload()
    page.locator("[data-strip]").wait_for()
    expect(page.locator('[data-strip="level:L"]')).to_contain_text("2.031 m")


def test_the_laser_is_read_at_the_next_peg(page: Page) -> None:
    open_house(page, "Dune edge", "Level")
    page.get_by_role("button", name="Read the laser").click()
    expect(field(page, "record.levels.pegs.L11")).to_be_visible()
    expect(page.locator('[data-strip="level:L"]')).to_contain_text("peg 10 ✓")


def test_readings_are_pasted_or_opened_and_faults_named(page: Page, tmp_path: Path) -> None:
    open_house(page, "Kitchen plot", "Level")
    page.get_by_role("button", name="Paste or open readings").click()
    box = page.get_by_role("textbox", name="Paste here")
    box.fill("L1, 5' 1\"\nL99, 5' 2\"\nL2, 1.6 m\n")
    page.get_by_role("button", name="Take these readings").click()
    wrong = page.get_by_role("alert")
    expect(wrong).to_contain_text("Line 2: there is no peg L99")
    expect(wrong).to_contain_text("Line 3: 1.6 m is in metres, but line 1 is in feet")
    expect(box).to_have_value("L1, 5' 1\"\nL99, 5' 2\"\nL2, 1.6 m\n")
    box.fill("L1, 5' 1\"\nR1, 5' 3\"\n4, 3, 5' 2\"\n")
    page.get_by_role("button", name="Take these readings").click()
    expect(page.get_by_text("Levels read in: 2 pegs, 1 spot")).to_be_visible()
    expect(page.get_by_text("another window")).to_have_count(0)
    huge = tmp_path / "huge.csv"
    huge.write_text("L1,5\n" * 10_500_000)
    with page.expect_file_chooser() as chooser:
        page.get_by_role("button", name="Open a CSV file").click()
    chooser.value.set_files(huge)
    expect(wrong).to_contain_text("more than 2 MB")
    page.get_by_role("button", name="Back to the step").click()
    expect(page.locator('[data-strip="level:L"]')).to_contain_text("5' 1\"")


def test_a_low_side_has_ways_out_with_quantities(page: Page) -> None:
    open_house(page, "Upper terrace", "Level")
    found = page.locator('[data-verdict="embedment"]')
    expect(found).to_have_attribute("data-level", "fails")
    offers = page.locator('[data-remedy="embedment"] button')
    expect(offers.filter(has_text="Post length").first).to_contain_text("more post tube")
    # Cutting the high side down lets every post further into the ground.
    expect(offers.filter(has_text="Ground").first).to_contain_text("loads more")
    offers.filter(has_text="Post length").first.click()
    expect(found).not_to_have_attribute("data-level", "fails")


def test_earth_and_drain_answer_as_they_are_changed(page: Page) -> None:
    open_house(page, "Upper terrace", "Earth")
    page.get_by_text("raised pad", exact=True).click()
    expect(answer(page, "fill")).to_contain_text("cu yd")
    before = answer(page, "loads").text_content()
    field(page, "pad.load_m3").fill("0.5 cu yd")
    field(page, "pad.load_m3").press("Enter")
    expect(page.get_by_text("Write it in cu ft")).to_be_visible()
    field(page, "pad.load_m3").fill("13.5")
    field(page, "pad.load_m3").press("Enter")
    expect(answer(page, "loads")).not_to_have_text(before or "")
    step_button(page, "Drain").click()
    expect(page.locator('[data-strip="drain"]')).to_contain_text("deep")
    field(page, "drain.rain_m_s").fill("20")
    field(page, "drain.rain_m_s").press("Enter")
    carries = page.locator('[data-verdict="drain-carries"]')
    expect(carries).to_have_attribute("data-level", "fails")
    page.locator('[data-remedy="drain-carries"] button').first.click()
    expect(carries).not_to_have_attribute("data-level", "fails")


def test_readings_outlive_a_killed_server(page: Page, server: Server) -> None:
    open_house(page, "Dune edge", "Level")
    field(page, "record.levels.pegs.L10").fill("2.031")
    field(page, "record.levels.pegs.L10").press("Enter")
    expect(field(page, "record.levels.pegs.L11")).to_be_focused()
    saved(page)
    server.kill()
    page.keyboard.type("2.040")
    page.keyboard.press("Enter")
    expect(page.locator(".saved")).not_to_have_text("saved")
    server.start()
    saved(page)
    page.reload()
    page.locator("[data-strip]").wait_for()
    strip = page.locator('[data-strip="level:L"]')
    expect(strip).to_contain_text("2.031 m")
    expect(strip).to_contain_text("2.040 m")


def test_the_site_can_be_placed_and_taken_away(page: Page) -> None:
    open_house(page, "Dune edge", "Square up")
    page.get_by_role("button", name="Print and files").click()
    field(page, "site.latitude").fill("north")
    field(page, "site.latitude").press("Enter")
    expect(page.get_by_text("Write degrees like")).to_be_visible()
    for name, value in (("site.latitude", "44.5"), ("site.longitude", "-63.25"), ("site.bearing", "72")):
        field(page, name).fill(value)
        field(page, name).press("Enter")
    expect(field(page, "site.longitude")).to_have_value("−63.25°")
    saved(page)
    with page.expect_download() as download:
        page.get_by_role("link", name="Setting-out for a map").click()
    assert '"WGS 84"' in Path(download.value.path()).read_text()
    with page.expect_download() as download:
        page.get_by_role("link", name="Setting-out for CAD").click()
    assert download.value.suggested_filename == "Dune edge setting-out.dxf"


def test_spots_are_typed_and_read_one_after_the_other_by_keyboard(page: Page) -> None:
    open_house(page, "Dune edge", "Level")
    page.get_by_role("button", name="Spots between the pegs").press("Enter")
    along, rod = page.get_by_label("Along from A"), page.get_by_label("Rod", exact=True)
    along.fill("-2")
    page.get_by_label("Across from A–B").fill("3.4")
    rod.fill("22")
    rod.press("Enter")
    expect(page.get_by_text("That is past the end of the 4.000 m rod.")).to_be_visible()
    # The fields are free for the next spot; the one that wasn't kept is one press away.
    expect(rod).to_have_value("")
    page.get_by_role("button", name="Back to it").press("Enter")
    expect(rod).to_have_value("22")
    rod.fill("1.9")
    rod.press("Enter")
    expect(along).to_be_focused()
    expect(along).to_have_value("")
    kept = page.get_by_role("button", name="Take out the spot")
    expect(kept).to_have_count(1)
    along.fill("6")
    page.get_by_role("button", name="Read the laser there").press("Enter")
    expect(kept).to_have_count(2)
    page.get_by_role("button", name="Take out the spot −2.000 m along, 3.400 m across").press("Enter")
    expect(kept).to_have_count(1)
    page.get_by_role("button", name="Undo").click()
    expect(kept).to_have_count(2)
    saved(page)
