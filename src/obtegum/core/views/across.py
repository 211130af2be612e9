"""The cross-section: one bow between its posts, with the grower for scale."""

import math
from typing import Literal

from obtegum.core.bows.beds import Bed
from obtegum.core.design import Gothic, Kneed, Peaked, Size, ThreeCentred
from obtegum.core.drawing import (
    Dimension,
    Drawing,
    Grower,
    Handle,
    Item,
    Mark,
    Note,
    Outline,
    Row,
    box,
    chain_path,
    drawn,
    line,
)
from obtegum.core.profile.gothic import plumb_radius
from obtegum.core.profile.kneed import knee
from obtegum.core.steps.bows import tube_places
from obtegum.core.work import Work

__all__ = ["across", "frame_outlines"]

BESIDE_M = 0.7
SYMBOLS: dict[str, Literal["socket", "bend", "crown"]] = {"socket": "socket", "bend": "bend", "crown": "crown"}
BELOW_M = 0.18


def across(work: Work) -> Drawing:
    """The section with its dimensions and handles; x = 0 on the middle line, y = 0 on the ground."""
    size, embedment_m = work.design.size, work.embedment_m
    half, bottom = size.span_m / 2, -embedment_m - BELOW_M
    ground = Outline(
        part="ground",
        layer="ground",
        material="soil",
        closed=True,
        path=box(-half - BESIDE_M, bottom, half + BESIDE_M, 0.0),
        label="ground",
    )
    items: list[Item] = [ground, *frame_outlines(work), *_in_sockets(work)]
    items += _beds(work)
    items += _radius(work)
    items += _grower(work)
    items += _marks(work)
    items += _dimensions(work)
    items += _shape_handles(work.design.size)
    return drawn(
        view="across",
        title="Across",
        summary=(
            f"One bow, {work.say(size.span_m)} between post centres and {work.say(size.height_m)} high, "
            f"on posts standing {work.say(work.design.posts.reveal_m)} out of the ground."
        ),
        items=items,
        table=_table(work),
    )


def frame_outlines(work: Work) -> list[Outline]:
    """Posts and bow in true size."""
    half, od = work.design.size.span_m / 2, work.post_tube.od_m
    posts = [
        Outline(
            part=f"post:{side}",
            layer="frame",
            material="post",
            closed=True,
            path=box(x - od / 2, -work.embedment_m, x + od / 2, work.design.posts.reveal_m),
            label=f"{name} post",
        )
        for side, name, x in (("L", "left", -half), ("R", "right", half))
    ]
    bow = Outline(
        part="bow",
        layer="frame",
        material=work.bow_tube.material,
        path=chain_path(work.bow),
        width_m=work.bow_tube.od_m,
        label="bow",
    )
    return [*posts, bow]


def _in_sockets(work: Work) -> list[Item]:
    """The ends of the bow inside the posts, hidden."""
    half, reveal_m = work.design.size.span_m / 2, work.design.posts.reveal_m
    end_m = reveal_m - work.design.bows.insertion_m
    return [
        Outline(
            part=f"socket:{side}",
            layer="hidden",
            material="ink",
            path=line(x, end_m, x, reveal_m),
            width_m=work.bow_tube.od_m,
            label=f"bow inside the {name} post",
        )
        for side, name, x in (("L", "left", -half), ("R", "right", half))
    ]


BED_M = 0.12


def _beds(work: Work) -> list[Item]:
    """Beds on the floor, and the crop over the one at the side."""
    left = work.post_tube.od_m / 2 - work.design.size.span_m / 2
    items: list[Item] = []
    for number, bed in enumerate(work.layout.beds, start=1):
        path = box(left + bed.from_m, 0.0, left + bed.to_m, BED_M)
        items += [
            Outline(
                part=f"bed:{number}", layer="frame", material="soil", closed=True, path=path, label=f"bed {number}"
            ),
            Mark(part=f"bed:{number}", symbol="centre", x=left + bed.middle_m, y=BED_M, label=f"bed {number}"),
        ]
    # The crop stands in the side bed that the grower is further from.
    for number, bed in _crop_bed(work):
        x, top = left + bed.middle_m, work.design.inside.crop_m
        part = f"bed:{number}"
        items.append(Outline(part=part, layer="construction", material="ink", path=line(x, BED_M, x, top)))
        items.append(Note(part=part, x=x, y=top, text=work.say(top)))
    return items


def _crop_bed(work: Work) -> list[tuple[int, Bed]]:
    """The side bed that is further from the grower, with its number."""
    beds = list(enumerate(work.layout.beds, start=1))
    left = work.figure_from_left_m < work.design.size.span_m / 2
    return beds[-1:] if left else beds[:1]


def _radius(work: Work) -> list[Item]:
    """Every radius that is bent, from a point of its arc toward its centre."""
    leg_m, items = work.design.size.leg_m, list[Item]()
    for arc in work.bend_kinds:
        over_crown = abs(arc.cx) < 1e-9
        u = arc.length_m / 2 + (min(arc.radius_m * 0.5, arc.length_m / 3) if over_crown else 0.0)
        x, y = arc.point(u)
        floor_y = max(arc.cy, min(leg_m, y - 0.1))
        share = min((y - floor_y) / (y - arc.cy), 1.0) if y - arc.cy > 1e-9 else 1.0
        start_x, start_y = x + (arc.cx - x) * share, y + (arc.cy - y) * share
        items += [
            Outline(part="radius", layer="construction", material="ink", path=line(start_x, start_y, x, y)),
            Note(
                part="radius",
                x=(start_x + x) / 2,
                y=(start_y + y) / 2,
                text=f"radius {work.say(arc.radius_m)}",
                anchor="start" if x < 0 and not over_crown else "end",
                above=False,
            ),
        ]
        if arc.cy >= 0 and abs(arc.cx) <= work.design.size.span_m / 2:
            items.append(Mark(part="centre", symbol="centre", x=arc.cx, y=arc.cy, label="centre of the arc"))
    return items


def _grower(work: Work) -> list[Item]:
    size, width_m = work.design.size, work.rules.figure_width_m
    x = work.figure_from_left_m - size.span_m / 2
    room_m, height_m = work.figure_headroom_m, size.figure.height_m
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
        Handle(measure="figure_at", x=x, y=0.0, dx=1.0, dy=0.0, lane=0.45, lane_dy=-1.0),
    ]


def _marks(work: Work) -> list[Item]:
    """What the tape strip marks on the sticks, at its place on the bow."""
    found: list[Item] = []
    for at_m, what, kind, part in tube_places(work):
        s_m = work.girth_at(at_m)
        x, y = work.bow.point(s_m)
        found.append(Mark(part=part, symbol=SYMBOLS[kind], x=x, y=y, heading_rad=work.bow.heading(s_m), label=what))
    for number, at_m in enumerate(work.split.joints_m, start=1):
        x, y = work.bow.point(work.girth_at(at_m))
        found.append(Mark(part=f"joint:{number}", symbol="joint", x=x, y=y, label=f"joint {number}"))
    return found


def _dimensions(work: Work) -> list[Item]:
    size, posts = work.design.size, work.design.posts
    half, bottom = size.span_m / 2, -work.embedment_m - BELOW_M
    height_m, leg_m = size.height_m, size.leg_m
    items: list[Item] = [
        Dimension(part="span", x0=half, y0=bottom, x1=-half, y1=bottom, text=work.say(size.span_m)),
        Handle(measure="span", x=half, y=bottom, dx=1.0, dy=0.0, gain=2.0, lane=1, lane_dy=-1.0),
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
        ),
        Handle(measure="height", x=half + BESIDE_M, y=height_m, dx=0.0, dy=1.0, lane=1.0, lane_dx=1.0),
        Handle(measure="leg", x=half, y=leg_m, dx=0.0, dy=1.0, lane=1.0, lane_dx=1.0),
        Dimension(
            part="reveal",
            x0=-half,
            y0=0.0,
            x1=-half,
            y1=posts.reveal_m,
            lane=1.0,
            text=work.say(posts.reveal_m),
        ),
        Handle(measure="reveal", x=-half, y=posts.reveal_m, dx=0.0, dy=1.0, lane=1.0, lane_dx=-1.0),
        Dimension(
            part="embedment",
            x0=-half,
            y0=-work.embedment_m,
            x1=-half,
            y1=0.0,
            lane=1.0,
            text=work.say(work.embedment_m, "down"),
        ),
        Handle(measure="post_length", x=-half, y=-work.embedment_m, dx=0.0, dy=-1.0, lane=1.0, lane_dx=-1.0),
    ]
    if leg_m > 0:
        items.append(Dimension(part="leg", x0=half, y0=leg_m, x1=half, y1=0.0, lane=1.0, text=work.say(leg_m)))
    return items


# A pull that would bend nothing at first (pieces in line, an arc of half a circle) still gets this much.
LEAST_GAIN = 0.1


def _shape_handles(size: Size) -> list[Item]:
    """What only this shape lets a hand take hold of, each moving as the bow moves under it at first."""
    shape, half = size.shape, size.span_m / 2
    if isinstance(shape, ThreeCentred | Peaked) and shape.shoulder_m > 0:
        return [Handle(measure="shoulder", x=half - shape.shoulder_m, y=shape.leg_m, dx=-1.0, dy=0.0)]
    if isinstance(shape, Gothic):
        return [_gothic_handle(size, shape)]
    if isinstance(shape, Kneed):
        elbow = knee(size.span_m, shape.leg_m, shape.height_m, shape.lower_m, shape.upper_m)
        # A piece that grows swings the other about its far end, so the elbow goes square to that one.
        over, under = elbow.upper_rad + math.pi / 2, elbow.lower_rad + math.pi / 2
        gain = max(math.sin(elbow.turn_rad), LEAST_GAIN)
        return [
            Handle(measure="lower", x=elbow.x, y=elbow.y, dx=math.cos(over), dy=math.sin(over), gain=gain),
            Handle(measure="upper", x=-elbow.x, y=elbow.y, dx=-math.cos(under), dy=math.sin(under), gain=gain),
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
        measure="arc_radius",
        x=-half / 2 + bulge_m * math.cos(out),
        y=shape.leg_m + rise / 2 + bulge_m * math.sin(out),
        dx=-math.cos(out),
        dy=-math.sin(out),
        gain=gain,
    )


def _table(work: Work) -> tuple[Row, ...]:
    size, posts = work.design.size, work.design.posts
    rows = [
        ("Width between post centres", work.say(size.span_m)),
        ("Height of the crown", work.say(size.height_m)),
        ("Straight leg", work.say(size.leg_m)),
        *(
            (f"Bend radius {n}" if len(work.bend_kinds) > 1 else "Bend radius", work.say(arc.radius_m))
            for n, arc in enumerate(work.bend_kinds, start=1)
        ),
        *(("Centre of the arc above the ground", work.say(arc.cy)) for arc in work.bend_kinds[:1]),
        ("Post above the ground", work.say(posts.reveal_m)),
        ("Post in the ground", work.say(work.embedment_m, "down")),
        *([("Post in the lowest ground", work.say(max(work.least_embedment_m, 0.0), "down"))] if work.uneven else []),
        ("Bow inside the post", work.say(work.design.bows.insertion_m)),
        ("Grower from the left posts", work.say(work.figure_from_left_m)),
        ("Room under the tube there", work.say(work.figure_headroom_m, "down")),
    ]
    for at_m, what, _, _ in tube_places(work):
        _, y = work.bow.point(work.girth_at(at_m))
        rows.append((f"{what[:1].upper()}{what[1:]}, above the ground", work.say(y)))
    return tuple(Row(what=what, reading=reading) for what, reading in rows)
