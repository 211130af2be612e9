"""Sprung pipe: its curve against elliptic integrals and an integrator of its own, and every room on it."""

import math
import random
from typing import Any

import numpy as np
import pytest
from scipy.integrate import solve_ivp
from scipy.optimize import brentq, root
from scipy.special import ellipe, ellipk

from obtegum.core.documents.house import SiteRecord
from obtegum.core.documents.job import Job
from obtegum.core.face.edit import Edit
from obtegum.core.findings.skeleton.line import centre_line
from obtegum.core.findings.skeleton.tubes import post_tube
from obtegum.core.formulas.anchor.pole import pole_shear
from obtegum.core.formulas.cut_to_curve import under_m
from obtegum.core.formulas.profile import Arc, ProfileError, pipe_for_rise, span_for_rise, sprung_pipe
from obtegum.core.house.edits import apply_edits
from obtegum.core.house.remedies import find_remedies
from obtegum.core.rooms.bend.sprung import spring_of
from obtegum.core.rooms.soil.found import ground_of
from obtegum.core.rooms.strength.found import why_unknown
from obtegum.core.rooms.strength.plastic import locked_pa, plastic_found
from obtegum.core.values.catalogue import default_catalogue
from obtegum.core.values.quantity import FOOT_M, INCH_M
from obtegum.core.values.trouble import DesignError
from tests.conftest import answer, make_bench, make_house, make_plan, verdict
from tests.core.test_strength import told

FEET = ("plumb", "free")
PIPE = {
    "size__span_m": 3.0, "size__length_m": 6.0, "size__shape": {"kind": "sprung", "leg_m": 0.5, "pipe_m": 4.9},
    "size__figure": {"height_m": 1.6, "from_left_m": 0.8}, "posts__tube": "water-1-1-4", "posts__length_m": 1.1,
    "posts__reveal_m": 0.5, "bows__tube": "pvc-1", "bows__insertion_m": 0.2, "bows__max_spacing_m": 0.9,
    "bows__stick_m": 3.0, "bows__joint_m": 0.1,
}  # fmt: skip


def shaped(**changes: Any) -> dict[str, Any]:
    return {**PIPE, "size__shape": {**PIPE["size__shape"], **changes}}  # type: ignore[dict-item]


def integrated(span: float, pipe: float, foot: str, ridge: float, arm: float) -> tuple[float, float, float]:
    """Rise, push over E·I and curvature at the crown by shooting with an integrator of its own."""
    half, lean = pipe / 2, ridge / 2

    def shot(bend: float, push: float) -> np.ndarray:
        def turn(_: float, at: np.ndarray) -> list[float]:
            return [at[1], -push * math.sin(at[0]), math.cos(at[0]), math.sin(at[0])]

        return solve_ivp(turn, (0.0, half), [lean, bend, 0.0, 0.0], rtol=1e-11, atol=1e-12).y[:, -1]

    def missed(told: np.ndarray) -> list[float]:
        end = shot(*told)
        held = end[0] - math.pi / 2 if foot == "plumb" else end[1]
        return [held, end[2] + arm * math.cos(lean) - span / 2]

    mine = sprung_pipe(span, pipe, foot, ridge, arm)  # type: ignore[arg-type]
    # Begun a little beside what it is held against, so that it has to find its own way.
    found = root(missed, [mine.curvature(0.0) * 1.01 + 1e-3, mine.push_per_ei * 1.01 + 1e-3], tol=1e-12)
    assert found.success
    bend, push = found.x
    return float(shot(bend, push)[3]) + arm * math.sin(lean), float(push), float(bend)


def test_half_a_circle_is_what_a_pipe_of_its_length_makes() -> None:
    pipe = sprung_pipe(3.0, 1.5 * math.pi)
    assert pipe.rise_m == pytest.approx(1.5, abs=1e-9)
    assert pipe.push_per_ei == pytest.approx(0.0, abs=1e-9)
    assert pipe.tightest_1_m == pytest.approx(1 / 1.5, abs=1e-9)
    for x, y in (pipe.laid(0.4).point(s_m) for s_m in np.linspace(0.4, 0.4 + 1.5 * math.pi, 60)):
        assert math.hypot(x, y - 0.4) == pytest.approx(1.5, abs=1e-6)


def test_a_free_pipe_is_euler_s_curve() -> None:
    # Pinned ends: with k = sin(α/2), α the lean at the foot from level, half length K(k)/λ, half width (2E − K)/λ,
    # rise 2k/λ, P = λ²·E·I (Love, ch. XIX; Timoshenko and Gere 2.7).
    for alpha in np.radians([8, 30, 60, 85, 100]):
        k = math.sin(alpha / 2)
        whole, part = float(ellipk(k * k)), float(ellipe(k * k))
        pipe = sprung_pipe(2 * (2 * part - whole), 2 * whole, "free")
        assert pipe.rise_m == pytest.approx(2 * k, rel=1e-9)
        assert pipe.push_per_ei == pytest.approx(1.0, rel=1e-8)
        assert pipe.foot_rad == pytest.approx(alpha, abs=1e-8)
        assert pipe.curvature(0.0) == pytest.approx(2 * k, rel=1e-8)
    # One that only just bends pushes as Euler's column does.
    assert sprung_pipe(3.0, 3.01, "free").push_per_ei * 3.01**2 == pytest.approx(math.pi**2, rel=0.01)


def cases() -> list[tuple[float, float, str, float, float]]:
    chance, found = random.Random(19), list[tuple[float, float, str, float, float]]()
    while len(found) < 24:
        span, foot = chance.uniform(2.0, 6.0), chance.choice(FEET)
        ridge, arm = (chance.uniform(0.0, 1.2), chance.uniform(0.0, 0.05)) if chance.random() < 0.4 else (0.0, 0.0)
        try:
            pipe = pipe_for_rise(span, span * chance.uniform(0.15, 0.95), foot, ridge, arm)  # type: ignore[arg-type]
        except ProfileError:
            continue
        found.append((span, pipe, foot, ridge, arm))
    return found


@pytest.mark.parametrize("case", cases())
def test_curve_push_and_strain_against_an_integrator(case: tuple[float, float, str, float, float]) -> None:
    pipe = sprung_pipe(*case)  # type: ignore[arg-type]
    rise, push, bend = integrated(*case)
    assert pipe.rise_m == pytest.approx(rise, abs=1e-6 * case[1])
    assert pipe.push_per_ei == pytest.approx(push, rel=1e-5, abs=1e-6)
    assert pipe.curvature(0.0) == pytest.approx(bend, rel=1e-5, abs=1e-6)


@pytest.mark.parametrize("case", cases())
def test_the_arcs_that_it_is_laid_as_lie_on_it_and_meet_smoothly(case: tuple[float, float, str, float, float]) -> None:
    span, pipe_m, _, ridge, arm = case
    pipe, leg = sprung_pipe(*case), 0.45  # type: ignore[arg-type]
    bow = pipe.laid(leg)
    assert bow.girth_m == pytest.approx(pipe_m + 2 * arm + 2 * leg, abs=1e-6 * pipe_m)
    assert bow.point(0.0) == pytest.approx((-span / 2, 0.0)) and bow.point(bow.girth_m) == pytest.approx(
        (span / 2, 0.0)
    )
    # Straight over its legs, and smooth all along but where an elbow or a free foot turns.
    corners = [kink.s_m for kink in bow.kinks if leg + 1e-6 < kink.s_m < bow.girth_m - leg - 1e-6]
    assert len(corners) == (1 if ridge > 1e-9 else 0)
    share = np.linspace(0.0, 1.0, 301)
    out, down = pipe.curve.places(share)
    for s, o, d in zip(share, out, down, strict=True):
        x = arm * math.cos(ridge / 2) + o * pipe.half_m
        y = leg + pipe.rise_m - arm * math.sin(ridge / 2) - d * pipe.half_m
        near = bow.point(bow.girth_m / 2 + arm + float(s) * pipe.half_m)
        assert math.dist((x, y), near) < 1e-6 * pipe_m
    # Its mirror image on the other side.
    for s_m in np.linspace(0.0, bow.girth_m, 40):
        (x, y), (mx, my) = bow.point(float(s_m)), bow.point(bow.girth_m - float(s_m))
        assert (x, y) == pytest.approx((-mx, my), abs=1e-9)


@pytest.mark.parametrize("case", cases())
def test_length_from_height_and_width_from_both_are_inverses(case: tuple[float, float, str, float, float]) -> None:
    span, pipe_m, foot, ridge, arm = case
    rise = sprung_pipe(*case).rise_m  # type: ignore[arg-type]
    assert pipe_for_rise(span, rise, foot, ridge, arm) == pytest.approx(pipe_m, abs=1e-4)  # type: ignore[arg-type]
    assert span_for_rise(pipe_m, rise, foot, ridge, arm) == pytest.approx(span, abs=1e-4)  # type: ignore[arg-type]


def test_a_pipe_too_short_to_stand_plumb_is_held_out() -> None:
    short, long = sprung_pipe(3.0, 4.2), sprung_pipe(3.0, 5.2)
    assert short.push_per_ei < 0 < long.push_per_ei
    # The tightest bend of the short one is at its feet, of the long one at its crown.
    assert short.tightest_at_m == pytest.approx(short.half_m) and long.tightest_at_m == 0


def test_tall_pipe_bends_back_above_its_feet() -> None:
    pipe = sprung_pipe(3.0, 7.0)
    bow = pipe.laid(0.0)
    turns = {math.copysign(1.0, each.radius_m) for each in bow.segments if isinstance(each, Arc)}
    assert turns == {1.0, -1.0}
    # It stands out beyond its feet, and a level line finds it there; offset, it keeps its distance all along.
    assert min(bow.point(s_m)[0] for s_m in bow.at_y(0.4)) < -1.5
    outer = bow.offset(0.02)
    for s_m in np.linspace(0.05, outer.girth_m - 0.05, 50):
        px, py = outer.point(float(s_m))
        near = min(math.dist((px, py), bow.point(float(each))) for each in np.linspace(0, bow.girth_m, 4000))
        assert near == pytest.approx(0.02, abs=2e-5)
    # What stands under it comes to its inner face.
    top = under_m(bow, 0.0165, 0.7)
    assert top is not None
    assert min(math.dist((0.7, top), bow.point(float(s))) for s in np.linspace(0, bow.girth_m, 20000)) == pytest.approx(
        0.0165, abs=1e-6
    )


@pytest.mark.parametrize(
    ("changes", "path", "words"),
    [
        ({"pipe_m": 2.9}, "size.shape.pipe_m", "no longer than its feet are apart"),
        ({"pipe_m": 2.9, "ridge": "elbow"}, "size.shape.pipe_m", "halves don’t meet"),
        ({"pipe_m": 3.1}, "size.shape.pipe_m", "lies flat"),
        ({"pipe_m": 9.0}, "size.shape.pipe_m", "bent over"),
    ],
)
def test_what_can_t_stand_is_refused_with_the_nearest_that_can(changes: dict[str, Any], path: str, words: str) -> None:
    with pytest.raises(DesignError) as error:
        make_house(**shaped(**changes))
    (trouble,) = error.value.troubles
    assert trouble.path == path and words in trouble.sentence and trouble.nearest_m is not None
    make_house(**shaped(**{**changes, "pipe_m": trouble.nearest_m}))


def edited(changes: dict[str, Any], *edits: tuple[str, str]) -> Any:
    job = Job(make_house(**shaped(**changes)), SiteRecord())
    told_ = [Edit(measure=measure, text=text) for measure, text in edits]
    return apply_edits(job, told_, default_catalogue()).design


def test_what_gives_way_when_one_of_three_changes() -> None:
    size = edited({}).size
    wider = edited({"gives": "height"}, ("size.span_m", "10' 6\"")).size
    assert wider.shape.pipe_m == pytest.approx(4.9) and wider.height_m < size.height_m
    kept = edited({"gives": "pipe"}, ("size.span_m", "10' 6\"")).size
    assert kept.height_m == pytest.approx(size.height_m, abs=1e-9) and kept.shape.pipe_m > 4.9
    lower = edited({"gives": "width"}, ("size.shape.height_m", "6'")).size
    assert lower.shape.pipe_m == pytest.approx(4.9) and lower.span_m > 3.0
    assert lower.height_m == pytest.approx(6 * FOOT_M, abs=1e-9)
    shorter = edited({"gives": "height"}, ("size.shape.height_m", "6'")).size
    assert shorter.span_m == 3.0 and shorter.shape.pipe_m < 4.9
    longer = edited({"gives": "width"}, ("size.shape.pipe_m", "17'")).size
    assert longer.height_m == pytest.approx(size.height_m, abs=1e-9) and longer.span_m > 3.0


def test_it_is_straight_as_far_as_it_is_held() -> None:
    assert edited({}, ("posts.reveal_m", '24"')).size.leg_m == pytest.approx(24 * INCH_M)
    loose = edited({}, ("size.shape.feet", "loose"))
    assert loose.size.leg_m == 0 and loose.posts.stand == "stub"
    strapped = edited({}, ("size.shape.feet", "strapped"))
    assert strapped.size.leg_m == pytest.approx(0.5) and strapped.posts.stand == "board"


def test_uncut_sticks_of_sprung_pipe_make_its_height() -> None:
    size = edited({}, ("bows.sticks", "2"), ("bows.cut", "whole")).size
    # Two of 3 m, 0.1 in each other, 0.2 in each post.
    assert size.shape.pipe_m == pytest.approx(5.9 - 0.4, abs=1e-6)
    assert size.height_m == pytest.approx(0.5 + sprung_pipe(3.0, 5.5).rise_m, abs=1e-6)


def test_what_springing_asks_by_hand() -> None:
    bench = make_bench(**PIPE)
    spring = spring_of(bench)
    assert spring is not None
    pipe = sprung_pipe(3.0, 4.9)
    od, wall = 1.315 * INCH_M, 0.133 * INCH_M
    stiff = 2.76e9 * math.pi / 64 * (od**4 - (od - 2 * wall) ** 4)
    assert spring.push_n == pytest.approx(pipe.push_per_ei * stiff)
    assert spring.moment_nm == pytest.approx(abs(pipe.foot_1_m) * stiff)
    assert spring.strain == pytest.approx(od / 2 * pipe.tightest_1_m)
    assert locked_pa(bench) == pytest.approx(2.76e9 * spring.strain)
    later = make_bench(**PIPE, strength={"season": "later"})
    assert locked_pa(later) == pytest.approx(0.4 * 2.76e9 * spring.strain)
    plan = make_plan(**PIPE)
    assert answer(plan, "bend", "pipe") == answer(plan, "bows", "tube")
    said = verdict(plan, "spring")
    assert said.level == "tight" and "sags over the years" in said.sentence


def test_a_strained_pipe_is_told_of_in_three_ways() -> None:
    gentle = {**PIPE, "bows__tube": "pvc-1-2", "size__span_m": 5.0, "bows__max_spacing_m": 0.6}
    gentle["size__shape"] = {"kind": "sprung", "leg_m": 0.5, "pipe_m": 7.854}
    assert verdict(make_plan(**gentle), "spring").level == "holds"
    assert verdict(make_plan(**PIPE, bows__making="parts"), "spring").level == "tight"
    stiff = verdict(make_plan(**{**PIPE, "bows__tube": "pvc-2", "posts__tube": "post-2-3-8"}), "spring")
    assert stiff.level == "fails" and "heat" in stiff.sentence
    steel = verdict(make_plan(**{**PIPE, "bows__tube": "conduit-1-2"}), "spring")
    assert steel.level == "fails" and "former" in steel.sentence
    assert "sprung steel" in why_unknown(make_bench(**{**told(), **PIPE, "bows__tube": "conduit-1-2"}))


def test_snow_finds_a_pipe_that_is_pressed_already() -> None:
    # A free pipe that is nearly flat pushes hardest: less snow brings it to half its yield than one bent hot so.
    light = {**told(ground_snow_pa=200.0), **shaped(feet="loose", leg_m=0.0, pipe_m=3.6, ridge="through")}
    flat = {**light, "posts__stand": "stub", "posts__tube": "bar-1-2", "bows__tube": "pvcu-20"}
    sprung = plastic_found(make_bench(**{**flat, "strength": {"season": "later"}}))
    assert sprung is not None and sprung.locked_pa > 0
    polyethylene, vinyl = (
        plastic_found(make_bench(**{**told(ground_snow_pa=200.0), **PIPE, "bows__tube": tube}))
        for tube in ("pe-32", "pvcu-32")
    )
    assert polyethylene is not None and vinyl is not None
    # Softer and weaker stuff of the same size is never told as stronger.
    assert polyethylene.yields >= vinyl.yields and polyethylene.rated_pa <= vinyl.rated_pa


def test_a_seventh_of_its_own_length_is_found_again_from_the_drawing() -> None:
    bow = centre_line(make_bench(**PIPE))
    high = bow.point(bow.girth_m / 2)[1]
    rise = float(brentq(lambda r: pipe_for_rise(3.0, r) - 4.9, 1.0, 2.2))
    assert high == pytest.approx(0.5 + rise, abs=1e-6)


def test_what_holds_a_pipe_plumb_bends_and_leans_by_hand() -> None:
    house = {**PIPE, "posts__tube": "bar-3-4", "posts__length_m": 1.7, "posts__stand": "stub", "soil": {"kind": "clay"}}
    spring = spring_of(make_bench(**house))
    assert spring is not None
    # The moment at its top and the push times the reveal, and 0.26 of the push by the depth; Z = d³/6, Fy 276, ÷ 1.67.
    at_ground = spring.moment_nm + abs(spring.push_n) * 0.5
    plan = make_plan(**house)
    bends = verdict(plan, "spring-post")
    bears = 276e6 * (0.75 * INCH_M) ** 3 / 6 / 1.67
    assert bends.ratio == pytest.approx((at_ground + 0.26 * abs(spring.push_n) * 1.2) / bears)
    assert bends.rank == "fits"
    # What gives lets the pipe off: beyond its limit it is tight still, by no share of it.
    weak = verdict(make_plan(**{**house, "posts__tube": "bar-1-2"}), "spring-post")
    assert (weak.level, weak.ratio) == ("tight", None)
    leans = verdict(plan, "spring-lean")
    ground = ground_of(make_bench(**house))
    assert ground is not None
    wanted = leans.ratio * 1.2
    # Put back: a pole so deep takes just that push so high over its ground.
    takes = pole_shear(ground, post_tube(make_bench(**house)).over_m, wanted, at_ground / abs(spring.push_n))
    assert takes == pytest.approx(abs(spring.push_n), rel=1e-3)
    assert verdict(make_plan(**PIPE), "spring-post").level == "holds"
    loose = {**house, "size__shape": {**PIPE["size__shape"], "feet": "loose", "leg_m": 0.0}}  # type: ignore[dict-item]
    assert verdict(make_plan(**loose), "spring-post") is None


def test_an_elbow_at_the_ridge_is_no_corner_at_the_leg() -> None:
    # Two halves into an elbow of its own turn: the corner at the crown was told as one where leg and arc meet.
    for span_m in (3.0, 5.0):
        shape = {"kind": "sprung", "leg_m": 0.56, "pipe_m": 1.5 * span_m, "ridge": "elbow", "elbow": 45.0}
        plan = make_plan(size__span_m=span_m, size__shape=shape, bows__tube="pvc-1", posts__tube="post-1-7-8")
        assert verdict(plan, "leg-top") is None


def test_steel_is_never_offered_to_be_bent_hot() -> None:
    shape = {"kind": "sprung", "leg_m": 0.56, "pipe_m": 4.6}
    house = make_house(size__span_m=3.0, size__shape=shape, bows__tube="conduit-1")
    found = find_remedies(house, SiteRecord(), default_catalogue())
    assert not [each for each in found if "hot" in each.words]


def test_a_bag_makes_what_is_printed_on_it() -> None:
    made = [default_catalogue().bags[name].yield_m3 / 0.3048**3 for name in ("bag-50-lb", "bag-60-lb", "bag-80-lb")]
    assert made == pytest.approx([0.375, 0.45, 0.6], rel=1e-12)


def test_pipe_held_otherwise_keeps_the_length_that_was_written() -> None:
    # By what gives way: the height, the width or the pipe; what goes in goes back to what it is wont to.
    job = Job(make_house(**shaped(pipe_m=4.3)), SiteRecord())
    for gives, kept in (("height", "pipe_m span_m"), ("width", "pipe_m height_m"), ("pipe", "span_m height_m")):
        for measure, text in (("feet", "loose"), ("ridge", "elbow"), ("feet", "strapped")):
            edits = [Edit(measure=f"size.shape.{name}", text=to) for name, to in (("gives", gives), (measure, text))]
            if (gives, text) == ("width", "loose"):
                # Pinned at its ends a pipe rises by 0.81 of its half at the most, and this one would have to by 1.
                with pytest.raises(DesignError, match="let the height or the pipe’s length give way"):
                    apply_edits(job, edits, default_catalogue())
                continue
            size = apply_edits(job, edits, default_catalogue()).design.size
            now = {"pipe_m": size.shape.pipe_m, "span_m": size.span_m, "height_m": size.height_m}  # type: ignore[union-attr]
            was = {"pipe_m": 4.3, "span_m": 3.0, "height_m": job.design.size.height_m}
            for name in kept.split():
                # Height follows from the pipe, which is what is kept.
                assert now[name] == pytest.approx(was[name], abs=1e-9), (gives, text, name)
            assert sum(abs(now[name] - was[name]) > 1e-4 for name in now) == (text != "strapped")
    loose = apply_edits(job, [Edit(measure="size.shape.feet", text="loose")], default_catalogue())
    snug = apply_edits(loose, [Edit(measure="size.shape.feet", text="snug")], default_catalogue())
    assert loose.design.bows.insertion_m > 0.5
    assert snug.design.bows.insertion_m == pytest.approx(6 * INCH_M)
