"""Bows worked into posts that stand elsewhere: what is locked in by closed forms; weather starts from there."""

import math

import numpy as np
import pytest

from obtegum.core.frame.forced import locked_in
from obtegum.core.rooms.strength.found import bow_found, forced_bow, why_unknown
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
        patched.setattr("obtegum.core.rooms.strength.found._locked", lambda work, model: None)
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
