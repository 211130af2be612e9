"""How many bays are braced, where a brace begins and ends, and what ties a bow across."""

from collections.abc import Iterator
from typing import TYPE_CHECKING, Annotated, Literal

from pydantic import Field

from obtegum.core.documents.numbers import Choice, Decisions, Number, choice, misfit
from obtegum.core.values.base import Part
from obtegum.core.values.quantity import FOOT_M, INCH_M
from obtegum.core.values.trouble import Trouble

if TYPE_CHECKING:
    from obtegum.core.documents.house import HouseDesign

__all__ = ["Braced", "Braces"]


class Braces(Decisions):
    """Braced bays of each side, collars and trusses: heights over the datum, m."""

    bays: Annotated[
        int | None, Number("Braced bays, each side", 0, 12, "count", hint="blank: not settled; 2: one at each end")
    ] = None
    cross: Annotated[
        Literal["one", "both"],
        choice("In each braced bay", one="one brace, from the end bow down", both="two, crossing"),
    ] = "one"
    spans: Annotated[int, Number("A brace goes over", 1, 4, "count", hint="bays")] = 1
    head_m: Annotated[
        float | None, Number("Its head, over the ground", 0.3, 6.0, hint="blank: at the lowest run of the side")
    ] = None
    foot_m: Annotated[float, Number("Its foot, over the ground", 0.0, 2.0, feet=10 * INCH_M)] = 0.25
    tube: Annotated[str, Field(max_length=60), Choice("Brace tube")] = ""
    end: Annotated[
        Literal["flat", "clamp"], choice("Its ends", flat="flattened, drilled and bolted", clamp="in clamps")
    ] = "flat"
    edge_m: Annotated[
        float, Number("Hole to the flat end", 0.01, 0.2, bare="fine", feet=INCH_M, hint="hole’s middle")
    ] = 0.025
    bolt_m: Annotated[float, Number("Bolts of", 0.004, 0.02, bare="fine", feet=5 * INCH_M / 16)] = 0.008
    clamp_n: Annotated[
        float | None, Number("A clamp holds", 1.0, 100_000.0, "force", hint="its rating, or half of the lowest test")
    ] = None
    ties: Annotated[
        Literal["none", "collar", "truss", "knee"],
        choice(
            "Across the bows",
            none="nothing",
            collar="a collar",
            truss="a collar with two struts in a V",
            knee="a knee brace at each shoulder",
        ),
    ] = "none"
    every: Annotated[int, Number("On each … bow", 1, 20, "count", hint="1: all of them, 2: each second")] = 1
    tie_m: Annotated[float, Number("Collar, over the ground", 0.5, 8.0, feet=8 * FOOT_M)] = 2.4
    of: Annotated[
        Literal["tube", "board"], choice("Ties of", tube="the braces’ tube", board="boards, bolted to the bow’s side")
    ] = "tube"
    board: Annotated[str, Field(max_length=60), Choice("Ties’ board")] = ""
    gap_m: Annotated[
        float,
        Number("Bow is pulled in to its collar by", 0.0, 0.6, bare="fine", hint="wider there than the collar is long"),
    ] = 0.0
    low_m: Annotated[float, Number("Knee’s lower end, over the ground", 0.2, 6.0, feet=4 * FOOT_M)] = 1.2

    def misfits(self, house: "HouseDesign", at: str) -> Iterator[Trouble]:
        """A head over the crown or under its foot; a collar over the crown or under a head's height."""
        size = house.size
        if self.bays and self.head_m is not None and self.head_m >= size.height_m:
            sentence = "The brace’s head would be over the crown. It must stay below"
            yield misfit("braces.head_m", sentence, size.height_m, house.tape, "down")
        elif self.bays and self.head_m is not None and self.head_m <= self.foot_m:
            sentence = "A brace rises from its foot. Its head must be over"
            yield misfit("braces.head_m", sentence, self.foot_m, house.tape, "up")
        if self.ties != "none" and self.tie_m >= size.height_m:
            sentence = "A collar over the crown holds nothing. It must stay below"
            yield misfit("braces.tie_m", sentence, size.height_m, house.tape, "down")
        elif self.ties == "knee" and self.low_m >= self.tie_m:
            sentence = "The knee’s lower end must be under its upper one. The most is"
            yield misfit("braces.low_m", sentence, self.tie_m, house.tape, "down")
        elif self.ties in ("collar", "truss") and self.tie_m < size.figure.height_m:
            sentence = "The collar would hang below the grower’s head. The lowest is"
            yield misfit("braces.tie_m", sentence, size.figure.height_m, house.tape, "up")


class Braced(Part):
    """How far bracing has come: what stays may leave hangs on it."""

    are: Annotated[
        Literal["out", "loose", "tight"],
        choice("The braces are", out="not in yet", loose="in, finger-tight", tight="in, bolts tight, frame plumb"),
    ] = "out"
