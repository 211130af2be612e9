"""What ties the frame together: runs, braces, collars and boards, each against a construction of its own."""

import math
import random
from itertools import pairwise
from typing import Any

import numpy as np
import pytest

from obtegum.core.documents.house import SiteRecord
from obtegum.core.face.faces import Member
from obtegum.core.face.stock import sticks_for
from obtegum.core.findings.skeleton.bays import bays_of, tapes_of
from obtegum.core.findings.skeleton.bows import girth_at, tube_m
from obtegum.core.findings.skeleton.braces import braced_feet, braces_of, corner_lifted, ties_of
from obtegum.core.findings.skeleton.line import centre_line
from obtegum.core.findings.skeleton.runs import held_m, pieces_of, place_of, ripped, run_tube, runs_of
from obtegum.core.findings.skeleton.tubes import bow_tube
from obtegum.core.findings.work import Work
from obtegum.core.formulas.end_to_end import lay
from obtegum.core.formulas.stock import bought
from obtegum.core.house.plan import HousePlan, plan_house, plan_work
from obtegum.core.house.remedies import find_remedies
from obtegum.core.rooms import rooms
from obtegum.core.rooms.boards.found import bolt_takes_m, lines_of
from obtegum.core.rooms.braces.found import along_of, end_m2, holding, pulling, run_takes, tie_holding, twists
from obtegum.core.rooms.runs.parts import parts as run_sticks
from obtegum.core.rooms.strength.asks import brace_asks, row_asks
from obtegum.core.rooms.strength.found import joint_share
from obtegum.core.rooms.strength.loads import weathered
from obtegum.core.rooms.strength.model import model_of, sections_of
from obtegum.core.values.catalogue import default_catalogue
from obtegum.core.values.quantity import FOOT_M, INCH_M
from obtegum.core.values.trouble import DesignError
from tests.conftest import make_bench, make_house, make_plan, verdict
from tests.core.test_counts import refused
from tests.core.test_strength import told

SHAPES: tuple[dict[str, Any], ...] = (
    {"kind": "round_on_legs", "leg_m": 0.7},
    {"kind": "round", "leg_m": 0.3, "height_m": 2.3},
    {"kind": "three_centred", "leg_m": 0.6, "height_m": 2.5, "shoulder_m": 1.0},
    {"kind": "gothic", "leg_m": 0.6, "height_m": 3.4},
    {"kind": "peaked", "leg_m": 1.2, "height_m": 2.8, "shoulder_m": 0.4},
    {"kind": "sprung", "leg_m": 0.6, "pipe_m": 6.4},
    {"kind": "sprung", "leg_m": 0.0, "pipe_m": 7.0, "feet": "loose"},
)
BRACED = {"bays": 2}


def strip(plan: HousePlan, name: str) -> dict[str, float]:
    found = next(each for each in plan.strips if each.id == name)
    return {mark.what: mark.at_m for mark in found.marks}


# Laying pieces end to end.


def test_sticks_are_laid_clear_of_what_holds_them() -> None:
    # 6 m sticks with 0.1 m of overlap over bows each metre: a whole stick's overlap would lie on the bow at 6 m.
    laid = lay(15.0, 6.0, 0.1, [float(at) for at in range(16)], "clear", 6.0)
    assert laid[0] == (0.0, pytest.approx(5.94))
    assert laid[1][0] == pytest.approx(5.84)
    for (_, end), (start, _) in pairwise(laid):
        assert end - start == pytest.approx(0.1)
        assert all(not start - 0.06 < hold < end + 0.06 for hold in range(16))
    assert laid[-1][1] == 15.0


def test_laps_lie_behind_a_bow_or_there_are_none() -> None:
    laid = lay(10.0, 4.0, 0.2, [0.5 + 1.5 * place for place in range(7)], "behind", 4.0)
    for (_, end), (start, _) in pairwise(laid):
        assert any(abs((start + end) / 2 - (0.5 + 1.5 * place)) < 1e-9 for place in range(7))
    with pytest.raises(ValueError, match="no stick reaches"):
        lay(10.0, 1.2, 0.2, [0.5 + 1.5 * place for place in range(7)], "behind", 1.2)


def test_no_last_piece_is_too_short_to_join() -> None:
    laid = lay(12.2, 6.0, 0.0, [], "anywhere", 6.0)
    assert [round(high - low, 9) for low, high in laid] == [5.7, 6.0, 0.5]


def test_sticks_are_cut_longest_first() -> None:
    # 4 + 2, 3 + 3 of 6 m go together only without a kerf.
    assert bought([4.0, 2.0, 3.0, 3.0], 6.0, 0.0) == 2
    assert bought([4.0, 2.0, 3.0, 3.0], 6.0, 0.003) == 3
    assert bought([3.0, 3.0], 6.0, 0.003) == 2


# Runs.


def test_runs_lie_evenly_along_the_tube_and_an_odd_one_at_the_crown() -> None:
    bench = make_bench(strength={"runs": 5}, braces=BRACED)
    whole = tube_m(bench)
    assert [run.at_m for run in runs_of(bench)] == pytest.approx([whole * place / 6 for place in range(1, 6)])
    assert [run.name for run in runs_of(bench)] == ["L1", "L2", "ridge", "R2", "R1"]
    x, _ = centre_line(bench).point(girth_at(bench, runs_of(bench)[2].at_m))
    assert x == pytest.approx(0.0, abs=1e-9)
    assert held_m(bench) == pytest.approx(whole / 6)


def test_no_braced_bay_no_held_point() -> None:
    assert held_m(make_bench(strength={"runs": 5}, braces={"bays": 0})) == tube_m(make_bench())


def test_a_height_of_ones_own_is_found_by_halving_too() -> None:
    # Independent of the chain's own crossings: the point of the left half at a height, by bisection along the girth.
    for shape in SHAPES:
        bench = make_bench(size__span_m=4.4, size__shape=shape, runs={"spread": "heights", "heights_m": [1.5]})
        bow = centre_line(bench)
        low, high = 0.0, bow.girth_m / 2
        for _ in range(60):
            middle = (low + high) / 2
            low, high = (middle, high) if bow.point(middle)[1] < 1.5 else (low, middle)
        left = runs_of(bench)[0]
        assert girth_at(bench, left.at_m) == pytest.approx(low, abs=1e-4)


@pytest.mark.parametrize("lie", ["under", "over", "through"])
def test_a_run_touches_its_bow(lie: str) -> None:
    bench = make_bench(strength={"runs": 3}, runs={"lie": lie})
    apart = 0.0 if lie == "through" else (bow_tube(bench).od_m + run_tube(bench).od_m) / 2
    # Against the nearest of many points of the bow.
    dense = np.array([centre_line(bench).point(float(s)) for s in np.linspace(0, centre_line(bench).girth_m, 40001)])
    for run in runs_of(bench):
        at = np.array(place_of(bench, run))
        assert np.hypot(*(dense - at).T).min() == pytest.approx(apart, abs=1e-4)


def test_marks_never_add_rounded_steps() -> None:
    plan = make_plan(strength={"runs": 3})
    bench = make_bench(strength={"runs": 3})
    half = bow_tube(bench).od_m / 2
    marks = strip(plan, "run:odd")
    for number, station in enumerate(bays_of(bench).stations_m, start=1):
        assert marks[f"bow {number}"] == pytest.approx(station + half, abs=1e-9)


def test_pieces_between_bows_are_the_bay_less_bow_and_fittings() -> None:
    bench = make_bench(strength={"runs": 3}, runs={"of": "pieces", "take_m": 0.02}, bows__bays="fixed")
    bays = bays_of(bench)
    lengths = {round(piece.length_m, 6) for piece in pieces_of(bench)}
    whole = bays.bay_m - bow_tube(bench).od_m - 0.04
    assert round(whole, 6) in lengths
    assert len(pieces_of(bench)) == 3 * bays.count
    assert sticks_for(run_sticks(bench), bench.rules.kerf_m) >= sum(piece.length_m for piece in pieces_of(bench)) / 6.0


@pytest.mark.parametrize(
    ("measure", "text", "says"),
    [
        ("runs.heights_m", "4 m", "over the ridge"),
        ("runs.heights_m", "0.2 m", "lie on the posts"),
        ("runs.stick_m", "0.9 m", "no bow behind"),
        ("braces.head_m", "4 m", "over the crown"),
        ("braces.spans", "4", "outside the house"),
        ("braces.tie_m", "1.2 m", "below the grower’s head"),
        ("braces.tie_m", "5 m", "over the crown"),
        ("boards.hip_m", "0.3 m", "on the posts"),
        ("boards.bolt_long_m", "40 mm", "too short"),
        ("boards.board_m", "1 m", "no bow behind"),
    ],
)
def test_what_cannot_be_is_refused_with_a_reason(measure: str, text: str, says: str) -> None:
    house = make_house(
        tape={"units": "metric"},
        size__span_m=4.4,
        size__length_m=3.6,
        size__shape={"kind": "round_on_legs", "leg_m": 0.6},
        bows__max_spacing_m=1.2,
        size__figure__height_m=1.75,
        runs={"spread": "heights", "heights_m": [1.5], "joint": "lap"},
        braces={"bays": 1, "ties": "collar", "tie_m": 1.95},
        boards={"hip": "board", "hip_m": 1.2},
    )
    error = refused(house, (measure, text)).troubles[0]
    assert says in error.sentence
    assert error.path == measure


# Braces.


@pytest.mark.parametrize("end", ["flat", "clamp"])
def test_a_brace_by_its_corners(end: str) -> None:
    # Legs stand plumb to 0.7 m: the foot is on one, inside it by both halves in a clamp, by half the bow and a wall
    # where its end is flattened onto the bow; the head is on the arc of 2.2 m about the middle of the house, 0.7 m up.
    braces = {"bays": 2, "head_m": 1.2, "foot_m": 0.2, "end": end}
    bench = make_bench(braces=braces, size__shape=SHAPES[0], size__span_m=4.4)
    brace, tube = braces_of(bench)[0], run_tube(bench)
    inside = bow_tube(bench).od_m / 2 + (tube.wall_m if end == "flat" else tube.od_m / 2)
    assert brace.foot[1:] == pytest.approx((-2.2 + inside, 0.2))
    up = math.asin(0.5 / 2.2)
    assert brace.head[1] == pytest.approx(-(2.2 - inside) * math.cos(up), abs=1e-4)
    assert brace.head[2] == pytest.approx(0.7 + (2.2 - inside) * math.sin(up), abs=1e-4)
    bay = bays_of(bench).bay_m
    rise, across = brace.head[2] - brace.foot[2], brace.head[1] - brace.foot[1]
    assert brace.long_m == pytest.approx(math.sqrt(bay**2 + rise**2 + across**2))
    assert brace.along == pytest.approx(bay / brace.long_m)


def test_braces_lean_both_ways_and_only_those_that_pull_count() -> None:
    assert pulling(make_bench(braces={"bays": 2})) == (1, 1)
    assert pulling(make_bench(braces={"bays": 3})) == (1, 2)
    assert pulling(make_bench(braces={"bays": 3, "cross": "both"})) == (3, 3)
    lone = make_plan(**told(), braces={"bays": 1})
    found = verdict(lone, "along")
    assert found.level == "fails"
    assert "No brace pulls when wind blows at the front" in found.sentence


def test_wind_along_by_hand() -> None:
    # ASCE 7-16, 27.3-1: windward 0.8; leeward by L/B, here 57 ft over 4.05 m: 4.29, so 0.2; G 0.85, allowable 0.6.
    bench = make_bench(**told(), braces=BRACED)
    along = along_of(bench)
    assert along is not None
    sheet = {each.symbol: each.value for each in along.sheet}
    q = sheet_value(bench, "q")
    area = centre_line(bench).under_m2 + centre_line(bench).girth_m * bow_tube(bench).od_m / 2
    assert end_m2(bench) == pytest.approx(area)
    assert along.ends_n == pytest.approx(0.6 * max(q * 0.85 * 1.0, 770.0) * area, rel=1e-6)
    assert sheet["Cp,e"] == pytest.approx(1.0)
    # Equilibrium from the end walls to the feet: what all pulling braces of both sides take along is all of it.
    brace = braces_of(bench)[0]
    both = 2 * min(pulling(bench)) * along.brace_n * brace.along
    assert both == pytest.approx(along.ends_n + 2 * along.steadies_n)
    assert along.lift_n == pytest.approx(along.brace_n * brace.up)


def sheet_value(bench: Work, symbol: str) -> float:
    weather = weathered(bench)
    assert weather is not None
    return next(each.value for each in weather.sheet if each.symbol == symbol)


def test_more_wind_never_asks_less_of_a_brace() -> None:
    pulls = []
    for speed in (20.0, 30.0, 40.0, 50.0, 60.0):
        along = along_of(make_bench(**told(wind_mps=speed), braces=BRACED))
        assert along is not None
        pulls.append(along.brace_n)
    assert pulls == sorted(pulls)
    assert pulls[-1] > pulls[0]


def test_the_european_push_rubs_along_a_long_house() -> None:
    eu = {"tape": {"units": "metric"}, "weather": {**told()["weather"], "method": "eu"}}
    parts = {key: value for key, value in told().items() if key != "weather"}
    long_ = along_of(make_bench(**{**parts, **eu, "size__length_m": 60.0}, braces=BRACED))
    assert long_ is not None
    bench = make_bench(**{**parts, **eu, "size__length_m": 60.0}, braces=BRACED)
    size = bench.design.size
    rubs_from = min(2 * (size.span_m + bow_tube(bench).od_m), 4 * size.height_m)
    sheet = {each.symbol: each.value for each in long_.sheet}
    qp = sheet_value(bench, "qp")
    rubs = 0.04 * qp * centre_line(bench).girth_m * (60.0 - rubs_from)
    assert long_.ends_n == pytest.approx(qp * sheet["cpe,e"] * end_m2(bench) + rubs)


def test_what_a_brace_holds_by_hand() -> None:
    # A 1 3/8 in rail, t 1.651 mm by its name, Fy 207, bolt 5/16 in. The brace pulls at one face of the bow: its near
    # wall alone, 0.9·Fy·d·t, not both; 4.6 kN is what the bolt bears, cut in one plane.
    bench = make_bench(braces={"bays": 2, "bolt_m": 5 * INCH_M / 16, "edge_m": INCH_M})
    holds, d = holding(bench), 5 * INCH_M / 16
    assert holds.what == "the bow’s wall at its bolt"
    assert holds.holds_n == pytest.approx(0.9 * 207e6 * d * 0.93 * 0.001651)
    assert 186e6 * math.pi / 4 * d**2 / 2 > 1.9 * holds.holds_n
    # A thick bow leaves it to the bolt.
    stout = holding(make_bench(braces={"bays": 2, "bolt_m": d, "edge_m": INCH_M}, bows__tube="water-1-1-2"))
    assert stout.what == "its bolt"
    assert stout.holds_n == pytest.approx(186e6 * math.pi / 4 * d**2 / 2)
    # Near the end it is torn out: 1.2·lc·2t·Fu/2, a wall known by its name counts by 93 %.
    near = holding(make_bench(braces={"bays": 2, "bolt_m": d, "edge_m": 0.01}, bows__tube="water-1-1-2"))
    tube = run_tube(bench)
    ultimate = 1.3 * tube.yield_pa if abs(tube.yield_pa - 235e6) > 1e6 else 360e6
    assert near.holds_n == pytest.approx(1.2 * (0.01 - (d + 0.001) / 2) * 2 * 0.93 * tube.wall_m * ultimate / 2)
    assert holding(make_bench(braces={"bays": 2, "end": "clamp"})).holds_n is None
    assert holding(make_bench(braces={"bays": 2, "end": "clamp", "clamp_n": 900.0})).holds_n == 900.0


def test_a_pull_at_one_face_twists_the_bow() -> None:
    # F·OD/2; where no run is within 0.1 m of its head the bow takes it: 0.6·207·π·(33.3 mm)²·1.535/2/1.67.
    d = 5 * INCH_M / 16
    braced = {"bays": 2, "bolt_m": d, "edge_m": INCH_M}
    near = make_bench(braces=braced, strength={"runs": 3})
    far = make_bench(braces={**braced, "head_m": 1.5}, strength={"runs": 3})
    wall = 0.93 * 0.001651
    takes = 0.6 * 207e6 * math.pi * (1.375 * INCH_M - wall) ** 2 * wall / 2 / 1.67
    assert twists(near).run and not twists(far).run
    assert twists(far).takes_n == pytest.approx(takes / (1.375 * INCH_M / 2))
    house = {**told(), "bows__tube": "rail-1-3-8"}
    plan = make_plan(**house, braces={**braced, "head_m": 1.5}, strength={"runs": 3})
    said = next(each for step in plan.steps if step.id == "braces" for each in step.answers if "twists" in each.id)
    pull = next(each for step in plan.steps if step.id == "braces" for each in step.answers if each.id == "brace_pull")
    assert said.value == pytest.approx(pull.value * 1.375 * INCH_M / 2)
    assert "no run is near" in said.note
    # The same bolt holds a tie, from one side too; a board is held by that wall.
    tied = {"bolt_m": d, "ties": "collar", "of": "board"}
    assert tie_holding(make_bench(braces=tied)).holds_n <= 0.9 * 207e6 * d * wall + 1e-6  # type: ignore[operator]


def test_braces_feet_ask_more_of_their_posts() -> None:
    bench = make_bench(**told(), soil={"kind": "clay"}, braces=BRACED)
    row, braced, along = row_asks(bench), brace_asks(bench), along_of(bench)
    assert row is not None and braced is not None and along is not None
    assert row.lift.force_n < braced.lift.force_n <= row.lift.force_n + along.lift_n + 1e-6
    assert braced_feet(bench) == {"L2", "R2", "L20", "R20"}
    plan = make_plan(**told(), soil={"kind": "clay"}, braces=BRACED)
    step = next(each for each in plan.steps if each.id == "hold")
    assert next(each.value for each in step.answers if each.id == "brace_set") == 4
    assert next(each.value for each in step.answers if each.id == "set") == 2 * bays_of(bench).bows - 4


def test_wind_along_has_ways_out() -> None:
    house = make_house(**told(wind_mps=75.0), braces=BRACED)
    found = [each for each in find_remedies(house, SiteRecord(), default_catalogue()) if each.verdict == "along"]
    assert verdict(plan_house(house, SiteRecord(), default_catalogue()), "along").level == "fails"
    assert found
    assert all(each.level in ("holds", "tight") for each in found)


def test_a_collar_is_the_chord_at_its_height() -> None:
    bench = make_bench(
        size__span_m=4.4, size__shape=SHAPES[0], braces={"bays": 2, "ties": "truss", "tie_m": 2.3, "every": 3}
    )
    collar, left, right = ties_of(bench)
    # On the arc of 2.2 m about a middle 0.7 m up: half a chord 1.6 m over it.
    assert collar.long_m == pytest.approx(2 * math.sqrt(2.2**2 - 1.6**2))
    half_way = (math.asin(1.6 / 2.2) + math.pi / 2) / 2
    foot = (0.0, 2.3)
    top = (-2.2 * math.cos(half_way), 0.7 + 2.2 * math.sin(half_way))
    assert left.long_m == right.long_m == pytest.approx(math.dist(foot, top))


# Boards.


def test_boards_are_spliced_on_bows_and_bolts_reach() -> None:
    bench = make_bench(boards={"hip": "board", "hip_m": 4 * FOOT_M, "over_m": 0.05})
    (line,) = lines_of(bench)
    half = bow_tube(bench).od_m / 2
    bows = [station + half + 0.05 for station in bays_of(bench).stations_m]
    for _, end in line.pieces[:-1]:
        assert min(abs(end - bow) for bow in bows) < 1e-9
    assert line.pieces[-1][1] == pytest.approx(57 * FOOT_M + 2 * half + 0.1)
    # A rough bolt: board, bow, two washers of 2 mm, a nut of 0.85 d and threads of 0.35 d.
    took = 0.0381 + bow_tube(bench).od_m + 0.004 + 1.2 * bench.design.boards.bolt_m
    assert bolt_takes_m(bench) == pytest.approx(took)


# The whole frame.


def on_a_bow(work: Work, at: tuple[float, float, float], reach_m: float) -> bool:
    """Whether a point is on some bow, by a polyline of many points of it and the stations."""
    half = bow_tube(work).od_m / 2
    if min(abs(at[0] - station) for station in bays_of(work).stations_m) > half + reach_m:
        return False
    bow = centre_line(work)
    dense = np.array([bow.point(float(s)) for s in np.linspace(0.0, bow.girth_m, 2001)])
    # Below its line a bow stands on its posts, plumb.
    dense = np.concatenate([dense, [(x, y) for x in (-1, 1) for y in (-0.3, 0.0)]])
    return bool(np.hypot(dense[:, 0] - at[1], dense[:, 1] - at[2]).min() <= reach_m)


def proud(work: Work, member: Member) -> bool:
    """Whether an end stands past the outer face of an end bow, where film passes."""
    half = bow_tube(work).od_m / 2
    return any(not -half - 1e-9 <= end[0] <= work.design.size.length_m + half + 1e-9 for end in member.ends)


def test_every_member_meets_what_it_should(pytestconfig: pytest.Config) -> None:
    count = 200 if pytestconfig.getoption("--deep") else 10
    walked = sum(walks(seed) for seed in range(count))
    assert walked > 0.6 * count


def walks(seed: int) -> bool:
    """Every member of a random house, each end on what it should be on; whether there is such a house."""
    chance = random.Random(seed)
    shape = dict(SHAPES[seed % len(SHAPES)])
    parts: dict[str, Any] = {
        "size__shape": shape,
        "size__span_m": chance.uniform(3.6, 5.2) if shape["kind"] != "round_on_legs" else 4.4,
        "size__length_m": chance.uniform(5.0, 25.0),
        "bows__max_spacing_m": chance.uniform(0.9, 2.0),
        "strength": {"runs": chance.randint(1, 9)},
        "runs": {
            "lie": chance.choice(["under", "over", "through"]),
            "joint": chance.choice(["swaged", "coupler", "lap"]),
            "of": chance.choice(["long", "long", "pieces", "laths"]),
            "stick_m": chance.uniform(3.5, 7.0),
        },
        "braces": {
            "bays": chance.randint(0, 3),
            "cross": chance.choice(["one", "both"]),
            "ties": chance.choice(["none", "collar", "truss"]),
            "tie_m": 2.05,
            "every": chance.randint(1, 4),
        },
        "boards": {"hip": chance.choice(["none", "board"]), "hip_m": 1.1},
    }
    try:
        work = make_bench(**parts)
        members = [member for room in rooms() for member in room.parts(work)]
    except DesignError:
        return False
    assert len({member.part for member in members}) == len(members)
    each_on_what_it_should_be(work, members)
    lapping_by_their_joint(work, members)
    # What is drawn is what is listed.
    plan = plan_work(work)
    drawn = {item.part for drawing in plan.drawings for item in drawing.items if hasattr(item, "part")}
    assert {each.part for each in members if each.part.startswith("run:")} <= drawn
    return True


def each_on_what_it_should_be(work: Work, members: list[Member]) -> None:
    od, run = bow_tube(work).od_m, run_tube(work).od_m
    touch = (od + run) / 2 + 0.002
    for member in members:
        if member.what == "run stick":
            # A stick's end meets the next stick, or is flush with an end bow; somewhere on it a bow is.
            assert not proud(work, member), member
            low, high = member.ends[0][0], member.ends[1][0]
            assert any(low - od <= station <= high + od for station in bays_of(work).stations_m), member
            assert on_a_bow(work, (bays_of(work).stations_m[0], *member.ends[0][1:]), touch), member
        elif member.what in ("piece between bows", "lath"):
            assert not proud(work, member), member
            assert all(on_a_bow(work, end, touch + work.design.runs.take_m) for end in member.ends), member
        elif member.what in ("brace", "collar"):
            assert all(on_a_bow(work, end, touch) for end in member.ends), member
        elif member.what == "strut":
            assert on_a_bow(work, member.ends[1], touch), member
        assert math.dist(*member.ends) <= member.length_m + 2 * work.design.braces.edge_m + 0.06


def lapping_by_their_joint(work: Work, members: list[Member]) -> None:
    """No two pieces of one line overlap by more than their joint."""
    lines: dict[str, list[Member]] = {}
    for member in members:
        if member.what == "run stick":
            lines.setdefault(member.part.rpartition(":")[0], []).append(member)
    joint = 0.0 if work.design.runs.joint == "coupler" else work.design.runs.joint_m
    for sticks in lines.values():
        ordered = sorted(sticks, key=lambda each: each.ends[0][0])
        for one, other in pairwise(ordered):
            assert one.ends[1][0] - other.ends[0][0] == pytest.approx(joint, abs=1e-9)


def test_marks_go_to_the_posts_as_they_stand() -> None:
    # Posts of bow 3 measured 30 mm and 10 mm too far on: the bow is 20 mm on, and its mark says so.
    plain = make_bench(strength={"runs": 3})
    start, station = tapes_of(plain).start_m, bays_of(plain).stations_m[2]
    row = {"L3": {"along_m": start + station + 0.03}, "R3": {"along_m": start + station + 0.01}}
    record = SiteRecord.model_validate({"row": row})
    plan = make_plan(record, strength={"runs": 3}, boards={"hip": "board", "hip_m": 1.2})
    was = bow_tube(plain).od_m / 2 + station
    for name in ("run:odd", "hip"):
        found = next(each for each in plan.strips if each.id == name)
        mark = next(each for each in found.marks if each.what == "bow 3")
        assert mark.at_m == pytest.approx(was + 0.02)
    run = next(each for each in plan.strips if each.id == "run:odd")
    assert [mark.what for mark in run.marks if mark.state == "moved"] == ["bow 3"]
    assert "on, as its posts stand" in next(mark.note for mark in run.marks if mark.state == "moved")
    taped = make_plan(record, strength={"runs": 3}, runs={"mark": "stacked"})
    assert strip(taped, "run:odd")["bow 3"] == pytest.approx(was)


def test_laths_are_ripped_side_by_side() -> None:
    # A 2 × 4 is 3 1/2 in wide: two of 1 1/2 in with a kerf of 3 mm between, not three.
    laths = {"strength": {"runs": 3}, "runs": {"of": "laths", "strip_m": 1.5 * INCH_M}}
    bench = make_bench(**laths)
    assert ripped(bench) == 2
    pieces = [piece.length_m for piece in pieces_of(bench)]
    assert len(pieces) == 3 * bays_of(bench).count
    assert sticks_for(run_sticks(bench), bench.rules.kerf_m) == math.ceil(bought(pieces, 6.0, bench.rules.kerf_m) / 2)
    wide = refused(make_house(**laths), ("runs.strip_m", "5 in")).troubles[0]
    assert "No lath so wide" in wide.sentence
    assert verdict(make_plan(runs={"of": "laths"}), "run-slender").level == "unknown"


def test_what_is_drilled_weakens_the_bow() -> None:
    plain = model_of(make_bench(**told())).jointed.sum()
    braced = make_bench(**told(), braces={"bays": 2, "head_m": 1.2, "ties": "collar", "tie_m": 2.0})
    assert model_of(braced).jointed.sum() > plain
    clamped = make_bench(**told(), braces={"bays": 2, "head_m": 1.2, "end": "clamp", "clamp_n": 4000.0})
    assert model_of(clamped).jointed.sum() == plain
    # A bolt so thick that less than a joint's share is left: Z − d·t·(D − t) of the tube.
    thick = make_bench(**told(), braces={"bays": 2, "bolt_m": 0.019})
    section = sections_of(thick)[0]
    left = 1 - 0.020 * section.wall_m * (section.od_m - section.wall_m) / section.plastic_m3
    assert joint_share(thick) == pytest.approx(min(left, 0.75))


def test_laths_hold_no_bow_that_anyone_has_reckoned() -> None:
    assert held_m(make_bench(strength={"runs": 5}, runs={"of": "laths"}, braces=BRACED)) == tube_m(make_bench())


def test_a_brace_as_long_as_the_house_lifts_its_corner() -> None:
    parts = {**told(), "size__length_m": 1.2, "bows__max_spacing_m": 1.2}
    short, cross = make_bench(**parts, braces={"bays": 1}), make_bench(**told(), braces={"bays": 2, "cross": "both"})
    assert not braced_feet(short)
    assert corner_lifted(short)
    assert corner_lifted(cross)
    assert not corner_lifted(make_bench(**told(), braces=BRACED))


def test_knees_go_across_the_shoulders() -> None:
    bench = make_bench(size__span_m=4.4, size__shape=SHAPES[0], braces={"ties": "knee", "low_m": 0.6, "tie_m": 1.9})
    left, right = ties_of(bench)
    # From the plumb leg at 0.6 m to the arc of 2.2 m, 1.2 m over its middle.
    assert left.long_m == pytest.approx(math.hypot(2.2 - math.sqrt(2.2**2 - 1.2**2), 1.3))
    assert right.ends == tuple((-x, y) for x, y in left.ends)
    error = refused(bench.design, ("braces.low_m", "2.4 m")).troubles[0]
    assert "lower end must be under" in error.sentence


def test_no_stay_leaves_before_the_braces_are_tight() -> None:
    said = []
    for are in ("out", "loose", "tight"):
        record = SiteRecord.model_validate({"braced": {"are": are}})
        plan = make_plan(record, **told(), braces=BRACED, strength={"runs": 3})
        said.append(next(each for each in plan.steps if each.id == "braces"))
    assert said[0].next.startswith("Cut 4 braces")
    assert "No stay leaves yet" in said[1].next
    assert "Stays may leave" in said[2].next


def test_a_braced_post_is_an_item_set_in_its_own_way_until_a_day() -> None:
    record = SiteRecord.model_validate({"poured": {"on": "2026-05-04"}})
    hold = {"set": "driven", "brace_set": "concrete", "cures_c": 10.0}
    bench = make_bench(record, **told(), hold=hold, braces=BRACED)
    table = next(each for room in rooms() for each in room.tables if each.name == "posts")
    head, *rows = table.rows(bench)
    told_of = {row[0]: (row[head.index("set_as")], row[head.index("bow_from")]) for row in rows}
    # 60 °C·days at 10 + 10: three days.
    assert told_of["L2"] == ("concrete", "2026-05-07")
    assert told_of["L3"] == ("driven", "")
    assert told_of["L1"] == ("driven", "")


def test_runs_carry_wind_along_to_the_braces_that_pull() -> None:
    # AISC 360-16 E3: Fe = π²E/(L/r)², Fcr = 0.658^(Fy/Fe)·Fy or 0.877·Fe, over 1.67; walls by 93 %.
    bench = make_bench(**told(), braces=BRACED, strength={"runs": 3})
    along, takes = along_of(bench), run_takes(bench)
    assert along is not None and takes is not None
    tube, bay = run_tube(bench), bays_of(bench).bay_m
    bore = tube.od_m - 2 * 0.93 * tube.wall_m
    area, inertia = math.pi / 4 * (tube.od_m**2 - bore**2), math.pi / 64 * (tube.od_m**4 - bore**4)
    elastic = math.pi**2 * 200e9 * inertia / area / bay**2
    ratio = tube.yield_pa / elastic
    critical = 0.658**ratio * tube.yield_pa if ratio <= 2.25 else 0.877 * elastic
    assert takes[1] == pytest.approx(critical * area / 1.67, rel=1e-6)
    # Three runs: one at each side, half of the ridge's to each.
    assert takes[0] == pytest.approx((along.ends_n / 2 + along.steadies_n) / 1.5)
    assert verdict(make_plan(**told(), braces=BRACED), "run-pressed").rank == "stands"
    assert verdict(make_plan(**told()), "run-pressed") is None
