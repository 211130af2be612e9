"""What along the house holds boards: posts, stakes or bows, each by its name and how far along it is."""

from collections.abc import Iterable

from obtegum.core.findings.skeleton.bays import pegs_of
from obtegum.core.findings.skeleton.bows import split_of
from obtegum.core.findings.skeleton.posts import boards_of
from obtegum.core.findings.skeleton.runs import stood_m
from obtegum.core.findings.skeleton.tubes import bow_tube
from obtegum.core.findings.work import Work

__all__ = ["NEAR", "Hold", "bows_hold", "feet_hold", "foot_stick", "within"]

# How far along the house something stands, m from A, and its name.
Hold = tuple[float, str]
# What is so near to a piece's end holds it, m.
NEAR = 1e-6


def foot_stick(work: Work, side: str) -> str:
    """The stick of a bow that stands at a side, by its name."""
    return split_of(work).pieces[0 if side == "L" else -1].name


def bows_hold(work: Work, side: str) -> tuple[Hold, ...]:
    """The bows of a side, where they stand."""
    stick = foot_stick(work, side)
    return tuple((at_m, f"bow:{bow}:{stick}") for bow, at_m in enumerate(stood_m(work), start=1))


def feet_hold(work: Work, side: str) -> tuple[Hold, ...]:
    """What boards along the feet of a side are held by: stakes, posts, or bows that go on below as stubs."""
    stand = work.design.posts.stand
    if stand == "board":
        begins_m = -bow_tube(work).od_m / 2
        return tuple(
            (begins_m + at_m, f"stake:{side}{number}") for number, at_m in enumerate(boards_of(work).stakes_m, start=1)
        )
    stick = foot_stick(work, side)
    return tuple(
        (peg.station_m, f"bow:{peg.bow}:{stick}" if stand == "curve" else f"post:{side}{peg.bow}")
        for peg in pegs_of(work)
        if peg.side == side
    )


def within(holds: Iterable[Hold], low_m: float, high_m: float) -> tuple[Hold, ...]:
    """Those that stand between two places along the house, m from A."""
    return tuple(hold for hold in holds if low_m - NEAR <= hold[0] <= high_m + NEAR)
