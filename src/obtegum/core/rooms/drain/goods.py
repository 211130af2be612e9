"""What the drain's pipe takes besides: its cap and its grate."""

from collections.abc import Sequence

from obtegum.core.face.goods import SINGLY, Good, Seat
from obtegum.core.findings.work import Work
from obtegum.core.rooms.drain.found import pipe_of
from obtegum.core.rooms.drain.parts import parts

__all__ = ["goods"]


def goods(work: Work) -> Sequence[Good]:
    """A cap at its upper end, a grate at its outlet against what nests there."""
    (pipe,) = parts(work)
    size = work.tube(pipe_of(work).bore_m)
    ends = (("cap", "cap of the drain", pipe.ends[0]), ("grate", "grate at its outlet", pipe.ends[1]))
    return tuple(
        Good(
            id=f"drain-{name}", what=what, size=size, seats=(Seat((pipe.part,), at),), unspared=SINGLY, tool="hands",
            until="before the trench is filled",
        )
        for name, what, at in ends
    )  # fmt: skip
