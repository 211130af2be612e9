"""What the ground bears, by the class that it was told to be."""

from obtegum.core.findings.kept import found
from obtegum.core.findings.work import Work
from obtegum.core.formulas.anchor.soil import Ground
from obtegum.core.values.catalogue import Soil

__all__ = ["class_of", "ground_of", "hours_times", "why_no_ground"]

# Natural and firm ground of no known kind counts as the weakest of its classes.
LIKE = {"firm": "clay"}
# IBC and this bench (B22): stony or frozen ground takes half as long again.
STONY = 1.5


@found
def class_of(work: Work) -> Soil | None:
    """The class of the ground; None while it isn't told, and for what has no strength of its own."""
    kind = work.design.soil.kind
    return work.catalogue.soils.get(LIKE.get(kind, kind))


@found
def ground_of(work: Work) -> Ground | None:
    """What the ground bears; None while that isn't known."""
    soil, dug = class_of(work), work.design.soil
    if soil is None:
        return None
    return Ground(
        bearing_pa=soil.bearing_pa,
        friction_pa=soil.friction_pa,
        lateral_pa_m=soil.lateral_pa_m,
        weight_n_m3=soil.weight_n_m3,
        disturbed_m=dug.disturbed_m,
        water_m=dug.water_m,
    )


def why_no_ground(work: Work) -> str:
    """Why nothing can be said of what the ground holds; empty where it can."""
    if work.design.soil.kind == "ask":
        return "What is the ground? Soil asks for it."
    if work.design.soil.kind == "fill":
        return "Fill and peat hold nothing that can be reckoned: test posts, go deeper to firm ground, or lay a slab."
    return ""


def hours_times(work: Work) -> float:
    """By how much longer digging and driving take in this ground."""
    soil = work.design.soil
    return STONY if soil.stones != "none" or soil.hard != "soft" else 1.0
