"""What moving the ground takes: balance of cut and fill, loads, hours, stone by mass.

Swell and shrink are shares of the volume as it lay in the ground: dug, it fills more; packed in
place, less. Source of the usual figures: US Army FM 5-434, table 1-1 (common earth 25 % and 10 %).
"""

import math
from dataclasses import dataclass

from obtegum.core.formulas.ground.banks import Banks
from obtegum.core.formulas.ground.terrain import Earth, Patch

__all__ = ["Moving", "balanced_height", "moving", "stone_kg"]

# Stone is bought loose, and loses about a tenth of that as it is packed.
STONE_KEEPS = 0.9


@dataclass(frozen=True, slots=True, kw_only=True)
class Moving:
    """Volumes in place, what is brought in (> 0) or taken away (< 0) as it lay, loose volume, loads, time."""

    cut_m3: float
    fill_m3: float
    net_m3: float
    loose_m3: float
    loads: int
    hours_s: float


def moving(earth: Earth, swell: float, shrink: float, load_m3: float, load_s: float) -> Moving:
    """What the volumes come to in loads and hours.

    Fill packs down by ``shrink``, so it wants fill/(1 − shrink) of earth as it lay. The earth dug here goes first, the
    rest is brought; what is moved, whichever way, is moved loose, as dug earth grows by ``swell``.
    """
    wanted_m3 = earth.fill_m3 / (1 - shrink)
    net_m3 = wanted_m3 - earth.cut_m3
    loose_m3 = max(wanted_m3, earth.cut_m3) * (1 + swell)
    loads = math.ceil(loose_m3 / load_m3 - 1e-9)
    return Moving(
        cut_m3=earth.cut_m3,
        fill_m3=earth.fill_m3,
        net_m3=net_m3,
        loose_m3=loose_m3,
        loads=loads,
        hours_s=loads * load_s,
    )


def balanced_height(patch: Patch, banks: Banks, fall: float, slope: float, shrink: float) -> float:
    """Height at A of the pad whose cut makes its fill, banks and all, m. Fill grows and cut shrinks with it.

    Fill packs down by ``shrink``; ``fall`` is the pad's, m to the m along the house; its banks lie at one in ``slope``.
    """
    from scipy.optimize import brentq

    heights = patch.pieces[:, :, 2] + fall * patch.pieces[:, :, 0]

    def lacking(at_a_m: float) -> float:
        earth = patch.against(at_a_m, fall) + banks.against(at_a_m, fall, slope)
        return earth.fill_m3 / (1 - shrink) - earth.cut_m3

    return float(brentq(lacking, float(heights.min()) - 1e-3, float(heights.max()) + 1e-3, xtol=1e-6))


def stone_kg(area_m2: float, deep_m: float, loose_kg_m3: float) -> float:
    """Stone to buy for a layer, packed, kg."""
    return area_m2 * deep_m / STONE_KEEPS * loose_kg_m3
