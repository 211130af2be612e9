"""The sheet laid flat with its cuts and lines, and the house with it on."""

from collections.abc import Iterator

from obtegum.core.drawing.items import Dimension, Drawing, Item, Mark, Note, Outline, Row, Vertex, drawn
from obtegum.core.drawing.paths import box, chain_path, line
from obtegum.core.findings.skeleton.bays import bays_of
from obtegum.core.findings.skeleton.fixings import fixing_of
from obtegum.core.findings.skeleton.line import centre_line
from obtegum.core.findings.skeleton.tubes import bow_tube
from obtegum.core.findings.work import Work
from obtegum.core.rooms.cover.found import Reach, edge_up_m, held_by, reach_of, side_eats_m
from obtegum.core.rooms.cover.lines import eyelets_of, lines_of
from obtegum.core.rooms.cover.pulls import film_pulls
from obtegum.core.rooms.size.across import frame_outlines
from obtegum.core.values.amount import amount_text

__all__ = ["covered", "sheet"]

BESIDE_M = 0.8


def sheet(work: Work) -> Drawing:
    """The roll rolled out, what is cut of it, fold by fold: fixing lines, ridge, bows beneath, what is left."""
    if work.design.sheets.over_roof:
        return _none()
    reach, cover = reach_of(work), work.design.cover
    pieces = 2 if cover.pieces == "two" else 1
    wide = reach.roll_wide_m if reach.roll_wide_m is not None else reach.piece_m
    long_m = reach.long_m / pieces
    items, rows = list[Item](), list[Row]()
    for place in range(pieces):
        items += _piece(work, reach, place, wide, long_m)
    left = reach.left_m or 0.0
    if left > 0.05 and reach.roll_long_m is not None:
        low = -(pieces - 1) * (wide + 0.6)
        path = box(long_m + 0.15, low, long_m + 0.15 + left, low + wide)
        items += [
            Outline(part="left", layer="air", material="air", closed=True, path=path, label="left of the roll"),
            Outline(part="left", layer="construction", material="ink", path=(*path, path[0])),
            Note(part="left", x=long_m + 0.15 + left / 2, y=low + wide / 2, text=f"left: {work.say(left, 'down')}"),
        ]
    items.append(
        Dimension(
            part="film",
            x0=long_m,
            y0=_low(pieces, wide),
            x1=0.0,
            y1=_low(pieces, wide),
            lane=1.0,
            text=work.say(long_m, "up"),
        )
    )
    items.append(Dimension(part="film", x0=0.0, y0=0.0, x1=0.0, y1=wide, lane=1.0, text=work.say(wide)))
    rows = [
        Row(what="Sheet, wide", reading=work.say(reach.piece_m, "up")),
        Row(what="Sheet, long", reading=work.say(long_m, "up")),
        Row(what="Over the outside, fixing to fixing", reading=work.say(reach.over_m)),
        Row(what="Taken by each fixing", reading=work.say(side_eats_m(work))),
        Row(what="To pull by and to trim, each side", reading=work.say(cover.tail_m + cover.trim_m)),
        *(
            Row(what=f"{each.where[:1].upper()}{each.where[1:]}, {each.fixing.name}", reading=work.say(each.long_m))
            for each in lines_of(work)
        ),
    ]
    return drawn(
        view="sheet",
        title="The sheet",
        summary=f"The sheet laid flat, {work.say(wide)} wide, {work.say(long_m, 'up')} long, its folds and cuts.",
        items=items,
        beside_m=(0.02 * long_m, 0.05 * wide, 0.02 * long_m, 0.05 * wide),
        table=tuple(rows),
    )


def _none() -> Drawing:
    """No sheet: rigid ones are the roof."""
    ground = Outline(part="ground", layer="ground", material="ink", path=line(-1.0, 0.0, 1.0, 0.0), label="ground")
    return drawn(
        view="sheet",
        title="The sheet",
        summary="Rigid sheets are the roof: there is no sheet of film over it.",
        items=[ground, Note(part="ground", x=0.0, y=0.5, text="rigid sheets are the roof")],
        beside_m=(0.2, 0.3, 0.2, 0.2),
        table=(Row(what="Sheet of film", reading="none"),),
    )


def _low(pieces: int, wide: float) -> float:
    return -(pieces - 1) * (wide + 0.6)


def _piece(work: Work, reach: Reach, place: int, wide: float, long_m: float) -> list[Item]:
    """One piece of the sheet: its outline, its lines, the bows that it lies over."""
    cover, size = work.design.cover, work.design.size
    two = cover.pieces == "two"
    low = -place * (wide + 0.6)
    start = (long_m - size.length_m) / 2
    half, eats = reach.over_m / 2, side_eats_m(work)
    items: list[Item] = [
        Outline(
            part=f"film:{place + 1}",
            layer="air",
            material="air",
            closed=True,
            path=box(0.0, low, long_m, low + wide),
            label="sheet",
        ),
        Outline(
            part=f"film:{place + 1}",
            layer="construction",
            material="ink",
            path=(*box(0.0, low, long_m, low + wide), Vertex(x=0.0, y=low)),
        ),
    ]
    # From the edge at the left side up: both sides on one piece, one on each of two.
    middle = low + wide / 2 if not two else (low + wide - cover.lap_m if place == 0 else low + cover.lap_m)
    lines = [("fold:4", middle, "ridge")]
    if not two or place == 0:
        lines.append(("fold:2", middle - half, "left fixing"))
    if not two or place == 1:
        lines.append(("fold:6", middle + half, "right fixing"))
    for part, y, words in lines:
        if not low <= y <= low + wide:
            continue
        items.append(Outline(part=part, layer="string", material="string", path=line(0.0, y, long_m, y), label=words))
        items.append(Note(part=part, x=long_m * 0.02, y=y, text=words, anchor="start"))
        if "fixing" in words:
            out = -eats if words.startswith("left") else eats
            path = box(0.0, min(y, y + out), long_m, max(y, y + out))
            held = held_by(work, "left" if out < 0 else "right")
            taken = ("fix", "taken by the fixing") if held != "buried" else ("film", "in its trench")
            items.append(
                Outline(part=taken[0], layer="frame", material="board", closed=True, path=path, label=taken[1])
            )
            if held == "eyelets":
                items += _eyelets(work, y)
    for bow, station in enumerate(bays_of(work).stations_m, start=1):
        x = start + station
        items.append(
            Outline(
                part=f"bow:{bow}", layer="hidden", material="ink", path=line(x, low, x, low + wide), label=f"bow {bow}"
            )
        )
    return items


def _eyelets(work: Work, y: float) -> list[Item]:
    """Eyelets along a side's edge."""
    found = eyelets_of(work)
    if found is None:
        return []
    each_m = work.design.cover.eyelet_m
    return [
        Mark(part="eyelet", symbol="socket", x=found.first_m + place * each_m, y=y, label=f"eyelet {place + 1}")
        for place in range(found.count)
    ]


def covered(work: Work) -> Drawing:
    """The section with the cover over it: where it is fixed, what hangs, what wind pulls on its edges."""
    bow, half, up_m = centre_line(work), bow_tube(work).od_m / 2, edge_up_m(work)
    outer = bow.offset(half + 0.01)
    size = work.design.size
    start = outer.at_y(up_m)[0] if up_m > 0 else 0.0
    film = outer.part(start, outer.girth_m - start)
    ground, roof = size.span_m / 2 + BESIDE_M, "sheet" if work.design.sheets.over_roof else "film"
    items: list[Item] = [
        Outline(part="ground", layer="ground", material="ink", path=line(-ground, 0.0, ground, 0.0), label="ground"),
        *frame_outlines(work),
        Outline(part=roof, layer="string", material="string", path=chain_path(film), label="cover"),
    ]
    reach = reach_of(work)
    for side in (-1.0, 1.0):
        x, y = film.point(0.0 if side < 0 else film.girth_m)
        items += _at_side(work, side, x, y)
    x, y = film.point(film.girth_m)
    if not work.design.sheets.over_roof:
        name = fixing_of(work, held_by(work, "right")).name
        items.append(Note(part="fix", x=x + 0.12, y=y, text=name, anchor="start"))
    items.append(Note(part=roof, x=0.0, y=size.height_m + 0.08, text=f"{work.say(reach.over_m)} over the outside"))
    pulls = film_pulls(work)
    if pulls is not None:
        text = f"wind pulls {amount_text(pulls.side_n_m, 'pull', work.tape.units, 'up')}"
        items.append(Note(part="fix", x=x + 0.12, y=y, text=text, anchor="start", above=False))
    rows = (
        Row(what="Fixed at, over the ground", reading=work.say(up_m)),
        Row(what="Over the outside", reading=work.say(reach.over_m)),
    )
    return drawn(
        view="covered",
        title="With its cover",
        summary=f"The section with its cover, fixed {work.say(up_m)} over the ground.",
        items=items,
        beside_m=(0.1, 0.15, 1.6, 0.2),
        table=rows,
    )


def _at_side(work: Work, side: float, x: float, y: float) -> Iterator[Item]:
    """How film is held at a side, and what hangs or lies in the ground below that; nothing under rigid sheets."""
    cover, name = work.design.cover, held_by(work, "left" if side < 0 else "right")
    if work.design.sheets.over_roof:
        return
    if name != "buried":
        path = box(x - 0.05, y - 0.06, x + 0.05, y + 0.06)
        label = fixing_of(work, name).name
        yield Outline(part="fix", layer="frame", material="board", closed=True, path=path, label=label)
    if cover.edge == "hip" and cover.below == "tail":
        path = line(x + side * 0.04, y, x + side * 0.04, 0.0)
        yield Outline(part="film", layer="hidden", material="ink", path=path, label="rolls up")
    if cover.edge == "ground":
        deep = -0.3
        path = (Vertex(x=x, y=0.0), Vertex(x=x + side * 0.02, y=deep), Vertex(x=x + side * 0.3, y=deep))
        yield Outline(part="film", layer="string", material="string", path=path, label="buried")
