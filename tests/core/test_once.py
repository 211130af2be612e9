"""One fact is asked once: what is told in one step is what the others use, and none asks it in other words."""

import pytest

from obtegum.core.documents.house import SiteRecord
from obtegum.core.documents.job import Job
from obtegum.core.face.edit import Edit
from obtegum.core.house.bench import begin
from obtegum.core.house.edits import apply_edits
from obtegum.core.house.plan import HousePlan, plan_house
from obtegum.core.rooms.air.found import shaded
from obtegum.core.rooms.cover.found import edge_up_m, reach_of, sheet_m2
from obtegum.core.rooms.cover.lines import lines_of
from obtegum.core.values.catalogue import default_catalogue
from tests.conftest import make_house
from tests.core.test_sprung import PIPE


def changed(job: Job, *edits: tuple[str, str]) -> Job:
    return apply_edits(job, [Edit(measure=measure, text=text) for measure, text in edits], default_catalogue())


def planned(job: Job) -> HousePlan:
    return plan_house(*job, default_catalogue())


def asked(job: Job, step: str) -> tuple[str, ...]:
    return next(each.measures for each in planned(job).steps if each.id == step)


def test_a_sheet_that_goes_into_the_ground_has_what_is_buried() -> None:
    # A trench a foot wide and deep takes 0.6 m of each side; at the foot a track takes its own.
    job = changed(Job(make_house(), SiteRecord()), ("cover.made", "apart"))
    foot, ground = (begin(*each, default_catalogue()) for each in (job, changed(job, ("cover.edge", "ground"))))
    eats = {each.id: each.eats_m for each in foot.catalogue.fixings}
    assert reach_of(ground).wide_m - reach_of(foot).wide_m == pytest.approx(2 * (eats["buried"] - eats["track"]))
    assert {line.fixing.id for line in lines_of(ground) if "side" in line.where} == {"buried"}
    assert sum(line.dug_m3 for line in lines_of(ground)) > 0
    assert "cover.sides" not in asked(changed(job, ("cover.edge", "ground")), "cover")
    buried = changed(job, ("cover.pull_1_n", "200"), ("cover.edge", "ground")).design.cover
    # What was pulled at was a track.
    assert (buried.sides, buried.right, buried.pull_1_n) == ("buried", "same", None)
    assert (
        changed(Job(make_house(cover=buried.model_dump()), SiteRecord()), ("cover.edge", "base")).design.cover.sides
        == "track"
    )
    # Pressed on its drawing, another way takes it out of the ground again.
    back = changed(job, ("cover.edge", "ground"), ("cover.sides", "batten"))
    assert (back.design.cover.edge, back.design.cover.sides) == ("base", "batten")


def test_an_edge_that_is_buried_reaches_down_from_its_board() -> None:
    house = make_house(posts__base="board", cover__made="apart", cover__sides="buried")
    work = begin(house, SiteRecord(), default_catalogue())
    assert edge_up_m(work) == 0
    other = begin(make_house(posts__base="board", cover__made="apart"), SiteRecord(), default_catalogue())
    assert edge_up_m(other) > 0
    assert reach_of(work).over_m > reach_of(other).over_m


def test_cloth_told_in_the_weather_is_the_cover() -> None:
    job = Job(make_house(cover__made="apart", weather={"cover": "cloth", "open_share": 0.45}), SiteRecord())
    work = begin(*job, default_catalogue())
    area_m2, kg = sheet_m2(work)
    assert kg == pytest.approx(0.25 * area_m2)
    answers = {each.id for step in planned(job).steps if step.id == "cover" for each in step.answers}
    assert not {"film_thick", "cover_taped"} & answers
    assert "weather.cover" in asked(job, "cover")
    assert "ends.film" not in asked(job, "cover")
    # What it shades is told with it, and not again in Air.
    assert shaded(work) == pytest.approx(0.55)
    assert "air.shade_share" not in asked(job, "air")
    film = changed(job, ("weather.cover", "film"), ("air.shade_share", "30 %"))
    assert shaded(begin(*film, default_catalogue())) == pytest.approx(0.3)


def test_a_framed_end_has_a_sheet_of_its_own_and_a_gathered_sheet_covers_open_ones() -> None:
    job = Job(make_house(), SiteRecord())
    assert changed(job, ("ends.front.kind", "framed")).design.cover.made == "apart"
    gathered = changed(job, ("cover.made", "gathered"))
    assert {gathered.design.ends.front.kind, gathered.design.ends.back.kind} == {"covered"}
    # What was said stays said.
    kept = changed(gathered, ("ends.front.kind", "framed"))
    assert (kept.design.cover.made, kept.design.ends.back.kind) == ("gathered", "covered")
    assert "cover.made" in asked(changed(gathered, ("ends.shown", "back")), "ends")


@pytest.mark.parametrize(
    ("stand", "before", "after"),
    [
        ("board", "snug", "strapped"),
        ("driven", "strapped", "snug"),
        ("driven", "loose", "snug"),
        ("stub", "loose", "loose"),
    ],
)
def test_what_a_pipe_stands_on_is_what_holds_its_foot(stand: str, before: str, after: str) -> None:
    job = changed(Job(make_house(**PIPE), SiteRecord()), ("size.shape.feet", before))
    now = changed(job, ("posts.stand", stand)).design
    assert now.size.shape.feet == after  # type: ignore[union-attr]
    assert now.posts.stand == stand


def test_doors_in_a_storm_are_asked_beside_the_doors() -> None:
    house = make_house(
        tape__units="metric", ends={"front": {"kind": "framed", "door": "way"}}, weather={"method": "eu"}
    )
    assert "weather.doors" in asked(Job(house, SiteRecord()), "ends")
    us = house.model_copy(update={"weather": house.weather.model_copy(update={"method": "us"})})
    assert "weather.doors" not in asked(Job(us, SiteRecord()), "ends")
