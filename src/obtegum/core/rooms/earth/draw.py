"""The pad over the ground, from above."""

from obtegum.core.drawing.items import Drawing, Item, Outline, Row, Segments, Vertex
from obtegum.core.drawing.paths import box
from obtegum.core.findings.skeleton.bays import bays_of, strung
from obtegum.core.findings.skeleton.levels import lie_of
from obtegum.core.findings.work import Work
from obtegum.core.rooms.level.ground import contours, ground_drawing, read_pegs
from obtegum.core.rooms.set_out.base import corners, strings

__all__ = ["pad"]


def pad(work: Work) -> Drawing:
    """The pad over the ground, and the line where it meets it."""
    (length_m, width_m), margin = strung(work), work.design.pad.margin_m
    lie = lie_of(work)
    over = box(-margin, -margin, length_m + margin, width_m + margin)
    items: list[Item] = [
        Outline(part="pad", layer="ground", material="soil", closed=True, path=over, label="pad"),
        *contours(work),
        *strings(work),
    ]
    summary = "The ground stays as it lies, and the posts take up its fall."
    if lie is not None and lie.padded:
        height = lie.datum.at(0.0)
        ends = tuple((*one, *other) for one, other in lie.terrain.meeting(lie.datum.at_a_m, lie.datum.fall))
        items.append(Segments(part="meeting", style="meeting", ends=ends))
        above = height - max(lie.heights.values())
        where = "above" if above >= 0 else "below"
        summary = (
            f"The pad at A lies {work.say(abs(above))} {where} the highest peg. "
            "The heavy line is where it meets the ground, the fine one round it the foot of its side slopes."
        )
    if lie is not None and lie.banks is not None:
        at = (lie.datum.at_a_m, lie.datum.fall, work.design.pad.slope)
        items.append(_toe(lie.banks.toe(*at)))
    items += [*read_pegs(work), *corners(work)]
    return ground_drawing(work, "earth", "Pad", summary, items, _pad_rows(work))


def _toe(places: list[tuple[float, float]]) -> Outline:
    """The foot of the side slopes, going round."""
    path = tuple(Vertex(x=x, y=y) for x, y in (*places, places[0]))
    return Outline(part="pad:toe", layer="construction", material="ink", path=path, label="foot of the side slopes")


def _pad_rows(work: Work) -> tuple[Row, ...]:
    """How far each corner's peg has to be cut or filled."""
    lie, last = lie_of(work), bays_of(work).bows
    if lie is None:
        return (Row(what="Levels", reading="none yet"),)
    rows = []
    for letter, name in (("A", "L1"), ("B", f"L{last}"), ("C", f"R{last}"), ("D", "R1")):
        height = lie.heights.get(name)
        if height is None:
            continue
        more = lie.datum.at(lie.places[name][0]) - height if lie.padded else 0.0
        verb = "filled" if more >= 0 else "cut"
        rows.append(Row(what=f"Ground at {letter}, {verb} by", reading=work.say(abs(more))))
    return tuple(rows)
