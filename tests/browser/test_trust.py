"""Nothing lost: undo, history, two windows, remedies, the yard's shelves, files in and out."""

import json
import re
import sqlite3
from contextlib import closing
from pathlib import Path

import pytest
from playwright.sync_api import Page, expect

from obtegum.store.documents import hash_of
from tests.browser.conftest import Server, field, open_house
from tests.browser.test_bench import saved
from tests.conftest import house_document


def change(page: Page, measure: str, text: str) -> None:
    field(page, measure).fill(text)
    field(page, measure).press("Enter")
    expect(field(page, measure)).not_to_have_attribute("data-typing", "")


def test_undo_and_redo_by_button_and_key(page: Page) -> None:
    open_house(page, "Upper terrace")
    change(page, "size.span_m", "20")
    change(page, "size.length_m", "50")
    page.get_by_role("button", name="Undo: Length").click()
    expect(field(page, "size.length_m")).to_have_value("63' 0\"")
    page.locator("[data-strip]").focus()
    page.keyboard.press("Control+z")
    expect(field(page, "size.span_m")).to_have_value("22' 6\"")
    expect(page.get_by_role("button", name="Undo")).to_be_disabled()
    page.keyboard.press("Control+Shift+Z")
    expect(field(page, "size.span_m")).to_have_value("20' 0\"")
    page.get_by_role("button", name="Redo: Length").click()
    expect(field(page, "size.length_m")).to_have_value("50' 0\"")


def test_undo_outlives_a_kill_and_a_reload(page: Page, server: Server) -> None:
    open_house(page, "Upper terrace")
    change(page, "size.span_m", "20")
    saved(page)
    server.kill()
    server.start()
    page.reload()
    page.get_by_role("button", name="Undo: Width").click()
    expect(field(page, "size.span_m")).to_have_value("22' 6\"")


@pytest.mark.fresh
def test_history_is_looked_at_and_brought_back(page: Page) -> None:
    open_house(page, "Upper terrace")
    change(page, "size.span_m", "20")
    change(page, "size.length_m", "50")
    page.get_by_role("button", name="History").click()
    lines = page.locator("[data-version]")
    expect(lines).to_have_count(3)
    expect(lines.nth(0)).to_contain_text("Length 50' 0\"")
    lines.nth(2).click()
    expect(page.get_by_text("As it was at version 1.")).to_be_visible()
    expect(page.locator("svg text", has_text="22' 6\"").first).to_be_visible()
    expect(page.locator("[data-handle]")).to_have_count(0)
    page.get_by_role("button", name="Back to now").click()
    expect(page.locator("svg text", has_text="20' 0\"").first).to_be_visible()
    lines.nth(2).click()
    page.get_by_role("button", name="Bring this version back").click()
    expect(page.locator(".size")).to_have_text("22' 6\" × 63'")
    page.get_by_role("button", name="Back to the step").click()
    page.get_by_role("button", name="Undo: Brought back").click()
    expect(page.locator(".size")).to_have_text("20' × 50'")


def second_window(page: Page) -> Page:
    other = page.context.new_page()
    other.goto(page.url)
    other.locator("[data-strip]").wait_for()
    return other


def test_another_window_s_change_appears(page: Page) -> None:
    open_house(page, "Upper terrace")
    other = second_window(page)
    change(other, "size.length_m", "60")
    page.bring_to_front()
    expect(field(page, "size.length_m")).to_have_value("60' 0\"")
    # It is not this window's to undo.
    expect(page.get_by_role("button", name="Undo")).to_be_disabled()


def test_the_same_field_in_two_windows_shows_both(page: Page) -> None:
    open_house(page, "Upper terrace")
    other = second_window(page)
    # The first window hears nothing while the other one works, as on a bad line.
    page.route("**/version", lambda route: route.abort())
    change(other, "size.span_m", "20")
    saved(other)
    field(page, "size.span_m").fill("25")
    field(page, "size.span_m").press("Enter")
    box = page.get_by_role("alert", name="Changed in two windows")
    expect(box).to_contain_text("Keep theirs: Width 20' 0\"")
    expect(box).to_contain_text("Take mine: Width 25' 0\"")
    box.get_by_role("button", name="Take mine").click()
    expect(page.locator(".size")).to_have_text("25' × 63'")
    expect(box).to_have_count(0)


def test_a_remedy_is_previewed_taken_and_undone(page: Page) -> None:
    open_house(page, "Kitchen plot")
    verdict = page.locator('[data-verdict="headroom"]')
    expect(verdict).to_have_attribute("data-level", "fails")
    remedy = verdict.locator("[data-remedy] button").first
    one, other = (page.get_by_role("radio", name=name, exact=True) for name in ("Across", "Shapes"))
    other.click()
    drawing = page.locator("svg[aria-label^='Shapes. ']")
    as_it_is = drawing.text_content() or ""
    one.click()
    remedy.hover()
    expect(field(page, "size.shape.pipe_m")).not_to_have_value("16' 6\"")
    offered = field(page, "size.shape.pipe_m").input_value()
    # Another drawing is looked at while it is previewed: that one shows it too.
    other.focus()
    page.keyboard.press("Space")
    expect(other).to_be_checked()
    expect(drawing).not_to_have_text(as_it_is)
    page.mouse.move(400, 300)
    expect(drawing).to_have_text(as_it_is)
    one.click()
    expect(field(page, "size.shape.pipe_m")).to_have_value("16' 6\"")
    remedy.click()
    expect(verdict).to_have_attribute("data-level", "holds")
    expect(field(page, "size.shape.pipe_m")).to_have_value(offered)
    saved(page)
    page.get_by_role("button", name="Undo: Pipe, free between its feet").click()
    expect(verdict).to_have_attribute("data-level", "fails")


def yard_row(page: Page, name: str):  # type: ignore[no-untyped-def]
    return page.get_by_role("group", name=name, exact=True)


def test_houses_are_renamed_copied_put_away_and_deleted(page: Page) -> None:
    yard_row(page, "Kitchen plot").get_by_role("button", name="Rename").click()
    page.get_by_role("textbox", name="New name").fill("Kitchen garden")
    page.keyboard.press("Enter")
    expect(page.get_by_role("link", name="Kitchen garden")).to_be_visible()
    yard_row(page, "Dune edge").get_by_role("button", name="Put away").click()
    expect(page.get_by_role("link", name="Dune edge")).to_have_count(0)
    page.get_by_role("button", name="Put away", exact=True).last.click()
    yard_row(page, "Dune edge").get_by_role("button", name="Bring back").click()
    page.get_by_role("button", name="Back to the yard").click()
    expect(page.get_by_role("link", name="Dune edge")).to_be_visible()
    yard_row(page, "Upper terrace").get_by_role("button", name="Delete").click()
    expect(page.get_by_text("Upper terrace is deleted.")).to_be_visible()
    page.get_by_role("button", name="Undo").click()
    expect(page.get_by_role("link", name="Upper terrace")).to_be_visible()
    yard_row(page, "Upper terrace").get_by_role("button", name="Copy").click()
    expect(page.get_by_role("textbox", name="House name")).to_have_value("Upper terrace, copy")


def test_an_empty_yard_teaches_by_drawing(page: Page) -> None:
    for name in ("Upper terrace", "Dune edge", "Kitchen plot"):
        yard_row(page, name).get_by_role("button", name="Delete").click()
        expect(page.get_by_role("link", name=name)).to_have_count(0)
    expect(page.get_by_role("heading", name="Peg it out")).to_be_visible()
    expect(page.locator("main li svg")).to_have_count(3)


def test_a_house_file_is_opened_or_refused(page: Page, tmp_path: Path) -> None:
    picker = page.locator('input[type="file"]').first
    bad = tmp_path / "bad.json"
    bad.write_text('{"format": "obtegum house", "version": 9}', encoding="utf-8")
    picker.set_input_files(bad)
    expect(page.get_by_text("from a newer Obtegum")).to_be_visible()
    large = tmp_path / "large.json"
    large.write_bytes(b" " * 16_500_000)
    picker.set_input_files(large)
    expect(page.get_by_text("larger than 16 MB")).to_be_visible()
    good = tmp_path / "good.json"
    good.write_text(json.dumps({**house_document(name="From a file"), "schema_version": 1}), encoding="utf-8")
    picker.set_input_files(good)
    expect(page.get_by_role("textbox", name="House name")).to_have_value("From a file")


def test_a_backup_goes_out_and_comes_back_after_asking(page: Page, tmp_path: Path) -> None:
    with page.expect_download() as download:
        page.get_by_role("link", name="Back up everything").click()
    file = tmp_path / "all.zip"
    download.value.save_as(file)
    yard_row(page, "Dune edge").get_by_role("button", name="Delete").click()
    expect(page.get_by_role("link", name="Dune edge")).to_have_count(0)
    picker = page.locator('input[type="file"]').nth(1)
    picker.set_input_files(file)
    page.get_by_role("button", name="Leave them").click()
    expect(page.get_by_role("link", name="Dune edge")).to_have_count(0)
    picker.set_input_files(file)
    page.get_by_role("button", name="Replace them").click()
    expect(page.get_by_text("The backup is back: 3 houses.")).to_be_visible()
    expect(page.get_by_role("link", name="Dune edge")).to_be_visible()
    page.get_by_role("button", name="Take that back").click()
    expect(page.get_by_role("link", name="Dune edge")).to_have_count(0)


def test_a_house_is_deleted_for_good_after_asking(page: Page) -> None:
    for name in ("Dune edge", "Kitchen plot"):
        yard_row(page, name).get_by_role("button", name="Delete").click()
        expect(page.get_by_role("link", name=name)).to_have_count(0)
    page.get_by_role("button", name="Deleted", exact=True).click()
    yard_row(page, "Dune edge").get_by_role("button", name="Delete for good").click()
    asked = page.get_by_role("alertdialog", name="Delete for good")
    expect(asked.get_by_role("button", name="Keep")).to_be_focused()
    asked.get_by_role("button", name="Keep").press("Enter")
    expect(yard_row(page, "Dune edge")).to_have_count(1)
    yard_row(page, "Dune edge").get_by_role("button", name="Delete for good").click()
    asked.get_by_role("button", name="Delete for good").click()
    expect(page.get_by_text("Dune edge is deleted for good.")).to_be_visible()
    expect(yard_row(page, "Dune edge")).to_have_count(0)
    page.get_by_role("button", name="Delete all of these for good").click()
    asked.get_by_role("button", name="Delete for good").click()
    expect(page.get_by_text("1 house deleted for good.")).to_be_visible()
    expect(page.get_by_text("Nothing is here.")).to_be_visible()


@pytest.mark.fresh
def test_a_long_yard_and_a_long_history_go_on(page: Page, server: Server) -> None:
    """Sixty houses more, and a house of forty changes: all of them can be reached."""
    page.evaluate(
        """async () => {
            const token = document.querySelector('meta[name="obtegum-token"]').content;
            const headers = {"content-type": "application/json", "x-obtegum-token": token};
            const send = (method, path, body) =>
              fetch(path, {method, headers, body: JSON.stringify(body)}).then((answer) => answer.json());
            const {houses} = await fetch("/api/houses").then((a) => a.json());
            const id = houses.find((house) => house.name === "Upper terrace").id;
            for (let version = 1; version <= 40; version += 1)
              await send("PATCH", `/api/houses/${id}?step=none`, {
                version, window: "x", edits: [{measure: "size.span_m", text: `${15 + version / 10}`}],
              });
            for (let count = 0; count < 60; count += 1)
              await send("POST", "/api/houses?step=none", {units: "metric"});
        }"""
    )
    page.reload()
    rows = page.get_by_role("group", name=re.compile("New house|Upper terrace|Dune edge|Kitchen plot"))
    expect(rows).to_have_count(40)
    page.get_by_role("button", name="Show more: 40 of 63").click()
    expect(rows).to_have_count(63)
    open_house(page, "Upper terrace")
    page.get_by_role("button", name="History").click()
    lines = page.locator("[data-version]")
    expect(lines).to_have_count(30)
    page.get_by_role("button", name="Show earlier ones").click()
    expect(lines).to_have_count(41)
    expect(page.get_by_role("button", name="Show earlier ones")).to_have_count(0)
    expect(lines.last).to_contain_text("Started from the demo")


@pytest.mark.fresh
def test_a_house_that_can_t_be_planned_has_ways_out(page: Page, server: Server) -> None:
    name = page.get_by_role("link", name="Kitchen plot").get_attribute("href")
    assert name
    house = name.split("/")[2]
    with closing(sqlite3.connect(server.data / "obtegum.sqlite")) as store, store:
        ask = "SELECT body FROM document JOIN revision ON hash = design WHERE house_id = ?"
        body = store.execute(ask, (house,)).fetchone()[0].replace('"tube":"', '"tube":"no ')
        store.execute("INSERT INTO document VALUES (?, ?)", (hash_of(body), body))
        copied = "SELECT house_id, 2, made, 'w', '', 'Spoilt', 'edit', ?, record, NULL, NULL FROM revision"
        store.execute(f"INSERT INTO revision {copied} WHERE house_id = ?", (hash_of(body), house))
        store.execute("UPDATE house SET version = 2 WHERE id = ?", (house,))
    page.reload()
    expect(page.get_by_text("Can’t be planned.")).to_be_visible()
    expect(page.get_by_role("link", name="Dune edge")).to_be_visible()
    page.get_by_role("link", name="Kitchen plot").click()
    expect(page.get_by_role("heading", name="This house can’t be shown")).to_be_visible()
    with page.expect_download() as download:
        page.get_by_role("link", name="Save it as it is kept").click()
    assert "no " in Path(download.value.path()).read_text(encoding="utf-8")
    page.get_by_role("button", name="Bring it back").press("Enter")
    expect(page.get_by_role("textbox", name="House name")).to_have_value("Kitchen plot")


def test_the_sheet_and_tables_are_at_hand(page: Page) -> None:
    open_house(page, "Dune edge")
    page.get_by_role("button", name="Print and files").click()
    for name, start in (("Set-out and bend sheet, A4", b"%PDF"), ("Peg list", b"side,bow"), ("The house", b"{")):
        with page.expect_download() as download:
            page.get_by_role("link", name=name, exact=True).click()
        assert Path(download.value.path()).read_bytes().startswith(start)


def test_ways_out_that_could_not_be_worked_out_are_said_so(page: Page) -> None:
    page.route("**/remedies", lambda route: route.fulfill(status=500, body="{}"))
    open_house(page, "Kitchen plot")
    said = page.get_by_role("status").filter(has_text="Ways out couldn’t be worked out.")
    expect(said).to_be_visible(timeout=20_000)
    page.unroute("**/remedies")
    said.get_by_role("button", name="Try again").click()
    expect(page.locator('[data-verdict="headroom"] [data-remedy] button').first).to_be_visible()
    expect(said).to_have_count(0)


def test_a_part_of_the_page_that_does_not_come_is_said_in_its_place(page: Page) -> None:
    open_house(page, "Upper terrace", "Bows")
    field(page, "bows.stick_m").fill("wide")
    held = {"back": True}
    page.route("**/assets/House-*.js", lambda route: route.abort() if held["back"] else route.continue_())
    page.get_by_role("radio", name="In the round").click()
    caught = page.locator("[data-caught]")
    expect(caught).to_contain_text("The house in the round can’t be shown just now.")
    # All else stays, and what is typed.
    expect(field(page, "bows.stick_m")).to_have_value("wide")
    expect(page.locator("[data-strip]")).to_be_visible()
    held["back"] = False
    caught.get_by_role("button", name="Load the page anew").click()
    expect(field(page, "bows.stick_m")).to_have_value("wide")
    page.get_by_role("radio", name="In the round").click()
    expect(page.locator("canvas")).to_be_visible()
