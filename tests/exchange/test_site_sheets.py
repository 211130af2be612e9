"""The setting-out sheets: tapings, offsets, levels, earth, drain, pulls and checks on paper."""

import io
import re
from functools import cache
from html import escape

import pytest
from pypdf import PdfReader

from obtegum.core.documents.check_bows import BowCheck
from obtegum.core.documents.house import SiteRecord
from obtegum.core.documents.square_up import Taping
from obtegum.core.house.plan import HousePlan, plan_house
from obtegum.core.house.starters import demo_houses
from obtegum.core.rooms import rooms
from obtegum.core.values.catalogue import default_catalogue
from obtegum.exchange.pdf import Paper, sheet_pdf
from obtegum.exchange.phone import step_html
from obtegum.exchange.text import plan_text
from tests.conftest import make_house, make_plan
from tests.core.test_strength import STOUT, told


@cache
def planned(place: int) -> HousePlan:
    return plan_house(*demo_houses()[place], default_catalogue(), slow=True)


TITLES = (
    "Square it", "Square up", "Set out", "Keep pegs", "Level", "Earth", "Drain", "Footing", "Bows", "Bend",
    "Check bows", "Soil", "Weather", "Strength", "Holds down", "Along the row", "Runs", "Fittings",
    "Braces", "Boards", "Plumb", "Ends", "Cover", "Rigid sheets", "Roll-up sides",
    "Film day", "Air and heat", "Card in the house", "The house",
)  # fmt: skip


def pages(plan: HousePlan) -> dict[str, str]:
    """The words of the sheet by the matter that they are of; several may share a page."""
    reader = PdfReader(io.BytesIO(sheet_pdf(plan, 3, "2026-03-01", "letter")))
    found: dict[str, str] = {}
    for page in reader.pages:
        text = re.sub(r"\s+", " ", page.extract_text())
        for title in TITLES:
            if title in text:
                found[title] = found.get(title, "") + " " + text
    return found


def strip_readings(plan: HousePlan, *names: str) -> list[str]:
    return [mark.reading for strip in plan.strips if strip.id in names for mark in strip.marks]


@pytest.mark.parametrize("place", [0, 1, 2])
def test_every_step_has_its_page(place: int) -> None:
    plan = planned(place)
    found = pages(plan)
    assert {"Square it", "Square up", "Keep pegs", "Level", "Earth", "Drain", "Bend", "Check bows"} <= set(found)
    for step in plan.steps:
        if step.caution and (step.answers or step.id not in {page.once for room in rooms() for page in room.pages}):
            assert any(step.caution in text for text in found.values()), step.id


def test_skin_that_is_told_has_its_pages_and_none_else_has() -> None:
    whole = pages(
        make_plan(
            boards={"hip": "board", "hip_m": 1.2},
            cover={"made": "apart", "edge": "hip"},
            sheets={"on": "ends"},
            hoist={"crew": 6, "gust_mps": 4.0},
        )
    )
    assert "It rolls over the top of the bar and outward" in whole["Roll-up sides"]
    assert "If wind gets up half way" in whole["Film day"]
    assert "from the middle outward, each cut to its own heights" in whole["Rigid sheets"]
    assert not {"Roll-up sides", "Film day", "Rigid sheets"} & set(pages(make_plan()))


def test_each_way_of_squaring_is_drawn_on_paper() -> None:
    plan = planned(0)
    text = pages(plan)["Square it"]
    for number, each in enumerate(next(step.how for step in plan.steps if step.id == "set-out"), start=1):
        assert f"{number}. {each.words}" in text
        assert f"Step {number}, drawn 1 :" in text


def test_holding_down_and_the_row_are_on_paper() -> None:
    found = pages(make_plan(**told(), soil={"kind": "clay"}, hold={"set": "concrete"}))
    for words in ("Wet cement burns", "1. The four at the corners first", "No bow in it for 3 days"):
        assert words in found["Holds down"]
    for side in ("left", "right"):
        assert f"Write what each post on the {side} measures" in found["Along the row"]


def test_what_was_taped_stands_beside_what_should_be() -> None:
    plan = planned(1)
    text = pages(plan)["Square up"]
    for reading in ("26.200 m", "7.350 m", "27.211 m", "27.244 m", "27.182 m"):
        assert reading in text
    assert "35 mm toward D" in text
    blank = pages(make_plan())["Square up"]
    assert "should read 57' 0\"" in blank


def test_levels_and_tops_stand_peg_by_peg() -> None:
    plan = planned(0)
    text = pages(plan)["Level"]
    for reading in strip_readings(plan, "level:L", "level:R", "tops:L", "tops:R"):
        assert reading in text
    assert "drawn 1 :" in text


def test_offsets_and_drain_readings_are_on_paper() -> None:
    plan = planned(0)
    found = pages(plan)
    for reading in strip_readings(plan, "kept:AB", "kept:DC"):
        assert reading in found["Keep pegs"]
    for reading in strip_readings(plan, "drain"):
        assert reading in found["Drain"]


def test_pulls_and_checks_are_on_paper() -> None:
    plan = planned(0)
    bend = pages(plan)["Bend"]
    for reading in strip_readings(plan, "pulls:A", "pulls:B"):
        assert reading in bend
    text = pages(planned(1))["Check bows"]
    for bow in range(1, 10):
        assert f"bow {bow}" in text
    assert "7.380 m" in text
    assert "The pipe of a bow, straight" in pages(planned(2))["Bend"]


def test_a_pad_and_spots_print_in_black_and_white() -> None:
    design = make_house(pad__kind="regrade", tape__units="metric")
    record = demo_houses()[0][1].model_copy(update={"taped": Taping(), "earlier": (), "set_at_m": {}})
    pegs = {name: reading for name, reading in record.levels.pegs.items() if int(name[1:]) <= 16}
    spots = {
        "300:200": {"x_m": 3.0, "y_m": 2.0, "reading_m": 1.8},
        "900:400": {"x_m": 9.0, "y_m": 4.0, "reading_m": 1.7},
    }
    levels = record.levels.model_copy(update={"pegs": pegs})
    record = SiteRecord.model_validate({"levels": {**levels.model_dump(), "spots": spots}})
    content = sheet_pdf(plan_house(design, record, default_catalogue()), 1, "2026-03-01", "letter")
    for page in PdfReader(io.BytesIO(content)).pages:
        assert not re.search(rb"\d (rg|RG)\b", page.get_contents().get_data()), "a colour is used"


def test_the_plan_in_text_tells_the_new_steps() -> None:
    record = SiteRecord(bows={"1": BowCheck(width_m=6.4)})
    text = plan_text(make_plan(record))
    for words in ("Square up", "Keep pegs", "Drain trench", "Pulls, stick A", "Widths", "Beds and paths"):
        assert words in text


def test_the_weather_is_worked_out_on_paper_clause_by_clause() -> None:
    plan = make_plan(**told(snow_from="county office, made up"))
    reader = PdfReader(io.BytesIO(sheet_pdf(plan, 3, "2026-03-01", "letter")))
    text = re.sub(r"\s+", " ", " ".join(page.extract_text() for page in reader.pages))
    step = next(each for each in plan.steps if each.id == "weather")
    for answer in step.answers:
        assert f"{answer.label} {answer.note}" in text, answer.id
    assert "pg, snow on the ground county office, made up; edition not told, taken as ASCE 7-16’s 10.4 psf" in text
    played = make_plan(**STOUT, weather={"stand_in": "plain"})
    reader = PdfReader(io.BytesIO(sheet_pdf(played, 3, "2026-03-01", "a4")))
    text = re.sub(r"\s+", " ", " ".join(page.extract_text() for page in reader.pages))
    assert text.count("ot for building") >= 3


@pytest.mark.parametrize("paper", ["letter", "a4"])
@pytest.mark.parametrize("place", [0, 1, 2])
def test_the_card_in_the_house_is_one_page_and_one_for_a_phone(place: int, paper: Paper) -> None:
    plan = planned(place)
    reader = PdfReader(io.BytesIO(sheet_pdf(plan, 3, "2026-03-01", paper, "card")))
    assert len(reader.pages) == 1
    step = next(each for each in plan.steps if each.id == "carries")
    words = re.sub(r"\s+", " ", reader.pages[0].extract_text())
    page = step_html(plan, step, "Card in the house", "2026-03-01")
    assert "<script" not in page and "http" not in page and 'lang="en"' in page
    for each in step.answers:
        assert each.label in words
        assert escape(each.label) in page and escape(each.reading) in page
    for line in step.how:
        assert line.words[:30] in words and escape(line.words) in page
    assert "2026-03-01" in words and "planning aid" in words.lower() and plan.name in page
