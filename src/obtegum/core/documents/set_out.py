"""The tools for setting out, the way to square the base, and where corner A is on the globe."""

from typing import Annotated, Literal

from obtegum.core.documents.numbers import Choice, Decisions, Number, choice
from obtegum.core.formulas.setout.squaring import Base, MethodId
from obtegum.core.values.quantity import FOOT_M, INCH_M

__all__ = ["SetOut", "Site"]


class SetOut(Decisions):
    """Tools for setting out, and the way to square the base: on which side, by which method.

    The reading error is one standard error of a tape reading; 3 mm or 1/8 in is usual. ``to`` says
    what the strings touch: post centres, or the outside of posts or bows. ``fence_m`` is how far the
    line A to B lies from a fence that it is set from. ``starts_m`` is the mark at which the tape is held:
    one mark in, or wrapped round a post, it reads that much more than it measures.
    """

    tape_m: Annotated[float, Number("Longest tape", 1.0, 200.0, feet=100 * FOOT_M, metres=30.0)]
    second_tape_m: Annotated[
        float | None,
        Number("Second tape", 1.0, 200.0, hint="blank: only one tape", feet=50 * FOOT_M, metres=10.0),
    ] = None
    reading_error_m: Annotated[float, Number("Reading error", 0.0005, 0.05, bare="fine", feet=INCH_M / 8)] = 0.003
    starts_m: Annotated[
        float, Number("Tape starts at", 0.0, 0.9, hint="the mark held at the peg; 0 for the tape’s own end")
    ] = 0.0
    base: Annotated[Base, choice("Square it on", long="a long side", short="an end", fence="a fence")] = "long"
    fence_m: Annotated[float, Number("Fence to line A–B", 0.0, 100.0, feet=5 * FOOT_M)] = 1.5
    method: Annotated[Literal["best"] | MethodId, Choice("How to square it")] = "best"
    to: Annotated[
        Literal["centres", "posts", "bows"],
        choice("Strings touch", centres="post centres", posts="outside of posts", bows="outside of bows"),
    ] = "centres"


class Site(Decisions):
    """Where corner A is on the globe, degrees (WGS 84), and which way A to B runs from north, clockwise."""

    latitude: Annotated[float | None, Number("Latitude of corner A", -85.0, 85.0, "latitude")] = None
    longitude: Annotated[float | None, Number("Longitude of corner A", -180.0, 180.0, "longitude")] = None
    bearing: Annotated[float | None, Number("Bearing, A to B", 0.0, 360.0, "degrees", hint="from north, clockwise")] = (
        None
    )
