"""What closes each end: studs, how they stand, and the doorway."""

from typing import Annotated, Literal

from pydantic import Field

from obtegum.core.numbers import Choice, Decisions, Number, choice
from obtegum.core.part import Part
from obtegum.core.quantity import FOOT_M, INCH_M

__all__ = ["SIDES", "EndWall", "Ends", "Side"]

Side = Literal["front", "back"]
SIDES: tuple[Side, ...] = ("front", "back")


class EndWall(Part):
    """One end of the house, m: across from the left post's middle, up from the datum."""

    kind: Annotated[Literal["open", "framed"], choice("Is", open="left open", framed="framed with studs")] = "open"
    stud: Annotated[str, Field(max_length=60), Choice("Studs of")] = ""
    stand: Annotated[
        Literal["edge", "flat"], choice("Studs stand", edge="on edge, narrow side to the film", flat="flat")
    ] = "edge"
    apart_m: Annotated[float, Number("Studs apart, at most", 0.2, 3.0, feet=4 * FOOT_M)] = 1.2
    sill: Annotated[
        Literal["plate", "none"],
        choice("Below", plate="on a sill plate", none="no sill: studs go into the ground"),
    ] = "plate"
    door: Annotated[
        Literal["none", "way", "swing", "double", "sliding"],
        choice("Door", none="none", way="an open way", swing="one leaf", double="two leaves", sliding="a sliding leaf"),
    ] = "swing"
    wide_m: Annotated[float, Number("Way through, wide", 0.4, 6.0, feet=4 * FOOT_M)] = 1.2
    high_m: Annotated[float, Number("Way through, high", 0.8, 4.0, feet=6.5 * FOOT_M)] = 2.0
    left_m: Annotated[
        float | None, Number("Its left side, from the left post", 0.05, 20.0, hint="blank: in the middle")
    ] = None
    deep_m: Annotated[float, Number("Jambs in the ground", 0.0, 2.0, feet=24 * INCH_M)] = 0.6


class Ends(Decisions):
    """Front and back, each its own; which of them is shown."""

    shown: Annotated[Side, choice("End shown", front="the front", back="the back")] = "front"
    front: EndWall = EndWall()
    back: EndWall = EndWall()
