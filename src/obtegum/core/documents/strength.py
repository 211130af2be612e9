"""What holds the bow beside itself, and what is taken off the strength of old tube."""

from typing import Annotated, Literal

from pydantic import Field

from obtegum.core.documents.numbers import Choice, Decisions, Number, Text, choice
from obtegum.core.values.quantity import INCH_M

__all__ = ["Strength"]


class Strength(Decisions):
    """Runs that hold a bow sideways, what joints leave of its strength, how walls are known, what is taken off."""

    runs: Annotated[int, Number("Runs that hold the bow", 1, 15, "count", hint="the ridge alone: 1")] = 1
    joint_share: Annotated[
        float, Number("A joint leaves of the strength", 0.1, 1.0, "share", hint="of tube in tube, screwed: 75 %")
    ] = 0.75
    bracket: Annotated[
        Literal["none", "plates"],
        choice("Brackets at joints", none="none", plates="two steel plates, bolted on either side"),
    ] = "none"
    plate_thick_m: Annotated[
        float, Number("Plates, thick", 0.0015, 0.02, bare="fine", feet=INCH_M / 8, hint="each of the two")
    ] = 0.003
    plate_wide_m: Annotated[float, Number("Plates, wide", 0.015, 0.2, bare="fine", feet=1.5 * INCH_M)] = 0.04
    plate_long_m: Annotated[float, Number("Plates, long", 0.1, 1.0, feet=12 * INCH_M, hint="half on either side")] = 0.3
    wall: Annotated[
        Literal["name", "measured"],
        choice("Walls of the tubes", name="as sold: 93 % of it counts", measured="measured at cut ends: all of it"),
    ] = "name"
    less_share: Annotated[
        float, Number("Taken off for rust or dents", 0.0, 0.8, "share", hint="old or unknown tube")
    ] = 0.0
    less_why: Annotated[str, Text("Why", 120, "prints")] = ""
    plastic: Annotated[
        Literal["sprung", "heated"],
        choice("Plastic pipe is", sprung="sprung cold", heated="bent hot: no spring left"),
    ] = "sprung"
    season: Annotated[
        Literal["new", "later"], choice("It has stood", new="not yet: its first days", later="a season and more")
    ] = "new"
    hot_c: Annotated[
        float,
        Number("Pipe gets as warm as", -20.0, 75.0, "temperature", hint="dark pipe: warmer than the air"),
    ] = 23.0
    prop: Annotated[
        Literal["none", "each"],
        choice("Props in a storm", none="none", each="under the crowns while snow lies"),
    ] = "none"
    prop_every: Annotated[
        int, Number("Under each … bow", 1, 3, "count", hint="2: each second; the ridge run carries those between")
    ] = 1
    prop_board: Annotated[str, Field(max_length=60), Choice("Props of")] = ""
    lines: Annotated[int, Number("Trellis lines along the house", 0, 60, "count")] = 0
    line_kg: Annotated[
        float, Number("Each puts on a bow", 0.0, 500.0, "hung", hint="wet, in full crop: what hangs in one bay")
    ] = 15.0
    baskets: Annotated[int, Number("Baskets on each bow", 0, 200, "count")] = 0
    basket_kg: Annotated[float, Number("A basket", 0.0, 100.0, "hung", hint="watered")] = 6.0
    hang: Annotated[
        Literal["runs", "ties", "crown"],
        choice("They hang", runs="from the runs", ties="from collars", crown="under the crown"),
    ] = "runs"
