"""Choosing a tube: one of the catalogue, the nearest first, one of the grower's own, or a new one of these."""

from functools import lru_cache
from typing import Any

from obtegum.core.catalogue import Catalogue, Tube
from obtegum.core.fields import Document, Measure, Option, put, special
from obtegum.core.job import Job
from obtegum.core.quantity import INCH_M, Tape, Units, tube_text
from obtegum.core.rooms.bows.decisions import MOST_OWN
from obtegum.core.rooms.bows.tubes import own_tubes

__all__ = ["tube_choice"]

NEW_TUBE = "own:new"
# What one that was not measured yet begins with, m.
NEW_OWN: dict[Units, tuple[float, float]] = {"feet": (1.66 * INCH_M, 0.065 * INCH_M), "metric": (0.042, 0.002)}


@lru_cache(maxsize=64)
def _tube_options(tubes: tuple[Tube, ...], tape: Tape) -> tuple[Option, ...]:
    near_first = sorted(tubes, key=lambda tube: tube.sold_in != tape.units)
    return tuple(
        Option(id=tube.id, label=tube.name, about=f"{tube_text(tube.od_m, tape.units)} outside") for tube in near_first
    )


def _tubes(job: Job, catalogue: Catalogue) -> tuple[Option, ...]:
    own = tuple(Option(id=tube.id, label=tube.name) for tube in own_tubes(job.design, catalogue))
    another = (Option(id=NEW_TUBE, label="another tube of my own"),) if len(own) < MOST_OWN else ()
    return (*_tube_options(tuple(catalogue.tubes.values()), job.design.tape), *own, *another)


def tube_choice(path: str) -> Measure:
    """Which tube; choosing a new one of the grower's own makes one to be measured."""

    def write(document: Document, job: Job, value: Any) -> None:
        if value == NEW_TUBE:
            od_m, wall_m = NEW_OWN[job.design.tape.units]
            document["own_tubes"] = [*document["own_tubes"], {"od_m": od_m, "wall_m": wall_m}]
            value = f"own:{len(document['own_tubes'])}"
        put(document, path, value)

    return special(path, write=write, options=_tubes)
