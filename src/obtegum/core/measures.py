"""Everything on the bench that can be set: how it is read from a job and written into one.

A measure is what a field, a handle on the drawing and a key press have in common. Some measures
are not stored but follow from others (the height of half a circle on legs): writing such a one
changes what it follows from.
"""

import re
from collections.abc import Callable
from dataclasses import dataclass, replace
from functools import lru_cache
from typing import Any, Literal

from obtegum.core.amount import AmountKind
from obtegum.core.bows.sticks import JOINT_NAMES
from obtegum.core.catalogue import Catalogue, Tube
from obtegum.core.design import MOST_OWN, HouseDesign, limit_of
from obtegum.core.job import Job
from obtegum.core.part import Part
from obtegum.core.profile.gothic import plumb_radius
from obtegum.core.quantity import INCH_M, Bare, Tape, Units, length_text, tube_text
from obtegum.core.record import CHECKS, LINES, PEG, Line
from obtegum.core.setout.checkin import planned_lines
from obtegum.core.setout.how import method_label
from obtegum.core.setout.squaring import Method, should_read
from obtegum.core.shapes import SHAPE_LABELS, shape_of
from obtegum.core.ticks import peg_words
from obtegum.core.trouble import DesignError, Trouble
from obtegum.core.work import own_tubes, strung_size, tapes_of, tube_tried, ways_to_square

__all__ = [
    "MEASURES",
    "Measure",
    "MeasureState",
    "Option",
    "find_measure",
    "measure_state",
    "own_tube_measures",
    "path_measure",
]

Document = dict[str, Any]
Kind = Literal["length", "amount", "choice", "text"]
Hint = str | Callable[[Job, Catalogue], str]


class Option(Part):
    """One way to choose, and what it means for this house."""

    id: str
    label: str
    about: str = ""


class MeasureState(Part):
    """A measure as it stands: its reading, its range as sentences, its options.

    A blank one has no reading, but may have the value that it stands for.
    """

    id: str
    label: str
    kind: Kind
    reading: str
    value_m: float | None = None
    least_m: float | None = None
    most_m: float | None = None
    optional: bool = False
    options: tuple[Option, ...] = ()
    hint: str = ""


@dataclass(frozen=True)
class Measure:
    """Where a measure lives in the job's document, and how it is shown.

    What is decided lives in the design; what was measured on site lives under ``record``. An optional
    measure may be left blank; ``blank`` tells what that stands for, where it stands for a value.
    """

    id: str
    path: str
    kind: Kind
    label: str
    read: Callable[[Job], Any]
    write: Callable[[Document, Job, Any], None]
    options: Callable[[Job, Catalogue], tuple[Option, ...]] = lambda job, catalogue: ()
    hint: Hint = ""
    optional: bool = False
    blank: Callable[[Job], float | None] = lambda job: None

    def now(self, job: Job) -> Any:
        """Its value, or what a blank one stands for: where a pull or a key step starts."""
        value = self.read(job)
        return self.blank(job) if value is None else value

    def said(self, job: Job, catalogue: Catalogue) -> str:
        """The hint under the field."""
        return self.hint if isinstance(self.hint, str) else self.hint(job, catalogue)

    @property
    def on_site(self) -> bool:
        """Whether it was measured, not decided."""
        return self.path.startswith("record.")

    @property
    def bare(self) -> Bare:
        """What a number without a unit means here."""
        limit = limit_of(self.path)
        return limit.bare if limit else "long"

    @property
    def amount(self) -> AmountKind:
        limit = limit_of(self.path)
        assert limit is not None and limit.kind != "length"
        return limit.kind


def _put(document: Document, path: str, value: Any) -> None:
    *parents, leaf = path.split(".")
    for name in parents:
        document = document[name]
    document[leaf] = value


def _read_path(path: str) -> Callable[[Job], Any]:
    names = path.split(".")
    names = names if names[0] == "record" else ["design", *names]

    def read(job: Job) -> Any:
        value: Any = job
        for name in names:
            value = getattr(value, name)
        return value

    return read


def _write_path(path: str) -> Callable[[Document, Job, Any], None]:
    return lambda document, job, value: _put(document, path, value)


def _label(path: str) -> str:
    limit = limit_of(path)
    assert limit is not None
    return limit.label


def _number(name: str, path: str, kind: Kind, hint: Hint, optional: bool) -> Measure:
    return Measure(name, path, kind, _label(path), _read_path(path), _write_path(path), hint=hint, optional=optional)


def _length(name: str, path: str, hint: Hint = "", optional: bool = False) -> Measure:
    return _number(name, path, "length", hint, optional)


def _joint_hint(job: Job, catalogue: Catalogue) -> str:
    return "over both ends" if job.design.bows.joint in ("coupler", "sleeve") else "one end into the next"


def _tried(name: str, path: str) -> Measure:
    """A number taped of a trial bend, kept with the former and the tube that it was tried on."""

    def write(document: Document, job: Job, value: Any) -> None:
        _put(document, path, value)
        bending = job.design.bending
        document["record"]["trial"].update(
            former_m=bending.former_m, former_to=bending.former_to, tube=tube_tried(job.design)
        )

    return replace(_length(name, path, optional=True), write=write)


def _shaped(name: str, path: str) -> Measure:
    """A length that only some shapes have; elsewhere it reads as blank and can't be written."""
    leaf = path.rsplit(".", 1)[1]

    def write(document: Document, job: Job, value: Any) -> None:
        if leaf not in document["size"]["shape"]:
            sentence = f"{_label(path)} is no part of this shape."
            raise DesignError([Trouble(path=path, sentence=sentence)])
        document["size"]["shape"][leaf] = value

    def read(job: Job) -> float | None:
        value: float | None = getattr(job.design.size.shape, leaf, None)
        return value

    return Measure(name, path, "length", _label(path), read, write)


def _plumb_radius(job: Job) -> float | None:
    """Radius of gothic arcs that spring plumb from this house's legs, m."""
    size = job.design.size
    return plumb_radius(size.span_m, size.height_m - size.leg_m) if size.shape.kind == "gothic" else None


def _amount(name: str, path: str, hint: Hint = "", optional: bool = False) -> Measure:
    return _number(name, path, "amount", hint, optional)


def _write_height(document: Document, job: Job, height_m: Any) -> None:
    design = job.design
    if design.size.shape.kind != "round_on_legs":
        _put(document, "size.shape.height_m", height_m)
        return
    leg_m = height_m - design.size.span_m / 2
    if leg_m < -1e-9:
        least_m = design.size.span_m / 2
        nearest = length_text(least_m, design.tape, "up")
        sentence = f"Half a circle this wide is {nearest} high at the least. For a lower house choose one flatter arc."
        raise DesignError([Trouble(path="size.shape.height_m", sentence=sentence, nearest_m=least_m, nearest=nearest)])
    _put(document, "size.shape.leg_m", max(leg_m, 0.0))


def _write_shape(document: Document, job: Job, kind: Any) -> None:
    _put(document, "size.shape", shape_of(kind, job.design.size).model_dump())


def _write_figure(document: Document, job: Job, from_left_m: Any) -> None:
    design = job.design
    _put(document, "size.figure.from_left_m", min(max(from_left_m, 0.0), design.size.span_m))


def _choices(**labels: str) -> Callable[[Job, Catalogue], tuple[Option, ...]]:
    options = tuple(Option(id=name.strip("_"), label=label) for name, label in labels.items())
    return lambda job, catalogue: options


def _tubes(job: Job, catalogue: Catalogue) -> tuple[Option, ...]:
    own = tuple(Option(id=tube.id, label=tube.name) for tube in own_tubes(job.design, catalogue))
    another = (Option(id=NEW_TUBE, label="another tube of my own"),) if len(own) < MOST_OWN else ()
    return (*_tube_options(tuple(catalogue.tubes.values()), job.design.tape), *own, *another)


NEW_TUBE = "own:new"
# What one that was not measured yet begins with, m.
NEW_OWN: dict[Units, tuple[float, float]] = {"feet": (1.66 * INCH_M, 0.065 * INCH_M), "metric": (0.042, 0.002)}


def _tube_choice(name: str, path: str, label: str) -> Measure:
    """Which tube; choosing a new one of the grower's own makes one to be measured."""

    def write(document: Document, job: Job, value: Any) -> None:
        if value == NEW_TUBE:
            od_m, wall_m = NEW_OWN[job.design.tape.units]
            document["own_tubes"] = [*document["own_tubes"], {"od_m": od_m, "wall_m": wall_m}]
            value = f"own:{len(document['own_tubes'])}"
        _put(document, path, value)

    return Measure(name, path, "choice", label, _read_path(path), write, _tubes)


def _pipes(job: Job, catalogue: Catalogue) -> tuple[Option, ...]:
    return tuple(Option(id=pipe.id, label=pipe.name) for pipe in catalogue.pipes.values())


@lru_cache(maxsize=64)
def _tube_options(tubes: tuple[Tube, ...], tape: Tape) -> tuple[Option, ...]:
    near_first = sorted(tubes, key=lambda tube: tube.sold_in != tape.units)
    return tuple(
        Option(id=tube.id, label=tube.name, about=f"{tube_text(tube.od_m, tape.units)} outside") for tube in near_first
    )


def _method_about(method: Method, tape: Tape, starts_m: float) -> str:
    """What a way leaves at the far corners and between the diagonals, and what it takes."""
    longest = length_text(max(method.along_m, method.across_m, method.diagonal_m) + starts_m, tape, "up")
    if not method.reaches:
        return f"wants a tape of {longest}"
    corner, diagonals = (length_text(each, tape, "up") for each in (method.skew_m, method.difference_m))
    return f"corner ± {corner}, diagonals ± {diagonals}, {method.people} people, tape to {longest}"


def _methods(job: Job, catalogue: Catalogue) -> tuple[Option, ...]:
    """Every way to square this base with what it leaves at a far corner, best first."""
    tape = job.design.tape
    ways = [
        Option(
            id=each.id,
            label=method_label(each, tape),
            about=_method_about(each, tape, job.design.set_out.starts_m),
        )
        for each in ways_to_square(job.design, catalogue)
    ]
    return (Option(id="best", label=f"the best: {ways[0].label}", about=ways[0].about), *ways)


def _choice(name: str, path: str, label: str, options: Callable[[Job, Catalogue], tuple[Option, ...]]) -> Measure:
    return Measure(name, path, "choice", label, _read_path(path), _write_path(path), options)


def _height_hint(job: Job, catalogue: Catalogue) -> str:
    return "moves the straight leg" if job.design.size.shape.kind == "round_on_legs" else ""


def _planned(line: Line) -> Hint:
    def hint(job: Job, catalogue: Catalogue) -> str:
        planned = planned_lines(*strung_size(job.design, catalogue))
        return should_read(planned[line], tapes_of(job.design), job.design.tape)

    return hint


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
            lambda job: job.design.size.shape.kind,
            _write_shape,
            _choices(**SHAPE_LABELS),
        ),
        _shaped("shoulder", "size.shape.shoulder_m"),
        replace(
            _shaped("arc_radius", "size.shape.radius_m"),
            hint="blank: springs plumb",
            optional=True,
            blank=_plumb_radius,
        ),
        _shaped("lower", "size.shape.lower_m"),
        _shaped("upper", "size.shape.upper_m"),
        _length("leg", "size.shape.leg_m"),
        Measure(
            "height",
            "size.shape.height_m",
            "length",
            _label("size.shape.height_m"),
            lambda job: job.design.size.height_m,
            _write_height,
            hint=_height_hint,
        ),
        _length("figure_height", "size.figure.height_m"),
        Measure(
            "figure_at",
            "size.figure.from_left_m",
            "length",
            _label("size.figure.from_left_m"),
            lambda job: min(job.design.size.figure.from_left_m, job.design.size.span_m),
            _write_figure,
            hint="from the left posts",
        ),
        _length("tape", "set_out.tape_m"),
        _length("second_tape", "set_out.second_tape_m", "blank: only one tape", optional=True),
        _length("error", "set_out.reading_error_m"),
        _length("starts", "set_out.starts_m", "the mark held at the peg; 0 for the tape’s own end"),
        _choice("base", "set_out.base", "Square it on", _choices(long="a long side", short="an end", fence="a fence")),
        _length("fence", "set_out.fence_m"),
        _choice("method", "set_out.method", "How to square it", _methods),
        _choice(
            "to",
            "set_out.to",
            "Strings touch",
            _choices(centres="post centres", posts="outside of posts", bows="outside of bows"),
        ),
        *(_length(f"taped_{line}", f"record.taped.{line}_m", _planned(line), optional=True) for line in LINES),
        _choice("held", "record.taped.held", "Tape was", _choices(level="held level", ground="on the ground")),
        _choice("keep", "keep.school", "Kept by", _choices(pegs="offset pegs", boards="gauge boards")),
        _length("offset", "keep.offset_m"),
        _length("dig", "keep.dig_m", "from the post’s centre"),
        _choice("tool", "level.tool", "Read with", _choices(rod="level and rod", string="level string")),
        _length("rod", "level.rod_m"),
        _length("level_error", "level.reading_error_m"),
        _length("closing", "record.levels.closing_m", optional=True),
        _choice("tops", "level.tops", "Post tops", _choices(level="all level", fall="one fall along the house")),
        _length("least_in_ground", "level.least_in_ground_m"),
        _choice(
            "pad",
            "pad.kind",
            "Ground",
            _choices(as_it_lies="as it lies", regrade="cut and filled", raise_="raised pad"),
        ),
        _length("raise", "pad.raise_m"),
        _length("margin", "pad.margin_m"),
        _amount("slope", "pad.slope", "1 : 1.5 for packed earth"),
        _length("stone", "pad.stone_m"),
        _amount("stone_weighs", "pad.stone_kg_m3"),
        _amount("swell", "pad.swell"),
        _amount("shrink", "pad.shrink"),
        _amount("load", "pad.load_m3", "barrow or bucket, heaped"),
        _amount("load_time", "pad.load_s", "there, back and tipped"),
        _choice("pipe", "drain.pipe", "Drain pipe", _pipes),
        _amount("rain", "drain.rain_m_s", "your own local figure"),
        _length("uphill", "drain.uphill_m", "uphill of the house"),
        _amount("drain_fall", "drain.fall"),
        _length("cover", "drain.cover_m"),
        _length("trench", "drain.trench_m"),
        _length("beyond", "drain.beyond_m"),
        _amount("latitude", "site.latitude", optional=True),
        _amount("longitude", "site.longitude", optional=True),
        _amount("bearing", "site.bearing", "from north, clockwise", optional=True),
        _length("spacing", "bows.max_spacing_m"),
        _choice("bays", "bows.bays", "Bays", _choices(equal="all equal", fixed="fixed, odd one last")),
        _tube_choice("post_tube", "posts.tube", "Post tube"),
        _length("post_length", "posts.length_m"),
        _length("reveal", "posts.reveal_m", hint="stands above the ground"),
        _length("insertion", "bows.insertion_m"),
        _tube_choice("bow_tube", "bows.tube", "Bow tube"),
        _length("stick", "bows.stick_m"),
        _choice("joint_kind", "bows.joint", "Joined by", _choices(**JOINT_NAMES)),
        _length("joint", "bows.joint_m", _joint_hint),
        _choice(
            "making",
            "bows.making",
            "Made",
            _choices(former="on a former", rolls="on rolls", parts="bought bent", elbows="straight, with elbows"),
        ),
        _amount("bundle", "bows.bundle"),
        _choice("along_walls", "inside.along_walls", "Along the walls", _choices(bed="beds", path="paths")),
        _length("bed", "inside.bed_m"),
        _length("path", "inside.path_m", "what is left over widens them"),
        _length("crop", "inside.crop_m"),
        _length("former", "bending.former_m", "the bender’s frame; blank: make one to suit", optional=True),
        _length("crown_former", "bending.crown_former_m", "blank: make one to suit", optional=True),
        _choice("former_to", "bending.former_to", "Taken to", _choices(face="its face", centre="the tube’s centre")),
        _length("reach", "bending.reach_m", "arc length in one pull"),
        _length("tail", "bending.tail_m", "at both ends of a stick"),
        _tried("trial_chord", "record.trial.chord_m"),
        _tried("trial_height", "record.trial.height_m"),
        _choice(
            "trial_face",
            "record.trial.face",
            "Taped on",
            _choices(inside="the inside", outside="the outside", centre="the centre"),
        ),
    )
}
_BY_PATH = {measure.path: measure.id for measure in MEASURES.values()}


_PEG_MEASURE = re.compile(f"level:(?P<peg>{PEG})")
_PEG_PATH = "record.levels.pegs."
_OWN_MEASURE = re.compile(rf"own:(?P<number>[1-{MOST_OWN}]):(?P<what>od|wall|yield)")
_OWN_PATH = re.compile(r"own_tubes\.(?P<place>\d)\.(?P<what>od|wall|yield)_(m|pa)")
_BOW_MEASURE = re.compile(rf"bow:(?P<bow>[1-9]\d{{0,3}}):(?P<check>{'|'.join(CHECKS)})")
_BOW_PATH = re.compile(rf"record\.bows\.(?P<bow>\d+)\.(?P<check>{'|'.join(CHECKS)})_m")


def find_measure(name: str) -> Measure | None:
    """The measure of a name.

    The rod at a peg (``level:L3``), a bow's checks (``bow:3:width``) and own tubes (``own:1:od``) have one too.
    """
    peg, bow, own = _PEG_MEASURE.fullmatch(name), _BOW_MEASURE.fullmatch(name), _OWN_MEASURE.fullmatch(name)
    if own is not None:
        return _own_measure(name, int(own["number"]), own["what"])
    if peg is not None:
        return _peg_measure(name, peg["peg"])
    if bow is not None:
        return _bow_measure(name, bow["bow"], bow["check"])
    return MEASURES.get(name)


def own_tube_measures(design: HouseDesign) -> list[Measure]:
    """What can be told of each of the grower's own tubes."""
    return [
        _own_measure(f"own:{number}:{what}", number, what)
        for number in range(1, len(design.own_tubes) + 1)
        for what in ("od", "wall", "yield")
    ]


def _own_measure(name: str, number: int, what: str) -> Measure:
    leaf = "yield_pa" if what == "yield" else f"{what}_m"
    path = f"own_tubes.{number - 1}.{leaf}"

    def write(document: Document, job: Job, value: Any) -> None:
        if number > len(document["own_tubes"]):
            raise DesignError([Trouble(path=path, sentence=f"There is no tube of your own number {number} here.")])
        document["own_tubes"][number - 1][leaf] = value

    def read(job: Job) -> float | None:
        tubes = job.design.own_tubes
        value: float | None = getattr(tubes[number - 1], leaf) if number <= len(tubes) else None
        return value

    if what == "yield":
        hint = "how strong its steel is; blank: plain mild steel"
        return Measure(name, path, "amount", _label(path), read, write, hint=hint, optional=True)
    return Measure(name, path, "length", _label(path), read, write)


def _peg_measure(name: str, peg: str) -> Measure:
    def write(document: Document, job: Job, value: Any) -> None:
        pegs = document["record"]["levels"]["pegs"]
        if value is None:
            pegs.pop(peg, None)
        else:
            pegs[peg] = value

    def read(job: Job) -> float | None:
        return job.record.levels.pegs.get(peg)

    return Measure(name, f"{_PEG_PATH}{peg}", "length", f"Rod at {peg_words(peg)}", read, write, optional=True)


def _bow_measure(name: str, bow: str, check: str) -> Measure:
    def write(document: Document, job: Job, value: Any) -> None:
        bows = document["record"]["bows"]
        found = {**bows.get(bow, {}), f"{check}_m": value}
        if any(each is not None for each in found.values()):
            bows[bow] = found
        else:
            bows.pop(bow, None)

    def read(job: Job) -> float | None:
        found = job.record.bows.get(bow)
        value: float | None = getattr(found, f"{check}_m") if found else None
        return value

    label = f"Bow {bow}, {_label(f'record.bows.{check}').lower()}"
    return Measure(name, f"record.bows.{bow}.{check}_m", "length", label, read, write, optional=True)


def path_measure(path: str) -> str | None:
    """The measure whose field shows the trouble at a path of the job."""
    if path.startswith(_PEG_PATH):
        return f"level:{path.removeprefix(_PEG_PATH)}"
    own = _OWN_PATH.fullmatch(path)
    if own is not None:
        return f"own:{int(own['place']) + 1}:{own['what']}"
    bow = _BOW_PATH.fullmatch(path)
    if bow is not None:
        return f"bow:{bow['bow']}:{bow['check']}"
    return _BY_PATH.get(path)


def measure_state(measure: Measure, job: Job, catalogue: Catalogue) -> MeasureState:
    """A measure as the bench shows it."""
    value = measure.read(job)
    if measure.kind in ("choice", "text"):
        return MeasureState(
            id=measure.id,
            label=measure.label,
            kind=measure.kind,
            reading=str(value),
            options=measure.options(job, catalogue),
            hint=measure.said(job, catalogue),
        )
    limit = limit_of(measure.path)
    assert limit is not None
    return MeasureState(
        id=measure.id,
        label=measure.label,
        kind=measure.kind,
        reading="" if value is None else limit.text(value, job.design.tape),
        value_m=measure.now(job),
        least_m=limit.least,
        most_m=limit.most,
        hint=measure.said(job, catalogue),
        optional=measure.optional,
    )
