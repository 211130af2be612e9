"""The posts, as members of the house."""

from collections.abc import Sequence

from obtegum.core.faces import Member
from obtegum.core.rooms.bows.tubes import post_tube
from obtegum.core.rooms.posts.found import embedment_m
from obtegum.core.rooms.set_out.found import pegs_of
from obtegum.core.work import Work

__all__ = ["parts"]


def parts(work: Work) -> Sequence[Member]:
    """Every post from its bottom end to its top, on the datum."""
    posts = work.design.posts
    return tuple(
        Member(
            part=f"post:{peg.side}{peg.bow}",
            what="post",
            stock=post_tube(work).id,
            length_m=posts.length_m,
            ends=((peg.station_m, peg.x_m, -embedment_m(work)), (peg.station_m, peg.x_m, posts.reveal_m)),
        )
        for peg in pegs_of(work)
    )
