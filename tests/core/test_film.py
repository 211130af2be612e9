"""What film pulls at an end, by closed forms and statics: the end bow, its runs, its struts, its stake."""

import math
from itertools import pairwise
from typing import Any

import numpy as np
import pytest
from scipy.optimize import brentq

from obtegum.core.findings.skeleton.bays import bays_of
from obtegum.core.findings.skeleton.bows import girth_at
from obtegum.core.findings.skeleton.line import centre_line
from obtegum.core.findings.skeleton.runs import runs_of
from obtegum.core.formulas.film import film_pull_n_m
from obtegum.core.formulas.frame.steel import allowable
from obtegum.core.rooms.ends.props import struts_of
from obtegum.core.rooms.ends.pulled import pulled_by, tension_n_m
from obtegum.core.rooms.strength.found import end_alone, joint_share
from obtegum.core.rooms.strength.loads import end_weathered
from obtegum.core.rooms.strength.model import sections_of
from obtegum.core.values.trouble import DesignError
from tests.conftest import make_bench, make_house, make_plan, verdict
from tests.core.test_strength import told


def ends(film: str = "bow", **more: Any) -> dict[str, Any]:
    tight = {"tight_n_m": more.pop("tight_n_m")} if "tight_n_m" in more else {}
    return {
        **told(),
        "strength": {"runs": 3},
        "braces": {"bays": 2},
        "ends": {"front": {"film": film, **more}, **tight},
    }


def test_film_between_bows_by_the_closed_form() -> None:
    # 600 Pa on film of 0.15 mm between bows 1.2 m apart, slack: T = (E·t·p²·b²/24)^⅓, about 0.87 kN/m.
    pull = film_pull_n_m(30e3, 600.0, 1.2, 0.0)
    assert pull == pytest.approx((30e3 * 600.0**2 * 1.2**2 / 24) ** (1 / 3))
    assert pull == pytest.approx(870, rel=0.01)
    sag = 600 * 1.2**2 / (8 * pull)
    assert 1.2 / sag == pytest.approx(9.6, rel=0.01)
    # Still air leaves what it was fitted with; and it is as long as a parabola of that sag asks for.
    assert film_pull_n_m(30e3, 0.0, 1.2, 200.0) == pytest.approx(200)
    tight = film_pull_n_m(30e3, 600.0, 1.2, 200.0)
    assert (tight - 200) / 30e3 == pytest.approx(8 / 3 * (600 * 1.2 / (8 * tight)) ** 2)


def test_a_shallow_cable_by_its_own_length() -> None:
    # The catenary's parabola measured along itself, not by the first term of its series.
    stiff, pressure, bay, tight = 40e3, 900.0, 1.5, 150.0

    def off(pull: float) -> float:
        slope = pressure * bay / 2 / pull
        long = pull / pressure * (slope * math.sqrt(1 + slope**2) + math.asinh(slope)) / bay
        return long - 1 - (pull - tight) / stiff

    assert film_pull_n_m(stiff, pressure, bay, tight) == pytest.approx(brentq(off, 200, 5000), rel=0.01)


def test_nothing_is_said_of_film_that_nobody_told() -> None:
    bench = make_bench(**told())
    assert pulled_by(bench, "front") is None and pulled_by(bench, "back") is None
    assert not any(each.id.startswith("film") for each in make_plan(**told()).verdicts)


def test_the_end_bow_its_runs_and_its_struts_by_statics() -> None:
    bench = make_bench(**ends(strut="sides", strut_m=1.5))
    pulled, tension, bow = pulled_by(bench, "front"), tension_n_m(bench), centre_line(bench)
    assert pulled is not None and pulled.strut is not None and tension is not None and pulled.share is not None
    weather = end_weathered(bench)
    assert weather is not None
    most = max(float(np.hypot(*case.per_area.T).max()) for case in weather.cases if case.kind == "wind")
    bay = bays_of(bench).bay_m
    assert tension == pytest.approx(film_pull_n_m(200e6 * 152.4e-6, 1.5 * 0.6 * most, bay, 200.0))
    assert pulled.inward_n_m == pytest.approx(tension)
    # Half a bow about its foot: the moment of film along its girth, held by a strut that leans to the next foot.
    places = np.linspace(0, bow.girth_m / 2, 4001)
    heights = np.array([bow.point(float(s))[1] for s in places])
    about = float(np.trapezoid(tension * heights, places))
    long = math.hypot(bay, 1.5)
    assert pulled.strut.long_m == pytest.approx(long)
    assert pulled.strut.pressed_n == pytest.approx(about / 1.5 * long / bay, rel=0.01)
    # Between feet, runs and struts, as a beam over two spans of the longest.
    held = sorted({0.0, bow.girth_m, *bow.at_y(1.5), *(girth_at(bench, run.at_m) for run in runs_of(bench))})
    gap = max(high - low for low, high in pairwise(held))
    bears = allowable(sections_of(bench)[0]).moment_nm * joint_share(bench)
    assert pulled.aside == pytest.approx(tension * gap**2 / 8 / bears)
    alone = end_alone(bench)
    assert alone is not None
    assert pulled.share == pytest.approx(alone.ratio + pulled.aside)
    left, right = struts_of(bench, "front")
    assert left.long_m == pytest.approx(right.long_m)
    assert left.ends[1][0] == bay and left.ends[0][1] == pytest.approx(-right.ends[0][1])


def test_a_stake_takes_film_past_the_bow_and_spares_it_some() -> None:
    bow, near, far = (
        pulled_by(make_bench(**ends(film, stake_m=out)), "front")
        for film, out in (("bow", 1.2), ("stake", 0.6), ("stake", 4.0))
    )
    assert bow and near and far and bow.stake_n is None and near.stake_n is not None
    # The further out, the straighter it runs on: less inward, at the most T·(1 − d/r) over the furthest place.
    assert bow.inward_n_m > near.inward_n_m > far.inward_n_m > 0
    size = make_bench(**ends()).design.size
    reach = max(size.height_m, math.hypot(size.span_m / 2, size.leg_m))
    assert near.inward_n_m <= near.tension_n_m * (1 - 0.6 / math.hypot(reach, 0.6)) + 1e-9
    girth = centre_line(make_bench(**ends())).girth_m
    assert near.stake_n == pytest.approx(near.tension_n_m * girth, rel=0.02)


def test_tighter_film_pulls_more_and_a_second_layer_adds_its_own() -> None:
    pulls = [tension_n_m(make_bench(**ends(tight_n_m=tight))) for tight in (0.0, 200.0, 800.0)]
    assert pulls == sorted(pulls) and pulls[0] > 0  # type: ignore[type-var, operator]
    one, two = (tension_n_m(make_bench(**{**ends(), **told(layers=layers)})) for layers in ("one", "two"))
    assert one is not None and two is not None
    assert two - one == pytest.approx(200.0)


def test_laths_hold_no_end_bow_and_a_strut_is_offered() -> None:
    laths = {**ends(), "runs": {"of": "laths"}}
    plan = make_plan(**laths)
    assert verdict(plan, "filmrun-front").level == "unknown"
    assert "strut" in verdict(plan, "filmrun-front").sentence
    held = make_plan(**{**laths, "ends": {"front": {"film": "bow", "strut": "sides"}}})
    assert verdict(held, "filmstrut-front").ratio is not None


def test_a_strut_over_the_crown_is_refused_with_the_nearest() -> None:
    with pytest.raises(DesignError, match="over its crown") as caught:
        make_house(**ends(strut="sides", strut_m=3.9))
    assert caught.value.troubles[0].path == "ends.front.strut_m"
