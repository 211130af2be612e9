"""The drain along the uphill side."""

from obtegum.core.findings.skeleton.levels import lie_of
from obtegum.core.findings.work import Work
from obtegum.core.formulas.ground.drain import Drained, manning_full, run_off
from obtegum.core.values.catalogue import Pipe
from obtegum.core.values.quantity import FOOT_M
from obtegum.core.values.trouble import listed

__all__ = ["drain_places", "drained", "pipe_of"]

# How far apart the trench's depth is told, m.
EVERY_M = 3.0
EVERY_FT = 10 * FOOT_M


def pipe_of(work: Work) -> Pipe:
    """The pipe that is laid. Raises: DesignError when there is none of that name."""
    name = work.design.drain.pipe
    return listed(work.catalogue.pipes.get(name), "pipe", name, "drain.pipe")


def drained(work: Work) -> Drained:
    """The drain along the uphill side, falling to the lower end; the left side and B where nothing is known."""
    size, drain, lie, pipe = work.design.size, work.design.drain, lie_of(work), pipe_of(work)
    side, outlet, drop_m = "L", "B", 0.0
    if lie is not None:
        left, right = lie.side_m("L"), lie.side_m("R")
        side = "R" if left is not None and right is not None and right > left else "L"
        ends = sorted((lie.places[name][0], height) for name, height in lie.heights.items() if name[0] == side)
        if len(ends) >= 2:
            run = ends[-1][0] - ends[0][0]
            drop_m = (ends[0][1] - ends[-1][1]) / run * size.length_m
            outlet = "B" if drop_m >= 0 else "A"
            drop_m = abs(drop_m)
    length_m = size.length_m + drain.beyond_m
    # The trench falls as asked; where the ground falls more, it comes no nearer to the surface than at its start.
    end_deep_m = max(drain.cover_m + length_m * drain.fall - drop_m, drain.cover_m)
    flow = run_off(
        drain.rain_m_s, size.span_m / 2 * size.length_m, drain.uphill_m * size.length_m, work.rules.ground_run_off_share
    )
    laid = max(drain.fall, (drop_m + end_deep_m - drain.cover_m) / length_m)
    return Drained(
        side=side,
        outlet=outlet,
        length_m=length_m,
        start_deep_m=drain.cover_m,
        end_deep_m=end_deep_m,
        trench_m3=drain.trench_m * length_m * (drain.cover_m + end_deep_m) / 2,
        flow_m3_s=flow,
        carries_m3_s=manning_full(pipe.bore_m, pipe.roughness, laid),
    )


def drain_places(work: Work, found: Drained) -> list[tuple[float, str]]:
    """Where the trench's depth is told: every few steps from its start, and at its outlet."""
    every = EVERY_FT if work.tape.units == "feet" else EVERY_M
    count = max(1, round(found.length_m / every - 0.3))
    places = [(every * step, f"drain:{step}" if step else "drain:start") for step in range(count)]
    return [*places, (found.length_m, "drain:end")]
