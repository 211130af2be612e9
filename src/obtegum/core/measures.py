"""Every measure of a house: what the rooms declare, what they do in their own way, and the house's name and tape."""

from functools import cache, lru_cache
from typing import Any

from obtegum.core.design import SITE
from obtegum.core.fields import Document, Measure, MeasureState, measure_at, options_of
from obtegum.core.found import Finding
from obtegum.core.job import Job
from obtegum.core.numbers import choice, leaves
from obtegum.core.room import rooms
from obtegum.core.rooms import HouseDesign, SiteRecord
from obtegum.core.work import Work

__all__ = ["EVERYWHERE", "find_measure", "measured", "measures", "shown_at", "state_of"]


def _of_tape(name: str, label: str, **options: str) -> Measure:
    """A choice of the tape's; its steps are whole numbers."""

    def write(document: Document, job: Job, value: Any) -> None:
        document["tape"][name] = int(value) if value.isdecimal() else value

    given = options_of(choice(label, **options))
    return Measure(f"tape.{name}", "choice", label, lambda job: getattr(job.design.tape, name), write, options=given)


def _write_name(document: Document, job: Job, value: Any) -> None:
    document["name"] = value


BASE = (
    Measure("name", "text", "Name", lambda job: job.design.name, _write_name),
    _of_tape("units", "Units", feet="feet", metric="metres"),
    _of_tape("inch_parts", "Read the tape to", _8="1/8 in", _16="1/16 in", _32="1/32 in", _64="1/64 in"),
    _of_tape("mm_step", "Read the tape to", _1="1 mm", _2="2 mm", _5="5 mm", _10="10 mm"),
)
# Measures that are asked for whatever step is shown.
EVERYWHERE = tuple(measure.id for measure in BASE)


@cache
def measures() -> dict[str, Measure]:
    """Every measure that a house always has, by its id."""
    paths = [path for path, _ in leaves(HouseDesign)] + [f"{SITE}.{path}" for path, _ in leaves(SiteRecord)]
    derived = (measure_at(path) for path in paths)
    own = {measure.id: measure for room in rooms() for measure in room.fields}
    # A field of a room's own takes the place of the declared one; some stand for several values at once.
    return {each.id: each for each in (*BASE, *derived) if each is not None} | own


@lru_cache(maxsize=8192)
def find_measure(name: str) -> Measure | None:
    """The measure of an id, those of many like things too: the rod at a peg, a bow's checks, one's own tubes."""
    return measures().get(name) or measure_at(name)


def shown_at(path: str) -> str | None:
    """The measure whose field shows the trouble at a path of the house: its own, or that of what it is part of."""
    while path and find_measure(path) is None:
        path = path.rpartition(".")[0]
    return path or None


@cache
def _alike(name: str) -> tuple[str, ...]:
    """The measures that are found together with one: those that are told by themselves, of the same part."""
    here = measures()
    if name not in here or not here[name].plain:
        return (name,)
    part = name.rpartition(".")[0]
    return tuple(other for other, measure in here.items() if measure.plain and other.rpartition(".")[0] == part)


@cache
def _states(names: tuple[str, ...]) -> Finding[dict[str, MeasureState]]:
    found = [find_measure(name) for name in names]

    def states(work: Work) -> dict[str, MeasureState]:
        job = Job(work.design, work.record)
        return {each.id: each.state(job, work.catalogue) for each in found if each is not None}

    return Finding(states, compared=False)


def state_of(work: Work, name: str) -> MeasureState:
    """A measure of a house as the bench shows it."""
    return _states(_alike(name))(work)[name]


def measured(work: Work) -> list[str]:
    """Every measure of a house by its id; those that come and go with the design too."""
    return list(dict.fromkeys([*measures(), *(name for room in rooms() for name in room.more_fields(work.design))]))
