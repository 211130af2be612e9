"""The cover: over the outside, whether it reaches, what holds it, what wind pulls; by hand and by points."""

import math
import random
from typing import Any

import numpy as np
import pytest

from obtegum.core.documents.cover import HOLDS
from obtegum.core.documents.house import SiteRecord
from obtegum.core.documents.job import Job
from obtegum.core.documents.reading import read_design
from obtegum.core.drawing.items import Outline
from obtegum.core.findings.skeleton.bays import bays_of
from obtegum.core.findings.skeleton.line import centre_line
from obtegum.core.findings.skeleton.runs import runs_of
from obtegum.core.findings.skeleton.shapes import SHAPE_LABELS, shape_of
from obtegum.core.findings.skeleton.tubes import bow_tube
from obtegum.core.formulas.film import held_gust_mps
from obtegum.core.formulas.profile import Chain, ProfileError
from obtegum.core.house.bench import begin
from obtegum.core.house.edits import apply_edits
from obtegum.core.house.remedies import find_remedies
from obtegum.core.rooms.boards.found import hip_board
from obtegum.core.rooms.carries.found import not_known
from obtegum.core.rooms.carries.gust import others_give
from obtegum.core.rooms.cover.found import (
    BAR_M,
    edge_up_m,
    ends_of_left,
    fixing_of,
    order_of,
    outer_m,
    pleats,
    reach_of,
    rim_m,
    sheet_m2,
    taped_m,
)
from obtegum.core.rooms.cover.lines import caps_of, cords_of, eyelets_of, lines_of, tracks_m
from obtegum.core.rooms.cover.pulls import cord_n, film_pulls, held_n_m
from obtegum.core.rooms.cover.ways import held
from obtegum.core.rooms.ends.pulled import tension_at
from obtegum.core.rooms.strength.asks import real_gust
from obtegum.core.rooms.strength.loads import weathered
from obtegum.core.values.catalogue import default_catalogue
from obtegum.core.values.quantity import FOOT_M
from obtegum.core.values.trouble import DesignError
from tests.conftest import make_bench, make_house, make_plan, verdict
from tests.core.test_carries import HELD
from tests.core.test_strength import STOUT, told

CATALOGUE = default_catalogue()
APART = {"cover": {"made": "apart"}}
LEFT = 1e-4


def over_points(bow: Chain, half: float, up: float) -> float:
    """Over the outside from a height to the same on the other side, by points half a tube off a bow's centre line, and
    round its corners."""
    places = []
    for start, segment in zip(bow.starts_m, bow.segments, strict=False):
        count = max(int(segment.length_m / 0.0008), 2)
        for u in np.linspace(0.0, segment.length_m, count):
            (x, y), heading = segment.point(float(u)), segment.heading(float(u))
            places.append((start + float(u), x - half * math.sin(heading), y + half * math.cos(heading)))
        corner = next((each for each in bow.kinks if abs(each.s_m - start - segment.length_m) < 1e-9), None)
        if corner is not None and corner.turn_rad > 0:
            x, y = segment.point(segment.length_m)
            begin_ = segment.heading(segment.length_m) + math.pi / 2
            for share in np.linspace(0.0, 1.0, 200):
                angle = begin_ - corner.turn_rad * float(share)
                places.append((corner.s_m, x + half * math.cos(angle), y + half * math.sin(angle)))
    points = np.array([(x, y) for _, x, y in places])
    top = int(np.argmax(points[:, 1]))
    low = int(np.argmax(points[:top, 1] >= up)) if up > 0 else 0
    high = len(points) - 1 - int(np.argmax(points[top:][::-1, 1] >= up)) if up > 0 else len(points) - 1
    kept = points[low : high + 1]
    if up > 0:
        ends = [_at(points[low - 1], points[low], up), _at(points[high + 1], points[high], up)]
        kept = np.vstack([ends[0], kept, ends[1]])
    step = np.hypot(*(kept[1:] - kept[:-1]).T)
    return float(step.sum())


def _at(below: Any, above: Any, up: float) -> Any:
    """Where the line between two points is so high."""
    return below + (above - below) * (up - below[1]) / (above[1] - below[1])


@pytest.mark.parametrize("kind", sorted(SHAPE_LABELS))
def test_over_the_outside_of_every_shape_by_points(kind: str) -> None:
    size = make_house().size
    bow, half = shape_of(kind, size).chain(size.span_m), 0.0212
    # A corner that turns inward is bridged by film: only shapes without one are held against points.
    if any(kink.turn_rad < 0 for kink in bow.kinks):
        return
    for up in (0.0, 0.9, 1.6):
        assert outer_m(bow, half, up) == pytest.approx(over_points(bow, half, up), abs=LEFT)


def test_a_half_circle_by_hand() -> None:
    # 21 ft wide, 2 ft legs: over the outside π·(R + r) and two legs; a wire takes 50 mm, 100 to pull by, 100 to trim.
    work = make_bench(**APART)
    reach, half = reach_of(work), bow_tube(work).od_m / 2
    over = math.pi * (10.5 * FOOT_M + half) + 4 * FOOT_M
    assert reach.over_m == pytest.approx(over) == pytest.approx(rim_m(work))
    assert reach.piece_m == pytest.approx(over + 2 * (0.05 + 0.1 + 0.1))
    assert reach.long_m == pytest.approx(57 * FOOT_M + 2 * half + 2 * 0.45)
    # The narrowest that reaches is 40 ft, and of its lengths 100 ft.
    assert (reach.roll_wide_m, reach.roll_long_m) == (pytest.approx(40 * FOOT_M), pytest.approx(100 * FOOT_M))
    area, kg = sheet_m2(work)
    assert area == pytest.approx(40 * FOOT_M * reach.long_m)
    assert kg == pytest.approx(area * 152.4e-6 * 920)


def test_what_hangs_below_the_hip_board_and_gathered_ends() -> None:
    hip = {"boards": {"hip": "board", "hip_m": 1.2}}
    hung = make_bench(**hip, cover={"made": "gathered", "edge": "hip"})
    own = make_bench(**hip, cover={"made": "gathered", "edge": "hip", "below": "own"})
    assert edge_up_m(hung) == 1.2
    bow, half = centre_line(hung), bow_tube(hung).od_m / 2
    over = outer_m(bow, half, 1.2) + 2 * hip_board(hung).thick_m
    assert reach_of(own).over_m == pytest.approx(over)
    assert reach_of(hung).wide_m - reach_of(own).wide_m == pytest.approx(2 * (1.2 + BAR_M))
    high = hung.design.size.height_m + half + 0.3
    assert reach_of(hung).long_m == pytest.approx(57 * FOOT_M + 2 * half + 2 * high)
    assert {each.where for each in lines_of(hung)} == {"left side", "right side"}


def test_two_pieces_lap_over_the_ridge() -> None:
    one, two = reach_of(make_bench(**APART)), reach_of(make_bench(cover={"made": "apart", "pieces": "two"}))
    assert two.piece_m == pytest.approx(one.wide_m / 2 + 0.3)
    assert two.long_m == pytest.approx(2 * one.long_m)


def test_short_by_how_much_and_what_would_reach() -> None:
    house = {**APART, "cover": {"made": "apart", "roll_m": 36 * FOOT_M}}
    reach = reach_of(make_bench(**house))
    assert reach.spare_m == pytest.approx((36 * FOOT_M - reach.piece_m) / 2) and reach.spare_m < 0
    said = verdict(make_plan(**house), "cover-wide")
    assert said.level == "fails" and "short on each side" in said.sentence
    ways = [
        each for each in find_remedies(make_house(**house), SiteRecord(), CATALOGUE) if each.verdict == "cover-wide"
    ]
    assert ways and all(each.level != "fails" for each in ways)
    for way in ways:
        after = apply_edits(Job(make_house(**house)), way.edits, CATALOGUE)
        now = reach_of(begin(after.design, after.record, CATALOGUE))
        assert now.spare_m is not None and now.spare_m >= -now.trim_m
    # What was left to trim is given up before it is called short.
    just = (reach.piece_m - 0.15) if reach.piece_m else 0.0
    assert verdict(make_plan(cover={"made": "apart", "roll_m": just}), "cover-wide").level == "tight"


def test_sticks_screws_and_trench_by_hand() -> None:
    work = make_bench(cover={"made": "apart", "sides": "buried", "ends": "batten"}, tape__units="metric")
    sides = [each for each in lines_of(work) if "side" in each.where]
    ends = [each for each in lines_of(work) if "end" in each.where]
    long_m = 57 * FOOT_M + bow_tube(work).od_m
    assert all(each.dug_m3 == pytest.approx(long_m * 0.09) and each.sticks == 0 for each in sides)
    # A rim of 11.3 m in battens of 3 m: four, the last 2.3 m; a screw each 0.3 m and at both ends: 11, 11, 11, 9.
    rim = rim_m(work)
    assert all(each.sticks == math.ceil(rim / 3) for each in ends)
    assert all(each.laid.cut_m == pytest.approx(rim - 3 * (each.sticks - 1)) for each in ends)
    assert all(each.pieces == 3 * 11 + math.ceil((rim - 9) / 0.3) + 1 == 42 for each in ends)
    rolled = lines_of(make_bench(cover={"made": "apart", "sides": "rolled"}, tape__units="metric"))
    assert rolled[0].sticks == 2 * math.ceil(long_m / 3)


def test_what_wind_pulls_by_hand() -> None:
    work = make_bench(**told(), **APART)
    pulls = film_pulls(work)
    assert pulls is not None
    # From foot to foot: the circle through both and the crown, c = 2·(10.5 ft + r), m = 12.5 ft + r.
    half = bow_tube(work).od_m / 2
    chord, high = 2 * (10.5 * FOOT_M + half), 12.5 * FOOT_M + half
    radius = (chord**2 / 4 + high**2) / (2 * high)
    pressure = pulls.side_n_m / radius
    # More wind pulls with its square; film that is twice as thick uses half.
    harder = film_pulls(make_bench(**told(wind_mps=60.0), **APART))
    softer = film_pulls(make_bench(**told(wind_mps=30.0), **APART))
    assert harder is not None and softer is not None
    assert harder.side_n_m / softer.side_n_m == pytest.approx(4.0, rel=0.02)
    assert 0 < pressure < 5000
    assert pulls.stress_pa == pytest.approx(max(pulls.side_n_m, pulls.end_n_m) / 152.4e-6)
    assert film_pulls(make_bench(**APART)) is None
    # A second layer bears none of it: the outer one takes the wind.
    two = told(wind_mps=60.0)
    two["weather"] = {**two["weather"], "layers": "two"}
    layered = film_pulls(make_bench(**two, **APART))
    assert layered is not None and layered.share >= harder.share


def test_a_fixing_is_not_known_until_it_was_pulled_three_times() -> None:
    twice = make_plan(**told(), cover={"made": "apart", "pull_1_n": 3000.0, "pull_2_n": 2800.0})
    assert verdict(twice, "cover-held").level == "unknown" and "three times" in verdict(twice, "cover-held").sentence
    cover = {"made": "apart", "pull_1_n": 3000.0, "pull_2_n": 2800.0, "pull_3_n": 3100.0}
    work = make_bench(**told(), cover=cover)
    assert held_n_m(work, "track") == pytest.approx(1400.0)
    pulls = film_pulls(work)
    assert pulls is not None
    assert verdict(make_plan(**told(), cover=cover), "cover-held").ratio == pytest.approx(pulls.side_n_m / 1400)


def test_the_ends_fixing_is_judged_by_what_film_pulls_there() -> None:
    pulls = {"pull_1_n": 3000.0, "pull_2_n": 2800.0, "pull_3_n": 3100.0}
    same = {**told(), "cover": {"made": "apart", **pulls}}
    asked = film_pulls(make_bench(**same))
    assert asked is not None
    assert verdict(make_plan(**same), "cover-ends").ratio == pytest.approx(asked.end_n_m / 1400)
    # Held by something else there, what was pulled at the sides says nothing of it.
    other = verdict(make_plan(**told(), cover={"made": "apart", "ends": "batten", **pulls}), "cover-ends")
    assert other.level == "unknown" and "three times" in other.sentence
    assert held_n_m(make_bench(cover={"made": "apart", "ends": "batten", **pulls}), "batten") is None
    gathered = make_plan(**told(), cover={"made": "gathered", **pulls})
    assert not [each for each in gathered.verdicts if each.id == "cover-ends"]


def test_ends_off_the_cut_and_tape_by_hand() -> None:
    # 40 ft by 100 ft less what 57 ft take: 39.9 ft. An end, 21 by 12.5 ft, with 0.15 m all round and a tube: 22.1 by
    # 13.6 ft. One along by two across, or two by one.
    work = make_bench(**APART)
    assert ends_of_left(work) == 2
    assert ends_of_left(make_bench(cover={"made": "gathered"})) is None
    assert ends_of_left(make_bench(cover={"made": "apart", "roll_long_m": 70 * FOOT_M})) == 0
    half = bow_tube(work).od_m / 2
    over = math.pi * (10.5 * FOOT_M + half) + 4 * FOOT_M
    bows = bays_of(work).bows
    assert taped_m(work) == pytest.approx(over * bows)


def test_pleats_by_hand() -> None:
    assert pleats(make_bench(**APART)) is None
    gathered = pleats(make_bench(cover={"made": "gathered"}))
    work = make_bench(cover={"made": "gathered"})
    spare = rim_m(work) - 21 * FOOT_M - bow_tube(work).od_m
    assert gathered == (pytest.approx(spare), math.ceil(spare / 0.3))


def test_nothing_is_said_of_a_cover_that_nobody_told() -> None:
    assert not [each for each in make_plan().verdicts if each.step == "cover"]


def some_house(chance: random.Random) -> dict[str, Any]:
    size = make_house().size
    span = chance.uniform(3.0, 9.0)
    sized = size.model_copy(update={"span_m": span})
    kind = chance.choice(sorted(SHAPE_LABELS))
    return {
        "size__span_m": span,
        "size__length_m": chance.uniform(5.0, 40.0),
        "size__shape": shape_of(kind, sized).model_dump(),
        "tape__units": chance.choice(("feet", "metric")),
        "boards": {"hip": "board", "hip_m": chance.uniform(0.8, 1.4)},
        "cover": {
            "made": chance.choice(("apart", "gathered")),
            "edge": chance.choice(("base", "hip", "ground")),
            "sides": chance.choice(("track", "batten", "rolled", "buried", "clamps")),
            "pieces": chance.choice(("one", "two")),
        },
    }


def test_what_is_bought_covers_what_is_drawn(pytestconfig: pytest.Config) -> None:
    """The sheet laid on the surface from the ridge down: no gap from fixing to fixing, nor at both ends."""
    chance, seen = random.Random(20), 0
    while seen < (200 if pytestconfig.getoption("--deep") else 20):
        house = some_house(chance)
        try:
            work = make_bench(**house)
            reach = reach_of(work)
        except (DesignError, ProfileError):
            continue
        seen += 1
        wide = reach.roll_wide_m
        if wide is None:
            assert all(reach.piece_m > each.wide_m for each in CATALOGUE.rolls if each.sold_in == work.tape.units)
            continue
        told_ = work.design.cover
        bow, half = centre_line(work), bow_tube(work).od_m / 2
        over = over_points(bow, half, edge_up_m(work))
        each_side = fixing_of(work, told_.sides).eats_m + told_.tail_m
        # From the ridge down each side: half of one piece, or a piece less its lap.
        reaches = wide / 2 if told_.pieces == "one" else wide - told_.lap_m
        assert reaches >= over / 2 + each_side - 1e-3, house
        per_piece = reach.long_m / (2 if told_.pieces == "two" else 1)
        down = work.design.size.height_m + half if told_.made == "gathered" else 0.2
        assert per_piece >= work.design.size.length_m + 2 * half + 2 * down
    read_design(make_house(**APART).model_dump())


def test_what_the_house_carries_takes_up_film_and_fixing() -> None:
    stout = {**told(), **STOUT, **HELD}
    cover = {"made": "apart", "pull_1_n": 900.0, "pull_2_n": 1000.0, "pull_3_n": 950.0}
    bare, clad = make_bench(**stout), make_bench(**{**stout, "cover": cover})
    assert any(each.what.startswith("Film, and") for each in not_known(bare))
    assert not any(each.what.startswith("Film, and") for each in not_known(clad))
    gives = {each.what: each.gust_mps for each in others_give(clad)}
    film, fixing = gives["the film, in its last year"], gives["what fixes the film at the sides"]
    # At the ends film is a string between bows: at the gust that is told, it pulls half of the least pull.
    times = (gives["what fixes the film at the ends"] / real_gust(clad, 0.6)) ** 2 if real_gust(clad, 0.6) else 0.0
    assert tension_at(clad, times) == pytest.approx(450.0, rel=0.005)
    assert not any("film" in each.what for each in others_give(bare))
    # Pull goes with the square of the wind; of the design wind that uses half of the least pull, 0.71 is felt.
    pulls = film_pulls(clad)
    assert pulls is not None
    uses_all = clad.design.weather.wind_mps * math.sqrt(450.0 / pulls.side_n_m)
    assert fixing == pytest.approx(math.sqrt(0.6 * 0.85) * uses_all, rel=0.005)
    # Film's own is no more than its lifted part alone would give.
    lifted = clad.design.weather.wind_mps * math.sqrt(4e6 * 152.4e-6 / pulls.side_n_m)
    assert 0 < film <= math.sqrt(0.6 * 0.85) * lifted * 1.005


def test_a_fixing_that_held_nothing_carries_next_to_nothing() -> None:
    none = {"made": "apart", "pull_1_n": 0.0, "pull_2_n": 1000.0, "pull_3_n": 950.0}
    gives = {each.what: each.gust_mps for each in others_give(make_bench(**{**told(), **STOUT, **HELD, "cover": none}))}
    assert gives["what fixes the film at the sides"] < 2.0
    assert gives["what fixes the film at the ends"] < 2.0


def test_cloth_is_rated_by_nobody() -> None:
    house = {**told(), **STOUT, **HELD, **APART}
    house["weather"] = {**house["weather"], "cover": "cloth"}
    work = make_bench(**house)
    assert verdict(make_plan(**house), "cover-film").level == "unknown"
    assert not any("film, in its" in each.what for each in others_give(work))
    assert any(each.what == "Cloth in wind" for each in not_known(work))


def test_eyelets_meet_bows_or_miss_them_all() -> None:
    # Bays of 0.9 m, eyelets each 0.45 m, the first over the first bow: all meet. Each 0.5 m: each fifth bow meets.
    house = {"tape__units": "metric", "size__length_m": 18.0, "bows__max_spacing_m": 0.9}
    bay = bays_of(make_bench(**house)).bay_m
    met = eyelets_of(make_bench(**house, cover={"made": "apart", "sides": "eyelets", "eyelet_m": bay / 2}))
    assert met is not None and met.met == met.bows and met.furthest_m < 1e-9
    missed = {"made": "apart", "sides": "eyelets", "eyelet_m": bay, "eyelet_first_m": 0.45 + bay / 2}
    none = eyelets_of(make_bench(**house, cover=missed))
    assert none is not None and none.met == 0
    assert none.furthest_m == pytest.approx(bay / 2, abs=0.03)
    said = verdict(make_plan(**house, cover=missed), "cover-eyelets")
    assert said.level == "fails" and "0 of" in said.sentence
    ways = [each for each in find_remedies(make_house(**house, cover=missed), SiteRecord(), CATALOGUE)
            if each.verdict == "cover-eyelets"]  # fmt: skip
    assert ways and ways[0].level == "holds"
    assert eyelets_of(make_bench(**APART)) is None


def test_made_to_measure_reaches_at_the_least_that_it_may_come() -> None:
    work = make_bench(cover={"made": "apart", "bought": "made", "off_m": 0.05})
    roll = reach_of(make_bench(**APART))
    order, reach = order_of(work), reach_of(work)
    # No trim on a hemmed edge; what its maker may be off by is ordered on top, to the next inch.
    assert reach.piece_m == pytest.approx(roll.piece_m - 0.2)
    inches = (reach.piece_m + 0.05) / (FOOT_M / 12)
    assert order.wide_m == pytest.approx(math.ceil(inches - 1e-9) * FOOT_M / 12)
    assert reach.roll_wide_m == pytest.approx(order.wide_m - 0.05) and reach.roll_wide_m >= reach.piece_m
    assert verdict(make_plan(cover={"made": "apart", "bought": "made"}), "cover-wide").level == "holds"


def test_taped_bows_are_taken_before_the_plan() -> None:
    planned = reach_of(make_bench(**APART)).over_m
    taped = {"made": "apart", "taped_1_m": planned + 0.02, "taped_2_m": planned + 0.06, "taped_3_m": planned - 0.01}
    assert reach_of(make_bench(cover=taped)).over_m == pytest.approx(planned + 0.06)
    assert verdict(make_plan(cover=taped), "cover-taped").level == "holds"
    slipped = {**taped, "taped_2_m": planned + 0.3}
    assert verdict(make_plan(cover=slipped), "cover-taped").level == "tight"


def test_edges_are_held_each_by_its_own_and_known_each_by_its_own_pulls() -> None:
    cover = {"made": "apart", "sides": "track", "right": "batten", "ends": "clamps", "back": "track",
             "pull_1_n": 3000.0, "pull_2_n": 2800.0, "pull_3_n": 3100.0,
             "end_pull_1_n": 900.0, "end_pull_2_n": 800.0, "end_pull_3_n": 950.0}  # fmt: skip
    work = make_bench(**told(), cover=cover)
    assert [line.fixing.id for line in lines_of(work)] == ["track", "batten", "clamps", "track"]
    assert held_n_m(work, "track") == pytest.approx(1400.0)
    assert held_n_m(work, "clamps") == pytest.approx(400.0)
    assert held_n_m(work, "batten") is None
    found = make_plan(**told(), cover=cover)
    assert verdict(found, "cover-held-right").level == "unknown"
    pulls = film_pulls(work)
    assert pulls is not None
    assert verdict(found, "cover-ends").ratio == pytest.approx(pulls.end_n_m / 400)
    assert verdict(found, "cover-ends-back").ratio == pytest.approx(pulls.end_n_m / 1400)
    assert any("right side" in each.what for each in not_known(work))
    # The sheet is wide enough for the side that takes more of it.
    assert reach_of(work).wide_m - reach_of(work).over_m == pytest.approx(2 * (0.1 + 0.1 + 0.1))


def test_cords_by_hand_and_two_fixings_in_one_place() -> None:
    work = make_bench(**told(), cover={"made": "apart", "lash": "zigzag"})
    cords = cords_of(work)
    assert cords is not None
    assert cords.count == bays_of(work).bows - 1
    assert cords.each_m == pytest.approx(math.hypot(rim_m(work), bays_of(work).bay_m) + 1.0)
    # p·b·R with the pull of the sides from foot to foot, p·R.
    pulls = film_pulls(make_bench(**told(), cover={"made": "apart", "edge": "ground"}))
    assert pulls is not None
    assert cord_n(work) == pytest.approx(pulls.side_n_m * bays_of(work).bay_m)
    assert cords_of(make_bench(**APART)) is None and cord_n(make_bench(**APART)) is None
    hip = {"boards": {"hip": "board", "hip_m": 1.2}, "cover": {"made": "apart", "edge": "hip", "below": "own"}}
    room = tracks_m(make_bench(**hip))
    assert room is not None and room[0] == pytest.approx(0.035 + 0.035 + 0.01)
    narrow = min(CATALOGUE.boards.values(), key=lambda each: each.wide_m)
    if narrow.wide_m < room[0]:
        tight = {**hip, "boards": {**hip["boards"], "board": narrow.id}}
        assert verdict(make_plan(**tight), "cover-tracks").level == "fails"
    assert tracks_m(make_bench(**APART)) is None


def test_a_lap_as_wide_as_its_roll_is_refused() -> None:
    with pytest.raises(DesignError, match="half of the roll") as error:
        make_house(cover={"made": "apart", "pieces": "two", "roll_m": 1.0, "lap_m": 0.6})
    assert error.value.troubles[0].path == "cover.lap_m"


def test_people_hold_a_gust_by_its_root() -> None:
    # Rule B2: √(150·6/(0.736·45)) = 5.2 m/s; never over 7.
    assert held_gust_mps(6, 45.0) == pytest.approx(math.sqrt(900 / (0.7356 * 45.0)))
    assert held_gust_mps(60, 45.0) == 7.0


def test_runs_are_capped_at_both_ends() -> None:
    work = make_bench(**APART)
    assert caps_of(work) == 2 * len(runs_of(work)) > 0


def test_ways_to_hold_it_stand_beside_each_other_and_are_taken_by_a_press() -> None:
    work = make_bench(**told(), cover={"made": "apart", "pull_1_n": 3000.0, "pull_2_n": 2800.0, "pull_3_n": 3100.0})
    drawing = held(work)
    picks = [item.picks for item in drawing.items if isinstance(item, Outline) and item.picks]
    assert [option for _, option in picks] == list(HOLDS) and {measure for measure, _ in picks} == {"cover.sides"}
    # Each row is what the house would take if it were held so.
    for name, row in zip(HOLDS, drawing.table, strict=True):
        line = lines_of(make_bench(**told(), cover={"made": "apart", "sides": name}))[0]
        assert (f"{line.sticks} sticks" in row.reading) == bool(line.sticks)
        assert (f"{line.pieces} " in row.reading) or not line.pieces
        assert line.fixing.tools in row.reading
        assert ("holds" in row.reading) == (name == "track")


def test_off_in_winter_no_snow_lies_on_the_house() -> None:
    on, off = told(), told()
    off["weather"] = {**off["weather"], "film": "off"}
    kinds = [{case.kind for case in weathered(make_bench(**house)).cases} for house in (on, off)]  # type: ignore[union-attr]
    assert "snow" in kinds[0] and kinds[1] == {"wind"}
