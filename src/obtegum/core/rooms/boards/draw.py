"""The boards of the left side with their splices, seen from outside; the hip board on the section."""

from itertools import pairwise

from obtegum.core.drawing.items import Dimension, Drawing, Handle, Item, Layer, Note, Outline, Row, drawn
from obtegum.core.drawing.paths import box, line
from obtegum.core.findings.skeleton.bays import bays_of
from obtegum.core.findings.skeleton.posts import board_of, boards_of
from obtegum.core.findings.skeleton.stands import boarded
from obtegum.core.findings.skeleton.tubes import bow_tube
from obtegum.core.findings.work import Work
from obtegum.core.rooms.boards.found import hip_board, hip_place, lines_of

__all__ = ["boarded_side", "boards_across"]

Pieces = tuple[tuple[float, float], ...]


def boarded_side(work: Work) -> Drawing:
    """Bows edge on, and every board along the feet and up the side with what is cut for it."""
    size, boards, tube = work.design.size, work.design.boards, bow_tube(work)
    items: list[Item] = [
        Outline(
            part=f"bow:{place}", layer="frame", material=tube.material, width_m=tube.od_m,
            path=line(at, 0.0, at, size.height_m), label=f"bow {place}",
        )
        for place, at in enumerate(bays_of(work).stations_m, start=1)
    ]  # fmt: skip
    rows, start_m = list[Row](), -tube.od_m / 2
    if boarded(work):
        low, reveal_m = board_of(work).wide_m, work.design.posts.reveal_m
        ends = [0.0, *boards_of(work).splices_m, boards_of(work).run_m]
        pieces = tuple(pairwise(ends))
        items += _boards(work, "board", "base board", reveal_m - low / 2, low, start_m, pieces)
        rows += _rows(work, "Base board", pieces)
    for each in lines_of(work):
        items += _boards(work, each.name, each.words, each.up_m, each.wide_m, start_m - boards.over_m, each.pieces)
        rows += _rows(work, each.words.capitalize(), each.pieces)
    if boards.hip == "board":
        at = start_m - boards.over_m
        items += [
            Dimension(
                part="hip:L1",
                x0=at,
                y0=0.0,
                x1=at,
                y1=boards.hip_m,
                text=work.say(boards.hip_m),
                measure="boards.hip_m",
            ),
            Handle(measure="boards.hip_m", x=size.length_m / 2, y=boards.hip_m, dx=0.0, dy=1.0),
        ]
    return drawn(
        view="boards",
        title="Boarded",
        summary=f"{len(rows)} boards on the left side, as many on the right.",
        items=items,
        beside_m=(0.03 * size.length_m, 0.1 * size.height_m, 0.05 * size.length_m, 0.1 * size.height_m),
        table=tuple(rows) or (Row(what="Boards", reading="none"),),
    )


def _boards(
    work: Work,
    name: str,
    words: str,
    up_m: float,
    wide_m: float,
    start_m: float,
    pieces: tuple[tuple[float, float], ...],
) -> list[Item]:
    found = list[Item]()
    for number, (low, high) in enumerate(pieces, start=1):
        part, said = f"{name}:L{number}", work.say(high - low)
        path = box(start_m + low, up_m - wide_m / 2, start_m + high, up_m + wide_m / 2)
        label = f"{words} {number}, {said} long"
        found.append(Outline(part=part, layer="frame", material="board", closed=True, path=path, label=label))
        found.append(Note(part=part, x=start_m + (low + high) / 2, y=up_m + wide_m / 2, text=said))
    return found


def _rows(work: Work, what: str, pieces: Pieces) -> list[Row]:
    return [
        Row(what=f"{what} {number}", reading=f"{work.say(high - low)}, from {work.say(low)} to {work.say(high)}")
        for number, (low, high) in enumerate(pieces, start=1)
    ]


def boards_across(work: Work) -> Layer:
    """The hip boards cut across."""
    if work.design.boards.hip == "none":
        return Layer([])
    board, (x, y) = hip_board(work), hip_place(work)
    items: list[Item] = [
        Outline(
            part=f"hip:{side}", layer="frame", material="board", closed=True, label="hip board",
            path=box(at - board.thick_m / 2, y - board.wide_m / 2, at + board.thick_m / 2, y + board.wide_m / 2),
        )
        for side, at in (("L", x), ("R", -x))
    ]  # fmt: skip
    return Layer(items, (Row(what="Hip board, its middle over the ground", reading=work.say(y)),))
