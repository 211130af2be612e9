"""Figures of the frame: a house judged in all its weather, and a bow beside a general library on the same model."""

import statistics
import time
from collections.abc import Callable
from typing import Any

import numpy as np
from Pynite import FEModel3D

from obtegum.core.documents.house import HouseDesign, SiteRecord
from obtegum.core.documents.job import Job
from obtegum.core.formulas.frame.balance import second_order
from obtegum.core.formulas.frame.loads import loads_on
from obtegum.core.formulas.frame.solve import Frame, first_order
from obtegum.core.house.bench import begin
from obtegum.core.house.frames.mapped import mapped
from obtegum.core.house.plan import plan_work
from obtegum.core.house.starters import new_house
from obtegum.core.rooms.strength.found import bow_found
from obtegum.core.rooms.strength.model import model_of
from obtegum.core.values.catalogue import default_catalogue

__all__ = ["frame_rows"]

# What was measured, how much of it, its budget, and the unit of both.
Row = tuple[str, float, float, str]
WEATHER = {
    "method": "us",
    "ground_snow_pa": 700.0,
    "wind_mps": 40.0,
    "openness": "country",
    "shelter": "part",
    "use": "plants",
    "heat": "none",
    "film": "on",
    "sides": "free",
}
ROUNDS = 25
# Frames that make a first picture of the map.
SCREEN = 40


def _ms(action: Callable[[], object], rounds: int = ROUNDS) -> float:
    times = []
    for _ in range(rounds + 2):
        start = time.perf_counter()
        action()
        times.append((time.perf_counter() - start) * 1000)
    return statistics.median(times[2:])


def _house(**bows: Any) -> HouseDesign:
    document = new_house("metric").model_dump()
    document["size"]["length_m"] = 30.0
    document["weather"].update(WEATHER)
    document["bows"].update({"tube": "round-60.3", "making": "rolls", **bows})
    document["posts"]["tube"] = "round-76.1"
    return HouseDesign.model_validate(document)


def _library_ms(frame: Frame, loads: np.ndarray) -> float:
    """A second-order analysis of one combination by a general 3D library, ms."""
    model = FEModel3D()
    elastic = float(frame.elastic[0])
    model.add_material("steel", elastic, elastic / 2.6, 0.3, 0.0)
    for element in range(frame.count):
        area, inertia = float(frame.area[element]), float(frame.inertia[element])
        model.add_section(f"S{element}", area, inertia, inertia, 2 * inertia)
    for number, (x, y) in enumerate(frame.nodes):
        model.add_node(f"N{number}", float(x), float(y), 0.0)
        held = number in (0, frame.count)
        model.def_support(f"N{number}", held, held, True, True, True, False)
    for element in range(frame.count):
        name = f"M{element}"
        model.add_member(name, f"N{element}", f"N{element + 1}", "steel", f"S{element}")
        for way, push in zip(("FX", "FY"), loads[element], strict=True):
            model.add_member_dist_load(name, way, float(push), float(push), 0, float(frame.lengths[element]))
    start = time.perf_counter()
    model.analyze_PDelta()
    return (time.perf_counter() - start) * 1000


def _map_rows(house: HouseDesign, record: SiteRecord) -> list[Row]:
    """The map of frames: until a screen of it is there, and all of it; frames that are on it."""
    catalogue, job = default_catalogue(), Job(house, record)
    work, start = begin(house, record, catalogue), time.perf_counter()
    some, whole, on_it = 0.0, 0.0, 0
    for come in mapped(job, catalogue, work):
        now = (time.perf_counter() - start) * 1000
        if come.done >= SCREEN and not some:
            some = now
        whole, on_it = now, come.of
    return [
        (f"the map of {on_it} frames of a 30 m house, until {SCREEN} are there", some, 1000, "ms"),
        (f"the map of {on_it} frames of a 30 m house, all of it", whole, 5000, "ms"),
    ]


def frame_rows() -> list[Row]:
    """Rows of the bench: what, how much, its budget, and the unit."""
    catalogue, record, house = default_catalogue(), SiteRecord(), _house()
    first = begin(house, record, catalogue)
    plan_work(first)
    other = house.model_copy(update={"inside": house.inside.model_copy(update={"crop_m": 1.1})})
    closer = [_house(max_spacing_m=1.2 - 0.01 * place) for place in range(1, ROUNDS + 3)]
    trials = iter(closer)
    judged = bow_found(first)
    assert judged is not None and judged.found is not None
    frame = model_of(first).frame
    # As many combinations as the house has, light enough that each comes to rest.
    cases = np.stack([case.per_area for case in judged.weathered.cases]) * 0.05
    many = loads_on(frame, np.concatenate([cases] * 5))
    own_ms = _ms(lambda: second_order(frame, many, first_order(frame, many))) / len(many.total)
    return [
        (
            "whole plan of a 30 m house in all its weather",
            _ms(lambda: plan_work(begin(house, record, catalogue))),
            60,
            "ms",
        ),
        (
            "the same after a change that can't move the frame",
            _ms(lambda: plan_work(begin(other, record, catalogue, first))),
            10,
            "ms",
        ),
        (
            "a trial of the bows' spacing, strength in it, in the core",
            _ms(lambda: plan_work(begin(next(trials), record, catalogue, first), "strength")),
            60,
            "ms",
        ),
        *_map_rows(house, record),
        (
            "what the house carries, its step planned",
            _ms(lambda: plan_work(begin(house, record, catalogue), "carries"), 5),
            600,
            "ms",
        ),
        (
            "a bow and combination, times faster than a library",
            _library_ms(frame, cases[0]) / own_ms,
            1000,
            "×",
        ),
    ]
