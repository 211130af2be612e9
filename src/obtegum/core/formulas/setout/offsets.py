"""Keeping the corners: offset pegs or gauge boards beyond the digging, and what finds each peg again.

Every line of the base is carried on past its corners to a peg at the offset. The string between two
such pegs crosses the next one at the corner, and every peg on it is found again by its running
reading plus the offset.

Source: trade practice of offset pegs.
"""

from dataclasses import dataclass

from obtegum.core.formulas.setout.how import Point, corner_places

__all__ = ["LINES_KEPT", "Board", "OffsetPeg", "boards", "offset_pegs"]

# The line carried on, the corners in the order of the tape, and how its offset pegs are called.
LINES_KEPT: tuple[tuple[str, str, str], ...] = (("A", "B", "1"), ("D", "C", "1"), ("A", "D", "2"), ("B", "C", "2"))


@dataclass(frozen=True, slots=True, kw_only=True)
class OffsetPeg:
    """A peg on a line of the base carried on past its corner."""

    name: str
    corner: str
    at: Point
    toward: Point


@dataclass(frozen=True, slots=True, kw_only=True)
class Board:
    """A gauge board across the end of a line: its ends, and the readings along it of nail and digging, m."""

    name: str
    start: Point
    end: Point
    length_m: float
    nail_m: float
    dig_m: tuple[float, float]


def offset_pegs(length_m: float, width_m: float, offset_m: float) -> tuple[OffsetPeg, ...]:
    """Eight pegs, two beyond each corner."""
    corners = corner_places(length_m, width_m)
    found = []
    for start, end, number in LINES_KEPT:
        (x0, y0), (x1, y1) = corners[start], corners[end]
        long = abs(x1 - x0) + abs(y1 - y0)
        ux, uy = (x1 - x0) / long, (y1 - y0) / long
        for corner, way in ((start, -1.0), (end, 1.0)):
            x, y = corners[corner]
            at = (x + way * ux * offset_m, y + way * uy * offset_m)
            found.append(OffsetPeg(name=f"{corner}{number}", corner=corner, at=at, toward=(way * ux, way * uy)))
    return tuple(found)


def boards(length_m: float, width_m: float, offset_m: float, dig_m: float) -> tuple[Board, ...]:
    """A board at each offset peg, square to its line: nail in the middle, marks where the digging ends."""
    spare = 0.15
    half = dig_m + spare
    return tuple(
        Board(
            name=peg.name,
            start=(peg.at[0] - abs(peg.toward[1]) * half, peg.at[1] - abs(peg.toward[0]) * half),
            end=(peg.at[0] + abs(peg.toward[1]) * half, peg.at[1] + abs(peg.toward[0]) * half),
            length_m=2 * half,
            nail_m=half,
            dig_m=(half - dig_m, half + dig_m),
        )
        for peg in offset_pegs(length_m, width_m, offset_m)
    )
