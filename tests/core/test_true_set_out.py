"""Setting out by what the tape really says: strings outside, where a tape is held, what readings can tell."""

import math

import pytest

from obtegum.core.documents.house import SiteRecord
from obtegum.core.documents.level import Levels
from obtegum.core.documents.square_up import Taping
from obtegum.core.findings.skeleton.bays import pegs_of
from obtegum.core.formulas.setout.lines import LINES, Line
from obtegum.core.formulas.setout.squaring import Tapes, methods
from obtegum.core.house.plan import HousePlan
from obtegum.core.house.remedies import find_remedies
from obtegum.core.values.catalogue import default_catalogue
from tests.conftest import answer, make_bench, make_house, make_plan, verdict

METRIC = {
    "tape": {"units": "metric"},
    "size__span_m": 6.0,
    "size__length_m": 12.0,
    "set_out": {"tape_m": 30.0, "second_tape_m": 30.0, "reading_error_m": 0.003},
    "posts": {"tube": "round-48.3", "length_m": 1.2, "reveal_m": 0.5},
    "bows__tube": "round-42.4",
    "bows__max_spacing_m": 1.0,
}


def readings(plan: HousePlan, strip: str) -> dict[str, str]:
    found = next(each for each in plan.strips if each.id == strip)
    return {mark.what: mark.reading for mark in found.marks}


def taped(length: float, width: float, **off: float) -> SiteRecord:
    across = math.hypot(length, width)
    lines = {"ab": length, "dc": length, "ad": width, "bc": width, "ac": across, "bd": across}
    return SiteRecord(taped=Taping(**{f"{line}_m": at + off.get(line, 0.0) for line, at in lines.items()}))


def test_strings_on_the_outside_make_a_corner_one_tube_further() -> None:
    """12 m between centres, posts of 48.3 mm: the strings' corner is at 12.048, the last post's near face at 12.000."""
    outside = {**METRIC, "set_out": {**METRIC["set_out"], "to": "posts"}}
    plan = make_plan(**outside)
    line = readings(plan, "peg:L")
    assert line["corner A"] == "0 mm"
    assert line["peg 2"] == "1.000 m"
    assert line["corner B"] == "12.048 m"
    assert readings(plan, "post:L")["corner B"] == "12.000 m"
    # Offsets of 1 m: B is found again at 13.048 from A1, and B1 stands at 14.048.
    kept = readings(plan, "kept:AB")
    assert (kept["2"], kept["B"], kept["B1"]) == ("2.000 m", "13.048 m", "14.048 m")
    assert [
        peg.to_far_corner_m for peg in pegs_of(make_bench(**outside)) if peg.part in ("peg:L2", "peg:L13")
    ] == pytest.approx([11.0483, 0])


def test_the_tape_held_at_a_mark_of_its_own_reads_more_everywhere() -> None:
    """Held at its 100 mm mark: 1.000 reads 1.100, and a 12 m tape reaches 11.9 m."""
    set_out = {**METRIC["set_out"], "tape_m": 12.0, "starts_m": 0.1}
    plan = make_plan(**{**METRIC, "set_out": set_out})
    assert readings(plan, "peg:R")["peg 2"] == "1.100 m"
    assert readings(plan, "kept:AD")["D"] == "7.100 m"
    base = next(each for each in plan.steps if each.id == "set-out").how[0].words
    assert "R1 at 11.900 m, each 11.900 m (the tape reads 12.000 m) on" in base
    # A side of 6.000 taped as 6.100 is right.
    record = SiteRecord(taped=Taping(ad_m=6.1, bc_m=6.1, ab_m=12.1, dc_m=12.1, ac_m=13.516, bd_m=13.516))
    plan = make_plan(record, **{**METRIC, "set_out": {**set_out, "tape_m": 30.0}})
    assert plan.measures["record.taped.ad_m"].hint == "should read 6.100 m"
    assert verdict(plan, "square").level == "holds"
    assert verdict(plan, "other-size") is None


def test_a_triangle_is_tried_both_ways_round() -> None:
    """On a 6.2 m end, 15 m deep: 4 along fits once (6.2/4), 3 along twice (6.2/3, 15/4): 6 along, 8 away, 10 across."""
    found = methods(15.0, 6.2, Tapes(longest_m=30.0, second_m=30.0, error_m=0.003), "short", 1.0)
    legs = {each.id: (each.along_m, each.across_m, each.diagonal_m) for each in found}
    assert legs["triple"] == (6.0, 8.0, 10.0)
    assert legs["small-triple"] == (4.0, 3.0, 5.0)


def test_earlier_rounds_taped_on_the_ground_are_brought_to_level() -> None:
    """A and B 1 m apart in height: 12 m level lies √(12² + 1) = 12.042 along the ground, and nothing has to move."""
    falls = {"L1": 1.0, "L13": 2.0, "R1": 1.0, "R13": 2.0}
    ground = Taping(
        ab_m=math.hypot(12, 1),
        dc_m=math.hypot(12, 1),
        ad_m=6.0,
        bc_m=6.0,
        ac_m=math.sqrt(144 + 36 + 1),
        bd_m=math.sqrt(144 + 36 + 1),
        held="ground",
    )
    record = SiteRecord(levels=Levels(pegs=falls), earlier=(ground,), taped=ground)
    assert answer(make_plan(record, **METRIC), "square-up", "taping_1") == "0 mm"


def test_two_diagonals_differ_by_more_than_one_reading() -> None:
    """Each read to 3 mm, they differ by √2·3 = 4.24 mm, and are out of square beyond 12.7."""
    plan = make_plan(taped(12.0, 6.0, ac=0.005), **METRIC)
    step = next(each for each in plan.steps if each.id == "square-up")
    note = next(each for each in step.answers if each.id == "differ").note
    assert note == "readings like yours differ by 5 mm; out of square beyond 13 mm"
    how = next(each for each in plan.steps if each.id == "set-out").how[-1].words
    assert "Two that differ by more than 13 mm are out of square" in how


def test_coarse_readings_call_nothing_out_of_square() -> None:
    """3 m × 4 m, usable to 10 mm; read to 10 mm, diagonals 24 mm apart say nothing (3·√2·10 = 42)."""
    small = {**METRIC, "size__span_m": 3.0, "size__length_m": 4.0}
    coarse = {**small, "set_out": {**METRIC["set_out"], "reading_error_m": 0.01}}
    record = taped(4.0, 3.0, ac=0.024)
    assert verdict(make_plan(record, **small), "square") is None or verdict(
        make_plan(record, **small), "square"
    ).level in ("fails", "tight")
    found = verdict(make_plan(record, **coarse), "square")
    assert found.level == "tight"
    assert "tell nothing below 43 mm" in found.sentence


def test_the_smallest_slip_that_shows_says_with_what_chance() -> None:
    """A square base: each diagonal's share of the condition is ½; (3 + 1.645)·3/½ = 27.9 mm, 3·3/½ = 18 mm.

    The condition of a square of side a, by hand: sides −s each, diagonals +√2·s, so n = (1, 1, 1, 1, √2, √2)/√8:
    ½ for a diagonal, 0.354 for a side: 39.4 and 25.5 mm.
    """
    plan = make_plan(taped(6.0, 6.0), **{**METRIC, "size__length_m": 6.0})
    step = next(each for each in plan.steps if each.id == "square-up")
    found = {each.id: (each.reading, each.note) for each in step.answers}
    assert found["slip_diagonal"] == ("28 mm", "19 times in 20; one of 18 mm every other time")
    assert found["slip_side"] == ("40 mm", "19 times in 20; one of 26 mm every other time")


def test_square_enough_stands_beside_no_moves() -> None:
    """5 mm on a diagonal of 13.4 m: good work to 13 mm."""
    plan = make_plan(taped(12.0, 6.0, ac=0.005), **METRIC)
    step = next(each for each in plan.steps if each.id == "square-up")
    assert step.next.startswith("Square enough")
    assert not [each for each in step.answers if each.id.startswith("move_")]
    assert not [item for each in plan.drawings if each.view == "taped" for item in each.items if item.kind == "arrow"]


def test_a_short_tape_is_never_asked_for_a_whole_diagonal() -> None:
    """10 m of tape, a diagonal of 13.416: in halves of 8.485; or along a string, 10 m and 3.416 more."""
    short = {**METRIC, "set_out": {**METRIC["set_out"], "tape_m": 10.0}}
    plan = make_plan(SiteRecord(taped=Taping(ab_m=12, dc_m=12, ad_m=6, bc_m=6)), **short)
    check = next(each for each in plan.steps if each.id == "set-out").how[-1]
    assert "both diagonals of each half read 8.485 m" in check.words
    assert "13.416" not in check.words
    step = next(each for each in plan.steps if each.id == "square-up")
    assert step.next == (
        "Next: tape A–C. It is longer than your tape: string it, pin the string at 10.000 m, "
        "read on to 3.416 m, add all."
    )
    # Two readings make one: its error is √2 that of one, and the misclosure's follows.
    full = make_plan(taped(12.0, 6.0), **short)
    assert answer(full, "square-up", "slip_end") != answer(
        make_plan(taped(12.0, 6.0), **METRIC), "square-up", "slip_end"
    )


@pytest.mark.parametrize("told", [LINES, ("ac", "bd")])
def test_square_but_larger_than_its_name_asks_which_is_right(told: tuple[Line, ...]) -> None:
    """6 m × 12 m taped as 6.06 × 12.12, one hundredth more both ways."""
    whole = taped(12.12, 6.06).taped
    record = SiteRecord(taped=Taping(**{f"{line}_m": whole.reading_m(line) for line in told}))
    plan = make_plan(record, **METRIC)
    found = verdict(plan, "other-size")
    assert found.level == "unknown"
    assert "it measures 6.060 × 12.120 m and is called 6.000 × 12.000 m" in found.sentence
    assert verdict(plan, "square") is None
    step = next(each for each in plan.steps if each.id == "square-up")
    assert not [each for each in step.answers if each.id.startswith("move_")]
    if told == LINES:
        design = make_house(**METRIC)
        ways = [each for each in find_remedies(design, record, default_catalogue()) if each.verdict == "other-size"]
        assert ways[0].words == "Length 12.120 m, Width 6.060 m"
    # One size longer and the other not is a peg out of place, and moved.
    assert verdict(make_plan(taped(12.12, 6.0), **METRIC), "other-size") is None


@pytest.mark.parametrize(("off_m", "state"), [(0.0012, "set"), (0.0017, "moved")])
def test_switching_units_flips_no_tick(off_m: float, state: str) -> None:
    """A peg 1.2 mm off: more than a millimetre, less than 1/16 in (1.5875 mm). It stands in both units, or in none."""
    record = SiteRecord(set_at_m={"peg:L2": 1.0 + off_m})
    for units in ("feet", "metric"):
        plan = make_plan(record, **{**METRIC, "tape": {"units": units}})
        marks = next(each for each in plan.strips if each.id == "peg:L").marks
        assert marks[1].state == state, units
