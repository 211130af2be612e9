"""Beds and crop on the floor of the section."""

from obtegum.core.bows.beds import Bed
from obtegum.core.drawing import Item, Layer, Mark, Note, Outline
from obtegum.core.paths import box, line
from obtegum.core.rooms.bows.tubes import post_tube
from obtegum.core.rooms.inside.found import layout_of
from obtegum.core.rooms.size.found import grower_at_m
from obtegum.core.work import Work

__all__ = ["beds_across"]

# How high a bed is drawn, m.
BED_M = 0.12


def beds_across(work: Work) -> Layer:
    """Beds on the floor, and the crop over the one at the side."""
    left = post_tube(work).od_m / 2 - work.design.size.span_m / 2
    items: list[Item] = []
    for number, bed in enumerate(layout_of(work).beds, start=1):
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
    return Layer(items)


def _crop_bed(work: Work) -> list[tuple[int, Bed]]:
    """The side bed that is further from the grower, with its number."""
    beds = list(enumerate(layout_of(work).beds, start=1))
    left = grower_at_m(work) < work.design.size.span_m / 2
    return beds[-1:] if left else beds[:1]
