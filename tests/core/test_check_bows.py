"""Bows measured on the floor: what each was bent to, what to do with it, what to stand beside what."""

import math
from functools import partial

import pytest
from hypothesis import given
from hypothesis import strategies as st

from obtegum.core.documents.check_bows import BowCheck
from obtegum.core.documents.house import SiteRecord
from obtegum.core.documents.job import Job
from obtegum.core.face.edit import Edit
from obtegum.core.formulas.bows.as_bent import as_bent
from obtegum.core.formulas.profile import Chain, round_bow
from obtegum.core.house.bench import begin
from obtegum.core.house.edits import apply_edits, edits_in_words
from obtegum.core.rooms.check_bows import found as check_bows_found
from obtegum.core.rooms.check_bows.checks import judge_bow, kept_for_width, quarter_height, standing_order
from obtegum.core.rooms.check_bows.draw import bow_set
from obtegum.core.rooms.check_bows.found import judged_bows
from obtegum.core.values.catalogue import default_catalogue
from obtegum.core.values.quantity import FOOT_M
from obtegum.core.values.trouble import DesignError
from tests.conftest import answer, make_house, make_plan, verdict

PLANNED = round_bow(6.4, 0.6, 3.8)


@given(st.floats(0.85, 1.15))
def test_the_share_of_bend_comes_back_from_the_width(kept: float) -> None:
    tails = [(3.0, 3.4)]
    out = as_bent(PLANNED, tails, kept)
    found = kept_for_width(PLANNED, tails, out.span_m)
    assert found == pytest.approx(kept, abs=1e-5)
    # From the former to the house and back: to a tenth of a millimetre.
    assert as_bent(PLANNED, tails, found or 0.0).span_m == pytest.approx(out.span_m, abs=1e-4)


def test_a_width_that_no_bend_makes() -> None:
    assert kept_for_width(PLANNED, [], 60.0) is None


def test_the_worst_measure_counts() -> None:
    quarter = quarter_height(PLANNED, 6.4)
    # R = 3.2 over legs of 0.6: a quarter in, 0.6 + √(3.2² − 1.6²).
    assert quarter == pytest.approx(0.6 + 2.7713, abs=1e-4)
    check = BowCheck(width_m=6.41, height_m=3.77, left_m=quarter, right_m=quarter - 0.05, twist_m=0.02)
    found = judge_bow(4, check, 6.4, 3.8, quarter, partial(kept_for_width, PLANNED, []))
    assert (found.worst, found.off_m) == ("right", pytest.approx(0.05))
    assert found.kept is not None and found.wanted is not None and found.kept < found.wanted


def test_the_share_of_a_width_is_found_once(monkeypatch: pytest.MonkeyPatch) -> None:
    """A hundred measured bows are a few widths; one measured anew asks for its own alone."""
    asked: list[float] = []

    def counted(planned: Chain, straight: list[tuple[float, float]], width_m: float) -> float | None:
        asked.append(width_m)
        return kept_for_width(planned, straight, width_m)

    monkeypatch.setattr(check_bows_found, "kept_for_width", counted)
    design = make_house(size__length_m=60.0)
    record = recorded(**{f"b{bow}": 6.40 + 0.01 * (bow % 3) for bow in range(1, 40)})
    work = begin(design, record, default_catalogue())
    judged_bows(work)
    bow_set(work)
    once = len(asked)
    assert once == len(set(asked)) <= 8
    later = record.model_copy(update={"bows": {**record.bows, "7": BowCheck(width_m=6.405)}})
    after = begin(design, later, default_catalogue(), work)
    judged_bows(after)
    bow_set(after)
    assert 0 < len(asked) - once <= 2


def test_narrow_to_wide() -> None:
    checks = {
        3: BowCheck(width_m=6.42),
        1: BowCheck(width_m=6.40),
        2: BowCheck(height_m=3.8),
        5: BowCheck(width_m=6.38),
    }
    assert standing_order(checks) == [5, 1, 3]


def recorded(**bows: float) -> SiteRecord:
    return SiteRecord(bows={name.removeprefix("b"): BowCheck(width_m=width) for name, width in bows.items()})


def test_the_bench_says_what_to_do_with_hands_and_tape() -> None:
    wanted = 21 * FOOT_M
    plan = make_plan(recorded(b1=wanted, b2=wanted + 0.2, b3=wanted - 0.01))
    found = verdict(plan, "bows-alike")
    assert found.level == "fails"
    # 200 mm, 7 7/8 in, over 16 pulls: 0.492, 1/2 in at each.
    pulls = answer(plan, "bend", "pulls")
    told = f'bow 2 is 7 7/8" too wide: back on the former, close it by 1/2" at each of {pulls} pulls'
    assert told in found.sentence and "until its ends measure 21' 0\"" in found.sentence
    narrow = verdict(make_plan(recorded(b4=wanted - 0.2)), "bows-alike").sentence
    assert 'bow 4 is 7 7/8" too narrow: ease it open over the knee, evenly, until its ends measure' in narrow
    assert answer(plan, "check-bows", "order") == "3 1 2"
    good = make_plan(recorded(b1=wanted, b2=wanted + 0.01))
    assert verdict(good, "bows-alike").level == "holds"
    step = next(each for each in good.steps if each.id == "check-bows")
    # A bow counts as measured once all that is asked of it is there.
    assert (step.done, step.of) == (0, 16)
    assert step.next == "Next: bow 1, tape its height in the middle, over the line of its ends."
    drawn = {getattr(item, "part", "") for each in good.drawings if each.view == "set" for item in each.items}
    assert {"bow:1", "bow:2"} <= drawn


def test_closing_by_what_is_told_gives_the_width_wanted() -> None:
    plan_bow = round_bow(21 * FOOT_M, 2 * FOOT_M, 12.5 * FOOT_M)
    out = as_bent(plan_bow, [], 0.95)
    kept = kept_for_width(plan_bow, [], out.span_m)
    assert kept is not None
    assert as_bent(plan_bow, [], 0.95 * (1 / kept)).span_m == pytest.approx(21 * FOOT_M, abs=1e-4)


def test_checks_are_typed_blanked_and_refused() -> None:
    job, catalogue = Job(make_house()), default_catalogue()
    typed = apply_edits(job, [Edit(measure="record.bows.3.width_m", text="21-1")], catalogue)
    assert typed.record.bows["3"].width_m == pytest.approx((21 + 1 / 12) * FOOT_M)
    assert (
        edits_in_words(typed, [Edit(measure="record.bows.3.width_m", text="21-1")], catalogue) == "Bow 3, width 21' 1\""
    )
    blank = apply_edits(typed, [Edit(measure="record.bows.3.width_m", text="")], catalogue)
    assert blank.record.bows == {}
    with pytest.raises(DesignError) as raised:
        apply_edits(job, [Edit(measure="record.bows.3.width_m", text="99")], catalogue)
    assert raised.value.troubles[0].path == "record.bows.3.width_m"
    assert "Width can be" in raised.value.troubles[0].sentence
    with pytest.raises(DesignError, match="There is no"):
        apply_edits(job, [Edit(measure="record.bows.0.width_m", text="20")], catalogue)


METRIC = {"tape__units": "metric", "set_out__tape_m": 30.0}


def test_a_bow_on_the_floor_is_measured_between_its_own_ends() -> None:
    """Half a circle of 5.5 m on legs of 0.75, reveal 0.5, 0.15 in the post: its ends are 0.35 over the ground."""
    half = {**METRIC, "size__span_m": 5.5, "size__shape": {"kind": "round_on_legs", "leg_m": 0.75}}
    plan = make_plan(**half, posts__reveal_m=0.5, bows__insertion_m=0.15)
    assert answer(plan, "check-bows", "wanted_width") == "5.500 m"
    # 0.75 + 2.75 − 0.35; a quarter in 0.40 + √(2.75² − 1.375²) = 0.40 + 2.3816.
    assert answer(plan, "check-bows", "wanted_height") == "3.150 m"
    assert answer(plan, "check-bows", "wanted_quarter") == "2.782 m"
    exact = SiteRecord(bows={"1": BowCheck(width_m=5.5, height_m=3.15, left_m=2.7816, right_m=2.7816)})
    found = verdict(make_plan(exact, **half, posts__reveal_m=0.5, bows__insertion_m=0.15), "bows-alike")
    assert found.level == "holds"
    assert found.ratio == pytest.approx(0.0, abs=1e-3)
    standing = SiteRecord(bows={"1": BowCheck(height_m=3.5)})
    assert verdict(make_plan(standing, **half, posts__reveal_m=0.5, bows__insertion_m=0.15), "bows-alike").ratio > 1


def test_ends_in_the_arc_are_narrower_than_the_posts() -> None:
    """One arc of 6 m by 2 m, R = 3.25, springing from the ground; its ends stand 0.4 − 0.1 = 0.3 m up it."""
    changes = {**METRIC, "size__span_m": 6.0, "size__shape": {"kind": "round", "leg_m": 0.0, "height_m": 2.0}}
    plan = make_plan(**changes, posts__reveal_m=0.4, bows__insertion_m=0.1)
    # The tube runs 0.1 m along the arc below the post top: from the angle there, 0.1/3.25 rad further.
    start = math.asin((0.4 + 1.25) / 3.25) - 0.1 / 3.25
    width, height = 2 * 3.25 * math.cos(start), 2.0 - (3.25 * math.sin(start) - 1.25)
    values = {each.id: each.value for step in plan.steps for each in step.answers if step.id == "check-bows"}
    assert values["wanted_width"] == pytest.approx(width)
    assert values["wanted_height"] == pytest.approx(height)
    drawing = next(each for each in plan.drawings if each.view == "set")
    assert any("measure from here" in getattr(item, "text", "") for item in drawing.items)


def test_ends_below_the_foot_go_on_straight() -> None:
    """More in the post than stands out of the ground: the leg goes on below it."""
    changes = {**METRIC, "size__span_m": 6.0, "size__shape": {"kind": "round_on_legs", "leg_m": 0.2}}
    plan = make_plan(**changes, posts__reveal_m=0.3, bows__insertion_m=0.5)
    assert answer(plan, "check-bows", "wanted_width") == "6.000 m"
    assert answer(plan, "check-bows", "wanted_height") == "3.400 m"
