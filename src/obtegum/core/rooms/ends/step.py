"""Ends: what closes front and back, every stick with its cuts, the doorway, and what wind asks of it."""

import math
from collections.abc import Iterator

from obtegum.core.amount import amount_text
from obtegum.core.answers import amount_answer, count_answer, length_answer, settled
from obtegum.core.rooms.ends.decisions import SIDES, Side
from obtegum.core.rooms.ends.draw import told
from obtegum.core.rooms.ends.found import Stick, end_of, leaves_of, stud_board, wall_of, wind_on
from obtegum.core.rooms.soil.found import why_no_ground
from obtegum.core.rooms.strength.words import AID, MADE_UP
from obtegum.core.rooms.weather.found import stood_in
from obtegum.core.step import Answer, Standing, StepPlan, Told
from obtegum.core.strip import Strip
from obtegum.core.verdict import Verdict, judge, verdict_on
from obtegum.core.work import Work

__all__ = ["plan", "stands", "strips", "verdicts"]

CAUTION = (
    "Goggles and ears at saw and nailer. A leaf is a sail: hang it on a calm day, two to it, hooked before you let go."
)
NEVER = 99.0
SHARE = "What studs and header push their bow by, and what holds their heads, isn’t counted anywhere yet."


def verdicts(work: Work) -> list[Verdict]:
    """Studs and jambs of each framed end against the wind."""
    return [verdict for side in SIDES if wall_of(work, side).sticks for verdict in _blown(work, side)]


def _blown(work: Work, side: Side) -> Iterator[Verdict]:
    blown, made_up = wind_on(work, side), f"{MADE_UP} " if stood_in(work) else ""
    if blown is None:
        return
    press = amount_text(blown.pressure_pa, "pressure", work.tape.units, "up")
    ratio = min(blown.stud_share, NEVER)
    number = f"{math.ceil(ratio * 100 - 1e-9):,} %"
    uses = f"uses {number} of its bending strength under {press} of wind"
    sentence = f"{made_up}The {side}’s stud {blown.stud} {uses}. {SHARE} {AID}"
    level = judge(ratio, work.rules.holds_to)
    part = f"{side}:{blown.stud}"
    yield verdict_on("ends", f"stud-{side}", f"Studs, {side}", level, sentence, number, "100 %", ratio, part, "stands")
    if not any(stick.what == "jamb" for stick in wall_of(work, side).sticks):
        return
    title = f"Jambs’ feet, {side}"
    if blown.foot_share is None:
        asked = f"What the jambs of the {side} stand in isn’t known. {why_no_ground(work)}"
        yield verdict_on("ends", f"jamb-{side}", title, "unknown", asked, "not known", "", None, part)
        return
    share = min(blown.foot_share, NEVER)
    number = f"{math.ceil(share * 100 - 1e-9):,} %"
    deep = work.say(end_of(work, side).deep_m, "down")
    sentence = f"{made_up}{deep} deep, a jamb of the {side} uses {number} of what its ground holds sideways. {AID}"
    level = judge(share, work.rules.holds_to)
    yield verdict_on("ends", f"jamb-{side}", title, level, sentence, number, "100 %", share, part, "stands")


def stands(work: Work, found: list[Verdict]) -> Standing:
    """What the step is called, and how far it has come."""
    framed = any(wall_of(work, side).sticks for side in SIDES)
    return Standing(id="ends", title="Ends", group="Close in", state=settled(found) if framed else "open")


def plan(work: Work, found: list[Verdict]) -> StepPlan:
    """The step's inputs and answers, of the end that is shown."""
    side = work.design.ends.shown
    end = end_of(work, side)
    framed, door = end.kind == "framed", end.door != "none"
    asked = (
        "kind",
        *(("door",) if framed else ()),
        *(("wide_m", "high_m", "left_m") if framed and door else ()),
        *(("apart_m", "sill", "stud", "stand") if framed else ()),
        *(("deep_m",) if framed and (door or end.sill == "none") else ()),
    )
    return StepPlan(
        **stands(work, found),
        next=_next(work, side),
        caution=CAUTION,
        measures=("ends.shown", *(f"ends.{side}.{name}" for name in asked)),
        aside=(f"ends.{side}.stud", f"ends.{side}.stand"),
        answers=tuple(_answers(work, side)),
        leads=("end_sticks", "leaf_wide", "leaf_high"),
        views=(side, "front" if side == "back" else "back", "across"),
        strips=tuple(each.id for each in strips(work) if each.id.startswith(f"end:{side}")) or ("floor",),
        grips=tuple(f"ends.{side}.{name}" for name in ("high_m", "wide_m", "left_m")),
        focus=("front", "back", "way", "bow"),
        how=tuple(Told(words=words) for words in _order(work, side)) if framed else (),
        how_title="In this order",
    )


def _next(work: Work, side: Side) -> str:
    wall = wall_of(work, side)
    if not wall.sticks:
        return f"Frame the {side}, or leave it open."
    return f"Mark where the {len(wall.sticks)} sticks of the {side} stand, from the left post’s middle; then cut them."


def _order(work: Work, side: Side) -> Iterator[str]:
    """What is set first, and what after."""
    end = end_of(work, side)
    if end.door != "none":
        deep = work.say(end.deep_m, "down")
        yield f"Jambs first, {deep} in the ground, plumb and braced; their feet before any ground sheet."
        yield "The header between them, level; the doorway squared by its diagonals."
    yield "Studs under the bow, each to its letter: faces flush, so that film lies in one plane."
    yield "Bevels sawn with the long point toward the crown; a strap or two nails into a block at each head."
    if leaves_of(work, side):
        yield "Leaves last, made flat and squared by their diagonal, the brace up from the hinge’s foot."


def _answers(work: Work, side: Side) -> Iterator[Answer]:
    wall = wall_of(work, side)
    if not wall.sticks:
        return
    board = stud_board(work, side)
    yield count_answer("end_sticks", f"Sticks of the {side}", len(wall.sticks), f"{board.name}, lettered from the left")
    yield length_answer(work, "end_timber", "Timber in them", sum(stick.long_m for stick in wall.sticks))
    for stick in wall.sticks:
        yield Answer(
            id=f"stick_{stick.letter}",
            label=f"{stick.letter}, {stick.what}",
            reading=work.say(stick.long_m, "up"),
            value=stick.long_m,
            unit="m",
            note=told(work, stick),
        )
    leaves = leaves_of(work, side)
    if leaves:
        many = "two of them" if len(leaves) > 1 else ""
        yield length_answer(work, "leaf_wide", "Leaf, wide", leaves[0].wide_m, many)
        yield length_answer(work, "leaf_high", "Leaf, high", leaves[0].high_m)
        yield length_answer(work, "leaf_square", "Its diagonals, both", leaves[0].square_m)
        yield length_answer(
            work, "leaf_brace", "Brace, corner to corner inside", leaves[0].brace_m, "from the hinge’s foot up"
        )
    blown = wind_on(work, side)
    if blown is not None:
        yield amount_answer(
            work, "end_wind", "Wind on a stud", blown.pressure_pa, "pressure", "on a piece of wall by itself"
        )


def strips(work: Work) -> list[Strip]:
    """Where sticks stand along each framed end, and each stick by itself with its long and short point."""
    return [strip for side in SIDES if wall_of(work, side).sticks for strip in _strips(work, side)]


def _strips(work: Work, side: Side) -> Iterator[Strip]:
    wall, half = wall_of(work, side), work.design.size.span_m / 2
    plumb = [stick for stick in wall.sticks if stick.cut is not None]
    name = f"end:{side}"
    marks = [
        work.mark(stick.ends[0][0] + half, f"{stick.letter}, middle", "peg", f"{side}:{stick.letter}", name)
        for stick in plumb
    ]
    yield Strip(
        id=name,
        title="Along the wall",
        about="tape from the left post’s middle",
        material="floor",
        length_m=work.design.size.span_m,
        marks=tuple(sorted(marks, key=lambda each: each.at_m)),
    )
    for stick in plumb:
        yield _stick(work, side, stick)


def _stick(work: Work, side: Side, stick: Stick) -> Strip:
    name, part = f"end:{side}:{stick.letter}", f"{side}:{stick.letter}"
    assert stick.cut is not None
    toward = "left" if stick.cut.left_m > stick.cut.right_m else "right"
    marks = [work.mark(stick.long_m, f"long point, {toward} edge", "cut", part, name)]
    if stick.cut.bevel_rad > 1e-6:
        marks.insert(0, work.mark(stick.short_m, "short point", "bend", "bow", name))
    if stick.what == "jamb" and -stick.ends[0][1] > 0:
        marks.insert(0, work.mark(-stick.ends[0][1], "ground", "ground", "ground", name))
    return Strip(
        id=name,
        title=stick.letter,
        about=f"{stick.what}, tape from its foot",
        material="board",
        length_m=stick.long_m,
        marks=tuple(sorted(marks, key=lambda each: each.at_m)),
    )
