"""The sticks of the bows, as members of the house."""

import math
from collections.abc import Sequence

from obtegum.core.face.faces import Member
from obtegum.core.findings.skeleton.bays import bays_of
from obtegum.core.findings.skeleton.bows import girth_at, split_of
from obtegum.core.findings.skeleton.line import centre_line
from obtegum.core.findings.skeleton.tubes import bow_tube
from obtegum.core.findings.work import Work

__all__ = ["parts"]

# How far apart a stick's places in the round are, of the house's width.
STEP_SHARE = 1 / 12


def parts(work: Work) -> Sequence[Member]:
    """Every stick of every bow, its ends where they come to stand; the first and the last end in their posts."""
    bow, split = centre_line(work), split_of(work)

    def place(tube_m: float) -> tuple[float, float]:
        s_m = girth_at(work, tube_m)
        x, y = bow.point(min(max(s_m, 0.0), bow.girth_m))
        # A tube that goes deeper than the line's own foot stands plumb there.
        return x, y + min(s_m, 0.0) - max(s_m - bow.girth_m, 0.0)

    ends = [(piece, place(piece.from_m), place(piece.to_m)) for piece in split.pieces]
    step_m = STEP_SHARE * work.design.size.span_m
    bent = {piece.name: _between(piece.from_m, piece.to_m, step_m) for piece in split.pieces}
    tube = bow_tube(work)
    return tuple(
        Member(
            part=f"bow:{number}:{piece.name}",
            what="stick",
            stock=tube.id,
            of=tube.material,
            section=(tube.od_m,),
            path=tuple((station_m, *place(tube_m)) for tube_m in bent[piece.name]),
            stage=f"Bow {number}",
            length_m=piece.length_m,
            stock_m=split.stick_m,
            ends=((station_m, *first), (station_m, *last)),
        )
        for number, station_m in enumerate(bays_of(work).stations_m, start=1)
        for piece, first, last in ends
    )


def _between(low_m: float, high_m: float, step_m: float) -> list[float]:
    """Places along a stick, its ends among them."""
    count = max(math.ceil((high_m - low_m) / step_m), 1)
    return [low_m + (high_m - low_m) * place / count for place in range(count + 1)]
