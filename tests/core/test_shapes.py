"""Every shape against closed forms and an integration that knows nothing of segments."""

import itertools
import math
from typing import Any

import pytest
from hypothesis import assume, given
from hypothesis import strategies as st
from scipy.integrate import quad

from obtegum.core.documents.house import SiteRecord
from obtegum.core.documents.job import Job
from obtegum.core.documents.size import Size
from obtegum.core.face.edit import Edit
from obtegum.core.findings.skeleton.shapes import SHAPE_LABELS, height_for_girth, shape_of
from obtegum.core.findings.skeleton.tubes import bow_tube
from obtegum.core.formulas.profile import (
    Arc,
    Chain,
    ProfileError,
    gothic_bow,
    kneed_bow,
    peaked_bow,
    three_centred_bow,
)
from obtegum.core.formulas.profile.gothic import least_radius, plumb_radius
from obtegum.core.formulas.profile.kneed import elbow_turn, kneed_rise
from obtegum.core.formulas.profile.peaked import rafter_slope
from obtegum.core.formulas.profile.round import arc_radius, rise_for_radius
from obtegum.core.formulas.profile.three_centred import crown_radius
from obtegum.core.house.bench import begin
from obtegum.core.house.edits import apply_edits
from obtegum.core.rooms.size.compared import compare
from obtegum.core.values.catalogue import default_catalogue
from obtegum.core.values.quantity import FOOT_M, INCH_M
from obtegum.core.values.trouble import DesignError
from tests.conftest import answer, make_house, make_plan, verdict


def heading_integral(chain: Chain) -> tuple[float, float, float]:
    """Where the right foot ends and the area under the bow, from the direction of travel alone."""
    ends = chain.starts_m

    def along(what: Any) -> float:
        return sum(quad(what, a, b, epsabs=1e-12, epsrel=1e-12)[0] for a, b in itertools.pairwise(ends))

    x0, y0 = chain.point(0.0)
    nudge = 1e-13

    def direction(s: float) -> float:
        return chain.heading(min(max(s, 0.0), chain.girth_m - nudge))

    x = x0 + along(lambda s: math.cos(direction(s)))
    y = y0 + along(lambda s: math.sin(direction(s)))
    area = along(lambda s: chain.point(s)[1] * math.cos(direction(s)))
    return x, y, area


def straight_through(chain: Chain, span: float, height: float) -> None:
    """Feet, crown, mirror, and the integration."""
    assert chain.point(0.0) == pytest.approx((-span / 2, 0.0), abs=1e-9)
    assert chain.point(chain.girth_m) == pytest.approx((span / 2, 0.0), abs=1e-9)
    assert chain.point(chain.girth_m / 2) == pytest.approx((0.0, height), abs=1e-9)
    for share in (0.13, 0.29, 0.44):
        x, y = chain.point(chain.girth_m * share)
        assert chain.point(chain.girth_m * (1 - share)) == pytest.approx((-x, y), abs=1e-9)
    x, y, area = heading_integral(chain)
    assert (x, y) == pytest.approx((span / 2, 0.0), abs=1e-9)
    assert chain.under_m2 == pytest.approx(area, rel=1e-9)


spans, legs = st.floats(2.0, 15.0), st.one_of(st.just(0.0), st.floats(0.2, 2.5))


@given(spans, legs, st.floats(0.2, 0.95), st.floats(0.05, 0.95))
def test_low_three_centred(span: float, leg: float, flat: float, share: float) -> None:
    rise = span / 2 * flat
    chain = three_centred_bow(span, leg, leg + rise, rise * share)
    straight_through(chain, span, leg + rise)
    assert chain.kinks == ()
    arcs = [each for each in chain.segments if isinstance(each, Arc)]
    assert arcs[0].radius_m < arcs[1].radius_m
    # Girth by the closed form: two shoulders of 90° − β, a crown of 2β.
    beta = arcs[1].turn_rad / 2
    girth = 2 * leg + 2 * arcs[0].radius_m * (math.pi / 2 - beta) + 2 * arcs[1].radius_m * beta
    assert chain.girth_m == pytest.approx(girth, rel=1e-12)


@given(spans, legs, st.floats(1.05, 1.9), st.floats(1.05, 2.5))
def test_tall_three_centred(span: float, leg: float, tall: float, more: float) -> None:
    rise = span / 2 * tall
    shoulder = (span**2 / 4 + rise**2) / span * more
    chain = three_centred_bow(span, leg, leg + rise, shoulder)
    straight_through(chain, span, leg + rise)
    assert chain.kinks == ()
    assert crown_radius(span, rise, shoulder) < shoulder


def test_three_centred_by_hand() -> None:
    # S = 8, r = 3, a = 2: b = (16 + 9 − 16)/(2·1) = 4.5; centre at −1.5; β = atan2(2, 1.5) = 53.13°.
    chain = three_centred_bow(8.0, 1.0, 4.0, 2.0)
    crown = chain.segments[2]
    assert isinstance(crown, Arc)
    assert (crown.radius_m, crown.cy) == pytest.approx((4.5, -0.5))
    assert math.degrees(crown.turn_rad / 2) == pytest.approx(53.1301, abs=1e-4)
    # The shoulder meets the crown on the line through both centres (−2, 1) and (0, −0.5): 2.5 apart, 4.5 − 2.
    assert math.dist((-2.0, 1.0), (0.0, -0.5)) == pytest.approx(4.5 - 2.0)


@given(spans, legs, st.floats(0.5, 1.2))
def test_gothic_springs_plumb(span: float, leg: float, share: float) -> None:
    rise = span * share
    chain = gothic_bow(span, leg, leg + rise)
    straight_through(chain, span, leg + rise)
    assert chain.heading(leg) == pytest.approx(math.pi / 2, abs=1e-9)
    radius = plumb_radius(span, rise)
    assert all(math.dist(chain.point(leg + s), (-span / 2 + radius, leg)) == pytest.approx(radius) for s in (0.1, 0.5))


@given(spans, legs, st.floats(0.15, 1.2), st.floats(1.0, 4.0))
def test_gothic_with_a_radius_of_its_own(span: float, leg: float, share: float, more: float) -> None:
    rise = span * share
    radius = least_radius(span, rise) * more
    chain = gothic_bow(span, leg, leg + rise, radius)
    straight_through(chain, span, leg + rise)
    chord, psi = math.hypot(span / 2, rise), math.atan2(rise, span / 2)
    delta = math.asin(min(chord / (2 * radius), 1.0))
    assert chain.girth_m == pytest.approx(2 * leg + 4 * radius * delta, rel=1e-9)
    # Just before the ridge the slope is ψ − δ, never downhill.
    before = chain.heading(chain.girth_m / 2 - 1e-7)
    assert before == pytest.approx(psi - delta, abs=1e-5)


@given(spans, legs, st.floats(0.2, 1.2), st.floats(0.0, 0.9))
def test_peaked_is_tangent_but_at_the_ridge(span: float, leg: float, share: float, part: float) -> None:
    rise = span * share
    shoulder = rise * part
    try:
        chain = peaked_bow(span, leg, leg + rise, shoulder)
    except ProfileError:
        assume(False)
    straight_through(chain, span, leg + rise)
    slope = rafter_slope(span, rise, shoulder)
    middle = chain.girth_m / 2
    bent = shoulder > 1e-6
    corners = [kink for kink in chain.kinks if abs(kink.s_m - middle) > 1e-6]
    if bent and leg > 0:
        assert corners == []
    ridge = next(kink for kink in chain.kinks if abs(kink.s_m - middle) < 1e-6)
    assert ridge.turn_rad == pytest.approx(2 * slope, abs=1e-9)


def test_peaked_by_hand() -> None:
    # No shoulder: rafters from (−3, 1) to (0, 3): slope atan(2/3), girth 2·(1 + √13).
    chain = peaked_bow(6.0, 1.0, 3.0, 0.0)
    assert math.degrees(rafter_slope(6.0, 2.0, 0.0)) == pytest.approx(math.degrees(math.atan2(2, 3)))
    assert chain.girth_m == pytest.approx(2 * (1 + math.sqrt(13)))


@given(spans, legs, st.floats(0.3, 1.2), st.floats(0.3, 0.7), st.floats(1.02, 1.4))
def test_kneed_closes_and_comes_back(span: float, leg: float, share: float, part: float, more: float) -> None:
    rise = span * share
    chord = math.hypot(span / 2, rise)
    lower, upper = chord * more * part, chord * more * (1 - part)
    chain = kneed_bow(span, leg, leg + rise, lower, upper)
    straight_through(chain, span, leg + rise)
    turn = elbow_turn(span, rise, lower, upper)
    assert kneed_rise(span, lower, upper, turn) == pytest.approx(rise, abs=1e-4)
    assert chain.girth_m == pytest.approx(2 * (leg + lower + upper), rel=1e-9)
    elbow = min(chain.kinks, key=lambda kink: abs(kink.s_m - leg - lower))
    assert elbow.turn_rad == pytest.approx(turn, abs=1e-7)


@pytest.mark.parametrize(
    ("make", "measure"),
    [
        (lambda: three_centred_bow(8, 1, 4, 3.2), "shoulder_m"),
        (lambda: three_centred_bow(8, 1, 7, 4.0), "shoulder_m"),
        (lambda: gothic_bow(8, 1, 4.5), "height_m"),
        (lambda: gothic_bow(8, 1, 4, 2.0), "radius_m"),
        (lambda: peaked_bow(8, 1, 3, 2.5), "shoulder_m"),
        (lambda: kneed_bow(8, 1, 4, 2.0, 2.0), "upper_m"),
        (lambda: kneed_bow(8, 1, 4, 9.0, 2.0), "upper_m"),
    ],
)
def test_a_shape_that_cannot_be_says_which_measure_and_what_would_do(make: Any, measure: str) -> None:
    with pytest.raises(ProfileError) as raised:
        make()
    assert raised.value.measure == measure
    assert raised.value.sentence.endswith(".")


SHAPED: dict[str, dict[str, Any]] = {
    "three_centred": {"leg_m": 0.8, "height_m": 3.4, "shoulder_m": 1.4},
    "gothic": {"leg_m": 0.8, "height_m": 4.6},
    "peaked": {"leg_m": 1.2, "height_m": 3.4, "shoulder_m": 0.6},
    "kneed": {"leg_m": 0.8, "height_m": 3.8, "lower_m": 2.3, "upper_m": 2.2},
    "sprung": {"leg_m": 0.6, "pipe_m": 9.0},
}


def shaped(kind: str, **more: Any):  # type: ignore[no-untyped-def]
    return make_plan(
        size__span_m=6.0, size__length_m=18.0, size__shape={"kind": kind, **SHAPED[kind]}, tape__units="metric", **more
    )


@pytest.mark.parametrize("kind", SHAPED)
def test_every_shape_is_planned_whole(kind: str) -> None:
    plan = shaped(kind)
    views = {each.view for each in plan.drawings}
    assert "across" in views
    sticks = [strip for strip in plan.strips if strip.id.startswith("stick:")]
    # Sticks, less what joints hide twice, make the tube of the bow.
    overlaps = sum(mark.what == "next stick to here" for strip in sticks for mark in strip.marks) * 5 * 0.0254
    tube = next(each.value for step in plan.steps for each in step.answers if each.id == "tube")
    assert sum(strip.length_m for strip in sticks) - overlaps == pytest.approx(tube, abs=1e-9)
    for strip in sticks:
        places = [mark.at_m for mark in strip.marks]
        assert places == sorted(places)
        assert len({mark.id for mark in strip.marks}) == len(strip.marks)


def test_ridge_and_elbows_divide_the_tube() -> None:
    gothic = shaped("gothic")
    assert answer(gothic, "bows", "corner_1").endswith("°")
    kneed = shaped("kneed")
    corners = [each for step in kneed.steps for each in step.answers if each.id.startswith("corner_")]
    assert [each.label.split(" ")[0] for each in corners] == ["Elbow", "Elbow", "Ridge"]
    # Left-right alike: the same lengths from both feet.
    lengths = [strip.length_m for strip in kneed.strips if strip.id.startswith("stick:")]
    assert lengths == pytest.approx(lengths[::-1])
    assert verdict(kneed, "leg-top") is None


def test_switching_shapes_always_makes_a_house() -> None:
    job, catalogue = Job(make_house()), default_catalogue()
    for kind in [*SHAPE_LABELS, *reversed(SHAPE_LABELS)]:
        job = apply_edits(job, [Edit(measure="size.shape", text=kind)], catalogue)
        assert job.design.size.shape.kind == kind
        assert job.design.size.span_m == make_house().size.span_m


@given(spans, st.floats(0.2, 2.5), st.floats(0.2, 0.9), st.sampled_from(sorted(SHAPE_LABELS)))
def test_a_shape_that_is_offered_can_be_built(span: float, leg: float, share: float, kind: str) -> None:
    assume(leg + share * span <= 14)
    size = make_house().size
    size = Size(
        span_m=span,
        length_m=10,
        shape={"kind": "round", "leg_m": leg, "height_m": leg + share * span},
        figure=size.figure,
    )
    shape = shape_of(kind, size)
    chain = shape.chain(span)
    assert chain.point(chain.girth_m / 2) == pytest.approx((0.0, shape.crown_m(span)), abs=1e-9)


def test_a_measure_of_another_shape_is_refused_and_a_bad_one_has_a_way_out() -> None:
    job, catalogue = Job(make_house()), default_catalogue()
    with pytest.raises(DesignError, match="no part of this house"):
        apply_edits(job, [Edit(measure="size.shape.shoulder_m", text="2")], catalogue)
    bent = apply_edits(job, [Edit(measure="size.shape", text="three_centred")], catalogue)
    with pytest.raises(DesignError) as raised:
        apply_edits(bent, [Edit(measure="size.shape.shoulder_m", text="60")], catalogue)
    found = raised.value.troubles[0]
    assert found.path == "size.shape.shoulder_m"
    assert found.nearest_m is not None
    mended = apply_edits(bent, [Edit(measure="size.shape.shoulder_m", text=found.nearest)], catalogue)
    assert mended.design.size.shape.kind == "three_centred"


def test_shapes_side_by_side_are_what_each_would_be() -> None:
    plan = make_plan()
    drawing = next(each for each in plan.drawings if each.view == "shapes")
    rows = {row.what: row.reading for row in drawing.table}
    assert rows["Half circle on legs: tube per bow"] == answer(plan, "bows", "tube")
    assert rows["Half circle on legs: girth, ground to ground"] == answer(plan, "bows", "girth")
    assert rows["Half circle on legs: slope a quarter in, where snow lies"] == "30.0°"
    job = apply_edits(Job(make_house()), [Edit(measure="size.shape", text="gothic")], default_catalogue())
    gothic = make_plan(size__shape=job.design.size.shape.model_dump())
    assert rows["Gothic: tube per bow"] == answer(gothic, "bows", "tube")
    assert len({row.what.split(":")[0] for row in drawing.table}) == len(SHAPE_LABELS)


def test_a_crown_plate_halves_the_bow_and_couplers_butt() -> None:
    plated = make_plan(bows__joint="crown_plate")
    lengths = [strip.length_m for strip in plated.strips if strip.id.startswith("stick:")]
    assert lengths == pytest.approx(lengths[::-1])
    assert verdict(plated, "crown-joint") is None
    coupled = make_plan(bows__joint="coupler", bows__joint_m=0.2)
    sticks = [strip for strip in coupled.strips if strip.id.startswith("stick:")]
    tube = next(each.value for step in coupled.steps for each in step.answers if each.id == "tube")
    assert sum(strip.length_m for strip in sticks) == pytest.approx(tube)
    assert any(mark.what == "coupler to here" for strip in sticks for mark in strip.marks)


def test_bundles_by_hand() -> None:
    # 16 bows, A 21 ft and B 13 ft 8 13/16 in: no two B share a 21 ft stick, so 32 sticks, 5 bundles of 7, 3 over.
    plan = make_plan(bows__bundle=7)
    found = next(each for step in plan.steps for each in step.answers if each.id == "bundles")
    assert found.reading == "5"
    assert found.note == "32 sticks, 3 to spare"


@given(spans, st.floats(0.2, 2.0), st.floats(0.2, 0.9), st.sampled_from(["round", "round_on_legs", "gothic", "peaked"]))
def test_girth_gives_back_its_height(span: float, leg: float, share: float, kind: str) -> None:
    assume(leg + share * span <= 14)
    size = Size(
        span_m=span,
        length_m=10,
        shape={"kind": "round", "leg_m": leg, "height_m": leg + share * span},
        figure=make_house().size.figure,
    )
    shape = shape_of(kind, size)
    wanted = shape.crown_m(span)
    assert height_for_girth(shape, span, shape.chain(span).girth_m) == pytest.approx(wanted, abs=1e-4)


@given(spans, st.floats(0.5, 4.0))
def test_a_radius_gives_back_its_rise(span: float, more: float) -> None:
    radius = span / 2 * (1 + more)
    rise = rise_for_radius(span, radius)
    assert arc_radius(span, rise) == pytest.approx(radius, abs=1e-4)
    with pytest.raises(ValueError, match="twice its radius"):
        rise_for_radius(span, span * 0.49)


def test_no_height_for_a_girth_that_is_too_short_or_of_straight_pieces() -> None:
    size = make_house().size
    assert height_for_girth(shape_of("round", size), size.span_m, size.span_m * 0.9) is None
    assert height_for_girth(shape_of("round_on_legs", size), size.span_m, size.span_m) is None
    assert height_for_girth(shape_of("kneed", size), size.span_m, 20.0) is None


def test_uncut_sticks_stand_the_house_higher_by_hand() -> None:
    # 7 ft 3 3/16 in more tube in two legs: 3 ft 7 5/8 in higher than 12 ft 6 in.
    assert answer(make_plan(), "bows", "uncut") == "16' 1 9/16\""


@pytest.mark.parametrize("kind", ["round_on_legs", "three_centred", "gothic", "peaked", "kneed", "sprung"])
def test_film_goes_round_the_tube_at_every_corner(kind: str) -> None:
    """From one plumb leg up and down the other film turns half a circle, corners and all: π·OD/2 over the girth."""
    design = make_house()
    shape = shape_of(kind, design.size)
    design = design.model_copy(update={"size": design.size.model_copy(update={"shape": shape})})
    work = begin(design, SiteRecord(), default_catalogue())
    found = next(each.section for each in compare(work) if each.section.kind == kind)
    assert found.film_m == pytest.approx(found.girth_m + math.pi * bow_tube(work).od_m / 2)


@pytest.mark.parametrize(("leg_in", "stick_ft", "stands"), [(24, 18.0, True), (12, 18.0, True), (12, 17.0, False)])
def test_uncut_sticks_never_stand_a_leg_inside_its_post(leg_in: float, stick_ft: float, stands: bool) -> None:
    """Girth 2·L − 5 in + 2·22 in − 2·6 in: sticks of 18 ft make 38.25 ft and legs of (38.25 − π·10.5)/2 = 2.63 ft.

    Of 17 ft they make 36.25 ft and legs of 1.63 ft, which end below the post tops at 1.83 ft: no such bow.
    """
    plan = make_plan(bows__stick_m=stick_ft * FOOT_M, size__shape={"kind": "round_on_legs", "leg_m": leg_in * INCH_M})
    told = [each.value for step in plan.steps for each in step.answers if each.id == "uncut"]
    height = (10.5 + (2 * stick_ft + 27 / 12 - math.pi * 10.5) / 2) * FOOT_M
    assert told == ([pytest.approx(height)] if stands else [])


def test_a_gothic_takes_radius_and_height_in_either_order() -> None:
    design = make_house(size__span_m=22 * FOOT_M, size__shape={"kind": "gothic", "leg_m": 1.0, "height_m": 5.0})
    edits = (Edit(measure="size.shape.radius_m", text="15"), Edit(measure="size.shape.height_m", text="13"))
    made = [
        apply_edits(apply_edits(Job(design), [first], default_catalogue()), [second], default_catalogue()).design
        for first, second in (edits, edits[::-1])
    ]
    assert made[0].size == made[1].size
    assert made[0].size.shape.height_m == pytest.approx(13 * FOOT_M)


def test_a_gothic_lower_than_plumb_arcs_keeps_its_radius() -> None:
    # Over 6 m with legs of 1 m and a rise of 4: R = (9 + 16)/6 = 4.1667 m. A rise of 2 wants (9 + 4)/4 = 3.25 at least.
    design = make_house(size__span_m=6.0, size__shape={"kind": "gothic", "leg_m": 1.0, "height_m": 5.0})
    low = apply_edits(Job(design), [Edit(measure="size.shape.height_m", text="3 m")], default_catalogue()).design
    assert low.size.shape.kind == "gothic"
    assert low.size.shape.radius_m == pytest.approx(25 / 6)
