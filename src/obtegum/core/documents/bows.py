"""Tube, socket, spacing and sticks of the bows, and tubes of the grower's own."""

import math
from collections.abc import Iterator
from typing import TYPE_CHECKING, Annotated, Literal

from pydantic import Field

from obtegum.core.documents.numbers import Choice, Decisions, Number, choice, misfit
from obtegum.core.formulas.bows.sticks import JOINT_NAMES, MOST_STICKS, JointKind
from obtegum.core.values.quantity import FOOT_M, INCH_M
from obtegum.core.values.trouble import Trouble

if TYPE_CHECKING:
    from obtegum.core.documents.house import HouseDesign

__all__ = ["MOST_OWN", "PIECE_LEAST_M", "PIECE_MOST_M", "Bows", "OwnTube"]

# How close and how far apart bows can be planned, m.
CLOSEST_M, FARTHEST_M = 0.3, 5.0
# Pieces of bows that are bought bent, m.
PIECE_LEAST_M, PIECE_MOST_M = 0.3, 20.0
WHOLE = 1e-9
# Tubes of their own that a house can have.
MOST_OWN = 8


class Bows(Decisions):
    """Tube, socket, spacing and sticks of the bows, m."""

    tube: Annotated[str, Field(max_length=60), Choice("Bow tube")]
    insertion_m: Annotated[float, Number("Bow in the post", 0.02, 1.0, bare="fine", feet=6 * INCH_M, metres=0.15)]
    max_spacing_m: Annotated[float, Number("Bows no further apart", CLOSEST_M, FARTHEST_M, feet=4 * FOOT_M, metres=1.2)]
    bays: Annotated[
        Literal["equal", "fixed", "counted"],
        choice("Bays", equal="all equal", fixed="fixed, odd one last", counted="by the number of bows"),
    ] = "equal"
    count: Annotated[int | None, Number("Number of bows", 2, 1001, "count")] = None
    cut: Annotated[
        Literal["cut", "whole", "own"],
        choice(
            "Sticks are",
            cut="cut to the bow",
            whole="used whole, the height follows",
            own="bought bent in pieces, the height follows",
        ),
    ] = "cut"
    own_pieces_m: Annotated[
        tuple[Annotated[float, Field(ge=PIECE_LEAST_M, le=PIECE_MOST_M)], ...], Field(max_length=MOST_STICKS)
    ] = ()
    hole_m: Annotated[
        float | None,
        Number("Bolt hole of a joint", 0.005, 0.5, bare="fine", hint="from the end of the outer piece; blank: none"),
    ] = None
    sticks: Annotated[
        int | None, Number("Sticks a bow", 1, MOST_STICKS, "count", hint="blank: as many as it takes")
    ] = None
    stick_m: Annotated[float, Number("Stick length", 1.0, 20.0, feet=24 * FOOT_M, metres=6.0)]
    joint_m: Annotated[float, Number("Joint overlap", 0.0, 0.6, bare="fine", feet=5 * INCH_M, metres=0.13)]
    joint: Annotated[JointKind, choice("Joined by", **JOINT_NAMES)] = "swaged"
    bundle: Annotated[int, Number("Sticks come in bundles of", 1, 500, "count")] = 1
    making: Annotated[
        Literal["former", "rolls", "parts", "elbows"],
        choice("Made", former="on a former", rolls="on rolls", parts="bought bent", elbows="straight, with elbows"),
    ] = "former"

    def misfits(self, house: "HouseDesign", at: str) -> Iterator[Trouble]:
        """Bows further apart than the house is long, through the bottom of their posts, and joints too long."""
        size, posts = house.size, house.posts
        if self.max_spacing_m > size.length_m + 1e-9:
            sentence = "That is further apart than the house is long. The most is"
            yield misfit("bows.max_spacing_m", sentence, size.length_m, house.tape)
        if self.bays == "counted" and self.count is not None:
            yield from self._counted(size.length_m, self.count)
        if self.cut == "own" and self.hole_m is not None and self.hole_m > self.joint_m + 1e-9:
            sentence = "The hole would lie outside its joint. The most is"
            yield misfit("bows.hole_m", sentence, self.joint_m, house.tape, "down")
        if self.insertion_m > posts.length_m:
            sentence = "The bow would come out at the bottom of its post. The most is"
            yield misfit("bows.insertion_m", sentence, posts.length_m, house.tape)
        if self.cut == "own" and self.own_pieces_m:
            least_m = min(self.own_pieces_m)
            if self.joint_m > least_m / 2:
                sentence = "The overlap would eat more than half of a piece. The most is"
                yield misfit("bows.joint_m", sentence, least_m / 2, house.tape, "down")
        elif self.joint_m > self.stick_m / 2:
            sentence = "The overlap would eat more than half of each stick. The most is"
            yield misfit("bows.joint_m", sentence, self.stick_m / 2, house.tape)

    def _counted(self, length_m: float, count: int) -> Iterator[Trouble]:
        """So many bows that they stand too close, or so few that they stand too far apart."""
        most, least = math.floor(length_m / CLOSEST_M + WHOLE) + 1, math.ceil(length_m / FARTHEST_M - WHOLE) + 1
        if count > most:
            yield _count_trouble("closer than bows can stand", most)
        elif count < least:
            yield _count_trouble("further apart than can be planned", least)


def _count_trouble(what: str, nearest: int) -> Trouble:
    sentence = f"So many bows would stand {what}. The nearest number is {nearest:,}."
    return Trouble(path="bows.count", sentence=sentence, nearest_m=nearest, nearest=f"{nearest:,}")


class OwnTube(Decisions):
    """A tube that is not in the catalogue: outside diameter and wall, m, and its yield, Pa, if a paper tells it."""

    od_m: Annotated[float, Number("Own tube, outside", 0.01, 0.2, bare="tube")]
    wall_m: Annotated[float, Number("Own tube, wall", 0.0005, 0.02, bare="tube")]
    yield_pa: Annotated[
        float | None,
        Number(
            "Own tube’s yield",
            100e6,
            900e6,
            "stress",
            hint="off its paper; blank: strength not known",
        ),
    ] = None

    def misfits(self, house: "HouseDesign", at: str) -> Iterator[Trouble]:
        """A wall that leaves no tube."""
        if self.wall_m > self.od_m / 2 - 1e-9:
            sentence = "The wall can’t be thicker than half the tube. The most is"
            yield misfit(f"{at}.wall_m", sentence, self.od_m / 2, house.tape)
