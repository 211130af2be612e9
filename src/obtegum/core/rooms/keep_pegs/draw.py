"""Offset pegs or gauge boards round the base, outside the digging."""

from collections.abc import Iterator

from obtegum.core.drawing.items import Dimension, Drawing, Item, Mark, Note, Outline, Row, drawn
from obtegum.core.drawing.paths import box, line
from obtegum.core.findings.skeleton.bays import pegs_of, strung
from obtegum.core.findings.work import Work
from obtegum.core.formulas.setout.offsets import LINES_KEPT, boards, offset_pegs
from obtegum.core.rooms.set_out.base import BESIDE_M, corners_inside, floor, peg_mark, strings

__all__ = ["offsets"]


def offsets(work: Work) -> Drawing:
    """The base with its digging, the lines carried on, and what keeps them."""
    (length_m, width_m), keep = strung(work), work.design.keep
    dig, off = keep.dig_m, keep.offset_m
    pegs = offset_pegs(length_m, width_m, off)
    items: list[Item] = []
    if dig > 0:
        items += [
            Outline(part="dug", layer="ground", material="soil", closed=True, path=box(*corner), label="digging")
            for corner in (
                (-dig, -dig, length_m + dig, dig),
                (-dig, width_m - dig, length_m + dig, width_m + dig),
            )
        ]
    items += [floor(work)] if dig == 0 else []
    items += strings(work)
    at = {peg.name: peg.at for peg in pegs}
    for start, end, number in LINES_KEPT:
        path = line(*at[f"{start}{number}"], *at[f"{end}{number}"])
        items.append(Outline(part=f"kept:{start}{end}", layer="string", material="string", path=path))
    if keep.school == "boards":
        items += [
            Outline(
                part=f"off:{board.name}",
                layer="frame",
                material="post",
                path=line(*board.start, *board.end),
                width_m=0.1,
                label=f"board {board.name}",
            )
            for board in boards(length_m, width_m, off, dig)
        ]
    items += [peg_mark(work, peg) for peg in pegs_of(work)]
    for peg in pegs:
        x, y = peg.at
        items.append(Mark(part=f"off:{peg.name}", symbol="peg", x=x, y=y, label=f"{peg.name}, {work.say(off)} out"))
        items.append(_letter(peg.name, x, y, peg.toward))
    items += corners_inside(work)
    items.append(
        Dimension(
            part="offset",
            x0=length_m,
            y0=width_m,
            x1=length_m + off,
            y1=width_m,
            lane=2.0,
            text=work.say(off),
            measure="keep.offset_m",
        )
    )
    return drawn(
        view="offsets",
        title="Offsets",
        summary=f"Every line is carried on {work.say(off)} past its corners, clear of the digging.",
        items=items,
        beside_m=BESIDE_M + 0.3,
        table=tuple(_rows(work)),
    )


def _rows(work: Work) -> Iterator[Row]:
    """Each peg from its corner, and each line from peg to peg."""
    (length_m, width_m), off = strung(work), work.design.keep.offset_m
    for peg in offset_pegs(length_m, width_m, off):
        yield Row(what=f"{peg.name} to {peg.corner}", reading=work.say(off))
    for start, end, number in LINES_KEPT:
        long_m = (length_m if number == "1" else width_m) + 2 * off
        yield Row(what=f"{start}{number} to {end}{number}", reading=work.say(long_m))


def _letter(name: str, x: float, y: float, toward: tuple[float, float]) -> Note:
    """A peg's name, on the side away from the house."""
    dx = toward[0]
    beside = 0.3
    if dx:
        return Note(
            part=f"off:{name}", x=x + dx * beside, y=y, text=name, anchor="start" if dx > 0 else "end", above=False
        )
    return Note(part=f"off:{name}", x=x + beside, y=y, text=name, anchor="start", above=False)
