"""What the grower decides: `HouseDesign` and its parts, in metres, with ranges and cross-checks."""

from collections.abc import Iterable, Iterator, Mapping
from typing import Annotated, Any, Literal, NamedTuple

from pydantic import Field, ValidationError, model_validator
from pydantic_core import PydanticCustomError

from obtegum.core.part import Part
from obtegum.core.quantity import Tape, length_text
from obtegum.core.setout.squaring import Base, MethodId
from obtegum.core.trouble import DesignError, Trouble

__all__ = [
    "LIMITS",
    "Bows",
    "Figure",
    "HouseDesign",
    "Limit",
    "Posts",
    "Round",
    "RoundOnLegs",
    "SetOut",
    "Shape",
    "Size",
    "read_design",
    "troubles_of",
]


class Limit(NamedTuple):
    """Name of a length on the bench, and the range that can be planned, m."""

    label: str
    least_m: float
    most_m: float


LIMITS: dict[str, Limit] = {
    "size.span_m": Limit("Width", 1.5, 20.0),
    "size.length_m": Limit("Length", 1.0, 300.0),
    "size.shape.leg_m": Limit("Straight leg", 0.0, 4.0),
    "size.shape.height_m": Limit("Height", 0.5, 14.0),
    "size.figure.height_m": Limit("Grower’s height", 0.5, 2.5),
    "size.figure.from_left_m": Limit("Grower stands at", 0.0, 20.0),
    "set_out.tape_m": Limit("Longest tape", 1.0, 200.0),
    "set_out.reading_error_m": Limit("Reading error", 0.0005, 0.05),
    "posts.length_m": Limit("Post length", 0.2, 4.0),
    "posts.reveal_m": Limit("Post reveal", 0.05, 2.0),
    "bows.insertion_m": Limit("Bow in the post", 0.02, 1.0),
    "bows.max_spacing_m": Limit("Bows no further apart", 0.3, 5.0),
    "bows.stick_m": Limit("Stick length", 1.0, 20.0),
    "bows.joint_m": Limit("Joint overlap", 0.0, 0.6),
}
FLATTEST = 0.05
TALLEST = 1.0


def _length(path: str) -> Any:
    limit = LIMITS[path]
    return Field(ge=limit.least_m, le=limit.most_m, title=limit.label)


class Round(Part):
    """One arc, as flat or tall as wanted, on plumb legs or sprung from the post tops."""

    kind: Literal["round"] = "round"
    leg_m: float = _length("size.shape.leg_m")
    height_m: float = _length("size.shape.height_m")


class RoundOnLegs(Part):
    """Half a circle on plumb legs: leg and arc meet without a kink, so the height follows."""

    kind: Literal["round_on_legs"] = "round_on_legs"
    leg_m: float = _length("size.shape.leg_m")


Shape = Annotated[Round | RoundOnLegs, Field(discriminator="kind")]


class Figure(Part):
    """The grower drawn for scale: height, and where the feet are, from the left posts' line, m."""

    height_m: float = _length("size.figure.height_m")
    from_left_m: float = _length("size.figure.from_left_m")


class Size(Part):
    """Width between post centres, length between the end bows' centres, shape and figure."""

    span_m: float = _length("size.span_m")
    length_m: float = _length("size.length_m")
    shape: Shape
    figure: Figure

    @property
    def leg_m(self) -> float:
        return self.shape.leg_m

    @property
    def height_m(self) -> float:
        """Height of the crown's centre line above the datum, m."""
        return self.shape.height_m if self.shape.kind == "round" else self.shape.leg_m + self.span_m / 2


class SetOut(Part):
    """Tools for setting out, and the way to square the base: on which side, by which method.

    The reading error is one standard error of a tape reading; 3 mm or 1/8 in is usual.
    """

    tape_m: float = _length("set_out.tape_m")
    reading_error_m: float = Field(
        default=0.003,
        ge=LIMITS["set_out.reading_error_m"].least_m,
        le=LIMITS["set_out.reading_error_m"].most_m,
        title="Reading error",
    )
    base: Base = "long"
    method: Literal["best"] | MethodId = "best"


class Posts(Part):
    """Sleeve posts: the tube, its length, and how much stands above the datum, m."""

    tube: str = Field(max_length=60)
    length_m: float = _length("posts.length_m")
    reveal_m: float = _length("posts.reveal_m")


class Bows(Part):
    """Tube, socket, spacing and sticks of the bows, m."""

    tube: str = Field(max_length=60)
    insertion_m: float = _length("bows.insertion_m")
    max_spacing_m: float = _length("bows.max_spacing_m")
    bays: Literal["equal", "fixed"] = "equal"
    stick_m: float = _length("bows.stick_m")
    joint_m: float = _length("bows.joint_m")


class HouseDesign(Part):
    """One house as decided, in metres; lengths are between tube centres."""

    schema_version: Literal[1] = 1
    name: str = Field(min_length=1, max_length=80)
    tape: Tape = Tape()
    size: Size
    set_out: SetOut
    posts: Posts
    bows: Bows

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
        nearest = length_text(nearest_m, tape)
        return Trouble(path=path, sentence=f"{sentence} {nearest}.", nearest_m=nearest_m, nearest=nearest)

    rise = size.height_m - size.leg_m
    if size.shape.kind == "round":
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
    path = ".".join(str(piece) for piece in entry["loc"] if piece not in ("round", "round_on_legs"))
    limit = LIMITS.get(path)
    if limit is None or kind == "missing":
        return [Trouble(path=path, sentence=_plain_sentence(path, kind, entry["msg"]))]
    bound = {"greater_than_equal": "ge", "less_than_equal": "le"}.get(kind)
    if bound is None:
        return [Trouble(path=path, sentence=f"{limit.label} must be a length in metres.")]
    nearest_m = float(context[bound])
    nearest = length_text(nearest_m, tape, "up" if bound == "ge" else "down")
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
        return "A house needs a name of 1 to 80 letters."
    return f"{where}: {message[:1].lower()}{message[1:]}."


def read_design(data: Mapping[str, Any]) -> HouseDesign:
    """Check a design from outside.

    Raises: DesignError with a sentence for each fault.
    """
    try:
        return HouseDesign.model_validate(data)
    except ValidationError as error:
        raise DesignError(troubles_of(error.errors(include_url=False), _tape_in(data))) from None


def _tape_in(data: object) -> Tape:
    try:
        return Tape.model_validate(data.get("tape", {})) if isinstance(data, Mapping) else Tape()
    except ValidationError:
        return Tape()
