"""What runs along the sides besides runs: hip boards, how high base boards stand, how they are bolted."""

from collections.abc import Iterator
from typing import TYPE_CHECKING, Annotated, Literal

from pydantic import Field

from obtegum.core.documents.numbers import Choice, Decisions, Number, choice, misfit
from obtegum.core.values.quantity import FOOT_M, INCH_M
from obtegum.core.values.trouble import Trouble

if TYPE_CHECKING:
    from obtegum.core.documents.house import HouseDesign

__all__ = ["Boards"]


class Boards(Decisions):
    """Boards along both long sides: heights over the datum, m; the base board itself is told with the posts."""

    hip: Annotated[Literal["none", "board"], choice("Up the sides", none="nothing", board="a hip board")] = "none"
    hip_m: Annotated[float, Number("Its middle, over the ground", 0.3, 4.0, feet=4 * FOOT_M)] = 1.2
    board: Annotated[str, Field(max_length=60), Choice("Hip board of")] = ""
    board_m: Annotated[float, Number("Hip boards come", 1.0, 12.0, hint="true length", feet=12 * FOOT_M)] = 4.0
    high: Annotated[
        Literal["one", "two"],
        choice("Base boards", one="one high", two="two high, the lower one can be renewed"),
    ] = "one"
    over_m: Annotated[
        float, Number("Past the end bows", 0.0, 0.5, bare="fine", hint="so that the end closes on it")
    ] = 0.0
    bolt_m: Annotated[float, Number("Bolts of", 0.005, 0.02, bare="fine", feet=3 * INCH_M / 8)] = 0.01
    bolt_long_m: Annotated[
        float | None, Number("Bolts come", 0.02, 0.6, bare="fine", hint="blank: as long as it takes")
    ] = None
    when: Annotated[
        Literal["before", "with", "after"],
        choice("Put up", before="before the bows", with_="with the bows", after="after the bows"),
    ] = "after"

    def misfits(self, house: "HouseDesign", at: str) -> Iterator[Trouble]:
        """A hip board over the crown, or on the posts."""
        if self.hip == "none":
            return
        if self.hip_m >= house.size.height_m:
            sentence = "The hip board would be over the crown. It must stay below"
            yield misfit("boards.hip_m", sentence, house.size.height_m, house.tape, "down")
        elif self.hip_m <= house.posts.reveal_m:
            sentence = "The hip board would lie on the posts, where the side is closed anyway. It must be over"
            yield misfit("boards.hip_m", sentence, house.posts.reveal_m, house.tape, "up")
