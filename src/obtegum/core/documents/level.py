"""Rod and level, what the post tops do along the house, the least in the ground; and what the rod read."""

from collections.abc import Iterable, Mapping
from typing import Annotated, Any, Literal

from pydantic import Field, model_validator

from obtegum.core.documents.numbers import Decisions, Each, Number, choice
from obtegum.core.formulas.setout.base import PEG, peg_words
from obtegum.core.values.base import KeptPart, Part
from obtegum.core.values.quantity import FOOT_M, INCH_M

__all__ = ["MOST_SPOTS", "SPOT_FROM_M", "SPOT_TO_M", "Level", "Levels", "Spot"]

MOST_PEGS = 2400
MOST_SPOTS = 5000
# How far from A a spot may lie, along and across, m.
SPOT_FROM_M, SPOT_TO_M = -500.0, 800.0

PegName = Annotated[str, Field(pattern=f"^{PEG}$")]
SpotId = Annotated[str, Field(pattern="^-?[0-9]{1,5}:-?[0-9]{1,5}$")]
RodReading = Annotated[float, Number("Rod reading", 0.0, 20.0)]


class Level(Decisions):
    """Rod and level, what the post tops do along the house, and the least embedment, m."""

    tool: Annotated[Literal["rod", "string"], choice("Read with", rod="level and rod", string="level string")] = "rod"
    rod_m: Annotated[float, Number("Rod length", 1.0, 10.0, feet=13 * FOOT_M)] = 4.0
    reading_error_m: Annotated[float, Number("Level’s error", 0.0005, 0.05, bare="fine", feet=INCH_M / 8)] = 0.003
    tops: Annotated[
        Literal["level", "fall"], choice("Post tops", level="all level", fall="one fall along the house")
    ] = "level"
    least_in_ground_m: Annotated[float, Number("Least in the ground", 0.1, 3.0, feet=24 * INCH_M)] = 0.6


class Spot(Part):
    """A place where the rod stood: along the house from A, across from the line A to B, and its reading, m."""

    x_m: float = Field(ge=SPOT_FROM_M, le=SPOT_TO_M)
    y_m: float = Field(ge=SPOT_FROM_M, le=SPOT_TO_M)
    reading_m: RodReading

    @property
    def id(self) -> str:
        """Its place to the centimetre: read again there, it is the same spot."""
        return f"{round(self.x_m * 100)}:{round(self.y_m * 100)}"


class Levels(KeptPart):
    """Rod readings (or depths below a level string) from one set-up, m, in the order they were taken.

    Spots are by their ids. ``closing_m`` is the first peg read once more at the end.
    """

    pegs: Annotated[dict[PegName, RodReading], Each(lambda peg, label: f"Rod at {peg_words(peg)}")] = Field(
        default_factory=dict, max_length=MOST_PEGS
    )
    spots: dict[SpotId, Spot] = Field(default_factory=dict, max_length=MOST_SPOTS)
    closing_m: Annotated[float | None, Number("First peg, read again", 0.0, 20.0)] = None

    @classmethod
    def as_kept_now(cls, data: Mapping[str, Any]) -> Mapping[str, Any]:
        """Spots that were kept as a list, each under its id. Raises: pydantic.ValidationError."""
        spots = data.get("spots", {})
        if not isinstance(spots, list | tuple):
            return data
        read = [Spot.model_validate(spot) for spot in spots]
        return {**data, "spots": {spot.id: spot.model_dump() for spot in read}}

    @model_validator(mode="after")
    def _named_by_place(self) -> "Levels":
        if any(name != spot.id for name, spot in self.spots.items()):
            raise ValueError("A spot does not lie where its name says.")
        return self

    def with_spots(self, spots: Iterable[Spot]) -> "Levels":
        """Levels with spots added; one read where another stands takes its place."""
        kept = dict(self.spots)
        for spot in spots:
            kept.pop(spot.id, None)
            kept[spot.id] = spot
        return self.model_copy(update={"spots": kept})

    def without_spot(self, spot_id: str) -> "Levels":
        """Levels without a spot."""
        return self.model_copy(update={"spots": {name: spot for name, spot in self.spots.items() if name != spot_id}})
