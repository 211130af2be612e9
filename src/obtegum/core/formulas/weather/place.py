"""What a code of snow and wind wants to know of a house and its place, whichever code it is."""

from dataclasses import dataclass
from typing import Literal

from obtegum.core.formulas.weather.own import NOTHING, Own

__all__ = ["Face", "Heat", "Opening", "Openness", "Place", "Shelter"]

Openness = Literal["woods", "country", "coast"]
Shelter = Literal["open", "part", "sheltered"]
Heat = Literal["none", "frost_free", "heated"]
Face = Literal["front", "back", "left", "right"]


@dataclass(frozen=True, slots=True)
class Opening:
    """What may stand open: its face, and from where to where along it, m, from the left over an end and from the front
    over a side; what is said of it."""

    face: Face
    begin_m: float
    end_m: float
    words: str


@dataclass(frozen=True, slots=True)
class Place:
    """Figures of a place, SI, and how the house stands in it; what a code doesn't ask for is as nobody told it.

    ``ground_pa`` is snow on the ground by the code's own map, ``of_strength`` whether that is a figure of strength, as
    ASCE 7-22 has them; ``lies`` whether snow finds a roof at all, ``slides`` whether it slides off and away, ``heaps``
    whether it stays beside the house then, up to a neighbour ``gap_m`` off. ``speed_mps`` is the code's own wind.
    ``even_pa``, ``half_pa``, ``up_pa``, ``across_pa`` are pressures that an engineer gave.
    """

    ground_pa: float = 0.0
    speed_mps: float = 0.0
    openness: Openness = "country"
    shelter: Shelter = "part"
    people: bool = False
    heat: Heat = "none"
    of_strength: bool = False
    lies: bool = True
    slides: bool = True
    heaps: bool = False
    gap_m: float | None = None
    altitude_m: float = 0.0
    long_m: float = 0.0
    openings: tuple[Opening, ...] = ()
    own: Own = NOTHING
    even_pa: float = 0.0
    half_pa: float = 0.0
    up_pa: float = 0.0
    across_pa: float = 0.0
