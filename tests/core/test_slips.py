"""Slips that once went through every test: each rule here by a figure that is worked by hand, or by statics."""

import math
from dataclasses import replace

import pytest

from obtegum.core.findings.skeleton.tubes import bow_tube, post_tube
from obtegum.core.formulas.frame.section import round_section
from obtegum.core.formulas.frame.steel import allowable, ultimate_pa
from obtegum.core.formulas.weather import en_wind
from obtegum.core.formulas.weather.place import Openness
from obtegum.core.rooms.air.found import between_layers, drips_at, fans_of
from obtegum.core.rooms.braces.found import along_of
from obtegum.core.rooms.carries.gust import blowing
from obtegum.core.rooms.hold.found import chain_of
from obtegum.core.rooms.strength.asks import parting_gust, real_gust
from obtegum.core.rooms.strength.found import bow_found
from obtegum.core.rooms.strength.loads import weathered
from obtegum.core.rooms.strength.plastic import Plastic
from obtegum.core.rooms.strength.propped import propped_found
from obtegum.core.rooms.weather.found import method_of
from tests.conftest import make_bench
from tests.core.test_air import HALF
from tests.core.test_hold import held
from tests.core.test_strength import told


def test_tension_is_allowed_by_its_omega() -> None:
    # 48.3 × 3.2 of 235 MPa: π/4·(48.3² − 41.9²) = 453.4 mm², Fy·A = 106.55 kN, over 1.67: 63.80 kN (AISC 360-16 D2).
    section = round_section(0.0483, 0.0032, 235e6, 200e9)
    assert allowable(section).tension_n == pytest.approx(63_800, rel=1e-3)
    assert allowable(section).squash_n == pytest.approx(63_800, rel=1e-3)


@pytest.mark.parametrize(
    ("where", "factor", "roughness_m", "peak_pa"),
    [("woods", 0.2154, 0.3, 586.9), ("country", 0.19, 0.05, 860.8), ("coast", 0.1560, 0.003, 1141.7)],
)
def test_european_wind_in_each_terrain(where: Openness, factor: float, roughness_m: float, peak_pa: float) -> None:
    # EN 1991-1-4, 4.3.2: kr = 0.19·(z0/0.05)^0.07, as its table 4.1 has categories III, II, 0; vb 26 m/s, 6 m up:
    # vm = kr·ln(z/z0)·vb, Iv = 1/ln(z/z0), qp = (1 + 7·Iv)·½·1.25·vm².
    log = math.log(6.0 / roughness_m)
    mean = factor * log * 26.0
    by_hand = (1 + 7 / log) * 0.625 * mean**2
    assert by_hand == pytest.approx(peak_pa, rel=2e-3)
    assert en_wind.peak_pressure(en_wind.Wind(26.0, where), 6.0) == pytest.approx(peak_pa, rel=2e-3)


def test_a_bolt_near_an_end_tears_out_of_what_is_left_clear() -> None:
    # 12 mm below the bow's end in a post that it enters by 152 mm: what is clear is less by half of the bolt.
    bench = make_bench(**held(posts__bolt_m=0.012))
    clear_m = 0.012 - bench.design.hold.bolt_m / 2
    tubes = (bow_tube(bench), post_tube(bench))
    least = min(1.2 * clear_m * 0.93 * tube.wall_m * ultimate_pa(tube.yield_pa) for tube in tubes)
    link = chain_of(bench, "row").links[0]
    assert "tearing out" in link.source
    assert link.holds_n == pytest.approx(least, rel=1e-6)


def test_what_steadies_the_bows_is_gathered_at_each_held_point() -> None:
    # A point that one run holds, halves of the next at its sides: one with a single run, two with three.
    one, three = (along_of(make_bench(**told(), strength={"runs": runs}, braces={"bays": 2})) for runs in (1, 3))
    assert one is not None and three is not None
    assert one.steadies_n > 0
    assert three.steadies_n / one.steadies_n == pytest.approx(2.0, rel=0.02)


def test_a_prop_carries_the_bows_between() -> None:
    # On each second or third bow it gets half of those at either side too, as far as the ridge run is stiff enough.
    wanted = list[float]()
    for every in (1, 2, 3):
        propped = propped_found(
            make_bench(**told(), strength={"prop": "each", "prop_every": every, "runs": 3}, soil={"kind": "clay"})
        )
        assert propped is not None
        wanted.append(propped.pressed_n)
    one, two, three = wanted
    assert two > 1.2 * one and three > 1.1 * one


def test_plastic_in_wind_fails_past_half_of_its_yield() -> None:
    found = Plastic(0.1, "", 0.3, "", 0.6, 1000.0, 0.0, 0.0, True)
    assert found.ratio == pytest.approx(0.6 / 0.5)
    assert replace(found, wind_yields=0.4).ratio == pytest.approx(0.8)
    # Snow over what it is rated for, and all of its yield in any weather, count beside it.
    assert replace(found, wind_yields=0.0, snow_pa=900.0).ratio == pytest.approx(0.9)
    assert replace(found, wind_yields=0.0, yields=0.95).ratio == pytest.approx(0.95)


def test_a_gust_lifts_a_foot_off_six_tenths_of_what_only_weighs() -> None:
    # ASCE 7-16, 2.4.1: held by 0.6·D and what holds it down; the first wind that lifts parts it.
    bench = make_bench(**told())
    judged = bow_found(bench)
    assert judged is not None and judged.found is not None
    each, cases = judged.found.each, judged.weathered.cases
    blows = [place for place, case in enumerate(cases) if case.kind == "wind" and not case.name.startswith("least")]
    shares = [
        (500.0 + 0.6 * own) / -wind
        for place in blows
        for own, wind in zip(each[0, :, 1], each[2 + place, :, 1], strict=True)
        if wind < 0
    ]
    assert parting_gust(bench, 500.0) == pytest.approx(real_gust(bench, min(shares)))


def test_a_real_gust_finds_the_frame_with_all_of_its_weight_and_with_six_tenths() -> None:
    # ASCE 7-16, 2.4.1: D + W and 0.6·D + W, each case of wind by itself; EN 1990 takes weight whole against it.
    for units, method, wanted in (("feet", "us", {1.0, 0.6}), ("metric", "eu", {1.0})):
        bench = make_bench(**told(), tape__units=units)
        weather, by = weathered(bench), method_of(bench)
        assert weather is not None and by.id == method
        blown = blowing(weather, "shut", 0.5, by.factors)
        assert blown.cases and all(len(combo.parts) == 1 and not combo.calm for combo in blown.combos)
        for place in range(len(blown.cases)):
            assert {combo.dead for combo in blown.combos if combo.parts[0][0] == place} == wanted


def test_fans_by_hand() -> None:
    # EP406: 0.0406 m³/s for each of 6 × 30 = 180 m² is 7.308, at a rise of 3.9 K; at 16 m long, under 30, 5.5/√16 more.
    fans = fans_of(make_bench(**HALF, air={"rise_k": 3.9, "fan_m3_s": 2.0, "inlet_share": 0.5}))
    assert fans.rule_m3_s == pytest.approx(7.308, rel=1e-3)
    # Sun: 900·0.7·½ W/m² with a full crop on 180 m² is 56.7 kW; 311 m² of cover and ends lose 6.8·3.9 W/m², 8.2 kW; the
    # rest goes out with 1200 J/m³K of air that is 3.9 K warmer.
    leafy = fans_of(make_bench(**HALF, air={"rise_k": 3.9, "crop": "full"}))
    assert leafy.balance_m3_s == pytest.approx((56.7e3 - 8.2e3) / 1200 / 3.9, rel=0.01)
    assert fans.count == math.ceil(fans.moves_m3_s / 2.0)
    # In at 3.5 m/s, through a louvre that is half open.
    assert fans.free_m2 == pytest.approx(fans.moves_m3_s / 3.5)
    assert fans.hole_m2 == pytest.approx(fans.moves_m3_s / 3.5 / 0.5)
    short = fans_of(make_bench(**{**HALF, "size__length_m": 16.0}, air={"rise_k": 3.9}))
    assert short.rule_m3_s == pytest.approx(0.0406 * 96 * 5.5 / 4, rel=1e-3)
    warmer = fans_of(make_bench(**HALF, air={"rise_k": 7.8}))
    assert warmer.rule_m3_s == pytest.approx(7.308 / 2, rel=1e-3)


def test_film_drips_by_hand() -> None:
    # 10 inside, −5 outside, U 6.8, 0.12 m²K/W inside: film of 10 − 0.816·15 = −2.24 °C. By Magnus,
    # exp(17.625·t/(243.04 + t)), 0.8488 there and 2.0068 at 10: from 42.3 % on.
    night = {"cold_c": -5.0, "warm_c": 10.0}
    assert drips_at(make_bench(**HALF, air=night)) == pytest.approx(0.4230, abs=5e-4)
    # Two films: U 4.0, 10 − 0.48·15 = 2.8 °C: 1.2223/2.0068.
    two = drips_at(make_bench(**HALF, air=night, weather={"layers": "two"}))
    assert two == pytest.approx(0.609, abs=1e-3)


def test_air_between_two_layers_by_hand() -> None:
    # Half a circle of 6 m over 30 m: π·3·30 = 282.7 m² (and the tube's half), a tenth of a metre apart; 60 Pa on a
    # radius of 3 m pull 180 N/m at each side.
    layers = between_layers(make_bench(**HALF, weather={"layers": "two"}))
    assert layers is not None
    assert layers[0] == pytest.approx(28.27, rel=0.02)
    assert layers[1] == pytest.approx(180.0, rel=0.02)
    assert between_layers(make_bench(**HALF)) is None
