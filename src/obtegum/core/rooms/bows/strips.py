"""The sticks or pieces of a bow laid straight, with every mark on them."""

from obtegum.core.drawing.strip import Band, MarkKind, Strip
from obtegum.core.findings.skeleton.bending import bends_of
from obtegum.core.findings.skeleton.bows import along_tube, fitted, joint_made, own_pieces, split_of, tube_m
from obtegum.core.findings.skeleton.fittings import is_glued, take_ups
from obtegum.core.findings.skeleton.stands import way_of
from obtegum.core.findings.skeleton.tubes import bow_tube
from obtegum.core.findings.work import Work
from obtegum.core.formulas.bows.sticks import Piece, Split
from obtegum.core.rooms.bows.marks import tube_places

__all__ = ["strips"]

SAME = 1e-6
# A fitting is at a piece's end if its middle is so near, m.
NEXT_M = 0.21


def strips(work: Work) -> list[Strip]:
    """Each stick or piece of a bow laid straight, with its marks from the plain end."""
    return [_stick_strip(work, place) for place in range(len(split_of(work).pieces))]


def _stick_strip(work: Work, place: int) -> Strip:
    split = split_of(work)
    piece = split.pieces[place]
    first, last, word = place == 0, place == len(split.pieces) - 1, "Piece" if own_pieces(work) else "Stick"
    where = f"stick:{piece.name}"
    places = [
        (at - piece.from_m, what, kind, part)
        for at, what, kind, part in tube_places(work)
        if piece.from_m - SAME <= at <= piece.to_m + SAME
    ]
    # What falls on an end of the stick is told by the end itself.
    places = [each for each in places if SAME < each[0] < piece.length_m - SAME or each[2] == "socket"]
    cover_m = joint_made(work).cover_m
    covers = "joint covers to here" if joint_made(work).overlap_m else f"{joint_made(work).name} to here"
    if not first and not piece.corner_before:
        places.append((cover_m, covers, "joint", f"joint:{_joint_number(split, place - 1)}"))
    if not last and not piece.corner_after:
        what = "next stick to here" if joint_made(work).overlap_m else covers
        places.append((piece.length_m - cover_m, what, "joint", f"joint:{_joint_number(split, place)}"))
    places += _home(work, piece)
    places += _holes(work, piece, first, last)
    places.append((piece.length_m, _end(piece, last), "cut", f"end:{piece.name}"))
    return Strip(
        id=where,
        title=f"{word} {piece.name}" if len(split.pieces) > 1 else f"The {word.lower()}",
        about=_about(work, piece, last),
        material=bow_tube(work).material,
        length_m=piece.length_m,
        marks=tuple(work.mark(at, what, kind, part, where) for at, what, kind, part in sorted(places)),
        bands=tuple(_bands(work, piece, first, last)),
    )


def _joint_number(split: Split, place: int) -> int:
    """The number of the joint after a piece, corners not counted."""
    return sum(not piece.corner_after for piece in split.pieces[: place + 1])


def _end(piece: Piece, last: bool) -> str:
    return "cut here" if last and piece.left_over_m > SAME else "end"


def _about(work: Work, piece: Piece, last: bool) -> str:
    start = "tape from the plain end"
    if own_pieces(work):
        return f"{start} · as it comes: check its length, and that every hole is there"
    if piece.left_over_m <= SAME:
        return f"{start} · a whole stick, nothing to cut"
    off = work.say(piece.left_over_m)
    if piece.corner_after or piece.corner_before:
        return f"{start} · {off} left over"
    if last:
        return f"{start} · cut {off} off the swaged end"
    return f"first cut {off} off the plain end · then {start}"


def _home(work: Work, piece: Piece) -> list[tuple[float, str, MarkKind, str]]:
    """How far a piece goes into the fittings at its ends."""
    takes = take_ups(work)
    if takes is None or not is_glued(work):
        return []
    places = [at_m for at_m, takes_m in fitted(work) if takes_m > 0]
    found = list[tuple[float, str, MarkKind, str]]()
    for number, at_m in enumerate(places, start=1):
        if piece.corner_before and 0 < piece.from_m - at_m < NEXT_M:
            found.append((takes.socket_m, "home in the fitting to here", "joint", f"fitting:{number}"))
        elif piece.corner_after and 0 < at_m - piece.to_m < NEXT_M:
            in_m = piece.length_m - takes.socket_m
            found.append((in_m, "home in the fitting to here", "joint", f"fitting:{number}"))
    return found


def _holes(work: Work, piece: Piece, first: bool, last: bool) -> list[tuple[float, str, MarkKind, str]]:
    """The bolt holes of a bought piece's joints; the one within goes under that of the piece around it."""
    hole_m, overlap_m = work.design.bows.hole_m, joint_made(work).overlap_m
    if hole_m is None or not own_pieces(work):
        return []
    found = list[tuple[float, str, MarkKind, str]]()
    if not first and not piece.corner_before:
        found.append((hole_m, "bolt hole", "joint", f"hole:{piece.name}1"))
    if not last and not piece.corner_after:
        back_m = overlap_m - hole_m if overlap_m else hole_m
        found.append((piece.length_m - back_m, "bolt hole", "joint", f"hole:{piece.name}2"))
    return found


def _bands(work: Work, piece: Piece, first: bool, last: bool) -> list[Band]:
    insertion_m, cover_m = work.design.bows.insertion_m, joint_made(work).cover_m
    bands = []
    if first:
        bands.append(Band(from_m=0.0, to_m=insertion_m, what=way_of(work).takes, kind="socket"))
    elif not piece.corner_before:
        bands.append(Band(from_m=0.0, to_m=cover_m, what="over the joint", kind="joint"))
    for bend in bends_of(work):
        low = max(along_tube(work, bend.start_m), insertion_m) - piece.from_m
        high = min(along_tube(work, bend.end_m), tube_m(work) - insertion_m) - piece.from_m
        low, high = max(low, 0.0), min(high, piece.length_m)
        if high - low > SAME:
            bands.append(Band(from_m=low, to_m=high, what="bent", kind="bent"))
    if last:
        bands.append(
            Band(from_m=piece.length_m - insertion_m, to_m=piece.length_m, what=way_of(work).takes, kind="socket")
        )
    elif not piece.corner_after:
        what = "swaged" if joint_made(work).kind in ("swaged", "crown_plate") else "in the joint"
        bands.append(Band(from_m=piece.length_m - cover_m, to_m=piece.length_m, what=what, kind="joint"))
    return bands
