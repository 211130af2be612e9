"""One change to a house, and the changes that may cure a verdict."""

import math
from collections.abc import Callable, Iterator

from pydantic import Field

from obtegum.core.drawing.verdict import Verdict
from obtegum.core.findings.work import Work
from obtegum.core.values.base import Part
from obtegum.core.values.quantity import Stride

__all__ = ["COMFORT", "Cure", "Edit", "Edits", "chosen", "down", "lengthened", "up"]

# What a cure aims at: this share of the limit.
COMFORT = 0.9


class Edit(Part):
    """One change to a house: a text as typed, a value as dragged, some key steps, or a choice.

    ``value_m`` snaps to the tape's inch or centimetre, as a hand on the drawing can't be finer.
    """

    measure: str = Field(max_length=60)
    text: str | None = Field(default=None, max_length=200)
    value_m: float | None = None
    steps: int | None = Field(default=None, ge=-10_000, le=10_000)
    stride: Stride = "fraction"


Edits = tuple[Edit, ...]
Cure = Callable[[Work, Verdict], Iterator[Edits]]


def lengthened(measure: str, value_m: float) -> Edit:
    """A length changed to a value, m."""
    return Edit(measure=measure, value_m=value_m)


def chosen(measure: str, text: str) -> Edit:
    """A choice made, or a value as it would be typed."""
    return Edit(measure=measure, text=text)


def up(work: Work, value_m: float) -> float:
    """The next inch or centimetre up, m."""
    step = work.tape.stride_m("small")
    return math.ceil(value_m / step - 1e-9) * step


def down(work: Work, value_m: float) -> float:
    """The next inch or centimetre down, m."""
    step = work.tape.stride_m("small")
    return math.floor(value_m / step + 1e-9) * step
