"""Readings from files and paste: what is taken, what is refused and on which line; DXF and GeoJSON."""

import io
import itertools
import json
import math
from typing import Any

import ezdxf
import pytest

from obtegum.core.documents.house import SiteRecord
from obtegum.core.documents.job import Job
from obtegum.core.documents.level import Levels, Spot
from obtegum.core.documents.square_up import Taping
from obtegum.core.findings.skeleton.bays import pegs_of, strung
from obtegum.core.findings.skeleton.line import centre_line
from obtegum.core.house.bench import begin
from obtegum.core.house.starters import demo_houses
from obtegum.core.rooms import views
from obtegum.core.rooms.ends.wall import wall_of
from obtegum.core.values.catalogue import default_catalogue
from obtegum.core.values.quantity import FOOT_M
from obtegum.core.values.trouble import DesignError
from obtegum.exchange.cad import LAYERS, drawings_dxf, setting_out_dxf
from obtegum.exchange.geo import placing, setting_out_geojson
from obtegum.exchange.readings import read_readings
from obtegum.exchange.tables import table_csv
from tests.conftest import make_house

METRIC = {"tape__units": "metric", "size__length_m": 20.0, "size__span_m": 6.0, "bows__max_spacing_m": 2.0}


def job(record: SiteRecord | None = None, **changes: Any) -> Job:
    return Job(make_house(**{**METRIC, **changes}), record or SiteRecord())


def troubles(text: str, **changes: Any) -> list[str]:
    with pytest.raises(DesignError) as raised:
        read_readings(text, job(**changes))
    return [each.sentence for each in raised.value.troubles]


def test_pasted_pegs_and_spots_in_the_usual_ways() -> None:
    record, words = read_readings("L1\t1.500\nB\t1.6\n3 right\t1.55\npeg 4 left\t155 cm\n", job())
    assert record.levels.pegs == pytest.approx({"L1": 1.5, "L11": 1.6, "R3": 1.55, "L4": 1.55})
    assert "4 pegs" in words and "still to read" in words
    record, _ = read_readings("4.5, 2.0, 1.655\n-1.5, 7, 1.7\n", job())
    assert [(spot.x_m, spot.y_m) for spot in record.levels.spots.values()] == [(4.5, 2.0), (-1.5, 7.0)]
    feet, _ = read_readings("point,reading\nL2,5' 4 1/2\"\nL3,5.25\n", job(tape__units="feet"))
    assert feet.levels.pegs["L2"] == pytest.approx(64.5 * 0.0254)
    assert feet.levels.pegs["L3"] == pytest.approx(5.25 * FOOT_M)
    comma, _ = read_readings("point;reading_m\nL1;1,642\n", job())
    assert comma.levels.pegs["L1"] == pytest.approx(1.642)


@pytest.mark.parametrize(
    ("text", "told"),
    [
        ("point,reading\nL1,1.5\nL40,1.6\n", "Line 3: there is no peg L40; that side has 11."),
        ("L1,1.5\nL2,1.6\nL1,1.7\n", "Line 3: peg 1 left was already read on line 1."),
        ("L1,1.5\nL2,9\n", "Line 2: 9 is past the end of the 4.000 m rod."),
        ("L1,1.5 m\nL2,5' 4\"\n", "Line 2: 5' 4\" is in feet, but line 1 is in metres; give all in one unit."),
        (
            "point,reading_ft\nL1,5.1\nL2,1.6 m\n",
            "Line 3: 1.6 m is in metres, but line 2 is in feet; give all in one unit.",
        ),
        ("L1,abc\n", "Line 1: Can't read “abc” as a length."),
        ("Q1,1.5\n", "Line 1: “Q1” is not a peg; write L3, R3 or a corner."),
        ("point,reading\nL1,\n", "Line 2: the reading is missing."),
        ("1,2,3,4\n", "Each line wants a peg and its reading"),
        ("", "There are no readings in it."),
        ("line,reading\nA-X,5\n", "Line 2: “A-X” is not one of the six lines; write A-C."),
        ("line,reading\nA-C,5\nC-A,6\n", "Line 3: C-A stands twice in round 1."),
        ("side,bow,reading\nleft,1,5\n", "It has no column named set_at"),
        ("900,900,1.5\n", "Line 1: that place is too far from the house."),
    ],
)
def test_what_is_wrong_is_said_where_it_is(text: str, told: str) -> None:
    assert troubles(text)[0].startswith(told)


def test_every_faulty_line_is_told_up_to_a_dozen() -> None:
    found = troubles("".join(f"L{number},1.5\n" for number in range(20, 60)))
    assert len(found) == 13
    assert found[-1] == "And 28 more lines."
    assert "8,000 readings are the most" in troubles("L1,1.5\n" * 8001)[0]


def listed(name: str, record: SiteRecord) -> str:
    return table_csv(name, begin(*job(record), default_catalogue()))


def test_levels_go_out_and_come_back() -> None:
    levels = Levels(pegs={"L1": 1.5, "R3": 1.612345}).with_spots([Spot(x_m=-1.0, y_m=2.5, reading_m=1.7)])
    record, _ = read_readings(listed("levels", SiteRecord(levels=levels)), job())
    assert record.levels == levels


def test_tapings_go_out_and_come_back() -> None:
    first = Taping(ab_m=20.0, ac_m=20.9)
    now = Taping(ab_m=20.0, dc_m=20.001, ad_m=6.0, bc_m=6.0, ac_m=20.88, bd_m=20.881)
    record = SiteRecord(earlier=(first,), taped=now)
    back, words = read_readings(listed("tapings", record), job())
    assert (back.earlier, back.taped) == ((first,), now)
    assert words == "Tapings read in: 2 rounds"


def test_a_peg_list_filled_in_sets_its_pegs() -> None:
    begun = job(SiteRecord(set_at_m={"peg:L2": 2.0, "post:L2": 2.0}))
    pegs = listed("pegs", begun.record)
    back, words = read_readings(pegs, begun)
    assert back == begun.record
    filled = pegs.replace(
        "left,3,,4.000 m,4.000000,-3.000000,16.000000,", "left,3,,4.000 m,4.000000,-3.000000,16.000000,4.012"
    )
    assert filled != pegs
    record, words = read_readings(filled, begun)
    assert record.set_at_m == pytest.approx({"peg:L2": 2.0, "post:L2": 2.0, "peg:L3": 4.012})
    assert words == "Peg list read in: 2 pegs set"


def drawn(design, record):  # type: ignore[no-untyped-def]
    work = begin(design, record, default_catalogue())
    text = setting_out_dxf(work)
    return work, ezdxf.read(io.StringIO(text))  # type: ignore[attr-defined]


def test_the_ends_as_dxf_are_true_size_and_arcs_stay_arcs() -> None:
    ends = {side: {"kind": "framed", "wide_m": 1.0, "high_m": 1.9} for side in ("front", "back")}
    work = begin(make_house(size__span_m=5.0, ends=ends), SiteRecord(), default_catalogue())
    front = views()["front"](work)
    text = drawings_dxf([front, views()["back"](work)])
    document = ezdxf.read(io.StringIO(text))  # type: ignore[attr-defined]
    assert not document.audit().has_errors
    assert document.units == ezdxf.units.M
    sticks = [line for line in document.modelspace().query('LWPOLYLINE[layer=="BOARDS"]') if line.closed]
    wall = wall_of(work, "front").sticks
    assert len(sticks) == 2 * len(wall)
    corners = [[(x + front.x0, y) for x, y in line.get_points("xy")] for line in sticks[: len(wall)]]
    assert corners == [[pytest.approx(each, abs=1e-9) for each in stick.corners] for stick in wall]
    bow = document.modelspace().query('LWPOLYLINE[layer=="STEEL"]')[0]
    # As long as the bow's girth: the arcs are arcs, not chords.
    points = bow.get_points("xyb")
    long = 0.0
    for (x0, y0, bulge), (x1, y1, _) in itertools.pairwise(points):
        chord, turn = math.dist((x0, y0), (x1, y1)), 4 * math.atan(abs(bulge))
        long += chord if bulge == 0 else chord / 2 / math.sin(turn / 2) * turn
    assert long == pytest.approx(centre_line(work).girth_m, abs=1e-9)


def test_the_dxf_passes_its_audit_and_has_the_pegs() -> None:
    design, record = demo_houses()[0]
    record = record.model_copy(update={"levels": record.levels.with_spots([Spot(x_m=3.0, y_m=2.0, reading_m=1.7)])})
    work, document = drawn(design, record)
    assert not document.audit().has_errors
    assert document.units == ezdxf.units.M
    assert {name for name, _ in LAYERS.values()} <= {layer.dxf.name for layer in document.layers}
    pegs = document.modelspace().query('POINT[layer=="PEGS"]')
    places = sorted((each.dxf.location.x, each.dxf.location.y) for each in pegs)
    wanted = sorted((peg.station_m, 0.0 if peg.side == "L" else -design.size.span_m) for peg in pegs_of(work))
    assert places == [pytest.approx(each, abs=1e-9) for each in wanted]
    heights = {round(each.dxf.location.z, 6) for each in pegs}
    assert round(-record.levels.pegs["L1"], 6) in heights
    diagonals = document.modelspace().query('LINE[layer=="DIAGONALS"]')
    assert [each.dxf.start.distance(each.dxf.end) for each in diagonals] == pytest.approx(
        [math.hypot(*strung(work))] * 2
    )
    # Each contour line lies level at its own height, between the highest and the lowest ground.
    contours = document.modelspace().query('LINE[layer=="CONTOURS"]')
    assert all(each.dxf.start.z == each.dxf.end.z for each in contours)
    levels = {each.dxf.start.z for each in contours}
    assert len(levels) > 1
    assert all(-max(record.levels.pegs.values()) <= z <= -min(record.levels.pegs.values()) for z in levels)


def test_geojson_in_local_metres_says_so() -> None:
    found = json.loads(setting_out_geojson(begin(*job(), default_catalogue())))
    assert found["type"] == "FeatureCollection"
    assert found["coordinates_are"].startswith("metres from corner A")
    ring = found["features"][0]["geometry"]["coordinates"][0]
    # A, D, C, B: D on the right hand of A to B, the ring counter-clockwise.
    assert ring == [[0, 0], [0, -6], [20, -6], [20, 0], [0, 0]]
    pegs = [each for each in found["features"] if each["properties"]["kind"] == "peg"]
    assert len(pegs) == 22


def geodesic(one: list[float], other: list[float]) -> tuple[float, float]:
    """Length and bearing on a sphere with the meridian's own radius: an independent check, good to 0.4 % at 45°."""
    radius = 6371008.8
    (lon0, lat0), (lon1, lat1) = ((math.radians(a), math.radians(b)) for a, b in (one, other))
    part = math.sin((lat1 - lat0) / 2) ** 2 + math.cos(lat0) * math.cos(lat1) * math.sin((lon1 - lon0) / 2) ** 2
    east = math.sin(lon1 - lon0) * math.cos(lat1)
    north = math.cos(lat0) * math.sin(lat1) - math.sin(lat0) * math.cos(lat1) * math.cos(lon1 - lon0)
    return 2 * radius * math.asin(math.sqrt(part)), math.degrees(math.atan2(east, north)) % 360


def test_geojson_placed_from_a_corner_and_a_bearing() -> None:
    placed = job(site__latitude=45.0, site__longitude=-72.0, site__bearing=60.0)
    found = json.loads(setting_out_geojson(begin(*placed, default_catalogue())))
    ring = found["features"][0]["geometry"]["coordinates"][0]
    assert ring[0] == [-72.0, 45.0]
    assert ring[0] == ring[-1]
    length, bearing = geodesic(ring[0], ring[3])
    assert length == pytest.approx(20.0, rel=0.004)
    assert bearing == pytest.approx(60.0, abs=0.2)
    # D lies to the right of A to B: 60° + 90° = 150°.
    width, right = geodesic(ring[0], ring[1])
    assert width == pytest.approx(6.0, rel=0.004)
    assert right == pytest.approx(150.0, abs=0.2)
    # RFC 7946: the outer ring runs counter-clockwise.
    area = sum(x0 * y1 - x1 * y0 for (x0, y0), (x1, y1) in itertools.pairwise(ring))
    assert area > 0


def test_a_degree_of_latitude_and_longitude_by_the_book() -> None:
    # WGS 84 at 45°: a degree of latitude is 111,131.8 m, of longitude 78,846.8 m.
    place = placing(45.0, 0.0, 0.0)
    assert place(111131.8, 0.0)[1] - 45.0 == pytest.approx(1.0, abs=2e-6)
    assert place(0.0, 78846.8)[0] == pytest.approx(1.0, abs=2e-6)
