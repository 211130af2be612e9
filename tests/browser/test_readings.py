"""Readings typed in a hurry, wherever they can be typed: what stands of each is what was typed last."""

import random
import re
from collections.abc import Callable
from dataclasses import dataclass
from pathlib import Path

import pytest
from playwright.sync_api import Browser, Locator, Page, expect

from tests.browser.conftest import Server
from tests.browser.test_bench import saved
from tests.browser.test_cards import asked
from tests.browser.test_typing import LATE, PEGS, forget_levels

# At the longest, of an answer, ms.
LATE_MS = 900
PHONE = {"width": 390, "height": 844}


@dataclass
class Hand:
    """Where one types: the field in the hand, which peg it is of, and how to go back by one."""

    page: Page
    box: Callable[[], Locator]
    peg: Callable[[], str]
    back: Callable[[], None]
    escapes: bool = True

    def reading(self, chance: random.Random) -> tuple[str, str]:
        """Type one as people do, some of them over one of before; returns the peg and what stands then, m."""
        if chance.random() < 0.65:
            self.back()
        self.box().focus()
        peg, text = self.peg(), f"{chance.uniform(1, 2.5):.3f}"
        ways = [
            [*text, "Enter"],
            [*text.replace(".", ","), "Enter"],
            [*"9.9", "Backspace", "Backspace", "Backspace", *text, "Enter"],
            [*text[:3], "Control+a", *text, "Enter"],
            [*text[:-1], "0", "Backspace", text[-1], "Enter"],
        ]
        if self.escapes:
            ways.append([*text[:3], "Escape", *text, "Enter"])
        for key in chance.choice(ways):
            self.page.keyboard.press(key)
            self.page.wait_for_timeout(chance.uniform(10, 80))
        return peg, text


def at_bench(page: Page) -> Hand:
    box = page.locator(f'input[data-measure^="{PEGS}"]')

    def back() -> None:
        page.locator("[data-strip]").focus()
        page.keyboard.press("ArrowLeft")

    return Hand(page, lambda: box, lambda: (box.get_attribute("data-measure") or "").removeprefix(PEGS), back)


def on_card(page: Page) -> Hand:
    box = page.locator(".written input")

    def back() -> None:
        button = page.get_by_role("button", name="Back", exact=True)
        if button.is_enabled():
            button.click()

    return Hand(page, lambda: box, lambda: (box.get_attribute("data-measure") or "").removeprefix(PEGS), back)


def in_pack(page: Page) -> Hand:
    def peg() -> str:
        found = re.search(r"eg (\d+) (left|right)", page.get_by_role("heading", level=1).inner_text())
        assert found
        return f"{found[2][0].upper()}{found[1]}"

    def back() -> None:
        page.get_by_role("button", name="Back", exact=True).click()

    return Hand(page, lambda: page.locator("#typed"), peg, back, escapes=False)


def let_in(page: Page, browser: Browser, server: Server) -> Page:
    """A phone that the bench has let in."""
    page.goto(server.address)
    asking = page.get_by_role("button", name="Let a phone in")
    asking.click()
    expect(asking).to_have_count(2)
    asking.first.click()
    digits = page.locator(".digits").inner_text()
    phone = browser.new_context(viewport=PHONE).new_page()
    phone.add_init_script(LATE)
    phone.goto(server.phones)
    phone.get_by_label("The code that the bench shows").fill(digits)
    phone.get_by_role("button", name="Let me in").click()
    expect(phone.get_by_role("link", name="New house")).to_be_visible()
    return phone


def test_what_stands_of_each_reading_is_what_was_typed_last_wherever(
    page: Page, browser: Browser, server: Server, tmp_path: Path, pytestconfig: pytest.Config
) -> None:
    count = 125 if pytestconfig.getoption("--deep") else 5
    chance = random.Random(500)
    page.add_init_script(LATE)
    page.reload()
    forget_levels(page)
    address = page.url
    house = address.split("/house/")[1].split("/")[0]
    typed = dict[str, str]()

    def kept() -> dict[str, str]:
        return {peg: f"{value:.3f}" for peg, value in asked(server, house, "")["record"]["levels"]["pegs"].items()}

    def type_there(hand: Hand) -> None:
        for _ in range(count):
            peg, text = hand.reading(chance)
            typed[peg] = text

    def late(where: Page) -> None:
        where.evaluate("late => { window.late = late; }", LATE_MS)

    def all_kept(where: Page) -> None:
        for _ in range(300):
            if kept() == typed:
                return
            where.wait_for_timeout(200)
        assert kept() == typed

    late(page)
    type_there(at_bench(page))
    saved(page)
    all_kept(page)
    # Its cards at the bench, dealt from the first that isn't written.
    page.goto(f"{address}/cards")
    page.get_by_role("navigation", name="Cards").wait_for()
    late(page)
    type_there(on_card(page))
    all_kept(page)
    phone = let_in(page, browser, server)
    phone.goto(f"{address.replace(server.address, server.phones)}/cards")
    phone.get_by_role("navigation", name="Cards").wait_for()
    late(phone)
    type_there(on_card(phone))
    all_kept(phone)
    phone.context.close()
    page.goto(f"{address}/cards")
    page.get_by_text("On a phone, on paper, or without a network").click()
    with page.expect_download() as coming:
        page.get_by_role("link", name="All cards as one file").click()
    file = tmp_path / "cards.html"
    coming.value.save_as(file)
    away = browser.new_context(viewport=PHONE, offline=True)
    pack = away.new_page()
    pack.goto(file.as_uri())
    pack.get_by_label("Work").select_option(label="Level")
    type_there(in_pack(pack))
    pack.get_by_role("button", name="Give back").click()
    code = pack.locator("#code").input_value()
    away.close()
    page.get_by_label("Or paste what it gave").fill(code)
    page.get_by_role("button", name="Take what is pasted").click()
    expect(page.get_by_text(re.compile(r"[1-9]\d* taken, \d+ stood here already\."))).to_be_visible()
    all_kept(page)
    assert len(typed) > count
