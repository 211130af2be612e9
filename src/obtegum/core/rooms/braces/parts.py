"""Braces, collars and struts, as members of the house."""

from collections.abc import Iterator, Sequence

from obtegum.core.face.faces import Member
from obtegum.core.findings.kept import found
from obtegum.core.findings.skeleton.bays import bays_of
from obtegum.core.findings.skeleton.bows import bow_at
from obtegum.core.findings.skeleton.braces import Tie, brace_tube, braces_of, tie_board, tie_stock, tied_bows, ties_of
from obtegum.core.findings.work import Work
from obtegum.core.rooms.braces.found import cut_m, tie_cut_m

__all__ = ["parts"]


FLAT = ("flattened, holed", "flattened, holed")
HOLED = ("square, holed", "square, holed")
PLAIN = ("square", "square")


@found
def parts(work: Work) -> Sequence[Member]:
    """Every brace from foot to head, every collar and strut of every bow that has one."""
    return (*_braces(work), *_ties(work))


def _braces(work: Work) -> Iterator[Member]:
    for brace in braces_of(work):
        yield Member(
            part=f"brace:{brace.name}",
            what="brace",
            stock=brace_tube(work).id,
            section=(brace_tube(work).od_m,),
            length_m=cut_m(work, brace.long_m),
            ends=(brace.foot, brace.head),
            cuts=FLAT if work.design.braces.end == "flat" else PLAIN,
            turned="head to the front" if brace.front else "head to the back",
            rests_on=tuple(
                bow_at(work, bow, brace.side, end[2])
                for bow, end in zip(brace.bows, (brace.foot, brace.head), strict=True)
            ),
        )


def _ties(work: Work) -> Iterator[Member]:
    stations, (stock, section) = bays_of(work).stations_m, tie_stock(work)
    for bow in tied_bows(work):
        for tie in ties_of(work):
            name, _, side = tie.part.partition(":")
            yield Member(
                part=f"{name}:{bow}{side}",
                what=tie.what,
                stock=stock,
                section=section,
                of="steel" if tie_board(work) is None else "board",
                called="tie",
                length_m=tie_cut_m(work, tie.long_m),
                cuts=HOLED if tie_board(work) is not None else FLAT if work.design.braces.end == "flat" else PLAIN,
                rests_on=tuple(_held(work, bow, tie, place) for place in (0, 1)),
                ends=((stations[bow - 1], *tie.ends[0]), (stations[bow - 1], *tie.ends[1])),
            )


def _held(work: Work, bow: int, tie: Tie, place: int) -> str:
    """What an end of a tie is on: its bow, or a strut's lower one its collar."""
    if tie.what == "strut" and place == 0:
        return f"collar:{bow}"
    x, up_m = tie.ends[place]
    return bow_at(work, bow, "L" if x < 0 else "R", up_m)
