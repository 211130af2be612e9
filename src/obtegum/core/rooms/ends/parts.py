"""The sticks of both end walls, as members of the house."""

from collections.abc import Iterator, Sequence
from typing import Literal

from obtegum.core.face.faces import Member
from obtegum.core.findings.kept import found
from obtegum.core.findings.skeleton.bays import bays_of
from obtegum.core.findings.skeleton.braces import brace_tube
from obtegum.core.findings.skeleton.outline import end_of, stud_board, stud_tube
from obtegum.core.findings.work import Work
from obtegum.core.rooms.ends.props import props_of, struts_of
from obtegum.core.rooms.ends.rests import prop_rests, rests, strut_rests
from obtegum.core.rooms.ends.wall import all_walls

__all__ = ["parts"]


@found
def parts(work: Work) -> Sequence[Member]:
    """Every stick in the plane of its end bow, and what braces it from inside."""
    return tuple(_members(work))


def _members(work: Work) -> Iterator[Member]:
    along = bays_of(work).stations_m
    stations = {"front": along[0], "back": along[-1]}
    for wall in all_walls(work):
        board, round_ = stud_board(work, wall.side), stud_tube(work, wall.side)
        stock = round_.id if round_ else board.id
        section = (round_.od_m,) if round_ else (board.thick_m, board.wide_m)
        of: Literal["steel", "board"] = "steel" if round_ else "board"
        edge = end_of(work, wall.side).stand == "edge"
        for stick in wall.sticks:
            low, high = ((stations[wall.side], *end) for end in stick.ends)
            part = f"{wall.side}:{stick.letter}"
            wide = (1.0, 0.0, 0.0) if edge else (0.0, 1.0, 0.0) if stick.plumb else (0.0, 0.0, 1.0)
            yield Member(
                part=part, what=stick.what, called="end stick", stock=stock,
                length_m=stick.long_m, ends=(low, high), of=of,
                section=section, wide=wide, stage=f"The {wall.side}", rests_on=rests(work, wall, stick),
            )  # fmt: skip
        tube = brace_tube(work)
        for strut in struts_of(work, wall.side):
            yield Member(
                part=f"{wall.side}:strut:{strut.letter}", what="strut to the second foot",
                called="end stick", stock=tube.id,
                length_m=strut.long_m, ends=strut.ends, of="steel", section=(tube.od_m,), wide=(0.0, 1.0, 0.0),
                stage=f"The {wall.side}", rests_on=strut_rests(work, wall.side, strut),
            )  # fmt: skip
        for prop in props_of(work, wall.side):
            yield Member(
                part=f"{wall.side}:prop:{prop.letter}", what="prop to the second bow", called="end stick", stock=stock,
                length_m=prop.long_m, ends=prop.ends, of=of, section=section, wide=(0.0, 1.0, 0.0),
                stage=f"The {wall.side}", rests_on=prop_rests(work, wall.side, prop),
            )  # fmt: skip
