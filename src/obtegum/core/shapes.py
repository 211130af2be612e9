"""The shapes side by side: what each is called, and how each looks at the same width, legs and height."""

import math

from obtegum.core.design import Gothic, Kneed, Peaked, Round, RoundOnLegs, Shape, Size, ThreeCentred

__all__ = ["SHAPE_LABELS", "shape_of"]

SHAPE_LABELS = {
    "round_on_legs": "half circle on legs",
    "round": "one arc, any height",
    "three_centred": "bent shoulders",
    "gothic": "gothic",
    "peaked": "peaked",
    "kneed": "kneed, straight pieces",
}
# A gothic house rises more than half its width; this much looks like one.
GOTHIC_RISE = 0.6
KNEE_RAD = math.radians(36)


def shape_of(kind: str, size: Size) -> Shape:
    """A shape for a house that has another one: its width, legs and height kept where the shape can have them."""
    span, leg, height = size.span_m, size.leg_m, size.height_m
    rise = height - leg
    if kind == "round":
        return Round(leg_m=leg, height_m=height)
    if kind == "three_centred":
        low = min(rise, span / 2 * 0.9)
        return ThreeCentred(leg_m=leg, height_m=leg + low, shoulder_m=0.55 * low)
    if kind == "gothic":
        return Gothic(leg_m=leg, height_m=leg + max(rise, GOTHIC_RISE * span))
    if kind == "peaked":
        return Peaked(leg_m=leg, height_m=height, shoulder_m=min(0.25 * rise, 0.2 * span))
    if kind == "kneed":
        piece = math.hypot(span / 2, rise) / (2 * math.cos(KNEE_RAD / 2))
        return Kneed(leg_m=leg, height_m=height, lower_m=piece, upper_m=piece)
    return RoundOnLegs(leg_m=leg)
