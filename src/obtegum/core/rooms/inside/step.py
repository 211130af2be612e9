"""Inside: beds and paths across the floor, reach, and height for people and crops under the bow."""

from functools import partial

from obtegum.core.answers import amount_answer, count_answer, length_answer, settled
from obtegum.core.bows.beds import Bed
from obtegum.core.bows.headroom import headroom, headroom_over
from obtegum.core.rooms.bows.tubes import post_tube
from obtegum.core.rooms.inside.found import floor_m, layout_of
from obtegum.core.rooms.size.found import inner_face
from obtegum.core.rooms.size.shapes import own_measures
from obtegum.core.step import Answer, StepPlan
from obtegum.core.strip import Band, Strip
from obtegum.core.verdict import Verdict, judge, verdict_on
from obtegum.core.work import Work

__all__ = ["plan", "strips", "verdicts"]

_verdict = partial(verdict_on, "inside")


def _x(work: Work, from_post_m: float) -> float:
    """Place across the section of a distance from the inside of the left posts, m."""
    return from_post_m + post_tube(work).od_m / 2 - work.design.size.span_m / 2


def verdicts(work: Work) -> list[Verdict]:
    """Room for a person in the first path, for the crop at the side, and reach over the beds."""
    layout = layout_of(work)
    if not layout.strips:
        wide = work.say(floor_m(work), "down")
        sentence = f"No bed of that width fits on a floor of {wide}."
        return [_verdict("beds-fit", "Beds", "fails", sentence, wide, "", None, "floor")]
    return [*_path_verdicts(work), _crop_verdict(work, layout.beds[0]), _reach_verdict(work)]


def _path_verdicts(work: Work) -> list[Verdict]:
    """Whether a grower stands up in the path nearest to the wall."""
    if not layout_of(work).paths:
        return []
    path, height_m = layout_of(work).paths[0], work.design.size.figure.height_m
    room_m = headroom_over(inner_face(work), _x(work, path.middle_m), min(work.rules.figure_width_m, path.width_m))
    ratio = height_m / room_m if room_m > 0 else 99.0
    level = judge(ratio, work.rules.holds_to)
    room, tall = work.say(room_m, "down"), work.say(height_m)
    how = {"holds": "walks upright", "tight": "just clears it", "fails": "stoops all day"}[level]
    sentence = f"{room} over the first path: a {tall} grower {how}."
    if level == "fails":
        sentence = f"Too low at the side. {sentence}"
    return [_verdict("path-room", "First path", level, sentence, room, tall, ratio, "bed:1", "comfort")]


def _crop_verdict(work: Work, bed: Bed) -> Verdict:
    """Whether the crop stands under the bow over the middle of the side bed."""
    crop_m = work.design.inside.crop_m
    room_m = headroom(inner_face(work), _x(work, bed.middle_m))
    ratio = crop_m / room_m if room_m > 0 else 99.0
    level = judge(ratio, work.rules.holds_to)
    room, tall = work.say(room_m, "down"), work.say(crop_m)
    how = {"holds": "has room", "tight": "touches", "fails": "does not fit"}[level]
    sentence = f"{room} over the middle of the side bed: a crop or trellis of {tall} {how}."
    return _verdict("crop-room", "Crop", level, sentence, room, tall, ratio, "bed:1", "comfort")


def _reach_verdict(work: Work) -> Verdict:
    """Whether an arm reaches across: a bed along a wall from one side, the others from both.

    A wall bed of the usual width is reached with a stoop; past it one kneels in the bed.
    """
    inside, rules = work.design.inside, work.rules
    from_one, arm_m = inside.along_walls == "bed", rules.arm_reach_m
    across_m = inside.bed_m if from_one else inside.bed_m / 2
    limit_m = max(rules.wall_bed_m, arm_m) if from_one else arm_m
    ratio = across_m / limit_m
    level = judge(ratio, arm_m / limit_m if from_one else rules.holds_to)
    across, arm = work.say(across_m), work.say(arm_m, "down")
    usual = work.say(rules.wall_bed_m)
    if from_one:
        how = {
            "holds": f"an arm of {arm} reaches; {usual} is the trade’s usual",
            "tight": f"past an arm’s {arm}, within the trade’s usual {usual}: a stoop at its back",
            "fails": f"past an arm’s {arm} and the trade’s usual {usual}: one kneels in it to reach its back",
        }[level]
        sentence = f"{across} across the bed along the wall, from its path: {how}."
    else:
        how = {
            "holds": "an arm reaches",
            "tight": "an arm just reaches",
            "fails": "no arm reaches without kneeling in it",
        }[level]
        sentence = f"{across} to the middle of a bed: {how} ({arm})."
    return _verdict("reach", "Reach", level, sentence, across, work.say(limit_m, "down"), ratio, "bed:1", "comfort")


def plan(work: Work, found: list[Verdict]) -> StepPlan:
    """The step's inputs and answers."""
    layout, size = layout_of(work), work.design.size
    answers: list[Answer] = []
    if layout.strips:
        share = sum(bed.width_m for bed in layout.beds) / floor_m(work)
        answers = [
            count_answer("beds", "Beds", len(layout.beds)),
            length_answer(work, "bed_length", "Bed length in all", len(layout.beds) * size.length_m),
            amount_answer(work, "bed_share", "Floor in beds", share, "share"),
        ]
        if layout.paths:
            answers.insert(1, length_answer(work, "path", "Paths come out", layout.paths[0].width_m))
    return StepPlan(
        id="inside",
        title="Inside",
        group="Place",
        state=settled(found),
        next="Lay out beds and paths before the width is settled: low sides are cured here, on paper.",
        caution="",
        measures=(
            "inside.along_walls",
            "inside.bed_m",
            "inside.path_m",
            "inside.crop_m",
            "size.figure.height_m",
            "size.figure.from_left_m",
            "size.shape.leg_m",
            "size.shape.height_m",
        ),
        answers=tuple(answers),
        leads=("beds", "path"),
        views=("across",),
        strips=("beds", "floor"),
        grips=(
            "size.span_m",
            "size.shape.height_m",
            "size.shape.leg_m",
            *own_measures(work.design.size.shape),
            "size.figure.from_left_m",
        ),
        focus=("bed", "bow", "grower", "span", "height", "leg", "floor"),
    )


def strips(work: Work) -> list[Strip]:
    """The floor from the inside of the left posts to the right ones, with every edge of a bed."""
    marks, bands = [], []
    for number, bed in enumerate(layout_of(work).beds, start=1):
        marks.append(work.mark(bed.from_m, f"bed {number}", "peg", f"bed:{number}", "beds"))
        marks.append(work.mark(bed.to_m, "path", "cut", f"bed-end:{number}", "beds"))
        bands.append(Band(from_m=bed.from_m, to_m=bed.to_m, what="bed", kind="dug"))
    if not marks:
        marks = [work.mark(0.0, "post", "cut", "floor:L", "beds")]
    return [
        Strip(
            id="beds",
            title="Beds and paths",
            about="tape from the inside of the left posts",
            material="floor",
            length_m=floor_m(work),
            marks=tuple(marks),
            bands=tuple(bands),
        )
    ]
