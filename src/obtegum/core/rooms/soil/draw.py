"""A test hole beside a post: what was dug over, how far frost goes, where water stands."""

from obtegum.core.drawing.items import Dimension, Drawing, Handle, Item, Note, Outline, Row, drawn
from obtegum.core.drawing.paths import box, line
from obtegum.core.findings.skeleton.posts import least_embedment_m
from obtegum.core.findings.skeleton.stands import way_of
from obtegum.core.findings.skeleton.tubes import post_tube
from obtegum.core.findings.work import Work

__all__ = ["soil"]

WIDE_M, BELOW_M = 0.9, 0.25


def soil(work: Work) -> Drawing:
    """A post in the ground with the lines of frost and water; x from the post, y = 0 on the ground."""
    dug, deep_m, reveal_m = work.design.soil, max(least_embedment_m(work), 0.0), work.design.posts.reveal_m
    half = post_tube(work).od_m / 2
    bottom = -max(deep_m, dug.frost_m or 0.0, dug.water_m or 0.0, dug.disturbed_m, 0.5) - BELOW_M
    items: list[Item] = [
        Outline(
            part="ground",
            layer="ground",
            material="soil",
            closed=True,
            path=box(-WIDE_M, bottom, WIDE_M, 0.0),
            label="ground",
        ),
        *_lines(work),
        Outline(
            part="post:L",
            layer="frame",
            material="post",
            closed=True,
            path=box(-half, -deep_m, half, reveal_m),
            label=way_of(work).one,
        ),
        Dimension(part="embedment", x0=-half, y0=-deep_m, x1=-half, y1=0.0, text=work.say(deep_m, "down")),
    ]
    rows = _rows(work)
    said = [f"{what} {reading}" for what, reading in rows]
    return drawn(
        view="soil",
        title="Test hole",
        summary=f"A {way_of(work).one} {work.say(deep_m, 'down')} in the ground; {', '.join(said) or 'nothing told'}.",
        items=items,
        table=tuple(Row(what=what, reading=reading) for what, reading in rows),
    )


def _rows(work: Work) -> list[tuple[str, str]]:
    soil = work.design.soil
    found = [("dug over", soil.disturbed_m or None), ("frost", soil.frost_m), ("water", soil.water_m)]
    lines = [(what, work.say(at_m)) for what, at_m in found if at_m is not None]
    return [*lines, ("the hole told", soil.notes)] if soil.notes else lines


def _lines(work: Work) -> list[Item]:
    """Each line across the ground, with its name, and the grip that it is moved by."""
    soil, items = work.design.soil, list[Item]()
    lines = (
        ("disturbed", "soil.disturbed_m", "dug over to here", soil.disturbed_m or None, -0.75),
        ("frost", "soil.frost_m", "frost", soil.frost_m, -0.6),
        ("water", "soil.water_m", "water", soil.water_m, -0.45),
    )
    for part, measure, words, at_m, x in lines:
        if at_m is None:
            continue
        items.append(
            Outline(part=part, layer="hidden", material="ink", path=line(-WIDE_M, -at_m, WIDE_M, -at_m), label=words)
        )
        items.append(Note(part=part, x=0.12, y=-at_m, text=f"{words}, {work.say(at_m)}", anchor="start"))
        items.append(Handle(measure=measure, x=x, y=-at_m, dx=0.0, dy=-1.0))
    return items
