"""Props under the crowns while snow lies, as members of the house."""

from collections.abc import Sequence

from obtegum.core.face.faces import AT_NEED, Member
from obtegum.core.face.goods import GROUND
from obtegum.core.findings.kept import found
from obtegum.core.findings.skeleton.bays import bays_of
from obtegum.core.findings.skeleton.tubes import bow_tube
from obtegum.core.findings.work import Work
from obtegum.core.rooms.strength.model import prop_board
from obtegum.core.rooms.strength.propped import propped_bows

__all__ = ["parts"]


@found
def parts(work: Work) -> Sequence[Member]:
    """A prop from the ground to the underside of each crown that has one; it is cut so that plate and wedges go under
    it."""
    board, stations = prop_board(work), bays_of(work).stations_m
    high_m = work.design.size.height_m - bow_tube(work).od_m / 2
    return tuple(
        Member(
            part=f"prop:{bow}",
            what="prop",
            stock=board.id,
            of="board",
            section=(board.thick_m, board.wide_m),
            wide=(0.0, 1.0, 0.0),
            length_m=high_m,
            ends=((stations[bow - 1], 0.0, 0.0), (stations[bow - 1], 0.0, high_m)),
            rests_on=(GROUND,),
            stage=AT_NEED,
        )
        for bow in propped_bows(work)
    )
