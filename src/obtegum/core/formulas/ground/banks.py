"""The side slopes of a pad: from its edge down to the ground where it is filled, up to it where it is cut.

Along each edge the ground is taken to go on outward as it falls from a metre inside, so a bank h high
under a slope of one in ``slope`` runs out h·s/(1 − g·s) where the ground falls away by g, and has half that
times h of earth to the metre. At a corner it goes round as a quarter of a cone, π·s²·h³/12.

Source: geometry of planes and cones.
"""

import math
from dataclasses import dataclass
from typing import TYPE_CHECKING, Any

from obtegum.core.formulas.ground.terrain import Earth, Terrain

if TYPE_CHECKING:
    from numpy.typing import NDArray

__all__ = ["Banks", "banks_of"]

# Places looked at along each edge, and how far inside the ground's fall is taken from, m.
PLACES = 24
INSIDE_M = 1.0
# A bank never runs out further than this many times the run on level ground.
MOST_RUN = 4.0
Point = tuple[float, float]


@dataclass(frozen=True, eq=False)
class Banks:
    """The ground along the edge of a pad, going round it from its corner at A.

    ``places`` are rows of x, y, outward x, outward y, height of the ground, its fall outward, and the length
    of edge that it stands for; ``corners`` are rows of x and height of the ground; m.
    """

    places: "NDArray[Any]"
    corners: "NDArray[Any]"

    def _high(self, at: "NDArray[Any]", ground: "NDArray[Any]", at_a_m: float, fall: float) -> Any:
        """How high the pad stands over the ground, m; below zero where it is cut into it."""
        return at_a_m - fall * at - ground

    def _runs(self, at_a_m: float, fall: float, slope: float) -> tuple[Any, Any]:
        """Height of each bank, and how far it runs out, m."""
        import numpy as np

        high = self._high(self.places[:, 0], self.places[:, 4], at_a_m, fall)
        # Ground that falls away draws a bank of fill out and a bank of cut in.
        lean = 1 - np.sign(high) * self.places[:, 5] * slope
        return high, np.abs(high) * slope / np.maximum(lean, 1 / MOST_RUN)

    def against(self, at_a_m: float, fall: float, slope: float) -> Earth:
        """Cut and fill of the banks of a pad ``at_a_m`` high at x = 0, falling along x; ``slope`` is run to rise."""
        high, run = self._runs(at_a_m, fall, slope)
        sides = abs(high) * run / 2 * self.places[:, 6]
        corner = self._high(self.corners[:, 0], self.corners[:, 1], at_a_m, fall)
        cones = math.pi * slope**2 * abs(corner) ** 3 / 12
        cut = float(sides[high < 0].sum() + cones[corner < 0].sum())
        return Earth(cut, float(sides[high > 0].sum() + cones[corner > 0].sum()))

    def reach_m(self, at_a_m: float, fall: float, slope: float) -> float:
        """How far the banks reach out beyond the pad at the most, m; banks lie at one in ``slope``."""
        return float(self._runs(at_a_m, fall, slope)[1].max())

    def toe(self, at_a_m: float, fall: float, slope: float) -> list[Point]:
        """Where the banks, at one in ``slope``, meet the ground, going round, m."""
        _, run = self._runs(at_a_m, fall, slope)
        at = self.places[:, :2] + self.places[:, 2:4] * run[:, None]
        return [(x, y) for x, y in at.tolist()]


def banks_of(terrain: Terrain, x0: float, y0: float, x1: float, y1: float) -> Banks:
    """The edge of a pad from (x0, y0) to (x1, y1), m, on its ground; beyond what was measured the ground is that of the
    nearest point."""
    import numpy as np

    corners = ((x0, y0), (x1, y0), (x1, y1), (x0, y1))
    outward = ((0.0, -1.0), (1.0, 0.0), (0.0, 1.0), (-1.0, 0.0))
    inside = min(INSIDE_M, (x1 - x0) / 2, (y1 - y0) / 2)
    rows = []
    for (start, end), (nx, ny) in zip(zip(corners, (*corners[1:], corners[0]), strict=True), outward, strict=True):
        for place in range(PLACES):
            share = (place + 0.5) / PLACES
            x, y = (one + (other - one) * share for one, other in zip(start, end, strict=True))
            rows.append((x, y, nx, ny, math.dist(start, end) / PLACES))
    edge = np.array(rows)
    ground = terrain.heights(edge[:, :2])
    falls = (terrain.heights(edge[:, :2] - edge[:, 2:4] * inside) - ground) / inside
    at_corners = np.column_stack([[x for x, _ in corners], terrain.heights(corners)])
    return Banks(np.column_stack([edge[:, :4], ground, falls, edge[:, 4]]), at_corners)
