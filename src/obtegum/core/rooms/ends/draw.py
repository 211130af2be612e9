"""An end wall to scale: every stick with its letter, cut to the bow; the doorway, and a grower in it."""

from obtegum.core.drawing import Dimension, Drawing, Grower, Handle, Item, Note, Outline, Row, Vertex, drawn
from obtegum.core.paths import box, chain_path, line
from obtegum.core.quantity import angle_text
from obtegum.core.rooms.bows.tubes import bow_tube
from obtegum.core.rooms.ends.decisions import Side
from obtegum.core.rooms.ends.found import Stick, end_of, leaves_of, wall_of
from obtegum.core.rooms.size.found import centre_line
from obtegum.core.work import Work

__all__ = ["back", "front"]


def front(work: Work) -> Drawing:
    """The front end."""
    return _end(work, "front")


def back(work: Work) -> Drawing:
    """The back end, seen through the house from the front."""
    return _end(work, "back")


def _end(work: Work, side: Side) -> Drawing:
    wall, end, half, tube = wall_of(work, side), end_of(work, side), work.design.size.span_m / 2, bow_tube(work)
    items: list[Item] = [
        Outline(
            part="ground", layer="ground", material="soil", closed=True, label="ground",
            path=box(-half - 0.4, -max(end.deep_m, 0.3) - 0.15, half + 0.4, 0.0),
        ),
        Outline(
            part="bow", layer="frame", material=tube.material, width_m=tube.od_m, label="end bow",
            path=chain_path(centre_line(work)),
        ),
    ]  # fmt: skip
    rows = list[Row]()
    for stick in wall.sticks:
        items += _stick(work, side, stick)
        rows.append(Row(what=f"{stick.letter}, {stick.what}", reading=told(work, stick)))
    if wall.way:
        items += _doorway(work, side, wall.way)
    for number, leaf in enumerate(leaves_of(work, side), start=1):
        said = f"{work.say(leaf.wide_m, 'down')} × {work.say(leaf.high_m, 'down')}, diagonal {work.say(leaf.square_m)}"
        rows.append(Row(what=f"Leaf {number}", reading=said))
    what = f"{len(wall.sticks)} sticks" if wall.sticks else "left open"
    return drawn(
        view=side,
        title=side.capitalize(),
        summary=f"The {side}, seen from the front: {what}.",
        items=items,
        beside_m=0.15,
        table=tuple(rows) or (Row(what=side.capitalize(), reading="left open"),),
    )


def told(work: Work, stick: Stick) -> str:
    """A stick as it is cut."""
    if stick.cut is None:
        return work.say(stick.long_m)
    if stick.cut.bevel_rad < 1e-6:
        return f"{work.say(stick.long_m)}, square"
    bevel = angle_text(stick.cut.bevel_rad, "nearest")
    return f"long point {work.say(stick.long_m)}, short point {work.say(stick.short_m)}, bevel {bevel}"


def _stick(work: Work, side: Side, stick: Stick) -> list[Item]:
    (x0, y0), (x1, y1) = stick.ends
    half = stick.wide_m / 2
    if stick.cut is not None:
        corners = ((x0 - half, y0), (x0 + half, y0), (x0 + half, stick.cut.right_m), (x0 - half, stick.cut.left_m))
    else:
        corners = ((x0, y0 - half), (x1, y0 - half), (x1, y0 + half), (x0, y0 + half))
    part, middle = f"{side}:{stick.letter}", (x0 + (x1 - x0) * (0.5 if stick.cut else 0.2), (max(y0, 0.0) + y1) / 2)
    return [
        Outline(
            part=part, layer="frame", material="board", closed=True, label=f"{stick.letter}, {stick.what}",
            path=tuple(Vertex(x=x, y=y) for x, y in corners),
        ),
        Note(part=part, x=middle[0], y=middle[1], text=stick.letter),
    ]  # fmt: skip


def _doorway(work: Work, side: Side, way: tuple[float, float, float]) -> list[Item]:
    left, right, high = way
    end, figure = end_of(work, side), work.design.size.figure
    items: list[Item] = [
        Outline(part="way", layer="hidden", material="ink", path=line(left, 0.0, left, high), label="way through"),
        Dimension(
            part="way", x0=right, y0=0.0, x1=left, y1=0.0, text=work.say(end.wide_m), measure=f"ends.{side}.wide_m"
        ),
        Dimension(part="way", x0=left, y0=0.0, x1=left, y1=high, text=work.say(high), measure=f"ends.{side}.high_m"),
        Handle(measure=f"ends.{side}.high_m", x=(left + right) / 2, y=high, dx=0.0, dy=1.0),
        Handle(measure=f"ends.{side}.left_m", x=left, y=high / 2, dx=1.0, dy=0.0),
        Handle(measure=f"ends.{side}.wide_m", x=right, y=high / 2, dx=1.0, dy=0.0),
    ]
    if figure.height_m < high:
        items.append(Grower(x=(left + right) / 2, y=0.0, height_m=figure.height_m, width_m=0.5, upright=True))
    return items
