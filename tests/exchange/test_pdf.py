"""The printed sheet, read back: paper, words, and the drawing at its printed scale."""

import io
import re
from functools import cache
from typing import Any

import pytest
from pypdf import PdfReader

from obtegum.core.house.plan import HousePlan, plan_house
from obtegum.core.house.starters import demo_houses
from obtegum.core.rooms import rooms
from obtegum.core.values.catalogue import default_catalogue
from obtegum.core.values.quantity import FOOT_M
from obtegum.exchange.paper import scale_for
from obtegum.exchange.pdf import Paper, sheet_pdf
from tests.conftest import make_plan

POINTS_PER_M = 72 / 0.0254


def read(plan: HousePlan, paper: Paper = "letter") -> PdfReader:
    return PdfReader(io.BytesIO(sheet_pdf(plan, 7, "2026-03-01", paper)))


def words(reader: PdfReader) -> list[str]:
    return [re.sub(r"\s+", " ", page.extract_text()) for page in reader.pages]


@pytest.mark.parametrize(("paper", "size"), [("letter", (612, 792)), ("a4", (595.28, 841.89))])
def test_paper_and_page_numbers(plan: HousePlan, paper: Paper, size: tuple[float, float]) -> None:
    reader = read(plan, paper)
    pages = words(reader)
    for number, page in enumerate(reader.pages, start=1):
        assert (float(page.mediabox.width), float(page.mediabox.height)) == pytest.approx(size, abs=0.01)
        assert f"2026-03-01 · version 7 · page {number} of" in pages[number - 1]
        assert "Test house" in pages[number - 1]
        assert "planning aid" in pages[number - 1]
    form = reader.pages[0]["/Resources"]["/XObject"]
    assert any(name.startswith("/FormXob") for name in form)


def test_every_reading_is_on_paper(plan: HousePlan) -> None:
    text = " ".join(words(read(plan)))
    for strip in plan.strips:
        if strip.id in ("peg:L", "post") or strip.id.startswith("stick:"):
            for mark in strip.marks:
                assert mark.reading in text, (strip.id, mark.reading)
    untold = {page.once for room in rooms() for page in room.pages}
    for step in plan.steps:
        # Nothing is printed of what this house has nothing of.
        assert step.caution in text or (step.id in untold and not step.answers), step.id
    for each in plan.verdicts:
        assert each.sentence in text


def test_levels_are_words_not_colours() -> None:
    text = " ".join(words(read(make_plan(bows__bays="fixed"))))
    assert "FAILS. The odd last bay" in text
    content = b"".join(page.get_contents().get_data() for page in read(make_plan()).pages)
    assert not re.search(rb"\d (rg|RG)\b", content), "a colour is used"


def segments(page: Any) -> list[tuple[float, float, float, float]]:
    """Straight lines of a page's content, each as drawn by a move and a line."""
    found, here = [], (0.0, 0.0)
    for numbers, operator in re.findall(rb"((?:-?[\d.]+\s+)+)([ml])\b", page.get_contents().get_data()):
        x, y = (float(number) for number in numbers.split()[-2:])
        if operator == b"l":
            found.append((*here, x, y))
        here = (x, y)
    return found


def test_drawings_stand_at_their_printed_scale(plan: HousePlan) -> None:
    reader = read(plan)
    for title, view, metres in (("Across", "across", 21 * FOOT_M), ("From above", "above", 57 * FOOT_M)):
        page = next(number for number, each in enumerate(words(reader)) if f"{title}, drawn 1 :" in each)
        scale = int(re.search(rf"{title}, drawn 1 : (\d+)", words(reader)[page]).group(1))  # type: ignore[union-attr]
        wanted = metres / scale * POINTS_PER_M
        lengths = [abs(x1 - x0) for x0, y0, x1, y1 in segments(reader.pages[page]) if abs(y1 - y0) < 0.01]
        assert any(length == pytest.approx(wanted, abs=0.05) for length in lengths), (view, wanted)


def test_a_drawing_is_as_large_as_the_paper_lets_it(plan: HousePlan) -> None:
    across = next(each for each in plan.drawings if each.view == "across")
    assert scale_for(across, 532, 200) > scale_for(across, 532, 600)


def test_a_long_house_takes_more_pages() -> None:
    long = make_plan(size__length_m=120.0, bows__max_spacing_m=0.6)
    reader = read(long)
    assert len(reader.pages) > len(read(make_plan()).pages)
    text = " ".join(words(reader))
    assert all(mark.reading in text for strip in long.strips if strip.id == "peg:L" for mark in strip.marks)


def lines_of(reader: PdfReader) -> list[list[tuple[float, str]]]:
    """For each page its words with how high their line stands, points."""
    pages = []
    for page in reader.pages:
        found: list[tuple[float, str]] = []

        def note(text: str, user: Any, matrix: Any, font: Any, size: Any, found: Any = found) -> None:
            if text.strip():
                found.append((matrix[5] * user[3] + user[5], text.strip()))

        page.extract_text(visitor_text=note)
        pages.append(found)
    return pages


@cache
def demo(place: int) -> HousePlan:
    return plan_house(*demo_houses()[place], default_catalogue(), slow=True)


@pytest.mark.parametrize("paper", ["letter", "a4"])
@pytest.mark.parametrize("name", range(3))
def test_pages_are_filled_and_nothing_stands_on_the_foot(name: int, paper: Paper) -> None:
    plan = demo(name)
    reader = read(plan, paper)
    height = float(reader.pages[0].mediabox.height)
    pages = lines_of(reader)
    for number, lines in enumerate(pages, start=1):
        foot = [y for y, text in lines if "planning aid" in text or "version 7" in text]
        body = [y for y, text in lines if y not in foot and not text.isdigit()]
        assert min(body) > max(foot) + 12, number
        # No page is left a third empty while more is to come.
        if number < len(pages):
            assert min(body) < height * 0.4, number


def test_what_is_to_be_read_on_site_has_a_line_to_write_on() -> None:
    """Before anything is levelled: a line at each of the 32 pegs."""
    page = next(each for each in read(make_plan()).pages if "rod on the ground" in each.extract_text())
    short = [(x0, y0) for x0, y0, x1, y1 in segments(page) if y0 == y1 and 55 < x1 - x0 < 65]
    assert len(short) == 32


def test_each_page_has_a_line_for_the_day_and_one_for_who() -> None:
    reader = read(make_plan())
    for page in reader.pages:
        assert {"day", "who"} <= set(page.extract_text().split())
        lines = [x1 - x0 for x0, y0, x1, y1 in segments(page) if y0 == y1 and y0 > float(page.mediabox.height) - 75]
        assert any(48 < long < 52 for long in lines) and any(140 < long < 144 for long in lines)
