"""The shapes side by side: what each is called, and how each looks at the same width, legs and height."""

import math
from itertools import pairwise

from obtegum.core.documents.size import (
    HIGHEST_M,
    Gothic,
    Kneed,
    Peaked,
    Round,
    RoundOnLegs,
    Shape,
    Size,
    SprungPipe,
    ThreeCentred,
)
from obtegum.core.formulas.profile import ProfileError

__all__ = ["SHAPE_LABELS", "asked_leg", "height_for_girth", "own_measures", "shape_of"]

SHAPE_LABELS = {
    "round_on_legs": "half circle on legs",
    "round": "one arc, any height",
    "three_centred": "bent shoulders",
    "gothic": "gothic",
    "peaked": "peaked",
    "kneed": "kneed, straight pieces",
    "sprung": "sprung pipe",
}
# A gothic house rises more than half its width; this much looks like one.
GOTHIC_RISE = 0.6
# Least and most rise of sprung pipe, of its width, that another shape is made into.
SPRUNG_RISE = 0.12, 0.8
# Heights that are tried before the one between two of them is closed in on.
TRIED = 60
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
        return Gothic(leg_m=leg, height_m=min(leg + max(rise, GOTHIC_RISE * span), HIGHEST_M))
    if kind == "peaked":
        return Peaked(leg_m=leg, height_m=height, shoulder_m=min(0.25 * rise, 0.2 * span))
    if kind == "kneed":
        piece = math.hypot(span / 2, rise) / (2 * math.cos(KNEE_RAD / 2))
        return Kneed(leg_m=leg, height_m=height, lower_m=piece, upper_m=piece)
    if kind == "sprung":
        # As high as it was, as far as a pipe stands so.
        rise = min(max(rise, SPRUNG_RISE[0] * span), SPRUNG_RISE[1] * span)
        held = SprungPipe(leg_m=leg, pipe_m=span * 1.5)
        return held.model_copy(update=held.as_high(span, leg + rise))
    return RoundOnLegs(leg_m=leg)


def own_measures(shape: Shape) -> tuple[str, ...]:
    """What only this shape has to be given."""
    own = [name for name in type(shape).model_fields if name not in ("kind", "leg_m", "height_m")]
    if isinstance(shape, SprungPipe):
        unasked = {"through": ("elbow", "arm_m"), "tee": ("elbow",), "elbow": ()}[shape.ridge]
        own = [name for name in own if name not in unasked]
    return tuple(f"size.shape.{name}" for name in own)


def asked_leg(shape: Shape) -> tuple[str, ...]:
    """The straight leg, where it is the grower's to choose: sprung pipe is straight as far as it is held."""
    return () if isinstance(shape, SprungPipe) else ("size.shape.leg_m",)


def height_for_girth(shape: Shape, span_m: float, girth_m: float) -> float | None:
    """Height at which a shape over a span has a girth, m; inverse of the girth of its chain.

    All but the height stays as it is (for half a circle its legs give way). None where no height makes
    that girth, and for straight pieces, whose girth is what they are cut to.
    """
    from scipy.optimize import brentq

    if shape.kind == "kneed":
        return None
    if isinstance(shape, RoundOnLegs):
        leg = (girth_m - math.pi * span_m / 2) / 2
        return leg + span_m / 2 if leg >= 0 else None
    if isinstance(shape, SprungPipe):
        return _sprung_height(shape, span_m, girth_m)

    def over(height: float) -> float:
        return shape.model_copy(update={"height_m": height}).chain(span_m).girth_m - girth_m

    known: list[tuple[float, float]] = []
    for step in range(1, TRIED + 1):
        height = shape.leg_m + span_m * 1.5 * step / TRIED
        try:
            known.append((height, over(height)))
        except ProfileError:
            continue
    for (low, under), (high, above) in pairwise(known):
        if under <= 0 <= above:
            return float(brentq(over, low, high, xtol=1e-12))
    return None


def _sprung_height(shape: SprungPipe, span_m: float, girth_m: float) -> float | None:
    """Of a pipe that fills what its legs and what joins its halves leave of the girth."""
    no_pipe_m = shape.chain_less_pipe_m
    try:
        return shape.model_copy(update={"pipe_m": girth_m - no_pipe_m}).chain(span_m).point(girth_m / 2)[1]
    except ProfileError:
        return None
