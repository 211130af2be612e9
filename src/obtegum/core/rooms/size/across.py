"""The cross-section: one bow between its posts, with the grower for scale."""

import math
from collections.abc import Iterator
from typing import Literal

from obtegum.core.documents.size import Gothic, Kneed, Peaked, Size, SprungPipe, ThreeCentred
from obtegum.core.drawing.items import Dimension, Drawing, Grower, Handle, Item, Note, Outline, Row, drawn
from obtegum.core.drawing.paths import box, chain_path, line
from obtegum.core.findings.skeleton.bending import bend_kinds
from obtegum.core.findings.skeleton.feet import foot_outlines
from obtegum.core.findings.skeleton.line import centre_line, grower_at_m, headroom_m
from obtegum.core.findings.skeleton.posts import embedment_m, least_embedment_m, uneven
from obtegum.core.findings.skeleton.shapes import asked_leg
from obtegum.core.findings.skeleton.stands import foot_of, way_of
from obtegum.core.findings.skeleton.tubes import bow_tube
from obtegum.core.findings.work import Work
from obtegum.core.formulas.profile.gothic import plumb_radius
from obtegum.core.formulas.profile.kneed import knee

__all__ = ["across", "frame_outlines"]

BESIDE_M = 0.7
BELOW_M = 0.18


def across(work: Work) -> Drawing:
    """The section with its dimensions and handles; x = 0 on the middle line, y = 0 on the ground."""
    size = work.design.size
    half, bottom = size.span_m / 2, -embedment_m(work) - BELOW_M
    ground = Outline(
        part="ground",
        layer="ground",
        material="soil",
        closed=True,
        path=box(-half - BESIDE_M, bottom, half + BESIDE_M, 0.0),
        label="ground",
    )
    items: list[Item] = [ground, *frame_outlines(work), *_in_sockets(work)]
    items += _grower(work)
    items += _dimensions(work)
    items += _shape_handles(work.design.size)
    return drawn(
        view="across",
        title="Across",
        summary=(
            f"One bow, {work.say(size.span_m)} between {foot_of(work)[0]} centres and {work.say(size.height_m)} high, "
            f"on {way_of(work).many} standing {work.say(work.design.posts.reveal_m)} out of the ground."
        ),
        items=items,
        table=_table(work),
    )


def frame_outlines(work: Work) -> list[Outline]:
    """What the bow stands on, and the bow, in true size."""
    half = work.design.size.span_m / 2
    posts = [
        outline
        for side, name, x in (("L", "left", -half), ("R", "right", half))
        for outline in foot_outlines(work, side, x, f"post:{side}", f"{name} {way_of(work).one}")
    ]
    bow = Outline(
        part="bow",
        layer="frame",
        material=bow_tube(work).material,
        path=chain_path(centre_line(work)),
        width_m=bow_tube(work).od_m,
        label="bow",
    )
    return [*posts, bow]


def _in_sockets(work: Work) -> list[Item]:
    """The ends of the bow where they stand in or on something, hidden; what laps a stub follows it in sight."""
    if work.design.posts.stand == "curve":
        return []
    half, reveal_m = work.design.size.span_m / 2, work.design.posts.reveal_m
    end_m = reveal_m - work.design.bows.insertion_m
    return [
        Outline(
            part=f"socket:{side}",
            layer="hidden",
            material="ink",
            path=line(x, end_m, x, reveal_m),
            width_m=bow_tube(work).od_m,
            label=f"{name} {way_of(work).one}: {way_of(work).inside}",
        )
        for side, name, x in (("L", "left", -half), ("R", "right", half))
    ]


def _grower(work: Work) -> list[Item]:
    size, width_m = work.design.size, work.rules.figure_width_m
    x = grower_at_m(work) - size.span_m / 2
    room_m, height_m = headroom_m(work), size.figure.height_m
    upright = room_m >= height_m
    over = f"{work.say(room_m - height_m, 'down')} to spare" if upright else "too low here"
    # The words stand on the side of the grower that has more house.
    toward = 1.0 if x <= 0 else -1.0
    beside = x + toward * (width_m / 2 + 0.1)
    anchor: Literal["start", "end"] = "start" if toward > 0 else "end"
    room = f"{work.say(room_m, 'down')} of room"
    words = [
        Note(part="grower", x=beside, y=height_m * 0.8, text=text, anchor=anchor, above=False, row=row)
        for row, text in enumerate((room, over))
    ]
    level = line(x - width_m / 2, room_m, x + width_m / 2, room_m)
    return [
        Grower(x=x, y=0.0, height_m=height_m, width_m=width_m, upright=upright),
        Outline(part="grower", layer="construction", material="ink", path=level),
        *words,
        Handle(measure="size.figure.from_left_m", x=x, y=0.0, dx=1.0, dy=0.0, lane=0.45, lane_dy=-1.0),
    ]


def post_dimensions(work: Work, x: float) -> Iterator[Item]:
    """How far a post at a place across stands out, and how deep it goes, with their grips."""
    up_m, deep_m = work.design.posts.reveal_m, embedment_m(work)
    up = work.say(up_m)
    yield Dimension(part="reveal", x0=x, y0=0.0, x1=x, y1=up_m, lane=1.0, text=up, measure="posts.reveal_m")
    yield Handle(measure="posts.reveal_m", x=x, y=up_m, dx=0.0, dy=1.0, lane=1.0, lane_dx=-1.0)
    deep = work.say(deep_m, "down")
    yield Dimension(part="embedment", x0=x, y0=-deep_m, x1=x, y1=0.0, lane=1.0, text=deep)
    yield Handle(measure="posts.length_m", x=x, y=-deep_m, dx=0.0, dy=-1.0, lane=1.0, lane_dx=-1.0)


def _dimensions(work: Work) -> list[Item]:
    size = work.design.size
    half, bottom = size.span_m / 2, -embedment_m(work) - BELOW_M
    height_m, leg_m = size.height_m, size.leg_m
    items: list[Item] = [
        Dimension(
            part="span", x0=half, y0=bottom, x1=-half, y1=bottom, text=work.say(size.span_m), measure="size.span_m"
        ),
        Handle(measure="size.span_m", x=half, y=bottom, dx=1.0, dy=0.0, gain=2.0, lane=1, lane_dy=-1.0),
        Outline(
            part="height",
            layer="construction",
            material="ink",
            path=line(0.0, height_m, half + BESIDE_M, height_m),
        ),
        Dimension(
            part="height",
            x0=half + BESIDE_M,
            y0=height_m,
            x1=half + BESIDE_M,
            y1=0.0,
            lane=1.0,
            row=1,
            text=work.say(height_m),
            measure="size.shape.height_m",
        ),
        Handle(measure="size.shape.height_m", x=half + BESIDE_M, y=height_m, dx=0.0, dy=1.0, lane=1.0, lane_dx=1.0),
        *(
            Handle(measure=measure, x=half, y=leg_m, dx=0.0, dy=1.0, lane=1.0, lane_dx=1.0)
            for measure in asked_leg(size.shape)
        ),
        *post_dimensions(work, -half),
    ]
    if leg_m > 0 and asked_leg(size.shape):
        items.append(
            Dimension(
                part="leg",
                x0=half,
                y0=leg_m,
                x1=half,
                y1=0.0,
                lane=1.0,
                text=work.say(leg_m),
                measure="size.shape.leg_m",
            )
        )
    return items


# A pull that would bend nothing at first (pieces in line, an arc of half a circle) still gets this much.
LEAST_GAIN = 0.1


def _shape_handles(size: Size) -> list[Item]:
    """What only this shape lets a hand take hold of, each moving as the bow moves under it at first."""
    shape, half = size.shape, size.span_m / 2
    if isinstance(shape, ThreeCentred | Peaked) and shape.shoulder_m > 0:
        return [Handle(measure="size.shape.shoulder_m", x=half - shape.shoulder_m, y=shape.leg_m, dx=-1.0, dy=0.0)]
    if isinstance(shape, Gothic):
        return [_gothic_handle(size, shape)]
    if isinstance(shape, SprungPipe):
        return [_sprung_handle(size, shape)]
    if isinstance(shape, Kneed):
        elbow = knee(size.span_m, shape.leg_m, shape.height_m, shape.lower_m, shape.upper_m)
        # A piece that grows swings the other about its far end, so the elbow goes square to that one.
        over, under = elbow.upper_rad + math.pi / 2, elbow.lower_rad + math.pi / 2
        gain = max(math.sin(elbow.turn_rad), LEAST_GAIN)
        return [
            Handle(measure="size.shape.lower_m", x=elbow.x, y=elbow.y, dx=math.cos(over), dy=math.sin(over), gain=gain),
            Handle(
                measure="size.shape.upper_m", x=-elbow.x, y=elbow.y, dx=-math.cos(under), dy=math.sin(under), gain=gain
            ),
        ]
    return []


def _gothic_handle(size: Size, shape: Gothic) -> Handle:
    """The middle of the left arc, pulled square to its chord: m = R − √(R² − c²/4), so a smaller radius bulges."""
    half, rise = size.span_m / 2, shape.height_m - shape.leg_m
    radius_m = shape.radius_m or plumb_radius(size.span_m, rise)
    chord_m, out = math.hypot(half, rise), math.atan2(rise, half) + math.pi / 2
    reach_m = math.sqrt(max(radius_m**2 - chord_m**2 / 4, 0.0))
    bulge_m = radius_m - reach_m
    gain = max(reach_m / bulge_m, LEAST_GAIN)
    return Handle(
        measure="size.shape.radius_m",
        x=-half / 2 + bulge_m * math.cos(out),
        y=shape.leg_m + rise / 2 + bulge_m * math.sin(out),
        dx=-math.cos(out),
        dy=-math.sin(out),
        gain=gain,
    )


def _sprung_handle(size: Size, shape: SprungPipe) -> Handle:
    """The pipe's left flank, halfway up, pulled outward: it bulges by a part of the pipe that is let in."""
    bow = shape.chain(size.span_m)
    s_m = bow.girth_m / 4
    x, y = bow.point(s_m)
    out = bow.heading(s_m) + math.pi / 2
    return Handle(measure="size.shape.pipe_m", x=x, y=y, dx=math.cos(out), dy=math.sin(out), gain=2.0)


def _table(work: Work) -> tuple[Row, ...]:
    size, posts = work.design.size, work.design.posts
    one = way_of(work).one.capitalize()
    rows = [
        (f"Width between {foot_of(work)[0]} centres", work.say(size.span_m)),
        ("Height of the crown", work.say(size.height_m)),
        *([("Straight leg", work.say(size.leg_m))] if asked_leg(size.shape) else []),
        *(
            (f"Bend radius {n}" if len(bend_kinds(work)) > 1 else "Bend radius", work.say(arc.radius_m))
            for n, arc in enumerate(bend_kinds(work), start=1)
        ),
        *(("Centre of the arc above the ground", work.say(arc.cy)) for arc in bend_kinds(work)[:1]),
        (f"{one} above the ground", work.say(posts.reveal_m)),
        (f"{one} in the ground", work.say(embedment_m(work), "down")),
        *(
            [(f"{one} in the lowest ground", work.say(max(least_embedment_m(work), 0.0), "down"))]
            if uneven(work)
            else []
        ),
        (way_of(work).inside.capitalize(), work.say(work.design.bows.insertion_m)),
        (f"Grower from the left {foot_of(work)[1]}", work.say(grower_at_m(work))),
        ("Room under the tube there", work.say(headroom_m(work), "down")),
    ]
    return tuple(Row(what=what, reading=reading) for what, reading in rows)
