"""What is refused, in which words, with which way out; and how measures are written."""

import pytest
from hypothesis import given
from hypothesis import strategies as st

from obtegum.core.documents.house import HouseDesign, SiteRecord
from obtegum.core.documents.job import Job
from obtegum.core.documents.reading import limit_of, read_design
from obtegum.core.drawing.verdict import judge, worst
from obtegum.core.face.edit import Edit
from obtegum.core.findings.skeleton.ticks import tick_station, tick_words
from obtegum.core.house.edits import apply_edits, edits_in_words
from obtegum.core.house.measures import find_measure, measures, shown_at
from obtegum.core.house.plan import plan_house
from obtegum.core.values.catalogue import default_catalogue
from obtegum.core.values.quantity import FOOT_M, INCH_M
from obtegum.core.values.trouble import DesignError
from tests.conftest import house_document, make_house, make_plan

ROUND = {"kind": "round", "leg_m": 0.6, "height_m": 3.0}


def edited(design: HouseDesign, *edits: Edit) -> HouseDesign:
    return apply_edits(Job(design), edits, default_catalogue()).design


@pytest.mark.parametrize(
    ("changes", "path", "part"),
    [
        ({"size__span_m": 0.0}, "size.span_m", "more than nothing"),
        ({"size__span_m": -2.0}, "size.span_m", "more than nothing"),
        ({"size__span_m": 1000.0}, "size.span_m", "at the most"),
        ({"size__length_m": 1000.0}, "size.length_m", "at the most"),
        ({"size__span_m": float("nan")}, "size.span_m", "length in metres"),
        ({"size__span_m": float("inf")}, "size.span_m", "length in metres"),
        ({"size__span_m": "wide"}, "size.span_m", "length in metres"),
        ({"size__shape": {**ROUND, "height_m": 0.5}}, "size.shape.height_m", "above the straight legs"),
        ({"size__shape": {**ROUND, "height_m": 0.7}}, "size.shape.height_m", "hold water"),
        ({"size__shape": {**ROUND, "height_m": 13.9}}, "size.shape.height_m", "more than its own width"),
        ({"size__shape": {**ROUND, "leg_m": 40}}, "size.shape.leg_m", "at the most"),
        ({"size__length_m": 1.0}, "bows.max_spacing_m", "further apart than the house is long"),
        ({"posts__reveal_m": 1.5}, "posts.reveal_m", "nothing of the post"),
        ({"bows__insertion_m": 0.9, "posts__length_m": 0.8}, "bows.insertion_m", "bottom of its post"),
        ({"bows__stick_m": 1.0, "bows__joint_m": 0.55}, "bows.joint_m", "half of each stick"),
        ({"name": ""}, "name", "name of 1 to 80"),
        ({"colour": "red"}, "colour", "not part of a house"),
    ],
)
def test_what_cannot_be_is_refused_with_a_sentence(changes: dict[str, object], path: str, part: str) -> None:
    with pytest.raises(DesignError) as refusal:
        read_design(house_document(**changes))
    trouble = refusal.value.troubles[0]
    assert trouble.path == path
    assert part in trouble.sentence
    assert trouble.sentence.endswith(".")


def test_sentences_speak_the_house_s_units() -> None:
    for units, most in (("feet", "65' 7 3/8\""), ("metric", "20.000 m")):
        with pytest.raises(DesignError) as refusal:
            read_design(house_document(tape__units=units, size__span_m=1000.0))
        assert most in refusal.value.troubles[0].sentence
        assert refusal.value.troubles[0].nearest_m == 20.0


def test_missing_parts_are_named() -> None:
    with pytest.raises(DesignError, match=r"size\.length_m is missing"):
        document = house_document()
        del document["size"]["length_m"]
        read_design(document)
    with pytest.raises(DesignError):
        read_design([])  # type: ignore[arg-type]


@pytest.mark.parametrize(
    ("changes", "path"),
    [
        ({"bows__tube": "no-such"}, "bows.tube"),
        ({"posts__tube": "no-such"}, "posts.tube"),
        ({"bows__stick_m": 1.0, "size__span_m": 19.0}, "bows.stick_m"),
        ({"size__shape": {"kind": "round", "leg_m": 0.0, "height_m": 1.2}, "posts__reveal_m": 1.2}, "posts.reveal_m"),
    ],
)
def test_what_only_planning_finds_is_refused_too(changes: dict[str, object], path: str) -> None:
    with pytest.raises(DesignError) as refusal:
        make_plan(**changes)
    assert refusal.value.troubles[0].path == path


def test_the_nearest_value_offered_does_work() -> None:
    for changes in ({"size__shape": {**ROUND, "height_m": 0.7}}, {"bows__stick_m": 1.0, "size__span_m": 19.0}):
        with pytest.raises(DesignError) as refusal:
            make_plan(**changes)
        trouble = refusal.value.troubles[0]
        measure = shown_at(trouble.path)
        assert measure is not None
        place = trouble.path.replace(".", "__")
        fixed = house_document(**changes)
        inner = fixed
        *parents, leaf = place.split("__")
        for name in parents:
            inner = inner[name]
        inner[leaf] = trouble.nearest_m
        plan_house(read_design(fixed), SiteRecord(), default_catalogue())


SHAPED = [f"size.shape.{leaf}_m" for leaf in ("height", "leg", "shoulder", "lower", "upper", "radius", "pipe")]


@given(
    st.sampled_from(["three_centred", "peaked", "kneed", "gothic", "round", "round_on_legs", "sprung"]),
    st.sampled_from(["size.span_m", "size.length_m", "posts.reveal_m", "bows.max_spacing_m", *SHAPED]),
    st.sampled_from(["feet", "metric"]),
    st.floats(0.05, 30.0),
)
def test_a_refused_length_comes_with_one_that_works(kind: str, measure: str, units: str, value_m: float) -> None:
    """Taken as it is printed it works, and the grower's own lies beyond it."""
    catalogue = default_catalogue()
    job = apply_edits(Job(make_house(tape__units=units)), [Edit(measure="size.shape", text=kind)], catalogue)
    found = find_measure(measure)
    assert found is not None
    now_m = found.now(job)
    try:
        apply_edits(job, [Edit(measure=measure, text=f"{value_m} m")], catalogue)
    except DesignError as error:
        trouble = error.troubles[0]
        if "no part of this house as it stands" in trouble.sentence:
            return
        assert shown_at(trouble.path) == measure
        if trouble.nearest is None:
            assert trouble.sentence.endswith("than it is.")
            return
        taken = found.now(apply_edits(job, [Edit(measure=measure, text=trouble.nearest)], catalogue))
        near = job.design.tape.step_m
        assert min(now_m, value_m) - near <= taken <= max(now_m, value_m) + near


def test_how_far_a_length_can_go_by_hand() -> None:
    """A kneed half of p and q over 3 m and a rise of 3 m: c = √18 m, so p is at least c − q."""
    shape = {"kind": "kneed", "leg_m": 1.0, "height_m": 4.0, "lower_m": 2.5, "upper_m": 2.2}
    job = Job(make_house(tape__units="metric", size__span_m=6.0, size__shape=shape))
    with pytest.raises(DesignError) as refusal:
        apply_edits(job, [Edit(measure="size.shape.lower_m", text="1 m")], default_catalogue())
    trouble = refusal.value.troubles[0]
    assert trouble.nearest == "2.043 m"  # √18 − 2.2 = 2.0426, up to the tape's next millimetre
    assert trouble.sentence == (
        "The two pieces don’t reach from the foot to the ridge. "
        "As the rest stands, lower piece can be 2.043 m at the least."
    )


def test_every_number_and_choice_that_is_declared_is_a_measure_with_its_name_and_range() -> None:
    """A measure's id is its path; of many like things each has its own."""
    assert all(name == measure.id and measure.label for name, measure in measures().items())
    for name in (
        "size.span_m",
        "record.taped.ac_m",
        "own_tubes.0.od_m",
        "record.bows.3.width_m",
        "record.levels.pegs.L3",
    ):
        measure, limit = find_measure(name), limit_of(name)
        assert measure is not None and limit is not None
        assert (measure.number, measure.kind) == (limit, "length")
    labels = [find_measure(name).label for name in ("record.levels.pegs.L3", "record.bows.3.width_m")]  # type: ignore[union-attr]
    assert labels == ["Rod at peg 3 left", "Bow 3, width"]
    for name in (
        "size.nothing_m",
        "record.levels.pegs.X9",
        "record.bows.0.width_m",
        "record.levels.spots.1:1.reading_m",
    ):
        assert find_measure(name) is None


def test_a_typed_length_is_taken_exactly() -> None:
    assert edited(make_house(), Edit(measure="size.span_m", text="20' 3 1/3 in")).size.span_m == pytest.approx(
        20 * FOOT_M + (3 + 1 / 3) * INCH_M, abs=1e-12
    )
    with pytest.raises(DesignError) as refusal:
        edited(make_house(), Edit(measure="size.span_m", text="wide"))
    assert refusal.value.troubles[0].path == "size.span_m"


def test_keys_step_onto_the_tape_s_own_marks() -> None:
    design = make_house(size__span_m=20 * FOOT_M + 0.003)
    assert edited(design, Edit(measure="size.span_m", steps=1)).size.span_m == pytest.approx(
        20 * FOOT_M + 3 * INCH_M / 16
    )
    assert edited(design, Edit(measure="size.span_m", steps=-2, stride="large")).size.span_m == pytest.approx(
        18 * FOOT_M + 2 * INCH_M / 16
    )
    metric = make_house(tape__units="metric", size__span_m=6.0)
    assert edited(metric, Edit(measure="size.span_m", steps=3, stride="small")).size.span_m == pytest.approx(6.03)
    assert edited(metric, Edit(measure="size.span_m", steps=1, stride="large")).size.span_m == pytest.approx(6.1)


def test_a_dragged_value_snaps_to_the_inch_or_centimetre() -> None:
    assert edited(make_house(), Edit(measure="size.span_m", value_m=6.1)).size.span_m == pytest.approx(240 * INCH_M)
    metric = make_house(tape__units="metric")
    assert edited(metric, Edit(measure="size.span_m", value_m=6.1234)).size.span_m == pytest.approx(6.12)


def test_the_height_of_half_a_circle_moves_its_legs() -> None:
    design = edited(make_house(), Edit(measure="size.shape.height_m", text="13"))
    assert design.size.leg_m == pytest.approx(2.5 * FOOT_M)
    assert design.size.height_m == pytest.approx(13 * FOOT_M)
    with pytest.raises(DesignError, match="choose one flatter arc") as refusal:
        edited(make_house(), Edit(measure="size.shape.height_m", text="9"))
    assert refusal.value.troubles[0].path == "size.shape.height_m"
    flat = edited(make_house(), Edit(measure="size.shape", text="round"), Edit(measure="size.shape.height_m", text="9"))
    assert (flat.size.leg_m, flat.size.height_m) == (2 * FOOT_M, 9 * FOOT_M)
    back = edited(flat, Edit(measure="size.shape", text="round_on_legs"))
    assert back.size.height_m == pytest.approx(12.5 * FOOT_M)


def test_choices_are_checked() -> None:
    assert edited(make_house(), Edit(measure="tape.inch_parts", text="32")).tape.inch_parts == 32
    for name, text in (("units", "cubits"), ("bows.tube", "rope"), ("colour", "red")):
        with pytest.raises(DesignError):
            edited(make_house(), Edit(measure=name, text=text))
    with pytest.raises(DesignError, match="Nothing was given"):
        edited(make_house(), Edit(measure="size.span_m"))


def test_the_grower_stays_in_the_house() -> None:
    assert (
        edited(make_house(), Edit(measure="size.figure.from_left_m", value_m=50)).size.figure.from_left_m <= 21 * FOOT_M
    )


def test_edits_are_told_in_words() -> None:
    edits = [Edit(measure="size.span_m", text="22' 6\""), Edit(measure="bows.bays", text="fixed")]
    design = edited(make_house(), *edits)
    assert edits_in_words(Job(design), edits, default_catalogue()) == "Width 22' 6\", Bays fixed, odd one last"


def test_ticks_name_a_place() -> None:
    design = make_house()
    assert tick_station(design, "peg:R3") == pytest.approx(7.6 * FOOT_M)
    assert tick_words("peg:R3", True) == "Peg 3 right set"
    for tick in ("peg:R99", "peg:Q1", "stick:L1", "", "peg:L0"):
        with pytest.raises(DesignError):
            tick_station(design, tick)
    record = SiteRecord().with_set("peg:L1", 0.0)
    assert record.set_at_m == {"peg:L1": 0.0}
    assert record.with_set("peg:L1", None).set_at_m == {}


def test_levels_turn_at_nine_tenths_and_at_the_limit() -> None:
    assert [judge(ratio, 0.9) for ratio in (0.9, 0.9001, 1.0, 1.0001)] == ["holds", "tight", "tight", "fails"]
    assert worst([]) is None


TYPED = ["round", "feet", "metric", "7' 4\"", "2.5", "0", "300"]
changes = st.lists(
    st.one_of(
        st.builds(
            Edit,
            measure=st.sampled_from(sorted(measures())),
            text=st.one_of(st.text(max_size=12), st.sampled_from(TYPED)),
        ),
        st.builds(Edit, measure=st.sampled_from(sorted(measures())), steps=st.integers(-500, 500)),
        st.builds(Edit, measure=st.sampled_from(sorted(measures())), value_m=st.floats(-10, 400)),
    ),
    max_size=6,
)


@given(changes)
def test_no_run_of_edits_breaks_the_plan(edits: list[Edit]) -> None:
    job, catalogue = Job(make_house()), default_catalogue()
    for edit in edits:
        try:
            job = apply_edits(job, [edit], catalogue)
        except DesignError as refusal:
            assert all(trouble.sentence.endswith((".", "?")) for trouble in refusal.troubles)
            continue
        plan = plan_house(*job, catalogue)
        assert all(each.ratio is None or each.ratio >= 0 for each in plan.verdicts)
