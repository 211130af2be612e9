"""Bolts as long as what they go through, by the lengths that they come in."""

import math

from obtegum.core.findings.skeleton.tubes import bow_tube
from obtegum.core.findings.work import Work
from obtegum.core.formulas.anchor.links import stack_m
from obtegum.core.values.quantity import INCH_M

__all__ = ["bolt_for_m", "bolt_size", "next_bolt_m"]

# Lengths that bolts come in, m apart.
STEP_M = {"feet": INCH_M / 2, "metric": 0.01}


def next_bolt_m(work: Work, takes_m: float) -> float:
    """The next length that bolts come in, m."""
    step_m = STEP_M[bow_tube(work).sold_in]
    return math.ceil(takes_m / step_m - 1e-9) * step_m


def bolt_for_m(work: Work, thick_m: float, bolt_m: float) -> float:
    """The bolt for what is so thick, m: with its washers, nut and a few threads, the next length that they come in."""
    return next_bolt_m(work, stack_m(thick_m, bolt_m))


def bolt_size(work: Work, thick_m: float, bolt_m: float) -> str:
    """That bolt as it is asked for: thick and long."""
    return f"{work.tube(bolt_m)} × {work.tube(bolt_for_m(work, thick_m, bolt_m), 'up')}"
