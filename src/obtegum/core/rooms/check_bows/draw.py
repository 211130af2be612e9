"""The bows as measured, all over one another against the plan."""

from collections.abc import Iterator

from obtegum.core.drawing.items import Dimension, Drawing, Item, Note, Outline, Row, drawn
from obtegum.core.drawing.paths import chain_path, line
from obtegum.core.findings.skeleton.bays import bays_of
from obtegum.core.findings.skeleton.lying import lying_bow, lying_height_m, lying_span_m, lying_straight_m
from obtegum.core.findings.skeleton.tubes import bow_tube
from obtegum.core.findings.work import Work
from obtegum.core.formulas.bows.as_bent import as_bent
from obtegum.core.rooms.check_bows.checks import quarter_height
from obtegum.core.rooms.check_bows.found import judged_bows, share_for_width

__all__ = ["bow_set"]

BESIDE_M = 0.6
TIMES = (1, 2, 5, 10, 20)
# The largest difference is drawn as about this share of the width.
SHARE = 0.12


def _widths(work: Work) -> list[float]:
    return [check.width_m for check in work.record.bows.values() if check.width_m is not None]


def bow_set(work: Work) -> Drawing:
    """The planned bow in its tube's width, every measured one as a line bent to its width."""
    judged, span_m, height_m = judged_bows(work), lying_span_m(work), lying_height_m(work)
    reach = max([span_m * (1 + SHARE), *_widths(work)]) / 2 + BESIDE_M
    items: list[Item] = [
        Outline(
            part="ground",
            layer="ground",
            material="ink",
            path=line(-reach, 0.0, reach, 0.0),
            label="line between the ends",
        ),
        Outline(
            part="planned",
            layer="frame",
            material=bow_tube(work).material,
            path=chain_path(lying_bow(work)),
            width_m=bow_tube(work).od_m,
            label="bow as planned",
        ),
    ]
    tops = [height_m]
    off_m = max((abs(width - span_m) for width in _widths(work)), default=0.0)
    times = max((each for each in TIMES if each * off_m <= SHARE * span_m), default=1)
    for each in judged:
        width_m = work.record.bows[str(each.bow)].width_m
        enlarged = None if width_m is None else span_m + (width_m - span_m) * times
        kept = None if enlarged is None or each.kept is None else share_for_width(work)(enlarged)
        if kept is not None:
            out = as_bent(lying_bow(work), lying_straight_m(work), kept)
            tops.append(out.height_m)
            path = chain_path(out.bow)
            items.append(
                Outline(part=f"bow:{each.bow}", layer="hidden", material="ink", path=path, label=f"bow {each.bow}")
            )
    if not judged:
        items.append(Note(part="planned", x=0.0, y=height_m * 0.55, text="no bow measured yet", above=False))
    quarter_m = quarter_height(lying_bow(work), span_m)
    items += [
        Dimension(part="line", x0=span_m / 2, y0=0.0, x1=-span_m / 2, y1=0.0, lane=1.0, text=work.say(span_m)),
        Dimension(part="line", x0=0.0, y0=0.0, x1=0.0, y1=height_m, lane=0.0, text=work.say(height_m)),
        *(
            Dimension(part="line", x0=x, y0=0.0, x1=x, y1=quarter_m, lane=0.0, text=work.say(quarter_m))
            for x in (-span_m / 4, span_m / 4)
        ),
        Note(part="ground", x=0.0, y=0.0, text="measure from here", above=False),
    ]
    rows = tuple(_rows(work))
    return drawn(
        view="set",
        title="The set" if times == 1 or not judged else f"The set, differences × {times}",
        summary=f"{len(judged)} of {bays_of(work).bows} bows measured, each drawn over the plan by its width.",
        items=items,
        beside_m=(0.0, 0.2, 0.0, 0.0),
        table=rows or (Row(what="Bows", reading="none measured yet"),),
    )


def _rows(work: Work) -> Iterator[Row]:
    """Every reading of the bows that were measured."""
    for each in judged_bows(work):
        check = work.record.bows[str(each.bow)]
        for name in ("width", "height", "left", "right", "twist"):
            value = getattr(check, f"{name}_m")
            if value is not None:
                yield Row(what=f"Bow {each.bow}, {name}", reading=work.say(value))
