"""Braces, collars and struts, as members of the house."""

from collections.abc import Iterator, Sequence

from obtegum.core.face.faces import Member
from obtegum.core.findings.skeleton.bays import bays_of
from obtegum.core.findings.skeleton.braces import brace_tube, braces_of, tie_board, tie_stock, tied_bows, ties_of
from obtegum.core.findings.work import Work
from obtegum.core.rooms.braces.found import cut_m, tie_cut_m

__all__ = ["parts"]


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
                length_m=tie_cut_m(work, tie.long_m),
                ends=((stations[bow - 1], *tie.ends[0]), (stations[bow - 1], *tie.ends[1])),
            )
