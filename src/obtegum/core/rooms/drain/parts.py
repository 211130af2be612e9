"""The drain's pipe, as a member of the house."""

from collections.abc import Sequence

from obtegum.core.face.faces import Member
from obtegum.core.face.goods import GROUND
from obtegum.core.findings.work import Work
from obtegum.core.rooms.drain.draw import drain_line
from obtegum.core.rooms.drain.found import drained, pipe_of

__all__ = ["parts"]


def parts(work: Work) -> Sequence[Member]:
    """The pipe on the bottom of its trench, from its start to its outlet."""
    found, middle_m = drained(work), work.design.size.span_m / 2
    start, end, y = drain_line(work)
    return (
        Member(
            part="drain",
            what="drain pipe",
            stock=pipe_of(work).id,
            length_m=found.length_m,
            of="plastic",
            rests_on=(GROUND,),
            section=(pipe_of(work).bore_m,),
            ends=((start, y - middle_m, -found.start_deep_m), (end, y - middle_m, -found.end_deep_m)),
        ),
    )
