"""The roof laid flat with each sheet in the order of laying, and both ends with theirs."""

from obtegum.core.documents.ends import SIDES
from obtegum.core.drawing.items import Dimension, Drawing, Item, Note, Outline, Row, Vertex, drawn
from obtegum.core.drawing.paths import box, chain_path, line, moved
from obtegum.core.findings.skeleton.outline import end_bow
from obtegum.core.findings.skeleton.tubes import bow_tube
from obtegum.core.findings.work import Work
from obtegum.core.formulas.profile import Chain
from obtegum.core.rooms.sheets.found import end_sheets, laid, roof_of, supports_m

__all__ = ["end_sheets_drawn", "sheets"]

GAP_M, MANY, ALONG = 1.0, 12, 24


def _none(view: str, title: str, words: str) -> Drawing:
    ground = Outline(part="ground", layer="ground", material="ink", path=line(-1.0, 0.0, 1.0, 0.0), label="ground")
    return drawn(
        view=view,
        title=title,
        summary=f"{words.capitalize()}: none of them is told here.",
        items=[ground, Note(part="sheet", x=0.0, y=0.5, text=words)],
        beside_m=(0.2, 0.3, 0.2, 0.2),
        table=(Row(what="Sheets", reading="none"),),
    )


def sheets(work: Work) -> Drawing:
    """The roof's outside laid flat, storm end as it stands: each sheet with its number, laps and rows of screws."""
    if not work.design.sheets.over_roof:
        return _none("sheets", "Sheets over the roof", "no rigid sheets over the roof")
    roof = roof_of(work)
    items = list[Item]()
    for each in laid(work):
        path = box(each.from_m, each.low_m, each.to_m, each.high_m)
        part = f"sheet:{each.number}"
        items += [
            Outline(part=part, layer="air", material="air", closed=True, path=path, label=f"sheet {each.number}"),
            Outline(part=part, layer="construction", material="ink", path=(*path, path[0])),
        ]
        # Where there are many columns, the first of them and each fifth tell their numbers.
        if roof.columns <= MANY or each.column <= 2 or each.column % 5 == 0:
            x, y = (each.from_m + each.to_m) / 2, (each.low_m + each.high_m) / 2
            items.append(Note(part=part, x=x, y=y, text=str(each.number)))
    for place, at in enumerate(supports_m(work), start=1):
        items.append(
            Outline(
                part=f"screw:{place}",
                layer="hidden",
                material="ink",
                path=line(0.0, at, roof.along_m, at),
                label="row of screws",
            )
        )
    items += [
        Outline(
            part="sheet",
            layer="string",
            material="string",
            path=line(0.0, roof.over_m / 2, roof.along_m, roof.over_m / 2),
            label="crown",
        ),
        Dimension(part="sheet", x0=0.0, y0=0.0, x1=0.0, y1=roof.over_m, lane=1.0, text=work.say(roof.over_m, "up")),
        Dimension(part="sheet", x0=roof.along_m, y0=0.0, x1=0.0, y1=0.0, lane=1.0, text=work.say(roof.along_m, "up")),
    ]
    storm = work.design.sheets.storm
    x = 0.0 if storm == "front" else roof.along_m
    anchor = "start" if storm == "front" else "end"
    items.append(Note(part="sheet", x=x, y=roof.over_m * 1.03, text="storms come here", anchor=anchor))  # type: ignore[arg-type]
    rows = tuple(
        Row(
            what=f"Sheet {each.number}",
            reading=f"column {each.column}, {work.say(each.from_m)} to {work.say(each.to_m)} along, "
            f"{work.say(each.low_m)} to {work.say(each.high_m)} over",
        )
        for each in laid(work)
    )
    summary = f"{roof.count} sheets over the roof, {roof.columns} along and {roof.up} over, numbered as they are laid."
    return drawn(
        view="sheets",
        title="Sheets over the roof",
        summary=summary,
        items=items,
        beside_m=(0.05 * roof.along_m, 0.05 * roof.over_m, 0.05 * roof.along_m, 0.05 * roof.over_m),
        table=rows,
    )


def end_sheets_drawn(work: Work) -> Drawing:
    """Both ends from outside, each sheet upright with its letter and the heights that it is cut to."""
    if not work.design.sheets.over_ends:
        return _none("end_sheets", "Sheets on the ends", "no rigid sheets on the ends")
    size, half = work.design.size, bow_tube(work).od_m / 2
    items, rows = list[Item](), list[Row]()
    apart = size.span_m + 2 * half + GAP_M
    for place, side in enumerate(SIDES):
        shift = place * apart
        rim = end_bow(work, side).offset(half)
        outline = tuple(moved(vertex, shift) for vertex in chain_path(rim))
        items += [
            Outline(part=f"end:{side}", layer="construction", material="ink", path=outline, label=f"{side} end"),
            Note(part=f"end:{side}", x=shift, y=size.height_m + 0.35, text=side),
        ]
        for each in (sheet for sheet in end_sheets(work) if sheet.side == side):
            part = f"sheet:{side}{each.number}"
            x0, x1 = each.from_m + shift, each.to_m + shift
            path = _cut(rim, each.from_m, each.to_m, shift)
            items += [
                Outline(part=part, layer="air", material="air", closed=True, path=path, label=f"{side} {each.number}"),
                Outline(part=part, layer="hidden", material="ink", path=(*path, path[0])),
                Note(part=part, x=(x0 + x1) / 2, y=each.high_m * 0.3, text=f"{each.number}"),
            ]
            rows.append(
                Row(
                    what=f"{side.capitalize()} {each.number}",
                    reading=f"{work.say(each.to_m - each.from_m, 'up')} wide, edges {work.say(each.left_m, 'up')} and "
                    f"{work.say(each.right_m, 'up')}, highest {work.say(each.high_m, 'up')}",
                )
            )
    items.append(
        Outline(
            part="ground",
            layer="ground",
            material="ink",
            path=line(-size.span_m, 0.0, apart + size.span_m, 0.0),
            label="ground",
        )
    )
    return drawn(
        view="end_sheets",
        title="Sheets on the ends",
        summary=f"{len(rows)} sheets on both ends, each cut to the bow.",
        items=items,
        beside_m=(0.2, 0.2, 0.2, 0.2),
        table=tuple(rows),
    )


def _cut(rim: Chain, low: float, high: float, shift: float) -> tuple[Vertex, ...]:
    """A sheet's outline, its upper edge along the rim."""
    xs = [low + (high - low) * place / ALONG for place in range(ALONG + 1)]
    top = [(x, max((rim.point(s_m)[1] for s_m in rim.at_x(x)), default=0.0)) for x in xs]
    return tuple(Vertex(x=x + shift, y=y) for x, y in ((low, 0.0), *top, (high, 0.0)))
