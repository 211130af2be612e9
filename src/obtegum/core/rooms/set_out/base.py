"""What every view of the base from above shares: strings, corner letters, pegs; y across to the right of A to B."""

from obtegum.core.drawing.items import Item, Mark, Note, Outline
from obtegum.core.drawing.paths import box, line
from obtegum.core.findings.skeleton.bays import reads, strung
from obtegum.core.findings.work import Work
from obtegum.core.formulas.setout.base import Peg
from obtegum.core.formulas.setout.how import corner_places
from obtegum.core.rooms.set_out.pegs import tick_state

__all__ = ["BESIDE_M", "corners", "corners_inside", "floor", "peg_mark", "peg_y", "strings"]

BESIDE_M = 0.5
LETTER_M = 0.1


def floor(work: Work) -> Outline:
    """The ground inside the strings."""
    length_m, width_m = strung(work)
    path = box(0.0, 0.0, length_m, width_m)
    return Outline(part="floor", layer="air", material="air", closed=True, path=path, label="floor")


def strings(work: Work) -> list[Item]:
    """The four sides."""
    length_m, width_m = strung(work)
    sides = (
        ("line:L", "string A to B", (0.0, 0.0, length_m, 0.0)),
        ("line:R", "string D to C", (0.0, width_m, length_m, width_m)),
        ("end:A", "string A to D", (0.0, 0.0, 0.0, width_m)),
        ("end:B", "string B to C", (length_m, 0.0, length_m, width_m)),
    )
    return [
        Outline(part=part, layer="string", material="string", path=line(*ends), label=label)
        for part, label, ends in sides
    ]


def corners(work: Work, beside_m: float = LETTER_M) -> list[Item]:
    """The letters outside their corners, clear of the lines that are carried on from them."""
    return [
        Note(
            part=f"corner:{letter}",
            x=x + (beside_m if letter in "BC" else -beside_m),
            y=y,
            text=letter,
            anchor="start" if letter in "BC" else "end",
            above=letter in "CD",
            row=0 if letter in "CD" else 1,
        )
        for letter, (x, y) in corner_places(*strung(work)).items()
    ]


def corners_inside(work: Work) -> list[Item]:
    """The letters inside their corners, where something else stands beside them."""
    return [
        Note(
            part=f"corner:{letter}",
            x=x + (-LETTER_M if letter in "BC" else LETTER_M),
            y=y,
            text=letter,
            anchor="end" if letter in "BC" else "start",
            above=letter in "AB",
            row=0 if letter in "AB" else 1,
        )
        for letter, (x, y) in corner_places(*strung(work)).items()
    ]


def peg_y(work: Work, side: str) -> float:
    """Where a side lies across the house, m."""
    return 0.0 if side == "L" else strung(work)[1]


def peg_mark(work: Work, peg: Peg) -> Mark:
    """A peg on its string."""
    return Mark(
        part=f"post:{peg.side}{peg.bow}",
        symbol="peg",
        state=tick_state(work, f"peg:{peg.side}{peg.bow}", peg.station_m),
        x=peg.reading_m,
        y=peg_y(work, peg.side),
        label=f"peg {peg.bow}, {reads(work, peg.reading_m)}",
    )
