"""What hangs on a bow, and cloth that wind goes through."""

import math
from itertools import pairwise
from typing import Any

import numpy as np
import pytest

from obtegum.core.findings.skeleton.bays import bays_of
from obtegum.core.findings.skeleton.runs import run_tube
from obtegum.core.formulas.frame.loads import loads_on
from obtegum.core.formulas.frame.solve import first_order
from obtegum.core.formulas.timber import column_n
from obtegum.core.rooms.soil.found import ground_of
from obtegum.core.rooms.strength.found import END_WALL_N_M, bow_found, counted, cover_n_m2, judged_on
from obtegum.core.rooms.strength.hung import hung_at, hung_loads, hung_n
from obtegum.core.rooms.strength.loads import end_weathered, weathered
from obtegum.core.rooms.strength.model import model_of, propped_model
from obtegum.core.rooms.strength.propped import propped_bows, propped_found
from obtegum.core.values.amount import parse_amount
from obtegum.core.values.quantity import INCH_M, LengthError
from tests.conftest import make_bench, make_plan, verdict
from tests.core.test_strength import told

CROP = {"lines": 4, "line_kg": 12.0, "baskets": 6, "basket_kg": 5.0}


@pytest.mark.parametrize("hang", ["runs", "ties", "crown"])
def test_all_that_hangs_is_on_the_frame(hang: str) -> None:
    bench = make_bench(
        **told(), strength={**CROP, "hang": hang, "runs": 3}, braces={"bays": 2, "ties": "collar", "tie_m": 1.9}
    )
    model = model_of(bench)
    loads = hung_loads(bench, model, 1.0)
    # 4 lines of 12 kg and 6 baskets of 5 kg: 78 kg.
    assert hung_n(bench) == pytest.approx(78 * 9.80665)
    assert -(loads[:, 1] * model.frame.lengths).sum() == pytest.approx(78 * 9.80665)
    assert np.abs(loads[:, 0]).max() == 0
    # Half of a bay hangs half of the lines on the end bow, and all of its baskets.
    half = hung_loads(bench, model, 0.5)
    assert -(half[:, 1] * model.frame.lengths).sum() == pytest.approx((24 + 30) * 9.80665)
    places = {"runs": 3, "ties": 2, "crown": 1}
    assert (np.abs(loads[:, 1]) > 0).sum() == 2 * places[hang]


def test_without_collars_nothing_hangs_from_them() -> None:
    assert hung_at(make_bench(**told(), strength={**CROP, "hang": "ties"})) == "runs"


def test_a_crop_never_makes_a_bow_use_less_under_what_lies_on_it() -> None:
    shares = []
    for count in (0, 10, 30):
        judged = bow_found(make_bench(**told(), strength={"baskets": count, "basket_kg": 8.0, "hang": "crown"}))
        assert judged is not None and judged.found is not None
        shares.append(judged.ratio)
    assert shares == sorted(shares)
    assert shares[-1] > shares[0]


def test_a_mass_overhead_wants_its_unit() -> None:
    assert parse_amount("12 kg", "hung", "feet") == 12.0
    assert parse_amount("10 lb", "hung", "metric") == pytest.approx(4.5359237)
    with pytest.raises(LengthError, match="lb or kg"):
        parse_amount("12", "hung", "metric")


def cloth(**changes: Any) -> dict[str, Any]:
    return told(cover="cloth", **changes)


def test_cloth_lets_wind_through_by_its_open_share() -> None:
    film, full, dry = (
        weathered(make_bench(**parts)) for parts in (told(), cloth(), cloth(cloth="dry", open_share=0.6))
    )
    assert film and full and dry
    lengths = [model_of(make_bench(**parts)).outline.length for parts in (told(), cloth())]
    for one, other, through in zip(film.cases, full.cases, dry.cases, strict=False):
        if one.kind == "wind":
            # Wet or iced it is as film, wherever nodes lie; dry 1 − 0.6² of it stays.
            whole = [each.per_area.T @ long for each, long in zip((one, other), lengths, strict=True)]
            np.testing.assert_allclose(whole[1], whole[0], rtol=2e-3, atol=0.5)
            np.testing.assert_allclose(through.per_area, 0.64 * other.per_area)
    said = next(each for each in dry.sheet if each.symbol == "kp")
    assert said.value == pytest.approx(0.64)
    assert "stand-in" in said.clause


def test_more_open_never_raises_wind_and_snow_lies_on_cloth_as_on_a_rough_roof() -> None:
    pushes = []
    for share in (0.0, 0.3, 0.6, 0.9, 1.0):
        weather = weathered(make_bench(**cloth(cloth="dry", open_share=share)))
        assert weather is not None
        blown = [case for case in weather.cases if case.kind == "wind" and "bare" not in case.name]
        pushes.append(max(float(np.abs(case.per_area).max()) for case in blown))
    assert pushes == sorted(pushes, reverse=True)
    assert pushes[-1] == 0
    film, net = (weathered(make_bench(**parts)) for parts in (told(), cloth()))
    assert film and net
    lies = [
        sum(float(-(case.per_area[:, 1]).sum()) for case in each.cases if case.name.startswith("even"))
        for each in (film, net)
    ]
    assert lies[1] >= lies[0] > 0
    assert math.isfinite(bays_of(make_bench(**cloth())).bay_m)


@pytest.mark.parametrize("method", ["us", "eu"])
@pytest.mark.parametrize("share", [0.0, 0.95, 1.0])
def test_however_open_a_cloth_is_its_bows_stand_in_the_wind(method: str, share: float) -> None:
    # 1.2·q·G·D on each metre of tube, no less than 770 Pa on what it covers; 1.2·qp·D by EN. 1.9 in of tube.
    bench = make_bench(**cloth(cloth="dry", open_share=share, method=method))
    weather, model = weathered(bench), model_of(bench)
    assert weather is not None
    bare = [each for each in weather.cases if each.name.endswith("-bare")]
    if share == 0.0:
        assert not bare
        return
    sheet = {each.symbol: each.value for each in weather.sheet}
    push = max(1.2 * sheet["q"] * 0.85, 770.0) if method == "us" else 1.2 * sheet["qp"]
    long_m, bay_m = float(model.frame.lengths.sum()), bays_of(bench).bay_m
    across = [float(case.per_area[:, 0] @ model.outline.length) * bay_m for case in bare]
    np.testing.assert_allclose(across, np.array([1, -1]) * push * 1.9 * INCH_M * long_m, rtol=2e-3)
    # The end bow, of half a bay, is a tube as thick.
    end = end_weathered(bench)
    assert end is not None
    one = next(each for each in end.cases if each.name == "left-bare")
    half = float(one.per_area[:, 0] @ model.outline.length) * bay_m / 2
    assert half == pytest.approx(across[0], rel=1e-6)
    judged = bow_found(bench)
    assert judged is not None and judged.found is not None and judged.found.ground[:, :, 0].min() < -10


def test_a_prop_only_presses() -> None:
    snowy = {**told(ground_snow_pa=2400.0), "bows__max_spacing_m": 1.4}
    plain, propped = bow_found(make_bench(**snowy)), propped_found(make_bench(**snowy, strength={"prop": "each"}))
    assert plain is not None and propped is not None and propped.judged.found is not None
    assert propped_found(make_bench(**snowy)) is None
    assert propped.judged.ratio < plain.ratio
    assert propped.pressed_n > 0
    bench = make_bench(**snowy, strength={"prop": "each"})
    model = model_of(bench)
    with_prop = propped_model(bench, model)
    frame = with_prop.frame
    assert frame.ties is not None
    crown = int(np.argmax(frame.nodes[:, 1]))
    # A weight at the crown goes into the prop, but for what the bow bears as it sinks by what the prop is pressed.
    nodal = np.zeros((1, 3 * (frame.count + 1)))
    nodal[0, 3 * crown + 1] = -1000.0
    found = first_order(frame, loads_on(frame, np.zeros((1, frame.count, 2)), nodal))
    assert frame.ties.pulled(found.moved)[0, -1] == pytest.approx(-1000, rel=0.01)
    # Lifted, it would pull: that weather is looked at without it.
    lifted = first_order(frame, loads_on(frame, np.zeros((1, frame.count, 2)), -nodal))
    assert frame.ties.pulled(lifted.moved)[0, -1] > 0
    plan = make_plan(**snowy, strength={"prop": "each"})
    assert "prop under each crown" in verdict(plan, "frame").sentence
    assert "tied so that lifting wind" in verdict(plan, "prop").sentence


def test_a_timber_column_by_hand() -> None:
    # 89 × 89 mm, 2.4 m, spruce-pine-fir no. 2, wet, snow: Fc* = 7.93·1.15·0.8·1.15; FcE = 0.822·3.168e9/(2.4/0.089)².
    starred, euler = 7.93e6 * 1.15 * 0.8 * 1.15, 0.822 * 3.52e9 * 0.9 / (2.4 / 0.089) ** 2
    x = (1 + euler / starred) / 1.6
    share = x - math.sqrt(x**2 - euler / starred / 0.8)
    assert column_n(0.089, 0.089, 2.4) == pytest.approx(starred * share * 0.089**2)
    # More slender than 50 is none.
    assert column_n(0.038, 0.089, 2.0) == 0


def test_a_bow_that_stands_by_dry_cloth_says_so() -> None:
    dry = verdict(make_plan(**cloth(cloth="dry")), "frame").sentence
    assert "while the cloth is dry and clean" in dry
    assert "while the cloth" not in verdict(make_plan(**cloth()), "frame").sentence


@pytest.mark.parametrize(("every", "sinks", "bends"), [(2, 1 / 48, 1 / 4), (3, 5 / 162, 1 / 3)])
def test_between_props_the_ridge_run_is_a_beam(every: int, sinks: float, bends: float) -> None:
    parts: dict[str, Any] = {**told(ground_snow_pa=2400.0), "bows__max_spacing_m": 1.4}
    bench = make_bench(**parts, strength={"prop": "each", "prop_every": every, "runs": 3}, soil={"kind": "clay"})
    propped, run, bay = propped_found(bench), counted(bench, run_tube(bench)), bays_of(bench).bay_m
    assert propped is not None and propped.ridge is not None and propped.plate_m is not None
    # A beam of bays between props by the force method, a weight of 1 N at each bow: it sinks by c·L³/(E·I).
    long, stiff = every * bay, run.elastic_pa * run.inertia_m4
    at = [bay * place for place in range(1, every)]
    sunk = sum(
        (long - max(x, at[0])) * min(x, at[0]) * (long**2 - (long - max(x, at[0])) ** 2 - min(x, at[0]) ** 2)
        for x in at
    ) / (6 * stiff * long)
    assert sunk == pytest.approx(sinks * long**3 / stiff)
    model = propped_model(bench, model_of(bench), 1 / sunk)
    crown = int(np.argmax(model.frame.nodes[:, 1]))
    nodal = np.zeros((1, 3 * (model.frame.count + 1)))
    nodal[0, 3 * crown + 1] = -1000.0
    assert model.frame.ties is not None
    found = first_order(model.frame, loads_on(model.frame, np.zeros((1, model.frame.count, 2)), nodal))
    # What it bears is its stiffness times what the crown sinks.
    borne = -model.frame.ties.pulled(found.moved)[0, -1]
    assert borne == pytest.approx(-found.moved[0, 3 * crown + 1] / sunk)
    assert 0 < borne < 1000
    assert propped.ridge.bent_nm > 0
    # Each prop bears its own bow and what comes to it from both sides.
    alone = propped_found(make_bench(**parts, strength={"prop": "each", "runs": 3}))
    assert alone is not None and alone.ridge is None and alone.plate_m is None
    assert propped.pressed_n == pytest.approx(
        alone.pressed_n + (every - 1) * propped.ridge.bent_nm / (bends * long), rel=1e-9
    )
    ground = ground_of(bench)
    assert ground is not None
    assert propped.plate_m**2 * ground.bearing_pa == pytest.approx(propped.pressed_n)


def test_without_a_run_at_the_ridge_nothing_bears_the_bows_between() -> None:
    parts: dict[str, Any] = {**told(ground_snow_pa=2400.0), "bows__max_spacing_m": 1.4}
    told_ = {"prop": "each", "prop_every": 2, "runs": 2}
    plain, propped = (
        bow_found(make_bench(**parts, strength={"runs": 2})),
        propped_found(make_bench(**parts, strength=told_)),
    )
    assert plain is not None and propped is not None and propped.ridge is not None
    assert propped.ridge.takes_nm == 0
    assert propped.judged.ratio == pytest.approx(plain.ratio)
    assert verdict(make_plan(**parts, strength=told_), "prop-ridge").level == "fails"


def test_props_stand_from_the_second_bow_to_the_last_but_one() -> None:
    bench = make_bench(**told(), strength={"prop": "each", "prop_every": 3})
    bows, props = bays_of(bench).bows, propped_bows(bench)
    assert props[0] == 2 and props[-1] == bows - 1
    assert max(high - low for low, high in pairwise(props)) <= 3
    assert propped_bows(make_bench(**told())) == ()


def test_a_second_layer_of_film_weighs_and_cloth_has_none() -> None:
    one, two, net = (
        cover_n_m2(make_bench(**told(**more))) for more in ({}, {"layers": "two"}, {"layers": "two", "cover": "cloth"})
    )
    # 0.2 mm of polyethylene at 920 kg/m³ is 1.8 N/m².
    assert two - one >= 0.0002 * 920 * 9.80665
    assert net == one


def test_beside_props_the_end_bows_are_judged_however_weak_the_others_would_be() -> None:
    weak = {**told(ground_snow_pa=9000.0), "bows__tube": "rail-1-3-8", "posts__tube": "post-1-5-8"}
    plain = bow_found(make_bench(**weak))
    assert plain is not None and plain.ratio >= 10
    bench = make_bench(**weak, strength={"prop": "each"})
    propped, bay = propped_found(bench), bays_of(bench).bay_m
    end = judged_on(bench, model_of(bench), end_weathered(bench), bay / 2, END_WALL_N_M)
    assert propped is not None and end is not None and end.found is not None
    assert propped.judged.ratio >= end.ratio > 1
