"""The catalogue is data with sources, and the rules of thumb are within reason."""

import json
from importlib.resources import files

import pytest

from obtegum.core.catalogue import default_catalogue
from obtegum.core.quantity import FOOT_M, INCH_M


def data(name: str) -> dict:  # type: ignore[type-arg]
    return json.loads((files("obtegum.core.catalogue") / name).read_text(encoding="utf-8"))


def test_every_tube_is_whole_and_has_a_source() -> None:
    for tube in default_catalogue().tubes.values():
        assert 0 < 2 * tube.wall_m < tube.od_m < 0.2, tube.id
        assert tube.bore_m == pytest.approx(tube.od_m - 2 * tube.wall_m)
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
