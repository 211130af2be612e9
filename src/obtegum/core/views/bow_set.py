"""The bows as measured, all over one another against the plan."""

from obtegum.core.bows.as_bent import as_bent
from obtegum.core.drawing import Dimension, Drawing, Item, Note, Outline, Row, chain_path, line
from obtegum.core.steps.check_bows import judged_bows
from obtegum.core.work import Work

__all__ = ["bow_set"]

BESIDE_M = 0.6


def bow_set(work: Work) -> Drawing:
    """The planned bow in its tube's width, every measured one as a line bent to its width."""
    size, judged = work.design.size, judged_bows(work)
    straight = work.straight_m if work.formed else []
    reach = max([size.span_m, *(check.width_m or 0.0 for check in work.record.bows.values())]) / 2 + BESIDE_M
    items: list[Item] = [
        Outline(part="ground", layer="ground", material="ink", path=line(-reach, 0.0, reach, 0.0), label="floor"),
        Outline(
            part="planned",
            layer="frame",
            material=work.bow_tube.material,
            path=chain_path(work.bow),
            width_m=work.bow_tube.od_m,
            label="bow as planned",
        ),
    ]
    tops = [size.height_m]
    for each in judged:
        if each.kept is not None:
            out = as_bent(work.bow, straight, each.kept)
            tops.append(out.height_m)
            path = chain_path(out.bow)
            items.append(
                Outline(part=f"bow:{each.bow}", layer="hidden", material="ink", path=path, label=f"bow {each.bow}")
            )
    if not judged:
        items.append(Note(part="planned", x=0.0, y=size.height_m * 0.4, text="no bow measured yet", above=False))
    items.append(
        Dimension(
            part="line", x0=size.span_m / 2, y0=0.0, x1=-size.span_m / 2, y1=0.0, lane=1.0, text=work.say(size.span_m)
        )
    )
    rows = []
    for each in judged:
        check = work.record.bows[str(each.bow)]
        for name in ("width", "height", "left", "right", "twist"):
            value = getattr(check, f"{name}_m")
            if value is not None:
                rows.append(Row(what=f"Bow {each.bow}, {name}", reading=work.say(value)))
    return Drawing(
        view="set",
        title="The set",
        summary=f"{len(judged)} of {work.bays.bows} bows measured, each drawn over the plan by its width.",
        x0=-reach,
        y0=-0.2,
        x1=reach,
        y1=max(tops) + work.bow_tube.od_m,
        items=tuple(items),
        table=tuple(rows) or (Row(what="Bows", reading="none measured yet"),),
    )
