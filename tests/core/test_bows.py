"""Sockets, headroom and sticks."""

import math
from itertools import pairwise

import pytest
from hypothesis import given
from hypothesis import strategies as st

from obtegum.core.bows.headroom import clear_from, headroom, headroom_over
from obtegum.core.bows.sticks import split_bow, sticks_for_house, sticks_needed
from obtegum.core.ground.posts import bow_entry, socket_play
from obtegum.core.profile import round_bow
from obtegum.core.rooms.bows.found import stick_count
from tests.conftest import make_bench, make_plan

LEAST, OFF = 0.6, 0.03


def test_a_plumb_leg_enters_its_post() -> None:
    entry = bow_entry(round_bow(6, 1, 4), 6, 0.5)
    assert entry.post_top_s_m == pytest.approx(0.5)
    assert entry.lean_rad == pytest.approx(0, abs=1e-12)
    assert entry.offset_m == pytest.approx(0, abs=1e-12)


def test_an_arc_from_the_post_top_leans_by_its_kink() -> None:
    # Span 8, rise 2 above the post top: half-angle 53.13°, so 36.87° off plumb, none off centre.
    entry = bow_entry(round_bow(8, 0.5, 2.5), 8, 0.5)
    assert math.degrees(entry.lean_rad) == pytest.approx(36.8699, abs=1e-4)
    assert entry.offset_m == pytest.approx(0, abs=1e-9)


def test_an_arc_from_the_ground_is_off_at_the_post_top() -> None:
    # Half circle of R = 3 from the ground: at 0.5 m up it stands 3 − √(9 − 0.25) inside and leans asin(0.5/3).
    entry = bow_entry(round_bow(6, 0, 3), 6, 0.5)
    assert entry.offset_m == pytest.approx(3 - math.sqrt(8.75))
    assert entry.lean_rad == pytest.approx(math.asin(0.5 / 3))
    with pytest.raises(ValueError, match="lower"):
        bow_entry(round_bow(6, 0, 3), 6, 3.5)


def test_play_by_hand() -> None:
    play = socket_play(0.044, 0.0424, 0.15)
    assert play is not None
    assert play.offset_m == pytest.approx(0.0008)
    assert math.degrees(play.lean_rad) == pytest.approx(0.6111, abs=1e-3)
    assert socket_play(0.04, 0.04, 0.15) is None


def test_headroom_by_hand() -> None:
    # Inner half circle of 2.9 on 1 m legs: over x = 2 it is 1 + √(2.9² − 4) = 3.1 m.
    inner = round_bow(6, 1, 4).offset(-0.1)
    assert headroom(inner, 2.0) == pytest.approx(1 + math.sqrt(2.9**2 - 4))
    assert headroom_over(inner, -1.75, 0.5) == pytest.approx(1 + math.sqrt(2.9**2 - 4))
    assert headroom(inner, 2.95) == 0


@given(st.floats(2, 12), st.floats(0, 2), st.floats(0.2, 1.0), st.floats(0.5, 2.5))
def test_the_grower_stands_upright_from_there_on(span: float, leg: float, share: float, height: float) -> None:
    inner = round_bow(span, leg, leg + share * span).offset(-0.02)
    at = clear_from(inner, span, height, 0.5)
    if at is None:
        assert headroom_over(inner, 0, 0.5) < height
        return
    assert headroom_over(inner, at - span / 2, 0.5) >= height - 1e-9
    if at - 0.26 > 0.02:
        assert headroom_over(inner, at - span / 2 - 0.001, 0.5) < height


def test_sticks_by_hand() -> None:
    # 34 ft 3 13/16 in of tube from 21 ft sticks with 5 in overlaps: 2 sticks make 41 ft 7 in,
    # so 7 ft 3 3/16 in is left, and the second stick is 13 ft 8 13/16 in.
    tube = 411.80
    split = split_bow(tube, 252, 5, 24, OFF)
    assert [piece.length_m for piece in split.pieces] == pytest.approx([252, tube - 252 + 5])
    assert split.left_over_m == pytest.approx(2 * 252 - 5 - tube)
    assert split.flipped
    assert split.joints_m == pytest.approx([249.5])
    assert sticks_needed(499, 252, 5) == 2
    assert sticks_needed(499.1, 252, 5) == 3


def test_an_odd_number_sits_symmetric() -> None:
    split = split_bow(700, 252, 5, 24, OFF)
    lengths = [piece.length_m for piece in split.pieces]
    assert len(lengths) == 3
    assert lengths[0] == pytest.approx(lengths[2])
    assert not split.flipped


def test_a_short_last_piece_is_avoided() -> None:
    # Four sticks of 6 m, 0.15 m overlaps, 17.9 m of tube: filling three would leave a 0.35 m scrap.
    split = split_bow(17.9, 6, 0.15, LEAST, OFF)
    assert len(split.pieces) == 4
    assert min(piece.length_m for piece in split.pieces) >= LEAST


def test_a_joint_at_the_crown_is_told() -> None:
    assert split_bow(2 * 6 - 0.15, 6, 0.15, LEAST, OFF).joint_at_crown
    assert not split_bow(9.0, 6, 0.15, LEAST, OFF).joint_at_crown


@given(st.floats(1.5, 30), st.floats(3, 8), st.floats(0, 0.3))
def test_sticks_cover_the_bow_and_no_fewer_would(tube: float, stick: float, joint: float) -> None:
    split = split_bow(tube, stick, joint, LEAST, OFF)
    count = len(split.pieces)
    assert split.pieces[0].from_m == 0
    assert split.pieces[-1].to_m == pytest.approx(tube)
    for before, after in pairwise(split.pieces):
        assert before.to_m - after.from_m == pytest.approx(joint, abs=1e-9)
    assert all(-1e-9 <= piece.length_m <= stick + 1e-9 for piece in split.pieces)
    assert split.left_over_m == pytest.approx(count * stick - (count - 1) * joint - tube, abs=1e-6)
    if count > 1:
        assert (count - 1) * stick - (count - 2) * joint < tube


def test_a_stick_must_outreach_its_overlap() -> None:
    with pytest.raises(ValueError, match="overlap"):
        sticks_needed(10, 0.2, 0.2)


def test_an_off_cut_has_no_swaged_end() -> None:
    """Eleven bows of a half circle of 8 m on legs of 0.8, from 6 m sticks: 6.0, 1.73, 6.0 m and two joints.

    Two of the three pieces of each bow go into the next one, and a stick has one end that does: 33 sticks.
    With couplers the short ones (1.47 m) are cut four to a stick: 22 and 3.
    """
    changes = {
        "tape__units": "metric", "size__span_m": 8.0, "size__shape": {"kind": "round_on_legs", "leg_m": 0.8},
        "size__length_m": 12.0, "bows__max_spacing_m": 1.2, "bows__stick_m": 6.0, "bows__joint_m": 0.13,
        "posts__reveal_m": 0.5, "bows__insertion_m": 0.15, "set_out__tape_m": 30.0,
    }  # fmt: skip
    assert stick_count(make_bench(**changes)) == 33
    assert stick_count(make_bench(**changes, bows__joint="coupler")) == 25
    # Two bows of 10 m from 6 m sticks, 6.0 and 4.1: the short one is the last and plain, and comes whole too.
    two = split_bow(10.0, 6.0, 0.1, 0.5, 0.03)
    assert sticks_for_house(two, 2, "swaged", 0.003) == 4


def test_every_cut_takes_its_kerf() -> None:
    """Pieces of exactly half a stick: two of them and the saw's width don't come from one."""
    half = split_bow(3.0, 6.0, 0.1, 0.5, 0.03)
    assert sticks_for_house(half, 10, "coupler", 0.0) == 5
    assert sticks_for_house(half, 10, "coupler", 0.003) == 10
    whole = split_bow(6.0, 6.0, 0.1, 0.5, 0.03)
    assert sticks_for_house(whole, 10, "coupler", 0.003) == 10


@given(st.floats(3.0, 20.0), st.integers(1, 40), st.sampled_from(["swaged", "coupler"]))
def test_never_fewer_sticks_than_can_be_cut(tube_m: float, bows: int, kind: str) -> None:
    split = split_bow(tube_m, 6.0, 0.1, 0.5, 0.03)
    sticks = sticks_for_house(split, bows, kind, 0.003)  # type: ignore[arg-type]
    assert sticks * 6.0 >= bows * split.cut_m - 1e-6
    if kind == "swaged":
        assert sticks >= bows * (len(split.pieces) - 1)


def test_plastic_is_no_sleeve_for_steel() -> None:
    # A pressure pipe of 63 × 5.8 has a bore of 51.4 mm: 3.1 mm of play over 48.3. Of steel the closest is 60.3 × 3.6.
    plan = make_plan(tape__units="metric", bows__tube="round-48.3", posts__tube="round-60.3")
    said = [each for step in plan.steps if step.id == "bows" for each in step.answers if each.id == "slides_into"]
    assert [each.reading for each in said] == ["Threaded steel pipe 2″, 60.3 × 3.6"]
    assert not any("olyethylene" in each.note for each in said)
