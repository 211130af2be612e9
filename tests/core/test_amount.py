"""Loads, volumes, rain and the rest, as typed and as printed."""

import math

import pytest
from hypothesis import given
from hypothesis import strategies as st

from obtegum.core.values.amount import AmountKind, amount_step, amount_text, parse_amount
from obtegum.core.values.quantity import LengthError, Units


@pytest.mark.parametrize(
    ("text", "kind", "units", "value"),
    [
        ("25", "share", "metric", 0.25),
        ("12.5 %", "share", "feet", 0.125),
        ("85", "load", "metric", 0.085),
        ("3 cu ft", "load", "metric", 3 * 0.3048**3),
        ("2", "volume", "feet", 2 * 0.9144**3),
        ("1,5 m3", "volume", "metric", 1.5),
        ("50", "rain", "metric", 0.05 / 3600),
        ("2 in/h", "rain", "metric", 2 * 0.0254 / 3600),
        ("-63.25", "degrees", "metric", -63.25),
        ("1:100", "share", "metric", 0.01),
        ("1 in 80", "share", "feet", 0.0125),
        ("1/8 in per ft", "share", "feet", 1 / 96),
        ('1/4" per foot', "share", "metric", 1 / 48),
        ("1 1/2 in per 10 ft", "share", "feet", 1.5 / 120),
        ("1 cm per m", "share", "metric", 0.01),
        ("10 mm/m", "share", "metric", 0.01),
        ("1 %", "share", "feet", 0.01),
        ("1", "share", "feet", 0.01),
        ("1:1.5", "slope", "metric", 1.5),
        ("2:1", "slope", "feet", 2.0),
        ("1 : 0.5", "slope", "feet", 0.5),
        ("1.5", "slope", "metric", 1.5),
        ("50 %", "slope", "metric", 2.0),
        ("45 30 44 N", "latitude", "metric", 45 + 30 / 60 + 44 / 3600),
        ("45° 30.7' N", "latitude", "feet", 45 + 30.7 / 60),
        ("s 45.5", "latitude", "feet", -45.5),
        ("72°18'36\" W", "longitude", "feet", -72.31),
        ("-72.31", "longitude", "metric", -72.31),
        ("63.5°", "degrees", "feet", 63.5),
        ("100", "torque", "feet", 100 * 4.4482216152605 * 0.3048),
        ("5 min", "minutes", "feet", 300.0),
        ("100 lb/cu ft", "density", "feet", 100 * 0.45359237 / 0.3048**3),
    ],
)
def test_amounts_as_typed(text: str, kind: AmountKind, units: Units, value: float) -> None:
    assert parse_amount(text, kind, units) == pytest.approx(value)


@pytest.mark.parametrize(
    ("text", "kind", "units", "told"),
    [
        ("lots", "load", "metric", "Write a number, in L"),
        ("", "share", "feet", "Write a number, in %"),
        ("-5", "load", "metric", "below zero"),
        ("5 m", "load", "metric", "Write it in L"),
        ("1,5", "volume", "feet", "Leave out the comma"),
        ("1:0", "share", "feet", "over nothing"),
        ("0 %", "slope", "feet", "falls"),
        ("45 30 N", "longitude", "feet", "E or W"),
        ("-45 N", "latitude", "feet", "not both"),
        ("45 61", "latitude", "feet", "up to 60"),
        ("45.5 30", "latitude", "feet", "Only the last"),
        ("N 45 N", "latitude", "feet", "Write degrees like"),
    ],
)
def test_what_is_no_amount_is_said(text: str, kind: AmountKind, units: Units, told: str) -> None:
    with pytest.raises(LengthError, match=told):
        parse_amount(text, kind, units)


def test_amounts_as_printed() -> None:
    assert amount_text(12.34, "volume", "metric") == "12.3 m³"
    assert amount_text(12.31, "volume", "metric", "up") == "12.4 m³"
    assert amount_text(0.00612, "flow", "metric", "down") == "6.1 L/s"
    assert amount_text(9071.85, "mass", "feet") == "10 tons"
    assert amount_text(4_500_000.0, "mass", "metric") == "4,500 t"
    assert amount_text(-63.25, "degrees", "feet") == "−63.25°"
    assert amount_text(1.5, "slope", "metric") == "1 : 1.5"
    assert amount_text(100.0, "torque", "feet", "up") == "74 lb·ft"
    with pytest.raises(ValueError, match="finite"):
        amount_text(math.inf, "share", "feet")


KINDS = ["share", "torque", "load", "volume", "mass", "density", "rain", "flow", "minutes", "hours"]


@given(st.sampled_from(KINDS), st.sampled_from(["feet", "metric"]), st.integers(0, 5000))
def test_what_is_printed_is_read_back(kind: AmountKind, units: Units, steps: int) -> None:
    value = steps * amount_step(kind, units)
    assert parse_amount(amount_text(value, kind, units).replace(",", ""), kind, units) == pytest.approx(value)
