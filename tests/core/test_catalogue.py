"""The catalogue is data with sources, and the rules of thumb are within reason."""

import json
from importlib.resources import files

import pytest

from obtegum.core.documents.job import Job
from obtegum.core.face.edit import Edit
from obtegum.core.house.edits import apply_edits
from obtegum.core.house.measures import find_measure
from obtegum.core.values.catalogue import default_catalogue
from obtegum.core.values.quantity import FOOT_M, INCH_M
from obtegum.core.values.trouble import DesignError
from tests.conftest import make_house


def data(name: str) -> dict:  # type: ignore[type-arg]
    return json.loads((files("obtegum.core.values.catalogue") / name).read_text(encoding="utf-8"))


def test_every_tube_is_whole_and_has_a_source() -> None:
    for tube in default_catalogue().tubes.values():
        assert 0 < 2 * tube.wall_m <= tube.od_m < 0.2, tube.id
        assert tube.bore_m == pytest.approx(tube.od_m - 2 * tube.wall_m, abs=1e-12)
        assert (tube.bore_m == 0) == (tube.form == "bar")
        assert len(tube.source) > 5
        assert tube.name[0].isupper()


def test_tubes_are_looked_up_by_their_own_name() -> None:
    assert all(name == tube.id for name, tube in default_catalogue().tubes.items())
    names = [tube.name for tube in default_catalogue().tubes.values()]
    assert len(set(names)) == len(names)


def test_nominal_sizes_by_the_standards() -> None:
    # ASTM F1043: a 1 5/8 in post measures 1.660 in; EN 10220 series 1 has 42.4 and 48.3 mm.
    tubes = default_catalogue().tubes
    assert tubes["post-1-5-8"].od_m == pytest.approx(1.660 * INCH_M)
    assert tubes["rail-1-3-8"].od_m == pytest.approx(1.375 * INCH_M)
    assert tubes["round-42.4"].od_m == pytest.approx(0.0424)
    assert tubes["round-48.3"].wall_m == pytest.approx(0.002)
    assert tubes["pvc-1"].od_m == pytest.approx(1.315 * INCH_M)
    assert tubes["post-1-5-8"].sold_in == "feet"
    assert tubes["round-42.4"].sold_in == "metric"


def test_usual_tubes_go_into_usual_posts() -> None:
    tubes = default_catalogue().tubes
    for bow, post in (("rail-1-3-8", "post-1-5-8"), ("post-1-5-8", "post-1-7-8"), ("round-42.4", "round-48.3")):
        gap = tubes[post].bore_m - tubes[bow].od_m
        assert 0 < gap < 0.006, (bow, post)
    assert tubes["post-1-7-8"].bore_m < tubes["post-1-7-8"].od_m


def test_every_rule_has_a_source_and_a_sensible_value() -> None:
    rules = default_catalogue().rules
    for name, entry in data("rules.json").items():
        assert entry["source"], name
        assert getattr(rules, name) == entry["value"]
    assert 0 < rules.odd_bay_least_share < 1
    assert 0 < rules.stick_waste_most_share < 1
    assert rules.holds_to == 0.9


def test_stock_lengths_rise_and_have_sources() -> None:
    stock = default_catalogue().stock
    for table in (stock.tapes_m, stock.sticks_m):
        for lengths in table.values():
            assert list(lengths) == sorted(lengths)
    assert 100 * FOOT_M in stock.tapes_m["feet"]
    assert 6 in stock.sticks_m["metric"]
    for by_units in data("stock.json").values():
        assert all(entry["source"] for entry in by_units.values())


def test_the_catalogue_is_read_once() -> None:
    assert default_catalogue() is default_catalogue()


def test_small_pipes_and_conduit_of_both_systems_by_the_standards() -> None:
    tubes = default_catalogue().tubes
    inches = {
        "pvc-3-4": (1.050, 0.113),
        "pvc-2": (2.375, 0.154),
        "pvc80-1": (1.315, 0.179),
        "conduit-3-4": (0.922, 0.049),
        "conduit-2": (2.197, 0.065),
        "water-1": (1.315, 0.133),
    }
    millimetres = {"pvcu-32": (32, 2.4), "pe-32": (32, 3.0), "gas-25": (33.7, 3.2), "round-26.9": (26.9, 2.0)}
    for name, (od, wall) in inches.items():
        assert (tubes[name].od_m, tubes[name].wall_m) == pytest.approx((od * INCH_M, wall * INCH_M)), name
    for name, (od, wall) in millimetres.items():
        assert (tubes[name].od_m, tubes[name].wall_m) == pytest.approx((od / 1000, wall / 1000)), name
    # The ratio that a plastic pressure pipe is named by: outside over wall.
    # (The smallest is thicker: no wall is under 2 mm.)
    for name, ratio in (("pvcu", 13.6), ("pe", 11.0)):
        for each in (tube for tube in tubes.values() if tube.id.startswith(f"{name}-") and tube.id != "pe-20"):
            assert each.od_m / each.wall_m == pytest.approx(ratio, rel=0.06), each.id


def chosen(tube: str, outside: str, units: str = "feet") -> str:
    design = make_house(bows__tube=tube, tape__units=units)
    edit = Edit(measure="bows.tube_od", text=outside)
    return apply_edits(Job(design), [edit], default_catalogue()).design.bows.tube


@pytest.mark.parametrize(
    ("tube", "outside", "found"),
    [
        # Called 1 in, and 1.315 in outside: plastic where plastic is meant, steel where steel is.
        ("pvc-3-4", "1 5/16", "pvc-1"),
        ("water-3-4", "1.315", "water-1"),
        ("rail-1-3-8", "1.66", "post-1-5-8"),
        ("rail-1-3-8", "1.16", "conduit-1"),
        ("round-42.4", "26.9 mm", "round-26.9"),
    ],
)
def test_a_tube_is_found_by_what_the_tape_says(tube: str, outside: str, found: str) -> None:
    assert chosen(tube, outside, "metric" if "mm" in outside else "feet") == found


def test_a_tube_that_measures_like_none_is_one_s_own() -> None:
    assert chosen("rail-1-3-8", "1.45") == "own:1"


def test_both_readings_of_a_name_are_shown() -> None:
    measure = find_measure("bows.tube")
    assert measure is not None
    about = {each.id: each.about for each in measure.options(Job(make_house()), default_catalogue())}
    assert about["pvc-1"] == '1.315" (33.4 mm) outside, 1.049" bore'


@pytest.mark.parametrize("outside", ["1.375", "1.45"])
def test_a_tape_makes_no_steel_of_plastic(outside: str) -> None:
    # 1.375 in is a fence rail, 1.45 in is nothing: neither is plastic, and neither may be taken for steel.
    with pytest.raises(DesignError) as found:
        chosen("pvc-1", outside)
    assert found.value.troubles[0].nearest is not None
    taken = default_catalogue().tubes[chosen("pvc-1", found.value.troubles[0].nearest)]
    assert (taken.material, taken.name.split()[0]) == ("plastic", "PVC")
