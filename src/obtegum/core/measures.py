"""Everything on the bench that can be set: how it is read from a design and written into one.

A measure is what a field, a handle on the drawing and a key press have in common. Some measures
are not stored but follow from others (the height of half a circle on legs): writing such a one
changes what it follows from.
"""

from collections.abc import Callable, Sequence
from dataclasses import dataclass
from functools import lru_cache
from typing import Any, Literal

from pydantic import Field

from obtegum.core.catalogue import Catalogue, Tube
from obtegum.core.design import LIMITS, HouseDesign, read_design
from obtegum.core.part import Part
from obtegum.core.quantity import LengthError, Stride, Tape, length_text, parse_length
from obtegum.core.record import SiteRecord
from obtegum.core.setout.how import method_label
from obtegum.core.trouble import DesignError, Trouble
from obtegum.core.work import begin

__all__ = [
    "MEASURES",
    "Edit",
    "Measure",
    "MeasureState",
    "Option",
    "apply_edits",
    "edits_in_words",
    "measure_state",
    "path_measure",
]

Document = dict[str, Any]


class Edit(Part):
    """One change to a design: a text as typed, a value as dragged, some key steps, or a choice.

    ``value_m`` snaps to the tape's inch or centimetre, as a hand on the drawing can't be finer.
    """

    measure: str = Field(max_length=40)
    text: str | None = Field(default=None, max_length=200)
    value_m: float | None = None
    steps: int | None = Field(default=None, ge=-10_000, le=10_000)
    stride: Stride = "fraction"


class Option(Part):
    """One way to choose, and what it means for this house."""

    id: str
    label: str
    about: str = ""


class MeasureState(Part):
    """A measure as it stands: its reading, its range as sentences, its options."""

    id: str
    label: str
    kind: Literal["length", "choice", "text"]
    reading: str
    value_m: float | None = None
    least_m: float | None = None
    most_m: float | None = None
    options: tuple[Option, ...] = ()
    hint: str = ""


@dataclass(frozen=True)
class Measure:
    """Where a measure lives in the design document, and how it is shown."""

    id: str
    path: str
    kind: Literal["length", "choice", "text"]
    label: str
    read: Callable[[HouseDesign], Any]
    write: Callable[[Document, HouseDesign, Any], None]
    options: Callable[[HouseDesign, Catalogue], tuple[Option, ...]] = lambda design, catalogue: ()
    hint: Callable[[HouseDesign], str] = lambda design: ""


def _put(document: Document, path: str, value: Any) -> None:
    *parents, leaf = path.split(".")
    for name in parents:
        document = document[name]
    document[leaf] = value


def _read_path(path: str) -> Callable[[HouseDesign], Any]:
    names = path.split(".")

    def read(design: HouseDesign) -> Any:
        value: Any = design
        for name in names:
            value = getattr(value, name)
        return value

    return read


def _write_path(path: str) -> Callable[[Document, HouseDesign, Any], None]:
    return lambda document, design, value: _put(document, path, value)


def _length(name: str, path: str, hint: Callable[[HouseDesign], str] = lambda design: "") -> Measure:
    return Measure(name, path, "length", LIMITS[path].label, _read_path(path), _write_path(path), hint=hint)


def _write_height(document: Document, design: HouseDesign, height_m: Any) -> None:
    if design.size.shape.kind == "round":
        _put(document, "size.shape.height_m", height_m)
        return
    leg_m = height_m - design.size.span_m / 2
    if leg_m < -1e-9:
        least_m = design.size.span_m / 2
        nearest = length_text(least_m, design.tape, "up")
        sentence = f"Half a circle this wide is {nearest} high at the least. For a lower house choose one flatter arc."
        raise DesignError([Trouble(path="size.shape.height_m", sentence=sentence, nearest_m=least_m, nearest=nearest)])
    _put(document, "size.shape.leg_m", max(leg_m, 0.0))


def _write_shape(document: Document, design: HouseDesign, kind: Any) -> None:
    shape: Document = {"kind": kind, "leg_m": design.size.leg_m}
    if kind == "round":
        shape["height_m"] = design.size.height_m
    _put(document, "size.shape", shape)


def _write_figure(document: Document, design: HouseDesign, from_left_m: Any) -> None:
    _put(document, "size.figure.from_left_m", min(max(from_left_m, 0.0), design.size.span_m))


def _choices(**labels: str) -> Callable[[HouseDesign, Catalogue], tuple[Option, ...]]:
    options = tuple(Option(id=name.lstrip("_"), label=label) for name, label in labels.items())
    return lambda design, catalogue: options


def _tubes(design: HouseDesign, catalogue: Catalogue) -> tuple[Option, ...]:
    return _tube_options(tuple(catalogue.tubes.values()), design.tape)


@lru_cache(maxsize=64)
def _tube_options(tubes: tuple[Tube, ...], tape: Tape) -> tuple[Option, ...]:
    near_first = sorted(tubes, key=lambda tube: tube.sold_in != tape.units)
    return tuple(
        Option(id=tube.id, label=tube.name, about=f"{length_text(tube.od_m, tape)} outside") for tube in near_first
    )


def _methods(design: HouseDesign, catalogue: Catalogue) -> tuple[Option, ...]:
    """Every way to square this base with what it leaves at a far corner, best first."""
    work = begin(design, SiteRecord(), catalogue)
    ways = [
        Option(
            id=each.id,
            label=method_label(each, work.tape),
            about=f"± {work.say(each.skew_m, 'up')}" if each.reaches else "tape too short",
        )
        for each in work.methods
    ]
    return (Option(id="best", label=f"the best: {ways[0].label}", about=ways[0].about), *ways)


def _choice(
    name: str, path: str, label: str, options: Callable[[HouseDesign, Catalogue], tuple[Option, ...]]
) -> Measure:
    return Measure(name, path, "choice", label, _read_path(path), _write_path(path), options)


def _height_hint(design: HouseDesign) -> str:
    return "" if design.size.shape.kind == "round" else "moves the straight leg"


MEASURES: dict[str, Measure] = {
    measure.id: measure
    for measure in (
        Measure("name", "name", "text", "Name", _read_path("name"), _write_path("name")),
        _choice("units", "tape.units", "Units", _choices(feet="feet", metric="metres")),
        _choice(
            "inch_parts",
            "tape.inch_parts",
            "Read the tape to",
            _choices(_8="1/8 in", _16="1/16 in", _32="1/32 in", _64="1/64 in"),
        ),
        _choice("mm_step", "tape.mm_step", "Read the tape to", _choices(_1="1 mm", _2="2 mm", _5="5 mm", _10="10 mm")),
        _length("span", "size.span_m"),
        _length("length", "size.length_m"),
        Measure(
            "shape",
            "size.shape.kind",
            "choice",
            "Shape",
            lambda design: design.size.shape.kind,
            _write_shape,
            _choices(round_on_legs="half circle on legs", round="one arc, any height"),
        ),
        _length("leg", "size.shape.leg_m"),
        Measure(
            "height",
            "size.shape.height_m",
            "length",
            LIMITS["size.shape.height_m"].label,
            lambda design: design.size.height_m,
            _write_height,
            hint=_height_hint,
        ),
        _length("figure_height", "size.figure.height_m"),
        Measure(
            "figure_at",
            "size.figure.from_left_m",
            "length",
            LIMITS["size.figure.from_left_m"].label,
            lambda design: min(design.size.figure.from_left_m, design.size.span_m),
            _write_figure,
            hint=lambda design: "from the left posts",
        ),
        _length("tape", "set_out.tape_m"),
        _length("error", "set_out.reading_error_m"),
        _choice("base", "set_out.base", "Square it on", _choices(long="a long side", short="an end")),
        _choice("method", "set_out.method", "How to square it", _methods),
        _length("spacing", "bows.max_spacing_m"),
        _choice("bays", "bows.bays", "Bays", _choices(equal="all equal", fixed="fixed, odd one last")),
        _choice("post_tube", "posts.tube", "Post tube", _tubes),
        _length("post_length", "posts.length_m"),
        _length("reveal", "posts.reveal_m", hint=lambda design: "stands above the ground"),
        _length("insertion", "bows.insertion_m"),
        _choice("bow_tube", "bows.tube", "Bow tube", _tubes),
        _length("stick", "bows.stick_m"),
        _length("joint", "bows.joint_m", hint=lambda design: "swaged end into the next"),
    )
}
_BY_PATH = {measure.path: measure.id for measure in MEASURES.values()}


def path_measure(path: str) -> str | None:
    """The measure whose field shows the trouble at a path of the design."""
    return _BY_PATH.get(path)


def measure_state(measure: Measure, design: HouseDesign, catalogue: Catalogue) -> MeasureState:
    """A measure as the bench shows it."""
    value = measure.read(design)
    if measure.kind != "length":
        return MeasureState(
            id=measure.id,
            label=measure.label,
            kind=measure.kind,
            reading=str(value),
            options=measure.options(design, catalogue),
            hint=measure.hint(design),
        )
    limit = LIMITS[measure.path]
    return MeasureState(
        id=measure.id,
        label=measure.label,
        kind="length",
        reading=length_text(value, design.tape),
        value_m=value,
        least_m=limit.least_m,
        most_m=limit.most_m,
        hint=measure.hint(design),
    )


def _stepped(value_m: float, edit: Edit, design: HouseDesign) -> float:
    """A value moved by key steps, landing on the tape's own marks."""
    steps, fraction = edit.steps or 0, design.tape.step_m
    moved = value_m + steps * design.tape.stride_m(edit.stride)
    return max(round(moved / fraction) * fraction, 0.0)


def _length_value(measure: Measure, edit: Edit, design: HouseDesign) -> float:
    if edit.text is not None:
        try:
            return parse_length(edit.text, design.tape.units)
        except LengthError as error:
            raise DesignError([Trouble(path=measure.path, sentence=str(error))]) from None
    if edit.value_m is not None:
        snap = design.tape.stride_m("small")
        return max(round(edit.value_m / snap) * snap, 0.0)
    if edit.steps is not None:
        return _stepped(float(measure.read(design)), edit, design)
    raise DesignError([Trouble(path=measure.path, sentence="Nothing was given to change it to.")])


def _choice_value(measure: Measure, edit: Edit, design: HouseDesign, catalogue: Catalogue) -> str | int:
    text = (edit.text or "").strip()
    if measure.kind == "text":
        return text
    if text not in {option.id for option in measure.options(design, catalogue)}:
        raise DesignError([Trouble(path=measure.path, sentence=f"“{text}” is not a choice for {measure.label}.")])
    return int(text) if measure.id in ("inch_parts", "mm_step") else text


def _apply(design: HouseDesign, edit: Edit, catalogue: Catalogue) -> HouseDesign:
    measure = MEASURES.get(edit.measure)
    if measure is None:
        raise DesignError([Trouble(path="", sentence=f"There is no “{edit.measure}” to change.")])
    value: Any = (
        _length_value(measure, edit, design)
        if measure.kind == "length"
        else _choice_value(measure, edit, design, catalogue)
    )
    document = design.model_dump()
    measure.write(document, design, value)
    return read_design(document)


def apply_edits(design: HouseDesign, edits: Sequence[Edit], catalogue: Catalogue) -> HouseDesign:
    """A design with changes made in order, checked after each, and able to make a house at the end.

    Raises: DesignError with a sentence for the first change that can't be made.
    """
    for edit in edits:
        design = _apply(design, edit, catalogue)
    begin(design, SiteRecord(), catalogue)
    return design


def edits_in_words(design: HouseDesign, edits: Sequence[Edit], catalogue: Catalogue) -> str:
    """Changes as the history tells them, from the design that they led to: ``Width 22' 6"``."""
    told = {}
    for edit in edits:
        state = measure_state(MEASURES[edit.measure], design, catalogue)
        chosen = next((option.label for option in state.options if option.id == state.reading), state.reading)
        told[state.id] = f"{state.label} {chosen}"
    return ", ".join(told.values())
