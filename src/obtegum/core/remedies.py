"""Ways out of a verdict: changes that were planned in full and found better before they are offered.

Each kind of verdict has its usual cures. A cure is a list of edits; it is applied to the design, the
whole house is judged with it, and it is offered only if the verdict that it is for comes out better
and no other one comes to fail; one that comes out tight is named with the cost.
"""

import math
from collections.abc import Callable, Iterable, Iterator

from obtegum.core.bows.sticks import sticks_needed
from obtegum.core.catalogue import Catalogue
from obtegum.core.design import HouseDesign
from obtegum.core.edits import Edit, apply_edits, edits_in_words
from obtegum.core.job import Job
from obtegum.core.part import Part
from obtegum.core.plan import judged, takes
from obtegum.core.quantity import Tape, length_text
from obtegum.core.record import SiteRecord
from obtegum.core.setout.base import diagonal
from obtegum.core.steps.bend import former_wanted
from obtegum.core.trouble import DesignError
from obtegum.core.verdict import LEVELS, Level, Verdict, better
from obtegum.core.work import Work, begin

__all__ = ["Remedy", "find_remedies", "remedies_on"]

MOST_PER_VERDICT = 4
COMFORT = 0.9


class Remedy(Part):
    """A change that was tried: what it makes of the verdict, and what it costs in parts."""

    verdict: str
    words: str
    edits: tuple[Edit, ...]
    level: Level
    number: str
    ratio: float | None
    posts_more: int
    sticks_more: int
    cost: str


WORSE: dict[Level, str] = {"tight": "comes out tight", "unknown": "not known then"}
Cure = tuple[Edit, ...]


def _up(work: Work, value_m: float) -> float:
    """The next inch or centimetre up."""
    step = work.tape.stride_m("small")
    return math.ceil(value_m / step - 1e-9) * step


def _down(work: Work, value_m: float) -> float:
    step = work.tape.stride_m("small")
    return math.floor(value_m / step + 1e-9) * step


def _set(measure: str, value_m: float) -> Edit:
    return Edit(measure=measure, value_m=value_m)


def _headroom(work: Work, verdict: Verdict) -> Iterator[Cure]:
    size = work.design.size
    room_m = size.figure.height_m / (verdict.ratio or 1.0)
    longer_sticks = [each for each in work.catalogue.stock.sticks_m[work.tape.units] if each > work.split.stick_m]
    for share in (COMFORT, 1.0):
        missing_m = size.figure.height_m / share - room_m
        if missing_m <= 0:
            continue
        leg_m = _up(work, size.leg_m + missing_m)
        longer: Cure = (_set("leg", leg_m),)
        if size.shape.kind == "round":
            longer = (_set("height", _up(work, size.height_m + leg_m - size.leg_m)), *longer)
        yield longer
        # Where the sticks are full, longer legs want longer sticks.
        yield from ((*longer, _set("stick", stick_m)) for stick_m in longer_sticks[:2])
    if size.shape.kind == "round":
        yield (Edit(measure="shape", text="round_on_legs"),)
        # A rise of more than half the width would lean outward at the legs.
        for more in (0.05, 0.1, 0.2):
            height_m = _up(work, size.height_m + more * size.span_m)
            if height_m <= size.leg_m + size.span_m / 2:
                yield (_set("height", height_m),)


def _low_side(work: Work, verdict: Verdict) -> Iterator[Cure]:
    """Too low at the side: longer legs, another shape, a narrower side bed, longer posts."""
    size, inside = work.design.size, work.design.inside
    yield from _headroom(work, verdict)
    for kind in ("round_on_legs", "three_centred", "gothic"):
        if kind != size.shape.kind:
            yield (Edit(measure="shape", text=kind),)
    wider = Edit(measure="along_walls", text="path" if inside.along_walls == "bed" else "bed")
    yield (wider,)
    # Posts that stand further out lift the whole bow, where its leg lets them.
    ratio = verdict.ratio or 1.0
    room_m = (size.figure.height_m if verdict.id == "path-room" else inside.crop_m) / ratio
    lift_m = _up(work, room_m * (ratio / COMFORT - 1))
    if lift_m > 0:
        leg: Cure = (_set("leg", size.leg_m + lift_m),)
        if size.shape.kind != "round_on_legs":
            leg = (_set("height", size.height_m + lift_m), *leg)
        posts = work.design.posts
        yield (*leg, _set("post_length", posts.length_m + lift_m), _set("reveal", posts.reveal_m + lift_m))


def _reach(work: Work, verdict: Verdict) -> Iterator[Cure]:
    """Narrower beds, or paths along the walls so that each bed is reached from both sides."""
    inside = work.design.inside
    both = 1 if inside.along_walls == "bed" else 2
    yield (_set("bed", _down(work, work.rules.arm_reach_m * COMFORT * both)),)
    if inside.along_walls == "bed":
        yield (Edit(measure="along_walls", text="path"),)


def _leg_top(work: Work, verdict: Verdict) -> Iterator[Cure]:
    size = work.design.size
    yield (Edit(measure="shape", text="round_on_legs"),)
    leg_m = size.height_m - size.span_m / 2
    if leg_m >= work.design.posts.reveal_m:
        yield (Edit(measure="shape", text="round_on_legs"), _set("leg", leg_m))
    yield (_set("span", 2 * (size.height_m - size.leg_m)), Edit(measure="shape", text="round_on_legs"))


def _entry(work: Work, verdict: Verdict) -> Iterator[Cure]:
    size, reveal_m = work.design.size, work.design.posts.reveal_m
    if work.play is None:
        sold = [tube for tube in work.tubes if tube.sold_in == work.tape.units]
        posts = sorted((tube for tube in sold if tube.bore_m > work.bow_tube.od_m), key=lambda tube: tube.bore_m)
        bows = sorted(
            (tube for tube in sold if tube.od_m < work.post_tube.bore_m and tube.material == work.bow_tube.material),
            key=lambda tube: -tube.od_m,
        )
        yield from ((Edit(measure="post_tube", text=tube.id),) for tube in posts[:2])
        yield from ((Edit(measure="bow_tube", text=tube.id),) for tube in bows[:2])
        return
    plumb_leg_m = _up(work, max(size.leg_m, reveal_m))
    yield (Edit(measure="shape", text="round_on_legs"), _set("leg", plumb_leg_m))
    if size.leg_m < reveal_m and size.leg_m > 0:
        yield (_set("reveal", _down(work, size.leg_m)),)


def _odd_bay(work: Work, verdict: Verdict) -> Iterator[Cure]:
    yield (Edit(measure="bays", text="equal"),)
    length_m = work.design.size.length_m
    for count in (work.bays.count, work.bays.count - 1):
        if count > 1:
            # Just under count bays, so that the last one is a little shorter, not a little left over.
            yield (_set("spacing", _up(work, length_m / count)),)
    whole_m = (work.bays.count - 1) * work.bays.bay_m
    yield (_set("length", whole_m),)


def _tape(work: Work, verdict: Verdict) -> Iterator[Cure]:
    size = work.design.size
    across_m = diagonal(size.length_m, size.span_m)
    for tape_m in work.catalogue.stock.tapes_m[work.tape.units]:
        if tape_m * COMFORT >= across_m:
            yield (_set("tape", tape_m),)
            break


def _sticks(work: Work, verdict: Verdict) -> Iterator[Cure]:
    """Other stock lengths, and legs short enough to save a stick."""
    for stick_m in work.catalogue.stock.sticks_m[work.tape.units]:
        yield (_set("stick", stick_m),)
    size, bows = work.design.size, work.design.bows
    if work.uncut_height_m is not None:
        yield (_set("height", _down(work, work.uncut_height_m)),)
    fewer = sticks_needed(work.tube_m, bows.stick_m, bows.joint_m) - 1
    if fewer >= 1:
        over_m = work.tube_m - (fewer * bows.stick_m - (fewer - 1) * bows.joint_m)
        leg_m = _down(work, size.leg_m - over_m / 2)
        if leg_m >= work.design.posts.reveal_m:
            yield (_set("leg", leg_m),)


def _embedment(work: Work, verdict: Verdict) -> Iterator[Cure]:
    """Longer posts, tops that fall with the ground, and three ways to move the ground."""
    stand, level = work.stand, work.design.level
    if stand is None:
        return
    lacking_m = level.least_in_ground_m - stand.weakest.embedment_m
    for share in (1.0, COMFORT):
        longer_m = work.design.posts.length_m + lacking_m + level.least_in_ground_m * (1 / share - 1)
        yield (_set("post_length", _up(work, longer_m)),)
    if level.tops == "level":
        yield (Edit(measure="tops", text="fall"),)
    yield from ((Edit(measure="pad", text=kind),) for kind in ("regrade", "raise") if work.design.pad.kind != kind)


def _offsets(work: Work, verdict: Verdict) -> Iterator[Cure]:
    yield (_set("offset", _up(work, work.design.keep.dig_m + work.rules.dig_clear_m)),)


def _drain(work: Work, verdict: Verdict) -> Iterator[Cure]:
    """Other pipes, smallest first, and a steeper fall."""
    pipes = sorted(work.catalogue.pipes.values(), key=lambda pipe: (pipe.bore_m, -pipe.roughness))
    yield from ((Edit(measure="pipe", text=pipe.id),) for pipe in pipes)
    fall = work.design.drain.fall
    yield from ((Edit(measure="drain_fall", text=f"{fall * times * 100:.2f} %"),) for times in (1.5, 2.0))


def _trench(work: Work, verdict: Verdict) -> Iterator[Cure]:
    yield (Edit(measure="drain_fall", text=f"{work.design.drain.fall * 50:.2f} %"),)
    yield (_set("beyond", work.design.drain.beyond_m / 2),)


def _as_bent(work: Work, verdict: Verdict) -> Iterator[Cure]:
    """A former to suit, the width that this former makes, and shorter tails."""
    size, bending = work.design.size, work.design.bending
    formers = [name for name, former_m in zip(("former", "crown_former"), work.formers_m, strict=False) if former_m]
    if formers:
        suits = [
            former_wanted(work, arc) - (work.bow_tube.od_m / 2 if bending.former_to == "face" else 0.0)
            for arc in work.bend_kinds
        ]
        fitting = dict(zip(("former", "crown_former"), suits, strict=False))
        yield tuple(Edit(measure=name, text=length_text(fitting[name], work.tape)) for name in formers)
        if work.came_out_m is not None and math.isfinite(work.came_out_m) and size.shape.kind == "round_on_legs":
            yield (_set("span", 2 * work.came_out_m),)
    tail_m = work.design.bending.tail_m
    if tail_m > 0:
        yield (_set("tail", tail_m / 2),)
    yield (Edit(measure="making", text="rolls"),)


def _tails(work: Work, verdict: Verdict) -> Iterator[Cure]:
    """Tails that leave half of the bend, and longer sticks."""
    tail_m = work.design.bending.tail_m
    yield from ((_set("tail", _down(work, tail_m * share)),) for share in (0.5, 0.25))
    yield from ((_set("stick", stick_m),) for stick_m in work.catalogue.stock.sticks_m[work.tape.units])


def _sleeve(work: Work, verdict: Verdict) -> Iterator[Cure]:
    yield from ((Edit(measure="joint_kind", text=kind),) for kind in ("coupler", "swaged", "bolted"))


def _kink_cure(work: Work, verdict: Verdict) -> Iterator[Cure]:
    """Larger shoulders, thinner tube, elbows."""
    least_m = work.rules.bend_least_diameters * work.bow_tube.od_m / COMFORT
    if hasattr(work.design.size.shape, "shoulder_m"):
        yield (_set("shoulder", _up(work, least_m)),)
    yield (Edit(measure="making", text="elbows"),)


def _other_size(work: Work, verdict: Verdict) -> Iterator[Cure]:
    """The size that a square base was taped at."""
    share, size = 1 + (work.other_size or 0.0), work.design.size
    strung = dict(zip(("length", "span"), work.strung, strict=True))
    outside_m = strung["length"] - size.length_m
    taken = {name: value * share - outside_m for name, value in strung.items()}
    yield tuple(Edit(measure=name, text=length_text(value, work.tape)) for name, value in taken.items())


CURES: dict[str, Callable[[Work, Verdict], Iterator[Cure]]] = {
    "headroom": _headroom,
    "path-room": _low_side,
    "crop-room": _low_side,
    "reach": _reach,
    "leg-top": _leg_top,
    "entry": _entry,
    "odd-bay": _odd_bay,
    "tape": _tape,
    "other-size": _other_size,
    "waste": _sticks,
    "crown-joint": _sticks,
    "short-piece": _sticks,
    "as-bent": _as_bent,
    "no-set": _as_bent,
    "bend-tight": _kink_cure,
    "tails-long": _tails,
    "sleeve": _sleeve,
    "embedment": _embedment,
    "offset-clear": _offsets,
    "drain-carries": _drain,
    "trench": _trench,
}


def _more(count: int, what: str) -> str:
    if count == 0:
        return ""
    word = what if abs(count) == 1 else f"{what}s"
    return f"{abs(count)} {word} {'more' if count > 0 else 'fewer'}"


def _tube_more(more_m: float, tape: Tape) -> list[str]:
    """Post tube bought beyond the plan so far; a shorter one saves nothing that was already bought."""
    return [f"{length_text(more_m, tape, 'up')} more post tube in all"] if more_m > tape.step_m else []


def _offer(work: Work, job: Job, verdict: Verdict, cure: Cure) -> Remedy | None:
    """Judge the house with the cure; None unless it is a way out of this verdict and fails no other."""
    try:
        changed = apply_edits(job, cure, work.catalogue)
        after = begin(*changed, work.catalogue, before=work)
        verdicts = judged(after)
    except DesignError:
        return None
    found = next((each for each in verdicts if each.id == verdict.id), None)
    # A way that still fails is no way out.
    if found is not None and (found.level == "fails" or not better(found, verdict)):
        return None
    was = {each.id: each.level for each in judged(work)}
    worse = [
        each
        for each in verdicts
        if each.id != verdict.id and LEVELS.index(each.level) > LEVELS.index(was.get(each.id, "holds"))
    ]
    if any(each.level == "fails" for each in worse):
        return None
    needs, needed = takes(after), takes(work)
    posts, sticks = needs.posts - needed.posts, needs.sticks - needed.sticks
    costs = [
        _more(posts, "post"),
        _more(sticks, "stick"),
        _more(needs.loads - needed.loads, "load"),
        *_tube_more(needs.post_tube_m - needed.post_tube_m, changed.design.tape),
        *(f"{each.title.lower()} {WORSE[each.level]}" for each in worse),
    ]
    return Remedy(
        verdict=verdict.id,
        words=edits_in_words(changed, cure, work.catalogue),
        edits=cure,
        level="holds" if found is None else found.level,
        number="" if found is None else found.number,
        ratio=None if found is None else found.ratio,
        posts_more=posts,
        sticks_more=sticks,
        cost=", ".join(cost for cost in costs if cost) or "no more parts",
    )


def _distinct(offers: Iterable[Remedy | None]) -> Iterator[Remedy]:
    seen: set[str] = set()
    for offer in offers:
        if offer is not None and offer.words not in seen:
            seen.add(offer.words)
            yield offer


def find_remedies(design: HouseDesign, record: SiteRecord, catalogue: Catalogue) -> list[Remedy]:
    """What would help each verdict that doesn't hold, best first, a few for each.

    Raises: DesignError when the design can't be planned at all.
    """
    return remedies_on(begin(design, record, catalogue), Job(design, record))


def remedies_on(work: Work, job: Job) -> list[Remedy]:
    """The same for a house on a bench; every cure is judged on one that begins from it."""
    remedies: list[Remedy] = []
    for verdict in judged(work):
        if verdict.level == "holds" or verdict.id not in CURES:
            continue
        offers = _distinct(_offer(work, job, verdict, cure) for cure in CURES[verdict.id](work, verdict))
        ranked = sorted(offers, key=lambda each: (LEVELS.index(each.level), each.posts_more + each.sticks_more))
        remedies += ranked[:MOST_PER_VERDICT]
    return remedies
