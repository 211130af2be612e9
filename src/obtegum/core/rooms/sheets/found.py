"""How sheets lie over the roof and on the ends: columns along, pieces up, laps, supports, screws, trims."""

import math
from dataclasses import dataclass
from itertools import pairwise

from obtegum.core.documents.ends import SIDES, Side
from obtegum.core.findings.kept import found
from obtegum.core.findings.skeleton.bows import girth_at
from obtegum.core.findings.skeleton.line import centre_line
from obtegum.core.findings.skeleton.outline import end_bow
from obtegum.core.findings.skeleton.runs import runs_of
from obtegum.core.findings.skeleton.tubes import bow_tube
from obtegum.core.findings.work import Work
from obtegum.core.formulas.profile import Chain
from obtegum.core.rooms.cover.found import edge_up_m, outer_m, rim_m
from obtegum.core.rooms.cover.pulls import pressure_pa

__all__ = [
    "PANEL_EACH_M",
    "TRIM_M",
    "EndSheet",
    "Fold",
    "Piece",
    "Roof",
    "Screws",
    "bends_to_m",
    "end_sheets",
    "expands_m",
    "fold_of",
    "laid",
    "least_radius_m",
    "roof_of",
    "rows_of",
    "screws_of",
    "sticks_of",
    "supports_m",
    "supports_of",
    "trims_of",
    "widest_gap_m",
]

# Least cold radius of panels with chambers, of their thickness (trade: 150 to 175 times; the larger is taken).
COLD = 175.0
# Polycarbonate and PVC, 1/K; from the coldest night to a hot roof, K (this bench).
EXPANDS, WARMER_K = 6.8e-5, 60.0
SAME = 1e-9
# Panels have no crests: places for screws so far apart, m (this bench).
PANEL_EACH_M = 0.3
# A kink at the ridge from which a sheet is folded or capped there, rad.
RIDGED = math.radians(10.0)


@dataclass(frozen=True, slots=True)
class Fold:
    """The ridge: its angle inside the house, rad; how far from the sheet's lower edge it is folded, m."""

    angle_rad: float
    at_m: float


@found
def fold_of(work: Work) -> Fold | None:
    """Where both slopes meet at a corner; None where the roof goes over the crown in a curve."""
    bow = centre_line(work)
    middle = bow.girth_m / 2
    kink = next((each for each in bow.kinks if abs(each.s_m - middle) < 0.01 and each.turn_rad > RIDGED), None)
    return None if kink is None else Fold(math.pi - kink.turn_rad, _covered_m(work) / 2)


def _covered_m(work: Work) -> float:
    """From edge to edge over the outside, m."""
    up_m = edge_up_m(work)
    return outer_m(centre_line(work), bow_tube(work).od_m / 2, up_m) + 2 * work.design.sheets.eaves_m


@dataclass(frozen=True, slots=True)
class Piece:
    """One sheet as it lies, m: its number in the order of laying, its column along the house and its place up the roof
    from the left edge, from and to along the house and over the roof."""

    number: int
    column: int
    place: int
    from_m: float
    to_m: float
    low_m: float
    high_m: float


@dataclass(frozen=True, slots=True)
class Roof:
    """Sheets over the roof, m: over the outside from edge to edge, and along; columns, pieces up, each piece's length,
    what each lap up the roof is, how wide the last column is cut; side lap."""

    over_m: float
    along_m: float
    columns: int
    up: int
    piece_m: float
    lap_m: float
    last_m: float
    side_lap_m: float

    @property
    def count(self) -> int:
        return self.columns * self.up


@found
def roof_of(work: Work) -> Roof:
    """How sheets are laid over the roof: as many columns as reach, the last one cut; as many pieces as reach over, all
    alike; two at least where there is a ridge, a cap over it."""
    sheets = work.design.sheets
    side = sheets.lap_waves * sheets.pitch_m if sheets.kind == "waves" else -sheets.gap_m
    along = work.design.size.length_m + bow_tube(work).od_m + 2 * sheets.over_m
    columns = max(math.ceil((along - side) / (sheets.wide_m - side) - SAME), 1)
    last = along - (columns - 1) * (sheets.wide_m - side)
    over = _covered_m(work)
    halves = 1 if fold_of(work) is None else 2
    each = over / halves
    up = max(math.ceil((each - sheets.lap_m) / (sheets.long_m - sheets.lap_m) - SAME), 1)
    piece = (each + (up - 1) * sheets.lap_m) / up
    return Roof(over, along, columns, up * halves, piece, sheets.lap_m, last, side)


@found
def laid(work: Work) -> tuple[Piece, ...]:
    """Every sheet over the roof in the order of laying: from the end away from storms, low before high, so that no lap
    opens to the wind and water runs over each."""
    roof, sheets = roof_of(work), work.design.sheets
    step = sheets.wide_m - roof.side_lap_m
    ridged = fold_of(work) is not None
    found_ = list[Piece]()
    number = 0
    for turn in range(roof.columns):
        start = turn * step
        end = min(start + sheets.wide_m, roof.along_m)
        # Counted from the lee end: where storms come on the front, that is the back.
        low, high = (start, end) if sheets.storm == "back" else (roof.along_m - end, roof.along_m - start)
        for place in _upward(roof.up):
            bottom, top = _span(roof, place, ridged)
            number += 1
            found_.append(Piece(number, turn + 1, place + 1, low, high, bottom, top))
    return tuple(found_)


def _upward(up: int) -> list[int]:
    """Places from both edges up to the crown, left and right by turns."""
    order = list[int]()
    for step in range((up + 1) // 2):
        order.append(step)
        if up - 1 - step != step:
            order.append(up - 1 - step)
    return order


def _span(roof: Roof, place: int, ridged: bool) -> tuple[float, float]:
    """From and to, over the roof from the left edge, m."""
    if not ridged:
        low = place * (roof.piece_m - roof.lap_m)
        return low, low + roof.piece_m
    half = roof.up // 2
    if place < half:
        low = place * (roof.piece_m - roof.lap_m)
        return low, low + roof.piece_m
    mirrored = (roof.up - 1 - place) * (roof.piece_m - roof.lap_m)
    return roof.over_m - mirrored - roof.piece_m, roof.over_m - mirrored


def supports_m(work: Work) -> tuple[float, ...]:
    """Where sheets are screwed, over the roof from the left edge, m: both edges and each run."""
    return tuple(at_m for at_m, _ in supports_of(work))


@found
def supports_of(work: Work) -> tuple[tuple[float, str], ...]:
    """Where sheets are screwed, over the roof from the left edge, m, and to which run; none at both edges."""
    bow, roof, half = centre_line(work), roof_of(work), bow_tube(work).od_m / 2
    eaves, up_m = work.design.sheets.eaves_m, edge_up_m(work)
    start = bow.at_y(up_m)[0] if up_m > 0 else 0.0
    places = {eaves: "", roof.over_m - eaves: ""}
    for run in runs_of(work):
        s_m = girth_at(work, run.at_m)
        if start < s_m < bow.girth_m - start:
            places[eaves + outer_between(bow, half, start, s_m)] = run.name
    return tuple(sorted(places.items()))


def outer_between(bow: Chain, half_m: float, from_m: float, to_m: float) -> float:
    """Over the outside between two places of a bow's centre line, m."""
    piece = bow.part(from_m, to_m)
    turned = piece.offset(half_m).girth_m
    return turned + half_m * sum(max(kink.turn_rad, 0.0) for kink in piece.kinks)


def widest_gap_m(work: Work) -> float:
    """The furthest between two supports, m."""
    return max((high - low for low, high in pairwise(supports_m(work))), default=0.0)


def bends_to_m(work: Work) -> float | None:
    """The tightest curve of the roof's outside, m; None where all of it is straight."""
    bow, up_m = centre_line(work).offset(bow_tube(work).od_m / 2), edge_up_m(work)
    start = bow.at_y(up_m)[0] if up_m > 0 else 0.0
    part = bow.part(start, bow.girth_m - start)
    radii = [abs(radius) for each in part.segments if (radius := getattr(each, "radius_m", None))]
    return min(radii, default=None)


def least_radius_m(work: Work) -> float | None:
    """What a sheet may be bent to, m: as its maker says; panels with chambers by their thickness; else not known."""
    sheets = work.design.sheets
    if sheets.radius_m is not None:
        return sheets.radius_m
    return COLD * sheets.thick_m if sheets.kind == "chambers" else None


def _pitch_m(work: Work) -> float:
    """From crest to crest, or from place to place of a panel, m."""
    return work.design.sheets.pitch_m if work.design.sheets.kind == "waves" else PANEL_EACH_M


@found
def rows_of(work: Work) -> tuple[tuple[float, tuple[float, ...]], ...]:
    """Each row of screws, over the roof from the left edge, m, and where its screws are along it: on each crest at both
    edges, each so many between."""
    pitch, supports = _pitch_m(work), supports_m(work)
    crests = [place * pitch for place in range(math.floor(roof_of(work).along_m / pitch + SAME) + 1)]
    inner = tuple(crests[:: work.design.sheets.crests])
    return tuple((at_m, tuple(crests) if at_m in (supports[0], supports[-1]) else inner) for at_m in supports)


@dataclass(frozen=True, slots=True)
class Screws:
    """Screws of the roof: in all, along one row at an edge and between, and N that wind lifts each by, None where the
    weather isn't known."""

    count: int
    edge_row: int
    inner_row: int
    lifted_n: float | None


@found
def screws_of(work: Work) -> Screws:
    """On crests: each at both edges, each so many between. Suction over the roof's area that one holds, doubled where
    it is the second or third support of one sheet (a beam over two spans: 1.25)."""
    sheets = work.design.sheets
    pitch, rows = _pitch_m(work), [len(places) for _, places in rows_of(work)]
    pressure = pressure_pa(work)
    lifted = None if pressure is None else 1.25 * pressure * widest_gap_m(work) * pitch * sheets.crests
    return Screws(sum(rows), max(rows), min(rows), lifted)


def expands_m(work: Work) -> float:
    """By how much the longest sheet grows from the coldest night to a hot roof, m."""
    return EXPANDS * WARMER_K * max(roof_of(work).piece_m, 0.0)


@dataclass(frozen=True, slots=True)
class Trim:
    """What closes an edge: its name, how long, m, how many lengths of it; whether it is of the ends, one each."""

    what: str
    long_m: float
    lengths: int
    of_ends: bool = False


TRIM_M, TRIM_LAP_M = 3.0, 0.1


@found
def trims_of(work: Work) -> tuple[Trim, ...]:
    """Closures along both eaves, trims over both rims, a cap over the ridge, profiles between panels."""
    sheets, roof = work.design.sheets, roof_of(work)
    found_ = list[Trim]()
    if work.design.sheets.over_roof:
        found_ += [Trim("closure along an eave", roof.along_m, 2), Trim("trim over an end’s rim", roof.over_m, 2)]
        if fold_of(work) is not None:
            found_.append(Trim("cap over the ridge", roof.along_m, 1))
        if sheets.kind == "chambers":
            found_.append(Trim("profile between panels", roof.over_m, roof.columns - 1))
    if work.design.sheets.over_ends:
        found_.append(Trim("trim round an end sheet", rim_m(work), 2, of_ends=True))
    return tuple(each for each in found_ if each.lengths)


def sticks_of(trim: Trim) -> int:
    """Sticks of a trim, lapped where they meet."""
    each = max(math.ceil((trim.long_m - TRIM_LAP_M) / (TRIM_M - TRIM_LAP_M) - SAME), 1)
    return each * trim.lengths


@dataclass(frozen=True, slots=True)
class EndSheet:
    """A sheet of an end, upright: from and to across, how high its left and right edges and its highest place are."""

    side: Side
    number: int
    from_m: float
    to_m: float
    left_m: float
    right_m: float
    high_m: float


@found
def end_sheets(work: Work) -> tuple[EndSheet, ...]:
    """Every sheet of both ends, from the left edge as seen from outside, cut to the outer face of its bow."""
    return tuple(each for side in SIDES for each in _end_sheets(work, side))


def _end_sheets(work: Work, side: Side) -> list[EndSheet]:
    sheets = work.design.sheets
    outer = end_bow(work, side).offset(bow_tube(work).od_m / 2)
    lap = sheets.lap_waves * sheets.pitch_m if sheets.kind == "waves" else -sheets.gap_m
    xs = [x for start in range(201) for x in [outer.point(outer.girth_m * start / 200)[0]]]
    half = max(abs(min(xs)), max(xs))
    wide = 2 * half
    columns = max(math.ceil((wide - lap) / (sheets.wide_m - lap) - SAME), 1)
    found_ = list[EndSheet]()
    for column in range(columns):
        low = -half + column * (sheets.wide_m - lap)
        high = min(low + sheets.wide_m, half)
        left, right = _high(outer, low), _high(outer, high)
        top = max(left, right, *(_high(outer, low + (high - low) * each / 40) for each in range(41)))
        if low < 0.0 < high:
            top = max(top, _high(outer, 0.0))
        found_.append(EndSheet(side, column + 1, low, high, left, right, top))
    return found_


def _high(outer: Chain, x: float) -> float:
    """How high the outside is over a place across, m; nothing beside it."""
    return max((outer.point(s_m)[1] for s_m in outer.at_x(x)), default=0.0)
