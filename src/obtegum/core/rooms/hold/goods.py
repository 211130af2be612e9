"""What each way to set the posts takes besides hands: concrete, gravel, plates, bars, screws, rails, timber."""

from collections.abc import Callable, Iterator, Sequence

from obtegum.core.face.goods import SINGLY, Good, Seat
from obtegum.core.findings.kept import found
from obtegum.core.findings.skeleton.settings import SETTINGS, set_of
from obtegum.core.findings.skeleton.tubes import post_tube
from obtegum.core.findings.work import Work
from obtegum.core.rooms.hold.found import bag_of, counts
from obtegum.core.rooms.hold.takes import Dug, each_dug, takes_of

__all__ = ["goods"]

HEAPED = "none: what is left of a load is raked out"
Each = Callable[[str, float], float]


@found
def goods(work: Work) -> Sequence[Good]:
    """Each by the feet that take it, with as much as the depth of each asks for."""
    return tuple(good for good in _all(work) if good.seats)


def _feet(work: Work, each: Each) -> tuple[Seat, ...]:
    """A seat for each foot that takes some: ``each`` tells by its setting and its depth, m, how much."""
    dug, ways = each_dug(work), {kind: set_of(work, kind) for kind in counts(work)}
    # Most feet are alike.
    takes = {key: each(*key) for key in {(ways[one.kind], one.deep_m) for one in dug}}
    wanted = [(one, takes[ways[one.kind], one.deep_m]) for one in dug]
    return tuple(_seat(one, amount) for one, amount in wanted if amount > 0)


def _seat(dug: Dug, amount: float) -> Seat:
    return Seat((dug.name,), (*dug.at, -dug.deep_m), amount)


def _all(work: Work) -> Iterator[Good]:
    hold, tube = work.design.hold, work.tube(post_tube(work).over_m)
    concreted = _feet(work, lambda way, deep_m: float(takes_of(work, way, deep_m).bags))
    yield Good(
        id="concrete", what="bag of concrete", many="bags of concrete", size=bag_of(work).name, seats=concreted,
        unspared="none: those of each hole are rounded up", tool="barrow, mixer or hoe",
        until="dry, under cover and off the ground, until it is mixed", weighed=True, costly=True,
    )  # fmt: skip
    yield Good(
        id="gravel", what="gravel", many="gravel", unit="m3", unspared=HEAPED, tool="barrow, tamper",
        seats=_feet(work, lambda way, deep_m: takes_of(work, way, deep_m).gravel_m3), until="tamped as it goes in",
    )  # fmt: skip
    yield Good(
        id="foot-plate", what="plate", size=f"{work.say(hold.plate_m)} square", unspared=SINGLY, tool="spade",
        seats=_feet(work, lambda way, _: float(way == "plate")), until="before the hole is filled",
    )  # fmt: skip
    yield Good(
        id="ground-screw", what="ground screw", size=f"for {tube}", unspared=SINGLY, tool="bar or driver to turn it",
        seats=_feet(work, lambda way, _: float(way == "screw")), until="turned in until so much stands out",
    )  # fmt: skip
    yield Good(
        id="pier-form", what="form tube", size=work.say(hold.hole_m), unspared=SINGLY, tool="saw, level",
        seats=_feet(work, lambda way, _: float(way == "pier")), until="stays until the concrete has cured",
    )  # fmt: skip
    yield Good(
        id="wall-timber", what="timber of the wall", many="timber of the wall", unit="m", unspared=HEAPED, tool="saw",
        seats=_feet(work, lambda way, deep_m: takes_of(work, way, deep_m).timber_m), until="nailed as the wall stands",
    )  # fmt: skip
    rail_m = 2 * work.design.size.length_m / max(len(each_dug(work)), 1)
    yield Good(
        id="base-rail", what="base rail", many="base rail", unit="m", unspared=SINGLY, tool="saw, drill",
        seats=_feet(work, lambda way, _: rail_m if way == "rail" else 0.0), until="pins last, once it is square",
    )  # fmt: skip
    yield from _gripped(work, tube)


def _gripped(work: Work, tube: str) -> Iterator[Good]:
    """What keeps a tube from sliding in its concrete, or over its plate."""
    grip, cast = work.design.hold.grip, work.design.posts.stand == "slab"

    def held(way: str, _: float) -> float:
        return float(cast or SETTINGS[way].concreted or way == "plate")

    if grip != "smooth":
        bar = grip == "bar"
        yield Good(
            id="foot-grip", what="bar through the tube" if bar else "clamp round the tube",
            many="bars through the tubes" if bar else "clamps round the tubes",
            size=work.tube(work.design.hold.bolt_m) if bar else tube, seats=_feet(work, held), unspared=SINGLY,
            tool="drill" if bar else "wrench", until="before the post goes into its hole",
        )  # fmt: skip
