"""The sticks of the bows, as members of the house."""

import math
from collections.abc import Sequence
from functools import partial

from obtegum.core.face.faces import Member
from obtegum.core.findings.kept import found
from obtegum.core.findings.skeleton.bays import bays_of
from obtegum.core.findings.skeleton.bows import joint_made, on_bow, own_pieces, split_of
from obtegum.core.findings.skeleton.stood import stood_on
from obtegum.core.findings.skeleton.tubes import bow_tube
from obtegum.core.findings.work import Work

__all__ = ["parts"]

# How far apart a stick's places in the round are, of the house's width.
STEP_SHARE = 1 / 12


@found
def parts(work: Work) -> Sequence[Member]:
    """Every stick of every bow, its ends where they come to stand; the first and the last end in their posts."""
    split, own = split_of(work), bool(own_pieces(work))
    place = partial(on_bow, work)
    ends = [(piece, place(piece.from_m), place(piece.to_m)) for piece in split.pieces]
    feet = {peg.side + str(peg.bow): name for peg, name in stood_on(work)}
    step_m = STEP_SHARE * work.design.size.span_m
    bent = {piece.name: [place(at_m) for at_m in _between(piece.from_m, piece.to_m, step_m)] for piece in split.pieces}
    tube, swaged, last = bow_tube(work), joint_made(work).kind in ("swaged", "crown_plate"), len(split.pieces) - 1

    def rests(bow: int, at: int) -> tuple[str, ...]:
        """The foot that it stands on, at the ends of a bow, and its neighbours nearer to the ground."""
        names, middle = [each.name for each in split.pieces], last / 2
        found_ = [feet[f"{side}{bow}"] for side, end in (("L", 0), ("R", last)) if at == end]
        before = [at - 1] if 0 < at <= middle + 0.5 else []
        after = [at + 1] if middle - 0.5 <= at < last else []
        return (*found_, *(f"bow:{bow}:{names[each]}" for each in (*before, *after)))

    return tuple(
        Member(
            part=f"bow:{number}:{piece.name}",
            what="stick",
            stock=tube.id,
            of=tube.material,
            section=(tube.od_m,),
            path=tuple((station_m, *at) for at in bent[piece.name]),
            stage=f"Bow {number}",
            length_m=piece.length_m,
            stock_m=piece.length_m if own else split.stick_m,
            weighed=True,
            strip=f"stick:{piece.name}",
            cuts=("square", "swaged") if swaged and at < last and not piece.corner_after else ("square", "square"),
            turned="swaged end to the right" if swaged and at < last and not piece.corner_after else "",
            rests_on=rests(number, at),
            ends=((station_m, *low), (station_m, *high)),
        )
        for number, station_m in enumerate(bays_of(work).stations_m, start=1)
        for at, (piece, low, high) in enumerate(ends)
    )


def _between(low_m: float, high_m: float, step_m: float) -> list[float]:
    """Places along a stick, its ends among them."""
    count = max(math.ceil((high_m - low_m) / step_m), 1)
    return [low_m + (high_m - low_m) * place / count for place in range(count + 1)]
