"""What covers the house, how far down it comes, how it is held at the sides and at the ends, and the roll it is of."""

from typing import Annotated, Literal

from obtegum.core.numbers import Decisions, Number, choice
from obtegum.core.quantity import FOOT_M, INCH_M

__all__ = ["Cover", "Hold"]

Hold = Literal["track", "batten", "rolled", "buried", "clamps", "staples"]
HOLDS = {
    "track": "track with spring wire",
    "batten": "a batten on the board",
    "rolled": "two battens, the film rolled between",
    "buried": "its edge buried in a trench",
    "clamps": "snap clamps on a pipe",
    "staples": "staples and tape, for a season",
}


class Cover(Decisions):
    """One sheet over the roof, m: where it is fixed along the sides, how, and what is left to pull and to trim."""

    made: Annotated[
        Literal["ask", "apart", "gathered"],
        choice(
            "The ends are covered",
            ask="not told yet",
            apart="with sheets of their own",
            gathered="by the same sheet, gathered",
        ),
    ] = "ask"
    edge: Annotated[
        Literal["base", "hip", "ground"],
        choice("Fixed along the sides", base="at the foot", hip="at the hip board", ground="in the ground"),
    ] = "base"
    below: Annotated[
        Literal["tail", "own", "open"],
        choice("Below the hip board", tail="the same sheet, rolled up", own="a curtain of its own", open="nothing"),
    ] = "tail"
    sides: Annotated[Hold, choice("Held at the sides by", **HOLDS)] = "track"
    ends: Annotated[Hold, choice("Held at the ends by", **HOLDS)] = "track"
    tail_m: Annotated[
        float, Number("Beyond the fixing, to pull by", 0.0, 1.0, bare="fine", hint="a hand’s width", feet=4 * INCH_M)
    ] = 0.1
    trim_m: Annotated[
        float, Number("To trim, each side", 0.0, 1.0, bare="fine", hint="what pulling crooked costs", feet=4 * INCH_M)
    ] = 0.1
    drop_m: Annotated[
        float,
        Number("Beyond each end bow", 0.0, 6.0, hint="ends apart: round the bow and its fixing", feet=1.5 * FOOT_M),
    ] = 0.45
    hem_m: Annotated[float, Number("On the ground, gathered ends", 0.0, 3.0, feet=FOOT_M)] = 0.3
    pieces: Annotated[
        Literal["one", "two"], choice("The sheet is", one="one piece", two="two pieces, joined over the ridge")
    ] = "one"
    lap_m: Annotated[float, Number("Lap of the joint", 0.05, 1.0, bare="fine", feet=12 * INCH_M)] = 0.3
    roll_m: Annotated[float | None, Number("Roll, wide", 0.5, 30.0, hint="blank: the least that reaches")] = None
    roll_long_m: Annotated[float | None, Number("Roll, long", 2.0, 600.0, hint="blank: as it is sold")] = None
    years: Annotated[int, Number("It is to last, years", 1, 12, "count")] = 4
    pull_1_n: Annotated[
        float | None, Number("Pulled on a metre of it", 0.0, 50000.0, "force", hint="of the real thing, until it gives")
    ] = None
    pull_2_n: Annotated[float | None, Number("Pulled again", 0.0, 50000.0, "force")] = None
    pull_3_n: Annotated[float | None, Number("A third time", 0.0, 50000.0, "force")] = None
