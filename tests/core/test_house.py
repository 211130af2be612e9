"""One house by hand, end to end: the numbers that a grower would check with a calculator."""

import math

import pytest

from obtegum.core.documents.house import SiteRecord
from obtegum.core.drawing.items import Dimension, Drawing, Handle, Outline
from obtegum.core.drawing.verdict import Verdict, unknown_count, verdict_on, worst
from obtegum.core.findings.skeleton.bays import pegs_of
from obtegum.core.house.bench import begin
from obtegum.core.house.measures import measures
from obtegum.core.house.plan import HousePlan, plan_house, plan_yard
from obtegum.core.house.starters import demo_houses, new_house
from obtegum.core.values.catalogue import default_catalogue
from obtegum.core.values.quantity import FOOT_M, INCH_M, Units, length_text
from tests.conftest import answer, make_bench, make_house, make_plan, verdict


def drawing(plan: HousePlan, view: str) -> Drawing:
    return next(each for each in plan.drawings if each.view == view)


def readings(plan: HousePlan, strip: str) -> dict[str, str]:
    return {mark.what: mark.reading for each in plan.strips if each.id == strip for mark in each.marks}


def test_the_hand_worked_house(plan: HousePlan) -> None:
    # Diagonal √(57² + 21²) = 60.745 ft; girth 2·2 + π·10.5 = 36.987 ft;
    # tube 36.987 ft − 2·22 in + 2·6 in = 34.320 ft.
    assert answer(plan, "set-out", "diagonal") == "60' 8 15/16\""
    assert answer(plan, "bows", "girth") == "36' 11 13/16\""
    # Tube is bought, so up: 34.3202 ft is 34 ft 3 13.5/16 in.
    assert answer(plan, "bows", "tube") == "34' 3 7/8\""
    assert answer(plan, "bows", "radius") == "10' 6\""
    assert answer(plan, "bows", "centre") == "2' 0\""
    assert answer(plan, "bows", "half_angle") == "90.0°"
    assert answer(plan, "size", "floor") == "1,197 sq ft"
    assert answer(plan, "posts", "posts") == "32"
    assert answer(plan, "posts", "embedment") == "2' 2\""
    # Two sticks of 21 ft less a 5 in overlap make 41 ft 7 in, so 7.263 ft, 7 ft 3 1/8 in and a little, is left over.
    assert answer(plan, "bows", "sticks") == "2"
    assert answer(plan, "bows", "left_over") == "7' 3 1/8\""


def test_both_schools_of_bays_are_told(plan: HousePlan) -> None:
    assert answer(plan, "set-out", "equal") == "15 × 3' 9 5/8\""
    assert answer(plan, "set-out", "fixed") == "14 × 4' 0\", then 1' 0\""
    assert [mark.reading for strip in plan.strips if strip.id == "peg:L" for mark in strip.marks][:3] == [
        '0"',
        "3' 9 5/8\"",
        "7' 7 3/16\"",
    ]


def test_running_readings_are_never_added_up(plan: HousePlan) -> None:
    pegs = pegs_of(make_bench())
    for strip in plan.strips:
        for mark in strip.marks:
            again = [each for each in pegs if each.part == mark.tick]
            if again:
                assert mark.at_m == again[0].station_m
    last = [peg for peg in pegs if peg.side == "L"][-1]
    assert last.station_m == 57 * FOOT_M


def test_marks_along_the_sticks_by_hand(plan: HousePlan) -> None:
    # Post top at the 6 in socket; the bend starts 2 in higher (24 in leg − 22 in reveal);
    # the crown at half of 34 ft 3 13/16 in; the next stick comes to 21 ft − 5 in.
    first = readings(plan, "stick:A")
    assert first == {
        "post top": '6"',
        "bend starts": '8"',
        "crown": "17' 1 15/16\"",
        "next stick to here": "20' 7\"",
        "end": "21' 0\"",
    }
    # The second stick begins 20 ft 7 in along: 34 ft 3 13/16 in − 20 ft 7 in = 13 ft 8 13/16 in.
    second = readings(plan, "stick:B")
    assert second["cut here"] == "13' 8 13/16\""
    assert second["joint covers to here"] == '5"'
    assert second["post top"] == "13' 2 13/16\""


def test_the_same_width_sprung_from_the_post_tops_leans_at_the_socket() -> None:
    plan = make_plan(size__shape={"kind": "round", "leg_m": 22 * INCH_M, "height_m": 9 * FOOT_M})
    rise, half = 9 * 12 - 22, 21 * 6
    lean = 90 - math.degrees(2 * math.atan2(rise, half))
    found = verdict(plan, "entry")
    assert found.level == "fails"
    assert f"{math.ceil(lean * 10) / 10:.1f}°" in found.sentence
    assert "more than hands force in" in found.sentence
    assert verdict(plan, "leg-top") is None


def test_a_flatter_arc_on_longer_legs_kinks_above_the_post() -> None:
    plan = make_plan(size__shape={"kind": "round", "leg_m": 3 * FOOT_M, "height_m": 11 * FOOT_M})
    assert verdict(plan, "entry").level == "holds"
    found = verdict(plan, "leg-top")
    assert found.level == "fails"
    # Rise 8 over a half-width of 10.5: 90° − 2·atan(8/10.5) = 15.4°.
    assert found.number == "15.4°"


def test_a_tube_too_thick_for_its_post_is_told() -> None:
    found = verdict(make_plan(bows__tube="post-1-7-8"), "entry")
    assert found.level == "fails"
    assert "does not slide" in found.sentence
    # 1.900 in outside; 1.650 − 2·0.060 in bore: as the trade says them, to a thousandth.
    assert (found.number, found.limit) == ('1.900"', '1.530"')


def test_headroom_at_the_side_by_hand() -> None:
    # Shoulders reach 0.25 m, so the arc is asked 0.25 m in from the posts: inner radius 10.5 ft less
    # half of 1 3/8 in, height 2 ft + √(R² − (10.5 ft − 0.25 m)²).
    inner = 10.5 * FOOT_M - 1.375 * INCH_M / 2
    room = 2 * FOOT_M + math.sqrt(inner**2 - (10.5 * FOOT_M - 0.25) ** 2)
    found = verdict(make_plan(), "headroom")
    assert found.ratio == pytest.approx(69 * INCH_M / room)
    assert found.level == "tight"
    assert verdict(make_plan(size__shape={"kind": "round_on_legs", "leg_m": FOOT_M}), "headroom").level == "fails"
    assert verdict(make_plan(size__shape={"kind": "round_on_legs", "leg_m": 1.5}), "headroom").level == "holds"


def test_an_odd_bay_out_of_proportion_is_told() -> None:
    plan = make_plan(bows__bays="fixed")
    found = verdict(plan, "odd-bay")
    assert (found.level, found.number, found.limit) == ("fails", "1' 0\"", "2' 0\"")
    assert verdict(make_plan(bows__bays="fixed", size__length_m=54.5 * FOOT_M), "odd-bay").level == "holds"
    assert verdict(make_plan(), "odd-bay") is None


def test_a_tape_shorter_than_the_diagonal_is_told_with_a_way() -> None:
    found = verdict(make_plan(set_out__tape_m=50 * FOOT_M, set_out__method="whole"), "tape")
    assert found.level == "fails"
    # Two parts of 28 ft 6 in, each with a diagonal of √(28.5² + 21²) = 35.401 ft.
    assert "2 equal parts" in found.sentence
    assert "35' 4 13/16\"" in found.sentence
    short = {"set_out__tape_m": 20 * FOOT_M, "set_out__method": "whole"}
    assert "borrow" in verdict(make_plan(**short), "tape").sentence
    # 60.745 of 61 is more than nine tenths.
    assert verdict(make_plan(set_out__tape_m=61 * FOOT_M), "tape").level == "tight"


def test_a_tape_is_judged_by_what_the_chosen_way_reads() -> None:
    # In two parts it reads 35 ft 4 13/16 in, at each end on its own width √2 times 21 ft: both are within 50 ft.
    for method, reads, ratio in (("parts", "35' 4 13/16\"", 35.401 / 50), ("ends", "29' 8 3/8\"", 29.698 / 50)):
        found = verdict(make_plan(set_out__tape_m=50 * FOOT_M, set_out__method=method), "tape")
        assert (found.level, found.number) == ("holds", reads)
        assert found.ratio == pytest.approx(ratio, rel=1e-4)
        assert "shorter than the 60' 8 15/16\" diagonal" in found.sentence
    # A way that is out of its reach is none.
    found = verdict(make_plan(set_out__tape_m=22 * FOOT_M, set_out__method="ends"), "tape")
    assert found.level == "fails"


def test_sticks_that_waste_more_than_a_fifth_are_told() -> None:
    # 7 ft 3 3/16 in of 42 ft is 17.3 %: within a fifth, but more than nine tenths of it would be 18 %.
    assert verdict(make_plan(), "waste").level == "holds"
    # Of 23 ft the second stick is 11.74 ft, more than half: 46 − 34.74 = 11.26 ft of 46 is 24.5 %.
    found = verdict(make_plan(bows__stick_m=23 * FOOT_M), "waste")
    assert found.level == "fails"
    assert found.number == "25 %"
    # Of 24 ft it is 10.74 ft, and two of them share a stick: 16 bows take 24 sticks, 20.2 of 576 ft is left.
    shared = verdict(make_plan(bows__stick_m=24 * FOOT_M), "waste")
    assert shared.number == "4 %"
    assert "24 sticks" in shared.sentence


def test_what_was_set_shows_when_the_plan_leaves_it() -> None:
    record = SiteRecord(set_at_m={"peg:L1": 0.0, "peg:L2": 3.8 * FOOT_M})
    plan = make_plan(record)
    step = next(each for each in plan.steps if each.id == "set-out")
    assert (step.done, step.of, step.state) == (2, 32, "going")
    assert "peg 3" in step.next
    moved = make_plan(record, bows__max_spacing_m=3 * FOOT_M)
    step = next(each for each in moved.steps if each.id == "set-out")
    assert (step.done, step.state) == (1, "look")
    assert step.next_part == "post:L2"
    assert "belongs at 3' 0\"" in step.next
    mark = next(strip for strip in moved.strips if strip.id == "peg:L").marks[1]
    assert (mark.state, mark.note) == ("moved", "set at 3' 9 5/8\"")


def test_everything_drawn_is_within_the_drawing(plan: HousePlan) -> None:
    for each in plan.drawings:
        for item in each.items:
            if isinstance(item, Outline):
                assert all(each.x0 - 1e-9 <= v.x <= each.x1 + 1e-9 for v in item.path), (each.view, item.part)
                assert all(each.y0 - 1e-9 <= v.y <= each.y1 + 1e-9 for v in item.path), (each.view, item.part)


def test_dimensions_say_what_they_span(plan: HousePlan) -> None:
    for each in plan.drawings:
        for item in each.items:
            if isinstance(item, Dimension):
                spanned = math.hypot(item.x1 - item.x0, item.y1 - item.y0)
                assert item.text == length_text(spanned, plan.tape), (each.view, item.part)


def test_every_grip_moves_its_measure_as_it_says(plan: HousePlan) -> None:
    names = {item.measure for each in plan.drawings for item in each.items if isinstance(item, Handle)}
    assert names <= set(measures())
    assert {
        "size.span_m",
        "size.shape.height_m",
        "size.shape.leg_m",
        "size.length_m",
        "bows.max_spacing_m",
        "posts.reveal_m",
        "posts.length_m",
        "size.figure.from_left_m",
    } <= names
    across = drawing(plan, "across")
    grip = next(item for item in across.items if isinstance(item, Handle) and item.measure == "size.span_m")
    wider = drawing(make_plan(size__span_m=21 * FOOT_M + 0.2), "across")
    moved = next(item for item in wider.items if isinstance(item, Handle) and item.measure == "size.span_m")
    assert (moved.x - grip.x) * grip.gain == pytest.approx(0.2)


def test_marks_on_strip_and_drawing_share_their_parts(plan: HousePlan) -> None:
    drawn = {getattr(item, "part", "") for each in plan.drawings for item in each.items}
    for strip in plan.strips:
        for mark in strip.marks:
            if mark.kind != "cut" and not mark.part.startswith("clear"):
                assert mark.part in drawn, (strip.id, mark.part)


def test_steps_name_only_what_exists(plan: HousePlan) -> None:
    strips, views = {each.id for each in plan.strips}, {each.view for each in plan.drawings}
    for step in plan.steps:
        assert set(step.strips) <= strips
        assert set(step.views) <= views
        assert set(step.measures) | set(step.grips) <= set(plan.measures)


def test_units_change_readings_and_nothing_else() -> None:
    feet, metric = make_plan(), make_plan(tape__units="metric")
    assert pegs_of(make_bench()) == pegs_of(make_bench(tape__units="metric"))
    assert [each.ratio for each in feet.verdicts] == [each.ratio for each in metric.verdicts]
    assert answer(metric, "set-out", "diagonal") == "18.515 m"


def test_starters_and_demo_houses_plan() -> None:
    for design, _ in [*demo_houses(), (new_house("feet"), None), (new_house("metric"), None)]:
        assert plan_yard(begin(design, SiteRecord(), default_catalogue())).words.endswith(" bows")
    assert len({design.name for design, _ in demo_houses()}) == 3


def test_a_design_survives_json() -> None:
    design = make_house()
    assert type(design).model_validate_json(design.model_dump_json()) == design


def judged(level: str, rank: str, ratio: float | None = None) -> Verdict:
    return verdict_on("x", f"{level}-{rank}", "X", level, "X.", ratio=ratio, rank=rank)  # type: ignore[arg-type]


def test_the_headline_goes_by_what_fails_and_by_rank() -> None:
    """Fails by rank, then tight by rank, then what is not known of whether it stands, then what holds."""
    order = [
        judged("fails", "stands", 1.1),
        judged("fails", "fits", 9.0),
        judged("fails", "comfort", 99.0),
        judged("tight", "stands", 0.91),
        judged("tight", "fits", 1.0),
        judged("tight", "comfort", 1.0),
        judged("unknown", "stands"),
        judged("holds", "stands", 0.2),
        judged("holds", "comfort", 0.9),
        judged("unknown", "comfort"),
    ]
    for place in range(len(order)):
        left = order[place:]
        assert worst(reversed(left)) == left[0], place
    assert unknown_count(order) == 2


def test_a_small_house_does_not_fail_to_stand_because_its_grower_stoops() -> None:
    plan = plan_house(*demo_houses()[2], default_catalogue())
    assert verdict(plan, "headroom").rank == verdict(plan, "path-room").rank == verdict(plan, "reach").rank == "comfort"
    assert plan.overall is not None and plan.overall.rank == "comfort"
    # A house whose posts hardly reach into the ground is headed by that, whatever stoops in it.
    terrace = plan_house(*demo_houses()[0], default_catalogue())
    assert terrace.overall is not None and (terrace.overall.id, terrace.overall.rank) == ("embedment", "stands")
    # What is not known is counted beside it, in the yard too, which knows what was measured.
    coast = plan_house(*demo_houses()[1], default_catalogue())
    assert coast.unknowns == plan_yard(begin(*demo_houses()[1], default_catalogue())).unknowns == 4


@pytest.mark.parametrize("units", ["feet", "metric"])
def test_nothing_is_red_of_a_house_that_nobody_has_touched(units: Units) -> None:
    plan = plan_house(new_house(units), SiteRecord(), default_catalogue())
    assert [each.id for each in plan.verdicts if each.level == "fails"] == []
    assert verdict(plan, "waste").level == verdict(plan, "as-bent").level == "holds"


@pytest.mark.parametrize(
    ("bed_m", "level", "told"),
    [(0.62, "holds", "an arm of 650 mm reaches"), (0.74, "tight", "a stoop at its back"), (0.8, "fails", "one kneels")],
)
def test_reach_tells_the_arm_and_the_trade_s_usual_bed(bed_m: float, level: str, told: str) -> None:
    """An arm's 650 mm, and beds along walls that are 30 in, 762 mm, wide."""
    found = verdict(make_plan(tape__units="metric", inside={"bed_m": bed_m}), "reach")
    assert (found.level, found.rank) == (level, "comfort")
    assert told in found.sentence
    assert "762 mm" in found.sentence and "650 mm" in found.sentence
