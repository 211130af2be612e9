"""What is locked into a bow before any weather: worked into its posts, drawn in to its collar."""

from dataclasses import dataclass, replace

import numpy as np
from numpy.typing import NDArray

from obtegum.core.findings.kept import found
from obtegum.core.findings.skeleton.bending import made_bow
from obtegum.core.findings.skeleton.posts import entry_of, hands_force, play_of
from obtegum.core.findings.skeleton.stands import way_of
from obtegum.core.findings.work import Work
from obtegum.core.formulas.frame.forced import Locked, drawn_in, locked_in
from obtegum.core.rooms.strength.model import (
    Model,
    every_tied,
    model_of,
    sections_of,
    tie_stretch_n,
    tied_model,
)

__all__ = ["Forced", "Met", "forced_bow", "locked_of", "met_collar"]

Array = NDArray[np.float64]


def _forced(work: Work) -> list[tuple[float, float, float]]:
    """How far hands work the bow into its sockets, beyond their play, m and rad, and the share of what hands do: by its
    shape as planned, and as it comes off the former."""
    if play_of(work) is None or not way_of(work).socketed:
        return []
    entry, made = entry_of(work), made_bow(work)
    off_m = (made.span_m - work.design.size.span_m) / 2
    ways = ((entry.offset_m, entry.lean_rad), (off_m, abs(made.lean_rad)))
    return [found_ for each in ways if (found_ := hands_force(work, *each)) is not None]


@dataclass(frozen=True, eq=False)
class Forced:
    """A bow that is worked into its posts: what that locks in, and the share of its yield that it bends it by."""

    locked: Locked
    share: float


@found
def _forced_by_one(work: Work) -> tuple[Locked, Locked]:
    """What 1 m of spread, and 1 rad of turn out at both feet, lock into a bow; all else is so much of both."""
    frame = replace(model_of(work).frame, ties=None)
    return locked_in(frame, 1.0, 0.0), locked_in(frame, 0.0, 1.0)


@found
def forced_bow(work: Work) -> Forced | None:
    """What is locked into a bow that is worked into its posts; None where it isn't.

    The posts are held at the ground as stiff as they can be, and bend with the bow; of all ways the one that bends
    most, leaning the one or the other way. A lean at the socket is a foot that is turned back, and stands off by as
    much.
    """
    ways = _forced(work)
    if not ways:
        return None
    model, sections, (spread, turned) = model_of(work), sections_of(work), _forced_by_one(work)
    high_m = float(model.frame.nodes[model.edge, 1] - model.frame.nodes[0, 1])
    tried = [
        spread.times(2 * (off_m + sign * lean * high_m)) + turned.times(-sign * lean)
        for off_m, lean, _ in ways
        for sign in (1.0, -1.0)
    ]
    yields = np.where(model.which == 0, *(each.yield_pa * each.elastic_m3 for each in sections))
    shares = [float((np.abs(each.moment).max(axis=1) / yields).max()) for each in tried]
    most = int(np.argmax(shares))
    return Forced(tried[most], shares[most])


@dataclass(frozen=True, eq=False)
class Met:
    """A bow that is drawn in to its collar: what that locks in and takes, N, and the share of its yield."""

    locked: Locked
    pull_n: float
    share: float


@found
def met_collar(work: Work) -> Met | None:
    """What drawing a bow in to meet its collar locks in; None where it stands as wide as that is long."""
    model = model_of(work) if every_tied(work) else tied_model(work)
    gap_m = work.design.braces.gap_m
    if model is None or not gap_m or work.design.braces.ties not in ("collar", "truss"):
        return None
    frame, sections = model.frame, sections_of(work)
    assert frame.ties is not None
    nodes = np.unique(frame.ties.dofs // 3)
    # The two that a collar is bolted to are the lowest of those that bars meet.
    low = nodes[np.argsort(frame.nodes[nodes, 1])[:2]]
    one, other = sorted((int(low[0]), int(low[1])), key=lambda node: float(frame.nodes[node, 0]))
    long_m = float(frame.nodes[other, 0] - frame.nodes[one, 0])
    locked, pull_n = drawn_in(replace(frame, ties=None), (one, other), gap_m, tie_stretch_n(work) / long_m)
    yields = np.where(model.which == 0, *(each.yield_pa * each.elastic_m3 for each in sections))
    return Met(locked, pull_n, float((np.abs(locked.moment).max(axis=1) / yields).max()))


def locked_of(work: Work, model: Model) -> Array | None:
    """(2, n): what presses and bends each element of a bow before any weather: worked into its posts, drawn in to its
    collar."""
    collared = any(name == "collar" for name, _ in model.ties)
    forced, met = forced_bow(work), met_collar(work) if collared else None
    states = [each.locked for each in (forced, met) if each is not None and len(each.locked.axial) == model.frame.count]
    if not states:
        return None
    return np.asarray(sum(np.stack([np.abs(each.axial), np.abs(each.moment).max(axis=1)]) for each in states))
