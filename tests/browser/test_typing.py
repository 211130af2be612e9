"""Typed like a person types: fast, over a slow line, while answers come, windows change, and servers go."""

import random
import re
from contextlib import suppress
from typing import Any

import pytest
from playwright.sync_api import Browser, BrowserContext, Dialog, Page, Route, expect
from playwright.sync_api import Error as PlaywrightError

from tests.browser.conftest import Server, field, kill_pages, open_house, step_button
from tests.browser.test_bench import saved
from tests.browser.test_known import begin
from tests.browser.test_trust import change, second_window

# Answers take from nothing to half a second, each another while, as over a bad link.
SLOW = """
const fetchNow = window.fetch;
window.fetch = async (...asked) => {
  const answer = await fetchNow(...asked);
  await new Promise((go) => setTimeout(go, Math.random() * 500));
  return answer;
};
"""


PEGS = "record.levels.pegs."


def levels(page: Page) -> Any:
    """The levels as the server has kept them."""
    house = re.search("/house/([0-9a-f]+)/", page.url)
    assert house
    kept = page.evaluate("path => fetch(path).then((answer) => answer.json())", f"/api/houses/{house[1]}")
    return kept["record"]["levels"]


def forget_levels(page: Page) -> None:
    """A house of 100 bows, metric, with nothing read yet."""
    page.get_by_role("button", name="New house in metres").click()
    field(page, "size.length_m").fill("99")
    field(page, "size.length_m").press("Enter")
    expect(page.locator(".size")).to_contain_text("99.000")
    step_button(page, "Set out").click()
    field(page, "bows.max_spacing_m").fill("1")
    field(page, "bows.max_spacing_m").press("Enter")
    saved(page)
    step_button(page, "Level").click()
    expect(field(page, "record.levels.pegs.L1")).to_be_visible()


def test_readings_typed_fast_over_a_slow_line_are_all_kept(
    page: Page, context: BrowserContext, request: pytest.FixtureRequest
) -> None:
    """Every reading at its own peg, to the digit: none changed, none lost, none elsewhere."""
    count = 200 if request.config.getoption("--deep") else 16
    chance = random.Random(11)
    page.add_init_script(SLOW)
    page.reload()
    forget_levels(page)
    walk = [f"L{bow}" for bow in range(1, 101)] + [f"R{bow}" for bow in range(100, 0, -1)]
    typed = {peg: f"{chance.uniform(1, 2.5):.3f}" for peg in walk[:count]}
    field(page, "record.levels.pegs.L1").focus()
    for peg, reading in typed.items():
        for key in [*reading, "Enter"]:
            page.keyboard.press(key)
            page.wait_for_timeout(chance.uniform(30, 120))
        if chance.random() < 0.1:
            # The panel, the chosen mark and the field name one peg, whatever is under way.
            at = page.evaluate("document.activeElement.dataset.measure")
            at = at.removeprefix(PEGS)
            side, bow = {"L": "left", "R": "right"}[at[0]], at[1:]
            expect(page.get_by_role("complementary").locator(".next")).to_contain_text(f"peg {bow} {side}")
            assert walk.index(at) == list(typed).index(peg) + 1
    saved(page)
    assert {peg: f"{value:.3f}" for peg, value in levels(page)["pegs"].items()} == typed


def test_enter_stops_at_the_last_peg_and_says_so(page: Page) -> None:
    open_house(page, "Dune edge", "Level")
    last = {f"L{bow}" for bow in range(10, 25)} | {f"R{bow}" for bow in range(1, 25)}
    before = levels(page)["pegs"]
    entry = field(page, "record.levels.pegs.L10")
    expect(entry).to_be_visible()
    entry.focus()
    while (at := page.evaluate("document.activeElement.dataset.measure ?? ''")) != "":
        assert at.removeprefix(PEGS) in last
        page.keyboard.type("2.222")
        page.keyboard.press("Enter")
    told = page.get_by_role("status").filter(has_text="That was the last one")
    expect(told).to_be_focused()
    # More keys put nothing in place of the last reading.
    page.keyboard.type("9.999")
    page.keyboard.press("Enter")
    saved(page)
    after = levels(page)["pegs"]
    assert all(after[peg] == before[peg] for peg in before)
    assert {value for peg, value in after.items() if peg not in before} == {2.222}
    # One that was read before says so where it is typed anew.
    page.get_by_role("radio", name="Left pegs").click()
    page.locator("[data-strip]").focus()
    page.keyboard.press("Home")
    page.keyboard.press("ArrowRight")
    expect(page.locator("[data-entry]")).to_contain_text(f"read before: {before['L2']:.3f} m")
    expect(page.get_by_role("complementary")).to_contain_text("Peg 2 left was read")


def test_what_is_typed_waits_in_its_field(page: Page) -> None:
    """Refused, left for another step, for the yard, and come back to: it stands there as it was typed."""
    open_house(page, "Upper terrace")
    field(page, "size.span_m").fill("wide")
    field(page, "size.span_m").press("Enter")
    expect(page.get_by_text("Can't read")).to_be_visible()
    step_button(page, "Bows").click()
    step_button(page, "Size").click()
    expect(field(page, "size.span_m")).to_have_value("wide")
    page.get_by_role("link", name="Yard").click()
    page.get_by_role("link", name="Upper terrace").click()
    expect(field(page, "size.span_m")).to_have_value("wide")
    field(page, "size.span_m").press("Escape")
    expect(field(page, "size.span_m")).to_have_value("22' 6\"")


def test_closing_with_something_unsaved_asks_and_brings_it_back(page: Page, server: Server) -> None:
    open_house(page, "Upper terrace")
    asked: list[str] = []

    def leave(dialog: Dialog) -> None:
        asked.append(dialog.type)
        dialog.accept()

    page.on("dialog", leave)
    server.kill()
    field(page, "size.span_m").fill("20")
    field(page, "size.span_m").press("Enter")
    field(page, "size.length_m").focus()
    page.keyboard.type("61")
    expect(page.locator(".saved")).to_contain_text("not saved")
    server.start()
    page.evaluate("() => { window.fetch = () => new Promise(() => {}); }")
    page.reload()
    assert asked == ["beforeunload"]
    expect(field(page, "size.length_m")).to_have_value("61")
    expect(page.locator(".size")).to_contain_text("20' ×")
    field(page, "size.length_m").press("Enter")
    saved(page)
    expect(page.locator(".size")).to_have_text("20' × 61'")
    # Everything is saved: it doesn't ask.
    page.reload()
    assert asked == ["beforeunload"]
    expect(page.get_by_role("button", name="Undo: Length")).to_be_visible()


def test_a_lost_answer_makes_no_second_change(page: Page) -> None:
    """The change arrives, its answer doesn't: it is sent again, and made once."""
    open_house(page, "Upper terrace")
    lost = {"left": 2}

    def lose(route):  # type: ignore[no-untyped-def]
        if route.request.method in ("PATCH", "POST") and lost["left"] and "/try" not in route.request.url:
            lost["left"] -= 1
            route.fetch()
            route.abort()
        else:
            route.continue_()

    page.route("**/api/houses/**", lose)
    leg = field(page, "size.shape.leg_m")
    leg.press("ArrowUp")
    expect(leg).to_have_value("3' 0 1/16\"")
    saved(page)
    assert lost["left"] == 0
    lost["left"] = 1
    change(page, "size.length_m", "60")
    page.get_by_role("button", name="Undo: Length").click()
    expect(field(page, "size.length_m")).to_have_value("63' 0\"")
    saved(page)
    expect(field(page, "size.shape.leg_m")).to_have_value("3' 0 1/16\"")


def test_a_value_typed_before_another_window_s_change_shows_both(page: Page) -> None:
    open_house(page, "Upper terrace")
    span = field(page, "size.span_m")
    span.click()
    span.press_sequentially("25")
    other = second_window(page)
    change(other, "size.span_m", "20")
    saved(other)
    page.bring_to_front()
    expect(page.locator(".saved")).to_contain_text("changed in another window")
    # What is typed stands; both values are shown once it is taken.
    expect(span).to_have_value("25")
    span.press("Enter")
    box = page.get_by_role("alert", name="Changed in two windows")
    expect(box).to_contain_text("Keep theirs: Width 20' 0\"")
    expect(box).to_contain_text("Take mine: Width 25' 0\"")
    box.get_by_role("button", name="Take mine").click()
    expect(page.locator(".size")).to_have_text("25' × 63'")


def test_the_yard_says_that_the_bench_is_away(page: Page, server: Server) -> None:
    server.kill()
    page.get_by_role("button", name="Put away", exact=True).last.click()
    expect(page.get_by_role("alert")).to_contain_text("The bench is away")
    expect(page.get_by_text("Nothing is here.")).to_have_count(0)
    server.start()
    expect(page.get_by_text("Nothing is here.")).to_be_visible()
    expect(page.get_by_role("alert")).to_have_count(0)


def test_spots_typed_one_after_the_other_over_a_slow_line(page: Page) -> None:
    chance = random.Random(3)
    page.add_init_script(SLOW)
    page.reload()
    open_house(page, "Dune edge", "Level")
    page.get_by_role("button", name="Spots between the pegs").press("Enter")
    page.get_by_label("Across from A–B").fill("3")
    along = page.get_by_label("Along from A")
    along.focus()
    wanted = {f"{place}00:300": f"1.{place:03d}" for place in range(1, 9)}
    for spot, reading in wanted.items():
        for key in [*spot.split("00:")[0], "Tab", "Tab", *reading, "Enter"]:
            page.keyboard.press(key)
            page.wait_for_timeout(chance.uniform(30, 90))
    saved(page)
    # What stands for the next spot is nothing that closing the window would lose.
    assert page.evaluate("window.dispatchEvent(new Event('beforeunload', {cancelable: true}))")
    expect(page.get_by_label("Across from A–B")).to_have_value("3")
    kept = levels(page)["spots"]
    assert {name: f"{spot['reading_m']:.3f}" for name, spot in kept.items()} == wanted


def test_a_full_disk_is_said_and_the_change_waits(page: Page) -> None:
    open_house(page, "Upper terrace")
    full = {"now": True}
    problem = '{"type": "/problems/full", "title": "", "status": 507, "detail": "The disk is full. Make room on it."}'

    def answer(route):  # type: ignore[no-untyped-def]
        if route.request.method == "PATCH" and full["now"]:
            route.fulfill(status=507, content_type="application/problem+json", body=problem)
        else:
            route.continue_()

    page.route("**/api/houses/**", answer)
    field(page, "size.span_m").fill("20")
    field(page, "size.span_m").press("Enter")
    expect(page.locator(".saved")).to_have_text("Not saved yet. The disk is full. Make room on it.")
    expect(field(page, "size.span_m")).to_have_value("20")
    full["now"] = False
    saved(page)
    expect(page.locator(".size")).to_have_text("20' × 63'")


# Answers late by as long as is told, in ms: from nothing to two and a half seconds.
LATE = """
const fetchNow = window.fetch;
window.late = 0;
window.fetch = async (...asked) => {
  const answer = await fetchNow(...asked);
  await new Promise((go) => setTimeout(go, Math.random() * window.late));
  return answer;
};
"""
CORRECTED = {
    "size.span_m": (16.0, 40.0), "size.length_m": (20.0, 99.0), "size.shape.leg_m": (1.0, 3.0),
}  # fmt: skip


def corrected(chance: random.Random, text: str) -> list[str]:
    """Keys that type a value, and then something over it, or something at its end or in it."""
    feet, inch = text.split(".")[0], str(chance.randrange(12))
    return chance.choice(
        [
            [*text, "Enter"],
            [*feet, "Enter", *text, "Enter"],
            [*feet, " ", *inch, "Enter"],
            [*"99", "Backspace", "Backspace", *text, "Enter"],
            [*feet, "Enter", "End", ".", "5", "Enter"],
            [*feet, "Enter", "Backspace", *text, "Enter"],
            [*"wide", "Enter", *text, "Enter"],
            [*text, "Tab", "Shift+Tab", *feet, "Enter"],
            [*"1", "Escape", *text, "Enter"],
        ]
    )


def test_the_same_keys_do_the_same_however_late_the_bench_answers(
    page: Page, server: Server, request: pytest.FixtureRequest
) -> None:
    count = 200 if request.config.getoption("--deep") else 12
    page.add_init_script(LATE)
    ends = list[dict[str, Any]]()
    for late_ms in (0, 700, 2500):
        chance = random.Random(36)
        page.goto(server.address)
        open_house(page, "Upper terrace")
        page.evaluate("late => { window.late = late; }", late_ms)
        for _ in range(count):
            measure, (least, most) = chance.choice(list(CORRECTED.items()))
            field(page, measure).focus()
            for key in corrected(chance, f"{chance.uniform(least, most):.2f}"):
                page.keyboard.press(key)
                page.wait_for_timeout(chance.uniform(30, 120))
        page.evaluate("() => { window.late = 0; }")
        page.locator("[data-strip]").focus()
        expect(page.locator(".saved")).to_have_text(re.compile("saved"), timeout=60_000)
        read = {measure: field(page, measure).input_value() for measure in CORRECTED}
        ends.append(read)
    assert ends[0] == ends[1] == ends[2]


def test_what_is_typed_after_enter_takes_the_place_of_what_was_sent(page: Page) -> None:
    open_house(page, "Upper terrace")
    length = field(page, "size.length_m")
    for wait_ms in (0, 1500):
        length.focus()
        page.keyboard.type("40")
        # The preview comes, then what is sent is answered.
        page.wait_for_timeout(wait_ms)
        page.keyboard.press("Enter")
        page.wait_for_timeout(wait_ms)
        # What was sent stands there still, chosen whole, and how it is read stands below.
        expect(length).to_have_value("40")
        if wait_ms:
            expect(page.get_by_role("complementary")).to_contain_text("reads 40' 0\"")
        page.keyboard.type("39 11")
        expect(length).to_have_value("39 11")
        page.keyboard.press("Enter")
        saved(page)
        page.keyboard.press("Tab")
        expect(length).to_have_value("39' 11\"")
        page.get_by_role("button", name="Undo: Length").click()
        saved(page)


def hold_first(page: Page) -> list[Route]:
    """Where the first change that is sent waits, until it is continued."""
    held = list[Route]()

    def hold(route: Route) -> None:
        if route.request.method == "PATCH" and not held:
            held.append(route)
        else:
            route.continue_()

    page.route("**/api/houses/*?step=*", hold)
    return held


def test_what_is_typed_takes_the_place_of_a_figure_that_comes_under_the_hand(page: Page) -> None:
    """The count is given by the bays that were picked a moment before: it comes when the hand is in its empty field."""
    begin(page, "feet")
    step_button(page, "Set out").click()
    count = field(page, "bows.count")
    expect(count).to_have_value("")
    held = hold_first(page)
    page.get_by_role("radio", name="by the number of bows").focus()
    page.keyboard.press("Space")
    count.focus()
    while not held:
        page.wait_for_timeout(20)
    held[0].continue_()
    expect(count).not_to_have_value("")
    page.keyboard.type("11")
    expect(count).to_have_value("11")


def test_the_same_letters_typed_anew_stay_when_what_was_sent_is_answered(page: Page) -> None:
    """48 is sent, and 48 is typed again on the way to 48.5: the answer to the first takes none of the second."""
    open_house(page, "Upper terrace")
    held = hold_first(page)
    length = field(page, "size.length_m")
    length.focus()
    page.keyboard.type("48")
    page.keyboard.press("Enter")
    page.keyboard.type("48")
    while not held:
        page.wait_for_timeout(20)
    with page.expect_response(lambda answer: answer.request.method == "PATCH"):
        held[0].continue_()
    saved(page)
    expect(length).to_have_value("48")
    page.keyboard.type(".5")
    page.keyboard.press("Enter")
    saved(page)
    page.keyboard.press("Tab")
    expect(length).to_have_value("48' 6\"")


def test_what_a_dead_window_sent_and_typed_after_it_is_no_clash_with_itself(
    page: Page, browser: Browser, server: Server
) -> None:
    """The first value arrived and its answer was lost; a new window sends the first again and then the second."""
    open_house(page, "Upper terrace")
    length = field(page, "size.length_m")
    arrived = list[bool]()

    def lose(route: Route) -> None:
        with suppress(PlaywrightError):
            if route.request.method == "PATCH":
                arrived.append(route.fetch().ok)
                return
            route.continue_()

    page.context.route("**/api/houses/*?step=*", lose)
    length.fill("48")
    length.press("Enter")
    while not arrived:
        page.wait_for_timeout(20)
    length.fill("50")
    length.press("Enter")
    page.wait_for_timeout(300)
    context, shown = page.context, page.url
    with page.expect_event("crash"):
        kill_pages(browser)
    page.close()
    context.unroute("**/api/houses/*?step=*")
    page = context.new_page()
    page.goto(shown)
    expect(field(page, "size.length_m")).to_have_value("50' 0\"", timeout=20_000)
    saved(page)
    expect(page.get_by_role("alert", name="Changed in two windows")).to_have_count(0)
    assert arrived == [True] and page.evaluate("localStorage.length") == 0


def test_a_pressed_choice_shows_at_once_and_is_marked_until_it_is_so(page: Page) -> None:
    page.add_init_script(LATE)
    page.reload()
    open_house(page, "Upper terrace", "Set out")
    group = page.get_by_role("complementary").get_by_role("radiogroup").first
    before = group.locator('[data-selected="true"]').text_content()
    other = group.locator("label:not([data-selected])").first
    words = other.text_content()
    assert words != before
    page.evaluate("() => { window.late = 0; window.fetch = () => new Promise(() => {}); }")
    other.click()
    chosen = group.locator('[data-selected="true"]')
    expect(chosen).to_have_text(words or "")
    expect(group).to_have_attribute("data-sent", "")


def test_enter_goes_on_in_what_was_taped_between_the_corners(page: Page) -> None:
    open_house(page, "Upper terrace", "Square up")
    fields = page.locator('aside input[data-measure^="record.taped"]')
    expect(fields.first).to_be_visible()
    names = [each.get_attribute("data-measure") for each in fields.all()]
    assert len(names) > 3
    fields.first.focus()
    for name in names:
        assert page.evaluate("document.activeElement.dataset.measure") == name
        page.keyboard.press("Enter")
