"""Offset pegs and gauge boards: where they stand, what finds each peg again, and when they are too near."""

import math

import pytest

from obtegum.core.findings.skeleton.bays import pegs_of
from obtegum.core.formulas.setout.offsets import boards, offset_pegs
from obtegum.core.values.quantity import FOOT_M, length_text
from tests.conftest import answer, make_bench, make_plan, verdict

L, W, OFF = 20.0, 6.0, 1.5


def test_eight_pegs_on_the_lines_carried_on() -> None:
    pegs = {peg.name: peg.at for peg in offset_pegs(L, W, OFF)}
    assert pegs == {
        "A1": (-1.5, 0.0),
        "B1": (21.5, 0.0),
        "D1": (-1.5, 6.0),
        "C1": (21.5, 6.0),
        "A2": (0.0, -1.5),
        "D2": (0.0, 7.5),
        "B2": (20.0, -1.5),
        "C2": (20.0, 7.5),
    }


def test_two_strings_cross_over_each_corner() -> None:
    pegs = {peg.name: peg.at for peg in offset_pegs(L, W, OFF)}
    # A1–B1 lies at y = 0, A2–D2 at x = 0: they cross at A. The same for the others.
    for corner, (x, y) in {"A": (0, 0), "B": (20, 0), "C": (20, 6), "D": (0, 6)}.items():
        assert pegs[f"{corner}1"][1] == y
        assert pegs[f"{corner}2"][0] == x


def test_boards_stand_square_to_their_lines_with_the_digging_marked() -> None:
    for board in boards(L, W, OFF, 0.4):
        assert math.dist(board.start, board.end) == pytest.approx(board.length_m)
        assert board.nail_m == pytest.approx(board.length_m / 2)
        assert board.dig_m[1] - board.dig_m[0] == pytest.approx(0.8)
        middle = ((board.start[0] + board.end[0]) / 2, (board.start[1] + board.end[1]) / 2)
        assert any(middle == pytest.approx(peg.at) for peg in offset_pegs(L, W, OFF))


def test_every_peg_is_found_from_its_offset() -> None:
    kept = {"offset_m": 3 * FOOT_M, "dig_m": FOOT_M}
    plan = make_plan(keep=kept)
    strips = {strip.id: strip for strip in plan.strips}
    left = {mark.part: mark.at_m for mark in strips["kept:AB"].marks}
    for peg in pegs_of(make_bench(keep=kept)):
        if peg.side == "L":
            assert left[f"post:L{peg.bow}"] == pytest.approx(3 * FOOT_M + peg.station_m)
    assert answer(plan, "keep-pegs", "kept_long") == length_text(63 * FOOT_M, plan.tape)
    assert answer(plan, "keep-pegs", "kept_short") == length_text(27 * FOOT_M, plan.tape)
    assert verdict(plan, "offset-clear").level == "holds"


def test_offsets_within_the_digging_fail() -> None:
    found = verdict(make_plan(keep={"offset_m": 0.5, "dig_m": 0.4}), "offset-clear")
    assert found.level == "fails"
    assert found.ratio == pytest.approx(0.7 / 0.5)
    boarded = make_plan(keep={"school": "boards", "offset_m": 1.0, "dig_m": 0.3})
    board = next(strip for strip in boarded.strips if strip.id == "board")
    assert [mark.what for mark in board.marks] == ["digging", "nail, the line", "digging"]
    assert board.length_m == pytest.approx(0.9)
