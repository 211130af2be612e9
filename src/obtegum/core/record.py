"""What was done and found on site: `SiteRecord`, kept beside the design."""

from collections.abc import Iterable, Mapping
from typing import Annotated, Any, Literal

from pydantic import Field, model_validator

from obtegum.core.part import Part

__all__ = [
    "CHECKS",
    "LINES",
    "MOST_ROUNDS",
    "MOST_SPOTS",
    "PEG",
    "TICK",
    "BowCheck",
    "Levels",
    "Line",
    "SiteRecord",
    "Spot",
    "Taping",
    "TrialBend",
    "spots_by_id",
]

PEG = "([LR])([1-9][0-9]{0,3})"
# A peg or post, by side and bow.
TICK = f"^(peg|post):{PEG}$"
Line = Literal["ab", "dc", "ad", "bc", "ac", "bd"]
# What is measured of a bow on the floor, in the order of measuring.
CHECKS = ("width", "height", "left", "right", "twist")
MOST_SPOTS = 5000
# More than the 1,001 of a house of 300 m with bows 0.3 m apart.
MOST_BOWS = 1200
MOST_ROUNDS = 60
# How far from A a spot may lie, along and across, m.
SPOT_FROM_M, SPOT_TO_M = -500.0, 800.0
LINES: tuple[Line, ...] = ("ab", "dc", "ad", "bc", "ac", "bd")

Tick = Annotated[str, Field(pattern=TICK)]
PegName = Annotated[str, Field(pattern=f"^{PEG}$")]
BowNumber = Annotated[str, Field(pattern="^[1-9][0-9]{0,3}$")]
Reading = Annotated[float, Field(ge=0, le=400)]
SpotId = Annotated[str, Field(pattern="^-?[0-9]{1,5}:-?[0-9]{1,5}$")]
RodReading = Annotated[float, Field(ge=0, le=20)]
Taped = Annotated[float, Field(gt=0, le=400)]


class Taping(Part):
    """One round with the tape between the corners A, B, C, D: what was read, m; None where nothing was.

    ``held`` says whether the tape was held level or lay along the ground; ``starts_m`` at which of its
    marks the tape of an earlier round was held.
    """

    ab_m: Taped | None = None
    dc_m: Taped | None = None
    ad_m: Taped | None = None
    bc_m: Taped | None = None
    ac_m: Taped | None = None
    bd_m: Taped | None = None
    held: Literal["level", "ground"] = "level"
    starts_m: Annotated[float, Field(ge=0, le=0.9)] = 0.0

    def reading_m(self, line: Line) -> float | None:
        """What was read on a line, m, or None."""
        value: float | None = getattr(self, f"{line}_m")
        return value

    @property
    def count(self) -> int:
        """How many of the six lines were taped."""
        return sum(self.reading_m(line) is not None for line in LINES)


class Spot(Part):
    """A place where the rod stood: along the house from A, across from the line A to B, and its reading, m."""

    x_m: float = Field(ge=SPOT_FROM_M, le=SPOT_TO_M)
    y_m: float = Field(ge=SPOT_FROM_M, le=SPOT_TO_M)
    reading_m: RodReading

    @property
    def id(self) -> str:
        """Its place to the centimetre: read again there, it is the same spot."""
        return f"{round(self.x_m * 100)}:{round(self.y_m * 100)}"


def spots_by_id(levels: Mapping[str, Any]) -> dict[str, Any]:
    """Stored levels whose spots are a list, as they were once kept, with each spot under its id."""
    spots = levels.get("spots", {})
    if not isinstance(spots, list | tuple):
        return dict(levels)
    read = [Spot.model_validate(spot) for spot in spots]
    return {**levels, "spots": {spot.id: spot.model_dump() for spot in read}}


class Levels(Part):
    """Rod readings (or depths below a level string) from one set-up, m, in the order they were taken.

    Spots are by their ids. ``closing_m`` is the first peg read once more at the end.
    """

    pegs: dict[PegName, RodReading] = Field(default_factory=dict, max_length=2 * MOST_BOWS)
    spots: dict[SpotId, Spot] = Field(default_factory=dict, max_length=MOST_SPOTS)
    closing_m: RodReading | None = None

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


class TrialBend(Part):
    """A bend that was tried: straight from end to end of its arc, and the arc's middle off that line, m.

    ``former_m`` and ``former_to`` are the former that it was tried on, ``tube`` what was bent: a former that
    is changed afterwards changes nothing about it, and another tube voids it.
    """

    chord_m: Annotated[float, Field(gt=0, le=20)] | None = None
    height_m: Annotated[float, Field(gt=0, le=10)] | None = None
    face: Literal["inside", "outside", "centre"] = "inside"
    former_m: Annotated[float, Field(gt=0, le=60)] | None = None
    former_to: Literal["face", "centre"] = "face"
    tube: Annotated[str, Field(max_length=120)] = ""


class BowCheck(Part):
    """One bow measured on the floor: width and height, height a quarter in from each foot, twist at a foot, m."""

    width_m: Annotated[float, Field(gt=0, le=25)] | None = None
    height_m: Annotated[float, Field(gt=0, le=15)] | None = None
    left_m: Annotated[float, Field(gt=0, le=15)] | None = None
    right_m: Annotated[float, Field(gt=0, le=15)] | None = None
    twist_m: Annotated[float, Field(ge=0, le=2)] | None = None

    @property
    def told(self) -> tuple[str, ...]:
        """Which of the checks were measured."""
        return tuple(name for name in CHECKS if getattr(self, f"{name}_m") is not None)


class SiteRecord(Part):
    """Pegs set and posts driven, each with the running reading it was set at, m; tapings; levels.

    The reading is kept so that a change of the house afterwards shows which ones no longer stand
    where they should. ``taped`` is the round of taping under way, ``earlier`` the ones before it.
    """

    set_at_m: dict[Tick, Reading] = Field(default_factory=dict, max_length=5 * MOST_BOWS)
    taped: Taping = Taping()
    earlier: tuple[Taping, ...] = Field(default=(), max_length=MOST_ROUNDS)
    levels: Levels = Levels()
    trial: TrialBend = TrialBend()
    bows: dict[BowNumber, BowCheck] = Field(default_factory=dict, max_length=MOST_BOWS)

    def with_set(self, part: str, reading_m: float | None) -> "SiteRecord":
        """A record with ``part`` set at a reading, or taken back when that is None."""
        kept = {name: at for name, at in self.set_at_m.items() if name != part}
        return self.model_copy(update={"set_at_m": kept if reading_m is None else {**kept, part: reading_m}})

    def taped_anew(self, starts_m: float) -> "SiteRecord":
        """A record ready for another round with the tape; the one under way joins the earlier ones.

        Args: the mark at which the tape was held, m.
        """
        kept = self.taped.model_copy(update={"starts_m": starts_m})
        earlier = (*self.earlier, kept)[-MOST_ROUNDS:] if self.taped.count else self.earlier
        return self.model_copy(update={"earlier": earlier, "taped": Taping(held=self.taped.held)})
