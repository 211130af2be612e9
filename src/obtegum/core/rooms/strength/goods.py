"""What props stand on and are tied by, and the brackets over the bows' joints."""

from collections.abc import Iterator, Sequence

from obtegum.core.face.goods import SINGLY, Good, Seat
from obtegum.core.findings.kept import found
from obtegum.core.findings.skeleton.bays import bays_of
from obtegum.core.findings.skeleton.bolts import bolt_size
from obtegum.core.findings.skeleton.bows import along_tube, corners_of, on_bow, split_of, sticks_at
from obtegum.core.findings.skeleton.tubes import bow_tube
from obtegum.core.findings.work import Work
from obtegum.core.rooms.strength.parts import parts

__all__ = ["goods"]

# Bolts of a bracket: two on each side of its joint (AISC 360-16 F11, as it is reckoned).
BRACKET_BOLTS, WEDGES = 4, 2
BEFORE_SNOW, FLAT = "ready before the first snow, beside its prop", "while the bow lies, before it stands"


@found
def goods(work: Work) -> Sequence[Good]:
    """A plate, two wedges and a tie to each prop; a bracket of two plates and its bolts over each joint."""
    return tuple(good for good in (*_props(work), *_brackets(work)) if good.seats)


def _props(work: Work) -> Iterator[Good]:
    for name, what, count, tool in (
        ("prop-plate", "plate under a prop", 1, "level"),
        ("prop-wedge", "wedge under a prop", WEDGES, "hammer"),
        ("prop-tie", "tie of a prop", 1, "pliers"),
    ):
        yield Good(
            id=name,
            what=what,
            many=what.replace(" ", "s ", 1),
            seats=tuple(Seat((prop.part,), prop.ends[what.startswith("tie")], count) for prop in parts(work)),
            unspared=SINGLY,
            tool=tool,
            until=BEFORE_SNOW,
        )


def _brackets(work: Work) -> Iterator[Good]:
    strength, seats = work.design.strength, list[Seat]()
    if strength.bracket == "plates":
        places = (*split_of(work).joints_m, *(along_tube(work, corner.s_m) for corner in corners_of(work)))
        for at_m in sorted(places):
            before, after = sticks_at(work, at_m)
            for bow, station_m in enumerate(bays_of(work).stations_m, start=1):
                seats.append(Seat((f"bow:{bow}:{before}", f"bow:{bow}:{after}"), (station_m, *on_bow(work, at_m))))
    plate = " × ".join(work.tube(each) for each in (strength.plate_thick_m, strength.plate_wide_m))
    yield Good(
        id="bracket",
        what="bracket",
        size=f"two plates of {plate}, {work.say(strength.plate_long_m)} long",
        seats=tuple(seats),
        unspared=SINGLY,
        tool="drill, two wrenches",
        until=FLAT,
        costly=True,
    )
    yield Good(
        id="bracket-bolt",
        what="bolt of a bracket, nut and two washers",
        many="bolts of the brackets, nuts and two washers each",
        size=bolt_size(work, bow_tube(work).od_m + 2 * strength.plate_thick_m, work.design.braces.bolt_m),
        seats=tuple(Seat(seat.joins, seat.at, BRACKET_BOLTS) for seat in seats),
        unspared=SINGLY,
        tool="two wrenches",
        until=FLAT,
    )
