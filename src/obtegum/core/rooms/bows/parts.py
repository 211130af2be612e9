"""The sticks of the bows, as members of the house."""

from collections.abc import Sequence

from obtegum.core.faces import Member
from obtegum.core.rooms.bows.found import girth_at, split_of
from obtegum.core.rooms.bows.tubes import bow_tube
from obtegum.core.rooms.set_out.found import bays_of
from obtegum.core.rooms.size.found import centre_line
from obtegum.core.work import Work

__all__ = ["parts"]


def parts(work: Work) -> Sequence[Member]:
    """Every stick of every bow, its ends where they come to stand; the first and the last end in their posts."""
    bow, split = centre_line(work), split_of(work)

    def place(tube_m: float) -> tuple[float, float]:
        s_m = girth_at(work, tube_m)
        x, y = bow.point(min(max(s_m, 0.0), bow.girth_m))
        # A tube that goes deeper than the line's own foot stands plumb there.
        return x, y + min(s_m, 0.0) - max(s_m - bow.girth_m, 0.0)

    ends = [(piece, place(piece.from_m), place(piece.to_m)) for piece in split.pieces]
    return tuple(
        Member(
            part=f"bow:{number}:{piece.name}",
            what="stick",
            stock=bow_tube(work).id,
            length_m=piece.length_m,
            stock_m=split.stick_m,
            ends=((station_m, *first), (station_m, *last)),
        )
        for number, station_m in enumerate(bays_of(work).stations_m, start=1)
        for piece, first, last in ends
    )
