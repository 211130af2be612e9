"""Sprung pipe: a straight pipe of a length over feet a width apart; what it bends to, and what that asks of its feet.

The curve is that of `obtegum.core.formulas.profile.elastica`, one half from the crown, the other its mirror image. It
is laid as pairs of arcs that share their ends and directions with the curve (biarcs), so that whatever is asked of
other bows is asked of it: no place on them is further from the curve than two millionths of the pipe.
"""

import math
from dataclasses import dataclass
from functools import cached_property, lru_cache
from itertools import pairwise

import numpy as np

from obtegum.core.formulas.profile.chain import Arc, Chain, Line, Segment
from obtegum.core.formulas.profile.common import ProfileError, on_legs
from obtegum.core.formulas.profile.elastica import Aim, Curve, Foot, NoCurveError, half_curve

__all__ = ["Sprung", "pipe_for_rise", "span_for_rise", "sprung_pipe"]

# Pairs of arcs that half a pipe is laid as; places that are looked at for its tightest bend.
PAIRS, LOOKED = 40, 160
# A pair that turns less is straight, rad.
STRAIGHT = 1e-9
# How far out a foot can be, of its half of pipe: beyond it the pipe is as good as straight, and flatter than any bow.
FURTHEST, FURTHEST_FREE = 0.98, 0.9995


@dataclass(frozen=True)
class Sprung:
    """A sprung pipe between two feet, m; ``half_m`` of pipe from foot to crown, less what joins the halves there.

    ``ridge_rad`` is the whole turn of that, ``arm_m`` how far it reaches from the ridge to where the pipe begins.
    """

    span_m: float
    half_m: float
    foot: Foot
    ridge_rad: float
    arm_m: float
    curve: Curve

    @cached_property
    def rise_m(self) -> float:
        """Crown over the feet, m."""
        return self.curve.foot[1] * self.half_m + self.arm_m * math.sin(self.ridge_rad / 2)

    @property
    def push_per_ei(self) -> float:
        """Push of each foot inward on the pipe over E·I, 1/m²; below 0 the ground has to pull it outward."""
        return self.curve.push / self.half_m**2

    @cached_property
    def _looked(self) -> tuple[np.ndarray, np.ndarray]:
        s = np.linspace(0.0, 1.0, LOOKED + 1)
        return s, self.curve.curvature(s) / self.half_m

    @cached_property
    def tightest_1_m(self) -> float:
        """The largest curvature, 1/m."""
        return float(np.abs(self._looked[1]).max())

    @cached_property
    def tightest_at_m(self) -> float:
        """Where that is, m of pipe from the crown."""
        s, curvature = self._looked
        return float(s[np.abs(curvature).argmax()]) * self.half_m

    @property
    def foot_1_m(self) -> float:
        """Curvature at the foot, 1/m: what holds it plumb takes E·I times that as a moment."""
        return float(self.curve.curvature(np.array([1.0]))[0]) / self.half_m

    @property
    def foot_rad(self) -> float:
        """How steep the pipe comes to its foot, rad: a quarter turn where it is plumb."""
        return float(self.curve.angle(np.array([1.0]))[0])

    def curvature(self, from_crown_m: float) -> float:
        """Curvature so far along the pipe from where it begins at the crown, 1/m."""
        return float(self.curvatures(np.array([from_crown_m]))[0])

    def curvatures(self, from_crown_m: np.ndarray) -> np.ndarray:
        """(n,): the same at many places, (n,) m from the crown."""
        return np.asarray(self.curve.curvature(np.minimum(from_crown_m / self.half_m, 1.0)) / self.half_m)

    def laid(self, leg_m: float) -> Chain:
        """Its centre line on plumb legs."""
        share = self._shares()
        out, down = self.curve.places(share)
        angle = self.curve.angle(share)
        lean = self.ridge_rad / 2
        x = self.arm_m * math.cos(lean) + out * self.half_m
        y = leg_m + self.rise_m - self.arm_m * math.sin(lean) - down * self.half_m
        # The foot is where it was asked for, to the last bit.
        x[-1], y[-1] = self.span_m / 2, leg_m
        places = [(float(px), float(py), -float(a)) for px, py, a in zip(x, y, angle, strict=True)]
        right: list[Segment] = []
        if self.arm_m > 0:
            right.append(Line(0.0, leg_m + self.rise_m, places[0][0], places[0][1]))
        for one, other in pairwise(places):
            right += _pair(one, other)
        left = [_mirrored(segment) for segment in reversed(right)]
        return on_legs(self.span_m / 2, leg_m, [*left, *right])

    def _shares(self) -> np.ndarray:
        """Where the pairs of arcs meet, of one half: closer together where the pipe bends more."""
        s, curvature = self._looked
        turned = np.abs(curvature)
        weight = 1.0 + turned / max(float(turned.mean()), 1e-12)
        run = np.concatenate([[0.0], np.cumsum((weight[1:] + weight[:-1]) / 2)])
        return np.asarray(np.interp(np.linspace(0.0, run[-1], PAIRS + 1), run, s))


Pose = tuple[float, float, float]


def _pair(one: Pose, other: Pose) -> list[Segment]:
    """Two arcs that lead from one place and direction to another, with tangents of one length."""
    (x0, y0, h0), (x1, y1, h1) = one, other
    vx, vy = x1 - x0, y1 - y0
    tx, ty = math.cos(h0) + math.cos(h1), math.sin(h0) + math.sin(h1)
    along, chord2 = vx * tx + vy * ty, vx * vx + vy * vy
    under = 2 * (1 - math.cos(h1 - h0))
    # d from |v − d·(t0 + t1)|² = 4·d², as the joint is halfway between the ends of the tangents.
    d = chord2 / (along + math.sqrt(along * along + under * chord2))
    jx = (x0 + x1 + d * (math.cos(h0) - math.cos(h1))) / 2
    jy = (y0 + y1 + d * (math.sin(h0) - math.sin(h1))) / 2
    middle = 2 * math.atan2(jy - y0, jx - x0) - h0
    return [_arc(x0, y0, h0, jx, jy, middle), _arc(jx, jy, middle, x1, y1, h1)]


def _arc(x0: float, y0: float, h0: float, x1: float, y1: float, h1: float) -> Segment:
    """The arc between two places; it turns clockwise where its radius is above 0, the other way where it is below."""
    turn = h0 - h1
    if abs(turn) < STRAIGHT:
        return Line(x0, y0, x1, y1)
    radius = math.hypot(x1 - x0, y1 - y0) / (2 * math.sin(turn / 2))
    return Arc(x0 + radius * math.sin(h0), y0 - radius * math.cos(h0), radius, h0 + math.pi / 2, turn)


def _mirrored(segment: Segment) -> Segment:
    if isinstance(segment, Line):
        return Line(-segment.x1, segment.y1, -segment.x0, segment.y0)
    assert isinstance(segment, Arc)
    return Arc(
        -segment.cx, segment.cy, segment.radius_m, math.pi - segment.start_rad + segment.turn_rad, segment.turn_rad
    )


def _furthest(foot: Foot, ridge_rad: float) -> float:
    return FURTHEST_FREE if foot == "free" and ridge_rad == 0 else FURTHEST


@lru_cache(maxsize=1024)
def sprung_pipe(
    span_m: float, pipe_m: float, foot: Foot = "plumb", ridge_rad: float = 0.0, arm_m: float = 0.0
) -> Sprung:
    """A pipe of a length between its feet, less what joins its halves at the ridge, sprung over a width.

    Raises: ProfileError where the pipe doesn't reach across, or falls to a valley beside the ridge.
    """
    half_m, beside_m = pipe_m / 2, arm_m * math.cos(ridge_rad / 2)
    out = (span_m / 2 - beside_m) / half_m
    if out <= 0:
        raise ProfileError("arm_m", "What joins the halves reaches further than the feet are apart.")
    if out > _furthest(foot, ridge_rad) * (1 + 1e-12):
        least = (span_m - 2 * beside_m) / _furthest(foot, ridge_rad)
        raise ProfileError("pipe_m", "The pipe doesn’t reach from foot to foot.", least * 1.02)
    try:
        curve = half_curve(ridge_rad / 2, foot, (1.0, 0.0, out))
    except NoCurveError:
        raise ProfileError("pipe_m", "No pipe stands so.") from None
    return Sprung(span_m, half_m, foot, ridge_rad, arm_m, curve)


def pipe_for_rise(
    span_m: float, rise_m: float, foot: Foot = "plumb", ridge_rad: float = 0.0, arm_m: float = 0.0
) -> float:
    """Pipe between the feet, less what joins the halves, that rises so high over a width, m: inverse of `rise_m`.

    Raises: ProfileError where none does.
    """
    out_m, down_m = span_m / 2 - arm_m * math.cos(ridge_rad / 2), rise_m - arm_m * math.sin(ridge_rad / 2)
    if out_m <= 0 or down_m <= 0:
        raise ProfileError("height_m", "What joins the halves is larger than that.")
    far_m = math.hypot(out_m, down_m)
    # Its foot lies in the direction that is told: out · down_m = down · out_m.
    return 2 * out_m / _aimed(ridge_rad, foot, (down_m / far_m, -out_m / far_m, 0.0)).foot[0]


def span_for_rise(
    pipe_m: float, rise_m: float, foot: Foot = "plumb", ridge_rad: float = 0.0, arm_m: float = 0.0
) -> float:
    """Width over which a pipe between the feet rises so high, m: the other inverse of `rise_m`.

    Raises: ProfileError where there is none.
    """
    down = (rise_m - arm_m * math.sin(ridge_rad / 2)) / (pipe_m / 2)
    if not 0 < down < 1:
        raise ProfileError("height_m", "No width lets this pipe rise so.")
    return 2 * arm_m * math.cos(ridge_rad / 2) + pipe_m * _aimed(ridge_rad, foot, (0.0, 1.0, down)).foot[0]


def _aimed(ridge_rad: float, foot: Foot, aim: Aim) -> Curve:
    """Raises: ProfileError where no pipe rises so."""
    try:
        curve = half_curve(ridge_rad / 2, foot, aim)
    except NoCurveError:
        raise ProfileError("height_m", "No pipe rises so.") from None
    if not 0 < curve.foot[0] <= _furthest(foot, ridge_rad):
        raise ProfileError("height_m", "So low, the pipe would be straight from foot to foot.")
    return curve
