"""Rigid sheets: laid over the roof without a gap, screws and trims by hand, bends and spans judged."""

import math
import random
from itertools import pairwise

import pytest

from obtegum.core.findings.skeleton.outline import end_bow
from obtegum.core.findings.skeleton.shapes import SHAPE_LABELS, shape_of
from obtegum.core.findings.skeleton.tubes import bow_tube
from obtegum.core.formulas.profile import ProfileError
from obtegum.core.rooms.carries.found import not_known
from obtegum.core.rooms.carries.gust import others_give
from obtegum.core.rooms.cover.found import rim_m
from obtegum.core.rooms.sheets.found import (
    bends_to_m,
    end_sheets,
    expands_m,
    fold_of,
    laid,
    roof_of,
    screws_of,
    sticks_of,
    supports_m,
    trims_of,
    widest_gap_m,
)
from obtegum.core.rooms.strength.found import cover_n_m2
from obtegum.core.rooms.strength.loads import Weathered, weathered
from obtegum.core.rooms.strength.words import conditions
from obtegum.core.values.trouble import DesignError
from tests.conftest import make_bench, make_house, make_plan, verdict
from tests.core.test_carries import HELD
from tests.core.test_strength import STOUT, told

METRIC = {"tape__units": "metric", "size__length_m": 18.0}
ROOF = {**METRIC, "sheets": {"on": "roof"}}


def test_columns_and_pieces_by_hand() -> None:
    work = make_bench(**ROOF)
    roof, tube = roof_of(work), bow_tube(work).od_m
    along = 18.0 + tube + 2 * 0.05
    # A sheet of 1 m laps by one wave of 76 mm: 924 mm each.
    assert roof.columns == math.ceil((along - 0.076) / 0.924)
    assert roof.last_m == pytest.approx(along - (roof.columns - 1) * 0.924)
    over = rim_m(work) + 0.1
    assert roof.over_m == pytest.approx(over)
    assert roof.up == math.ceil((over - 0.2) / 3.8)
    assert roof.piece_m == pytest.approx((over + (roof.up - 1) * 0.2) / roof.up)
    assert roof.piece_m <= 4.0


@pytest.mark.parametrize("storm", ["front", "back"])
def test_sheets_cover_every_roof_without_a_gap(storm: str, pytestconfig: pytest.Config) -> None:
    chance, seen = random.Random(21), 0
    while seen < (200 if pytestconfig.getoption("--deep") else 12):
        size = make_house().size.model_copy(update={"span_m": chance.uniform(3.0, 9.0)})
        kind = chance.choice(sorted(SHAPE_LABELS))
        try:
            work = make_bench(
                size__span_m=size.span_m,
                size__length_m=chance.uniform(4.0, 30.0),
                size__shape=shape_of(kind, size).model_dump(),
                tape__units="metric",
                sheets={
                    "on": "roof",
                    "kind": chance.choice(("waves", "chambers")),
                    "wide_m": chance.uniform(0.6, 2.1),
                    "long_m": chance.uniform(1.5, 7.0),
                    "lap_waves": chance.choice((1, 2)),
                    "storm": storm,
                },
            )
            roof, pieces = roof_of(work), laid(work)
        except (DesignError, ProfileError):
            continue
        seen += 1
        told_ = work.design.sheets
        gap = told_.gap_m if told_.kind == "chambers" else 0.0
        ridge = fold_of(work) is not None
        for _ in range(60):
            x, y = chance.uniform(0.0, roof.along_m), chance.uniform(0.0, roof.over_m)
            over = any(
                each.from_m - gap - 1e-6 <= x <= each.to_m + gap + 1e-6 and each.low_m - 1e-6 <= y <= each.high_m + 1e-6
                for each in pieces
            )
            assert over, (kind, x, y)
        assert all(each.high_m - each.low_m <= told_.long_m + 1e-6 for each in pieces)
        assert all(each.to_m - each.from_m <= told_.wide_m + 1e-6 for each in pieces)
        assert min(each.from_m for each in pieces) == pytest.approx(0.0, abs=1e-9)
        assert not ridge or roof.up % 2 == 0
        # Laid from the lee end to the storm end, and low before high.
        first = pieces[0]
        assert first.low_m == 0.0
        assert first.from_m == 0.0 if storm == "back" else first.to_m == pytest.approx(roof.along_m)


def test_each_slope_of_a_ridged_roof_has_its_own_and_a_cap() -> None:
    size = make_house().size
    kind = next(name for name in sorted(SHAPE_LABELS) if "gable" in name or "peak" in name or "straight" in name)
    work = make_bench(**METRIC, size__shape=shape_of(kind, size).model_dump(), sheets={"on": "roof"})
    fold = fold_of(work)
    if fold is None:
        pytest.fail(f"{kind} has no ridge to fold at")
    assert 0 < fold.angle_rad < math.pi
    assert fold.at_m == pytest.approx(roof_of(work).over_m / 2)
    assert "cap over the ridge" in {trim.what for trim in trims_of(work)}
    assert fold_of(make_bench(**ROOF)) is None


def test_screws_and_trims_by_hand() -> None:
    work = make_bench(**ROOF, strength__runs=3)
    roof, rows = roof_of(work), supports_m(work)
    crests = math.floor(roof.along_m / 0.076 + 1e-9) + 1
    screws = screws_of(work)
    assert (screws.edge_row, screws.inner_row) == (crests, math.ceil(crests / 2))
    assert screws.count == 2 * crests + (len(rows) - 2) * math.ceil(crests / 2)
    assert rows[0] == pytest.approx(0.05) and rows[-1] == pytest.approx(roof.over_m - 0.05)
    # The ridge run lies in the middle of a roof that is alike on both sides.
    assert any(each == pytest.approx(roof.over_m / 2, abs=1e-6) for each in rows)
    assert widest_gap_m(work) == pytest.approx(max(b - a for a, b in pairwise(rows)))
    closure = next(each for each in trims_of(work) if "eave" in each.what)
    assert sticks_of(closure) == 2 * math.ceil((roof.along_m - 0.1) / 2.9)
    assert expands_m(work) == pytest.approx(6.8e-5 * 60 * roof.piece_m)


def test_bends_spans_and_screws_are_judged_or_not_known() -> None:
    bare = make_plan(**ROOF)
    assert verdict(bare, "sheet-bends").level == "unknown"
    assert verdict(bare, "sheet-bears").level == "unknown"
    radius = bends_to_m(make_bench(**ROOF))
    assert radius == pytest.approx(10.5 * 0.3048 + bow_tube(make_bench()).od_m / 2)
    thin = {
        **METRIC,
        "sheets": {"on": "roof", "kind": "chambers", "thick_m": 0.008, "span_m": 3.0, "screw_n": 1e4},
        "strength__runs": 5,
    }
    found = make_plan(**told(), **thin)
    # 175 × 8 mm = 1.4 m; 20 mm wants 3.5 m, more than the roof's curve.
    assert verdict(found, "sheet-bends").level == "holds"
    assert verdict(found, "sheet-bears").level == "holds"
    thick = {**thin, "sheets": {**thin["sheets"], "thick_m": 0.02}}
    assert verdict(make_plan(**thick), "sheet-bends").level == "fails"
    lifted = screws_of(make_bench(**told(), **thin)).lifted_n
    assert lifted is not None
    assert verdict(found, "sheet-screws").ratio == pytest.approx(lifted / 1e4)


def test_what_the_house_carries_takes_up_screws_in_place_of_film() -> None:
    stout = {**told(), **STOUT, **HELD, "cover": {"made": "apart"}}
    unrated = make_bench(**stout, sheets={"on": "roof"})
    assert any(each.what == "Screws in wind" for each in not_known(unrated))
    assert not any("ilm" in each.what for each in not_known(unrated))
    rated = make_bench(**stout, sheets={"on": "roof", "screw_n": 300.0})
    assert any(each.what == "the sheets’ screws" for each in others_give(rated))
    assert not [each for each in make_plan(**{**stout, "sheets": {"on": "roof"}}).verdicts if each.step == "cover"]


def test_sheets_of_an_end_are_cut_to_the_bow() -> None:
    work = make_bench(**METRIC, sheets={"on": "ends"})
    half = bow_tube(work).od_m / 2
    for each in end_sheets(work):
        # Half a circle on legs of 2 ft: the outside is y = leg + √(R² − x²).
        leg, outer = 2 * 0.3048, 10.5 * 0.3048 + half
        for x, high in ((each.from_m, each.left_m), (each.to_m, each.right_m)):
            true = leg + math.sqrt(max(outer**2 - x**2, 0.0))
            assert high == pytest.approx(true, abs=0.02) or abs(abs(x) - outer) < 0.02
        middle = 0.0 if each.from_m < 0 < each.to_m else min((each.from_m, each.to_m), key=abs)
        assert each.high_m == pytest.approx(leg + math.sqrt(outer**2 - middle**2), abs=0.02)
    front = [each for each in end_sheets(work) if each.side == "front"]
    assert front[0].from_m == pytest.approx(-(10.5 * 0.3048 + half), abs=0.01)
    assert all(one.to_m - other.from_m == pytest.approx(0.076) for one, other in pairwise(front))
    assert max(each.to_m for each in front) == pytest.approx(-front[0].from_m)
    assert len(end_bow(work, "front").segments) > 0


def test_laps_that_leave_nothing_are_refused() -> None:
    with pytest.raises(DesignError, match="half the sheet"):
        make_house(**METRIC, sheets={"on": "roof", "pitch_m": 0.3, "lap_waves": 3})
    with pytest.raises(DesignError, match="half the sheet"):
        make_house(**METRIC, sheets={"on": "roof", "long_m": 1.0, "lap_m": 0.5})


def test_a_rigid_roof_bears_on_the_bows_and_stays_on_in_winter() -> None:
    film, rigid = make_bench(**told()), make_bench(**told(), sheets={"on": "roof", "kg_m2": 10.0})
    assert cover_n_m2(rigid) - cover_n_m2(film) == pytest.approx(10 * 9.80665)
    # Film that comes off in winter, or cloth that wind goes through, says nothing of sheets that stay and are tight.
    house = told()
    house["weather"] = {**house["weather"], "film": "off", "cover": "cloth", "cloth": "dry", "open_share": 0.7}
    loose, tight = weathered(make_bench(**house)), weathered(make_bench(**house, sheets={"on": "both"}))
    shut = weathered(film)
    assert loose is not None and tight is not None and shut is not None
    assert not any(case.kind == "snow" for case in loose.cases) and any(case.kind == "snow" for case in tight.cases)

    def blown(found: Weathered) -> float:
        return max(float(abs(case.per_area).max()) for case in found.cases if case.kind == "wind")

    assert blown(tight) == pytest.approx(blown(shut)) and blown(loose) < blown(shut)
    assert not any("cloth" in conditions(each) for each in (make_bench(**house, sheets={"on": "roof"}),))
