"""The former, and the bend that was tried on it."""

from typing import Annotated, Literal

from pydantic import Field

from obtegum.core.documents.numbers import Decisions, Number, choice
from obtegum.core.values.base import Part
from obtegum.core.values.quantity import INCH_M

__all__ = ["Bending", "TrialBend"]

FormerTo = Literal["face", "centre"]


class Bending(Decisions):
    """The former: its radius, to its face or to the tube's centre on it, its arc length, the tails it can't grip.

    A bow of two radii is bent on two formers: ``former_m`` is the shoulder's then, ``crown_former_m`` the crown's.
    """

    former_m: Annotated[
        float | None,
        Number("Former’s radius", 0.1, 60.0, hint="the bender’s frame; blank: make one to suit"),
    ] = None
    crown_former_m: Annotated[
        float | None, Number("Crown former’s radius", 0.1, 60.0, hint="blank: make one to suit")
    ] = None
    former_to: Annotated[FormerTo, choice("Taken to", face="its face", centre="the tube’s centre")] = "face"
    reach_m: Annotated[float, Number("Former grips", 0.05, 10.0, hint="arc length in one pull", feet=24 * INCH_M)] = 0.6
    tail_m: Annotated[
        float,
        Number(
            "Tail left straight",
            0.0,
            3.0,
            bare="fine",
            hint="at both ends of a stick",
            feet=6 * INCH_M,
            metres=0.15,
        ),
    ] = 0.3
    by: Annotated[
        Literal["whole", "halves"],
        choice("The form is for", whole="all that is bent of a bow", halves="half a bow, joined at the crown"),
    ] = "whole"
    form: Annotated[
        Literal["floor", "wall"], choice("The form stands", floor="on a floor, nailed", wall="on a wall, blocked out")
    ] = "floor"
    forms: Annotated[int, Number("Forms", 1, 20, "count")] = 1
    oven_sticks: Annotated[int, Number("The oven takes, at once", 1, 100, "count")] = 4
    oven_s: Annotated[float, Number("Heats for", 60.0, 7200.0, "minutes", hint="until it droops by itself")] = 1200.0
    cool_s: Annotated[float, Number("Cools in the form for", 60.0, 7200.0, "minutes")] = 480.0
    stick_price: Annotated[
        float | None, Number("A stick of this pipe costs", 0.0, 100000.0, "factor", hint="others go by their mass")
    ] = None
    hour_price: Annotated[float | None, Number("An hour of work costs", 0.0, 10000.0, "factor")] = None


class TrialBend(Part):
    """A bend that was tried: straight from end to end of its arc, and the arc's middle off that line, m.

    ``former_m`` and ``former_to`` are the former that it was tried on, ``tube`` what was bent: a former that
    is changed afterwards changes nothing about it, and another tube voids it.
    """

    chord_m: Annotated[float | None, Number("Trial: end to end", 0.001, 20.0)] = None
    height_m: Annotated[float | None, Number("Trial: middle, off that", 0.0001, 10.0)] = None
    face: Annotated[
        Literal["inside", "outside", "centre"],
        choice("Taped on", inside="the inside", outside="the outside", centre="the centre"),
    ] = "inside"
    former_m: Annotated[float, Field(gt=0, le=60)] | None = None
    former_to: FormerTo = "face"
    tube: Annotated[str, Field(max_length=120)] = ""
