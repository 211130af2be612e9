"""How the sides roll: the bar, in how many parts, what turns it, what holds the curtain in, and the set-points."""

from collections.abc import Iterator
from typing import TYPE_CHECKING, Annotated, Literal

from pydantic import Field

from obtegum.core.documents.numbers import Choice, Decisions, Number, choice
from obtegum.core.values.amount import amount_text
from obtegum.core.values.quantity import FOOT_M, INCH_M
from obtegum.core.values.trouble import Trouble

if TYPE_CHECKING:
    from obtegum.core.documents.house import HouseDesign

__all__ = ["Sides"]


class Sides(Decisions):
    """The curtains of both sides, alike: lengths m, torque N·m, temperatures °C, wind m/s."""

    parts: Annotated[int, Number("Curtains, each side", 1, 8, "count", hint="each rolls by itself")] = 1
    drive: Annotated[Literal["crank", "motor"], choice("Turned by", crank="a crank", motor="a motor")] = "crank"
    rolls: Annotated[
        Literal["out", "in"], choice("It rolls", out="outward: rain runs off", **{"in": "inward, behind its film"})
    ] = "out"
    bar: Annotated[str, Field(max_length=60), Choice("Bar of")] = ""
    bar_m: Annotated[float, Number("Bars come", 1.0, 12.0, feet=21 * FOOT_M, hint="true length")] = 6.0
    clip_m: Annotated[float, Number("A clip each", 0.1, 3.0, bare="fine", feet=2 * FOOT_M)] = 0.6
    cords: Annotated[
        Literal["each", "second", "none"],
        choice("Held in by", each="cord at each bow", second="cord at each second bow", none="nothing"),
    ] = "second"
    flap_m: Annotated[
        float, Number("Past each end of it", 0.0, 1.5, bare="fine", feet=12 * INCH_M, hint="the flap that closes it")
    ] = 0.3
    below_m: Annotated[
        float, Number("Down over the board", 0.0, 0.5, bare="fine", feet=4 * INCH_M, hint="past what closes the side")
    ] = 0.1
    heads: Annotated[
        Literal["nuts", "round"],
        choice("Bolts have, outside", nuts="nuts, or we don’t know", round="round heads"),
    ] = "nuts"
    arm_m: Annotated[float, Number("Crank’s arm", 0.1, 1.0, bare="fine", feet=12 * INCH_M)] = 0.3
    gear: Annotated[float, Number("Geared down", 1.0, 60.0, "factor", hint="turns of the hand for one of the bar")] = (
        1.0
    )
    motor_nm: Annotated[
        float | None, Number("The motor turns with", 1.0, 2000.0, "torque", hint="rated, at the bar")
    ] = None
    open_c: Annotated[float, Number("Opens over", 0.0, 45.0, "temperature")] = 24.0
    shut_c: Annotated[float, Number("Shuts under", -5.0, 40.0, "temperature")] = 18.0
    wind_mps: Annotated[float, Number("Shuts in wind over", 2.0, 20.0, "speed")] = 9.0

    def misfits(self, house: "HouseDesign", at: str) -> Iterator[Trouble]:
        """Set-points that open and shut at once."""
        if self.shut_c >= self.open_c:
            most = amount_text(self.open_c, "temperature", house.tape.units, "down")
            sentence = f"It would open and shut at once. It must shut under {most}, where it opens."
            yield Trouble(path="sides.shut_c", sentence=sentence)
