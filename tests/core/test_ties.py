"""Ties in the frame: collars and struts against a general library, buckling past what the bow bears alone."""

import math
from dataclasses import replace
from typing import Any

import numpy as np
import pytest
from scipy.linalg import eigh

from obtegum.core.documents.house import SiteRecord
from obtegum.core.documents.job import Job
from obtegum.core.findings.skeleton.braces import brace_tube, drilled_m, tie_board, ties_of
from obtegum.core.findings.skeleton.tubes import bow_tube
from obtegum.core.formulas.frame.balance import second_order
from obtegum.core.formulas.frame.buckling import critical_factors
from obtegum.core.formulas.frame.loads import loads_on
from obtegum.core.formulas.frame.solve import Frame, first_order
from obtegum.core.formulas.frame.ties import Bar, Ties, tied
from obtegum.core.formulas.timber import bolt_lateral_n, column_n
from obtegum.core.house.bench import begin
from obtegum.core.house.edits import apply_edits
from obtegum.core.house.remedies import find_remedies
from obtegum.core.rooms.braces.found import tie_cut_m
from obtegum.core.rooms.braces.parts import parts
from obtegum.core.rooms.braces.tied import ties_asked
from obtegum.core.rooms.strength.found import bow_found, counted, grown, tied_found
from obtegum.core.rooms.strength.model import model_of, tied_model
from obtegum.core.values.catalogue import default_catalogue
from obtegum.core.values.trouble import DesignError
from tests.conftest import make_bench, make_house, make_plan, verdict
from tests.core.test_frame import TUBE, arch, in_library, lopsided, plan_load
from tests.core.test_strength import told

STRETCH = 205e9 * 3e-4


def trussed(frame: Frame, at: int, top: int) -> tuple[Ties, tuple[float, float]]:
    """A collar at a node and its twin, in two halves, and two struts from its middle up to others."""
    last = frame.count
    middle = (0.0, float(frame.nodes[at, 1]))
    bars = [
        Bar((at, "middle"), STRETCH), Bar(("middle", last - at), STRETCH),
        Bar(("middle", top), STRETCH), Bar(("middle", last - top), STRETCH),
    ]  # fmt: skip
    return tied(frame.nodes, {"middle": middle}, bars), middle


def test_a_truss_agrees_with_a_general_library() -> None:
    frame = arch(24)
    ties, middle = trussed(frame, 7, 10)
    loads = lopsided(frame)
    model = in_library(frame, loads)
    model.add_section("bar", STRETCH / TUBE.elastic_pa, 1e-9, 1e-9, 1e-9)
    model.add_node("J", *middle, 0.0)
    model.def_support("J", False, False, True, True, True, True)
    for name, one, other in (("B0", "N7", "J"), ("B1", "J", "N17"), ("B2", "J", "N10"), ("B3", "J", "N14")):
        model.add_member(name, one, other, "steel", "bar")
        model.def_releases(name, Rzi=True, Rzj=True)
    model.analyze_linear()
    found = first_order(replace(frame, ties=ties), loads_on(frame, loads))
    for number in range(frame.count + 1):
        node = model.nodes[f"N{number}"]
        theirs = [node.DX["Combo 1"], node.DY["Combo 1"], node.RZ["Combo 1"]]
        np.testing.assert_allclose(
            found.moved[0, 3 * number : 3 * number + 3], theirs, rtol=1e-3, atol=1e-3 * np.abs(found.moved).max()
        )
    # Its axial forces are pressing as positive.
    pulls = ties.pulled(found.moved)[0]
    theirs = [-model.members[f"B{place}"].axial(0.0, "Combo 1") for place in range(4)]
    np.testing.assert_allclose(pulls, theirs, rtol=2e-3, atol=1e-3 * np.abs(pulls).max())
    assert found.off[0] < 1e-9


def test_a_tie_between_two_feet_by_hand() -> None:
    # Two struts in a V from a held foot each, a bar across: cut free, the joint takes no force but through the bars.
    nodes = np.array([[0.0, 0.0], [1.0, 1.0], [2.0, 0.0]])
    ties = tied(nodes, {}, [Bar((0, 2), 1000.0)])
    moved = np.zeros((1, 9))
    moved[0, 6] = 0.01
    assert ties.pulled(moved)[0] == pytest.approx([1000.0 * 0.01 / 2])
    assert ties.stiff == pytest.approx(500 * np.array([[1, 0, -1, 0], [0, 0, 0, 0], [-1, 0, 1, 0], [0, 0, 0, 0]]))


def dense(frame: Frame, axial: np.ndarray) -> tuple[np.ndarray, np.ndarray]:
    """Stiffness with its ties, and under axial forces, of what can move."""
    size = 3 * (frame.count + 1)
    stiff, sway = np.zeros((size, size)), np.zeros((size, size))
    for place in range(frame.count):
        at = slice(3 * place, 3 * place + 6)
        stiff[at, at] += frame.stiff[place]
        sway[at, at] += axial[place] * frame.swaying[place]
    assert frame.ties is not None
    stiff[np.ix_(frame.ties.dofs, frame.ties.dofs)] += frame.ties.stiff
    free = np.ix_(frame.free, frame.free)
    return stiff[free], sway[free]


def test_a_tied_bow_buckles_where_the_whole_matrix_says() -> None:
    plain = arch(24)
    frame = replace(plain, ties=trussed(plain, 7, 10)[0])
    loads = loads_on(frame, plan_load(frame, 1000.0))
    first = first_order(frame, loads)
    stiff, sway = dense(frame, first.axial[0])
    # K·φ = −λ·G·φ: the least λ is one over the largest eigenvalue of −G in the measure of K.
    exact = 1 / eigh(-sway, stiff, eigvals_only=True)[-1]
    assert critical_factors(frame, first.axial)[0] == pytest.approx(exact, rel=2e-3)
    # More than the bow bears alone, which its bands can't tell any more: it still comes to rest, in balance.
    alone = critical_factors(plain, first_order(plain, loads).axial)[0]
    assert exact > 1.05 * alone
    for share, rests in ((0.97, True), (1.1, False)):
        loads = loads_on(frame, plan_load(frame, 1000.0 * exact * share))
        found = second_order(frame, loads, first_order(frame, loads))
        assert bool(found.stands[0]) is rests
        if rests:
            assert found.off[0] < 1e-6


@pytest.mark.parametrize("at", [5, 6, 7, 8])
def test_a_tie_at_a_sensible_height_never_asks_more_of_the_bow_under_even_snow(at: int) -> None:
    plain = arch(24)
    tie = replace(plain, ties=tied(plain.nodes, {}, [Bar((at, 24 - at), STRETCH)]))
    loads = loads_on(plain, plan_load(plain, 1000.0))
    alone, held = (np.abs(first_order(frame, loads).moment).max() for frame in (plain, tie))
    assert held < alone


def braced(**changes: Any) -> dict[str, Any]:
    return {**told(), "braces": {"bays": 2, "ties": "truss", "tie_m": 1.9, **changes}}


def test_every_bow_tied_is_judged_tied_and_each_second_one_both_ways() -> None:
    none = make_bench(**{**told(), "braces": {"bays": 2}})
    every, second = (make_bench(**braced(every=count)) for count in (1, 2))
    assert model_of(every).frame.ties is not None and tied_model(every) is None
    assert model_of(second).frame.ties is None and tied_model(second) is not None
    alone, tied_all, other, with_tie = bow_found(none), bow_found(every), bow_found(second), tied_found(second)
    assert alone and tied_all and other and with_tie
    # Drilled or not, a tie through the crown's sinking relieves this bow; the untied one of two isn't relieved.
    assert tied_all.ratio < other.ratio
    assert tied_all.found is not None and with_tie.found is not None
    # It is looked at as far as it could be worse; what pulls its ties is what pulls those of a house with all.
    assert with_tie.ratio <= other.ratio
    np.testing.assert_allclose(with_tie.found.pulls, tied_all.found.pulls, rtol=1e-9)
    assert tied_all.found.pulls.shape[1] == 4
    assert [name for name, _ in tied_all.model.ties] == ["collar", "collar", "strut", "strut"]


def test_nodes_stand_where_ties_meet_the_bow() -> None:
    model = model_of(make_bench(**braced()))
    assert model.frame.ties is not None
    heights = model.frame.nodes[np.unique(model.frame.ties.dofs // 3), 1]
    assert np.isclose(heights, 1.9, atol=1e-6).sum() == 2
    long = math.dist(*[tuple(node) for node in model.frame.nodes[np.unique(model.frame.ties.dofs // 3)[[0, -1]]]])
    assert sum(each for name, each in model.ties if name == "collar") == pytest.approx(long)


def test_ties_are_judged_by_what_weather_asks_of_them() -> None:
    bench = make_bench(**braced(ties="collar"))
    (collar,) = ties_asked(bench)
    judged = bow_found(bench)
    assert judged and judged.found is not None
    pulls = judged.found.pulls * grown(bench, judged.found)[:, None]
    assert collar.pulled_n == pytest.approx(pulls.max())
    assert collar.pressed_n == pytest.approx(max(-pulls.min(), 0.0))
    # As a column between two pins: AISC 360-16 E3 by hand, its wall at 93 %.
    tube = brace_tube(bench)
    inner = tube.od_m - 2 * 0.93 * tube.wall_m
    area = math.pi / 4 * (tube.od_m**2 - inner**2)
    inertia = math.pi / 64 * (tube.od_m**4 - inner**4)
    (_, long_m) = judged.model.ties[0]
    euler = math.pi**2 * 200e9 * inertia / long_m**2 / area
    ratio = tube.yield_pa / euler
    stress = 0.658**ratio * tube.yield_pa if ratio <= 2.25 else 0.877 * euler
    assert collar.takes_n == pytest.approx(stress * area / 1.67, rel=1e-6)
    plan = make_plan(**braced(ties="collar"))
    assert "Weather pulls a collar" in verdict(plan, "tie-collar").sentence


def test_a_bow_that_is_too_weak_is_offered_a_tie() -> None:
    weak = {**told(), "bows__max_spacing_m": 1.5, "braces": {"bays": 2}}
    house = make_house(**weak)
    assert verdict(make_plan(**weak), "frame").level == "tight"
    found = find_remedies(house, SiteRecord(), default_catalogue())
    tied_ways = [each for each in found if any(edit.measure == "braces.ties" for edit in each.edits)]
    assert {"collar", "truss"} == {edit.text for each in tied_ways for edit in each.edits if edit.text}
    assert all(each.level == "holds" and "tie" in each.cost for each in tied_ways)
    # Planned in full: what it promises is what the house then has.
    after = apply_edits(Job(house, SiteRecord()), list(tied_ways[0].edits), default_catalogue())
    judged, before = bow_found(begin(*after, default_catalogue())), bow_found(make_bench(**weak))
    assert judged and before and judged.ratio < before.ratio
    assert judged.ratio == pytest.approx(tied_ways[0].ratio)


@pytest.mark.parametrize(("low", "high"), [(0.2, 1.9), (1.88, 1.9), (0.3, 0.5)])
def test_ties_that_meet_the_bow_close_together_or_at_its_posts_break_nothing(low: float, high: float) -> None:
    bench = make_bench(**braced(ties="knee", low_m=low, tie_m=high))
    frame = model_of(bench).frame
    assert (frame.lengths > 0).all()
    # Between two places of a post it ties nothing.
    assert (frame.ties is None) == (high < 0.55)
    assert frame.ties is None or np.isfinite(frame.ties.stiff).all()
    # Left to right along the bow, none folded back.
    along = model_of(bench).s_m
    assert (np.diff(along) > 0).all()
    named = [each.id for each in make_plan(**braced(ties="knee", low_m=low, tie_m=high)).verdicts]
    assert ("tie-knee" in named) == (frame.ties is not None)


def test_a_bolt_in_the_end_of_a_board_by_the_six_modes() -> None:
    # 8 mm bolt, 38 mm of spruce-pine-fir along its grain, a wall of 2 mm: by hand in MPa and mm.
    d, ls, lm, fes, fem, fyb = 8.0, 38.0, 2.0, 77.2 * 0.42, 427.0, 310.0
    re, rt = fem / fes, lm / ls
    k1 = (math.sqrt(re + 2 * re**2 * (1 + rt + rt**2) + rt**2 * re**3) - re * (1 + rt)) / (1 + re)
    k2 = -1 + math.sqrt(2 * (1 + re) + 2 * fyb * (1 + 2 * re) * d**2 / (3 * fem * lm**2))
    k3 = -1 + math.sqrt(2 * (1 + re) / re + 2 * fyb * (2 + re) * d**2 / (3 * fem * ls**2))
    modes = [
        d * lm * fem / 4,
        d * ls * fes / 4,
        k1 * d * ls * fes / 3.6,
        k2 * d * lm * fem / (1 + 2 * re) / 3.2,
        k3 * d * ls * fem / (2 + re) / 3.2,
        d**2 / 3.2 * math.sqrt(2 * fem * fyb / (3 * (1 + re))),
    ]
    assert bolt_lateral_n(0.008, 0.038, 0.002) == pytest.approx(min(modes) * 1.15 * 0.7)


def test_ties_of_board_are_bars_of_timber() -> None:
    parts = {"bays": 2, "ties": "collar", "tie_m": 1.9, "of": "board", "bolt_m": 0.01}
    bench = make_bench(**told(), braces=parts)
    board, model = tie_board(bench), model_of(bench)
    assert board is not None and model.frame.ties is not None
    (asked,) = ties_asked(bench)
    long = model.ties[0][1]
    assert asked.takes_n == pytest.approx(column_n(board.thick_m, board.wide_m, long))
    assert asked.holding.holds_n == pytest.approx(
        min(
            bolt_lateral_n(0.01, board.thick_m, counted(bench, bow_tube(bench)).wall_m),
            3.1e6 * 1.15 * board.thick_m * (board.wide_m - 0.011),
            0.9 * bow_tube(bench).yield_pa * 0.01 * bow_tube(bench).wall_m,
        )
    )
    # Seven bolts from its hole to each end.
    assert tie_cut_m(bench, ties_of(bench)[0].long_m) == pytest.approx(ties_of(bench)[0].long_m + 14 * 0.01)
    # Clamps hold no board: it is bolted whatever holds the braces.
    clamped = make_bench(**told(), braces={**parts, "end": "clamp", "clamp_n": 2000.0})
    assert ties_asked(clamped)[0].holding == asked.holding
    assert drilled_m(clamped)


def test_ties_of_board_are_boards_in_the_house() -> None:
    bench = make_bench(**told(), braces={"bays": 2, "ties": "collar", "tie_m": 1.9, "of": "board"})
    members = [each for each in parts(bench) if each.what == "collar"]
    board = tie_board(bench)
    assert board is not None and members
    assert {(each.of, each.stock, each.section) for each in members} == {
        ("board", board.id, (board.thick_m, board.wide_m))
    }


def test_a_collar_that_is_all_but_in_the_crown_is_refused() -> None:
    peak = {"kind": "peaked", "leg_m": 0.9, "height_m": 2.6, "shoulder_m": 0.4}
    house = {"size__span_m": 3.0, "size__shape": peak, "tape__units": "metric"}
    with pytest.raises(DesignError, match="all but over the crown"):
        make_bench(**house, braces={"ties": "collar", "tie_m": 2.595})
    # A step of slope lower it is one: as long as the roof is wide there.
    assert ties_of(make_bench(**house, braces={"ties": "collar", "tie_m": 2.4}))[0].long_m > 0.1
