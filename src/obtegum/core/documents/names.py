"""A name as it is sold, or what the tape says of the thing."""

from typing import Annotated, Literal

from obtegum.core.documents.numbers import Decisions, Number, Text, choice

__all__ = ["Names"]


class Names(Decisions):
    """What is asked about: a kind of thing, the name that it is sold by, and what a tape says of it, m."""

    kind: Annotated[
        Literal["tube", "board", "film", "roll", "stick", "bag"],
        choice(
            "It is",
            tube="pipe, tube or bar",
            board="a board",
            film="film, its thickness",
            roll="a roll of film",
            stick="a stick of tube",
            bag="a bag of concrete",
        ),
    ] = "tube"
    called: Annotated[str, Text("Sold as", 40)] = ""
    taped_m: Annotated[
        float | None, Number("The tape says", 0.001, 100.0, bare="fine", hint="outside, or its longer side")
    ] = None
