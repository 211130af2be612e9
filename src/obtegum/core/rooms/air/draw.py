"""The section with what the night takes through each part, by arrows that are longer where more goes."""

import math

from obtegum.core.drawing.items import Arrow, Drawing, Item, Note, Outline, Row, drawn
from obtegum.core.drawing.paths import line
from obtegum.core.findings.work import Work
from obtegum.core.rooms.air.found import heat_of, opens_of
from obtegum.core.rooms.size.across import frame_outlines
from obtegum.core.values.amount import amount_text

__all__ = ["losses"]

LONGEST_M = 1.2


def losses(work: Work) -> Drawing:
    """Through the cover, the ends, with the air, along the ground; and where sides open."""
    size, heat, opens = work.design.size, heat_of(work), opens_of(work)
    half = size.span_m / 2
    items: list[Item] = [
        Outline(
            part="ground", layer="ground", material="ink", path=line(-half - 1.0, 0.0, half + 1.0, 0.0), label="ground"
        ),
        *frame_outlines(work),
    ]
    rows = list[Row]()
    if heat is not None:
        most = max(heat.cover_w, heat.ends_w, heat.air_w, heat.ground_w)
        told = (
            ("cover", heat.cover_w, (half * 0.75, size.height_m * 0.82), (0.6, 0.8)),
            ("ends", heat.ends_w, (0.0, size.height_m * 0.35), (-1.0, 0.0)),
            ("air", heat.air_w, (-half * 0.75, size.height_m * 0.82), (-0.6, 0.8)),
            ("ground", heat.ground_w, (half, 0.0), (0.9, -0.35)),
        )
        for name, loss_w, (x, y), (dx, dy) in told:
            long = LONGEST_M * math.sqrt(loss_w / most)
            part = f"loss:{name}"
            text = f"{name} {amount_text(loss_w, 'power', work.tape.units, 'up')}"
            items.append(Arrow(part=part, x0=x, y0=y, x1=x + dx * long, y1=y + dy * long))
            items.append(
                Note(
                    part=part,
                    x=x + dx * (long + 0.15),
                    y=y + dy * (long + 0.15),
                    text=text,
                    anchor="start" if dx > 0 else "end",
                )
            )
            rows.append(
                Row(what=f"Through the {name}" if name != "air" else "With the air", reading=text.split(" ", 1)[1])
            )
    else:
        items.append(Note(part="air", x=0.0, y=size.height_m * 0.4, text="no night told yet"))
    if opens.sides_m2 > 0:
        for side in (-1.0, 1.0):
            x = side * (half + 0.06)
            low = work.design.boards.hip_m - opens.high_m
            path = line(x, low, x, work.design.boards.hip_m)
            items.append(Outline(part="open", layer="string", material="string", path=path, label="opens"))
        rows.append(Row(what="Each side opens", reading=work.say(opens.high_m, "down")))
    return drawn(
        view="losses",
        title="Warmth lost",
        summary="The section, with what the coldest night takes through each part of the house.",
        items=items,
        beside_m=(1.2, 0.4, 1.6, 0.3),
        table=tuple(rows),
    )
