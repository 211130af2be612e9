"""The frame laid flat with every fitting and dry joint; pipes that fit, cut across at one scale."""

from obtegum.core.drawing.items import Drawing, Item, Mark, Material, Note, Outline, Row, drawn
from obtegum.core.drawing.paths import box, circle, line
from obtegum.core.findings.skeleton.bows import split_of, tube_m
from obtegum.core.findings.skeleton.fittings import is_glued, take_ups
from obtegum.core.findings.skeleton.runs import front_m, marked_m, pieces_of, runs_of
from obtegum.core.findings.skeleton.tubes import bow_tube
from obtegum.core.findings.work import Work
from obtegum.core.rooms.fittings.found import Fits, dry_at, fits_of, kinds, sections_of
from obtegum.core.values.catalogue import Tube

__all__ = ["fits", "grid"]

# How thick fittings are drawn, of their pipe; rings' size and how far apart they are, in the drawing's own metres.
THICK, RING_M, APART_M, COLUMNS = 2.8, 0.36, 1.75, 4
AIR: Material = "air"
KINDS = {"inside": "goes inside", "over": "goes over", "clamp": "slit, grips"}


def grid(work: Work) -> Drawing:
    """Bows side by side laid flat, their pieces and those of the runs, fittings where they meet, dry joints marked."""
    takes = take_ups(work)
    glued = is_glued(work) and takes is not None
    items, rows = list[Item](), list[Row]()
    if glued and takes is not None:
        items += _pieces(work)
        items += _fittings(work)
        items += _dry(work)
        rows = [
            Row(what=f"Piece {piece.name} of a bow", reading=work.say(piece.length_m))
            for piece in split_of(work).pieces
        ]
        rows += [Row(what=f"{what[:1].upper()}{what[1:]}", reading=work.say(at_m)) for what, at_m, _ in kinds(work)]
    else:
        items.append(Note(part="fitting:1", x=0.0, y=0.0, text="no glued fittings", above=False))
    return drawn(
        view="grid",
        title="Fittings",
        summary=f"{len(marked_m(work))} bows laid flat, {len(runs_of(work))} runs through their fittings.",
        items=items,
        beside_m=(0.06 * work.design.size.length_m, 0.1, 0.06 * work.design.size.length_m, 0.1),
        table=tuple(rows),
    )


def _pieces(work: Work) -> list[Item]:
    """Every piece of bows and runs, short of its fittings; those of the first bow with their lengths."""
    od_m, found = bow_tube(work).od_m, list[Item]()
    material: Material = "plastic" if bow_tube(work).material == "plastic" else "steel"
    for bow, x in enumerate(marked_m(work), start=1):
        for piece in split_of(work).pieces:
            found.append(
                Outline(
                    part=f"bow:{bow}",
                    layer="frame",
                    material=material,
                    width_m=od_m,
                    path=line(x, piece.from_m, x, piece.to_m),
                    label=f"bow {bow}, piece {piece.name}, {work.say(piece.length_m)}",
                )
            )
    x = marked_m(work)[0]
    found += [
        Note(
            part="bow:1",
            x=x - 0.02 * work.design.size.length_m,
            y=(piece.from_m + piece.to_m) / 2,
            text=f"{piece.name} {work.say(piece.length_m)}",
            anchor="end",
            above=False,
        )
        for piece in split_of(work).pieces
    ]
    places, start_m = {run.name: run.at_m for run in runs_of(work)}, front_m(work)
    found += [
        Outline(
            part=f"run:{piece.run}:{piece.number}",
            layer="frame",
            material=material,
            width_m=od_m,
            path=line(piece.from_m + start_m, places[piece.run], piece.to_m + start_m, places[piece.run]),
            label=f"piece {piece.number} of the run, {work.say(piece.length_m)}",
        )
        for piece in pieces_of(work)
    ]
    first = pieces_of(work)[0]
    x = marked_m(work)[-1] + 0.02 * work.design.size.length_m
    text = f"{work.say(first.length_m)} a bay"
    found.append(Note(part="run", x=x, y=places[first.run], text=text, anchor="start", above=False))
    return found


def _fittings(work: Work) -> list[Item]:
    """Crosses, and on the end bows tees whose branch faces in."""
    takes, stations, found = take_ups(work), marked_m(work), list[Item]()
    assert takes is not None
    wide_m = bow_tube(work).od_m * THICK
    runs = {round(run.at_m, 6) for run in runs_of(work)}
    for bow, x in enumerate(stations, start=1):
        for number, (what, at_m, takes_m) in enumerate(kinds(work), start=1):
            reach = takes_m + takes.socket_m
            arms = [line(x, at_m - reach, x, at_m + reach)]
            branch = takes.branch_m + takes.socket_m
            left, right = (0.0 if bow == 1 else branch), (0.0 if bow == len(stations) else branch)
            if round(at_m, 6) in runs:
                arms.append(line(x - left, at_m, x + right, at_m))
            tee = bow in (1, len(stations))
            label = what.replace("cross", "tee") if tee else what
            found += [
                Outline(
                    part=f"fitting:{number}", layer="frame", material="post", width_m=wide_m, path=arm,
                    label=f"{label}, bow {bow}",
                )
                for arm in arms
            ]  # fmt: skip
    return found


def _dry(work: Work) -> list[Item]:
    """A mark at each joint that stays dry, and the sections under the bows."""
    found, start_m = list[Item](), front_m(work)
    places = {run.name: run.at_m for run in runs_of(work)}
    for piece in pieces_of(work):
        end = dry_at(work, piece.number)
        if end:
            x = (piece.from_m if end == "front" else piece.to_m) + start_m
            label = f"dry, {end} end of piece {piece.number}"
            found.append(
                Mark(part=f"dry:{piece.run}:{piece.number}", symbol="joint", x=x, y=places[piece.run], label=label)
            )
    stations, deep = marked_m(work), -0.05 * tube_m(work)
    for number, (first, last) in enumerate(sections_of(work), start=1):
        low, high = stations[first - 1], stations[last - 1]
        reach = 0.12
        path = box(low - reach, deep - 0.04, high + reach, deep)
        found.append(
            Outline(
                part=f"section:{number}",
                layer="frame",
                material="board",
                closed=True,
                path=path,
                label=f"section {number}",
            )
        )
    if len(sections_of(work)) > 1:
        x = (stations[0] + stations[-1]) / 2
        said = f"{len(sections_of(work))} sections: what is glued together; marks: joints that stay dry"
        found.append(Note(part="section:1", x=x, y=deep - 0.3, text=said, above=False))
    return found


def fits(work: Work) -> Drawing:
    """The bows' pipe with each pipe that goes with it, cut across, true to each other, by how they fit."""
    own, items, rows = bow_tube(work), list[Item](), list[Row]()
    found = fits_of(work)
    scale = RING_M / max([own.od_m, *(each.tube.od_m for each in found)])
    for place, each in enumerate(found):
        x, y = place % COLUMNS * APART_M, -(place // COLUMNS) * APART_M * 0.8
        part = f"fit:{place + 1}"
        rings: list[tuple[Tube, Material]] = [
            (own, own.material),
            (each.tube, "post" if each.kind == "clamp" else "board"),
        ]
        # The larger first, as its bore would hide the other.
        for tube, material in sorted(rings, key=lambda ring: -ring[0].od_m):
            items += _ring(part, x, y, tube.od_m * scale, tube.bore_m * scale, material, tube.name)
        by = work.tube(each.by_m, "up" if each.kind != "clamp" else "down")
        how = "of grip" if each.kind == "clamp" else "of play"
        fair = _fair(each)
        words = (each.tube.name, f"{KINDS[each.kind]}, {by} {how}", fair)
        items += [
            Note(part=part, x=x, y=y - RING_M - 0.06, text=text, above=False, row=row) for row, text in enumerate(words)
        ]
        rows.append(Row(what=f"{each.tube.name}, {KINDS[each.kind]}", reading=f"{by} {how}: {fair}"))
    if not found:
        items.append(Note(part="fit", x=0.0, y=0.0, text="no pipe here goes with it", above=False))
    return drawn(
        view="fits",
        title="What fits it",
        summary=f"{len(found)} pipes that go with {own.name}: inside it, over it, or slit to grip it.",
        items=items,
        beside_m=(0.5, 0.1, 0.5, 0.75),
        table=tuple(rows),
    )


def _fair(each: Fits) -> str:
    if each.kind == "clamp":
        return "a clamp"
    return "slides" if each.good else "binds" if each.by_m < 0.001 else "rattles"


def _ring(part: str, x: float, y: float, outer: float, inner: float, material: Material, label: str) -> list[Item]:
    """A pipe cut across: its wall, and its bore over what lies behind it."""
    return [
        Outline(part=part, layer="frame", material=kind, closed=True, path=circle(x, y, radius), label=label)
        for kind, radius in ((material, outer), (AIR, inner))
    ]
