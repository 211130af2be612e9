"""What holds a post, each formula against a value worked by hand with its clause."""

import math

import numpy as np
import pytest
from scipy.integrate import quad

from obtegum.core.formulas.anchor.concrete import bags_for, filled_m, hole_for, room_m3
from obtegum.core.formulas.anchor.links import (
    Sheet,
    bolt_shear,
    bolt_tears_out,
    bolt_walls,
    net_along,
    screw_shear,
)
from obtegum.core.formulas.anchor.pole import GIVES, bears, pole_depth, pole_shear
from obtegum.core.formulas.anchor.soil import Ground
from obtegum.core.formulas.anchor.uplift import LOOSE, TAMPED, concrete_weight, over_plate, shaft_friction
from obtegum.core.formulas.frame.section import round_section
from obtegum.core.values.catalogue import default_catalogue

CLAY = Ground(72e3, 12e3, 15.7e3, 16e3)
WET = Ground(72e3, 12e3, 15.7e3, 16e3, water_m=0.4)


def net_across(plastic_m3: float, hole_m: float, wall_m: float) -> float:
    """Plastic modulus with a hole through both walls across the plane of bending, m³: Z − t·dh²/2."""
    return plastic_m3 - wall_m * hole_m**2 / 2


def frustum_volume(radius_m: float, deep_m: float, lean_rad: float) -> float:
    """Soil over a round plate whose sides lean out as they rise, m³: πz/3·(r0² + r0·r1 + r1²)."""
    upper_m = radius_m + deep_m * math.tan(lean_rad)
    return math.pi * deep_m / 3 * (radius_m**2 + radius_m * upper_m + upper_m**2)


def test_soils_are_those_of_table_1806_2() -> None:
    soils = default_catalogue().soils
    # 1,500, 2,000 and 3,000 psf; 100, 150 and 200 psf a foot; friction a sixth of bearing, 24 kPa at the most.
    psf, psf_ft = 47.88, 47.88 / 0.3048
    for name, bearing, lateral in (("clay", 1500, 100), ("sand", 2000, 150), ("gravel", 3000, 200)):
        soil = soils[name]
        assert soil.bearing_pa == pytest.approx(bearing * psf, rel=0.01)
        assert soil.lateral_pa_m == pytest.approx(lateral * psf_ft, rel=0.01)
        assert soil.friction_pa == pytest.approx(min(soil.bearing_pa / 6, 24e3))


def test_friction_along_a_shaft() -> None:
    # A smooth tube of 60.3 mm, 0.9 m deep: π·0.0603·6 kPa·0.6 m = 0.682 kN; rough concrete of 250 mm 5.65 kN.
    assert shaft_friction(CLAY, 0.0603, 0.9, True) == pytest.approx(682, abs=1)
    assert shaft_friction(CLAY, 0.25, 0.9, False) == pytest.approx(5655, abs=1)
    assert shaft_friction(CLAY, 0.0603, 0.25, True) == 0
    # What was dug over holds nothing.
    dug = Ground(72e3, 12e3, 15.7e3, 16e3, disturbed_m=0.5)
    assert shaft_friction(dug, 0.0603, 0.9, True) == pytest.approx(682 * 0.4 / 0.6, abs=1)


def test_concrete_weighs_less_under_water() -> None:
    # 250 mm, 0.9 m, round a 60.3 mm tube: 0.04624 m² × 0.9 × 24 kN/m³ = 0.999 kN; 0.5 m under water 0.227 kN less.
    area = math.pi / 4 * (0.25**2 - 0.0603**2)
    assert concrete_weight(CLAY, 0.25, 0.0603, 0.0, 0.9) == pytest.approx(area * 0.9 * 24e3)
    assert concrete_weight(WET, 0.25, 0.0603, 0.0, 0.9) == pytest.approx(area * (0.9 * 24e3 - 0.5 * 9810))


def test_soil_over_a_plate_by_its_frustum() -> None:
    # A 200 mm plate 0.9 m deep, tamped: r0 = 0.1128, r1 = 0.1128 + 0.9·tan 20° = 0.4404; V = 0.2416 m³.
    radius = 0.2 / math.sqrt(math.pi)
    upper = radius + 0.9 * math.tan(TAMPED)
    volume = math.pi * 0.9 / 3 * (radius**2 + radius * upper + upper**2)
    assert volume == pytest.approx(0.2416, abs=0.0005)
    assert frustum_volume(radius, 0.9, TAMPED) == pytest.approx(volume)
    assert over_plate(CLAY, 0.2, 0.9, TAMPED, 5.0) == pytest.approx(volume * 16e3, rel=1e-9)
    assert over_plate(CLAY, 0.2, 0.9, LOOSE, 5.0) < over_plate(CLAY, 0.2, 0.9, TAMPED, 5.0)
    assert over_plate(CLAY, 0.2, 0.0, TAMPED, 5.0) == 0


@pytest.mark.parametrize(("spacing", "water"), [(0.5, None), (0.7, 0.4), (1.2, 0.2), (0.3, None)])
def test_neighbours_share_the_soil_between_their_plates(spacing: float, water: float | None) -> None:
    # By another way: slices of a strip of half a spacing to either side, over depth.
    ground = Ground(72e3, 12e3, 15.7e3, 16e3, water_m=water)
    radius, deep = 0.25 / math.sqrt(math.pi), 1.1

    def slice_area(depth: float) -> float:
        r = radius + (deep - depth) * math.tan(TAMPED)
        x = np.linspace(-min(r, spacing / 2), min(r, spacing / 2), 4001)
        return float(np.trapezoid(2 * np.sqrt(np.maximum(r**2 - x**2, 0)), x))

    def weight(depth: float) -> float:
        under = water is not None and depth > water
        return slice_area(depth) * (16e3 - (9810 if under else 0))

    parts = [(0.0, deep)] if water is None else [(0.0, water), (water, deep)]
    whole = sum(quad(weight, low, high, limit=200)[0] for low, high in parts)
    assert over_plate(ground, 0.25, deep, TAMPED, spacing) == pytest.approx(whole, rel=1e-3)


def test_a_pole_in_soil_by_1807_3_2_1() -> None:
    # 60.3 mm in clay, 0.8 m deep, pushed at the ground: S1 = 15.7·0.8/3 = 4.187 kPa; P = 4,187·0.0603·0.64/(2.34·0.8).
    push = pole_shear(CLAY, 0.0603, 0.8)
    assert push == pytest.approx(4187 * 0.0603 * 0.64 / (2.34 * 0.8), rel=1e-3)
    assert pole_shear(CLAY, 0.0603, 0.8, times=GIVES) == pytest.approx(2 * push)
    # The code's own way round, by iteration, comes back to the depth; a push higher up asks for more.
    assert pole_depth(CLAY, 0.0603, push) == pytest.approx(0.8, rel=1e-6)
    high = pole_shear(CLAY, 0.0603, 0.8, above_m=1.0)
    assert high < push / 2
    assert pole_depth(CLAY, 0.0603, high, above_m=1.0) == pytest.approx(0.8, rel=1e-6)
    # A top that was dug over holds nothing, and is a lever.
    dug = Ground(72e3, 12e3, 15.7e3, 16e3, disturbed_m=0.3)
    assert pole_shear(dug, 0.0603, 0.8) == pytest.approx(pole_shear(CLAY, 0.0603, 0.5, above_m=0.3))
    with pytest.raises(ValueError, match="no pole"):
        pole_depth(Ground(0, 0, 0, 0), 0.06, 100)


def test_a_foot_pressed_down() -> None:
    # The end of a 60.3 mm tube, closed: 2.856e-3 m² × 72 kPa = 0.206 kN, and friction of 0.682 kN.
    end = math.pi / 4 * 0.0603**2
    assert bears(CLAY, end, 0.0603, 0.9, True) == pytest.approx(205.6 + 682, abs=1)


def test_concrete_three_ways_round() -> None:
    # A 250 mm hole 0.6 m deep round a 60.3 mm tube: 27.74 L; bags of 12.5 L: 2.22, so three.
    room = room_m3(0.25, 0.0603, 0.6)
    assert room == pytest.approx(0.02774, abs=1e-5)
    assert bags_for(room, 0.0125) == 3
    assert bags_for(0.0, 0.0125) == 0
    # Two bags come to 0.541 m in it; the hole that they fill is 0.238 m across.
    assert filled_m(2, 0.0125, 0.25, 0.0603) == pytest.approx(0.5407, abs=1e-4)
    wide = hole_for(2, 0.0125, 0.0603, 0.6)
    assert room_m3(wide, 0.0603, 0.6) == pytest.approx(0.025)
    with pytest.raises(ValueError, match="something"):
        bags_for(room, 0.0)
    with pytest.raises(ValueError, match="deep"):
        hole_for(2, 0.0125, 0.06, 0.0)


def test_a_bolt_through_a_tube_by_j3_and_j7() -> None:
    # M8 in 42.4 × 2.0, Fy 235: 6.8 kN of its walls, 9.3 kN of the bolt; 20 mm clear to the end, Fu 360: 17.3 kN.
    assert bolt_walls(0.008, 0.002, 235e6) == pytest.approx(6768, abs=1)
    assert bolt_shear(0.008) == pytest.approx(9350, abs=1)
    assert bolt_tears_out(0.020, 0.002, 360e6) == pytest.approx(17280)
    # What its hole costs: 78 % left with the bolt in the plane of bending, 98 % across it.
    section = round_section(0.0424, 0.002, 235e6, 205e9)
    assert net_along(section.plastic_m3, 0.009, 0.002, 0.0424) / section.plastic_m3 == pytest.approx(0.78, abs=0.005)
    assert net_across(section.plastic_m3, 0.009, 0.002) / section.plastic_m3 == pytest.approx(0.98, abs=0.01)


def test_a_screw_by_aisi_j4() -> None:
    # No. 12 in 1.65 + 1.65 mm, Fu 310: 4.2·√(t³·d)·Fu/3 = 2.16 kN.
    wall = Sheet(0.00165, 310e6)
    assert screw_shear(0.00549, wall, wall) == pytest.approx(2157, abs=2)
    # Into a far wall 2.5 times as thick it doesn't tilt: 2.7·t1·d·Fu/3.
    thick = Sheet(0.00165 * 2.5, 310e6)
    assert screw_shear(0.00549, wall, thick) == pytest.approx(2.7 * 0.00165 * 0.00549 * 310e6 / 3)
    between = screw_shear(0.00549, wall, Sheet(0.00165 * 1.75, 310e6))
    assert screw_shear(0.00549, wall, wall) < between < screw_shear(0.00549, wall, thick) + 1e-9
    with pytest.raises(ValueError, match="covers"):
        screw_shear(0.010, wall, wall)


@pytest.mark.parametrize("seed", range(20))
def test_deeper_never_holds_less_and_wetter_never_more(seed: int) -> None:
    chance = np.random.default_rng(seed)
    water, dug = chance.uniform(0.1, 1.5), chance.uniform(0.0, 0.6)
    dry = Ground(72e3, 12e3, 15.7e3, 16e3, disturbed_m=dug)
    wet = Ground(72e3, 12e3, 15.7e3, 16e3, disturbed_m=dug, water_m=water)
    wetter = Ground(72e3, 12e3, 15.7e3, 16e3, disturbed_m=dug, water_m=water / 2)
    deep, wide, spacing = chance.uniform(0.3, 1.5), chance.uniform(0.05, 0.3), chance.uniform(0.4, 2.0)
    ways = (
        lambda ground, d: shaft_friction(ground, wide, d, True),
        lambda ground, d: concrete_weight(ground, wide + 0.1, 0.06, 0.0, d),
        lambda ground, d: over_plate(ground, wide, d, LOOSE, spacing),
        lambda ground, d: pole_shear(ground, wide, d),
        lambda ground, d: bears(ground, wide**2, wide, d, False),
    )
    for way in ways:
        assert way(dry, deep + 0.1) >= way(dry, deep)
        assert way(dry, deep) >= way(wet, deep) - 1e-9 >= way(wetter, deep) - 2e-9
