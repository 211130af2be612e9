"""Springback, pulls, the trial and the bow as it comes out."""

import itertools
import math
import re

import pytest
from hypothesis import given
from hypothesis import strategies as st
from scipy.integrate import quad

from obtegum.core.documents.bend import TrialBend
from obtegum.core.documents.house import SiteRecord
from obtegum.core.formulas.bows.as_bent import as_bent
from obtegum.core.formulas.bows.bending import (
    bending_moment,
    former_for,
    former_limit,
    free_radius,
    lever,
    pulls_over,
    trial_radius,
)
from obtegum.core.formulas.profile import (
    Arc,
    Chain,
    Line,
    gothic_bow,
    kneed_bow,
    peaked_bow,
    round_bow,
    three_centred_bow,
)
from obtegum.core.house.plan import plan_house
from obtegum.core.house.remedies import find_remedies
from obtegum.core.values.catalogue import Tube, default_catalogue
from obtegum.core.values.quantity import FOOT_M, INCH_M
from tests.conftest import answer, make_house, make_plan, verdict

RAIL = default_catalogue().tubes["rail-1-3-8"]
STEEL = [tube for tube in default_catalogue().tubes.values() if tube.material == "steel"]
# Thin wall, so that the formula for thin tube and an integration over the section agree.
THIN = Tube(
    id="thin", name="Thin", material="steel", od_m=0.05, wall_m=0.0002, yield_pa=235e6, elastic_pa=205e9,
    sold_in="metric", source="made up for a check", yield_source="made up for a check",
)  # fmt: skip


def test_springback_by_hand() -> None:
    # 1 3/8 in rail: D = 34.925 mm, d = 31.623 mm. Z = (D³ − d³)/6 = 1829.2 mm³, I = π(D⁴ − d⁴)/64 = 23,945 mm⁴.
    # Fully plastic M = 207·1829.2 = 378.6 N·m; M/EI = 378.6/(205e3·23945e-6) = 0.07713 1/m.
    d, big = 31.623, 34.925
    z, i = (big**3 - d**3) / 6, math.pi * (big**4 - d**4) / 64
    assert z == pytest.approx(1829.2, rel=1e-3)
    assert i == pytest.approx(23945, rel=2e-3)
    former = 3.0
    wanted = 1 / (1 / former - 207 * z / (205e3 * i) * 1000)
    assert free_radius(RAIL, former, fully_plastic=True) == pytest.approx(wanted, rel=1e-4)
    # Far beyond yield the finer moment is the plastic one within a hundredth.
    assert bending_moment(RAIL, 0.5) == pytest.approx(bending_moment(RAIL, 0.5, fully_plastic=True), rel=0.01)


def test_the_moment_is_that_of_a_thin_ring_of_plastic_steel() -> None:
    """Integrating stress over the ring itself: linear to yield, flat beyond."""
    mean, wall = (THIN.od_m - THIN.wall_m) / 2, THIN.wall_m
    for radius in (2.0, 5.0, 10.0, 20.0):

        def moment(angle: float, radius: float = radius) -> float:
            y = mean * math.sin(angle)
            stress = math.copysign(min(abs(y) / radius * THIN.elastic_pa, THIN.yield_pa), y)
            return stress * y * wall * mean

        by_ring = 4 * quad(moment, 0, math.pi / 2, limit=400)[0]
        assert bending_moment(THIN, radius) == pytest.approx(by_ring, rel=0.01), radius


@given(st.sampled_from(STEEL), st.floats(0.2, 0.97))
def test_former_and_free_radius_are_inverse(tube: Tube, share: float) -> None:
    former = former_limit(tube) * share
    free = free_radius(tube, former)
    assert free > former
    if math.isfinite(free) and free < 1e4:
        assert former_for(tube, free) == pytest.approx(former, abs=1e-4)


@given(st.sampled_from(STEEL), st.floats(0.5, 30))
def test_what_a_former_is_made_for_comes_out(tube: Tube, wanted: float) -> None:
    former = former_for(tube, wanted)
    assert former < wanted
    assert free_radius(tube, former) == pytest.approx(wanted, rel=1e-6)


def test_a_former_too_wide_leaves_the_tube_straight() -> None:
    assert math.isinf(free_radius(RAIL, former_limit(RAIL)))
    found = verdict(make_plan(bending={"former_m": 20.0}), "no-set")
    assert found.level == "fails"
    assert "springs back straight" in found.sentence


def test_pulls_and_lever() -> None:
    pulls = pulls_over(5.0, 0.6)
    assert (pulls.count, pulls.advance_m) == (9, pytest.approx(5 / 9))
    assert pulls_over(0.6, 0.6).count == 1
    assert lever(RAIL, 1.0, 350.0) == pytest.approx(bending_moment(RAIL, 1.0) / 350)


@given(st.floats(0.5, 12), st.floats(0.05, 1.5), st.sampled_from(["inside", "outside", "centre"]))
def test_a_trial_gives_back_its_radius(radius: float, half: float, face: str) -> None:
    od = 0.042
    taped = radius + {"inside": -od / 2, "outside": od / 2, "centre": 0.0}[face]
    chord, height = 2 * taped * math.sin(half), taped * (1 - math.cos(half))
    assert trial_radius(chord, height, od, face) == pytest.approx(radius, abs=1e-6)
    with pytest.raises(ValueError, match="chord and a height"):
        trial_radius(0.0, 1.0, od, face)


@given(st.floats(3, 12), st.floats(0.0, 2.0), st.floats(0.25, 0.8))
def test_bent_as_planned_it_is_the_plan(span: float, leg: float, share: float) -> None:
    planned = round_bow(span, leg, leg + span * share)
    out = as_bent(planned, [])
    assert out.span_m == pytest.approx(span, abs=1e-9)
    assert out.height_m == pytest.approx(leg + span * share, abs=1e-9)
    assert out.bow.girth_m == pytest.approx(planned.girth_m, abs=1e-9)
    shoulders = three_centred_bow(span, leg, leg + span * 0.35, span * 0.15)
    same = as_bent(shoulders, [])
    assert (same.span_m, same.height_m) == pytest.approx((span, leg + span * 0.35), abs=1e-9)


def test_a_wider_bend_by_hand() -> None:
    # Half a circle of 3 m radius, no legs, bent to 4 m: the same 3π m of tube turns 3π/4 = 135°, so it is
    # 2·4·sin 67.5° wide and 4·(1 − cos 67.5°) high, and its feet lean out by 22.5°.
    out = as_bent(round_bow(6.0, 0.0, 3.0), [], 3 / 4)
    assert out.span_m == pytest.approx(8 * math.sin(math.radians(67.5)))
    assert out.height_m == pytest.approx(4 * (1 - math.cos(math.radians(67.5))))
    assert math.degrees(abs(out.lean_rad)) == pytest.approx(22.5)


def test_a_straight_tail_at_the_crown_by_hand() -> None:
    # A flat of 0.6 m in the middle of the half circle: two arcs of (3π − 0.6)/2 m each side of it.
    girth = 3 * math.pi
    out = as_bent(round_bow(6.0, 0.0, 3.0), [(girth / 2 - 0.3, girth / 2 + 0.3)])
    turn = (girth - 0.6) / 2 / 3
    assert out.span_m == pytest.approx(0.6 + 2 * 3 * math.sin(turn))
    assert out.height_m == pytest.approx(3 * (1 - math.cos(turn)))
    kinds = [type(segment) for segment in out.bow.segments]
    assert kinds == [Arc, Line, Arc]
    assert out.bow.girth_m == pytest.approx(girth)


def test_tails_and_pulls_on_the_bench() -> None:
    plan = make_plan(bending={"tail_m": 0.3, "reach_m": 0.6})
    strip = next(each for each in plan.strips if each.id == "pulls:A")
    places = [mark.at_m for mark in strip.marks]
    assert places == sorted(places)
    steps = {round(b - a, 9) for a, b in itertools.pairwise(places)}
    assert len(steps) == 1, "all pulls of a bend are alike"
    assert steps.pop() <= 0.6 + 1e-9
    assert places[-1] == pytest.approx(strip.length_m - 0.3)
    wider = make_plan(bending={"tail_m": 0.6})
    assert verdict(wider, "as-bent").ratio > verdict(plan, "as-bent").ratio
    # No tails at all, laps that are bent like the rest, a former to suit: the bow is the plan.
    perfect = make_plan(bending={"tail_m": 0.0}, bows__joint="bolted")
    assert verdict(perfect, "as-bent").ratio == pytest.approx(0.0, abs=1e-6)
    assert answer(perfect, "bend", "made_span") == "21' 0\""
    told = [verdict(perfect, "as-bent").sentence, *(each.note for step in perfect.steps for each in step.answers)]
    assert not [words for words in told if "tail" in words or "straight end" in words]


def test_what_slides_into_a_joint_stays_straight() -> None:
    """5 in of swaged end go into a plain end of 5 in: both straight, however near the former grips."""
    plan = make_plan(bending={"tail_m": 3 * INCH_M})
    strip = next(each for each in plan.strips if each.id == "pulls:A")
    assert strip.marks[-1].at_m == pytest.approx(strip.length_m - 5 * INCH_M)
    other = next(each for each in plan.strips if each.id == "pulls:B")
    assert other.marks[0].at_m == pytest.approx(5 * INCH_M)
    # At the foot nothing slides over it, and of a coupler each end takes half.
    assert strip.marks[0].at_m == pytest.approx(max(8 * INCH_M, 3 * INCH_M))
    coupled = make_plan(bending={"tail_m": 1 * INCH_M}, bows__joint="coupler")
    strip = next(each for each in coupled.strips if each.id == "pulls:A")
    assert strip.marks[-1].at_m == pytest.approx(strip.length_m - 2.5 * INCH_M)


def test_the_trial_replaces_the_theory() -> None:
    # Former of 10 ft to the tube's centre; the trial came out at 10.5 ft: it keeps 10/10.5, so for 10 ft 6 in
    # free the same former is wanted.
    radius = 10.5 * FOOT_M
    chord, height = 2 * radius * math.sin(0.3), radius * (1 - math.cos(0.3))
    record = SiteRecord(trial=TrialBend(chord_m=chord, height_m=height, face="centre"))
    bending = {"former_m": 10 * FOOT_M, "former_to": "centre", "tail_m": 0.0}
    plan = make_plan(record, bending=bending, bows__joint="bolted")
    assert answer(plan, "bend", "came_out") == "10' 6\""
    assert answer(plan, "bend", "springback") == "4.8 %"
    assert verdict(plan, "as-bent").level == "holds"
    assert "The trial makes a house 21' 0\" wide" in next(step.next for step in plan.steps if step.id == "bend")
    theory = make_plan(bending=bending)
    assert answer(theory, "bend", "came_out") != "10' 6\""


def test_a_wrong_former_says_what_house_it_makes() -> None:
    plan = make_plan(bending={"former_m": 8 * FOOT_M, "former_to": "centre", "tail_m": 0.0})
    found = verdict(plan, "as-bent")
    assert found.level == "fails"
    assert "narrower" in found.sentence or "wider" in found.sentence
    drawing = next(each for each in plan.drawings if each.view == "made")
    rows = {row.what: row.reading for row in drawing.table}
    assert rows["Width as planned"] == "21' 0\""
    assert rows["Width as it comes out"] == answer(plan, "bend", "made_span")


def test_a_tight_bend_is_warned_of() -> None:
    shape = {"kind": "peaked", "leg_m": 1.2, "height_m": 3.2, "shoulder_m": 0.15}
    found = verdict(make_plan(size__shape=shape), "bend-tight")
    assert found.level == "fails"
    assert found.ratio == pytest.approx(6 * RAIL.od_m / 0.15)


def test_other_ways_of_making_have_no_pulls() -> None:
    for making, words in (("rolls", "Roll to"), ("parts", "Bought bent"), ("elbows", "Bought bent")):
        plan = make_plan(bows__making=making)
        step = next(each for each in plan.steps if each.id == "bend")
        assert step.next.startswith(words)
        assert step.how == ()
        assert not any(strip.id.startswith("pulls:") for strip in plan.strips)


def test_pulls_that_are_alike_are_told_once_and_drawn() -> None:
    """10 pulls to a stick: the first, the others like it, and where too little is left to pull on without a pipe."""
    plan = make_plan()
    step = next(each for each in plan.steps if each.id == "bend")
    views = {each.view: each for each in plan.drawings}
    marks = next(each for each in plan.strips if each.id == "pulls:A").marks
    assert len(marks) == 11
    first, like, lever = step.how
    assert first.words.startswith("Pull 1: ")
    assert like.words.startswith("Pulls 2 to 10: move on")
    # 280 lb·ft at one person's pull of 350 N is a lever of 3.55 ft: the last pull with more than that left is named.
    at = int(re.search(r"\d+", lever.words).group())  # type: ignore[union-attr]
    arm = next(each.value for each in step.answers if each.id == "lever")
    left = [21 * FOOT_M - mark.at_m for mark in marks[1:]]
    assert [room < arm for room in left].index(True) + 1 == at
    for told in step.how:
        tube = next(item for item in views[told.view or ""].items if getattr(item, "part", "") == "tube")
        assert len(tube.path) >= 2


def test_tails_longer_than_the_bend_have_a_way_out() -> None:
    changes = {"bending": {"tail_m": 2.9}, "bows__stick_m": 10 * FOOT_M}
    found = verdict(make_plan(**changes), "tails-long")
    assert found.level == "fails"
    assert "nothing is left to grip" in found.sentence
    offers = find_remedies(make_house(**changes), SiteRecord(), default_catalogue())
    assert any(each.verdict == "tails-long" and each.level == "holds" for each in offers)


def test_a_former_larger_than_the_bow_says_so() -> None:
    found = verdict(make_plan(bending={"former_m": 11 * FOOT_M, "former_to": "centre"}), "as-bent")
    assert found.sentence.startswith("The former is larger than the bow’s own 10' 6\"")
    assert found.level == "fails"


def test_a_former_that_suits_is_offered() -> None:
    design = make_house(bending={"former_m": 7 * FOOT_M, "former_to": "centre", "tail_m": 0.1})
    before = plan_house(design, SiteRecord(), default_catalogue())
    assert verdict(before, "as-bent").level == "fails"
    offers = [each for each in find_remedies(design, SiteRecord(), default_catalogue()) if each.verdict == "as-bent"]
    assert any(each.edits[0].measure == "bending.former_m" and each.level == "holds" for each in offers)


def test_a_sleeve_needs_a_tube_that_fits() -> None:
    assert verdict(make_plan(bows__joint="sleeve"), "sleeve") is None
    changes = {"bows__joint": "sleeve", "bows__tube": "own:1", "own_tubes": [{"od_m": 0.0995, "wall_m": 0.003}]}
    big = {**changes, "posts__tube": "own:1"}
    found = verdict(make_plan(**big), "sleeve")
    assert found.level == "fails"
    offers = find_remedies(make_house(**big), SiteRecord(), default_catalogue())
    assert {each.edits[0].text for each in offers if each.verdict == "sleeve"} >= {"coupler", "swaged"}


def test_plastic_pipe_is_not_bent_on_a_former() -> None:
    plan = make_plan(bows__tube="pvc-1", posts__tube="water-1-1-4")
    step = next(each for each in plan.steps if each.id == "bend")
    assert step.next.startswith("Choose how it comes")
    assert verdict(plan, "as-bent") is None


@pytest.mark.parametrize(
    "planned",
    [
        gothic_bow(6.0, 0.8, 4.6),
        gothic_bow(6.0, 0.0, 2.4, 4.5),
        peaked_bow(6.0, 1.2, 3.4, 0.6),
        peaked_bow(6.0, 1.2, 3.4, 0.0),
        kneed_bow(6.0, 0.8, 3.8, 2.3, 2.2),
        three_centred_bow(6.0, 0.5, 5.5, 6.0),
    ],
)
def test_every_shape_laid_piece_by_piece_is_itself(planned: Chain) -> None:
    out = as_bent(planned, [])
    assert out.span_m == pytest.approx(6.0, abs=1e-9)
    for share in (0.0, 0.1, 0.33, 0.5, 0.77, 1.0):
        s = planned.girth_m * share
        assert out.bow.point(s) == pytest.approx(planned.point(s), abs=1e-8)
    # A flat in the left leg changes nothing: it is straight there already.
    leg = planned.segments[0].length_m if planned.heading(0.0) == pytest.approx(math.pi / 2) else 0.0
    if isinstance(planned.segments[0], Line):
        assert as_bent(planned, [(0.0, leg)]).span_m == pytest.approx(6.0, abs=1e-9)


@given(st.floats(0.01, 0.3), st.floats(1.0, 5.0))
def test_tails_always_open_the_bow_and_making_up_turns_it_back(tail: float, radius: float) -> None:
    planned = round_bow(2 * radius, 0.0, radius)
    middle = planned.girth_m / 2
    flat = [(middle - tail, middle + tail)]
    opened = as_bent(planned, flat)
    assert abs(opened.lean_rad) == pytest.approx(tail / radius, rel=1e-6)
    make_up = (planned.girth_m - 2 * tail) / planned.girth_m
    closed = as_bent(planned, flat, 1 / make_up)
    assert closed.lean_rad == pytest.approx(0.0, abs=1e-9)


def test_straight_ends_are_longer_than_a_bend_only_together() -> None:
    # Sticks of 2 m, a metre of each end straight: all of a bend of 1.9 m, which neither end is.
    plan = make_plan(
        size__span_m=6.0, size__shape={"kind": "round_on_legs", "leg_m": 0.6}, bows__stick_m=2.0, bows__joint_m=0.1,
        bending__tail_m=1.0,
    )  # fmt: skip
    found = verdict(plan, "tails-long")
    assert "6' 6 3/4\" at both ends together, which is all of its bend of 5' 11" in found.sentence
    assert found.level == "fails" and found.ratio > 1
