"""Tape strips: in order, within their length, linked to the drawing, true to the plan."""

from itertools import pairwise
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from obtegum.core.documents.house import SiteRecord
from obtegum.core.drawing.strip import Strip
from obtegum.core.findings.skeleton.bays import pegs_of
from obtegum.core.house.plan import HousePlan
from obtegum.core.values.quantity import FOOT_M, INCH_M, length_text
from obtegum.core.values.trouble import DesignError
from tests.conftest import make_bench, make_plan

SHAPES: list[dict[str, Any]] = [
    {"kind": "round_on_legs", "leg_m": 0.9},
    {"kind": "round_on_legs", "leg_m": 22 * INCH_M},
    {"kind": "round", "leg_m": 0.0, "height_m": 2.6},
    {"kind": "round", "leg_m": 22 * INCH_M, "height_m": 2.4},
    {"kind": "round", "leg_m": 1.2, "height_m": 6.0},
]


def strip(plan: HousePlan, name: str) -> Strip:
    return next(each for each in plan.strips if each.id == name)


@pytest.mark.parametrize("shape", SHAPES)
def test_marks_are_in_order_within_the_strip_and_named_once(shape: dict[str, Any]) -> None:
    plan = make_plan(size__shape=shape)
    for each in plan.strips:
        places = [mark.at_m for mark in each.marks]
        assert places == sorted(places), each.id
        assert all(-1e-9 <= place <= each.length_m + 1e-9 for place in places), each.id
        assert len({mark.id for mark in each.marks}) == len(each.marks), each.id
        # What the rod reads stands at a place, and is not the place's own reading.
        if not each.id.startswith(("level:", "tops:", "check:", "row:", "plumb:")):
            assert all(mark.reading == length_text(mark.at_m, plan.tape) for mark in each.marks)


@pytest.mark.parametrize("shape", SHAPES)
def test_bands_lie_within_and_do_not_run_into_each_other(shape: dict[str, Any]) -> None:
    plan = make_plan(size__shape=shape)
    for each in plan.strips:
        for band in each.bands:
            assert -1e-9 <= band.from_m <= band.to_m <= each.length_m + 1e-9, (each.id, band)
        solid = [band for band in each.bands if band.kind in ("socket", "buried")]
        for before, after in pairwise(sorted(solid, key=lambda band: band.from_m)):
            assert before.to_m <= after.from_m + 1e-9, each.id


@given(st.floats(4.0, 12.0), st.floats(0.6, 2.0), st.floats(4.0, 8.0), st.floats(0.05, 0.3), st.floats(0.05, 0.4))
def test_sticks_lie_end_to_end(span: float, leg: float, stick: float, joint: float, socket: float) -> None:
    """The same place of the bow, marked on two sticks where they overlap, is the same place."""
    try:
        plan = make_plan(
            size__span_m=span,
            size__shape={"kind": "round_on_legs", "leg_m": leg},
            bows__stick_m=stick,
            bows__joint_m=joint,
            bows__insertion_m=socket,
        )
    except DesignError:
        return
    sticks = [each for each in plan.strips if each.id.startswith("stick:")]
    start, places = 0.0, {}
    for each in sticks:
        for mark in each.marks:
            if mark.kind != "cut" and not mark.part.startswith("joint"):
                place = start + mark.at_m
                assert places.setdefault(mark.part, place) == pytest.approx(place, abs=1e-7)
        start += each.length_m - joint
    total = start + joint
    assert places["socket:L"] == pytest.approx(socket)
    assert places["socket:R"] == pytest.approx(total - socket)
    assert places["crown"] == pytest.approx(total / 2)
    assert places["bend:L"] + places["bend:R"] == pytest.approx(total) if "bend:L" in places else True


def test_the_post_strip_by_hand() -> None:
    # 48 in post, 22 in out, bow 6 in inside: ground at 26 in, bow's end at 42 in, top at 48 in.
    post = strip(make_plan(), "post")
    assert [(mark.what, mark.reading) for mark in post.marks] == [
        ("bottom end", '0"'),
        ("drive to here", "2' 2\""),
        ("bow stops here", "3' 6\""),
        ("top", "4' 0\""),
    ]
    assert [(band.kind, round(band.to_m - band.from_m, 4)) for band in post.bands] == [
        ("buried", 0.6604),
        ("socket", 0.1524),
    ]


def test_a_bow_deeper_than_its_post_stands_out_marks_below_the_ground() -> None:
    post = strip(make_plan(bows__insertion_m=30 * INCH_M), "post")
    assert [mark.what for mark in post.marks] == ["bottom end", "bow stops here", "drive to here", "top"]


def test_the_floor_strip_shows_where_one_stands_upright() -> None:
    plan = make_plan()
    floor = strip(plan, "floor")
    clear = [mark.at_m for mark in floor.marks if mark.what == "head clears"]
    assert clear[0] + clear[1] == pytest.approx(21 * FOOT_M)
    assert (floor.bands[0].from_m, floor.bands[0].to_m) == pytest.approx(tuple(clear))
    low = make_plan(size__span_m=2.0, size__shape={"kind": "round", "leg_m": 0.6, "height_m": 1.5})
    assert strip(low, "floor").bands == ()
    assert not [mark for mark in strip(low, "floor").marks if mark.what == "head clears"]


def test_both_sides_read_alike_and_tick_apart() -> None:
    plan = make_plan(SiteRecord(set_at_m={"peg:L1": 0.0, "post:R1": 0.0}))
    left, right = strip(plan, "peg:L"), strip(plan, "peg:R")
    assert [mark.reading for mark in left.marks] == [mark.reading for mark in right.marks]
    assert (left.marks[0].state, right.marks[0].state) == ("set", "open")
    assert (strip(plan, "post:L").marks[0].state, strip(plan, "post:R").marks[0].state) == ("open", "set")
    assert [mark.what for mark in (left.marks[0], left.marks[-1], right.marks[0], right.marks[-1])] == [
        "corner A",
        "corner B",
        "corner D",
        "corner C",
    ]


def test_next_steps_are_told_in_order() -> None:
    def told(record: SiteRecord, step: str = "set-out") -> str:
        return next(each for each in make_plan(record).steps if each.id == step).next

    stations = [peg.station_m for peg in pegs_of(make_bench()) if peg.side == "L"]
    left = {f"peg:L{place}": at for place, at in enumerate(stations, start=1)}
    right = {f"peg:R{place}": at for place, at in enumerate(stations, start=1)}
    assert told(SiteRecord()) == "Next: corner A, where the tape starts."
    assert told(SiteRecord(set_at_m={"peg:L1": 0.0})) == "Next: peg 2, left side, at 3' 9 5/8\" from A."
    assert told(SiteRecord(set_at_m=left)) == "Next: corner D, 21' 0\" across from A."
    assert told(SiteRecord(set_at_m={**left, **right})) == "All 32 pegs are set."
    assert told(SiteRecord(), "posts") == "Next: post 1, left side. Drive it until 1' 10\" stands out."
    posts = {name.replace("peg", "post"): at for name, at in {**left, **right}.items()}
    assert told(SiteRecord(set_at_m=posts), "posts") == "All 32 posts are in."


@pytest.mark.parametrize(
    ("changes", "says"),
    [
        ({"hold": {"set": "concrete"}}, "Next: post 1, left side. Stand it in its hole so that 1' 10\" stands out."),
        ({"hold": {"corner_set": "screw"}}, "Next: post 1, left side. Turn it in until 1' 10\" stands out."),
        ({"posts__stand": "stub"}, "Next: stub 1, left side. Drive it until 1' 10\" stands out."),
        ({"posts__stand": "slab"}, "Next: socket 1, left side. Set it plumb in its form so that 1' 10\" stands out."),
        ({"posts__stand": "board"}, "Next: foot 1, left side. Bring the board up until 1' 10\" stands out."),
    ],
)
def test_a_post_is_driven_only_where_posts_are(changes: dict[str, Any], says: str) -> None:
    plan = make_plan(**changes)
    steps = {step.id: step for step in plan.steps}
    assert steps["posts"].next == says
    # And it is called what it is, wherever a row of them is spoken of; steps keep their names.
    one = says.split()[1]
    assert (steps["posts"].title, steps["row"].title) == ("Footing", "Along the row")
    assert steps["row"].next.startswith(f"Next: {one} 1 left")
    across = next(strip for strip in plan.strips if strip.id == "floor")
    assert across.marks[0].what == f"left {one}"


def test_cautions_stand_where_they_bite() -> None:
    cautions = {step.id: step.caution for step in make_plan().steps}
    assert "buried lines" in cautions["set-out"]
    assert "power lines" in cautions["set-out"]
    assert "Ears and eyes" in cautions["posts"]
    assert "two people on a bow" in cautions["bows"]
    assert "licensed engineer" in make_plan().planning_aid
