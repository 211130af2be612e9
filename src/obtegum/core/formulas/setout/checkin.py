"""What was taped between the corners: the shape as it stands, which peg moves, and what is a slip.

A is held, A to B gives the direction; B, C and D follow from the readings by least squares (five
unknowns, six readings at the most, so one of them checks the others). A line that was not taped is
taken as planned with a wide error. Source: the method of least squares for a braced quadrilateral,
as in any textbook of surveying. Six readings have one condition among them, a unit vector n: a slip s in
a reading moves their misclosure by n_i·s, and shows with a chance P from s = (3 + z_P)·σ/|n_i| on, σ being
the misclosure's own standard error and z_P the normal quantile (Baarda's reliability of a reading).
"""

import math
from collections.abc import Callable, Iterator, Mapping, Sequence
from dataclasses import dataclass, replace

from obtegum.core.formulas.setout.lines import LINES, Line
from obtegum.core.formulas.setout.squaring import BEYOND
from obtegum.core.values.quantity import FOOT_M, INCH_M, Units

__all__ = [
    "NINETEEN_IN_20",
    "CheckIn",
    "Move",
    "Slip",
    "TapeMisfit",
    "check_in",
    "other_size",
    "planned_lines",
]

ENDS: dict[Line, tuple[str, str]] = {line: (line[0].upper(), line[1].upper()) for line in LINES}
TRIANGLES: tuple[tuple[Line, Line, Line], ...] = (
    ("ab", "bc", "ac"),
    ("ad", "dc", "ac"),
    ("ab", "ad", "bd"),
    ("bc", "dc", "bd"),
)
# A line that was set by tape but not read again is trusted to about an inch.
ASSUMED_M = 0.025
# Quantile of the normal distribution for a chance of 19 in 20; of an even chance it is 0.
NINETEEN_IN_20 = 1.645
MOST_ROUNDS = 60
# What is misread of a tape, m.
MISREAD: dict[Units, tuple[tuple[str, float], ...]] = {
    "feet": (("a foot", FOOT_M), ("an inch", INCH_M)),
    "metric": (("ten centimetres", 0.1), ("a metre", 1.0)),
}
Point = tuple[float, float]


# Corners as near as this are one place, m.
FOLDED_M = 1e-6


class TapeMisfit(ValueError):
    """Three readings that can't close a triangle; by nothing where they lay two corners on one place."""

    def __init__(self, lines: tuple[Line, Line, Line], longest: Line, over_m: float) -> None:
        super().__init__("the triangle can't close")
        self.lines, self.longest, self.over_m = lines, longest, over_m


@dataclass(frozen=True, slots=True)
class Move:
    """How a corner's peg moves: along the house from A's end to B's, and across away from A–B, m."""

    corner: str
    along_m: float
    across_m: float

    @property
    def size_m(self) -> float:
        """Distance moved, m."""
        return math.hypot(self.along_m, self.across_m)


@dataclass(frozen=True, slots=True)
class Slip:
    """A slip that would explain the readings: on which line, of what kind, what it should have read."""

    line: Line
    what: str
    reads_m: float
    left_m: float


@dataclass(frozen=True, slots=True)
class CheckIn:
    """The shape as it stands.

    ``misclosure_m`` is how far the six readings are from any shape, in units of one reading, and
    ``condition`` each line's share in that; both only with all six. ``error_m`` is the standard error of a
    misclosure, ``differ_error_m`` the one of the difference of two diagonals, each read for itself.
    """

    corners: Mapping[str, Point]
    moves: tuple[Move, ...]
    misclosure_m: float | None
    error_m: float
    differ_error_m: float
    condition: Mapping[Line, float]
    slips: tuple[Slip, ...]

    @property
    def closes(self) -> bool | None:
        """Whether the readings agree within their error; None when nothing checks them."""
        return None if self.misclosure_m is None else abs(self.misclosure_m) <= BEYOND * self.error_m

    @property
    def differ_m(self) -> float:
        """How far the diagonals differ in the shape as it stands, m."""
        return abs(self.line_m("ac") - self.line_m("bd"))

    def slip_shows_m(self, line: Line, quantile: float = 0.0) -> float:
        """Smallest slip in a reading that shows, m: with an even chance, or by the quantile of another one."""
        return (BEYOND + quantile) * self.error_m / max(abs(self.condition[line]), 1e-9)

    @property
    def largest(self) -> Move:
        """The peg that moves most."""
        return max(self.moves, key=lambda move: move.size_m)

    def line_m(self, line: Line) -> float:
        """Length of a line in the shape as it stands, m."""
        (x0, y0), (x1, y1) = (self.corners[end] for end in ENDS[line])
        return math.hypot(x1 - x0, y1 - y0)


def planned_lines(length_m: float, width_m: float) -> dict[Line, float]:
    """What the six lines should read, m."""
    across = math.hypot(length_m, width_m)
    return {"ab": length_m, "dc": length_m, "ad": width_m, "bc": width_m, "ac": across, "bd": across}


def check_in(
    taped: Mapping[Line, float],
    length_m: float,
    width_m: float,
    error_m: float,
    peg_m: float = 0.04,
    readings_of: Callable[[float], int] = lambda length_m: 1,
    units: Units = "feet",
) -> CheckIn:
    """The shape of the base as it stands, and what to do about it.

    Args: the readings held level, by line; the planned base; one standard error of a reading; the
    thickness of a peg, for a tape that was hooked around one; all m; how many readings a length takes,
    the tape starting anew each time; and the units that are read, in which slips are made.
    Raises: TapeMisfit when three readings can't close a triangle, or fold the base flat.
    """
    planned = planned_lines(length_m, width_m)
    _triangles_close(taped, planned)
    readings = [taped.get(line, planned[line]) for line in LINES]
    own = {line: error_m * math.sqrt(readings_of(planned[line])) for line in LINES}
    errors = [own[line] if line in taped else math.hypot(ASSUMED_M, own[line]) for line in LINES]
    corners, null = _adjust(readings, errors, length_m, width_m)
    moves = tuple(
        Move(corner, wanted[0] - corners[corner][0], wanted[1] - corners[corner][1])
        for corner, wanted in (("B", (length_m, 0.0)), ("C", (length_m, width_m)), ("D", (0.0, width_m)))
    )
    differ_m = math.hypot(errors[LINES.index("ac")], errors[LINES.index("bd")])
    shape = CheckIn(corners, moves, None, error_m, differ_m, {}, ())
    if len(taped) < len(LINES):
        return shape
    misfit = _misfit(null, readings, shape)
    condition = dict(zip(LINES, null, strict=True))
    misfit_error_m = math.hypot(*(share * error for share, error in zip(null, errors, strict=True)))
    slips: tuple[Slip, ...] = ()
    if abs(misfit) > BEYOND * misfit_error_m:
        found = [
            _tried(slip, taped, errors, length_m, width_m) for slip in _slips(taped, condition, misfit, peg_m, units)
        ]
        fitting = [slip for slip in found if slip is not None and abs(slip.left_m) <= BEYOND * misfit_error_m]
        slips = tuple(sorted(fitting, key=lambda slip: abs(slip.left_m)))
    return CheckIn(corners, moves, misfit, misfit_error_m, differ_m, condition, slips)


def other_size(taped: Mapping[Line, float], check: CheckIn, length_m: float, width_m: float) -> float | None:
    """Share by which a base is longer or shorter than planned both ways alike, while square in itself.

    None unless it is so beyond the readings' error: opposite sides alike, diagonals alike, and both
    the length and the width, as far as they were taped, off by one share. Two diagonals alone tell
    it as well.
    """
    planned, limit_m = planned_lines(length_m, width_m), BEYOND * check.differ_error_m
    if not {"ac", "bd"} <= taped.keys() or abs(taped["ac"] - taped["bd"]) > limit_m or check.closes is False:
        return None
    shares: list[tuple[float, float]] = []
    pairs: tuple[tuple[Line, Line], ...] = (("ac", "bd"), ("ab", "dc"), ("ad", "bc"))
    for one, other in pairs:
        read = [taped[line] for line in (one, other) if line in taped]
        if len(read) == 2 and abs(read[0] - read[1]) > limit_m:
            return None
        if read:
            shares.append((sum(read) / len(read) / planned[one] - 1, limit_m / planned[one]))
    share, least = shares[0]
    alike = all(abs(each - share) <= math.hypot(error, least) for each, error in shares)
    return share if alike and all(abs(each) > error for each, error in shares) else None


def _misfit(null: list[float], readings: list[float], shape: CheckIn) -> float:
    """How far the readings are from the shape along the one condition among them, m."""
    return sum(share * (read - shape.line_m(line)) for share, read, line in zip(null, readings, LINES, strict=True))


def _tried(
    slip: Slip, taped: Mapping[Line, float], errors: list[float], length_m: float, width_m: float
) -> Slip | None:
    """A slip put right and the shape found again, with what is left of the misclosure; None if it has no shape."""
    mended = {**taped, slip.line: slip.reads_m}
    try:
        _triangles_close(mended, mended)
    except TapeMisfit:
        return None
    readings = [mended[line] for line in LINES]
    try:
        corners, null = _adjust(readings, errors, length_m, width_m)
    except TapeMisfit:
        return None
    return replace(slip, left_m=_misfit(null, readings, CheckIn(corners, (), None, 0.0, 0.0, {}, ())))


def _triangles_close(taped: Mapping[Line, float], planned: Mapping[Line, float]) -> None:
    """Raises: TapeMisfit where three lines make no triangle."""
    for lines in TRIANGLES:
        if not any(line in taped for line in lines):
            continue
        sides = {line: taped.get(line, planned[line]) for line in lines}
        longest = max(sides, key=lambda line: sides[line])
        over_m = 2 * sides[longest] - sum(sides.values())
        if over_m >= 0:
            raise TapeMisfit(lines, longest, over_m)


def _adjust(
    readings: list[float], errors: list[float], length_m: float, width_m: float
) -> tuple[dict[str, Point], list[float]]:
    """Corners by Gauss–Newton, and the unit vector of the one condition among six equal readings.

    D starts from its own triangle, so that a base far from square is found as well.
    """
    import numpy as np

    ab, _, ad, bc, ac, bd = readings
    dx = (ab**2 + ad**2 - bd**2) / (2 * ab)
    cx = (ab**2 + ac**2 - bc**2) / (2 * ab)
    unknown = np.array([ab, cx, _height(ac, cx, width_m), dx, _height(ad, dx, width_m)])
    weights = 1 / np.array(errors)
    observed = np.array(readings)

    for _ in range(MOST_ROUNDS):
        corners, lengths, rows = _model(unknown.tolist())
        slope = np.array(rows)
        step = np.linalg.lstsq(slope * weights[:, None], (observed - np.array(lengths)) * weights, rcond=None)[0]
        unknown = unknown + step
        if float(np.abs(step).max()) < 1e-11:
            break
    corners, _, rows = _model(unknown.tolist())
    null = np.linalg.svd(np.array(rows).T)[2][-1]
    return corners, [float(each) for each in null]


def _height(side_m: float, along_m: float, width_m: float) -> float:
    """Height of a corner over the base line from a side and its run, kept off the line."""
    return math.sqrt(max(side_m**2 - along_m**2, (width_m / 9) ** 2))


def _model(unknown: Sequence[float]) -> tuple[dict[str, Point], list[float], list[list[float]]]:
    """Corners, the six lengths, and how each changes with b, cx, cy, dx, dy.

    Raises: TapeMisfit where the lines fit no four corners.
    """
    b, c_x, c_y, d_x, d_y = unknown
    corners = {"A": (0.0, 0.0), "B": (b, 0.0), "C": (c_x, c_y), "D": (d_x, d_y)}
    columns: dict[str, tuple[int, ...]] = {"A": (), "B": (0,), "C": (1, 2), "D": (3, 4)}
    lengths, rows = [], []
    for line in LINES:
        start, end = ENDS[line]
        apart = (corners[end][0] - corners[start][0], corners[end][1] - corners[start][1])
        long = math.hypot(*apart)
        if long < FOLDED_M:
            # The base is folded flat: no line leads from a corner to itself.
            raise TapeMisfit(next(lines for lines in TRIANGLES if line in lines), line, 0.0)
        row = [0.0] * 5
        for name, sign in ((start, -1.0), (end, 1.0)):
            for column, axis in zip(columns[name], apart, strict=False):
                row[column] = sign * axis / long
        lengths.append(long)
        rows.append(row)
    return corners, lengths, rows


def _slips(
    readings: Mapping[Line, float], null: Mapping[Line, float], misfit: float, peg_m: float, units: Units
) -> Iterator[Slip]:
    """Usual slips that would take most of the misclosure away."""
    for line, reading in readings.items():
        needed_m = misfit / null[line] if abs(null[line]) > 1e-6 else math.inf
        for what, too_long_m in _usual(line, reading, peg_m, needed_m, units):
            # A slip of s in this reading puts null·s into the misclosure, nearly.
            left_m = misfit - null[line] * too_long_m
            if reading > too_long_m and abs(left_m) < 0.25 * abs(misfit):
                yield Slip(line, what, reading - too_long_m, left_m)


def _usual(line: Line, reading: float, peg_m: float, needed_m: float, units: Units) -> Iterator[tuple[str, float]]:
    """Slips that happen, each with how much too long the reading was."""
    for sign, word in ((1.0, "too long"), (-1.0, "too short")):
        for what, size_m in MISREAD[units]:
            yield f"{what} {word}", sign * size_m
    yield "the tape hooked around its peg", peg_m
    if units == "metric":
        return
    feet, inches = divmod(reading / FOOT_M, 1.0)
    whole_inches = inches * 12
    if inches < 1e-6 or inches > 1 - 1e-6:
        if line in ("ac", "bd") and abs(needed_m) <= FOOT_M / 2:
            yield "rounded to a whole foot", needed_m
    elif abs(whole_inches - round(whole_inches)) < 1e-3 and round(whole_inches) <= 9:
        # 52.5 ft written as 52 ft 5 in; and 52 ft 5 in written as 52.5 ft.
        yield "decimal feet read as feet and inches", reading - (feet + round(whole_inches) / 10) * FOOT_M
    tenths = inches * 10
    if 1e-6 < inches < 1 - 1e-6 and abs(tenths - round(tenths)) < 1e-3:
        yield "feet and inches read as decimal feet", reading - (feet + round(tenths) / 12) * FOOT_M
