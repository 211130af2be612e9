"""What covers the house, how far down it comes, how it is held at the sides and at the ends, and the roll it is of."""

from collections.abc import Iterator
from typing import TYPE_CHECKING, Annotated, Literal

from obtegum.core.documents.numbers import Decisions, Number, choice, misfit
from obtegum.core.values.quantity import FOOT_M, INCH_M
from obtegum.core.values.trouble import Trouble

if TYPE_CHECKING:
    from obtegum.core.documents.house import HouseDesign

__all__ = ["Cover", "Hold"]

Hold = Literal["track", "batten", "rolled", "buried", "clamps", "eyelets", "staples"]
HOLDS = {
    "track": "track with spring wire",
    "batten": "a batten on the board",
    "rolled": "two battens, the film rolled between",
    "buried": "its edge buried in a trench",
    "clamps": "snap clamps on a pipe",
    "eyelets": "eyelets and ties",
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
    right: Annotated[
        Literal["same", "track", "batten", "rolled", "buried", "clamps", "eyelets", "staples"],
        choice("Held at the right side by", same="what holds the left", **HOLDS),
    ] = "same"
    ends: Annotated[Hold, choice("Held at the ends by", **HOLDS)] = "track"
    back: Annotated[
        Literal["same", "track", "batten", "rolled", "buried", "clamps", "eyelets", "staples"],
        choice("Held at the back end by", same="what holds the front", **HOLDS),
    ] = "same"
    eyelet_m: Annotated[float, Number("Eyelets, apart", 0.1, 3.0, bare="fine", feet=2 * FOOT_M)] = 0.5
    eyelet_first_m: Annotated[
        float | None, Number("First eyelet, from the sheet’s end", 0.0, 10.0, hint="blank: over the first bow")
    ] = None
    lash: Annotated[
        Literal["none", "each", "zigzag"],
        choice("Lashed over the top", none="no", each="a cord in each bay", zigzag="a cord to and fro, bay by bay"),
    ] = "none"
    bought: Annotated[Literal["roll", "made"], choice("It is bought", roll="off a roll", made="made to measure")] = (
        "roll"
    )
    off_m: Annotated[
        float, Number("Made to within", 0.0, 0.5, bare="fine", feet=2 * INCH_M, hint="what its maker allows himself")
    ] = 0.05
    rim_hem_m: Annotated[float, Number("Its hem, wide", 0.0, 0.5, bare="fine", feet=4 * INCH_M)] = 0.1
    rope: Annotated[
        Literal["none", "rope"], choice("In the hem", none="nothing", rope="a rope, its ends out at each corner")
    ] = "none"
    taped_1_m: Annotated[
        float | None, Number("Taped over the front bow", 1.0, 60.0, hint="outside, fixing to fixing")
    ] = None
    taped_2_m: Annotated[float | None, Number("Over a middle bow", 1.0, 60.0)] = None
    taped_3_m: Annotated[float | None, Number("Over the back bow", 1.0, 60.0)] = None
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
    end_pull_1_n: Annotated[
        float | None, Number("Pulled at the ends’ fixing", 0.0, 50000.0, "force", hint="where it is of another kind")
    ] = None
    end_pull_2_n: Annotated[float | None, Number("Pulled there again", 0.0, 50000.0, "force")] = None
    end_pull_3_n: Annotated[float | None, Number("There a third time", 0.0, 50000.0, "force")] = None
    zones: Annotated[
        Literal["film", "panels", "net", "boards"],
        choice("The ends are of", film="film", panels="rigid panels", net="net or cloth", boards="boards"),
    ] = "film"
    curtain: Annotated[
        Literal["film", "net"], choice("The curtain is of", film="film", net="insect net, which stays down")
    ] = "film"
    summer: Annotated[
        Literal["same", "ends", "cloth", "off"],
        choice(
            "In the hot months",
            same="all stays on",
            ends="the ends come off",
            cloth="cloth in place of film",
            off="nothing is on",
        ),
    ] = "same"

    def misfits(self, house: "HouseDesign", at: str) -> Iterator[Trouble]:
        """A joint as wide as the roll that it joins."""
        if self.pieces == "two" and self.roll_m is not None and self.lap_m >= self.roll_m / 2:
            sentence = "The lap would take half of the roll. It must be under"
            yield misfit("cover.lap_m", sentence, self.roll_m / 2, house.tape, "down")
