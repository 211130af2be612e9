"""Bows over bars and stubs: what rocks on them, what of them stands bare, and the one that is usual."""

import math
from typing import Any

import pytest

from obtegum.core.documents.house import SiteRecord
from obtegum.core.documents.job import Job
from obtegum.core.face.edit import chosen
from obtegum.core.findings.skeleton.posts import bare_stub, slop
from obtegum.core.house.edits import apply_edits
from obtegum.core.house.remedies import find_remedies
from obtegum.core.values.catalogue import default_catalogue
from obtegum.core.values.quantity import INCH_M
from tests.conftest import make_bench, make_house, make_plan, verdict

BAR: dict[str, Any] = {"posts__stand": "stub", "posts__tube": "bar-1-2", "posts__reveal_m": 20 * INCH_M}


def test_a_thin_bar_in_a_wide_bore_lets_the_bow_rock() -> None:
    # A 1 3/8 in rail has a bore of 1.245 in; a no. 4 bar measures 0.5 in and its ribs; 6 in of it in the bow.
    plan, bench = make_plan(**BAR), make_bench(**BAR)
    over = 0.5 * INCH_M + 2 * 0.00102
    lean = math.atan2(1.245 * INCH_M - over, 6 * INCH_M)
    assert slop(bench) == pytest.approx(lean / math.radians(4))
    found = verdict(plan, "entry")
    assert found.level == "fails"
    assert "rocks by" in found.sentence and "plumb and in line" not in found.sentence
    # One that fills it holds; and what only just goes in is not asked to.
    stout = verdict(make_plan(**{**BAR, "posts__tube": "conduit-1"}), "entry")
    assert stout.level == "holds"
    # A post that is far too wide rocks too.
    wide = verdict(make_plan(posts__tube="post-2-3-8"), "entry")
    assert wide.level == "fails"
    assert "in line" in verdict(make_plan(), "entry").sentence


def test_plastic_pipe_bends_to_its_stub() -> None:
    # 1 in pipe, 1.049 in of bore, over a no. 4 bar: 4.5°, of 8 that plastic may.
    bench = make_bench(**BAR, bows__tube="pvc-1")
    lean = math.atan2(1.049 * INCH_M - 0.5 * INCH_M - 2 * 0.00102, 6 * INCH_M)
    assert slop(bench) == pytest.approx(lean / math.radians(8))
    assert bare_stub(bench) is None


def test_what_stands_bare_between_ground_and_bow_is_judged() -> None:
    # 20 in out, 6 in of it in the bow: 14 in bare. Z of the bar D³/6 at 276 MPa, of the rail (D³ − d³)/6 at 207.
    bare = bare_stub(make_bench(**BAR))
    assert bare is not None
    assert bare.long_m == pytest.approx(14 * INCH_M)
    assert bare.share == pytest.approx(276 * 0.5**3 / (207 * (1.375**3 - 1.245**3)), rel=1e-6)
    found = verdict(make_plan(**BAR), "bare-stub")
    assert (found.level, found.rank) == ("fails", "stands")
    down = {**BAR, "bows__insertion_m": 20 * INCH_M}
    assert bare_stub(make_bench(**down)) is None
    assert verdict(make_plan(**down), "bare-stub") is None
    assert bare_stub(make_bench()) is None


def test_the_usual_stub_is_one_that_fits() -> None:
    house = make_house(posts__reveal_m=20 * INCH_M)
    job = apply_edits(Job(house, SiteRecord()), (chosen("posts.stand", "stub"),), default_catalogue())
    posts, bench = job.design.posts, make_bench(**job.design.model_dump(include={"posts", "bows"}))
    catalogue = default_catalogue()
    goes = [
        tube
        for tube in catalogue.tubes.values()
        if tube.sold_in == "feet" and tube.material == "steel" and tube.over_m < 1.245 * INCH_M
    ]
    assert catalogue.tubes[posts.tube].over_m == max(tube.over_m for tube in goes)
    assert slop(bench) < 0.9
    assert bare_stub(bench) is None
    # A post again: the bow goes in as far as it usually does.
    back = apply_edits(job, (chosen("posts.stand", "driven"),), catalogue)
    assert back.design.bows.insertion_m == pytest.approx(6 * INCH_M)


def test_a_bow_that_rocks_has_ways_out() -> None:
    found = find_remedies(make_house(**BAR), SiteRecord(), default_catalogue())
    ways = [each for each in found if each.verdict in ("entry", "bare-stub")]
    assert {each.verdict for each in ways} == {"entry", "bare-stub"}
    assert all(each.level in ("holds", "tight") for each in ways)
