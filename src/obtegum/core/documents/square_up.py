"""What was taped between the corners, round by round."""

from typing import Annotated, Literal, cast

from pydantic import Field

from obtegum.core.documents.numbers import Number, choice
from obtegum.core.formulas.setout.lines import LINES, Line
from obtegum.core.values.base import Part

__all__ = ["MOST_ROUNDS", "Taping"]

MOST_ROUNDS = 60
LONGEST_M = 400.0
LEAST_M = 0.001


class Taping(Part):
    """One round with the tape between the corners A, B, C, D: what was read, m; None where nothing was.

    ``held`` says whether the tape was held level or lay along the ground; ``starts_m`` at which of its
    marks the tape of an earlier round was held.
    """

    ab_m: Annotated[float | None, Number("A to B", LEAST_M, LONGEST_M)] = None
    dc_m: Annotated[float | None, Number("D to C", LEAST_M, LONGEST_M)] = None
    ad_m: Annotated[float | None, Number("A to D", LEAST_M, LONGEST_M)] = None
    bc_m: Annotated[float | None, Number("B to C", LEAST_M, LONGEST_M)] = None
    ac_m: Annotated[float | None, Number("A to C", LEAST_M, LONGEST_M)] = None
    bd_m: Annotated[float | None, Number("B to D", LEAST_M, LONGEST_M)] = None
    held: Annotated[Literal["level", "ground"], choice("Tape was", level="held level", ground="on the ground")] = (
        "level"
    )
    starts_m: Annotated[float, Field(ge=0, le=0.9)] = 0.0

    def reading_m(self, line: Line) -> float | None:
        """What was read on a line, m, or None."""
        return cast("float | None", getattr(self, f"{line}_m"))

    @property
    def count(self) -> int:
        """How many of the six lines were taped."""
        return sum(self.reading_m(line) is not None for line in LINES)
