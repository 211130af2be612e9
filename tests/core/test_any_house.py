"""Whatever house can be made of the documents is planned whole, drawn, carded and printed."""

import json
import random

import pytest

from obtegum.core.documents.house import HouseDesign, SiteRecord
from obtegum.core.documents.job import Job
from obtegum.core.drawing.verdict import LEVELS, RANKS, Verdict, judge
from obtegum.core.findings.work import Work
from obtegum.core.house.bench import begin
from obtegum.core.house.cards import cards_of, with_cards
from obtegum.core.house.plan import HousePlan, plan_work
from obtegum.core.house.remedies import find_remedies
from obtegum.core.rooms.size.compared import SHAPE_LABELS, shape_of
from obtegum.core.values.catalogue import default_catalogue
from obtegum.exchange.cad import drawings_dxf, setting_out_dxf
from obtegum.exchange.pdf import sheet_pdf
from obtegum.exchange.tables import all_tables, table_csv
from tests.conftest import make_house
from tests.houses import Maker, options_of

CATALOGUE = default_catalogue()
# Of those made here, so many for each run of the tests, and of them so many with their files and ways out.
MADE, WITH_FILES = 60, 4
DEEP_MADE, DEEP_FILES = 5000, 300
# One in so many of them has a pack of its cards come back.
PACKED = 3
# Of plastic pipe under snow, and of snow that is cleared.
HABITS = ("strength", "clearing")


def planned(design: HouseDesign, record: SiteRecord) -> tuple[Work, HousePlan]:
    """Everything of a house; nothing of it is no number, and every step with work to do has cards."""
    work = begin(design, record, CATALOGUE)
    plan = plan_work(work)
    json.dumps(plan.model_dump(mode="json"), allow_nan=False)
    for step in with_cards(work):
        assert cards_of(work, step)
    for each in plan.verdicts:
        judged_alike(each)
    return work, plan


def judged_alike(verdict: Verdict) -> None:
    """One rule for all shares of a limit: holds to 0.90, tight to 1.00; what hangs on a habit is tight at best."""
    if verdict.ratio is None or verdict.level == "unknown":
        return
    told = judge(verdict.ratio, CATALOGUE.rules.holds_to)
    if verdict.id in HABITS and told == "holds":
        told = verdict.level if verdict.level in ("holds", "tight") else told
    assert verdict.level == told, (verdict.id, verdict.level, verdict.ratio)


def ways_out(design: HouseDesign, record: SiteRecord, plan: HousePlan) -> None:
    """Each way out answers its verdict by a known one, and worsens none of as high a rank but as it says."""
    was = {each.id: each for each in plan.verdicts}
    for remedy in find_remedies(design, record, CATALOGUE):
        # Known, or open by a question that was open before: no weather makes it so.
        asked = any(each.level == "unknown" and "?" in each.sentence for each in plan.verdicts)
        assert remedy.level in ("holds", "tight", *(("unknown",) if asked else ())), remedy
        assert asked or "not known" not in remedy.number, remedy
        before = was[remedy.verdict]
        assert LEVELS.index(remedy.level) <= LEVELS.index(before.level)
        for worse in plan.verdicts:
            if f"{worse.title.lower()} is not known then" in remedy.cost:
                assert RANKS.index(worse.rank) > RANKS.index(before.rank), remedy


def test_any_house_is_planned_whole(pytestconfig: pytest.Config) -> None:
    deep = pytestconfig.getoption("--deep")
    maker, made = Maker(random.Random(3535)), DEEP_MADE if deep else MADE
    every, came_back = made // (DEEP_FILES if deep else WITH_FILES), 0
    titles = set[tuple[str, str]]()
    for number in range(made):
        design = maker.design()
        record = maker.record(design)
        work, plan = planned(design, record)
        titles |= {(step.id, step.title) for step in plan.steps}
        if number % PACKED == 0:
            job, entries, back = maker.packed(Job(design, record))
            assert back.taken + back.already + len(back.refused) + len(back.clashes) == len(entries)
            planned(*job)
            came_back += back.taken
        if number % every:
            continue
        assert sheet_pdf(plan, 1, "2026-05-01", "a4").startswith(b"%PDF")
        assert all(table_csv(name, work).count("\n") >= 1 for name in all_tables())
        assert setting_out_dxf(work) and drawings_dxf(plan.drawings)
        ways_out(design, record, plan)
    # Every choice of every room was in some of them.
    chosen = [(leaf.path, option) for leaf in maker.leaves for option in options_of(leaf)]
    assert len(chosen) > 300
    assert min(maker.taken[each] for each in chosen) >= (20 if deep else 1)
    # And pairs of them across rooms, but for those that can't be together.
    assert len(maker.pairs) >= (0.97 if deep else 0.7) * maker.pairs_across()
    assert came_back > made
    # A step is called the same, whatever the house is made of.
    assert len(titles) == len({step for step, _ in titles})


@pytest.mark.parametrize("kind", SHAPE_LABELS)
@pytest.mark.parametrize("leg_m", [0.0, 1.0, 4.0])
@pytest.mark.parametrize("span_m", [1.5, 6.0, 20.0])
def test_a_shape_that_another_is_made_into_is_in_its_ranges(kind: str, leg_m: float, span_m: float) -> None:
    # Twenty metres wide on legs of four: as gothic it would have been sixteen high, of fourteen.
    size = make_house().size
    shape = type(size.shape).model_construct(kind="round_on_legs", leg_m=leg_m)
    made = shape_of(kind, size.model_copy(update={"span_m": span_m, "shape": shape}))
    assert type(made).model_validate(made.model_dump()) == made
