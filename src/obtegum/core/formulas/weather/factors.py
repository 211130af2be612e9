"""Partial and combination factors of dead load, snow and wind, by each code: the one table of them."""

from dataclasses import dataclass

__all__ = ["ASCE", "EN", "GIVEN", "Factors"]


@dataclass(frozen=True, slots=True)
class Factors:
    """What each load is taken times in combinations: ``dead`` load, ``snow`` alone and ``snow_beside`` wind, ``wind``
    alone and ``wind_beside`` snow, and dead load that is ``favourable``, as it counts against lift.

    ``snow_with_wind``: snow beside wind that leads, at sites up to 1,000 m and above; None where the code has no such
    combination. ``lying``: snow beside an accident, likewise, where something that stands open in a storm counts as one
    if doors are shut by habit; None where the code knows none. ``steadies``: favourable dead load in service.
    """

    dead: float
    snow: float
    snow_beside: float
    wind: float
    wind_beside: float
    favourable: float
    steadies: float
    snow_with_wind: tuple[float, float] | None = None
    lying: tuple[float, float] | None = None

    @property
    def partial(self) -> float:
        """Partial factor of snow and wind, that design values have over service ones; 1 for allowable strength."""
        return self.snow

    @property
    def in_service(self) -> bool:
        """Whether combinations are of service loads already, to set beside allowable values."""
        return self.partial == 1.0

    @property
    def service_wind(self) -> float:
        """Share of the code's wind that its combinations ask for in service."""
        return self.wind / self.partial


# ASCE 7-16, 2.4.1: allowable strength; wind is of strength, 0.6 of it.
ASCE = Factors(1.0, 1.0, 0.75, 0.6, 0.45, favourable=0.6, steadies=0.6)
# Pressures of an engineer's, as allowable ones.
GIVEN = Factors(1.0, 1.0, 0.75, 1.0, 0.75, favourable=0.6, steadies=0.6)
# EN 1990, 6.10 and 6.11, recommended: ψ0 of snow 0.5 (0.7 above 1,000 m), of wind 0.6; ψ1 of snow 0.2 (0.5). Against
# lift in service 0.9 of weight (EN 1990, table A1.2(A)).
EN = Factors(1.35, 1.5, 1.5, 1.5, 0.9, favourable=1.0, steadies=0.9, snow_with_wind=(0.75, 1.05), lying=(0.2, 0.5))
