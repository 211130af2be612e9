"""What is offered in place of a value that can't stand works as it is printed, in both units, wherever it is told."""

import copy
import io
import json
import random
import re
from typing import Any

import pytest

from obtegum import cli
from obtegum.core.documents.house import HouseDesign, SiteRecord
from obtegum.core.documents.job import Job
from obtegum.core.documents.numbers import Number, leaves
from obtegum.core.documents.reading import limit_of
from obtegum.core.face.edit import Edit
from obtegum.core.house.edits import apply_edits
from obtegum.core.house.measures import find_measure, measures
from obtegum.core.house.offers import sound_design, tried
from obtegum.core.house.starters import new_house
from obtegum.core.values.amount import amount_step, parse_amount
from obtegum.core.values.catalogue import default_catalogue
from obtegum.core.values.quantity import Units, parse_length
from obtegum.core.values.trouble import DesignError, running
from tests.conftest import make_house

# Lengths of a design, each by its measure.
LENGTHS = [
    measure
    for measure in measures().values()
    if measure.kind == "length" and not measure.on_site and not measure.id.startswith(("level", "drain"))
]
SHARE = 160


def put(document: dict[str, Any], path: str, value: float) -> dict[str, Any]:
    changed = copy.deepcopy(document)
    *parents, leaf = path.split(".")
    inner = changed
    for name in parents:
        inner = inner[name]
    inner[leaf] = value
    return changed


def has(document: dict[str, Any], path: str) -> bool:
    inner: Any = document
    for name in path.split("."):
        if not isinstance(inner, dict) or name not in inner:
            return False
        inner = inner[name]
    return True


def wild(chance: random.Random, path: str) -> float:
    measure = find_measure(path)
    assert measure is not None and measure.number is not None
    limit = measure.number
    return chance.choice((limit.most * 3 + 1, limit.least / 3, chance.uniform(limit.least, limit.most)))


def houses() -> list[HouseDesign]:
    return [new_house(units) for units in ("feet", "metric")]


def test_what_a_file_is_refused_with_works_as_printed(pytestconfig: pytest.Config) -> None:
    chance, count = random.Random(10), 0
    for _ in range(800 if pytestconfig.getoption("--deep") else SHARE):
        house = chance.choice(houses())
        document, measure = house.model_dump(mode="json"), chance.choice(LENGTHS)
        if not has(document, measure.id):
            continue
        document = put(document, measure.id, wild(chance, measure.id))
        try:
            sound_design(document, default_catalogue())
        except DesignError as error:
            for trouble in tried(document, error, default_catalogue()).troubles:
                if trouble.nearest is None:
                    continue
                limit = limit_of(trouble.path)
                assert limit is not None
                assert trouble.nearest in trouble.sentence
                value = parse_length(trouble.nearest, house.tape.units, limit.bare)
                assert trouble.nearest_m == value
                sound_design(put(document, trouble.path, value), default_catalogue())
                count += 1
    assert count > SHARE / 4


def test_what_a_field_is_refused_with_works_as_printed(pytestconfig: pytest.Config) -> None:
    chance, catalogue, count = random.Random(11), default_catalogue(), 0
    for _ in range(800 if pytestconfig.getoption("--deep") else SHARE):
        job, measure = Job(chance.choice(houses())), chance.choice(LENGTHS)
        bare = chance.random() < 0.5
        value = wild(chance, measure.id)
        text = f"{chance.choice((value, round(value), value * 12, value * 100)):.3f}" if bare else f"{value:.4f} m"
        try:
            apply_edits(job, [Edit(measure=measure.id, text=text)], catalogue)
        except DesignError as error:
            trouble = error.troubles[0]
            for offer in (trouble.nearest, trouble.other):
                if offer is not None:
                    assert offer in trouble.sentence
                    apply_edits(job, [Edit(measure=measure.id, text=offer)], catalogue)
                    count += 1
    assert count > SHARE / 4


@pytest.mark.parametrize(
    ("measure", "units", "text", "meant"),
    [
        ("bows.max_spacing_m", "feet", "48", "4' 0\""),
        ("bows.max_spacing_m", "metric", "120", "1.200 m"),
        ("bows.insertion_m", "metric", "0.15", "150 mm"),
        ("bows.insertion_m", "feet", "150", '5 7/8"'),
        ("level.reading_error_m", "metric", "0.003", "3 mm"),
        ("bed", "feet", "0.5", None),
        ("size.span_m", "metric", "730", "7.300 m"),
    ],
)
def test_a_number_without_a_unit_is_offered_in_the_other_one(
    measure: str, units: Units, text: str, meant: str | None
) -> None:
    job = Job(new_house(units))
    with pytest.raises(DesignError) as refusal:
        apply_edits(job, [Edit(measure=measure, text=text)], default_catalogue())
    trouble = refusal.value.troubles[0]
    if meant is None:
        assert "Did you mean" not in trouble.sentence
    else:
        assert trouble.other == meant
        assert f"Did you mean {meant}?" in trouble.sentence


def test_too_many_inches_are_asked_about_and_offered_whole() -> None:
    with pytest.raises(DesignError) as refusal:
        apply_edits(Job(make_house()), [Edit(measure="bows.max_spacing_m", text="3' 14")], default_catalogue())
    assert refusal.value.troubles[0].nearest == "4' 2\""


def test_the_command_line_names_only_what_works(
    capsys: pytest.CaptureFixture[str], monkeypatch: pytest.MonkeyPatch
) -> None:
    document = new_house("metric").model_dump(mode="json")
    # Sticks are a metre at the least, but of a metre there would be more than can be joined to a bow.
    short = put(document, "bows.stick_m", 0.5)
    monkeypatch.setattr("sys.stdin", io.StringIO(json.dumps(short)))
    assert cli.main(["plan", "-"]) == 1
    told = capsys.readouterr().err
    named = re.search(r"(\d+\.\d+) m", told)
    assert named is not None, told
    sound_design(put(document, "bows.stick_m", float(named[1])), default_catalogue())
    with pytest.raises(DesignError):
        sound_design(put(document, "bows.stick_m", float(named[1]) - 0.002), default_catalogue())


@pytest.mark.parametrize(
    ("path", "text", "told"),
    [
        # Of the bows' spacing nothing is on the screen where the length is typed.
        (
            "size.length_m",
            "3",
            "Bows no further apart, 4' 0\": that is further apart than the house is long. "
            "As the rest stands, length can be 4' 0\" at the least.",
        ),
        ("posts.length_m", "1'", "Post reveal, 1' 10\": that leaves nothing of the post in the ground. As the rest"),
        ("posts.reveal_m", "9'", "That leaves nothing of the post in the ground. "),
        ("braces.ties", "collar", "Collar, over the ground, 14' 9 3/16\": a collar over the crown holds nothing. It"),
    ],
)
def test_a_refusal_for_another_decision_s_sake_names_it_and_what_stands_there(path: str, text: str, told: str) -> None:
    house = Job(make_house(bows__max_spacing_m=4 * 0.3048, braces__tie_m=4.5), SiteRecord())
    with pytest.raises(DesignError) as refused:
        apply_edits(house, [Edit(measure=path, text=text)], default_catalogue())
    assert refused.value.troubles[0].sentence.startswith(told)


def test_a_corner_s_letter_keeps_its_height_in_a_sentence() -> None:
    assert (running("A to D"), running("A third time"), running("Post reveal")) == (
        "A to D",
        "a third time",
        "post reveal",
    )


def test_what_was_wrong_before_refuses_no_change_of_anything_else() -> None:
    """A house from a file whose whole sticks don't make it: readings are taken, and its own figures are mended."""
    house = Job(make_house(bows__cut="whole", bows__sticks=1, bows__stick_m=2.0), SiteRecord())
    catalogue = default_catalogue()
    for path, text in (("record.taped.ab_m", "57'"), ("posts.length_m", "4'"), ("size.span_m", "20'")):
        house = apply_edits(house, [Edit(measure=path, text=text)], catalogue)
    assert house.record.taped.ab_m == pytest.approx(57 * 0.3048)
    assert house.design.size.span_m == pytest.approx(20 * 0.3048)
    with pytest.raises(
        DesignError, match="2 whole sticks of 6' 6 3/4\" a bow make no house of this shape 20' 0\" wide"
    ):
        apply_edits(house, [Edit(measure="bows.sticks", text="2")], catalogue)
    with pytest.raises(DesignError, match="joined well\\. As the rest stands, width can be 46' 4 5/16\" at"):
        apply_edits(house, [Edit(measure="size.span_m", text="90'")], catalogue)
    assert apply_edits(house, [Edit(measure="bows.cut", text="cut")], catalogue).design.bows.cut == "cut"


@pytest.mark.parametrize("units", ["feet", "metric"])
def test_the_ends_of_every_range_can_be_typed_as_they_are_offered(units: Units) -> None:
    """A limit that prints as 11,240 lb is offered as 11240 lb, and is that, not eleven."""
    document = json.loads(new_house(units).model_dump_json())
    offered = 0
    for path, place in leaves(HouseDesign):
        limit = place.declared
        if not isinstance(limit, Number) or not has(document, path):
            continue
        for beyond in (limit.least - abs(limit.least) - 1, limit.most * 3 + 1):
            with pytest.raises(DesignError) as refused:
                sound_design(put(document, path, beyond), default_catalogue())
            for trouble in tried(put(document, path, beyond), refused.value, default_catalogue()).troubles:
                if trouble.path == path and trouble.nearest is not None and limit.kind != "length":
                    assert "," not in trouble.nearest
                    typed = parse_amount(trouble.nearest, limit.kind, units)
                    assert typed == pytest.approx(trouble.nearest_m, rel=0.02, abs=amount_step(limit.kind, units)), path
                    offered += 1
    assert offered > 60
