"""How warm the house is kept on which night, how much air leaks, and what stands in the way of sun and air."""

from collections.abc import Iterator
from typing import TYPE_CHECKING, Annotated, Literal

from obtegum.core.documents.numbers import Decisions, Number, choice
from obtegum.core.values.amount import amount_text
from obtegum.core.values.trouble import Trouble

if TYPE_CHECKING:
    from obtegum.core.documents.house import HouseDesign

__all__ = ["Air"]

Celsius = Annotated[float | None, Number("Coldest night", -50.0, 30.0, "temperature", hint="outside, your own figure")]


class Air(Decisions):
    """Temperatures, °C; changes of all its air an hour; what mesh leaves open and cloth shades; a breeze, m/s."""

    cold_c: Celsius = None
    warm_c: Annotated[float | None, Number("Kept at, that night", -10.0, 35.0, "temperature")] = None
    changes: Annotated[
        float, Number("Air changes an hour", 0.1, 10.0, "factor", hint="new and tight 0.75, usual 1 to 1.5, old 2 to 4")
    ] = 1.0
    place: Annotated[
        Literal["calm", "windy"], choice("The place is", calm="sheltered", windy="windy, or under clear skies")
    ] = "calm"
    screen: Annotated[
        Literal["none", "drawn"], choice("A screen at night", none="none", drawn="drawn under the film")
    ] = "none"
    edge: Annotated[
        Literal["bare", "insulated"], choice("Along the ground", bare="nothing", insulated="insulation, a foot deep")
    ] = "bare"
    shade_share: Annotated[float, Number("Shaded in summer", 0.0, 0.95, "share", hint="cloth or wash")] = 0.0
    mesh_share: Annotated[
        float | None, Number("Open, of the insect mesh", 0.05, 1.0, "share", hint="blank: no mesh")
    ] = None
    crop: Annotated[
        Literal["empty", "full"], choice("It holds", empty="nothing, or seedlings", full="a full, watered crop")
    ] = "full"
    summers: Annotated[
        Literal["cool", "warm", "hot"],
        choice("Summers there", cool="cool: openings of 15 % of the floor", warm="warm: 20 %", hot="hot: 30 %"),
    ] = "warm"
    vent: Annotated[
        Literal["openings", "fans"], choice("Air moves by", openings="what opens", fans="fans, drawing out at an end")
    ] = "openings"
    rise_k: Annotated[
        float, Number("Warmer at the fan, K", 1.0, 15.0, "factor", hint="3.9 by EP406; a crop that minds it: less")
    ] = 3.9
    fan_m3_s: Annotated[
        float | None, Number("One fan moves", 0.05, 40.0, "air", hint="its maker’s figure, through its louvre")
    ] = None
    inlet_share: Annotated[
        float, Number("Free, of its inlet", 0.1, 1.0, "share", hint="louvres: their maker’s; 60 % is usual")
    ] = 0.6
    breeze_mps: Annotated[float, Number("A breeze", 0.2, 10.0, "speed", hint="slanting at the openings")] = 1.5

    def misfits(self, house: "HouseDesign", at: str) -> Iterator[Trouble]:
        """A house that is to be no warmer than the night."""
        if self.warm_c is not None and self.cold_c is not None and self.warm_c <= self.cold_c:
            least = amount_text(self.cold_c, "temperature", house.tape.units, "up")
            sentence = f"A heater makes it warmer than outside: more than {least}."
            yield Trouble(path="air.warm_c", sentence=sentence)
