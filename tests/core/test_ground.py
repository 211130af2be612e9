"""Levels, datum, post tops, volumes and drains, against closed forms and hand-worked numbers."""

import math
import random

import pytest
from hypothesis import given
from hypothesis import strategies as st

from obtegum.core.documents.house import SiteRecord
from obtegum.core.documents.level import Levels, Spot
from obtegum.core.drawing.items import Outline
from obtegum.core.formulas.ground.banks import banks_of
from obtegum.core.formulas.ground.drain import manning_full, pipe_for, run_off
from obtegum.core.formulas.ground.earthwork import balanced_height, moving, stone_kg
from obtegum.core.formulas.ground.levels import falling_datum
from obtegum.core.formulas.ground.suspects import suspects
from obtegum.core.formulas.ground.terrain import Earth, Terrain
from obtegum.core.house.plan import HousePlan, plan_house
from obtegum.core.house.remedies import find_remedies
from obtegum.core.values.catalogue import default_catalogue
from tests.conftest import answer, make_house, make_plan, verdict

METRIC = {
    "tape__units": "metric",
    "size__length_m": 20.0,
    "size__span_m": 6.0,
    "bows__max_spacing_m": 2.0,
    "posts__length_m": 1.2,
    "posts__reveal_m": 0.5,
}


def walked(ground, count: int = 11, length: float = 20.0, width: float = 6.0, sight: float = 1.5) -> dict[str, float]:  # type: ignore[no-untyped-def]
    """Rod readings on a ground, up the left side and back down the right."""
    walk = [("L", bow) for bow in range(count)] + [("R", bow) for bow in reversed(range(count))]
    return {
        f"{side}{bow + 1}": sight - ground(length * bow / (count - 1), width if side == "R" else 0.0)
        for side, bow in walk
    }


def levelled(ground, **more) -> SiteRecord:  # type: ignore[no-untyped-def]
    return SiteRecord(levels=Levels(pegs=walked(ground), **more))


def test_tops_all_level_by_hand() -> None:
    # Falls 0.2 m over 20 m: sight 1.5 over A. Datum at A, tops 0.5 over it: every rod 1.5 − 0.5 = 1.0 m.
    plan = make_plan(levelled(lambda x, y: -0.01 * x, closing_m=1.5), **METRIC)
    assert answer(plan, "level", "top_reading") == "1.000 m"
    assert answer(plan, "level", "reveal_least") == "500 mm"
    assert answer(plan, "level", "reveal_most") == "700 mm"
    assert answer(plan, "level", "embedment_least") == "500 mm"
    found = verdict(plan, "embedment")
    assert found.level == "fails"
    assert "pull test" in found.sentence
    assert verdict(plan, "closing").level == "holds"


def test_posts_and_long_side_never_show_more_in_the_ground_than_there_is() -> None:
    """The same fall: 700 mm in the ground at A, 500 mm at B, and the soil of the long side drawn 0.2 m lower there."""
    record = levelled(lambda x, y: -0.01 * x, closing_m=1.5)
    plan = make_plan(record, **METRIC)
    assert answer(plan, "posts", "embedment_least") == "500 mm"
    assert answer(plan, "posts", "embedment") == "700 mm"
    post = next(strip for strip in plan.strips if strip.id == "post")
    assert post.bands[0].to_m == pytest.approx(0.5)
    assert {mark.what: mark.reading for mark in post.marks}["lowest ground"] == "500 mm"
    along = next(each for each in plan.drawings if each.view == "along")
    soil = next(item for item in along.items if isinstance(item, Outline) and item.part == "ground")
    top = [vertex for vertex in soil.path if vertex.y > along.y0 + 1e-9]
    assert [vertex.y for vertex in top] == pytest.approx([0.0, *(-0.02 * bay for bay in range(11)), -0.2])
    short = {**METRIC, "posts__length_m": 0.6}
    assert answer(make_plan(record, **short), "posts", "embedment_least") == "none"
    assert answer(make_plan(record, **short), "level", "embedment_least") == "none"
    raised = make_plan(record, pad__kind="regrade", **METRIC)
    assert answer(raised, "posts", "embedment") == "700 mm"
    along = next(each for each in raised.drawings if each.view == "along")
    soil = next(item for item in along.items if isinstance(item, Outline) and item.part == "ground")
    assert max(vertex.y for vertex in soil.path) == 0.0
    assert any(getattr(item, "part", "") == "ground:lies" for item in along.items)


def test_a_house_turned_a_quarter_is_no_better_than_its_rough_ground() -> None:
    """1 % along 20 m is 0.06 m over 6 m: 0.7 − 0.06 m in the ground; a dip of 0.1 m takes most of itself away."""

    def left_mm(dip: float) -> float:
        plan = make_plan(levelled(lambda x, y: -0.01 * x - (dip if (x, y) == (20.0, 0.0) else 0.0)), **METRIC)
        note = next(each for step in plan.steps for each in step.answers if each.id == "turned").note
        return float(note.split("about ")[1].split(" mm")[0])

    assert left_mm(0.0) == pytest.approx(640, abs=1)
    assert left_mm(0.1) < left_mm(0.0) - 50


def test_tops_on_one_fall_follow_the_ground() -> None:
    plan = make_plan(levelled(lambda x, y: -0.01 * x), level__tops="fall", **METRIC)
    assert answer(plan, "level", "datum_fall") == "1.00 %"
    assert answer(plan, "level", "embedment_least") == "700 mm"
    tops = {mark.part: mark.reading for strip in plan.strips if strip.id == "tops:L" for mark in strip.marks}
    assert (tops["post:L1"], tops["post:L11"]) == ("1.000 m", "1.200 m")


@given(st.lists(st.tuples(st.floats(0, 50), st.floats(-1, 1)), min_size=2, max_size=12))
def test_the_falling_datum_never_cuts_the_ground_and_beats_the_level_one(feet: list[tuple[float, float]]) -> None:
    stations, heights = [x for x, _ in feet], [e for _, e in feet]
    datum = falling_datum(stations, heights)
    gaps = [datum.at(x) - e for x, e in feet]
    assert min(gaps) == pytest.approx(0.0, abs=1e-9)
    assert max(gaps) <= max(heights) - min(heights) + 1e-9
    # No other fall does noticeably better.
    for fall in (datum.fall - 0.001, datum.fall + 0.001):
        at_a = max(e + fall * x for x, e in feet)
        assert max(at_a - fall * x - e for x, e in feet) >= max(gaps) - 2e-4


def test_left_and_right_of_a_pair_are_level_with_each_other() -> None:
    chance = random.Random(5)
    plan = make_plan(
        levelled(lambda x, y: -0.02 * x - 0.01 * y + chance.uniform(-0.02, 0)), level__tops="fall", **METRIC
    )
    tops = {mark.part: mark.reading for strip in plan.strips if strip.id.startswith("tops") for mark in strip.marks}
    assert all(tops[f"post:L{bow}"] == tops[f"post:R{bow}"] for bow in range(1, 12))


def suspected(readings: dict[str, float]):  # type: ignore[no-untyped-def]
    read = tuple(
        (name, 20.0 * (int(name[1:]) - 1) / 10, 0.0 if name[0] == "L" else 6.0, reading)
        for name, reading in readings.items()
    )
    return suspects(read, 0.003)


@pytest.mark.parametrize(
    ("peg", "slip", "what"),
    [
        ("L5", 0.1, "ten centimetres"),
        ("R1", 0.3048, "a foot"),
        ("L11", 1.0, "a metre"),
        ("R6", -0.1, "ten centimetres"),
    ],
)
def test_one_wrong_reading_is_found_and_named(peg: str, slip: float, what: str) -> None:
    chance = random.Random(11)
    readings = walked(lambda x, y: -0.012 * x + 0.008 * y + chance.gauss(0, 0.004))
    assert suspected(readings) == ((), None)
    found, slipped = suspected({**readings, peg: readings[peg] + slip})
    assert slipped is None
    assert [each.name for each in found] == [peg]
    assert found[0].what == what


def test_a_rod_that_slips_part_of_the_way_is_one_step() -> None:
    chance = random.Random(2)
    readings = walked(lambda x, y: -0.01 * x + chance.gauss(0, 0.003))
    names = list(readings)
    busted = {name: reading + (0.3048 if place >= 8 else 0.0) for place, (name, reading) in enumerate(readings.items())}
    found, slipped = suspected(busted)
    assert found == ()
    assert slipped is not None
    assert slipped.name == names[8]
    assert slipped.off_m == pytest.approx(0.3048, abs=0.01)
    assert slipped.what == "a foot"
    plan = make_plan(SiteRecord(levels=Levels(pegs=busted)), **METRIC)
    assert verdict(plan, "rod-slipped").level == "fails"


def test_a_closing_reading_is_asked_for_and_judged() -> None:
    ground = lambda x, y: -0.005 * x  # noqa: E731
    assert verdict(make_plan(levelled(ground), **METRIC), "closing").level == "unknown"
    # 3·√2·3 mm = 12.7 mm.
    assert verdict(make_plan(levelled(ground, closing_m=1.511), **METRIC), "closing").level == "holds"
    assert verdict(make_plan(levelled(ground, closing_m=1.512), **METRIC), "closing").level == "tight"
    assert verdict(make_plan(levelled(ground, closing_m=1.514), **METRIC), "closing").level == "fails"


def test_pegs_not_read_leave_the_verdict_open() -> None:
    pegs = walked(lambda x, y: 0.0)
    some = dict(list(pegs.items())[:5])
    found = verdict(make_plan(SiteRecord(levels=Levels(pegs=some)), **METRIC), "embedment")
    assert found.level == "unknown"
    assert "17 of 22" in found.sentence


def test_post_tops_above_the_sight_are_said() -> None:
    plan = make_plan(SiteRecord(levels=Levels(pegs=walked(lambda x, y: 0.0, sight=0.3))), **METRIC)
    assert "200 mm higher" in verdict(plan, "sight").sentence


def plane(spread: float = 0.0) -> Terrain:
    chance = random.Random(9)
    points = [(x, y, -0.05 * x + 0.02 * y + chance.gauss(0, spread)) for x in range(0, 21, 2) for y in range(0, 7, 2)]
    return Terrain(tuple((float(x), float(y), z) for x, y, z in points))


def test_volumes_over_a_plane_are_prisms() -> None:
    # Ground −0.05x over 20 m × 6 m, pad level at 1: 120 m³, and 0.05·20/2·120 = 60 m³, less 0.02·6/2·120 = 7.2 across.
    patch = plane().patch(0.0, 0.0, 20.0, 6.0)
    assert patch.covered_m2 == pytest.approx(120.0)
    level = patch.against(1.0, 0.0)
    assert level.cut_m3 == pytest.approx(0.0, abs=1e-9)
    assert level.fill_m3 == pytest.approx(120 + 60 - 7.2)
    inside = plane().patch(3.3, 1.1, 10.7, 4.9)
    assert inside.covered_m2 == pytest.approx(7.4 * 3.8)
    assert inside.against(5.0, 0.0).fill_m3 == pytest.approx(7.4 * 3.8 * (5 + 0.05 * 7.0 - 0.02 * 3.0))


def test_cut_and_fill_meet_where_the_ground_meets_the_pad() -> None:
    # Pad at −0.5: cut over x < 10, fill beyond, each a wedge 0.5 deep: ½·0.5·10·6 = 15 m³ (no rise across).
    flat = Terrain(tuple((float(x), float(y), -0.05 * x) for x in (0, 20) for y in (0, 6)))
    earth = flat.patch(0, 0, 20, 6).against(-0.5, 0.0)
    assert (earth.cut_m3, earth.fill_m3) == pytest.approx((15.0, 15.0))
    ends = flat.meeting(-0.5, 0.0)
    assert all(x == pytest.approx(10.0) for piece in ends for x, _ in piece)
    assert sum(math.dist(*piece) for piece in ends) == pytest.approx(6.0)


def test_volumes_agree_with_a_fine_grid() -> None:
    terrain = plane(0.08)
    patch = terrain.patch(1.0, 0.5, 18.5, 5.5)
    earth = patch.against(-0.45, 0.005)
    from scipy.interpolate import LinearNDInterpolator

    ground = LinearNDInterpolator([(x, y) for x, y, _ in terrain.points], [z for _, _, z in terrain.points])
    step, cut, fill = 0.05, 0.0, 0.0
    for row in range(100):
        for column in range(350):
            x, y = 1.0 + (column + 0.5) * step, 0.5 + (row + 0.5) * step
            deep = -0.45 - 0.005 * x - float(ground(x, y))
            fill += max(deep, 0) * step**2
            cut += max(-deep, 0) * step**2
    assert (earth.cut_m3, earth.fill_m3) == pytest.approx((cut, fill), rel=0.01)


def test_a_balanced_pad_makes_its_fill_from_its_cut() -> None:
    ground = plane(0.05)
    patch, banks = ground.patch(0, 0, 20, 6), banks_of(ground, 0, 0, 20, 6)
    height = balanced_height(patch, banks, 0.0, 1.5, 0.1)
    earth = patch.against(height, 0.0) + banks.against(height, 0.0, 1.5)
    assert earth.cut_m3 == pytest.approx(earth.fill_m3 / 0.9, rel=1e-4)


def test_side_slopes_on_flat_ground_by_hand() -> None:
    """12 m × 6 m raised 0.6 at 1 : 1.5: 36 m of bank at ½·0.6·0.9 m² and a cone of 0.9 m radius, 0.6 high."""
    flat = Terrain(tuple((float(x), float(y), 0.0) for x in (-3, 15) for y in (-3, 9)))
    banks = banks_of(flat, 0, 0, 12, 6)
    earth = banks.against(0.6, 0.0, 1.5)
    assert earth.cut_m3 == 0
    assert earth.fill_m3 == pytest.approx(36 * 0.27 + math.pi * 0.9**2 * 0.6 / 3)
    # Cut as deep, the same earth comes out; and the toe runs 0.9 m out all round.
    assert banks.against(-0.6, 0.0, 1.5).cut_m3 == pytest.approx(earth.fill_m3)
    assert banks.reach_m(0.6, 0.0, 1.5) == pytest.approx(0.9)
    assert {round(min(x, 12 - x, y, 6 - y), 9) for x, y in banks.toe(0.6, 0.0, 1.5)} == {-0.9}


def test_side_slopes_agree_with_a_fine_grid() -> None:
    """A level pad on a plane that rises and falls: what lies between slopes and ground, cell by cell."""
    ground = Terrain(tuple((float(x), float(y), -0.05 * x + 0.02 * y) for x in (-30, 50) for y in (-30, 36)))
    found = banks_of(ground, 0, 0, 20, 6).against(0.3, 0.0, 2.0)
    step, fill = 0.05, 0.0
    for row in range(-120, 240):
        for column in range(-120, 520):
            x, y = (column + 0.5) * step, (row + 0.5) * step
            away = math.hypot(max(-x, x - 20, 0.0), max(-y, y - 6, 0.0))
            if away > 0:
                fill += max(0.3 - away / 2.0 - (-0.05 * x + 0.02 * y), 0.0) * step**2
    assert found.fill_m3 == pytest.approx(fill, rel=0.02)


def test_loads_and_hours_by_hand() -> None:
    # 9 m³ of fill packs from 10 m³ as it lay; 4 of it is cut here, 6 is brought; 12.5 m³ loose = 125 loads of 0.1.
    moved = moving(Earth(4.0, 9.0), swell=0.25, shrink=0.1, load_m3=0.1, load_s=240.0)
    assert moved.net_m3 == pytest.approx(6.0)
    assert moved.loose_m3 == pytest.approx(12.5)
    assert moved.loads == 125
    assert moved.hours_s == pytest.approx(125 * 240)
    assert stone_kg(100.0, 0.1, 1600.0) == pytest.approx(100 * 0.1 / 0.9 * 1600)


def test_points_on_one_line_make_no_ground() -> None:
    line = Terrain(tuple((float(x), 0.0, 0.0) for x in range(5)))
    assert line.patch(0, 0, 4, 4).covered_m2 == 0
    assert line.contours(0.0) == []
    assert Terrain(((0.0, 0.0, 0.0),)).contours(0.0) == []


def with_pad(kind: str, **more) -> HousePlan:  # type: ignore[no-untyped-def]
    corners = [Spot(x_m=x, y_m=y, reading_m=1.5 + 0.02 * x) for x in (-2.0, 22.0) for y in (-2.0, 8.0)]
    spots = Levels().with_spots(corners).spots
    return make_plan(levelled(lambda x, y: -0.02 * x, spots=spots, closing_m=1.5), pad__kind=kind, **METRIC, **more)


def test_a_raised_pad_is_all_fill_and_every_post_alike() -> None:
    # Margin 0.6: 21.2 × 7.2 m. Pad at the height of A: fill 0.02·10 mean depth over the middle, 152.64 m² · 0.2 m,
    # less the little cut uphill of A: ½·0.012·0.6·7.2 = 0.0259 m³ more fill balance.
    document = {"pad__raise_m": 0.0}
    plan = with_pad("raise", **document)
    area = 21.2 * 7.2
    cut = 0.5 * 0.012 * 0.6 * 7.2
    values = {each.id: each.value for step in plan.steps for each in step.answers if step.id == "earth"}
    # Side slopes of 1 : 1.5: along both sides ½·1.5·h², h = 0.02x from −0.6 to 20.6 (cut below 0), at the far end
    # h = 0.412 over ground that falls by 0.02 outward, run 0.618/0.97; at the near one h = −0.012, 0.018/0.97 (the
    # ground rises outward, away from the cut); corners ¼ cone π·1.5²·h³/12, two of each.
    fill = 2 * 0.75 * 0.02**2 * 20.6**3 / 3 + 0.412 * 0.618 / 0.97 / 2 * 7.2 + 2 * math.pi * 2.25 * 0.412**3 / 12
    banked = 2 * 0.75 * 0.02**2 * 0.6**3 / 3 + 0.012 * 0.018 / 0.97 / 2 * 7.2 + 2 * math.pi * 2.25 * 0.012**3 / 12
    assert values["cut"] == pytest.approx(cut + banked, rel=0.005)
    assert values["fill"] == pytest.approx(area * 0.2 + cut + fill, rel=0.001)
    assert values["banks"] == pytest.approx(0.618 / 0.97)
    # Fill holds no post: at x = 20 the ground lies 0.4 below the pad, so of 0.7 in the earth 0.3 is in the ground.
    assert answer(plan, "level", "embedment_least") == "300 mm"
    found = verdict(plan, "embedment")
    assert found.level == "fails"
    assert "300 mm, and 400 mm in fill" in found.sentence
    assert verdict(plan, "pad-covered").level == "holds"


def test_a_high_pad_leaves_little_in_natural_ground() -> None:
    """Flat ground, a pad 0.6 m above it, posts with 0.7 m in the earth: 0.1 m of it is natural ground."""
    flat = levelled(lambda x, y: 0.0, closing_m=1.5)
    plan = make_plan(flat, pad__kind="raise", pad__raise_m=0.6, **METRIC)
    found = verdict(plan, "embedment")
    assert found.level == "fails"
    assert "has the least in natural ground, 100 mm, and 600 mm in fill" in found.sentence
    cut = make_plan(levelled(lambda x, y: -0.02 * x, closing_m=1.5), pad__kind="regrade", **METRIC)
    # Where earth is taken away the post stands in what is left: 0.7 m of it at the top of the cut.
    assert verdict(cut, "embedment").number != "700 mm"


def test_the_ground_is_told_at_any_place() -> None:
    ground = plane()
    for x, y in ((1.0, 1.0), (7.3, 2.2), (19.9, 5.9), (4.0, 2.0)):
        assert ground.at(x, y) == pytest.approx(-0.05 * x + 0.02 * y)
    assert Terrain(((0.0, 0.0, 1.0), (5.0, 0.0, 2.0))).at(4.0, 1.0) == 2.0


def test_levels_that_cover_half_the_pad_are_not_taken_for_all() -> None:
    plan = make_plan(levelled(lambda x, y: -0.02 * x), pad__kind="regrade", pad__margin_m=3.0, **METRIC)
    found = verdict(plan, "pad-covered")
    assert found.level == "unknown"
    assert "too small" in found.sentence
    assert verdict(make_plan(pad__kind="regrade"), "pad-covered").level == "unknown"


def test_the_ways_out_of_a_low_side_come_with_quantities() -> None:
    design, record = make_house(**METRIC), levelled(lambda x, y: -0.01 * x - 0.03 * y, closing_m=1.5)
    offers = [each for each in find_remedies(design, record, default_catalogue()) if each.verdict == "embedment"]
    costs = {each.edits[0].measure: each.cost for each in offers}
    assert "more post tube" in costs["posts.length_m"]
    # Fill holds no post, so a pad is no way out of too little in the ground.
    assert "pad" not in costs or "loads more" in costs["pad"]
    for each in offers:
        assert each.level in ("holds", "tight")


def test_manning_by_hand() -> None:
    # 100 mm, n = 0.011, 1 %: A = 7.854e-3, R = 0.025, R^(2/3) = 0.0855, Q = 7.854e-3·0.0855·0.1/0.011 = 6.105e-3 m³/s.
    assert manning_full(0.1, 0.011, 0.01) == pytest.approx(6.105e-3, rel=1e-3)
    assert pipe_for(manning_full(0.137, 0.016, 0.004), 0.016, 0.004) == pytest.approx(0.137)
    # 50 mm/h on 60 m²: 0.05·60/3600 = 8.33e-4 m³/s; 100 m² of turf at 0.4 adds 5.56e-4.
    assert run_off(0.05 / 3600, 60.0, 100.0, 0.4) == pytest.approx(8.333e-4 + 5.556e-4, rel=1e-3)


def test_the_drain_lies_uphill_and_runs_to_the_low_end() -> None:
    plan = make_plan(levelled(lambda x, y: 0.005 * x + 0.02 * y), **METRIC)
    step = next(each for each in plan.steps if each.id == "drain")
    assert "beside D to C" in step.next
    assert "past A" in step.next
    # 23 m at 1 % drops 0.23; the ground itself drops 0.005·20 = 0.1 that way: 0.3 + 0.23 − 0.1 = 0.43.
    assert answer(plan, "drain", "drain_end") == "430 mm"
    strip = next(each for each in plan.strips if each.id == "drain")
    assert strip.marks[-1].what == "430 mm deep"


def test_a_small_pipe_fails_and_a_larger_one_is_offered() -> None:
    changes = {**METRIC, "drain__rain_m_s": 0.4 / 3600, "drain__pipe": "corrugated-80", "drain__fall": 0.005}
    found = verdict(make_plan(**changes), "drain-carries")
    assert found.level == "fails"
    offers = find_remedies(make_house(**changes), SiteRecord(), default_catalogue())
    assert any(
        each.edits[0].measure == "drain.pipe" and each.level == "holds"
        for each in offers
        if each.verdict == "drain-carries"
    )


def test_a_deep_trench_is_cautioned() -> None:
    found = verdict(make_plan(**{**METRIC, "size__length_m": 60.0, "drain__fall": 0.02}), "trench")
    assert found.level == "fails"
    assert "shored" in found.sentence


def test_a_big_site_is_planned_whole() -> None:
    chance = random.Random(1)
    house = {**METRIC, "size__length_m": 199.0, "bows__max_spacing_m": 1.0}
    pegs = walked(lambda x, y: -0.005 * x + chance.gauss(0, 0.01), count=200, length=199.0)
    spots = tuple(
        Spot(x_m=chance.uniform(-3, 202), y_m=chance.uniform(-3, 9), reading_m=chance.uniform(1.4, 2.6))
        for _ in range(2000)
    )
    record = SiteRecord(levels=Levels(pegs=pegs).with_spots(spots))
    plan = plan_house(make_house(**house, pad__kind="regrade"), record, default_catalogue())
    assert next(step for step in plan.steps if step.id == "level").of == 400
    dots = next(item for each in plan.drawings if each.view == "falls" for item in each.items if item.kind == "dots")
    # Two of them fell on one place.
    assert len(dots.places) == 1999


def test_a_spot_read_where_a_peg_stands_changes_nothing() -> None:
    points = [(x, y, -0.01 * x) for x in (0.0, 10.0, 20.0) for y in (0.0, 6.0)]
    once = Terrain(tuple(points)).patch(0, 0, 20, 6).against(0.0, 0.0)
    twice = Terrain((*points, points[2], points[3])).patch(0, 0, 20, 6).against(0.0, 0.0)
    assert twice.fill_m3 == pytest.approx(once.fill_m3)


def test_a_string_is_read_like_a_rod() -> None:
    plan = make_plan(levelled(lambda x, y: -0.01 * x), level__tool="string", **METRIC)
    strip = next(each for each in plan.strips if each.id == "level:L")
    assert strip.marks[0].entry is not None
    assert strip.marks[0].entry.label == "String down to peg 1 left"
    assert "level.rod_m" not in next(step.measures for step in plan.steps if step.id == "level")


def test_stone_by_mass_and_what_a_pad_takes_in_words() -> None:
    # 21.2 m × 7.2 m, 0.1 m deep: 15.264 m³, a tenth lost in packing: 16.96 m³ of 1.6 t: 27.136 t, rounded up.
    plan = with_pad("regrade", pad__stone_m=0.1)
    assert answer(plan, "earth", "stone") == "27.2 t"
    step = next(each for each in plan.steps if each.id == "earth")
    assert step.next.startswith("Move ")
    assert "loads" in step.next and "h." in step.next
    assert answer(plan, "earth", "net") == "0 m³"


def test_posts_are_driven_to_a_reading_once_the_ground_is_known() -> None:
    plan = make_plan(levelled(lambda x, y: -0.01 * x, closing_m=1.5), **METRIC)
    step = next(each for each in plan.steps if each.id == "posts")
    assert "until the rod on its top reads 1.000 m: 500 mm stands out" in step.next
    bare = next(each for each in make_plan(**METRIC).steps if each.id == "posts")
    assert "until 500 mm stands out" in bare.next


def test_pegs_the_house_has_no_more_are_left_aside() -> None:
    record = levelled(lambda x, y: -0.01 * x)
    plan = make_plan(record, **{**METRIC, "size__length_m": 10.0})
    step = next(each for each in plan.steps if each.id == "level")
    assert (step.done, step.of) == (12, 12)
