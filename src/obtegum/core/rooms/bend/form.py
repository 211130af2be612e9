"""The form of a bow at true size: the face that the tube lies on, ordinates over its chord, centres and radii.

It is drawn lying, its chord level; what is bent of the bow, or of half of it where that is bent by halves.
"""

import math
from collections.abc import Sequence
from dataclasses import dataclass
from itertools import pairwise

from obtegum.core.drawing.items import Dimension, Drawing, Item, Mark, Note, Outline, Row, drawn
from obtegum.core.drawing.paths import chain_path, line
from obtegum.core.face.faces import Table
from obtegum.core.findings.kept import found
from obtegum.core.findings.skeleton.bending import bends_of
from obtegum.core.findings.skeleton.line import centre_line
from obtegum.core.findings.skeleton.tubes import bow_tube
from obtegum.core.findings.work import Work
from obtegum.core.formulas.profile import Arc, Chain, Line, Segment
from obtegum.core.values.quantity import FOOT_M

__all__ = ["TABLES", "Form", "form_drawing", "form_of"]

# How far apart ordinates are, and the most of them.
APART_M = {"feet": FOOT_M / 2, "metric": 0.1}
MOST = 80


@dataclass(frozen=True, eq=False)
class Form:
    """The face of a form, lying: from its left end at (0, 0) to its right end on the same level; the ordinates, how far
    it stands over that chord at places along it, m; what it is of."""

    face: Chain
    ordinates: tuple[tuple[float, float], ...]
    of: str

    @property
    def chord_m(self) -> float:
        return self.face.point(self.face.girth_m)[0]

    @property
    def arcs(self) -> tuple[Arc, ...]:
        """The arcs of its face, those of pipe that is sprung left out: they are short pieces of a curve."""
        return tuple(each for each in self.face.segments if isinstance(each, Arc))


def _bent_part(work: Work) -> tuple[Chain, str]:
    """What is bent of the bow's centre line."""
    bow, halves = centre_line(work), work.design.bending.by == "halves"
    if work.design.size.shape.kind == "sprung":
        leg_m = work.design.size.leg_m
        return bow.part(leg_m, bow.girth_m / 2 if halves else bow.girth_m - leg_m), "sprung pipe, to check by"
    bends = bends_of(work)
    if not bends:
        return bow, "the bow"
    low, high = bends[0].start_m, bends[-1].end_m
    return bow.part(low, min(bow.girth_m / 2, high) if halves else high), "half a bow" if halves else "a bow"


@found
def form_of(work: Work) -> Form:
    """The form of this bow: its inner face, as the tube lies round it."""
    part, what = _bent_part(work)
    inner = part.offset(-bow_tube(work).od_m / 2)
    (x0, y0), (x1, y1) = inner.point(0.0), inner.point(inner.girth_m)
    turn = -math.atan2(y1 - y0, x1 - x0)
    face = Chain(tuple(_turned(segment, (x0, y0), turn) for segment in inner.segments))
    chord_m = math.hypot(x1 - x0, y1 - y0)
    apart_m = APART_M[work.tape.units]
    while chord_m / apart_m > MOST:
        apart_m *= 2
    # Even steps from the middle, so that both sides have the same ones.
    half = int(chord_m / 2 / apart_m)
    places = [chord_m / 2 + apart_m * step for step in range(-half, half + 1)]
    ordinates = tuple((x, _over(face, x)) for x in places)
    return Form(face, ordinates, what)


def _over(face: Chain, x: float) -> float:
    """How high the face is over its chord, at the most."""
    return max((face.point(s_m)[1] for s_m in face.at_x(x)), default=0.0)


def _turned(segment: Segment, about: tuple[float, float], by_rad: float) -> Segment:
    """A segment moved so that a point lies at (0, 0), and turned about it."""
    cos, sin = math.cos(by_rad), math.sin(by_rad)

    def place(x: float, y: float) -> tuple[float, float]:
        dx, dy = x - about[0], y - about[1]
        return dx * cos - dy * sin, dx * sin + dy * cos

    if isinstance(segment, Arc):
        return Arc(*place(segment.cx, segment.cy), segment.radius_m, segment.start_rad + by_rad, segment.turn_rad)
    assert isinstance(segment, Line)
    return Line(*place(segment.x0, segment.y0), *place(segment.x1, segment.y1))


def form_drawing(work: Work) -> Drawing:
    """Face, chord, ordinates; a centre and radius for the trammel where there are few."""
    form = form_of(work)
    chord_m, few = form.chord_m, len(form.arcs) <= 4
    items: list[Item] = [
        Outline(part="chord", layer="construction", material="ink", path=line(0.0, 0.0, chord_m, 0.0), label="chord"),
        Outline(part="form", layer="frame", material="post", path=chain_path(form.face), label="face of the form"),
    ]
    for number, (x, high) in enumerate(form.ordinates, start=1):
        items.append(
            Outline(part=f"ordinate:{number}", layer="construction", material="ink", path=line(x, 0.0, x, high))
        )
    told = list(form.ordinates)[:: max(len(form.ordinates) // 8, 1)]
    items += [Note(part="form", x=x, y=high, text=work.say(high)) for x, high in told if 0.02 < x / chord_m < 0.98]
    items.append(Dimension(part="chord", x0=chord_m, y0=0.0, x1=0.0, y1=0.0, lane=1.0, text=work.say(chord_m)))
    if few:
        for number, arc in enumerate(form.arcs, start=1):
            x, y = arc.point(arc.length_m / 2)
            items += [
                Mark(part=f"centre:{number}", symbol="centre", x=arc.cx, y=arc.cy, label=f"centre {number}"),
                Outline(part=f"centre:{number}", layer="hidden", material="ink", path=line(arc.cx, arc.cy, x, y)),
                Note(
                    part=f"centre:{number}",
                    x=(arc.cx + x) / 2,
                    y=(arc.cy + y) / 2,
                    text=f"radius {work.say(abs(arc.radius_m))}",
                    anchor="start",
                    above=False,
                ),
            ]
    return drawn(
        view="form",
        title="The form",
        summary=f"The form for {form.of}, on its chord of {work.say(chord_m)}, {len(form.ordinates)} ordinates.",
        items=items,
        table=_rows(work, form),
    )


def _rows(work: Work, form: Form) -> tuple[Row, ...]:
    rows = [
        Row(what="Chord", reading=work.say(form.chord_m)),
        Row(what="Round its face", reading=work.say(form.face.girth_m)),
    ]
    if len(form.arcs) <= 4:
        for number, arc in enumerate(form.arcs, start=1):
            rows.append(Row(what=f"Radius {number}, to the face", reading=work.say(abs(arc.radius_m))))
            side = "above" if arc.cy >= 0 else "below"
            rows.append(
                Row(
                    what=f"Centre {number}, from the left end, {side} the chord",
                    reading=f"{work.say(abs(arc.cx))}, {work.say(abs(arc.cy))}",
                )
            )
        for number, (one, _) in enumerate(pairwise(form.face.segments), start=1):
            x, y = one.point(one.length_m)
            rows.append(Row(what=f"Radius changes {number}", reading=f"{work.say(x)} along, {work.say(y)} over"))
    rows += [
        Row(what=f"{work.say(x)} along the chord", reading=f"{work.say(high)} over it") for x, high in form.ordinates
    ]
    return tuple(rows)


def _table(work: Work) -> Sequence[Sequence[object]]:
    """Ordinates, m."""
    form = form_of(work)
    return [("along_m", "over_m"), *((f"{x:.5f}", f"{high:.5f}") for x, high in form.ordinates)]


TABLES = (Table(name="form", label="The form’s ordinates", about="along its chord and over it", rows=_table),)
