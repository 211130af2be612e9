"""What each way to set a post holds, what it takes, and the chain from bow to soil."""

import math
from dataclasses import dataclass
from typing import Literal

from obtegum.core.documents.hold import pulled_like
from obtegum.core.findings.kept import found
from obtegum.core.findings.skeleton.bays import bays_of
from obtegum.core.findings.skeleton.braces import braced_feet
from obtegum.core.findings.skeleton.posts import STRAPS, least_embedment_m, post_count
from obtegum.core.findings.skeleton.settings import CORNERS, SETTINGS, Kind, set_of
from obtegum.core.findings.skeleton.tubes import bow_tube, post_tube
from obtegum.core.findings.work import Work
from obtegum.core.formulas.anchor.concrete import filled_m, room_m3
from obtegum.core.formulas.anchor.links import (
    A307_PA,
    SCREWS_M,
    Sheet,
    bolt_shear,
    bolt_tears_out,
    bolt_walls,
    screw_shear,
)
from obtegum.core.formulas.anchor.pole import GIVES, bears, pole_shear
from obtegum.core.formulas.anchor.pulled import LEAST_PULLS, allowed
from obtegum.core.formulas.anchor.soil import CONCRETE_N_M3, Ground
from obtegum.core.formulas.anchor.uplift import DEAD, LOOSE, TAMPED, concrete_weight, over_plate, shaft_friction
from obtegum.core.formulas.frame.steel import ultimate_pa
from obtegum.core.rooms.soil.found import ground_of, why_no_ground
from obtegum.core.rooms.strength.found import counted
from obtegum.core.values.catalogue import Bag

__all__ = [
    "Chain",
    "Holds",
    "Joint",
    "bag_of",
    "chain_of",
    "concrete_top_m",
    "counts",
    "holds_of",
    "in_ground_m",
    "plate_deep_m",
    "plug_top_m",
    "pulled",
]

# Concrete that comes within this of the ground counts with all its width against a push, m.
NEAR_TOP_M = 0.1
# How much shallower than those that were pulled at posts may stand and still count as alike, m.
AS_DEEP_M = 0.005


@dataclass(frozen=True, slots=True)
class Holds:
    """What the ground gives a post, N: against lift, a push of wind, a push that stays, and a load down.

    None where no sourced formula says so; ``source`` says what they come from, or why there is none.
    """

    lift_n: float | None
    wind_n: float | None
    still_n: float | None
    down_n: float | None
    source: str


@dataclass(frozen=True, slots=True)
class Joint:
    """One link of the chain: its part, what it is, what it holds, N, or None where nobody knows, and from where."""

    part: str
    what: str
    holds_n: float | None
    source: str


@dataclass(frozen=True, slots=True)
class Chain:
    """From bow to soil: each link holds all of the lift."""

    links: tuple[Joint, ...]

    @property
    def weakest(self) -> Joint:
        """The link that holds least of those that are known; where none is, the first that isn't."""
        known = [link for link in self.links if link.holds_n is not None]
        return min(known, key=lambda link: link.holds_n or 0.0) if known else self.links[0]

    @property
    def unknown(self) -> tuple[Joint, ...]:
        """Links that nobody knows the strength of."""
        return tuple(link for link in self.links if link.holds_n is None)


def counts(work: Work) -> dict[Kind, int]:
    """How many of each kind there are; none at the corners where those are as the others."""
    # A brace asks more of its post, however that is set.
    braced = len(braced_feet(work)) if work.design.posts.stand != "board" else 0
    whole = post_count(work)
    corners = CORNERS if work.design.hold.corner_set != "same" and work.design.posts.stand != "board" else 0
    return {"row": whole - corners - braced, "corner": corners, "brace": braced}


@found
def bag_of(work: Work) -> Bag:
    """The bags that concrete is mixed from: those chosen, or what is usual in the house's units."""
    bags = work.catalogue.bags
    usual = "bag-60-lb" if work.tape.units == "feet" else "bag-25-kg"
    return bags.get(work.design.hold.bag) or bags[usual]


def in_ground_m(work: Work) -> float:
    """What the post with the least of it has in the ground, m; 0 where it hangs over it."""
    return max(least_embedment_m(work), 0.0)


def concrete_top_m(work: Work) -> float:
    """How deep the concrete's top lies in the least deep hole, m: at the ground, or lower where so few bags make a
    plug."""
    return plug_top_m(work, in_ground_m(work))


def plug_top_m(work: Work, deep_m: float) -> float:
    """The same in a hole so deep, m."""
    hold = work.design.hold
    if hold.bags is None:
        return 0.0
    high_m = filled_m(hold.bags, bag_of(work).yield_m3, hold.hole_m, post_tube(work).od_m)
    return max(deep_m - high_m, 0.0)


def plate_deep_m(work: Work) -> float:
    """How deep the plate lies, m."""
    return max(in_ground_m(work) - work.design.hold.plate_up_m, 0.0)


def holds_of(work: Work, setting: str) -> Holds:
    """What the ground gives a post that is set so, as presumed for its class; nothing where that isn't known."""
    ground = ground_of(work)
    if ground is None:
        return Holds(None, None, None, None, why_no_ground(work))
    if work.design.posts.stand in ("slab", "board"):
        return Holds(None, None, None, None, "no value for this way to stand: test it")
    if setting == "driven":
        return _driven(work, ground)
    if setting in ("concrete", "pier"):
        return _concreted(work, ground, work.design.hold.column_m if setting == "pier" else 0.0)
    if setting == "plate":
        return _plated(work, ground)
    tamped = setting == "tamped" and work.design.hold.backfill == "tamped"
    wide_m = post_tube(work).over_m
    side: tuple[float | None, float | None] = (None, None)
    if tamped:
        side = _sideways(ground, wide_m, in_ground_m(work))
    return Holds(None, *side, None, f"no sourced value for a post {SETTINGS[setting].name}: test it")


def _sideways(ground: Ground, wide_m: float, deep_m: float) -> tuple[float, float]:
    """A push of wind, which may move it a little, and one that stays, N."""
    return pole_shear(ground, wide_m, deep_m, times=GIVES), pole_shear(ground, wide_m, deep_m)


def _driven(work: Work, ground: Ground) -> Holds:
    od_m, deep_m = post_tube(work).over_m, in_ground_m(work)
    end_m2 = math.pi / 4 * od_m**2
    return Holds(
        shaft_friction(ground, od_m, deep_m, True),
        *_sideways(ground, od_m, deep_m),
        bears(ground, end_m2, od_m, deep_m, True),
        "shaft of smooth tube, half of the table; pole, 1807.3.2.1",
    )


def _concreted(work: Work, ground: Ground, column_m: float) -> Holds:
    hold, deep_m, tube_m = work.design.hold, in_ground_m(work), post_tube(work).od_m
    if hold.hole_m <= tube_m:
        return Holds(None, None, None, None, "the post doesn’t go into so narrow a hole")
    # A form is filled to its top; a hole only as far as its bags go.
    top_m = 0.0 if column_m else concrete_top_m(work)
    lift_n = shaft_friction(ground, hold.hole_m, deep_m, False, top_m)
    lift_n += DEAD * concrete_weight(ground, hold.hole_m, tube_m, top_m, deep_m)
    lift_n += DEAD * room_m3(hold.hole_m, tube_m, column_m) * CONCRETE_N_M3
    wide_m = hold.hole_m if top_m <= NEAR_TOP_M else tube_m
    down_n = math.pi / 4 * hold.hole_m**2 * ground.bearing_pa
    down_n += shaft_friction(ground, hold.hole_m, deep_m, False, top_m)
    plug = "plug of concrete" if top_m > NEAR_TOP_M else "concrete"
    return Holds(
        max(lift_n, 0.0),
        *_sideways(ground, wide_m, deep_m),
        down_n,
        f"{plug}: its rough shaft and 0.6 of its weight; pole, 1807.3.2.1",
    )


def _plated(work: Work, ground: Ground) -> Holds:
    hold, deep_m = work.design.hold, plate_deep_m(work)
    tamped = hold.backfill == "tamped"
    lean = TAMPED if tamped else LOOSE
    lift_n = DEAD * over_plate(ground, hold.plate_m, deep_m, lean, bays_of(work).bay_m)
    side: tuple[float | None, float | None] = (None, None)
    if tamped:
        side = _sideways(ground, post_tube(work).over_m, in_ground_m(work))
    words = "0.6 of the soil over the plate, shared with its neighbours’"
    return Holds(lift_n, *side, hold.plate_m**2 * ground.bearing_pa, words)


def pulled(work: Work, setting: str, way: Literal["up", "side"]) -> tuple[float | None, str]:
    """What pull tests allow a post that is set so, N, and why they don't count where they don't."""
    pulls = work.record.pulls
    held = pulls.held(way)
    if pulls.set == setting and not pulls.times:
        return None, "the arms of the bar aren’t told"
    if not held or pulls.set != setting:
        return None, ""
    if pulls.of != pulled_like(work.design, setting):
        return None, "those that were pulled at were made otherwise: pull again, or say once more how they were set"
    holds_n = allowed(held)
    if holds_n is None:
        return None, f"{len(held)} pulled at, {LEAST_PULLS} at the least"
    if pulls.deep_m is None:
        return None, "how deep those that were pulled at went isn’t told"
    if in_ground_m(work) < pulls.deep_m - AS_DEEP_M:
        return None, f"pulled at {work.say(pulls.deep_m)} in the ground, these have less"
    return holds_n, f"half of the lowest of {len(held)} pull tests"


def _bolted(work: Work, below_m: float, part: str, what: str) -> Joint:
    """A bolt through bow and post, or through one tube: walls, what tears out to the bow's end, the bolt itself."""
    bolt_m, tubes = work.design.hold.bolt_m, [(tube, counted(work, tube)) for tube in (bow_tube(work), post_tube(work))]
    walls_n = min(bolt_walls(bolt_m, section.wall_m, section.yield_pa) for _, section in tubes)
    insertion_m = work.design.bows.insertion_m
    # The bow's own end lies below the bolt, the post's above it.
    clear_m = min(insertion_m - below_m, below_m) - bolt_m / 2
    tears_n = min(bolt_tears_out(clear_m, section.wall_m, ultimate_pa(tube.yield_pa)) for tube, section in tubes)
    shear_n = bolt_shear(bolt_m, A307_PA)
    least = min((walls_n, "its walls"), (tears_n, "tearing out of the end"), (shear_n, "the bolt"))
    return Joint(part, what, least[0], f"by {least[1]}, AISC 360-16 J3 and J7; snug, the tube not crushed")


def _socket(work: Work) -> Joint:
    """What joins bow and post against lift."""
    posts, hold = work.design.posts, work.design.hold
    over = "stub" if posts.stand == "stub" else "post"
    bolt = _bolted(work, posts.bolt_m, "bolt", f"bolt through bow and {over}") if posts.bolt_m is not None else None
    screws = None
    if hold.screws:
        near, far = (post_tube(work), bow_tube(work)) if over == "post" else (bow_tube(work), post_tube(work))
        sheets = [Sheet(counted(work, tube).wall_m, ultimate_pa(tube.yield_pa)) for tube in (near, far)]
        each = screw_shear(SCREWS_M[hold.screw], sheets[0], sheets[1])
        words = "AISI S100 J4, not over the screw’s own tested shear ÷ 3"
        screws = Joint("socket:L", f"{hold.screws} screws, bow in {over}", hold.screws * each, words)
    known = [link for link in (bolt, screws) if link is not None]
    if known:
        return max(known, key=lambda link: link.holds_n or 0.0)
    return Joint("socket:L", f"bow in its {over} by friction alone", 0.0, "a bolt or screws would hold it")


def _gripped(work: Work, what: str) -> Joint:
    """What keeps a tube from sliding out of its concrete, or over its plate."""
    hold, tube = work.design.hold, post_tube(work)
    if hold.grip == "bar":
        section = counted(work, tube)
        walls_n = bolt_walls(hold.bolt_m, section.wall_m, section.yield_pa)
        return Joint("grip", f"bar through the tube, {what}", min(walls_n, bolt_shear(hold.bolt_m)), "J3 and J7")
    if hold.grip == "clamp":
        return Joint("grip", f"clamp round the tube, {what}", None, "no rating: test it")
    return Joint("grip", f"smooth tube, {what}", None, "smooth steel slides out: a bar through it, or test it")


def chain_of(work: Work, kind: Kind) -> Chain:
    """Every link from the bow down to the soil that a kind of post hangs on."""
    stand, setting = work.design.posts.stand, set_of(work, kind)
    links = list[Joint]()
    if stand == "board":
        strap_n = work.design.hold.strap_n
        both_n, source = (None, "no rating told: test it") if strap_n is None else (STRAPS * strap_n, "as it is rated")
        links.append(Joint("strap", f"{STRAPS} straps, bow to board", both_n, source))
        links.append(Joint("board", "board on its stakes", None, "no value: test it"))
    elif stand == "curve":
        links.append(Joint("bolt", "bolts, bow lapped on its stub", None, "no value for a lap: test it"))
    else:
        links.append(_socket(work))
    if stand == "slab":
        links.append(_gripped(work, "in its slab"))
    elif SETTINGS[setting].concreted:
        links.append(_gripped(work, "in its concrete"))
    elif setting == "plate":
        links.append(_gripped(work, "over its plate"))
    elif setting == "knee":
        links.append(Joint("grip", "bolts, post to the wall’s stud", None, "no value for it in timber: test it"))
    tested, why = pulled(work, setting, "up")
    if tested is not None:
        # A test pulls at all that is in the ground.
        links = [link for link in links if link.part != "grip"]
        links.append(Joint("soil", "what is in the ground", tested, why))
    else:
        holds = holds_of(work, setting)
        links.append(Joint("soil", "what the ground holds", holds.lift_n, why or holds.source))
    return Chain(tuple(links))
