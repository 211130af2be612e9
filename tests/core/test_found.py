"""What a bench keeps is what it would find anew: after every change, to the last bit."""

import random
from concurrent.futures import ThreadPoolExecutor
from typing import Any

import pytest

from obtegum.core.documents.house import SiteRecord
from obtegum.core.documents.job import Job
from obtegum.core.documents.level import Spot
from obtegum.core.face.edit import Edit
from obtegum.core.findings.kept import Bench, _place, found
from obtegum.core.findings.skeleton.bays import pegs_of, ways
from obtegum.core.findings.skeleton.bows import split_of
from obtegum.core.findings.skeleton.levels import stand_of
from obtegum.core.house.bench import begin
from obtegum.core.house.edits import apply_edits
from obtegum.core.house.measures import find_measure, measures
from obtegum.core.house.plan import plan_house, plan_work
from obtegum.core.house.starters import demo_houses, new_house
from obtegum.core.rooms import rooms
from obtegum.core.rooms.square_up.again import taped_anew
from obtegum.core.values.catalogue import default_catalogue
from obtegum.core.values.trouble import DesignError
from tests.conftest import make_house

CATALOGUE = default_catalogue()


def same(bench: Any, job: Job) -> None:
    assert plan_work(bench).model_dump_json() == plan_house(*job, CATALOGUE).model_dump_json()


def jobs() -> list[Job]:
    own = make_house(own_tubes=[{"od_m": 0.035, "wall_m": 0.002}], bows__tube="own:1")
    peaked = {"kind": "peaked", "leg_m": 0.7, "height_m": 2.9, "shoulder_m": 0.5}
    angular = make_house(size__shape=peaked, size__span_m=5.0)
    return [*(Job(*each) for each in demo_houses()), Job(new_house("metric")), Job(own), Job(angular)]


def some_edit(chance: random.Random, job: Job, name: str) -> Edit:
    """A change of a measure: to another choice, some steps, or a number near its own."""
    measure = find_measure(name)
    assert measure is not None
    if measure.kind == "choice":
        return Edit(measure=name, text=chance.choice(measure.options(job, CATALOGUE)).id)
    if measure.kind == "text":
        return Edit(measure=name, text=f"House {chance.randrange(100)}")
    if measure.kind == "length" and chance.random() < 0.5:
        near = float(measure.now(job) or 1.0) * chance.uniform(0.8, 1.25)
        return Edit(measure=name, text=f"{near:.4f} m")
    return Edit(measure=name, steps=chance.choice((-3, -1, 1, 2)), stride=chance.choice(("fraction", "small")))


@pytest.mark.parametrize("place", range(6))
def test_every_measure_leaves_the_plan_as_if_made_anew(place: int, pytestconfig: pytest.Config) -> None:
    """One bench through a change of every measure there is, one after the other: of each on one or two of the houses,
    or on all of them."""
    chance, job = random.Random(place), jobs()[place]
    names = [*measures(), *(name for room in rooms() for name in room.more_fields(job.design))]
    names += ["record.levels.pegs.L1", "record.levels.pegs.R2", "record.bows.1.width_m", "record.bows.2.twist_m"]
    if not pytestconfig.getoption("--deep"):
        names = sorted(names)[place % 5 :: 5]
    chance.shuffle(names)
    bench, changed = begin(*job, CATALOGUE), 0
    plan_work(bench)
    for count, name in enumerate(names):
        try:
            after = apply_edits(job, [some_edit(chance, job, name)], CATALOGUE)
        except DesignError:
            continue
        changed += after != job
        job = after
        bench = begin(*job, CATALOGUE, before=bench)
        if count % 2:
            # Often only a step is asked for, and the rest is found later, from an older bench.
            plan_work(bench, chance.choice(("size", "level", "bows", "")))
        else:
            same(bench, job)
    assert changed > len(names) * 0.4
    same(bench, job)


def test_ticks_tapings_spots_imports_and_undo_leave_it_as_if_made_anew() -> None:
    job = Job(*demo_houses()[0])
    bench = begin(*job, CATALOGUE)
    same(bench, job)
    record = job.record
    spots = record.levels.with_spots([Spot(x_m=3.0, y_m=2.0, reading_m=1.7)])
    other = demo_houses()[1]
    for after in (
        Job(job.design, record.with_set("peg:L1", None)),
        Job(job.design, record.with_set("post:R3", 4.0)),
        Job(job.design, taped_anew(Job(job.design, record))[0]),
        Job(job.design, record.model_copy(update={"levels": spots})),
        Job(*other),
        # Back again: what was found before is kept under what it read, and holds.
        job,
        Job(job.design, SiteRecord()),
    ):
        bench = begin(*after, CATALOGUE, before=bench)
        same(bench, after)


def test_a_change_finds_again_only_what_it_touches() -> None:
    job = Job(*demo_houses()[0])
    bench = begin(*job, CATALOGUE)
    plan_work(bench)
    after = apply_edits(job, [Edit(measure="inside.crop_m", text="3'")], CATALOGUE)
    later = begin(*after, CATALOGUE, before=bench)
    plan_work(later)
    assert all(find(later) is find(bench) for find in (split_of, stand_of, ways))
    # A change that comes out equal stops there: another name, and the pegs are still the same ones.
    renamed = apply_edits(job, [Edit(measure="name", text="Other")], CATALOGUE)
    assert pegs_of(begin(*renamed, CATALOGUE, before=later)) is pegs_of(bench)


looked: list[str] = []


@found
def width(bench: Bench) -> float:
    looked.append("width")
    return round(bench.design.size.span_m)


@found
def words(bench: Bench) -> str:
    looked.append("words")
    return f"{width(bench)} wide, tape {bench.design.tape.units}" if width(bench) > 5 else "narrow"


def test_findings_are_kept_by_what_they_read_and_cut_off_where_they_come_out_equal() -> None:
    bench = Bench(make_house(size__span_m=6.1), SiteRecord(), CATALOGUE)
    looked.clear()
    assert (words(bench), words(bench)) == ("6 wide, tape feet",) * 2
    assert looked == ["words", "width"]

    def then(before: Bench, **changes: Any) -> Bench:
        looked.clear()
        return before.changed(make_house(**changes), SiteRecord())

    # 6.1 and 6.2 round alike: the width is looked for again, the words are not.
    near = then(bench, size__span_m=6.2)
    assert words(near) == words(bench)
    assert looked == ["width"]
    # What was not read does not matter; what was read only on another way doesn't either.
    narrow = then(near, size__span_m=4.0)
    assert words(narrow) == "narrow"
    metric = then(narrow, size__span_m=4.0, tape={"units": "metric"})
    assert words(metric) == "narrow"
    assert looked == []


def test_what_raises_is_not_kept() -> None:
    @found
    def half(bench: Bench) -> float:
        if bench.design.size.span_m > 6.0:
            raise ValueError("too wide")
        return bench.design.size.span_m / 2

    wide, narrow = make_house(size__span_m=6.4), make_house(size__span_m=5.0)
    bench = Bench(narrow, SiteRecord(), CATALOGUE)
    assert half(bench) == 2.5
    changed = bench.changed(wide, SiteRecord())
    for _ in range(2):
        with pytest.raises(ValueError, match="too wide"):
            half(changed)
    assert half(changed.changed(narrow, SiteRecord())) == 2.5


@found
def longest(bench: Bench) -> float:
    size = bench.design.size
    return round(size.span_m if bench.design.tape.units == "feet" else size.length_m)


@found
def told_longest(bench: Bench) -> str:
    looked.append("told")
    return f"{longest(bench)} m"


def test_what_came_out_equal_by_another_way_hangs_on_that_way_from_then_on() -> None:
    bench = Bench(make_house(size__span_m=6.0, size__length_m=9.0), SiteRecord(), CATALOGUE)
    assert told_longest(bench) == "6 m"
    metric = {"size__span_m": 6.0, "tape": {"units": "metric"}}
    # The same number, now told by the length: nothing is said anew, but a longer house is.
    other = bench.changed(make_house(**metric, size__length_m=6.0), SiteRecord())
    looked.clear()
    assert told_longest(other) == "6 m"
    assert looked == []
    assert told_longest(other.changed(make_house(**metric, size__length_m=8.0), SiteRecord())) == "8 m"
    assert other.hangs_on(told_longest) == {("design", "size"), ("design", "tape")}


def test_what_was_not_asked_for_in_between_is_found_anew_where_it_has_changed() -> None:
    bench = Bench(make_house(size__span_m=6.0), SiteRecord(), CATALOGUE)
    assert words(bench).startswith("6")
    wider = bench.changed(make_house(size__span_m=8.0), SiteRecord())
    elsewhere = wider.changed(make_house(size__span_m=8.0, inside={"crop_m": 1.0}), SiteRecord())
    assert words(elsewhere).startswith("8")
    back = elsewhere.changed(make_house(size__span_m=6.0), SiteRecord())
    again = back.changed(make_house(size__span_m=6.0, inside={"crop_m": 1.0}), SiteRecord())
    assert words(again).startswith("6")


def test_who_goes_on_without_what_raises_hangs_on_what_that_read() -> None:
    @found
    def narrow(bench: Bench) -> float:
        if bench.design.size.span_m > 6.0:
            raise ValueError("too wide")
        return bench.design.size.span_m

    @found
    def said(bench: Bench) -> str:
        try:
            return f"{narrow(bench)} m"
        except ValueError:
            return "too wide"

    bench = Bench(make_house(size__span_m=6.4), SiteRecord(), CATALOGUE)
    assert said(bench) == "too wide"
    assert said(bench.changed(make_house(size__span_m=5.0), SiteRecord())) == "5.0 m"


def test_threads_that_note_a_place_at_once_note_the_same_one() -> None:
    paths = [("design", f"made-up-{number}") for number in range(200)]
    with ThreadPoolExecutor(8) as pool:
        found_ = list(pool.map(lambda _: [_place(path) for path in paths], range(16)))
    assert all(each == found_[0] for each in found_)
    assert len({place.bit for place in found_[0]}) == len(paths)
