"""Plumb: what is read of each bow, how it leans, which straps pull it true, and when stays may leave."""

from collections.abc import Iterator

from obtegum.core.documents.plumb import CHECKS, Check
from obtegum.core.drawing.step import Action, Answer, Standing, StepPlan, Told
from obtegum.core.drawing.strip import Entered, Strip, StripMark
from obtegum.core.drawing.verdict import Verdict, judge, verdict_on
from obtegum.core.face.answers import count_answer, length_answer, ticked_off
from obtegum.core.findings.skeleton.bays import bays_of, reads, starts_m
from obtegum.core.findings.work import Work
from obtegum.core.rooms.plumb import words
from obtegum.core.rooms.plumb.found import Leans, lean_of, leans_of, missing, slack_m, straps_of, worst_m

__all__ = ["plan", "stands", "strips", "verdicts"]

CAUTION = "A strap under tension whips: stand aside of it, nobody under the bow. Pull slowly, one at a time, and look."
TITLES: dict[Check, str] = {
    "crown": "tape at the crown",
    "left": "left shoulder",
    "right": "right shoulder",
    "gap": "off the ridge string",
}
MOST_TOLD = 8
# Which runs are compared with the frame where it is read.
RUNS: dict[Check, str] = {"crown": "Ridge run", "left": "Left runs", "right": "Right runs"}


def verdicts(work: Work) -> list[Verdict]:
    """Whether the frame stands plumb, straight and square, as far as it was read."""
    if not leans_of(work):
        return []
    worst = max(leans_of(work), key=lambda each: each.most_m)
    ratio, number = worst.most_m / work.design.plumb.within_m, work.say(worst.most_m, "up")
    limit = work.say(work.design.plumb.within_m)
    spread = work.say(work.design.set_out.reading_error_m)
    sentence = words.leans(worst.bow, _how(work, worst), limit, spread)
    level = judge(ratio, work.rules.holds_to)
    # What is out of plumb is pulled true; it doesn't fall.
    level = "tight" if level == "fails" else level
    told = ratio if level == "holds" else None
    return [verdict_on("plumb", "plumb", "Plumb", level, sentence, number, limit, told, f"bow:{worst.bow}")]


def _how(work: Work, leans: Leans) -> str:
    """The way in which a bow is most out."""
    ways = (
        (leans.lean_m, "leans to the back by", "leans to the front by"),
        (leans.twist_m, "is twisted, its right side back by", "is twisted, its left side back by"),
        (leans.rack_m, "stands right of the ridge line by", "stands left of the ridge line by"),
    )
    known = [(abs(value), back if value > 0 else front) for value, back, front in ways if value is not None]
    most_m, said = max(known)
    return f"{said} {work.say(most_m, 'up')}"


def stands(work: Work, found: list[Verdict]) -> Standing:
    """What the step is called, and how far it has come."""
    bows = bays_of(work).bows
    done = bows - len(missing(work))
    return Standing(
        id="plumb", title="Plumb", group="Frame", state=ticked_off(found, done or bool(work.record.plumb), bows),
        done=done, of=bows,
    )  # fmt: skip


def plan(work: Work, found: list[Verdict]) -> StepPlan:
    """What is read of each bow, and what is pulled."""
    left = missing(work)
    walk = [(bow, check) for check in CHECKS[:1] for bow in range(1, bays_of(work).bows + 1)]
    return StepPlan(
        **stands(work, found),
        next=_next(work),
        next_part=f"bow:{left[0]}" if left else None,
        caution=CAUTION,
        measures=("plumb.within_m", "plumb.follows", "plumb.block_m"),
        aside=("plumb.block_m",),
        answers=tuple(_answers(work)),
        leads=("plumb_worst", "plumb_straps", "slack_crown"),
        views=("plumb", "along"),
        strips=tuple(f"plumb:{check}" for check in CHECKS),
        grips=(),
        walk=tuple(f"record.plumb.{bow}.{check}_m" for bow, check in walk),
        focus=("bow", "strap", "line"),
        how=tuple(Told(words=said) for said in _work(work)),
        how_title="What to pull, in this order" if straps_of(work) else "How to read it",
        actions=(Action(id="read-anew", label="Pulled: read it again"),) if work.record.plumb else (),
    )


def _next(work: Work) -> str:
    left, straps = missing(work), straps_of(work)
    if left:
        at = reads(work, bays_of(work).stations_m[left[0] - 1])
        return f"Next: bow {left[0]}, {TITLES['crown']}; plumb it reads {at}."
    if straps:
        return f"{_pull(work, straps[0].bow + 1, straps[0].by_m)}, then read again."
    return "It stands plumb along: tighten every clamp and brace, then the stays may leave."


def _pull(work: Work, bow: int, by_m: float) -> str:
    where = "back" if by_m > 0 else "front"
    return f"Strap bow {bow} at the crown and pull it to the {where} by {work.say(abs(by_m))}"


def _work(work: Work) -> Iterator[str]:
    """The pulls in their order, or how the frame is read."""
    straps = straps_of(work)
    if not straps:
        yield "Strings at foot, shoulder and crown, end bow to end bow; the end bows plumbed first, on their stays."
        yield "A plumb line over the front posts holds the tape’s zero; read it at each crown, then at both shoulders."
        yield "Clamps finger-tight and braces loose until it stands true; no stay leaves before that."
        return
    for place, strap in enumerate(straps[:MOST_TOLD]):
        again = f"; {work.say(strap.left_m, 'up')} is left at the worst, read it again" if place == 0 else ""
        yield f"{_pull(work, strap.bow + 1, strap.by_m)}, and leave the strap tight{again}."
    if len(straps) > MOST_TOLD:
        yield f"And {len(straps) - MOST_TOLD} more: read again before them."
    yield "Then braces and clamps tight, straps off from the middle outward, and read once more."


def _answers(work: Work) -> Iterator[Answer]:
    if leans_of(work):
        yield length_answer(work, "plumb_worst", "Out, most", worst_m(work))
    straps = straps_of(work)
    if not missing(work):
        yield count_answer("plumb_straps", "Straps", len(straps), "each moves its neighbours too: read again after it")
    for check, label in RUNS.items():
        slack = slack_m(work, check)
        if slack is not None:
            note = "the run is longer than the frame: lean to take out first" if slack > 0 else "the frame is longer"
            yield length_answer(work, f"slack_{check}", f"{label} against the frame", abs(slack), note)
    for number, earlier in enumerate(work.record.plumb_earlier, start=1):
        read = {name: each for name, each in earlier.bows.items() if int(name) <= bays_of(work).bows}
        out_m = max((lean_of(work, int(name), each).most_m for name, each in read.items()), default=0.0)
        yield length_answer(work, f"plumbed_{number}", f"Round {number}, out most", out_m, f"{len(read)} bows read")


def strips(work: Work) -> list[Strip]:
    """Every bow with what it should read, and a place to type what it does."""
    return [_strip(work, check) for check in CHECKS]


def _strip(work: Work, check: Check) -> Strip:
    marks, plumb = list[StripMark](), work.record.plumb
    for bow, station in enumerate(bays_of(work).stations_m, start=1):
        value = plumb[str(bow)].told(check) if str(bow) in plumb else None
        wanted = work.say(work.design.plumb.block_m) if check == "gap" else reads(work, station)
        reading = "" if value is None else work.say(value)
        says = (
            f"Next: bow {bow}, {TITLES[check]}; plumb it reads {wanted}."
            if value is None
            else f"Bow {bow}, {TITLES[check]}, was read: {reading}. Type to read it again."
        )
        label = f"Bow {bow}, {TITLES[check]}"
        marks.append(
            StripMark(
                id=f"plumb:{check}/{bow}",
                part=f"bow:{bow}",
                at_m=station,
                reading=reading or wanted,
                what=f"bow {bow}",
                kind="peg",
                state="open" if value is None else "set",
                entry=Entered(measure=f"record.plumb.{bow}.{check}_m", label=label, reading=reading),
                says=says,
            )
        )
    return Strip(
        id=f"plumb:{check}",
        title=TITLES[check].capitalize(),
        about="what it reads where the frame is plumb, until it is read",
        material="string",
        length_m=bays_of(work).stations_m[-1],
        starts_m=starts_m(work),
        marks=tuple(marks),
    )
