"""The drain on the uphill side: what the design rain brings, and what a pipe carries.

Run-off by the rational method, Q = C·i·A: film sheds all of it, C = 1. Capacity of a pipe running
full by Manning, Q = A·R^(2/3)·√fall / n with R = D/4 (any textbook of open-channel flow).
"""

import math
from dataclasses import dataclass

__all__ = ["Drained", "manning_full", "pipe_for", "run_off"]


@dataclass(frozen=True, slots=True, kw_only=True)
class Drained:
    """The drain as laid: its length, how deep it starts and ends, the trench's volume, what it is to carry."""

    side: str
    outlet: str
    length_m: float
    start_deep_m: float
    end_deep_m: float
    trench_m3: float
    flow_m3_s: float
    carries_m3_s: float


def run_off(rain_m_s: float, roof_m2: float, ground_m2: float, ground_share: float) -> float:
    """Water from roof and ground in the design rain, m³/s."""
    return rain_m_s * (roof_m2 + ground_share * ground_m2)


def manning_full(bore_m: float, roughness: float, fall: float) -> float:
    """Flow of a round pipe running full at a ``fall`` (m of drop to the m), m³/s; ``roughness`` is Manning's n, s/m^⅓.
    Source: Manning's formula, SI."""
    area = math.pi * bore_m**2 / 4
    return float(area * (bore_m / 4) ** (2 / 3) * math.sqrt(fall) / roughness)


def pipe_for(flow_m3_s: float, roughness: float, fall: float) -> float:
    """Bore that just carries a flow, m, with ``roughness`` and ``fall`` as in `manning_full`, of which it is the
    inverse."""
    return float((flow_m3_s * roughness * 4 ** (5 / 3) / (math.pi * math.sqrt(fall))) ** (3 / 8))
