"""What is done to the ground, and what moving it takes."""

from typing import Annotated, Literal

from obtegum.core.documents.numbers import Decisions, Number, choice
from obtegum.core.values.quantity import FOOT_M

__all__ = ["Pad"]


class Pad(Decisions):
    """What is done to the ground, and what moving it takes.

    ``slope`` is how far its sides run out for a rise of one. ``swell`` and ``shrink`` are shares of the volume
    as it lay: dug and loose, packed in place.
    """

    kind: Annotated[
        Literal["as_it_lies", "regrade", "raise"],
        choice("Ground", as_it_lies="as it lies", regrade="cut and filled", raise_="raised pad"),
    ] = "as_it_lies"
    raise_m: Annotated[float, Number("Pad above the highest peg", 0.0, 2.0)] = 0.0
    margin_m: Annotated[float, Number("Pad beyond the posts", 0.0, 10.0, feet=2 * FOOT_M)] = 0.6
    slope: Annotated[float, Number("Side slopes, rise to run", 0.2, 6.0, "slope", hint="1 : 1.5 for packed earth")] = (
        1.5
    )
    stone_m: Annotated[float, Number("Stone, how deep", 0.0, 1.0)] = 0.0
    stone_kg_m3: Annotated[float, Number("Stone weighs", 800.0, 2600.0, "density")] = 1600.0
    swell: Annotated[float, Number("Swells when dug", 0.0, 1.0, "share")] = 0.25
    shrink: Annotated[float, Number("Shrinks when packed", 0.0, 0.5, "share")] = 0.10
    load_m3: Annotated[
        float, Number("One load", 0.01, 20.0, "load", hint="barrow or bucket, heaped", feet=3 * FOOT_M**3)
    ] = 0.085
    load_s: Annotated[float, Number("Time for a load", 6.0, 7200.0, "minutes", hint="there, back and tipped")] = 300.0
