"""The frame against closed forms and against a general library; steel against values worked by hand."""

import math
from dataclasses import replace

import numpy as np
import pytest
from Pynite import FEModel3D
from scipy.linalg import eig, eigh

from obtegum.core.formulas.frame.analyse import Bow, _used, analyse
from obtegum.core.formulas.frame.balance import second_order
from obtegum.core.formulas.frame.buckling import critical_factors, least_factors
from obtegum.core.formulas.frame.loads import loads_on
from obtegum.core.formulas.frame.section import Section, round_section
from obtegum.core.formulas.frame.solve import Frame, first_order
from obtegum.core.formulas.frame.steel import allowable, euler_n, european, used
from obtegum.core.formulas.method import EUROPEAN, US, Method

TUBE = round_section(0.0483, 0.003, 235e6, 205e9)


def framed(nodes: np.ndarray, section: Section = TUBE, held: tuple[int, ...] = ()) -> Frame:
    count = len(nodes) - 1
    one, feet = np.ones(count), (0, 1, 3 * count, 3 * count + 1)
    return Frame(nodes, one * section.area_m2, one * section.inertia_m4, one * section.elastic_pa, held or feet)


def arch(pieces: int = 60, radius: float = 3.0) -> Frame:
    turn = np.linspace(math.pi, 0, pieces + 1)
    return framed(radius * np.stack([np.cos(turn), np.sin(turn)], axis=1))


def plan_load(frame: Frame, per_metre: float) -> np.ndarray:
    """A load down on each metre of plan, as one on each metre of the elements."""
    loads = np.zeros((1, frame.count, 2))
    loads[0, :, 1] = -per_metre * np.abs(np.diff(frame.nodes[:, 0])) / frame.lengths
    return loads


@pytest.mark.parametrize("pieces", [24, 48, 60, 96])
def test_two_hinged_half_circle_under_even_snow(pieces: int) -> None:
    # H = 4·w·R/(3π); the error of chords falls with the square of their number.
    found = first_order(frame := arch(pieces), loads_on(frame, plan_load(frame, 500.0)))
    exact = 4 * 500 * 3 / (3 * math.pi)
    assert found.feet[0, 0, 0] == pytest.approx(exact, rel=1.7 / pieces**2)
    assert found.feet[0, 0, 1] == pytest.approx(1500)
    assert found.off[0] < 1e-9


def test_two_hinged_half_circle_under_a_weight_at_its_crown() -> None:
    frame = arch(60)
    nodal = np.zeros((1, 183))
    nodal[0, 3 * 30 + 1] = -1000.0
    found = first_order(frame, loads_on(frame, np.zeros((1, 60, 2)), nodal))
    assert found.feet[0, 0, 0] == pytest.approx(1000 / math.pi, rel=1e-3)
    # M at the crown: P·R/2 − H·R.
    assert abs(found.moment[0, 30, 0]) == pytest.approx(1000 * 3 * (0.5 - 1 / math.pi), rel=2e-3)


def parabola_buckles(rise: float, pieces: int = 200) -> float:
    """w·L³/(E·I) at which a pinned parabola without stretch buckles under even load on plan.

    Found another way than the frame: the turn φ of each piece is unknown, u = −∫φ dy and v = ∫φ dx follow, and
    E·I·dφ/ds is the moment of the thrust line about the moved point, V·u − H·v + w·∫u dx, with what the feet add
    (dV·x − dH·y) so that both feet stay and the far one takes no moment.
    """
    x = np.linspace(0, 1, pieces + 1)
    y = 4 * rise * x * (1 - x)
    dx, dy, long = np.diff(x), np.diff(y), np.hypot(np.diff(x), np.diff(y))
    before = np.tril(np.ones((pieces + 1, pieces)), -1)
    u, v = -before * dy, before * dx
    swept = np.vstack([np.zeros(pieces), np.cumsum((u[1:] + u[:-1]) / 2 * dx[:, None], axis=0)])
    moment = (0.5 - x)[:, None] * u - v / (8 * rise) + swept
    stiff, load = np.zeros((pieces + 2, pieces + 2)), np.zeros((pieces + 2, pieces + 2))
    for node in range(1, pieces):
        apart = (long[node] + long[node - 1]) / 2
        stiff[node - 1, node - 1 : node + 1] = -1 / apart, 1 / apart
        stiff[node - 1, pieces:] = -x[node], y[node]
        load[node - 1, :pieces] = moment[node]
    stiff[pieces - 1, :pieces], stiff[pieces, :pieces] = u[-1], v[-1]
    stiff[pieces + 1, pieces:] = x[-1], -y[-1]
    load[pieces + 1, :pieces] = -moment[-1]
    values = eig(stiff, load, right=False)
    return float(
        min(value.real for value in values if np.isfinite(value) and abs(value.imag) < 1e-6 and value.real > 1)
    )


@pytest.mark.parametrize("rise", [0.1, 0.2, 0.3, 0.4])
def test_buckling_of_the_two_hinged_parabola(rise: float) -> None:
    # The tube is made stout along itself, as the other way knows no stretch.
    x = np.linspace(-3, 3, 121)
    frame = framed(np.stack([x, 6 * rise * (1 - (x / 3) ** 2)], axis=1))
    stout = Frame(frame.nodes, frame.area * 1000, frame.inertia, frame.elastic, frame.held)
    unit = TUBE.elastic_pa * TUBE.inertia_m4 / 6**3
    found = first_order(stout, loads_on(stout, plan_load(stout, unit)))
    assert critical_factors(stout, found.axial)[0] == pytest.approx(parabola_buckles(rise), rel=1e-3)


def test_modes_find_the_buckling_load_of_all_shapes() -> None:
    frame, chance = arch(40), np.random.default_rng(3)
    loads = np.zeros((6, 40, 2))
    loads[:, :, 1] = -chance.uniform(50, 400, (6, 1)) * chance.uniform(0.2, 1, (6, 40))
    loads[:, :, 0] = chance.uniform(-100, 100, (6, 1))
    axial = first_order(frame, loads_on(frame, loads)).axial
    size = 123
    free = np.setdiff1d(np.arange(size), frame.held)

    def whole(stiff: np.ndarray) -> np.ndarray:
        total = np.zeros((size, size))
        for element in range(40):
            total[3 * element : 3 * element + 6, 3 * element : 3 * element + 6] += stiff[element]
        return total[np.ix_(free, free)]

    for case, factor in enumerate(critical_factors(frame, axial)):
        swaying = axial[case][:, None, None] * frame.swaying
        values = eigh(-whole(swaying), whole(frame.stiff), eigvals_only=True)
        assert factor == pytest.approx(1 / values[-1], rel=1e-3)
    assert (least_factors(frame, axial) <= critical_factors(frame, axial)).all()


def test_second_order_of_a_strut_grows_as_it_should() -> None:
    # A strut of two hinges, pressed at half its Euler load by pressure along it, with a small push at its middle: the
    # second order doubles what the first one says, within a few hundredths (exact: secant and tangent terms).
    pieces, length = 40, 4.0
    frame = framed(np.stack([np.zeros(pieces + 1), np.linspace(0, length, pieces + 1)], axis=1))
    top_free = Frame(frame.nodes, frame.area, frame.inertia, frame.elastic, (0, 1, 3 * pieces))
    nodal = np.zeros((1, 3 * pieces + 3))
    press = 0.5 * euler_n(TUBE, length)
    nodal[0, 3 * pieces + 1], nodal[0, 3 * (pieces // 2)] = -press, 10.0
    loads = loads_on(top_free, np.zeros((1, pieces, 2)), nodal)
    one = first_order(top_free, loads)
    two = second_order(top_free, loads, one)
    u = math.pi / 2 * math.sqrt(0.5)
    exact = 3 * (math.tan(u) - u) / u**3
    middle = 3 * (pieces // 2)
    assert two.moved[0, middle] / one.moved[0, middle] == pytest.approx(exact, rel=1e-4)
    assert critical_factors(top_free, one.axial)[0] == pytest.approx(2.0, rel=1e-4)
    assert two.stands[0]
    assert two.off[0] < 1e-9
    heavy = loads_on(top_free, np.zeros((1, pieces, 2)), 2.2 * nodal)
    assert not second_order(top_free, heavy, first_order(top_free, heavy)).stands[0]


def lopsided(frame: Frame) -> np.ndarray:
    """Snow down and wind on one half."""
    loads = plan_load(frame, 500.0)
    loads[0, : frame.count // 2, 0] += 300.0
    return loads


def in_library(frame: Frame, loads: np.ndarray) -> FEModel3D:
    """The same nodes, tube and loads in a general 3D library."""
    model = FEModel3D()
    model.add_material("steel", TUBE.elastic_pa, TUBE.elastic_pa / 2.6, 0.3, 7850)
    model.add_section("tube", TUBE.area_m2, TUBE.inertia_m4, TUBE.inertia_m4, 2 * TUBE.inertia_m4)
    for number, (x, y) in enumerate(frame.nodes):
        model.add_node(f"N{number}", x, y, 0.0)
        held = number in (0, frame.count)
        model.def_support(f"N{number}", held, held, True, True, True, False)
    for element in range(frame.count):
        name = f"M{element}"
        model.add_member(name, f"N{element}", f"N{element + 1}", "steel", "tube")
        for place, way in ((0, "FX"), (1, "FY")):
            push = float(loads[0, element, place])
            model.add_member_dist_load(name, way, push, push, 0, float(frame.lengths[element]))
    return model


def test_the_frame_agrees_with_a_general_library() -> None:
    frame = arch(24)
    loads = lopsided(frame)
    model = in_library(frame, loads)
    model.analyze_linear()
    found = first_order(frame, loads_on(frame, loads))
    for number in range(frame.count + 1):
        node = model.nodes[f"N{number}"]
        theirs = [node.DX["Combo 1"], node.DY["Combo 1"], node.RZ["Combo 1"]]
        ours = found.moved[0, 3 * number : 3 * number + 3]
        np.testing.assert_allclose(ours, theirs, rtol=1e-3, atol=1e-3 * np.abs(found.moved).max())
    first = model.nodes["N0"]
    assert found.feet[0, 0] == pytest.approx([first.RxnFX["Combo 1"], first.RxnFY["Combo 1"]], rel=1e-3)


def test_one_update_of_the_geometry_agrees_with_a_general_library(monkeypatch: pytest.MonkeyPatch) -> None:
    frame = arch(24)
    loads = lopsided(frame)
    model = in_library(frame, loads)
    model.analyze_PDelta()
    first = first_order(frame, loads_on(frame, loads))
    found = second_order(frame, loads_on(frame, loads), first)
    # Second order counts here, by more than what is compared.
    assert np.abs(found.moved).max() > 1.05 * np.abs(first.moved).max()
    theirs = [
        [getattr(model.nodes[f"N{number}"], way)["Combo 1"] for way in ("DX", "DY", "RZ")] for number in range(25)
    ]
    np.testing.assert_allclose(found.moved[0], np.ravel(theirs), rtol=0.01, atol=0.01 * np.abs(found.moved).max())
    bent = [abs(model.members[f"M{element}"].moment("Mz", 0.0, "Combo 1")) for element in range(24)]
    np.testing.assert_allclose(np.abs(found.moment[0, :, 0]), bent, atol=0.01 * max(bent))


def test_a_section_by_hand() -> None:
    # 48.3 × 3: A = π/4·(48.3² − 42.3²), I = π/64·(48.3⁴ − 42.3⁴), Z = (48.3³ − 42.3³)/6, all in mm.
    assert TUBE.area_m2 * 1e6 == pytest.approx(math.pi / 4 * (48.3**2 - 42.3**2))
    assert TUBE.inertia_m4 * 1e12 == pytest.approx(math.pi / 64 * (48.3**4 - 42.3**4))
    assert TUBE.plastic_m3 * 1e9 == pytest.approx((48.3**3 - 42.3**3) / 6)


def test_allowable_bending_by_f8() -> None:
    # 48.3 × 1.65, Fy 207: D/t 29.3 is compact (0.07·E/Fy = 69): Mn/Ω = 207·Z/1.67 = 0.445 kN·m.
    thin = round_section(0.0483, 0.00165, 207e6, 205e9)
    assert allowable(thin).moment_nm == pytest.approx(445, abs=1)
    # D/t 120 with Fy 235: (0.021·E/120 + Fy)·W.
    wide = round_section(0.12, 0.001, 235e6, 205e9)
    assert allowable(wide).moment_nm == pytest.approx((0.021 * 205e9 / 120 + 235e6) * wide.elastic_m3 / 1.67)
    with pytest.raises(ValueError, match="thinner"):
        allowable(round_section(0.5, 0.001, 235e6, 205e9))


def test_compression_by_e3() -> None:
    # Fy/Fe = 1: 0.658·Fy·A/1.67; far beyond 2.25: 0.877·Fe·A.
    squash = TUBE.yield_pa * TUBE.area_m2
    for buckles, nominal in ((squash, 0.658 * squash), (squash / 10, 0.0877 * squash)):
        share = used(allowable(TUBE), TUBE, np.array([[-nominal / 1.67]]), np.zeros((1, 1)), np.array([buckles]))
        assert share[0, 0] == pytest.approx(1.0)


def test_both_by_h1_1() -> None:
    strength, none = allowable(TUBE), np.array([np.inf])
    bend = np.array([[0.5 * strength.moment_nm]])
    pull = np.array([[0.3 * strength.tension_n]])
    assert used(strength, TUBE, pull, bend, none)[0, 0] == pytest.approx(0.3 + 8 / 9 * 0.5)
    assert used(strength, TUBE, pull / 3, bend, none)[0, 0] == pytest.approx(0.05 + 0.5)


def test_a_joint_counts_where_it_is() -> None:
    # Even load on a beam of six pieces, 0 1 2 3 4 5 6: M = w·x·(l − x)/2. A joint leaves three quarters at node 2.
    nodes = np.stack([np.linspace(-1.5, 1.5, 7), np.zeros(7)], axis=1)
    frame = framed(nodes, TUBE, (0, 1, 18, 19))
    bow, load = bow_of(frame), np.zeros((1, 6, 2))
    load[0, :, 1] = -100.0
    left = np.ones(7)
    left[2] = 0.75
    whole, jointed = (
        analyse(each, load[0], 0 * load, np.array([[1.0, 0.0]]), [True], whole=True)
        for each in (bow, replace(bow, efficiency=left))
    )
    at = 100 * 1.0 * 2.0 / 2 / allowable(TUBE).moment_nm
    np.testing.assert_allclose(jointed.use[0, [1, 2]], [at / 0.75] * 2, rtol=1e-4)
    np.testing.assert_allclose(jointed.use[0, [0, 3, 4, 5]], whole.use[0, [0, 3, 4, 5]], rtol=1e-3)
    assert whole.use[0, 1] == pytest.approx(at, rel=1e-4)


def test_it_buckles_by_what_presses_it_in_the_first_order() -> None:
    # A plain strut, pressed by half of its Euler load and bent: λcr = 2, so Fe·A = 2·P, whatever the second order adds.
    frame = framed(np.stack([np.linspace(0, 2.0, 13), np.zeros(13)], axis=1), TUBE, (0, 1, 37))
    euler = math.pi**2 * TUBE.elastic_pa * TUBE.inertia_m4 / 4
    bow = replace(bow_of(frame), between_m=1e-3)
    for factor, plain in ((2.0, euler / 2), (4.0, euler / 4)):
        pressing = np.full((1, frame.count), -plain)
        more = np.full((1, frame.count, 2), -plain * 1.08)
        share = _used(bow, more, np.zeros((1, frame.count, 2)), pressing, np.array([factor]))
        falls = 0.658 ** (TUBE.yield_pa * TUBE.area_m2 / euler)
        pressed = plain * 1.08 * 1.67 / (falls * TUBE.yield_pa * TUBE.area_m2)
        np.testing.assert_allclose(share, pressed if pressed >= 0.2 else pressed / 2, rtol=1e-9)


def test_european_resistance() -> None:
    # d/t 16.1 is class 1: fy·Wpl. Curve c at slenderness 1: φ = 0.5·(1 + 0.49·0.8 + 1) = 1.196, χ = 0.540.
    strength, squash = european(TUBE), TUBE.yield_pa * TUBE.area_m2
    assert strength.moment_nm == pytest.approx(235e6 * TUBE.plastic_m3)
    chi = 1 / (1.196 + math.sqrt(1.196**2 - 1))
    assert chi == pytest.approx(0.540, abs=0.001)
    share = used(strength, TUBE, np.array([[-chi * squash]]), np.zeros((1, 1)), np.array([squash]))
    assert share[0, 0] == pytest.approx(1.0)
    # Class 3 takes the elastic modulus, class 4 is refused.
    third = round_section(0.08, 0.001, 235e6, 205e9)
    assert european(third).moment_nm == pytest.approx(235e6 * third.elastic_m3)
    with pytest.raises(ValueError, match="class 4"):
        european(round_section(0.1, 0.001, 235e6, 205e9))


def bow_of(frame: Frame, method: Method = US, section: Section = TUBE) -> Bow:
    return Bow(
        frame=frame,
        which=np.zeros(frame.count, dtype=int),
        sections=(section,),
        strengths=(method.strength(section),),
        efficiency=np.ones(frame.count + 1),
        between_m=4.0,
        stability=method.stability,
    )


def some_weather(frame: Frame, chance: np.random.Generator, cases: int = 8) -> tuple[np.ndarray, ...]:
    """Made-up cases, lopsided and not, and their sums."""
    dead = np.zeros((frame.count, 2))
    dead[:, 1] = -40.0
    slope = np.linspace(-1, 1, frame.count)
    basic = np.zeros((cases, frame.count, 2))
    basic[:, :, 1] = -chance.uniform(0, 500, (cases, 1)) * (1 + chance.uniform(-1, 1, (cases, 1)) * slope)
    basic[:, :, 0] = chance.uniform(-200, 200, (cases, 1))
    factors = np.concatenate([np.ones((40, 1)), chance.uniform(0, 1, (40, cases)) ** 3], axis=1)
    return dead, basic, factors


@pytest.mark.parametrize("method", [US, EUROPEAN], ids=["us", "european"])
@pytest.mark.parametrize("seed", range(4))
def test_what_is_left_out_never_governs(method: Method, seed: int) -> None:
    # Rule B19: only what could govern is solved to the end, and the answer is that of solving all.
    chance, frame = np.random.default_rng(seed), arch(48)
    dead, cases, factors = some_weather(frame, chance)
    calm = list(chance.random(40) < 0.3)
    some = analyse(bow_of(frame, method), dead, cases, factors, calm)
    whole = analyse(bow_of(frame, method), dead, cases, factors, calm, whole=True)
    assert some.ratio.max() == pytest.approx(whole.ratio.max(), rel=1e-9)
    assert some.rows[some.worst] == whole.rows[whole.worst]
    assert len(some.rows) <= len(whole.rows) == 40
    assert some.balanced and whole.balanced


def test_under_a_floor_only_what_could_pass_it_is_looked_at() -> None:
    chance, frame = np.random.default_rng(8), arch(48)
    dead, cases, factors = some_weather(frame, chance, 3)
    cases *= 0.3
    whole = analyse(bow_of(frame), dead, cases, factors, [True] * 40, whole=True)
    most = float(whole.ratio.max())
    under = analyse(bow_of(frame), dead, cases, factors, [True] * 40, floor=0.9 * most)
    assert under.ratio.max() == pytest.approx(most)
    over = analyse(bow_of(frame), dead, cases, factors, [True] * 40, floor=4 * most)
    assert len(over.rows) == 0
    np.testing.assert_allclose(over.ground, whole.ground)


@pytest.mark.parametrize("seed", range(3))
def test_more_weather_and_thinner_tube_never_use_less(seed: int) -> None:
    chance, frame = np.random.default_rng(seed), arch(48)
    dead, cases, factors = some_weather(frame, chance, 3)
    cases *= 0.3
    calm = [True] * 40
    before = analyse(bow_of(frame), dead, cases, factors, calm, whole=True)
    order = np.argsort(before.rows)
    more = analyse(bow_of(frame), dead, 1.1 * cases, factors, calm, whole=True)
    assert (more.ratio[np.argsort(more.rows)] >= before.ratio[order] - 1e-9).all()
    thin = round_section(0.0483, 0.002, 235e6, 205e9)
    less = analyse(bow_of(framed(frame.nodes, thin), section=thin), dead, cases, factors, calm, whole=True)
    assert (less.ratio[np.argsort(less.rows)] >= before.ratio[order] - 1e-9).all()


def test_a_mirrored_bow_mirrors() -> None:
    frame = arch(48)
    dead, cases, factors = some_weather(frame, np.random.default_rng(5), 2)
    one = analyse(bow_of(frame), dead, cases, factors, [False] * 40, whole=True)
    other = cases[:, ::-1] * np.array([-1.0, 1.0])
    two = analyse(bow_of(frame), dead, other, factors, [False] * 40, whole=True)
    first, second = np.argsort(one.rows), np.argsort(two.rows)
    np.testing.assert_allclose(one.ratio[first], two.ratio[second], rtol=1e-6)
    np.testing.assert_allclose(one.feet[first][:, 0, 1], two.feet[second][:, 1, 1], rtol=1e-5, atol=1e-3)


def test_a_bow_that_buckles_is_told_so() -> None:
    frame = arch(48)
    dead = np.zeros((48, 2))
    snow = plan_load(frame, 20000.0)
    found = analyse(bow_of(frame), dead, snow, np.array([[1.0, 1.0]]), [True])
    assert not found.stands[0]
    assert found.factor[0] < 2
    assert found.ratio[0] == pytest.approx(max(2 / found.factor[0], float(found.use.max())))
    # More and more load uses more and more, past where it gives way too.
    shares = [
        float(analyse(bow_of(frame), dead, snow, np.array([[1.0, each]]), [True]).ratio[0])
        for each in np.linspace(0.05, 1.0, 20)
    ]
    assert shares == sorted(shares)


def test_a_strut_pressed_past_half_its_yield_is_softer() -> None:
    # A stout flat arch under so much even load that 1.6·P/(Fy·A) = x > 0.5: what it does is what a frame does that is
    # softer by 4·x·(1 − x) throughout, solved by itself.
    section = round_section(0.1, 0.02, 235e6, 205e9)
    turn = np.linspace(math.radians(150), math.radians(30), 49)
    frame = framed(np.stack([np.cos(turn), np.sin(turn)], axis=1), section)
    squash = section.yield_pa * section.area_m2
    unit = plan_load(frame, 1000.0)
    pressed = -float(first_order(frame, loads_on(frame, unit)).axial.min())
    load = unit * 0.62 * squash / 1.6 / pressed
    found = analyse(bow_of(frame, section=section), np.zeros((48, 2)), load, np.array([[0.0, 1.0]]), [False])
    x = 1.6 * float(-found.axial[0].min()) / squash
    assert 0.5 < x < 0.7
    soft = frame.times(0.8 * 4 * x * (1 - x))
    loads = loads_on(soft, 1.6 * load)
    alone = second_order(soft, loads, first_order(soft, loads))
    assert found.stands[0]
    assert 1.6 * np.abs(found.moved[0]).max() == pytest.approx(np.abs(alone.moved).max(), rel=5e-3)
    stiff = frame.times(0.8)
    plain = second_order(stiff, loads, first_order(stiff, loads))
    assert np.abs(alone.moved).max() > 1.02 * np.abs(plain.moved).max()
