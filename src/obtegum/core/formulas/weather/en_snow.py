"""Snow by EN 1991-1-3, recommended values: clause 5.3.5 for vaults, 5.3.3 for rafters."""

from collections.abc import Iterator
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from obtegum.core.formulas.weather.outline import Outline
from obtegum.core.formulas.weather.own import NOTHING, Own
from obtegum.core.formulas.weather.place import Shelter
from obtegum.core.formulas.weather.pressure import Case, Worked, from_snow

__all__ = ["Site", "breaks", "even_factor", "snow_cases", "vault_factor", "worked"]

Array = NDArray[np.float64]
# Table 5.1; and the slope beyond which none lies.
EXPOSURE: dict[Shelter, float] = {"open": 0.8, "part": 1.0, "sheltered": 1.2}
STEEP, EVEN, MOST = 60.0, 0.8, 2.0


@dataclass(frozen=True, slots=True)
class Site:
    """Characteristic snow on the ground, Pa, the spot, and whether snow can slide off and away."""

    ground_pa: float
    shelter: Shelter
    slides: bool
    own: Own = NOTHING

    @property
    def exposure(self) -> float:
        """Ce, table 5.1."""
        return EXPOSURE[self.shelter]

    @property
    def laid_pa(self) -> float:
        """Ce·Ct·sk, equation 5.1 before its shape, Pa; Ct is 1."""
        return self.exposure * self.ground_pa


def even_factor(site: Site, outline: Outline) -> Array:
    """(n,): μ of each piece, EN 1991-1-3, 5.3: 0.8 to 60° on a vault, falling from 30° on rafters; never less where
    snow is held."""
    if not site.slides:
        return np.where(outline.roof, EVEN, 0.0)
    if outline.straight:
        return np.where(outline.roof, EVEN * np.clip((STEEP - outline.slope) / 30, 0.0, 1.0), 0.0)
    return np.where(outline.roof & (outline.slope <= STEEP), EVEN, 0.0)


def vault_factor(site: Site, outline: Outline) -> float:
    """Shape factor μ3 = 0.2 + 10·h/b, no more than 2.0, EN 1991-1-3 figure 5.6."""
    return site.own.get("drift", min(0.2 + 10 * outline.rise_m / outline.span_m, MOST))


def drift_factor(site: Site, outline: Outline) -> Array:
    """(n,): μ of each piece with the right half drifted full, EN 1991-1-3, 5.3.5: triangles over the width between the
    60° points."""
    if outline.straight:
        return even_factor(site, outline) * np.where(outline.x > 0, 1.0, 0.5)
    half = outline.where_deg(STEEP)
    tent = np.maximum(1 - np.abs(np.abs(outline.x) - half / 2) / (half / 2), 0.0)
    factor = vault_factor(site, outline) * tent * np.where(outline.x > 0, 1.0, 0.5)
    least = 0.0 if site.slides else EVEN
    return np.where(outline.roof, np.maximum(factor, least), 0.0)


def breaks(outline: Outline) -> list[float]:
    """How far from the middle what snow lays on a roof steps or bends, m."""
    steep = outline.where_deg(STEEP)
    return [0.0, outline.where_deg(STEEP - 30), steep] if outline.straight else [0.0, steep / 2, steep]


def snow_cases(site: Site, outline: Outline) -> Iterator[Case]:
    """Snow even, and drifted to either side."""
    clause = "EN 1991-1-3, 5.3.3" if outline.straight else "EN 1991-1-3, 5.3.5"
    yield from_snow(outline, "even", "snow lying even", clause, site.laid_pa * even_factor(site, outline))
    laid = site.laid_pa * drift_factor(site, outline)
    yield from_snow(outline, "drift-right1", "snow drifted to the right", clause, laid)
    yield from_snow(outline, "drift-left1", "snow drifted to the left", clause, laid[::-1].copy())


def worked(site: Site, outline: Outline) -> list[Worked]:
    """Every intermediate value, with its clause."""
    return [
        Worked("sk", "snow on the ground, characteristic", "as given", site.ground_pa, "pressure"),
        Worked("Ce", "exposure", "table 5.1", site.exposure),
        Worked("Ct", "warmth", "5.2(8)", 1.0),
        Worked("h/b", "rise over width", "figure 5.6", outline.rise_m / outline.span_m),
        Worked("mu3", "vault, drifted, at its peak", "figure 5.6", vault_factor(site, outline)),
        Worked("x60", "from the middle to the 60° point", "figure 5.5", outline.where_deg(STEEP), "length"),
        Worked("s", "even, Ce·Ct·0.8·sk", "5.1", EVEN * site.laid_pa, "pressure"),
    ]
