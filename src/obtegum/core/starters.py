"""Houses to begin from: a new one in either unit, and the three of the made-up demo farm."""

from typing import Any

from obtegum.core.design import HouseDesign, read_design
from obtegum.core.quantity import FOOT_M, INCH_M, Units
from obtegum.core.record import SiteRecord
from obtegum.core.ticks import design_bays

__all__ = ["demo_houses", "new_house"]


def _house(name: str, tape: dict[str, Any], size: dict[str, Any], tape_m: float, **parts: Any) -> HouseDesign:
    return read_design({"name": name, "tape": tape, "size": size, "set_out": {"tape_m": tape_m}, **parts})


def new_house(units: Units) -> HouseDesign:
    """A modest half circle on legs to change from, in the units asked for."""
    if units == "feet":
        return _house(
            "New house",
            {"units": "feet"},
            {
                "span_m": 18 * FOOT_M,
                "length_m": 40 * FOOT_M,
                "shape": {"kind": "round_on_legs", "leg_m": 2.5 * FOOT_M},
                "figure": {"height_m": 69 * INCH_M, "from_left_m": 3 * FOOT_M},
            },
            100 * FOOT_M,
            posts={"tube": "post-1-5-8", "length_m": 48 * INCH_M, "reveal_m": 20 * INCH_M},
            bows={
                "tube": "rail-1-3-8",
                "insertion_m": 6 * INCH_M,
                "max_spacing_m": 4 * FOOT_M,
                "stick_m": 21 * FOOT_M,
                "joint_m": 5 * INCH_M,
            },
        )
    return _house(
        "New house",
        {"units": "metric"},
        {
            "span_m": 5.5,
            "length_m": 12.0,
            "shape": {"kind": "round_on_legs", "leg_m": 0.75},
            "figure": {"height_m": 1.75, "from_left_m": 0.9},
        },
        30.0,
        posts={"tube": "round-48.3", "length_m": 1.2, "reveal_m": 0.5},
        bows={
            "tube": "round-42.4",
            "insertion_m": 0.15,
            "max_spacing_m": 1.2,
            "stick_m": 6.0,
            "joint_m": 0.13,
        },
    )


def demo_houses() -> list[tuple[HouseDesign, SiteRecord]]:
    """Three made-up houses at different stages of the work."""
    snow = _house(
        "Upper terrace",
        {"units": "feet"},
        {
            "span_m": 22.5 * FOOT_M,
            "length_m": 63 * FOOT_M,
            "shape": {"kind": "round_on_legs", "leg_m": 3 * FOOT_M},
            "figure": {"height_m": 69 * INCH_M, "from_left_m": 32 * INCH_M},
        },
        100 * FOOT_M,
        posts={"tube": "post-1-7-8", "length_m": 54 * INCH_M, "reveal_m": 22 * INCH_M},
        bows={
            "tube": "post-1-5-8",
            "insertion_m": 6 * INCH_M,
            "max_spacing_m": 4 * FOOT_M,
            "stick_m": 21 * FOOT_M,
            "joint_m": 5 * INCH_M,
        },
    )
    coast = _house(
        "Dune edge",
        {"units": "metric"},
        {
            "span_m": 7.35,
            "length_m": 26.2,
            "shape": {"kind": "round", "leg_m": 1.3, "height_m": 4.1},
            "figure": {"height_m": 1.78, "from_left_m": 0.8},
        },
        30.0,
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
    sprung = _house(
        "Kitchen plot",
        {"units": "feet"},
        {
            "span_m": 9 * FOOT_M + 8 * INCH_M,
            "length_m": 22 * FOOT_M,
            "shape": {"kind": "round_on_legs", "leg_m": 20 * INCH_M},
            "figure": {"height_m": 66 * INCH_M, "from_left_m": 4 * FOOT_M},
        },
        25 * FOOT_M,
        posts={"tube": "water-1-1-4", "length_m": 42 * INCH_M, "reveal_m": 20 * INCH_M},
        bows={
            "tube": "pvc-1",
            "insertion_m": 8 * INCH_M,
            "max_spacing_m": 34 * INCH_M,
            "stick_m": 10 * FOOT_M,
            "joint_m": 4 * INCH_M,
        },
    )
    return [(snow, _pegs_set(snow, 16, 5)), (coast, SiteRecord()), (sprung, _pegs_set(sprung, 9, 9))]


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
