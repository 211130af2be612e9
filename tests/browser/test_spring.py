"""Sprung pipe, heat, fittings and the form, by keyboard and by hand, as a grower with plastic pipe would go through."""

import re

from playwright.sync_api import Page, expect

from tests.browser.conftest import Server, field, grip, open_house, step_button
from tests.browser.test_bench import saved
from tests.browser.test_ground import answer
from tests.browser.test_known import typed
from tests.browser.test_reach import serious


def test_a_pipe_is_sprung_pulled_and_held_loose(page: Page, server: Server) -> None:
    open_house(page, "Kitchen plot", "Size")
    high = field(page, "size.shape.height_m")
    before = high.input_value()
    grip(page, "size.shape.pipe_m").focus()
    page.keyboard.press("PageUp")
    saved(page)
    expect(high).not_to_have_value(before)
    # A pipe that can't stand is refused in its place, and what was typed stays.
    pipe = field(page, "size.shape.pipe_m")
    pipe.fill("9'")
    pipe.press("Enter")
    expect(page.get_by_role("complementary")).to_contain_text("lies flat, if it reaches")
    expect(pipe).to_have_value("9'")
    page.get_by_role("button", name=re.compile("^Take")).last.press("Enter")
    saved(page)
    typed(page, "size.shape.pipe_m", "16' 6")
    page.get_by_role("radiogroup", name="What gives way").get_by_text("the width").click()
    saved(page)
    typed(page, "size.shape.height_m", "6'")
    expect(pipe).to_have_value("16' 6\"")
    expect(field(page, "size.span_m")).not_to_have_value("9' 8\"")
    step_button(page, "Bend").click()
    expect(answer(page, "thrust").or_(answer(page, "held_out"))).to_be_visible()
    assert serious(page) == []
    page.get_by_text("loose on its stub, free to lean", exact=True).click()
    saved(page)
    page.get_by_role("button", name="More numbers").click()
    expect(answer(page, "foot_lean")).to_have_text(re.compile("°"))
    said = answer(page, "tightest").text_content() or ""
    server.kill()
    server.start()
    page.reload()
    expect(answer(page, "tightest")).to_have_text(said)


def test_a_strained_pipe_is_bent_hot_by_the_press_and_its_form_taken_away(page: Page) -> None:
    open_house(page, "Kitchen plot", "Bend")
    page.get_by_role("radio", name="Spring, heat, thicker").click()
    expect(page.locator("svg text", has_text="this house")).to_contain_text("PVC pipe 1 in, sprung")
    page.locator('[data-remedy="spring"] button').first.press("Enter")
    saved(page)
    expect(page.get_by_role("complementary", name="Bend")).to_contain_text("never a closed vessel")
    expect(answer(page, "batches")).to_have_text("5")
    typed(page, "bending.oven_sticks", "6")
    expect(answer(page, "batches")).to_have_text("3")
    field(page, "bending.oven_sticks").fill("none")
    field(page, "bending.oven_sticks").press("Enter")
    expect(page.get_by_role("complementary")).to_contain_text(re.compile("Can’t read|Can't read"))
    expect(field(page, "bending.oven_sticks")).to_have_value("none")
    field(page, "bending.oven_sticks").press("Escape")
    assert serious(page) == []
    page.get_by_role("button", name="Print and files").click()
    with page.expect_download() as taken:
        page.get_by_role("link", name=re.compile("^The form at true size, Letter")).click()
    assert taken.value.suggested_filename == "Kitchen plot form-true-size.pdf"


def test_fittings_are_glued_and_cut(page: Page) -> None:
    open_house(page, "Kitchen plot", "Fittings")
    expect(page.get_by_role("complementary")).to_contain_text("Best over it")
    assert serious(page) == []
    page.get_by_text("tees and crosses, pipe glued in", exact=True).click()
    saved(page)
    typed(page, "strength.runs", "3")
    expect(answer(page, "crosses")).to_have_text("21")
    expect(answer(page, "tees")).to_have_text("6")
    page.get_by_role("radio", name="Piece of a run").click()
    expect(page.locator("[data-strip]")).to_contain_text("home to here, dry")
    assert serious(page) == []
    step_button(page, "Bows").click()
    expect(page.locator("[data-strip]")).to_contain_text("home in the fitting to here")
    page.get_by_role("button", name=re.compile("^Undo")).click()
    saved(page)
    page.get_by_role("button", name=re.compile("^Undo")).click()
    saved(page)
    expect(page.locator("[data-strip]")).not_to_contain_text("home in the fitting")
