"""The curtains of both sides and the bars that they roll up on, as members of the house."""

from collections.abc import Iterator, Sequence
from itertools import pairwise

from obtegum.core.face.faces import Member
from obtegum.core.findings.kept import found
from obtegum.core.findings.skeleton.tubes import bow_tube
from obtegum.core.findings.work import Work
from obtegum.core.rooms.boards.found import hip_board, hip_laid
from obtegum.core.rooms.ends.pulled import film_of
from obtegum.core.rooms.sides.found import bar_tube, bars_of, curtained, film_out_m, own_curtain, rest_m, wound
from obtegum.core.values.physics import FILM_KG_M3

__all__ = ["SIDES", "hung_from", "parts", "starts_m"]

SIDES = (("L", -1.0), ("R", 1.0))
# Insect net, kg/m² (estimate: dense net of thread is 0.13).
NET_KG_M2 = 0.15


@found
def parts(work: Work) -> Sequence[Member]:
    """Each curtain as it hangs, where it isn't the roof's own sheet, and each piece of its bar, down."""
    return tuple(_hung(work)) if curtained(work) else ()


def starts_m(work: Work) -> list[float]:
    """Where the curtains of a side begin, with their flaps, m along the house."""
    sides, whole_m = work.design.sides, work.design.size.length_m + bow_tube(work).od_m
    begins_m = -bow_tube(work).od_m / 2 - sides.flap_m
    return [begins_m + place * whole_m / sides.parts for place in range(sides.parts)]


def hung_from(work: Work, side: str, number: int) -> str:
    """What a bar hangs on: its curtain, or the roof's own sheet."""
    if own_curtain(work):
        return f"curtain:{side}{number}"
    return "film:2" if side == "R" and work.design.cover.pieces == "two" else "film:1"


def _hung(work: Work) -> Iterator[Member]:
    cover, bars, bar = work.design.cover, bars_of(work), bar_tube(work)
    low_m, high_m = rest_m(work), work.design.boards.hip_m - hip_board(work).wide_m / 2
    film, net, drop_m = film_of(work), cover.curtain == "net", wound(work).drop_m
    ends = tuple(pairwise((0.0, *bars.joints_m, bars.part_m)))
    for (side, sign), (number, from_m) in ((way, each) for way in SIDES for each in enumerate(starts_m(work), start=1)):
        to_m, out_m = from_m + bars.part_m, film_out_m(work, low_m)
        upper, lower = ((sign * film_out_m(work, up_m), up_m) for up_m in (high_m, low_m))
        if own_curtain(work):
            yield Member(
                part=f"curtain:{side}{number}",
                what="curtain of net" if net else "curtain of film",
                stock="insect net" if net else film.name,
                of="film",
                length_m=bars.part_m,
                section=(film.thick_m, drop_m),
                path=((from_m, *upper), (to_m, *upper)),
                edge=((from_m, *lower), (to_m, *lower)),
                ends=((from_m, *upper), (to_m, *upper)),
                kg=bars.part_m * drop_m * (NET_KG_M2 if net else film.thick_m * FILM_KG_M3),
                rests_on=tuple(name for low, high, name in hip_laid(work, side) if low < to_m and high > from_m),
            )
        x = sign * (out_m + bar.od_m / 2)
        for piece, (low, high) in enumerate(ends, start=1):
            yield Member(
                part=f"bar:{side}{number}:{piece}",
                what="bar",
                stock=bar.id,
                of=bar.material,
                section=(bar.od_m,),
                length_m=high - low,
                stock_m=work.design.sides.bar_m,
                strip="sides:bar",
                ends=((from_m + low, x, low_m), (from_m + high, x, low_m)),
                rests_on=(hung_from(work, side, number),),
            )
