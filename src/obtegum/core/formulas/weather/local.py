"""Wind on a piece of wall by itself: stronger at a place than on the whole, by two codes."""

import math

from obtegum.core.formulas.weather.asce_wind import CLOSED, LEAST_WALL_PA, OPEN_END
from obtegum.core.formulas.weather.en_wind import DOMINANT, WINDWARD
from obtegum.core.formulas.weather.factors import ASCE, EN

__all__ = ["eu_wall", "us_wall"]

# ASCE 7-16, figure 30.3-1 (as read): GCp to 0.93 m², and from 46.5 m² on; linear in log A.
SMALL_M2, LARGE_M2 = 0.93, 46.5
PUSHED, DRAWN, DRAWN_EDGE = (1.0, 0.7), (-1.1, -0.8), (-1.4, -0.8)
# EN 1991-1-4, table 7.1: cpe,1 to 1 m² and cpe,10 from 10 m² of zones A and D, log between.
A_ZONE, D_ZONE = (-1.4, -1.2), (1.0, 0.8)


def _by_area(ends: tuple[float, float], area_m2: float, small_m2: float, large_m2: float) -> float:
    share = math.log(max(area_m2, small_m2) / small_m2) / math.log(large_m2 / small_m2)
    return ends[0] + (ends[1] - ends[0]) * min(share, 1.0)


def us_wall(q_pa: float, area_m2: float, edge: bool) -> float:
    """The most that presses or draws at a piece of wall, Pa, allowable: 0.6·q·(GCp − GCpi), no less than 0.6·770."""
    drawn = _by_area(DRAWN_EDGE if edge else DRAWN, area_m2, SMALL_M2, LARGE_M2)
    pushed = _by_area(PUSHED, area_m2, SMALL_M2, LARGE_M2)
    most = max(pushed + CLOSED, -drawn + OPEN_END)
    return ASCE.wind * max(q_pa * most, LEAST_WALL_PA)


def eu_wall(q_pa: float, area_m2: float, drawn_in: float) -> float:
    """The same by EN 1991-1-4, table 7.1, a design value, Pa: 1.5·qp·(cpe − cpi): sucked outward with the windward face
    open, pressed inward with cpi ``drawn_in``, the most that an opening elsewhere draws."""
    drawn, pushed = (_by_area(zone, area_m2, 1.0, 10.0) for zone in (A_ZONE, D_ZONE))
    return EN.wind * q_pa * max(pushed - drawn_in, -drawn + DOMINANT * WINDWARD)
