"""Film day: people, gusts, ropes and room by hand; the day's own figures judged."""

import math

import pytest

from obtegum.core.findings.skeleton.tubes import bow_tube
from obtegum.core.rooms.cover.found import reach_of, rim_m
from obtegum.core.rooms.hoist.found import gust_held_mps, needed, open_tasks, sheet_of, shrinks_m
from tests.conftest import make_bench, make_plan, verdict

APART = {"cover": {"made": "apart"}}


def judged(**day: object) -> dict[str, str]:
    plan = make_plan(**APART, hoist=day)
    return {each.id: each.level for each in plan.verdicts if each.step == "hoist"}


def test_people_by_hand() -> None:
    # Rule B2: 30 m by 1.5 m in 5 m/s is 0.83 kN, six people of 150 N.
    work = make_bench(size__length_m=29.1 - 0.0424, cover={"made": "apart", "drop_m": 0.45})
    assert sheet_of(work).loose_m2 == pytest.approx(30 * 1.5, rel=0.002)
    assert needed(work) == max(6, math.ceil(sheet_of(work).kg / 15))
    # Six hold it in √(150·6/(0.736·45)) = 5.2 m/s.
    assert gust_held_mps(work, 6) == pytest.approx(5.2, abs=0.03)
    assert gust_held_mps(work, 40) == 7.0


def test_ropes_and_room_by_hand() -> None:
    work = make_bench(**APART)
    sheet, long = sheet_of(work), 57 * 0.3048 + bow_tube(work).od_m + 0.9
    assert reach_of(work).long_m == pytest.approx(long)
    assert sheet.ropes == math.floor(long / 6) + 1
    assert sheet.rope_m == pytest.approx(rim_m(work) + 4)
    assert (sheet.strip_long_m, sheet.strip_wide_m) == (pytest.approx(long), 3.0)
    along = sheet_of(make_bench(**APART, hoist={"way": "along"}))
    assert along.ropes == 2 and along.rope_m == pytest.approx(57 * 0.3048 + 4)
    two = sheet_of(make_bench(cover={"made": "apart", "pieces": "two"}))
    assert two.kg < sheet.kg


def test_film_is_longer_in_summer_and_shorter_in_frost() -> None:
    # 1.8e-4 /K: fitted at 25 °C and at −10 °C it is 0.6 % shorter.
    work = make_bench(**APART)
    longer, shorter = shrinks_m(work, 25.0)
    assert shorter / reach_of(work).over_m == pytest.approx(0.0063)
    assert longer / reach_of(work).over_m == pytest.approx(15 * 1.8e-4)


def test_only_what_is_told_of_a_day_is_judged() -> None:
    assert judged() == {}
    assert judged(crew=3)["day-crew"] == "fails"
    assert judged(crew=12)["day-crew"] == "holds"
    assert judged(crew=12, gust_mps=4.0)["day-gusts"] == "holds"
    assert judged(crew=12, gust_mps=6.0)["day-gusts"] == "tight"
    assert judged(crew=60, gust_mps=7.5)["day-gusts"] == "fails"
    # Without a crew the least one is reckoned with, in no more than the day's 5 m/s.
    assert judged(gust_mps=5.5)["day-gusts"] == "fails"
    assert [judged(air_c=each)["day-warmth"] for each in (20.0, 8.0, 2.0, 33.0)] == ["holds", "tight", "fails", "fails"]
    assert judged(wet="wet")["day-dry"] == "tight"
    assert (
        judged(free_m=3.5)["day-room"] == "holds"
        and judged(free_m=3.1)["day-room"] == "tight"
        and judged(free_m=2.0)["day-room"] == "fails"
    )


def test_what_has_to_be_done_before_is_told_from_the_house() -> None:
    work = make_bench(**APART)
    assert "the frame has no braces" in open_tasks(work)
    said = verdict(make_plan(**APART, hoist={"before": "done"}), "day-before")
    assert said.level == "fails" and "no braces" in said.sentence
    assert not [each for each in make_plan(hoist={"crew": 1}).verdicts if each.step == "hoist"]
