"""Inside: beds and paths across the floor, reach, and height for people and crops under the bow."""

from functools import partial

from obtegum.core.drawing.step import Answer, Standing, StepPlan
from obtegum.core.drawing.strip import Band, Strip
from obtegum.core.drawing.verdict import NEVER, Verdict, graded, judge, verdict_on
from obtegum.core.face.answers import amount_answer, count_answer, length_answer, settled
from obtegum.core.findings.skeleton.shapes import own_measures
from obtegum.core.findings.work import Work
from obtegum.core.formulas.bows.beds import Bed, plants_in
from obtegum.core.rooms.inside import words
from obtegum.core.rooms.inside.fields import OWN_BEDS, OWN_PATHS
from obtegum.core.rooms.inside.found import bed_long_m, bed_room_m, floor_m, layout_of, path_room_m, side_clear

__all__ = ["plan", "stands", "strips", "verdicts"]

_verdict = partial(verdict_on, "inside")

FIGURE = ("size.figure.height_m", "size.figure.from_left_m")
SIDE = ("size.shape.leg_m", "size.shape.height_m")
# Closer than this, lengths are alike, m.
SAME_M = 1e-6


def verdicts(work: Work) -> list[Verdict]:
    """Room for a person over the paths, for the crop over the beds, and reach over the beds."""
    layout = layout_of(work)
    wide = work.say(floor_m(work), "down")
    if not layout.strips:
        sentence = words.no_bed_fits(wide)
        return [_verdict("beds-fit", "Beds", "fails", sentence, wide, "", None, "floor")]
    found = [*_path_verdicts(work), _crop_verdict(work, layout.beds), _reach_verdict(work)]
    if work.design.inside.along_walls == "own":
        found.insert(0, _fit_verdict(work, wide))
    if bed_long_m(work) <= 0:
        sentence = words.no_bed_long(work.say(work.design.size.length_m))
        found.append(_verdict("bed-length", "Bed length", "fails", sentence, "0", "", None, "front"))
    return found


def _fit_verdict(work: Work, wide: str) -> Verdict:
    """Whether one's own beds and paths fit on the floor."""
    layout = layout_of(work)
    takes_m = floor_m(work) + layout.over_m - layout.left_m
    takes = work.say(takes_m, "up")
    if layout.over_m:
        sentence = words.too_much(takes, wide, work.say(layout.over_m, "up"))
        return _verdict("beds-fit", "Beds", "fails", sentence, takes, wide, takes_m / floor_m(work), "floor")
    sentence = words.beds_fit(wide, work.say(layout.left_m, "down") if layout.left_m > SAME_M else "")
    return _verdict("beds-fit", "Beds", "holds", sentence, takes, wide, None, "floor")


def _named(what: str, number: int, of: int) -> str:
    return f"the first {what}" if number == 1 else f"the last {what}" if number == of else f"{what} {number}"


def _path_verdicts(work: Work) -> list[Verdict]:
    """Whether a grower stands up in the lowest path."""
    paths, height_m = layout_of(work).paths, work.design.size.figure.height_m
    if not paths:
        return []
    rooms = [path_room_m(work, path) for path in paths]
    # Of paths that are alike the first is named.
    place = next(each for each, room in enumerate(rooms) if room <= min(rooms) + SAME_M)
    room_m = rooms[place]
    ratio = height_m / room_m if room_m > 0 else NEVER
    level = judge(ratio, work.rules.holds_to)
    room, tall = work.say(room_m, "down"), work.say(height_m)
    sentence = words.path_room(room, _named("path", place + 1, len(paths)), tall, level)
    return [_verdict("path-room", "Path", level, sentence, room, tall, ratio, f"bed:{place + 1}", "comfort")]


def _crop_verdict(work: Work, beds: list[Bed]) -> Verdict:
    """Whether the crop stands under the bow over the middle of the lowest bed."""
    crop_m = work.design.inside.crop_m
    rooms = [bed_room_m(work, bed) for bed in beds]
    place = next(each for each, room in enumerate(rooms) if room <= min(rooms) + SAME_M)
    room_m = rooms[place]
    ratio = crop_m / room_m if room_m > 0 else NEVER
    level = judge(ratio, work.rules.holds_to)
    room, tall = work.say(room_m, "down"), work.say(crop_m)
    where = "the side bed" if place in (0, len(beds) - 1) else f"bed {place + 1}"
    sentence = words.crop_room(room, where, tall, level)
    return _verdict("crop-room", "Crop", level, sentence, room, tall, ratio, f"bed:{place + 1}", "comfort")


def _reach_of(work: Work, bed: Bed) -> tuple[bool, float, float]:
    """Whether a bed is got at from one side only, how far an arm has to reach, and how far it may, m."""
    arm_m, both = work.rules.arm_reach_m, all(side_clear(work, bed))
    return (False, bed.width_m / 2, arm_m) if both else (True, bed.width_m, max(work.rules.wall_bed_m, arm_m))


def _reach_verdict(work: Work) -> Verdict:
    """Whether an arm reaches across the widest bed: one along a wall from one side, the others from both.

    A wall bed of the usual width is reached with a stoop; past it one kneels in the bed.
    """
    rules, beds = work.rules, layout_of(work).beds
    reaches = [_reach_of(work, bed) for bed in beds]
    place = max(range(len(beds)), key=lambda each: (reaches[each][1] / reaches[each][2], -each))
    from_one, across_m, limit_m = reaches[place]
    ratio, arm_m = across_m / limit_m, rules.arm_reach_m
    # Along a wall an arm is what is good, and the trade's usual the limit.
    ratio = graded(ratio, arm_m / limit_m, rules.holds_to) if from_one else ratio
    level = judge(ratio, rules.holds_to)
    across, arm = work.say(across_m), work.say(arm_m, "down")
    usual = work.say(rules.wall_bed_m)
    sentence = words.wall_reach(across, arm, usual, level) if from_one else words.bed_reach(across, arm, level)
    limit = work.say(limit_m, "down")
    return _verdict("reach", "Reach", level, sentence, across, limit, ratio, f"bed:{place + 1}", "comfort")


def _plants(work: Work) -> int:
    inside, long_m = work.design.inside, bed_long_m(work)
    return sum(plants_in(bed.width_m, long_m, inside.row_m, inside.plant_m) for bed in layout_of(work).beds)


def stands(work: Work, found: list[Verdict]) -> Standing:
    """What the step is called, and how far it has come."""
    return Standing(
        id="inside",
        title="Inside",
        group="Place",
        state=settled(found),
    )


def plan(work: Work, found: list[Verdict]) -> StepPlan:
    """The step's inputs and answers."""
    layout, inside = layout_of(work), work.design.inside
    answers: list[Answer] = []
    if layout.strips:
        share = sum(bed.width_m for bed in layout.beds) / floor_m(work)
        answers = [
            count_answer("beds", "Beds", len(layout.beds)),
            length_answer(work, "bed_length", "Bed length in all", len(layout.beds) * bed_long_m(work)),
            amount_answer(work, "bed_share", "Floor in beds", share, "share"),
            count_answer("plants", "Plants", _plants(work)),
        ]
        if layout.paths:
            narrowest = min(path.width_m for path in layout.paths)
            alike = max(path.width_m for path in layout.paths) - narrowest < SAME_M
            answers.insert(1, length_answer(work, "path", "Paths come out" if alike else "Narrowest path", narrowest))
    return StepPlan(
        **stands(work, found),
        next="Lay out beds and paths before the width is settled: low sides are cured here, on paper.",
        caution="",
        measures=(
            "inside.along_walls",
            *((OWN_BEDS, OWN_PATHS, "inside.wall_m") if inside.along_walls == "own" else ("inside.bed_m",)),
            "inside.path_m",
            "inside.to",
            "inside.front_m",
            "inside.back_m",
            "inside.crop_m",
            "inside.row_m",
            "inside.plant_m",
            *FIGURE,
            *SIDE,
        ),
        answers=tuple(answers),
        leads=("beds", "path"),
        views=("across", "floor", "layouts"),
        strips=("beds", "floor"),
        aside=("inside.to", "inside.front_m", "inside.back_m", "inside.row_m", "inside.plant_m", *FIGURE, *SIDE),
        grips=(
            "size.span_m",
            "size.shape.height_m",
            "size.shape.leg_m",
            *own_measures(work.design.size.shape),
            "size.figure.from_left_m",
        ),
        focus=("bed", "layout", "front", "back", "bow", "grower", "span", "height", "leg", "floor"),
    )


def strips(work: Work) -> list[Strip]:
    """The floor from its left edge to its right one, with every edge of a bed."""
    marks, bands, inside = [], [], work.design.inside
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
            about="tape from the skin at the left" if inside.to == "skin" else "tape from the inside of the left posts",
            material="floor",
            length_m=floor_m(work),
            marks=tuple(marks),
            bands=tuple(bands),
        )
    ]
