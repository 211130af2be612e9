"""What holds the bow beside itself, and what is taken off the strength of old tube."""

from typing import Annotated

from pydantic import Field

from obtegum.core.numbers import Decisions, Number

__all__ = ["REASON_MOST", "Strength"]

REASON_MOST = 120


class Strength(Decisions):
    """Runs that hold a bow sideways, what its joints leave of its strength, what is taken off, and why."""

    runs: Annotated[int, Number("Runs that hold the bow", 1, 15, "count", hint="the ridge alone: 1")] = 1
    joint_share: Annotated[
        float, Number("A joint leaves of the strength", 0.1, 1.0, "share", hint="of tube in tube, screwed: 75 %")
    ] = 0.75
    less_share: Annotated[
        float, Number("Taken off for rust or dents", 0.0, 0.8, "share", hint="old or unknown tube")
    ] = 0.0
    less_why: Annotated[str, Field(max_length=REASON_MOST)] = ""
