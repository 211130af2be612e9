"""Choosing a tube: one of the catalogue, the nearest first, one of the grower's own, or a new one of these."""

from collections.abc import Callable
from functools import partial
from typing import Any

from obtegum.core.documents.bows import MOST_OWN
from obtegum.core.documents.job import Job
from obtegum.core.documents.numbers import Number
from obtegum.core.face.fields import Document, Measure, Option, put, special
from obtegum.core.findings.skeleton.tubes import find_tube, own_tubes
from obtegum.core.values.catalogue import Catalogue, Tube, default_catalogue
from obtegum.core.values.quantity import INCH_M, Units, tube_text
from obtegum.core.values.trouble import DesignError, Trouble

__all__ = ["tube_choice", "tube_outside"]

NEW_TUBE = "own:new"
# What one that was not measured yet begins with, m.
NEW_OWN: dict[Units, tuple[float, float]] = {"feet": (1.66 * INCH_M, 0.065 * INCH_M), "metric": (0.042, 0.002)}


def _bars(path: str, job: Job) -> bool:
    """Whether a part can be a solid bar: posts that stand inside the bow, or stakes."""
    return path == "posts.tube" and job.design.posts.stand in ("stub", "board")


def _tubes(path: str, job: Job, catalogue: Catalogue) -> tuple[Option, ...]:
    now, bars, units = _named(job, path), _bars(path, job), job.design.tape.units
    tubes = tuple(
        Option(id=tube.id, label=tube.name, about=tube.measures[units])
        for tube in catalogue.near_first[units].tubes
        if bars or tube.form == "tube" or tube.id == now
    )
    own = tuple(Option(id=tube.id, label=tube.name) for tube in own_tubes(job.design, catalogue))
    another = (Option(id=NEW_TUBE, label="another tube of my own"),) if len(own) < MOST_OWN else ()
    return (*tubes, *own, *another)


def tube_choice(path: str, named: Callable[[Job], str] | None = None) -> Measure:
    """Which tube; choosing a new one of the grower's own makes one to be measured."""

    def write(document: Document, job: Job, value: Any) -> None:
        if value == NEW_TUBE:
            od_m, wall_m = NEW_OWN[job.design.tape.units]
            document["own_tubes"] = [*document["own_tubes"], {"od_m": od_m, "wall_m": wall_m}]
            value = f"own:{len(document['own_tubes'])}"
        put(document, path, value)

    return special(path, write=write, options=partial(_tubes, path), named=named)


# How far a tube may be off what a tape or a caliper said of it, m.
NEAR_M = 0.0008
OUTSIDE = Number("Outside, by the tape", 0.01, 0.2, bare="tube")


def tube_outside(path: str) -> Measure:
    """What a tape says of the tube: writing it takes the tube of the catalogue that measures so, or makes one's own."""
    name = f"{path}_od"

    def tube_of(job: Job, catalogue: Catalogue) -> Tube | None:
        return find_tube(job.design, catalogue, _named(job, path))

    def read(job: Job) -> float | None:
        tube = tube_of(job, default_catalogue())
        return tube.od_m if tube else None

    def write(document: Document, job: Job, od_m: Any) -> None:
        tubes, now = default_catalogue().tubes.values(), tube_of(job, default_catalogue())
        # A tape can't tell what a tube is made of: plastic stays plastic, and steel steel.
        stuff = "steel" if now is None else now.material
        alike = [tube for tube in tubes if tube.material == stuff and (tube.form == "tube" or _bars(path, job))]
        near = [tube for tube in alike if min(abs(tube.od_m - od_m), abs(tube.over_m - od_m)) <= NEAR_M]
        if near:
            # Of those that measure alike the one most like the tube that it takes the place of.
            best = min(
                near,
                key=lambda tube: (
                    now is not None and tube.elastic_pa != now.elastic_pa,
                    tube.sold_in != job.design.tape.units,
                    round(abs(tube.od_m - od_m), 4),
                    abs(tube.wall_m - now.wall_m) if now else 0.0,
                ),
            )
            put(document, path, best.id)
            return
        if stuff != "steel":
            # One's own tube is taken for steel, which this would make stronger than it is.
            best = min(alike, key=lambda tube: abs(tube.od_m - od_m))
            nearest = tube_text(best.od_m, job.design.tape.units)
            sentence = f"No {stuff} pipe here measures that. The nearest is {nearest}: {best.name}."
            raise DesignError([Trouble(path=name, sentence=sentence, nearest_m=best.od_m, nearest=nearest)])
        if len(document["own_tubes"]) >= MOST_OWN:
            sentence = f"No tube of the catalogue measures that, and {MOST_OWN} of one's own are the most."
            raise DesignError([Trouble(path=name, sentence=sentence)])
        _, wall_m = NEW_OWN[job.design.tape.units]
        document["own_tubes"] = [*document["own_tubes"], {"od_m": od_m, "wall_m": min(wall_m, od_m / 4)}]
        put(document, path, f"own:{len(document['own_tubes'])}")

    def hint(job: Job, catalogue: Catalogue) -> str:
        tube = tube_of(job, catalogue)
        if tube is None:
            return ""
        alike = [
            each.name
            for each in catalogue.tubes.values()
            if each.id != tube.id and abs(each.od_m - tube.od_m) <= NEAR_M and each.sold_in == job.design.tape.units
        ]
        return f"so do: {', '.join(alike)}" if alike else "another finds what measures so"

    return Measure(name, "length", OUTSIDE.label, read, write, number=OUTSIDE, hint=hint)


def _named(job: Job, path: str) -> str:
    part, _, leaf = path.partition(".")
    found: str = getattr(getattr(job.design, part), leaf)
    return found
