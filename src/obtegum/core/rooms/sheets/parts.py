"""Rigid sheets of the roof and of the ends, as members of the house."""

from collections.abc import Iterator, Sequence

from obtegum.core.face.faces import Member
from obtegum.core.findings.kept import found
from obtegum.core.findings.skeleton.bays import bays_of
from obtegum.core.findings.skeleton.bows import girth_at, split_of, stick_at
from obtegum.core.findings.skeleton.line import centre_line
from obtegum.core.findings.skeleton.outline import end_bow
from obtegum.core.findings.skeleton.runs import front_m, pieces_of
from obtegum.core.findings.skeleton.tubes import bow_tube
from obtegum.core.findings.work import Work
from obtegum.core.formulas.profile import Chain
from obtegum.core.rooms.cover.found import edge_up_m
from obtegum.core.rooms.sheets.found import EndSheet, Piece, end_sheets, laid, roof_of, supports_of

__all__ = ["along_m", "on_roof", "parts"]

Point = tuple[float, float, float]
# Places of a sheet over the roof, and of an end's along its upper edge, by which it is drawn.
PLACES, ALONG = 10, 8


@found
def parts(work: Work) -> Sequence[Member]:
    """Every sheet, in the order of laying; then those of the ends."""
    sheets = work.design.sheets
    roof = _on_roof(work) if sheets.over_roof else ()
    return (*roof, *(_on_end(work, each) for each in (end_sheets(work) if sheets.over_ends else ())))


@found
def _outside(work: Work) -> tuple[Chain, float]:
    """The outside of a bow, and how far along it the lowest fixing is, m."""
    outer, up_m = centre_line(work).offset(bow_tube(work).od_m / 2), edge_up_m(work)
    return outer, outer.at_y(up_m)[0] if up_m > 0 else 0.0


def along_m(work: Work, at_m: float) -> float:
    """A place along the sheets of the roof, m from its front edge, as it is along the house, m."""
    return at_m - bow_tube(work).od_m / 2 - work.design.sheets.over_m


def on_roof(work: Work, over_m: float) -> tuple[float, float]:
    """A place over the roof, m from its left edge, across and up, m: past the lowest fixing straight on."""
    (outer, start_m), eaves_m = _outside(work), work.design.sheets.eaves_m
    # At a ridge the outside is longer than the line beside it.
    share = (over_m - eaves_m) / (roof_of(work).over_m - 2 * eaves_m)
    s_m = start_m + share * (outer.girth_m - 2 * start_m)
    x, y = outer.point(min(max(s_m, start_m), outer.girth_m - start_m))
    return x, y - max(start_m - s_m, s_m - (outer.girth_m - start_m), 0.0)


def _on_roof(work: Work) -> Iterator[Member]:
    sheets = work.design.sheets
    panel = sheets.kind == "chambers"
    for piece in laid(work):
        overs = [piece.low_m + (piece.high_m - piece.low_m) * at / PLACES for at in range(PLACES + 1)]
        first, last = (tuple((along_m(work, x), *on_roof(work, u)) for u in overs) for x in (piece.from_m, piece.to_m))
        wide_m, long_m = piece.to_m - piece.from_m, piece.high_m - piece.low_m
        yield Member(
            part=f"sheet:{piece.number}",
            what="panel" if panel else "sheet",
            stock=_stock(work),
            of="sheet",
            length_m=long_m,
            stock_m=sheets.long_m,
            section=(sheets.thick_m, wide_m),
            path=first,
            edge=last,
            ends=(first[0], first[-1]),
            kg=wide_m * long_m * sheets.kg_m2,
            strip="sheets:over",
            rests_on=tuple(_under(work, piece)),
            turned="marked face to the sun, flutes up the roof" if panel else "",
        )


def _stock(work: Work) -> str:
    sheets = work.design.sheets
    if sheets.kind == "chambers":
        return f"panel {work.tube(sheets.thick_m)} thick, {work.say(sheets.wide_m)} wide"
    return f"corrugated, {work.say(sheets.wide_m)} wide"


def _under(work: Work, piece: Piece) -> Iterator[str]:
    """The runs that a sheet lies on, and the bows."""
    low_m, high_m = along_m(work, piece.from_m), along_m(work, piece.to_m)
    for at_m, run in supports_of(work):
        if run and piece.low_m - 1e-9 <= at_m <= piece.high_m + 1e-9:
            yield from (
                f"run:{each.run}:{each.number}"
                for each in pieces_of(work)
                if each.run == run and each.from_m + front_m(work) < high_m and each.to_m + front_m(work) > low_m
            )
    bow, start = centre_line(work), edge_up_m(work)
    shares = [(at - work.design.sheets.eaves_m) / roof_of(work).over_m for at in (piece.low_m, piece.high_m)]
    begins = bow.at_y(start)[0] if start > 0 else 0.0
    low_s, high_s = (begins + share * (bow.girth_m - 2 * begins) for share in shares)
    sticks = [
        each.name
        for each in split_of(work).pieces
        if girth_at(work, each.from_m) < high_s and girth_at(work, each.to_m) > low_s
    ]
    for number in _bows(work, low_m, high_m):
        yield from (f"bow:{number}:{stick}" for stick in sticks)


def _bows(work: Work, low_m: float, high_m: float) -> list[int]:
    """The bows under a sheet; the nearest where it lies between two and laps over what lies on one."""
    stations = bays_of(work).stations_m
    under = [number for number, at_m in enumerate(stations, start=1) if low_m <= at_m <= high_m]
    middle_m = (low_m + high_m) / 2
    return under or [min(range(1, len(stations) + 1), key=lambda number: abs(stations[number - 1] - middle_m))]


def _on_end(work: Work, sheet: EndSheet) -> Member:
    stations = bays_of(work).stations_m
    at_m, bow = (stations[0], 1) if sheet.side == "front" else (stations[-1], len(stations))
    rim, line = end_bow(work, sheet.side).offset(bow_tube(work).od_m / 2), centre_line(work)
    xs = [sheet.from_m + (sheet.to_m - sheet.from_m) * at / ALONG for at in range(ALONG + 1)]
    tops = [max((rim.point(s_m)[1] for s_m in rim.at_x(x)), default=0.0) for x in xs]
    crossed = [min(line.at_x(x), default=0.0 if x < 0 else line.girth_m) for x in xs]
    sticks = dict.fromkeys(stick_at(work, s_m - girth_at(work, 0.0)) for s_m in crossed)
    return Member(
        part=f"sheet:{sheet.side}{sheet.number}",
        what="panel of an end" if work.design.sheets.kind == "chambers" else "sheet of an end",
        stock=_stock(work),
        of="sheet",
        length_m=sheet.high_m,
        section=(work.design.sheets.thick_m, sheet.to_m - sheet.from_m),
        path=tuple((at_m, x, 0.0) for x in xs),
        edge=tuple((at_m, x, top) for x, top in zip(xs, tops, strict=True)),
        ends=((at_m, sheet.from_m, 0.0), (at_m, sheet.from_m, sheet.left_m)),
        kg=(sheet.to_m - sheet.from_m) * sum(tops) / len(tops) * work.design.sheets.kg_m2,
        cuts=("square", "to the bow"),
        rests_on=tuple(f"bow:{bow}:{stick}" for stick in sticks),
    )
