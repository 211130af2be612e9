"""Where a bow's nodes lie: on every break of every load, and what finer ones would change."""

import random
from typing import Any

import numpy as np
import pytest

from obtegum.core.findings.skeleton.bows import girth_at, split_of
from obtegum.core.findings.skeleton.line import centre_line
from obtegum.core.findings.skeleton.runs import runs_of
from obtegum.core.findings.work import Work
from obtegum.core.formulas.profile import Arc, Chain, Line
from obtegum.core.rooms.size.compared import SHAPE_LABELS, shape_of
from obtegum.core.rooms.strength import model
from obtegum.core.rooms.strength.found import bow_found
from obtegum.core.rooms.strength.model import model_of
from obtegum.core.values.trouble import DesignError
from tests.conftest import make_bench, make_house
from tests.core.test_strength import TOLD

TUBES = ("round-42.4", "round-48.3", "round-60.3", "rail-1-3-8", "post-1-5-8", "structural-1-1-2")
FINE = 312


def some_bow(chance: random.Random) -> dict[str, Any]:
    """A house of any shape but sprung, in any weather, by one of two codes; what can be one and isn't far too weak."""
    while True:
        units, span = chance.choice(("feet", "metric")), chance.uniform(3.5, 8.0)
        base = make_house(tape__units=units, size__span_m=span, size__length_m=12.0)
        shape = shape_of(chance.choice([kind for kind in SHAPE_LABELS if kind != "sprung"]), base.size)
        weather = {
            "method": chance.choice(("us", "eu")),
            "ground_snow_pa": chance.uniform(300, 1800),
            "wind_mps": chance.uniform(18, 40),
            "openness": chance.choice(("woods", "country", "coast")),
            "shelter": chance.choice(("open", "part", "sheltered")),
            "use": chance.choice(("plants", "people")),
            "heat": chance.choice(("none", "frost_free", "heated")),
            "film": "on",
            "sides": chance.choice(("free", "cleared", "blocked")),
        }
        house = {
            "tape__units": units,
            "size__span_m": span,
            "size__length_m": 12.0,
            "size__shape": shape.model_dump(),
            "bows__making": "rolls",
            "bows__tube": chance.choice(TUBES),
            "posts__tube": "round-76.1",
            "posts__reveal_m": chance.choice((0.0, 0.2, 0.4)),
            "bows__max_spacing_m": chance.uniform(0.6, 1.5),
            "braces__ties": chance.choice(("none", "none", "collar", "knee", "truss")),
            "weather": weather,
        }
        try:
            judged = bow_found(make_bench(**house))
        except DesignError:
            continue
        if judged is not None and judged.found is not None and judged.ratio < 3:
            return house


def governed(work: Work) -> float:
    """What a bow uses."""
    judged = bow_found(work)
    assert judged is not None and judged.found is not None
    return judged.ratio


def test_finer_pieces_change_the_use_by_less_than_half_a_percent(
    pytestconfig: pytest.Config, monkeypatch: pytest.MonkeyPatch
) -> None:
    chance = random.Random(35)
    houses = [some_bow(chance) for _ in range(60 if pytestconfig.getoption("--deep") else 12)]
    plain = [governed(make_bench(**house)) for house in houses]
    monkeypatch.setattr(model, "BOW_PIECES", FINE)
    monkeypatch.setattr(model, "POST_PIECES", FINE // 13)
    for house, use in zip(houses, plain, strict=True):
        fine = governed(make_bench(**house))
        # H1-1 tells a share that jumps by up to a tenth where pressing comes to a fifth of what is allowed.
        jumps = abs(use - fine) == pytest.approx(0.1 - (use - 0.1) / 9, abs=0.01)
        assert use == pytest.approx(fine, rel=0.005) or jumps, house


def test_nodes_lie_on_every_break() -> None:
    bench = make_bench(boards__hip="board", boards__hip_m=1.1, braces__ties="collar", braces__tie_m=2.6, weather=US)
    found, bow = model_of(bench), centre_line(bench)
    radius, leg = 21 / 2 * 0.3048, 2 * 0.3048

    def met(s_m: float) -> bool:
        return bool(np.abs(found.s_m - s_m).min() <= 0.004)

    # Half a circle on legs: 15°, 30° and 70° from the crown, a quarter of the span, the spring line, the crown.
    for degrees in (0.0, 15.0, 30.0, 70.0, 90.0):
        assert met(bow.girth_m / 2 + radius * np.radians(degrees)), degrees
    assert met(bow.at_x(radius / 2)[0]) and met(leg)
    assert all(met(girth_at(bench, run.at_m)) for run in runs_of(bench))
    assert all(met(s_m) for s_m in bow.at_y(1.1) + bow.at_y(2.6))
    half = split_of(bench).joint_m / 2
    assert half > 0
    for joint in split_of(bench).joints_m:
        assert met(girth_at(bench, joint) - half) and met(girth_at(bench, joint) + half)
    # No more than there were before, and what is between; and each node as far from the middle as its mirror.
    assert found.frame.count <= model.BOW_PIECES + 2 * model.POST_PIECES + 44
    assert (found.frame.nodes[:, 0] == -found.frame.nodes[::-1, 0]).all()


US: dict[str, Any] = {**TOLD, "method": "us", "ground_snow_pa": 900.0, "wind_mps": 35.0}


def test_loads_are_gathered_over_each_piece() -> None:
    # What lies on each element is what lies on its pieces: the whole snow on plan, and its moment about a foot.
    bench = make_bench(weather=US)
    judged = bow_found(bench)
    assert judged is not None
    fine, coarse = judged.model.fine, judged.model.outline
    loads = np.linspace(0.0, 700.0, len(fine.outline.x))
    gathered = fine.gathered(loads)
    assert float((gathered * coarse.length).sum()) == pytest.approx(float((loads * fine.outline.length).sum()))
    one = fine.first[5]
    mean = np.average(loads[one : one + 4], weights=fine.outline.length[one : one + 4])
    assert gathered[5] == pytest.approx(mean, rel=1e-3)


def test_what_presses_is_told_along_the_curve() -> None:
    # Half a circle in pieces of one turn: each end leans by half of the turn of its piece, out at its start.
    bench = make_bench(weather=US)
    found = model_of(bench)
    assert found.frame.lean is not None
    radius = 21 / 2 * 0.3048
    turned = np.diff(found.s_m) / radius / 2
    arc = (found.s_m[:-1] > 0.62) & (found.s_m[1:] < centre_line(bench).girth_m - 0.62)
    np.testing.assert_allclose(found.frame.lean[arc], np.stack([turned, -turned], axis=1)[arc], rtol=1e-3)
    np.testing.assert_allclose(found.frame.lean[: found.edge], 0.0, atol=1e-12)


def test_many_points_are_each_point() -> None:
    bow = Chain((Line(-3, 0, -3, 1), Arc(0, 1, 3, np.pi, np.pi / 2), Arc(0, 1, 3, np.pi / 2, np.pi / 2)))
    places = np.array([-1.0, 0.0, 0.4, 1.0, 2.5, 5.7123889803846895, 8.0, bow.girth_m, 99.0])
    np.testing.assert_allclose(bow.points(places), [bow.point(float(s_m)) for s_m in places], atol=1e-12)
