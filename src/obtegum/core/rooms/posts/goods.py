"""What holds the bows in or on their feet."""

from collections.abc import Iterator, Sequence

from obtegum.core.face.goods import SINGLY, Good, Seat
from obtegum.core.findings.kept import found
from obtegum.core.findings.skeleton.bolts import bolt_size
from obtegum.core.findings.skeleton.held import foot_stick
from obtegum.core.findings.skeleton.posts import STRAPS, board_of
from obtegum.core.findings.skeleton.stands import way_of
from obtegum.core.findings.skeleton.stood import stood_on
from obtegum.core.findings.skeleton.tubes import bow_tube, post_tube
from obtegum.core.findings.work import Work

__all__ = ["goods"]

SHARE = 0.05


@found
def goods(work: Work) -> Sequence[Good]:
    """Bolts and screws of bow and post, stop bolts, straps."""
    posts, hold, way = work.design.posts, work.design.hold, way_of(work)
    over_m = max(bow_tube(work).od_m, post_tube(work).over_m)
    if posts.stand == "curve":
        over_m = bow_tube(work).od_m + post_tube(work).over_m
    found_ = list[Good]()
    if posts.stand == "board":
        found_.append(
            Good(
                id="foot-strap",
                what="strap",
                size=f"{work.tube(bow_tube(work).od_m)} to {board_of(work).name}",
                seats=tuple(_feet(work, 0.0, STRAPS)),
                unspared=SINGLY,
                tool="hammer or driver",
                until="tight when the bow is plumb",
            )
        )
    elif posts.bolt_m is not None:
        found_.append(_bolt(work, "foot-bolt", f"bolt through bow and {way.one}", posts.bolt_m, over_m))
    if posts.stop == "bolt" and way.socketed:
        found_.append(_bolt(work, "stop-bolt", "stop bolt", work.design.bows.insertion_m, post_tube(work).over_m))
    if hold.screws and way.socketed:
        found_.append(
            Good(
                id="foot-screw",
                what=f"screw, bow in {way.one}",
                many=f"screws, bow in {way.one}",
                size=f"no. {hold.screw}",
                seats=tuple(_feet(work, work.design.bows.insertion_m / 2, hold.screws)),
                spare=SHARE,
                tool="hex bit",
                until="when the bow is plumb",
            )
        )
    return tuple(found_)


def _bolt(work: Work, name: str, what: str, below_m: float, thick_m: float) -> Good:
    return Good(
        id=name,
        what=f"{what}, nut and two washers",
        many=f"{what.replace('bolt', 'bolts', 1)}, nuts and two washers each",
        size=bolt_size(work, thick_m, work.design.hold.bolt_m),
        seats=tuple(_feet(work, below_m, 1)),
        unspared=SINGLY,
        tool="drill, two wrenches",
        until="snug, the tube not crushed, when the bow is plumb",
    )


def _feet(work: Work, below_m: float, each: float) -> Iterator[Seat]:
    """A seat at each foot of each bow, so far below the top of what it stands in, m."""
    top_m = work.design.posts.reveal_m - below_m
    for peg, held_by in stood_on(work):
        stick = f"bow:{peg.bow}:{foot_stick(work, peg.side)}"
        yield Seat((held_by, stick), (peg.station_m, peg.x_m, top_m), each)
