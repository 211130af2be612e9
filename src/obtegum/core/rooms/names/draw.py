"""What goes by a name, seen from its end in true size, side by side."""

from obtegum.core.drawing.items import Drawing, Item, Note, Outline, Row, Vertex, drawn
from obtegum.core.drawing.paths import box
from obtegum.core.findings.work import Work
from obtegum.core.rooms.names.found import Reading, read_name

__all__ = ["named"]

GAP_M = 0.05


def named(work: Work) -> Drawing:
    """Tubes as rings, boards as they are sawn, all on one middle line."""
    items, at = list[Item](), 0.0
    ring = work.design.names.kind == "tube"
    for place, each in enumerate(read_name(work), start=1):
        if each.section_m is None:
            continue
        one, other = each.section_m
        half = (one if ring else other) / 2
        at += half
        items += _ring(each, place, at, one, other) if ring else [_plank(each, place, at, one, other)]
        items.append(Note(part=f"named:{place}", x=at, y=-one / 2 - GAP_M / 4, text=str(place), above=False))
        at += half + GAP_M
    if not items:
        items = [Note(part="named", x=0.0, y=0.0, text="nothing to draw of it")]
    rows = enumerate(read_name(work), start=1)
    return drawn(
        view="named",
        title="Side by side",
        summary="What goes by that name, seen from its end, all to one scale.",
        items=items,
        table=tuple(Row(what=f"{place}, {each.what}", reading=each.size) for place, each in rows),
    )


def _circle(x: float, radius_m: float) -> tuple[Vertex, ...]:
    left, right = Vertex(x=x - radius_m, y=0.0), Vertex(x=x + radius_m, y=0.0, radius_m=radius_m)
    return (left, right, Vertex(x=x - radius_m, y=0.0, radius_m=radius_m))


def _ring(each: Reading, place: int, x: float, od_m: float, bore_m: float) -> list[Item]:
    rim = Outline(
        part=f"named:{place}",
        layer="frame",
        material="post",
        closed=True,
        path=_circle(x, od_m / 2),
        label=f"{each.what}, {each.size}",
    )
    if bore_m <= 0:
        return [rim]
    hole = Outline(part=f"bore:{place}", layer="air", material="air", closed=True, path=_circle(x, bore_m / 2))
    return [rim, hole]


def _plank(each: Reading, place: int, x: float, thick_m: float, wide_m: float) -> Outline:
    path = box(x - wide_m / 2, -thick_m / 2, x + wide_m / 2, thick_m / 2)
    label = f"{each.what}, {each.size}"
    return Outline(part=f"named:{place}", layer="frame", material="board", closed=True, path=path, label=label)
