"""Width, length, shape and height, and the grower who is to fit under it."""

import math
from collections.abc import Iterator, Mapping
from typing import TYPE_CHECKING, Annotated, Literal

from pydantic import Field

from obtegum.core.documents.numbers import Choice, Decisions, Number, choice, misfit
from obtegum.core.formulas.profile import (
    Chain,
    ProfileError,
    Sprung,
    gothic_bow,
    kneed_bow,
    peaked_bow,
    pipe_for_rise,
    round_bow,
    span_for_rise,
    sprung_pipe,
    three_centred_bow,
)
from obtegum.core.values.base import Part
from obtegum.core.values.quantity import FOOT_M, INCH_M
from obtegum.core.values.trouble import Trouble

if TYPE_CHECKING:
    from obtegum.core.documents.house import HouseDesign

__all__ = [
    "HIGHEST_M",
    "Figure",
    "Gothic",
    "Kneed",
    "Peaked",
    "Round",
    "RoundOnLegs",
    "Shape",
    "Size",
    "SprungPipe",
    "ThreeCentred",
]

# Rise of an arc as a share of the width: flatter holds water, taller is of no use.
FLATTEST = 0.05
TALLEST = 1.0

HIGHEST_M = 14.0
Height = Annotated[float, Number("Height", 0.5, HIGHEST_M)]
Shoulder = Annotated[float, Number("Shoulder radius", 0.0, 60.0)]


class _Shape(Part):
    """What every shape has: plumb legs, the height of its crown over a span, and its centre line there."""

    leg_m: Annotated[float, Number("Straight leg", 0.0, 4.0)]

    def crown_m(self, span_m: float) -> float:
        """Height of the crown over a span, m."""
        raise NotImplementedError

    def chain(self, span_m: float) -> Chain:
        """Centre line over a span. Raises: ProfileError when there is none."""
        raise NotImplementedError

    def as_high(self, span_m: float, height_m: float) -> Mapping[str, float]:
        """What of the shape has to be otherwise for its crown to stand so high over a span.

        Raises: ProfileError where nothing makes it so high.
        """
        return {"height_m": height_m}


class _Crowned(_Shape):
    """A shape whose height is its own, whatever its width."""

    height_m: Height

    def crown_m(self, span_m: float) -> float:
        return self.height_m


class Round(_Crowned):
    """One arc, as flat or tall as wanted, on plumb legs or sprung from the post tops."""

    kind: Literal["round"] = "round"

    def chain(self, span_m: float) -> Chain:
        return round_bow(span_m, self.leg_m, self.height_m)


class RoundOnLegs(_Shape):
    """Half a circle on plumb legs: leg and arc meet without a kink, so the height follows."""

    kind: Literal["round_on_legs"] = "round_on_legs"

    def crown_m(self, span_m: float) -> float:
        return self.leg_m + span_m / 2

    def as_high(self, span_m: float, height_m: float) -> Mapping[str, float]:
        return {"leg_m": height_m - span_m / 2}

    def chain(self, span_m: float) -> Chain:
        return round_bow(span_m, self.leg_m, self.crown_m(span_m))


class ThreeCentred(_Crowned):
    """Bent shoulders on plumb legs with a crown of another radius between them, all tangent."""

    kind: Literal["three_centred"] = "three_centred"
    shoulder_m: Shoulder

    def chain(self, span_m: float) -> Chain:
        return three_centred_bow(span_m, self.leg_m, self.height_m, self.shoulder_m)


class Gothic(_Crowned):
    """Two equal arcs to a ridge; without a radius of their own they spring plumb from the legs."""

    kind: Literal["gothic"] = "gothic"
    radius_m: Annotated[float | None, Number("Arc radius", 0.3, 200.0, hint="blank: springs plumb")] = None

    def chain(self, span_m: float) -> Chain:
        return gothic_bow(span_m, self.leg_m, self.height_m, self.radius_m)


class Peaked(_Crowned):
    """Straight rafters to a ridge from bent shoulders on plumb legs."""

    kind: Literal["peaked"] = "peaked"
    shoulder_m: Shoulder

    def chain(self, span_m: float) -> Chain:
        return peaked_bow(span_m, self.leg_m, self.height_m, self.shoulder_m)


class Kneed(_Crowned):
    """Each half two straight pieces with an elbow between them; the elbow's turn follows."""

    kind: Literal["kneed"] = "kneed"
    lower_m: Annotated[float, Number("Lower piece", 0.1, 20.0)]
    upper_m: Annotated[float, Number("Upper piece", 0.1, 20.0)]

    def chain(self, span_m: float) -> Chain:
        return kneed_bow(span_m, self.leg_m, self.height_m, self.lower_m, self.upper_m)


class SprungPipe(_Shape):
    """Straight pipe sprung between its feet: its height follows from its length and the width, the curve from physics.

    ``pipe_m`` is what is free of it, from where one foot lets go of it to where the other does; ``arm_m`` what joins
    two halves reaches from the ridge, which is no pipe.
    """

    kind: Literal["sprung"] = "sprung"
    pipe_m: Annotated[float, Number("Pipe, free between its feet", 1.0, 40.0)]
    feet: Annotated[
        Literal["snug", "loose", "strapped"],
        choice(
            "At its feet the pipe is",
            snug="held plumb, snug in or over its post",
            loose="loose on its stub, free to lean",
            strapped="strapped flat to a board, plumb",
        ),
    ] = "snug"
    ridge: Annotated[
        Literal["through", "tee", "elbow"],
        choice(
            "At the ridge",
            through="the pipe runs through",
            tee="two halves into a tee or cross",
            elbow="two halves into an elbow",
        ),
    ] = "through"
    elbow: Annotated[float, Number("Elbow turns", 1.0, 120.0, "degrees")] = 45.0
    arm_m: Annotated[
        float, Number("Pipe’s end off the ridge", 0.0, 0.3, bare="fine", hint="the fitting’s take-up there")
    ] = 0.0
    gives: Annotated[
        Literal["height", "width", "pipe"],
        choice(
            "What gives way",
            "when another of the three is changed",
            height="the height",
            width="the width",
            pipe="the pipe’s length",
        ),
    ] = "height"

    @property
    def ridge_rad(self) -> float:
        """The turn of what joins two halves at the ridge."""
        return math.radians(self.elbow) if self.ridge == "elbow" else 0.0

    @property
    def _held(self) -> tuple[Literal["plumb", "free"], float, float]:
        arm_m = 0.0 if self.ridge == "through" else self.arm_m
        return "free" if self.feet == "loose" else "plumb", self.ridge_rad, arm_m

    @property
    def chain_less_pipe_m(self) -> float:
        """What of the girth is no free pipe: the legs, and what joins the halves, m."""
        return 2 * self.leg_m + 2 * self._held[2]

    def sprung(self, span_m: float) -> Sprung:
        """The pipe as it stands over a span. Raises: ProfileError where it can't."""
        return sprung_pipe(span_m, self.pipe_m, *self._held)

    def crown_m(self, span_m: float) -> float:
        """Where the pipe doesn't stand it is told as flat: `misfits` say why it can't be."""
        try:
            return self.leg_m + self.sprung(span_m).rise_m
        except ProfileError:
            return self.leg_m

    def as_high(self, span_m: float, height_m: float) -> Mapping[str, float]:
        return {"pipe_m": pipe_for_rise(span_m, height_m - self.leg_m, *self._held)}

    def as_wide(self, height_m: float) -> float:
        """The span over which this pipe stands so high, m. Raises: ProfileError where it never does."""
        return span_for_rise(self.pipe_m, height_m - self.leg_m, *self._held)

    def chain(self, span_m: float) -> Chain:
        return self.sprung(span_m).laid(self.leg_m)


Shape = Annotated[
    Round | RoundOnLegs | ThreeCentred | Gothic | Peaked | Kneed | SprungPipe, Field(discriminator="kind")
]


class Figure(Part):
    """The grower drawn for scale: height, and where the feet are, from the left posts' line, m."""

    height_m: Annotated[float, Number("Grower’s height", 0.5, 2.5, feet=69 * INCH_M, metres=1.75)]
    from_left_m: Annotated[
        float, Number("Grower stands at", 0.0, 20.0, hint="from the left posts", feet=3 * FOOT_M, metres=0.9)
    ]


class Size(Decisions):
    """Width between post centres, length between the end bows' centres, shape and figure."""

    span_m: Annotated[float, Number("Width", 1.5, 20.0, feet=18 * FOOT_M, metres=5.5)]
    length_m: Annotated[float, Number("Length", 1.0, 300.0, feet=40 * FOOT_M, metres=12.0)]
    shape: Annotated[Shape, Choice("Shape")]
    figure: Figure

    @property
    def leg_m(self) -> float:
        return self.shape.leg_m

    @property
    def height_m(self) -> float:
        """Height of the crown's centre line above the datum, m."""
        return self.shape.crown_m(self.span_m)

    def misfits(self, house: "HouseDesign", at: str) -> Iterator[Trouble]:
        """An arc too flat or too tall for its width."""
        rise, path = self.height_m - self.leg_m, "size.shape.height_m"
        least_m, most_m = self.leg_m + FLATTEST * self.span_m, self.leg_m + TALLEST * self.span_m
        if isinstance(self.shape, SprungPipe):
            yield from _unsprung(self.shape, self.span_m, rise, house)
        if isinstance(self.shape, SprungPipe | RoundOnLegs):
            return
        if rise <= 0:
            sentence = "The crown must stand above the straight legs. The least height here is"
            yield misfit(path, sentence, least_m, house.tape)
        elif rise < FLATTEST * self.span_m - 1e-9:
            sentence = "So flat an arc would hold water and snow. The least height at this width is"
            yield misfit(path, sentence, least_m, house.tape)
        elif rise > TALLEST * self.span_m + 1e-9:
            sentence = "An arc can't usefully rise more than its own width. The most height here is"
            yield misfit(path, sentence, most_m, house.tape)


def _unsprung(shape: SprungPipe, span_m: float, rise_m: float, house: "HouseDesign") -> Iterator[Trouble]:
    """A pipe too short to stand over its width, or so long that it is bent over."""
    flat, tall = rise_m < FLATTEST * span_m - 1e-9, rise_m > TALLEST * span_m + 1e-9
    if not flat and not tall:
        return
    path, share = "size.shape.pipe_m", FLATTEST if flat else TALLEST
    try:
        nearest_m = shape.as_high(span_m, shape.leg_m + share * span_m)["pipe_m"]
    except ProfileError as error:
        yield Trouble(path=path, sentence=error.sentence)
        return
    if not flat:
        sentence = "So long a pipe is bent over, higher than it is wide. The most at this width is"
    elif shape.pipe_m <= span_m and shape.ridge != "through":
        sentence = "The two halves don’t meet: together they are no longer than their feet are apart. The least here is"
    elif shape.pipe_m <= span_m:
        sentence = "The pipe is no longer than its feet are apart, and would lie flat. The least at this width is"
    else:
        sentence = (
            "So short a pipe lies flat, if it reaches across at all, and would hold water. The least at this width is"
        )
    yield misfit(path, sentence, nearest_m, house.tape, "up" if flat else "down")
