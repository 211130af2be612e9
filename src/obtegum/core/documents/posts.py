"""How the bows stand: what is in the ground, of what, how long, how much stands out, and the base boards."""

from collections.abc import Iterator
from typing import TYPE_CHECKING, Annotated, Literal

from pydantic import Field

from obtegum.core.documents.numbers import Choice, Decisions, Number, choice, misfit
from obtegum.core.values.quantity import FOOT_M, INCH_M
from obtegum.core.values.trouble import Trouble

if TYPE_CHECKING:
    from obtegum.core.documents.house import HouseDesign

__all__ = ["Posts"]

# The least from a bolt's middle to the end of a tube, m.
BOLT_EDGE_M = 0.01


class Posts(Decisions):
    """How the bows stand: posts, sockets, stubs or stakes, and how far they stand above the datum, m."""

    stand: Annotated[
        Literal["driven", "slab", "stub", "board", "curve"],
        choice(
            "The bow stands",
            driven="in a post in the ground",
            slab="in a socket cast in concrete",
            stub="over a bar or stub",
            board="strapped to a base board",
            curve="lapped to a stub of its own curve",
        ),
    ] = "driven"
    tube: Annotated[str, Field(max_length=60), Choice("Post tube")]
    length_m: Annotated[float, Number("Post length", 0.1, 4.0, feet=48 * INCH_M, metres=1.2)]
    reveal_m: Annotated[
        float, Number("Post reveal", 0.0, 2.0, hint="stands above the ground", feet=20 * INCH_M, metres=0.5)
    ]
    stock_m: Annotated[float | None, Number("Cut from sticks of", 0.5, 20.0, hint="blank: bought to length")] = None
    bolt_m: Annotated[
        float | None, Number("Through-bolt, below the top", BOLT_EDGE_M, 1.0, bare="fine", hint="blank: none")
    ] = None
    stop: Annotated[
        Literal["none", "bolt"], choice("The bow’s end rests on", none="what is in the post", bolt="a stop bolt")
    ] = "none"
    base: Annotated[Literal["none", "board"], choice("Along the feet", none="nothing", board="a base board")] = "none"
    board: Annotated[str, Field(max_length=60), Choice("Board")] = "board-2x6"
    board_m: Annotated[float, Number("Boards come", 1.0, 12.0, hint="true length", feet=12 * FOOT_M)] = 4.0

    def misfits(self, house: "HouseDesign", at: str) -> Iterator[Trouble]:
        """A post that has nothing in the ground, one longer than its stick, a bolt that misses the bow."""
        if self.reveal_m >= self.length_m:
            sentence = "That leaves nothing of the post in the ground. The post is only"
            yield misfit("posts.reveal_m", sentence, self.length_m, house.tape)
        if self.stock_m is not None and self.length_m > self.stock_m + 1e-9:
            sentence = "The post is longer than its stick. It is"
            yield misfit("posts.stock_m", sentence, self.length_m, house.tape, "up")
        lowest_m = house.bows.insertion_m - BOLT_EDGE_M
        if self.bolt_m is not None and self.bolt_m > lowest_m + 1e-9 and lowest_m > BOLT_EDGE_M:
            sentence = "The bolt would miss the bow’s end, or tear out of it. The most is"
            yield misfit("posts.bolt_m", sentence, lowest_m, house.tape, "down")
