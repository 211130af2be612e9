"""Strength on the bench: what is asked before anything is said, what is said, and what mends it."""

import re
from typing import Any

import numpy as np
import pytest

from obtegum.core.documents.house import SiteRecord
from obtegum.core.documents.job import Job
from obtegum.core.findings.skeleton.bays import bays_of
from obtegum.core.formulas.anchor.pole import pole_bent
from obtegum.core.formulas.frame.steel import allowable
from obtegum.core.house.bench import begin
from obtegum.core.house.edits import apply_edits
from obtegum.core.house.remedies import find_remedies
from obtegum.core.house.starters import demo_houses, new_house
from obtegum.core.rooms.strength.diagrams import bending, pressing
from obtegum.core.rooms.strength.found import (
    bow_found,
    end_found,
    factors_of,
    hung_share,
    joint_share,
    post_share,
    post_use,
    short_found,
    why_unknown,
)
from obtegum.core.rooms.strength.judged import verdicts
from obtegum.core.rooms.strength.loads import weathered
from obtegum.core.rooms.strength.model import model_of, sections_of
from obtegum.core.rooms.strength.step import most_moved
from obtegum.core.rooms.weather.found import missing
from obtegum.core.values.amount import amount_text
from obtegum.core.values.catalogue import default_catalogue
from obtegum.core.values.quantity import FOOT_M, INCH_M
from obtegum.core.values.trouble import DesignError
from tests.conftest import answer, make_bench, make_house, make_plan, verdict
from tests.core.test_counts import changed, planned, refused

TOLD = {
    "ground_snow_pa": 500.0,
    "wind_mps": 30.0,
    "openness": "country",
    "shelter": "part",
    "use": "plants",
    "heat": "none",
    "film": "on",
    "sides": "cleared",
}
STOUT = {
    "bows__making": "rolls",
    "bows__tube": "water-1-1-2",
    "posts__tube": "post-2-3-8",
    "bows__max_spacing_m": 0.9,
    "size__span_m": 4.0,
    "size__shape": {"kind": "round_on_legs", "leg_m": 0.6},
}


def told(**changes: Any) -> dict[str, Any]:
    return {**STOUT, "weather": {**TOLD, **changes}}


def test_a_new_house_asks_one_question_and_knows_nothing() -> None:
    found = verdict(make_plan(), "frame")
    assert (found.level, found.rank, found.ratio) == ("unknown", "stands", None)
    assert found.sentence.endswith("How much snow does your local figure put on the ground?")
    assert "%" not in found.sentence


@pytest.mark.parametrize("name", [name for name in TOLD if name != "sides"])
def test_every_figure_that_is_missing_leaves_it_unknown(name: str) -> None:
    weather = {key: value for key, value in TOLD.items() if key != name}
    plan = make_plan(**STOUT, weather=weather)
    assert verdict(plan, "frame").level == "unknown"
    assert [each.measure for each in missing(make_bench(**STOUT, weather=weather))] == [name]


def test_the_european_method_asks_less_and_the_engineer_only_for_pressures() -> None:
    few = {key: value for key, value in TOLD.items() if key not in ("use", "heat")}
    assert verdict(make_plan(**STOUT, tape__units="metric", weather=few), "frame").level != "unknown"
    given = {"method": "given", "even_pa": 300.0, "drift_pa": 400.0, "up_pa": 400.0, "across_pa": 300.0}
    plan = make_plan(**STOUT, weather=given)
    assert verdict(plan, "frame").level != "unknown"
    assert missing(make_bench(**STOUT, weather={**given, "up_pa": None}))[0].measure == "up_pa"


def test_made_up_weather_marks_every_figure() -> None:
    plan = make_plan(**STOUT, weather={"stand_in": "plain"})
    assert verdict(plan, "frame").sentence.startswith("Made-up weather, not for building.")
    step = next(each for each in plan.steps if each.id == "weather")
    assert next(each.note for each in step.answers if each.label.startswith("pg,")) == "made up, not for building"
    own = make_plan(**STOUT, weather={**TOLD, "stand_in": "plain", "snow_from": "county map, made up for a test"})
    assert "Made-up" not in verdict(own, "frame").sentence
    step = next(each for each in own.steps if each.id == "weather")
    assert next(each.note for each in step.answers if each.label.startswith("pg,")).startswith("county map")


def test_what_governs_is_said_with_weather_place_and_share() -> None:
    plan = make_plan(**told())
    found = verdict(plan, "frame")
    assert re.search(r"uses \d+ % of its strength|would need [\d.]+ times its strength", found.sentence)
    assert re.search(r"left|right|crown", found.sentence)
    assert re.search(r"snow|wind", found.sentence)
    assert "sides cleared" in found.sentence
    assert "licensed engineer decide" in found.sentence
    assert "safe" not in found.sentence


def test_the_bow_stands_on_its_posts_from_the_ground_up() -> None:
    model = model_of(make_bench(**told()))
    nodes = model.frame.nodes
    assert nodes[0] == pytest.approx([-2.0, 0.0])
    assert nodes[-1] == pytest.approx([2.0, 0.0])
    assert nodes[:, 1].max() == pytest.approx(2.6)
    # A mirror image from end to end, whatever was rounded on the way.
    np.testing.assert_allclose(nodes[:, 0], -nodes[::-1, 0], atol=1e-9)
    # Below the bow's end the post carries alone; where both lap, the stiffer of them.
    low = (nodes[1:, 1] + nodes[:-1, 1]) / 2 < 16 * INCH_M
    assert (model.which[low] == 1).all()


def test_the_wall_of_welded_tube_counts_by_its_least() -> None:
    section, _ = sections_of(make_bench())
    assert section.wall_m == pytest.approx(0.93 * 0.065 * INCH_M)
    own = {"own_tubes": [{"od_m": 0.035, "wall_m": 0.002}], "bows__tube": "own:1"}
    assert sections_of(make_bench(**own))[0].wall_m == pytest.approx(0.93 * 0.002)
    # Measured at its cut ends, all of it counts.
    assert sections_of(make_bench(**own, strength={"wall": "measured"}))[0].wall_m == 0.002
    # What is taken off for rust comes off the yield.
    rusty = sections_of(make_bench(strength={"less_share": 0.25}))[0]
    assert rusty.yield_pa == pytest.approx(0.75 * section.yield_pa)


@pytest.mark.parametrize(
    ("one", "other"),
    [
        ({}, {"ground_snow_pa": 700.0}),
        ({}, {"wind_mps": 36.0}),
        ({}, {"openness": "coast"}),
        ({}, {"use": "people"}),
        ({}, {"sides": "free"}),
        ({"film": "off"}, {}),
        ({}, {"sides": "blocked"}),
    ],
)
def test_harder_weather_never_uses_less(one: dict[str, Any], other: dict[str, Any]) -> None:
    before, after = bow_found(make_bench(**told(**one))), bow_found(make_bench(**told(**other)))
    assert before is not None and after is not None
    # Where loads break elsewhere nodes lie elsewhere, which is seen in the fifth digit.
    assert after.ratio >= before.ratio * (1 - 1e-4)


def test_closer_bows_and_stronger_tube_use_less() -> None:
    wide, close = (bow_found(make_bench(**{**told(), "bows__max_spacing_m": spacing})) for spacing in (1.5, 0.6))
    assert wide is not None and close is not None
    assert close.ratio < wide.ratio
    thin = bow_found(make_bench(**{**told(), "bows__tube": "rail-1-3-8"}))
    stout = bow_found(make_bench(**told()))
    assert thin is not None and stout is not None
    assert stout.ratio < thin.ratio


def test_the_end_bow_takes_half_a_bay() -> None:
    bench = make_bench(**told())
    bow, end = bow_found(bench), end_found(bench)
    assert bow is not None and end is not None
    assert bow.found is not None and end.found is not None
    assert end.ratio < bow.ratio
    assert np.abs(end.found.ground[:, :, 1]).max() < np.abs(bow.found.ground[:, :, 1]).max()


def test_feet_carry_what_lies_on_the_bow() -> None:
    # Even snow alone: what both feet are pressed by is the snow on plan, the cover and the tube, to the pound.
    bench = make_bench(**told())
    judged = bow_found(bench)
    assert judged is not None and judged.found is not None
    weather = judged.weathered
    row = next(place for place, combo in enumerate(weather.combos) if combo.name == "D+S" and "even" in combo.words)
    model, bay = judged.model, 57 * FOOT_M / 20
    snow = -float((weather.cases[0].per_area[:, 1] * model.outline.length).sum()) * bay
    own = np.where(model.which == 0, *(section.weight_n_per_m for section in sections_of(bench)))
    dead = float(((own + 5.0 * bay) * model.outline.length).sum())
    assert judged.found.ground[row, :, 1].sum() == pytest.approx(snow + dead)


def test_a_post_bends_in_the_ground_by_a_quarter_of_its_depth() -> None:
    bench = make_bench(**told())
    judged, post = bow_found(bench), post_use(bench)
    assert judged is not None and judged.found is not None and post is not None
    # 0.26·P·d against bending, with half of the share of its force, at the foot and in the weather that it names; what
    # wasn't solved to the end is taken up by 1/(1 − 1.6/(0.8·λ)).
    found, strength, shares = judged.found, allowable(sections_of(bench)[1]), list[float]()
    for row, combo in enumerate(judged.weathered.combos):
        if combo.words != post[1]:
            continue
        feet = found.ground[row] / (1 - 2 / found.factor[row])
        if row in found.rows:
            feet = found.feet[list(found.rows).index(row)]
        push, down = np.abs(feet).T
        bent, pressed = pole_bent() * push * 26 * INCH_M / strength.moment_nm, down / strength.squash_n
        assert pressed.max() < 0.2
        shares += list(pressed / 2 + bent)
    assert post[0] == pytest.approx(max(shares))
    assert post_use(make_bench(**{**told(), "posts__stand": "slab"})) is None


def test_a_hole_below_the_ground_leaves_the_post_less() -> None:
    # Pushed at the ground a pole bends by P·d·(ζ − 3ζ³ + 2ζ⁴), most at ζ = 0.4215; a 9 mm hole in the plane of bending
    # takes dh·t·(D − t) off its modulus. Posts of 48 in, 22 in out: a bolt 30 in down is 8 in below ground, ζ = 8/26.
    assert pole_bent() == pytest.approx(0.26, abs=1e-4)
    step = np.linspace(0, 1, 20001)
    pushed = 18 * step - 24 * step**2
    shear = 1 - np.cumsum(pushed) * (step[1] - step[0])
    bent = np.cumsum(shear) * (step[1] - step[0])
    assert [pole_bent(share) for share in (0.2, 0.5, 2 / 3)] == pytest.approx(
        [float(bent[int(share * 20000)]) for share in (0.2, 0.5, 2 / 3)], abs=2e-4
    )
    plain = make_bench(**told())
    deep = make_bench(**told(), posts__bolt_m=30 * INCH_M, bows__insertion_m=36 * INCH_M)
    section = sections_of(deep)[1]
    left = 1 - 0.009 * section.wall_m * (section.od_m - section.wall_m) / section.plastic_m3
    expected = max(0.26, pole_bent(8 / 26) / left) / 0.26
    assert expected > 1.05
    uses = [post_share(each, bow_found(plain)) for each in (plain, deep)]  # type: ignore[arg-type]
    assert uses[1][0] / uses[0][0] == pytest.approx(expected, rel=0.03)
    # A hole over the ground is the bow's affair.
    high = make_bench(**told(), posts__bolt_m=2 * INCH_M)
    assert post_share(high, bow_found(plain))[0] == uses[0][0]  # type: ignore[arg-type]


def test_a_foot_that_stands_out_least_is_looked_at_too() -> None:
    # Level ground: one foot is as the others. A fall of 0.6 m: posts stand out by as much more at the low end, and
    # the shortest goes deepest.
    assert short_found(make_bench(**told())) is None
    heights = {f"{side}{number}": -0.03 * (number - 1) for side in "LR" for number in range(1, 22)}
    house = make_house(**told())
    record = SiteRecord.model_validate({"levels": {"pegs": {name: 1.0 - height for name, height in heights.items()}}})
    bench = begin(house, record, default_catalogue())
    bow, short, post = bow_found(bench), short_found(bench), post_use(bench)
    assert bow is not None and short is not None and post is not None
    assert bow.model.out_m - short.model.out_m == pytest.approx(0.6, abs=0.001)
    assert short.model.out_m == pytest.approx(house.posts.reveal_m)
    assert post[0] >= post_use(make_bench(**told()))[0] - 1e-9  # type: ignore[index]
    # The longer legs sway more: it is the foot furthest out that says what the bow uses.
    assert short.ratio <= bow.ratio


def test_what_covers_weigh_holds_nothing_down() -> None:
    bench = make_bench(**told())
    judged = bow_found(bench)
    assert judged is not None and judged.found is not None
    row = next(place for place, combo in enumerate(judged.weathered.combos) if combo.name == "less D+W")
    combo, model, bay = judged.weathered.combos[row], judged.model, 57 * FOOT_M / 20
    own = np.where(model.which == 0, *(section.weight_n_per_m for section in sections_of(bench)))
    [(place, factor)] = combo.parts
    wind = float((judged.weathered.cases[place].per_area[:, 1] * model.outline.length).sum()) * bay
    held = 0.6 * float((own * model.outline.length).sum())
    assert judged.found.ground[row, :, 1].sum() == pytest.approx(held - factor * wind)


def test_a_coefficient_of_ones_own_prints_with_its_reason() -> None:
    own = {"hill": 1.3, "hill_why": "ridge above the vale"}
    plain, house = make_plan(**told()), make_plan(**told(own=own))
    assert verdict(house, "frame").ratio > verdict(plain, "frame").ratio  # type: ignore[operator]
    assert "coefficients of your own (ridge above the vale)" in verdict(house, "frame").sentence
    lines = {each.label.split(",")[0]: each for each in next(s for s in house.steps if s.id == "weather").answers}
    assert lines["Kzt"].note == "your own: ridge above the vale"
    assert lines["Kzt"].value == 1.3
    assert lines["Kd"].note == "26.6"
    step = next(each for each in house.steps if each.id == "weather")
    assert "weather.own.hill_why" in step.measures
    assert "weather.own.centre_why" not in step.measures
    # A reason that nobody gave is said to be missing, and an engineer's pressures have no coefficients.
    assert "nobody says why" in verdict(make_plan(**told(own={"centre": -1.4})), "frame").sentence
    given = next(each for each in make_plan(**told(method="given", own=own)).steps if each.id == "weather")
    assert not any(each.startswith("weather.own") for each in given.measures)


def test_slid_snow_pushes_the_sides_in_unless_it_is_cleared() -> None:
    names = [case.name for case in weathered(make_bench(**told(sides="free"))).cases]  # type: ignore[union-attr]
    assert {"heap-left", "heap-right", "heap-both"} <= set(names)
    cleared = [case.name for case in weathered(make_bench(**told())).cases]  # type: ignore[union-attr]
    assert not any(name.startswith("heap") for name in cleared)
    apart = make_plan(**told(sides="beside", gap_m=1.0))
    assert "stand-in" in " ".join(each.note for step in apart.steps for each in step.answers if step.id == "weather")


def test_plastic_never_holds_under_snow_and_says_what_to_do() -> None:
    found = verdict(make_plan(bows__tube="pvc-1", weather=TOLD), "frame")
    assert found.level == "fails"
    assert "No code rates it: clear it" in found.sentence
    # What its feet ask for isn't reckoned.
    assert "plastic" in why_unknown(make_bench(bows__tube="pvc-1", weather=TOLD))


def test_remedies_are_tried_whole_before_they_are_offered() -> None:
    design = make_house(**{**told(ground_snow_pa=200.0, wind_mps=28.0), "bows__max_spacing_m": 2.6})
    assert verdict(planned(design), "frame").level == "fails"
    found = [each for each in find_remedies(design, SiteRecord(), default_catalogue()) if each.verdict == "frame"]
    assert found
    for remedy in found:
        cured = apply_edits(Job(design), remedy.edits, default_catalogue()).design
        assert verdict(planned(cured), "frame").level in ("holds", "tight")


def test_the_same_house_in_feet_and_metres_is_judged_alike() -> None:
    feet = bow_found(make_bench(**told(method="us")))
    metric = bow_found(make_bench(**told(method="us"), tape__units="metric"))
    assert feet is not None and metric is not None
    assert feet.ratio == metric.ratio


def test_a_change_that_cant_move_the_frame_keeps_what_was_found() -> None:
    design = make_house(**told())
    bench = begin(design, SiteRecord(), default_catalogue())
    before = bow_found(bench)
    other = design.model_copy(update={"inside": design.inside.model_copy(update={"crop_m": 1.1})})
    again = begin(other, SiteRecord(), default_catalogue(), bench)
    assert bow_found(again) is before
    wider = design.model_copy(update={"bows": design.bows.model_copy(update={"max_spacing_m": 0.8})})
    assert bow_found(begin(wider, SiteRecord(), default_catalogue(), bench)) is not before


@pytest.mark.parametrize(
    ("measure", "text", "says"),
    [
        ("weather.ground_snow_pa", "-3", "below zero"),
        ("weather.ground_snow_pa", "9000", "at the most"),
        ("weather.wind_mps", "0", "at the least"),
        ("weather.wind_mps", "fast", "Write a number, in mph"),
        ("weather.wind_mps", "40 kn", "Write it in mph"),
        ("strength.runs", "0", "at the least"),
        ("weather.snow_from", "x" * 121, "120 letters"),
    ],
)
def test_absurd_weather_is_refused_with_a_sentence(measure: str, text: str, says: str) -> None:
    assert says in refused(new_house("feet"), (measure, text)).troubles[0].sentence


def test_weather_is_typed_in_either_units() -> None:
    design = changed(new_house("feet"), ("weather.ground_snow_pa", "25"), ("weather.wind_mps", "40 m/s"))
    assert design.weather.ground_snow_pa == pytest.approx(25 * 47.880259)
    assert design.weather.wind_mps == 40
    metric = changed(new_house("metric"), ("weather.ground_snow_pa", "1.2"), ("weather.wind_mps", "90 mph"))
    assert metric.weather.ground_snow_pa == 1200
    assert metric.weather.wind_mps == pytest.approx(40.2336)


def test_loads_and_use_are_drawn_on_the_bow() -> None:
    plan = make_plan(**told())
    views = {drawing.view: drawing for drawing in plan.drawings}
    loads = [view for view in views if view.startswith("load:")]
    step = next(each for each in plan.steps if each.id == "strength")
    assert [each.view for each in step.how] == loads
    # Snow lies on the roof and hangs plumb; suction points away from the bow.
    snow = [item for item in views[loads[0]].items if item.kind == "arrow"]
    assert snow
    assert all(item.x0 == pytest.approx(item.x1) and item.y1 < item.y0 for item in snow)
    assert any(item.kind == "outline" and item.part == "use" for item in views["use"].items)
    assert any(item.kind == "handle" and item.measure == "size.shape.height_m" for item in views["use"].items)
    assert answer(plan, "strength", "reserve").endswith("×")


def test_bending_and_pressing_are_drawn_where_they_are() -> None:
    bench = make_bench(**told(wind_mps=20.0, ground_snow_pa=300.0))
    judged = bow_found(bench)
    assert judged is not None and judged.found is not None and judged.found.stands[judged.found.worst]
    row, nodes = judged.found.worst, judged.model.frame.nodes
    for view, most in (
        (bending, np.abs(judged.found.moment[row]).max()),
        (pressing, np.abs(judged.found.axial[row]).max()),
    ):
        drawing = view(bench)
        band = next(item for item in drawing.items if item.kind == "outline" and item.part.startswith("band"))
        path = np.array([(each.x, each.y) for each in band.path])
        beside = np.hypot(*(path[: len(nodes)] - path[len(nodes) :][::-1]).T)
        # The band is as wide as its force, the most of it 0.45 m; the largest figure is written.
        assert beside.max() == pytest.approx(0.45)
        kind = "torque" if view is bending else "force"
        assert any(item.kind == "note" and item.text == amount_text(most, kind, "feet", "up") for item in drawing.items)
        assert drawing.table
    # Snow that an engineer gave, even and heavy, stretches the crown's inside: the band lies below the tube there.
    given = {"method": "given", "even_pa": 700.0, "drift_pa": 0.0, "up_pa": 0.0, "across_pa": 0.0}
    calm = make_bench(**told(**given))
    even = bow_found(calm)
    assert even is not None and even.governs.words == "snow lying even"
    band = next(item for item in bending(calm).items if item.kind == "outline" and item.part == "band:torque")
    middle = len(model_of(calm).frame.nodes) // 2
    crown, beside = band.path[middle], band.path[-1 - middle]
    assert crown.y == pytest.approx(2.6)
    assert beside.y < crown.y - 0.2
    unknown = bending(make_bench())
    assert "isn’t known" in unknown.summary


def test_no_number_is_shown_where_forces_dont_balance(monkeypatch: pytest.MonkeyPatch) -> None:
    from obtegum.core.formulas.frame import analyse

    monkeypatch.setattr(analyse, "BALANCED", -1.0)
    plan = make_plan(**told())
    found = verdict(plan, "frame")
    assert (found.level, found.number) == ("unknown", "not known")
    assert "don’t balance" in found.sentence
    assert not next(each for each in plan.steps if each.id == "strength").answers


def test_what_is_taken_off_prints_with_its_reason() -> None:
    old = {"less_share": 0.2, "less_why": "rust at the shoulders"}
    rusty, sound = make_plan(**told(), strength=old), make_plan(**told())
    assert "20 % off: rust at the shoulders" in verdict(rusty, "frame").sentence
    assert verdict(rusty, "frame").ratio > verdict(sound, "frame").ratio


def test_forces_and_pressures_can_be_taken_away() -> None:
    from obtegum.core.rooms.strength.tables import TABLES

    along, pressures = (
        list(table.rows(make_bench(**told()))) for table in TABLES if table.name in ("strength", "pressures")
    )
    judged = bow_found(make_bench(**told()))
    assert judged is not None and judged.found is not None
    assert len(along) == len(pressures) == judged.model.frame.count + 1
    assert max(float(str(row[5])) for row in along[1:]) == pytest.approx(
        judged.found.use[judged.found.worst].max(), abs=1e-4
    )
    assert len(pressures[0]) == 2 + len(judged.weathered.cases)
    # Nothing is known, nothing is told but what the columns are.
    assert [len(list(table.rows(make_bench()))) for table in TABLES] == [1] * len(TABLES)


def test_what_gives_way_counts_by_its_buckling_and_its_first_forces() -> None:
    # A wide house of light tube in hard weather: much of it buckles, and some gives way though it wouldn't by its
    # first forces. What a frame does that finds no rest means nothing: it counts by what it lacks, and by no less than
    # its first forces use.
    design, record = demo_houses()[0]
    hard = design.model_copy(
        update={
            "weather": design.weather.model_copy(update={"stand_in": "plain"}),
            "bows": design.bows.model_copy(update={"tube": "post-2-3-8"}),
        }
    )
    judged = bow_found(begin(hard, record, default_catalogue()))
    assert judged is not None and judged.found is not None
    found = judged.found
    factor, fallen = found.factor[found.rows], ~found.stands
    assert (fallen & (factor < 2)).any()
    assert (fallen & (factor > 2)).any()
    least = np.maximum(2 / factor[fallen], 1.01)
    np.testing.assert_allclose(found.ratio[fallen], np.maximum(least, found.use[fallen].max(axis=1)))
    assert np.isfinite(found.moment).all() and float(found.ratio.max()) < 30


def test_a_bow_that_is_forced_in_is_not_known() -> None:
    # A former that leaves half a foot of each stick straight: its legs lean, and hands work them into their posts.
    formed = {**told(), "bows__making": "former", "bending__tail_m": 0.4}
    found = verdict(make_plan(**formed), "frame")
    assert (found.level, found.ratio) == ("unknown", None)
    assert "forced into its posts" in found.sentence
    assert verdict(make_plan(**told()), "frame").level != "unknown"


def test_bolts_and_corners_leave_no_more_than_a_joint() -> None:
    plain = model_of(make_bench(**told())).jointed
    bolted = model_of(make_bench(**told(), posts__bolt_m=2 * INCH_M, posts__stop="bolt")).jointed
    assert bolted.sum() >= plain.sum() + 4
    ridge = model_of(make_bench(size__shape={"kind": "gothic", "leg_m": 2 * FOOT_M, "height_m": 14 * FOOT_M}))
    crown = int(np.argmax(ridge.frame.nodes[:, 1]))
    assert ridge.jointed[crown] and not ridge.jointed[crown - 1] and not ridge.jointed[crown + 1]


def test_a_large_bolts_hole_leaves_less_than_a_joint() -> None:
    def uses(bolt_m: float) -> float:
        changes = {"posts__bolt_m": 2 * INCH_M, "hold": {"bolt_m": bolt_m}, "strength": {"joint_share": 1.0}}
        judged = bow_found(make_bench(**told(), **changes))
        assert judged is not None
        return judged.ratio

    # Z − dh·t·(D − t): 17 mm out of the bow's tube leave a good half, 9 mm three quarters.
    section = sections_of(make_bench(**told()))[0]
    left = 1 - 0.017 * section.wall_m * (section.od_m - section.wall_m) / section.plastic_m3
    assert 0.5 < left < 0.7
    assert uses(0.016) >= uses(0.008) - 1e-9
    bench = make_bench(**told(), posts__bolt_m=2 * INCH_M, hold={"bolt_m": 0.016}, strength={"joint_share": 1.0})
    assert joint_share(bench) <= left + 1e-9


def test_a_stub_of_the_bows_curve_is_as_strong_as_it_is() -> None:
    bench = make_bench(**told(), posts__stand="curve", posts__length_m=1.0)
    assert sections_of(bench)[1].od_m == pytest.approx(2.375 * INCH_M)


def test_far_beyond_its_strength_no_figure_is_given() -> None:
    # A light tube far apart in a hard winter: over ten times, and no other bow is looked at.
    light = {"bows__tube": "conduit-1", "posts__tube": "conduit-1-1-4", "bows__max_spacing_m": 3.0}
    bench = make_bench(**{**told(ground_snow_pa=6000.0), **light})
    judged, end = bow_found(bench), end_found(bench)
    assert judged is not None and end is not None and end.found is not None
    assert judged.ratio >= 10
    assert len(end.found.rows) == 0
    assert verdicts(bench)[0].number == "over 10 times"


def test_steel_is_as_stiff_as_its_code_says() -> None:
    for method, elastic in (("us", 200e9), ("eu", 210e9), ("given", 200e9)):
        assert sections_of(make_bench(weather={"method": method}))[0].elastic_pa == elastic


def test_an_own_tube_of_untold_yield_has_no_strength() -> None:
    own = {"own_tubes": [{"od_m": 0.0483, "wall_m": 0.003}], "bows__tube": "own:1"}
    house = {**told(), **own}
    found = verdict(make_plan(**house), "frame")
    assert found.level == "unknown" and "isn’t told" in found.sentence and "yield" in found.sentence
    own["own_tubes"][0]["yield_pa"] = 235e6  # type: ignore[index]
    assert verdict(make_plan(**house), "frame").level != "unknown"


def test_a_solid_bar_is_no_bow() -> None:
    with pytest.raises(DesignError, match="is solid"):
        make_plan(bows__tube="bar-3-4", posts__tube="post-1-5-8")


def test_the_crown_sinks_by_all_weathers_not_only_the_one_that_governs() -> None:
    # Wind governs; snow sinks the crown: worked anew on the whole stiffness, dead and even snow alone.
    bench = make_bench(**told(wind_mps=45.0))
    judged = bow_found(bench)
    assert judged is not None and judged.found is not None and "snow" not in judged.governs.words
    (drop, sinks_in), (sway, sways_in) = most_moved(bench, judged)
    assert "snow" in sinks_in and "wind" in sways_in
    model, weather = judged.model, judged.weathered
    row = next(place for place, combo in enumerate(weather.combos) if combo.words == sinks_in)
    crown = 3 * int(np.argmax(model.frame.nodes[:, 1])) + 1
    moved = factors_of(weather)[row] @ judged.found.moves
    assert drop == pytest.approx(-float(moved[crown]) / (1 - 1 / float(judged.found.factor[row])))
    governs = judged.found.moved[judged.found.worst]
    assert drop > max(-float(governs[crown]), 0.0) and sway > 0
    step = next(each for each in make_plan(**told(wind_mps=45.0)).steps if each.id == "strength")
    said = next(each for each in step.answers if each.id == "drop")
    assert said.value == pytest.approx(drop) and sinks_in in said.note


def test_a_crop_is_no_weight_by_the_european_code() -> None:
    # It comes and goes: 1.5 of it beside 1.35 of weight.
    hung = {"strength": {"lines": 4, "line_kg": 12.0}}
    eu = make_bench(**told(method="eu"), **hung)
    us = make_bench(**told(), **hung)
    assert (hung_share(eu), hung_share(us)) == (pytest.approx(1.5 / 1.35), 1.0)
    bare, loaded = (bow_found(make_bench(**told(method="eu"), **each)) for each in ({}, hung))
    assert bare and loaded and bare.found and loaded.found
    row = next(place for place, combo in enumerate(loaded.weathered.combos) if combo.name == "D")
    down = [float(each.found.ground[row, :, 1].sum()) for each in (bare, loaded)]  # type: ignore[union-attr]
    bay = bays_of(eu).bay_m
    assert down[1] - down[0] == pytest.approx(1.5 * 4 * 12.0 * 9.80665 * bay / bay, rel=0.02)


def test_a_house_taller_than_the_figure_says_so() -> None:
    tall = {**told(), "size__span_m": 4.0, "size__shape": {"kind": "gothic", "leg_m": 0.6, "height_m": 3.4}}
    assert "taller than figure 27.3-3" in verdict(make_plan(**tall), "frame").sentence
    low = {**told(), "size__span_m": 6.0, "size__shape": {"kind": "round_on_legs", "leg_m": 0.56}}
    assert "taller than" not in verdict(make_plan(**low), "frame").sentence
    eu = {**low, "weather": {**told()["weather"], "method": "eu"}}
    assert "taller than figure 7.11" in verdict(make_plan(**eu), "frame").sentence


def test_which_edition_a_snow_figure_is_from_is_asked_and_said() -> None:
    sheet = {each.symbol: each.clause for each in weathered(make_bench(**told())).sheet}  # type: ignore[union-attr]
    assert sheet["pg"].endswith("edition not told, taken as ASCE 7-16’s")
    of22 = weathered(make_bench(**told(snow_edition="7-22")))
    assert of22 is not None and "edition" not in next(each.clause for each in of22.sheet if each.symbol == "pg")
    step = next(each for each in make_plan(**told()).steps if each.id == "weather")
    assert "weather.snow_edition" in step.measures
    eu = next(each for each in make_plan(**told(method="eu")).steps if each.id == "weather")
    assert "weather.snow_edition" not in eu.measures and "weather.doors" in eu.measures


def test_both_habits_of_the_doors_are_shown() -> None:
    for habit, label in (("may", "Doors shut in every storm"), ("shut", "With doors open all the same")):
        plan = make_plan(**told(method="eu", doors=habit, wind_mps=28.0))
        step = next(each for each in plan.steps if each.id == "strength")
        other = next(each for each in step.answers if each.id == "otherwise")
        own = next(each for each in step.answers if each.id == "use")
        assert other.label == label
        assert other.value <= own.value if habit == "may" else other.value >= own.value
    assert ", doors shut in every storm" in verdict(plan, "frame").sentence
    us = next(each for each in make_plan(**told()).steps if each.id == "strength")
    assert not [each for each in us.answers if each.id == "otherwise"]
