"""What holds the house down: the ground it stands in, how posts are set, and the chain from bow to soil."""

import math
import re
from typing import Any

import numpy as np
import pytest

from obtegum.core.documents.hold import pulled_like
from obtegum.core.documents.house import SiteRecord
from obtegum.core.documents.job import Job
from obtegum.core.documents.level import Levels
from obtegum.core.drawing.step import Answer
from obtegum.core.face.edit import chosen
from obtegum.core.findings.skeleton.bays import bays_of, pegs_of
from obtegum.core.findings.skeleton.posts import least_embedment_m
from obtegum.core.findings.skeleton.tubes import post_tube
from obtegum.core.formulas.anchor.links import bolt_shear, bolt_tears_out, bolt_walls
from obtegum.core.house.bench import begin
from obtegum.core.house.edits import apply_edits
from obtegum.core.house.plan import HousePlan, plan_house
from obtegum.core.house.remedies import find_remedies
from obtegum.core.rooms.hold.found import bag_of, chain_of, concrete_top_m, holds_of, in_ground_m, pulled
from obtegum.core.rooms.hold.takes import all_take, dug_m, takes_of
from obtegum.core.rooms.strength.asks import parting_gust, row_asks
from obtegum.core.rooms.strength.found import bow_found, joint_share
from obtegum.core.rooms.strength.model import model_of
from obtegum.core.values.catalogue import default_catalogue
from obtegum.core.values.quantity import FOOT_M, INCH_M, length_text, parse_length
from obtegum.core.values.trouble import DesignError
from tests.conftest import make_bench, make_house, make_plan, verdict
from tests.core.test_counts import planned, refused
from tests.core.test_strength import told

CLAY = {"soil": {"kind": "clay"}}
OWN = {"od_m": 0.09, "wall_m": 0.003}
BOLT = {"posts__bolt_m": 2 * INCH_M}
DEEP_M = 26 * INCH_M


def held(**changes: Any) -> dict[str, Any]:
    return {**told(), **CLAY, **changes}


def said(plan: HousePlan, name: str) -> Answer:
    step = next(each for each in plan.steps if each.id == "hold")
    return next(each for each in step.answers if each.id == name)


def with_pulls(pulls: dict[str, Any], **changes: Any) -> HousePlan:
    house = make_house(**held(**changes))
    record = SiteRecord.model_validate({"pulls": {"of": pulled_like(house, pulls["set"]), **pulls}})
    return plan_house(house, record, default_catalogue())


def test_nothing_is_taken_for_granted() -> None:
    plan = make_plan()
    assert verdict(plan, "lift").level == "unknown"
    assert "snow" in verdict(plan, "lift").sentence
    assert "What is the ground?" in verdict(make_plan(**told()), "lift").sentence
    peat = verdict(make_plan(**told(), soil={"kind": "fill"}), "lift")
    assert peat.level == "unknown"
    assert "test posts, go deeper to firm ground, or lay a slab" in peat.sentence
    # What is natural and firm, of no known kind, counts as the weakest class.
    assert holds_of(make_bench(soil={"kind": "firm"}), "driven") == holds_of(make_bench(**CLAY), "driven")


def test_a_driven_post_by_hand() -> None:
    # 2 3/8 in, 26 in in clay: π·D·6 kPa·(0.6604 − 0.3); pole b·d³·15.7/3/2.34/d, twice for wind.
    bench = make_bench(**held())
    od = 2.375 * INCH_M
    holds = holds_of(bench, "driven")
    assert least_embedment_m(bench) == pytest.approx(DEEP_M)
    friction = math.pi * od * 6000 * (DEEP_M - 0.3)
    still = 15700 * DEEP_M / 3 * od * DEEP_M / 2.34
    assert holds.lift_n == pytest.approx(friction)
    assert holds.still_n == pytest.approx(still)
    assert holds.wind_n == pytest.approx(2 * still)
    assert holds.down_n == pytest.approx(friction + math.pi / 4 * od**2 * 72000)


def test_concrete_fills_its_hole_or_makes_a_plug() -> None:
    # A 10 in hole 26 in deep, less the tube: 0.04781 m² × 0.6604 = 31.57 L, three bags of 12.74 L.
    full = make_bench(**held(hold={"set": "concrete", "hole_m": 10 * INCH_M}))
    takes = takes_of(full, "concrete")
    room = math.pi / 4 * ((10 * INCH_M) ** 2 - (2.375 * INCH_M) ** 2) * DEEP_M
    assert takes.concrete_m3 == pytest.approx(room)
    assert takes.bags == 3
    assert takes.hole_m3 == pytest.approx(math.pi / 4 * (10 * INCH_M) ** 2 * DEEP_M)
    assert takes.carbon_kg == pytest.approx(room * 2400 * 0.13)
    # Two bags come to 21 in: a plug, whose top lies below the ground; sideways it is no wider than the tube.
    plug = make_bench(**held(hold={"set": "concrete", "bags": 2, "hole_m": 10 * INCH_M}))
    top = concrete_top_m(plug)
    area = math.pi / 4 * ((10 * INCH_M) ** 2 - (2.375 * INCH_M) ** 2)
    assert top == pytest.approx(DEEP_M - 2 * 0.45 * 0.3048**3 / area)
    whole, less = holds_of(full, "concrete"), holds_of(plug, "concrete")
    assert "plug" in less.source
    assert less.lift_n < whole.lift_n  # type: ignore[operator]
    assert less.still_n == holds_of(make_bench(**held()), "driven").still_n
    assert whole.still_n == pytest.approx(less.still_n * 10 / 2.375)  # type: ignore[operator]


def test_a_column_over_the_ground_weighs_too() -> None:
    # A pier of 10 in, 12 in over the ground: as concrete in its hole, and 0.6 of what the column weighs.
    hold = {"hole_m": 10 * INCH_M, "column_m": 12 * INCH_M, "bags": 2}
    bench = make_bench(**held(hold={"set": "pier", **hold}))
    ring = math.pi / 4 * ((10 * INCH_M) ** 2 - (2.375 * INCH_M) ** 2)
    whole = holds_of(make_bench(**held(hold={"set": "concrete", "hole_m": 10 * INCH_M})), "concrete")
    pier, takes = holds_of(bench, "pier"), takes_of(bench, "pier")
    assert pier.lift_n == pytest.approx(whole.lift_n + 0.6 * ring * 12 * INCH_M * 24000)  # type: ignore[operator]
    # What makes a plug of a hole makes none of a form that is filled to its top.
    assert takes.concrete_m3 == pytest.approx(ring * (DEEP_M + 12 * INCH_M))
    assert takes.bags == 4
    # Piers at the corners make the plugs between them no better.
    mixed = make_bench(**held(hold={"set": "concrete", "corner_set": "pier", **hold}))
    plug = make_bench(**held(hold={"set": "concrete", **hold}))
    assert holds_of(mixed, "concrete") == holds_of(plug, "concrete")


def test_pins_through_a_rail_are_told_without_strength() -> None:
    plan = make_plan(**held(hold={"set": "rail"}, **BOLT))
    assert said(plan, "rail").value == pytest.approx(2 * 57 * FOOT_M)
    assert "test it" in verdict(plan, "lift").sentence
    step = next(each for each in plan.steps if each.id == "hold")
    assert any("squared again; pins last" in each.words for each in step.how)


def test_a_way_without_a_source_says_test_it() -> None:
    for setting in ("gravel", "screw", "trench", "tamped", "rail"):
        holds = holds_of(make_bench(**held()), setting)
        assert holds.lift_n is None
        assert "test it" in holds.source
        sentence = verdict(make_plan(**held(hold={"set": setting}, **BOLT)), "lift").sentence
        assert "test it" in sentence
    # Loose backfill doesn't hold a post sideways; tamped in layers it does (1807.3.3).
    assert holds_of(make_bench(**held()), "plate").wind_n is None
    assert holds_of(make_bench(**held(hold={"backfill": "tamped"})), "plate").wind_n is not None


def test_a_trench_is_dug_as_wide_as_was_told() -> None:
    # From bow to bow, as deep as the post: 0.5 m across for 0.4 is a quarter more.
    spoil = [
        takes_of(make_bench(**held(hold={"set": "trench", **wide})), "trench").hole_m3
        for wide in ({}, {"trench_m": 0.5})
    ]
    assert spoil[1] == pytest.approx(1.25 * spoil[0])
    step = next(each for each in make_plan(**held(hold={"set": "trench"})).steps if each.id == "hold")
    assert "hold.trench_m" in step.measures
    assert "hold.hole_m" not in step.measures


def test_friction_alone_bears_nothing_and_the_gust_is_said() -> None:
    plan = make_plan(**held())
    lift = verdict(plan, "lift")
    assert (lift.level, lift.rank) == ("fails", "stands")
    assert "friction alone holds nothing, and parts at a gust of" in lift.sentence
    assert "Planning aid" in lift.sentence
    assert said(plan, "link_1").value == 0


def test_a_bolt_is_as_strong_as_the_weakest_of_its_ways_to_go() -> None:
    # 5/16 in, 2 in below the top of a post that the bow enters by 6 in: walls of the thinner tube, 1.8·Fy·d·t.
    bench = make_bench(**held(**BOLT))
    bow, post = (bench.catalogue.tubes[name] for name in ("water-1-1-2", "post-2-3-8"))
    bolt = 5 * INCH_M / 16
    clear = 2 * INCH_M - bolt / 2
    # A wall of welded tube counts by 93 % of its name (AISC B4.2).
    ways = [bolt_walls(bolt, 0.93 * tube.wall_m, tube.yield_pa) for tube in (bow, post)]
    strong = [360e6 if tube.yield_pa == 235e6 else 1.3 * tube.yield_pa for tube in (bow, post)]
    walls = (0.93 * bow.wall_m, 0.93 * post.wall_m)
    ways += [bolt_tears_out(clear, wall, pull) for wall, pull in zip(walls, strong, strict=True)]
    ways.append(bolt_shear(bolt))
    link = chain_of(bench, "row").links[0]
    assert link.holds_n == pytest.approx(min(ways), rel=0.01)
    screws = chain_of(make_bench(**held(hold={"screws": 4})), "row").links[0]
    single = chain_of(make_bench(**held(hold={"screws": 2})), "row").links[0]
    assert screws.holds_n == pytest.approx(2 * single.holds_n)  # type: ignore[operator]


def test_a_smooth_tube_slides_out_of_its_concrete() -> None:
    smooth = make_plan(**held(hold={"set": "concrete"}, **BOLT))
    assert verdict(smooth, "lift").level == "unknown"
    assert "smooth steel slides out" in verdict(smooth, "lift").sentence
    barred = make_plan(**held(hold={"set": "concrete", "grip": "bar"}, **BOLT))
    assert verdict(barred, "lift").level == "holds"
    # A link that is known and too weak fails it, whatever else isn't known.
    weak = make_plan(**held(hold={"set": "concrete"}))
    assert verdict(weak, "lift").level == "fails"


def test_straps_hold_what_they_are_rated_for() -> None:
    board = {"posts__stand": "board", "posts__length_m": 0.9, "posts__reveal_m": 0.14, "bows__insertion_m": 0.14}
    untold = chain_of(make_bench(**held(**board)), "row")
    assert [link.holds_n for link in untold.links][:2] == [None, None]
    rated = chain_of(make_bench(**held(**board, hold={"strap_n": 150.0})), "row")
    assert rated.links[0].holds_n == pytest.approx(300.0)
    assert "as it is rated" in rated.links[0].source


def test_what_is_asked_is_what_the_frame_gives_the_ground() -> None:
    bench = make_bench(**held())
    judged, asks = bow_found(bench), row_asks(bench)
    assert judged is not None and judged.found is not None and asks is not None
    assert asks.lift.force_n == pytest.approx(-judged.found.ground[:, :, 1].min(), rel=0.02)
    # At the gust that parts it 0.6 of its weight and the whole wind of that gust come to what holds it.
    gust = parting_gust(bench, 400.0)
    assert gust is not None
    each, speed = judged.found.each, 30.0
    lifts = []
    for place, case in enumerate(judged.weathered.cases):
        if case.kind == "wind" and not case.name.startswith("least"):
            at_gust = each[2 + place] * (gust / speed) ** 2 / 0.85
            lifts.append(-(at_gust + 0.6 * each[0])[:, 1].min())
    assert max(lifts) == pytest.approx(400.0)


def test_the_european_school_is_set_against_characteristic_loads() -> None:
    # 0.9 of the weight against the whole wind: its own factor of 1.5 is for strength, not for the ground.
    bench = make_bench(**held(weather={**told()["weather"], "method": "eu", "wind_mps": 22.0}))
    judged, asks = bow_found(bench), row_asks(bench)
    assert judged is not None and judged.found is not None and asks is not None
    each = judged.found.each
    lifts = [
        -(each[2 + place] + 0.9 * each[0])[:, 1].min()
        for place, case in enumerate(judged.weathered.cases)
        if case.kind == "wind"
    ]
    assert asks.lift.force_n == pytest.approx(max(lifts), rel=0.02)
    assert asks.lift.force_n < -judged.found.ground[:, :, 1].min()


def test_pull_tests_take_the_place_of_the_table() -> None:
    pulls = {"set": "driven", "deep_m": DEEP_M, "up": {"1": 3000.0, "2": 2600.0, "3": 3400.0}}
    plan = with_pulls(pulls, **BOLT)
    # Half of the lowest, whatever the table says.
    assert said(plan, "link_2").value == pytest.approx(1300.0)
    assert "half of the lowest of 3" in said(plan, "link_2").note
    assert "out of the line" in next(step for step in plan.steps if step.id == "hold").caution
    for changes, says in (
        ({"up": {"1": 3000.0, "2": 2600.0}}, "2 pulled at, 3 at the least"),
        ({"deep_m": None}, "how deep"),
        ({"deep_m": DEEP_M + 0.1}, "these have less"),
    ):
        note = said(with_pulls({**pulls, **changes}, **BOLT), "link_2").note
        assert says in note
    # Posts set otherwise tell nothing of these, and sideways is another test.
    other = with_pulls({**pulls, "set": "concrete"}, **BOLT)
    assert said(other, "link_2").value < 1300
    bench = begin(make_house(**held()), SiteRecord.model_validate({"pulls": pulls}), default_catalogue())
    assert pulled(bench, "driven", "side") == (None, "")
    # They say what peat holds, too.
    peat = with_pulls(pulls, soil={"kind": "fill"}, **BOLT)
    assert verdict(peat, "lift").level == "holds"


def test_pull_tests_count_for_posts_made_alike_only() -> None:
    pulls = {"set": "concrete", "deep_m": DEEP_M, "up": {"1": 3000.0, "2": 2600.0, "3": 3400.0}}
    wide = {"set": "concrete", "hole_m": 10 * INCH_M}
    like = pulled_like(make_house(**held(hold=wide)), "concrete")
    assert said(with_pulls({**pulls, "of": like}, hold=wide, **BOLT), "link_2").value == pytest.approx(1300)
    for changes in (
        {"hold": {**wide, "hole_m": 6 * INCH_M}},
        {"hold": wide, "posts__tube": "post-1-7-8", "bows__tube": "rail-1-3-8"},
        {"hold": wide, "posts__stand": "slab"},
    ):
        plan = with_pulls({**pulls, "of": like}, **{**BOLT, **changes})
        links = [each for each in next(s for s in plan.steps if s.id == "hold").answers if each.id.startswith("link")]
        assert "made otherwise" in links[-1].note
    # Choosing how they were set says what they are like now.
    job = apply_edits(Job(make_house(**held(hold=wide))), [chosen("record.pulls.set", "concrete")], default_catalogue())
    assert job.record.pulls.of == like


def test_a_bow_that_gives_way_says_nothing_of_pushes() -> None:
    hard = told(wind_mps=60.0, ground_snow_pa=4000.0, sides="blocked")
    plan = make_plan(**{**hard, **CLAY, "bows__max_spacing_m": 2.4})
    assert verdict(plan, "frame").level == "fails"
    assert "gives way before" in verdict(plan, "side").sentence
    assert verdict(plan, "side").level == "unknown"


def test_how_deep_a_driven_post_would_have_to_go_is_said() -> None:
    plan = make_plan(**held())
    assert "in the ground would do" in verdict(plan, "side").sentence
    deep = re.search(r"and ([0-9' /\"]+) in the ground would do", verdict(plan, "side").sentence)
    assert deep is not None
    from_there = parse_length(deep[1], "feet") + 22 * INCH_M
    assert verdict(make_plan(**held(posts__length_m=from_there)), "side").level in ("holds", "tight")


def test_a_hole_no_wider_than_its_post_holds_nothing_known() -> None:
    narrow = make_bench(**held(hold={"set": "concrete", "hole_m": 0.08}, posts__tube="own:1", own_tubes=[OWN]))
    assert holds_of(narrow, "concrete").lift_n is None
    assert "so narrow a hole" in holds_of(narrow, "concrete").source


def test_a_bar_pulls_by_its_arms() -> None:
    # 20 kg on 2 m over a block 0.25 m from the post: eight times as much.
    pulls = {"set": "driven", "deep_m": DEEP_M, "rig": "lever", "up": {"1": 200.0, "2": 190.0, "3": 210.0}}
    untold = with_pulls(pulls, **BOLT)
    assert said(untold, "link_2").note == "the arms of the bar aren’t told"
    plan = with_pulls({**pulls, "long_m": 2.0, "short_m": 0.25}, **BOLT)
    assert said(plan, "link_2").value == pytest.approx(190 * 8 / 2)
    rig = next(each for each in plan.drawings if each.view == "rig")
    assert "pulls 8.0 times the weight" in rig.summary
    assert rig.table[-1].what == "allowed, half of the lowest"


def test_the_order_of_the_work_is_told_for_each_way() -> None:
    def order(**hold: Any) -> str:
        step = next(each for each in make_plan(**held(hold=hold)).steps if each.id == "hold")
        return " ".join(each.words for each in step.how)

    driven, concrete, plate = order(), order(set="concrete"), order(set="plate", hole_m=10 * INCH_M)
    assert driven.index("four at the corners") < driven.index("string") < driven.index("trial bow")
    assert "cap on every end" in driven
    assert concrete.index("trial bow") < concrete.index("No bow in it for")
    # (10 in − 2 3/8 in)/2 to each side; 26 in of backfill settle by a tenth: 26/9 in is left over the grass.
    assert 'by 3 13/16" to each side' in plate
    assert 'left 2 15/16" over the grass' in plate


def test_concrete_is_told_the_other_way_round_too() -> None:
    plan = make_plan(**held(hold={"set": "concrete", "bags": 2, "hole_m": 10 * INCH_M}))
    wide = said(plan, "hole_filled").value
    assert math.pi / 4 * (wide**2 - (2.375 * INCH_M) ** 2) * DEEP_M == pytest.approx(2 * 0.45 * 0.3048**3)
    assert said(plan, "filled").value == pytest.approx(
        2 * 0.45 * 0.3048**3 / (math.pi / 4 * ((10 * INCH_M) ** 2 - (2.375 * INCH_M) ** 2))
    )
    assert "a plug" in said(plan, "bags").note


def test_each_kind_is_part_of_the_whole() -> None:
    plan = make_plan(**held(hold={"set": "driven", "corner_set": "concrete"}))
    posts = next(each for each in plan.steps if each.id == "posts")
    whole = next(each.value for each in posts.answers if each.id == "posts")
    assert said(plan, "set").value + said(plan, "corner_set").value == whole


def test_corners_may_differ_and_each_kind_is_counted_by_itself() -> None:
    plan = make_plan(**held(hold={"corner_set": "concrete"}))
    assert said(plan, "corner_set").value == 4
    assert said(plan, "set").value == 38
    assert said(plan, "corner_bags").value == 12
    assert said(make_plan(**held()), "set").value == 42


def test_remedies_are_planned_whole_and_hold() -> None:
    house = make_house(**held())
    job = Job(house, SiteRecord())
    before = planned(house)
    found = [each for each in find_remedies(house, SiteRecord(), default_catalogue()) if each.verdict == "lift"]
    assert found
    for remedy in found:
        after = plan_house(
            apply_edits(job, remedy.edits, default_catalogue()).design, SiteRecord(), default_catalogue()
        )
        assert verdict(after, "lift").level in ("holds", "tight")
    assert verdict(before, "lift").level == "fails"


@pytest.mark.parametrize(
    ("measure", "text", "says"),
    [
        ("posts.reveal_m", "10 ft", "nothing of the post in the ground"),
        ("hold.bags", "0", "1"),
        ("hold.hole_m", "-3 in", "below zero"),
        ("record.pulls.up.1", "-5", "below zero"),
        ("soil.water_m", "90 ft", "32"),
    ],
)
def test_what_cannot_be_is_refused_with_a_sentence(measure: str, text: str, says: str) -> None:
    assert says in str(refused(make_house(), (measure, text)))


def test_a_plate_on_the_grass_is_refused() -> None:
    assert "grass" in str(refused(make_house(hold={"set": "plate"}), ("hold.plate_up_m", "5 ft")))


def test_deeper_never_holds_less_and_water_never_more() -> None:
    for setting in ("driven", "concrete", "plate"):
        short, long = (
            holds_of(make_bench(**held(posts__length_m=length * FOOT_M, hold={"backfill": "tamped"})), setting)
            for length in (4, 5)
        )
        wet = holds_of(
            make_bench(**{**held(hold={"backfill": "tamped"}), "soil": {"kind": "clay", "water_m": 0.2}}), setting
        )
        for name in ("lift_n", "wind_n", "still_n", "down_n"):
            assert getattr(long, name) >= getattr(short, name) >= getattr(wet, name) - 1e-9


def test_frost_is_told_where_soil_heaves() -> None:
    def frost(kind: str, deep_m: float) -> tuple[str, str]:
        found = verdict(make_plan(soil={"kind": kind, "frost_m": deep_m}), "frost")
        return found.level, found.sentence

    assert frost("clay", 0.9)[0] == "tight"
    assert "each spring" in frost("clay", 0.9)[1]
    assert frost("clay", 0.5)[0] == "holds"
    assert frost("gravel", 0.9)[0] == "holds"
    assert not [each for each in make_plan(**CLAY).verdicts if each.id == "frost"]


def test_every_way_is_drawn_beside_the_others() -> None:
    plan = make_plan(**held(hold={"set": "plate", "corner_set": "concrete"}))
    ways = next(each for each in plan.drawings if each.view == "settings")
    assert len(ways.table) == 10
    assert any("people choose it when" in row.reading for row in ways.table)
    chain = next(each for each in plan.drawings if each.view == "chain")
    assert "the least" in chain.summary
    assert [row.what for row in chain.table][-1] == "wind lifts by"
    assert {getattr(item, "part", "") for item in chain.items} >= {"plate", "hole", "link:1", "link:2", "link:3"}


def test_concrete_cures_by_its_warmth() -> None:
    # (T + 10)·days: 60 at 20 °C is two days, 210 is seven; fourteen at 5 °C; nothing in frost.
    warm = make_plan(**held(hold={"set": "concrete", "cures_c": 20.0}))
    assert (said(warm, "bows_after").reading, said(warm, "film_after").reading) == ("2 days", "7 days")
    cold = make_house(**held(hold={"set": "concrete", "cures_c": 5.0}))
    poured = SiteRecord.model_validate({"poured": {"on": "2026-02-20"}})
    answer = said(plan_house(cold, poured, default_catalogue()), "film_after")
    assert (answer.reading, answer.note) == ("14 days", "by 2026-03-06")
    frost = make_plan(**held(hold={"set": "concrete", "cures_c": -2.0}))
    assert said(frost, "bows_after").reading == "not poured"
    step = next(each for each in frost.steps if each.id == "hold")
    assert any("Frost: not poured" in each.words for each in step.how)
    assert step.caution.startswith("Frost: not poured")


def test_a_day_that_no_calendar_has_is_refused() -> None:
    job = Job(make_house(hold={"set": "concrete"}), SiteRecord())
    for day in ("2026-02-30", "9999-12-31"):
        with pytest.raises(DesignError, match=f"“{day}” is no day"):
            apply_edits(job, (chosen("record.poured.on", day),), default_catalogue())
        # A file that brings it is planned all the same.
        record = SiteRecord.model_validate({"poured": {"on": day}})
        assert said(plan_house(job.design, record, default_catalogue()), "bows_after").note == ""


def test_a_knee_wall_is_told_in_timber() -> None:
    # 15 bows on 57 ft, bays of 57/14 ft: to each post two plates of a bay, a stud of 24 in less two plates of 38 mm,
    # and five boards of 140 mm to cover 24 in.
    bench = make_bench(**held(hold={"set": "knee", "wall_m": 24 * INCH_M}))
    bay = bays_of(bench).bay_m
    assert takes_of(bench, "knee").timber_m == pytest.approx(7 * bay + 24 * INCH_M - 2 * 0.038)
    assert [link.part for link in chain_of(bench, "row").unknown] == ["grip", "soil"]
    found = refused(bench.design, ("hold.wall_m", "5'"))
    assert "The posts are shorter than the wall" in found.troubles[0].sentence


def test_a_cure_is_told_in_holes_and_hours() -> None:
    house = make_house(**held(**BOLT))
    cures = [each for each in find_remedies(house, SiteRecord(), default_catalogue()) if each.verdict == "lift"]
    plated = next(each for each in cures if "plate" in each.words)
    bench = begin(house, SiteRecord(), default_catalogue())
    posts = len(pegs_of(bench))
    driven_h, plate_h = (takes_of(bench, each).hours_s / 3600 for each in ("driven", "plate"))
    more = math.ceil(posts * plate_h) - math.ceil(posts * driven_h)
    assert plated.cost == f"{posts} holes more, {more} hours of work more"


def test_screws_weaken_the_bow_where_they_go_in() -> None:
    whole, screwed = make_bench(**held()), make_bench(**held(hold={"screws": 2}))
    assert not model_of(whole).jointed[:12].any()
    assert model_of(screwed).jointed.sum() > model_of(whole).jointed.sum()
    # Whole tube of thick wall keeps more than a thin one does beside the same hole; never more than is told.
    assert joint_share(screwed) <= joint_share(whole)


def fallen(fall_m: float) -> SiteRecord:
    """Ground that falls evenly along the house of 16 bows, read at every peg."""
    pegs = {f"{side}{bow}": 1.5 + fall_m * (bow - 1) / 15 for side in "LR" for bow in range(1, 17)}
    return SiteRecord(levels=Levels(pegs=pegs))


def test_holes_are_reckoned_post_by_post_on_ground_that_falls() -> None:
    # Posts of 48 in, 22 in out at the highest ground; bags of 60 lb, a hole of 8 in: each to its own depth.
    record, hold = fallen(0.3), {"set": "concrete", "hole_m": 8 * INCH_M}
    bench = make_bench(record, **CLAY, hold=hold)
    deeps = [26 * INCH_M - 0.3 * (bow - 1) / 15 for _ in "LR" for bow in range(1, 17)]
    assert sorted(dug_m(bench)["row"]) == pytest.approx(sorted(deeps))
    tube, bag = post_tube(bench).od_m, bag_of(bench).yield_m3
    rooms_m3 = [math.pi / 4 * (0.2032**2 - tube**2) * deep for deep in deeps]
    takes = all_take(bench, "row", "concrete")
    assert takes.concrete_m3 == pytest.approx(sum(rooms_m3), rel=1e-3)
    assert takes.bags == sum(math.ceil(room / bag - 1e-9) for room in rooms_m3)
    assert takes.hole_m3 == pytest.approx(sum(math.pi / 4 * 0.2032**2 * deep for deep in deeps), rel=1e-3)
    # What they hold is still told of the one that has least.
    assert in_ground_m(bench) == pytest.approx(min(deeps))
    plan = make_plan(record, **CLAY, hold=hold)
    bags = next(each for step in plan.steps if step.id == "hold" for each in step.answers if each.id == "bags")
    assert bags.value == takes.bags
    assert " to " in bags.note.split(" a hole")[0]
    # The tape down the hole says which it is of, and how deep the deepest.
    strip = next(each for each in plan.strips if each.id == "set")
    deepest = length_text(max(deeps), bench.tape)
    assert strip.about == f"tape from the grass · the shallowest of 32, the deepest {deepest}"
    assert strip.length_m == pytest.approx(min(deeps))
    level = all_take(make_bench(**CLAY, hold=hold), "row", "concrete")
    assert level.bags == 32 * math.ceil(rooms_m3[0] / bag - 1e-9)


def test_holes_through_a_raised_pad_are_dug_through_it() -> None:
    # A pad of 0.3 m on level ground: fill holds nothing, and is dug all the same.
    record, hold = fallen(0.0), {"set": "plate", "plate_m": 0.3}
    bench = make_bench(record, **CLAY, hold=hold, pad={"kind": "raise", "raise_m": 0.3})
    assert in_ground_m(bench) == pytest.approx(26 * INCH_M - 0.3)
    assert set(np.round(dug_m(bench)["row"], 6)) == {round(26 * INCH_M, 6)}
    assert all_take(bench, "row", "plate").hole_m3 == pytest.approx(
        32 * math.pi / 4 * (0.3 * math.sqrt(2)) ** 2 * 26 * INCH_M, rel=1e-3
    )
