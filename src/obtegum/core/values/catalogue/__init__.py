"""What can be bought, and the rules of thumb: data with sources, read once from the files here."""

import json
from collections.abc import Mapping
from functools import cache, cached_property
from importlib.resources import files
from typing import Any, Literal, NamedTuple, TypeVar

from obtegum.core.values.base import Part
from obtegum.core.values.quantity import FOOT_M, INCH_M, Units, tube_text

__all__ = [
    "Bag",
    "Board",
    "Catalogue",
    "Film",
    "Fitting",
    "Fixing",
    "Pipe",
    "Resin",
    "Roll",
    "Rules",
    "Soil",
    "Stock",
    "Tube",
    "default_catalogue",
]

Material = Literal["steel", "plastic"]


class Tube(Part):
    """A round tube or bar: outside diameter and wall, m; yield and elastic modulus, Pa; whose shops have it.

    ``resin`` is what plastic is of, ``dn`` what pipe that is sold by its bore is called, mm.
    ``ribs_m`` is what the ribs of a bar stand out on either side, which counts only for what goes over it.
    """

    id: str
    name: str
    form: Literal["tube", "bar"] = "tube"
    material: Material
    od_m: float
    wall_m: float
    ribs_m: float = 0.0
    yield_pa: float
    elastic_pa: float
    resin: str = ""
    dn: int | None = None
    sold_in: Units
    source: str
    yield_source: str

    @property
    def bore_m(self) -> float:
        """Inside diameter, m; a bar has none."""
        return 0.0 if self.form == "bar" else self.od_m - 2 * self.wall_m

    @property
    def over_m(self) -> float:
        """What it measures at the most, over its ribs, m."""
        return self.od_m + 2 * self.ribs_m

    @cached_property
    def measures(self) -> dict[Units, str]:
        """What it measures, whatever it is called: outside in both systems, and its bore; a bar over its ribs."""
        return {"feet": self._measures("feet", "metric"), "metric": self._measures("metric", "feet")}

    def _measures(self, units: Units, other: Units) -> str:
        od, od_other = tube_text(self.od_m, units), tube_text(self.od_m, other)
        if self.form == "bar":
            return f"{od} ({od_other}) solid, {tube_text(self.over_m, units, 'up')} over its ribs"
        return f"{od} ({od_other}) outside, {tube_text(self.bore_m, units)} bore"


class Resin(Part):
    """What plastic pipe is of: what is left for good of its stiffness at once, what of its yield is allowed at once and
    for good, what a season leaves of a stress that is locked in, its weight, and what warmth, °C, leaves of its
    strength; the strain that it bears for good."""

    id: str
    name: str
    lasting_share: float
    allowed_share: float
    lasting_allowed_share: float
    faded_share: float
    weight_n_m3: float
    warm: tuple[tuple[float, float], ...]
    strain_for_good: float
    source: str

    def warmth(self, hot_c: float) -> float:
        """What of its strength it has so warm, 1 when cool."""
        (low, most), *rest = self.warm
        if hot_c <= low:
            return most
        for high, left in rest:
            if hot_c <= high:
                return most + (left - most) * (hot_c - low) / (high - low)
            low, most = high, left
        return most


class Fitting(Part):
    """Glued tees, crosses, elbows and couplings of some pipes: from the middle to where a pipe stops, m, along the run
    and at the branch, in elbows of 90° and 45°, in a coupling; how deep a pipe goes in."""

    tubes: tuple[str, ...]
    along_m: float
    branch_m: float
    elbow_90_m: float
    elbow_45_m: float
    stop_m: float
    socket_m: float
    source: str


class Fixing(Part):
    """A way to hold film along a line: what of the film it eats, how wide it lies on a board, the sticks that it comes
    in, and how far apart its screws, clamps or staples are, all m."""

    id: str
    name: str
    title: str
    tools: str
    eats_m: float
    wide_m: float
    stick_m: dict[Units, float]
    each_m: float
    source: str


class Board(Part):
    """A board: its true thickness and width, m, whatever it is called."""

    id: str
    name: str
    thick_m: float
    wide_m: float
    dressed: bool
    sold_in: Units
    source: str


class Bag(Part):
    """A bag of dry concrete: its mass, kg, and what it makes, m³."""

    id: str
    name: str
    mass_kg: float
    yield_m3: float
    sold_in: Units
    source: str


class Soil(Part):
    """A class of natural ground: presumed allowable bearing and friction, Pa, lateral bearing, Pa/m, weight, N/m³."""

    id: str
    name: str
    bearing_pa: float
    friction_pa: float
    lateral_pa_m: float
    weight_n_m3: float
    heaves: bool
    source: str


class Roll(Part):
    """A roll of film, m."""

    wide_m: float
    long_m: tuple[float, ...]
    sold_in: Units
    source: str


class Film(Part):
    """A thickness of film by one of its names, m."""

    name: str
    thick_m: float
    source: str


class Pipe(Part):
    """A drain pipe: its bore, m, and Manning's roughness."""

    id: str
    name: str
    bore_m: float
    roughness: float
    source: str


class Rules(Part):
    """Rules of thumb by name; each value's source stands in rules.json."""

    holds_to: float
    odd_bay_least_share: float
    stick_waste_most_share: float
    leg_top_kink_most_rad: float
    side_bed_from_leg_m: float
    figure_width_m: float
    joint_off_crown_share: float
    piece_least_m: float
    peg_m: float
    square_usable_share: float
    square_good_share: float
    dig_clear_m: float
    level_covers_least_share: float
    ground_run_off_share: float
    trench_props_from_m: float
    bend_least_diameters: float
    one_person_pull_n: float
    as_bent_off_share: float
    hand_pulls_m: float
    hand_leans_rad: float
    hand_forces_m: float
    hand_forces_rad: float
    socket_lean_most_rad: float
    socket_lean_plastic_rad: float
    strap_gap_m: float
    post_line_m: float
    post_along_m: float
    post_top_m: float
    post_plumb_share: float
    kerf_m: float
    bows_alike_share: float
    arm_reach_m: float
    wall_bed_m: float


class Stock(Part):
    """Lengths that tapes and sticks are commonly sold in, by units, m."""

    tapes_m: dict[Units, tuple[float, ...]]
    sticks_m: dict[Units, tuple[float, ...]]


class Near(NamedTuple):
    """Tubes and bars, boards and bags, those that are sold near first."""

    tubes: tuple[Tube, ...]
    boards: tuple[Board, ...]
    bags: tuple[Bag, ...]


S = TypeVar("S", Tube, Board, Bag)


class Catalogue(Part):
    """Everything the plan looks up."""

    tubes: dict[str, Tube]
    resins: dict[str, Resin]
    pipes: dict[str, Pipe]
    boards: dict[str, Board]
    bags: dict[str, Bag]
    soils: dict[str, Soil]
    rolls: tuple[Roll, ...]
    films: tuple[Film, ...]
    fittings: tuple[Fitting, ...]
    fixings: tuple[Fixing, ...]
    rules: Rules
    stock: Stock

    @cached_property
    def near_first(self) -> dict[Units, Near]:
        """What is chosen from, that first which is sold in such units."""
        return {units: self._near(units) for units in ("feet", "metric")}

    def _near(self, units: Units) -> Near:
        def first(sold: Mapping[str, S]) -> tuple[S, ...]:
            return tuple(sorted(sold.values(), key=lambda each: each.sold_in != units))

        return Near(first(self.tubes), first(self.boards), first(self.bags))


def _data(name: str) -> dict[str, object]:
    loaded: dict[str, object] = json.loads((files(__package__) / name).read_text(encoding="utf-8"))
    return loaded


def _sized(row: Mapping[str, object], *names: str) -> dict[str, object]:
    """A row whose sizes stand in inches or millimetres, in metres and with the units that it is sold in."""
    given = dict(row)
    for name in names:
        inches, millimetres = given.pop(f"{name}_in", None), given.pop(f"{name}_mm", None)
        if isinstance(inches, int | float):
            given |= {f"{name}_m": inches * INCH_M, "sold_in": "feet"}
        elif isinstance(millimetres, int | float):
            given |= {f"{name}_m": millimetres / 1000, "sold_in": "metric"}
    return given


def _tube(row: dict[str, object]) -> Tube:
    given = _sized(row, "od", "wall")
    ribs_mm = given.pop("ribs_mm", 0.0)
    assert isinstance(ribs_mm, int | float)
    given["ribs_m"] = ribs_mm / 1000
    megapascals, gigapascals = given.pop("yield_mpa"), given.pop("elastic_gpa")
    assert isinstance(megapascals, int | float) and isinstance(gigapascals, int | float)
    given |= {"yield_pa": megapascals * 1e6, "elastic_pa": gigapascals * 1e9}
    return Tube.model_validate(given)


def _rows(name: str, key: str) -> list[dict[str, Any]]:
    rows = _data(name)[key]
    assert isinstance(rows, list)
    return rows


def _pipes() -> dict[str, Pipe]:
    pipes = [Pipe.model_validate(row) for row in _rows("pipes.json", "pipes")]
    return {pipe.id: pipe for pipe in pipes}


def _boards() -> dict[str, Board]:
    boards = [Board.model_validate(_sized(row, "thick", "wide")) for row in _rows("boards.json", "boards")]
    return {board.id: board for board in boards}


def _bags() -> dict[str, Bag]:
    bags = [Bag.model_validate(row) for row in _rows("bags.json", "bags")]
    return {bag.id: bag for bag in bags}


def _soils() -> dict[str, Soil]:
    soils = [Soil.model_validate(row) for row in _rows("soils.json", "soils")]
    return {soil.id: soil for soil in soils}


def _rolls() -> tuple[Roll, ...]:
    found = list[Roll]()
    for row in _rows("films.json", "rolls"):
        feet = "wide_ft" in row
        unit, scale = ("ft", FOOT_M) if feet else ("m", 1.0)
        long_m = tuple(each * scale for each in row[f"long_{unit}"])
        sold_in: Units = "feet" if feet else "metric"
        found.append(Roll(wide_m=row[f"wide_{unit}"] * scale, long_m=long_m, sold_in=sold_in, source=row["source"]))
    return tuple(found)


def _films() -> tuple[Film, ...]:
    rows = _rows("films.json", "films")
    return tuple(Film(name=row["name"], thick_m=row["thick_um"] / 1e6, source=row["source"]) for row in rows)


def _fittings() -> tuple[Fitting, ...]:
    names = ("along", "branch", "elbow_90", "elbow_45", "stop", "socket")
    rows = (_sized(row, *names) for row in _rows("fittings.json", "fittings"))
    return tuple(Fitting.model_validate({name: row[name] for name in row if name != "sold_in"}) for row in rows)


def _lengths(by_units: Any) -> dict[str, list[float]]:
    return {
        units: entry.get("value_m") or [feet * FOOT_M for feet in entry["value_ft"]]
        for units, entry in by_units.items()
    }


@cache
def default_catalogue() -> Catalogue:
    """The catalogue that ships."""
    tubes = [_tube(row) for row in _rows("tubes.json", "tubes")]
    rules = {name: entry["value"] for name, entry in _data("rules.json").items() if isinstance(entry, dict)}
    return Catalogue(
        tubes={tube.id: tube for tube in tubes},
        resins={row["id"]: Resin.model_validate(row) for row in _rows("resins.json", "resins")},
        pipes=_pipes(),
        boards=_boards(),
        bags=_bags(),
        soils=_soils(),
        rolls=_rolls(),
        films=_films(),
        fittings=_fittings(),
        fixings=tuple(Fixing.model_validate(row) for row in _rows("fixings.json", "fixings")),
        rules=Rules.model_validate(rules),
        stock=Stock.model_validate({name: _lengths(by_units) for name, by_units in _data("stock.json").items()}),
    )
