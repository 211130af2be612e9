"""Bows measured on the floor: what each was bent to, what to do with it, what to stand beside what."""

import pytest
from hypothesis import given
from hypothesis import strategies as st

from obtegum.core.bows.as_bent import as_bent
from obtegum.core.bows.checks import judge_bow, kept_for_width, quarter_height, standing_order
from obtegum.core.catalogue import default_catalogue
from obtegum.core.edits import Edit, apply_edits, edits_in_words
from obtegum.core.job import Job
from obtegum.core.profile import round_bow
from obtegum.core.quantity import FOOT_M
from obtegum.core.record import BowCheck, SiteRecord
from obtegum.core.trouble import DesignError
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
    found = judge_bow(4, check, PLANNED, [], 6.4, 3.8)
    assert (found.worst, found.off_m) == ("right", pytest.approx(0.05))
    assert found.share is not None and found.share < 1


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


def test_the_bench_says_what_to_bend_again() -> None:
    wanted = 21 * FOOT_M
    plan = make_plan(recorded(b1=wanted, b2=wanted + 0.2, b3=wanted - 0.01))
    found = verdict(plan, "bows-alike")
    assert found.level == "fails"
    assert "bow 2 is" in found.sentence and "close its bends by" in found.sentence
    assert answer(plan, "check-bows", "order") == "3 1 2"
    good = make_plan(recorded(b1=wanted, b2=wanted + 0.01))
    assert verdict(good, "bows-alike").level == "holds"
    step = next(each for each in good.steps if each.id == "check-bows")
    # A bow counts as measured once all that is asked of it is there.
    assert (step.done, step.of) == (0, 16)
    assert step.next == "Next: bow 1, tape its height in the middle."
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
    typed = apply_edits(job, [Edit(measure="bow:3:width", text="21-1")], catalogue)
    assert typed.record.bows["3"].width_m == pytest.approx((21 + 1 / 12) * FOOT_M)
    assert edits_in_words(typed, [Edit(measure="bow:3:width", text="21-1")], catalogue) == "Bow 3, width 21' 1\""
    blank = apply_edits(typed, [Edit(measure="bow:3:width", text="")], catalogue)
    assert blank.record.bows == {}
    with pytest.raises(DesignError) as raised:
        apply_edits(job, [Edit(measure="bow:3:width", text="99")], catalogue)
    assert raised.value.troubles[0].path == "record.bows.3.width_m"
    assert "Width can be" in raised.value.troubles[0].sentence
    with pytest.raises(DesignError, match="There is no"):
        apply_edits(job, [Edit(measure="bow:0:width", text="20")], catalogue)
