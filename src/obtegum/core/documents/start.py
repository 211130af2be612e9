"""What is known first of a house, and what only that asks for."""

from typing import Annotated, Literal

from obtegum.core.documents.numbers import Decisions, Number, choice

__all__ = ["Start"]


class Start(Decisions):
    """What is known first: width and length, beds, sticks, or a bow that stands."""

    known: Annotated[
        Literal["size", "beds", "sticks", "bow"],
        choice(
            "What do you know first",
            size="width and length",
            beds="beds and paths",
            sticks="sticks that I have",
            bow="a bow that stands",
        ),
    ] = "size"
    have: Annotated[int | None, Number("Sticks that I have", 1, 5000, "count", hint="in all")] = None
    wide_m: Annotated[float | None, Number("Taped across the feet", 1.0, 21.0)] = None
    wide_to: Annotated[
        Literal["inside", "centres", "outside"],
        choice("Between the tubes’", inside="insides", centres="middles", outside="outsides"),
    ] = "outside"
    high_m: Annotated[float | None, Number("Taped up to the crown", 0.4, 14.5, hint="from the ground")] = None
    high_to: Annotated[Literal["underside", "top"], choice("To the tube’s", underside="underside", top="top")] = (
        "underside"
    )
