"""Cards as one file: typed on with no network by the bench's own rules, undone, opened where one was, brought back."""

import io
import random
from collections.abc import Iterator
from pathlib import Path

import pytest
from PIL import Image, ImageFilter
from playwright.sync_api import Browser, Page, expect

from obtegum.core.values.amount import parse_amount
from obtegum.core.values.quantity import Bare, LengthError, Tape, Units, bare_m, length_text, parse_length
from tests.browser.conftest import CHROMIUM, FLAGS, Server
from tests.browser.test_cards import asked, dealt
from tests.browser.test_reach import serious

KIT = Path("src/obtegum/exchange/pack/made/kit.js")


@pytest.fixture
def pack(page: Page, browser: Browser, tmp_path: Path) -> Iterator[Page]:
    """The pack of a house in metres on a phone with no network, at its first level."""
    dealt(page, "Dune edge", "Level")
    page.get_by_text("On a phone, on paper, or without a network").click()
    with page.expect_download() as coming:
        page.get_by_role("link", name="All cards as one file").click()
    file = tmp_path / "cards.html"
    coming.value.save_as(file)
    phone = browser.new_context(viewport={"width": 390, "height": 844}, offline=True)
    opened = phone.new_page()
    opened.goto(file.as_uri())
    opened.get_by_label("Work").select_option(label="Level")
    expect(opened.get_by_role("heading", level=1)).to_contain_text("peg 10 left")
    yield opened
    phone.close()


def test_a_pack_works_as_a_file_with_no_network_and_comes_back(page: Page, browser: Browser, tmp_path: Path) -> None:
    at = dealt(page, "Dune edge", "Level")
    page.get_by_text("On a phone, on paper, or without a network").click()
    with page.expect_download() as coming:
        page.get_by_role("link", name="All cards as one file").click()
    file = tmp_path / "cards.html"
    coming.value.save_as(file)
    # A preview that runs nothing says so.
    preview = browser.new_context(java_script_enabled=False).new_page()
    preview.goto(file.as_uri())
    expect(preview.get_by_text("take the cards on paper")).to_be_visible()
    preview.context.close()
    phone = browser.new_context(viewport={"width": 390, "height": 844}, offline=True)
    pack = phone.new_page()
    asked: list[str] = []
    pack.on("request", lambda request: asked.append(request.url))
    pack.goto(file.as_uri())
    assert [url for url in asked if not url.startswith(("file:", "blob:", "data:"))] == []
    pack.get_by_label("Work").select_option(label="Level")
    expect(pack.get_by_role("heading", level=1)).to_contain_text("peg 10 left")
    pack.locator("#typed").fill("2.044")
    pack.locator("#typed").press("Enter")
    expect(pack.get_by_role("heading", level=1)).to_contain_text("peg 11 left")
    pack.locator("#typed").fill("2.066")
    pack.get_by_label("Work").select_option(label="Bows")
    pack.get_by_role("button", name="Done").press("Enter")
    expect(pack.get_by_role("status")).to_contain_text("3 to give back")
    assert serious(pack) == []
    # Closed and opened again, what was typed is there.
    pack.close(run_before_unload=False)
    pack = phone.new_page()
    pack.goto(file.as_uri())
    expect(pack.get_by_role("status")).to_contain_text("3 to give back")
    pack.get_by_role("button", name="Give back").click()
    assert serious(pack) == []
    code = pack.locator("#code").input_value()
    phone.close()
    page.get_by_label("Or paste what it gave").fill(code)
    page.get_by_role("button", name="Take what is pasted").click()
    expect(page.get_by_text("3 taken, 0 stood here already")).to_be_visible()
    page.goto(at)
    expect(page.get_by_role("heading", level=2)).to_contain_text("peg 12 left")
    page.get_by_text("On a phone, on paper, or without a network").click()
    page.get_by_label("Or paste what it gave").fill(code)
    page.get_by_role("button", name="Take what is pasted").click()
    expect(page.get_by_text("0 taken, 3 stood here already")).to_be_visible()
    page.get_by_label("Or paste what it gave").fill(code[:-20])
    page.get_by_role("button", name="Take what is pasted").click()
    expect(page.get_by_role("alert")).to_contain_text("Copy all of it")
    expect(page.get_by_label("Or paste what it gave")).to_have_value(code[:-20])
    assert serious(page) == []


def film(pictures: list[bytes], file: Path) -> None:
    """What a camera would see of pictures that are held before it one after the other, askew and not quite sharp."""
    with file.open("wb") as out:
        for number, picture in enumerate(pictures):
            seen = Image.new("RGB", (1280, 720), "#8a7f70")
            held = (
                Image.open(io.BytesIO(picture))
                .convert("RGB")
                .resize((520, 520))
                .rotate(4, expand=True, fillcolor="gray")
            )
            seen.paste(held, (300 + 20 * number, 80))
            frame = io.BytesIO()
            seen.filter(ImageFilter.GaussianBlur(0.6)).save(frame, "JPEG", quality=80)
            for _ in range(30):
                out.write(frame.getvalue())


def test_the_bench_reads_a_pack_by_its_camera(page: Page, browser: Browser, server: Server, tmp_path: Path) -> None:
    at = dealt(page, "Dune edge", "Level")
    house = at.split("/house/")[1].split("/")[0]
    page.get_by_text("On a phone, on paper, or without a network").click()
    with page.expect_download() as coming:
        page.get_by_role("link", name="All cards as one file").click()
    file = tmp_path / "cards.html"
    coming.value.save_as(file)
    phone = browser.new_context(viewport={"width": 390, "height": 844}, device_scale_factor=2, offline=True)
    pack = phone.new_page()
    pack.goto(file.as_uri())
    pack.get_by_label("Work").select_option(label="Level")
    box, given = pack.locator("#typed"), 0
    while pack.get_by_role("button", name="Next", exact=True).is_enabled():
        if box.count():
            given += 1
            box.fill(f"2.{100 + 7 * given % 90}")
            box.press("Enter")
        else:
            pack.get_by_role("button", name="Next", exact=True).click()
    expect(pack.locator("#said")).to_contain_text(f"{given} to give back")
    pack.get_by_role("button", name="Give back").click()
    pack.get_by_role("button", name="As codes").click()
    code = pack.get_by_role("img", name="A code to scan")
    code.locator("svg").wait_for()
    count = int(pack.locator("#which").inner_text().split(" of ")[1].split(":")[0])
    assert count >= 2 and serious(pack) == []
    seen = []
    for _ in range(count):
        seen.append(code.locator("svg").screenshot())
        pack.get_by_role("button", name="Next code").press("Enter")
    phone.close()
    film(seen, tmp_path / "seen.mjpeg")
    eyes = ["--use-fake-ui-for-media-stream", "--use-fake-device-for-media-stream"]
    lent = [*FLAGS, *eyes, f"--use-file-for-fake-video-capture={tmp_path / 'seen.mjpeg'}"]
    bench = browser.browser_type.launch(executable_path=CHROMIUM, args=lent)
    there = bench.new_page()
    there.goto(at)
    there.get_by_text("On a phone, on paper, or without a network").click()
    there.get_by_role("button", name="Scan its codes").click()
    expect(there.get_by_text(f"{given} taken, 0 stood here already")).to_be_visible(timeout=60_000)
    expect(there.get_by_role("button", name="Scan its codes")).to_be_visible()
    bench.close()
    cards = asked(server, house, "cards?step=level")["cards"]
    assert sum(card["typed"] != "" for card in cards) >= given > 20
    # Without a camera it says what else there is.
    page.get_by_role("button", name="Scan its codes").press("Enter")
    expect(page.get_by_role("alert")).to_contain_text("No camera can be used here")
    assert serious(page) == []


# What lengths are written with, and what they aren't.
PIECES = [
    *"0123456789", *"0123456789", ".", ",", "-", " ", " ", "'", '"', "''", "/", " 1/2", "3/16", "½", "¾", " and ",
    ", and ", "ft", "in", "in.", "feet", "m", "cm", "mm", "yd", "−", "′", "”", "\u00a0", "12", "100000", "1e5",
    "banana", "٣", "²",
]  # fmt: skip


def written(chance: random.Random) -> str:
    """A length as somebody writes it, or something like one."""
    feet, inches, whole = chance.randrange(40), chance.randrange(14), chance.randrange(3000)
    usual = [
        f"{feet}' {inches} {chance.randrange(1, 20)}/{chance.choice((2, 8, 16, 0))}\"",
        f"{feet}-{inches}.{chance.randrange(10)}", f"{whole / 1000}", f"{whole / 100:.2f} m".replace(".", ","),
        f"{whole} mm", f"{feet} ft {inches} in", f"{feet}m{inches}",
    ]  # fmt: skip
    if chance.random() < 0.4:
        return chance.choice(usual)
    return "".join(chance.choice(PIECES) for _ in range(chance.randrange(9)))


def as_bench_reads(text: str, units: Units, bare: Bare) -> tuple[float | None, str]:
    """A length and how it is printed, or no length and why."""
    try:
        value = parse_length(text, units, bare)
        return value, length_text(value, Tape(units=units))
    except LengthError as error:
        return None, str(error)


def as_bench_counts(text: str, units: Units) -> tuple[float | None, str]:
    try:
        value = parse_amount(text, "count", units)
    except LengthError as error:
        return None, str(error)
    return (value, "") if value == round(value) else (None, "Write a whole number.")


READ = """asked => asked.map(([text, units, bare]) => {
  const tape = {units, inch_parts: 16, mm_step: 1};
  try {
    if (bare === null) return [packKit.countOf(text, units), ""];
    const value = packKit.lengthOf(text, units, bare);
    return [value, packKit.lengthText(value, tape)];
  } catch (error) { return [null, error.message]; }
})"""


def test_the_pack_reads_two_thousand_texts_as_the_bench_does(browser: Browser) -> None:
    page = browser.new_page()
    page.add_script_tag(path=KIT)
    chance = random.Random(2000)
    kinds: list[tuple[Units, Bare]] = [("feet", "long"), ("feet", "fine"), ("metric", "long"), ("metric", "fine")]
    lengths = [(written(chance), *chance.choice(kinds)) for _ in range(2000)]
    read = page.evaluate(READ, [(text, units, bare_m(units, bare)) for text, units, bare in lengths])
    good = 0
    for (text, units, bare), (value, words) in zip(lengths, read, strict=True):
        wanted, said = as_bench_reads(text, units, bare)
        assert words == said, (text, units, bare)
        assert value == (None if wanted is None else pytest.approx(wanted, rel=1e-12, abs=1e-12)), (text, units)
        good += wanted is not None
    assert 400 < good < 1600
    counts = [
        (
            chance.choice((str(chance.randrange(300)), written(chance), "-3", "2.5", "2,0")),
            chance.choice(kinds)[0],
        )
        for _ in range(300)
    ]
    counted = page.evaluate(READ, [(text, units, None) for text, units in counts])
    for (text, units), (value, words) in zip(counts, counted, strict=True):
        assert (value, words) == as_bench_counts(text, units), (text, units)
    page.close()


def test_a_pack_refuses_on_the_spot_what_the_bench_would(pack: Page) -> None:
    box, read, said = pack.locator("#typed"), pack.locator("#read"), pack.locator("#said")
    for text, why in (
        ("banana", "Can't read “banana” as a length. Write it like 2.25, 2,25 m, 225 cm or 7' 4\"."),
        ("1,9.5", "One decimal sign is enough: write 2,25 or 2.25."),
        ("-2", "A length can't be below zero."),
        ("300", "Rod reading can be 20.000 m at the most."),
    ):
        box.fill(text)
        box.press("Enter")
        expect(read).to_have_text(why)
        expect(box).to_have_value(text)
        expect(box).to_have_attribute("aria-invalid", "true")
        expect(said).to_contain_text("9 done, 0 to give back")
    assert serious(pack) == []
    # What can't be used stays as it was typed, and is named when the others are given back.
    pack.get_by_role("button", name="Next", exact=True).click()
    box.fill("1,9")
    expect(read).to_have_text("reads 1.900 m")
    box.press("Enter")
    pack.get_by_role("button", name="Give back").click()
    expect(pack.locator("#count")).to_contain_text("1 to give back")
    expect(pack.locator("#count")).to_contain_text("Not with them, as they can’t be read: Rod at peg 10 left.")
    assert "300" not in pack.locator("#code").input_value()


def test_a_pack_takes_back_change_by_change_and_opens_where_one_was(pack: Page) -> None:
    box, undo = pack.locator("#typed"), pack.get_by_role("button", name="Undo")
    expect(undo).to_be_disabled()
    for text in ("2.044", "2.066"):
        box.press_sequentially(text)
        box.press("Enter")
    pack.get_by_label("Work").select_option(label="Bows")
    pack.get_by_role("button", name="Done").press("Enter")
    expect(pack.locator("#said")).to_contain_text("3 to give back")
    title = pack.get_by_role("heading", level=1).inner_text()
    # Killed and opened again, it stands where one was, and knows what was done.
    pack.on("dialog", lambda dialog: dialog.accept())
    pack.reload()
    expect(pack.get_by_role("heading", level=1)).to_have_text(title)
    undo.press("Enter")
    expect(pack.locator("#said")).to_contain_text("Taken back. 1 of ")
    undo.click()
    expect(pack.get_by_role("heading", level=1)).to_contain_text("peg 11 left")
    expect(box).to_have_value("")
    undo.click()
    expect(pack.get_by_role("heading", level=1)).to_contain_text("peg 10 left")
    expect(pack.locator("#said")).to_contain_text("0 to give back")
    expect(undo).to_be_disabled()


def test_what_pasting_did_is_in_sight(page: Page, pack: Page) -> None:
    pack.locator("#typed").fill("2.044")
    pack.get_by_role("button", name="Give back").click()
    code = pack.locator("#code").input_value()
    page.get_by_label("Or paste what it gave").fill(code)
    page.get_by_role("button", name="Take what is pasted").click()
    expect(page.get_by_text("1 taken, 0 stood here already")).to_be_in_viewport()
    page.get_by_label("Or paste what it gave").fill(code[:-9])
    page.get_by_role("button", name="Take what is pasted").click()
    expect(page.get_by_text("Copy all of it")).to_be_in_viewport()
