"""Field cards on a phone: dealt in the order of the work, typed and ticked by thumb or keys, kept while away."""

import json
import random
import re
from contextlib import suppress
from pathlib import Path
from typing import Any
from urllib.request import Request, urlopen

import pytest
from PIL import Image
from playwright.sync_api import Browser, Locator, Page, Route, expect
from playwright.sync_api import Error as PlaywrightError

from obtegum.core.documents.house import SiteRecord
from obtegum.core.house.starters import new_house
from obtegum.exchange.housefile import write_house_file
from tests.browser.conftest import Server, kill_pages, open_house, step_button
from tests.browser.test_reach import serious


def asked(server: Server, house: str, what: str) -> Any:
    with urlopen(f"{server.address}api/houses/{house}/{what}".rstrip("/"), timeout=60) as answer:
        return json.load(answer)


def at_foot(page: Page) -> Locator:
    """What is said at the foot of the cards."""
    return page.get_by_role("navigation", name="Cards").get_by_role("status")


def dealt(page: Page, name: str, step: str) -> str:
    """The cards of a step of a house, on a phone."""
    open_house(page, name)
    return dealt_here(page, step)


def dealt_here(page: Page, step: str) -> str:
    """The cards of a step of the house that is open, on a phone."""
    step_button(page, step).click()
    # A press in the midst of a step's coming, or of another width, is nobody's.
    page.get_by_role("complementary", name=step, exact=True).wait_for()
    page.get_by_role("button", name="Field cards").click()
    page.get_by_role("navigation", name="Cards").wait_for()
    page.set_viewport_size({"width": 390, "height": 844})
    return page.url


def test_levels_are_written_card_by_card_and_the_posts_say_so(page: Page) -> None:
    dealt(page, "Dune edge", "Level")
    expect(page.get_by_role("heading", level=2)).to_contain_text("peg 10 left")
    box = page.locator('input[data-measure="record.levels.pegs.L10"]')
    box.fill("2.031")
    box.press("Enter")
    # The hand goes on to the next at once.
    expect(page.get_by_role("heading", level=2)).to_contain_text("peg 11 left")
    expect(at_foot(page)).to_contain_text("10 done")
    assert serious(page) == []
    page.get_by_role("button", name="Back").click()
    expect(page.locator('input[data-measure="record.levels.pegs.L10"]')).to_have_value("2.031 m")
    # What can't be read stays as typed and is told in place.
    box.fill("two")
    box.press("Enter")
    while box.count() == 0:
        page.get_by_role("button", name="Back").click()
    expect(box).to_have_value("two")
    expect(page.get_by_role("article")).to_contain_text(re.compile("Can.t read"))


def test_a_card_is_done_by_thumb_undone_by_one_press_and_kept_while_away(page: Page) -> None:
    dealt(page, "Dune edge", "Bows")
    expect(page.locator(".number")).to_have_text("200 mm")
    first = page.get_by_role("heading", level=2).inner_text()
    page.get_by_role("button", name="Done", exact=True).press("Enter")
    expect(at_foot(page)).to_contain_text("2 of 10, 1 done")
    page.get_by_role("button", name=re.compile("^Undo")).click()
    expect(at_foot(page)).to_contain_text("0 done")
    assert first
    # The bench goes away: what is done is kept here and sent when it is back.
    page.route("**/api/**", lambda route: route.abort())
    page.get_by_role("button", name="Done", exact=True).click()
    expect(at_foot(page)).to_contain_text("kept here", timeout=20_000)
    page.unroute("**/api/**")
    expect(at_foot(page)).to_contain_text("1 done", timeout=20_000)
    assert serious(page) == []
    # Every thing to press is large enough for gloves.
    for each in page.locator("button:visible, select:visible").all():
        size = each.bounding_box()
        assert size is not None and size["height"] >= 44, each.inner_text()


def test_a_picture_taken_while_the_bench_is_away_outlives_the_window_and_is_sent_once(
    page: Page, server: Server, tmp_path: Path
) -> None:
    at = dealt(page, "Dune edge", "Level")
    house = at.split("/house/")[1].split("/")[0]
    large, text = tmp_path / "peg.png", tmp_path / "peg.jpg"
    Image.effect_noise((2000, 1500), 60).save(large)
    text.write_text("no picture")

    def put(file: Path) -> None:
        with page.expect_file_chooser() as chooser:
            page.get_by_role("button", name="Put a picture with it").click()
        chooser.value.set_files(file)

    put(text)
    pictures = page.get_by_role("region", name="Pictures")
    expect(pictures.get_by_role("alert")).to_contain_text("no picture that can be read")
    page.route("**/photos?**", lambda route: route.abort())
    put(large)
    expect(at_foot(page)).to_contain_text("kept here", timeout=20_000)
    page.once("dialog", lambda dialog: dialog.accept())
    page.reload()
    expect(at_foot(page)).to_contain_text("kept here", timeout=20_000)
    page.unroute("**/photos?**")
    taken = pictures.get_by_role("button", name="Take out")
    expect(taken).to_have_count(1, timeout=20_000)
    expect(at_foot(page)).not_to_contain_text("kept here")
    (photo,) = [each for card in asked(server, house, "cards?step=level")["cards"] for each in card["photos"]]
    # Its own page made it small before it was sent.
    picture = pictures.get_by_role("img")
    picture.scroll_into_view_if_needed()
    expect(picture).to_have_js_property("naturalWidth", 1600)
    assert page.evaluate("indexedDB.databases().then(all => all.length)") == 1
    assert page.evaluate(HELD) == 0
    assert photo["told"] and serious(page) == []
    taken.press("Enter")
    expect(taken).to_have_count(0)
    page.get_by_role("button", name=re.compile("^Undo")).click()
    expect(taken).to_have_count(1)
    page.get_by_role("button", name=re.compile("^Undo")).click()
    expect(taken).to_have_count(0)


# How many pictures wait in the browser's own store.
HELD = """new Promise((settle) => {
  const opening = indexedDB.open("keyval-store");
  opening.onsuccess = () => {
    const asked = opening.result.transaction("keyval").objectStore("keyval").count();
    asked.onsuccess = () => settle(asked.result);
  };
})"""


def test_loads_are_counted_by_thumb_and_the_clock_is_started_and_stopped(page: Page) -> None:
    dealt(page, "Dune edge", "Level")
    more = page.get_by_role("button", name="One more: Loads")
    for _ in range(3):
        more.click()
    tally = page.get_by_role("region", name="Tally").locator("output")
    expect(tally).to_have_text("3")
    page.get_by_role("button", name="One fewer: Loads").press("Enter")
    expect(tally).to_have_text("2")
    page.get_by_role("button", name="Start the clock").click()
    expect(page.get_by_role("button", name="Stop the clock")).to_be_visible()
    page.get_by_label("Work", exact=True).select_option("posts")
    expect(page.get_by_role("region", name="Clock")).to_contain_text("now on Level")
    assert serious(page) == []
    page.get_by_role("button", name=re.compile("^Undo")).click()
    expect(page.get_by_role("region", name="Clock")).not_to_contain_text("now on Level")


def test_a_clock_left_running_is_asked_about_on_the_card_and_told_once(page: Page, tmp_path: Path) -> None:
    left = SiteRecord().clocked("level", 1e9, on=True)
    file = tmp_path / "left-running.json"
    file.write_text(write_house_file(new_house("feet").model_copy(update={"name": "Left running"}), left), "utf-8")
    page.get_by_label("Open a house file").set_input_files(file)
    expect(page.get_by_role("textbox", name="House name")).to_have_value("Left running")
    dealt_here(page, "Set out")
    doubt = page.get_by_role("region", name="Doubtful clock")
    hours = doubt.get_by_role("textbox")
    expect(doubt).to_contain_text(
        re.compile(r"Level: the clock of 2001-09-\d\d \d\d:\d\d ran for [\d,.]+ h\. How long")
    )
    assert serious(page) == []
    hours.fill("a day")
    hours.press("Enter")
    expect(hours).to_have_attribute("aria-invalid", "true")
    expect(hours).to_have_value("a day")
    hours.fill("6.5")
    doubt.get_by_role("button", name="That long").click()
    expect(doubt).to_have_count(0)
    page.get_by_label("Work", exact=True).select_option("level")
    expect(page.get_by_role("region", name="Clock")).to_contain_text("Level: 6.5 h")
    page.get_by_role("button", name=re.compile("^Undo")).click()
    expect(doubt).to_be_visible()


def test_work_is_chosen_from_the_list_and_the_bench_is_one_press_away(page: Page) -> None:
    dealt(page, "Dune edge", "Level")
    page.get_by_label("Work", exact=True).select_option("set-out")
    expect(page.get_by_role("heading", level=1)).to_contain_text("Set out")
    page.get_by_role("button", name="Sun").click()
    assert serious(page) == []
    page.get_by_role("button", name="Bench").click()
    expect(page.get_by_role("complementary", name="Set out")).to_be_visible()
    page.get_by_role("button", name="Out of the sun").click()


def test_a_phone_is_let_in_by_a_code_gives_readings_and_is_put_out(
    page: Page, browser: Browser, server: Server
) -> None:
    at = dealt(page, "Dune edge", "Level")
    page.get_by_text("On a phone, on paper, or without a network").click()
    expect(page.get_by_text("is not encrypted")).to_be_visible()
    page.get_by_role("button", name="Let a phone in").click()
    expect(page.get_by_alt_text("The address and the code, to scan")).to_be_visible()
    digits = page.locator(".digits").inner_text()
    assert serious(page) == []
    context = browser.new_context(viewport={"width": 390, "height": 844})
    phone = context.new_page()
    # Before it is let in it sees nothing of any house.
    phone.goto(server.phones)
    expect(phone.get_by_text("Dune edge")).to_have_count(0)
    assert serious(phone) == []
    phone.get_by_label("The code that the bench shows").fill("000000" if digits != "000 000" else "111111")
    phone.get_by_role("button", name="Let me in").click()
    expect(phone.get_by_role("alert")).to_contain_text("wrong, used or too old")
    phone.get_by_label("The code that the bench shows").fill(digits)
    phone.get_by_role("button", name="Let me in").press("Enter")
    expect(phone.get_by_role("link", name="Dune edge")).to_be_visible()
    # The code is used, and goes; its yard offers what a phone may do, and no more.
    expect(page.locator(".digits")).to_have_count(0)
    expect(page.get_by_text(re.compile(" is in\\.$"))).to_be_visible()
    expect(phone.get_by_role("button")).to_have_text(["For the sun"])
    assert phone.get_by_role("textbox").count() == 0
    phone.get_by_role("link", name="Dune edge").click()
    phone.get_by_role("navigation", name="Cards").wait_for()
    expect(phone.get_by_text("On a phone, on paper, or without a network")).to_have_count(0)
    phone.goto(at.replace(server.address, server.phones))
    box = phone.locator('input[data-measure="record.levels.pegs.L10"]')
    box.fill("2.051")
    box.press("Enter")
    expect(phone.get_by_role("heading", level=2)).to_contain_text("peg 11 left")
    expect(at_foot(phone)).to_contain_text("10 done")
    # It flows to the bench, whose window shows it by itself.
    at_bench = at_foot(page)
    expect(at_bench).to_contain_text("10 done", timeout=30_000)
    # What is planned isn't changed from there, and what was typed stays.
    phone.goto(f"{at.replace(server.address, server.phones).rsplit('/', 2)[0]}/size")
    phone.locator('input[data-measure="size.span_m"]').fill("9 m")
    phone.locator('input[data-measure="size.span_m"]').press("Enter")
    expect(phone.get_by_text("A phone gives readings").first).to_be_visible()
    page.goto(server.address)
    page.get_by_role("button", name="Let a phone in").click()
    assert serious(page) == []
    page.get_by_role("button", name=re.compile("^Put out")).first.click()
    expect(page.get_by_role("button", name=re.compile("^Put out"))).to_have_count(0)
    phone.goto(server.phones)
    expect(phone.get_by_label("The code that the bench shows")).to_be_visible()
    context.close()


def told(server: Server, house: str, method: str, what: str, body: dict[str, Any]) -> None:
    """Change a house as another window of the bench would."""
    with urlopen(f"{server.address}api/token", timeout=60) as answer:
        token = json.load(answer)["token"]
    headers = {"content-type": "application/json", "x-obtegum-token": token}
    url = f"{server.address}api/houses/{house}{what}"
    with urlopen(Request(url, json.dumps(body).encode(), headers, method=method), timeout=60) as answer:
        assert answer.status == 200


def kinds(server: Server, house: str) -> dict[tuple[object, ...], tuple[str, int]]:
    """Where each kind of card comes first: its step, and how many come before it there."""
    found: dict[tuple[object, ...], tuple[str, int]] = {}
    for each in asked(server, house, "cards")["steps"]:
        for place, card in enumerate(asked(server, house, f"cards?step={each['id']}")["cards"]):
            parts = tuple(bool(card[name]) for name in ("measure", "tick", "strip", "reading", "note"))
            found.setdefault((*parts, card["state"]), (each["id"], place))
    return found


def test_every_kind_of_card_is_within_reach_at_the_bench_in_the_sun_and_on_a_phone(
    page: Page, browser: Browser, server: Server
) -> None:
    at = dealt(page, "Dune edge", "Level")
    house = at.split("/house/")[1].split("/")[0]
    corner = next(
        card for card in asked(server, house, "cards?step=set-out")["cards"] if card["reading"] and card["tick"]
    )
    far = [card for card in asked(server, house, "cards?step=set-out")["cards"] if card["tick"].startswith("peg:")][-1]
    for tick in (corner["tick"], far["tick"]):
        version = asked(server, house, "version")["version"]
        told(server, house, "POST", "/ticks", {"version": version, "window": "other", "tick": tick, "done": True})
    version = asked(server, house, "version")["version"]
    longer = [{"measure": "size.length_m", "text": "27.6 m"}]
    told(server, house, "PATCH", "", {"version": version, "window": "other", "edits": longer})
    found = kinds(server, house)
    titles = {each["id"]: each["title"] for each in asked(server, house, "cards")["steps"]}
    assert {kind[-1] for kind in found} == {"open", "set", "moved"} and len(found) >= 8
    page.get_by_text("On a phone, on paper, or without a network").click()
    page.get_by_role("button", name="Let a phone in").click()
    digits = page.locator(".digits").inner_text()
    phone = browser.new_context(viewport={"width": 390, "height": 844}).new_page()
    phone.goto(server.phones)
    phone.get_by_label("The code that the bench shows").fill(digits)
    phone.get_by_role("button", name="Let me in").click()
    phone.get_by_role("link", name="Dune edge").wait_for()
    for address, hand in ((server.address, page), (server.phones, phone)):
        hand.goto(f"{address}house/{house}/level/cards")
        for kind, (step, place) in found.items():
            hand.get_by_label("Work", exact=True).select_option(step)
            expect(hand.get_by_role("heading", level=1)).to_have_text(f"{titles[step]}, field cards")
            hand.get_by_label("Go to").select_option(str(place))
            expect(at_foot(hand)).to_contain_text(f"{place + 1} of ")
            assert serious(hand) == [], (kind, step, place)
            if hand is page:
                hand.get_by_role("button", name="Sun").click()
                assert serious(hand) == [], (kind, step, place, "in the sun")
                hand.get_by_role("button", name="Shade").click()
    phone.context.close()


def test_a_reading_taken_back_while_its_change_is_on_its_way_is_what_stands(page: Page, server: Server) -> None:
    at = dealt(page, "Dune edge", "Along the row")
    house = at.split("/house/")[1].split("/")[0]
    box = page.locator('.written input[data-measure="record.row.L1.gap_m"]')

    def write(text: str) -> None:
        box.fill(text)
        box.press("Enter")
        page.get_by_role("button", name="Back").click()
        expect(box).to_be_visible()

    write("56 mm")
    expect(at_foot(page)).to_have_text(re.compile(" 1 done$"))
    # What stands is typed again while another value can't be sent: last of all it is that.
    page.route("**/api/houses/**", lambda route: route.abort())
    for text in ("58 mm", "56 mm", "58 mm", "56 mm"):
        write(text)
    expect(at_foot(page)).to_contain_text("kept here", timeout=20_000)
    page.unroute("**/api/houses/**")
    expect(at_foot(page)).to_have_text(re.compile(" 1 done$"), timeout=60_000)
    expect(box).to_have_value("56 mm")
    assert asked(server, house, "")["record"]["row"]["L1"]["gap_m"] == pytest.approx(0.056)


def test_a_value_counts_though_the_card_still_shows_the_same_of_before(page: Page, server: Server) -> None:
    at = dealt(page, "Dune edge", "Along the row")
    house = at.split("/house/")[1].split("/")[0]
    box = page.locator('.written input[data-measure="record.row.L1.gap_m"]')
    box.fill("56 mm")
    box.press("Enter")
    expect(at_foot(page)).to_have_text(re.compile(" 1 done$"))
    # The cards come late: 58 mm is kept, and the card says 56 mm still when that is typed again.
    held = list[Route]()
    page.route("**/cards?step=*", lambda route: held.append(route))
    for text in ("58 mm", "56 mm"):
        page.get_by_role("button", name="Back").click()
        box.focus()
        page.keyboard.type(text)
        with page.expect_response(lambda answer: answer.request.method == "PATCH"):
            page.keyboard.press("Enter")
        assert asked(server, house, "")["record"]["row"]["L1"]["gap_m"] == pytest.approx(int(text[:2]) / 1000)
    page.unroute("**/cards?step=*")
    for route in held:
        with suppress(PlaywrightError):
            route.continue_()


def test_cards_show_their_own_work_whatever_they_are_opened_from(page: Page) -> None:
    dealt(page, "Upper terrace", "Size")
    drawn = page.get_by_role("article").get_by_role("group")
    expect(page.get_by_role("heading", level=2)).to_contain_text("String the base line")
    expect(drawn).to_have_accessible_name(re.compile("^Step 1"))
    page.get_by_label("Work", exact=True).select_option("level")
    expect(drawn).to_have_accessible_name(re.compile("^The ground"))
    # Each card of the tops names its post.
    named = [each for each in page.get_by_label("Go to").locator("option").all_inner_texts() if "tops" in each]
    assert named and all(re.search(r"(Left|Right) tops: post \d+ out", each) for each in named)
    page.get_by_label("Go to").select_option(label=named[1])
    expect(page.get_by_role("heading", level=2)).to_have_text("Post 2 left: its top, where the rod reads this.")


def test_what_is_typed_away_shows_on_drawing_and_tape_and_undo_goes_back_to_it(page: Page, server: Server) -> None:
    at = dealt(page, "Upper terrace", "Along the row")
    house = at.split("/house/")[1].split("/")[0]

    def write(post: int, text: str) -> None:
        box = page.locator(f'.written input[data-measure="record.row.L{post}.gap_m"]')
        box.fill(text)
        box.press("Enter")

    write(1, '2"')
    expect(at_foot(page)).to_have_text(re.compile(" 1 done$"))
    page.route("**/api/**", lambda route: route.abort())
    for post in (2, 3, 4):
        write(post, "2 1/8 in")
    expect(at_foot(page)).to_contain_text("4 done: kept here", timeout=20_000)
    expect(page.get_by_text("without the bench it can’t be opened again")).to_be_visible()
    for post, fill in ((1, "--ink"), (4, "--ink"), (5, "--sheet")):
        mark = page.locator(f'.drawing [data-mark="post:L{post}"] rect')
        expect(mark).to_have_attribute("fill", f"var({fill})")
    expect(page.locator("[data-strip]")).to_contain_text("2 1/8 in")
    # What was typed last and waits is taken back, and nothing else.
    page.get_by_role("button", name=re.compile("^Undo")).click()
    expect(page.get_by_role("heading", level=2)).to_contain_text("post 4 left")
    expect(at_foot(page)).to_contain_text("3 done")
    page.unroute("**/api/**")
    expect(at_foot(page)).to_have_text(re.compile(" 3 done$"), timeout=60_000)
    # What is kept is undone from wherever one is: its card comes, and is named.
    page.get_by_label("Go to").select_option(index=20)
    page.get_by_role("button", name=re.compile("^Undo: .*3")).click()
    expect(page.get_by_role("heading", level=2)).to_contain_text("post 3 left")
    expect(page.get_by_text("Taken back: Post 3 left, to the string").first).to_be_visible()
    kept = asked(server, house, "")["record"]["row"]
    assert [name for name, reads in kept.items() if reads["gap_m"] is not None] == ["L1", "L2"]


def test_what_another_wrote_meanwhile_is_shown_beside_it(page: Page, server: Server) -> None:
    at = dealt(page, "Dune edge", "Along the row")
    house = at.split("/house/")[1].split("/")[0]
    measure = "record.row.L1.gap_m"
    version = asked(server, house, "version")["version"]
    page.route("**/api/houses/**", lambda route: route.abort())
    page.locator(".written input").fill("56 mm")
    page.locator(".written input").press("Enter")
    expect(at_foot(page)).to_contain_text("kept here", timeout=20_000)
    with urlopen(f"{server.address}api/token", timeout=60) as answer:
        headers = {"x-obtegum-token": json.load(answer)["token"], "content-type": "application/json"}
    body = {"version": version, "window": "other", "edits": [{"measure": measure, "text": "61 mm"}]}
    url = f"{server.address}api/houses/{house}"
    with urlopen(Request(url, json.dumps(body).encode(), headers, method="PATCH"), timeout=60):
        pass
    page.unroute("**/api/houses/**")
    both = page.get_by_role("main")
    expect(both).to_contain_text("61 mm", timeout=60_000)
    expect(both).to_contain_text("56 mm")
    assert serious(page) == []
    assert asked(server, house, "")["record"]["row"]["L1"]["gap_m"] == pytest.approx(0.061)


# The card after which the stream of readings turns round.
TURN = 8


def test_readings_are_neither_lost_nor_doubled_by_cuts_and_kills(
    page: Page, browser: Browser, server: Server, pytestconfig: pytest.Config
) -> None:
    """A stream of readings from a phone: requests cut before they arrive and answers cut on their way, the server
    killed, the page closed, and its process killed in the midst of it."""
    cuts = 200 if pytestconfig.getoption("--deep") else 20
    at = dealt(page, "Dune edge", "Along the row")
    house = at.split("/house/")[1].split("/")[0]
    version = asked(server, house, "version")["version"]
    chance = random.Random(21)
    left = [cuts]

    def cut(route: Route) -> None:
        # A page that is closed meanwhile takes its requests with it.
        with suppress(PlaywrightError):
            if route.request.method == "GET" or left[0] <= 0 or chance.random() < 0.4:
                route.continue_()
                return
            left[0] -= 1
            if chance.random() < 0.5:
                # It arrives and is kept, and its answer is lost.
                with suppress(PlaywrightError):
                    route.fetch()
            route.abort()

    page.context.route("**/api/houses/**", cut)
    typed: dict[str, str] = {}
    number, changes, back = 0, 0, False
    while left[0] > 0 or number < 12:
        box = page.locator(".written input")
        measure = box.get_attribute("data-measure") or ""
        text = f"{50 + number % 3} mm"
        box.fill(text)
        box.press("Enter")
        # What a reload brings back first may be typed anew with another value: that is another change.
        changes += typed.get(measure) != text
        typed[measure] = text
        number += 1
        if number == 6:
            server.kill()
            server.start()
        if number == 9:
            # The page is closed in mid-stream and opened again: it asks first, and brings back what wasn't sent.
            page.on("dialog", lambda dialog: dialog.accept())
            page.reload()
            page.get_by_role("navigation", name="Cards").wait_for()
        if number == 11:
            # Its process dies, and nobody is asked: another window takes over what was kept.
            context, shown = page.context, page.url
            with page.expect_event("crash"):
                kill_pages(browser)
            page.close()
            page = context.new_page()
            page.set_viewport_size({"width": 390, "height": 844})
            page.goto(shown)
            page.get_by_role("navigation", name="Cards").wait_for()
        if number not in (9, 11):
            # The hand goes on to the next. One that has just come back begins at what isn't kept yet: that may be this.
            expect(page.locator(f'.written input[data-measure="{measure}"]')).to_have_count(0, timeout=60_000)
        # To and fro over the same cards, so that one is written again while its earlier reading is still on its way.
        place = int(at_foot(page).inner_text().split()[0])
        back = place > TURN or (back and place > 2)
        if back:
            page.get_by_role("button", name="Back").click()
            page.get_by_role("button", name="Back").click()
        if number > 2 * cuts + 12:
            break
    said = at_foot(page)
    expect(said).not_to_contain_text("sent", timeout=90_000)
    page.context.unroute("**/api/houses/**")
    # Nothing is on its way any more.
    expect(said).to_have_text(re.compile(f" {len(typed)} done$"), timeout=180_000)
    kept = asked(server, house, "")["record"]["row"]
    for measure, text in typed.items():
        post, what = measure.split(".")[2:]
        assert kept[post][what] == pytest.approx(int(text.split()[0]) / 1000), measure
    # Each reading is one change, no more.
    assert asked(server, house, "version")["version"] == version + changes
    assert left[0] < cuts
