"""What keeps film from pulling an end in: sticks from the wall up to the second bow, struts from the end bow down."""

import math
from dataclasses import dataclass

from obtegum.core.documents.ends import Side
from obtegum.core.findings.skeleton.bays import bays_of
from obtegum.core.findings.skeleton.line import centre_line
from obtegum.core.findings.skeleton.outline import end_of
from obtegum.core.findings.work import Work
from obtegum.core.rooms.ends.wall import wall_of

__all__ = ["Prop", "props_of", "struts_of"]

# How high on its upright one begins, of the upright over the ground (this bench).
UP_SHARE = 0.6


@dataclass(frozen=True, slots=True)
class Prop:
    """A stick from an upright to the second bow, plumb over the same line: the upright's letter, its ends along, across
    and up, m."""

    letter: str
    ends: tuple[tuple[float, float, float], tuple[float, float, float]]

    @property
    def long_m(self) -> float:
        """From hole to hole, m."""
        return math.dist(*self.ends)

    @property
    def angle_rad(self) -> float:
        """How it rises from the level."""
        (z0, _, y0), (z1, _, y1) = self.ends
        return math.atan2(y1 - y0, abs(z1 - z0))


def props_of(work: Work, side: Side) -> tuple[Prop, ...]:
    """Each stick that braces an end from inside."""
    end, stations, bow = end_of(work, side), bays_of(work).stations_m, centre_line(work)
    if end.prop == "none":
        return ()
    z0, z1 = (stations[0], stations[1]) if side == "front" else (stations[-1], stations[-2])
    found = list[Prop]()
    for stick in wall_of(work, side).whole():
        if end.prop == "jambs" and stick.what != "jamb":
            continue
        x, top = stick.ends[1]
        crossings = bow.at_x(x)
        if crossings:
            high = max(bow.point(s_m)[1] for s_m in crossings)
            found.append(Prop(stick.letter, ((z0, x, UP_SHARE * top), (z1, x, high))))
    return tuple(found)


def struts_of(work: Work, side: Side) -> tuple[Prop, ...]:
    """A strut of each side, from the end bow down to the second bow's foot; none where none is told."""
    end, stations, bow = end_of(work, side), bays_of(work).stations_m, centre_line(work)
    met = bow.at_y(end.strut_m)
    if end.strut == "none" or not met:
        return ()
    z0, z1 = (stations[0], stations[1]) if side == "front" else (stations[-1], stations[-2])
    x, y = bow.point(met[0])
    foot = work.design.size.span_m / 2
    ways = (("L", 1.0), ("R", -1.0))
    return tuple(Prop(name, ((z0, sign * x, y), (z1, -sign * foot, 0.0))) for name, sign in ways)
