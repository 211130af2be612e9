"""Amounts that are not lengths, as people write them: shares, slopes, loads, masses, stresses, rain, time, places.

Inside the program everything is SI (m³, kg, Pa, m/s, s, N·m; shares of 1; slopes as run to a rise of one;
degrees for places on the globe; °C). Each kind has one unit in a house in feet and one in a metric house.
Source of the factors: the international foot and pound, exact; the US gallon of 231 cubic inches.
"""

import math
import re
from fractions import Fraction
from typing import Literal, NamedTuple

from obtegum.core.values.physics import GRAVITY_MPS2
from obtegum.core.values.quantity import FOOT_M, INCH_M, LengthError, Rounding, Units

__all__ = ["SIGNED", "AmountKind", "amount_step", "amount_text", "amount_zero", "liquid_text", "parse_amount"]

# US fluid ounces in a litre.
FLUID_OUNCES = 33.814
AmountKind = Literal[
    "share",
    "slope",
    "load",
    "volume",
    "mass",
    "hung",
    "density",
    "stress",
    "pressure",
    "speed",
    "force",
    "pull",
    "torque",
    "power",
    "energy",
    "rain",
    "flow",
    "air",
    "minutes",
    "hours",
    "latitude",
    "longitude",
    "degrees",
    "count",
    "factor",
    "temperature",
]
# Kinds that are angles, and all that may lie below zero.
ANGLES: tuple[AmountKind, ...] = ("latitude", "longitude", "degrees")
SIGNED: tuple[AmountKind, ...] = (*ANGLES, "factor", "temperature")
POUND_KG = 0.45359237
POUND_N = POUND_KG * GRAVITY_MPS2
# A thousand pounds of force on a square inch.
KSI_PA = 1000 * POUND_N / INCH_M**2
HOUR_S = 3600.0
# A British thermal unit, J.
BTU_J = 1055.056
MILE_M = 5280 * FOOT_M


class _Unit(NamedTuple):
    name: str
    size: float
    decimals: int
    spaced: bool = True
    zero: float = 0.0


_PERCENT, _MINUTES = _Unit("%", 0.01, 1), _Unit("min", 60.0, 1)
_COUNT, _SLOPE = _Unit("", 1.0, 0, spaced=False), _Unit("", 1.0, 2, spaced=False)
_FACTOR = _Unit("", 1.0, 2, spaced=False)
_HOURS, _DEGREES = _Unit("h", HOUR_S, 1), _Unit("°", 1.0, 6, spaced=False)
_UNITS: dict[AmountKind, dict[Units, _Unit]] = {
    "share": {"feet": _PERCENT, "metric": _PERCENT},
    "slope": {"feet": _SLOPE, "metric": _SLOPE},
    "load": {"feet": _Unit("cu ft", FOOT_M**3, 1), "metric": _Unit("L", 0.001, 0)},
    "volume": {"feet": _Unit("cu yd", (3 * FOOT_M) ** 3, 1), "metric": _Unit("m³", 1.0, 1)},
    "mass": {"feet": _Unit("tons", 2000 * POUND_KG, 1), "metric": _Unit("t", 1000.0, 1)},
    "hung": {"feet": _Unit("lb", POUND_KG, 0), "metric": _Unit("kg", 1.0, 0)},
    "density": {"feet": _Unit("lb/cu ft", POUND_KG / FOOT_M**3, 0), "metric": _Unit("kg/m³", 1.0, 0)},
    "stress": {"feet": _Unit("ksi", KSI_PA, 1), "metric": _Unit("MPa", 1e6, 0)},
    "pressure": {"feet": _Unit("psf", POUND_N / FOOT_M**2, 1), "metric": _Unit("kPa", 1000.0, 2)},
    "speed": {"feet": _Unit("mph", MILE_M / HOUR_S, 0), "metric": _Unit("m/s", 1.0, 1)},
    "force": {"feet": _Unit("lb", POUND_N, 0), "metric": _Unit("kN", 1000.0, 2)},
    "pull": {"feet": _Unit("lb/ft", POUND_N / FOOT_M, 0), "metric": _Unit("kN/m", 1000.0, 2)},
    "torque": {"feet": _Unit("lb·ft", POUND_N * FOOT_M, 0), "metric": _Unit("N·m", 1.0, 0)},
    "power": {"feet": _Unit("BTU/h", BTU_J / HOUR_S, 0), "metric": _Unit("kW", 1000.0, 1)},
    "energy": {"feet": _Unit("BTU", BTU_J, 0), "metric": _Unit("kWh", 3.6e6, 1)},
    "rain": {"feet": _Unit("in/h", INCH_M / HOUR_S, 2), "metric": _Unit("mm/h", 0.001 / HOUR_S, 0)},
    "flow": {"feet": _Unit("gal/min", 231 * INCH_M**3 / 60, 0), "metric": _Unit("L/s", 0.001, 1)},
    "air": {"feet": _Unit("cfm", FOOT_M**3 / 60, 0), "metric": _Unit("m³/h", 1 / HOUR_S, 0)},
    "minutes": {"feet": _MINUTES, "metric": _MINUTES},
    "hours": {"feet": _HOURS, "metric": _HOURS},
    "latitude": {"feet": _DEGREES, "metric": _DEGREES},
    "longitude": {"feet": _DEGREES, "metric": _DEGREES},
    "degrees": {"feet": _DEGREES, "metric": _DEGREES},
    "count": {"feet": _COUNT, "metric": _COUNT},
    "factor": {"feet": _FACTOR, "metric": _FACTOR},
    "temperature": {"feet": _Unit("°F", 5 / 9, 0, zero=-160 / 9), "metric": _Unit("°C", 1.0, 0)},
}
# Other ways to write a unit.
_ALIKE = {
    "m3": "m³", "cubic metres": "m³", "cubic meters": "m³", "kg/m3": "kg/m³", "litres": "l", "liters": "l",
    "ft3": "cu ft", "ft³": "cu ft", "cubic feet": "cu ft", "yd3": "cu yd", "yd³": "cu yd", "cubic yards": "cu yd",
    "yards": "cu yd", "lb/ft3": "lb/cu ft", "lb/ft³": "lb/cu ft", "pcf": "lb/cu ft", "ton": "tons", "tonnes": "t",
    "minutes": "min", "hours": "h", "hour": "h", "hr": "h", "hrs": "h", "percent": "%", "pct": "%",
    "lb/ft2": "psf", "lb/sq ft": "psf", "lb/ft²": "psf", "kn/m2": "kpa", "kn/m²": "kpa", "lbs": "lb", "lbf": "lb",
    "miles an hour": "mph", "m3/h": "m³/h", "cu ft/min": "cfm", "mi/h": "mph", "mps": "m/s",
    "lb-ft": "lb·ft", "ft-lb": "lb·ft", "nm": "n·m", "degrees": "°", "deg": "°", "f": "°f", "c": "°c",
}  # fmt: skip
_NUMBER = re.compile(r"(?P<sign>[-−]?)\s*(?P<number>[0-9]+(?:[.,][0-9]+)?|[.,][0-9]+)\s*(?P<unit>.*)")
_PLAIN = r"\d+(?:\.\d+)?|\.\d+"
_RATIO = re.compile(rf"(?P<one>{_PLAIN})\s*(?::|/|in|to)\s*(?P<other>{_PLAIN})")
_RISE_PER_RUN = re.compile(
    rf"(?P<rise>(?:\d+\s+)?\d+/\d+|{_PLAIN})\s*(?P<of>\"|in|inch|inches|mm|cm|m|ft|')\s*"
    rf"(?:per|/|a|in|to the)\s*(?P<run>{_PLAIN})?\s*(?P<per>'|ft|foot|feet|m|metre|meter|yd|yard)"
)
_LONG_M = {
    '"': INCH_M, "in": INCH_M, "inch": INCH_M, "inches": INCH_M, "mm": 0.001, "cm": 0.01, "m": 1.0, "metre": 1.0,
    "meter": 1.0, "'": FOOT_M, "ft": FOOT_M, "foot": FOOT_M, "feet": FOOT_M, "yd": 3 * FOOT_M, "yard": 3 * FOOT_M,
}  # fmt: skip
_DEGREE = re.compile(
    rf"(?P<before>[nsew])?\s*(?P<sign>[-−])?\s*(?P<degrees>{_PLAIN})\s*°?"
    rf"(?:\s*(?P<minutes>{_PLAIN})\s*['′]?(?:\s*(?P<seconds>{_PLAIN})\s*(?:\"|″|'')?)?)?\s*(?P<after>[nsew])?"
)


def _shown(text: str) -> str:
    return f"Can't read “{text.strip()[:40]}”."


def _parse_slope(text: str, kind: AmountKind) -> float | None:
    """A ratio or a rise to a run as a share, or for a side slope as the run to a rise of one; None if it is neither."""
    over = _RISE_PER_RUN.fullmatch(text)
    if over is not None:
        rise_m = float(sum(Fraction(part) for part in over["rise"].split())) * _LONG_M[over["of"]]
        share = rise_m / (float(over["run"] or 1) * _LONG_M[over["per"]])
    else:
        ratio = _RATIO.fullmatch(text)
        if ratio is None:
            return None
        one, other = float(ratio["one"]), float(ratio["other"])
        # A side slope is told both ways: 1 up in 2, or 2 out to 1 up.
        if kind == "slope" and other == 1:
            one, other = other, one
        if other == 0:
            raise LengthError("A slope can’t be over nothing.")
        share = one / other
    if kind == "share":
        return share
    if share == 0:
        raise LengthError("A side slope falls: write it like 1 : 1.5.")
    return 1 / share


def _parse_degrees(text: str, kind: AmountKind) -> float:
    """Degrees with a sign or N, S, E, W; minutes and seconds behind them. Raises: LengthError."""
    found = _DEGREE.fullmatch(text)
    if found is None or (found["before"] and found["after"]):
        raise LengthError(f"{_shown(text)} Write degrees like 45.5123, 45 30 44 N or 45° 30.7' N.")
    letter = found["before"] or found["after"] or ""
    minutes, seconds = float(found["minutes"] or 0), float(found["seconds"] or 0)
    if minutes >= 60 or seconds >= 60:
        raise LengthError("Minutes and seconds go up to 60.")
    if (found["minutes"] and "." in found["degrees"]) or (found["seconds"] and "." in found["minutes"]):
        raise LengthError("Only the last of degrees, minutes and seconds can be broken.")
    fitting = {"latitude": "ns", "longitude": "ew"}.get(kind, "")
    if letter and letter not in fitting:
        want = " or ".join(fitting.upper()) if fitting else "a number alone"
        raise LengthError(f"{letter.upper()} doesn’t belong here: {want}.")
    if letter and found["sign"]:
        raise LengthError(f"A minus or {letter.upper()}, not both.")
    value = float(found["degrees"]) + minutes / 60 + seconds / 3600
    return -value if found["sign"] or letter in ("s", "w") else value


def parse_amount(text: str, kind: AmountKind, units: Units) -> float:
    """Read a typed amount; a bare number is in the house's own unit.

    Only degrees, factors and temperatures may be below zero.

    Slopes are taken as a share, as ``1:100`` and as ``1/8 in per ft``; places on the globe with degrees,
    minutes and seconds, and N, S, E or W.
    Returns: the amount in SI. Raises: LengthError with a sentence.
    """
    own, tidy = _UNITS[kind][units], text.strip().lower()[:60]
    if kind in ANGLES:
        return _parse_degrees(tidy, kind)
    if kind in ("share", "slope"):
        slope = _parse_slope(tidy, kind)
        if slope is not None:
            return slope
    found = _NUMBER.fullmatch(tidy)
    if found is None:
        raise LengthError(f"{_shown(text)} Write a number{f', in {own.name}' if own.name else ''}.")
    number = found["number"]
    if "," in number and units == "feet":
        raise LengthError("Leave out the comma: write a point for decimals.")
    named = {unit.name.lower(): unit for unit in _UNITS[kind].values()}
    said = found["unit"].strip()
    if kind == "hung" and not said:
        # A mass that is carried overhead isn't guessed.
        raise LengthError("Say in what: lb or kg.")
    unit = named.get(_ALIKE.get(said, said)) if said else own
    if kind == "slope" and said in ("%", "percent"):
        unit = _PERCENT
    if unit is None:
        raise LengthError(f"Write it in {own.name}, or leave the unit out." if own.name else "Write a number alone.")
    if found["sign"] and kind not in SIGNED:
        raise LengthError("It can't be below zero.")
    value = float(number.replace(",", ".")) * unit.size * (-1 if found["sign"] else 1) + unit.zero
    if kind == "slope" and unit is _PERCENT:
        if value == 0:
            raise LengthError("A side slope falls: write it like 1 : 1.5.")
        return 1 / value
    return value


def amount_text(value: float, kind: AmountKind, units: Units, rounding: Rounding = "nearest") -> str:
    """Print an amount in the house's unit. Raises: ValueError when it isn't finite."""
    if not math.isfinite(value):
        raise ValueError("only a finite amount can be printed")
    unit = _UNITS[kind][units]
    scaled = (value - unit.zero) / unit.size * 10**unit.decimals
    count = {"nearest": math.floor(scaled + 0.5), "down": math.floor(scaled + 1e-6), "up": math.ceil(scaled - 1e-6)}
    number = count[rounding] / 10**unit.decimals
    printed = f"{number:,.{unit.decimals}f}".replace("-", "−")
    if "." in printed:
        printed = printed.rstrip("0").rstrip(".")
    if kind == "slope":
        return f"1 : {printed}"
    return f"{printed} {unit.name}" if unit.spaced else f"{printed}{unit.name}"


def amount_step(kind: AmountKind, units: Units) -> float:
    """What one key press changes, SI: the last digit that is printed, or a whole unit for angles."""
    unit = _UNITS[kind][units]
    if kind == "slope":
        return 0.1
    return unit.size if kind in ANGLES else unit.size / 10**unit.decimals


def amount_zero(kind: AmountKind, units: Units) -> float:
    """What the house's unit calls nothing, SI: 0 but for temperatures."""
    return _UNITS[kind][units].zero


def liquid_text(litres: float, units: Units) -> str:
    """What is bought in cans, rounded up: to a twentieth of a litre, or to a fluid ounce."""
    if units == "feet":
        return f"{math.ceil(litres * FLUID_OUNCES)} fl oz"
    return f"{math.ceil(litres * 20) / 20:g} L"
