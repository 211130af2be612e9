"""Earth: a pad cut, filled or raised, what moving it takes, and stone by mass."""

from obtegum.core.drawing.step import Action, Answer, Standing, StepPlan
from obtegum.core.drawing.strip import Strip
from obtegum.core.drawing.verdict import Verdict
from obtegum.core.face.answers import amount_answer, count_answer, length_answer, settled
from obtegum.core.findings.skeleton.ground import Lie
from obtegum.core.findings.skeleton.levels import lie_of
from obtegum.core.findings.work import Work
from obtegum.core.formulas.ground.earthwork import Moving
from obtegum.core.rooms.earth import words
from obtegum.core.rooms.earth.found import stone_of_kg
from obtegum.core.values.amount import amount_text
from obtegum.core.values.quantity import percent_text

__all__ = ["moving_words", "plan", "stands", "strips", "verdicts"]


def verdicts(work: Work) -> list[Verdict]:
    """Whether there is ground to reckon with, and whether levels cover the pad."""
    lie, kind = lie_of(work), work.design.pad.kind
    if kind == "as_it_lies":
        return []
    if lie is None or not lie.padded:
        sentence = words.no_levels()
        return [_verdict("unknown", sentence, "", "", None)]
    least = work.rules.level_covers_least_share
    covered, wanted = percent_text(lie.covered, 0, "down"), percent_text(least, 0)
    if lie.covered >= least:
        sentence = words.covered(covered)
        return [_verdict("holds", sentence, covered, wanted, least / lie.covered)]
    sentence = words.covered_only(covered)
    return [_verdict("unknown", sentence, covered, wanted, None)]


def _verdict(level: str, sentence: str, number: str, limit: str, ratio: float | None) -> Verdict:
    return Verdict(
        id="pad-covered",
        step="earth",
        level=level,
        title="Pad",
        sentence=sentence,
        number=number,
        limit=limit,
        ratio=ratio,
        part="pad",
    )


def moving_words(work: Work) -> str:
    """What the pad takes, short: ``92 loads, 7.7 h``; empty without one."""
    lie = lie_of(work)
    moved = lie.moved if lie else None
    if moved is None:
        return ""
    word = "load" if moved.loads == 1 else "loads"
    return f"{moved.loads} {word}, {amount_text(moved.hours_s, 'hours', work.tape.units, 'up')}"


def stands(work: Work, found: list[Verdict]) -> Standing:
    """What the step is called, and how far it has come."""
    pad = work.design.pad
    return Standing(
        id="earth",
        title="Earth",
        group="Place",
        state=settled(found) if pad.kind != "as_it_lies" or work.record.levels.pegs else "open",
    )


def plan(work: Work, found: list[Verdict]) -> StepPlan:
    """The step's inputs and answers."""
    pad = work.design.pad
    return StepPlan(
        **stands(work, found),
        next=_next(work),
        caution="Buried lines marked before a spade goes in. Lift with the legs; half loads uphill.",
        measures=(
            "pad.kind",
            *(("pad.raise_m",) if pad.kind == "raise" else ()),
            "pad.margin_m",
            *(
                ("pad.slope", "pad.load_m3", "pad.load_s", "pad.swell", "pad.shrink")
                if pad.kind != "as_it_lies"
                else ()
            ),
            "pad.stone_m",
            *(("pad.stone_kg_m3",) if pad.stone_m > 0 else ()),
        ),
        answers=tuple(_answers(work)),
        leads=("loads", "earth_hours", "fill", "cut", "stone"),
        views=("earth", "profile"),
        strips=("tops:L", "tops:R") if lie_of(work) else ("peg:L", "peg:R"),
        aside=("pad.load_m3", "pad.load_s", "pad.swell", "pad.shrink", "pad.stone_kg_m3"),
        grips=(),
        focus=("pad", "meeting", "contour", "spots", "spot", "post", "ground", "datum", "corner", "line", "end"),
        actions=(Action(id="spots", label="Spots between the pegs", opens="spots"),),
    )


def _next(work: Work) -> str:
    lie = lie_of(work)
    if lie is None:
        return "Read levels first: cut and fill come from them."
    if not lie.padded or lie.moved is None:
        return "The ground stays as it lies; the posts take up the fall."
    highest = max(lie.heights.values())
    rod = work.say(-lie.datum.at(0.0))
    over = lie.datum.at(0.0) - highest
    way = "above" if over >= 0 else "below"
    return (
        f"Move {moving_words(work)}. The finished pad at A lies {work.say(abs(over))} {way} the highest peg: "
        f"the rod reads {rod} on it."
    )


def _answers(work: Work) -> list[Answer]:
    lie, pad = lie_of(work), work.design.pad
    found: list[Answer] = []
    if lie is not None and lie.moved is not None:
        found += _moved(work, lie, lie.moved)
    if pad.stone_m > 0:
        found.append(amount_answer(work, "stone", "Stone to buy", stone_of_kg(work), "mass", "packs by a tenth"))
    return found


def _moved(work: Work, lie: Lie, moved: Moving) -> list[Answer]:
    """What making the pad comes to."""
    pad, net = work.design.pad, ("Brought in or taken away", 0.0, "cut makes the fill")
    if abs(moved.net_m3) >= 0.05:
        net = ("Brought in, as it lay" if moved.net_m3 > 0 else "Taken away, as it lay", abs(moved.net_m3), "")
    found = [
        amount_answer(work, "cut", "Cut, as it lies", moved.cut_m3, "volume"),
        amount_answer(work, "fill", "Fill, in place", moved.fill_m3, "volume"),
        amount_answer(work, "net", net[0], net[1], "volume", net[2]),
    ]
    if lie.banks is not None:
        run_m = lie.banks.reach_m(lie.datum.at_a_m, lie.datum.fall, pad.slope)
        found.append(length_answer(work, "banks", "Side slopes reach out", run_m, "beyond the pad, at most"))
    return [
        *found,
        amount_answer(work, "loose", "Moved loose", moved.loose_m3, "volume"),
        count_answer("loads", "Loads", moved.loads, f"of {amount_text(pad.load_m3, 'load', work.tape.units)}"),
        amount_answer(work, "earth_hours", "Time, one person", moved.hours_s, "hours"),
    ]


def strips(work: Work) -> list[Strip]:
    """The post tops' strips of the level step serve here too."""
    return []
