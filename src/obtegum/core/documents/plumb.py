"""How the standing frame is read, round by round, and how well it is to stand."""

from typing import Annotated, Literal

from pydantic import Field

from obtegum.core.documents.numbers import Decisions, Each, Number
from obtegum.core.values.base import Part
from obtegum.core.values.quantity import INCH_M

__all__ = ["CHECKS", "MOST_READ", "MOST_ROUNDS", "BowStands", "BowsStand", "Plumb", "PlumbRound"]

Check = Literal["crown", "left", "right", "gap"]
# What is read of a bow, in the order of reading.
CHECKS: tuple[Check, ...] = ("crown", "left", "right", "gap")
MOST_READ, MOST_ROUNDS = 1200, 30


class Plumb(Decisions):
    """How far bows may be out, how much the next one follows a pull, and how far the ridge string stands off, m."""

    within_m: Annotated[
        float, Number("Plumb within", 0.002, 0.1, bare="fine", feet=3 * INCH_M / 8, hint="at the crown")
    ] = 0.01
    follows: Annotated[
        float, Number("The next bow follows a pull by", 0.05, 0.95, "share", hint="clamps loose: little; tight: most")
    ] = 0.6
    block_m: Annotated[
        float, Number("Ridge string stands off by", 0.005, 0.5, bare="fine", hint="to the left", feet=2 * INCH_M)
    ] = 0.05


class BowStands(Part):
    """One bow as it stands, m: the tape along the house at its crown and at both shoulders, its zero plumb over the
    front line; and from the ridge string to its crown."""

    crown_m: Annotated[float | None, Number("Tape along at the crown", 0.0, 400.0)] = None
    left_m: Annotated[float | None, Number("Tape along at the left shoulder", 0.0, 400.0)] = None
    right_m: Annotated[float | None, Number("Tape along at the right shoulder", 0.0, 400.0)] = None
    gap_m: Annotated[float | None, Number("Ridge string to the crown", 0.0, 1.0, bare="fine")] = None

    def told(self, check: Check) -> float | None:
        """What was read of one of the checks."""
        value: float | None = getattr(self, f"{check}_m")
        return value


StandingBow = Annotated[str, Field(pattern=r"^[1-9]\d{0,3}$")]
BowsStand = Annotated[dict[StandingBow, BowStands], Each(lambda bow, label: f"Bow {bow}, {label.lower()}")]


class PlumbRound(Part):
    """An earlier round of readings."""

    bows: Annotated[dict[StandingBow, BowStands], Field(max_length=MOST_READ)] = Field(default_factory=dict)
