"""One bow under all its weather: second order, buckling, use of strength; what governs, where, and in which weather."""

from collections.abc import Sequence
from dataclasses import dataclass, fields

import numpy as np
from numpy.typing import NDArray

from obtegum.core.formulas.frame.balance import second_order
from obtegum.core.formulas.frame.buckling import critical_factors, least_factors
from obtegum.core.formulas.frame.loads import Loads, combined, loads_on
from obtegum.core.formulas.frame.section import Section
from obtegum.core.formulas.frame.solve import Frame, Solved, first_order
from obtegum.core.formulas.frame.stability import Stability
from obtegum.core.formulas.frame.steel import Strength, euler_n, used

__all__ = ["Bow", "Found", "analyse"]

Array = NDArray[np.float64]
# AISC C2.2b(4): beyond this growth of sway by second order, imperfection counts beside wind too.
GROWS = 1.7
BALANCED = 1e-6
# Signs of the imperfection of what leans neither way, one way or both.
LEANS = ((0.0,), (1.0,), (1.0, -1.0))
# How closely two are alike that mirror each other.
ALIKE = 1e-9
# Share of its limit that a bow is told to use which finds no rest, and one whose numbers ran away.
BUCKLED, MEANINGLESS = 1.01, 99.0
# B19: how much the estimate of the second order is taken above what it says.
MARGIN = 1.1
# How many are solved at first, of those that could govern most; each batch after is twice as large.
FIRST_BATCH = 5
# How often a frame is solved anew as it yields, and how well its softness must hold.
YIELDING, SETTLED = 12, 1e-3


@dataclass(frozen=True, eq=False)
class Bow:
    """A bow to be analysed: its frame, the section of each element as an index into ``sections``, what joints and holes
    leave of the bending strength at each node, ``efficiency`` (n + 1,).

    ``strengths`` stand beside the sections. ``between_m`` is the length between points held out of its plane.
    ``locked`` (2, n) is what presses each element, N, and bends it, N·m, before any weather: added to what that does,
    whichever way it bends.
    """

    frame: Frame
    which: NDArray[np.int_]
    sections: tuple[Section, ...]
    strengths: tuple[Strength, ...]
    efficiency: Array
    between_m: float
    stability: Stability
    locked: Array | None = None

    def soft(self, share: float = 1.0) -> Frame:
        """The frame whose strength is asked for: as stiff as the code has it, and by a share of its own."""
        times = share * self.stability.soft
        return self.frame if times == 1.0 else self.frame.times(times)


@dataclass(frozen=True, eq=False)
class Rows:
    """Combinations that were looked at, a row each; ``rows`` names them by their place.

    ``use`` (r, n) is the share of strength along the bow, ``ends`` (r, n, 2) N what pulls both ends of each element,
    ``feet`` (r, 2, 2) N and ``moved`` (r, 3n + 3) m are under
    the load itself; ``balanced`` is whether all were in balance.
    """

    rows: NDArray[np.int_]
    ratio: Array
    use: Array
    axial: Array
    ends: Array
    moment: Array
    feet: Array
    moved: Array
    stands: NDArray[np.bool_]
    balanced: bool


@dataclass(frozen=True, eq=False)
class Found(Rows):
    """What was found: ``factor`` (c,) at which each combination buckles, ``pressed`` (c,) N what presses the bow most
    in its first order, ``ground`` (c, 2, 2) N of that, and that of dead load and of each basic case by itself, ``each``
    (1 + k, 2, 2) N, and how the bow moves in these, ``moves`` (1 + k, 3n + 3) m; ``pulls`` (c, b) N of each of its
    ties."""

    factor: Array
    pressed: Array
    ground: Array
    each: Array
    moves: Array
    pulls: Array

    @property
    def worst(self) -> int:
        """The row that governs. Raises: ValueError where none had to be looked at."""
        return int(np.argmax(self.ratio))


def analyse(
    bow: Bow,
    dead: Array,
    cases: Array,
    factors: Array,
    calm: Sequence[bool],
    whole: bool = False,
    floor: float = -1.0,
    enough: float = np.inf,
) -> Found:
    """Judge every combination, ``factors`` (c, 1 + k) of dead load (n, 2) and ``k`` cases (k, n, 2), N/m along the bow.

    Only those that could govern are solved to the second order, unless the ``whole`` is asked for; with a ``floor``
    only those that could use more than that, which may be none; under an endless one none is. No more are looked at
    once one uses more than ``enough``.
    Raises: numpy.linalg.LinAlgError for a mechanism.
    """
    frame = bow.frame
    basic = loads_on(frame, np.concatenate([dead[None], cases]))
    plain = first_order(frame, basic)
    # What is another's mirror on a bow that mirrors itself uses as much: of each pair the first is looked at.
    own = np.arange(len(factors))
    twin, itself = (own, own < 0) if whole else _twins(bow, np.concatenate([dead[None], cases]), factors)
    firsts, place = np.unique(twin, return_inverse=True)
    axial = np.tensordot(factors[firsts], plain.axial, axes=1)
    moment = np.tensordot(factors[firsts], plain.moment, axes=1)
    # Under a floor a rougher look comes first: where nothing could reach it, nothing more is asked.
    factor = least_factors(frame, axial)
    guess_use, bound = _bound(bow, axial, moment, factor)
    if floor < 0 or bound.max() > floor:
        factor = critical_factors(frame, axial)
        guess_use, bound = _bound(bow, axial, moment, factor)
    axial, moment, guess_use, factor, bound = (each[place] for each in (axial, moment, guess_use, factor, bound))
    ways = _ways(bow, calm, itself)
    first = twin == own
    sure = first & np.isinf(bound) & (floor < np.inf)
    order = np.argsort(-bound, kind="stable")
    order = order[(first & ~sure)[order]]
    parts: list[Rows] = [_buckled(bow, np.flatnonzero(sure), axial, moment, guess_use, plain, factors, factor)]
    worst, at = max(floor, float(parts[0].ratio.max(initial=-1.0))), 0
    many = len(order) if whole else 1 if enough <= 1 else FIRST_BATCH
    while at < len(order) and worst <= enough:
        batch = order[at : at + many]
        if not whole:
            batch = batch[bound[batch] > worst]
        if len(batch) == 0:
            break
        parts.append(_solve(bow, basic, factors, batch, ways, factor, axial))
        worst = max(worst, float(parts[-1].ratio.max()))
        at, many = at + many, 2 * many
    return Found(
        **{name: np.concatenate([getattr(part, name) for part in parts]) for name in ROWS},
        balanced=all(part.balanced for part in parts),
        factor=factor,
        pressed=np.maximum(-axial.min(axis=1), 0.0),
        ground=np.tensordot(factors, plain.feet, axes=1),
        each=plain.feet,
        moves=plain.moved,
        pulls=np.zeros((len(factors), 0)) if frame.ties is None else factors @ frame.ties.pulled(plain.moved),
    )


def _ways(bow: Bow, calm: Sequence[bool], itself: NDArray[np.bool_]) -> NDArray[np.int_]:
    """(c,): ways that each combination leans, imperfect: both without wind, none beside it unless sway asks for it;
    what is its own mirror leans either way alike."""
    leans = np.asarray(calm, dtype=bool) | bow.stability.leans
    return np.asarray(np.where(itself, 1, 2) * leans)


def _mirrors(bow: Bow) -> bool:
    """Whether a bow is its own mirror, ties and what is locked in too."""
    frame, ties = bow.frame, bow.frame.ties
    across = np.array([-1.0, 1.0])
    along = [frame.area, frame.inertia, frame.elastic, bow.which, bow.efficiency]
    if bow.locked is not None:
        along += list(bow.locked)
    alike = np.allclose(frame.nodes, frame.nodes[::-1] * across, atol=ALIKE) and all(
        np.allclose(each, each[::-1], rtol=ALIKE) for each in along
    )
    if not alike or ties is None:
        return bool(alike)
    node, way = ties.dofs // 3, ties.dofs % 3
    place = {int(dof): at for at, dof in enumerate(ties.dofs)}
    mirrored = [place.get(int(3 * (frame.count - one) + two), -1) for one, two in zip(node, way, strict=True)]
    if -1 in mirrored:
        return False
    sign = np.where(way == 0, -1.0, 1.0)
    turned = ties.stiff[np.ix_(mirrored, mirrored)] * np.outer(sign, sign)
    return bool(np.allclose(turned, ties.stiff, rtol=ALIKE, atol=ALIKE * np.abs(ties.stiff).max()))


def _twins(bow: Bow, loads: Array, factors: Array) -> tuple[NDArray[np.int_], NDArray[np.bool_]]:
    """(c,): for each combination the first that it is the mirror of, or itself; and whether it is its own mirror; of
    loads (1 + k, n, 2)."""
    own, itself = np.arange(len(factors)), np.zeros(len(factors), dtype=bool)
    if not _mirrors(bow):
        return own, itself
    mirror, most = loads[:, ::-1] * np.array([-1.0, 1.0]), np.abs(loads).max(axis=(1, 2))
    near = np.abs(mirror[:, None] - loads[None]).max(axis=(2, 3)) <= ALIKE * most[:, None]
    each = np.arange(len(loads))
    swapped = np.where(near.any(axis=1), near.argmax(axis=1), each)
    # A load that has no mirror, or shares one, stays what it is; so does all that it is part of.
    alone = ~near.any(axis=1) | (swapped[swapped] != each)
    swapped[alone] = each[alone]
    turned = factors[:, swapped]
    touched = np.asarray(factors[:, alone] != 0).any(axis=1)
    itself = (turned == factors).all(axis=1) & ~touched
    seen = dict[bytes, int]()
    for row, mine in enumerate(map(bytes, np.ascontiguousarray(factors))):
        seen.setdefault(mine, row)
    for row, other in enumerate(map(bytes, np.ascontiguousarray(turned))):
        own[row] = min(seen.get(other, row), row)
    own[touched] = np.flatnonzero(touched)
    return own, itself


# What has a row for each combination.
ROWS = tuple(field.name for field in fields(Rows) if field.name != "balanced")
SOLVED = tuple(field.name for field in fields(Solved))
NUMBERS = tuple(name for name in SOLVED if name != "stands")


def _bound(bow: Bow, axial: Array, moment: Array, factor: Array) -> tuple[Array, Array]:
    """Use along the bow by the first order (c, n), and more than each combination can use by the second (c,)."""
    use = _used(bow, axial, moment, axial, factor)
    stability = bow.stability
    left = 1 - stability.amplify / (stability.soft * _yielding(bow, axial) * factor)
    return use, np.where(left > 0, use.max(axis=1) / np.maximum(left, 1e-9) * MARGIN, np.inf)


def _buckled(
    bow: Bow,
    which: NDArray[np.int_],
    axial: Array,
    moment: Array,
    use: Array,
    plain: Solved,
    factors: Array,
    factor: Array,
) -> Rows:
    """Combinations that buckle before their load is on: there is nothing to solve; numbers of the first order."""
    rows = factors[which]
    return Rows(
        rows=which,
        ratio=np.maximum(np.maximum(bow.stability.least / factor[which], BUCKLED), use[which].max(axis=1)),
        use=use[which],
        axial=axial[which],
        ends=np.repeat(axial[which][:, :, None], 2, axis=2),
        moment=moment[which],
        feet=np.tensordot(rows, plain.feet, axes=1),
        moved=rows @ plain.moved,
        stands=np.zeros(len(which), dtype=bool),
        balanced=True,
    )


def _solve(
    bow: Bow, basic: Loads, factors: Array, batch: NDArray[np.int_], ways: NDArray[np.int_], factor: Array, plain: Array
) -> Rows:
    """Second order of a batch, imperfect to both sides where that counts; each combination by its worse side. ``plain``
    (c, n) is what presses each element in the first order, N."""
    signed = [(case, sign) for case in batch for sign in LEANS[ways[case]]]
    first, second = _signed(bow, basic, factors, signed)
    # Sway of the crown, second order over first: beyond 1.7 the imperfection counts beside wind too.
    sways = [
        place
        for place, (case, sign) in enumerate(signed)
        if sign == 0.0 and _grows(first.moved[place], second.moved[place]) > GROWS and second.stands[place]
    ]
    if sways:
        extra = [(signed[place][0], sign) for place in sways for sign in (1.0, -1.0)]
        more = _signed(bow, basic, factors, extra)
        signed, first, second = [*signed, *extra], _joined(first, more[0]), _joined(second, more[1])
    share = bow.stability.amplify
    case_of = np.array([case for case, _ in signed])
    second = _yielded(bow, basic, factors, signed, second)
    # The numbers of what finds no rest run away: those from before it moves stand for them, and are no less than so.
    gone = ~second.stands
    for name in NUMBERS:
        getattr(second, name)[gone] = getattr(first, name)[gone]
    axial, moment = second.axial / share, second.moment / share
    use = _used(bow, second.ends / share, moment, plain[case_of], factor[case_of])
    # What buckles is beyond its limit, by as much as it lacks.
    lacks = bow.stability.least / factor[case_of]
    lacks = np.where(gone, np.maximum(lacks, BUCKLED), np.where(lacks > 1, lacks, 0.0))
    ratio = np.maximum(use.max(axis=1), lacks)
    ratio = np.where(np.isfinite(ratio), ratio, MEANINGLESS)
    pick = np.array([max(np.flatnonzero(case_of == case), key=lambda row: ratio[row]) for case in batch])
    standing = second.stands[pick]
    return Rows(
        rows=case_of[pick],
        ratio=ratio[pick],
        use=use[pick],
        axial=axial[pick],
        ends=second.ends[pick] / share,
        moment=moment[pick],
        feet=second.feet[pick] / share,
        moved=second.moved[pick] / share,
        stands=standing,
        balanced=bool(np.all(second.off[pick][standing] <= BALANCED)),
    )


def _signed(
    bow: Bow, basic: Loads, factors: Array, signed: Sequence[tuple[int, float]], share_stiff: float = 1.0
) -> tuple[Solved, Solved]:
    """First and second order on the soft frame of combinations, each leaning one way or neither."""
    share, sway = bow.stability.amplify, bow.stability.sway
    loads = combined(basic, share * factors[[case for case, _ in signed]])
    lean = np.array([sign for _, sign in signed])
    nodal = np.zeros_like(loads.total)
    nodal[:, 0::3] = sway * lean[:, None] * np.abs(np.minimum(loads.total[:, 1::3], 0.0))
    leaning = Loads(loads.ends, loads.nodal + nodal, loads.total + nodal)
    frame = bow.soft(share_stiff)
    first = first_order(frame, leaning)
    return first, second_order(frame, leaning, first)


def _yielding(bow: Bow, axial: Array) -> Array:
    """(r,): τb of AISC C2.3 by the element that is pressed most: 1 up to half of yield, then 4·x·(1 − x)."""
    if not bow.stability.yields:
        return np.ones(len(axial))
    squash = np.array([section.yield_pa * section.area_m2 for section in bow.sections])[bow.which]
    share = np.clip(bow.stability.amplify * np.maximum(-axial, 0.0) / squash, 0.0, 1.0).max(axis=1)
    return np.asarray(np.where(share <= 0.5, 1.0, np.maximum(4 * share * (1 - share), 1e-9)))


def _yielded(bow: Bow, basic: Loads, factors: Array, signed: Sequence[tuple[int, float]], second: Solved) -> Solved:
    """Second order again of what is pressed past half of its yield: all of the bow softer by τb, until that holds."""
    for place in map(int, np.flatnonzero(second.stands & (_yielding(bow, second.axial / bow.stability.amplify) < 1))):
        row, stiff = slice(place, place + 1), 1.0
        for _ in range(YIELDING):
            now = float(_yielding(bow, second.axial[row] / bow.stability.amplify)[0])
            if now > stiff - SETTLED or not second.stands[place]:
                break
            stiff = now
            again = _signed(bow, basic, factors, signed[row], stiff)[1]
            for name in SOLVED:
                getattr(second, name)[row] = getattr(again, name)
    return second


def _grows(first: Array, second: Array) -> float:
    """Growth of sideways movement by the second order."""
    one, two = np.abs(first[0::3]).max(), np.abs(second[0::3]).max()
    return float(two / one) if one > 1e-9 else 1.0


def _joined(one: Solved, other: Solved) -> Solved:
    return Solved(*(np.concatenate([getattr(one, name), getattr(other, name)]) for name in SOLVED))


def _used(bow: Bow, axial: Array, moment: Array, pressing: Array, factor: Array) -> Array:
    """Share of strength along the bow, (c, n), of moments at elements' ends (c, n, 2) and axial forces there, or as
    a first look, throughout (c, n), under the load itself.

    It buckles in its plane at ``factor`` (c,) of what presses it in the first order, ``pressing`` (c, n), N: both are
    of the first.
    """
    most = np.maximum(-pressing.min(axis=1), 0.0)
    with np.errstate(invalid="ignore"):
        in_plane = np.where(most > 0, factor * most, np.inf)
    in_plane = np.where(np.isnan(in_plane), np.inf, in_plane)
    # What is left at an end of an element asks more of it there.
    bent, locked = np.abs(moment), bow.locked
    if locked is not None:
        bent = bent + locked[1][:, None]
    bent = bent / np.stack([bow.efficiency[:-1], bow.efficiency[1:]], axis=1)
    if axial.ndim == 2:
        # As much presses both ends: whichever is bent more uses more.
        axial, bent = (axial if locked is None else axial - locked[0])[:, :, None], bent.max(axis=2, keepdims=True)
    elif locked is not None:
        axial = axial - locked[0][:, None]
    result = np.zeros(bent.shape[:2])
    for place, (section, strength) in enumerate(zip(bow.sections, bow.strengths, strict=True)):
        mine = bow.which == place
        if mine.any():
            buckles = np.minimum(in_plane, euler_n(section, bow.between_m))
            result[:, mine] = used(strength, section, axial[:, mine], bent[:, mine], buckles).max(axis=2)
    return result
