"""Beds and paths across the floor, and the height of crop or trellis."""

from typing import Annotated, Literal

from obtegum.core.numbers import Decisions, Number, choice
from obtegum.core.quantity import INCH_M

__all__ = ["Inside"]


class Inside(Decisions):
    """Beds and paths across the floor, and the height of crop or trellis, m."""

    along_walls: Annotated[Literal["bed", "path"], choice("Along the walls", bed="beds", path="paths")] = "bed"
    bed_m: Annotated[float, Number("Bed width", 0.2, 6.0, bare="floor", feet=22 * INCH_M)] = 0.6
    path_m: Annotated[
        float,
        Number("Path, at least", 0.1, 4.0, bare="floor", hint="what is left over widens them", feet=15 * INCH_M),
    ] = 0.4
    crop_m: Annotated[float, Number("Crop or trellis", 0.05, 6.0, feet=24 * INCH_M)] = 0.6
