"""What can be bought, and the rules of thumb: data with sources, read once from the files here."""

import json
from functools import cache
from importlib.resources import files
from typing import Any, Literal

from obtegum.core.part import Part
from obtegum.core.quantity import FOOT_M, INCH_M, Units

__all__ = ["Catalogue", "Pipe", "Rules", "Stock", "Tube", "default_catalogue"]

Material = Literal["steel", "plastic"]


class Tube(Part):
    """A round tube: outside diameter and wall, m; yield and elastic modulus, Pa; whose shops have it."""

    id: str
    name: str
    material: Material
    od_m: float
    wall_m: float
    yield_pa: float
    elastic_pa: float
    sold_in: Units
    source: str
    yield_source: str

    @property
    def bore_m(self) -> float:
        """Inside diameter, m."""
        return self.od_m - 2 * self.wall_m


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
    kerf_m: float
    bows_alike_share: float
    arm_reach_m: float
    wall_bed_m: float


class Stock(Part):
    """Lengths that tapes and sticks are commonly sold in, by units, m."""

    tapes_m: dict[Units, tuple[float, ...]]
    sticks_m: dict[Units, tuple[float, ...]]


class Catalogue(Part):
    """Everything the plan looks up."""

    tubes: dict[str, Tube]
    pipes: dict[str, Pipe]
    rules: Rules
    stock: Stock


def _data(name: str) -> dict[str, object]:
    loaded: dict[str, object] = json.loads((files(__package__) / name).read_text(encoding="utf-8"))
    return loaded


def _tube(row: dict[str, object]) -> Tube:
    given = dict(row)
    for name in ("od", "wall"):
        inches, millimetres = given.pop(f"{name}_in", None), given.pop(f"{name}_mm", None)
        if isinstance(inches, int | float):
            given |= {f"{name}_m": inches * INCH_M, "sold_in": "feet"}
        elif isinstance(millimetres, int | float):
            given |= {f"{name}_m": millimetres / 1000, "sold_in": "metric"}
    megapascals, gigapascals = given.pop("yield_mpa"), given.pop("elastic_gpa")
    assert isinstance(megapascals, int | float) and isinstance(gigapascals, int | float)
    given |= {"yield_pa": megapascals * 1e6, "elastic_pa": gigapascals * 1e9}
    return Tube.model_validate(given)


def _pipes() -> dict[str, Pipe]:
    rows = _data("pipes.json")["pipes"]
    assert isinstance(rows, list)
    pipes = [Pipe.model_validate(row) for row in rows]
    return {pipe.id: pipe for pipe in pipes}


def _lengths(by_units: Any) -> dict[str, list[float]]:
    return {
        units: entry.get("value_m") or [feet * FOOT_M for feet in entry["value_ft"]]
        for units, entry in by_units.items()
    }


@cache
def default_catalogue() -> Catalogue:
    """The catalogue that ships."""
    rows = _data("tubes.json")["tubes"]
    assert isinstance(rows, list)
    tubes = [_tube(row) for row in rows]
    rules = {name: entry["value"] for name, entry in _data("rules.json").items() if isinstance(entry, dict)}
    return Catalogue(
        tubes={tube.id: tube for tube in tubes},
        pipes=_pipes(),
        rules=Rules.model_validate(rules),
        stock=Stock.model_validate({name: _lengths(by_units) for name, by_units in _data("stock.json").items()}),
    )
