"""Pipe that is bent hot, the ways to come to a shape, and the form at true size, read back from paper and DXF."""

import io
import math
import re
from itertools import pairwise
from typing import Any

import ezdxf
import pytest
from pypdf import PdfReader
from pypdf.generic import ContentStream

from obtegum.core.documents.house import SiteRecord
from obtegum.core.documents.job import Job
from obtegum.core.face.edit import Edit
from obtegum.core.house.edits import apply_edits
from obtegum.core.rooms.bend.form import form_drawing, form_of
from obtegum.core.rooms.bend.heated import batches_of
from obtegum.core.rooms.bend.shaping import ways_to_shape
from obtegum.core.rooms.strength.plastic import SnowRating, plastic_found
from obtegum.core.values.catalogue import default_catalogue
from obtegum.core.values.quantity import INCH_M
from obtegum.exchange.cad import drawings_dxf
from obtegum.exchange.tiles import MARGIN_M, tiled_pdf, tiling
from tests.conftest import answer, make_bench, make_house, make_plan, verdict
from tests.core.test_sprung import PIPE
from tests.core.test_strength import told

POINT_M = INCH_M / 72
HOT = {**PIPE, "size__shape": {"kind": "round_on_legs", "leg_m": 0.5}, "strength": {"plastic": "heated"}}


def test_oven_loads_and_hours_by_hand() -> None:
    # Seven bows of two sticks: 14 pieces, 4 at once: 4 loads of 20 min; 2 forms take 2 rounds of 8 min for each load,
    # less than the oven. All of it: 4 × 20 min, and the last load of 2 formed at once in 8 min.
    house = {**HOT, "size__length_m": 5.4, "bending": {"forms": 2}}
    batches = batches_of(make_bench(**house))
    assert (batches.pieces, batches.batches, batches.each_s) == (14, 4, 1200)
    assert batches.all_s == 4 * 1200 + 480
    # One form is slower than the oven: 4 rounds of 8 min each, the first after 20 min of heating, the last of 2.
    slow = batches_of(make_bench(**{**house, "bending": {"forms": 1}}))
    assert slow.each_s == 4 * 480 and slow.all_s == 1200 + 3 * 4 * 480 + 2 * 480


def test_the_form_and_its_sand_by_hand() -> None:
    plan = make_plan(**HOT, tape__units="metric")
    # Half a circle of 1.5 m to the centre; its face half a tube less.
    od, bore = 1.315 * INCH_M, (1.315 - 0.266) * INCH_M
    found = next(each for step in plan.steps if step.id == "bend" for each in step.answers if each.id == "form_1")
    assert found.value == pytest.approx(1.5 - od / 2)
    sand = next(each for step in plan.steps if step.id == "bend" for each in step.answers if each.id == "sand")
    longest = max(strip.length_m for strip in plan.strips if strip.id.startswith("stick:"))
    assert sand.value == pytest.approx(math.pi / 4 * bore**2 * longest)
    assert answer(plan, "bend", "batches") == str(math.ceil(2 * 8 / 4))
    assert verdict(plan, "heat-tight").level == "holds" and verdict(plan, "cold-bend") is None


def test_cold_plastic_that_is_drawn_bent_is_told() -> None:
    cold = make_plan(**{**HOT, "strength": {"plastic": "sprung"}})
    assert verdict(cold, "cold-bend").level == "tight"
    job = Job(make_house(**{**HOT, "strength": {"plastic": "sprung"}}), SiteRecord())
    sprung = apply_edits(job, [Edit(measure="size.shape", text="sprung")], default_catalogue()).design
    assert sprung.size.shape.kind == "sprung" and sprung.size.height_m == pytest.approx(job.design.size.height_m)
    hot = apply_edits(Job(sprung), [Edit(measure="strength.plastic", text="heated")], default_catalogue()).design
    assert hot.size.shape.kind == "round_on_legs" and hot.size.height_m == pytest.approx(sprung.size.height_m)


def test_ordinates_of_a_round_form_lie_on_its_circle() -> None:
    form = form_of(make_bench(**HOT))
    radius = 1.5 - 1.315 * INCH_M / 2
    assert form.chord_m == pytest.approx(2 * radius)
    assert len(form.ordinates) > 15
    for x, high in form.ordinates:
        assert high == pytest.approx(math.sqrt(radius**2 - (x - radius) ** 2), abs=1e-9)
    halves = form_of(make_bench(**{**HOT, "bending": {"by": "halves"}}))
    assert halves.face.girth_m == pytest.approx(form.face.girth_m / 2)
    joined = make_plan(**{**HOT, "bending": {"by": "halves"}})
    assert answer(joined, "bend", "joiners") == "8" and answer(joined, "bows", "sticks") == "2"
    lengths = [strip.length_m for strip in joined.strips if strip.id.startswith("stick:")]
    assert lengths[0] == pytest.approx(lengths[1])
    # A form of two radii says where they change, in its table.
    two = {**HOT, "size__shape": {"kind": "three_centred", "leg_m": 0.5, "height_m": 1.8, "shoulder_m": 0.7}}
    rows = {row.what: row.reading for row in form_drawing(make_bench(**two)).table}
    assert {"Radius 1, to the face", "Radius 2, to the face", "Radius changes 1", "Radius changes 2"} <= set(rows)


def test_ways_to_a_shape_are_what_each_house_would_be() -> None:
    bench = make_bench(**{**told(), **PIPE})
    ways = ways_to_shape(bench)
    assert {each.springs for each in ways} == {True, False} and sum(each.own for each in ways) == 1
    rated = [each.rated_later_pa for each in ways]
    assert rated == sorted(rated, reverse=True)
    for each in ways:
        house = {**told(), **PIPE, "bows__tube": each.tube.id, "strength": {"season": "later"}}
        found = plastic_found(make_bench(**house))
        if each.springs:
            assert found is not None and found.rated_pa == pytest.approx(each.rated_later_pa)
            assert found.locked_pa == pytest.approx(each.later * each.tube.yield_pa)
        else:
            assert (each.strain, each.new, each.later) == (0, 0, 0)
            assert each.rated_later_pa == SnowRating(bench, each.tube).rated_pa(springs=False, later=False)
    # Money goes by mass: a pipe half as heavy again costs half as much again, and heating takes its hours besides.
    priced = ways_to_shape(make_bench(**{**told(), **PIPE, "bending": {"stick_price": 4.0, "hour_price": 20.0}}))
    own = next(each for each in priced if each.own)
    for each in priced:
        assert each.price is not None and own.price is not None
        if each.springs:
            assert each.price / own.price == pytest.approx(each.kg / own.kg)


def places(pdf: bytes, paper: str, **changes: Any) -> list[tuple[float, float]]:
    """Where the ends of every line of the form on the sheets lie in the drawing, m."""
    plan = tiling(form_drawing(make_bench(**changes)), paper)  # type: ignore[arg-type]
    reader, found = PdfReader(io.BytesIO(pdf)), list[tuple[float, float]]()
    assert len(reader.pages) == len(plan.used) + 1
    for page, (column, row) in zip(reader.pages[1:], plan.used, strict=True):
        moved, here = (0.0, 0.0), []
        for operands, operator in ContentStream(page.get_contents(), reader).operations:
            numbers = [float(each) for each in operands if isinstance(each, int | float)]
            if operator == b"cm" and numbers[:4] == [1, 0, 0, 1]:
                moved = (numbers[4], numbers[5])
            elif operator == b"Q":
                moved = (0.0, 0.0)
            elif operator in (b"m", b"l", b"c") and moved != (0.0, 0.0):
                here.append((numbers[-2], numbers[-1]))
        found += [(x * POINT_M, y * POINT_M) for x, y in here]
        # The sheet's own field begins at its margin: what is there on the paper is the drawing's own corner.
        assert moved == (0.0, 0.0) and column < plan.columns and row < plan.rows
    return found


@pytest.mark.parametrize("paper", ["letter", "a4"])
def test_the_true_size_sheets_read_back(paper: str) -> None:
    drawing = form_drawing(make_bench(**HOT))
    pdf = tiled_pdf(drawing, "Test house", paper, "feet")  # type: ignore[arg-type]
    radius = 1.5 - 1.315 * INCH_M / 2
    on_face = [p for p in places(pdf, paper, **HOT) if abs(math.hypot(p[0] - radius, p[1]) - radius) < 2e-4]
    assert len(on_face) > 50
    assert min(x for x, _ in on_face) == pytest.approx(0.0, abs=2e-4)
    assert max(x for x, _ in on_face) == pytest.approx(2 * radius, abs=2e-4)
    # Neighbouring sheets: the corner of one's field is the corner of the next one's, a field further on the drawing.
    plan, offsets = tiling(drawing, paper), {}  # type: ignore[arg-type]
    reader = PdfReader(io.BytesIO(pdf))
    for page, at in zip(reader.pages[1:], plan.used, strict=True):
        told_ = [
            [float(each) for each in operands]
            for operands, operator in ContentStream(page.get_contents(), reader).operations
            if operator == b"cm"
        ]
        offsets[at] = next((x, y) for a, b, c, d, x, y in told_ if (a, b, c, d) == (1, 0, 0, 1) and (x, y) != (0, 0))
    for (column, row), (x, _) in offsets.items():
        assert x * POINT_M == pytest.approx(MARGIN_M - plan.x0 - column * plan.wide_m, abs=1e-4)
        if (column + 1, row) in offsets:
            assert (x - offsets[column + 1, row][0]) * POINT_M == pytest.approx(plan.wide_m, abs=1e-4)
    text = reader.pages[1].extract_text()
    assert "measure it before you cut" in text and re.search(r"sheet 1 of \d+", text)
    assert PdfReader(io.BytesIO(pdf)).pages[0].extract_text().count("sheets") >= 1


@pytest.mark.parametrize("changes", [HOT, PIPE])
def test_the_form_as_dxf_is_sound_and_round(changes: dict[str, Any]) -> None:
    bench = make_bench(**changes)
    document = ezdxf.read(io.StringIO(drawings_dxf([form_drawing(bench)])))
    assert not document.audit().has_errors
    lines = [each for each in document.modelspace() if each.dxftype() == "LWPOLYLINE"]
    face = max(lines, key=lambda each: sum(bulge != 0 for *_, bulge in each.get_points("xyb")))
    form = form_of(bench)
    length = 0.0
    points = face.get_points("xyb")
    for (x0, y0, bulge), (x1, y1, _) in pairwise(points):
        chord = math.hypot(x1 - x0, y1 - y0)
        turn = 4 * math.atan(abs(bulge))
        length += chord if bulge == 0 else chord / (2 * math.sin(turn / 2)) * turn
    assert length == pytest.approx(form.face.girth_m, abs=1e-5)
    assert any(bulge != 0 for _, _, bulge in points)
