"""What holds the sheet along its edges, and what lies between it and the frame or goes over it."""

from collections.abc import Iterator, Sequence
from itertools import pairwise

from obtegum.core.documents.ends import SIDES
from obtegum.core.face.fixings import Edge, fixed
from obtegum.core.face.goods import SINGLY, Good, Seat
from obtegum.core.face.worn import bits
from obtegum.core.findings.kept import found
from obtegum.core.findings.skeleton.bays import bays_of
from obtegum.core.findings.skeleton.bows import girth_at, split_of
from obtegum.core.findings.skeleton.held import bows_hold
from obtegum.core.findings.skeleton.line import centre_line
from obtegum.core.findings.skeleton.posts import board_of, boards_of
from obtegum.core.findings.skeleton.runs import front_m, pieces_of, place_of, run_tube, runs_of
from obtegum.core.findings.skeleton.stands import boarded
from obtegum.core.findings.skeleton.tubes import bow_tube
from obtegum.core.findings.work import Work
from obtegum.core.rooms.boards.found import base_out_m, hip_board, hip_laid, hip_place
from obtegum.core.rooms.cover.found import edge_up_m, is_taped, taped_m
from obtegum.core.rooms.cover.lines import Line, cords_of, lines_of

__all__ = ["goods"]

Point = tuple[float, float, float]
# What it lies on along a side: from and to along the house, m, and its name.
Under = tuple[float, float, str]


@found
def goods(work: Work) -> Sequence[Good]:
    """Track and wire, battens, screws, clamps, eyelets, staples of every edge; tape, caps, cords."""
    held = tuple(fixed(work, "cover", [_edge(work, line) for line in lines_of(work)], ("fix", "eyelet")))
    return (
        *held,
        *bits("cover", held),
        *(good for good in (*_taped(work), *_capped(work), *_lashed(work)) if good.seats),
    )


def _edge(work: Work, line: Line) -> Edge:
    if "end" in line.where:
        return _rim(work, line)
    side = line.where[0].upper()
    sign, pieces = (-1.0 if side == "L" else 1.0), _pieces(work)
    under, (out_m, up_m), begins_m = _under(work, side), _place(work), -bow_tube(work).od_m / 2
    film = f"film:{pieces if side == 'R' else 1}"

    def on(at_m: float) -> str:
        along_m = begins_m + at_m
        return next((name for _, high, name in under if along_m <= high), under[-1][2])

    return Edge(line.fixing.id, line.laid, film, lambda at_m: (begins_m + at_m, sign * out_m, up_m), on, line.layers)


def _pieces(work: Work) -> int:
    return 2 if work.design.cover.pieces == "two" else 1


def _place(work: Work) -> tuple[float, float]:
    """How far out of the middle and how high up a side is held, m."""
    cover, up_m = work.design.cover, edge_up_m(work)
    if up_m > 0 and cover.edge == "hip":
        return -hip_place(work)[0] + hip_board(work).thick_m / 2, up_m
    if up_m > 0:
        return base_out_m(work) + board_of(work).thick_m / 2, up_m
    return (work.design.size.span_m + bow_tube(work).od_m) / 2, up_m


def _under(work: Work, side: str) -> list[Under]:
    """What a side of the cover is held to, in order along the house: its boards, or else its bows."""
    cover, posts = work.design.cover, work.design.posts
    if edge_up_m(work) > 0 and cover.edge == "hip" and work.design.boards.hip == "board":
        return hip_laid(work, side)
    if cover.edge == "base" and boarded(work) and posts.reveal_m > 0:
        laid, begins_m = boards_of(work), -bow_tube(work).od_m / 2
        ends = pairwise((0.0, *laid.splices_m, laid.run_m))
        return [(begins_m + low, begins_m + high, f"board:{side}{at}") for at, (low, high) in enumerate(ends, start=1)]
    holds = bows_hold(work, side)
    # Each bow holds what is nearer to it than to the others.
    halves = [(low + high) / 2 for (low, _), (high, _) in pairwise(holds)]
    ends_m = (holds[0][0], *halves, work.design.size.length_m + bow_tube(work).od_m)
    return [(low, high, name) for (low, high), (_, name) in zip(pairwise(ends_m), holds, strict=True)]


def _rim(work: Work, line: Line) -> Edge:
    """An end's edge, over its bow from foot to foot: with a layer more where the end has film of its own."""
    stations, side = bays_of(work).stations_m, next(side for side in SIDES if side in line.where)
    at_m, bow = (stations[0], 1) if side == "front" else (stations[-1], len(stations))
    outer, sticks = centre_line(work).offset(bow_tube(work).od_m / 2), _sticks_over(work)
    film = f"{side}:film" if work.design.sheets.over_roof else f"film:{1 if side == 'front' else _pieces(work)}"

    def on(s_m: float) -> str:
        return f"bow:{bow}:{next((name for to_m, name in sticks if s_m <= to_m), sticks[-1][1])}"

    def at(s_m: float) -> Point:
        return (at_m, *outer.point(min(s_m, outer.girth_m)))

    return Edge(line.fixing.id, line.laid, film, at, on, line.layers)


def _sticks_over(work: Work) -> list[tuple[float, str]]:
    """How far over the outside of a bow, m from its left foot, each of its sticks reaches."""
    bow, half_m = centre_line(work), bow_tube(work).od_m / 2
    ends = [(min(girth_at(work, piece.to_m), bow.girth_m), piece.name) for piece in split_of(work).pieces]
    return [(bow.part(0.0, to_m).offset(half_m).girth_m, name) for to_m, name in ends]


def _over_bows(work: Work) -> Iterator[tuple[float, tuple[str, ...]]]:
    """Where each bow stands, m along, and the sheet with the sticks under it."""
    sticks = [piece.name for piece in split_of(work).pieces]
    for bow, at_m in enumerate(bays_of(work).stations_m, start=1):
        yield at_m, ("film:1", *(f"bow:{bow}:{name}" for name in sticks))


def _crown_m(work: Work) -> float:
    return work.design.size.height_m + bow_tube(work).od_m / 2


def _taped(work: Work) -> Iterator[Good]:
    """Tape over every bow that film lies on."""
    each_m, crown_m = taped_m(work) / bays_of(work).bows, _crown_m(work)
    seats = (Seat(joins, (at_m, 0.0, crown_m), each_m) for at_m, joins in _over_bows(work)) if is_taped(work) else ()
    yield Good(
        id="cover-tape", what="tape over the bows", many="tape over the bows", unit="m", seats=tuple(seats),
        unspared="none: it is torn off as it goes", tool="knife", until="on dry tube, before the film goes on",
    )  # fmt: skip


def _capped(work: Work) -> Iterator[Good]:
    """A cap on each end of each run."""
    runs, seats = {run.name: run for run in runs_of(work)}, list[Seat]()
    pieces = pieces_of(work)
    for name, run in runs.items():
        own = [piece for piece in pieces if piece.run == name]
        for piece, at_m in ((own[0], own[0].from_m), (own[-1], own[-1].to_m)):
            at = (at_m + front_m(work), *place_of(work, run, end_bow=True))
            seats.append(Seat((f"run:{name}:{piece.number}",), at))
    yield Good(
        id="cover-cap", what="cap of a run’s end", many="caps of the runs’ ends", size=work.tube(run_tube(work).od_m),
        seats=tuple(seats), unspared=SINGLY, tool="hands, tape", until="before the film goes on",
    )  # fmt: skip


def _lashed(work: Work) -> Iterator[Good]:
    """A cord over each bay."""
    cords, stations = cords_of(work), bays_of(work).stations_m
    over = pairwise(stations) if cords is not None and not work.design.sheets.over_roof else ()
    yield Good(
        id="cover-cord", what="cord over the top", many="cords over the top",
        size="" if cords is None else f"{work.say(cords.each_m, 'up')} each",
        seats=tuple(Seat(("film:1",), ((low + high) / 2, 0.0, _crown_m(work))) for low, high in over),
        unspared=SINGLY, tool="knife, knots", until="last, over the fixed sheet",
    )  # fmt: skip
