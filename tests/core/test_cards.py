"""Field cards: every step's work, one thing at a time, in the order of the work, and how they are kept as done."""

import pytest

from obtegum.core.documents.house import SiteRecord
from obtegum.core.documents.job import Job
from obtegum.core.face.edit import Edit
from obtegum.core.house.bench import begin
from obtegum.core.house.cards import card_at, cards_of, with_cards
from obtegum.core.house.edits import apply_edits
from obtegum.core.house.plan import plan_house
from obtegum.core.house.starters import demo_houses
from obtegum.core.values.catalogue import default_catalogue
from obtegum.core.values.trouble import DesignError
from tests.conftest import make_bench, make_house

CATALOGUE = default_catalogue()


def test_every_walk_of_every_step_is_dealt_in_its_order() -> None:
    for design, record in demo_houses():
        work, plan = begin(design, record, CATALOGUE), plan_house(design, record, CATALOGUE)
        for step in plan.steps:
            if not step.walk:
                continue
            named = [card.tick or card.measure for card in cards_of(work, step.id)]
            walked = [name for name in named if name in step.walk]
            assert walked == list(step.walk), step.id


def test_cards_tell_what_the_tape_tells() -> None:
    work = make_bench()
    pegs = [card for card in cards_of(work, "set-out") if card.tick.startswith("peg:")]
    # 57 ft in equal bays: the second peg on each side at one bay.
    assert pegs[0].reading.startswith("0") and len(pegs) == 2 * len({card.at_m for card in pegs})
    plan = plan_house(make_house(), SiteRecord(), CATALOGUE)
    marks = {mark.id: mark for strip in plan.strips for mark in strip.marks}
    told = [card for step in with_cards(work) for card in cards_of(work, step) if card.id in marks]
    assert len(told) > 50
    assert all(card.reading in (marks[card.id].reading, "") for card in told)


def test_each_card_has_something_to_do_and_a_name_of_its_own() -> None:
    for design, record in demo_houses():
        work = begin(design, record, CATALOGUE)
        assert {"set-out", "level", "posts", "bows", "bend", "row", "runs", "plumb"} <= set(with_cards(work))
        for step in with_cards(work):
            cards = cards_of(work, step)
            assert len({card.tick or card.measure for card in cards}) == len(cards), step
            assert all(card.says and (card.tick or card.measure) for card in cards), step


def test_what_is_done_is_kept_by_where_it_was_done() -> None:
    work = make_bench()
    card = next(each for each in cards_of(work, "bows") if each.at_m > 0)
    assert card.state == "open"
    record = SiteRecord().with_set(card.tick, card.at_m)
    done = make_bench(record)
    assert card_at(done, card.tick).state == "set"  # type: ignore[union-attr]
    # Another height moves the marks: what was done is told to be looked at again.
    moved = make_bench(record, bows__insertion_m=0.2)
    again = card_at(moved, card.tick)
    assert again is not None and again.state == "moved" and again.at_m != card.at_m
    assert card_at(done, "card:bows:stick:Z/nothing") is None and card_at(done, "card:nothing:how:1") is None
    with pytest.raises(LookupError):
        cards_of(work, "nothing")


def test_what_is_read_flows_into_what_comes_after() -> None:
    job = Job(make_house(tape__units="metric"), SiteRecord())
    before = begin(job.design, job.record, CATALOGUE)
    assert not any("rod on its top reads" in card.says for card in cards_of(before, "posts"))
    levels = [card for card in cards_of(before, "level") if card.measure]
    for place, card in enumerate(levels):
        job = apply_edits(job, (Edit(measure=card.measure, text=f"{1.5 + 0.002 * place:.3f} m"),), CATALOGUE)
    after = begin(job.design, job.record, CATALOGUE)
    assert all(
        card.state == "set" for card in cards_of(after, "level") if card.measure.startswith("record.levels.pegs")
    )
    posts = [card for card in cards_of(after, "posts") if card.tick.startswith("post:")]
    assert posts and all("rod on its top reads" in card.says for card in posts)


def test_tallies_and_the_clock_by_hand() -> None:
    record = SiteRecord().with_tally("loads", 3).with_tally("loads", -1).with_tally("bows", -5)
    assert record.tallies == {"loads": 2, "bows": 0}
    # Ten minutes on posts; begun on bows, which ends it; an hour of that so far.
    begun = record.clocked("posts", 1000.0, on=True).clocked("bows", 1600.0, on=True)
    assert begun.worked_s("posts", 9999.0) == 600 and begun.worked_s("bows", 1600.0 + 3600) == 3600
    assert begun.running is not None and begun.running.step == "bows"
    ended = begun.clocked("bows", 5200.0, on=False)
    assert ended.running is None and ended.worked_s("bows", 1e9) == 3600


@pytest.mark.parametrize(("start_s", "stop_s"), [(2000.0, 1000.0), (2000.0, 2000.0 + 20 * 3600 + 1), (5e8, 1.7e9)])
def test_a_clock_that_was_set_or_left_running_counts_nothing_until_somebody_says(start_s: float, stop_s: float) -> None:
    went = SiteRecord().clocked("bows", start_s, on=True)
    record = went.clocked("bows", stop_s, on=False)
    for each, now_s in ((went, stop_s), (record, 2e9)):
        doubted = each.doubted(now_s)
        assert doubted is not None and doubted.start_s == start_s and each.worked_s("bows", now_s) == 0
        told = each.told_worked(start_s, 26 * 3600, now_s)
        assert told.running is None and told.doubted(3e9) is None and told.worked_s("bows", 3e9) == 26 * 3600
        with pytest.raises(DesignError):
            each.told_worked(start_s + 1, 3600, now_s)
        # What was answered, or never was doubtful, is nobody's to write anew.
        with pytest.raises(DesignError):
            told.told_worked(start_s, 3600, now_s)
    # What was only begun, and a long day, are believed.
    assert SiteRecord().clocked("bows", 2000.0, on=True).doubted(2000.0) is None
    day = SiteRecord().clocked("bows", 2000.0, on=True).clocked("bows", 2000.0 + 20 * 3600, on=False)
    assert day.doubted(2e9) is None and day.worked_s("bows", 2e9) == 20 * 3600


def test_the_two_thousand_and_first_stretch_of_work_loses_none_of_its_time() -> None:
    record = SiteRecord().clocked("drain", 5e8, on=True).clocked("drain", 5e8 + 7, on=False)
    wanted = {"posts": 0.0, "bows": 0.0}
    for place in range(2003):
        step, start_s = ("posts", "bows")[place % 2], 1e9 + 10000.0 * place
        record = record.clocked(step, start_s, on=True).clocked(step, start_s + 60 + place, on=False)
        wanted[step] += 60 + place
    assert len(record.shifts) == 2000 and record.worked_s("drain", 2e9) == 7
    for step, worked_s in wanted.items():
        assert record.worked_s(step, 2e9) == pytest.approx(worked_s)
