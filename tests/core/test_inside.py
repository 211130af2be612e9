"""Beds and paths, reach, and height at the side with its cures."""

import itertools

import pytest
from hypothesis import given
from hypothesis import strategies as st

from obtegum.core.documents.house import HouseDesign, SiteRecord
from obtegum.core.documents.job import Job
from obtegum.core.drawing.items import Outline
from obtegum.core.face.edit import Edit
from obtegum.core.findings.skeleton.tubes import find_tube
from obtegum.core.formulas.bows.beds import lay_out
from obtegum.core.formulas.bows.bending import former_for
from obtegum.core.house.edits import apply_edits
from obtegum.core.house.measures import find_measure
from obtegum.core.house.plan import plan_house
from obtegum.core.house.remedies import find_remedies
from obtegum.core.values.catalogue import default_catalogue
from obtegum.core.values.quantity import FOOT_M, INCH_M
from obtegum.core.values.trouble import DesignError
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


def own(text: str, paths: str = "", **changes: object) -> HouseDesign:
    design = make_house(**{"size__span_m": 13 * FOOT_M, **changes})  # type: ignore[arg-type]
    edits = [Edit(measure="inside.own_beds_m", text=text), Edit(measure="inside.own_paths_m", text=paths)]
    return apply_edits(Job(design), edits, default_catalogue()).design


@pytest.mark.parametrize(
    ("units", "text", "inches"),
    [
        ("feet", "34, 42, 28", (34, 42, 28)),
        ("feet", "34,42,28 in", (34, 42, 28)),
        ("feet", '2\' 10", 3\' 6" and 28 1/2"', (34, 42, 28.5)),
        ("feet", "34 42 28", (34, 42, 28)),
        ("feet", "34 1/2; 42", (34.5, 42)),
    ],
)
def test_beds_are_listed_as_people_write_them(units: str, text: str, inches: tuple[float, ...]) -> None:
    design = own(text, tape__units=units)
    assert design.inside.along_walls == "own"
    assert [width_m / INCH_M for width_m in design.inside.own_beds_m] == pytest.approx(inches)
    # What the field then reads says the same again.
    read = find_measure("inside.own_beds_m")
    assert read is not None
    assert own(read.read(Job(design)), tape__units=units).inside.own_beds_m == pytest.approx(design.inside.own_beds_m)


@pytest.mark.parametrize(
    ("text", "metres"),
    [
        ("85, 105, 70", (0.85, 1.05, 0.7)),
        ("0,85 m; 1,05 m", (0.85, 1.05)),
        ("85,105,70", (0.85, 1.05, 0.7)),
        ("85,5", (0.855,)),
        ("0.85, 1.05 m", (0.85, 1.05)),
    ],
)
def test_metric_lists_keep_their_decimal_commas(text: str, metres: tuple[float, ...]) -> None:
    assert own(text, tape__units="metric").inside.own_beds_m == pytest.approx(metres)


@pytest.mark.parametrize("text", ["", "34, wide", "34, 900 ft", "34, 0", ", ".join(["10"] * 21)])
def test_a_list_that_can_t_be_is_refused_with_a_sentence(text: str) -> None:
    with pytest.raises(DesignError) as found:
        own(text)
    assert found.value.troubles[0].path == "inside.own_beds_m"
    assert found.value.troubles[0].sentence.endswith(".")


def test_unequal_beds_by_hand() -> None:
    # 13 ft between centres of posts of 1.66 in: 154.34 in of floor. Beds take 104, two paths share 50.34 in.
    plan = plan_house(own("34, 42, 28", posts__tube="water-1-1-4"), SiteRecord(), default_catalogue())
    assert answer(plan, "inside", "beds") == "3"
    assert answer(plan, "inside", "path") == "2' 1 1/8\""
    beds = next(each for each in plan.strips if each.id == "beds")
    assert [mark.at_m / INCH_M for mark in beds.marks] == pytest.approx(
        [0, 34, 34 + 25.17, 76 + 25.17, 76 + 50.34, 154.34], abs=1e-6
    )
    assert verdict(plan, "beds-fit").level == "holds"


def test_paths_of_one_s_own_leave_the_rest_over() -> None:
    plan = plan_house(own("34, 42, 28", "16, 18", posts__tube="water-1-1-4"), SiteRecord(), default_catalogue())
    # 154.34 − 104 − 34 = 16.34 in.
    assert "1' 4 5/16\" left over at the right" in verdict(plan, "beds-fit").sentence


def test_beds_that_don_t_fit_say_by_how_much_and_are_cured() -> None:
    # 36 + 48 + 36 = 120 in, and two paths of 18 at the least: 156 in on a floor of 154.34.
    design = own("36, 48, 36", inside__path_m=18 * INCH_M, posts__tube="water-1-1-4")
    plan = plan_house(design, SiteRecord(), default_catalogue())
    found = verdict(plan, "beds-fit")
    assert (found.level, found.number) == ("fails", "13' 0\"")
    assert '1 11/16" too much' in found.sentence
    ways = [way for way in find_remedies(design, SiteRecord(), default_catalogue()) if way.verdict == "beds-fit"]
    assert {edit.measure for way in ways for edit in way.edits} >= {"inside.path_m", "inside.to", "size.span_m"}


def test_each_bed_is_judged_from_the_sides_that_it_is_reached_from() -> None:
    # A bed of 42 in with a path on both sides: 21 in; one of 34 in along the wall: 34 in of 30.
    found = verdict(plan_house(own("34, 42, 28"), SiteRecord(), default_catalogue()), "reach")
    assert (found.level, found.part, found.number) == ("fails", "bed:1", "2' 10\"")
    clear = own("34, 42, 28", inside__wall_m=12 * INCH_M, inside__path_m=12 * INCH_M)
    assert verdict(plan_house(clear, SiteRecord(), default_catalogue()), "reach").part == "bed:2"


def test_beds_to_the_skin_and_room_for_the_doors() -> None:
    # Film lies over bows of 1.375 in: 13 ft + 1.375 in. 57 ft less 4 ft and 3 ft: 50 ft of bed.
    design = own("34, 42, 28", inside__to="skin", inside__front_m=4 * FOOT_M, inside__back_m=3 * FOOT_M)
    plan = plan_house(design, SiteRecord(), default_catalogue())
    assert next(each for each in plan.strips if each.id == "beds").length_m / INCH_M == pytest.approx(157.375, abs=1e-6)
    assert answer(plan, "inside", "bed_length") == "150' 0\""
    # Rows a foot apart, plants a foot apart: 2, 3 and 2 rows of 50.
    assert answer(plan, "inside", "plants") == "350"
    floor = next(each for each in plan.drawings if each.view == "floor")
    assert {item.part for item in floor.items} >= {"bed:1", "bed:3", "front", "back"}


def test_layouts_lie_side_by_side_and_are_picked() -> None:
    plan = plan_house(own("34, 42, 28"), SiteRecord(), default_catalogue())
    shown = next(each for each in plan.drawings if each.view == "layouts")
    assert [row.what for row in shown.table] == ["Beds along the walls", "Paths along the walls", "My own"]
    assert {item.picks for item in shown.items if isinstance(item, Outline)} == {
        ("inside.along_walls", kind) for kind in ("bed", "path", "own")
    }
