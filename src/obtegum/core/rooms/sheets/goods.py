"""Screws of the sheets, what closes their edges, and tape over the ends of panels."""

from collections import Counter
from collections.abc import Iterator, Sequence

from obtegum.core.documents.ends import SIDES
from obtegum.core.face.fixings import SHARE
from obtegum.core.face.goods import SINGLY, Good, Seat
from obtegum.core.face.worn import bits
from obtegum.core.findings.kept import found
from obtegum.core.findings.work import Work
from obtegum.core.rooms.sheets.found import TRIM_M, Piece, laid, roof_of, rows_of, sticks_of, trims_of
from obtegum.core.rooms.sheets.parts import along_m, on_roof, parts

__all__ = ["goods"]

# Through a crest of common sheet, or a panel, into tube or board (this bench).
SIZES = {"waves": "6.3 × 50 mm, sealing washer", "chambers": "6.3 × 50 mm, wide sealing washer"}
SNUG = "washers snug, not flat, holes wider than the screw"


@found
def goods(work: Work) -> Sequence[Good]:
    """A screw at each place of each row, trims by the stick, tape of panels."""
    screws = tuple(_screws(work)) if work.design.sheets.over_roof else ()
    screw = Good(
        id="sheet-screw", what="screw with its washer", many="screws, a washer each",
        size=SIZES[work.design.sheets.kind], seats=screws, spare=SHARE, tool="driver with a depth stop, drill",
        until=SNUG, drawn=("screw",),
    )  # fmt: skip
    return tuple(good for good in (screw, *bits("sheet", (screw,)), *_trims(work), *_tape(work)) if good.seats)


def _screws(work: Work) -> Iterator[Seat]:
    """Screws of each row, column by column: one where two sheets lap goes through both, and counts once."""
    pieces, roof = laid(work), roof_of(work)
    columns = {piece.column: (piece.from_m, piece.to_m) for piece in pieces}
    for over_m, places in rows_of(work):
        count = Counter(
            next(c for c in sorted(columns, key=lambda c: columns[c]) if at <= columns[c][1] + 1e-9) for at in places
        )
        for column, screws in count.items():
            low, high = columns[column]
            under = [piece for piece in pieces if piece.column == column and _has(piece, over_m)]
            at = (along_m(work, min((low + high) / 2, roof.along_m)), *on_roof(work, over_m))
            yield Seat(tuple(f"sheet:{piece.number}" for piece in under), at, screws)


def _has(piece: Piece, over_m: float) -> bool:
    return piece.low_m - 1e-9 <= over_m <= piece.high_m + 1e-9


def _trims(work: Work) -> Iterator[Good]:
    """Each kind by the stick, a seat for each length of it."""
    sheets = parts(work)
    ends = {side: [each for each in sheets if each.part.startswith(f"sheet:{side}")] for side in SIDES}
    roof = [each for each in sheets if not any(each in of_end for of_end in ends.values())]
    for place, trim in enumerate(trims_of(work), start=1):
        each = sticks_of(trim) / trim.lengths
        closed = list(ends.values()) if trim.of_ends else [roof] * trim.lengths
        yield Good(
            id=f"sheet-trim-{place}", what=trim.what, many=f"sticks of {trim.what}", size=work.say(TRIM_M),
            seats=tuple(Seat(tuple(one.part for one in of), of[0].ends[1], each) for of in closed), unspared=SINGLY,
            tool="snips, driver", until="closures under the sheet, trims and cap over it",
        )  # fmt: skip


def _tape(work: Work) -> Iterator[Good]:
    """Tape over the open ends of panels: tight above, one that breathes below."""
    if work.design.sheets.kind != "chambers":
        return
    for name, what in (("tight", "tape over panels’ upper ends"), ("breathing", "tape that breathes, lower ends")):
        yield Good(
            id=f"sheet-tape-{name}", what=what, many=what, unit="m", spare=SHARE, tool="knife, dry hands",
            seats=tuple(Seat((each.part,), each.ends[1], each.section[1]) for each in parts(work)),
            until="before the panel goes up",
        )  # fmt: skip
