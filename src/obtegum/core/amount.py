"""Amounts that are not lengths, as people write them: shares, loads, volumes, masses, stresses, rain, time.

Inside the program everything is SI (m³, kg, Pa, m/s, s; shares of 1; degrees for places on the globe).
Each kind has one unit in a house in feet and one in a metric house.
Source of the factors: the international foot and pound, exact; the US gallon of 231 cubic inches.
"""

import math
import re
from typing import Literal, NamedTuple

from obtegum.core.quantity import FOOT_M, INCH_M, LengthError, Rounding, Units

__all__ = ["AmountKind", "amount_step", "amount_text", "parse_amount"]

AmountKind = Literal[
    "share", "load", "volume", "mass", "density", "stress", "rain", "flow", "minutes", "hours", "degrees", "count"
]
POUND_KG = 0.45359237
# A thousand pounds of force on a square inch.
KSI_PA = 1000 * POUND_KG * 9.80665 / INCH_M**2
HOUR_S = 3600.0


class _Unit(NamedTuple):
    name: str
    size: float
    decimals: int
    spaced: bool = True


_PERCENT, _MINUTES = _Unit("%", 0.01, 1), _Unit("min", 60.0, 1)
_COUNT = _Unit("", 1.0, 0, spaced=False)
_HOURS, _DEGREES = _Unit("h", HOUR_S, 1), _Unit("°", 1.0, 6, spaced=False)
_UNITS: dict[AmountKind, dict[Units, _Unit]] = {
    "share": {"feet": _PERCENT, "metric": _PERCENT},
    "load": {"feet": _Unit("cu ft", FOOT_M**3, 1), "metric": _Unit("L", 0.001, 0)},
    "volume": {"feet": _Unit("cu yd", (3 * FOOT_M) ** 3, 1), "metric": _Unit("m³", 1.0, 1)},
    "mass": {"feet": _Unit("tons", 2000 * POUND_KG, 1), "metric": _Unit("t", 1000.0, 1)},
    "density": {"feet": _Unit("lb/cu ft", POUND_KG / FOOT_M**3, 0), "metric": _Unit("kg/m³", 1.0, 0)},
    "stress": {"feet": _Unit("ksi", KSI_PA, 1), "metric": _Unit("MPa", 1e6, 0)},
    "rain": {"feet": _Unit("in/h", INCH_M / HOUR_S, 2), "metric": _Unit("mm/h", 0.001 / HOUR_S, 0)},
    "flow": {"feet": _Unit("gal/min", 231 * INCH_M**3 / 60, 0), "metric": _Unit("L/s", 0.001, 1)},
    "minutes": {"feet": _MINUTES, "metric": _MINUTES},
    "hours": {"feet": _HOURS, "metric": _HOURS},
    "degrees": {"feet": _DEGREES, "metric": _DEGREES},
    "count": {"feet": _COUNT, "metric": _COUNT},
}
_NUMBER = re.compile(r"(?P<sign>[-−]?)\s*(?P<number>\d+(?:[.,]\d+)?|[.,]\d+)\s*(?P<unit>.*)")


def parse_amount(text: str, kind: AmountKind, units: Units) -> float:
    """Read a typed amount; a bare number is in the house's own unit. Only degrees may be below zero.

    Returns: the amount in SI. Raises: LengthError with a sentence.
    """
    own = _UNITS[kind][units]
    found = _NUMBER.fullmatch(text.strip().lower()[:60])
    if found is None:
        raise LengthError(f"Can't read “{text.strip()[:40]}”. Write a number{f', in {own.name}' if own.name else ''}.")
    number = found["number"]
    if "," in number and units == "feet":
        raise LengthError("Leave out the comma: write a point for decimals.")
    named = {unit.name.lower(): unit for unit in _UNITS[kind].values()}
    unit = named.get(found["unit"].strip().replace("m3", "m³")) if found["unit"] else own
    if unit is None:
        raise LengthError(f"Write it in {own.name}, or leave the unit out.")
    if found["sign"] and kind != "degrees":
        raise LengthError("It can't be below zero.")
    return float(number.replace(",", ".")) * unit.size * (-1 if found["sign"] else 1)


def amount_text(value: float, kind: AmountKind, units: Units, rounding: Rounding = "nearest") -> str:
    """Print an amount in the house's unit. Raises: ValueError when it isn't finite."""
    if not math.isfinite(value):
        raise ValueError("only a finite amount can be printed")
    unit = _UNITS[kind][units]
    scaled = value / unit.size * 10**unit.decimals
    count = {"nearest": math.floor(scaled + 0.5), "down": math.floor(scaled + 1e-6), "up": math.ceil(scaled - 1e-6)}
    number = count[rounding] / 10**unit.decimals
    printed = f"{number:,.{unit.decimals}f}".replace("-", "−")
    if "." in printed:
        printed = printed.rstrip("0").rstrip(".")
    return f"{printed} {unit.name}" if unit.spaced else f"{printed}{unit.name}"


def amount_step(kind: AmountKind, units: Units) -> float:
    """What one key press changes, SI: the last digit that is printed, or a whole unit for degrees."""
    unit = _UNITS[kind][units]
    return unit.size if kind == "degrees" else unit.size / 10**unit.decimals
