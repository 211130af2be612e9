"""Fittings of a glued grid, and the cement for their joints."""

from collections.abc import Iterator, Sequence

from obtegum.core.face.goods import SINGLY, Good, Seat
from obtegum.core.findings.kept import found
from obtegum.core.findings.skeleton.bays import bays_of
from obtegum.core.findings.skeleton.bows import fitted, on_bow, split_of, sticks_at
from obtegum.core.findings.skeleton.fittings import is_glued
from obtegum.core.findings.skeleton.runs import pieces_of, runs_of
from obtegum.core.findings.skeleton.tubes import bow_tube
from obtegum.core.findings.work import Work
from obtegum.core.rooms.fittings.found import SAME, dry_at, joint_l

__all__ = ["glued_at", "goods"]

CUT, GLUED = "pipe cutter, square ends", "pushed home dry first, then glued, all of it warm"
BEFORE = "capped, cool and in the dark until it is used"


@found
def goods(work: Work) -> Sequence[Good]:
    """A cross where a run passes a bow within, a tee where one ends, a fitting at each ridge, couplings, cement and
    primer; nothing where nothing is glued."""
    return tuple(good for good in _all(work) if good.seats) if is_glued(work) else ()


def _all(work: Work) -> Iterator[Good]:
    crossed, ridged = list(_crossed(work)), list(_ridged(work))
    last = bays_of(work).bows
    size = work.tube(bow_tube(work).od_m)
    coupled = [seat for at_m in split_of(work).joints_m for seat in _on_bows(work, at_m)]
    for name, what, seats in (
        ("fit-cross", "cross", [seat for bow, seat in crossed if bow not in (1, last)]),
        ("fit-tee", "tee", [seat for bow, seat in crossed if bow in (1, last)]),
        ("fit-ridge", "fitting at the ridge", ridged),
        ("fit-coupling", "coupling", coupled),
    ):
        many = {"cross": "crosses", "fitting at the ridge": "fittings at the ridge"}.get(what, "")
        yield Good(
            id=name, what=what, many=many, size=f"for {size}", seats=tuple(seats), unspared=SINGLY, tool=CUT,
            until=GLUED,
        )  # fmt: skip
    wetted = tuple(Seat(each.joins, each.at, ends * joint_l(work)) for each, ends in glued_at(work))
    for name in ("cement", "primer"):
        yield Good(
            id=f"fit-{name}", what=name, many=name, unit="l", seats=wetted, unspared="none: a can is never used up",
            tool="gloves, open air", until=BEFORE,
        )  # fmt: skip


def glued_at(work: Work) -> Iterator[tuple[Seat, int]]:
    """Every fitting where it is, and how many pipe ends are glued into it."""
    coupled = (seat for at_m in split_of(work).joints_m for seat in _on_bows(work, at_m))
    for seat in (*(seat for _, seat in _crossed(work)), *_ridged(work), *coupled):
        yield seat, _glued(work, seat)


def _glued(work: Work, seat: Seat) -> int:
    """How many pipe ends are glued into a fitting: all but a run's that stays dry."""
    runs = [name.split(":") for name in seat.joins if name.startswith("run:")]
    bow = int(next(name for name in seat.joins if name.startswith("bow:")).split(":")[1])
    # In a bay a piece's front end is at the bow of its number, its back end at the next.
    dry = sum(dry_at(work, int(number)) == ("front" if int(number) == bow else "back") for _, _, number in runs)
    return len(seat.joins) - dry


def _on_bows(work: Work, at_m: float) -> Iterator[Seat]:
    """Where two sticks meet, on each bow."""
    before, after = sticks_at(work, at_m)
    for bow, station_m in enumerate(bays_of(work).stations_m, start=1):
        yield Seat((f"bow:{bow}:{before}", f"bow:{bow}:{after}"), (station_m, *on_bow(work, at_m)))


def _crossed(work: Work) -> Iterator[tuple[int, Seat]]:
    """Each place where a run meets a fitting of a bow: which bow, both sticks of it, and the run's pieces there."""
    places, pieces = [at_m for at_m, _ in fitted(work)], {(piece.run, piece.number) for piece in pieces_of(work)}
    for run in runs_of(work):
        if any(abs(run.at_m - at_m) < SAME for at_m in places):
            for bow, seat in enumerate(_on_bows(work, run.at_m), start=1):
                met = [f"run:{run.name}:{number}" for number in (bow - 1, bow) if (run.name, number) in pieces]
                yield bow, Seat((*seat.joins, *met), seat.at)


def _ridged(work: Work) -> Iterator[Seat]:
    """What stands at a ridge where no run passes."""
    runs = [run.at_m for run in runs_of(work)]
    for at_m, _ in fitted(work):
        if all(abs(at_m - run_m) >= SAME for run_m in runs):
            yield from _on_bows(work, at_m)
