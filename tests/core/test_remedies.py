"""Remedies: tried before they are offered, and as good as they say."""

import random
from collections.abc import Iterator
from itertools import groupby
from typing import Any

import pytest

from obtegum.core.documents.house import SiteRecord
from obtegum.core.documents.job import Job
from obtegum.core.documents.level import Levels
from obtegum.core.drawing.verdict import LEVELS, RANKS, Verdict
from obtegum.core.face.edit import Edit, Edits, lengthened
from obtegum.core.findings.work import Work
from obtegum.core.house import remedies
from obtegum.core.house.bench import begin
from obtegum.core.house.edits import apply_edits
from obtegum.core.house.plan import HousePlan, plan_house
from obtegum.core.house.remedies import MOST_PER_VERDICT, Remedy, find_remedies
from obtegum.core.house.starters import demo_houses
from obtegum.core.values.catalogue import default_catalogue
from obtegum.core.values.quantity import FOOT_M, INCH_M
from tests.conftest import answer as reading
from tests.conftest import make_house, verdict
from tests.core.test_strength import TOLD

FLAT = {"kind": "round", "leg_m": 22 * INCH_M, "height_m": 9 * FOOT_M}
AILING: dict[str, dict[str, Any]] = {
    "headroom": {"size__shape": {"kind": "round_on_legs", "leg_m": 1.0 * FOOT_M}},
    "leg-top": {"size__shape": {"kind": "round", "leg_m": 4 * FOOT_M, "height_m": 13 * FOOT_M}},
    "entry": {"bows__tube": "post-1-7-8"},
    "odd-bay": {"bows__bays": "fixed"},
    "tape": {"set_out__tape_m": 50 * FOOT_M, "set_out__method": "whole"},
    "waste": {"bows__stick_m": 23 * FOOT_M},
}


def posts_and_sticks(plan: HousePlan) -> int:
    """Posts, two to a bow, and the sticks that are bought, of the printed answers."""
    posts = int(reading(plan, "posts", "posts"))
    return posts + int(reading(plan, "bows", "bundles").replace(",", ""))


def remedies_for(name: str, **changes: Any) -> list[Remedy]:
    found = find_remedies(make_house(**changes), SiteRecord(), default_catalogue())
    return [remedy for remedy in found if remedy.verdict == name]


@pytest.mark.parametrize("name", AILING)
def test_every_usual_ailment_has_a_way_out(name: str) -> None:
    assert remedies_for(name, **AILING[name])


@pytest.mark.parametrize("changes", [*AILING.values(), {"size__shape": FLAT}])
def test_an_offer_is_as_good_as_it_says(changes: dict[str, Any]) -> None:
    design, catalogue = make_house(**changes), default_catalogue()
    before = plan_house(design, SiteRecord(), catalogue)
    for remedy in find_remedies(design, SiteRecord(), catalogue):
        after = plan_house(*apply_edits(Job(design), remedy.edits, catalogue), catalogue)
        was, now = verdict(before, remedy.verdict), verdict(after, remedy.verdict)
        if now is not None:
            assert (now.level, now.number, now.ratio) == (remedy.level, remedy.number, remedy.ratio)
            better = LEVELS.index(now.level) < LEVELS.index(was.level)
            assert better or (now.level == was.level and now.ratio < was.ratio)
        assert remedy.more == posts_and_sticks(after) - posts_and_sticks(before)
        failing = {each.id for each in before.verdicts if each.level == "fails"}
        assert {each.id for each in after.verdicts if each.level == "fails"} <= failing


def test_a_house_that_holds_is_left_alone() -> None:
    assert find_remedies(demo_houses()[0][0], SiteRecord(), default_catalogue()) == []


def test_offers_are_few_and_distinct_and_best_first() -> None:
    found = find_remedies(make_house(**AILING["odd-bay"]), SiteRecord(), default_catalogue())
    for _, group in groupby(found, key=lambda remedy: remedy.verdict):
        offers = list(group)
        assert len(offers) <= MOST_PER_VERDICT
        assert len({offer.words for offer in offers}) == len(offers)
        levels = [LEVELS.index(offer.level) for offer in offers]
        assert levels == sorted(levels)


def test_a_longer_leg_by_hand() -> None:
    # At 1 ft legs the side bed has 5 ft − something; to use no more than nine tenths of the room, a
    # 5 ft 9 in grower wants 6 ft 4 11/16 in, so the legs go up to the next whole inch.
    design = make_house(**AILING["headroom"])
    room = verdict(plan_house(design, SiteRecord(), default_catalogue()), "headroom")
    missing_in = (69 / 0.9) - 69 / room.ratio
    wanted = -(-(12 + missing_in) // 1)
    words = [remedy.words for remedy in remedies_for("headroom", **AILING["headroom"])]
    assert f"Straight leg {int(wanted // 12)}' {int(wanted % 12)}\"" in words


WEAK: dict[str, Any] = {
    "tape__units": "metric",
    "size__span_m": 5.0,
    "size__length_m": 12.0,
    "bows__making": "rolls",
    "bows__tube": "round-42.4",
    "posts__tube": "round-48.3",
}
HEAVY = {**TOLD, "method": "us", "ground_snow_pa": 900.0, "wind_mps": 34.0}


def test_a_way_out_is_never_one_that_nobody_knows_of(pytestconfig: pytest.Config) -> None:
    # A stouter tube that no longer goes into its posts plumb leaves the bow's strength unknown: that is no answer.
    chance, seen = random.Random(8), 0
    for _ in range(12 if pytestconfig.getoption("--deep") else 3):
        heavy = HEAVY | {"ground_snow_pa": chance.uniform(500, 2000), "wind_mps": chance.uniform(25, 45)}
        shape = {"kind": "round_on_legs", "leg_m": chance.choice((0.5, 0.9))}
        house = make_house(**WEAK, size__shape=shape, weather=heavy)
        was = {each.id: each for each in plan_house(house, SiteRecord(), default_catalogue(), "none").verdicts}
        for remedy in find_remedies(house, SiteRecord(), default_catalogue()):
            seen += 1
            job = apply_edits(Job(house), remedy.edits, default_catalogue())
            after = plan_house(*job, default_catalogue(), "none").verdicts
            mine = next((each for each in after if each.id == remedy.verdict), None)
            assert mine is None or mine.level in ("holds", "tight"), remedy
            for each in after:
                no_lower = RANKS.index(each.rank) <= RANKS.index(was[remedy.verdict].rank)
                before = was[each.id].level if each.id in was else "holds"
                if each.id != remedy.verdict and no_lower and LEVELS.index(each.level) > LEVELS.index(before):
                    assert each.level == "tight" and f"{each.title.lower()} is tight then" in remedy.cost, remedy
    assert seen > 3


def test_what_worsens_something_is_made_good_where_there_is_no_other_way(monkeypatch: pytest.MonkeyPatch) -> None:
    # The only cure of a headroom that fails lifts the posts out of the ground, which fails them: longer ones mend that.
    def lifted(work: Work, verdict: Verdict) -> Iterator[Edits]:
        leg_m, reveal_m = work.design.size.leg_m + 0.4, work.design.posts.reveal_m + 0.4
        yield (lengthened("size.shape.leg_m", leg_m), lengthened("posts.reveal_m", reveal_m))

    record = SiteRecord(levels=Levels(pegs={f"{side}{bow}": 1.5 for side in "LR" for bow in range(1, 17)}))
    low = {"size__shape": {"kind": "round_on_legs", "leg_m": 1.5 * FOOT_M}}
    house, plain = make_house(**low, posts__reveal_m=0.2, posts__length_m=0.85), dict(remedies._cures())
    monkeypatch.setattr(remedies, "_cures", lambda: {**plain, "headroom": lifted})
    found = [each for each in find_remedies(house, record, default_catalogue()) if each.verdict == "headroom"]
    assert found
    for each in found:
        assert [edit.measure for edit in each.edits] == ["size.shape.leg_m", "posts.reveal_m", "posts.length_m"]
        after = plan_house(*apply_edits(Job(house, record), each.edits, default_catalogue()), default_catalogue())
        assert verdict(after, "embedment").level in ("holds", "tight")
    # Where nothing mends that, it is no way out.
    monkeypatch.setattr(remedies, "_cures", lambda: {"headroom": lifted})
    assert not [each for each in find_remedies(house, record, default_catalogue()) if each.verdict == "headroom"]


def test_what_a_way_out_undoes_is_said_with_what_it_costs() -> None:
    # Bows bought in pieces make a height; a way out that changes the height has them cut again.
    pieces = {"bows__cut": "own", "bows__own_pieces_m": [4.0, 4.0], "bows__joint_m": 0.1, "bows__making": "parts"}
    house = make_house(size__shape={"kind": "round", "leg_m": 0.6, "height_m": 2.9}, size__span_m=5.0, **pieces)
    work = begin(house, SiteRecord(), default_catalogue())
    made = apply_edits(Job(house, SiteRecord()), [Edit(measure="size.shape.height_m", text="3 m")], work.catalogue)
    assert made.design.bows.cut == "cut"
    found = find_remedies(house, SiteRecord(), default_catalogue())
    undoing = [each for each in found if any(edit.measure == "size.shape.height_m" for edit in each.edits)]
    assert undoing
    for each in undoing:
        assert "sticks are cut to the bow then" in each.cost
    for each in found:
        after = apply_edits(Job(house, SiteRecord()), each.edits, work.catalogue).design
        assert after.bows.cut == "own" or "sticks are" in each.cost or "Sticks are" in each.words
