"""Beds and paths across the floor, alike or one by one, and the height of crop or trellis."""

from typing import Annotated, Literal

from pydantic import Field

from obtegum.core.documents.numbers import Decisions, Number, choice
from obtegum.core.values.quantity import FOOT_M, INCH_M

__all__ = ["LEAST_M", "MOST_BEDS", "MOST_M", "Inside"]

MOST_BEDS = 20
# How narrow and wide a bed or a path of one's own can be, m.
LEAST_M, MOST_M = 0.1, 6.0

Widths = Annotated[tuple[Annotated[float, Field(ge=LEAST_M, le=MOST_M)], ...], Field(max_length=MOST_BEDS)]


class Inside(Decisions):
    """Beds and paths across the floor, and the height of crop or trellis, m."""

    along_walls: Annotated[
        Literal["bed", "path", "own"], choice("Along the walls", bed="beds", path="paths", own="my own, one by one")
    ] = "bed"
    bed_m: Annotated[float, Number("Bed width", 0.2, 6.0, bare="floor", feet=22 * INCH_M)] = 0.6
    path_m: Annotated[
        float,
        Number("Path, at least", 0.1, 4.0, bare="floor", hint="what is left over widens them", feet=15 * INCH_M),
    ] = 0.4
    own_beds_m: Widths = ()
    own_paths_m: Widths = ()
    wall_m: Annotated[float, Number("Clear along each wall", 0.0, 3.0, bare="floor")] = 0.0
    to: Annotated[Literal["posts", "skin"], choice("Beds reach to", posts="the posts", skin="the skin")] = "posts"
    front_m: Annotated[float, Number("Clear at the front", 0.0, 20.0, hint="room for the door")] = 0.0
    back_m: Annotated[float, Number("Clear at the back", 0.0, 20.0)] = 0.0
    crop_m: Annotated[float, Number("Crop or trellis", 0.05, 6.0, feet=24 * INCH_M)] = 0.6
    row_m: Annotated[float, Number("Rows apart", 0.03, 3.0, bare="floor", feet=FOOT_M)] = 0.3
    plant_m: Annotated[float, Number("Plants apart in the row", 0.01, 3.0, bare="floor", feet=FOOT_M)] = 0.3
