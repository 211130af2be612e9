"""The sticks of both end walls, as members of the house."""

from collections.abc import Sequence

from obtegum.core.faces import Member
from obtegum.core.rooms.ends.found import all_walls, stud_board
from obtegum.core.work import Work

__all__ = ["parts"]


def parts(work: Work) -> Sequence[Member]:
    """Every stick in the plane of its end bow."""
    stations = {"front": 0.0, "back": work.design.size.length_m}
    return tuple(
        Member(
            part=f"{wall.side}:{stick.letter}",
            what=stick.what,
            stock=stud_board(work, wall.side).id,
            length_m=stick.long_m,
            ends=((stations[wall.side], *stick.ends[0]), (stations[wall.side], *stick.ends[1])),
        )
        for wall in all_walls(work)
        for stick in wall.sticks
    )
