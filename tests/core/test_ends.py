"""End walls: sticks against a construction of their own, doors that can be, wind by hand."""

import math
import random
from typing import Any

import numpy as np
import pytest

from obtegum.core.anchor.pole import pole_shear
from obtegum.core.catalogue import default_catalogue
from obtegum.core.plan import plan_house
from obtegum.core.quantity import FOOT_M, INCH_M
from obtegum.core.remedies import find_remedies
from obtegum.core.rooms import SiteRecord
from obtegum.core.rooms.bows.tubes import bow_tube
from obtegum.core.rooms.ends.found import back_wall, front_wall, leaves_of, sizes, wind_on
from obtegum.core.rooms.size.found import centre_line
from obtegum.core.rooms.soil.found import ground_of
from obtegum.core.scribe import under_m
from obtegum.core.timber import bending_pa, bent_share
from obtegum.core.trouble import DesignError
from obtegum.core.weather.local import eu_wall, us_wall
from obtegum.core.work import Work
from tests.conftest import make_bench, make_house, make_plan, verdict
from tests.core.test_counts import refused
from tests.core.test_frame_up import SHAPES, sheet_value
from tests.core.test_strength import told


def framed(**changes: Any) -> dict[str, Any]:
    return {"ends": {"front": {"kind": "framed", **changes}}}


def sampled(work: Work) -> np.ndarray[Any, Any]:
    """The bow's centre line as many points."""
    bow = centre_line(work)
    return np.array([bow.point(float(s)) for s in np.linspace(0.0, bow.girth_m, 60001)])


def under_by_points(points: np.ndarray[Any, Any], half: float, x: float) -> float:
    """How high the inner face is: of all points near, each with a circle of half a tube about it, the lowest place on
    the plumb line that any of them reaches from above."""
    near = points[np.abs(points[:, 0] - x) < half]
    high = near[near[:, 1] > near[:, 1].max() - 1.0] if len(near) else near
    return float((high[:, 1] - np.sqrt(half**2 - (high[:, 0] - x) ** 2)).min())


@pytest.mark.parametrize("shape", SHAPES)
def test_the_inner_face_against_circles_about_many_points(shape: dict[str, Any]) -> None:
    bench = make_bench(size__span_m=4.4, size__shape=shape)
    points, half = sampled(bench), bow_tube(bench).od_m / 2
    for x in np.linspace(-1.9, 1.9, 23):
        found = under_m(centre_line(bench), half, float(x))
        assert found is not None
        assert found == pytest.approx(under_by_points(points, half, float(x)), abs=1e-4), x


def test_studs_of_a_half_circle_by_hand() -> None:
    # A half circle of 2.2 m on legs of 0.7 m: its inner face at x is 0.7 + √((2.2 − D/2)² − x²).
    bench = make_bench(size__span_m=4.4, size__shape=SHAPES[0], **framed(door="none", apart_m=1.0))
    radius = 2.2 - bow_tube(bench).od_m / 2
    wide = sizes(bench, "front")[0]
    studs = [stick for stick in front_wall(bench).sticks if stick.what == "stud"]
    assert len(studs) == 4
    for stud in studs:
        x = stud.ends[0][0]
        edges = [0.7 + math.sqrt(radius**2 - (x + sign * wide / 2) ** 2) for sign in (-1, 1)]
        assert stud.cut is not None
        assert (stud.cut.left_m, stud.cut.right_m) == pytest.approx(tuple(edges), abs=1e-7)
        assert stud.long_m == pytest.approx(max(edges) - wide, abs=1e-7)
        assert stud.cut.bevel_rad == pytest.approx(math.atan2(abs(edges[0] - edges[1]), wide), abs=1e-6)


def test_the_back_is_no_copy_of_the_front() -> None:
    ends = {"front": {"kind": "framed", "door": "swing"}, "back": {"kind": "framed", "door": "none", "apart_m": 0.6}}
    bench = make_bench(ends=ends)
    assert front_wall(bench).way is not None
    assert back_wall(bench).way is None
    assert len(back_wall(bench).sticks) > len(front_wall(bench).sticks)
    assert make_bench(ends={"front": {"kind": "framed"}}) and not back_wall(make_bench()).sticks


def test_a_doorway_has_jambs_in_the_ground_and_a_header_between() -> None:
    bench = make_bench(**framed(door="swing", wide_m=1.2, high_m=2.0, deep_m=0.6, left_m=1.5))
    wall, half = front_wall(bench), bench.design.size.span_m / 2
    wide = sizes(bench, "front")[0]
    jambs = [stick for stick in wall.sticks if stick.what == "jamb"]
    assert [jamb.ends[0] for jamb in jambs] == [
        pytest.approx((1.5 - half - wide / 2, -0.6)),
        pytest.approx((2.7 - half + wide / 2, -0.6)),
    ]
    (header,) = (stick for stick in wall.sticks if stick.what == "header")
    assert header.long_m == pytest.approx(1.2)
    assert header.ends[0][1] == pytest.approx(2.0 + wide / 2)
    assert all(stick.what != "sill" or not -half + 1.5 < stick.ends[1][0] < -half + 2.7 for stick in wall.sticks)


def test_leaves_leave_their_clearances() -> None:
    (leaf,) = leaves_of(make_bench(**framed(door="swing", wide_m=1.2, high_m=2.0)), "front")
    assert (leaf.wide_m, leaf.high_m) == pytest.approx((1.192, 1.987))
    assert leaf.square_m == pytest.approx(math.hypot(1.192, 1.987))
    two = leaves_of(make_bench(**framed(door="double", wide_m=2.4, high_m=2.0)), "front")
    assert [each.wide_m for each in two] == pytest.approx([(2.4 - 0.011) / 2] * 2)
    assert leaves_of(make_bench(**framed(door="way")), "front") == ()


@pytest.mark.parametrize(
    ("measure", "text", "says"),
    [
        ("ends.front.high_m", "3.9 m", "header’s corner would stand through the bow"),
        ("ends.front.wide_m", "3.9 m", "stand through the bow"),
        ("ends.front.left_m", "4.3 m", "from the left post can be"),
    ],
)
def test_a_door_that_cannot_be_there_is_refused(measure: str, text: str, says: str) -> None:
    changes = {"left_m": 1.0} if measure.endswith("left_m") else {}
    house = make_house(size__span_m=4.4, size__shape=SHAPES[0], **framed(door="swing", wide_m=1.0, **changes))
    error = refused(house, (measure, text)).troubles[0]
    assert says in error.sentence
    assert error.path == measure


def test_a_leaf_that_slides_wants_somewhere_to_go() -> None:
    house = make_house(size__span_m=4.4, size__shape=SHAPES[0], **framed(door="swing", wide_m=1.6, high_m=2.0))
    error = refused(house, ("ends.front.door", "sliding")).troubles[0]
    assert "nowhere to go" in error.sentence


def test_wind_on_a_stud_by_hand() -> None:
    # Rule B20's check: 38 × 89 spruce, 2.4 m, 0.6 m apart, 0.6 × 0.9 kPa: M = 540·0.6·2.4²/8 = 233 N·m, fb 4.6 MPa.
    moment = 540 * 0.6 * 2.4**2 / 8
    assert moment / (0.038 * 0.089**2 / 6) == pytest.approx(4.65e6, rel=0.01)
    # NDS: 6.03·1.5 = 9.05 over 7.9, so wet 0.85; × 1.6 for wind: 12.3 MPa.
    assert bending_pa(0.089, "us") == pytest.approx(6.03e6 * 1.5 * 0.85 * 1.6)
    assert bent_share(moment, 0.038, 0.089, "us") == pytest.approx(4.65 / 12.30, rel=0.01)
    assert bending_pa(0.1, "eu") == pytest.approx(16e6 * 0.7 / 1.3)


def test_local_pressure_by_hand() -> None:
    # ASCE 7-16, 30.3-1: 1 m² of edge: −1.4 + 0.6·log(1/0.93)/log(50) = −1.389; with an end open 0.55 more; × 0.6.
    drawn = 1.4 - 0.6 * math.log(1 / 0.93) / math.log(50)
    assert us_wall(800.0, 1.0, True) == pytest.approx(0.6 * 800 * (drawn + 0.55))
    assert us_wall(100.0, 1.0, True) == pytest.approx(0.6 * 770)
    assert us_wall(800.0, 0.5, True) == pytest.approx(0.6 * 800 * 1.95)
    assert eu_wall(600.0, 1.0) == pytest.approx(1.5 * 600 * (1.4 + 0.72))
    assert eu_wall(600.0, 20.0) == pytest.approx(1.5 * 600 * (1.2 + 0.72))


def test_the_worst_stud_and_the_jambs_feet() -> None:
    bench = make_bench(**told(), soil={"kind": "clay"}, **framed(door="swing", wide_m=1.0, high_m=1.9, apart_m=0.9))
    blown = wind_on(bench, "front")
    assert blown is not None and blown.foot_share is not None
    q, (wide, deep) = sheet_value(bench, "q"), sizes(bench, "front")
    half = bench.design.size.span_m / 2
    plumb = sorted(
        (s for s in front_wall(bench).sticks if s.what in ("stud", "jamb")), key=lambda each: each.ends[0][0]
    )
    places = [-half, *(each.ends[0][0] for each in plumb), half]
    shares, feet = [], []
    for at, stick in enumerate(plumb):
        carries = (places[at + 2] - places[at]) / 2
        assert stick.cut is not None
        free = stick.cut.long_m
        p = us_wall(q, free * max(carries, free / 3), True)
        shares.append(p * carries * free**2 / 8 / (wide * deep**2 / 6) / bending_pa(deep, "us"))
        ground = ground_of(bench)
        if stick.what == "jamb" and ground is not None:
            feet.append(p * carries * free / 2 / pole_shear(ground, wide, 0.6, free / 4, 2.0))
    assert blown.stud_share == pytest.approx(max(shares))
    assert blown.foot_share == pytest.approx(max(feet))


def test_more_wind_and_wider_bays_never_ask_less() -> None:
    shares = []
    for speed in (25.0, 40.0, 55.0):
        blown = wind_on(make_bench(**told(wind_mps=speed), **framed()), "front")
        assert blown is not None
        shares.append(blown.stud_share)
    assert shares == sorted(shares)
    close, far = (wind_on(make_bench(**told(), **framed(door="none", apart_m=each)), "front") for each in (0.5, 1.4))
    assert close is not None and far is not None
    assert close.stud_share < far.stud_share


def test_studs_that_are_too_weak_have_ways_out() -> None:
    house = make_house(**told(wind_mps=45.0), soil={"kind": "clay"}, **framed(apart_m=1.4, stand="flat", deep_m=0.3))
    plan = plan_house(house, SiteRecord(), default_catalogue())
    assert verdict(plan, "stud-front").level == "fails"
    found = find_remedies(house, SiteRecord(), default_catalogue())
    assert any(each.verdict == "stud-front" and each.level in ("holds", "tight") for each in found)


def test_every_stick_is_under_its_bow_and_on_its_feet(pytestconfig: pytest.Config) -> None:
    count = 200 if pytestconfig.getoption("--deep") else 24
    stood = sum(stands(seed) for seed in range(count))
    assert stood > count / 2


def stands(seed: int) -> bool:
    """Every stick of a random end: under the bow, on something, off its neighbours; whether there is such an end."""
    chance = random.Random(seed)
    door = chance.choice(["none", "way", "swing", "double", "sliding"])
    parts = {
        "kind": "framed", "door": door, "wide_m": chance.uniform(0.7, 2.4), "high_m": chance.uniform(1.6, 2.3),
        "apart_m": chance.uniform(0.4, 1.5), "stand": chance.choice(["edge", "flat"]),
        "left_m": chance.choice([None, chance.uniform(0.6, 2.4)]), "sill": chance.choice(["plate", "none"]),
    }  # fmt: skip
    try:
        work = make_bench(size__span_m=4.4, size__shape=SHAPES[seed % len(SHAPES)], ends={"front": parts})
        wall = front_wall(work)
    except DesignError:
        return False
    points, half = sampled(work), bow_tube(work).od_m / 2
    boxes = []
    for stick in wall.sticks:
        (x0, y0), (x1, _) = stick.ends
        if stick.cut is not None:
            for edge, high in ((-1, stick.cut.left_m), (1, stick.cut.right_m)):
                assert high == pytest.approx(under_by_points(points, half, x0 + edge * stick.wide_m / 2), abs=1e-3)
            boxes.append((x0 - stick.wide_m / 2, x0 + stick.wide_m / 2, y0, stick.cut.short_m))
        else:
            boxes.append((x0, x1, y0 - stick.wide_m / 2, y0 + stick.wide_m / 2))
        on_ground = y0 <= stick.wide_m + 1e-9
        on_header = any(o.what == "header" and abs(y0 - o.ends[0][1] - o.wide_m / 2) < 1e-9 for o in wall.sticks)
        between = stick.what == "header" and sum(o.what == "jamb" for o in wall.sticks) == 2
        assert on_ground or on_header or between, stick
    for place, one in enumerate(boxes):
        for other in boxes[place + 1 :]:
            wide = min(one[1], other[1]) - max(one[0], other[0])
            high = min(one[3], other[3]) - max(one[2], other[2])
            assert wide < 1e-6 or high < 1e-6, (seed, one, other)
    return True


def test_the_cut_list_is_lettered_from_the_left() -> None:
    plan = make_plan(**framed(door="swing", wide_m=4 * FOOT_M, high_m=78 * INCH_M))
    letters = [strip.title for strip in plan.strips if strip.id.startswith("end:front:")]
    assert letters == sorted(letters)
    step = next(each for each in plan.steps if each.id == "ends")
    assert step.group == "Close in"
    assert step.measures[0] == "ends.shown"


def test_a_leaf_narrower_than_its_own_boards_is_refused() -> None:
    house = make_house(**framed(door="double", wide_m=1.2, stud="board-2x6"))
    error = refused(house, ("ends.front.wide_m", "0.5 m")).troubles[0]
    assert error.path == "ends.front.wide_m"
    assert "so narrow" in error.sentence
    assert "isn’t counted anywhere yet" in verdict(make_plan(**told(), **framed()), "stud-front").sentence
