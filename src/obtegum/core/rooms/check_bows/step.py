"""Check bows: each one measured on the floor, which to accept, bend again, and stand beside which."""

from obtegum.core.documents.check_bows import CHECKS
from obtegum.core.drawing.step import Answer, Standing, StepPlan
from obtegum.core.drawing.strip import Entered, Strip, StripMark
from obtegum.core.drawing.verdict import Verdict, judge
from obtegum.core.face.answers import length_answer, ticked_off
from obtegum.core.findings.skeleton.bays import bays_of
from obtegum.core.findings.skeleton.bending import is_formed, pulls_of
from obtegum.core.findings.skeleton.bows import split_of
from obtegum.core.findings.skeleton.lying import lying_bow, lying_height_m, lying_span_m
from obtegum.core.findings.work import Work
from obtegum.core.rooms.check_bows import words
from obtegum.core.rooms.check_bows.checks import Judged, quarter_height, standing_order
from obtegum.core.rooms.check_bows.found import judged_bows
from obtegum.core.values.trouble import running

__all__ = ["plan", "stands", "strips", "verdicts"]

TITLES = {
    "width": "Widths",
    "height": "Heights",
    "left": "A quarter in, left",
    "right": "A quarter in, right",
    "twist": "Twist",
}
# What is asked of every bow; the rest shows what ails one.
ASKED = ("width", "height")
HOW = {
    "width": "from end to end",
    "height": "its height in the middle, over the line of its ends",
    "left": "its height a quarter in from the left, over the line of its ends",
    "right": "its height a quarter in from the right, over the line of its ends",
    "twist": "how far an end lifts off the floor",
}
MOST_TOLD = 3
BENT = "Two people turn a bow over; mind the whip when a bent end comes free."
SPRUNG = "A pipe sprung between two cleats on the floor whips when one gives: cleats screwed down, nobody in its line."
BOUGHT = "Two people turn a bow over; keep fingers out of its joints."


def verdicts(work: Work) -> list[Verdict]:
    """The set against a hundredth of the width: good bows, and those to put right."""
    found = judged_bows(work)
    if not found:
        return []
    limit_m = work.rules.bows_alike_share * work.design.size.span_m
    worst = max(found, key=lambda each: each.off_m)
    again = [each for each in found if each.off_m > limit_m]
    ratio = worst.off_m / limit_m
    level = judge(ratio, work.rules.holds_to)
    number, limit = work.say(worst.off_m, "up"), work.say(limit_m, "down")
    if not again:
        sentence = words.alike(len(found), bays_of(work).bows, limit, worst.bow, number)
    else:
        told = [_again(work, each) for each in sorted(again, key=lambda each: -each.off_m)[:MOST_TOLD]]
        sentence = words.put_right(told, len(again) - len(told), limit)
    return [
        Verdict(
            id="bows-alike",
            step="check-bows",
            level=level,
            title="Bows",
            sentence=sentence,
            number=number,
            limit=limit,
            ratio=ratio,
            part=f"bow:{worst.bow}",
        )
    ]


def _again(work: Work, each: Judged) -> str:
    """What to do with a bow that is off."""
    off = work.say(each.off_m, "up")
    if work.design.size.shape.kind == "sprung":
        return f"bow {each.bow} is {off} off in {each.worst}: look at the length of its pipe, and how deep it stands"
    if each.worst == "twist":
        return f"bow {each.bow} twists {off}, untwist it flat on the floor"
    if each.worst in ("left", "right"):
        return f"bow {each.bow} is {off} off on the {each.worst}, one side is bent more than the other"
    if each.kept is None or each.wanted is None:
        return f"bow {each.bow} is {off} off in {each.worst}"
    wide_m = abs((_value(work, each.bow, "width") or 0.0) - lying_span_m(work))
    wide, ends = work.say(wide_m, "up"), f"until its ends measure {work.say(lying_span_m(work))}"
    if each.kept > each.wanted:
        return f"bow {each.bow} is {wide} too narrow: ease it open over the knee, evenly, {ends}"
    pulls = sum(pulls.count for piece in split_of(work).pieces for _, pulls, _ in pulls_of(work, piece))
    if not is_formed(work) or not pulls:
        return f"bow {each.bow} is {wide} too wide: close it evenly {ends}"
    more = work.say(wide_m / pulls)
    return f"bow {each.bow} is {wide} too wide: back on the former, close it by {more} at each of {pulls} pulls, {ends}"


def stands(work: Work, found: list[Verdict]) -> Standing:
    """What the step is called, and how far it has come."""
    done = sum(all(_value(work, bow, name) is not None for name in ASKED) for bow in range(1, bays_of(work).bows + 1))
    return Standing(
        id="check-bows",
        title="Check bows",
        group="Frame",
        state=ticked_off(found, done or bool(work.record.bows), bays_of(work).bows),
        done=done,
        of=bays_of(work).bows,
    )


def plan(work: Work, found: list[Verdict]) -> StepPlan:
    """The step's inputs and answers."""
    return StepPlan(
        **stands(work, found),
        next=_next(work),
        next_part=_next_part(work),
        caution=_caution(work),
        measures=(),
        answers=(
            length_answer(work, "wanted_width", "Width wanted", lying_span_m(work), "between its own ends, centres"),
            length_answer(
                work, "wanted_height", "Height wanted", lying_height_m(work), "over the line of its ends, to the centre"
            ),
            length_answer(
                work,
                "wanted_quarter",
                "A quarter in",
                quarter_height(lying_bow(work), lying_span_m(work)),
                "over the line of its ends",
            ),
            *_order(work),
        ),
        leads=("wanted", "order"),
        views=("set",),
        strips=tuple(f"check:{name}" for name in CHECKS),
        grips=(),
        walk=tuple(f"record.bows.{bow}.{name}_m" for bow, name in _walk(work)),
        focus=("bow", "planned", "ground", "line"),
    )


def _caution(work: Work) -> str:
    if work.design.size.shape.kind == "sprung":
        return SPRUNG
    return BOUGHT if work.design.bows.making == "parts" else BENT


def _order(work: Work) -> list[Answer]:
    """Which bows to stand side by side."""
    order = [
        number
        for number in standing_order({int(name): check for name, check in work.record.bows.items()})
        if number <= bays_of(work).bows
    ]
    if len(order) < 2:
        return []
    widths = [work.record.bows[str(number)].width_m or 0.0 for number in order]
    return [
        Answer(
            id="order",
            label="Stand them, narrow to wide",
            reading=" ".join(str(number) for number in order),
            value=len(order),
            unit="count",
            note="neighbours then differ least",
        ),
        length_answer(work, "spread", "Widths differ by", max(widths) - min(widths)),
    ]


def _value(work: Work, bow: int, name: str) -> float | None:
    bows = work.record.bows
    value: float | None = getattr(bows[key], f"{name}_m") if (key := str(bow)) in bows else None
    return value


def _walk(work: Work) -> list[tuple[int, str]]:
    """Bow by bow as they are laid flat, with what is asked of each; quarters and twist are taken where wanted."""
    return [(bow, name) for bow in range(1, bays_of(work).bows + 1) for name in ASKED]


def _unmeasured(work: Work) -> tuple[int, str] | None:
    return next((each for each in _walk(work) if _value(work, *each) is None), None)


def _next(work: Work) -> str:
    left = _unmeasured(work)
    return "All bows are measured." if left is None else _says(work, *left)


def _says(work: Work, bow: int, name: str) -> str:
    """What to measure of a bow, or what was measured."""
    value = _value(work, bow, name)
    return _told(bow, name, "" if value is None else work.say(value))


def _told(bow: int, name: str, told: str) -> str:
    if told:
        return f"Bow {bow}, {_one(name)}, was measured: {told}. Type to measure it again."
    lay = f"lay bow {bow} flat" if name == ASKED[0] else f"bow {bow}"
    return f"Next: {lay}, tape {HOW[name]}."


def _one(name: str) -> str:
    return running(TITLES[name]).removesuffix("s")


def _next_part(work: Work) -> str | None:
    left = _unmeasured(work)
    return None if left is None else f"bow:{left[0]}"


def strips(work: Work) -> list[Strip]:
    """A tape along the house with a place to type each measure of each bow."""
    return [_strip(work, name) for name in CHECKS]


def _strip(work: Work, name: str) -> Strip:
    where, one, marks = f"check:{name}", _one(name), []
    for bow, station_m in enumerate(bays_of(work).stations_m, start=1):
        value = _value(work, bow, name)
        told = "" if value is None else work.say(value)
        label = f"Bow {bow}, {one}"
        marks.append(
            StripMark(
                id=f"{where}/{bow}",
                part=f"bow:{bow}",
                at_m=station_m,
                reading=told or "–",
                what=f"bow {bow}",
                kind="peg",
                state="open" if value is None else "set",
                entry=Entered(measure=f"record.bows.{bow}.{name}_m", label=label, reading=told),
                says=_told(bow, name, told),
            )
        )
    return Strip(
        id=where,
        title=TITLES[name],
        about="one number a bow",
        material="string",
        length_m=bays_of(work).stations_m[-1],
        marks=tuple(marks),
    )
