"""What a bow's joints, holes and brackets leave of its tube's strength."""

import numpy as np
from numpy.typing import NDArray

from obtegum.core.findings.skeleton.braces import drilled_m
from obtegum.core.findings.skeleton.stands import way_of
from obtegum.core.findings.work import Work
from obtegum.core.formulas.anchor.links import HOLE_WIDER_M, SCREWS_M, bolt_shear, bolt_walls, net_along
from obtegum.core.formulas.frame.steel import OMEGA
from obtegum.core.rooms.strength.model import Model, sections_of
from obtegum.core.values.physics import MILD_YIELD_PA

__all__ = ["bracket_share", "efficiency", "joint_share", "post_holes"]

Array = NDArray[np.float64]
# What is left of a bow at the least.
LEAST_OF_TUBE = 0.05
# Where a bar grips concrete, of what is in the ground.
GRIP = 2 / 3
# A bracket's bolts, from its end and from the joint, of their thickness.
PLATE_EDGE = 2.5


def joint_share(work: Work) -> float:
    """What joints leave of a tube's bending strength: as told, or what a hole leaves of the weaker one."""
    by_hand, hold = work.design.strength.joint_share, work.design.hold
    bolted = [hold.bolt_m + HOLE_WIDER_M] if work.design.posts.bolt_m is not None else []
    holes = bolted + ([SCREWS_M[hold.screw]] if hold.screws else [])
    if drilled_m(work):
        holes.append(work.design.braces.bolt_m + HOLE_WIDER_M)
    if work.design.boards.hip == "board":
        holes.append(work.design.boards.bolt_m + HOLE_WIDER_M)
    if not holes:
        return by_hand
    left = (
        net_along(each.plastic_m3, max(holes), each.wall_m, each.od_m) / each.plastic_m3 for each in sections_of(work)
    )
    return max(min(by_hand, *left), LEAST_OF_TUBE)


def post_holes(work: Work, deep_m: float) -> list[tuple[float, float]]:
    """Holes through the post: how far below its top each is, m, and what it leaves of the post's bending strength.

    A bar that grips concrete, or a plate, goes through two thirds down what is in the ground.
    """
    posts, hold, section = work.design.posts, work.design.hold, sections_of(work)[1]
    holes = [(posts.bolt_m, hold.bolt_m + HOLE_WIDER_M)] if posts.bolt_m is not None else []
    if way_of(work).socketed:
        stop_m = work.design.bows.insertion_m
        holes += [(stop_m, hold.bolt_m + HOLE_WIDER_M)] if posts.stop == "bolt" else []
        holes += [(stop_m / 2, SCREWS_M[hold.screw])] if hold.screws else []
    if hold.grip == "bar":
        holes.append((posts.length_m - deep_m * (1 - GRIP), hold.bolt_m + HOLE_WIDER_M))
    whole = section.plastic_m3

    def left(wide_m: float) -> float:
        return max(net_along(whole, wide_m, section.wall_m, section.od_m) / whole, LEAST_OF_TUBE)

    return [(below_m, left(wide_m)) for below_m, wide_m in holes]


def efficiency(work: Work, model: Model) -> Array:
    """(n + 1,): what of a tube's bending strength is left at each node."""
    left, bridged = joint_share(work), bracket_share(work)
    return np.where(model.drilled, left, np.where(model.spliced, max(left, bridged), 1.0))


def bracket_share(work: Work) -> float:
    """What of the bow's bending strength a bracket takes over a joint by itself, net of its own holes; 0 without one.

    Two plates, bent about their strong side (AISC 360-16 F11, elastic), on two bolts each side of the joint: these cut
    in two planes, bearing on both walls of the bow (J3.6, J3.10). What the joint bears isn't added.
    """
    strength = work.design.strength
    if strength.bracket == "none":
        return 0.0
    section, bolt_m = sections_of(work)[0], work.design.braces.bolt_m
    apart_m = max(strength.plate_long_m / 2 - 2 * PLATE_EDGE * bolt_m, 0.0)
    held = apart_m * min(bolt_shear(bolt_m), bolt_walls(bolt_m, section.wall_m, section.yield_pa))
    plates = 2 * strength.plate_thick_m * strength.plate_wide_m**2 / 6 * MILD_YIELD_PA / OMEGA
    whole = section.yield_pa * section.plastic_m3 / OMEGA
    across = 1 - section.wall_m * (bolt_m + HOLE_WIDER_M) ** 2 / 2 / section.plastic_m3
    return max(min(held / whole, plates / whole, across), 0.0)
