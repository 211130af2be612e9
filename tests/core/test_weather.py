"""Snow and wind by two codes, each against a value worked by hand with its clause."""

import math
from dataclasses import replace
from itertools import pairwise

import numpy as np
import pytest

from obtegum.core.formulas.weather import asce_snow, asce_wind, en_snow, en_wind
from obtegum.core.formulas.weather.combine import combinations
from obtegum.core.formulas.weather.factors import ASCE, EN
from obtegum.core.formulas.weather.heaps import heap_cases, heap_height, least_gap
from obtegum.core.formulas.weather.outline import Outline, outline_of
from obtegum.core.formulas.weather.own import Own
from obtegum.core.formulas.weather.place import Opening
from obtegum.core.formulas.weather.pressure import Case, from_snow, from_wind


def half_circle(radius: float = 3.0, leg: float = 0.0, pieces: int = 720) -> Outline:
    turn = np.linspace(math.pi, 0, pieces + 1)
    arc = np.stack([radius * np.cos(turn), leg + radius * np.sin(turn)], axis=1)
    if leg:
        up = np.linspace(0, leg, 5)[:-1, None]
        side = np.ones_like(up) * radius
        arc = np.concatenate([np.hstack([-side, up]), arc, np.hstack([side, up[::-1]])])
    return outline_of(arc, 2 * radius, leg, leg + radius, False, False)


def gable(span: float = 6.0, leg: float = 1.0, rise: float = 1.5) -> Outline:
    half = span / 2
    corners = np.array([[-half, 0], [-half, leg], [0, leg + rise], [half, leg], [half, 0]])
    nodes = np.concatenate([np.linspace(a, b, 21)[:-1] for a, b in pairwise(corners)])
    return outline_of(np.concatenate([nodes, corners[-1:]]), span, leg, leg + rise, True, True)


def at(outline: Outline, values: np.ndarray, x: float, roof: bool = True) -> float:
    places = np.flatnonzero(outline.roof) if roof else np.arange(len(outline.x))
    return float(values[places[np.argmin(np.abs(outline.x[places] - x))]])


# What the bow next to an end carries of a house of 1.2 m bays, and what the end bow does.
INNER, END = (0.6, 1.8), (0.0, 0.6)
COLD = asce_snow.Site(1000.0, False, "none", "country", "part", True)


def test_flat_roof_snow_by_7_3_1() -> None:
    # 0.7 · Ce 1.0 · Ct 1.2 · Is 0.8 · 1.0 kPa.
    assert asce_snow.flat_roof_snow(COLD) == pytest.approx(672)
    people = asce_snow.Site(1000.0, True, "heated", "coast", "open", True)
    # Ce 0.8, Ct 0.85, Is 1.0.
    assert asce_snow.flat_roof_snow(people) == pytest.approx(0.7 * 0.8 * 0.85 * 1000)


@pytest.mark.parametrize(
    ("heat", "slides", "degrees", "factor"),
    [
        ("none", True, 15, 1.0),
        ("none", True, 42.5, 0.5),
        ("frost_free", True, 40, 0.5),
        ("none", False, 57.5, 0.5),
        # Film has no R of 5.3: a heated house takes the rough line, 30° to 70°.
        ("heated", True, 50, 0.5),
        ("none", True, 70, 0.0),
        ("none", True, 90, 0.0),
    ],
)
def test_slope_factor_by_figure_7_4_1(heat: str, slides: bool, degrees: float, factor: float) -> None:
    site = asce_snow.Site(1000.0, False, heat, "country", "part", slides)  # type: ignore[arg-type]
    assert float(asce_snow.slope_factor(site, degrees)) == pytest.approx(factor)


def test_even_and_drifted_snow_on_half_a_circle_by_figure_7_4_2() -> None:
    # R 3: 15° at x = 3·sin 15° = 0.776, 30° at 1.5, 70° at 2.819. Cs(30°) = 1 − 15/55.
    outline, flat, at_30 = half_circle(), 672.0, 672.0 * (1 - 15 / 55)
    even = asce_snow.even_snow(COLD, outline)
    assert at(outline, even, 0.0) == pytest.approx(flat)
    assert at(outline, even, 1.5) == pytest.approx(at_30, rel=0.01)
    # Half way from the 30° point to the 70° point: half of it.
    assert at(outline, even, (1.5 + 2.819) / 2) == pytest.approx(at_30 / 2, rel=0.02)
    assert at(outline, even, 2.95) == 0
    drift = asce_snow.drift(COLD, outline)
    assert at(outline, drift, -1.0) == 0
    assert at(outline, drift, 0.01) == pytest.approx(flat / 2, rel=0.02)
    # Twice pf·Cs(30°) over Ce at the 30° point.
    assert at(outline, drift, 1.5) == pytest.approx(2 * at_30, rel=0.01)
    assert at(outline, drift, 2.95) == 0
    near = asce_snow.drift(COLD, outline, near=True)
    assert at(outline, near, 2.95) == pytest.approx(2 * at_30, rel=0.01)


def test_ground_near_the_eaves_keeps_the_drift_out_to_them() -> None:
    names = [case.clause for case in asce_snow.snow_cases(COLD, half_circle(leg=0.8))]
    assert "ASCE 7-16, 7.6.2, ground near" in names
    assert "ASCE 7-16, 7.6.2, ground near" not in [
        case.clause for case in asce_snow.snow_cases(COLD, half_circle(leg=1.2))
    ]


def test_the_ridge_drift_by_7_7() -> None:
    # ℓu 6.1 m, pg 2 kPa, Is 0.8: √0.8·(0.195·6.1^⅓·51.8^¼ − 0.457); of Is 1.0 it is 0.50 m at 3.05 kN/m³.
    site = asce_snow.Site(2000.0, True, "none", "country", "part", True)
    height, density, reach = asce_snow.ridge_drift(site, gable())
    assert height == pytest.approx(0.50, abs=0.005)
    assert density == pytest.approx(3052)
    # s = 3/1.5 = 2: 8/3·0.5·√2.
    assert reach == pytest.approx(8 / 3 * height * math.sqrt(2))


def test_rafters_take_the_gable_rule() -> None:
    outline = gable()
    # 26.57°: Cs = 1 − 11.57/55; windward 0.3 of it; and Is·pg on the lee half of rafters under 6.1 m.
    cases = {case.name: case for case in asce_snow.snow_cases(COLD, outline)}
    even = 672 * (1 - (math.degrees(math.atan(0.5)) - 15) / 55)
    assert at(outline, cases["even"].shown, 1.0) == pytest.approx(even)
    assert at(outline, cases["drift-right1"].shown, -1.0) == pytest.approx(0.3 * even)
    assert at(outline, cases["drift-right1"].shown, 2.5) == pytest.approx(even)
    assert at(outline, cases["drift-right2"].shown, 1.0) == pytest.approx(800)
    assert at(outline, cases["drift-left2"].shown, -1.0) == pytest.approx(800)


def kneed(upper_deg: float = 23.5, lower_deg: float = 65.5, span: float = 6.0, lower: float = 1.6) -> Outline:
    """Two straight pieces a side, without legs."""
    half, up, low = span / 2, math.radians(upper_deg), math.radians(lower_deg)
    x, y = half - lower * math.cos(low), lower * math.sin(low)
    corners = np.array([[-half, 0], [-x, y], [0, y + x * math.tan(up)], [x, y], [half, 0]])
    nodes = np.concatenate([np.linspace(a, b, 41)[:-1] for a, b in pairwise(corners)])
    return outline_of(np.concatenate([nodes, corners[-1:]]), span, 0.0, float(corners[2, 1]), True, False)


def test_drifted_rafters_go_by_their_own_slope_whatever_is_steeper_below() -> None:
    # Upper piece 23.5°: s = 1/tan 23.5° = 2.300; the line from foot to ridge, beyond 30.2°, would leave the drift out.
    outline = kneed()
    height, density, reach = asce_snow.ridge_drift(COLD, outline)
    assert reach == pytest.approx(8 / 3 * height * math.sqrt(2.300), rel=1e-3)
    lee = asce_snow.gable(COLD, outline)[0]
    # pf·Cs(23.5°) and hd·γ/√s; windward 0.3·pf·Cs; below the elbow ps by its own slope, 65.5°: Cs = 4.5/55.
    flat = 672.0
    heaped = height * density / math.sqrt(2.300)
    assert at(outline, lee, 0.5) == pytest.approx(flat * (1 - 8.5 / 55) + heaped, rel=1e-3)
    assert at(outline, lee, -0.5) == pytest.approx(0.3 * flat * (1 - 8.5 / 55), rel=1e-3)
    assert at(outline, lee, 2.9) == pytest.approx(flat * 4.5 / 55, rel=1e-3)
    cases = [each.clause for each in asce_snow.snow_cases(COLD, outline)]
    assert sum("7.6.1" in clause for clause in cases) == 4
    # Steeper than 30.2° nothing drifts over the ridge; flatter than 15° the least snow counts.
    assert not any("7.6.1" in each.clause for each in asce_snow.snow_cases(COLD, kneed(31.0)))
    assert not any("7.3.4" in each.clause for each in asce_snow.snow_cases(COLD, outline))
    assert any("7.3.4" in each.clause for each in asce_snow.snow_cases(COLD, kneed(14.0)))


def gothic(rise: float, span: float = 6.0) -> Outline:
    """Two arcs that spring plumb and meet at a ridge."""
    radius = (span**2 / 4 + rise**2) / span
    turn = np.linspace(math.pi, math.pi - math.asin(rise / radius), 200)
    left = np.stack([radius - span / 2 + radius * np.cos(turn), radius * np.sin(turn)], axis=1)
    left[-1] = 0.0, rise
    return outline_of(np.concatenate([left, left[-2::-1] * [-1, 1]]), span, 0.0, rise, False, True)


def test_two_arcs_to_a_ridge_are_curved_and_never_simple_rafters() -> None:
    # The line from the 70° point to the ridge is beyond 30.2° at all heights that spring plumb.
    clauses = [each.clause for each in asce_snow.snow_cases(COLD, gothic(3.4))]
    assert any("7.6.2" in clause for clause in clauses)
    assert not any("7.6.1" in clause for clause in clauses)
    # A gable of the same width has both, and Is·pg on one half.
    assert len(asce_snow.gable(COLD, gable())) == 2
    assert len(asce_snow.gable(COLD, replace(gable(), straight=False))) == 1


def test_velocity_pressure_by_26_10() -> None:
    # Mean roof height 1.5 m counts as 4.6: Kz = 2.01·(4.6/274)^(2/9.5) = 0.850; q = 0.613·0.850·0.85·45².
    outline, wind = half_circle(), asce_wind.Wind(45.0, "country", 0.0, True, 20.0)
    kz = 2.01 * (4.6 / 274) ** (2 / 9.5)
    assert kz == pytest.approx(0.850, abs=0.001)
    assert asce_wind.velocity_pressure(wind, outline) == pytest.approx(0.613 * kz * 0.85 * 2025)
    high = asce_wind.Wind(45.0, "country", 1500.0, True, 20.0)
    assert asce_wind.velocity_pressure(high, outline) / asce_wind.velocity_pressure(wind, outline) == pytest.approx(
        math.exp(-0.1785)
    )


def test_arch_factors_by_figure_27_3_3() -> None:
    # From the ground, rise over span 0.5: 0.7, −1.2, −0.5.
    windward, centre, leeward, rise, walls = asce_wind.arch_factors(half_circle())
    assert (windward, centre, leeward, rise, walls) == ([pytest.approx(0.7)], pytest.approx(-1.2), -0.5, 0.5, False)
    # On legs of 1.5 m under 3 m of rise: 2.75·0.5 − 0.7.
    windward, centre, _, _, walls = asce_wind.arch_factors(half_circle(leg=1.5))
    assert (windward, centre, walls) == ([pytest.approx(0.675)], pytest.approx(-1.2), True)


def test_wind_from_the_left_with_an_end_open() -> None:
    outline, wind = half_circle(), asce_wind.Wind(45.0, "country", 0.0, True, 20.0)
    q = asce_wind.velocity_pressure(wind, outline)
    cases = {case.name: case for case in asce_wind.wind_cases(wind, outline, INNER)}
    # Outward: −q·(G·Cp − GCpi), G not on the inside: 0.85·0.7 = 0.595 pressed in, 0.55 pressed out.
    opened = cases["left-across+0.55"].shown
    assert at(outline, opened, -2.9) == pytest.approx(q * (0.55 - 0.595))
    assert at(outline, opened, 0.0) == pytest.approx(q * (0.85 * 1.2 + 0.55))
    assert at(outline, opened, 2.9) == pytest.approx(q * (0.85 * 0.5 + 0.55))
    np.testing.assert_allclose(cases["right-across+0.55"].shown, opened[::-1])
    # The doors cost this much at the crown.
    shut = cases["left-across+0.18"].shown
    assert at(outline, opened, 0.0) - at(outline, shut, 0.0) == pytest.approx(q * 0.37)


def test_wind_along_the_house_by_figure_27_3_1() -> None:
    # 20 m long, mean roof height 1.5: −0.9 over the first 1.5 m, −0.5 to 3 m; the strip of 0.6 to 1.8 m has three
    # quarters of the first. The other sign is −0.18 everywhere.
    outline, wind = half_circle(), asce_wind.Wind(45.0, "country", 0.0, True, 20.0)
    assert asce_wind.along_factors(wind, outline, INNER) == pytest.approx((-0.75 * 0.9 - 0.25 * 0.5, -0.18))
    assert asce_wind.along_factors(wind, outline, END)[0] == pytest.approx(-0.9)
    # As long as high: −1.3 over half of its height, −0.7 beyond; half way to it, half of the difference.
    cube, between = (asce_wind.Wind(45.0, "country", 0.0, True, long) for long in (1.5, 2.0))
    assert asce_wind.along_factors(cube, outline, (0.0, 1.5))[0] == pytest.approx(-1.0)
    assert asce_wind.along_factors(between, outline, END)[0] == pytest.approx((-0.9 - 1.3) / 2)
    q = asce_wind.velocity_pressure(wind, outline)
    cases = {case.name: case for case in asce_wind.wind_cases(wind, outline, END)}
    assert at(outline, cases["along+0.18"].shown, 0.0) == pytest.approx(q * (0.85 * 0.9 + 0.18))
    assert at(outline, cases["along-less-0.55"].shown, 0.0) == pytest.approx(q * (0.85 * 0.18 - 0.55))


def test_wind_along_the_house_by_tables_7_4b_and_7_1() -> None:
    # e = min(6, 2·3) = 6: −1.4 to 0.6 m, then −0.8 (−0.9 from 45°) to 3 m; sides −1.2 to 1.2 m, −0.8 to 6 m.
    outline, wind = half_circle(), en_wind.Wind(26.0, "country")
    assert en_wind.along_factors(wind, outline, END) == pytest.approx((-1.4, -1.4, -1.2))
    assert en_wind.along_factors(wind, outline, INNER) == pytest.approx((-0.8, -0.9, -1.0))
    assert en_wind.along_factors(wind, outline, (0.3, 0.9))[0] == pytest.approx(-1.1)


def test_coefficients_of_ones_own_take_the_place_of_the_charts() -> None:
    outline = half_circle()
    own = Own(hill=1.2, windward=0.9, centre=-1.0, leeward=-0.4, along=-1.5, opened=0.3, drift=1.1)
    wind, plain = (asce_wind.Wind(45.0, "country", 0.0, True, 20.0, each) for each in (own, Own()))
    q = asce_wind.velocity_pressure(wind, outline)
    assert q == pytest.approx(1.2 * asce_wind.velocity_pressure(plain, outline))
    cases = {case.name: case for case in asce_wind.wind_cases(wind, outline, INNER)}
    across = cases["left-across+0.30"].shown
    assert [at(outline, across, x) / q for x in (-2.9, 0.0, 2.9)] == pytest.approx(
        [0.3 - 0.85 * 0.9, 0.3 + 0.85, 0.3 + 0.85 * 0.4]
    )
    assert at(outline, cases["along+0.30"].shown, 0.0) == pytest.approx(q * (0.3 + 0.85 * 1.5))
    # A hill multiplies speed in the European method, so its pressure by the square.
    windy, calm = (en_wind.Wind(26.0, "country", own=each) for each in (own, Own()))
    assert en_wind.peak_pressure(windy, 4.0) == pytest.approx(1.44 * en_wind.peak_pressure(calm, 4.0))
    assert en_wind.vault_factors(outline, own)[:3] == ([0.9], -1.0, -0.4)
    assert en_snow.vault_factor(en_snow.Site(1000.0, "part", True, own), outline) == 1.1
    # 1.1 of the flat roof's snow at the 30° point, in place of 2/Ce.
    drifted = asce_snow.drift(replace(COLD, own=own), outline)
    assert drifted.max() / asce_snow.drift(COLD, outline).max() == pytest.approx(1.1 / 2, rel=0.01)
    # Legs of a third of the height: walls, unless the user has them from a half.
    legged = half_circle(leg=1.5)
    assert asce_wind.arch_factors(legged)[4]
    assert not asce_wind.arch_factors(legged, Own(legs=0.5))[4]


def test_the_least_wind_pushes_the_projection() -> None:
    # 380 Pa on 3 m of rise, whatever the curve: 1,140 N a metre to the right.
    outline = half_circle()
    case = next(
        each
        for each in asce_wind.wind_cases(asce_wind.Wind(30, "country", 0, True, 20), outline, INNER)
        if each.name == "least-left"
    )
    assert float((case.per_area[:, 0] * outline.length).sum()) == pytest.approx(380 * 3.0, rel=0.001)


def test_european_snow_on_a_vault() -> None:
    # h/b = 0.5: μ3 = 0.2 + 5 → 2.0; the 60° points at 3·sin 60° = 2.598, peaks at 1.299.
    outline, site = half_circle(), en_snow.Site(1000.0, "part", True)
    assert en_snow.vault_factor(site, outline) == 2.0
    even = site.laid_pa * en_snow.even_factor(site, outline)
    assert at(outline, even, 2.5) == pytest.approx(800)
    assert at(outline, even, 2.7) == 0
    drift = en_snow.drift_factor(site, outline)
    assert at(outline, drift, 1.299) == pytest.approx(2.0, rel=0.01)
    assert at(outline, drift, -1.299) == pytest.approx(1.0, rel=0.01)
    assert at(outline, drift, 2.598 / 4) == pytest.approx(1.0, rel=0.02)
    held = en_snow.Site(1000.0, "open", False)
    assert held.laid_pa == 800
    assert at(outline, en_snow.even_factor(held, outline), 2.9) == 0.8
    low = en_snow.vault_factor(site, outline_of(np.array([[-4, 0], [0, 0.8], [4, 0]]), 8.0, 0.0, 0.8, False, False))
    assert low == pytest.approx(0.2 + 10 * 0.1)


def test_european_peak_pressure() -> None:
    # Category II at 4 m, vb 26: kr 0.19, vm = 0.19·ln(80)·26 = 21.65, Iv = 1/ln 80 = 0.2282.
    wind = en_wind.Wind(26.0, "country")
    mean, turbulence = 0.19 * math.log(80) * 26, 1 / math.log(80)
    assert en_wind.peak_pressure(wind, 4.0) == pytest.approx((1 + 7 * turbulence) * 0.625 * mean**2)
    assert en_wind.peak_pressure(wind, 4.0) == pytest.approx(761, abs=1)
    # Below zmin it no longer falls.
    assert en_wind.peak_pressure(wind, 1.0) == en_wind.peak_pressure(wind, 2.0)


def test_european_vault_factors() -> None:
    # f/d = 0.5 from the ground: A 0.8, B −1.2, C −0.4.
    front, middle, back, walls = en_wind.vault_factors(half_circle())
    assert (front, middle, back, walls) == ([pytest.approx(0.8)], pytest.approx(-1.2), -0.4, False)
    # On legs A is looked at pushing and sucking.
    front, _, _, walls = en_wind.vault_factors(half_circle(leg=1.5))
    assert walls
    assert front[0] == pytest.approx(0.8)
    assert front[1] < front[0]


def test_an_opening_counts_by_what_lies_outside_it_in_that_wind() -> None:
    # 7.2.9(5), 0.9 of it. 6 m wide, 3 m high, 20 m long: across e = min(20, 6) = 6, zone A 1.2 m deep; B beyond.
    outline, middle = half_circle(), Opening("front", 2.4, 3.6, "end")
    corner = Opening("back", 0.4, 1.6, "end")
    wind = en_wind.Wind(26.0, "country", (middle, corner), 20.0)
    left, right = (dict(en_wind.inside(wind, outline, first)) for first in ("left", "right"))  # type: ignore[arg-type]
    # In the middle B whatever the wind; 0.8 m of 1.2 of the other in A where the wind meets it first, none from behind.
    assert sorted(left) == pytest.approx([-0.9 * (0.8 * 1.2 + 0.4 * 0.8) / 1.2, -0.72])
    assert sorted(right) == pytest.approx([-0.72])
    along = dict(en_wind.inside(wind, outline, "front"))
    assert {round(cpi, 6): words for cpi, words in along.items()} == {
        0.72: "windward end open",
        -0.45: "leeward end open",
    }
    # A side 20 m long, wind along: e = 6: 1.2 m of A, 4.8 m of B, 14 m of C; across D and E.
    side = replace(wind, openings=(Opening("left", 0.0, 20.0, "side"),))
    mean = (1.2 * -1.2 + 4.8 * -0.8 + 14 * -0.5) / 20
    assert [cpi for cpi, _ in en_wind.inside(side, outline, "back")] == [pytest.approx(0.9 * mean)]
    assert [cpi for cpi, _ in en_wind.inside(side, outline, "left")] == [pytest.approx(0.72)]
    assert [cpi for cpi, _ in en_wind.inside(side, outline, "right")] == [pytest.approx(-0.45)]
    # A user's own figure for the windward face goes for the others in proportion.
    own = replace(wind, openings=(middle,), own=Own(opened=0.6))
    assert [cpi for cpi, _ in en_wind.inside(own, outline, "left")] == [pytest.approx(-0.6)]


def test_with_an_end_open_wind_across_presses_the_windward_quarter_in() -> None:
    outline = half_circle()
    wind = en_wind.Wind(26.0, "country", (Opening("front", 2.4, 3.6, "end"),), 20.0)
    q = en_wind.peak_pressure(wind, 3.0)
    cases = {case.name: case for case in en_wind.wind_cases(wind, outline, INNER)}
    case = cases["left-across-0.72"]
    assert case.opened and not cases["left-across-0.30"].opened
    assert [at(outline, case.shown, x) / q for x in (-2.9, 0.0, 2.9)] == pytest.approx([-1.52, 0.48, -0.32])
    assert not any("across+0.72" in name or "across-0.45" in name for name in cases)
    assert {"along+0.72", "along-0.45"} <= set(cases)


def test_doors_shut_in_every_storm_are_an_accident_when_they_stand_open() -> None:
    outline = half_circle()
    wind = en_wind.Wind(26.0, "country", (Opening("front", 2.4, 3.6, "end"),), 20.0)
    snow = list(en_snow.snow_cases(en_snow.Site(1000.0, "part", True), outline))
    cases = [*snow, *en_wind.wind_cases(wind, outline, INNER)]
    usual, habit = (combinations(EN, cases, False, shut) for shut in (False, True))
    opened = {place for place, case in enumerate(cases) if case.opened}

    def factors(combos: object, kinds: set[int]) -> set[tuple[float, float]]:
        return {
            (combo.dead, factor)
            for combo in combos  # type: ignore[attr-defined]
            for place, factor in combo.parts
            if place in kinds
        }

    assert factors(usual, opened) == {(1.35, 1.5), (1.0, 1.5), (1.35, 0.9)}
    assert factors(habit, opened) == {(1.0, 1.0)}
    accidents = [combo for combo in habit if combo.accident]
    # Alone, with weight against it, and beside each of three snows at ψ1 0.2.
    assert len(accidents) == len(opened) * 5
    assert {factor for combo in accidents for place, factor in combo.parts if place < 3} == {0.2}
    assert {f for c in combinations(EN, cases, True, True) if c.accident for p, f in c.parts if p < 3} == {0.5}
    # Other methods know no such habit.
    assert not any(combo.accident for combo in combinations(ASCE, cases, False, True))


def test_by_the_open_sea_the_country_is_terrain_0() -> None:
    # z0 0.003, zmin 1: kr = 0.19·(0.003/0.05)^0.07 = 0.1560; at 4 m vm = 0.156·ln(1333)·26 = 29.19, Iv = 1/7.195.
    wind, kr = en_wind.Wind(26.0, "coast"), 0.19 * (0.003 / 0.05) ** 0.07
    mean, turbulence = kr * math.log(4 / 0.003) * 26, 1 / math.log(4 / 0.003)
    assert kr == pytest.approx(0.1560, abs=1e-4)
    assert en_wind.peak_pressure(wind, 4.0) == pytest.approx((1 + 7 * turbulence) * 0.625 * mean**2)
    assert en_wind.peak_pressure(wind, 0.5) == en_wind.peak_pressure(wind, 1.0)


def test_snow_of_strength_counts_by_seven_tenths_and_for_its_use() -> None:
    # A figure of ASCE 7-22: no Is, and 0.7S, 0.75·0.7S beside wind.
    site = replace(COLD, of_strength=True)
    assert asce_snow.flat_roof_snow(site) == pytest.approx(0.7 * 1.0 * 1.2 * 1000)
    outline = half_circle()
    cases = [*asce_snow.snow_cases(site, outline), *heap_cases(outline, 1.0)]
    cases += list(asce_wind.wind_cases(asce_wind.Wind(30, "country", 0, True, 20), outline, INNER))
    kinds = {place: case.kind for place, case in enumerate(cases)}
    factors = {
        (kinds[place], round(factor, 6))
        for combo in combinations(ASCE, cases, False, of_strength=True)
        for place, factor in combo.parts
    }
    assert factors == {("snow", 0.7), ("heap", 0.7), ("snow", 0.525), ("wind", 0.6), ("wind", 0.45)}


def test_slid_snow_pushes_a_bare_roof_in_too() -> None:
    outline = half_circle(leg=1.0)
    snow = list(asce_snow.snow_cases(COLD, outline))
    combos = combinations(ASCE, [*snow, *heap_cases(outline, 1.2)], False)
    bare = [combo for combo in combos if combo.name == "D+H"]
    assert [combo.parts for combo in bare] == [((len(snow) + place, 1.0),) for place in range(3)]
    assert all("the roof bare" in combo.words and combo.calm for combo in bare)


def test_slid_snow_by_hand() -> None:
    # pf 1 kPa over 6 m: 1 m² a metre, heaped 1.25 m high, pushing ½·0.5·4·1.25² = 1.56 kN a metre.
    height = heap_height(1000.0, 0.0, 6.0, None)
    assert height == pytest.approx(1.25, abs=0.005)
    outline = half_circle(leg=1.5)
    push = next(heap_cases(outline, height))
    total = float((push.per_area[:, 0] * outline.length).sum())
    assert total == pytest.approx(1562, rel=0.05)
    # Two houses 1 m apart: 2/1 + tan 38°/4.
    assert heap_height(1000.0, 0.0, 6.0, 1.0) == pytest.approx(2.195, abs=0.001)
    gap = least_gap(1000.0, 0.0, 6.0, 1.5)
    assert gap is not None
    assert heap_height(1000.0, 0.0, 6.0, gap) == pytest.approx(1.5, abs=1e-6)
    assert least_gap(1000.0, 0.0, 6.0, 1.2) is None


def test_combinations_by_2_4_1_and_6_10() -> None:
    outline = half_circle(pieces=8)
    nothing = np.zeros(8)
    cases: list[Case] = [
        from_snow(outline, "even", "snow", "", nothing),
        from_wind(outline, "left", "wind", "", nothing),
    ]
    us = {(combo.name, combo.dead, combo.parts) for combo in combinations(ASCE, cases, False)}
    assert us == {
        ("D", 1.0, ()),
        ("D+S", 1.0, ((0, 1.0),)),
        ("D+W", 1.0, ((1, 0.6),)),
        ("less D+W", 0.6, ((1, 0.6),)),
        ("D+S+W", 1.0, ((0, 0.75), (1, 0.45))),
    }
    eu = {(combo.name, combo.dead, combo.parts) for combo in combinations(EN, cases, False)}
    assert eu == {
        ("D", 1.35, ()),
        ("D+S", 1.35, ((0, 1.5),)),
        ("D+W", 1.35, ((1, 1.5),)),
        ("less D+W", 1.0, ((1, 1.5),)),
        ("D+S+W", 1.35, ((0, 1.5), (1, 0.9))),
        ("D+W+S", 1.35, ((1, 1.5), (0, 0.75))),
    }
    high = {combo.parts for combo in combinations(EN, cases, True) if combo.name == "D+W+S"}
    assert high == {((1, 1.5), (0, 1.05))}
    assert [combo.calm for combo in combinations(ASCE, cases, False)] == [True, True, False, False, False]


def test_snow_hangs_plumb_and_wind_stands_square() -> None:
    outline = half_circle()
    snow = from_snow(outline, "", "", "", np.full(len(outline.x), 100.0))
    # On plan: 100 Pa over 6 m, none of it sideways.
    assert float((snow.per_area[:, 1] * outline.length).sum()) == pytest.approx(-600)
    assert not snow.per_area[:, 0].any()
    wind = from_wind(outline, "", "", "", np.full(len(outline.x), 100.0))
    # Even suction lifts by the width, and does not push sideways.
    assert float((wind.per_area[:, 1] * outline.length).sum()) == pytest.approx(600, rel=1e-4)
    assert float((wind.per_area[:, 0] * outline.length).sum()) == pytest.approx(0, abs=1e-9)
