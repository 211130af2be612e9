"""Snow beside the house: what slides off heaps there and pushes the sides in. A stand-in: no code has a value."""

import math
from collections.abc import Iterator

import numpy as np

from obtegum.core.formulas.weather.outline import Outline
from obtegum.core.formulas.weather.pressure import Case, from_wind

__all__ = ["AT_REST", "heap_cases", "heap_height", "least_gap"]

# Weight of slid snow, for its room and for its push, N/m³; its slope at rest; its push sideways (Mellor 1975).
ROOM_N_M3, PUSH_N_M3, AT_REST = 3000.0, 4000.0, 0.5
SLOPE = math.tan(math.radians(38))


def heap_height(roof_pa: float, ground_pa: float, span_m: float, gap_m: float | None) -> float:
    """How high slid snow lies at a side, m: h = √(2·A·tan 38°) with A = pf·(S/2)/γ, between two houses what the gap
    makes of both roofs; on the ground's own snow."""
    slid = roof_pa * span_m / 2 / ROOM_N_M3
    height = math.sqrt(2 * slid * SLOPE)
    if gap_m is not None and 2 * height / SLOPE > gap_m:
        height = 2 * slid / gap_m + gap_m * SLOPE / 4
    return height + ground_pa / ROOM_N_M3


def least_gap(roof_pa: float, ground_pa: float, span_m: float, below_m: float) -> float | None:
    """The least gap between two alike houses at which slid snow stays below a height, m; None where none does."""
    slid, room = roof_pa * span_m / 2 / ROOM_N_M3, below_m - ground_pa / ROOM_N_M3
    if room <= math.sqrt(2 * slid * SLOPE):
        return None
    # 2·A/g + g·tan 38°/4 = room: the wider of two gaps would only be one where the heaps no longer meet.
    inner = room**2 - 2 * slid * SLOPE
    return 2 * (room - math.sqrt(max(inner, 0.0))) / SLOPE


def heap_cases(outline: Outline, height_m: float, at_rest: float = AT_REST) -> Iterator[Case]:
    """Slid snow pushing in one side or both: 0.5·γ·(h − y), ``at_rest`` the coefficient of earth pressure at rest."""
    push = -at_rest * PUSH_N_M3 * np.maximum(height_m - outline.y, 0.0)
    clause = "stand-in, at rest by Mellor 1975"
    for name, words, on in (
        ("heap-left", "the left", push * (outline.x < 0)),
        ("heap-right", "the right", push * (outline.x > 0)),
        ("heap-both", "both sides", push),
    ):
        yield from_wind(outline, name, f"slid snow against {words} (a stand-in)", clause, on, "heap")
