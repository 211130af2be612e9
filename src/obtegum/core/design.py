"""What the grower decides: `HouseDesign` and its parts, in metres, with ranges and cross-checks."""

from collections.abc import Iterable, Iterator, Mapping
from typing import Annotated, Any, Literal, NamedTuple

from pydantic import Field, ValidationError, field_validator, model_validator
from pydantic_core import PydanticCustomError

from obtegum.core.amount import AmountKind, amount_text
from obtegum.core.bows.sticks import JointKind
from obtegum.core.part import Part
from obtegum.core.profile import (
    Chain,
    gothic_bow,
    kneed_bow,
    peaked_bow,
    round_bow,
    three_centred_bow,
)
from obtegum.core.quantity import Bare, Rounding, Tape, length_text, tube_text
from obtegum.core.record import LINES
from obtegum.core.setout.squaring import Base, MethodId
from obtegum.core.trouble import DesignError, Trouble

__all__ = [
    "LIMITS",
    "Bending",
    "Bows",
    "Drain",
    "Figure",
    "Gothic",
    "HouseDesign",
    "Inside",
    "Keep",
    "Kneed",
    "Level",
    "Limit",
    "OwnTube",
    "Pad",
    "Peaked",
    "Posts",
    "Round",
    "RoundOnLegs",
    "SetOut",
    "Shape",
    "Site",
    "Size",
    "ThreeCentred",
    "limit_of",
    "read_design",
    "tape_in",
    "troubles_of",
]


class Limit(NamedTuple):
    """Name of a number on the bench, and the range that can be planned, SI."""

    label: str
    least: float
    most: float
    kind: AmountKind | Literal["length"] = "length"
    bare: Bare = "long"

    def text(self, value: float, tape: Tape, rounding: Rounding = "nearest") -> str:
        """A value of this kind in the tape's units."""
        if self.bare == "tube":
            return tube_text(value, tape.units, rounding)
        if self.kind == "length":
            return length_text(value, tape, rounding)
        return amount_text(value, self.kind, tape.units, rounding)


LIMITS: dict[str, Limit] = {
    "size.span_m": Limit("Width", 1.5, 20.0),
    "size.length_m": Limit("Length", 1.0, 300.0),
    "size.shape.leg_m": Limit("Straight leg", 0.0, 4.0),
    "size.shape.height_m": Limit("Height", 0.5, 14.0),
    "size.shape.shoulder_m": Limit("Shoulder radius", 0.0, 60.0),
    "size.shape.radius_m": Limit("Arc radius", 0.3, 200.0),
    "size.shape.lower_m": Limit("Lower piece", 0.1, 20.0),
    "size.shape.upper_m": Limit("Upper piece", 0.1, 20.0),
    "size.figure.height_m": Limit("Grower’s height", 0.5, 2.5),
    "size.figure.from_left_m": Limit("Grower stands at", 0.0, 20.0),
    "set_out.tape_m": Limit("Longest tape", 1.0, 200.0),
    "set_out.second_tape_m": Limit("Second tape", 1.0, 200.0),
    "set_out.reading_error_m": Limit("Reading error", 0.0005, 0.05, bare="fine"),
    "set_out.starts_m": Limit("Tape starts at", 0.0, 0.9),
    "set_out.fence_m": Limit("Fence to line A–B", 0.0, 100.0),
    "posts.length_m": Limit("Post length", 0.2, 4.0),
    "posts.reveal_m": Limit("Post reveal", 0.05, 2.0),
    "bows.insertion_m": Limit("Bow in the post", 0.02, 1.0, bare="fine"),
    "bows.max_spacing_m": Limit("Bows no further apart", 0.3, 5.0),
    "bows.stick_m": Limit("Stick length", 1.0, 20.0),
    "bows.joint_m": Limit("Joint overlap", 0.0, 0.6, bare="fine"),
    "bows.bundle": Limit("Sticks come in bundles of", 1, 500, "count"),
    "inside.bed_m": Limit("Bed width", 0.2, 6.0, bare="floor"),
    "inside.path_m": Limit("Path, at least", 0.1, 4.0, bare="floor"),
    "inside.crop_m": Limit("Crop or trellis", 0.05, 6.0),
    "own_tubes.od_m": Limit("Own tube, outside", 0.01, 0.2, bare="tube"),
    "own_tubes.wall_m": Limit("Own tube, wall", 0.0005, 0.02, bare="tube"),
    "own_tubes.yield_pa": Limit("Own tube’s yield", 100e6, 900e6, "stress"),
    "bending.former_m": Limit("Former’s radius", 0.1, 60.0),
    "bending.crown_former_m": Limit("Crown former’s radius", 0.1, 60.0),
    "bending.reach_m": Limit("Former grips", 0.05, 10.0),
    "bending.tail_m": Limit("Tail left straight", 0.0, 3.0, bare="fine"),
    "record.trial.chord_m": Limit("Trial: end to end", 0.05, 20.0),
    "record.trial.height_m": Limit("Trial: middle, off that", 0.001, 10.0),
    "keep.offset_m": Limit("Offset from the corner", 0.3, 10.0),
    "keep.dig_m": Limit("Digging reaches out", 0.0, 5.0),
    "level.rod_m": Limit("Rod length", 1.0, 10.0),
    "level.reading_error_m": Limit("Level’s error", 0.0005, 0.05, bare="fine"),
    "level.least_in_ground_m": Limit("Least in the ground", 0.1, 3.0),
    "pad.raise_m": Limit("Pad above the highest peg", 0.0, 2.0),
    "pad.margin_m": Limit("Pad beyond the posts", 0.0, 10.0),
    "pad.slope": Limit("Side slopes, rise to run", 0.2, 6.0, "slope"),
    "pad.stone_m": Limit("Stone, how deep", 0.0, 1.0),
    "pad.swell": Limit("Swells when dug", 0.0, 1.0, "share"),
    "pad.shrink": Limit("Shrinks when packed", 0.0, 0.5, "share"),
    "pad.load_m3": Limit("One load", 0.01, 20.0, "load"),
    "pad.load_s": Limit("Time for a load", 6.0, 7200.0, "minutes"),
    "pad.stone_kg_m3": Limit("Stone weighs", 800.0, 2600.0, "density"),
    "drain.fall": Limit("Drain falls", 0.001, 0.2, "share"),
    "drain.cover_m": Limit("Drain starts below ground", 0.05, 3.0),
    "drain.trench_m": Limit("Trench width", 0.1, 2.0, bare="floor"),
    "drain.beyond_m": Limit("Drain runs on past the house", 0.0, 100.0),
    "drain.rain_m_s": Limit("Design rain", 1e-7, 3e-4, "rain"),
    "drain.uphill_m": Limit("Ground that drains in", 0.0, 300.0),
    "site.latitude": Limit("Latitude of corner A", -85.0, 85.0, "latitude"),
    "site.longitude": Limit("Longitude of corner A", -180.0, 180.0, "longitude"),
    "site.bearing": Limit("Bearing, A to B", 0.0, 360.0, "degrees"),
    **{f"record.taped.{line}_m": Limit(f"{line.upper()[0]} to {line.upper()[1]}", 0.01, 400.0) for line in LINES},
    "record.levels.closing_m": Limit("First peg, read again", 0.0, 20.0),
    "record.bows.width": Limit("Width", 0.1, 25.0),
    "record.bows.height": Limit("Height", 0.1, 15.0),
    "record.bows.left": Limit("Quarter in, left", 0.1, 15.0),
    "record.bows.right": Limit("Quarter in, right", 0.1, 15.0),
    "record.bows.twist": Limit("Twist", 0.0, 2.0),
    "record.levels.pegs": Limit("Rod reading", 0.0, 20.0),
}


def limit_of(path: str) -> Limit | None:
    """The limit for a path; all pegs' rod readings share one, and so do the same checks of all bows, and own tubes."""
    if path.startswith("own_tubes."):
        return LIMITS.get(f"own_tubes.{path.rsplit('.', 1)[1]}")
    if path.startswith("record.levels.pegs."):
        return LIMITS["record.levels.pegs"]
    if path.startswith("record.bows.") and path.endswith("_m"):
        return LIMITS.get(f"record.bows.{path.rsplit('.', 1)[1].removesuffix('_m')}")
    return LIMITS.get(path)


# Letters that count as printable and yet show nothing.
BLANK_LETTERS = "\u115f\u1160\u2800\u3164\uffa0"
FLATTEST = 0.05
TALLEST = 1.0


def _number(path: str, **default: Any) -> Any:
    limit = LIMITS[path]
    return Field(ge=limit.least, le=limit.most, title=limit.label, **default)


class _Shape(Part):
    """What every shape has: plumb legs, the height of its crown over a span, and its centre line there."""

    leg_m: float = _number("size.shape.leg_m")

    def crown_m(self, span_m: float) -> float:
        """Height of the crown over a span, m."""
        raise NotImplementedError

    def chain(self, span_m: float) -> Chain:
        """Centre line over a span. Raises: ProfileError when there is none."""
        raise NotImplementedError


class _Crowned(_Shape):
    """A shape whose height is its own, whatever its width."""

    height_m: float = _number("size.shape.height_m")

    def crown_m(self, span_m: float) -> float:
        return self.height_m


class Round(_Crowned):
    """One arc, as flat or tall as wanted, on plumb legs or sprung from the post tops."""

    kind: Literal["round"] = "round"

    def chain(self, span_m: float) -> Chain:
        return round_bow(span_m, self.leg_m, self.height_m)


class RoundOnLegs(_Shape):
    """Half a circle on plumb legs: leg and arc meet without a kink, so the height follows."""

    kind: Literal["round_on_legs"] = "round_on_legs"

    def crown_m(self, span_m: float) -> float:
        return self.leg_m + span_m / 2

    def chain(self, span_m: float) -> Chain:
        return round_bow(span_m, self.leg_m, self.crown_m(span_m))


class ThreeCentred(_Crowned):
    """Bent shoulders on plumb legs with a crown of another radius between them, all tangent."""

    kind: Literal["three_centred"] = "three_centred"
    shoulder_m: float = _number("size.shape.shoulder_m")

    def chain(self, span_m: float) -> Chain:
        return three_centred_bow(span_m, self.leg_m, self.height_m, self.shoulder_m)


class Gothic(_Crowned):
    """Two equal arcs to a ridge; without a radius of their own they spring plumb from the legs."""

    kind: Literal["gothic"] = "gothic"
    radius_m: float | None = _number("size.shape.radius_m", default=None)

    def chain(self, span_m: float) -> Chain:
        return gothic_bow(span_m, self.leg_m, self.height_m, self.radius_m)


class Peaked(_Crowned):
    """Straight rafters to a ridge from bent shoulders on plumb legs."""

    kind: Literal["peaked"] = "peaked"
    shoulder_m: float = _number("size.shape.shoulder_m")

    def chain(self, span_m: float) -> Chain:
        return peaked_bow(span_m, self.leg_m, self.height_m, self.shoulder_m)


class Kneed(_Crowned):
    """Each half two straight pieces with an elbow between them; the elbow's turn follows."""

    kind: Literal["kneed"] = "kneed"
    lower_m: float = _number("size.shape.lower_m")
    upper_m: float = _number("size.shape.upper_m")

    def chain(self, span_m: float) -> Chain:
        return kneed_bow(span_m, self.leg_m, self.height_m, self.lower_m, self.upper_m)


Shape = Annotated[Round | RoundOnLegs | ThreeCentred | Gothic | Peaked | Kneed, Field(discriminator="kind")]
SHAPES = ("round", "round_on_legs", "three_centred", "gothic", "peaked", "kneed")


class Figure(Part):
    """The grower drawn for scale: height, and where the feet are, from the left posts' line, m."""

    height_m: float = _number("size.figure.height_m")
    from_left_m: float = _number("size.figure.from_left_m")


class Size(Part):
    """Width between post centres, length between the end bows' centres, shape and figure."""

    span_m: float = _number("size.span_m")
    length_m: float = _number("size.length_m")
    shape: Shape
    figure: Figure

    @property
    def leg_m(self) -> float:
        return self.shape.leg_m

    @property
    def height_m(self) -> float:
        """Height of the crown's centre line above the datum, m."""
        return self.shape.crown_m(self.span_m)


class SetOut(Part):
    """Tools for setting out, and the way to square the base: on which side, by which method.

    The reading error is one standard error of a tape reading; 3 mm or 1/8 in is usual. ``to`` says
    what the strings touch: post centres, or the outside of posts or bows. ``fence_m`` is how far the
    line A to B lies from a fence that it is set from. ``starts_m`` is the mark at which the tape is held:
    one mark in, or wrapped round a post, it reads that much more than it measures.
    """

    tape_m: float = _number("set_out.tape_m")
    second_tape_m: float | None = _number("set_out.second_tape_m", default=None)
    reading_error_m: float = _number("set_out.reading_error_m", default=0.003)
    starts_m: float = _number("set_out.starts_m", default=0.0)
    base: Base = "long"
    fence_m: float = _number("set_out.fence_m", default=1.5)
    method: Literal["best"] | MethodId = "best"
    to: Literal["centres", "posts", "bows"] = "centres"


class Posts(Part):
    """Sleeve posts: the tube, its length, and how much stands above the datum, m."""

    tube: str = Field(max_length=60)
    length_m: float = _number("posts.length_m")
    reveal_m: float = _number("posts.reveal_m")


class Bows(Part):
    """Tube, socket, spacing and sticks of the bows, m."""

    tube: str = Field(max_length=60)
    insertion_m: float = _number("bows.insertion_m")
    max_spacing_m: float = _number("bows.max_spacing_m")
    bays: Literal["equal", "fixed"] = "equal"
    stick_m: float = _number("bows.stick_m")
    joint_m: float = _number("bows.joint_m")
    joint: JointKind = "swaged"
    bundle: int = _number("bows.bundle", default=1)
    making: Literal["former", "rolls", "parts", "elbows"] = "former"


class Bending(Part):
    """The former: its radius, to its face or to the tube's centre on it, its arc length, the tails it can't grip.

    A bow of two radii is bent on two formers: ``former_m`` is the shoulder's then, ``crown_former_m`` the crown's.
    """

    former_m: float | None = _number("bending.former_m", default=None)
    crown_former_m: float | None = _number("bending.crown_former_m", default=None)
    former_to: Literal["face", "centre"] = "face"
    reach_m: float = _number("bending.reach_m", default=0.6)
    tail_m: float = _number("bending.tail_m", default=0.3)


class Inside(Part):
    """Beds and paths across the floor, and the height of crop or trellis, m."""

    along_walls: Literal["bed", "path"] = "bed"
    bed_m: float = _number("inside.bed_m", default=0.6)
    path_m: float = _number("inside.path_m", default=0.4)
    crop_m: float = _number("inside.crop_m", default=0.6)


# Tubes of their own that a house can have.
MOST_OWN = 8


class OwnTube(Part):
    """A tube that is not in the catalogue: outside diameter and wall, m, and its yield, Pa, if a paper tells it."""

    od_m: float = _number("own_tubes.od_m")
    wall_m: float = _number("own_tubes.wall_m")
    yield_pa: float | None = _number("own_tubes.yield_pa", default=None)


class Keep(Part):
    """How the pegs are found again once digging has taken them: offset pegs or gauge boards."""

    school: Literal["pegs", "boards"] = "pegs"
    offset_m: float = _number("keep.offset_m", default=1.0)
    dig_m: float = _number("keep.dig_m", default=0.3)


class Level(Part):
    """Rod and level, what the post tops do along the house, and the least embedment, m."""

    tool: Literal["rod", "string"] = "rod"
    rod_m: float = _number("level.rod_m", default=4.0)
    reading_error_m: float = _number("level.reading_error_m", default=0.003)
    tops: Literal["level", "fall"] = "level"
    least_in_ground_m: float = _number("level.least_in_ground_m", default=0.6)


class Pad(Part):
    """What is done to the ground, and what moving it takes.

    ``slope`` is how far its sides run out for a rise of one. ``swell`` and ``shrink`` are shares of the volume
    as it lay: dug and loose, packed in place.
    """

    kind: Literal["as_it_lies", "regrade", "raise"] = "as_it_lies"
    raise_m: float = _number("pad.raise_m", default=0.0)
    margin_m: float = _number("pad.margin_m", default=0.6)
    slope: float = _number("pad.slope", default=1.5)
    stone_m: float = _number("pad.stone_m", default=0.0)
    stone_kg_m3: float = _number("pad.stone_kg_m3", default=1600.0)
    swell: float = _number("pad.swell", default=0.25)
    shrink: float = _number("pad.shrink", default=0.10)
    load_m3: float = _number("pad.load_m3", default=0.085)
    load_s: float = _number("pad.load_s", default=300.0)


class Drain(Part):
    """The drain on the uphill side, and the rain that it is to carry off."""

    pipe: str = Field(default="corrugated-100", max_length=60)
    fall: float = _number("drain.fall", default=0.01)
    cover_m: float = _number("drain.cover_m", default=0.3)
    trench_m: float = _number("drain.trench_m", default=0.25)
    beyond_m: float = _number("drain.beyond_m", default=3.0)
    rain_m_s: float = _number("drain.rain_m_s", default=0.05 / 3600)
    uphill_m: float = _number("drain.uphill_m", default=0.0)


class Site(Part):
    """Where corner A is on the globe, degrees (WGS 84), and which way A to B runs from north, clockwise."""

    latitude: float | None = _number("site.latitude", default=None)
    longitude: float | None = _number("site.longitude", default=None)
    bearing: float | None = _number("site.bearing", default=None)


class HouseDesign(Part):
    """One house as decided, in metres; lengths are between tube centres."""

    schema_version: Literal[1] = 1
    name: str = Field(min_length=1, max_length=80)
    tape: Tape = Tape()
    size: Size
    set_out: SetOut
    posts: Posts
    bows: Bows
    own_tubes: tuple[OwnTube, ...] = Field(default=(), max_length=MOST_OWN)
    inside: Inside = Inside()
    bending: Bending = Bending()
    keep: Keep = Keep()
    level: Level = Level()
    pad: Pad = Pad()
    drain: Drain = Drain()
    site: Site = Site()

    @field_validator("name")
    @classmethod
    def _seen(cls, name: str) -> str:
        if not any(letter.isprintable() and not letter.isspace() and letter not in BLANK_LETTERS for letter in name):
            raise PydanticCustomError("unseen", "a name that can't be seen")
        return name

    @model_validator(mode="after")
    def _cross_checks(self) -> "HouseDesign":
        found = list(_disagreements(self))
        if found:
            raise PydanticCustomError("house", "the parts of the house don't fit", {"troubles": found})
        return self


def _disagreements(design: HouseDesign) -> Iterator[Trouble]:
    """Values that are each in range but can't stand together."""
    size, tape = design.size, design.tape

    def say(path: str, sentence: str, nearest_m: float) -> Trouble:
        nearest, reason = length_text(nearest_m, tape), sentence.rpartition(". ")[0]
        return Trouble(
            path=path, sentence=f"{sentence} {nearest}.", reason=f"{reason}.", nearest_m=nearest_m, nearest=nearest
        )

    rise = size.height_m - size.leg_m
    if size.shape.kind != "round_on_legs":
        if rise <= 0:
            yield say(
                "size.shape.height_m",
                "The crown must stand above the straight legs. The least height here is",
                size.leg_m + FLATTEST * size.span_m,
            )
        elif rise < FLATTEST * size.span_m - 1e-9:
            yield say(
                "size.shape.height_m",
                "So flat an arc would hold water and snow. The least height at this width is",
                size.leg_m + FLATTEST * size.span_m,
            )
        elif rise > TALLEST * size.span_m + 1e-9:
            yield say(
                "size.shape.height_m",
                "An arc can't usefully rise more than its own width. The most height here is",
                size.leg_m + TALLEST * size.span_m,
            )
    for place, own in enumerate(design.own_tubes):
        if own.wall_m > own.od_m / 2 - 1e-9:
            path = f"own_tubes.{place}.wall_m"
            yield say(path, "The wall can’t be thicker than half the tube. The most is", own.od_m / 2)
    if design.bows.max_spacing_m > size.length_m + 1e-9:
        yield say(
            "bows.max_spacing_m",
            "That is further apart than the house is long. The most is",
            size.length_m,
        )
    if design.posts.reveal_m >= design.posts.length_m:
        yield say(
            "posts.reveal_m",
            "That leaves nothing of the post in the ground. The post is only",
            design.posts.length_m,
        )
    if design.bows.insertion_m > design.posts.length_m:
        yield say(
            "bows.insertion_m",
            "The bow would come out at the bottom of its post. The most is",
            design.posts.length_m,
        )
    if design.bows.joint_m > design.bows.stick_m / 2:
        yield say(
            "bows.joint_m",
            "The overlap would eat more than half of each stick. The most is",
            design.bows.stick_m / 2,
        )


def troubles_of(entries: Iterable[Mapping[str, Any]], tape: Tape) -> list[Trouble]:
    """Turn Pydantic's findings (as its ``errors()`` lists them) into sentences, in the tape's units."""
    return [trouble for entry in entries for trouble in _troubles(entry, tape)]


def _troubles(entry: Mapping[str, Any], tape: Tape) -> list[Trouble]:
    kind, context = entry["type"], entry.get("ctx", {})
    if kind == "house":
        found: list[Trouble] = context["troubles"]
        return found
    path = ".".join(str(piece) for piece in entry["loc"] if piece not in SHAPES)
    limit = limit_of(path)
    if limit is None or kind == "missing":
        return [Trouble(path=path, sentence=_plain_sentence(path, kind, entry["msg"]))]
    bound = {"greater_than_equal": "ge", "greater_than": "ge", "less_than_equal": "le"}.get(kind)
    if bound is None:
        what = "a length in metres" if limit.kind == "length" else "a number"
        return [Trouble(path=path, sentence=f"{limit.label} must be {what}.")]
    nearest_m = limit.least if bound == "ge" else limit.most
    nearest = limit.text(nearest_m, tape, "up" if bound == "ge" else "down")
    if bound == "le":
        sentence = f"{limit.label} can be {nearest} at the most."
    elif entry["input"] <= 0 < nearest_m:
        sentence = f"{limit.label} must be more than nothing: {nearest} at the least."
    else:
        sentence = f"{limit.label} must be {nearest} at the least."
    return [Trouble(path=path, sentence=sentence, nearest_m=nearest_m, nearest=nearest)]


def _plain_sentence(path: str, kind: str, message: str) -> str:
    where = path or "The house"
    if kind == "missing":
        return f"{where} is missing."
    if kind == "extra_forbidden":
        return f"{where} is not part of a house."
    if path == "name":
        return "A house needs a name of 1 to 80 letters that can be seen."
    return f"{where}: {message[:1].lower()}{message[1:]}."


def read_design(data: Mapping[str, Any]) -> HouseDesign:
    """Check a design from outside.

    Raises: DesignError with a sentence for each fault.
    """
    try:
        return HouseDesign.model_validate(data)
    except ValidationError as error:
        raise DesignError(troubles_of(error.errors(include_url=False), tape_in(data))) from None


def tape_in(data: object) -> Tape:
    """The tape of a design from outside; the usual one where it has none that can be read."""
    try:
        return Tape.model_validate(data.get("tape", {})) if isinstance(data, Mapping) else Tape()
    except ValidationError:
        return Tape()
