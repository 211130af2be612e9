"""Spots between the pegs: as typed, kept once for each place, and those that don't fit the ground around them."""

import math
import random

import pytest

from obtegum.core.documents.house import SiteRecord
from obtegum.core.documents.level import MOST_SPOTS, Levels, Spot
from obtegum.core.findings.skeleton.spots import read_place, read_rod, spot_words, with_spot, without_spot
from obtegum.core.formulas.ground.suspects import odd_spots
from obtegum.core.values.quantity import FOOT_M, Tape
from obtegum.core.values.trouble import DesignError
from tests.conftest import make_house, make_plan, verdict

METRIC = Tape(units="metric")
ERROR_M = 0.003


def spot(x: float, y: float, reading: float) -> Spot:
    return Spot(x_m=x, y_m=y, reading_m=reading)


def test_a_place_is_read_in_the_houses_units_with_its_sign() -> None:
    assert read_place("-2.5", " 3,4 ", METRIC) == (-2.5, 3.4)
    assert read_place("7' 6\"", "−1' 6\"", Tape()) == pytest.approx((7.5 * FOOT_M, -1.5 * FOOT_M))


@pytest.mark.parametrize(
    ("along", "across", "paths"),
    [("", "2", ["spot.along"]), ("far", "deep", ["spot.along", "spot.across"]), ("2", "900", ["spot.across"])],
)
def test_a_place_that_is_none_says_which_field(along: str, across: str, paths: list[str]) -> None:
    with pytest.raises(DesignError) as raised:
        read_place(along, across, METRIC)
    assert [trouble.path for trouble in raised.value.troubles] == paths


def test_a_reading_past_the_rods_end_is_refused_with_the_rod() -> None:
    design = make_house(tape__units="metric", level__rod_m=4.0)
    assert read_rod("3.999", design) == pytest.approx(3.999)
    with pytest.raises(DesignError) as raised:
        read_rod("4.01", design)
    assert raised.value.troubles[0].nearest_m == 4.0


def test_a_spot_read_again_takes_its_own_place_and_any_can_be_taken_out() -> None:
    record = SiteRecord()
    for each in (spot(1, 2, 1.5), spot(3, 2, 1.6), spot(1.004, 2, 1.52)):
        record = with_spot(record, each)
    assert [each.reading_m for each in record.levels.spots.values()] == [1.6, 1.52]
    record, out = without_spot(record, "300:200")
    assert spot_words(out, METRIC) == "Spot 3.000 m along, 2.000 m across: rod 1.600 m"
    assert [each.reading_m for each in record.levels.spots.values()] == [1.52]
    with pytest.raises(DesignError, match="taken out already"):
        without_spot(record, "300:200")
    full = tuple(spot(place % 100, place // 100, 1.0) for place in range(MOST_SPOTS))
    with pytest.raises(DesignError, match="the most for one house"):
        with_spot(SiteRecord(levels=Levels().with_spots(full)), spot(-1, -1, 1.0))


def scattered(chance: random.Random, count: int) -> list[tuple[float, float, float]]:
    """Spots on gently rolling ground, read with the level's usual error."""
    places = [(chance.uniform(-2, 28), chance.uniform(-2, 9)) for _ in range(count)]
    return [(x, y, 1.5 + 0.012 * x + 0.03 * math.sin(x / 6 + y / 4) + chance.gauss(0, ERROR_M)) for x, y in places]


def test_rolling_ground_alone_is_not_suspected() -> None:
    alarms = 0
    for seed in range(60):
        alarms += bool(odd_spots(tuple(scattered(random.Random(seed), 60)), (), ERROR_M))
    assert alarms <= 3


@pytest.mark.parametrize(("slip", "what"), [(0.1, "ten centimetres"), (-FOOT_M, "a foot"), (1.0, "a metre")])
def test_a_slip_is_found_where_it_is_and_named(slip: float, what: str) -> None:
    found = named = others = 0
    for seed in range(40):
        chance = random.Random(seed)
        spots = scattered(chance, 60)
        wrong = chance.randrange(60)
        x, y, reading = spots[wrong]
        spots[wrong] = (x, y, reading + slip)
        odd = odd_spots(tuple(spots), (), ERROR_M)
        if odd and odd[0].name == f"spot:{wrong + 1}":
            found += 1
            named += odd[0].what == what
            others += len(odd) - 1
    assert found >= 39
    assert named >= 34
    assert others <= 4, "wrong readings threw suspicion on their neighbours"


def test_too_few_places_say_nothing() -> None:
    assert odd_spots(((1.0, 1.0, 9.0),), ((0.0, 0.0, 1.0), (2.0, 2.0, 1.0)), ERROR_M) == ()
    assert odd_spots((), tuple((float(x), 0.0, 1.0) for x in range(30)), ERROR_M) == ()


def test_an_odd_spot_is_told_and_marked_beside_the_pegs() -> None:
    """A plane read at 22 pegs and 12 spots, one of them ten centimetres too deep."""
    pegs = {f"{side}{bow + 1}": 1.5 + 0.01 * 2 * bow for side in "LR" for bow in range(11)}
    spots = [spot(x, y, 1.5 + 0.01 * x) for x in (1.0, 5.0, 9.0, 13.0, 17.0, 19.0) for y in (2.0, 4.0)]
    spots[5] = spot(9.0, 4.0, 1.5 + 0.09 + 0.1)
    record = SiteRecord(levels=Levels(pegs=pegs, closing_m=1.5).with_spots(spots))
    size = {"size__length_m": 20.0, "size__span_m": 6.0, "bows__max_spacing_m": 2.0}
    plan = make_plan(record, tape__units="metric", posts__length_m=1.2, posts__reveal_m=0.5, **size)
    found = verdict(plan, "outlier")
    assert found.part == "spot:6"
    assert "the spot 9.000 m along, 4.000 m across by 100 mm (ten centimetres?)" in found.sentence
    falls = next(each for each in plan.drawings if each.view == "falls")
    assert [item.part for item in falls.items if item.kind == "mark" and item.part.startswith("spot:")] == ["spot:6"]
