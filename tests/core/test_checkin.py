"""Six taped lines: the moves come back, the noise stays within what is expected, slips are noticed."""

import contextlib
import math
import random
import statistics

import pytest
from hypothesis import given
from hypothesis import strategies as st

from obtegum.core.documents.house import SiteRecord
from obtegum.core.documents.job import Job
from obtegum.core.documents.square_up import Taping
from obtegum.core.face.edit import Edit
from obtegum.core.formulas.setout.checkin import CheckIn, TapeMisfit, check_in, planned_lines
from obtegum.core.formulas.setout.lines import LINES, Line
from obtegum.core.house.edits import apply_edits
from obtegum.core.rooms.square_up.again import taped_anew
from obtegum.core.values.catalogue import default_catalogue
from obtegum.core.values.quantity import FOOT_M, INCH_M
from obtegum.core.values.trouble import DesignError
from tests.conftest import answer, make_house, make_plan, verdict

L, W, ERROR = 20.0, 6.5, 0.003
Corners = dict[str, tuple[float, float]]


def measured(corners: Corners) -> dict[Line, float]:
    return {line: math.dist(corners[line[0].upper()], corners[line[1].upper()]) for line in LINES}


def standing(b: float, c: tuple[float, float], d: tuple[float, float], length: float = L, width: float = W) -> Corners:
    """Corners that are off by so much: B along A–B, C and D both ways."""
    return {
        "A": (0.0, 0.0),
        "B": (length + b, 0.0),
        "C": (length + c[0], width + c[1]),
        "D": (d[0], width + d[1]),
    }


off = st.floats(-0.4, 0.4)


@given(st.floats(4, 200), st.floats(3, 20), off, st.tuples(off, off), st.tuples(off, off))
def test_exact_readings_give_back_the_moves(length: float, width: float, b: float, c: tuple, d: tuple) -> None:  # type: ignore[type-arg]
    found = check_in(measured(standing(b, c, d, length, width)), length, width, ERROR)
    moves = {move.corner: (move.along_m, move.across_m) for move in found.moves}
    assert moves["B"] == pytest.approx((-b, 0.0), abs=1e-4)
    assert moves["C"] == pytest.approx((-c[0], -c[1]), abs=1e-4)
    assert moves["D"] == pytest.approx((-d[0], -d[1]), abs=1e-4)
    assert found.closes
    assert found.misclosure_m == pytest.approx(0.0, abs=1e-6)


def test_noise_stays_within_the_expected_spread() -> None:
    """The spread of the moves is the one that the normal equations foretell, and the misclosure has one reading's."""
    np = pytest.importorskip("numpy")
    chance, true = random.Random(3), standing(0.1, (0.2, -0.05), (-0.15, 0.02))
    exact = measured(true)

    def place(corner: str, axis: int, noise: dict[Line, float]) -> float:
        return check_in({line: exact[line] + noise[line] for line in LINES}, L, W, ERROR).corners[corner][axis]

    nothing = dict.fromkeys(LINES, 0.0)
    for corner, axis in (("B", 0), ("C", 0), ("C", 1), ("D", 0), ("D", 1)):
        # How the place follows each reading, by differences; each reading is off on its own.
        at = place(corner, axis, nothing)
        slopes = [(place(corner, axis, {**nothing, line: 1e-5}) - at) / 1e-5 for line in LINES]
        expected = ERROR * math.sqrt(sum(slope**2 for slope in slopes))
        seen = [place(corner, axis, {line: chance.gauss(0, ERROR) for line in LINES}) - at for _ in range(300)]
        assert statistics.pstdev(seen) == pytest.approx(expected, rel=0.16), (corner, axis)
        assert abs(float(np.mean(seen))) < 4 * expected / math.sqrt(300)
    misfits = [
        check_in({line: exact[line] + chance.gauss(0, ERROR) for line in LINES}, L, W, ERROR).misclosure_m or 0.0
        for _ in range(300)
    ]
    assert statistics.pstdev(misfits) == pytest.approx(ERROR, rel=0.16)


def test_equal_sides_by_hand() -> None:
    # 20 m × 6.5 m, far side slid 100 mm from A toward B: d1² − d2² = 4·L·δ, δ = 0.1.
    d1, d2 = math.hypot(L + 0.1, W), math.hypot(L - 0.1, W)
    assert (d1**2 - d2**2) / (4 * L) == pytest.approx(0.1)
    found = check_in(
        {"ab": L, "dc": L, "ad": math.hypot(0.1, W), "bc": math.hypot(0.1, W), "ac": d1, "bd": d2}, L, W, ERROR
    )
    for corner in ("C", "D"):
        move = next(each for each in found.moves if each.corner == corner)
        assert move.along_m == pytest.approx(-0.1, abs=1e-6)
    # Two diagonals alone, sides taken as planned, tell nearly the same.
    alone = check_in({"ac": d1, "bd": d2}, L, W, ERROR)
    assert all(move.along_m == pytest.approx(-0.1, abs=0.002) for move in alone.moves if move.corner in "CD")
    assert alone.closes is None


def test_a_difference_of_diagonals_alone_is_not_enough() -> None:
    """Diagonals alike on a base that is no rectangle: a keystone, whose far side is longer."""
    keystone = standing(0.0, (0.2, 0.0), (-0.2, 0.0))
    readings = measured(keystone)
    assert readings["ac"] == pytest.approx(readings["bd"])
    found = check_in(readings, L, W, ERROR)
    assert found.largest.size_m == pytest.approx(0.2, abs=1e-4)


@pytest.mark.parametrize("line", ["ab", "dc", "ac", "bd"])
@pytest.mark.parametrize(
    ("slip", "what"),
    [
        (FOOT_M, "a foot too long"),
        (-FOOT_M, "a foot too short"),
        (0.1, "ten centimetres too long"),
        (-INCH_M, "an inch too short"),
        (0.04, "the tape hooked around its peg"),
    ],
)
def test_usual_slips_are_named(line: Line, slip: float, what: str) -> None:
    readings = measured(standing(0.02, (0.05, 0.01), (0.04, -0.02)))
    right, units = readings[line], "metric" if "centi" in what else "feet"
    found = check_in({**readings, line: right + slip}, L, W, ERROR, units=units)  # type: ignore[arg-type]
    assert found.closes is False
    # Nobody who reads one kind of tape is asked about the other's marks.
    other = ("foot", "inch", "feet") if units == "metric" else ("metre",)
    assert not [each for each in found.slips if any(name in each.what for name in other)]
    named = [each for each in found.slips if each.line == line and each.what == what]
    assert named and named[0].reads_m == pytest.approx(right, abs=1e-9)


def test_decimal_feet_and_a_whole_foot_are_named() -> None:
    # 60.7 ft read off as 60' 7", on a base whose diagonal is 60.7 ft; and a diagonal rounded to 61 ft.
    length = math.sqrt(60.7**2 - 21**2) * FOOT_M
    exact = planned_lines(length, 21 * FOOT_M)
    wrote = check_in({**exact, "ac": (60 + 7 / 12) * FOOT_M}, length, 21 * FOOT_M, ERROR)
    assert ("ac", "decimal feet read as feet and inches") in {(each.line, each.what) for each in wrote.slips}
    rounded = check_in({**exact, "bd": 61 * FOOT_M}, length, 21 * FOOT_M, ERROR)
    assert ("bd", "rounded to a whole foot") in {(each.line, each.what) for each in rounded.slips}


@given(st.sampled_from(LINES), st.floats(1.02, 3.0))
def test_a_slip_as_large_as_said_shows(line: Line, times: float) -> None:
    readings = planned_lines(L, W)
    shows = check_in(readings, L, W, ERROR).slip_shows_m(line)
    slipped = {**readings, line: readings[line] + shows * times}
    with contextlib.suppress(TapeMisfit):
        assert check_in(slipped, L, W, ERROR).closes is False
    assert check_in({**readings, line: readings[line] + shows * 0.9}, L, W, ERROR).closes


def test_a_triangle_that_cannot_close_is_named() -> None:
    with pytest.raises(TapeMisfit) as raised:
        check_in({"ab": 20.0, "bc": 6.5, "ac": 27.0}, L, W, ERROR)
    assert set(raised.value.lines) == {"ab", "bc", "ac"}
    assert raised.value.longest == "ac"
    assert raised.value.over_m == pytest.approx(0.5)


NOTHING = SiteRecord()


def taped(record: SiteRecord = NOTHING, **readings: float) -> SiteRecord:
    return record.model_copy(
        update={"taped": Taping.model_validate({f"{line}_m": at for line, at in readings.items()})}
    )


def plan_taped(corners: Corners, **slips: float):  # type: ignore[no-untyped-def]
    readings = {line: at + slips.get(line, 0.0) for line, at in measured(corners).items()}
    return make_plan(
        taped(**readings), size__length_m=L, size__span_m=W, tape__units="metric", set_out__reading_error_m=ERROR
    )


def test_the_bench_says_which_peg_moves_which_way() -> None:
    plan = plan_taped(standing(0.0, (0.3, 0.0), (0.3, 0.0)))
    assert answer(plan, "square-up", "move_C") == "300 mm toward D"
    assert answer(plan, "square-up", "move_D") == "300 mm away from C"
    assert answer(plan, "square-up", "move_B") == "stays"
    assert verdict(plan, "square").level == "fails"
    fine = plan_taped(standing(0.0, (0.002, 0.0), (0.001, 0.0)))
    assert verdict(fine, "square").level == "holds"
    assert next(step for step in fine.steps if step.id == "square-up").state == "done"


def test_a_base_as_square_as_can_be_is_not_good_where_its_ends_are_too_wide() -> None:
    # 144 ft, both ends 1 3/8 in too wide: 35 mm, a thousandth of its diagonal, and bows bent for 21 ft are forced in.
    length_m, width_m, wide_m = 144 * FOOT_M, 21 * FOOT_M, 1.375 * INCH_M
    read = planned_lines(length_m, width_m + wide_m)
    plan = make_plan(taped(**read), size__length_m=length_m, size__span_m=width_m)
    found = verdict(plan, "square")
    assert found.level == "fails"
    assert '1 3/8" too wide' in found.sentence
    step = next(each for each in plan.steps if each.id == "square-up")
    assert "Square enough" not in step.next
    assert {"move_C", "move_D"} & {each.id for each in step.answers if each.value > 0.03}
    # Each row takes half: 24 mm in all are what posts may be out by, and half of that is good work.
    for off_m, level in ((0.011, "holds"), (-0.011, "holds"), (0.013, "tight"), (-0.023, "tight"), (0.025, "fails")):
        read = planned_lines(length_m, width_m + off_m)
        plan = make_plan(taped(**read), size__length_m=length_m, size__span_m=width_m)
        assert verdict(plan, "square").level == level, off_m


def test_a_bare_number_of_inches_is_asked_about() -> None:
    # A diagonal of 15 ft 7 in and a bit, typed as its inches.
    house = make_house(size__length_m=12 * FOOT_M, size__span_m=10 * FOOT_M)
    job = Job(house, SiteRecord())
    for text, other in (("187 3/4", "15' 7 3/4\""), ("187.75", "15' 7 3/4\"")):
        with pytest.raises(DesignError) as error:
            apply_edits(job, [Edit(measure="record.taped.ac_m", text=text)], default_catalogue())
        assert error.value.troubles[0].other == other
        assert f"Did you mean {other}?" in error.value.troubles[0].sentence
    metric = Job(make_house(tape__units="metric", size__length_m=4.0, size__span_m=3.0), SiteRecord())
    with pytest.raises(DesignError) as error:
        apply_edits(metric, [Edit(measure="record.taped.bd_m", text="503")], default_catalogue())
    assert error.value.troubles[0].other == "5.030 m"
    # What is wrong by less, or right in no other unit, is for the readings to say.
    for text in ("17 ft", "60"):
        apply_edits(job, [Edit(measure="record.taped.ac_m", text=text)], default_catalogue())


def test_no_moves_while_the_readings_disagree() -> None:
    plan = plan_taped(standing(0.0, (0.05, 0.0), (0.05, 0.0)), ac=0.1)
    step = next(step for step in plan.steps if step.id == "square-up")
    assert not any(each.id.startswith("move_") for each in step.answers)
    assert "Tape again" in step.next
    found = verdict(plan, "tape-closes")
    assert found.level == "fails"
    assert "A–C ten centimetres too long" in found.sentence
    assert not any(item.kind == "arrow" for each in plan.drawings if each.view == "taped" for item in each.items)


def test_fewer_lines_are_checked_by_nothing() -> None:
    plan = make_plan(taped(ab=57 * FOOT_M, ac=60.8 * FOOT_M))
    found = verdict(plan, "tape-closes")
    assert found.level == "unknown"
    assert "2 of 6" in found.sentence
    assert "Still to tape: D–C, A–D, B–C, B–D" in found.sentence


def test_a_tape_on_the_slope_is_brought_to_level() -> None:
    # 20 m along a fall of 1 m reads √(20² + 1²) = 20.025 m.
    record = taped(
        ab=math.hypot(20.0, 1.0),
        dc=math.hypot(20.0, 1.0),
        ad=W,
        bc=W,
        ac=math.sqrt(L**2 + W**2 + 1),
        bd=math.sqrt(L**2 + W**2 + 1),
    )
    sloping = record.model_copy(update={"taped": record.taped.model_copy(update={"held": "ground"})})
    changes = {"size__length_m": L, "size__span_m": W, "tape__units": "metric", "bows__max_spacing_m": 2.0}
    unknown = make_plan(sloping, **changes)
    assert verdict(unknown, "slope").level == "unknown"
    levels = sloping.levels.model_copy(update={"pegs": {"L1": 1.0, "L11": 2.0, "R1": 1.0, "R11": 2.0}})
    level = make_plan(sloping.model_copy(update={"levels": levels}), **changes)
    assert verdict(level, "slope").level == "holds"
    assert verdict(level, "square").level == "holds"
    assert verdict(unknown, "square").level != "holds"


def test_another_round_keeps_the_one_before() -> None:
    first = taped(**measured(standing(0.0, (0.3, 0.0), (0.3, 0.0))))
    record, words = taped_anew(Job(make_house(), first))
    assert words == "Pegs moved, taping begun again"
    assert record.taped.count == 0
    again = taped(record, **measured(standing(0.0, (0.01, 0.0), (0.0, 0.0))))
    plan = make_plan(again, size__length_m=L, size__span_m=W, tape__units="metric")
    assert answer(plan, "square-up", "taping_1") == "300 mm"
    drawing = next(each for each in plan.drawings if each.view == "taped")
    assert {"earlier", "shape"} <= {getattr(item, "part", "") for item in drawing.items}
    assert taped_anew(Job(make_house()))[0] == SiteRecord()


def test_a_found_shape_has_the_lengths_that_were_read() -> None:
    readings = measured(standing(0.1, (0.2, -0.1), (-0.1, 0.05)))
    found = check_in(readings, L, W, ERROR)
    assert isinstance(found, CheckIn)
    assert all(found.line_m(line) == pytest.approx(readings[line], abs=1e-7) for line in LINES)
