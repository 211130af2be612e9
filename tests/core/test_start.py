"""What is known first: beds, sticks, or a bow that stands, and the house that follows from it."""

import pytest

from obtegum.core.quantity import FOOT_M, INCH_M
from obtegum.core.rooms import HouseDesign
from tests.conftest import answer, make_house
from tests.core.test_counts import changed, on_19_ft, planned, refused


def started(known: str, **changes: object) -> HouseDesign:
    return changed(make_house(**changes), ("start.known", known))


def test_beds_make_the_width() -> None:
    # 34 + 42 + 28 and two paths of 16 are 136 in of floor; half a post of 1.66 in at each side: 137.66 in.
    design = started("beds", inside__path_m=16 * INCH_M)
    made = changed(design, ("inside.own_beds_m", "34, 42, 28"))
    assert made.size.span_m / INCH_M == pytest.approx(137.66)
    assert answer(planned(made), "inside", "path") == "1' 4\""
    # A path of 20 in its place: 4 in more; and a foot clear along both walls.
    wider = changed(made, ("inside.own_paths_m", "20"), ("inside.wall_m", "12"))
    assert wider.size.span_m / INCH_M == pytest.approx(137.66 + 4 + 24)


def test_the_width_goes_on_following_until_one_of_one_s_own() -> None:
    made = changed(started("beds"), ("inside.own_beds_m", "34, 42, 28"))
    again = changed(made, ("inside.path_m", "24"))
    assert again.size.span_m / INCH_M == pytest.approx(104 + 48 + 1.66)
    own = changed(again, ("size.span_m", "14"))
    assert (own.start.known, own.size.span_m) == ("size", 14 * FOOT_M)


def test_sticks_make_height_and_length() -> None:
    # Thirty-one sticks, three a bow: ten bows, nine bays of 4 ft.
    design = changed(on_19_ft(), ("start.known", "sticks"), ("bows.sticks", "3"), ("start.have", "31"))
    assert (design.bows.cut, design.bows.count) == ("whole", 10)
    assert design.size.length_m == pytest.approx(36 * FOOT_M)
    assert answer(planned(design), "start", "start_bows") == "10"
    assert answer(planned(design), "bows", "left_over") == '0"'
    longer = changed(design, ("size.length_m", "40"))
    assert longer.start.known == "size"


def test_too_few_sticks_are_refused_with_the_least() -> None:
    design = changed(on_19_ft(), ("start.known", "sticks"), ("bows.sticks", "3"))
    found = refused(design, ("start.have", "5")).troubles[0]
    assert (found.path, found.nearest) == ("start.have", "6")
    assert changed(design, ("start.have", "6")).bows.count == 2


@pytest.mark.parametrize(("to", "off"), [("inside", 1.375), ("centres", 0.0), ("outside", -1.375)])
def test_a_bow_that_stands_is_taped_to_a_side_of_its_tube(to: str, off: float) -> None:
    design = changed(started("bow"), ("start.wide_to", to), ("start.wide_m", "19' 3\""), ("start.high_m", "9' 6\""))
    assert design.size.shape.kind == "round"
    assert design.size.span_m / INCH_M == pytest.approx(231 + off)
    # To the underside of the tube: its middle is half a tube higher.
    assert design.size.height_m / INCH_M == pytest.approx(114 + 1.375 / 2)
    top = changed(design, ("start.high_to", "top"))
    assert top.size.height_m / INCH_M == pytest.approx(114 - 1.375 / 2)


def test_half_a_circle_that_stands_gets_its_legs() -> None:
    design = changed(started("bow"), ("size.shape", "round_on_legs"))
    made = changed(design, ("start.wide_to", "centres"), ("start.wide_m", "19"), ("start.high_m", "13"))
    assert made.size.leg_m / INCH_M == pytest.approx(156 + 1.375 / 2 - 114)
    low = refused(made, ("start.high_m", "9")).troubles[0]
    assert low.path == "start.high_m"
    assert low.nearest is not None
    assert changed(made, ("start.high_m", low.nearest)).size.leg_m >= 0


@pytest.mark.parametrize(
    ("known", "edit"),
    [("beds", ("inside.own_beds_m", "19 ft, 19 ft, 19 ft, 19 ft")), ("bow", ("start.wide_m", "1 m"))],
)
def test_what_makes_no_house_is_refused_where_it_was_typed(known: str, edit: tuple[str, str]) -> None:
    found = refused(started(known), edit).troubles[0]
    assert found.path == edit[0]
    # Either what can be planned is said, or the nearest that works is named.
    if found.nearest is None:
        assert "can be planned" in found.sentence
    else:
        assert changed(started(known), (edit[0], found.nearest)).size.span_m > 1


@pytest.mark.parametrize(
    ("known", "first", "by_hand"),
    [
        ("beds", ("inside.own_beds_m", "34, 42, 28"), ("inside.along_walls", "path")),
        ("sticks", ("start.have", "20"), ("bows.count", "7")),
        ("sticks", ("start.have", "20"), ("bows.bays", "counted")),
        ("bow", ("start.high_m", "9' 6\""), ("bows.cut", "whole")),
    ],
)
def test_what_is_set_by_hand_is_not_overruled(known: str, first: tuple[str, str], by_hand: tuple[str, str]) -> None:
    made = changed(changed(started(known), first), by_hand)
    part, name = by_hand[0].split(".")
    assert str(getattr(getattr(made, part), name)) == by_hand[1]
    assert made.start.known == "size"
