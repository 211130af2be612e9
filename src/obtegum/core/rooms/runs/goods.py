"""What holds the runs to the bows, and their sticks to each other."""

from collections.abc import Iterator, Sequence

from obtegum.core.face.goods import Good, Seat
from obtegum.core.face.worn import bits
from obtegum.core.findings.kept import found
from obtegum.core.findings.skeleton.bays import bays_of
from obtegum.core.findings.skeleton.bows import stick_at
from obtegum.core.findings.skeleton.fittings import is_glued
from obtegum.core.findings.skeleton.runs import Piece, holds_m, pieces_of, run_tube, runs_of
from obtegum.core.findings.skeleton.tubes import bow_tube
from obtegum.core.findings.work import Work
from obtegum.core.rooms.runs.parts import at_run, bows_under

__all__ = ["goods"]

# Screws of a splice, and what all of them are turned by.
SPLICE_SCREWS = 2
SCREW, HEX = "5.5 × 25 mm", "hex bit 8 mm"
LATE = "finger-tight until the house is plumb"
Held = tuple[tuple[str, ...], int, tuple[float, float, float]]


@found
def goods(work: Work) -> Sequence[Good]:
    """Clamps, brackets or fittings, couplers and screws; those of a glued grid are its own step's."""
    if is_glued(work):
        return ()
    held = list(_held(work))
    some = [good for good in (*_holding(work, held), *_joined(work, held)) if good.seats]
    return (*some, *bits("run", some))


def _held(work: Work) -> Iterator[Held]:
    """Each place where a run is held to a bow: what is there, which bow, and where."""
    pieces, holds = dict[str, list[Piece]](), holds_m(work)
    for piece in pieces_of(work):
        pieces.setdefault(piece.run, []).append(piece)
    for run in runs_of(work):
        stick = stick_at(work, run.at_m)
        if work.design.runs.of != "long":
            # A piece between two bows is held at both of its ends.
            for piece in pieces[run.name]:
                front, back = bows_under(work, piece)
                for bow, end_m in ((front, piece.from_m), (back, piece.to_m)):
                    yield (_named(piece), f"bow:{bow}:{stick}"), bow, at_run(work, run.name, end_m)
            continue
        for bow, at_m in enumerate(holds, start=1):
            here = [piece for piece in pieces[run.name] if piece.from_m - 1e-9 <= at_m <= piece.to_m + 1e-9]
            yield (*map(_named, here), f"bow:{bow}:{stick}"), bow, at_run(work, run.name, at_m)


def _named(piece: Piece) -> str:
    return f"run:{piece.run}:{piece.number}"


def _holding(work: Work, held: list[Held]) -> Iterator[Good]:
    runs, last = work.design.runs, bays_of(work).bows
    size = f"{work.tube(run_tube(work).od_m)} to {work.tube(bow_tube(work).od_m)}"

    def clamp(name: str, what: str, of: str, found_: list[Held], tool: str) -> Good:
        seats = tuple(Seat(joins, at) for joins, _, at in found_)
        return Good(id=name, what=what, size=of, seats=seats, spare=runs.spare, tool=tool, until=LATE)

    if runs.of != "long":
        yield clamp("run-fitting", "fitting", "lath to bow" if runs.of == "laths" else size, held, "hex bit 8 mm")
    elif runs.lie == "over":
        yield clamp("run-clamp", "clamp", size, [each for each in held if each[1] not in (1, last)], "wrench")
        under = [each for each in held if each[1] in (1, last)]
        yield clamp("run-clamp-under", "clamp under an end bow", size, under, "wrench")
    elif runs.lie == "through":
        yield clamp("run-bracket", "bracket", size, held, "hex bit 8 mm")
    else:
        yield clamp("run-clamp", "clamp", size, held, "wrench")


def _joined(work: Work, held: list[Held]) -> Iterator[Good]:
    """Couplers, and screws of what is held and of splices."""
    runs, spliced = work.design.runs, list[Seat]()
    if runs.of == "long":
        for before, after in zip(pieces_of(work), pieces_of(work)[1:], strict=False):
            if before.run == after.run:
                middle_m = (before.to_m + after.from_m) / 2
                spliced.append(Seat((_named(before), _named(after)), at_run(work, before.run, middle_m)))
    if runs.joint == "coupler":
        yield Good(
            id="run-coupler",
            what="coupler",
            size=work.tube(run_tube(work).od_m),
            seats=tuple(spliced),
            spare=runs.spare,
            tool=HEX,
            until="as the run is laid",
        )
    yield Good(
        id="run-screw",
        what="screw",
        size=SCREW,
        seats=(
            *(Seat(joins, at, runs.screws) for joins, _, at in held if runs.screws),
            *(Seat(each.joins, each.at, SPLICE_SCREWS) for each in spliced),
        ),
        spare=runs.spare,
        tool=HEX,
        until="when the house is plumb",
    )
