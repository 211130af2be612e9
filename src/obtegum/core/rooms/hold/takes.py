"""What each way to set a post takes: hole, spoil, concrete, gravel, timber, bags, hours, carbon, days to cure."""

import math
from collections import Counter
from dataclasses import dataclass, fields

from obtegum.core.findings.kept import found
from obtegum.core.findings.skeleton.bays import bays_of, pegs_of
from obtegum.core.findings.skeleton.levels import stand_of
from obtegum.core.findings.skeleton.posts import boards_of, embedment_m
from obtegum.core.findings.skeleton.settings import SETTINGS, Kind, kind_of, set_of
from obtegum.core.findings.skeleton.tubes import bow_tube, post_tube
from obtegum.core.findings.work import Work
from obtegum.core.formulas.anchor.concrete import CARBON_KG_KG, CONCRETE_KG_M3, STOOD_ON, bags_for, cured_days, room_m3
from obtegum.core.rooms.hold.found import bag_of, counts, plug_top_m
from obtegum.core.rooms.soil.found import hours_times
from obtegum.core.values.amount import HOUR_S
from obtegum.core.values.day import days_later

__all__ = [
    "THICK_M",
    "Dug",
    "Takes",
    "all_take",
    "bows_from",
    "cured_on",
    "cures",
    "dug_m",
    "each_dug",
    "hours_s",
    "proud_m",
    "slide_m",
    "takes_of",
]

# Person-hours (this bench, estimates): a post driven, a hole by hand and a trench for each m³, a bag of 25 kg.
DRIVEN_H, HAND_H_M3, TRENCH_H_M3, BAG_H, BAG_KG, SET_H = 0.2, 6.0, 2.5, 0.15, 25.0, 0.1
# What backfill settles by over its first winter, as a share of its height (this bench).
SETTLES = 0.1
# The same for a stud of a knee wall, and for each m of board on it.
STUD_H, BOARD_H_M = 0.4, 0.15
# Thick and wide of the timber that a knee wall is made of, 38 × 89, and how wide the boards on it are, m.
THICK_M, BOARD_M = 0.038, 0.14


@dataclass(frozen=True, slots=True)
class Takes:
    """What a post of one setting takes: hole, spoil, concrete and gravel, m³, timber, m, bags, hours of one
    person, s, carbon, kg."""

    hole_m3: float
    concrete_m3: float
    gravel_m3: float
    timber_m: float
    bags: int
    hours_s: float
    carbon_kg: float


@dataclass(frozen=True, slots=True)
class Dug:
    """A hole or a driven foot: what stands in it by its name, of which kind, where, m along and across, how deep, m."""

    name: str
    kind: Kind
    at: tuple[float, float]
    deep_m: float


@found
def each_dug(work: Work) -> tuple[Dug, ...]:
    """Everything that goes into the ground, through what was filled up too, which is dug though it holds nothing."""
    stand, many = stand_of(work), counts(work)
    planned_m = max(embedment_m(work), 0.0)
    if work.design.posts.stand == "board":
        begins_m, out_m = -bow_tube(work).od_m / 2, work.design.size.span_m / 2
        return tuple(
            Dug(f"stake:{side}{number}", "row", (begins_m + at_m, sign * out_m), planned_m)
            for side, sign in (("L", -1.0), ("R", 1.0))
            for number, at_m in enumerate(boards_of(work).stakes_m, start=1)
        )
    found_ = list[Dug]()
    for peg in pegs_of(work):
        name, kind = f"{peg.side}{peg.bow}", kind_of(work, peg.side, peg.bow)
        foot = stand.feet.get(name) if stand else None
        deep_m = planned_m if foot is None else max(foot.length_m - foot.reveal_m, 0.0)
        found_.append(Dug(f"post:{name}", kind if many[kind] else "row", (peg.station_m, peg.x_m), deep_m))
    return tuple(found_)


@found
def dug_m(work: Work) -> dict[Kind, tuple[float, ...]]:
    """How deep each post of a kind goes below the ground as it is made, m: through what was filled up too, which is dug
    though it holds nothing."""
    return {kind: tuple(dug.deep_m for dug in each_dug(work) if dug.kind == kind) for kind in counts(work)}


def all_take(work: Work, kind: Kind, setting: str) -> Takes:
    """What all posts of a kind take, set so: each by its own depth."""
    each = Counter(round(deep_m, 4) for deep_m in dug_m(work)[kind])
    takes = [(count, takes_of(work, setting, deep_m)) for deep_m, count in each.items()]
    return Takes(*(sum(count * getattr(one, name.name) for count, one in takes) for name in fields(Takes)))


def takes_of(work: Work, setting: str, deep_m: float | None = None) -> Takes:
    """What one post of a setting takes, so deep in the ground: as planned unless told."""
    deep = max(embedment_m(work), 0.0) if deep_m is None else deep_m
    hold, tube_m, way = work.design.hold, post_tube(work).od_m, SETTINGS[setting]
    across_m = max(hold.hole_m, hold.plate_m * math.sqrt(2)) if setting == "plate" else hold.hole_m
    hole = room_m3(across_m, 0.0, deep) if way.holed else 0.0
    if setting == "trench":
        hole = hold.trench_m * deep * bays_of(work).bay_m
    high_m = hold.column_m if setting == "pier" else -plug_top_m(work, deep)
    concrete = room_m3(hold.hole_m, tube_m, deep + high_m) if way.concreted else 0.0
    bag = bag_of(work)
    told = hold.bags if setting == "concrete" else None
    bags = (told or bags_for(concrete, bag.yield_m3)) if way.concreted else 0
    gravel = room_m3(hold.hole_m, tube_m, deep) if setting == "gravel" else 0.0
    hours = DRIVEN_H if not way.holed else SET_H + hole * (TRENCH_H_M3 if setting == "trench" else HAND_H_M3)
    hours = hours * hours_times(work) + bags * BAG_H * bag.mass_kg / BAG_KG
    timber = 0.0
    if setting == "knee":
        # Nothing goes into the ground but what the wall stands on.
        bay_m = bays_of(work).bay_m
        boards = math.ceil(hold.wall_m / BOARD_M) * bay_m
        timber = 2 * bay_m + hold.wall_m - 2 * THICK_M + boards
        hours = SET_H + STUD_H + BOARD_H_M * boards
    return Takes(hole, concrete, gravel, timber, bags, hours * HOUR_S, concrete * CONCRETE_KG_M3 * CARBON_KG_KG)


def proud_m(work: Work) -> float:
    """How much higher than the grass backfill is left, m: depth·s/(1 − s) of the deepest."""
    deepest_m = max((deep_m for each in dug_m(work).values() for deep_m in each), default=0.0)
    return deepest_m * SETTLES / (1 - SETTLES)


def slide_m(work: Work) -> float:
    """How far a post can still be moved to each side in its hole, m."""
    return max((work.design.hold.hole_m - post_tube(work).over_m) / 2, 0.0)


def hours_s(work: Work) -> float:
    """What setting all of them takes, s of one person."""
    return sum(all_take(work, kind, set_of(work, kind)).hours_s for kind in counts(work))


def cures(work: Work, maturity: float) -> int | None:
    """Days until concrete of this house has come to a maturity, °C·days; None where it freezes."""
    try:
        return cured_days(maturity, work.design.hold.cures_c)
    except ValueError:
        return None


def cured_on(work: Work, maturity: float) -> str:
    """The day on which what was poured has come to a maturity; empty where no such day is told, or it freezes."""
    days, poured = cures(work, maturity), work.record.poured.on
    try:
        return days_later(poured, days) if poured and days is not None else ""
    except ValueError:
        # A file may bring what no field takes.
        return ""


def bows_from(work: Work, setting: str) -> str:
    """The day from which a bow may stand in a post set so; empty where nothing of it cures, or nobody poured."""
    return cured_on(work, STOOD_ON) if SETTINGS[setting].concreted else ""
