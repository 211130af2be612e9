"""How far the string stands off the posts, and what was measured of each post once it stood."""

from typing import Annotated

from pydantic import Field

from obtegum.core.documents.numbers import Decisions, Each, Number
from obtegum.core.formulas.setout.base import PEG, peg_words
from obtegum.core.values.base import Part
from obtegum.core.values.quantity import INCH_M

__all__ = ["CHECKS", "MOST_POSTS", "PostBuilt", "PostRow", "PostsBuilt", "field_of"]

# What is measured of a post, in the order of measuring; its top by rod where levels were read, else what stands out.
CHECKS = ("gap", "rod", "out", "along", "lean", "blows")
MOST_POSTS = 2400


class PostRow(Decisions):
    """The string along a row of posts, m."""

    block_m: Annotated[
        float, Number("String stands off by", 0.005, 0.5, bare="fine", hint="a block at both corners", feet=2 * INCH_M)
    ] = 0.05


class PostBuilt(Part):
    """One post as it stands, m: from its face to the string, the rod on its top, what stands out of the ground, what
    the tape along the row reads at it, how far its top hangs out of plumb over that, and the blows it took."""

    gap_m: Annotated[float | None, Number("To the string", 0.0, 1.0, bare="fine")] = None
    rod_m: Annotated[float | None, Number("Rod on its top", 0.0, 20.0)] = None
    out_m: Annotated[float | None, Number("Stands out", 0.0, 4.0)] = None
    along_m: Annotated[float | None, Number("Tape along reads", 0.0, 400.0)] = None
    lean_m: Annotated[float | None, Number("Out of plumb", 0.0, 1.0, bare="fine")] = None
    blows: Annotated[int | None, Number("Blows it took", 1, 2000, "count")] = None

    def told(self, check: str) -> float | None:
        """What was measured of one of the checks."""
        value: float | None = getattr(self, field_of(check))
        return value


def field_of(check: str) -> str:
    """The field that a check is told in: lengths in m, blows by their number."""
    return check if check == "blows" else f"{check}_m"


PostName = Annotated[str, Field(pattern=f"^{PEG}$")]
PostsBuilt = Annotated[
    dict[PostName, PostBuilt],
    Each(lambda post, label: f"{peg_words(post).replace('peg', 'post').capitalize()}, {label.lower()}"),
]
