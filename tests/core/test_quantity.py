"""Lengths: as typed, as printed, and there and back."""

import math

import pytest
from hypothesis import given
from hypothesis import strategies as st

from obtegum.core.values.quantity import (
    FOOT_M,
    INCH_M,
    Bare,
    LengthError,
    Tape,
    Units,
    angle_text,
    area_text,
    length_text,
    other_readings,
    parse_length,
    percent_text,
    size_text,
    tube_text,
)

FEET = Tape(units="feet")
METRIC = Tape(units="metric")


@pytest.mark.parametrize(
    ("text", "inches"),
    [
        ("7' 4 1/2\"", 88.5),
        ("7' 4 1/2", 88.5),
        ("7'4-1/2\"", 88.5),
        ("7-4.5", 88.5),
        ("7-4 1/2", 88.5),
        ("7 4 1/2", 88.5),
        ("7 ft 4.5 in", 88.5),
        ("7ft. 4in.", 88),
        ("7 feet and 4 inches", 88),
        ("88 1/2 in", 88.5),
        ('88.5"', 88.5),
        ("88½ in", 88.5),
        ("7′ 4½″", 88.5),
        ("7’ 4”", 88),
        ("7'4''", 88),
        ("5/8 in", 0.625),
        ("7.5", 90),
        ("7 1/2", 90),
        (".5", 6),
        ("2.25 m", 2.25 / INCH_M),
        ("225cm", 2.25 / INCH_M),
        ("2250 mm", 2.25 / INCH_M),
        ("7' 1/2\"", 84.5),
        ("0", 0),
    ],
)
def test_feet_houses_read_every_usual_way(text: str, inches: float) -> None:
    assert parse_length(text, "feet") == pytest.approx(inches * INCH_M, abs=1e-12)


@pytest.mark.parametrize(
    ("text", "metres"),
    [
        ("2.25", 2.25),
        ("2,25", 2.25),
        ("2,25 m", 2.25),
        ("225 cm", 2.25),
        ("2 m 25", 2.25),
        ("2 m 25 cm", 2.25),
        ("2m 250mm", 2.25),
        ("7' 4 1/2\"", 88.5 * INCH_M),
        ("7 ft", 7 * FOOT_M),
    ],
)
def test_metric_houses_read_every_usual_way(text: str, metres: float) -> None:
    assert parse_length(text, "metric") == pytest.approx(metres, abs=1e-12)


@pytest.mark.parametrize(
    ("text", "units", "bare", "metres"),
    [
        ("6", "feet", "fine", 6 * INCH_M),
        ("6", "metric", "fine", 0.006),
        ("150", "metric", "fine", 0.15),
        ("30", "feet", "floor", 30 * INCH_M),
        ("75", "metric", "floor", 0.75),
        ("1 1/2", "feet", "fine", 1.5 * INCH_M),
        ("1.66", "feet", "tube", 1.66 * INCH_M),
        ("42.4", "metric", "tube", 0.0424),
        ("2-6", "feet", "floor", 30 * INCH_M),
        ("0.75 m", "metric", "floor", 0.75),
        ("2' 6", "metric", "fine", 30 * INCH_M),
    ],
)
def test_a_bare_number_is_in_the_unit_of_its_kind(text: str, units: Units, bare: Bare, metres: float) -> None:
    assert parse_length(text, units, bare) == pytest.approx(metres, abs=1e-12)


def test_a_bare_number_has_other_readings() -> None:
    assert other_readings("48", "feet") == pytest.approx([48 * INCH_M, 48.0])
    assert other_readings("0.15", "metric", "fine") == pytest.approx([0.0015, 0.15])
    assert other_readings("48 in", "feet") == other_readings("4' 6", "feet") == other_readings("wide", "feet") == []


@pytest.mark.parametrize("text", ["5' 14\"", "5-14", "5 ft 14 in", "5 14"])
def test_twelve_inches_and_more_after_feet_are_asked_about(text: str) -> None:
    with pytest.raises(LengthError, match="in all; write it so") as refusal:
        parse_length(text, "feet")
    assert refusal.value.offer == "6' 2\""
    assert parse_length(refusal.value.offer, "feet") == pytest.approx(74 * INCH_M)


def test_tubes_are_told_as_the_trade_says_them() -> None:
    assert (tube_text(0.0424, "metric"), tube_text(0.002, "metric")) == ("42.4 mm", "2.0 mm")
    assert (tube_text(1.66 * INCH_M, "feet"), tube_text(0.065 * INCH_M, "feet")) == ('1.660"', '0.065"')
    assert (tube_text(0.04245, "metric", "down"), tube_text(0.04241, "metric", "up")) == ("42.4 mm", "42.5 mm")


@pytest.mark.parametrize("units", ["feet", "metric"])
@pytest.mark.parametrize(
    "text",
    [
        "", "   ", "wide", "7 yards", "-3", "−3'", "7' 4' 2\"", "4\" 7'", "1/0", "7--4", "7' -", "1e9999", "nan", "inf",
        "7' 4 1/2\" 3", "'", "5 5 5 5", "9" * 400, "2 cm 3 m", "1.2.3", "2,2,5",
    ],
)  # fmt: skip
def test_what_is_no_length_gets_a_sentence(text: str, units: str) -> None:
    with pytest.raises(LengthError) as refusal:
        parse_length(text, units)  # type: ignore[arg-type]
    assert str(refusal.value).endswith(".")
    assert str(refusal.value)[0].isupper()


def test_a_comma_is_a_decimal_sign_in_metric_houses_only() -> None:
    with pytest.raises(LengthError, match="comma"):
        parse_length("1,000 m", "feet")
    with pytest.raises(LengthError):
        parse_length("7-4", "metric")


@pytest.mark.parametrize(
    ("inches", "text"),
    [
        (0, '0"'),
        (0.5, '1/2"'),
        (6, '6"'),
        (12, "1' 0\""),
        (12.5, "1' 0 1/2\""),
        (88.5, "7' 4 1/2\""),
        (728.9375, "60' 8 15/16\""),
        (-3, '−3"'),
        (11.99, "1' 0\""),
    ],
)
def test_feet_are_printed_as_the_tape_shows_them(inches: float, text: str) -> None:
    assert length_text(inches * INCH_M, FEET) == text


@pytest.mark.parametrize(
    ("metres", "text"),
    [(0.0, "0 mm"), (0.5588, "559 mm"), (0.9996, "1.000 m"), (18.516, "18.516 m"), (300, "300.000 m")],
)
def test_metres_are_printed_as_the_tape_shows_them(metres: float, text: str) -> None:
    assert length_text(metres, METRIC) == text


def test_clearances_go_down_and_demands_up() -> None:
    value = 10.03 * INCH_M
    assert length_text(value, FEET, "down") == '10"'
    assert length_text(value, FEET, "up") == '10 1/16"'
    assert length_text(10 * INCH_M, FEET, "up") == length_text(10 * INCH_M, FEET, "down") == '10"'
    assert percent_text(0.9001) == "91 %"
    assert percent_text(0.9) == "90 %"
    assert angle_text(math.radians(2.04), "up") == "2.1°"
    assert area_text(18.99, METRIC) == "18.9 m²"
    assert area_text(1197 * FOOT_M**2, FEET) == "1,197 sq ft"


def test_sizes_are_short() -> None:
    assert size_text(21 * FOOT_M, 57 * FOOT_M, FEET) == "21' × 57'"
    assert size_text(22.5 * FOOT_M, 10.25 * FOOT_M, FEET) == "22' 6\" × 10' 3\""
    assert size_text(7.35, 26.2, METRIC) == "7.350 × 26.200 m"


def test_nothing_infinite_is_printed() -> None:
    with pytest.raises(ValueError, match="finite"):
        length_text(math.nan, FEET)


@given(st.integers(0, 1000 * 12 * 64))
def test_any_sixty_fourth_comes_back(count: int) -> None:
    tape = Tape(units="feet", inch_parts=64)
    value = count * INCH_M / 64
    text = length_text(value, tape)
    assert length_text(parse_length(text, "feet"), tape) == text
    assert parse_length(text, "feet") == pytest.approx(value, abs=1e-9)


@given(st.integers(0, 1_000_000))
def test_any_millimetre_comes_back(count: int) -> None:
    text = length_text(count / 1000, METRIC)
    assert parse_length(text, "metric") == pytest.approx(count / 1000, abs=1e-9)
    assert parse_length(text, "feet") == pytest.approx(count / 1000, abs=1e-9)


tapes = st.one_of(
    st.builds(lambda parts: Tape(units="feet", inch_parts=parts), st.sampled_from([2, 4, 8, 16, 32, 64])),
    st.builds(lambda step: Tape(units="metric", mm_step=step), st.sampled_from([1, 2, 5, 10])),
)


@given(st.floats(0, 300), tapes)
def test_a_reading_is_within_half_a_step_of_exact(value: float, tape: Tape) -> None:
    read = parse_length(length_text(value, tape), tape.units)
    assert abs(read - value) <= tape.step_m / 2 + 1e-9


@given(st.text(max_size=30), st.sampled_from(["feet", "metric"]))
def test_no_text_breaks_the_reader(text: str, units: str) -> None:
    try:
        value = parse_length(text, units)  # type: ignore[arg-type]
    except LengthError:
        return
    assert math.isfinite(value)
    assert value >= 0
