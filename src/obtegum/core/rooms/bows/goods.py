"""What joins the sticks of the bows."""

from collections.abc import Iterator, Sequence

from obtegum.core.face.goods import SINGLY, Good, Seat
from obtegum.core.face.worn import bits
from obtegum.core.findings.kept import found
from obtegum.core.findings.skeleton.bays import bays_of
from obtegum.core.findings.skeleton.bolts import bolt_size
from obtegum.core.findings.skeleton.bows import fitted, joint_made, on_bow, own_pieces, split_of, sticks_at
from obtegum.core.findings.skeleton.fittings import is_glued
from obtegum.core.findings.skeleton.tubes import bow_tube
from obtegum.core.findings.work import Work

__all__ = ["goods"]

# What keeps a joint from sliding apart, and what a lap or a plate is bolted by (this bench).
JOINT_SCREWS, LAP_BOLTS, CROWN_BOLTS, CROWN_PLATES = 2, 2, 4, 2
SCREW, HEX, WRENCH = "5.5 × 25 mm", "hex bit 8 mm", "two wrenches"
FLAT = "while the bow lies, once its width is right"
SHARE = 0.05


@found
def goods(work: Work) -> Sequence[Good]:
    """Couplers or sleeves, screws or bolts of every joint, plates or fittings at corners; a glued grid's are told with
    its fittings."""
    if is_glued(work):
        return ()
    some = [good for good in (*_joints(work), *_corners(work)) if good.seats]
    return (*some, *bits("bow", some))


def _seats(work: Work, at_m: float, each: int = 1) -> tuple[Seat, ...]:
    """A place of the tube, m from its left end, where two sticks meet, on every bow."""
    before, after = sticks_at(work, at_m)
    place = on_bow(work, at_m)
    return tuple(
        Seat((f"bow:{bow}:{before}", f"bow:{bow}:{after}"), (station_m, *place), each)
        for bow, station_m in enumerate(bays_of(work).stations_m, start=1)
    )


def _joints(work: Work) -> Iterator[Good]:
    kind, tube, joints = joint_made(work).kind, bow_tube(work), split_of(work).joints_m
    over = [seat for at_m in joints for seat in _seats(work, at_m)]
    if kind in ("coupler", "sleeve"):
        size = f"over {work.tube(tube.od_m)}, {work.say(2 * joint_made(work).cover_m)} long"
        yield Good(
            id="bow-coupler", what=kind, size=size, seats=tuple(over), spare=SHARE, tool=HEX, until=FLAT,
        )  # fmt: skip
    bolted = kind == "bolted" or (own_pieces(work) and work.design.bows.hole_m is not None)
    count = 1 if own_pieces(work) else LAP_BOLTS
    name, each = ("bow-bolt", count) if bolted else ("bow-screw", JOINT_SCREWS)
    bolt_m, thick_m = work.design.hold.bolt_m, 2 * tube.od_m if kind == "bolted" else tube.od_m
    yield Good(
        id=name,
        what="bolt of a joint, nut and two washers" if bolted else "screw of a joint",
        many="bolts of the joints, nuts and two washers each" if bolted else "screws of the joints",
        size=bolt_size(work, thick_m, bolt_m) if bolted else SCREW,
        seats=tuple(Seat(seat.joins, seat.at, each) for seat in over),
        spare=0.0 if bolted else SHARE,
        unspared=SINGLY if bolted else "",
        tool=WRENCH if bolted else HEX,
        until=FLAT,
    )


def _corners(work: Work) -> Iterator[Good]:
    """Where straight or half pieces meet at a corner: two plates with their bolts, or a fitting."""
    plated, crown_m = joint_made(work).kind == "crown_plate", split_of(work).pieces[-1].to_m / 2
    places = [at_m for at_m, _ in fitted(work)]
    crown = [at_m for at_m in places if plated and abs(at_m - crown_m) < 1e-6]
    bolt_m, tube = work.design.hold.bolt_m, bow_tube(work)
    plates = tuple(seat for at_m in crown for seat in _seats(work, at_m, CROWN_PLATES))
    yield Good(
        id="crown-plate", what="plate at the crown", many="plates at the crowns", size=f"for {work.tube(tube.od_m)}",
        seats=plates, unspared=SINGLY, tool=WRENCH, until=FLAT,
    )  # fmt: skip
    yield Good(
        id="crown-bolt",
        what="bolt of a crown plate, nut and two washers",
        many="bolts of the crown plates, nuts and two washers each",
        size=bolt_size(work, tube.od_m, bolt_m),
        seats=tuple(Seat(seat.joins, seat.at, CROWN_BOLTS) for seat in plates),
        unspared=SINGLY,
        tool=WRENCH,
        until=FLAT,
    )
    yield Good(
        id="bow-corner",
        what="fitting at a corner",
        many="fittings at the corners",
        size=work.tube(tube.od_m),
        seats=tuple(seat for at_m in places if at_m not in crown for seat in _seats(work, at_m)),
        unspared=SINGLY,
        tool=HEX,
        until=FLAT,
    )
