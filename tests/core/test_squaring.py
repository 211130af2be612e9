"""What each way of squaring leaves, against a Monte-Carlo of the method itself."""

import math
import random
import statistics

import pytest
from hypothesis import given
from hypothesis import strategies as st

from obtegum.core.documents.house import SiteRecord
from obtegum.core.documents.square_up import Taping
from obtegum.core.drawing.items import Note, Outline
from obtegum.core.findings.skeleton.bays import pegs_of
from obtegum.core.formulas.setout.squaring import Base, Method, Tapes, angle_error, base_error, fence_error, methods
from obtegum.core.values.quantity import FOOT_M, INCH_M, length_text
from tests.conftest import answer, make_bench, make_plan, verdict

ERROR = 0.003
ROUNDS = 4000


def tapes(longest_m: float, error_m: float = ERROR, second_m: float | None = None) -> Tapes:
    return Tapes(longest_m=longest_m, second_m=second_m, error_m=error_m)


def method(found: list[Method], name: str) -> Method:
    return next(each for each in found if each.id == name)


def crossing(
    first: tuple[float, float], first_m: float, second: tuple[float, float], second_m: float
) -> tuple[float, float]:
    """Where a tape from each of two points on the base line crosses, away from the line (y > 0)."""
    apart = second[0] - first[0]
    x = (first_m**2 - second_m**2 + apart**2) / (2 * apart)
    return first[0] + x, math.sqrt(first_m**2 - x**2)


def set_corner(
    chance: random.Random, corner: float, toward: float, along: float, leg: float, away: float
) -> tuple[float, float]:
    """A far corner set by hand: peg the triangle's foot on the line, cross two tapes, carry the leg on."""

    def misread(value: float) -> float:
        return value + chance.gauss(0, ERROR)

    # The tape lies from the corner to the foot of the triangle; the foot ends up where it was misread.
    foot = corner + math.copysign(misread(along), toward)
    x, y = crossing((corner, 0), misread(leg), (foot, 0), misread(math.hypot(along, leg)))
    scale = away / math.hypot(x - corner, y)
    return corner + (x - corner) * scale, y * scale


def set_from_fence(chance: random.Random, half: float, tape: float, fence: float, width: float) -> float:
    """How far a far corner slides against its near one, set where two equal tapes from two marks on a fence cross."""
    one, other = -half + chance.gauss(0, ERROR), half + chance.gauss(0, ERROR)
    x, y = crossing((one, 0), tape + chance.gauss(0, ERROR), (other, 0), tape + chance.gauss(0, ERROR))
    # The string from the foot to the crossing is where the near corner lies too.
    return x * width / (fence + width) if y > 0 else math.nan


def simulate(chosen: Method, length: float, width: float, base: Base) -> tuple[float, float]:
    """Spread of a far corner along the base, and of the difference of the diagonals."""
    chance = random.Random(7)
    built_on, away = (width, length) if base == "short" else (length, width)
    skews, differences = [], []
    for _ in range(ROUNDS):
        near = set_corner(chance, 0.0, 1.0, chosen.along_m, chosen.across_m, away)
        if chosen.id not in ("triple", "small-triple"):
            far = set_corner(chance, built_on, -1.0, chosen.along_m, chosen.across_m, away)
        else:
            far = (near[0] + built_on, near[1])
        skews.append(near[0])
        differences.append(math.hypot(*far) - math.hypot(built_on - near[0], near[1]))
    return statistics.pstdev(skews), statistics.pstdev(differences)


@pytest.mark.parametrize("base", ["long", "short"])
@pytest.mark.parametrize(("length", "width", "tape"), [(26.2, 7.35, 60.0), (26.2, 7.35, 15.0), (12.0, 5.5, 30.0)])
def test_printed_skews_agree_with_the_method_itself(base: Base, length: float, width: float, tape: float) -> None:
    for chosen in methods(length, width, tapes(tape), base, 1.0):
        skew, difference = simulate(chosen, length, width, base)
        # 4000 rounds know a spread to about 1.1 %; four of those.
        assert chosen.skew_m == pytest.approx(skew, rel=0.05), chosen.id
        assert chosen.difference_m == pytest.approx(difference, rel=0.06), chosen.id


@pytest.mark.parametrize(("length", "width", "tape", "fence"), [(26.2, 7.35, 30.0, 1.5), (20.0, 6.0, 12.0, 4.0)])
def test_squaring_from_a_fence_agrees_with_the_method_itself(
    length: float, width: float, tape: float, fence: float
) -> None:
    chosen = method(methods(length, width, tapes(tape), "fence", 1.0, fence), "fence")
    assert chosen.reaches
    chance = random.Random(8)
    slid = [set_from_fence(chance, chosen.along_m, chosen.diagonal_m, fence, width) for _ in range(ROUNDS)]
    assert chosen.skew_m == pytest.approx(statistics.pstdev(slid), rel=0.05)


def test_a_fence_by_hand() -> None:
    # Marks 3 m to each side, tapes of 5 m: √(½ + 25/18)·3 mm = 4.12 mm at 4 m from the fence.
    assert fence_error(3.0, 5.0, 0.003) == pytest.approx(0.003 * math.sqrt(0.5 + 25 / 18))
    told = steps(set_out__base="fence", set_out__fence_m=4 * FOOT_M)
    assert told[0].startswith("Stretch a string along the fence: fences wander.")
    assert "set A and B 4' 0\" out" in told[0]
    from_fence = steps(set_out__base="fence", set_out__method="fence", set_out__fence_m=4 * FOOT_M)
    # Half of 57 ft to each side, 25 ft high: √(28.5² + 25²) ft = 37.911 ft = 37 ft 10 15/16 in.
    assert "mark 28' 6\" to each side of B’s foot. Tape 1 from one reads 37' 10 15/16\"" in from_fence[2]


def test_a_tape_that_restarts_adds_its_error() -> None:
    # 57 ft by a 25 ft tape: three lengths, √3 · 1/8 in.
    few = Tapes(longest_m=25 * FOOT_M, error_m=INCH_M / 8)
    assert base_error(57 * FOOT_M, few) == pytest.approx(INCH_M / 8 * math.sqrt(3))
    assert base_error(25 * FOOT_M, few) == pytest.approx(INCH_M / 8)
    plan = make_plan(set_out__tape_m=25 * FOOT_M, set_out__reading_error_m=INCH_M / 8)
    # 0.217 in, and never told as less.
    assert answer(plan, "set-out", "restart") == '1/4"'
    assert "R1 at 25' 0\", R2 at 50' 0\"" in steps(set_out__tape_m=25 * FOOT_M)[0]
    chance = random.Random(5)
    ends = [sum(chance.gauss(0, INCH_M / 8) for _ in range(3)) for _ in range(ROUNDS)]
    assert statistics.pstdev(ends) == pytest.approx(base_error(57 * FOOT_M, few), rel=0.05)


def test_two_tapes_cross_at_once_only_if_both_reach() -> None:
    def crossed(second_m: float | None) -> Method:
        return method(methods(57 * FOOT_M, 21 * FOOT_M, tapes(100 * FOOT_M, ERROR, second_m), "long", FOOT_M), "whole")

    assert crossed(25 * FOOT_M).at_once
    assert crossed(25 * FOOT_M).people == 3
    for second_m in (None, 20 * FOOT_M):
        assert not crossed(second_m).at_once
        assert crossed(second_m).people == 2
        assert crossed(second_m).reaches
    told = steps(set_out__second_tape_m=None)
    assert told[1].startswith("Scratch an arc at 21' 0\" from B and one at 60' 8 15/16\" from A")


@pytest.mark.parametrize(("to", "tube_in"), [("posts", 1.66), ("bows", 1.375)])
def test_strings_on_the_outside_are_a_tube_longer(to: str, tube_in: float) -> None:
    plan = make_plan(set_out__to=to)
    length_m, width_m = 57 * FOOT_M + tube_in * INCH_M, 21 * FOOT_M + tube_in * INCH_M
    assert answer(plan, "set-out", "base") == length_text(length_m, plan.tape)
    assert answer(plan, "set-out", "diagonal") == length_text(math.hypot(length_m, width_m), plan.tape)
    # To each post's near face the running readings stay as they were.
    assert [peg.station_m for peg in pegs_of(make_bench(set_out__to=to))] == [
        peg.station_m for peg in pegs_of(make_bench())
    ]
    assert "near face" in next(strip.about for strip in plan.strips if strip.id == "peg:L")


def test_each_step_has_a_drawing_of_its_own() -> None:
    for changes in ({}, {"set_out__base": "fence"}, {"set_out__method": "triple"}, {"set_out__tape_m": 25 * FOOT_M}):
        plan = make_plan(**changes)
        views = {each.view: each for each in plan.drawings}
        told = next(each.how for each in plan.steps if each.id == "set-out")
        for each in told:
            drawing = views[each.view or ""]
            assert drawing.summary == each.words
            lines = [item for item in drawing.items if isinstance(item, Outline) and item.layer == "string"]
            assert lines
            # What a tape is lettered with is as long as it is drawn.
            for item in lines:
                if item.part.startswith("tape:") and item.label != "tape":
                    (a, b) = item.path
                    assert item.label == length_text(math.hypot(b.x - a.x, b.y - a.y), plan.tape)


def test_an_angle_by_hand() -> None:
    # 3-4-5 in metres, each read to 3 mm: 0.003·√((5/12)² + (1/3)² + (1/4)²) = 0.003·0.5893 = 0.001768.
    assert angle_error(4, 3, 0.003) == pytest.approx(0.0017678, abs=1e-7)


def test_why_a_small_triangle_on_the_short_side_is_poor() -> None:
    # A 3-4-5 in feet at 1/8 in walks the far end of 57 ft by 57 · 0.589 · 1/8 in, which is over 4 in;
    # the whole diagonal leaves about half an inch.
    error = INCH_M / 8
    found = methods(57 * FOOT_M, 21 * FOOT_M, tapes(100 * FOOT_M, error), "short", FOOT_M)
    assert method(found, "small-triple").skew_m == pytest.approx(57 * error * 0.58926, rel=1e-4)
    assert method(found, "small-triple").skew_m > 4 * INCH_M
    assert method(found, "whole").skew_m < 0.6 * INCH_M
    assert found[0].id == "whole"


def test_what_the_tape_does_not_reach_comes_last() -> None:
    found = methods(57 * FOOT_M, 21 * FOOT_M, tapes(50 * FOOT_M, INCH_M / 8), "long", FOOT_M)
    assert found[-1].id == "whole"
    assert not found[-1].reaches
    assert found[0].id == "parts"
    assert method(found, "parts").parts == 2
    # Two parts of 28 ft 6 in: the second tape reads √(28.5² + 21²) ft = 35.401 ft.
    assert method(found, "parts").diagonal_m == pytest.approx(35.401 * FOOT_M, abs=1e-3)
    assert method(found, "ends").diagonal_m == pytest.approx(21 * math.sqrt(2) * FOOT_M)


def steps(**changes: object) -> tuple[str, ...]:
    found = next(each.how for each in make_plan(**changes).steps if each.id == "set-out")
    return tuple(each.words for each in found)


def test_steps_say_where_tapes_start_and_what_they_read() -> None:
    # 57 ft × 21 ft with a 50 ft tape: two parts of 28 ft 6 in, √(28.5² + 21²) ft = 35 ft 4 13/16 in.
    told = steps(set_out__tape_m=50 * FOOT_M)
    assert "the tape restarts at a peg R1 at 50' 0\"" in told[0]
    assert "Tape 1 from B reads 21' 0\", tape 2 from a peg 28' 6\" back from B reads 35' 4 13/16\"" in told[1]
    assert "set C" in told[1]
    assert "set D" in told[2]
    assert "both diagonals of each half read 35' 4 13/16\"" in told[-1]
    assert "both diagonals read 60' 8 15/16\"" in steps(set_out__tape_m=100 * FOOT_M)[-1]
    whole = steps()
    assert "tape 2 from A reads 60' 8 15/16\": where they cross, set C." in whole[1]


def test_a_triangle_on_the_short_side_is_run_on_to_the_far_end() -> None:
    told = steps(set_out__base="short", set_out__method="small-triple")
    assert told[0] == "String the base line A to D, 21' 0\"."
    assert "From A peg 4' 0\"" in told[1]
    assert "reads 3' 0\"" in told[1]
    assert "reads 5' 0\"" in told[1]
    assert told[2] == "Run the square line on to 57' 0\" from A: that is B."


def test_a_method_that_is_not_open_gives_way_to_the_best() -> None:
    plan = make_plan(size__length_m=3.0, size__span_m=4.0, bows__max_spacing_m=1.0, set_out__method="ends")
    assert "ends" not in {option.id for option in plan.measures["set_out.method"].options}
    assert next(each.how for each in plan.steps if each.id == "set-out")


def test_the_tapes_drawn_are_as_long_as_they_read() -> None:
    tapes: list[dict[str, object]] = [
        {},
        {"set_out__tape_m": 50 * FOOT_M},
        {"set_out__base": "short", "set_out__method": "triple"},
        {"set_out__base": "short"},
    ]
    for changes in tapes:
        plan = make_plan(**changes)
        above = next(each for each in plan.drawings if each.view == "above")
        tape = next(item for item in above.items if isinstance(item, Outline) and item.part == "tape:2")
        words = next(item for item in above.items if isinstance(item, Note) and item.part == "tape:2")
        (a, b) = tape.path
        assert words.text == f"tape 2 reads {length_text(math.hypot(b.x - a.x, b.y - a.y), plan.tape)}"


@given(st.floats(1, 300), st.floats(1.5, 20), st.floats(1, 200), st.sampled_from(["long", "short"]))
def test_ways_are_ranked_and_within_base_and_tape(length: float, width: float, tape: float, base: Base) -> None:
    found = methods(length, width, tapes(tape), base, FOOT_M)
    reached = [each for each in found if each.reaches]
    assert [each.skew_m for each in reached] == sorted(each.skew_m for each in reached)
    assert found[: len(reached)] == reached
    built_on, away = (width, length) if base == "short" else (length, width)
    for each in found:
        assert each.along_m <= built_on * (1 + 1e-9)
        assert each.across_m <= away * (1 + 1e-9)
        assert each.diagonal_m == pytest.approx(math.hypot(each.along_m, each.across_m))


def test_with_one_tape_the_drawing_speaks_of_arcs() -> None:
    above = next(each for each in make_plan(set_out__second_tape_m=None).drawings if each.view == "above")
    words = next(item for item in above.items if isinstance(item, Note) and item.part == "tape:2")
    assert words.text == "second arc 60' 8 15/16\""


@pytest.mark.parametrize("reads_m", [0.02, 0.5])
def test_readings_that_fold_the_base_flat_are_told_so(reads_m: float) -> None:
    # Six readings alike: four corners as far from each other as that don't lie in a plane.
    lines = ("ab_m", "dc_m", "ad_m", "bc_m", "ac_m", "bd_m")
    record = SiteRecord(taped=Taping(**dict.fromkeys(lines, reads_m)))
    found = verdict(make_plan(record), "tape-closes")
    assert found.level == "fails"
    assert "folded flat" in found.sentence or "can’t all be right" in found.sentence
