"""Sockets, headroom and sticks."""

import math
import random
from collections import Counter
from itertools import pairwise

import pytest
from hypothesis import given
from hypothesis import strategies as st

from obtegum.core.documents.house import SiteRecord
from obtegum.core.documents.job import Job
from obtegum.core.documents.reading import limit_of
from obtegum.core.face.edit import Edit
from obtegum.core.findings.skeleton.bays import bays_of
from obtegum.core.findings.skeleton.bows import split_of, stick_count
from obtegum.core.findings.skeleton.posts import cut_from, post_count
from obtegum.core.formulas.bows.headroom import clear_from, headroom, headroom_over
from obtegum.core.formulas.bows.sticks import split_bow, sticks_for_house, sticks_needed
from obtegum.core.formulas.ground.posts import bow_entry, socket_play
from obtegum.core.formulas.profile import round_bow
from obtegum.core.house.bench import begin
from obtegum.core.house.edits import apply_edits
from obtegum.core.house.plan import plan_house
from obtegum.core.house.remedies import find_remedies
from obtegum.core.values.catalogue import default_catalogue
from obtegum.core.values.quantity import length_text, parse_length
from obtegum.core.values.trouble import DesignError
from tests.conftest import make_bench, make_house, make_plan, verdict

HEIGHT = "size.shape.height_m"
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


def test_whole_sticks_stay_whole_whatever_is_made_of_them() -> None:
    # Curves are laid as arcs, a thousandth of a millimetre longer than the pipe: that is no stick more a bow.
    seen = Counter[str]()
    draw = random.Random(35)
    for _ in range(60):
        kind, span_m = draw.choice(("sprung", "sprung", "round", "gothic", "three_centred")), draw.uniform(2.5, 5.0)
        sprung = {
            "kind": "sprung", "leg_m": 0.5, "pipe_m": span_m * draw.uniform(1.25, 1.6),
            "feet": draw.choice(("snug", "loose")), "ridge": draw.choice(("through", "tee")), "arm_m": 0.03,
        }  # fmt: skip
        house = make_house(
            size__span_m=span_m, size__shape=sprung, bows__stick_m=draw.choice((2.0, 3.0, 6.096)), bows__joint_m=0.1,
            posts__reveal_m=0.5, posts__stand="stub" if sprung["feet"] == "loose" else "driven", bows__tube="pvc-1",
        )  # fmt: skip
        try:
            job = Job(house, SiteRecord())
            if kind != "sprung":
                job = apply_edits(job, [Edit(measure="size.shape", text=kind)], default_catalogue())
            job = apply_edits(job, [Edit(measure="bows.cut", text="whole")], default_catalogue())
        except DesignError:
            continue
        if job.design.bows.insertion_m == limit_of("bows.insertion_m").most:  # type: ignore[union-attr]
            # So flat from the ground that it lies off its stub for more than goes over one.
            continue
        work = begin(*job, default_catalogue())
        split = split_of(work)
        assert [piece.left_over_m for piece in split.pieces] == pytest.approx([0.0] * len(split.pieces), abs=1e-6)
        assert stick_count(work) == len(split.pieces) * bays_of(work).bows
        seen[job.design.size.shape.kind] += 1
    assert min(seen[kind] for kind in ("sprung", "round", "gothic", "three_centred")) >= 3


def test_a_height_that_reads_as_whole_sticks_make_it_is_theirs() -> None:
    # Two of 20 ft make a girth that no mark of the tape does; what is written down of it costs no stick more.
    job = Job(make_house(bows__joint_m=0.1, size__shape={"kind": "round", "leg_m": 0.6, "height_m": 3.2}), SiteRecord())
    whole = apply_edits(job, [Edit(measure="bows.cut", text="whole")], default_catalogue())
    sticks = stick_count(begin(*whole, default_catalogue()))
    read = length_text(whole.design.size.height_m, job.design.tape)
    assert abs(whole.design.size.height_m - parse_length(read, job.design.tape.units, "long")) > 1e-5
    cut = apply_edits(
        whole, [Edit(measure="bows.cut", text="cut"), Edit(measure=HEIGHT, text="9 ft")], default_catalogue()
    )
    written = apply_edits(cut, [Edit(measure=HEIGHT, text=read)], default_catalogue())
    assert written.design.size.height_m == pytest.approx(whole.design.size.height_m, abs=1e-9)
    assert stick_count(begin(*written, default_catalogue())) == sticks
    # A mark further is what was written.
    more = apply_edits(written, [Edit(measure=HEIGHT, steps=2)], default_catalogue())
    assert more.design.size.height_m > whole.design.size.height_m + job.design.tape.step_m


def test_a_hair_over_a_stick_is_no_piece_that_no_stick_holds() -> None:
    # Where short pieces share a stick, a piece longer than one by a thousandth of a millimetre went into none.
    split = split_bow(3 * 6.0 - 2 * 0.1 + 3e-9, 6.0, 0.1, 0.3, 0.0)
    assert len(split.pieces) == 3
    for kerf_m in (0.0, 0.002):
        assert sticks_for_house(split, 11, "coupler", kerf_m) == 33
        assert sticks_for_house(split, 11, "swaged", kerf_m) == 33


def test_halves_of_a_stick_are_a_cut_shorter_and_that_is_offered() -> None:
    # 26 posts: two halves of 8 ft want 8 ft and a cut of 3 mm; three of 40 in want 10 ft and two.
    for stock_m, post_m, each, sticks, fewer, less in (
        (2.4384, 1.2192, 1, 26, 13, '1/16"'),
        (3.048, 1.016, 2, 13, 9, '1/8"'),
    ):
        house = make_house(posts__stock_m=stock_m, posts__length_m=post_m, size__length_m=14.4, bows__max_spacing_m=1.2)
        work = begin(house, SiteRecord(), default_catalogue())
        assert (cut_from(work, stock_m), post_count(work)) == ((each, sticks), 26)
        saw = verdict(plan_house(house, SiteRecord(), default_catalogue()), "saw")
        assert saw.level == "tight"
        assert f"each {less} shorter, {each + 1} come from it, and {fewer} sticks do for {sticks}." in saw.sentence
        ways = [way for way in find_remedies(house, SiteRecord(), default_catalogue()) if way.verdict == "saw"]
        assert [edit.measure for edit in ways[0].edits] == ["posts.length_m"]
        cured = apply_edits(Job(house, SiteRecord()), ways[0].edits, default_catalogue())
        assert cut_from(begin(*cured, default_catalogue()), stock_m) == (each + 1, fewer)
    assert verdict(make_plan(posts__stock_m=2.4384, posts__length_m=1.1), "saw") is None
    # Four posts by seven or by eight from a stick are one stick either way.
    few = {"size__length_m": 1.2, "bows__max_spacing_m": 1.2, "posts__reveal_m": 0.1, "bows__insertion_m": 0.1}
    assert verdict(make_plan(**few, posts__stock_m=2.4384, posts__length_m=0.3048), "saw") is None


def test_fewer_sticks_told_than_a_bow_takes_are_said() -> None:
    # Three sticks a bow were known first; a height of one's own takes four, and 39 make nine bows, not thirteen.
    shape = {"kind": "round", "leg_m": 0.6, "height_m": 2.8}
    job = Job(make_house(bows__stick_m=3.0, bows__joint_m=0.1, size__span_m=6.0, size__shape=shape), SiteRecord())
    known = [("start.known", "sticks"), ("start.have", "39"), ("bows.sticks", "3")]
    job = apply_edits(job, [Edit(measure=name, text=text) for name, text in known], default_catalogue())
    assert bays_of(begin(*job, default_catalogue())).bows == 13
    higher = apply_edits(job, [Edit(measure=HEIGHT, text="4.2 m")], default_catalogue())
    work = begin(*higher, default_catalogue())
    assert len(split_of(work).pieces) > 3
    assert bays_of(work).bows == 39 // len(split_of(work).pieces)
    told = verdict(plan_house(*higher, default_catalogue()), "told-sticks")
    assert "3 were told" in told.sentence
