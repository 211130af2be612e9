"""What is known first: beds, sticks, or a bow that stands, and the house that follows from it."""

import math

import pytest
from scipy.optimize import brentq

from obtegum.core.documents.house import HouseDesign, SiteRecord
from obtegum.core.documents.job import Job
from obtegum.core.face.edit import Edit
from obtegum.core.findings.skeleton.bays import bays_of
from obtegum.core.findings.skeleton.bows import height_taking, split_of, whole_tube_m
from obtegum.core.findings.work import Work
from obtegum.core.house.edits import laid_edits
from obtegum.core.house.starters import new_house
from obtegum.core.values.catalogue import default_catalogue
from obtegum.core.values.quantity import FOOT_M, INCH_M
from obtegum.core.values.trouble import DesignError
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


def typed_in(*typed: tuple[str, str]) -> tuple[Job, Work]:
    job, work = Job(new_house("feet"), SiteRecord()), None
    for measure, text in typed:
        job, work = laid_edits(job, [Edit(measure=measure, text=text)], default_catalogue())
    assert work is not None
    return job, work


STICKS = (
    ("start.known", "sticks"), ("size.span_m", "20'"), ("bows.stick_m", "10' 6\""), ("bows.sticks", "3"),
    ("start.have", "33"),
)  # fmt: skip


def test_thirty_three_sticks_of_three_a_bow_are_eleven_bows_on_one_arc() -> None:
    """Three sticks are too short for half a circle 20 ft wide that reaches into its posts: one flatter arc follows."""
    job, work = typed_in(*STICKS)
    size, bows = job.design.size, job.design.bows
    assert (size.shape.kind, bows.sticks, bays_of(work).bows) == ("round", 3, 11)
    assert size.length_m == pytest.approx(40 * 0.3048) and size.leg_m == pytest.approx(20 * 0.0254)
    # By hand: 3 sticks less 2 laps of 5 in is 30.667 ft; 6 in in each post, which stands out 20 in, makes 33 ft of
    # girth, less legs as long as the posts stand out 29.667 ft of arc over 20: r·t = 29.667, 2·r·sin(t/2) = 20 give r,
    # and the rise r·(1 − cos(t/2)).
    arc_ft = 33 - 40 / 12
    turn = brentq(lambda t: math.sin(t / 2) / (t / 2) - 20 / arc_ft, 0.5, 6.0)
    rise_ft = arc_ft / turn * (1 - math.cos(turn / 2))
    assert size.height_m / 0.3048 == pytest.approx(20 / 12 + rise_ft, abs=1e-3)


def test_what_was_typed_last_stands_and_the_other_follows() -> None:
    # Half a circle again: as many sticks as it takes, the fewest that make one, 4 of them.
    job, work = typed_in(*STICKS, ("size.shape", "round_on_legs"))
    assert job.design.bows.sticks is None and len(split_of(work).pieces) == 4 and bays_of(work).bows == 8
    # Three again: one arc again.
    assert typed_in(*STICKS, ("size.shape", "round_on_legs"), ("bows.sticks", "3"))[0].design.size.shape.kind == "round"
    # A leg longer than three sticks allow stands, and takes more of them; a shorter one leaves their number.
    job, work = typed_in(*STICKS, ("size.shape.leg_m", "6'"))
    assert job.design.size.leg_m == pytest.approx(6 * 0.3048) and job.design.bows.sticks is None
    long = (*STICKS, ("size.shape.leg_m", "3'"), ("bows.sticks", "3"))
    job, _ = typed_in(*long, ("size.shape.leg_m", "2'"))
    assert job.design.size.leg_m == pytest.approx(2 * 0.3048) and job.design.bows.sticks == 3
    # One that would end inside its post is refused, not made longer.
    with pytest.raises(DesignError):
        typed_in(*long, ("size.shape.leg_m", "1'"))
    # A width that they reach over only on shorter legs: these give way, by whole inches, no further than they must.
    job, work = typed_in(*long, ("size.span_m", "28'"))
    leg_in = job.design.size.leg_m / 0.0254
    assert job.design.bows.sticks == 3 and 20 <= leg_in < 36 and abs(leg_in - round(leg_in)) < 1e-6
    assert height_taking(work, whole_tube_m(work, 3)) is not None
    # Where no leg does, it is refused by what is on the screen, with the nearest number.
    with pytest.raises(DesignError, match="2 whole sticks of 10' 6\" a bow make no house of this shape 20' 0\" wide"):
        typed_in(*STICKS[:3], ("bows.sticks", "2"))


def test_sticks_without_a_number_don_t_climb_with_each_change() -> None:
    typed = (("start.known", "sticks"), ("size.span_m", "20'"), ("bows.stick_m", "10' 6\""))
    once = typed_in(*typed)[0].design.size.height_m
    again = typed_in(*typed, ("bows.stick_m", "21'"), ("bows.stick_m", "10' 6\""))[0].design.size.height_m
    assert once == pytest.approx(again)
