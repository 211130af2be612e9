"""Sleeve posts: tube, length, and how much stands out."""

from collections.abc import Iterator
from typing import TYPE_CHECKING, Annotated

from pydantic import Field

from obtegum.core.numbers import Choice, Decisions, Number, misfit
from obtegum.core.quantity import INCH_M
from obtegum.core.trouble import Trouble

if TYPE_CHECKING:
    from obtegum.core.rooms import HouseDesign

__all__ = ["Posts"]


class Posts(Decisions):
    """Sleeve posts: the tube, its length, and how much stands above the datum, m."""

    tube: Annotated[str, Field(max_length=60), Choice("Post tube")]
    length_m: Annotated[float, Number("Post length", 0.2, 4.0, feet=48 * INCH_M, metres=1.2)]
    reveal_m: Annotated[
        float, Number("Post reveal", 0.05, 2.0, hint="stands above the ground", feet=20 * INCH_M, metres=0.5)
    ]

    def misfits(self, house: "HouseDesign", at: str) -> Iterator[Trouble]:
        """A post that has nothing in the ground."""
        if self.reveal_m >= self.length_m:
            sentence = "That leaves nothing of the post in the ground. The post is only"
            yield misfit("posts.reveal_m", sentence, self.length_m, house.tape)
