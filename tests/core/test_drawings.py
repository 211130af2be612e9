"""Display lists: arcs that are arcs, tables that say what is drawn, grips that do what they show."""

import math
import random
from itertools import pairwise
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from obtegum.core.documents.house import SiteRecord
from obtegum.core.documents.job import Job
from obtegum.core.drawing.items import Drawing, Grower, Handle, Mark, Note, Outline, Vertex, drawn
from obtegum.core.drawing.paths import chain_path
from obtegum.core.face.edit import Edit
from obtegum.core.formulas.profile import round_bow
from obtegum.core.house.edits import apply_edits
from obtegum.core.house.plan import HousePlan, plan_house
from obtegum.core.house.starters import demo_houses
from obtegum.core.values.catalogue import default_catalogue
from obtegum.core.values.quantity import FOOT_M
from tests.conftest import make_house, make_plan
from tests.core.test_rounding import some_house


def drawing(plan: HousePlan, view: str) -> Drawing:
    return next(each for each in plan.drawings if each.view == view)


def handle(plan: HousePlan, view: str, measure: str) -> Handle:
    found = (item for item in drawing(plan, view).items if isinstance(item, Handle))
    return next(item for item in found if item.measure == measure)


def arc_length(start: Vertex, end: Vertex) -> float:
    half = math.dist((start.x, start.y), (end.x, end.y)) / 2
    turn = 2 * math.asin(min(half / end.radius_m, 1.0))
    return end.radius_m * (2 * math.pi - turn if end.large else turn)


@given(st.floats(1.5, 20), st.floats(0, 4), st.floats(0.05, 1.0))
def test_a_path_is_as_long_as_its_bow(span: float, leg: float, share: float) -> None:
    bow = round_bow(span, leg, leg + share * span)
    path = chain_path(bow)
    total = sum(arc_length(a, b) if b.radius_m else math.dist((a.x, a.y), (b.x, b.y)) for a, b in pairwise(path))
    assert total == pytest.approx(bow.girth_m, rel=1e-6)


@pytest.mark.parametrize(
    ("view", "measure", "changes"),
    [
        ("across", "size.span_m", {}),
        ("across", "size.shape.height_m", {}),
        ("across", "size.shape.leg_m", {}),
        ("across", "posts.reveal_m", {}),
        ("across", "posts.length_m", {}),
        ("across", "size.figure.from_left_m", {}),
        ("above", "size.length_m", {}),
        ("above", "size.span_m", {}),
        ("above", "bows.max_spacing_m", {"bows__bays": "fixed"}),
        ("along", "size.length_m", {}),
        ("along", "size.shape.height_m", {}),
        ("post", "posts.reveal_m", {}),
        ("post", "posts.length_m", {}),
        ("post", "bows.insertion_m", {}),
    ],
)
def test_a_pulled_grip_follows_the_hand(view: str, measure: str, changes: dict[str, Any]) -> None:
    """Moving a grip by d changes its measure by gain · d, and the grip then stands d further along."""
    design, catalogue = make_house(**changes), default_catalogue()
    before = plan_house(design, SiteRecord(), catalogue)
    grip = handle(before, view, measure)
    value = before.measures[measure].value_m
    assert value is not None
    wanted = value + 3 * 0.0254
    changed = apply_edits(Job(design), [Edit(measure=measure, value_m=wanted)], catalogue)
    after = plan_house(*changed, catalogue)
    moved = handle(after, view, measure)
    along = (moved.x - grip.x) * grip.dx + (moved.y - grip.y) * grip.dy
    gained = after.measures[measure].value_m
    assert gained is not None
    assert along * grip.gain == pytest.approx(gained - value, abs=1e-9)


SHAPES: dict[str, dict[str, Any]] = {
    "size.shape.lower_m": {"kind": "kneed", "leg_m": 0.8, "height_m": 3.8, "lower_m": 2.3, "upper_m": 2.2},
    "size.shape.upper_m": {"kind": "kneed", "leg_m": 0.2, "height_m": 3.1, "lower_m": 1.4, "upper_m": 3.0},
    "size.shape.radius_m": {"kind": "gothic", "leg_m": 0.8, "height_m": 4.6, "radius_m": 5.0},
    "size.shape.shoulder_m": {"kind": "peaked", "leg_m": 1.2, "height_m": 3.4, "shoulder_m": 0.6},
}


@pytest.mark.parametrize("measure", SHAPES)
def test_a_shape_moves_under_the_hand_at_first(measure: str) -> None:
    """A small change of the measure moves its grip along the pull by the change over the gain, and only that way."""
    shape, small = SHAPES[measure], 1e-5
    field = measure.rpartition(".")[2]

    def gripped(value: float) -> Handle:
        plan = make_plan(size__span_m=6.0, size__shape={**shape, field: value})
        return handle(plan, "across", measure)

    before, after = gripped(shape[field]), gripped(shape[field] + small)
    assert (after.x - before.x) * before.gain == pytest.approx(small * before.dx, abs=small / 1000)
    assert (after.y - before.y) * before.gain == pytest.approx(small * before.dy, abs=small / 1000)


def test_a_blank_radius_is_pulled_from_the_one_that_springs_plumb() -> None:
    """R = (S²/4 + r²)/S = (9 + 14.44)/6 = 3.907 m: a key step makes it the next centimetre of that."""
    shape = {**SHAPES["size.shape.radius_m"], "radius_m": None}
    design = make_house(size__span_m=6.0, size__shape=shape, tape__units="metric")
    before = make_plan(size__span_m=6.0, size__shape=shape, tape__units="metric").measures["size.shape.radius_m"]
    assert before.reading == ""
    assert before.value_m == pytest.approx(23.44 / 6)
    job = apply_edits(Job(design), [Edit(measure="size.shape.radius_m", steps=1, stride="small")], default_catalogue())
    assert job.design.size.shape.model_dump()["radius_m"] == pytest.approx(3.917)


def test_tables_say_what_is_drawn() -> None:
    plan = make_plan()
    across = {row.what: row.reading for row in drawing(plan, "across").table}
    assert across["Width between post centres"] == "21' 0\""
    assert across["Crown, above the ground"] == "12' 6\""
    assert across["Post top, above the ground"] == "1' 10\""
    above = [row.reading for row in drawing(plan, "above").table]
    assert above[2] == "60' 8 15/16\""
    assert len(above) == 3 + 16
    post = {row.what: row.reading for row in drawing(plan, "post").table}
    # A 1 5/8 in post of 1.660 in with 0.065 in walls has a bore of 1.530 in; the rail measures 1.375 in.
    assert post["Bore of the post"] == '1.530"'
    assert post["Outside of the bow’s tube"] == '1.375"'
    assert post["Bow’s lean at the top"] == "0.0°"


def test_marks_sit_on_the_bow_and_across_it() -> None:
    across = drawing(make_plan(), "across")
    crown = next(item for item in across.items if isinstance(item, Mark) and item.part == "crown")
    assert (crown.x, crown.y) == pytest.approx((0, 12.5 * FOOT_M), abs=1e-9)
    assert crown.heading_rad == pytest.approx(0, abs=1e-9)
    left = next(item for item in across.items if isinstance(item, Mark) and item.part == "socket:L")
    assert left.heading_rad == pytest.approx(math.pi / 2)


def test_the_grower_is_red_only_where_it_is_too_low() -> None:
    def grower(at_m: float) -> Grower:
        plan = make_plan(size__figure={"height_m": 1.75, "from_left_m": at_m})
        return next(item for item in drawing(plan, "across").items if isinstance(item, Grower))

    assert grower(3.0).upright
    assert not grower(0.1).upright
    # A grower outside the house is drawn at its far side.
    assert grower(15.0).x == pytest.approx(21 * FOOT_M / 2)


def test_a_tall_arc_is_drawn_with_the_large_arc() -> None:
    tall = make_plan(size__shape={"kind": "round", "leg_m": 0.6, "height_m": 6.5})
    bow = next(item for item in drawing(tall, "across").items if isinstance(item, Outline) and item.part == "bow")
    assert [vertex.large for vertex in bow.path if vertex.radius_m] == [True]


def test_a_leaning_bow_leans_in_its_post() -> None:
    plan = make_plan(size__shape={"kind": "round", "leg_m": 0.0, "height_m": 3.2})
    parts = [item for item in drawing(plan, "post").items if isinstance(item, Outline)]
    inside = next(item for item in parts if item.part == "bow:end")
    assert inside.path[0].x > 0.01
    assert inside.path[0].x == pytest.approx(inside.path[-1].x)


def test_summaries_can_be_read_aloud() -> None:
    for each in make_plan().drawings:
        assert each.summary.endswith(".")
        assert len(each.summary) > 30


@pytest.mark.parametrize("view", ["above", "taped", "offsets", "how:2"])
def test_from_above_the_right_side_is_on_the_right_hand_of_a_to_b(view: str) -> None:
    """Walking from A to B, to the right on the drawing, the right hand points down it."""
    found = drawing(make_plan(), view)
    at = {item.text: (item.x, item.y) for item in found.items if isinstance(item, Note) and item.part[:6] == "corner"}
    (ax, ay), (bx, by), (_, dy) = at["A"], at["B"], at["D"]
    assert bx > ax
    assert by == ay
    assert dy == pytest.approx(ay - 21 * FOOT_M)
    assert found.y0 < dy < ay < found.y1


def solid_points(item: Any) -> list[tuple[float, float]]:
    if item.kind == "outline":
        return [(vertex.x, vertex.y) for vertex in item.path]
    if item.kind == "segments":
        return [point for x0, y0, x1, y1 in item.ends for point in ((x0, y0), (x1, y1))]
    if item.kind == "dots":
        return list(item.places)
    if item.kind in ("dimension", "arrow"):
        return [(item.x0, item.y0), (item.x1, item.y1)]
    return [(item.x, item.y)]


def test_nothing_is_drawn_off_the_sheet() -> None:
    """Every item of every drawing of random houses lies within the extent that its drawing found for itself."""
    chance = random.Random(7)
    plans = [plan_house(*each, default_catalogue()) for each in demo_houses()]
    plans += [some_house(chance)[0] for _ in range(12)]
    for plan in plans:
        for each in plan.drawings:
            for item in each.items:
                for x, y in solid_points(item):
                    assert each.x0 - 1e-9 <= x <= each.x1 + 1e-9, (each.view, item)
                    assert each.y0 - 1e-9 <= y <= each.y1 + 1e-9, (each.view, item)


def test_an_arc_reaches_further_than_its_ends() -> None:
    """Half a circle of 3 m: as high as its radius, by the points along it to a thousandth."""
    path = (Vertex(x=-3.0, y=0.0), Vertex(x=3.0, y=0.0, radius_m=3.0))
    arc = Outline(part="bow", layer="frame", material="steel", path=path, width_m=0.04)
    found = drawn(view="x", title="", summary="", items=[arc], table=(), beside_m=(1.0, 0.0, 0.0, 0.5))
    assert (found.x0, found.x1) == pytest.approx((-3.0 - 0.02 - 1.0, 3.02))
    assert found.y1 == pytest.approx(3.0 + 0.02 + 0.5, abs=3e-3)
    assert found.y0 == pytest.approx(-0.02)
