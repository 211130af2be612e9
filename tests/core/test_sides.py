"""Roll-up sides: turns, torque and twist by hand, what opens, what is in the way, what is bought."""

import math
from itertools import pairwise

import numpy as np
import pytest

from obtegum.core.documents.house import SiteRecord
from obtegum.core.face.goods import by_piece
from obtegum.core.face.stock import sticks_for
from obtegum.core.findings.skeleton.bays import bays_of
from obtegum.core.findings.skeleton.tubes import bow_tube
from obtegum.core.house.remedies import find_remedies
from obtegum.core.rooms.air.found import opens_of
from obtegum.core.rooms.boards.found import hip_board, hip_place, opens_m
from obtegum.core.rooms.ends.pulled import film_of
from obtegum.core.rooms.sides.found import (
    bar_tube,
    bars_of,
    curtained,
    film_out_m,
    in_the_way,
    opened_at,
    opening_m,
    rest_m,
    wound,
)
from obtegum.core.rooms.sides.goods import goods
from obtegum.core.rooms.sides.parts import parts
from obtegum.core.rooms.strength.loads import weathered
from obtegum.core.values.catalogue import default_catalogue
from obtegum.core.values.trouble import DesignError
from tests.conftest import make_bench, make_house, make_plan, verdict
from tests.core.test_strength import told

ROLLS = {"boards": {"hip": "board", "hip_m": 1.4}, "cover": {"made": "apart", "edge": "hip"}, "tape__units": "metric"}
BRACED = {"braces": {"bays": 2, "foot_m": 0.5, "head_m": 1.1, "bolt_m": 0.008}}
TALL = {"size__shape": {"kind": "round_on_legs", "leg_m": 1.5}}


def test_turns_and_thickness_by_winding_it_turn_by_turn() -> None:
    work = make_bench(**ROLLS)
    turn, bar, film = wound(work), bar_tube(work), film_of(work)
    drop = 1.4 - hip_board(work).wide_m / 2 - rest_m(work)
    assert turn.drop_m == pytest.approx(drop)
    # Each sliver of a turn lays on film of one thickness: the radius grows evenly with the angle.
    steps = np.linspace(0.0, turn.turns, 200_001)
    radius = bar.od_m / 2 + film.thick_m * steps
    laid = float(((radius[1:] + radius[:-1]) / 2 * np.diff(steps) * math.tau).sum())
    assert laid == pytest.approx(drop, rel=1e-6)
    assert turn.radius_m == pytest.approx(float(radius[-1]))


def test_torque_and_twist_by_hand() -> None:
    work = make_bench(**ROLLS)
    turn, bar, film = wound(work), bar_tube(work), film_of(work)
    kg_m = math.pi / 4 * (bar.od_m**2 - bar.bore_m**2) * 7850 + turn.drop_m * film.thick_m * 920
    long_m = work.design.size.length_m + bow_tube(work).od_m + 2 * 0.3
    assert turn.kg == pytest.approx(kg_m * long_m)
    assert turn.torque_nm == pytest.approx(turn.kg * 9.80665 * turn.radius_m)
    # Summed piece by piece: each piece of bar is twisted by what hangs beyond it.
    pieces = 4000
    beyond = (np.arange(pieces) + 0.5) / pieces * turn.torque_nm
    stiff = bar.elastic_pa / 2.6 * math.pi / 32 * (bar.od_m**4 - bar.bore_m**4)
    assert turn.lags_m == pytest.approx(float(beyond.sum()) * long_m / pieces / stiff * turn.radius_m, rel=1e-6)
    assert turn.hand_n == pytest.approx(turn.torque_nm / 0.3)
    geared = wound(make_bench(**ROLLS, sides={"gear": 10.0, "parts": 2}))
    assert geared.hand_n < turn.hand_n / 15
    assert geared.lags_m < turn.lags_m / 3.5


def test_bars_clips_and_cords_by_hand() -> None:
    # 18 m and a flap of 0.3 m at both ends: 18.64 m with the bow: four bars of 6 m, the last would be a stub of 0.64 m.
    work = make_bench(**ROLLS, size__length_m=18.0, sides={"bar_m": 6.0, "clip_m": 0.6, "cords": "each"})
    bars, part = bars_of(work), 18.0 + bow_tube(work).od_m + 0.6
    assert bars.part_m == pytest.approx(part)
    bought = {good.id: good for good in goods(work)}
    # Two stubs of 0.66 m come off one bar of 6 m: seven, not eight. A coupler at each joint.
    assert sticks_for((each for each in parts(work) if each.what == "bar"), work.rules.kerf_m) == 7
    assert bought["side-coupler"].amount == by_piece(bought["side-coupler"]) == 6
    assert bars.joints_m == (6.0, 12.0, 18.0) and bars.cut_m == pytest.approx(part - 18)
    clips = 2 * (math.ceil(part / 0.6) + 1)
    assert bought["side-clip"].amount == clips and by_piece(bought["side-clip"]) == math.ceil(1.05 * clips)
    # A cord at each bow of both sides, from the hip board down and a hand at each end.
    assert len(bought["side-cord"].seats) == 2 * bays_of(work).bows
    assert bought["side-cord"].amount == pytest.approx(2 * bays_of(work).bows * (work.design.boards.hip_m + 0.4))
    stub = bars_of(make_bench(**ROLLS, size__length_m=17.6, sides={"bar_m": 6.0, "flap_m": 0.3}))
    # 18.24 m would leave 0.24 m: the last two are cut alike.
    assert stub.joints_m[-1] == pytest.approx((stub.part_m + 12.0) / 2)
    assert stub.cut_m == pytest.approx((stub.part_m - 12.0) / 2)
    edges = (0.0, *stub.joints_m, stub.part_m)
    assert all(0.3 < high - low <= 6.0 for low, high in pairwise(edges))


def test_what_opens_at_each_height() -> None:
    work = make_bench(**ROLLS)
    high = opens_m(work) - 2 * wound(work).radius_m
    assert opening_m(work) == pytest.approx(high)
    assert opened_at(work, 0.25) == pytest.approx(2 * high * 0.25 * work.design.size.length_m)
    assert opens_of(work).sides_m2 == pytest.approx(opened_at(work, 1.0))
    assert opening_m(make_bench()) == 0.0 and not curtained(make_bench())


def test_a_bolt_in_its_way_is_told_with_ways_out() -> None:
    work = make_bench(**ROLLS, **BRACED, **TALL)
    # On a plumb leg film hangs off the bow by the hip board's thickness; a nut stands out 1.2 bolts and a washer.
    found = in_the_way(work)
    assert found and {each.what for each in found} >= {"the bolt of brace L1’s foot", "the bolt of brace L1’s head"}
    thick = hip_board(work).thick_m
    assert all(each.clear_m == pytest.approx(thick - (1.2 * 0.008 + 0.002), abs=1e-6) for each in found)
    assert verdict(make_plan(**ROLLS, **BRACED, **TALL), "side-clear").level == "holds"
    # On the curve the bow stands out further below than the board above: film lies on it, and on each nut.
    low = {**ROLLS, **BRACED, "size__shape": {"kind": "round_on_legs", "leg_m": 0.0}, "posts__reveal_m": 0.2}
    bent = make_bench(**low)
    assert min(each.clear_m for each in in_the_way(bent)) < 0
    said = verdict(make_plan(**low), "side-clear")
    assert said.level == "fails" and "brace" in said.sentence
    ways = [each for each in find_remedies(make_house(**low), SiteRecord(), default_catalogue())
            if each.verdict == "side-clear"]  # fmt: skip
    assert ways and all(each.level != "fails" for each in ways)
    # Rolled inward the roll itself has to pass.
    inward = make_bench(**ROLLS, **BRACED, **TALL, sides={"rolls": "in"})
    assert in_the_way(inward)[0].clear_m == pytest.approx(found[0].clear_m - 2 * wound(work).radius_m)


def test_film_hangs_plumb_from_the_board_or_lies_on_the_bow() -> None:
    work = make_bench(**ROLLS, **TALL)
    board = -hip_place(work)[0] + hip_board(work).thick_m / 2
    assert film_out_m(work, 0.6) == pytest.approx(board)
    curved = make_bench(**ROLLS, size__shape={"kind": "round_on_legs", "leg_m": 0.0})
    outs = [film_out_m(curved, up) for up in (1.2, 0.9, 0.6, 0.3)]
    assert outs == sorted(outs)


def test_set_points_that_open_and_shut_at_once_are_refused() -> None:
    with pytest.raises(DesignError, match="open and shut at once") as error:
        make_house(**ROLLS, sides={"drive": "motor", "open_c": 20.0, "shut_c": 21.0})
    assert error.value.troubles[0].path == "sides.shut_c"


def test_a_motor_is_judged_by_its_rating_and_not_known_without() -> None:
    motor = {**ROLLS, "sides": {"drive": "motor"}}
    assert verdict(make_plan(**motor), "side-turn").level == "unknown"
    needs = wound(make_bench(**motor)).torque_nm
    weak = {**ROLLS, "sides": {"drive": "motor", "motor_nm": needs * 0.9}}
    assert verdict(make_plan(**weak), "side-turn").level == "fails"
    strong = {**ROLLS, "sides": {"drive": "motor", "motor_nm": needs * 2}}
    assert verdict(make_plan(**strong), "side-turn").level == "holds"


def test_loads_count_wind_that_gets_in_where_sides_are_up() -> None:
    """Each method's wind has a case with an opening in one side: pressure from inside lifts the whole roof."""
    for units in ("feet", "metric"):
        weather = weathered(make_bench(**{**told(), **ROLLS, "tape__units": units}))
        assert weather is not None
        assert any("open" in case.words for case in weather.cases if case.kind == "wind")
