"""How a post is pulled at: a bar over a block with a weight on its end, or a scale between, and what each comes to."""

from obtegum.core.drawing.items import Arrow, Dimension, Drawing, Item, Note, Outline, Row, drawn
from obtegum.core.drawing.paths import box, line
from obtegum.core.findings.skeleton.posts import least_embedment_m
from obtegum.core.findings.skeleton.tubes import post_tube
from obtegum.core.findings.work import Work
from obtegum.core.formulas.anchor.pulled import LEAST_PULLS, allowed
from obtegum.core.values.amount import amount_text

__all__ = ["rig"]

# A bar as it is drawn where its arms aren't told, m.
LONG_M, SHORT_M = 2.0, 0.3
BLOCK_M, BAR_M, SCALE_M = 0.5, 0.05, 0.25


def _lever(work: Work, bar_y: float, short_m: float, long_m: float) -> list[Item]:
    """A bar over a block, a weight at its far end, with both of its arms."""
    reveal_m, far = work.design.posts.reveal_m, short_m + long_m
    block, bar = box(short_m - 0.12, 0.0, short_m + 0.12, bar_y - BAR_M), line(-0.08, bar_y, far + 0.08, bar_y)
    return [
        Outline(part="rig:block", layer="frame", material="board", closed=True, path=block, label="block"),
        Outline(part="rig:bar", layer="frame", material="steel", path=bar, width_m=BAR_M, label="bar"),
        Arrow(part="rig:weight", x0=far, y0=bar_y + 0.45, x1=far, y1=bar_y + 0.05),
        Arrow(part="rig:pull", x0=0.0, y0=reveal_m - 0.45, x1=0.0, y1=reveal_m - 0.05),
        Dimension(part="rig:short", x0=0.0, y0=bar_y, x1=short_m, y1=bar_y, lane=1.0, text=work.say(short_m)),
        Dimension(part="rig:long", x0=far, y0=bar_y, x1=short_m, y1=bar_y, lane=1.0, text=work.say(long_m)),
    ]


def rig(work: Work) -> Drawing:
    """The post, the chain to it, and what pulls; x from the post, y = 0 on the ground."""
    pulls, half = work.record.pulls, post_tube(work).over_m / 2
    deep_m, reveal_m = max(least_embedment_m(work), 0.05), work.design.posts.reveal_m
    long_m, short_m = pulls.long_m or LONG_M, pulls.short_m or SHORT_M
    bar_y = max(reveal_m + 0.25, BLOCK_M + BAR_M)
    far = short_m + long_m
    wide = far + 0.4 if pulls.rig == "lever" else 1.0
    items: list[Item] = [
        Outline(
            part="ground",
            layer="ground",
            material="soil",
            closed=True,
            path=box(-0.5, -deep_m - 0.2, wide, 0.0),
            label="ground",
        ),
        Outline(
            part="post:L",
            layer="frame",
            material="post",
            closed=True,
            path=box(-half, -deep_m, half, reveal_m),
            label="post",
        ),
        Outline(
            part="rig:chain", layer="frame", material="ink", path=line(0.0, reveal_m - 0.05, 0.0, bar_y), label="chain"
        ),
    ]
    said = "the scale reads what it pulls"
    if pulls.rig == "lever":
        items += _lever(work, bar_y, short_m, long_m)
        said = f"pulls {long_m / short_m:.1f} times the weight" if pulls.times else "tell both arms of the bar"
    else:
        scale = box(-0.06, bar_y, 0.06, bar_y + SCALE_M)
        items += [
            Outline(part="rig:scale", layer="frame", material="board", closed=True, path=scale, label="scale"),
            Arrow(part="rig:pull", x0=0.0, y0=bar_y + SCALE_M, x1=0.0, y1=bar_y + SCALE_M + 0.4),
        ]
    items.append(Note(part="rig:pull", x=wide / 2, y=-deep_m - 0.2, text=said, above=False))
    held = pulls.held("up")
    units = work.tape.units
    rows = [
        Row(what=f"pull {number}", reading=amount_text(each, "force", units, "down"))
        for number, each in enumerate(held, start=1)
    ]
    if (holds_n := allowed(held)) is not None:
        rows.append(Row(what="allowed, half of the lowest", reading=amount_text(holds_n, "force", units, "down")))
    least = LEAST_PULLS
    return drawn(
        view="rig",
        title="Pull test",
        summary=f"A post is pulled up until it moves; {said}. At least {least} posts, half of the lowest is allowed.",
        items=items,
        beside_m=(0.1, 0.15, 0.1, 0.2),
        table=tuple(rows) or (Row(what="Pulls", reading="none read yet"),),
    )
