"""End walls: sticks against a construction of their own, doors that can be, wind by hand."""

import itertools
import math
import random
from typing import Any

import numpy as np
import pytest

from obtegum.core.documents.house import SiteRecord
from obtegum.core.findings.skeleton.bays import bays_of
from obtegum.core.findings.skeleton.line import centre_line
from obtegum.core.findings.skeleton.openings import bay_m, opened
from obtegum.core.findings.skeleton.outline import half_m, sizes
from obtegum.core.findings.skeleton.tubes import bow_tube
from obtegum.core.findings.work import Work
from obtegum.core.formulas.anchor.pole import pole_shear
from obtegum.core.formulas.cut_to_curve import beside_m, over_m, under_m
from obtegum.core.formulas.frame.along import beam_moment, continuous
from obtegum.core.formulas.timber import (
    Bearing,
    bent_share,
    ec5_bending_pa,
    nds_bending_pa,
    screw_lateral_n,
    washer_n,
    wood_bearing_pa,
)
from obtegum.core.formulas.weather.local import eu_wall, us_wall
from obtegum.core.house.plan import plan_house
from obtegum.core.house.remedies import find_remedies
from obtegum.core.rooms.ends.air import air_of
from obtegum.core.rooms.ends.blown import bow_pushed, wind_on
from obtegum.core.rooms.ends.leaf import leaves_of
from obtegum.core.rooms.ends.props import props_of
from obtegum.core.rooms.ends.schools import cut_m
from obtegum.core.rooms.ends.wall import Stick, stakes_m, wall_of
from obtegum.core.rooms.soil.found import ground_of
from obtegum.core.values.catalogue import default_catalogue
from obtegum.core.values.quantity import FOOT_M, INCH_M
from obtegum.core.values.trouble import DesignError
from tests.conftest import make_bench, make_house, make_plan, verdict
from tests.core.test_counts import changed, refused
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
    studs = [stick for stick in wall_of(bench, "front").sticks if stick.what == "stud"]
    assert len(studs) == 4
    for stud in studs:
        x = stud.ends[0][0]
        edges = [0.7 + math.sqrt(radius**2 - (x + sign * wide / 2) ** 2) for sign in (-1, 1)]
        assert (stud.corners[3][1], stud.corners[2][1]) == pytest.approx(tuple(edges), abs=1e-7)
        assert stud.long_m == pytest.approx(max(edges) - wide, abs=1e-7)
        assert stud.bevels_rad[0] == pytest.approx(math.atan2(abs(edges[0] - edges[1]), wide), abs=1e-6)


def test_the_back_is_no_copy_of_the_front() -> None:
    ends = {"front": {"kind": "framed", "door": "swing"}, "back": {"kind": "framed", "door": "none", "apart_m": 0.6}}
    bench = make_bench(ends=ends)
    assert wall_of(bench, "front").openings
    assert wall_of(bench, "back").openings == ()
    assert len(wall_of(bench, "back").sticks) > len(wall_of(bench, "front").sticks)
    assert make_bench(ends={"front": {"kind": "framed"}}) and not wall_of(make_bench(), "back").sticks


def test_a_doorway_has_jambs_in_the_ground_and_a_header_between() -> None:
    bench = make_bench(**framed(door="swing", wide_m=1.2, high_m=2.0, deep_m=0.6, left_m=1.5))
    wall, half = wall_of(bench, "front"), bench.design.size.span_m / 2
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
    # Two stiles of 89 mm, built dry, come to 8 % more moisture: 0.25 % a percent, 3.6 mm.
    swells = 0.0025 * 8 * 2 * 3.5 * INCH_M
    assert (leaf.wide_m, leaf.high_m) == pytest.approx((1.192 - swells, 1.987))
    assert leaf.square_m == pytest.approx(math.hypot(1.192 - swells, 1.987))
    (wet,) = leaves_of(make_bench(**framed(door="swing", wide_m=1.2, high_m=2.0, built="wet")), "front")
    assert wet.wide_m == pytest.approx(1.192)
    two = leaves_of(make_bench(**framed(door="double", wide_m=2.4, high_m=2.0, built="wet")), "front")
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
    assert nds_bending_pa(0.089) == pytest.approx(6.03e6 * 1.5 * 0.85 * 1.6)
    assert bent_share(moment, 0.038, 0.089, nds_bending_pa(0.089)) == pytest.approx(4.65 / 12.30, rel=0.01)
    assert ec5_bending_pa(0.1) == pytest.approx(16e6 * 0.7 / 1.3)


def test_local_pressure_by_hand() -> None:
    # ASCE 7-16, 30.3-1: 1 m² of edge: −1.4 + 0.6·log(1/0.93)/log(50) = −1.389; with an end open 0.55 more; × 0.6.
    drawn = 1.4 - 0.6 * math.log(1 / 0.93) / math.log(50)
    assert us_wall(800.0, 1.0, True) == pytest.approx(0.6 * 800 * (drawn + 0.55))
    assert us_wall(100.0, 1.0, True) == pytest.approx(0.6 * 770)
    assert us_wall(800.0, 0.5, True) == pytest.approx(0.6 * 800 * 1.95)
    assert eu_wall(600.0, 1.0, -0.45) == pytest.approx(1.5 * 600 * (1.4 + 0.72))
    assert eu_wall(600.0, 20.0, -0.45) == pytest.approx(1.5 * 600 * (1.2 + 0.72))
    # An opening that draws more than that suction presses the wall in: 1.0 + 1.2.
    assert eu_wall(600.0, 1.0, -1.2) == pytest.approx(1.5 * 600 * 2.2)


def test_the_worst_stud_and_the_jambs_feet() -> None:
    bench = make_bench(**told(), soil={"kind": "clay"}, **framed(door="swing", wide_m=1.0, high_m=1.9, apart_m=0.9))
    blown = wind_on(bench, "front")
    assert blown is not None and blown.foot_share is not None
    q, (wide, deep) = sheet_value(bench, "q"), sizes(bench, "front")
    half = bench.design.size.span_m / 2
    plumb = sorted(
        (s for s in wall_of(bench, "front").sticks if s.what in ("stud", "jamb")), key=lambda each: each.ends[0][0]
    )
    places = [-half, *(each.ends[0][0] for each in plumb), half]
    shares, feet, heads = [], [], []
    for at, stick in enumerate(plumb):
        carries = (places[at + 2] - places[at]) / 2
        free = stick.ends[1][1]
        p = us_wall(q, free * max(carries, free / 3), True)
        shares.append(p * carries * free**2 / 8 / (wide * deep**2 / 6) / nds_bending_pa(deep))
        heads.append(p * carries * free / 2)
        ground = ground_of(bench)
        if stick.what == "jamb" and ground is not None:
            feet.append(p * carries * free / 2 / pole_shear(ground, wide, 0.6, free / 4, 2.0))
    assert blown.stud.share == pytest.approx(max(shares))
    assert blown.foot_share == pytest.approx(max(feet))
    assert blown.head_n == pytest.approx(max(heads))


def test_more_wind_and_wider_bays_never_ask_less() -> None:
    shares = []
    for speed in (25.0, 40.0, 55.0):
        blown = wind_on(make_bench(**told(wind_mps=speed), **framed()), "front")
        assert blown is not None
        shares.append(blown.stud.share)
    assert shares == sorted(shares)
    close, far = (wind_on(make_bench(**told(), **framed(door="none", apart_m=each)), "front") for each in (0.5, 1.4))
    assert close is not None and far is not None
    assert close.stud.share < far.stud.share


def test_studs_that_are_too_weak_have_ways_out() -> None:
    house = make_house(**told(wind_mps=45.0), soil={"kind": "clay"}, **framed(apart_m=1.4, stand="flat", deep_m=0.3))
    plan = plan_house(house, SiteRecord(), default_catalogue())
    assert verdict(plan, "stud-front").level == "fails"
    found = find_remedies(house, SiteRecord(), default_catalogue())
    assert any(each.verdict == "stud-front" and each.level in ("holds", "tight") for each in found)


def test_every_stick_is_under_its_bow_and_on_its_feet(pytestconfig: pytest.Config) -> None:
    count = 200 if pytestconfig.getoption("--deep") else 10
    stood = sum(stands(seed) for seed in range(count))
    assert stood > count / 3


def random_end(chance: random.Random) -> dict[str, Any]:
    """An end as somebody might want it."""
    openings = [
        {
            "what": chance.choice(["flap", "window", "louvre", "swing"]), "wide_m": chance.uniform(0.3, 0.7),
            "high_m": chance.uniform(0.3, 0.8), "low_m": chance.uniform(0.3, 1.4),
        }
        for _ in range(chance.choice([0, 1, 2]))
    ]  # fmt: skip
    return {
        "kind": "framed", "door": chance.choice(["none", "way", "swing", "double", "sliding"]),
        "wide_m": chance.uniform(0.7, 1.8), "high_m": chance.uniform(1.6, 2.2),
        "apart_m": chance.uniform(0.5, 1.5), "stand": chance.choice(["edge", "flat"]),
        "left_m": chance.choice([None, chance.uniform(0.6, 2.0)]), "sill": chance.choice(["plate", "none"]),
        "rail_m": chance.choice([None, 0.8]), "header": chance.choice(["jambs", "bow"]),
        "head": chance.choice(["cut", "cut", "lap"]), "track": "beyond", "openings": openings,
    }  # fmt: skip


def stands(seed: int) -> bool:
    """Every stick of a random end: to the bow, on something, off its neighbours; whether there is such an end."""
    chance = random.Random(seed)
    try:
        work = make_bench(size__span_m=5.0, size__shape=SHAPES[seed % len(SHAPES)], ends={"front": random_end(chance)})
        wall = wall_of(work, "front")
    except DesignError:
        return False
    points, half = sampled(work), bow_tube(work).od_m / 2
    reaches = work.design.ends.front.head == "lap"
    for stick in wall.sticks:
        meets_the_bow(work, stick, points, half, reaches)
        assert stood_on(stick, wall.sticks), (seed, stick)
    boxes = [box_of(stick, reaches) for stick in wall.sticks]
    boxes += [(each.left, each.right, each.low, each.high) for each in wall.openings]
    for place, one in enumerate(boxes):
        for other in boxes[place + 1 :]:
            wide = min(one[1], other[1]) - max(one[0], other[0])
            high = min(one[3], other[3]) - max(one[2], other[2])
            assert wide < 1e-6 or high < 1e-6, (seed, one, other)
    return True


def meets_the_bow(work: Work, stick: Stick, points: Any, half: float, reaches: bool) -> None:
    """Its cut ends lie on the face of the bow, found from many circles about its centre line."""
    if stick.plumb:
        for x, high in (stick.corners[3], stick.corners[2]):
            away = float(np.hypot(points[:, 0] - x, points[:, 1] - high).min())
            if away < half + 0.05:
                assert high == pytest.approx(
                    over_by_points(points, half, x) - 0.005 if reaches else under_by_points(points, half, x), abs=1e-4
                )
        return
    for at, other in ((0, 3), (1, 2)):
        ends = (stick.corners[at], stick.corners[other])
        away = [float(np.hypot(points[:, 0] - x, points[:, 1] - y).min()) for x, y in ends]
        # Inside the bow, and just at its face where it is sawn to it; a sill lies on the ground.
        assert min(away) > half - 1e-4 or stick.what == "sill"
        if ends[0][0] != ends[1][0]:
            assert min(away) == pytest.approx(half, abs=1e-4)


def over_by_points(points: Any, half: float, x: float) -> float:
    near = points[np.abs(points[:, 0] - x) < half]
    return float((near[:, 1] + np.sqrt(half**2 - (near[:, 0] - x) ** 2)).max())


def box_of(stick: Stick, reaches: bool) -> tuple[float, float, float, float]:
    """Its place in the wall, to its short points; a head that passes the bow counts to it."""
    xs, ys = [x for x, _ in stick.corners], [y for _, y in stick.corners]
    if stick.plumb:
        return min(xs), max(xs), min(ys), stick.short_m + min(ys) - (0.2 if reaches else 0.0)
    return (
        max(stick.corners[0][0], stick.corners[3][0]), min(stick.corners[1][0], stick.corners[2][0]), min(ys), max(ys)
    )  # fmt: skip


def stood_on(stick: Stick, others: tuple[Stick, ...]) -> bool:
    """A plumb stick on the ground, a sill, or a header; a level one on the ground, or with something at both ends."""
    if stick.plumb:
        low, at = stick.ends[0][1], stick.ends[0][0]
        under = any(
            o.what in ("header", "sill") and abs(o.corners[3][1] - low) < 1e-6
            and o.corners[0][0] - stick.wide_m < at < o.corners[1][0] + stick.wide_m
            for o in others
        )  # fmt: skip
        return low <= 0 or under
    if stick.what == "sill":
        return True
    low, high = stick.corners[0][1], stick.corners[3][1]

    def held(x: float, sawn: bool) -> bool:
        return sawn or any(
            o.plumb and o.corners[0][1] < high and o.ends[1][1] > low
            and min(abs(o.corners[0][0] - x), abs(o.corners[1][0] - x)) < 1e-6
            for o in others
        )  # fmt: skip

    left, right = stick.bevels_rad
    legs = abs(left) < 1e-9 and abs(right) < 1e-9
    near_bow = stick.what == "rail" and legs
    return held(stick.corners[0][0], left > 1e-9 or near_bow) and held(stick.corners[1][0], right > 1e-9 or near_bow)


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


@pytest.mark.parametrize("shape", SHAPES)
def test_the_faces_beside_and_over_against_many_points(shape: dict[str, Any]) -> None:
    bench = make_bench(size__span_m=4.4, size__shape=shape)
    bow, points, half = centre_line(bench), sampled(bench), bow_tube(bench).od_m / 2
    for y in np.linspace(0.3, 1.6, 9):
        near = points[(np.abs(points[:, 1] - y) < half) & (points[:, 0] > 0)]
        by_points = float((near[:, 0] - np.sqrt(half**2 - (near[:, 1] - y) ** 2)).min())
        assert beside_m(bow, half, float(y), 1) == pytest.approx(by_points, abs=1e-4)
        assert beside_m(bow, half, float(y), -1) == pytest.approx(-by_points, abs=1e-4)
    for x in np.linspace(-1.9, 1.9, 9):
        assert over_m(bow, half, float(x)) == pytest.approx(over_by_points(points, half, float(x)), abs=1e-4)


def test_a_header_out_to_the_bow_is_sawn_to_it_at_both_ends() -> None:
    bench = make_bench(
        size__span_m=4.4,
        size__shape=SHAPES[0],
        **framed(door="swing", wide_m=1.0, high_m=1.9, header="bow", apart_m=3.0),
    )
    radius, wide = 2.2 - bow_tube(bench).od_m / 2, sizes(bench, "front")[0]
    rails = [stick for stick in wall_of(bench, "front").sticks if stick.what == "rail"]
    assert len(rails) == 2
    low, high = (math.sqrt(radius**2 - (y - 0.7) ** 2) for y in (1.9, 1.9 + wide))
    right = max(rails, key=lambda each: each.ends[0][0])
    assert (right.corners[1][0], right.corners[2][0]) == pytest.approx((low, high), abs=1e-7)
    assert right.bevels_rad[1] == pytest.approx(math.atan2(low - high, wide), abs=1e-6)
    assert right.long_m == pytest.approx(low - 0.5 - wide, abs=1e-7)


def test_heads_that_pass_the_bow_are_bolted_through_its_middle() -> None:
    parts = {"door": "none", "apart_m": 1.0, "head": "notch"}
    bench = make_bench(size__span_m=4.4, size__shape=SHAPES[0], **framed(**parts))
    wide = sizes(bench, "front")[0]
    for stud in (each for each in wall_of(bench, "front").sticks if each.what == "stud"):
        x = stud.ends[0][0]
        assert stud.head is not None and stud.head.notch is not None
        # Across the tube on the plumb line, its middle: half way between its faces there.
        faces = [0.7 + math.sqrt((2.2 + sign * bow_tube(bench).od_m / 2) ** 2 - x**2) for sign in (-1, 1)]
        assert stud.head.bolt_m + wide == pytest.approx(sum(faces) / 2, abs=1e-3)
        assert min(stud.head.notch) < stud.head.bolt_m < stud.short_m
    error = refused(make_house(**framed(**{**parts, "head": "cut", "stand": "flat"})), ("ends.front.head", "notch"))
    assert "A notch for the bow takes" in error.troubles[0].sentence


@pytest.mark.parametrize(
    ("openings", "edit", "says"),
    [
        ([], ("ends.front.openings.0.what", "fan"), None),
        ([{"what": "fan"}], ("ends.front.openings.0.wide_m", "1.19 m"), "wider than the bay"),
        ([{"what": "window", "left_m": 0.6}], ("ends.front.openings.0.left_m", "1.75 m"), "a stud of their own"),
        ([{"what": "window", "left_m": 0.8}], ("ends.front.openings.0.low_m", "2.4 m"), "through the bow"),
        ([{"what": "louvre", "left_m": 0.7}], ("ends.front.openings.0.high_m", "1.4 m"), "through the bow"),
    ],
)
def test_openings_that_cannot_be_there_are_refused(
    openings: list[dict[str, Any]], edit: tuple[str, str], says: str | None
) -> None:
    house = make_house(
        size__span_m=5.0, size__shape=SHAPES[0], **framed(door="swing", wide_m=1.0, high_m=1.9, openings=openings)
    )
    if says is None:
        (one,) = changed(house, edit).ends.front.openings
        # A new one stands where there was room, beside the door.
        assert one.left_m is not None
        assert not 2.0 - one.wide_m < one.left_m < 3.0
        return
    error = refused(house, edit).troubles[0]
    assert says in error.sentence
    assert error.path.startswith("ends.front.openings.0")


def test_an_opening_over_the_door_stands_on_its_header() -> None:
    fan = {"what": "fan", "wide_m": 0.5, "high_m": 0.4, "low_m": 2.15}
    bench = make_bench(
        size__span_m=5.0, size__shape=SHAPES[0], **framed(door="swing", wide_m=1.0, high_m=1.9, openings=[fan])
    )
    wall, wide = wall_of(bench, "front"), sizes(bench, "front")[0]
    one = wall.openings[1]
    assert (one.left, one.right) == pytest.approx((-0.25, 0.25))
    over = [each for each in wall.sticks if each.what == "short stud" and each.ends[0][1] == pytest.approx(1.9 + wide)]
    assert {round(each.ends[0][0], 6) for each in over} >= {round(-0.25 - wide / 2, 6), round(0.25 + wide / 2, 6)}


def test_taking_an_opening_out_leaves_the_others() -> None:
    openings = [{"what": "louvre", "left_m": 0.7}, {"what": "window", "left_m": 3.4}]
    house = make_house(size__span_m=5.0, size__shape=SHAPES[0], **framed(door="none", openings=openings))
    after = changed(house, ("ends.front.openings.0.what", "none"))
    assert [each.what for each in after.ends.front.openings] == ["window"]


def test_a_fan_needs_air_at_the_other_end_by_hand() -> None:
    intake = {"what": "intake", "wide_m": 0.9, "high_m": 0.9}
    shut = {"kind": "framed", "door": "none"}
    ends = {"front": {**shut, "openings": [{"what": "fan"}]}, "back": {**shut, "openings": [intake]}}
    bench = make_bench(size__span_m=5.0, size__shape=SHAPES[0], size__length_m=12.0, ends=ends)
    air = air_of(bench)
    # EP406: 0.0406 m³/s for each of 60 m²: 2.44 m³/s, through 0.70 m² at 3.5 m/s; blades leave 0.6 of 0.81 m².
    assert air.fan_m3_s == pytest.approx(0.0406 * 60)
    assert (air.wants_m2, air.has_m2) == pytest.approx((0.0406 * 60 / 3.5, 0.6 * 0.81))
    plan = make_plan(size__span_m=5.0, size__shape=SHAPES[0], size__length_m=12.0, ends=ends)
    assert verdict(plan, "fan").level == "fails"
    # Any opening beyond 1 % of its wall, or 0.37 m², makes a bag of a house that is shut besides.
    assert air.bag == {"front": False, "back": True}


def test_lateral_values_of_nails_as_the_standard_prints_them() -> None:
    # NDS 2018, table 12N, side member 38 mm, common nails: lb for D, length, G.
    for wide, long, gravity, pounds in (
        (0.162, 3.5, 0.42, 120), (0.162, 3.5, 0.50, 141), (0.148, 3.0, 0.42, 100), (0.131, 2.5, 0.42, 82),
    ):  # fmt: skip
        wood = wood_bearing_pa(gravity)
        yields = (90e3 if wide > 0.142 else 100e3) * 6894.76
        found = screw_lateral_n(
            wide * INCH_M, Bearing(1.5 * INCH_M, wood), Bearing((long - 1.5) * INCH_M, wood), yields
        )
        assert found / 4.448 == pytest.approx(pounds, rel=0.015)
    # A plate of 50 mm with a hole of 8 mm on wet spruce, 0.67·2.93 MPa.
    assert washer_n(0.05, 0.008) == pytest.approx(0.67 * 2.93e6 * (0.05**2 - math.pi / 4 * 0.008**2))


def test_a_beam_over_supports_by_its_closed_forms() -> None:
    # Two equal spans, a load in the middle of each: 3·P·L/16 over the support; of one alone 13·P·L/64 under it.
    assert continuous([0, 2, 4], [(1, 100.0), (3, 100.0)]) == pytest.approx(3 * 100 * 2 / 16)
    assert continuous([0, 2, 4], [(1, 100.0)]) == pytest.approx(13 * 100 * 2 / 64)
    # One span: P·a·b/L.
    assert continuous([0, 3], [(1, 90.0)]) == pytest.approx(90 * 1 * 2 / 3)
    assert beam_moment(4, 10.0, [(1, 90.0)], 1) == pytest.approx(10 * 1 * 3 / 2 + 90 * 1 * 3 / 4)
    # More places that hold never ask more of it.
    loads = [(0.7, 50.0), (1.9, 80.0), (3.1, 60.0)]
    shares = [continuous([4 * place / count for place in range(count + 1)], loads) for count in (1, 2, 4, 8)]
    assert shares == sorted(shares, reverse=True)


def test_the_header_under_wind_by_hand() -> None:
    bench = make_bench(**told(), soil={"kind": "clay"}, **framed(door="swing", wide_m=1.4, high_m=1.9, apart_m=3.0))
    blown = wind_on(bench, "front")
    assert blown is not None and blown.header is not None
    q, (wide, deep) = sheet_value(bench, "q"), sizes(bench, "front")
    # Half of the leaf spread over it, and half of the stud in its middle, which carries half of its width.
    (stud,) = (each for each in wall_of(bench, "front").sticks if each.what == "short stud")
    push = us_wall(q, stud.long_m * max(0.7, stud.long_m / 3), True) * 0.7 * stud.long_m / 2
    moment = us_wall(q, 1.4 * 1.4 / 3, True) * 1.9 / 2 * 1.4**2 / 8 + push * 1.4 / 4
    assert blown.header.share == pytest.approx(bent_share(moment, wide, deep, nds_bending_pa(deep)), rel=1e-6)


def test_what_studs_push_the_end_bow_by_is_counted() -> None:
    parts = told(wind_mps=30.0)
    shares = []
    for runs in (1, 3, 5):
        pushed = bow_pushed(make_bench(**parts, strength__runs=runs, **framed(apart_m=1.0)), "front")
        assert pushed is not None
        whole, alone = pushed
        assert whole > alone > 0
        shares.append(alone)
    assert shares[0] > shares[2]
    plan = make_plan(**parts, **framed())
    assert "studs push it" in verdict(plan, "endbow-front").sentence


def test_who_goes_through_the_door() -> None:
    parts = framed(door="swing", wide_m=0.8, high_m=2.0)
    plan = make_plan(**{**parts, "ends": {**parts["ends"], "passes": "tractor"}})
    said = verdict(plan, "passes-front")
    # 0.9 m through 0.8 m, less a leaf of 38 mm and its hinge: 0.141 m too narrow.
    assert said.level == "fails"
    assert "too narrow" in said.sentence
    house = make_house(**{**parts, "ends": {**parts["ends"], "passes": "tractor"}})
    found = find_remedies(house, SiteRecord(), default_catalogue())
    assert any(each.verdict == "passes-front" and each.level == "holds" for each in found)


def test_the_end_bow_as_its_posts_stand() -> None:
    # Both first posts read against the string: each stands 20 mm further out than it should.
    record = SiteRecord.model_validate({"row": {name: {"gap_m": 0.03} for name in ("L1", "R1")}})
    planned, built = make_bench(**framed()), make_bench(record, **framed())
    block = planned.design.row.block_m
    assert half_m(built, "front") - half_m(planned, "front") == pytest.approx(block - 0.03)
    assert half_m(built, "back") == half_m(planned, "back")
    one, other = (max(s.ends[1][1] for s in wall_of(work, "front").sticks) for work in (planned, built))
    assert other != pytest.approx(one, abs=1e-4)


def test_a_sliding_leaf_goes_beyond_the_bow_on_a_post() -> None:
    house = make_house(size__span_m=4.4, size__shape=SHAPES[0], **framed(door="swing", wide_m=1.6, high_m=2.0))
    after = changed(house, ("ends.front.track", "beyond"), ("ends.front.door", "sliding"))
    assert after.ends.front.door == "sliding"


def test_stakes_props_and_cut_lines_by_hand() -> None:
    bench = make_bench(
        size__span_m=5.0, size__shape=SHAPES[0],
        **framed(door="swing", wide_m=1.0, high_m=1.9, board="board", prop="jambs", school="film"),
    )  # fmt: skip
    wide, half = sizes(bench, "front")[0], 2.5 - bow_tube(bench).od_m / 2
    low, high = -half + 0.1, -0.5 - wide - 0.1
    assert stakes_m(bench, "front")[0] == pytest.approx(low)
    assert len(stakes_m(bench, "front")) == 2 * (math.ceil((high - low) / 1.2) + 1)
    (one, _) = props_of(bench, "front")
    (z0, x0, y0), (z1, x1, y1) = one.ends
    assert x0 == x1
    assert y1 == pytest.approx(0.7 + math.sqrt(2.5**2 - x0**2))
    assert one.long_m == pytest.approx(math.hypot(z1 - z0, y1 - y0))
    door = opened(bench, "front")[0]
    assert cut_m(door) == pytest.approx(2 * 1.75 + 0.7 + 2 * 0.15 * math.sqrt(2))
    assert bay_m(bench, "front") == pytest.approx(2 * half / math.ceil(2 * half / 1.2) - wide)


def test_a_leaf_of_pipe_is_cut_short_of_its_fittings() -> None:
    (leaf,) = leaves_of(make_bench(**framed(door="swing", wide_m=1.0, high_m=2.0, leaf="pipe", take_m=0.03)), "front")
    cuts = {piece.what: (piece.count, piece.long_m) for piece in leaf.pieces}
    assert cuts["level pipe"] == (3, pytest.approx(leaf.wide_m - 0.06))
    assert cuts["upright pipe"] == (4, pytest.approx((leaf.high_m - 0.12) / 2))


def test_studs_of_tube_by_hand() -> None:
    tube = default_catalogue().tubes["post-1-5-8"]
    bench = make_bench(
        **told(), soil={"kind": "clay"}, **framed(door="none", apart_m=1.2, stand="tube", stud_tube=tube.id)
    )
    blown = wind_on(bench, "front")
    assert blown is not None and blown.head is None
    assert sizes(bench, "front") == (tube.od_m, tube.od_m)
    q, half = sheet_value(bench, "q"), half_m(bench, "front")
    plumb = wall_of(bench, "front").whole()
    places = [-half, *(each.ends[0][0] for each in plumb), half]
    # Its wall counts by 93 %; plastic modulus (D³ − d³)/6; AISC 360 F8, Ω 1.67.
    inner = tube.od_m - 2 * 0.93 * tube.wall_m
    allowed = tube.yield_pa * (tube.od_m**3 - inner**3) / 6 / 1.67
    shares = []
    for at, stick in enumerate(plumb):
        strip, free = (places[at + 2] - places[at]) / 2, stick.ends[1][1]
        shares.append(us_wall(q, free * max(strip, free / 3), True) * strip * free**2 / 8 / allowed)
    assert blown.stud.share == pytest.approx(max(shares))
    house = make_house(**framed(stand="tube"))
    assert "isn’t notched" in refused(house, ("ends.front.head", "notch")).troubles[0].sentence
    assert "plastic" in refused(house, ("ends.front.stud_tube", "pvc-1")).troubles[0].sentence


def test_what_is_read_on_site_refuses_no_end() -> None:
    # As high as the bow lets it be; then both front posts read further apart, and the bow comes down.
    house = make_house(size__span_m=4.4, size__shape=SHAPES[0], **framed(door="swing", wide_m=1.0, high_m=1.0))
    error = refused(house, ("ends.front.high_m", "4 m")).troubles[0]
    assert error.nearest is not None
    high = changed(house, ("ends.front.high_m", error.nearest))
    read = SiteRecord.model_validate({"row": {name: {"gap_m": 0.0} for name in ("L1", "R1")}})
    plan = plan_house(high, read, default_catalogue())
    said = verdict(plan, "header-built-front")
    assert said.level == "fails"
    assert "meets the bow" in said.sentence


def test_bolts_of_heads_weaken_the_bow_that_they_push() -> None:
    parts = {**told(wind_mps=30.0), "strength": {"joint_share": 1.0}}
    cut, lap = (bow_pushed(make_bench(**parts, **framed(apart_m=1.0, head=head)), "front") for head in ("cut", "lap"))
    assert cut is not None and lap is not None
    assert lap[1] > cut[1]


def test_a_storm_prop_behind_the_door_is_told_and_the_door_moved_aside() -> None:
    parts = {**told(), **framed(door="swing", wide_m=1.0, high_m=1.9), "strength": {"prop": "each"}}
    found = verdict(make_plan(**parts), "propway-front")
    assert found.level == "tight" and "behind the door" in found.sentence
    bay = bays_of(make_bench(**parts)).bay_m
    assert make_bench(**parts).say(bay) in found.sentence
    half = make_bench(**parts).design.size.span_m / 2
    for left, stands in ((half + 0.16, False), (half + 0.1, True), (half - 1.16, False), (half - 1.1, True)):
        end = framed(door="swing", wide_m=1.0, high_m=1.7, left_m=left)
        assert (verdict(make_plan(**{**parts, **end}), "propway-front") is not None) is stands
    assert verdict(make_plan(**{**parts, "strength": {"prop": "none"}}), "propway-front") is None


def test_no_stud_stands_a_hand_beside_a_jamb() -> None:
    draw = random.Random(4)
    moved = 0
    for _ in range(80):
        wide_m, apart_m = draw.uniform(0.8, 2.4), draw.choice((0.6, 0.9, 1.2))
        door = {"door": "way", "wide_m": wide_m, "high_m": 1.9, "left_m": draw.uniform(1.0, 2.6)}
        work = make_bench(size__span_m=6.4, **framed(**door, apart_m=apart_m))
        wall = wall_of(work, "front")
        plumb = [stick for stick in wall.sticks if stick.what in ("stud", "short stud", "jamb", "trimmer")]
        jambs = {round(stick.ends[0][0], 6) for stick in plumb if stick.what == "jamb"}
        studs = {round(stick.ends[0][0], 6) for stick in plumb if "stud" in stick.what}
        assert min(abs(stud - jamb) for stud in studs for jamb in jambs) >= 0.15 - 1e-6
        # And none is further from the next than was asked.
        half = half_m(work, "front")
        places = sorted({-half, half} | jambs | studs)
        assert max(high - low for low, high in itertools.pairwise(places)) <= apart_m + bow_tube(work).od_m + 1e-6
        inside = 2 * half - bow_tube(work).od_m
        count = math.ceil(inside / apart_m - 1e-9)
        even = [-inside / 2 + inside * place / count for place in range(1, count)]
        moved += any(bow_tube(work).od_m < abs(stud - jamb) < 0.15 for stud in even for jamb in jambs)
    assert moved > 20
