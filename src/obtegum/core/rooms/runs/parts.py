"""The sticks of the runs, or the pieces between the bows, as members of the house."""

from collections.abc import Sequence

from obtegum.core.face.faces import Member
from obtegum.core.findings.kept import found
from obtegum.core.findings.skeleton.bows import stick_at
from obtegum.core.findings.skeleton.runs import (
    Piece,
    deep_m,
    front_m,
    holds_m,
    pieces_of,
    place_of,
    ripped,
    runs_of,
    section_of,
    stock_of,
)
from obtegum.core.findings.skeleton.tubes import bow_tube
from obtegum.core.findings.work import Work

__all__ = ["at_run", "bows_under", "parts"]

Point = tuple[float, float, float]
SWAGED = ("swaged", "square")
WHATS = {"long": "run stick", "pieces": "piece between bows", "laths": "lath"}
# A bow so near to a piece's end holds it, m.
NEAR = 1e-9


@found
def places_of(work: Work) -> dict[str, tuple[tuple[float, float], tuple[float, float]]]:
    """Where each run's middle lies across and up, m: at the bows within, and at the two end bows."""
    return {run.name: (place_of(work, run), place_of(work, run, end_bow=True)) for run in runs_of(work)}


def at_run(work: Work, name: str, u_m: float) -> Point:
    """A place of a run, m from its front end; one that lies over the bows passes under both at the ends."""
    half_m, holds = bow_tube(work).od_m / 2, holds_m(work)
    inner, outer = places_of(work)[name]
    within = holds[0] + half_m < u_m < holds[-1] - half_m
    return (u_m + front_m(work), *(inner if within else outer))


def bows_under(work: Work, piece: Piece) -> tuple[int, ...]:
    """The bows that a piece lies on, or that it ends at, by their numbers."""
    # Between bows a piece ends at their faces, or in fittings before them.
    near_m = NEAR if work.design.runs.of == "long" else bow_tube(work).od_m / 2 + work.design.runs.take_m + NEAR
    holds = enumerate(holds_m(work), start=1)
    return tuple(bow for bow, at_m in holds if piece.from_m - near_m <= at_m <= piece.to_m + near_m)


@found
def parts(work: Work) -> Sequence[Member]:
    """Every piece of every run, its ends on its bows."""
    runs = work.design.runs
    sticks = {run.name: stick_at(work, run.at_m) for run in runs_of(work)}
    first = {piece.run: piece.number for piece in reversed(pieces_of(work))}
    swaged = runs.of == "long" and runs.joint == "swaged"
    laths = runs.of == "laths"
    strips = {run.name: f"run:{'even' if place % 2 else 'odd'}" for place, run in enumerate(runs_of(work))}
    return tuple(
        Member(
            part=f"run:{piece.run}:{piece.number}",
            what=WHATS[runs.of],
            called="run stick",
            strip=strips[piece.run],
            stock=stock_of(work),
            of=section_of(work)[0],
            section=(deep_m(work), section_of(work)[1]) if laths else (deep_m(work),),
            wide=(0.0, 1.0, 0.0),
            length_m=piece.length_m,
            stock_m=runs.stick_m,
            abreast=ripped(work) if laths else 1,
            cuts=SWAGED if swaged and piece.number != first[piece.run] else ("square", "square"),
            turned="swaged end to the front" if swaged and piece.number != first[piece.run] else "",
            ends=(at_run(work, piece.run, piece.from_m), at_run(work, piece.run, piece.to_m)),
            rests_on=tuple(f"bow:{bow}:{sticks[piece.run]}" for bow in bows_under(work, piece)),
        )
        for piece in pieces_of(work)
    )
