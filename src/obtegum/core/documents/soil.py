"""What the ground is: its class, what was dug over, water, frost, stones, and what the test hole told."""

from typing import Annotated, Literal

from obtegum.core.documents.numbers import Decisions, Number, Text, choice

__all__ = ["Soil"]


class Soil(Decisions):
    """The ground that the house stands in, m. What nobody told stays not known."""

    kind: Annotated[
        Literal["ask", "clay", "sand", "gravel", "firm", "fill"],
        choice(
            "The ground is",
            ask="not told yet",
            clay="clay, silty clay",
            sand="sand, silty sand or gravel",
            gravel="gravel, sandy gravel",
            firm="firm and natural, of no known kind",
            fill="fill, peat, made ground",
        ),
    ] = "ask"
    disturbed_m: Annotated[float, Number("Dug over or filled", 0.0, 3.0, hint="from the top; holds nothing")] = 0.0
    water_m: Annotated[
        float | None, Number("Water stands below ground", 0.0, 10.0, hint="at its wettest; blank: below all posts")
    ] = None
    frost_m: Annotated[float | None, Number("Frost goes", 0.0, 3.0, hint="your local figure; blank: not told")] = None
    stones: Annotated[
        Literal["none", "some", "boulders"],
        choice("Stones", none="none to speak of", some="as large as a fist", boulders="boulders, no auger goes"),
    ] = "none"
    hard: Annotated[
        Literal["soft", "hard", "frozen"],
        choice("It digs", soft="with a spade", hard="with a bar", frozen="not at all, frozen"),
    ] = "soft"
    notes: Annotated[str, Text("What the hole told", 200, "layers, stones, water")] = ""
