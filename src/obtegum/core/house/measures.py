"""Every measure of a house: what the rooms declare, what they do in their own way, and the house's name and tape."""

from collections.abc import Iterable
from functools import cache, lru_cache
from itertools import groupby
from typing import Any

from obtegum.core.documents.house import HouseDesign, SiteRecord
from obtegum.core.documents.job import Job
from obtegum.core.documents.numbers import choice, leaves
from obtegum.core.documents.reading import SITE
from obtegum.core.face.fields import Document, Measure, MeasureState, measure_at, options_of
from obtegum.core.findings.kept import Finding
from obtegum.core.findings.work import Work
from obtegum.core.rooms import rooms

__all__ = ["EVERYWHERE", "find_measure", "measured", "measures", "shown_at", "states_of"]


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


def _together(measures: Iterable[Measure]) -> Finding[dict[str, MeasureState]]:
    """The states of some measures by their ids."""
    found = tuple(measures)

    def states(work: Work) -> dict[str, MeasureState]:
        job = Job(work.design, work.record)
        return {each.id: each.state(job, work.catalogue) for each in found}

    return Finding(states, compared=False)


@cache
def _parts() -> dict[str, Finding[dict[str, MeasureState]]]:
    """What is plain of each part of a house, which is found together."""
    plain = sorted((_part_of(each.id), each.id) for each in measures().values() if each.plain)
    return {
        part: _together(measures()[name] for _, name in names)
        for part, names in groupby(plain, key=lambda each: each[0])
    }


def _part_of(name: str) -> str:
    return name.rpartition(".")[0]


@cache
def _states(name: str) -> Finding[dict[str, MeasureState]]:
    """What tells the state of a measure, among others."""
    measure = find_measure(name)
    assert measure is not None, name
    return _parts()[_part_of(name)] if name in measures() and measure.plain else _together([measure])


def states_of(work: Work, names: Iterable[str]) -> dict[str, MeasureState]:
    """Measures of a house as the bench shows them, by their ids."""
    wanted, told = list(names), dict[str, MeasureState]()
    for finding in dict.fromkeys(map(_states, wanted)):
        told |= finding(work)
    return {name: told[name] for name in wanted}


def measured(work: Work) -> list[str]:
    """Every measure of a house by its id; those that come and go with the design too."""
    return list(dict.fromkeys([*measures(), *(name for room in rooms() for name in room.more_fields(work.design))]))
