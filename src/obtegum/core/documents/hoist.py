"""The day that the cover goes on: people, the way over, room beside the house, and what the day is like."""

from typing import Annotated, Literal

from obtegum.core.documents.numbers import Decisions, Number, choice

__all__ = ["CARRIES_KG", "Hoist"]

# What one person carries of a sheet, kg (this bench).
CARRIES_KG = 15.0


class Hoist(Decisions):
    """How the sheet is brought over, and the day's own figures: m, m/s, °C. What isn't told isn't judged."""

    crew: Annotated[int | None, Number("People that day", 1, 60, "count")] = None
    way: Annotated[
        Literal["across", "along"],
        choice("The sheet goes", across="across, from beside the house", along="along the ridge, from one end"),
    ] = "across"
    first: Annotated[
        Literal["ends", "sides"],
        choice("Fixed first", ends="both ends, then the sides", sides="one side, then the other"),
    ] = "ends"
    free_m: Annotated[
        float | None, Number("Free ground there, wide", 0.0, 60.0, hint="beside the house, or off its end")
    ] = None
    gust_mps: Annotated[float | None, Number("Gusts that day", 0.0, 60.0, "speed", hint="forecast, at 10 m")] = None
    air_c: Annotated[float | None, Number("Air that day", -40.0, 50.0, "temperature")] = None
    wet: Annotated[
        Literal["ask", "dry", "wet"], choice("The film and the house are", ask="not told yet", dry="dry", wet="wet")
    ] = "ask"
    before: Annotated[
        Literal["ask", "open", "done"],
        choice("Before: all below", ask="not told yet", open="not all done", done="done and looked at"),
    ] = "ask"
