"""Bays of both schools, the base, and its pegs."""

import math
from itertools import pairwise

import pytest
from hypothesis import given
from hypothesis import strategies as st

from obtegum.core.formulas.setout.base import diagonal, pegs
from obtegum.core.formulas.setout.bays import equal_bays, fixed_bays
from obtegum.core.formulas.setout.squaring import parts_within
from obtegum.core.values.quantity import FOOT_M

lengths = st.floats(1, 300)
spacings = st.floats(0.3, 5)


def test_equal_bays_by_hand() -> None:
    # 57 ft at no more than 4 ft: 14.25 bays, so 15 of 3 ft 9 5/8 in (3.8 ft), 16 bows.
    bays = equal_bays(57, 4)
    assert (bays.count, bays.bows, bays.odd_m) == (15, 16, None)
    assert bays.bay_m == pytest.approx(3.8)
    assert bays.stations_m[7] == pytest.approx(26.6)


def test_fixed_bays_by_hand() -> None:
    # 57 ft at 4 ft: 14 whole bays and an odd one of 1 ft at the far end.
    bays = fixed_bays(57, 4)
    assert (bays.count, bays.bows) == (15, 16)
    assert bays.odd_m == pytest.approx(1)
    assert bays.stations_m[-2:] == pytest.approx((56, 57))


@pytest.mark.parametrize("divide", [equal_bays, fixed_bays])
def test_whole_numbers_make_no_odd_bay(divide) -> None:  # type: ignore[no-untyped-def]
    bays = divide(12 * FOOT_M, 4 * FOOT_M)
    assert (bays.count, bays.odd_m) == (3, None)
    assert divide(3.0, 3.0).count == 1
    # Fifteen bays of 1.2 m make 18 m although 1.2 has no exact binary form.
    assert divide(18.0, 1.2).count == 15


@given(lengths, spacings)
def test_equal_bays_are_few_and_short_enough(length: float, spacing: float) -> None:
    bays = equal_bays(length, min(spacing, length))
    assert bays.bay_m <= min(spacing, length) * (1 + 1e-8)
    if bays.count > 1:
        assert length / (bays.count - 1) > min(spacing, length) * (1 - 1e-8)
    assert bays.stations_m[-1] == length


@given(lengths, spacings)
def test_fixed_bays_end_at_the_end(length: float, spacing: float) -> None:
    bays = fixed_bays(length, min(spacing, length))
    steps = [b - a for a, b in pairwise(bays.stations_m)]
    assert sum(steps) == pytest.approx(length)
    assert all(step == pytest.approx(bays.bay_m) for step in steps[:-1])
    assert 0 < steps[-1] <= bays.bay_m * (1 + 1e-6)


def test_the_base_by_hand() -> None:
    # √(57² + 21²) = √3690 ft = 60.745 ft = 60 ft 8 15/16 in.
    assert diagonal(57, 21) == pytest.approx(math.sqrt(3690))
    found = pegs(equal_bays(57, 4), 21)
    assert len(found) == 32
    assert [peg.corner for peg in found if peg.corner] == ["A", "B", "D", "C"]
    third = next(peg for peg in found if peg.part == "peg:R3")
    assert third.station_m == pytest.approx(7.6)
    assert third.to_far_corner_m == pytest.approx(49.4)


def test_a_short_tape_squares_in_parts_by_hand() -> None:
    # Tape 50, width 21: each part's length is at most √(2500 − 441) = 45.38, so 57 goes in two.
    assert parts_within(57, 21, 50) == 2
    assert parts_within(57, 21, 61) == 1
    assert parts_within(57, 21, 21) is None


@given(lengths, st.floats(1.5, 20), st.floats(1, 100))
def test_parts_are_reached_by_the_tape(length: float, width: float, tape: float) -> None:
    parts = parts_within(length, width, tape)
    if parts is None:
        assert tape <= width
    else:
        assert diagonal(length / parts, width) <= tape * (1 + 1e-6)
        if parts > 1:
            assert diagonal(length / (parts - 1), width) > tape * (1 - 1e-6)
