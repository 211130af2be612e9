"""Size: width, length, shape and height, and how a grower fits under the side."""

from obtegum.core.drawing.step import Answer, Standing, StepPlan
from obtegum.core.drawing.strip import Band, MarkKind, Strip
from obtegum.core.drawing.verdict import NEVER, Verdict, judge
from obtegum.core.face.answers import count_answer, length_answer, settled
from obtegum.core.face.rounding import rounded
from obtegum.core.findings.skeleton.bays import bays_of
from obtegum.core.findings.skeleton.line import grower_at_m, headroom_m, inner_face, leg_kink, upright_from_m
from obtegum.core.findings.skeleton.shapes import asked_leg, own_measures
from obtegum.core.findings.skeleton.stands import foot_of
from obtegum.core.findings.work import Work
from obtegum.core.formulas.bows.headroom import headroom_over
from obtegum.core.rooms.size import words
from obtegum.core.values.quantity import angle_text, area_text

__all__ = ["plan", "stands", "strips", "verdicts"]


def verdicts(work: Work) -> list[Verdict]:
    """Headroom at the side bed, and whether leg and arc meet at a corner."""
    return [_headroom_verdict(work), *_kink_verdicts(work)]


def _headroom_verdict(work: Work) -> Verdict:
    size, rules = work.design.size, work.rules
    from_leg_m = min(rules.side_bed_from_leg_m, size.span_m / 2)
    room_m = headroom_over(inner_face(work), from_leg_m - size.span_m / 2, rules.figure_width_m)
    ratio = size.figure.height_m / room_m if room_m > 0 else NEVER
    level = judge(ratio, rules.holds_to)
    room, height = work.say(room_m, "down"), work.say(size.figure.height_m)
    sentence = words.head_room(room, work.about(from_leg_m), foot_of(work)[1], height, level)
    return Verdict(
        id="headroom",
        step="size",
        level=level,
        rank="comfort",
        title="Head room",
        sentence=sentence,
        number=room,
        limit=height,
        ratio=ratio,
        part="grower",
    )


def _kink_verdicts(work: Work) -> list[Verdict]:
    kink = leg_kink(work)
    if kink is None:
        return []
    turn, most = abs(kink.turn_rad), work.rules.leg_top_kink_most_rad
    ratio = turn / most
    corner, hidden = angle_text(turn, "up"), angle_text(most, "down")
    return [
        Verdict(
            id="leg-top",
            step="size",
            level=judge(ratio, work.rules.holds_to),
            title="Top of the leg",
            sentence=words.corner(corner, hidden),
            number=corner,
            limit=hidden,
            ratio=ratio,
            part="bend:L",
        )
    ]


def stands(work: Work, found: list[Verdict]) -> Standing:
    """What the step is called, and how far it has come."""
    return Standing(
        id="size",
        title="Size",
        group="Place",
        state=settled(found),
    )


def plan(work: Work, found: list[Verdict]) -> StepPlan:
    """The step's inputs and answers."""
    size = work.design.size
    floor_m2 = size.span_m * size.length_m
    clear_m, own = upright_from_m(work), own_measures(size.shape)
    answers = [
        Answer(
            id="floor",
            label="Floor",
            reading=area_text(floor_m2, work.tape, rounded("floor")),
            value=floor_m2,
            unit="m2",
        ),
        length_answer(
            work,
            "headroom",
            "Head room where the grower stands",
            headroom_m(work),
            "to the underside of the tube",
        ),
    ]
    if clear_m is not None:
        note = f"from {work.say(clear_m, 'up')} in from either {foot_of(work)[0]}"
        answers.append(length_answer(work, "upright", "Stands upright over", size.span_m - 2 * clear_m, note))
    answers.append(count_answer("bows", "Bows", bays_of(work).bows))
    return StepPlan(
        **stands(work, found),
        next="Settle width, height and legs, then set it out.",
        caution="",
        measures=(
            "size.span_m",
            "size.length_m",
            "size.shape",
            *own,
            *asked_leg(size.shape),
            "size.shape.height_m",
            "size.figure.height_m",
            "size.figure.from_left_m",
        ),
        answers=tuple(answers),
        leads=("headroom", "upright", "bows"),
        views=("across", "shapes", "along", "above"),
        strips=("floor",),
        aside=("size.figure.height_m", "size.figure.from_left_m", "size.shape.arm_m"),
        grips=(
            "size.span_m",
            "size.shape.height_m",
            *asked_leg(size.shape),
            *own,
            "size.length_m",
            "bows.max_spacing_m",
            "size.figure.from_left_m",
        ),
        focus=("span", "height", "leg", "length", "bay", "bow", "grower", "floor", "clear", "shape"),
    )


def strips(work: Work) -> list[Strip]:
    """The floor from post to post: where the grower can stand upright."""
    span_m, clear_m = work.design.size.span_m, upright_from_m(work)
    places: list[tuple[float, str, MarkKind, str]] = [
        (0.0, f"left {foot_of(work)[0]}", "socket", "post:L"),
        (span_m, f"right {foot_of(work)[0]}", "socket", "post:R"),
        (span_m / 2, "middle", "crown", "crown"),
        (grower_at_m(work), "grower", "ground", "grower"),
    ]
    bands: tuple[Band, ...] = ()
    if clear_m is not None:
        places += [(clear_m, "head clears", "head", "clear:L"), (span_m - clear_m, "head clears", "head", "clear:R")]
        bands = (Band(from_m=clear_m, to_m=span_m - clear_m, what="upright", kind="headroom"),)
    marks = [work.mark(at, what, kind, part, "floor") for at, what, kind, part in sorted(places)]
    height, one = work.say(work.design.size.figure.height_m), foot_of(work)[0]
    return [
        Strip(
            id="floor",
            title="Across the floor",
            about=f"tape from the left {one}’s centre · a {height} grower stands upright between the marks",
            material="floor",
            length_m=span_m,
            marks=tuple(marks),
            bands=bands,
        )
    ]
