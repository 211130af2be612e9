"""Bow centre lines as chains of segments.

A chain runs from the left foot over the crown to the right foot. x goes right from the house's
centre line, y up from the datum, s is the girth: distance along the centre line from the left foot.
Everything asked of a bow further on (points, slope, headroom, marks) is asked of its chain,
whatever its shape. To the left of travel is the outside of the house.

Source: geometry of lines and circles.
"""

import math
from bisect import bisect_right
from collections.abc import Sequence
from dataclasses import dataclass
from functools import cached_property
from itertools import accumulate, pairwise
from typing import Protocol

import numpy as np
from numpy.typing import NDArray

from obtegum.core.values.quick import quick

__all__ = ["Arc", "Chain", "Kink", "Line", "Point", "Segment"]

TIGHT = 1e-9
# From so many segments on it pays to know first where each reaches.
MANY = 12
Point = tuple[float, float]


class Segment(Protocol):
    """One piece of a centre line; u is the distance along it, m."""

    @property
    def length_m(self) -> float: ...
    def point(self, u: float) -> Point: ...
    def heading(self, u: float) -> float:
        """Direction of travel, rad from +x, counterclockwise."""
        ...

    def part(self, start: float, end: float) -> "Segment":
        """The piece from u = start to u = end."""
        ...

    def offset(self, distance_m: float) -> "Segment":
        """The parallel segment, ``distance_m`` to the left of travel (outside)."""
        ...

    def at_x(self, x: float) -> list[float]:
        """Every u at which the segment crosses the plumb line x."""
        ...

    def at_y(self, y: float) -> list[float]:
        """Every u at which the segment crosses the level y."""
        ...

    @property
    def under_m2(self) -> float:
        """Signed area between the segment and y = 0."""
        ...


@quick
class Line:
    """A straight piece from (x0, y0) to (x1, y1), m."""

    x0: float
    y0: float
    x1: float
    y1: float

    @property
    def length_m(self) -> float:
        return math.hypot(self.x1 - self.x0, self.y1 - self.y0)

    def point(self, u: float) -> Point:
        t = u / self.length_m
        return self.x0 + (self.x1 - self.x0) * t, self.y0 + (self.y1 - self.y0) * t

    def heading(self, u: float) -> float:
        return math.atan2(self.y1 - self.y0, self.x1 - self.x0)

    def part(self, start: float, end: float) -> "Line":
        return Line(*self.point(start), *self.point(end))

    def offset(self, distance_m: float) -> "Line":
        direction = self.heading(0)
        dx, dy = -math.sin(direction) * distance_m, math.cos(direction) * distance_m
        return Line(self.x0 + dx, self.y0 + dy, self.x1 + dx, self.y1 + dy)

    def _crossing(self, start: float, end: float, value: float) -> list[float]:
        if abs(end - start) < TIGHT:
            return []
        t = (value - start) / (end - start)
        return [min(max(t, 0.0), 1.0) * self.length_m] if -TIGHT <= t <= 1 + TIGHT else []

    def at_x(self, x: float) -> list[float]:
        return self._crossing(self.x0, self.x1, x)

    def at_y(self, y: float) -> list[float]:
        return self._crossing(self.y0, self.y1, y)

    @property
    def under_m2(self) -> float:
        return (self.x1 - self.x0) * (self.y0 + self.y1) / 2


@quick
class Arc:
    """An arc about (cx, cy), travelled clockwise as a bow is, left foot to right.

    ``start_rad`` is the angle of the radius to its first point, ``turn_rad`` > 0 the angle turned. One that turns the
    other way, as tall sprung pipe does above its feet, has both its radius and its turn below 0.
    """

    cx: float
    cy: float
    radius_m: float
    start_rad: float
    turn_rad: float

    @property
    def length_m(self) -> float:
        return self.radius_m * self.turn_rad

    def _angle(self, u: float) -> float:
        return self.start_rad - u / self.radius_m

    def point(self, u: float) -> Point:
        angle = self._angle(u)
        return self.cx + self.radius_m * math.cos(angle), self.cy + self.radius_m * math.sin(angle)

    def heading(self, u: float) -> float:
        return self._angle(u) - math.pi / 2

    def part(self, start: float, end: float) -> "Arc":
        return Arc(self.cx, self.cy, self.radius_m, self._angle(start), (end - start) / self.radius_m)

    def offset(self, distance_m: float) -> "Arc":
        """Raises: ValueError when the parallel arc would turn inside out."""
        if (self.radius_m + distance_m) * self.radius_m <= 0:
            raise ValueError("the arc is too tight to be offset that far")
        return Arc(self.cx, self.cy, self.radius_m + distance_m, self.start_rad, self.turn_rad)

    def _within(self, angles: Sequence[float]) -> list[float]:
        found, way = [], math.copysign(1.0, self.turn_rad)
        for angle in angles:
            turned = way * (self.start_rad - angle) % (2 * math.pi)
            if turned > 2 * math.pi - TIGHT:
                turned = 0.0
            if turned <= abs(self.turn_rad) + TIGHT:
                found.append(min(turned, abs(self.turn_rad)) * abs(self.radius_m))
        return sorted(set(found))

    def at_x(self, x: float) -> list[float]:
        ratio = (x - self.cx) / self.radius_m
        if abs(ratio) > 1:
            return []
        return self._within((math.acos(ratio), -math.acos(ratio)))

    def at_y(self, y: float) -> list[float]:
        ratio = (y - self.cy) / self.radius_m
        if abs(ratio) > 1:
            return []
        return self._within((math.asin(ratio), math.pi - math.asin(ratio)))

    @property
    def under_m2(self) -> float:
        # The integral of y dx with x = cx + R cos a, y = cy + R sin a, a falling from start to end.
        end = self.start_rad - self.turn_rad
        chord = self.radius_m * (math.cos(end) - math.cos(self.start_rad))
        bow = self.turn_rad / 2 - (math.sin(2 * self.start_rad) - math.sin(2 * end)) / 4
        return self.cy * chord + self.radius_m**2 * bow


@dataclass(frozen=True)
class Kink:
    """A corner in the centre line: at girth ``s_m``, turning by ``turn_rad`` (clockwise > 0)."""

    s_m: float
    turn_rad: float


@dataclass(frozen=True)
class Chain:
    """Segments end to end, left foot to right foot."""

    segments: tuple[Segment, ...]

    @cached_property
    def starts_m(self) -> tuple[float, ...]:
        """Girth at the start of each segment, and at the end of the last, m."""
        return tuple(accumulate((segment.length_m for segment in self.segments), initial=0.0))

    @cached_property
    def ends(self) -> tuple[Point, ...]:
        """Both ends of every segment, m."""
        return tuple(segment.point(u) for segment in self.segments for u in (0.0, segment.length_m))

    @cached_property
    def spread(self) -> tuple[NDArray[np.float64], NDArray[np.float64]]:
        """Where each segment starts, (n, 2), and how long it is, (n,), m: no place of it is further from its start."""
        return np.array(self.ends[::2]), np.array([segment.length_m for segment in self.segments])

    @property
    def girth_m(self) -> float:
        """Developed length of the centre line, m."""
        return self.starts_m[-1]

    def _place(self, s_m: float) -> tuple[Segment, float]:
        index = min(max(bisect_right(self.starts_m, s_m) - 1, 0), len(self.segments) - 1)
        segment = self.segments[index]
        return segment, min(max(s_m - self.starts_m[index], 0.0), segment.length_m)

    def point(self, s_m: float) -> Point:
        """Point of the centre line at girth s, m; clamped to the chain's ends."""
        segment, u = self._place(s_m)
        return segment.point(u)

    @cached_property
    def _table(self) -> NDArray[np.float64]:
        """(8, n): where each segment begins and, of lines, how it goes on a metre; of arcs, their centre, radius, first
        angle, and a 1."""
        rows = list[tuple[float, ...]]()
        for begin, each in zip(self.starts_m, self.segments, strict=False):
            if isinstance(each, Arc):
                rows.append((begin, each.length_m, each.cx, each.cy, each.radius_m, each.start_rad, 0.0, 1.0))
            else:
                (x0, y0), (x1, y1), long = each.point(0.0), each.point(each.length_m), max(each.length_m, 1e-12)
                rows.append((begin, each.length_m, x0, y0, 0.0, (x1 - x0) / long, (y1 - y0) / long, 0.0))
        return np.array(rows).T

    def points(self, s_m: NDArray[np.float64]) -> NDArray[np.float64]:
        """(n, 2): points of the centre line at many girths, m; clamped to the chain's ends."""
        begin, long, one, two, radius, three, four, arc = self._table
        at = np.clip(np.searchsorted(begin, s_m, side="right") - 1, 0, len(begin) - 1)
        u = np.clip(s_m - begin[at], 0.0, long[at])
        turned = three[at] - np.divide(u, radius[at], out=np.zeros_like(u), where=radius[at] != 0)
        x = np.where(arc[at] == 1, one[at] + radius[at] * np.cos(turned), one[at] + three[at] * u)
        y = np.where(arc[at] == 1, two[at] + radius[at] * np.sin(turned), two[at] + four[at] * u)
        return np.stack([x, y], axis=1)

    def heading(self, s_m: float) -> float:
        """Direction of travel at girth s, rad; at a kink, that of the segment that begins there."""
        segment, u = self._place(s_m)
        return segment.heading(u)

    @cached_property
    def kinks(self) -> tuple[Kink, ...]:
        """Corners of more than a billionth of a radian."""
        found = []
        for place, (before, after) in enumerate(pairwise(self.segments)):
            turn = before.heading(before.length_m) - after.heading(0.0)
            turn = (turn + math.pi) % (2 * math.pi) - math.pi
            if abs(turn) > TIGHT:
                found.append(Kink(self.starts_m[place + 1], turn))
        return tuple(found)

    def at_x(self, x: float) -> list[float]:
        """Girths at which the centre line crosses the plumb line x, m, from the left foot."""
        return self._crossings("at_x", x)

    def at_y(self, y: float) -> list[float]:
        """Girths at which the centre line crosses the level y, m, from the left foot."""
        return self._crossings("at_y", y)

    @cached_property
    def _reaches(self) -> dict[str, NDArray[np.float64]]:
        """(2, n): at the least from where to where each segment reaches, across and up: no further from its ends than
        its length lets it."""
        ends = np.array(self.ends).reshape(-1, 2, 2)
        lengths = np.array([segment.length_m for segment in self.segments])
        chords = np.hypot(*(ends[:, 1] - ends[:, 0]).T)
        # An arc of a turn has no chord to speak of, and lies within half its length of its ends.
        beyond = (lengths - chords + np.sqrt(np.maximum(lengths**2 - chords**2, 0.0))) / 2 + TIGHT
        low, high = ends.min(axis=1).T - beyond, ends.max(axis=1).T + beyond
        return {"at_x": np.array([low[0], high[0]]), "at_y": np.array([low[1], high[1]])}

    def _crossings(self, way: str, value: float) -> list[float]:
        found: list[float] = []
        looked: Sequence[int] = range(len(self.segments))
        if len(looked) > MANY:
            low, high = self._reaches[way]
            looked = np.flatnonzero((low <= value) & (value <= high)).tolist()
        for place in looked:
            start = self.starts_m[place]
            for u in getattr(self.segments[place], way)(value):
                if not found or start + u - found[-1] > TIGHT:
                    found.append(start + u)
        return found

    def part(self, start_m: float, end_m: float) -> "Chain":
        """The piece between two girths, m. Raises: ValueError when nothing lies between them."""
        pieces = []
        for begin, segment in zip(self.starts_m, self.segments, strict=False):
            low, high = max(start_m - begin, 0.0), min(end_m - begin, segment.length_m)
            if high - low > TIGHT:
                pieces.append(segment.part(low, high))
        if not pieces:
            raise ValueError("nothing lies between those girths")
        return Chain(tuple(pieces))

    def offset(self, distance_m: float) -> "Chain":
        """Each segment moved ``distance_m`` outward, not joined: at a kink the ends stand apart."""
        return Chain(tuple(segment.offset(distance_m) for segment in self.segments))

    @cached_property
    def under_m2(self) -> float:
        """Area between the centre line and y = 0, m²."""
        return sum(segment.under_m2 for segment in self.segments)
