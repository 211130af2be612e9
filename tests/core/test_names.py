"""By its name: names are not sizes, and each is read in every way that it can be."""

import pytest

from obtegum.core.house.starters import new_house
from obtegum.core.rooms.names.found import film_readings, kind_told, numbers_in
from obtegum.core.values.quantity import INCH_M
from tests.conftest import make_plan
from tests.core.test_counts import changed, refused


def told(kind: str, called: str, taped_m: float | None = None, **changes: object) -> list[tuple[str, str]]:
    plan = make_plan(names={"kind": kind, "called": called, "taped_m": taped_m}, **changes)
    step = next(each for each in plan.steps if each.id == "names")
    return [(each.label, each.reading) for each in step.answers]


def names(kind: str, called: str, taped_m: float | None = None) -> list[str]:
    return [label.partition(". ")[2] or label for label, _ in told(kind, called, taped_m)]


@pytest.mark.parametrize(
    ("text", "numbers"),
    [("1 3/8 rail", [1.375]), ("3/4", [0.75]), ("2x6", [2, 6]), ("42,4 × 2", [42.4, 2]), ("1/0", []), ("pipe", [])],
)
def test_numbers_are_read_from_a_name(text: str, numbers: list[float]) -> None:
    assert numbers_in(text) == numbers


def test_three_quarters_is_five_sizes() -> None:
    # Pipe of 3/4 measures 1.050 in, thin conduit 0.922, threaded metric pipe 26.9 mm, a ribbed bar 0.75 and its ribs.
    sizes = dict(told("tube", "3/4"))
    assert any(reading.startswith('1.050"') for reading in sizes.values())
    assert any(reading.startswith('0.922"') for reading in sizes.values())
    assert any("26.9 mm" in reading for reading in sizes.values())
    assert all('0.750" outside' not in reading for reading in sizes.values())


def test_words_narrow_a_name() -> None:
    assert names("tube", "1 3/8 rail") == ["Fence rail 1 3/8 in"]
    assert names("tube", "zzz") == []


def test_a_tape_finds_what_measures_so() -> None:
    found = names("tube", "", 0.0424)
    assert found[0] == "Round tube 42.4 × 2"
    assert "Fence post 1 5/8 in" in found
    assert "2 × 6" in names("board", "", 5.5 * INCH_M)


def test_a_two_by_six_is_told_true_and_rough() -> None:
    found = told("board", "2 by 6")
    assert found[0] == ("1. 2 × 6", '1.500", 38.1 mm by 5.500", 139.7 mm')
    assert found[1][1] == '2.000", 50.8 mm by 6.000", 152.4 mm'
    assert names("board", "47x150") == ["47 × 150 mm, sawn"]


@pytest.mark.parametrize(
    ("text", "way", "microns"),
    [
        ("6 mil", "mil", 152.4),
        ("6", "mil", 152.4),
        ("200µm", "micron", 200),
        ("720 gauge", "gauge", 180),
        ("0.2 mm", "mm", 200),
        ("800g", "gauge", 200),
    ],
)
def test_film_by_its_names(text: str, way: str, microns: float) -> None:
    found = film_readings(text)
    assert found[0] == (way, pytest.approx(microns * 1e-6))


def test_a_bare_thickness_is_read_both_ways() -> None:
    # 200 is 200 microns, or 200 gauge of a quarter micron each.
    assert film_readings("200") == [("micron", pytest.approx(200e-6)), ("gauge", pytest.approx(50e-6))]
    assert told("film", "6 mil") == [("Read as mil", "152 µm, 6.0 mil, 610 gauge")]


def test_bags_rolls_and_sticks() -> None:
    # 60 lb makes 0.45 cu ft, told as no more than 0.4; 27 cu ft want 60 of them.
    plan = make_plan(names={"kind": "bag", "called": "60 lb"})
    step = next(each for each in plan.steps if each.id == "names")
    assert [(each.reading, each.note) for each in step.answers] == [("0.4 cu ft of concrete", "60 bags to the cu yd")]
    assert [label for label, _ in told("roll", "41 ft")] == ["42 ft roll", "48 ft roll", "50 ft roll"]
    # A stick of 21 ft reaches 5 in less where one end goes into the next.
    assert told("stick", "21") == [("Plain ends", "21' 0\""), ("One end narrowed, in a run", "20' 7\"")]


def test_what_goes_by_a_name_is_drawn_to_one_scale() -> None:
    plan = make_plan(names={"kind": "tube", "called": "3/4"})
    drawing = next(each for each in plan.drawings if each.view == "named")
    rings = [item for item in drawing.items if item.kind == "outline" and item.part.startswith("named:")]
    widths = [max(vertex.x for vertex in ring.path) - min(vertex.x for vertex in ring.path) for ring in rings]
    assert widths[0] == pytest.approx(1.05 * INCH_M)
    assert len(rings) == len(drawing.table)


def test_a_name_is_kept_and_one_too_long_refused() -> None:
    design = changed(new_house("feet"), ("names.called", "  6 mil "), ("names.kind", "film"))
    assert design.names.called == "6 mil"
    assert "40 letters" in refused(design, ("names.called", "x" * 41)).troubles[0].sentence
    assert changed(design, ("names.called", "")).names.called == ""


@pytest.mark.parametrize(
    ("text", "kind"),
    [
        ("6 mil", "film"),
        ("200 micron", "film"),
        ("60 lb", "bag"),
        ("2x6", "board"),
        ("5/4 x 6", "board"),
        ("5/0 x 6", None),
        ("47 x 150 mm", "board"),
        ("24 ft roll", "roll"),
        ("3/4", None),
        ("42.4 × 2", None),
        ("60 x 2", None),
    ],
)
def test_what_a_name_tells_by_itself(text: str, kind: str | None) -> None:
    assert kind_told(text) == kind
    if kind is not None:
        assert changed(new_house("feet"), ("names.called", text)).names.kind == kind


def test_pipe_that_is_sold_by_its_bore_is_found_by_it() -> None:
    # DN 25 is 33.7 mm outside in metric shops, 1.315 in in others; neither measures 25 mm anywhere.
    for called in ("DN 25", "dn25", "25 mm bore", "25 nb"):
        assert set(names("tube", called)) == {"Water pipe 1 in", "Threaded steel pipe 1″, 33.7 × 3.2"}, called
    # By inches too, though a metric shop sells it.
    assert "Threaded steel pipe 1″, 33.7 × 3.2" in names("tube", '1" pipe')


def test_a_five_quarter_board_is_an_inch_thick() -> None:
    # PS 20: dressed and dry, 5/4 is 1 in; rough it is what its name says.
    found = told("board", "5/4 x 6")
    assert found[0] == ("1. 5/4 × 6", '1.000", 25.4 mm by 5.500", 139.7 mm')
    assert found[1][1] == '1.250", 31.8 mm by 6.000", 152.4 mm'
    assert kind_told("5/4x6") == "board"
