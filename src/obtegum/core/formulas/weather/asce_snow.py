"""Snow by ASCE/SEI 7-16, chapter 7. Figure 7.4-2 for curved roofs as read; the gable rule for straight rafters."""

import math
from collections.abc import Iterator
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from obtegum.core.formulas.weather.outline import Outline
from obtegum.core.formulas.weather.own import NOTHING, Own
from obtegum.core.formulas.weather.place import Heat, Openness, Shelter
from obtegum.core.formulas.weather.pressure import Case, Worked, from_snow

__all__ = ["Site", "breaks", "drift", "even_snow", "flat_roof_snow", "slope_factor", "snow_cases", "worked"]

Array = NDArray[np.float64]
# Table 7.3-1, by how open the country is: fully exposed, partly, sheltered.
EXPOSURE: dict[Openness, dict[Shelter, float]] = {
    "woods": {"open": 0.9, "part": 1.0, "sheltered": 1.2},
    "country": {"open": 0.9, "part": 1.0, "sheltered": 1.1},
    "coast": {"open": 0.8, "part": 0.9, "sheltered": 1.0},
}
# Table 7.3-2.
THERMAL: dict[Heat, float] = {"none": 1.2, "frost_free": 1.1, "heated": 0.85}
# Figure 7.4-1: up to which slope all of it lies, and where none does, for film that it slides off.
SLIPS = {1.2: 15.0, 1.1: 10.0}
STEEP = 70.0
CURVED_LEVEL, CURVED_STEEP = 10.0, 60.0
NEAR_GROUND_M = 0.9
# 7.6.1: slopes between which a gable drifts; below which of them the least snow counts (7.3.4), degrees; and rafters
# that count as short, m in plan.
GABLE_FROM, GABLE_TO, GABLE_LEVEL, SHORT_RAFTER_M = 2.38, 30.2, 15.0, 6.1


@dataclass(frozen=True, slots=True)
class Site:
    """What snow needs to know: snow on the ground, Pa, and how house and spot stand to it.

    ``slides`` is whether it can slide off and away: a smooth cover, and room at the sides. ``of_strength`` is whether
    the ground's figure is one of ASCE 7-22.
    """

    ground_pa: float
    people: bool
    heat: Heat
    openness: Openness
    shelter: Shelter
    slides: bool
    own: Own = NOTHING
    of_strength: bool = False

    @property
    def drifted(self) -> float:
        """How much of the flat roof's snow a drift comes to at its most, figure 7.4-2: 2/Ce."""
        return self.own.get("drift", 2 / self.exposure)

    @property
    def importance(self) -> float:
        """Is, table 1.5-2: 0.8 where nobody is at risk, 1.0 else; a figure of ASCE 7-22 is for its use already."""
        return 1.0 if self.people or self.of_strength else 0.8

    @property
    def exposure(self) -> float:
        """Ce, table 7.3-1."""
        return EXPOSURE[self.openness][self.shelter]

    @property
    def thermal(self) -> float:
        """Ct, table 7.3-2."""
        return THERMAL[self.heat]

    @property
    def level_deg(self) -> float:
        """Slope up to which all of the snow lies, figure 7.4-1.

        A warm roof counts as slippery only with more insulation than film has: a heated one takes the rough line.
        """
        if self.slides and self.thermal in SLIPS:
            return SLIPS[self.thermal]
        return {1.2: 45.0, 1.1: 37.5}.get(self.thermal, 30.0)


def flat_roof_snow(site: Site) -> float:
    """pf = 0.7·Ce·Ct·Is·pg, equation 7.3-1, Pa."""
    return 0.7 * site.exposure * site.thermal * site.importance * site.ground_pa


def slope_factor(site: Site, degrees: Array | float) -> Array:
    """Cs of slopes, (n,) ``degrees`` or one, as a share: 1 up to the level slope, nothing from 70°, a straight line
    between (ASCE 7-16, figure 7.4-1)."""
    level = site.level_deg
    return np.clip((STEEP - np.asarray(degrees, dtype=float)) / (STEEP - level), 0.0, 1.0)


def _edge(site: Site, outline: Outline, at_30: float, at_eaves: float, near: bool) -> tuple[list[float], list[float]]:
    """Figure 7.4-2 from the 30° point outward: where, m from the middle, and the pressure there, Pa.

    Case 1 below 30° at the eaves, 2 to 70°, 3 beyond. ``near``: ground or a roof close under the eaves keeps what lies
    at 30° out to them.
    """
    eaves, half = outline.eaves_deg, outline.span_m / 2
    if eaves < 30:
        return [half], [at_eaves]
    if near:
        return [outline.where_deg(30), half], [at_30, at_30]
    if eaves <= STEEP:
        return [outline.where_deg(30), half], [at_30, at_eaves]
    return [outline.where_deg(30), outline.where_deg(STEEP), half], [at_30, 0.0, 0.0]


def _laid(outline: Outline, at: list[float], pressure: list[float]) -> Array:
    """Pressure of each piece from its distance to the middle; nothing on legs."""
    return np.where(outline.roof, np.interp(np.abs(outline.x), at, pressure), 0.0)


def even_snow(site: Site, outline: Outline) -> Array:
    """(n,): balanced snow, Pa on plan: ASCE 7-16, 7.4.3 for curved roofs, 7.4 slope by slope for rafters."""
    flat = flat_roof_snow(site)
    if outline.straight:
        return np.where(outline.roof, flat * slope_factor(site, outline.slope), 0.0)
    level = outline.where_deg(site.level_deg)
    at_30 = flat * float(slope_factor(site, 30.0))
    at_eaves = flat * float(slope_factor(site, outline.eaves_deg))
    at, pressure = _edge(site, outline, at_30, at_eaves, near=False)
    beyond = [(place, value) for place, value in zip(at, pressure, strict=True) if place > level + 1e-9]
    return _laid(outline, [0.0, level, *(each[0] for each in beyond)], [flat, flat, *(each[1] for each in beyond)])


def drift(site: Site, outline: Outline, near: bool = False) -> Array:
    """(n,): unbalanced snow of ASCE 7-16, figure 7.4-2, with the right half in the lee, Pa on plan."""
    flat, over = flat_roof_snow(site), site.drifted
    at_30 = over * flat * float(slope_factor(site, 30.0))
    at_eaves = over * flat * float(slope_factor(site, outline.eaves_deg))
    at, pressure = _edge(site, outline, at_30, at_eaves, near)
    return np.where(outline.x > 0, _laid(outline, [0.0, *at], [flat / 2, *pressure]), 0.0)


def _line_deg(outline: Outline) -> float:
    """Slope of the line from the eaves, or where the roof is 70° steep, to the crown, degrees."""
    rise = outline.height_m - outline.height_at_deg(STEEP)
    return math.degrees(math.atan2(rise, max(outline.where_deg(STEEP), 1e-6)))


def _gable_deg(outline: Outline) -> float:
    """Slope that the gable rule goes by, degrees: the rafter's own, whatever is steeper below it; of two curves that
    meet at a ridge, the line from the eaves or the 70° point to it."""
    return outline.crown_deg if outline.straight else _line_deg(outline)


def ridge_drift(site: Site, outline: Outline) -> tuple[float, float, float]:
    """7.6.1 and 7.7: height of the drift in the lee of a ridge, m, its density, N/m³, and how far it reaches, m.

    γ = min(0.426·pg + 2.2, 4.7) kN/m³; hd = √Is·(0.195·ℓu^⅓·(20.9·pg + 10)^¼ − 0.457), pg in kPa, as read; ℓu from the
    ridge to the foot line. It reaches 8/3·hd·√s, s the rafter's run for a rise of one.
    """
    ground = site.ground_pa / 1000
    density = 1000 * min(0.426 * ground + 2.2, 4.7)
    from_m = max(outline.span_m / 2, 6.1)
    height = math.sqrt(site.importance) * (0.195 * from_m ** (1 / 3) * (20.9 * ground + 10) ** 0.25 - 0.457)
    return max(height, 0.0), density, 8 / 3 * max(height, 0.0) * math.sqrt(_run_for_rise(outline))


def _run_for_rise(outline: Outline) -> float:
    """s of 7.6.1."""
    return 1 / math.tan(math.radians(max(_gable_deg(outline), 1e-3)))


def gable(site: Site, outline: Outline) -> list[Array]:
    """(n,) each: unbalanced snow on rafters, the right half in the lee, 7.6.1: 0.3·ps and ps with the ridge's drift;
    for straight ones that are short (6.1 m in plan) nothing and Is·pg too. Pa on plan.

    What is steeper below the rafter carries ps by its own slope, and the drift as far as it reaches.
    """
    even = even_snow(site, outline)
    height, density, reach = ridge_drift(site, outline)
    heaped = height * density / math.sqrt(_run_for_rise(outline))
    lee = outline.x > 0
    found = [np.where(lee, even + np.where(outline.roof & (outline.x <= reach), heaped, 0.0), 0.3 * even)]
    if outline.straight and outline.span_m / 2 <= SHORT_RAFTER_M:
        found.append(np.where(lee & outline.roof, site.importance * site.ground_pa, 0.0))
    return found


def breaks(site: Site, outline: Outline) -> list[float]:
    """How far from the middle what snow lays on a roof steps or bends, m."""
    found = [0.0, *(outline.where_deg(each) for each in (site.level_deg, 30.0, STEEP))]
    if outline.straight or outline.ridged:
        found.append(ridge_drift(site, outline)[2])
    return found


def snow_cases(site: Site, outline: Outline) -> Iterator[Case]:
    """Every way in which snow lies, 7.3 to 7.6: even, drifted to either side, the least on low roofs."""
    even = "7.4.3" if not outline.straight else "7.4"
    yield from_snow(outline, "even", "snow lying even", f"ASCE 7-16, {even}", even_snow(site, outline))
    line = _line_deg(outline)
    least = site.importance * min(site.ground_pa, 960.0)
    # 7.3.4: curved roofs by the line from eaves to crown, gables by their slope.
    if _gable_deg(outline) < GABLE_LEVEL if outline.straight else line < CURVED_LEVEL:
        laid = np.where(outline.roof, least, 0.0)
        yield from_snow(outline, "least", "the least snow on a low roof", "ASCE 7-16, 7.3.4", laid)
    drifts: list[tuple[str, Array]] = []
    if not outline.straight and CURVED_LEVEL <= line <= CURVED_STEEP:
        drifts.append(("7.6.2", drift(site, outline)))
        if outline.eaves_deg >= 30 and outline.leg_m <= NEAR_GROUND_M:
            drifts.append(("7.6.2, ground near", drift(site, outline, near=True)))
    if (outline.straight or outline.ridged) and GABLE_FROM <= _gable_deg(outline) <= GABLE_TO:
        drifts += [("7.6.1", each) for each in gable(site, outline)]
    for number, (clause, laid) in enumerate(drifts, start=1):
        tail = "" if number == 1 else f" ({number})"
        yield from_snow(
            outline, f"drift-right{number}", f"snow drifted to the right{tail}", f"ASCE 7-16, {clause}", laid
        )
        yield from_snow(
            outline, f"drift-left{number}", f"snow drifted to the left{tail}", f"ASCE 7-16, {clause}", laid[::-1].copy()
        )


def worked(site: Site, outline: Outline) -> list[Worked]:
    """Every intermediate value, with its clause."""
    return [
        Worked("pg", "snow on the ground", "as given", site.ground_pa, "pressure"),
        Worked("Is", "importance", "table 1.5-2", site.importance),
        Worked("Ce", "exposure", "table 7.3-1", site.exposure),
        Worked("Ct", "warmth", "table 7.3-2", site.thermal),
        Worked("pf", "flat-roof snow, 0.7·Ce·Ct·Is·pg", "7.3-1", flat_roof_snow(site), "pressure"),
        Worked("a1", "all of it lies up to", "figure 7.4-1", site.level_deg, "degrees"),
        Worked("ae", "slope at the eaves", "7.4.3", outline.eaves_deg, "degrees"),
        Worked("x30", "from the middle to the 30° point", "figure 7.4-2", outline.where_deg(30), "length"),
        Worked("x70", "from the middle to the 70° point", "figure 7.4-2", outline.where_deg(STEEP), "length"),
        Worked("Cs30", "slope factor at 30°", "figure 7.4-1", float(slope_factor(site, 30.0))),
        Worked("d", "drift, times flat-roof snow at its most", "figure 7.4-2", site.drifted),
        Worked("ac", "line from eaves or 70° to the crown", "7.6.2", _line_deg(outline), "degrees"),
        *_gable_worked(site, outline),
    ]


def _gable_worked(site: Site, outline: Outline) -> list[Worked]:
    """What the gable rule goes by, where it holds."""
    if not (outline.straight or outline.ridged) or not GABLE_FROM <= _gable_deg(outline) <= GABLE_TO:
        return []
    height, density, reach = ridge_drift(site, outline)
    slope = "slope of the rafter" if outline.straight else "line from eaves or 70° to the ridge"
    return [
        Worked("ar", slope, "7.6.1", _gable_deg(outline), "degrees"),
        Worked("hd", "drift in the lee of the ridge", "7.6.1, 7.7", height, "length"),
        Worked("γ", "its weight, N/m³", "7.7-1", density),
        Worked(
            "hd·γ/√s",
            "it puts on the rafter",
            "7.6.1",
            height * density / math.sqrt(_run_for_rise(outline)),
            "pressure",
        ),
        Worked("8/3·hd·√s", "it reaches from the ridge", "7.6.1", reach, "length"),
    ]
