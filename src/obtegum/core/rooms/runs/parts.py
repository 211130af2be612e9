"""The sticks of the runs, or the pieces between the bows, as members of the house."""

from collections.abc import Sequence

from obtegum.core.face.faces import Member
from obtegum.core.findings.skeleton.runs import (
    deep_m,
    front_m,
    holds_m,
    pieces_of,
    place_of,
    runs_of,
    section_of,
    stock_of,
)
from obtegum.core.findings.skeleton.tubes import bow_tube
from obtegum.core.findings.work import Work

__all__ = ["parts"]


def parts(work: Work) -> Sequence[Member]:
    """Every piece of every run, its ends on its bows; one that lies over them passes under both at the ends."""
    half_m, runs, holds = bow_tube(work).od_m / 2, {run.name: run for run in runs_of(work)}, holds_m(work)
    places = {run.name: (place_of(work, run), place_of(work, run, end_bow=True)) for run in runs.values()}
    start_m, first_m, last_m = front_m(work), holds[0] + half_m, holds[-1] - half_m

    def at(name: str, u_m: float) -> tuple[float, float, float]:
        inner, outer = places[name]
        return (u_m + start_m, *(outer if u_m <= first_m or u_m >= last_m else inner))

    return tuple(
        Member(
            part=f"run:{piece.run}:{piece.number}",
            what={"long": "run stick", "pieces": "piece between bows", "laths": "lath"}[work.design.runs.of],
            stock=stock_of(work),
            of=section_of(work)[0],
            section=(deep_m(work), section_of(work)[1]) if work.design.runs.of == "laths" else (deep_m(work),),
            wide=(0.0, 1.0, 0.0),
            length_m=piece.length_m,
            stock_m=work.design.runs.stick_m,
            ends=(at(piece.run, piece.from_m), at(piece.run, piece.to_m)),
        )
        for piece in pieces_of(work)
    )
