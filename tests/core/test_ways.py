"""Ways to stand: what goes into what, boards and stakes, stubs of the bow's own curve, posts from sticks, bolts."""

import math

import pytest

from obtegum.core.documents.house import SiteRecord
from obtegum.core.documents.job import Job
from obtegum.core.drawing.strip import Strip
from obtegum.core.findings.skeleton.stands import WAYS, plumb_m, stub_below
from obtegum.core.house.edits import apply_edits
from obtegum.core.house.remedies import find_remedies
from obtegum.core.house.starters import new_house
from obtegum.core.values.catalogue import default_catalogue
from obtegum.core.values.quantity import FOOT_M, INCH_M
from obtegum.core.values.trouble import DesignError
from tests.conftest import answer, make_bench, make_house, make_plan, verdict
from tests.core.test_counts import changed, planned, refused


def strip(plan: object, name: str) -> Strip:
    return next(each for each in plan.strips if each.id == name)  # type: ignore[attr-defined]


def test_a_bow_over_a_bar_counts_its_ribs() -> None:
    # A no. 4 bar is 0.5 in, and its ribs 0.04 in on either side: 0.58 in. A 1 in plastic pipe has 1.049 in of bore.
    plan = make_plan(posts__stand="stub", posts__tube="bar-1-2", bows__tube="pvc-1")
    assert verdict(plan, "entry").level == "holds"
    thick = make_plan(posts__stand="stub", posts__tube="post-1-5-8")
    found = verdict(thick, "entry")
    assert found.level == "fails"
    assert "does not go into a bow" in found.sentence
    # A rail of 1 3/8 in by 0.065 has 1.245 in of bore.
    assert (found.number, found.limit) == ('1.660"', '1.245"')


def test_a_bar_is_never_thinner_than_its_ribs_where_something_goes_over_it() -> None:
    bars = [tube for tube in default_catalogue().tubes.values() if tube.form == "bar"]
    assert len(bars) == 9
    for bar in bars:
        assert bar.bore_m == 0.0
        assert bar.od_m * 1.05 < bar.over_m < bar.od_m * 1.3


def test_a_stub_too_thick_is_cured_by_a_bar_that_goes_in() -> None:
    design = make_house(posts__stand="stub")
    remedies = find_remedies(design, SiteRecord(), default_catalogue())
    cure = next(each for each in remedies if each.verdict == "entry")
    cured = apply_edits(Job(design), cure.edits, default_catalogue()).design
    assert cured.posts.stand == "stub"
    assert verdict(planned(cured), "entry").level == "holds"


def test_board_stakes_splices_and_straps_by_hand() -> None:
    # 57 ft and the tube's 1.375 in make 57.115 ft of board: five of 12 ft, so four splices a side and six stakes.
    plan = make_plan(posts__stand="board", posts__board_m=12 * FOOT_M)
    assert answer(plan, "posts", "boards") == "10"
    assert answer(plan, "posts", "splices") == "8"
    assert answer(plan, "posts", "stakes") == "12"
    assert answer(plan, "posts", "posts") == "12"
    # Sixteen bows, two feet each, two straps a foot.
    assert answer(plan, "posts", "straps") == "64"
    marks = {mark.what: mark.at_m for mark in strip(plan, "base-board").marks}
    assert marks["bow 1"] == pytest.approx(0.6875 * INCH_M)
    assert marks["bow 2"] == pytest.approx(3.8 * FOOT_M + 0.6875 * INCH_M)
    splices = [mark.at_m for mark in strip(plan, "base-board").marks if mark.what == "splice, stake"]
    assert splices == pytest.approx([12 * FOOT_M, 24 * FOOT_M, 36 * FOOT_M, 48 * FOOT_M])
    parts = [member for room in plan_parts(posts__stand="board", posts__board_m=12 * FOOT_M) for member in room]
    assert sum(member.what == "base board" for member in parts) == 10
    assert sum(member.what == "stake" for member in parts) == 12
    assert sum(member.length_m for member in parts if member.what == "base board") == pytest.approx(
        2 * (57 * FOOT_M + 1.375 * INCH_M)
    )


def plan_parts(**changes: object) -> list[object]:
    from obtegum.core.rooms import rooms

    bench = make_bench(**changes)
    return [room.parts(bench) for room in rooms()]  # type: ignore[misc]


def test_a_bow_that_leans_stands_off_its_board_by_its_lean() -> None:
    # One arc, 6 m wide and 2.5 m high, no legs: R = (3² + 2.5²)/(2·2.5) = 3.05 m, its centre 0.55 m under the ground.
    # 0.3 m up it leans by asin(0.85/3.05)... the bow's direction is square to its radius: 0.85/3.05 is its lean's sine.
    plan = make_plan(
        tape__units="metric",
        size__span_m=6.0,
        size__shape={"kind": "round", "leg_m": 0.0, "height_m": 2.5},
        posts__stand="board",
        posts__reveal_m=0.3,
        posts__length_m=0.9,
        bows__insertion_m=0.2,
    )
    sine = (0.3 - (2.5 - 3.05)) / 3.05
    gap_mm = 1000 * 0.2 * math.tan(math.asin(sine))
    found = verdict(plan, "entry")
    assert found.level == "tight"
    assert found.number == f"{math.ceil(gap_mm)} mm"


def test_a_stub_of_the_bows_own_curve_by_hand() -> None:
    # The same arc: at the ground it leans by asin(0.55/3.05); 0.6 m more of the same circle below it.
    changes = {
        "tape__units": "metric",
        "size__span_m": 6.0,
        "size__shape": {"kind": "round", "leg_m": 0.0, "height_m": 2.5},
        "posts__stand": "curve",
        "posts__reveal_m": 0.3,
        "bows__insertion_m": 0.2,
    }
    radius, centre = 3.05, 2.5 - 3.05
    up = math.asin((0.3 - centre) / radius) - math.asin(-centre / radius)
    bench = make_bench(**changes, posts__length_m=radius * up + 0.6)
    out, deep, lean = stub_below(bench)
    angle = math.asin(-centre / radius)
    assert lean == pytest.approx(angle)
    # On round the circle the end comes to the angle less 0.6/R.
    low = angle - 0.6 / radius
    assert deep == pytest.approx(-centre - radius * math.sin(low))
    assert out == pytest.approx(radius * math.cos(low) - 3.0)
    assert plumb_m(bench) == pytest.approx(0.3 + deep)
    plan = make_plan(**changes, posts__length_m=radius * up + 0.6)
    # Deep rounds down: a stub that leans has less in the ground than its length says.
    assert answer(plan, "posts", "embedment") == f"{math.floor(deep * 1000)} mm"
    ground = next(mark for mark in strip(plan, "post").marks if mark.what == "ground line")
    assert ground.at_m == pytest.approx(0.6)


def test_a_straight_leg_goes_straight_down() -> None:
    bench = make_bench(posts__stand="curve", posts__tube="rail-1-3-8")
    assert stub_below(bench) == pytest.approx((0.0, 26 * INCH_M, 0.0), abs=1e-9)


def test_posts_are_cut_from_sticks_with_a_kerf() -> None:
    # Three of 2 m make 6 m and two kerfs of 3 mm: not from 6 m, which gives two, but from 6.006 m.
    changes = {"posts__length_m": 2.0, "posts__reveal_m": 0.5, "tape__units": "metric"}
    assert answer(make_plan(**changes, posts__stock_m=6.0), "posts", "post_sticks") == "16"
    assert answer(make_plan(**changes, posts__stock_m=6.006), "posts", "post_sticks") == "11"
    assert answer(make_plan(**changes, posts__stock_m=2.0), "posts", "post_sticks") == "32"
    with pytest.raises(DesignError, match="The post is longer than its stick"):
        make_house(**changes, posts__stock_m=1.9)


def test_bolts_are_marked_on_post_and_bow() -> None:
    # Bolt 2 in below the top of a 48 in post; the bow goes 6 in deep, so it is 4 in from the bow's end.
    plan = make_plan(posts__bolt_m=2 * INCH_M, posts__stop="bolt")
    assert [(mark.what, mark.reading) for mark in strip(plan, "post").marks][-3:] == [
        ("stop bolt, its upper edge", "3' 6\""),
        ("drill, bolt", "3' 10\""),
        ("top", "4' 0\""),
    ]
    first = next(each for each in plan.strips if each.id == "stick:A")
    assert ("drill, bolt", '4"') in [(mark.what, mark.reading) for mark in first.marks]
    with pytest.raises(DesignError, match="would miss the bow"):
        make_house(posts__bolt_m=6 * INCH_M)


def test_a_socket_in_a_slab_says_how_far_it_may_stray() -> None:
    # A rail of 1.375 in in a post of 1.66 by 0.065 in: 0.155 in of play, half of it each way, rounded down.
    plan = make_plan(posts__stand="slab")
    assert answer(plan, "posts", "may_stray") == '0.077"'
    assert "form" in next(each.next for each in plan.steps if each.id == "posts")


@pytest.mark.parametrize("stand", list(WAYS))
@pytest.mark.parametrize("units", ["feet", "metric"])
def test_every_way_is_chosen_on_the_bench_and_planned_whole(stand: str, units: str) -> None:
    plan = planned(changed(new_house(units), ("posts.stand", stand)))  # type: ignore[arg-type]
    assert verdict(plan, "entry").level in ("holds", "tight")
    step = next(each for each in plan.steps if each.id == "posts")
    # The step keeps its name; what stands in the ground is named in it.
    assert step.title == "Footing"
    assert next(each.label for each in step.answers if each.id == "posts") == WAYS[stand].many.capitalize()
    assert step.caution == WAYS[stand].caution


def test_another_way_takes_a_tube_that_can_be_it() -> None:
    design = changed(new_house("feet"), ("posts.stand", "stub"))
    # The thickest that goes into a rail of 1 3/8 in.
    assert design.posts.tube == "conduit-1"
    assert changed(design, ("posts.stand", "driven")).posts.tube == "post-1-7-8"


def test_a_way_whose_lengths_cant_be_takes_others() -> None:
    slab = changed(new_house("metric"), ("posts.stand", "slab"))
    assert (slab.posts.length_m, slab.posts.reveal_m) == (0.3, 0.05)
    board = changed(new_house("feet"), ("posts.stand", "board"))
    # A 2 × 6 stands 5 1/2 in out, and the bow reaches to its foot.
    assert (board.posts.reveal_m, board.bows.insertion_m) == pytest.approx((5.5 * INCH_M, 5.5 * INCH_M))
    kept = changed(changed(slab, ("posts.length_m", "40 cm")), ("posts.stand", "slab"))
    assert kept.posts.length_m == pytest.approx(0.4)


# Bought bows: pieces of 4.2, 4.6 and 4.2 m, each 0.13 m into the next: 12.74 m of tube. Posts stand 0.5 m out, and
# 0.15 m of each end is in them: 13.44 m of girth, over 8.6 m as one arc.
PIECES = (("size.shape", "round"), ("size.span_m", "8.6"), ("bows.own_pieces_m", "4.2, 4.6, 4.2"))


def test_bought_pieces_make_the_height() -> None:
    design = changed(new_house("metric"), *PIECES)
    assert (design.bows.making, design.bows.cut) == ("parts", "own")
    leg, half = 0.9, 4.3
    rise = design.size.height_m - leg
    radius = (half**2 + rise**2) / (2 * rise)
    arc = 2 * radius * math.atan2(half, radius - rise)
    assert 2 * leg + arc == pytest.approx(13.44)


def test_bought_pieces_are_counted_marked_and_never_cut() -> None:
    plan = planned(changed(new_house("metric"), *PIECES, ("bows.hole_m", "5 cm")))
    step = next(each for each in plan.steps if each.id == "bows")
    assert answer(plan, "bows", "pieces") == "33"
    assert "22 of 4.200 m, 11 of 4.600 m" in next(each.note for each in step.answers if each.id == "pieces")
    assert not any("cut" in each.lower() for each in (step.next, step.caution))
    assert not any("whip" in each.caution for each in plan.steps if each.id in ("bows", "bend", "check-bows"))
    assert verdict(plan, "waste") is None
    # The hole is 50 mm from B's plain end; A goes 130 mm into it, so it is 80 mm from A's end.
    holes = {
        each.id: [round(mark.at_m, 6) for mark in each.marks if mark.what == "bolt hole"]
        for each in plan.strips
        if each.id.startswith("stick:")
    }
    assert holes == {"stick:A": [4.12], "stick:B": [0.05, 4.52], "stick:C": [0.05]}
    assert not any(mark.what == "cut here" for each in plan.strips for mark in each.marks)


def test_pieces_that_make_no_such_house_are_told_what_they_make() -> None:
    error = refused(new_house("metric"), ("size.span_m", "8.6"), ("bows.own_pieces_m", "4.2, 4.6, 4.2"))
    assert "12.740 m long" in error.troubles[0].sentence
    assert "one arc" in error.troubles[0].sentence
    gothic = refused(new_house("metric"), ("size.shape", "gothic"), ("bows.own_pieces_m", "4.2, 4.6, 4.2"))
    assert "2 runs between corners" in gothic.troubles[0].sentence
    # Two halves that are alike, and too short for its legs: what they make is told instead.
    short = refused(new_house("metric"), ("size.shape", "gothic"), ("bows.own_pieces_m", "2.6, 2.6"))
    assert "5.200 m long" in short.troubles[0].sentence


def test_a_file_whose_pieces_disagree_with_its_height_is_told() -> None:
    design = changed(new_house("metric"), *PIECES)
    shape = design.size.shape.model_copy(update={"height_m": design.size.height_m + 0.2})
    other = design.model_copy(update={"size": design.size.model_copy(update={"shape": shape})})
    found = verdict(planned(other), "pieces")
    assert found.level == "fails"
    assert "short" in found.sentence


def test_bending_them_oneself_again_cuts_them_from_sticks() -> None:
    design = changed(changed(new_house("metric"), *PIECES), ("bows.making", "former"))
    assert design.bows.cut == "cut"
    assert design.bows.own_pieces_m == (4.2, 4.6, 4.2)
