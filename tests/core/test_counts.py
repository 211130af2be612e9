"""What is known by counting: bows, sticks a bow; and the clash of a count with length and spacing."""

import math

import pytest

from obtegum.core.documents.house import HouseDesign, SiteRecord
from obtegum.core.documents.job import Job
from obtegum.core.face.edit import Edit
from obtegum.core.formulas.setout.bays import counted_bays
from obtegum.core.house.edits import apply_edits
from obtegum.core.house.plan import HousePlan, plan_house
from obtegum.core.house.remedies import find_remedies
from obtegum.core.values.catalogue import default_catalogue
from obtegum.core.values.quantity import FOOT_M, INCH_M
from obtegum.core.values.trouble import DesignError
from tests.conftest import answer, make_house, make_plan, verdict

# Three sticks of 12 ft with overlaps of 5 in make 432 − 10 = 422 in of tube. Two posts stand 22 in out, and 6 in of
# each end are in them: 422 + 44 − 12 = 454 in of girth.
GIRTH_M = 454 * INCH_M


def changed(design: HouseDesign, *edits: tuple[str, str]) -> HouseDesign:
    made = [Edit(measure=measure, text=text) for measure, text in edits]
    return apply_edits(Job(design), made, default_catalogue()).design


def refused(design: HouseDesign, *edits: tuple[str, str]) -> DesignError:
    with pytest.raises(DesignError) as found:
        changed(design, *edits)
    return found.value


def planned(design: HouseDesign) -> HousePlan:
    return plan_house(design, SiteRecord(), default_catalogue())


def on_19_ft(**changes: object) -> HouseDesign:
    return make_house(size__span_m=19 * FOOT_M, bows__stick_m=12 * FOOT_M, **changes)


def test_counted_bays_by_hand() -> None:
    # Eleven bows on 45 ft: ten bays of 4 ft 6 in.
    bays = counted_bays(45, 11)
    assert (bays.count, bays.bows, bays.bay_m, bays.odd_m) == (10, 11, 4.5, None)
    assert bays.stations_m[3] == pytest.approx(13.5)
    assert counted_bays(6, 2).stations_m == (0.0, 6.0)


def test_the_number_of_bows_makes_the_bays() -> None:
    design = changed(make_house(size__length_m=45 * FOOT_M), ("bows.bays", "counted"), ("bows.count", "11"))
    plan = planned(design)
    assert answer(plan, "set-out", "counted") == "10 × 4' 6\""
    assert answer(plan, "size", "bows") == "11"
    assert answer(plan, "posts", "posts") == "22"
    assert "bows.max_spacing_m" not in next(each.measures for each in plan.steps if each.id == "set-out")


def test_a_number_is_there_as_soon_as_bays_are_counted() -> None:
    # 57 ft at 4 ft has 15 equal bays, so 16 bows.
    assert changed(make_house(), ("bows.bays", "counted")).bows.count == 16


def test_spacing_is_pulled_by_whole_bows() -> None:
    design = changed(make_house(), ("bows.bays", "counted"))
    pull = Edit(measure="bows.max_spacing_m", value_m=57 * FOOT_M / 12.2)
    assert apply_edits(Job(design), [pull], default_catalogue()).design.bows.count == 13
    step = Edit(measure="bows.count", steps=1)
    assert apply_edits(Job(make_house()), [step], default_catalogue()).design.bows.count == 17


@pytest.mark.parametrize(("count", "nearest"), [("2", "13"), ("900", "191")])
def test_too_few_or_too_many_bows_are_refused_with_the_nearest(count: str, nearest: str) -> None:
    # 57 m: no more than 5 m apart wants 12 bays, 0.3 m takes 190 of them.
    design = changed(make_house(size__length_m=57.0), ("bows.bays", "counted"))
    found = refused(design, ("bows.count", count)).troubles[0]
    assert (found.path, found.nearest) == ("bows.count", nearest)
    assert changed(design, ("bows.count", nearest)).bows.count == int(nearest)


def test_a_count_that_clashes_is_named_with_what_agrees() -> None:
    # 128 ft at 4 ft has 32 bays, so 33 bows. 32 bows stand 128/31 = 4.129 ft apart, or reach 31·4 = 124 ft.
    design = make_house(size__length_m=128 * FOOT_M, bows__max_spacing_m=4 * FOOT_M, bows__count=32)
    found = verdict(planned(design), "bow-count")
    assert (found.level, found.rank) == ("fails", "fits")
    assert "wants 33 bows, and you count 32: 1 bow is short. Bows are one more than bays." in found.sentence
    assert "32 bows stand 4' 1 9/16\" apart, or reach 124' 0\"." in found.sentence
    ways = [way for way in find_remedies(design, SiteRecord(), default_catalogue()) if way.verdict == "bow-count"]
    assert len(ways) == 3
    for way in ways:
        left = verdict(planned(apply_edits(Job(design), way.edits, default_catalogue()).design), "bow-count")
        assert left is None or left.level == "holds"


def test_more_bows_than_wanted_are_left_over() -> None:
    assert (
        "wants 16 bows, and you count 18: 2 bows are left over"
        in verdict(make_plan(bows__count=18), "bow-count").sentence
    )
    assert verdict(make_plan(bows__count=16), "bow-count").level == "holds"
    assert verdict(make_plan(), "bow-count") is None


def test_whole_sticks_make_the_height() -> None:
    # Half a circle over 19 ft takes π·9.5 ft = 29.8451 ft of the girth, each leg half the rest: 3.9941 ft.
    whole = changed(on_19_ft(), ("bows.cut", "whole"), ("bows.sticks", "3"))
    assert whole.size.leg_m == pytest.approx((GIRTH_M - math.pi * 9.5 * FOOT_M) / 2, abs=1e-9)
    assert whole.size.leg_m / FOOT_M == pytest.approx(3.9941, abs=1e-4)
    plan = planned(whole)
    assert answer(plan, "bows", "left_over") == '0"'
    assert answer(plan, "bows", "sticks") == "3"
    sticks = [strip for strip in plan.strips if strip.id.startswith("stick:")]
    assert len(sticks) == 3
    assert all("nothing to cut" in strip.about for strip in sticks)


def test_the_height_goes_on_following() -> None:
    whole = changed(on_19_ft(), ("bows.cut", "whole"), ("bows.sticks", "3"))
    wider = changed(whole, ("size.span_m", "20"))
    assert wider.size.leg_m == pytest.approx(whole.size.leg_m - math.pi * 0.5 * FOOT_M / 2, abs=1e-9)
    assert changed(wider, ("size.span_m", "19")).size.leg_m == pytest.approx(whole.size.leg_m, abs=1e-9)


@pytest.mark.parametrize("edit", [("size.shape.height_m", "13'"), ("size.shape.leg_m", "3' 6\"")])
def test_a_height_of_one_s_own_cuts_the_sticks(edit: tuple[str, str]) -> None:
    whole = changed(on_19_ft(), ("bows.cut", "whole"), ("bows.sticks", "3"))
    lower = changed(whole, edit)
    assert lower.bows.cut == "cut"
    assert lower.size.leg_m == pytest.approx(3.5 * FOOT_M)


def test_one_arc_takes_whole_sticks_up_in_its_height() -> None:
    shape = {"kind": "round", "leg_m": 2 * FOOT_M, "height_m": 11 * FOOT_M}
    whole = changed(on_19_ft(size__shape=shape), ("bows.cut", "whole"), ("bows.sticks", "3"))
    assert whole.size.shape.chain(whole.size.span_m).girth_m == pytest.approx(GIRTH_M, abs=1e-6)


def test_sticks_that_no_height_takes_up_are_refused_with_a_number_that_works() -> None:
    design = changed(on_19_ft(), ("bows.cut", "whole"))
    found = refused(design, ("bows.sticks", "9")).troubles[0]
    assert found.path == "bows.sticks"
    assert "9 whole sticks of 12'" in found.sentence
    assert found.nearest is not None
    assert changed(design, ("bows.sticks", found.nearest)).bows.sticks == int(found.nearest)


def test_without_a_number_the_sticks_are_as_many_as_it_takes() -> None:
    # Two of 21 ft are in the bow of 37 ft; of 10 ft sticks it takes four.
    whole = changed(make_house(), ("bows.cut", "whole"))
    assert answer(planned(whole), "bows", "sticks") == "2"
    short = changed(whole, ("bows.stick_m", "10"))
    assert answer(planned(short), "bows", "left_over") == '0"'
    assert short.bows.sticks is None
