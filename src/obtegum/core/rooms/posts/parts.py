"""What the bows stand on, as members of the house."""

from collections.abc import Iterator, Sequence
from itertools import pairwise

from obtegum.core.face.faces import Member
from obtegum.core.face.goods import GROUND
from obtegum.core.findings.kept import found
from obtegum.core.findings.skeleton.bays import pegs_of
from obtegum.core.findings.skeleton.held import feet_hold, within
from obtegum.core.findings.skeleton.posts import board_behind_m, board_of, boards_of, embedment_m
from obtegum.core.findings.skeleton.stands import boarded, stub_below, way_of
from obtegum.core.findings.skeleton.tubes import bow_tube, post_tube
from obtegum.core.findings.work import Work

__all__ = ["parts"]


@found
def parts(work: Work) -> Sequence[Member]:
    """Every post, socket or stub from its bottom end to its top, on the datum; boards, and what stakes them."""
    return (*_posts(work), *(_boards(work) if boarded(work) else ()))


def _posts(work: Work) -> Iterator[Member]:
    posts = work.design.posts
    if posts.stand == "board":
        return
    away_m = stub_below(work)[0] if posts.stand == "curve" else 0.0
    for peg in pegs_of(work):
        out_m = -away_m if peg.side == "L" else away_m
        yield Member(
            part=f"post:{peg.side}{peg.bow}",
            what=way_of(work).one,
            stock=post_tube(work).id,
            of=post_tube(work).material,
            section=(post_tube(work).od_m,),
            length_m=posts.length_m,
            stock_m=posts.stock_m,
            called=f"stick for {way_of(work).many}" if posts.stock_m is not None else "",
            weighed=True,
            strip="post",
            rests_on=(GROUND,),
            ends=((peg.station_m, peg.x_m + out_m, -embedment_m(work)), (peg.station_m, peg.x_m, posts.reveal_m)),
        )


def _boards(work: Work) -> Iterator[Member]:
    """Boards along both long sides, and the stakes at their ends where they are what holds the bows."""
    posts, boards, od_m = work.design.posts, boards_of(work), bow_tube(work).od_m
    up_m, start_m = posts.reveal_m, -od_m / 2
    out_m = work.design.size.span_m / 2 + board_behind_m(work)
    board, stake_m = board_of(work), post_tube(work).od_m
    for side, sign in (("L", -1.0), ("R", 1.0)):
        x_m, y_m, holds = sign * (out_m + board.thick_m / 2), up_m - board.wide_m / 2, feet_hold(work, side)
        for number, (low, high) in enumerate(pairwise((0.0, *boards.splices_m, boards.run_m)), start=1):
            yield Member(
                part=f"board:{side}{number}",
                what="base board",
                stock=board.id,
                of="board",
                section=(board.thick_m, board.wide_m),
                length_m=high - low,
                stock_m=posts.board_m,
                called="board along a side",
                strip="base-board",
                rests_on=tuple(name for _, name in within(holds, start_m + low, start_m + high)),
                ends=((start_m + low, x_m, y_m), (start_m + high, x_m, y_m)),
            )
        for number, at_m in enumerate(boards.stakes_m if posts.stand == "board" else (), start=1):
            # It stands behind the board, its top with the board's.
            at, x_m = start_m + at_m, sign * (out_m + board.thick_m + stake_m / 2)
            yield Member(
                part=f"stake:{side}{number}",
                what="stake",
                stock=post_tube(work).id,
                of=post_tube(work).material,
                section=(post_tube(work).od_m,),
                length_m=posts.length_m,
                stock_m=posts.stock_m,
                called="stick for stakes" if posts.stock_m is not None else "",
                weighed=True,
                rests_on=(GROUND,),
                ends=((at, x_m, -embedment_m(work)), (at, x_m, up_m)),
            )
