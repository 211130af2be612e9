"""Where runs lie on the bows, of what they are, and how their sticks are joined."""

from collections.abc import Iterator
from typing import TYPE_CHECKING, Annotated, Literal

from pydantic import Field

from obtegum.core.documents.numbers import Choice, Decisions, Number, choice, misfit
from obtegum.core.values.quantity import FOOT_M, INCH_M
from obtegum.core.values.trouble import Trouble

if TYPE_CHECKING:
    from obtegum.core.documents.house import HouseDesign

__all__ = ["LEAST_HIGH_M", "MOST_HIGH_M", "MOST_SIDE", "Runs"]

LEAST_HIGH_M, MOST_HIGH_M, MOST_SIDE = 0.1, 8.0, 7
Height = Annotated[float, Field(ge=LEAST_HIGH_M, le=MOST_HIGH_M)]


class Runs(Decisions):
    """Runs along the house, m; how many hold the bow is told there (`Strength.runs`), an odd one at the ridge."""

    spread: Annotated[
        Literal["even", "heights"],
        choice("Side runs lie", even="even along the bow", heights="at heights of my own"),
    ] = "even"
    heights_m: Annotated[tuple[Height, ...], Field(max_length=MOST_SIDE)] = ()
    lie: Annotated[
        Literal["under", "over", "through"],
        choice(
            "Against the bows",
            under="under them, clamped",
            over="over them, under the two at the ends",
            through="through brackets or tees",
        ),
    ] = "under"
    of: Annotated[
        Literal["long", "pieces", "laths"],
        choice(
            "Made as",
            long="sticks joined end to end",
            pieces="a piece of tube in each bay",
            laths="a lath in each bay, ripped from boards",
        ),
    ] = "long"
    board: Annotated[str, Field(max_length=60), Choice("Laths ripped from")] = ""
    strip_m: Annotated[float, Number("Each lath, wide", 0.01, 0.3, bare="fine", feet=1.5 * INCH_M)] = 0.04
    tube: Annotated[str, Field(max_length=60), Choice("Run tube")] = ""
    stick_m: Annotated[float, Number("Run sticks come", 0.5, 20.0, hint="true length", feet=21 * FOOT_M)] = 6.0
    joint: Annotated[
        Literal["swaged", "coupler", "lap"],
        choice("Sticks are joined", swaged="one end goes into the next", coupler="by a coupler", lap="lapped on a bow"),
    ] = "swaged"
    joint_m: Annotated[float, Number("Overlap", 0.03, 1.0, bare="fine", feet=4 * INCH_M)] = 0.1
    take_m: Annotated[
        float,
        Number("A fitting takes up", 0.0, 0.2, bare="fine", hint="from the bow’s face"),
    ] = 0.0
    mark: Annotated[
        Literal["posts", "stacked", "gauge"],
        choice(
            "Bows are marked on a run",
            posts="with the run laid along the posts",
            stacked="by tape, all runs side by side",
            gauge="with a stick cut to the gap",
        ),
    ] = "posts"
    first: Annotated[
        Literal["ridge", "sides"], choice("Put up first", ridge="the ridge", sides="the lowest at the sides")
    ] = "ridge"
    screws: Annotated[int, Number("Screws at each crossing", 0, 6, "count")] = 1
    spare: Annotated[float, Number("Spares of clamps and screws", 0.0, 0.5, "share")] = 0.05

    def misfits(self, house: "HouseDesign", at: str) -> Iterator[Trouble]:
        """A run at or over the ridge, or one on what stands out of the ground; sticks that overlap by half."""
        for height_m in self.heights_m if self.spread == "heights" else ():
            if height_m >= house.size.height_m:
                sentence = "A run can’t lie over the ridge, which has its own. It must stay below"
                yield misfit("runs.heights_m", sentence, house.size.height_m, house.tape, "down")
            elif height_m <= house.posts.reveal_m:
                sentence = "A run would lie on the posts, where the bow isn’t free. It must stay above"
                yield misfit("runs.heights_m", sentence, house.posts.reveal_m, house.tape, "up")
        if self.joint_m >= self.stick_m / 2:
            sentence = "Sticks that overlap by half are no run. The most is"
            yield misfit("runs.joint_m", sentence, self.stick_m / 2, house.tape, "down")
