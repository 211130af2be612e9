"""Bows: radius, girth, tube per bow, and every mark on every stick."""

from collections import Counter
from collections.abc import Iterator

from obtegum.core.drawing.step import Answer, Standing, StepPlan
from obtegum.core.drawing.verdict import Verdict, judge
from obtegum.core.face.answers import angle_answer, count_answer, length_answer, settled
from obtegum.core.face.rounding import rounded
from obtegum.core.findings.skeleton.bays import bays_of
from obtegum.core.findings.skeleton.bending import bend_kinds
from obtegum.core.findings.skeleton.bows import (
    corners_of,
    joint_made,
    left_over_m,
    own_pieces,
    split_of,
    stick_count,
    tube_m,
    uncut_height_m,
)
from obtegum.core.findings.skeleton.line import centre_line
from obtegum.core.findings.skeleton.lying import lying_height_m, lying_span_m
from obtegum.core.findings.skeleton.shapes import asked_leg, own_measures
from obtegum.core.findings.skeleton.tubes import all_tubes, bow_tube, tube_measures
from obtegum.core.findings.work import Work
from obtegum.core.rooms.bows import words
from obtegum.core.values.quantity import percent_text

__all__ = ["plan", "stands", "verdicts"]

SAME = 1e-6
CHECK_ONE = "Count what came, join one bow on the floor, and check its width before the rest."
JOINED = "A joined bow is long and springs: two people carry it, and nobody stands under it."
# More play than this and a tube rattles in the other.
SLIDES_M = 0.006


def verdicts(work: Work) -> list[Verdict]:
    """Left-over of the sticks, and where their joints fall; of bought pieces what they make."""
    if own_pieces(work):
        return [*_pieces_verdict(work), *_sleeve_verdicts(work), *_crown_verdicts(work)]
    split, most, bows = split_of(work), work.rules.stick_waste_most_share, bays_of(work).bows
    waste = left_over_m(work) / (stick_count(work) * split.stick_m)
    ratio = waste / most
    share = percent_text(waste)
    level = judge(ratio, work.rules.holds_to)
    stick = work.say(split.stick_m)
    if stick_count(work) == bows * len(split.pieces):
        left = work.say(left_over_m(work) / bows)
        sentence = words.left_of_each(left, _sticks(len(split.pieces)), stick, share, level == "fails")
    else:
        left = work.say(left_over_m(work))
        sentence = words.left_of_all(left, _sticks(stick_count(work)), stick, share, level == "fails")
    found = [
        Verdict(
            id="waste",
            rank="comfort",
            step="bows",
            level=level,
            title="Left-over",
            sentence=sentence,
            number=share,
            limit=f"{most:.0%}".replace("%", " %"),
            ratio=ratio,
            part=f"stick:{split.pieces[-1].name}",
        )
    ]
    found += [*_told_verdicts(work), *_sleeve_verdicts(work), *_crown_verdicts(work)]
    last = len(split.pieces) - 1
    joined = [
        piece
        for place, piece in enumerate(split.pieces)
        if (place > 0 and not piece.corner_before) or (place < last and not piece.corner_after)
    ]
    short = min(joined, key=lambda piece: piece.length_m, default=None)
    if short is not None and short.length_m < work.rules.piece_least_m:
        least = work.say(work.rules.piece_least_m)
        found.append(
            Verdict(
                id="short-piece",
                rank="stands",
                step="bows",
                level="fails",
                title="Short piece",
                sentence=words.short_piece(short.name, work.say(short.length_m), least),
                number=work.say(short.length_m, "down"),
                limit=least,
                ratio=work.rules.piece_least_m / short.length_m,
                part=f"stick:{short.name}",
            )
        )
    return found


def _told_verdicts(work: Work) -> list[Verdict]:
    """Fewer sticks a bow were told than a bow of this height takes."""
    sticks, needed = work.design.bows.sticks, len(split_of(work).pieces)
    if sticks is None or sticks >= needed or work.design.bows.cut != "cut":
        return []
    sentence = words.fewer_told(needed, sticks)
    return [
        Verdict(
            id="told-sticks",
            rank="fits",
            step="bows",
            level="tight",
            title="Sticks told",
            sentence=sentence,
            number=_sticks(needed),
            limit=_sticks(sticks),
            ratio=None,
            part="bow",
        )
    ]


def _crown_verdicts(work: Work) -> list[Verdict]:
    """A joint at the crown."""
    if not split_of(work).joint_at_crown:
        return []
    return [
        Verdict(
            id="crown-joint",
            rank="stands",
            step="bows",
            level="tight",
            title="Joint",
            sentence=words.joint_at_crown(bool(own_pieces(work))),
            number=work.say(split_of(work).joint_m),
            limit="off the crown",
            ratio=None,
            part="crown",
        )
    ]


def _pieces_verdict(work: Work) -> list[Verdict]:
    """What the pieces make, joined, against what this house takes."""
    joined_m, wanted_m = split_of(work).pieces[-1].to_m, tube_m(work)
    off_m = joined_m - wanted_m
    if abs(off_m) <= work.tape.step_m:
        return []
    joined, wanted, off = work.say(joined_m), work.say(wanted_m), work.say(abs(off_m), "up")
    short = "short" if off_m < 0 else "too long"
    sentence = words.pieces_off(joined, wanted, off, short)
    return [
        Verdict(
            id="pieces",
            rank="fits",
            step="bows",
            level="fails",
            title="Pieces",
            sentence=sentence,
            number=joined,
            limit=wanted,
            ratio=None,
            part="bow",
        )
    ]


def _sleeve_verdicts(work: Work) -> list[Verdict]:
    """A sleeve is a piece of tube that the bow slides into; there has to be one."""
    if joint_made(work).kind != "sleeve" or len(split_of(work).joints_m) == 0:
        return []
    od_m, material = bow_tube(work).od_m, bow_tube(work).material
    # Of its own stuff: plastic holds no joint of steel.
    plays = [each.bore_m - od_m for each in all_tubes(work) if each.bore_m > od_m and each.material == material]
    play = min(plays, default=None)
    if play is not None and play <= SLIDES_M:
        return []
    sentence = words.no_sleeve("" if play is None else work.tube(play, "up"))
    return [
        Verdict(
            id="sleeve",
            rank="stands",
            step="bows",
            level="fails",
            title="Sleeve",
            sentence=sentence,
            number="none" if play is None else work.tube(play, "up"),
            limit=work.tube(SLIDES_M, "down"),
            ratio=None if play is None else play / SLIDES_M,
            part="bow",
        )
    ]


def _sticks(count: int) -> str:
    return "one stick" if count == 1 else f"{count} sticks"


def stands(work: Work, found: list[Verdict]) -> Standing:
    """What the step is called, and how far it has come."""
    return Standing(
        id="bows",
        title="Bows",
        group="Frame",
        state=settled(found),
    )


def _answers(work: Work) -> Iterator[Answer]:
    """Bend, corners, tube, and the sticks that it is made of."""
    split, bows = split_of(work), bays_of(work).bows
    sticks = len(split.pieces)
    house, own = stick_count(work), own_pieces(work)
    bundle = work.design.bows.bundle
    bundles = -(-house // bundle)
    spare = f", {bundles * bundle - house} to spare" if bundle > 1 else ""
    yield from _bend_answers(work)
    yield from _corner_answers(work)
    girth_m = centre_line(work).girth_m
    yield length_answer(work, "girth", "Girth, ground to ground", girth_m, "along the bow, over the top")
    yield length_answer(work, "tube", "Tube per bow, sockets in", tube_m(work))
    yield count_answer("sticks", f"{'Pieces' if own else 'Sticks'} per bow", sticks, f"{house} for all {bows} bows")
    made = "turn every second bow end for end" if split.flipped else joint_made(work).name
    yield count_answer("joints", "Joints per bow", len(split.joints_m), made)
    if own:
        yield from _when_they_come(work)
    else:
        label = "Sticks to buy" if bundle == 1 else f"Bundles of {bundle}"
        yield count_answer("bundles", label, bundles, f"{house} sticks{spare}")
        yield _left_over(work)
        yield from _uncut(work)
    yield from _slides(work)


def plan(work: Work, found: list[Verdict]) -> StepPlan:
    """The step's inputs and answers."""
    bought = work.design.bows.making == "parts"
    return StepPlan(
        **stands(work, found),
        next=CHECK_ONE if bought else "Mark one stick, bend one bow, and check its width before the rest.",
        caution=JOINED if bought else "Cut ends are sharp and bent tube whips: gloves, eyes, two people on a bow.",
        measures=(
            "bows.tube",
            *tube_measures("bows.tube", work.design.bows.tube),
            "bows.making",
            "bows.cut",
            *(("bows.own_pieces_m",) if work.design.bows.cut == "own" else ("bows.stick_m",)),
            *(("bows.sticks",) if work.design.bows.cut == "whole" else ()),
            "bows.joint",
            "bows.joint_m",
            *(("bows.hole_m",) if work.design.bows.cut == "own" else ("bows.bundle",)),
        ),
        answers=tuple(_answers(work)),
        leads=("radius", "tube", "sticks", "bundles", "pieces", "lies"),
        views=("across", "along"),
        strips=tuple(f"stick:{piece.name}" for piece in split_of(work).pieces),
        aside=("bows.tube_od", "bows.making", "bows.hole_m", "bows.bundle"),
        grips=(
            "size.span_m",
            "size.shape.height_m",
            *asked_leg(work.design.size.shape),
            *own_measures(work.design.size.shape),
        ),
        focus=("bow", "radius", "centre", "crown", "bend", "socket", "joint", "span", "height", "leg"),
    )


def _when_they_come(work: Work) -> list[Answer]:
    """What to count and to check when the pieces of bought bows come."""
    bows, split = bays_of(work).bows, split_of(work)
    kinds = Counter(round(piece.length_m, 6) for piece in split.pieces)
    told = ", ".join(f"{count * bows} of {work.say(length_m)}" for length_m, count in sorted(kinds.items()))
    found = [
        count_answer("pieces", "Count the pieces", len(split.pieces) * bows, told),
        length_answer(work, "lies_wide", "One joined on the floor, wide", lying_span_m(work), "between its ends"),
        length_answer(work, "lies_high", "And high", lying_height_m(work), "over the line of its ends"),
    ]
    if split.joints_m and joint_made(work).overlap_m:
        found.append(length_answer(work, "joint_in", "Each joint goes in", joint_made(work).overlap_m, "to the mark"))
    return found


def _uncut(work: Work) -> list[Answer]:
    """How high the house would stand if no stick were cut."""
    height_m = uncut_height_m(work)
    if height_m is None or abs(height_m - work.design.size.height_m) < work.tape.step_m:
        return []
    return [length_answer(work, "uncut", "Uncut sticks would stand it", height_m, "high, at this width")]


def _slides(work: Work) -> list[Answer]:
    """The tubes that this one slides into, and those that slide into it, each with the play between them."""
    tube = bow_tube(work)
    tubes = [each for each in all_tubes(work) if each.sold_in == work.tape.units and each.material == tube.material]
    into = [(each, each.bore_m - tube.od_m) for each in tubes if 0 < each.bore_m - tube.od_m <= SLIDES_M]
    takes = [(each, tube.bore_m - each.od_m) for each in tubes if 0 < tube.bore_m - each.od_m <= SLIDES_M]
    found = []
    for name, label, pairs in (("slides_into", "Slides into", into), ("takes", "Takes inside", takes)):
        if pairs:
            best, play = min(pairs, key=lambda pair: pair[1])
            others = ", ".join(each.name for each, _ in pairs if each is not best)
            note = f"{work.tube(play, rounded(name))} of play" + (f"; also {others}" if others else "")
            found.append(Answer(id=name, label=label, reading=best.name, value=play, unit="m", note=note))
    return found


def _left_over(work: Work) -> Answer:
    """Left over a bow, or in all where short pieces share a stick."""
    in_all = work.say(left_over_m(work))
    if stick_count(work) == bays_of(work).bows * len(split_of(work).pieces):
        return length_answer(work, "left_over", "Left over per bow", split_of(work).left_over_m, f"{in_all} in all")
    return length_answer(work, "left_over", "Left over in all", left_over_m(work))


def _bend_answers(work: Work) -> list[Answer]:
    """Each radius that is bent: to the tube's centre, where its centre lies, and how far it turns."""
    kinds, found = bend_kinds(work), list[Answer]()
    names = [""] if len(kinds) == 1 else [", shoulder", ", crown"]
    for number, (arc, name) in enumerate(zip(kinds, names, strict=False)):
        tail = "" if number == 0 else f"_{number + 1}"
        found.append(length_answer(work, f"radius{tail}", f"Bend radius{name}, to the centre", arc.radius_m))
        half = abs(arc.cx) < 1e-9
        turn = arc.turn_rad / 2 if half else arc.turn_rad
        label = "Turns, crown to spring" if half and len(kinds) == 1 else f"Turns{name}{', each way' if half else ''}"
        if len(kinds) == 1:
            found.append(_centre_answer(work, arc.cy))
        found.append(angle_answer(f"half_angle{tail}", label, turn))
    return found


def _corner_answers(work: Work) -> list[Answer]:
    """The ridge and the elbows, each by how far it turns from straight."""
    middle_m, found = centre_line(work).girth_m / 2, list[Answer]()
    for number, kink in enumerate(kink for kink in corners_of(work) if kink.s_m <= middle_m + 1e-7):
        ridge = abs(kink.s_m - middle_m) < 1e-7
        label = "Ridge plate turns" if ridge else f"Elbow {number + 1} turns, each side"
        turn = abs(kink.turn_rad)
        found.append(angle_answer(f"corner_{number + 1}", label, turn))
    return found


def _centre_answer(work: Work, centre_m: float) -> Answer:
    side = "above" if centre_m >= 0 else "below"
    return Answer(
        id="centre",
        label=f"Centre, {side} the ground",
        reading=work.say(abs(centre_m)),
        value=centre_m,
        unit="m",
    )
