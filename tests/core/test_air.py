"""Air and heat: the heater by hand, what opens, and how hot a still day gets."""

import math

import pytest

from obtegum.core.rooms.air.found import breezy_k, heat_of, moved_m3_s, opens_of, still_k, sun_w
from obtegum.core.rooms.boards.found import opens_m
from obtegum.core.rooms.sides.found import opening_m, wound
from obtegum.core.values.trouble import DesignError
from tests.conftest import answer, make_bench, make_house, make_plan, verdict

HALF = {"size__span_m": 6.0, "size__length_m": 30.0, "size__shape": {"kind": "round_on_legs", "leg_m": 0.0},
        "posts__reveal_m": 0.3, "tape__units": "metric"}  # fmt: skip
NIGHT = {"cold_c": -5.0, "warm_c": 10.0}
ROLLS = {"boards": {"hip": "board", "hip_m": 1.4}, "cover": {"made": "apart", "edge": "hip"}}


def test_a_heater_by_hand() -> None:
    # Rule B21's own check: 6 × 30 m half circle, 15 degrees, one change an hour: 35 kW.
    work = make_bench(**HALF, air=NIGHT)
    heat = heat_of(work)
    assert heat is not None
    assert heat.all_w == pytest.approx(35e3, rel=0.02)
    # Ends π·9/2 each of U 6.8; air 0.33 of 424 m³; 72 m of edge at 1.38.
    assert heat.ends_w == pytest.approx(6.8 * math.pi * 9 * 15)
    assert heat.air_w == pytest.approx(0.33 * math.pi * 9 / 2 * 30 * 15)
    assert heat.ground_w == pytest.approx(1.38 * 72 * 15)
    two = heat_of(make_bench(**HALF, air=NIGHT, weather={"layers": "two"}))
    assert two is not None and two.cover_w / heat.cover_w == pytest.approx(4.0 / 6.8)
    windy = heat_of(make_bench(**HALF, air={**NIGHT, "place": "windy"}))
    assert windy is not None and windy.all_w == pytest.approx(1.2 * heat.all_w)
    screened = heat_of(make_bench(**HALF, air={**NIGHT, "screen": "drawn", "edge": "insulated"}))
    assert screened is not None and screened.ends_w == pytest.approx(0.65 * heat.ends_w)
    assert screened.ground_w == pytest.approx(heat.ground_w / 2)
    assert answer(make_plan(**HALF, air=NIGHT), "air", "heater").endswith("kW")


def test_no_heater_without_a_night_under_cloth_or_colder_than_it() -> None:
    assert heat_of(make_bench(**HALF, air={"cold_c": -5.0})) is None
    assert heat_of(make_bench(**HALF, air=NIGHT, weather={"cover": "cloth"})) is None
    with pytest.raises(DesignError, match="warmer than outside") as error:
        make_house(**HALF, air={"cold_c": 5.0, "warm_c": 4.0})
    assert error.value.troubles[0].path == "air.warm_c"


def test_what_opens_by_hand() -> None:
    work = make_bench(**ROLLS)
    opens = opens_of(work)
    # Rolled up, the curtain itself hangs in the way of what the boards leave open.
    assert opens.sides_m2 == pytest.approx(2 * opening_m(work) * work.design.size.length_m)
    assert opening_m(work) == pytest.approx(opens_m(work) - 2 * wound(work).radius_m)
    meshed = opens_of(make_bench(**ROLLS, air={"mesh_share": 0.5}))
    assert meshed.free_m2 == pytest.approx(opens.free_m2 / 2)
    assert opens_of(make_bench()).sides_m2 == 0


def test_a_still_day_carries_off_what_sun_brings() -> None:
    work = make_bench(**ROLLS)
    hot = still_k(work)
    assert 0 < hot < 60
    # At that warmth the air carries just what sun brings: (0.6/3)·A·√(g·h·ΔT/T), 1200 J/m³K.
    opens = opens_of(work)
    moved = 0.2 * opens.free_m2 * math.sqrt(9.80665 * opens.high_m * hot / 300)
    assert moved == pytest.approx(moved_m3_s(work, hot, breeze=False))
    assert 1200 * moved * hot == pytest.approx(sun_w(work, hot), rel=1e-6)
    let_in = 0.7 * 900 * 0.5 * opens.floor_m2
    assert sun_w(work, 0.0) == pytest.approx(let_in)
    # Shade and a breeze cool; an empty house and mesh warm.
    assert still_k(make_bench(**ROLLS, air={"shade_share": 0.5})) < hot
    assert breezy_k(work) <= hot
    assert still_k(make_bench(**ROLLS, air={"crop": "empty"})) > hot
    assert still_k(make_bench(**ROLLS, air={"mesh_share": 0.4})) > hot


def test_a_shut_house_is_told_and_nothing_before_its_cover() -> None:
    assert not [each for each in make_plan().verdicts if each.step == "air"]
    walls = {"ends": {side: {"kind": "framed", "door": "none"} for side in ("front", "back")}}
    shut = verdict(make_plan(cover={"made": "apart"}, **walls), "air-still")
    assert shut.level == "fails" and shut.rank == "comfort"
    open_ = verdict(make_plan(**ROLLS, **walls), "air-still")
    assert open_.ratio < shut.ratio and "with a breeze" in open_.sentence
