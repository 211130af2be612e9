"""How posts are set, what joins them to their bows, and what was tried by pulling at some."""

from collections.abc import Iterator
from typing import TYPE_CHECKING, Annotated, Literal

from pydantic import Field

from obtegum.core.documents.numbers import Choice, Decisions, Each, Number, Text, choice, misfit
from obtegum.core.values.base import Part
from obtegum.core.values.quantity import INCH_M
from obtegum.core.values.trouble import Trouble

if TYPE_CHECKING:
    from obtegum.core.documents.house import HouseDesign

__all__ = ["PULL_FIELDS", "Hold", "Poured", "Pulls", "SetAs", "pulled_like"]

SetAs = Literal["driven", "concrete", "plate", "tamped", "gravel", "screw", "trench", "pier", "rail", "knee"]
NAMES = {
    "driven": "driven, ground left whole",
    "concrete": "in a hole of concrete",
    "plate": "on a buried plate",
    "tamped": "in a hole, soil tamped back",
    "gravel": "in a hole, gravel packed in",
    "screw": "on a ground screw",
    "trench": "in a trench, filled back",
    "pier": "in a concrete column that stands out",
    "rail": "through a base rail, as pins",
    "knee": "bolted to a knee wall",
}
MOST_PULLS = 6


class Hold(Decisions):
    """How posts are set in the ground, m, and what joins bow to post."""

    set: Annotated[SetAs, choice("Posts are set", **NAMES)] = "driven"
    corner_set: Annotated[
        Literal["same", "driven", "concrete", "plate", "tamped", "gravel", "screw", "trench", "pier", "rail", "knee"],
        choice("The four at the corners", same="as the others", **NAMES),
    ] = "same"
    brace_set: Annotated[
        Literal["same", "driven", "concrete", "plate", "tamped", "gravel", "screw", "trench", "pier", "rail", "knee"],
        choice("Where a brace stands", same="as the others", **NAMES),
    ] = "same"
    hole_m: Annotated[float, Number("Hole across", 0.08, 1.0, bare="floor", feet=10 * INCH_M)] = 0.25
    trench_m: Annotated[float, Number("Trench across", 0.15, 2.0, bare="floor", feet=16 * INCH_M)] = 0.4
    column_m: Annotated[
        float, Number("Column over the ground", 0.02, 2.0, bare="floor", feet=12 * INCH_M, hint="of the hole’s width")
    ] = 0.3
    wall_m: Annotated[
        float, Number("Knee wall, high", 0.2, 1.8, feet=24 * INCH_M, hint="its timber, from the ground")
    ] = 0.6
    plate_m: Annotated[float, Number("Plate, a side", 0.08, 0.8, bare="floor", feet=8 * INCH_M)] = 0.2
    plate_up_m: Annotated[float, Number("Plate over the post’s end", 0.0, 2.0, bare="floor", feet=2 * INCH_M)] = 0.05
    backfill: Annotated[
        Literal["loose", "tamped"], choice("Filled back", loose="left loose", tamped="tamped every hand’s breadth")
    ] = "loose"
    bag: Annotated[str, Field(max_length=60), Choice("Concrete by the")] = ""
    bags: Annotated[
        int | None, Number("Bags to a hole", 1, 40, "count", hint="blank: what fills it; fewer make a plug")
    ] = None
    cures_c: Annotated[
        float, Number("It cures at", -10.0, 40.0, "temperature", hint="mean of day and night", feet=140 / 9)
    ] = 15.0
    grip: Annotated[
        Literal["smooth", "bar", "clamp"],
        choice(
            "What keeps the tube in it",
            smooth="nothing, it is smooth",
            bar="a bolt or bar through it",
            clamp="a clamp round it",
        ),
    ] = "smooth"
    bolt_m: Annotated[
        float, Number("Bolts of", 0.004, 0.02, bare="fine", hint="outside, also the bar’s", feet=5 * INCH_M / 16)
    ] = 0.008
    strap_n: Annotated[
        float | None, Number("A strap holds", 1.0, 100_000.0, "force", hint="its rating, or half of the lowest test")
    ] = None
    screws: Annotated[int, Number("Screws, bow in post", 0, 8, "count", hint="into both walls")] = 0
    screw: Annotated[
        Literal["8", "10", "12", "14"],
        choice(
            "Screws are",
            **{
                "8": "no. 8, 4.2 mm",
                "10": "no. 10, 4.8 mm",
                "12": "no. 12, 5.5 mm",
                "14": "no. 14, 1/4 in, 6.3 mm",
            },
        ),
    ] = "12"

    def misfits(self, house: "HouseDesign", at: str) -> Iterator[Trouble]:
        """A plate that would lie above the ground; a knee wall higher than the posts that are bolted to it."""
        deep_m = house.posts.length_m - house.posts.reveal_m
        if "plate" in (self.set, self.corner_set, self.brace_set) and self.plate_up_m >= deep_m > 0:
            sentence = "The plate would lie on the grass. It must lie deeper than"
            yield misfit("hold.plate_up_m", sentence, deep_m, house.tape, "down")
        if "knee" in (self.set, self.corner_set, self.brace_set) and self.wall_m > house.posts.length_m:
            sentence = "The posts are shorter than the wall that they are bolted to. They are"
            yield misfit("hold.wall_m", sentence, house.posts.length_m, house.tape, "down")


def pulled_like(house: "HouseDesign", setting: str) -> str:
    """What of a house a pull test hangs on: how posts stand, of which tube, and what is round one that is set so."""
    hold, posts = house.hold, house.posts
    round_it: dict[str, tuple[object, ...]] = {
        "concrete": (hold.hole_m, hold.bag, hold.bags, hold.grip),
        "pier": (hold.hole_m, hold.column_m, hold.grip),
        "plate": (hold.plate_m, hold.plate_up_m, hold.backfill, hold.grip),
        "tamped": (hold.hole_m, hold.backfill),
        "gravel": (hold.hole_m,),
        "trench": (hold.backfill,),
    }
    told = (posts.stand, posts.tube, *round_it.get(setting, ()))
    return " ".join(f"{each:.4f}" if isinstance(each, float) else str(each) for each in told)


Pull = Annotated[float, Number("held", 1.0, 100_000.0, "force", hint="what it held")]
PullName = Annotated[str, Field(pattern=f"^[1-{MOST_PULLS}]$")]


class Pulls(Part):
    """Posts of one kind that were pulled at, N each, up and sideways: how they were set, and how deep, m.

    ``of`` is what they were made like, as `pulled_like` told it when that was chosen: others tell nothing of these.
    """

    set: Annotated[
        Literal["none", "driven", "concrete", "plate", "tamped", "gravel", "screw", "trench", "pier", "rail", "knee"],
        choice("Posts pulled at were", none="none yet", **NAMES),
    ] = "none"
    of: Annotated[str, Field(max_length=120)] = ""
    deep_m: Annotated[float | None, Number("They were in the ground", 0.05, 4.0)] = None
    rig: Annotated[
        Literal["scale", "lever"],
        choice("Forces were read", scale="on a scale or gauge at the post", lever="as a weight on a bar"),
    ] = "scale"
    long_m: Annotated[float | None, Number("Bar, block to the weight", 0.1, 8.0)] = None
    short_m: Annotated[float | None, Number("Bar, block to the post", 0.02, 3.0)] = None
    up: Annotated[dict[PullName, Pull], Each(lambda post, _: f"Up, post {post}")] = Field(default_factory=dict)
    side: Annotated[dict[PullName, Pull], Each(lambda post, _: f"Sideways, post {post}")] = Field(default_factory=dict)

    def held(self, way: Literal["up", "side"]) -> tuple[float, ...]:
        """What each post held that was pulled at in a way, N."""
        told, times = (self.up if way == "up" else self.side), self.times
        return tuple(told[post] * times for post in sorted(told)) if times else ()

    @property
    def times(self) -> float:
        """How many times what was read a bar pulls by: its long arm over its short one; 0 while they aren't told."""
        if self.rig == "scale":
            return 1.0
        return self.long_m / self.short_m if self.long_m and self.short_m else 0.0


class Poured(Part):
    """The day that concrete was poured, as the calendar has it: 2026-05-31; empty before."""

    on: Annotated[str, Text("Poured on", 10, "year-month-day")] = ""


# What is typed of the posts that were pulled at.
PULL_FIELDS = tuple(f"record.pulls.{way}.{post}" for way in ("up", "side") for post in range(1, MOST_PULLS + 1))
