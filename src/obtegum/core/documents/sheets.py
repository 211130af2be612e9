"""Sheets that don't roll: where they go, what they measure, how they lap, bend and are held."""

from collections.abc import Iterator
from typing import TYPE_CHECKING, Annotated, Literal

from obtegum.core.documents.numbers import Decisions, Number, choice, misfit
from obtegum.core.values.quantity import FOOT_M, INCH_M
from obtegum.core.values.trouble import Trouble

if TYPE_CHECKING:
    from obtegum.core.documents.house import HouseDesign

__all__ = ["Sheets"]


class Sheets(Decisions):
    """Corrugated sheets or panels with chambers, their waves or flutes up the roof: lengths m, kg/m², N a screw."""

    on: Annotated[
        Literal["none", "roof", "ends", "both"],
        choice("Rigid sheets", none="none", roof="over the roof", ends="on the ends", both="over the roof and ends"),
    ] = "none"
    kind: Annotated[
        Literal["waves", "chambers"],
        choice("They are", waves="corrugated", chambers="panels with chambers, joined by profiles"),
    ] = "waves"
    wide_m: Annotated[float, Number("A sheet, wide", 0.3, 3.0, bare="fine", feet=26 * INCH_M)] = 1.0
    long_m: Annotated[float, Number("Sheets come, long", 0.5, 15.0, feet=12 * FOOT_M)] = 4.0
    pitch_m: Annotated[float, Number("From crest to crest", 0.02, 0.4, bare="fine", feet=2.67 * INCH_M)] = 0.076
    lap_waves: Annotated[int, Number("They lap by, waves", 1, 3, "count", hint="1, or 2 where rain is driven")] = 1
    gap_m: Annotated[
        float, Number("Profile takes, between panels", 0.0, 0.1, bare="fine", hint="both edges stand in it")
    ] = 0.01
    lap_m: Annotated[float, Number("They lap, up the roof", 0.05, 0.6, bare="fine", feet=8 * INCH_M)] = 0.2
    thick_m: Annotated[float, Number("Panel, thick", 0.0005, 0.05, bare="fine")] = 0.008
    radius_m: Annotated[
        float | None, Number("Bends cold to a radius of", 0.3, 50.0, hint="the least that its maker allows")
    ] = None
    span_m: Annotated[
        float | None, Number("Carries between supports", 0.2, 3.0, hint="its maker’s figure for your snow and wind")
    ] = None
    kg_m2: Annotated[float, Number("A square metre weighs", 0.3, 20.0, "factor", hint="kg; its maker’s figure")] = 1.5
    eaves_m: Annotated[float, Number("Past the lowest fixing", 0.0, 0.5, bare="fine", feet=2 * INCH_M)] = 0.05
    over_m: Annotated[float, Number("Past each end bow", 0.0, 0.5, bare="fine", feet=2 * INCH_M)] = 0.05
    crests: Annotated[int, Number("A screw each … crest", 1, 4, "count", hint="each at edges, so many between")] = 2
    storm: Annotated[Literal["front", "back"], choice("Storms come on the", front="front end", back="back end")] = (
        "front"
    )
    screw_n: Annotated[
        float | None,
        Number("A screw holds", 1.0, 20_000.0, "force", hint="with its washer: maker’s, or half your test"),
    ] = None

    @property
    def over_roof(self) -> bool:
        """Whether they go over the roof, in place of film."""
        return self.on in ("roof", "both")

    @property
    def over_ends(self) -> bool:
        """Whether they go on the ends."""
        return self.on in ("ends", "both")

    def misfits(self, house: "HouseDesign", at: str) -> Iterator[Trouble]:
        """Laps that leave nothing of a sheet."""
        if self.on == "none":
            return
        if self.kind == "waves" and self.lap_waves * self.pitch_m >= self.wide_m / 2:
            sentence = "The lap would take half the sheet. Crests must be closer than"
            yield misfit("sheets.pitch_m", sentence, self.wide_m / 2 / self.lap_waves, house.tape, "down")
        if self.lap_m >= self.long_m / 2:
            sentence = "The lap would take half the sheet. It must be under"
            yield misfit("sheets.lap_m", sentence, self.long_m / 2, house.tape, "down")
