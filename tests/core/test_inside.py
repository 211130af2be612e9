"""Beds and paths, reach, and height at the side with its cures."""

import itertools

import pytest
from hypothesis import given
from hypothesis import strategies as st

from obtegum.core.bows.beds import lay_out
from obtegum.core.bows.bending import former_for
from obtegum.core.catalogue import default_catalogue
from obtegum.core.edit import Edit
from obtegum.core.edits import apply_edits
from obtegum.core.job import Job
from obtegum.core.plan import plan_house
from obtegum.core.quantity import FOOT_M, INCH_M
from obtegum.core.remedies import find_remedies
from obtegum.core.rooms import SiteRecord
from obtegum.core.rooms.bows.tubes import find_tube
from obtegum.core.trouble import DesignError
from tests.conftest import answer, make_house, make_plan, verdict


def test_beds_by_hand() -> None:
    # 6 m floor, beds 0.75, paths from 0.4, beds along the walls: floor(6.4/1.15) = 5 beds, 4 paths of (6 − 3.75)/4.
    layout = lay_out(6.0, 0.75, 0.4, "bed")
    assert [each.kind for each in layout.strips] == ["bed", "path"] * 4 + ["bed"]
    assert layout.paths[0].width_m == pytest.approx(2.25 / 4)
    # Paths along the walls: n = floor((6 − 0.4)/1.15) = 4 beds, 5 paths of (6 − 3)/5 = 0.6.
    layout = lay_out(6.0, 0.75, 0.4, "path")
    assert len(layout.beds) == 4
    assert layout.paths[0].width_m == pytest.approx(0.6)
    assert layout.strips[0].kind == "path"


@given(st.floats(1, 15), st.floats(0.2, 2), st.floats(0.2, 1.5), st.sampled_from(["bed", "path"]))
def test_beds_and_paths_fill_the_floor(width: float, bed: float, path: float, along: str) -> None:
    layout = lay_out(width, bed, path, along)  # type: ignore[arg-type]
    if not layout.strips:
        assert width < bed + (2 * path if along == "path" else 0) + 1e-6
        return
    assert all(each.width_m == pytest.approx(bed) for each in layout.beds)
    assert all(each.width_m >= path - 1e-9 for each in layout.paths)
    if layout.paths:
        assert layout.strips[0].from_m == 0
        assert layout.strips[-1].to_m == pytest.approx(width)
    edges = [(each.from_m, each.to_m) for each in layout.strips]
    assert all(a[1] == pytest.approx(b[0]) for a, b in itertools.pairwise(edges))
    # One more bed would not have fitted.
    more = len(layout.beds) + 1
    needed = more * bed + (more - 1 if along == "bed" else more + 1) * path
    assert needed > width - 1e-6


def test_room_in_the_first_path_by_hand() -> None:
    # Floor 21 ft − 1.66 in; beds 22 in: the first path's middle is 22 in and half a path from the post's face.
    plan = make_plan(inside={"bed_m": 22 * INCH_M, "path_m": 15 * INCH_M})
    found = verdict(plan, "path-room")
    floor = 21 * 12 - 1.66
    count = int((floor + 15) / 37)
    path = (floor - count * 22) / (count - 1)
    # Over half a path or half a person, whichever is less, on the outer side: there the bow is lowest.
    at = 0.83 + 22 + path / 2 - min(0.5 / 2 / INCH_M, path / 2)
    inner = 126 - 1.375 / 2
    room = 24 + (inner**2 - (126 - at) ** 2) ** 0.5
    assert found.ratio == pytest.approx(69 / room, rel=1e-6)
    assert answer(plan, "inside", "beds") == str(count)


def test_reach_counts_from_the_sides_one_can_stand_at() -> None:
    # Along a wall from one side: 0.8 of 0.65; with paths along the walls from both: 0.4.
    assert verdict(make_plan(inside={"bed_m": 0.8}), "reach").level == "fails"
    both = verdict(make_plan(inside={"bed_m": 0.8, "along_walls": "path"}), "reach")
    assert both.ratio == pytest.approx(0.4 / 0.65)
    assert verdict(make_plan(inside={"bed_m": 6.0, "path_m": 1.0}), "reach").level == "fails"
    assert (
        verdict(
            make_plan(size__span_m=4.0, size__shape={"kind": "round_on_legs", "leg_m": 0.6}, inside={"bed_m": 5.0}),
            "beds-fit",
        ).level
        == "fails"
    )


def low_house():  # type: ignore[no-untyped-def]
    return make_house(size__shape={"kind": "round", "leg_m": 0.5, "height_m": 2.6}, inside={"crop_m": 1.9})


def test_too_low_at_the_side_has_its_usual_cures() -> None:
    design, catalogue = low_house(), default_catalogue()
    plan = plan_house(design, SiteRecord(), catalogue)
    assert verdict(plan, "crop-room").level == "fails"
    offers = [
        each for each in find_remedies(design, SiteRecord(), catalogue) if each.verdict in ("crop-room", "path-room")
    ]
    measures = {edit.measure for each in offers for edit in each.edits}
    assert "size.shape.leg_m" in measures or "shape" in measures
    for each in offers:
        after = plan_house(*apply_edits(Job(design), each.edits, catalogue), catalogue)
        assert verdict(after, each.verdict).level == each.level


def test_tubes_of_ones_own_and_what_slides_into_what() -> None:
    own = [{"od_m": 1.375 * INCH_M, "wall_m": 0.065 * INCH_M}, {"od_m": 1.9 * INCH_M, "wall_m": 0.25 * INCH_M}]
    plan = make_plan(bows__tube="own:1", posts__tube="own:2", own_tubes=own)
    assert answer(plan, "bows", "tube") == answer(make_plan(), "bows", "tube")
    told = {step.id: step.measures for step in plan.steps}
    assert {"own_tubes.0.od_m", "own_tubes.0.wall_m", "own_tubes.0.yield_pa"} <= set(told["bows"])
    assert {"own_tubes.1.od_m", "own_tubes.1.wall_m", "own_tubes.1.yield_pa"} <= set(told["posts"])
    assert plan.measures["own_tubes.1.od_m"].reading == '1.900"'
    assert (
        make_plan(bows__tube="own:1", own_tubes=own, tape__units="metric").measures["own_tubes.0.wall_m"].reading
        == "1.7 mm"
    )
    # Schedule 40 of 1 1/4 in has a bore of 1.660 − 2·0.140 = 1.380 in: the closest over 1.375 in.
    assert answer(make_plan(), "bows", "slides_into") == "Water pipe 1 1/4 in"
    # An own one of 1.9 − 2·0.261 = 1.378 in is closer still.
    closer = [{"od_m": 1.9 * INCH_M, "wall_m": 0.261 * INCH_M}]
    assert answer(make_plan(own_tubes=closer), "bows", "slides_into").startswith("Own tube 1, ")
    with pytest.raises(Exception, match="thicker than half"):
        make_house(own_tubes=[{"od_m": 0.02, "wall_m": 0.015}])


def test_a_tube_of_ones_own_is_added_measured_and_told_by_its_steel() -> None:
    """Twice the yield springs back twice as far: 1/R_former − 1/R_free = Fy·Z/(E·I)."""
    catalogue = default_catalogue()

    def changed(job: Job, **edits: str) -> Job:
        made = [Edit(measure=name.replace("__", "."), text=text) for name, text in edits.items()]
        return apply_edits(job, made, catalogue)

    job = changed(
        Job(make_house()), bows__tube="own:new", own_tubes__0__od_m="1.375 in", own_tubes__0__wall_m="0.065 in"
    )
    assert job.design.bows.tube == "own:1"
    assert job.design.posts.tube != "own:1"
    both = changed(job, posts__tube="own:new", own_tubes__1__od_m="1.9 in", own_tubes__1__wall_m="0.1 in")
    assert [each.od_m for each in both.design.own_tubes] == pytest.approx([1.375 * INCH_M, 1.9 * INCH_M])
    again = changed(both, bows__tube="own:2", posts__tube="post-1-7-8")
    assert len(again.design.own_tubes) == 2

    def springs(job: Job, yields: str) -> float:
        tube = find_tube(changed(job, own_tubes__0__yield_pa=yields).design, catalogue, "own:1")
        assert tube is not None
        return 1 / former_for(tube, 3.0) - 1 / 3.0

    assert springs(job, "60 ksi") == pytest.approx(2 * springs(job, "30 ksi"), rel=0.02)
    assert changed(job, own_tubes__0__yield_pa="").design.own_tubes[0].yield_pa is None
    with pytest.raises(DesignError, match="nothing of that number"):
        changed(both, own_tubes__2__od_m="1 in")
    with pytest.raises(DesignError, match="not a choice"):
        changed(Job(make_house()), bows__tube="own:1")
    full = Job(make_house(own_tubes=[{"od_m": 0.03, "wall_m": 0.002}] * 8))
    with pytest.raises(DesignError, match="not a choice"):
        changed(full, bows__tube="own:new")


def test_beds_are_drawn_and_on_the_tape() -> None:
    plan = make_plan()
    strip = next(each for each in plan.strips if each.id == "beds")
    assert strip.length_m == pytest.approx(21 * FOOT_M - 1.66 * INCH_M)
    drawn = {getattr(item, "part", "") for each in plan.drawings if each.view == "across" for item in each.items}
    assert {mark.part for mark in strip.marks if mark.kind == "peg"} <= drawn
