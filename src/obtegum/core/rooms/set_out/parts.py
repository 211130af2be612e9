"""The pegs, as members of the house."""

from collections.abc import Sequence

from obtegum.core.face.faces import Member
from obtegum.core.face.goods import GROUND
from obtegum.core.findings.skeleton.bays import pegs_of
from obtegum.core.findings.work import Work

__all__ = ["parts"]

# How far a peg goes into the ground and stands out of it, m.
PEG_DOWN_M, PEG_UP_M = 0.3, 0.1
# How thick one is, m.
PEG_M = 0.03


def parts(work: Work) -> Sequence[Member]:
    """A peg for every post."""
    return tuple(
        Member(
            part=peg.part,
            what="peg",
            stock="stake",
            of="peg",
            rests_on=(GROUND,),
            section=(PEG_M, PEG_M),
            length_m=PEG_DOWN_M + PEG_UP_M,
            ends=((peg.station_m, peg.x_m, -PEG_DOWN_M), (peg.station_m, peg.x_m, PEG_UP_M)),
        )
        for peg in pegs_of(work)
    )
