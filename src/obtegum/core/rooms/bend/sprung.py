"""Sprung pipe: what springing asks of the pipe and of its feet, today and after a season."""

import math
from dataclasses import dataclass
from functools import partial

import numpy as np

from obtegum.core.documents.size import SprungPipe
from obtegum.core.drawing.items import Arrow, Drawing, Item, Note, Outline, Row, Vertex, drawn
from obtegum.core.drawing.paths import chain_path, line
from obtegum.core.drawing.step import Answer
from obtegum.core.drawing.strip import Band, Strip
from obtegum.core.drawing.verdict import Level, Verdict, verdict_on
from obtegum.core.face.answers import amount_answer, length_answer
from obtegum.core.findings.kept import found
from obtegum.core.findings.skeleton.bows import along_tube, split_of, tube_m
from obtegum.core.findings.skeleton.line import centre_line
from obtegum.core.findings.skeleton.stands import way_of
from obtegum.core.findings.skeleton.tubes import bow_tube
from obtegum.core.findings.work import Work
from obtegum.core.formulas.frame.section import Section, round_section
from obtegum.core.formulas.profile import Sprung, round_bow
from obtegum.core.rooms.bend import words
from obtegum.core.rooms.size.across import frame_outlines
from obtegum.core.values.amount import amount_text
from obtegum.core.values.quantity import percent_text

__all__ = ["CAUTION", "Spring", "answers", "next_words", "spring_of", "sprung_drawing", "strips", "verdicts"]

_verdict = partial(verdict_on, "bend", part="bow")

CAUTION = "Sprung pipe whips: nobody in its line, one at each foot, eyes covered; never spring cracked or cold pipe."
# How wide the band of strain is drawn where the pipe would yield, m; how many pieces it is drawn of.
BAND_M, PIECES = 0.35, 72
# How long the arrow of the larger push is drawn, m.
ARROW_M = 0.5
# What steel bears for good, of its yield: all of it, as its stress doesn't fade.
STEEL_FADED = 1.0


@dataclass(frozen=True, eq=False)
class Spring:
    """A sprung pipe and its section; what is left of a stress after a season; its strain and what it bears of that for
    good and at all."""

    pipe: Sprung
    section: Section
    faded: float
    strain: float
    for_good: float
    yields_at: float

    @property
    def push_n(self) -> float:
        """What each foot pushes inward on the pipe, N, on its first day; pulls outward below 0."""
        return self.pipe.push_per_ei * self.section.elastic_pa * self.section.inertia_m4

    @property
    def moment_nm(self) -> float:
        """What holds a foot plumb, N·m, on the first day; none where it is free to turn."""
        if self.pipe.foot == "free":
            return 0.0
        return abs(self.pipe.foot_1_m) * self.section.elastic_pa * self.section.inertia_m4

    @property
    def locked_pa(self) -> float:
        """The largest stress on the first day, Pa."""
        return self.section.elastic_pa * self.strain

    @property
    def share(self) -> float:
        """Of its yield, on the first day."""
        return self.strain / self.yields_at


@found
def spring_of(work: Work) -> Spring | None:
    """What springing does; None where the bows aren't sprung."""
    shape, tube = work.design.size.shape, bow_tube(work)
    if not isinstance(shape, SprungPipe):
        return None
    pipe = shape.sprung(work.design.size.span_m)
    resin = work.catalogue.resins.get(tube.resin)
    yields_at = tube.yield_pa / tube.elastic_pa
    return Spring(
        pipe=pipe,
        section=round_section(tube.od_m, tube.wall_m, tube.yield_pa, tube.elastic_pa),
        faded=resin.faded_share if resin else STEEL_FADED,
        strain=tube.od_m / 2 * pipe.tightest_1_m,
        for_good=resin.strain_for_good if resin else yields_at,
        yields_at=yields_at,
    )


def strain_text(strain: float) -> str:
    """A strain, to a hundredth of a per cent, rounded up."""
    return percent_text(strain, 2, "up")


def verdicts(work: Work) -> list[Verdict]:
    """Whether the pipe bears being sprung so: for good, for some years, or not at all."""
    spring = spring_of(work)
    if spring is None:
        return []
    strain, tight = strain_text(spring.strain), work.say(1 / spring.pipe.tightest_1_m, "down")
    level: Level = "fails" if spring.strain > spring.yields_at else "tight"
    if spring.strain <= spring.for_good:
        level = "holds"
    good, most = percent_text(spring.for_good, 2, "down"), percent_text(spring.yields_at, 2, "down")
    where = _where(work, spring)
    if level == "holds":
        sentence = words.sprung_for_good(tight, where, strain, good)
    elif bow_tube(work).material == "steel":
        sentence = words.sprung_steel(tight, where, strain, most)
    elif level == "fails":
        sentence = words.sprung_too_tight(tight, where, strain, most)
    else:
        left = percent_text(spring.share * spring.faded, 0, "up")
        sentence = words.sprung_for_some_years(tight, where, strain, good, left)
    return [_verdict("spring", "Spring", level, sentence, strain, good, None, rank="stands")]


def _where(work: Work, spring: Spring) -> str:
    at_m = spring.pipe.tightest_at_m
    if at_m < 0.02 * spring.pipe.half_m:
        return "at the crown"
    if at_m > 0.98 * spring.pipe.half_m:
        return "at its feet"
    return f"{work.about(at_m)} from the crown"


def answers(work: Work) -> list[Answer]:
    """Its length, tightest bend, strain, what it locks in, and what its feet take."""
    spring = spring_of(work)
    assert spring is not None
    pipe, units = spring.pipe, work.tape.units
    later = f"about {amount_text(abs(spring.push_n) * spring.faded, 'force', units, 'up')} after a season"
    if spring.push_n >= 0:
        push = amount_answer(work, "thrust", "Spreads its feet with", spring.push_n, "force", later)
    else:
        note = f"it is too short to stand plumb by itself; {later}"
        push = amount_answer(work, "held_out", "Its feet are held out with", -spring.push_n, "force", note)
    halves = pipe.ridge_rad > 0 or pipe.arm_m > 0
    whole = tube_m(work) - 2 * pipe.arm_m
    found = [
        length_answer(work, "pipe", "Pipe in a bow", whole, "two halves" if halves else "what its feet hold with it"),
        length_answer(work, "tightest", "Tightest bend", 1 / pipe.tightest_1_m, f"{_where(work, spring)}, radius"),
        Answer(
            id="strain",
            label="Stretched there by",
            reading=strain_text(spring.strain),
            value=spring.strain,
            unit="share",
            note=f"{percent_text(spring.for_good, 2, 'down')} for good, yields at "
            f"{percent_text(spring.yields_at, 2, 'down')}",
        ),
        Answer(
            id="used",
            label="Of its yield before any weather",
            reading=percent_text(spring.share, 1, "up"),
            value=spring.share,
            unit="share",
            note=f"{percent_text(spring.share * spring.faded, 1, 'up')} after a season",
        ),
        push,
    ]
    if spring.moment_nm > 0:
        found.append(amount_answer(work, "foot_moment", "Bends what holds it plumb by", spring.moment_nm, "torque"))
    else:
        lean = math.degrees(math.pi / 2 - pipe.foot_rad)
        note = "inward" if lean >= 0 else "outward"
        found.append(
            Answer(
                id="foot_lean",
                label="Leans at its feet",
                reading=f"{abs(lean):.1f}°",
                value=abs(math.radians(lean)),
                unit="rad",
                note=note,
            )
        )
    if spring.faded < 1:
        set_m = 1 / (pipe.tightest_1_m * (1 - spring.faded))
        found.append(length_answer(work, "keeps", "Taken out after a season, stays bent to", set_m, "where tightest"))
    return found


def next_words(work: Work) -> str:
    """What to do with the pipe."""
    spring = spring_of(work)
    assert spring is not None
    ends = way_of(work).inside
    if spring.pipe.ridge_rad > 0 or spring.pipe.arm_m > 0:
        return f"Set one foot, {ends}, then the other; join both halves at the ridge last, from a trestle."
    if spring.push_n < 0:
        return f"Set one foot, {ends}; walk the other in, and let go only once its foot is held: it pulls inward."
    return f"Set one foot, {ends}; walk the other end in until it drops in its place. Two people, never in its line."


def strips(work: Work) -> list[Strip]:
    """The whole pipe of a bow laid straight: where its feet let go of it, its crown, its tightest bend."""
    spring, where, whole = spring_of(work), "spring:pipe", tube_m(work)
    if spring is None:
        return []
    bow, insertion_m = centre_line(work), work.design.bows.insertion_m
    crown, way = along_tube(work, bow.girth_m / 2), way_of(work)
    places = [
        (insertion_m, f"{way.top}, bends from here", "socket", "socket:L"),
        (crown, "crown", "crown", "crown"),
        (whole - insertion_m, f"{way.top}, bends to here", "socket", "socket:R"),
    ]
    tight_m = spring.pipe.tightest_at_m + spring.pipe.arm_m
    if 0.02 * spring.pipe.half_m < spring.pipe.tightest_at_m < 0.98 * spring.pipe.half_m:
        places += [(crown - tight_m, "tightest", "bend", "tight:L"), (crown + tight_m, "tightest", "bend", "tight:R")]
    marks = [work.mark(at, what, kind, part, where) for at, what, kind, part in sorted(places)]  # type: ignore[arg-type]
    joints = [
        work.mark(at, f"joint {number}", "joint", f"joint:{number}", where)
        for number, at in enumerate(split_of(work).joints_m, start=1)
    ]
    return [
        Strip(
            id=where,
            title="The pipe of a bow, straight",
            about="tape from the end in the left foot · before it is sprung",
            material="plastic" if bow_tube(work).material == "plastic" else "steel",
            length_m=whole,
            marks=tuple(sorted([*marks, *joints], key=lambda each: each.at_m)),
            bands=(
                Band(from_m=0.0, to_m=insertion_m, what=way.takes, kind="socket"),
                Band(from_m=whole - insertion_m, to_m=whole, what=way.takes, kind="socket"),
            ),
        )
    ]


def sprung_drawing(work: Work) -> Drawing:
    """The pipe as it stands, its strain beside it up to the line where it would yield, the pushes at its feet, and half
    a circle of its height dashed: what a sprung pipe isn't."""
    spring, size = spring_of(work), work.design.size
    assert spring is not None
    items: list[Item] = [_ground(work), *frame_outlines(work)]
    items += [*_band(work, spring), *_feet(work, spring), *_circle(work)]
    said = (
        f"Sprung pipe, {work.say(size.span_m)} wide and {work.say(size.height_m)} high, "
        f"stretched by {strain_text(spring.strain)} {_where(work, spring)}."
    )
    return drawn(
        view="made",
        title="As it springs",
        summary=said,
        items=items,
        beside_m=(0.3, 0.1, 0.3, 0.2),
        table=_table(work, spring),
    )


def _ground(work: Work) -> Outline:
    half = work.design.size.span_m / 2 + 0.8
    return Outline(part="ground", layer="ground", material="ink", path=line(-half, 0.0, half, 0.0), label="ground")


def _band(work: Work, spring: Spring) -> list[Item]:
    """Strain outside the pipe, all along, and the line where it would yield."""
    bow, leg_m, pipe = centre_line(work), work.design.size.leg_m, spring.pipe
    from_m, to_m = leg_m, bow.girth_m - leg_m
    middle, inner, outer, fence = bow.girth_m / 2, list[Vertex](), list[Vertex](), list[Vertex]()
    along = np.linspace(from_m, to_m, PIECES + 1)
    strains = np.abs(pipe.curvatures(np.maximum(np.abs(along - middle) - pipe.arm_m, 0.0))) * bow_tube(work).od_m / 2
    for s_m, strain in zip(along.tolist(), strains.tolist(), strict=True):
        x, y = bow.point(s_m)
        out = bow.heading(s_m) + math.pi / 2
        reach = BAND_M * min(strain / spring.yields_at, 1.4)
        inner.append(Vertex(x=x, y=y))
        outer.append(Vertex(x=x + reach * math.cos(out), y=y + reach * math.sin(out)))
        fence.append(Vertex(x=x + BAND_M * math.cos(out), y=y + BAND_M * math.sin(out)))
    at = min(max(pipe.tightest_at_m + pipe.arm_m, 0.0), middle - leg_m)
    x, y = bow.point(middle - at)
    out = bow.heading(middle - at) + math.pi / 2
    over = spring.strain > spring.yields_at
    return [
        Outline(
            part="strain",
            layer="frame",
            material="ink" if over else "board",
            closed=True,
            path=(*inner, *reversed(outer)),
            label="strain along the pipe",
        ),
        Outline(part="fence", layer="construction", material="ink", path=tuple(fence), label="where it yields"),
        Note(
            part="strain",
            x=x + (BAND_M + 0.12) * math.cos(out),
            y=y + (BAND_M + 0.12) * math.sin(out),
            text=f"{strain_text(spring.strain)}, tightest",
            anchor="end" if math.cos(out) < -0.4 else "middle",
        ),
    ]


def _feet(work: Work, spring: Spring) -> list[Item]:
    """Which way each foot is pushed, and how hard."""
    half, y, found = work.design.size.span_m / 2, work.design.size.leg_m, list[Item]()
    said = amount_text(abs(spring.push_n), "force", work.tape.units, "up")
    line = f"spreads {said}" if spring.push_n >= 0 else f"held out, {said}"
    for side, out in (("L", -1.0), ("R", 1.0)):
        x = out * half
        # The pipe's push on its foot: outward, or inward where it must be held out.
        near, far = x + out * 0.08, x + out * (0.08 + ARROW_M)
        tail, tip = (near, far) if spring.push_n >= 0 else (far, near)
        found.append(Arrow(part=f"push:{side}", x0=tail, y0=y, x1=tip, y1=y))
    found.append(Note(part="push:R", x=half + 0.1, y=y, text=line, anchor="start"))
    return found


def _circle(work: Work) -> list[Item]:
    """An arc through its feet and its crown, where it differs by more than the tube is thick."""
    size = work.design.size
    arc, bow = round_bow(size.span_m, size.leg_m, size.height_m), centre_line(work)
    apart = max(
        abs(bow.point(bow.girth_m * share)[0] - arc.point(arc.girth_m * share)[0]) for share in (0.15, 0.2, 0.25, 0.3)
    )
    if apart < bow_tube(work).od_m:
        return []
    x, y = arc.point(arc.girth_m * 0.8)
    return [
        Outline(part="arc", layer="hidden", material="ink", path=chain_path(arc), label="an arc as high"),
        Note(part="arc", x=x - 0.12, y=y - 0.12, text="dashed: an arc as high", anchor="end", above=False),
    ]


def _table(work: Work, spring: Spring) -> tuple[Row, ...]:
    """Height and strain at every eighth of half the pipe."""
    bow, pipe, rows = centre_line(work), spring.pipe, list[Row]()
    for eighth in range(9):
        from_crown = pipe.half_m * eighth / 8
        s_m = bow.girth_m / 2 - pipe.arm_m - from_crown
        x, y = bow.point(s_m)
        strain = strain_text(abs(pipe.curvature(from_crown)) * bow_tube(work).od_m / 2)
        rows.append(
            Row(
                what=f"{work.say(from_crown)} from the crown",
                reading=f"{work.say(abs(x))} out, {work.say(y)} high, stretched {strain}",
            )
        )
    return tuple(rows)
