"""Bows worked into posts that stand elsewhere: what is locked in by closed forms; weather starts from there."""

import math

import numpy as np
import pytest

from obtegum.core.formulas.frame.forced import drawn_in, locked_in
from obtegum.core.formulas.frame.loads import loads_on
from obtegum.core.formulas.frame.solve import first_order
from obtegum.core.rooms.braces.tied import ties_asked
from obtegum.core.rooms.strength.brought import by_whom
from obtegum.core.rooms.strength.forced import forced_bow, met_collar
from obtegum.core.rooms.strength.found import bow_found, why_unknown
from obtegum.core.rooms.strength.joints import bracket_share, joint_share
from obtegum.core.rooms.strength.model import model_of, sections_of
from tests.conftest import make_bench, make_plan
from tests.core.test_frame import TUBE, arch
from tests.core.test_strength import told


@pytest.mark.parametrize("pieces", [48, 96])
def test_a_half_circle_that_is_spread_by_its_closed_form(pieces: int) -> None:
    # Pinned: H = 2·E·I·δ/(π·R³), its moment H·R at the crown (rule B13).
    radius, spread = 3.0, 0.04
    found = locked_in(arch(pieces), spread, None)
    push = 2 * TUBE.elastic_pa * TUBE.inertia_m4 * spread / (math.pi * radius**3)
    assert found.pull_n == pytest.approx(push, rel=2e-3)
    assert np.abs(found.moment).max() == pytest.approx(push * radius, rel=3e-3)
    # Nothing bears on it: what holds both ends is in balance, and bends its pinned ends by nothing.
    assert found.ends[:, :2].sum(axis=0) == pytest.approx([0, 0], abs=1e-6 * push)
    assert abs(found.moment[0, 0]) < 1e-6 * push


def test_ends_that_are_turned_alone_by_energy() -> None:
    # Clamped ends turned by φ: the work done at them is what the bends store, ½·ΣM·φ = ½·∫M²/(E·I) + axial.
    frame, turn = arch(96), 0.02
    found = locked_in(frame, 0.0, turn)
    done = (abs(found.ends[0, 2]) + abs(found.ends[1, 2])) * turn / 2
    one, other = found.moment[:, 0], found.moment[:, 1]
    bends = (frame.lengths * (one**2 + one * other + other**2) / 3 / (2 * frame.elastic * frame.inertia)).sum()
    presses = (frame.lengths * found.axial**2 / (2 * frame.elastic * frame.area)).sum()
    assert done == pytest.approx(float(bends + presses), rel=1e-6)


def test_nothing_is_locked_in_where_nothing_is_forced() -> None:
    found = locked_in(arch(24), 0.0, 0.0)
    assert np.abs(found.moment).max() == 0
    assert found.pull_n == 0
    shares = [float(np.abs(locked_in(arch(24), spread, 0.0).moment).max()) for spread in (0.0, 0.01, 0.02, 0.05)]
    assert shares == sorted(shares)


SLENDER = {"bows__making": "former", "bows__tube": "rail-1-3-8", "posts__tube": "post-1-5-8"}


def test_weather_starts_from_what_is_locked_in(monkeypatch: pytest.MonkeyPatch) -> None:
    assert forced_bow(make_bench(**told())) is None
    # A former that leaves 22 cm of each stick straight: legs lean, and a slender bow is worked in by hand.
    bench = make_bench(**{**told(), **SLENDER, "bending__tail_m": 0.22})
    forced, judged = forced_bow(bench), bow_found(bench)
    assert forced is not None and judged is not None and judged.found is not None
    assert 0.1 < forced.share < 1
    with monkeypatch.context() as patched:
        patched.setattr("obtegum.core.rooms.strength.found.locked_of", lambda work, model: None)
        free = bow_found(make_bench(**{**told(), **SLENDER, "bending__tail_m": 0.22}))
    assert free is not None and free.found is not None
    assert judged.ratio > free.ratio
    plan = make_plan(**{**told(), **SLENDER, "bending__tail_m": 0.22})
    answers = {each.id: each for step in plan.steps if step.id == "strength" for each in step.answers}
    assert answers["forced"].value == pytest.approx(forced.share)
    assert "by hand" in answers["forced"].note


def test_a_bow_that_would_bend_as_it_goes_in_is_not_known() -> None:
    bench = make_bench(**{**told(), **SLENDER, "bending__tail_m": 0.3})
    forced = forced_bow(bench)
    assert forced is not None and forced.share > 1
    assert "without bending it" in why_unknown(bench)
    assert bow_found(bench) is None


def test_a_bow_drawn_in_to_its_collar_comes_as_near_as_its_gap() -> None:
    frame, at = arch(48), 14
    last = frame.count - at
    stretch = 205e9 * 3e-4 / abs(frame.nodes[last, 0] - frame.nodes[at, 0])
    locked, pull = drawn_in(frame, (at, last), 0.03, stretch)
    # The same pull as loads at both nodes: they come nearer by the gap, less what the tie gives.
    nodal = np.zeros((1, 3 * (frame.count + 1)))
    nodal[0, 3 * at], nodal[0, 3 * last] = pull, -pull
    found = first_order(frame, loads_on(frame, np.zeros((1, frame.count, 2)), nodal))
    nearer = found.moved[0, 3 * at] - found.moved[0, 3 * last]
    assert nearer + pull / stretch == pytest.approx(0.03)
    assert np.abs(locked.moment).max() == pytest.approx(np.abs(found.moment).max())
    assert drawn_in(frame, (at, last), 0.06, stretch)[1] == pytest.approx(2 * pull)
    assert drawn_in(frame, (at, last), 0.0, stretch)[1] == 0


def test_weather_starts_from_what_the_collar_draws_in() -> None:
    tie = {"bays": 2, "ties": "collar", "tie_m": 1.9}
    plain, drawn = (make_bench(**told(), braces={**tie, "gap_m": gap}) for gap in (0.0, 0.02))
    assert met_collar(plain) is None
    met = met_collar(drawn)
    assert met is not None and 0 < met.share < 1
    uses = [found.ratio for bench in (plain, drawn) if (found := bow_found(bench)) and found.found]
    assert uses[1] > uses[0]
    asked = [ties_asked(bench)[0].pulled_n for bench in (plain, drawn)]
    assert asked[1] == pytest.approx(asked[0] + met.pull_n, rel=1e-6)
    answers = {
        each.id: each for step in make_plan(**told(), braces={**tie, "gap_m": 0.02}).steps for each in step.answers
    }
    assert answers["met_pull"].note == by_whom(met.pull_n)
    bent = make_bench(**told(), braces={**tie, "gap_m": 0.6})
    assert "drawn in" in why_unknown(bent)
    assert bow_found(bent) is None


def test_who_brings_it_there() -> None:
    assert [by_whom(pull)[:8] for pull in (100.0, 800.0, 2500.0)] == ["goes in ", "goes in ", "wants a "]
    assert "hand" in by_whom(250.0) and "strap" in by_whom(251.0)


def test_a_bracket_by_hand() -> None:
    parts = {"bracket": "plates", "plate_thick_m": 0.004, "plate_wide_m": 0.05, "plate_long_m": 0.3}
    bench = make_bench(**told(), strength=parts, braces={"bolt_m": 0.008})
    section = sections_of(bench)[0]
    whole = section.yield_pa * section.plastic_m3 / 1.67
    # Two bolts each side, 2.5 of their thickness from its end and from the joint: 150 − 40 = 110 mm apart.
    bolts = 0.11 * min(186e6 * math.pi / 4 * 0.008**2, 1.8 * section.yield_pa * 0.008 * section.wall_m)
    plates = 2 * 0.004 * 0.05**2 / 6 * 235e6 / 1.67
    across = 1 - section.wall_m * 0.009**2 / 2 / section.plastic_m3
    assert bracket_share(bench) == pytest.approx(min(bolts / whole, plates / whole, across))
    assert bracket_share(make_bench(**told())) == 0
    # One that bears less than the joint changes nothing; a stout one at the joint that governs does.
    thin = {**parts, "plate_thick_m": 0.0015, "plate_wide_m": 0.015, "plate_long_m": 0.1}
    uses = []
    for strength in (
        {"joint_share": 0.3},
        {**thin, "joint_share": 0.3},
        {**parts, "plate_long_m": 0.6, "joint_share": 0.3},
    ):
        bench = make_bench(**told(), strength=strength)
        judged = bow_found(bench)
        assert judged is not None and judged.found is not None and model_of(bench).spliced.any()
        uses.append(judged.ratio)
    assert joint_share(bench) <= 0.3
    assert uses[1] == pytest.approx(uses[0])
    assert uses[2] < uses[0]


def test_brackets_are_drawn_over_each_joint() -> None:
    plan = make_plan(**told(), strength={"bracket": "plates", "plate_long_m": 0.4})
    use = next(each for each in plan.drawings if each.view == "use")
    joints = [each for each in use.items if each.kind == "outline" and each.part == "bracket"]
    assert len(joints) == 1
    (first, last) = joints[0].path[0], joints[0].path[-1]
    assert 0.35 < math.dist((first.x, first.y), (last.x, last.y)) <= 0.4
