"""The standing frame: its lean given back, straps that reckon with the runs, rounds that are kept."""

from typing import Any

import numpy as np
import pytest

from obtegum.core.documents.house import SiteRecord
from obtegum.core.documents.job import Job
from obtegum.core.face.edit import chosen
from obtegum.core.findings.skeleton.bays import bays_of, tapes_of
from obtegum.core.formulas.plumb_frame import chain, followed, pulls
from obtegum.core.house.edits import apply_edits
from obtegum.core.house.plan import plan_house
from obtegum.core.rooms import rooms
from obtegum.core.rooms.plumb.found import leans_of, slack_m, straps_of
from obtegum.core.values.catalogue import default_catalogue
from tests.conftest import make_bench, make_house, verdict


def stood(leans: list[float], twist: float = 0.0, **changes: Any) -> SiteRecord:
    bench = make_bench(**changes)
    start = tapes_of(bench).start_m
    return SiteRecord.model_validate(
        {
            "plumb": {
                str(bow): {"crown_m": start + at + lean, "left_m": start + at, "right_m": start + at + twist}
                for bow, (at, lean) in enumerate(zip(bays_of(bench).stations_m, leans, strict=True), start=1)
            }
        }
    )


# Leans that no tape at the front of the house reads below zero for.
def some_leans(seed: int) -> list[float]:
    found = np.random.default_rng(seed).normal(0.0, 0.03, 16)
    return [abs(float(found[0])), *map(float, found[1:])]


@pytest.mark.parametrize("seed", range(5))
def test_a_frame_read_exactly_gives_back_its_lean(seed: int) -> None:
    leans = some_leans(seed)
    bench = make_bench(stood(leans, twist=0.004))
    assert [each.lean_m for each in leans_of(bench)] == pytest.approx(leans, abs=1e-4)
    assert [each.twist_m for each in leans_of(bench)] == pytest.approx([0.004] * 16, abs=1e-4)


def test_a_long_chain_follows_by_the_share_that_is_told() -> None:
    moved = followed(chain(41, 0.6), [20], np.array([0.1]))
    assert moved[21] / moved[20] == pytest.approx(0.6, abs=1e-6)
    assert moved[25] == pytest.approx(0.1 * 0.6**5, rel=1e-5)


@pytest.mark.parametrize("follows", [0.1, 0.6, 0.9])
def test_straps_pull_the_frame_true_one_after_the_other(follows: float) -> None:
    out = np.array(some_leans(3))
    found = pulls(out, follows, 0.01)
    # Forward: springs in a row, each strap moved by as much as it says while the others are kept, by forces this time.
    stiff, now, held = chain(16, follows), out.copy(), list[int]()
    flex = np.linalg.inv(stiff)
    for strap in found:
        held.append(strap.bow)
        want = np.zeros(len(held))
        want[-1] = strap.by_m
        force = np.linalg.solve(flex[np.ix_(held, held)], want)
        now = now + flex[:, held] @ force
        assert now[strap.bow] == pytest.approx(0.0, abs=1e-12)
        assert np.abs(now).max() == pytest.approx(strap.left_m, abs=1e-12)
    assert np.abs(now).max() <= 0.01
    assert len({strap.bow for strap in found}) == len(found)


def test_stiff_runs_want_fewer_straps_for_a_lean_that_all_share() -> None:
    even = np.full(21, 0.05)
    assert len(pulls(even, 0.9, 0.01)) < len(pulls(even, 0.1, 0.01))


def test_noise_stays_within_its_spread() -> None:
    # A tape good to 2 mm: leans are given back to 2 mm, and none of sixteen is off by four times that.
    noise, leans = np.random.default_rng(1).normal(0.0, 0.002, 16), np.array([0.03, *some_leans(2)[1:]])
    read = leans_of(make_bench(stood([float(each) for each in leans + noise])))
    off = np.array([each.lean_m for each in read], dtype=float) - leans
    assert 0.001 < float(np.sqrt((off**2).mean())) < 0.003
    assert float(np.abs(off).max()) < 0.008


def test_what_is_read_says_what_to_pull_and_rounds_are_kept() -> None:
    leans = [0.0] * 16
    leans[7] = 0.06
    house, record = make_house(), stood(leans)
    plan = plan_house(house, record, default_catalogue())
    found = verdict(plan, "plumb")
    assert (found.level, found.part) == ("tight", "bow:8")
    assert "Bow 8 leans to the back" in found.sentence
    step = next(each for each in plan.steps if each.id == "plumb")
    assert step.next.startswith("Strap bow 8 at the crown and pull it to the front by")
    assert step.next.endswith("then read again.")
    act = next(room.acts["read-anew"] for room in rooms() if "read-anew" in room.acts)
    again, words = act(Job(house, record))
    assert words == "Frame pulled, reading begun again"
    assert again.plumb == {}
    assert len(again.plumb_earlier) == 1
    after = plan_house(house, again, default_catalogue())
    step = next(each for each in after.steps if each.id == "plumb")
    assert next(each.value for each in step.answers if each.id == "plumbed_1") == pytest.approx(0.06)
    assert step.next.startswith("Next: bow 1")


def test_a_run_is_slack_by_what_the_end_bows_lean_together() -> None:
    leans = [0.02, *[0.0] * 14, -0.01]
    bench = make_bench(stood(leans))
    assert slack_m(bench, "crown") == pytest.approx(0.03)
    assert slack_m(bench, "left") == pytest.approx(0.0)
    assert straps_of(bench)


def test_a_reading_is_typed_as_any_other() -> None:
    job = apply_edits(
        Job(make_house(), SiteRecord()), (chosen("record.plumb.3.crown_m", "5' 9\""),), default_catalogue()
    )
    assert job.record.plumb["3"].crown_m == pytest.approx(69 * 0.0254)
