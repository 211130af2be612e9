"""Hands, ropes, room and weather for a sheet that goes over this house."""

import math
from dataclasses import dataclass

from obtegum.core.documents.hoist import CARRIES_KG
from obtegum.core.findings.kept import found
from obtegum.core.findings.work import Work
from obtegum.core.formulas.film import hands_for, held_gust_mps
from obtegum.core.rooms.cover.found import reach_of, rim_m, sheet_m2

__all__ = ["DAY_MPS", "ROPE_M", "Sheet", "comes", "gust_held_mps", "needed", "open_tasks", "sheet_of", "shrinks_m"]

# Rule B2: wind gets under a sheet that is half up so high, m; the gust of its day, m/s, that people are reckoned for.
UNDER_M, DAY_MPS = 1.5, 5.0
# A rope each so far, m; room to walk beside the sheet, m (this bench).
ROPE_M, WALK_M = 6.0, 1.0
# Polyethylene, 1/K (rule B1d); what a summer's day and a winter's night make of it, °C (this bench).
SHRINKS, HOT_C, COOL_C = 1.8e-4, 40.0, -10.0
# Folded to the ridge in folds as wide as an arm reaches, m.
FOLD_M = 1.0
SAME = 1e-9


@dataclass(frozen=True, slots=True)
class Sheet:
    """One piece on its day: its mass, kg, its strip that wind gets under, m²; ropes, how many and how long each, m;
    ties round the bundle; free ground wanted, m, along and across."""

    kg: float
    loose_m2: float
    ropes: int
    rope_m: float
    ties: int
    strip_long_m: float
    strip_wide_m: float


def comes(work: Work) -> bool:
    """Whether there is a film day: how the house is covered is told, and not with rigid sheets."""
    return work.design.cover.made != "ask" and not work.design.sheets.over_roof


@found
def sheet_of(work: Work) -> Sheet:
    """One piece of the sheet as it is brought over."""
    reach, cover = reach_of(work), work.design.cover
    pieces = 2 if cover.pieces == "two" else 1
    long = reach.long_m / pieces
    kg = sheet_m2(work)[1] / pieces
    wide = reach.roll_wide_m or reach.piece_m
    along = work.design.hoist.way == "along"
    # Drawn along the ridge, what wind gets under is its free end, as wide as the sheet.
    loose = (wide if along else long) * UNDER_M
    ropes = 2 if along else math.floor(long / ROPE_M + SAME) + 1
    over = (work.design.size.length_m if along else rim_m(work)) + 2 * 2.0
    strip = (work.design.size.span_m, FOLD_M + 2 * WALK_M) if along else (long, FOLD_M + 2 * WALK_M)
    return Sheet(kg, loose, ropes, over, math.ceil(long / 2.0 - SAME), strip[0], strip[1])


@found
def needed(work: Work) -> int:
    """People, at the least: to carry it, to hold it in the gust that is its limit, and one on each second rope."""
    sheet = sheet_of(work)
    held = hands_for(DAY_MPS, sheet.loose_m2)
    return max(math.ceil(held - SAME), math.ceil(sheet.kg / CARRIES_KG - SAME), math.ceil(sheet.ropes / 2), 2)


def gust_held_mps(work: Work, people: int) -> float:
    """The gust that so many hold it in, m/s; never more than 7."""
    return held_gust_mps(people, sheet_of(work).loose_m2)


def shrinks_m(work: Work, air_c: float) -> tuple[float, float]:
    """Film that is fitted tight at a temperature: how much it is longer over the house on a hot day, and wants to be
    shorter in a cold night, m."""
    over = reach_of(work).over_m
    return SHRINKS * max(HOT_C - air_c, 0.0) * over, SHRINKS * max(air_c - COOL_C, 0.0) * over


def open_tasks(work: Work) -> list[str]:
    """What has to be done before film goes on, as far as this house tells that it isn't yet."""
    design, record = work.design, work.record
    found_ = list[str]()
    if not design.braces.bays:
        found_.append("the frame has no braces")
    elif record.braced.are != "tight":
        found_.append("braces aren’t told to be tight")
    if design.cover.edge == "hip" and design.boards.hip == "none":
        found_.append("there is no hip board")
    if design.cover.made == "apart" and any(end.kind == "open" for end in (design.ends.front, design.ends.back)):
        found_.append("an end is left open that is to be covered")
    if reach_of(work).roll_wide_m is None:
        found_.append("no roll reaches")
    return found_
