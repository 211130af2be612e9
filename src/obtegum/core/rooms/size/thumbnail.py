"""How a house looks from across the yard: its section and its long side, side by side, to scale."""

from obtegum.core.drawing.items import Drawing, Grower, Item, Outline, Row, drawn
from obtegum.core.drawing.paths import box, chain_path, line, moved
from obtegum.core.findings.skeleton.bays import bays_of
from obtegum.core.findings.skeleton.line import centre_line
from obtegum.core.findings.skeleton.tubes import bow_tube
from obtegum.core.findings.work import Work

__all__ = ["thumbnail"]

APART_M = 1.6


def thumbnail(work: Work) -> Drawing:
    """End and long side on one ground line; x from the left foot of the end, m."""
    size = work.design.size
    start = size.span_m + APART_M
    end = start + size.length_m
    bow = tuple(moved(vertex, size.span_m / 2) for vertex in chain_path(centre_line(work)))
    items: list[Item] = [
        Outline(part="skin", layer="air", material="air", closed=True, path=bow),
        Outline(part="bow", layer="frame", material=bow_tube(work).material, path=bow, width_m=bow_tube(work).od_m),
        Outline(
            part="skin",
            layer="air",
            material="air",
            closed=True,
            path=box(start, 0.0, end, size.height_m),
        ),
        *(
            Outline(
                part=f"bow:{place}",
                layer="frame",
                material=bow_tube(work).material,
                path=line(start + station, 0.0, start + station, size.height_m),
                width_m=bow_tube(work).od_m,
            )
            for place, station in enumerate(bays_of(work).stations_m, start=1)
        ),
        Outline(
            part="crown",
            layer="frame",
            material=bow_tube(work).material,
            path=line(start, size.height_m, end, size.height_m),
            width_m=bow_tube(work).od_m,
        ),
        Outline(part="ground", layer="ground", material="ink", path=line(0.0, 0.0, end, 0.0)),
        Grower(
            x=size.span_m / 2,
            y=0.0,
            height_m=size.figure.height_m,
            width_m=work.rules.figure_width_m,
            upright=size.height_m > size.figure.height_m,
        ),
    ]
    return drawn(
        view="yard",
        title="In the yard",
        summary=f"The end and the long side of {work.design.name}.",
        items=items,
        table=(
            Row(what="Width", reading=work.say(size.span_m)),
            Row(what="Length", reading=work.say(size.length_m)),
            Row(what="Height", reading=work.say(size.height_m)),
        ),
    )
