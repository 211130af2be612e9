"""Concrete in a hole, three ways round: bags that fill it, how high so many come, the hole that so many fill.

And how long it cures: by maturity, ASTM C1074 (Nurse and Saul), Σ(T + 10 °C)·Δt.
"""

import math

__all__ = [
    "CARBON_KG_KG",
    "CHILLED_C",
    "COVERED",
    "STOOD_ON",
    "bags_for",
    "cured_days",
    "filled_m",
    "hole_for",
    "room_m3",
]

# Carbon of concrete, kg for each kg of it (data of the trade, a usual dry mix), and what concrete weighs, kg/m³.
CARBON_KG_KG, CONCRETE_KG_M3 = 0.13, 2400.0
# Maturity before a bow stands in it, and before film or a pull, °C·days (this bench): two and seven days at 20 °C.
STOOD_ON, COVERED = 60.0, 210.0
# Where cement stops curing, °C, and below what it is kept warm.
STOPS_C, CHILLED_C = -10.0, 5.0


def room_m3(hole_m: float, tube_m: float, deep_m: float) -> float:
    """Room in a round hole beside the tube that stands in it, m³."""
    return math.pi / 4 * max(hole_m**2 - tube_m**2, 0.0) * max(deep_m, 0.0)


def bags_for(room: float, bag_m3: float) -> int:
    """Whole bags that fill a room. Raises: ValueError for a bag of nothing."""
    if bag_m3 <= 0:
        raise ValueError("a bag must make something")
    return math.ceil(room / bag_m3 - 1e-9)


def filled_m(bags: float, bag_m3: float, hole_m: float, tube_m: float) -> float:
    """How high so many bags come in a hole, m; without end where the tube fills it."""
    area = math.pi / 4 * (hole_m**2 - tube_m**2)
    return bags * bag_m3 / area if area > 0 else math.inf


def hole_for(bags: float, bag_m3: float, tube_m: float, deep_m: float) -> float:
    """The hole that so many bags fill to the top, m across. Raises: ValueError for a hole of no depth."""
    if deep_m <= 0:
        raise ValueError("a hole must be deep")
    return math.sqrt(bags * bag_m3 * 4 / (math.pi * deep_m) + tube_m**2)


def cured_days(maturity: float, mean_c: float) -> int:
    """Whole days until concrete has come to a maturity, °C·days, at a mean temperature, °C.

    Raises: ValueError where it freezes, for what has frozen never comes to its strength.
    """
    if mean_c < 0:
        raise ValueError("concrete isn’t poured in frost")
    return math.ceil(maturity / (mean_c - STOPS_C) - 1e-9)
