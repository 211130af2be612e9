"""The engineer's sheet: every combination whole, each line adding up to the use that is told, by the code's rule."""

import io
import math
from typing import Any

import numpy as np
import pytest
from pypdf import PdfReader

from obtegum.core.findings.skeleton.runs import held_m
from obtegum.core.findings.work import Work
from obtegum.core.house.plan import plan_work
from obtegum.core.rooms.strength.engineer import (
    checked,
    combination_lines,
    combination_rows,
    section_lines,
    section_rows,
    whole_found,
)
from obtegum.core.rooms.strength.found import bow_found
from obtegum.core.rooms.strength.model import model_of, sections_of
from obtegum.exchange.pdf import SMALL, sheet_pdf
from obtegum.exchange.typefaces import FIGURES
from tests.conftest import make_bench
from tests.core.test_strength import told


def bench(method: str, **changes: Any) -> Work:
    house = told()
    weather = {**house["weather"], "method": method}
    return make_bench(**{**house, "weather": weather, "strength": {"runs": 3}, "braces": {"bays": 2}, **changes})


@pytest.mark.parametrize("method", ["us", "eu"])
def test_every_combination_is_there_and_the_worst_is_what_is_told(method: str) -> None:
    work = bench(method)
    lines, judged = checked(work), bow_found(work)
    whole = whole_found(work)
    assert judged is not None and whole is not None
    assert [each.combo for each in lines] == list(whole.weathered.combos)
    assert len(lines) > 60
    assert max(each.use for each in lines) == pytest.approx(judged.ratio, rel=1e-9)


@pytest.mark.parametrize("method", ["us", "eu"])
def test_each_line_adds_up_to_its_use(method: str) -> None:
    for each in checked(bench(method)):
        force, bent = each.force_share, each.bending_share
        by_rule = force + bent
        if method == "us":
            # AISC 360-16, H1-1a and b.
            by_rule = force + 8 / 9 * bent if force >= 0.2 else force / 2 + bent
        # What buckles is told by what it lacks, which may be more than its forces use.
        least = 1.6 if method == "us" else 1.0
        lacks = least / each.buckles_at
        assert each.use == pytest.approx(max(by_rule, lacks if lacks > 1 or not each.stands else 0.0), rel=1e-6)


def test_a_line_by_hand() -> None:
    # E3: Fe is the lesser of the two ways to buckle; below 2.25 of yield over it, 0.658^(Fy/Fe)·Fy·A/1.67.
    work = bench("us")
    bow, which, looked = sections_of(work)[0], model_of(work).which, 0
    for each in checked(work):
        if each.axial_n >= 0 or which[each.place] != 0 or not each.stands:
            continue
        looked += 1
        out = math.pi**2 * bow.elastic_pa * bow.inertia_m4 / held_m(work) ** 2 / bow.area_m2
        assert each.buckling_pa <= out * (1 + 1e-9)
        slender = bow.yield_pa / each.buckling_pa
        pressed = (0.658**slender if slender <= 2.25 else 0.877 / slender) * bow.yield_pa * bow.area_m2 / 1.67
        assert each.force_share == pytest.approx(-each.axial_n / pressed, rel=1e-6)
    assert looked > 30


def test_feet_bear_what_lies_on_the_bow() -> None:
    # Up at both feet together: dead weight and snow of the basic cases by their factors, whatever the second order.
    work = bench("us")
    whole = whole_found(work)
    assert whole is not None and whole.found is not None
    for row, each in zip(np.argsort(whole.found.rows), checked(work), strict=True):
        if not each.stands:
            continue
        combo = int(whole.found.rows[row])
        assert each.feet_n[1] + each.feet_n[3] == pytest.approx(float(whole.found.ground[combo, :, 1].sum()), abs=2.0)
        assert sum(factor for _, factor in each.factors) > 0


def test_the_table_and_the_paper_tell_all_of_it() -> None:
    work = bench("us")
    rows, sections = combination_rows(work), {(row[0], row[2]): row[3] for row in section_rows(work)[1:]}
    assert len(rows) == len(checked(work)) + 1
    assert {len(row) for row in rows} == {len(rows[0])}
    bow = sections_of(work)[0]
    assert float(sections["Bow", "Mn"]) == pytest.approx(bow.yield_pa * bow.plastic_m3, rel=1e-5)
    assert float(sections["Bow", "Pn"]) == pytest.approx(bow.yield_pa * bow.area_m2, rel=1e-5)
    assert float(sections["Bow", "Lc"]) == pytest.approx(held_m(work), rel=1e-5)
    pages = PdfReader(io.BytesIO(sheet_pdf(plan_work(work), 1, "2026-05-01", "letter", "engineer", work))).pages
    text = "\n".join(page.extract_text() for page in pages)
    for words in ("For an engineer", "Sections as they count", "bends at, nominal", "Planning aid", "Nr/Nc"):
        assert words in text, words
    # Each page says its columns again, and every combination is on one of them.
    assert text.count("Nr/Nc") == sum("Nr/Nc" in page.extract_text() for page in pages) >= 3
    assert text.count("D+S: 1 weight") == sum(each.combo.name == "D+S" for each in checked(work))
    # It is no part of the sheet that goes on site.
    site = PdfReader(io.BytesIO(sheet_pdf(plan_work(work), 1, "2026-05-01", "letter", work=work))).pages
    assert "For an engineer" not in "\n".join(page.extract_text() for page in site)


def test_what_is_not_known_is_no_table() -> None:
    work = make_bench()
    assert checked(work) == ()
    assert combination_lines(work) == section_lines(work) == ()
    assert len(combination_rows(work)) == len(section_rows(work)) == 1


@pytest.mark.parametrize("method", ["us", "eu"])
def test_figures_stay_in_their_columns(method: str) -> None:
    from reportlab.pdfbase.pdfmetrics import stringWidth

    from obtegum.core.face.faces import Tabled
    from obtegum.core.rooms.strength.room import ROOM

    work = bench(method, tape__units="feet" if method == "us" else "metric")
    sheet_pdf(plan_work(work), 1, "2026-05-01", "letter", "engineer", work)
    blocks = [block for page in ROOM.pages for block in page.blocks if isinstance(block, Tabled)]
    assert len(blocks) == 2
    for block in blocks:
        assert sum(block.widths) == pytest.approx(1.0)
        for cells in block.rows(work):
            for cell, width in zip(cells[1:], block.widths[1:], strict=True):
                # Letter less its margins, points.
                assert stringWidth(cell, FIGURES, SMALL) <= width * 520, cell
