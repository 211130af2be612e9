"""Methods by which weather and strength are reckoned: US, European, and by pressures that an engineer gave.

All that hangs on which code is used stands here, as one value: what follows asks it, and never which one it is.
"""

from collections.abc import Callable
from dataclasses import dataclass

from obtegum.core.formulas.frame.section import Section
from obtegum.core.formulas.frame.stability import AISC, EUROCODE, Stability
from obtegum.core.formulas.frame.steel import Strength, allowable, european
from obtegum.core.formulas.timber import ec5_bending_pa, nds_bending_pa
from obtegum.core.formulas.weather.codes import ASCE_7, EN_1991, PRESSURES, Code
from obtegum.core.formulas.weather.factors import ASCE, EN, GIVEN, Factors

__all__ = ["EUROPEAN", "METHODS", "PRESSURES_GIVEN", "US", "USUAL", "Clauses", "Method"]


@dataclass(frozen=True, slots=True)
class Clauses:
    """The steel code, and its clauses for what is reckoned by it."""

    code: str
    slenderness: str
    bending: str
    squash: str
    column: str
    elastic_buckling: str
    sway: str


@dataclass(frozen=True, slots=True)
class Method:
    """One way to reckon: a code of snow and wind with its factors, and the strengths that go with them.

    ``asks`` names the figures that it asks for, as weather's decisions have them, in the order in which they are shown;
    ``of_site`` is whether they are figures of the place, of which snow on another roof and the speed of a gust can be
    told. ``strength`` of a section is what its combinations stand beside: allowable, or a design value; it raises
    ValueError for walls that its code doesn't cover. ``bending_pa`` of a stick of timber, by its depth, m, likewise.
    ``plain_wind_mps`` is a made-up wind to play with, as its maps tell wind. ``tallest``: rise over span up to which
    its figure for arches tells of wind, and which that is; None where nothing is read off one. ``by_opening``: it wants
    to know of each opening where it is, as air inside is pressed by what stands open.
    """

    id: str
    code: Code
    factors: Factors
    stability: Stability
    strength: Callable[[Section], Strength]
    bending_pa: Callable[[float], float]
    steel_elastic_pa: float
    clauses: Clauses
    asks: tuple[str, ...]
    plain_wind_mps: float = 0.0
    tallest: tuple[float, str] | None = None
    of_site: bool = True
    by_opening: bool = False

    @property
    def knows_habits(self) -> bool:
        """Whether doors that are shut in every storm make one that stands open an accident."""
        return self.factors.lying is not None


_FIGURES = ("ground_snow_pa", "snow_from", "wind_mps", "wind_from")
_SITE = ("openness", "shelter", "film", "sides", "gap_m")
_AISC_360 = Clauses("AISC 360-16", "F8, E7", "F8", "E3, E7", "E3", "E3-4", "C2.2b")
_EN_1993 = Clauses("EN 1993-1-1", "table 5.2", "6.2.5", "6.2.4", "6.3.1", "6.3.1.2", "5.3.2")
# AISC 360-16 (29,000 ksi) and EN 1993-1-1, 3.2.6.
_AISC_E_PA, _EN_E_PA = 200e9, 210e9

US = Method(
    id="us",
    code=ASCE_7,
    factors=ASCE,
    stability=AISC,
    strength=allowable,
    bending_pa=nds_bending_pa,
    steel_elastic_pa=_AISC_E_PA,
    clauses=_AISC_360,
    asks=(*_FIGURES, "snow_edition", *_SITE, "use", "heat"),
    # A gust of three seconds.
    plain_wind_mps=49.0,
    tallest=(0.6, "27.3-3"),
)
EUROPEAN = Method(
    id="eu",
    code=EN_1991,
    factors=EN,
    stability=EUROCODE,
    strength=european,
    bending_pa=ec5_bending_pa,
    steel_elastic_pa=_EN_E_PA,
    clauses=_EN_1993,
    asks=(*_FIGURES, *_SITE),
    # A mean of ten minutes.
    plain_wind_mps=26.0,
    tallest=(0.5, "7.11"),
    by_opening=True,
)
PRESSURES_GIVEN = Method(
    id="given",
    code=PRESSURES,
    factors=GIVEN,
    stability=AISC,
    strength=allowable,
    bending_pa=nds_bending_pa,
    steel_elastic_pa=_AISC_E_PA,
    clauses=_AISC_360,
    asks=("even_pa", "drift_pa", "up_pa", "across_pa", "given_from"),
    of_site=False,
)
METHODS = {each.id: each for each in (US, EUROPEAN, PRESSURES_GIVEN)}
# By the house's units, until another is chosen.
USUAL = {"feet": US, "metric": EUROPEAN}
