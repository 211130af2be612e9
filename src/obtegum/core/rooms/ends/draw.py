"""An end wall to scale: every stick with its letter, cut to the bow; what opens, how it opens, and who goes through."""

from collections.abc import Iterator
from typing import Literal

from obtegum.core.documents.ends import EndWall, Side
from obtegum.core.documents.job import Job
from obtegum.core.drawing.items import Dimension, Drawing, Grower, Handle, Item, Note, Outline, Row, Vertex, drawn
from obtegum.core.drawing.paths import box, chain_path, line
from obtegum.core.findings.skeleton.braces import brace_tube
from obtegum.core.findings.skeleton.openings import Opened
from obtegum.core.findings.skeleton.outline import end_bow, end_of, half_m, stud_tube
from obtegum.core.findings.skeleton.tubes import bow_tube
from obtegum.core.findings.work import Work
from obtegum.core.rooms.ends.fields import shown_opening
from obtegum.core.rooms.ends.leaf import leaves_of
from obtegum.core.rooms.ends.passing import Passing, passing
from obtegum.core.rooms.ends.props import struts_of
from obtegum.core.rooms.ends.wall import SQUARE_RAD, Stick, end_boards, stakes_m, wall_of
from obtegum.core.values.quantity import angle_text

__all__ = ["back", "front", "told"]

# What an opening is called on the drawing.
WORDS = {
    "door": "door", "swing": "door", "way": "way", "flap": "flap", "window": "window", "louvre": "louvre",
    "intake": "intake", "fan": "fan",
}  # fmt: skip
# How high on a plumb stick its letter stands, of what is over the ground.
LETTER_UP = 0.14
WHEEL_M, TRAY_M = 0.2, 0.3


def front(work: Work) -> Drawing:
    """The front end."""
    return _end(work, "front")


def back(work: Work) -> Drawing:
    """The back end, seen through the house from the front."""
    return _end(work, "back")


def _end(work: Work, side: Side) -> Drawing:
    wall, end, half, tube = wall_of(work, side), end_of(work, side), half_m(work, side), bow_tube(work)
    items: list[Item] = [
        Outline(
            part="ground", layer="ground", material="soil", closed=True, label="ground",
            path=box(-half - 0.4, -max(end.deep_m, 0.3) - 0.15, half + 0.4, 0.0),
        ),
        Outline(
            part="bow", layer="frame", material=tube.material, width_m=tube.od_m, label="end bow",
            path=chain_path(end_bow(work, side)),
        ),
    ]  # fmt: skip
    rows = list[Row]()
    material: Literal["board", "steel"] = "board" if stud_tube(work, side) is None else "steel"
    for stick in wall.sticks:
        items += _stick(side, stick, material)
        rows.append(Row(what=f"{stick.letter}, {stick.what}", reading=told(work, stick)))
    for number, (left, right) in enumerate(end_boards(work, side), start=1):
        path = box(left, 0.0, right, -0.05)
        items.append(
            Outline(
                part=f"{side}:board:{number}",
                layer="frame",
                material="board",
                closed=True,
                label="end board",
                path=path,
            )
        )
    for number, x in enumerate(stakes_m(work, side), start=1):
        path = line(x, 0.1, x, -0.4)
        items.append(
            Outline(
                part=f"{side}:stake:{number}", layer="hidden", material="board", width_m=0.03, path=path, label="stake"
            )
        )
    for strut in struts_of(work, side):
        (_, x0, y0), (_, x1, y1) = strut.ends
        items.append(
            Outline(
                part=f"{side}:strut:{strut.letter}", layer="frame", material="steel", width_m=brace_tube(work).od_m,
                path=line(x0, y0, x1, y1), label="strut, down to the second bow’s foot",
            )
        )  # fmt: skip
    for opening in wall.openings:
        items += _opening(work, side, end, opening)
        rows.append(Row(what=_name(opening), reading=_where(work, side, opening)))
    for number, leaf in enumerate(leaves_of(work, side), start=1):
        said = f"{work.say(leaf.wide_m, 'down')} × {work.say(leaf.high_m, 'down')}, diagonal {work.say(leaf.square_m)}"
        rows.append(Row(what=f"Leaf {number}", reading=said))
    what = {"open": "left open", "covered": "covered, without a frame"}.get(end.kind, f"{len(wall.sticks)} sticks")
    return drawn(
        view=side,
        title=side.capitalize(),
        summary=f"The {side}, seen from the front: {what}.",
        items=items,
        beside_m=0.15,
        table=tuple(rows) or (Row(what=side.capitalize(), reading=what),),
    )


def _name(opening: Opened) -> str:
    return "Door" if opening.name == "door" else f"Opening {opening.name}, {WORDS[opening.what]}"


def _where(work: Work, side: Side, each: Opened) -> str:
    from_left = work.say(each.left + half_m(work, side))
    up = "" if each.walked else f", {work.say(each.low)} up"
    return f"{work.say(each.wide_m, 'down')} × {work.say(each.high_m, 'down')}, {from_left} from the left post{up}"


def told(work: Work, stick: Stick) -> str:
    """A stick as it is cut."""
    first, last = stick.bevels_rad
    if max(first, last) < SQUARE_RAD:
        return f"{work.say(stick.long_m)}, square"
    points = f"long point {work.say(stick.long_m)}, short point {work.say(stick.short_m)}"
    if stick.plumb:
        return f"{points}, bevel {angle_text(first, 'nearest')}{_passes(work, stick)}"
    ends = [
        f"{name} {angle_text(one, 'nearest')}" for name, one in (("left", first), ("right", last)) if one > SQUARE_RAD
    ]
    return f"{points}, bevel {', '.join(ends)}"


def _passes(work: Work, stick: Stick) -> str:
    """How a head passes the bow."""
    if stick.head is None:
        return ""
    notched = "" if stick.head.notch is None else f"; notch from {work.say(min(stick.head.notch), 'down')}"
    return f"{notched}; bolt at {work.say(stick.head.bolt_m)}"


def _stick(side: Side, stick: Stick, material: Literal["board", "steel"]) -> list[Item]:
    (x0, y0), (x1, y1) = stick.ends
    part = f"{side}:{stick.letter}"
    # Plumb ones are lettered low, level ones in their middle, out of each other's way.
    foot = max(y0, 0.0)
    middle = ((x0 + x1) / 2, foot + LETTER_UP * (y1 - foot) if stick.plumb else y0)
    return [
        Outline(
            part=part, layer="frame", material=material, closed=True, label=f"{stick.letter}, {stick.what}",
            path=tuple(Vertex(x=x, y=y) for x, y in stick.corners),
        ),
        Note(part=part, x=middle[0], y=middle[1], text=stick.letter),
    ]  # fmt: skip


def _opening(work: Work, side: Side, end: EndWall, each: Opened) -> Iterator[Item]:
    """An opening: how its leaf moves, and, of the ones at hand, its sizes and grips."""
    yield from _moves(end, each)
    job = Job(work.design, work.record)
    place = None if each.name == "door" else int(each.name) - 1
    if place is None:
        path = f"ends.{side}"
        yield from _passed(work, side, each)
    else:
        path = f"ends.{side}.openings.{place}"
        yield Note(
            part=f"opening:{each.name}", x=(each.left + each.right) / 2, y=(each.low + each.high) / 2,
            text=f"{each.name}, {WORDS[each.what]}",
        )  # fmt: skip
    if side != work.design.ends.shown or place != shown_opening(job):
        return
    part, middle, level = f"opening:{each.name}", (each.left + each.right) / 2, (each.low + each.high) / 2
    wide, high = work.say(each.wide_m), work.say(each.high_m)
    yield Dimension(
        part=part, x0=each.right, y0=each.low, x1=each.left, y1=each.low, text=wide, measure=f"{path}.wide_m"
    )
    yield Dimension(
        part=part, x0=each.left, y0=each.low, x1=each.left, y1=each.high, text=high, measure=f"{path}.high_m"
    )
    yield Handle(measure=f"{path}.high_m", x=middle, y=each.high, dx=0.0, dy=1.0)
    if each.name == "door" or end.openings[int(each.name) - 1].left_m is not None:
        yield Handle(measure=f"{path}.left_m", x=each.left, y=level, dx=1.0, dy=0.0)
    yield Handle(measure=f"{path}.wide_m", x=each.right, y=level, dx=1.0, dy=0.0)
    if not each.walked:
        yield Handle(measure=f"{path}.low_m", x=middle, y=each.low, dx=0.0, dy=1.0)


def _moves(end: EndWall, each: Opened) -> Iterator[Item]:
    """The edge of an opening, and lines from its hinges to where it is latched."""
    part = f"opening:{each.name}"
    yield Outline(
        part=part, layer="hidden", material="ink", closed=False, label=_name(each).lower(),
        path=(*box(each.left, each.low, each.right, each.high), Vertex(x=each.left, y=each.low)),
    )  # fmt: skip
    level = (each.low + each.high) / 2
    hung_left = end.hung == "left" if each.name == "door" else True
    hinges = [(hung_left, each.left, each.right)] if each.what in ("swing", "window") else []
    if each.what == "double":
        middle = (each.left + each.right) / 2
        hinges = [(True, each.left, middle), (False, middle, each.right)]
    for on_left, low_x, high_x in hinges:
        hinge, latch = (low_x, high_x) if on_left else (high_x, low_x)
        yield _fold(part, (hinge, each.low), (latch, level), (hinge, each.high))
    if each.what == "flap":
        yield _fold(part, (each.left, each.high), ((each.left + each.right) / 2, each.low), (each.right, each.high))
    if each.what == "sliding":
        shift = -each.wide_m if hung_left else each.wide_m
        left, right = each.left + shift, each.right + shift
        path = (*box(left, each.low, right, each.high), Vertex(x=left, y=each.low))
        yield Outline(part=part, layer="hidden", material="ink", label="the leaf, slid open", path=path)


def _fold(part: str, *points: tuple[float, float]) -> Outline:
    path = tuple(Vertex(x=x, y=y) for x, y in points)
    return Outline(part=part, layer="construction", material="ink", label="hinged there", path=path)


def _passed(work: Work, side: Side, way: Opened) -> Iterator[Item]:
    """What should go through the doorway, drawn in it where it fits."""
    what = work.design.ends.passes
    room = passing(work, side, what)
    if room is None:
        return
    middle, tall = (way.left + way.right) / 2, work.design.size.figure.height_m
    if what in ("grower", "barrow") and tall < way.high:
        yield Grower(x=middle, y=0.0, height_m=tall, width_m=0.5, upright=True)
    if what != "grower":
        yield from _pushed(what, middle, room)


def _pushed(what: str, x: float, room: Passing) -> Iterator[Item]:
    """A barrow's tray and wheel, or a tractor's wheels and body, as wide as they are, seen from the front."""
    half = room.wide_m / 2
    shapes = {
        "barrow": ((x - WHEEL_M / 4, 0.0, x + WHEEL_M / 4, TRAY_M), (x - half, TRAY_M, x + half, 2 * TRAY_M)),
        "tractor": (
            (x - half, 0.0, x - half + WHEEL_M, 0.6), (x + half - WHEEL_M, 0.0, x + half, 0.6),
            (x - half / 2, 0.3, x + half / 2, 1.0),
        ),
        "former": (
            (x - half, 0.0, x - half + WHEEL_M, 0.9), (x + half - WHEEL_M, 0.0, x + half, 0.9),
            (x - half / 2, 0.4, x + half / 2, room.high_m),
        ),
    }  # fmt: skip
    for x0, y0, x1, y1 in shapes[what]:
        corners = (*box(x0, y0, x1, y1), Vertex(x=x0, y=y0))
        yield Outline(part="passes", layer="construction", material="ink", path=corners, label=room.words)
