"""Houses to begin from: a new one in either unit, and the three of the made-up demo farm."""

import math
from typing import Any

from obtegum.core.documents.check_bows import BowCheck
from obtegum.core.documents.house import HouseDesign, SiteRecord
from obtegum.core.documents.level import Levels
from obtegum.core.documents.numbers import begin_in
from obtegum.core.documents.reading import read_design
from obtegum.core.documents.square_up import Taping
from obtegum.core.findings.skeleton.ticks import design_bays
from obtegum.core.values.quantity import FOOT_M, INCH_M, Units

__all__ = ["demo_houses", "made_up_ground", "new_house"]


def _house(name: str, units: Units, size: dict[str, Any], **parts: Any) -> HouseDesign:
    """A house whose parts begin as their own declarations say, but for those that are given whole."""
    usual = begin_in(HouseDesign, units)
    tapes = {**usual["set_out"], **parts.pop("set_out", {})}
    return read_design({**usual, "name": name, "tape": {"units": units}, "size": size, "set_out": tapes, **parts})


# What a new house has besides what its parts begin with: a shape, and tubes that are sold in its units.
LEGS_M: dict[Units, float] = {"feet": 3 * FOOT_M, "metric": 0.9}
TUBES: dict[Units, dict[str, str]] = {
    "feet": {"posts": "post-1-5-8", "bows": "rail-1-3-8"},
    "metric": {"posts": "round-48.3", "bows": "round-42.4"},
}


def new_house(units: Units) -> HouseDesign:
    """A modest half circle on legs to change from, in the units asked for."""
    usual = begin_in(HouseDesign, units)
    tubes = {part: {**usual[part], "tube": tube} for part, tube in TUBES[units].items()}
    size = {**usual["size"], "shape": {"kind": "round_on_legs", "leg_m": LEGS_M[units]}}
    return _house("New house", units, size, **tubes)


def demo_houses() -> list[tuple[HouseDesign, SiteRecord]]:
    """Three made-up houses at different stages of the work."""
    return [_terrace(), _dune(), _kitchen()]


def _terrace() -> tuple[HouseDesign, SiteRecord]:
    snow = _house(
        "Upper terrace",
        "feet",
        {
            "span_m": 22.5 * FOOT_M,
            "length_m": 63 * FOOT_M,
            "shape": {"kind": "round_on_legs", "leg_m": 3 * FOOT_M},
            "figure": {"height_m": 69 * INCH_M, "from_left_m": 32 * INCH_M},
        },
        set_out={"tape_m": 100 * FOOT_M, "second_tape_m": 50 * FOOT_M},
        posts={"tube": "post-1-7-8", "length_m": 54 * INCH_M, "reveal_m": 22 * INCH_M},
        bows={
            "tube": "post-1-5-8",
            "insertion_m": 6 * INCH_M,
            "max_spacing_m": 4 * FOOT_M,
            "stick_m": 21 * FOOT_M,
            "joint_m": 5 * INCH_M,
        },
    )
    # Bent on a former that grips near the tube's end.
    near = snow.bending.model_copy(update={"tail_m": 3 * INCH_M})
    snow = snow.model_copy(update={"bending": near})
    taped = Taping.model_validate(
        {
            "ab_m": 63 * FOOT_M,
            "dc_m": 63 * FOOT_M + INCH_M / 8,
            "ad_m": 22.5 * FOOT_M,
            "bc_m": 22.5 * FOOT_M + INCH_M / 16,
            "ac_m": 66.8973 * FOOT_M,
            "bd_m": 66.9053 * FOOT_M,
        }
    )
    first = taped.model_copy(update={"ac_m": 67.105 * FOOT_M, "bd_m": 66.705 * FOOT_M})
    record = _pegs_set(snow, 16, 5).model_copy(
        update={"earlier": (first,), "taped": taped, "levels": _levelled(snow, 0.012, -0.021, 1.66)}
    )
    return snow, record


def _dune() -> tuple[HouseDesign, SiteRecord]:
    coast = _house(
        "Dune edge",
        "metric",
        {
            "span_m": 7.35,
            "length_m": 26.2,
            "shape": {"kind": "round", "leg_m": 1.3, "height_m": 4.1},
            "figure": {"height_m": 1.78, "from_left_m": 0.8},
        },
        set_out={"tape_m": 30.0, "second_tape_m": 20.0},
        posts={"tube": "round-60.3", "length_m": 1.5, "reveal_m": 0.6},
        bows={
            "tube": "round-48.3",
            "insertion_m": 0.2,
            "max_spacing_m": 1.25,
            "bays": "fixed",
            "stick_m": 6.0,
            "joint_m": 0.15,
        },
    )
    walked = [f"L{bow}" for bow in range(1, 10)]
    stations = design_bays(coast).stations_m
    some = {name: round(made_up_ground(stations[int(name[1:]) - 1], 0.0), 3) for name in walked}
    record = SiteRecord(
        taped=Taping(ab_m=26.2, dc_m=26.205, ad_m=7.352, bc_m=7.348, ac_m=27.244, bd_m=27.182),
        levels=Levels(pegs=some),
    )
    measured = (7.34, 7.38, 7.32, 7.37, 7.35)
    bows = {str(bow): BowCheck(width_m=wide_m) for bow, wide_m in enumerate(measured, start=1)}
    return coast, record.model_copy(update={"bows": bows})


def _kitchen() -> tuple[HouseDesign, SiteRecord]:
    sprung = _house(
        "Kitchen plot",
        "feet",
        {
            "span_m": 9 * FOOT_M + 8 * INCH_M,
            "length_m": 22 * FOOT_M,
            "shape": {"kind": "sprung", "leg_m": 20 * INCH_M, "pipe_m": 16.5 * FOOT_M},
            "figure": {"height_m": 66 * INCH_M, "from_left_m": 4 * FOOT_M},
        },
        set_out={"tape_m": 25 * FOOT_M, "second_tape_m": None},
        posts={"tube": "water-1-1-4", "length_m": 42 * INCH_M, "reveal_m": 20 * INCH_M},
        bows={
            "tube": "pvc-1",
            "insertion_m": 8 * INCH_M,
            "max_spacing_m": 34 * INCH_M,
            "stick_m": 10 * FOOT_M,
            "joint_m": 4 * INCH_M,
        },
    )
    return sprung, _pegs_set(sprung, 9, 9)


def _levelled(design: HouseDesign, along: float, across: float, first_m: float) -> Levels:
    """Rod readings on made-up ground that falls along and across, read up the left side and back down the right."""
    stations = design_bays(design).stations_m
    walk = [("L", bow) for bow in range(len(stations))] + [("R", bow) for bow in reversed(range(len(stations)))]
    step = design.tape.step_m
    pegs = {
        f"{side}{bow + 1}": round(
            (
                first_m
                + along * stations[bow]
                + (across * design.size.span_m if side == "R" else 0.0)
                + _hump(stations[bow])
            )
            / step
        )
        * step
        for side, bow in walk
    }
    return Levels(pegs=pegs, closing_m=pegs["L1"] + step)


def made_up_ground(along_m: float, across_m: float) -> float:
    """Depth of the demo's ground below the line of sight at a place, m: a slope with soft humps."""
    slope = 0.011 * along_m - 0.018 * across_m
    return 1.9 + slope + 0.03 * math.sin(along_m / 3.1) * math.cos(across_m / 2.3)


def _hump(station_m: float) -> float:
    """Uneven ground, m: a soft swell every dozen metres."""
    return 0.015 * math.sin(station_m / 1.9)


def _pegs_set(design: HouseDesign, left: int, right: int) -> SiteRecord:
    """A record with the first pegs of each side set where the plan wants them."""
    stations = design_bays(design).stations_m
    wanted = (("L", left), ("R", right))
    return SiteRecord(
        set_at_m={
            f"peg:{side}{place}": station
            for side, count in wanted
            for place, station in enumerate(stations[:count], start=1)
        }
    )
